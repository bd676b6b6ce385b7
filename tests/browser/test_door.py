"""The door, in a browser: signing in and out, a name that somebody else points at this machine, a disk that is full."""

from __future__ import annotations

import http.server
import threading
from collections.abc import Callable, Iterator
from pathlib import Path

import pytest
from playwright.sync_api import Browser, Page, expect

from tests.api.test_trouble import full
from tests.browser.conftest import Server
from tests.browser.deeds import kit_there, page_there, saved
from ulna.api.door import Door
from ulna.household.keeper import Keeper

RIGHT = "a heron by the lock"


@pytest.fixture
def guarded(tmp_path: Path) -> Iterator[Server]:
    home = tmp_path / "guarded"
    home.mkdir()
    keeper = Keeper(home)
    keeper.set(RIGHT)
    server = Server(home, door=Door(keeper=keeper))
    yield server
    server.stop()


def test_one_signs_in_works_and_signs_out(open_window: Callable[..., Page], guarded: Server) -> None:
    """A wrong passphrase is told; after signing out nothing of the household is seen, nor asked for."""
    page = open_window(at=guarded)
    page.goto("/unpack")
    page.get_by_label("Passphrase").fill("not this one, no")
    page.keyboard.press("Enter")
    expect(page.get_by_text("this is not the passphrase")).to_be_visible()
    page.get_by_label("Passphrase").fill(RIGHT)
    page.get_by_role("button", name="Come in").click()
    expect(page.get_by_role("navigation", name="Benches")).to_be_visible()
    page.get_by_role("button", name="Units, marks, punches and what was put away").click()
    page.get_by_role("button", name="Sign out").click()
    expect(page.get_by_label("Passphrase")).to_be_visible()
    expect(page.get_by_role("navigation", name="Benches")).to_have_count(0)


def test_signed_out_elsewhere_one_signs_in_again_and_nothing_is_lost(
    open_window: Callable[..., Page], guarded: Server
) -> None:
    """What was written meanwhile is kept in the browser and sent once one is in."""
    page = open_window(at=guarded)
    page.goto("/")
    page.get_by_label("Passphrase").fill(RIGHT)
    page.keyboard.press("Enter")
    expect(page.get_by_role("navigation", name="Benches")).to_be_visible()
    kit_there(page)
    page_there(page)
    assert guarded.door.keeper is not None
    guarded.door.keeper.set(RIGHT)  # which signs everybody out
    page.get_by_role("textbox", name="Story").fill("a heron stood by the lock")
    page.get_by_role("textbox", name="Story").blur()
    expect(page.get_by_label("Passphrase")).to_be_visible()
    page.get_by_label("Passphrase").fill(RIGHT)
    page.keyboard.press("Enter")
    expect(page.get_by_role("textbox", name="Story")).to_have_value("a heron stood by the lock")
    saved(page)
    (kept,) = guarded.household.pages.all()
    assert kept.body.story == "a heron stood by the lock"


class Elsewhere(http.server.BaseHTTPRequestHandler):
    """A page of somebody else, who says that its name is this machine."""

    def do_GET(self) -> None:
        self.send_response(200)
        self.send_header("Content-Type", "text/html")
        self.end_headers()
        self.wfile.write(b"<title>evil</title>")

    def log_message(self, *_: object) -> None:
        """Nothing is said."""


def test_a_name_that_somebody_else_points_here_opens_nothing(browser: Browser, server: Server) -> None:
    """Neither reading nor writing, by that name or from its page."""
    evil = http.server.ThreadingHTTPServer(("127.0.0.1", 0), Elsewhere)
    threading.Thread(target=evil.serve_forever, daemon=True).start()
    named = browser.browser_type.launch(
        executable_path=chromium(),
        args=["--no-sandbox", "--disable-gpu", "--host-resolver-rules=MAP evil.example 127.0.0.1"],
    )
    try:
        page = named.new_page()
        opened = page.goto(f"http://evil.example:{server.port}/")
        assert opened is not None and opened.status == 421
        read = "(address) => fetch(address).then((answer) => answer.status, () => 'blocked')"
        write = "(address) => fetch(address, {method: 'POST', body: '{}'}).then((a) => a.status, () => 'blocked')"
        assert page.evaluate(read, f"http://evil.example:{server.port}/api/kits") == 421
        assert page.evaluate(write, f"http://evil.example:{server.port}/api/kits") == 421
        page.goto(f"http://evil.example:{evil.server_port}/")
        for address in (f"http://127.0.0.1:{server.port}/api/kits", f"http://evil.example:{server.port}/api/kits"):
            assert page.evaluate(read, address) == "blocked"
            page.evaluate(write, address)
        assert server.household.kits.all() == []
    finally:
        named.close()
        evil.shutdown()


def chromium() -> str:
    from shutil import which

    from tests.browser.conftest import CHROMIUM

    return next(filter(None, map(which, CHROMIUM)))


def test_on_a_full_disk_work_goes_on_and_is_kept_once_there_is_room(page: Page, server: Server) -> None:
    """The person is told what is safe and what would do; what they write is there afterwards."""
    kit_there(page)
    page_there(page)
    saved(page)
    story = "a heron " * 2_000
    with full(server.household):
        page.get_by_role("textbox", name="Story").fill(story)
        page.get_by_role("textbox", name="Story").blur()
        expect(page.get_by_text("Not saved yet, kept in this browser")).to_contain_text("Make room and it is kept")
        page.reload()
        expect(page.get_by_role("textbox", name="Story")).to_have_value(story)
    saved(page)
    (kept,) = server.household.pages.all()
    assert kept.body.story == story
