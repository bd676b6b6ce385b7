"""A tablet and a desk on one page: each sees what the other does within a second, and conflicts are told."""

from __future__ import annotations

from collections.abc import Callable

from playwright.sync_api import Page, expect

from tests.browser.conftest import Server
from tests.browser.deeds import add_part, kit_there, page_there, saved, unaware

SECOND = 1_000
"""Milliseconds; and one more for a machine that is busy with tests."""


def test_a_tablet_and_a_desk_on_one_page(open_window: Callable[..., Page]) -> None:
    """What is changed on the desk is drawn on the tablet within a second, and the other way round; a field that one is
    typing in on the tablet stays as it is."""
    desk, tablet = open_window(), open_window(1024, 768)
    kit_there(desk)
    page_there(desk)
    add_part(desk, "panel", "Panel")
    saved(desk)
    tablet.goto(desk.url)
    panels = [one.locator("[data-part^=panel]") for one in (desk, tablet)]
    expect(panels[1]).to_have_count(1)
    story = tablet.get_by_role("textbox", name="Story")
    story.fill("The rain came")
    add_part(desk, "panel", "Panel")
    saved(desk)
    expect(panels[1]).to_have_count(2, timeout=2 * SECOND)
    expect(story).to_have_value("The rain came")
    story.blur()
    saved(tablet)
    expect(desk.get_by_role("textbox", name="Story")).to_have_value("The rain came", timeout=2 * SECOND)


def test_both_at_once_is_told_as_ever(open_window: Callable[..., Page]) -> None:
    """The tablet's change is on its way when the desk's is saved: it is told, and either may be kept."""
    desk, tablet = open_window(), unaware(open_window(1024, 768))
    kit_there(desk)
    page_there(desk)
    tablet.goto(desk.url)
    expect(tablet.get_by_label("The page at scale")).to_be_visible()
    add_part(desk, "panel", "Panel")
    saved(desk)
    add_part(tablet, "band", "Band, flush")
    expect(tablet.get_by_text("changed in another window")).to_be_visible()


def test_a_tick_on_the_tablet_is_on_the_desk(listed: Page, open_window: Callable[..., Page]) -> None:
    desk, tablet = listed, open_window(1024, 768)
    tablet.goto(desk.url)
    step = tablet.get_by_role("region", name="Cuts").get_by_role("checkbox").first
    step.check()
    saved(tablet)
    expect(desk.get_by_role("region", name="Cuts").get_by_role("checkbox").first).to_be_checked(timeout=2 * SECOND)


def test_the_address_is_there_as_text_and_for_a_camera(page: Page, server: Server) -> None:
    """On this machine alone it says what would do; reached from elsewhere it shows the address and its code."""
    page.goto("/")
    page.get_by_role("button", name="Units, marks, punches").click()
    devices = page.get_by_role("region", name="Other devices")
    expect(devices).to_contain_text("ulna serve --host 0.0.0.0")
    server.app.state.reached = ("http://192.168.1.20:8620",)
    page.reload()
    page.get_by_role("button", name="Units, marks, punches").click()
    expect(devices).to_contain_text("http://192.168.1.20:8620")
    expect(devices.get_by_role("img", name="Code for the camera: http://192.168.1.20:8620")).to_be_visible()
    server.app.state.reached = ()


def test_it_can_be_installed(page: Page) -> None:
    """Its manifest, its icons at their sizes; all from this server alone."""
    page.goto("/")
    manifest = page.request.get("/manifest.webmanifest").json()
    assert (manifest["name"], manifest["display"], manifest["start_url"]) == ("Ulna", "standalone", "/")
    for icon in manifest["icons"]:
        answer = page.request.get(icon["src"])
        assert answer.ok and len(answer.body()) > 200, icon
        if icon["type"] == "image/png":
            width = int.from_bytes(answer.body()[16:20], "big")
            assert icon["sizes"] == f"{width}x{width}"
