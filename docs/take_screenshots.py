"""Takes the pictures in docs/screenshots from a fresh demo household. Run with `make screenshots`."""

from __future__ import annotations

import sys
import tempfile
from pathlib import Path

from playwright.sync_api import Page, sync_playwright

ROOT = Path(__file__).parent.parent
sys.path.insert(0, str(ROOT))

from tests.browser.conftest import Server, launch  # noqa: E402

from ulna.demo.household import set_up  # noqa: E402

TO = ROOT / "docs/screenshots"


def shoot(page: Page, name: str) -> None:
    page.wait_for_load_state("networkidle")
    page.wait_for_timeout(600)
    page.screenshot(path=str(TO / f"{name}.png"))


def tour(page: Page) -> None:
    page.goto("/unpack")
    page.locator("[data-paper]").nth(6).click(position={"x": 480, "y": 30})
    shoot(page, "unpack")
    page.goto("/photos")
    page.get_by_role("link", name="Moored for the night").click()
    page.get_by_label("Print: usual size").select_option(label="5 × 5")
    shoot(page, "photos")
    page.goto("/page")
    shoot(page, "pages")
    page.get_by_role("link", name="Twenty-one locks").click()
    page.locator("[data-row=bridge]").click()
    shoot(page, "page")
    page.goto("/page")
    page.get_by_role("link", name="The engine is in").click()
    shoot(page, "page-letter")
    page.goto("/page")
    page.get_by_role("link", name="Wharf market").click()
    shoot(page, "page-notebook")
    page.goto("/page")
    page.get_by_role("link", name="Twenty-one locks").click()
    page.get_by_role("link", name="Cut list").click()
    page.get_by_role("button", name="Ink, sheet 1").click()
    shoot(page, "cut")


def main() -> None:
    TO.mkdir(exist_ok=True)
    with tempfile.TemporaryDirectory() as folder, sync_playwright() as playwright:
        home = Path(folder) / "home"
        set_up(home)
        server = Server(home)
        browser = launch(playwright)
        context = browser.new_context(viewport={"width": 1280, "height": 800}, base_url=server.address)
        tour(context.new_page())
        browser.close()
        server.stop()


if __name__ == "__main__":
    main()
