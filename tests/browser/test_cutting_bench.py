"""The cutting bench on the table: one step at a time by thumb and by keys, mishaps, and what gutting saves."""

from __future__ import annotations

import pytest
from playwright.sync_api import Locator, Page, expect

from tests.browser.conftest import Server
from tests.browser.deeds import (
    add_part,
    add_photo_parts,
    choose_paper,
    kit_there,
    page_there,
    plain,
    put,
    row,
    saved,
)


@pytest.fixture
def mat(listed: Page) -> Page:
    """At the cutting bench with one mat of Ink, 4 1/2 × 6 1/2: two cuts."""
    listed.get_by_role("link", name="Begin to cut").click()
    place(listed, "step 1 of 2 · 0 of 1 pieces cut")
    return listed


def place(page: Page, words: str) -> None:
    expect(page.locator("[data-place]")).to_have_text(words)


def now(page: Page) -> Locator:
    return page.get_by_role("region", name="This step")


def press(page: Page, name: str) -> None:
    page.get_by_role("button", name=name, exact=True).click()


def test_a_step_is_read_while_standing_and_ticked_with_a_thumb(mat: Page) -> None:
    """The figure, the side that is up, what to write on the back, what falls off and what it is called."""
    figure = mat.locator("[data-figure]")
    assert float(figure.evaluate("e => parseFloat(getComputedStyle(e).fontSize)")) >= 64
    expect(now(mat)).to_contain_text("A side up")
    expect(now(mat)).to_contain_text("goes on the shelf")
    press(mat, "Cut")
    place(mat, "step 2 of 2 · 0 of 1 pieces cut")
    expect(now(mat)).to_contain_text("the paper turned a quarter")
    expect(now(mat)).to_contain_text("1 · Mat of photo")
    press(mat, "Cut")
    expect(mat.get_by_text("All is cut.")).to_be_visible()
    for button in mat.get_by_role("button", name="Back").or_(mat.get_by_role("button", name="Take it back")).all():
        box = button.bounding_box()
        assert box is not None and box["height"] >= 44


def test_a_knife_cut_has_its_caution_and_shows_the_piece_as_it_lies(page: Page) -> None:
    """A panel with an opening: the trimmer's caution first, then the knife's; the piece on the mat with its opening."""
    kit_there(page)
    page_there(page)
    add_part(page, "window", "Opening with a photo")
    saved(page)
    choose_paper(page, "Panel paper", "Ink")
    saved(page)
    page.get_by_role("link", name="Cut list").click()
    page.get_by_role("link", name="Begin to cut").click()
    step = now(page)
    expect(step.locator("[data-caution]")).to_contain_text("arm down and locked")
    for _ in range(12):
        if "out of piece" in step.inner_text():
            break
        page.keyboard.press("ArrowRight")
    expect(step).to_contain_text("from its left edge")
    expect(step.locator("[data-caution]")).to_contain_text("fingers off the line")
    expect(page.get_by_role("img", name="Piece 1 on the mat")).to_be_visible()


def test_keys_do_the_same(mat: Page) -> None:
    mat.keyboard.press("Space")
    place(mat, "step 2 of 2 · 0 of 1 pieces cut")
    mat.keyboard.press("Enter")
    place(mat, "step 2 of 2 · 1 of 1 pieces cut")
    mat.keyboard.press("ArrowLeft")
    place(mat, "step 1 of 2 · 1 of 1 pieces cut")
    mat.keyboard.press("Backspace")
    place(mat, "step 1 of 2 · 0 of 1 pieces cut")


def test_a_reload_in_the_middle_loses_nothing(mat: Page, server: Server) -> None:
    """Also what was ticked while nothing answered."""
    mat.keyboard.press("Space")
    saved(mat)
    mat.reload()
    place(mat, "step 2 of 2 · 0 of 1 pieces cut")
    server.stop()
    mat.keyboard.press("Space")
    expect(mat.get_by_role("status").filter(has_text="Not saved yet")).to_be_visible()
    server.start()
    mat.reload()
    place(mat, "step 2 of 2 · 1 of 1 pieces cut")
    saved(mat)


def test_a_spoiled_piece_is_cut_again_from_what_is_left(mat: Page) -> None:
    """What was cut stays, the shelf has one scrap more, and undo sets it right again."""
    mat.keyboard.press("Space")
    mat.keyboard.press("Space")
    saved(mat)
    press(mat, "That one is spoiled")
    mat.get_by_label("What is left of it").select_option(label="Part of it, as a scrap")
    put(mat, "Height left", "2")
    press(mat, "Plan it again")
    expect(mat.locator("[data-place]")).to_contain_text("0 of 1 pieces cut")
    expect(mat.get_by_role("heading", name="Ink 1a").or_(mat.get_by_role("heading", name="Ink 1b"))).to_be_visible()
    expect(now(mat)).to_be_focused()
    mat.keyboard.press("Space")
    mat.keyboard.press("Space")
    expect(mat.locator("[data-place]")).to_contain_text("1 of 1 pieces cut")
    mat.get_by_role("link", name="Log", exact=True).click()
    mat.get_by_role("link", name="The kit’s book").click()
    ink = mat.locator('[data-paper="Ink"]')
    expect(ink).to_contain_text("4 1/2 × 2")
    expect(ink).to_contain_text("had 3, 1 begun, 2 whole")


def test_a_cut_made_elsewhere_is_planned_round(mat: Page) -> None:
    """Cut 1/4 in too short, and used as it is."""
    mat.keyboard.press("Space")
    press(mat, "I cut it elsewhere")
    put(mat, "Cut at", "4 1/4")
    mat.get_by_label("Use piece 1 as it is now").check()
    press(mat, "Plan the rest again")
    expect(mat.locator("[data-place]")).to_contain_text("1 of 1 pieces cut")
    expect(mat.get_by_text("All is cut.")).to_be_visible()
    mat.get_by_role("button", name="Undo: cut elsewhere").click()
    place(mat, "step 2 of 2 · 0 of 1 pieces cut")


def test_gutting_saves_a_sheet(bench: Page) -> None:
    """A mat of the base's own paper comes out of the base's hidden middle; kept whole, a sheet more is opened."""
    row(bench, "Base").click()
    choose_paper(bench, "Base paper", "Reeds · A")
    add_part(bench, "panel", "Panel")
    bench.get_by_label("How the panel is sized").select_option(index=0)
    put(bench, "Trim", "1/2")
    choose_paper(bench, "Panel paper", "Cream · A")
    add_photo_parts(bench, [], "A place for one")
    choose_paper(bench, "Mat 1 paper", "Reeds · A")
    cost = bench.get_by_role("region", name="What the page costs")
    cost.get_by_role("button", name="1 sheet less").click()
    offer = cost.get_by_role("listitem").first
    assert "comes out of it: one sheet less." in plain(offer.inner_text())
    expect(cost).to_contain_text("begins 2 sheets")
    expect(bench.locator('[data-panel$="/base"]')).to_be_attached()
    offer.get_by_role("button", name="Leave it whole").click()
    expect(cost).to_contain_text("begins 3 sheets")
    bench.get_by_role("button", name="Undo: left a middle whole").click()
    expect(cost).to_contain_text("begins 2 sheets")
    saved(bench)
    bench.get_by_role("link", name="Cut list").click()
    expect(bench.get_by_role("region", name="Cuts")).to_contain_text("in the middle")
