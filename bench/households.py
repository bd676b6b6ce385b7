"""A club of households on one machine, a process and a folder each: what one at work waits for, and what they take.

So many of them have a person at work and a device that looks on.
`python bench/households.py [households] [seconds] [pause]`
"""

from __future__ import annotations

import asyncio
import shutil
import statistics
import subprocess
import sys
import tempfile
import time
from collections import defaultdict
from pathlib import Path

import httpx2
from load import person

from ulna.demo.household import set_up

LOOK = 0.7
"""Seconds from one look of a device for changes to the next, as the interface has it."""


async def looks(at: str, end: float) -> None:
    async with httpx2.AsyncClient(base_url=at, timeout=60) as ask:
        while time.monotonic() < end:
            await asyncio.sleep(LOOK)
            await ask.get("/api/changes")


def started(home: Path) -> tuple[subprocess.Popen[str], str]:
    command = [sys.executable, "-m", "ulna", "serve", "--home", str(home), "--port", "0", "--no-browser"]
    server = subprocess.Popen(command, stdout=subprocess.PIPE, text=True)
    assert server.stdout is not None
    return server, next(line.split()[-1] for line in server.stdout if "http://" in line)


def memory(pid: int) -> float:
    """Megabytes that a process holds, with its workers."""
    said = Path(f"/proc/{pid}/status").read_text()
    own = int(next(line for line in said.splitlines() if line.startswith("VmRSS")).split()[1]) / 1024
    children = Path(f"/proc/{pid}/task/{pid}/children")
    return own + sum(memory(int(child)) for child in (children.read_text().split() if children.exists() else ()))


async def everyone(addresses: list[str], seconds: float, pause: float) -> tuple[dict[str, list[float]], list[str]]:
    told, wrong, end = defaultdict[str, list[float]](list), list[str](), time.monotonic() + seconds
    people = [person(n, at, end, pause, told, wrong) for n, at in enumerate(addresses)]
    await asyncio.gather(*people, *(looks(at, end) for at in addresses))
    return told, wrong


def main(households: int = 10, seconds: float = 60, pause: float = 3) -> None:
    with tempfile.TemporaryDirectory() as folder:
        first = Path(folder) / "home-0"
        set_up(first)
        homes = [first, *(Path(shutil.copytree(first, Path(folder) / f"home-{k}")) for k in range(1, households))]
        servers = [started(home) for home in homes]
        try:
            print(
                f"{households} households open: {statistics.median(memory(s.pid) for s, _ in servers):.0f} MB each"
            )
            told, wrong = asyncio.run(everyone([at for _, at in servers], seconds, pause))
            print(f"after work: {statistics.median(memory(s.pid) for s, _ in servers):.0f} MB each")
            for kind, found in sorted(told.items()):
                p95 = statistics.quantiles(found, n=20)[-1] if len(found) > 1 else found[0]
                print(f"{kind:10} {len(found):5} times, 95 of a hundred within {p95 * 1000:6.0f} ms")
            print(f"{len(wrong)} went wrong", *wrong[:5], sep="\n")
        finally:
            for server, _ in servers:
                server.terminate()


if __name__ == "__main__":
    main(*(int(value) for value in sys.argv[1:2]), *(float(value) for value in sys.argv[2:]))
