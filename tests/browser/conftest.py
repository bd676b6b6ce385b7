"""A household of one's own for each test, served on a free port, and the real Chromium to use it with."""

from __future__ import annotations

import shutil
import threading
import time
from collections.abc import Callable, Iterator
from pathlib import Path

import pytest
import uvicorn
from playwright.sync_api import Browser, ConsoleMessage, Page, Playwright, expect, sync_playwright

from tests.browser.deeds import add_photo_parts, choose_paper, kit_there, page_there, saved, watch
from ulna.api.app import WEB, create_app
from ulna.api.door import Door
from ulna.household.home import Household
from ulna.household.outside import Outside
from ulna.household.searches import Searches

CHROMIUM = ("chromium-headless-shell", "chromium", "chromium-browser")
"""Debian's, the one without windows first: it opens a page three times as fast."""
FLAGS = ["--no-sandbox", "--disable-gpu", "--disable-quic", "--no-first-run", "--disable-background-networking",
         "--disable-component-update", "--disable-sync"]  # fmt: skip

FLAT = """addEventListener("DOMContentLoaded", () => {
  const style = document.createElement("style");
  style.textContent = "* { filter: none !important }";
  document.head.append(style);
});"""
"""Without soft shadows: drawing them without a graphics card takes a third of the time. `test_screens` has them."""

PATIENCE = 30_000
"""Milliseconds. A machine that does much else is slow now and then; what is right shows well within this."""

expect.set_options(timeout=PATIENCE)


class Server:
    """The application in a thread. It can be stopped and started again on the same port."""

    def __init__(self, home: Path, outside: Outside = Outside(), door: Door = Door()) -> None:
        self.home, self.port, self.outside, self.door = home, 0, outside, door
        self.start()

    def start(self) -> None:
        self.household = Household(self.home, self.outside)
        self.app = create_app(self.household, self.door)
        config = uvicorn.Config(
            self.app, host="127.0.0.1", port=self.port, log_level="error", timeout_graceful_shutdown=2
        )
        self.server = uvicorn.Server(config)
        self.thread = threading.Thread(target=self.server.run, daemon=True)
        self.thread.start()
        end = time.monotonic() + 30
        while not self.server.started and time.monotonic() < end:
            time.sleep(0.02)
        assert self.server.started, f"no server on port {self.port} within half a minute"
        self.port = self.server.servers[0].sockets[0].getsockname()[1]

    def stop(self) -> None:
        self.server.should_exit = True
        self.thread.join(timeout=20)
        assert not self.thread.is_alive(), "the server did not stop within 20 s"
        self.app.state.household.close()

    def move_in(self, home: Path) -> None:
        """Serves another household from now on."""
        state, self.home = self.app.state, home
        state.searches.close()
        state.household.close()
        self.household = state.household = Household(home, self.outside)
        state.searches = Searches()

    @property
    def address(self) -> str:
        return f"http://127.0.0.1:{self.port}"


def launch(playwright: Playwright) -> Browser:
    """The Chromium of this machine."""
    found = next(filter(None, map(shutil.which, CHROMIUM)), None)
    assert found, "Chromium is missing: sudo apt-get install -y chromium-headless-shell"
    return playwright.chromium.launch(executable_path=found, args=FLAGS)


@pytest.fixture(scope="session")
def one_server(tmp_path_factory: pytest.TempPathFactory) -> Iterator[Server]:
    """One for all tests of a worker: a household is there sooner than a server."""
    assert (WEB / "index.html").is_file(), "the interface is not built: make test builds it"
    running = Server(tmp_path_factory.mktemp("server") / "home")
    yield running
    running.stop()


@pytest.fixture
def server(one_server: Server, tmp_path: Path) -> Server:
    """With an empty household of this test's own. A test that failed while it was stopped fails alone."""
    if not one_server.thread.is_alive():
        one_server.start()
    one_server.move_in(tmp_path / "home")
    return one_server


@pytest.fixture(scope="session")
def browser() -> Iterator[Browser]:
    with sync_playwright() as playwright:
        running = launch(playwright)
        yield running
        running.close()


@pytest.fixture
def open_window(browser: Browser, server: Server) -> Iterator[Callable[..., Page]]:
    """Opens a window of 1280 × 800, or of another size; any error in its console fails the test."""
    contexts, problems = [], list[str]()

    def listen(message: ConsoleMessage) -> None:
        if message.type == "error" and "Failed to load resource" not in message.text:
            problems.append(message.text)

    def window(width: int = 1280, height: int = 800, at: Server = server) -> Page:
        context = browser.new_context(viewport={"width": width, "height": height}, base_url=at.address)
        contexts.append(context)
        page = context.new_page()
        page.add_init_script(FLAT)
        page.set_default_timeout(PATIENCE)
        page.on("console", listen)
        watch(page)
        page.on("pageerror", lambda error: problems.append(str(error)))
        return page

    yield window
    for context in contexts:
        context.close()
    assert problems == []


@pytest.fixture
def page(open_window: Callable[..., Page]) -> Page:
    return open_window()


KIT = """name,kind,width,height,count,stock,a pattern,a colours
Cream,sheet,12,12,6,card stock,plain,#f6efe0
Reeds,sheet,12,12,6,patterned,leaf,#eef1e4 #6f8a5c
Ink,sheet,12,12,6,card stock,plain,#2b3138
Brick,sheet,12,12,1,patterned,bricks,#d8c7b4 #b8683c
Pad,pad,6,6,9,patterned,dot,#ffffff #a5402f
"""


@pytest.fixture
def listed(page: Page) -> Page:
    """The cut list of a page with one mat of Ink, 4 1/2 × 6 1/2: two cuts."""
    kit_there(page)
    page_there(page)
    add_photo_parts(page, [], "A place for one")
    choose_paper(page, "Mat 1 paper", "Ink · A")
    saved(page)
    page.get_by_role("link", name="Cut list").click()
    return page


@pytest.fixture
def bench(page: Page, tmp_path: Path) -> Page:
    """A single page with a base, and five papers to make things from."""
    kit_there(page, KIT)
    page_there(page)
    return page
