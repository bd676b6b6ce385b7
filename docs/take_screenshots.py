"""Takes the pictures in docs/screenshots from a fresh demo household. Run with `make screenshots`."""

from __future__ import annotations

import sys
import tempfile
from pathlib import Path

from playwright.sync_api import Page, expect, sync_playwright

ROOT = Path(__file__).parent.parent
sys.path.insert(0, str(ROOT))

from tests.browser.conftest import Server, launch  # noqa: E402
from tests.browser.deeds import loaded, watch  # noqa: E402
from tests.standins.program import Program  # noqa: E402

from ulna.demo.household import set_up  # noqa: E402
from ulna.household.outside import Outside  # noqa: E402
from ulna.standins.cutting_machine.program import create_cutting_machine  # noqa: E402
from ulna.standins.photo_printer.program import create_printer  # noqa: E402

TO = ROOT / "docs/screenshots"


DRAFTED = (
    "Heron at first light", "Pip at the tiller", "Bridge 62", "Down through the lock", "Rivet on the roof", "Kettle on",
    "Engine in pieces",
)  # fmt: skip


def shoot(page: Page, name: str) -> None:
    loaded(page)
    page.wait_for_timeout(600)
    page.screenshot(path=str(TO / f"{name}.png"))


def tour(page: Page) -> None:
    page.goto("/unpack")
    page.locator("[data-paper]").nth(6).click(position={"x": 480, "y": 30})
    shoot(page, "unpack")
    page.get_by_text("9 things").click()
    page.get_by_role("button", name="How Heron looks").click()
    shoot(page, "things")
    page.goto("/photos")
    page.get_by_role("link", name="Moored for the night").click()
    expect(page.get_by_label("Name of the photo")).to_have_value("Moored for the night")
    page.get_by_label("Print: usual size").select_option(label="5 × 5")
    shoot(page, "photos")
    page.get_by_role("button", name="Undo: changed a print").click()
    page.goto("/photos/prints")
    expect(page.locator("[data-loaded]")).to_be_visible()
    shoot(page, "prints")
    page.goto("/page")
    shoot(page, "pages")
    page.goto("/page/drafts")
    for name in DRAFTED:
        page.get_by_role("button", name=name).first.click()
    page.get_by_label("Title of the page").fill("SLOW WATER")
    page.get_by_label("Words of the page").fill("We went slowly, and the heron let us.")
    page.get_by_role("button", name="Draft from 7 photos").click()
    expect(page.get_by_role("region", name="Drafts")).to_have_attribute("aria-busy", "false", timeout=180_000)
    page.evaluate("scrollTo(0, 0)")
    shoot(page, "drafts")
    page.goto("/page")
    page.get_by_role("link", name="Twenty-one locks").click()
    page.locator("[data-row=steps]").click()
    shoot(page, "page")
    page.get_by_role("button", name="Shelf", exact=True).click()
    shoot(page, "shelf")
    page.get_by_role("button", name="Close the shelf").first.click()
    page.goto("/page")
    page.get_by_role("link", name="The engine is in").click()
    shoot(page, "page-letter")
    page.goto("/page")
    page.get_by_role("link", name="Wharf market").click()
    shoot(page, "page-notebook")
    page.goto("/page")
    page.get_by_role("link", name="Rain on the roof").click()
    page.get_by_role("link", name="Cut list").click()
    page.get_by_role("link", name="With the machine").click()
    expect(page.get_by_role("list", name="Sheets for the machine")).to_be_visible()
    page.get_by_role("button", name="Send ").first.click()
    expect(page.get_by_text("lines are cut")).to_be_visible()
    shoot(page, "machine")
    page.goto("/page")
    page.get_by_role("link", name="Twenty-one locks").click()
    page.get_by_role("link", name="Cut list").click()
    page.get_by_role("button", name="Lock Brick 1").click()
    shoot(page, "cut")
    page.get_by_role("link", name="Go on cutting").click()
    for _ in range(4):
        page.keyboard.press("ArrowRight")
    shoot(page, "cutting-bench")
    page.goto("/log/book")
    shoot(page, "book")
    page.goto("/log")
    expect(page.get_by_role("list", name="The album")).to_be_visible()
    shoot(page, "log")
    page.goto("/check")
    page.get_by_label("Page to check").select_option(label="Wharf market")
    page.get_by_role("button", name="Bulk").first.click()
    shoot(page, "check")
    page.goto("/check/learn")
    page.get_by_role("region", name="Fits").get_by_role("button").first.click()
    shoot(page, "learn")
    page.goto("/build")
    expect(page.get_by_role("timer").first).to_be_visible()
    shoot(page, "build")
    page.goto("/page/together")
    expect(page.get_by_role("region", name="What each page takes")).to_be_visible()
    shoot(page, "together")


def main() -> None:
    TO.mkdir(exist_ok=True)
    with tempfile.TemporaryDirectory() as folder, sync_playwright() as playwright:
        home = Path(folder) / "home"
        set_up(home)
        printer = Program(lambda: create_printer(home / "printer", 3))
        machine = Program(lambda: create_cutting_machine(home / "machine", 4))
        server = Server(home, Outside(printer.address, machine.address))
        browser = launch(playwright)
        context = browser.new_context(viewport={"width": 1280, "height": 800}, base_url=server.address)
        page = context.new_page()
        watch(page)
        tour(page)
        browser.close()
        server.stop()
        printer.off()
        machine.off()


if __name__ == "__main__":
    main()
