"""The cut bench: ticked off as one cuts, kept whatever happens, planned again where the page moves on."""

from __future__ import annotations

import io
from pathlib import Path

import pytest
from playwright.sync_api import Locator, Page, expect
from pypdf import PdfReader

from tests.browser.conftest import Server
from tests.browser.deeds import begin_page, figures, put, row, saved


@pytest.fixture
def mat(listed: Page) -> Page:
    """The cut list of a page with one mat of Ink, 4 1/2 × 6 1/2: two cuts."""
    expect(listed.locator("[data-done]")).to_have_text("0 of 1 pieces cut")
    return listed


def boxes(page: Page) -> Locator:
    return page.get_by_role("region", name="Cuts").get_by_role("checkbox")


def test_the_next_cut_stands_out_and_the_map_shows_pieces_and_rests(mat: Page) -> None:
    """In trimmer figures; the rests carry their sizes."""
    assert figures(mat) == [
        "1. Set 6 1/2 from the top of the sheet.",
        "2. Set 4 1/2 from the left of the 12 × 6 1/2 part: piece 1.",
    ] or figures(mat) == [
        "1. Set 4 1/2 from the left of the sheet.",
        "2. Set 6 1/2 from the top of the 4 1/2 × 12 part: piece 1.",
    ]
    plan = mat.get_by_role("img", name="Map of the sheet")
    expect(plan).to_contain_text("4 1/2 × 6 1/2")
    expect(plan.locator("text", has_text="7 1/2 × ")).to_be_visible()


def test_a_first_cut_taken_back_takes_the_second_back(mat: Page) -> None:
    """What hangs on it was not cut either."""
    boxes(mat).last.check()
    expect(boxes(mat).first).to_be_checked()
    expect(mat.locator("[data-done]")).to_have_text("1 of 1 pieces cut")
    boxes(mat).first.uncheck()
    expect(boxes(mat).last).not_to_be_checked()
    expect(mat.locator("[data-done]")).to_have_text("0 of 1 pieces cut")


def test_a_tick_while_nothing_answers_is_made_later(mat: Page, server: Server) -> None:
    """It shows at once, is told as not saved, and is there after a reload once the program is back."""
    server.stop()
    boxes(mat).last.check()
    expect(mat.get_by_role("status").filter(has_text="Not saved yet")).to_be_visible()
    expect(boxes(mat).last).to_be_checked()
    server.start()
    saved(mat)
    mat.reload()
    expect(boxes(mat).last).to_be_checked()


def test_a_page_that_moves_on_plans_the_rest_again(mat: Page) -> None:
    """What is cut stays cut; the larger mat comes from what is left."""
    boxes(mat).last.check()
    saved(mat)
    mat.get_by_role("link", name="Page", exact=True).click()
    row(mat, "A photo").click()
    put(mat, "Mat 1 border", "1/2")
    saved(mat)
    mat.get_by_role("link", name="Cut", exact=True).click()
    expect(mat.get_by_role("alert")).to_contain_text(
        "Not on this list: mat of photo. No longer wanted: mat of photo."
    )
    mat.get_by_role("button", name="Plan the rest again").click()
    expect(mat.locator("[data-done]")).to_have_text("1 of 2 pieces cut")
    sheets = mat.get_by_role("navigation", name="Sheets in the order of use").get_by_role("button")
    expect(sheets).to_have_count(2)
    expect(sheets.nth(1)).to_contain_text("Ink 1a, scrap 7 1/2 × 12")
    mat.get_by_role("button", name="Undo: planned again").click()
    expect(sheets).to_have_count(1)


def test_another_page_is_chosen_from_the_list(mat: Page) -> None:
    """And one without papers says what to do."""
    begin_page(mat, "single")
    mat.get_by_role("link", name="Cut list").click()
    expect(mat.get_by_text("No piece of this page has a paper yet.")).to_be_visible()
    mat.goto("/cut")
    expect(mat.get_by_label("Page to cut")).to_be_visible()


def test_the_list_goes_out_to_print_and_to_a_machine(mat: Page) -> None:
    """PDF on letter and on A4, the pieces as CSV, the sheet as SVG at true size."""
    kept = {}
    for name in ("letter (PDF)", "A4 (PDF)", "Pieces (CSV)", "Sheet 1 at true size (SVG)"):
        mat.get_by_role("button", name="Print or save").click()
        with mat.expect_download() as coming:
            mat.get_by_role("menuitem", name=name).click()
        kept[name] = Path(coming.value.path()).read_bytes()
    sizes = [PdfReader(io.BytesIO(kept[name])).pages[0].mediabox for name in ("letter (PDF)", "A4 (PDF)")]
    assert [(round(float(s.width)), round(float(s.height))) for s in sizes] == [(612, 792), (595, 842)]
    assert b"4.5,4 1/2 in,6.5,6 1/2 in" in kept["Pieces (CSV)"]
    assert b'width="12in" height="12in"' in kept["Sheet 1 at true size (SVG)"]


def test_a_page_that_is_gone_is_told_with_a_way_on(page: Page) -> None:
    """On the list and at the bench: never an empty screen."""
    begin_page(page, "single")
    for where in ("/cut/nowhere", "/cut/nowhere/bench"):
        page.goto(where)
        expect(page.get_by_role("heading", name="There is no cut list")).to_be_visible()
        expect(page.get_by_role("link", name="Choose another page")).to_be_visible()


def test_without_pages_there_is_nothing_to_cut_and_it_says_so(page: Page) -> None:
    """With a way on."""
    page.goto("/cut")
    expect(page.get_by_role("heading", name="Nothing to cut yet")).to_be_visible()
    page.get_by_role("link", name="begin one").click()
    expect(page.get_by_role("heading", name="The first page")).to_be_visible()
