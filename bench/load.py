"""Fifty people at one household: what they wait for, at the 95th percentile.

Each does what a person does, with the pause of a hand between: looks at lists, opens a page, drags (evaluates), edits,
looks at the cut list, ticks. `python bench/load.py [clients] [seconds] [pause]`
"""

from __future__ import annotations

import asyncio
import json
import random
import shutil
import subprocess
import sys
import tempfile
import time
from collections import defaultdict
from pathlib import Path

import httpx2

from ulna.demo.household import set_up

WANTED = {"read": 0.2, "edit": 0.2, "evaluate": 0.4}


async def person(n: int, at: str, end: float, pause: float, told: dict[str, list[float]], wrong: list[str]) -> None:
    rng = random.Random(n)
    async with httpx2.AsyncClient(base_url=at, timeout=60) as ask:
        pages = (await ask.get("/api/pages")).json()
        first = rng.choice(pages)["page"]
        mine = (await ask.post("/api/pages", json={"page": first | {"name": f"Page of {n}"}})).json()
        id, version, body = mine["saved"]["id"], mine["saved"]["version"], mine["page"]

        async def timed(kind: str, asked: object) -> httpx2.Response | None:
            start = time.monotonic()
            try:
                answer = await asked  # type: ignore[misc]
            except httpx2.HTTPError as error:
                wrong.append(f"{kind}: {error!r}")
                return None
            told[kind].append(time.monotonic() - start)
            if answer.status_code >= 500:
                wrong.append(f"{kind}: {answer.status_code} {answer.text[:100]}")
            return answer

        k = 0
        while time.monotonic() < end:
            await asyncio.sleep(rng.expovariate(1 / pause))
            k += 1
            deed = rng.choices(["read", "page", "evaluate", "edit", "cut list", "cost"], [20, 10, 35, 20, 5, 10])[0]
            if deed == "read":
                await timed(
                    "read", ask.get(rng.choice(["/api/pages", "/api/kits", "/api/photos", "/api/settings"]))
                )
            elif deed == "page":
                await timed("read", ask.get(f"/api/pages/{id}"))
            elif deed == "evaluate":
                await timed("evaluate", ask.post("/api/evaluate", json={"page": body, "id": id}))
            elif deed == "cost":
                await timed("cost", ask.post("/api/cost", json={"page": body, "id": id}))
            elif deed == "edit":
                body = body | {"story": f"edit {k}"}
                sent = {"page": body, "what": "told", "version": version}
                answer = await timed("edit", ask.put(f"/api/pages/{id}", json=sent))
                if answer is not None and answer.status_code == 200:
                    version = answer.json()["saved"]["version"]
            else:
                await timed("cut list", ask.get(f"/api/pages/{id}/cutting"))
        kept = (await ask.get(f"/api/pages/{id}")).json()
        if kept["saved"]["version"] != version:
            wrong.append(f"lost: version {version} was acknowledged, {kept['saved']['version']} is there")


async def all_of(clients: int, at: str, seconds: float, pause: float) -> tuple[dict[str, list[float]], list[str]]:
    told, wrong = defaultdict(list), list[str]()
    end = time.monotonic() + seconds
    await asyncio.gather(*(person(n, at, end, pause, told, wrong) for n in range(clients)))
    return told, wrong


def measured(clients: int, seconds: float, pause: float) -> dict[str, object]:
    """How long which kind of request took, in seconds, and what went wrong."""
    with tempfile.TemporaryDirectory() as folder:
        home = Path(folder) / "home"
        set_up(home)
        command = [sys.executable, "-m", "ulna", "serve", "--home", str(home), "--port", "0"]
        server = subprocess.Popen(command, stdout=subprocess.PIPE, text=True)
        try:
            assert server.stdout is not None
            at = server.stdout.readline().removeprefix("Ulna is open at ").strip()
            told, wrong = asyncio.run(all_of(clients, at, seconds, pause))
            memory = Path(f"/proc/{server.pid}/status").read_text().split("VmRSS:")[1].split()[0]
        finally:
            server.terminate()
            server.wait()
            shutil.rmtree(home)
    found: dict[str, object] = {
        kind: {"n": len(some), "p50": round(sorted(some)[len(some) // 2], 3),
               "p95": round(sorted(some)[int(len(some) * 0.95)], 3), "max": round(max(some), 3)}
        for kind, some in sorted(told.items())
    }  # fmt: skip
    return found | {
        "requests a second": round(sum(map(len, told.values())) / seconds, 1),
        "wrong": wrong[:5],
        "wrong in all": len(wrong),
        "memory (MB)": int(memory) // 1000,
    }


if __name__ == "__main__":
    given = [float(word) for word in sys.argv[1:4]]
    clients, seconds, pause = (*given, *(50, 60, 1.0)[len(given) :])
    print(json.dumps(measured(int(clients), seconds, pause), indent=1))
