"""The whole job, from an empty household to a printed cut list: by keyboard alone, by touch, in a small window."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path
from typing import Protocol

import pytest
from playwright.sync_api import Browser, Locator, Page, expect
from pypdf import PdfReader

from tests.browser.conftest import Server
from tests.browser.deeds import saved

MOST_STOPS = 150


class Hand(Protocol):
    """How a person reaches things."""

    page: Page
    actions: int

    def press(self, what: Locator) -> None: ...
    def fill(self, what: Locator, text: str) -> None: ...


class Keys:
    """Tab until one is there, then Enter; nothing is pointed at."""

    def __init__(self, page: Page) -> None:
        self.page, self.actions = page, 0

    def reach(self, what: Locator) -> None:
        expect(what).to_be_visible()
        for _ in range(MOST_STOPS):
            if what.evaluate("(e) => e === document.activeElement"):
                self.actions += 1
                return
            self.page.keyboard.press("Tab")
        raise AssertionError(f"never came to {what}")

    def press(self, what: Locator) -> None:
        self.reach(what)
        self.page.keyboard.press("Enter")

    def fill(self, what: Locator, text: str) -> None:
        self.reach(what)
        self.page.keyboard.press("Control+a")
        self.page.keyboard.type(text)
        self.page.keyboard.press("Enter")


class Finger:
    """Taps; what is typed is typed on a keyboard that comes up."""

    def __init__(self, page: Page) -> None:
        self.page, self.actions = page, 0

    def press(self, what: Locator) -> None:
        self.actions += 1
        what.tap()

    def fill(self, what: Locator, text: str) -> None:
        self.actions += 1
        what.tap()
        what.fill(text)
        what.press("Enter")


class Mouse(Finger):
    """Clicks."""

    def press(self, what: Locator) -> None:
        self.actions += 1
        what.click()

    def fill(self, what: Locator, text: str) -> None:
        self.actions += 1
        what.click()
        what.fill(text)
        what.press("Enter")


def job(hand: Hand, tmp_path: Path) -> None:
    """Two papers typed; a page with a base and a panel of 6 × 6; its cut list as PDF, which says the cuts."""
    page = hand.page
    page.goto("/")
    hand.press(page.get_by_role("button", name="Unpack a kit"))
    field = page.get_by_label("Name of the next paper")
    for name in ("Cream", "Slate"):
        hand.fill(field, name)
        expect(page.locator("[data-paper]").filter(has=page.locator(f"input[value={name}]"))).to_have_count(1)
    saved(page)
    hand.press(page.get_by_role("link", name="Page", exact=True))
    hand.press(page.get_by_role("button", name="Begin a page"))
    row = page.get_by_role("list", name="Recipe").get_by_role("listitem")
    expect(row).to_have_count(2)
    hand.press(row.first)
    hand.fill(page.get_by_label("Base paper"), "Cream · A")
    expect(page.get_by_label("Base paper")).to_have_value("Cream · A")
    hand.fill(page.get_by_label("Add to the page"), "block")
    expect(row).to_have_count(3)
    hand.fill(page.get_by_label("Panel width"), "6")
    hand.fill(page.get_by_label("Panel height"), "6")
    hand.fill(page.get_by_label("Panel paper"), "Slate · A")
    saved(page)
    hand.press(page.get_by_role("link", name="Cut list"))
    expect(page.get_by_role("region", name="Cuts")).to_be_visible()
    hand.press(page.get_by_role("button", name="Print or save"))
    with page.expect_download() as waiting:
        entry = page.get_by_role("menuitem").filter(has_text="letter").first
        if isinstance(hand, Keys):
            while not entry.evaluate("(e) => e === document.activeElement"):
                page.keyboard.press("ArrowDown")
            page.keyboard.press("Enter")
        else:
            hand.press(entry)
    file = tmp_path / "cuts.pdf"
    waiting.value.save_as(file)
    told = "\n".join(sheet.extract_text() for sheet in PdfReader(file).pages)
    assert "Slate" in told and "6 from the" in told


def test_by_keyboard_alone(page: Page, tmp_path: Path) -> None:
    hand = Keys(page)
    job(hand, tmp_path)
    assert hand.actions <= 24


def test_by_touch_on_a_tablet(browser: Browser, server: Server, tmp_path: Path) -> None:
    """768 × 1024, held upright."""
    context = browser.new_context(
        viewport={"width": 768, "height": 1024}, base_url=server.address, has_touch=True, is_mobile=True
    )
    job(Finger(context.new_page()), tmp_path)
    context.close()


@pytest.mark.parametrize("size", [(640, 400)])
def test_at_twice_the_size(open_window: Callable[..., Page], size: tuple[int, int], tmp_path: Path) -> None:
    """A window of 1280 × 800 at 200 %."""
    job(Mouse(open_window(*size)), tmp_path)
