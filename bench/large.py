"""A household of many years: 20 000 photos, 2 000 pages, 60 kits. What its lists, its edits and its first screens take.

`python bench/large.py` prints seconds beside what is wanted. It makes the household first, which takes a minute.
"""

from __future__ import annotations

import statistics
import subprocess
import sys
import tempfile
import time
from collections.abc import Callable
from pathlib import Path

import httpx2
from playwright.sync_api import Browser, sync_playwright

sys.path.insert(0, str(Path(__file__).parent.parent))

from tests.browser.conftest import launch
from tests.large import large_household

LISTS = "kits", "pages", "photos", "book", "settings", "templates", "aside"
LIST, SCREEN = 0.3, 1.5
"""Wanted, in seconds."""
SCREENS = {
    "/": "main h1",
    "/unpack": "nav[aria-label=Kits] a",
    "/photos": "ul[aria-label='The roll'] img",
    "/page/{page}": "main svg[role=application], main svg",
    "/cut/{page}": "main svg",
    "/log": "main h2",
}


def took(what: Callable[[], object]) -> float:
    start = time.monotonic()
    what()
    return time.monotonic() - start


def edits(ask: httpx2.Client) -> float:
    """The median of ten edits of a page."""
    page = ask.get("/api/pages").json()[0]
    id, version, times = page["saved"]["id"], page["saved"]["version"], []
    for n in range(10):
        body = {"page": page["page"] | {"story": f"told {n} times"}, "what": "told it", "version": version + n}
        times.append(took(lambda body=body: ask.put(f"/api/pages/{id}", json=body).raise_for_status()))  # type: ignore[misc]
    return statistics.median(times)


def served(home: Path) -> tuple[subprocess.Popen[str], str, float]:
    start = time.monotonic()
    program = [
        str(Path(sys.executable).parent / "ulna"),
        "serve",
        "--home",
        str(home),
        "--port",
        "0",
        "--no-browser",
    ]
    server = subprocess.Popen(program, stdout=subprocess.PIPE, text=True)
    assert server.stdout
    address = next(line.split()[-1] for line in server.stdout if "open at" in line)
    return server, address, time.monotonic() - start


def opened(browser: Browser, address: str, what: str) -> float:
    """Until `what` is seen, in a window that was never open before."""
    window = browser.new_page(viewport={"width": 1280, "height": 800})
    window.goto("about:blank")
    time.sleep(2)  # the small pictures of the screen before are still being made
    start = time.monotonic()
    window.goto(address, wait_until="commit")
    window.locator(what).first.wait_for()
    seconds = time.monotonic() - start
    window.close()
    return seconds


def main() -> None:
    with tempfile.TemporaryDirectory() as folder:
        few, many = Path(folder) / "few", Path(folder) / "many"
        large_household(few, 10, 10, 10)
        large_household(many, 20_000, 2_000, 60)
        server, address, _ = served(few)
        with httpx2.Client(base_url=address, timeout=60) as ask:
            small = edits(ask)
        server.terminate()
        server.wait()

        server, address, start = served(many)
        print(f"from the command to “is open” {start:.1f} s")
        with httpx2.Client(base_url=address, timeout=60) as ask:
            for name in LISTS:
                first, then = (took(lambda name=name: ask.get(f"/api/{name}")) for _ in range(2))  # type: ignore[misc]
                print(f"{name:<12} {first:5.2f}, then {then:5.2f} s (wanted {LIST})")
            print(f"an edit {edits(ask):.3f} s, with ten pages {small:.3f} s")
            page = ask.get("/api/pages").json()[3]["saved"]["id"]
        with sync_playwright() as playwright:
            browser = launch(playwright)
            for path, what in SCREENS.items():
                print(
                    f"{path:<12} {opened(browser, address + path.format(page=page), what):5.2f} s (wanted {SCREEN})"
                )
            browser.close()
        server.terminate()
        server.wait()


if __name__ == "__main__":
    main()
