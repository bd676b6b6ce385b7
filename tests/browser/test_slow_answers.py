"""The hand is quicker than the server: an answer that comes late is put into what the page has become."""

from __future__ import annotations

from collections.abc import Callable

import pytest
from playwright.sync_api import Page, Route, expect

from tests.browser.deeds import add_photo_parts, kit_there, page_there, put, row, saved


def binding(page: Page) -> None:
    page.get_by_label("Binding", exact=True).select_option(label="binding strip of")


def mirrored(page: Page) -> None:
    page.get_by_role("button", name="Arrange").click()
    page.get_by_role("menuitem", name="Mirror upside down").click()


def another(page: Page) -> None:
    page.get_by_role("button", name="Arrange").click()
    page.get_by_role("menuitem", name="Another like it").click()


def nudged(page: Page) -> None:
    page.get_by_label("The page at scale").locator("[data-part^=photo]").first.focus()
    page.keyboard.press("ArrowDown")


def as_the_page(page: Page) -> None:
    page.get_by_role("button", name="Tone, trim").click()
    page.get_by_role("button", name="As the whole page").click()


def circle(page: Page) -> None:
    page.get_by_label("Photo: shape").select_option(label="a circle")


def binding_there(page: Page) -> None:
    expect(page.get_by_label("Binding strip", exact=True)).to_have_value("1/2")


def upside_down(page: Page) -> None:
    expect(page.get_by_label("Distance down", exact=True)).not_to_have_value("2")


def two_photos(page: Page) -> None:
    expect(page.get_by_role("list", name="Recipe").locator(":scope > li")).to_have_count(3)


def a_mark_lower(page: Page) -> None:
    """Its mat was 4 1/2 × 6 1/2, 2 below the middle of 12: 4 3/4 from the top, and a mark."""
    expect(page.get_by_label("Distance down", exact=True)).to_have_value("4 13/16")


def twelve_wide(page: Page) -> None:
    expect(page.get_by_label("Photo: width")).to_have_value("12")


def round_photo(page: Page) -> None:
    expect(page.get_by_label("Photo: shape")).to_have_value("circle")


@pytest.mark.parametrize(
    ("question", "ask", "answered"),
    [
        ("reformat", binding, binding_there),
        ("arrange", mirrored, upside_down),
        ("arrange", another, two_photos),
        ("move", nudged, a_mark_lower),
        ("fill", as_the_page, twelve_wide),
        ("shapes/fit", circle, round_photo),
    ],
    ids=["binding", "mirror", "another", "nudge", "as the page", "shape"],
)
def test_a_late_answer_takes_back_no_edit(
    page: Page, question: str, ask: Callable[[Page], None], answered: Callable[[Page], None]
) -> None:
    """While the question is on its way a mat grows, another one is added and the story is begun: all of it stays."""
    kit_there(page)
    page_there(page)
    add_photo_parts(page, [], "A place for one")
    put(page, "Distance down", "2")
    saved(page)
    held = list[Route]()
    page.route(f"**/api/{question}", lambda route: route.continue_() if held else held.append(route))
    ask(page)
    put(page, "Mat 1 border", "3/8")
    page.get_by_role("button", name="Another mat under it").click()
    page.get_by_role("textbox", name="Story").fill("Rain all day.")
    saved(page)
    assert len(held) == 1, "it was asked, and nothing came back yet"
    held[0].continue_()
    if ask is another:
        row(page, "A photo").first.click()
    answered(page)
    saved(page)
    page.reload()
    row(page, "A photo").first.click()
    answered(page)
    expect(page.get_by_label("Mat 1 border", exact=True)).to_have_value("3/8")
    expect(page.get_by_label("Mat 2 border", exact=True)).to_be_visible()
    expect(page.get_by_role("textbox", name="Story")).to_have_value("Rain all day.")
