"""The hand is quicker than the server: an answer that comes late is put into what the page has become."""

from __future__ import annotations

import re
from collections.abc import Callable
from pathlib import Path

import pytest
from playwright.sync_api import APIResponse, Page, Route, expect

from tests.browser.deeds import (
    add_part,
    add_photo_parts,
    add_photos,
    alphabet_there,
    choose_paper,
    jpeg,
    kit_there,
    page_there,
    put,
    row,
    saved,
)


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


def from_the_top(page: Page) -> None:
    page.get_by_label("From which edge down").select_option(label="from the top")


def as_far_from_the_top(page: Page) -> None:
    """2 below the middle of 12, half of 6 1/2 higher: 4 3/4."""
    expect(page.get_by_label("From which edge down")).to_have_value("top")
    expect(page.get_by_label("Distance down", exact=True)).to_have_value("4 3/4")


@pytest.mark.parametrize(
    ("question", "ask", "answered"),
    [
        ("reformat", binding, binding_there),
        ("arrange", mirrored, upside_down),
        ("arrange", another, two_photos),
        ("move", nudged, a_mark_lower),
        ("fill", as_the_page, twelve_wide),
        ("shapes/fit", circle, round_photo),
        ("recount", from_the_top, as_far_from_the_top),
    ],
    ids=["binding", "mirror", "another", "nudge", "as the page", "shape", "counted anew"],
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
    held = held_back(page, question)
    ask(page)
    edited(page)
    assert len(held) == 1, "it was asked, and nothing came back yet"
    held[0].continue_()
    if ask is another:
        row(page, "A photo").first.click()
    answered(page)
    kept(page)
    answered(page)


def held_back(page: Page, question: str) -> list[Route]:
    """The first question of a kind goes in here and waits."""
    held = list[Route]()
    page.route(f"**/api/{question}", lambda route: route.continue_() if held else held.append(route))
    return held


def edited(page: Page) -> None:
    """The mat grows, another one is added, the story is begun."""
    put(page, "Mat 1 border", "3/8")
    page.get_by_role("button", name="Another mat under it").click()
    story = page.get_by_role("textbox", name="Story")
    story.fill("Rain all day.")
    story.blur()
    saved(page)


def kept(page: Page, line: str = "A photo") -> None:
    """All that was edited is there, also when the page is opened again."""
    saved(page)
    page.reload()
    row(page, line).first.click()
    expect(page.get_by_label("Mat 1 border", exact=True)).to_have_value("3/8")
    expect(page.get_by_label("Mat 2 border", exact=True)).to_be_visible()
    expect(page.get_by_role("textbox", name="Story")).to_have_value("Rain all day.")


def test_a_part_that_is_taken_off_late_takes_back_no_edit(page: Page) -> None:
    """What counted from it stays where it is: that is asked, and the edits come in between."""
    kit_there(page)
    page_there(page)
    add_photo_parts(page, [], "A place for one")
    add_part(page, "panel", "Panel")
    saved(page)
    lines = page.get_by_role("list", name="Recipe").locator(":scope > li")
    held = held_back(page, "arrange")
    row(page, "A photo").click()
    row(page, "Panel, trimmed").focus()
    page.keyboard.press("Delete")
    edited(page)
    expect(lines).to_have_count(3)
    held[0].continue_()
    expect(lines).to_have_count(2)
    kept(page)
    expect(lines).to_have_count(2)


def test_a_middle_that_is_left_whole_late_takes_back_no_edit(page: Page) -> None:
    kit_there(page)
    page_there(page)
    row(page, "Base").click()
    choose_paper(page, "Base paper", "Ink · A")
    add_part(page, "panel", "Panel")
    page.get_by_label("How the panel is sized").select_option(index=0)
    put(page, "Trim", "1/2")
    choose_paper(page, "Panel paper", "Cream · A")
    add_photo_parts(page, [], "A place for one")
    choose_paper(page, "Mat 1 paper", "Ink · A")
    cost = page.get_by_role("region", name="What the page costs")
    cost.get_by_role("button", name="1 sheet less").click()
    saved(page)
    held = held_back(page, "gut")
    cost.get_by_role("button", name="Leave it whole").click()
    edited(page)
    expect(cost).to_contain_text("begins 2 sheets")
    held[0].continue_()
    expect(cost).to_contain_text("begins 3 sheets")
    kept(page)
    expect(cost).to_contain_text("begins 3 sheets")


def test_a_line_that_moves_late_on_a_photo_takes_back_no_edit(page: Page, tmp_path: Path) -> None:
    """A mark to the right on the picture is a mark to the left on the spread."""
    kit_there(page)
    add_photos(page, jpeg(tmp_path, "lock.jpg", 1800, 1200))
    page_there(page, 2)
    add_photo_parts(page, ["lock"], "On its own mat")
    page.get_by_label("Page", exact=True).select_option(label="spread, over the gutter")
    saved(page)
    across = page.get_by_label("Distance across", exact=True)
    before = across.input_value()
    held = held_back(page, "move")
    page.get_by_role("button", name="Crop").click()
    page.get_by_label("The gutter’s cut on the picture").press("ArrowRight")
    page.get_by_role("dialog").press("Escape")
    edited(page)
    expect(across).to_have_value(before)
    held[0].continue_()
    expect(across).not_to_have_value(before)
    kept(page, "Photo lock")
    expect(across).not_to_have_value(before)


def test_an_answer_from_before_another_pack_is_not_kept(page: Page) -> None:
    """A page is worked out with one pack, and before the answer is there another pack is laid on the shelf: what was
    worked out before it must not stay and say that an H is short."""
    kit_there(page)
    alphabet_there(page, "HE")
    page_there(page)
    add_part(page, "title", "Title")
    page.get_by_label("What the title says").fill("HEH")
    page.get_by_label("Letters", exact=True).select_option(label="Tin")
    told = page.get_by_text(re.compile("^Tin has .* left; it takes"))
    expect(told).to_be_visible()
    saved(page)
    late = list[tuple[Route, APIResponse]]()

    def hold(route: Route) -> None:
        if late:
            route.continue_()
        else:
            late.append((route, route.fetch()))

    page.route("**/api/evaluate", hold)
    with page.expect_request("**/api/evaluate"):
        page.get_by_label("What the title says").fill("HEHE")
    page.get_by_role("button", name="Another pack of Tin is here").click()
    expect(page.get_by_text("Another pack of Tin is on the shelf")).to_be_visible()
    assert late, "it was worked out with one pack, and nothing came back yet"
    route, answer = late[0]
    route.fulfill(response=answer)
    expect(told).to_have_count(0)
