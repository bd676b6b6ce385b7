"""Page formats on the screen: proportions, an own size, from one page to two and back, and a small window."""

from __future__ import annotations

import re
from pathlib import Path

import pytest
from playwright.sync_api import Locator, Page, expect

from tests.browser.deeds import (
    add_part,
    add_photo_parts,
    begin_page,
    choose_paper,
    comes_true,
    figures,
    put,
    saved,
    unpack_csv,
)


@pytest.fixture
def single(page: Page) -> Page:
    """A single 12 × 12 page with one place for a photo."""
    begin_page(page, "single")
    add_photo_parts(page, [], "A place for one")
    saved(page)
    return page


def part(page: Page) -> Locator:
    """The photo on the drawing; its name is its sentence."""
    return page.get_by_role("button", name="A photo, 4 × 6 upright")


def proportion(page: Page) -> float:
    """Width by height of what is drawn, in inches."""
    sheet = page.locator("[data-page]")
    expect(sheet).to_be_attached()
    width, height = sheet.evaluate("e => { const r = e.getBoundingClientRect(); return [r.width, r.height] }")
    return float(width) / float(height)


@pytest.mark.parametrize(
    ("format", "many", "wide"),
    [
        ("12 × 12", "double", 2.0),
        ("Letter, upright", "single", 8.5 / 11),
        ("Letter, sideways", "double", 22 / 8.5),
        ("Traveler’s notebook", "spread", 8.5 / 8.25),
        ("Pocket notebook", "spread", 7 / 5),
    ],
)
def test_the_page_is_drawn_in_its_proportions(single: Page, format: str, many: str, wide: float) -> None:
    """As wide to as tall as the paper."""
    single.get_by_label("Format", exact=True).select_option(label=format)
    single.get_by_label("Single or double").select_option(label=many)
    saved(single)
    comes_true(
        single,
        "wide => { const r = document.querySelector('[data-page]').getBoundingClientRect();"
        " return Math.abs(r.width / r.height - wide) < 0.01 }",
        wide,
    )
    assert proportion(single) == pytest.approx(wide, abs=0.01)


def test_an_own_size_is_typed_in_either_unit(single: Page) -> None:
    """A5 lying, in millimetres; kept over a reload."""
    single.get_by_label("Format", exact=True).select_option(label="Own size")
    put(single, "Page width", "210 mm")
    put(single, "Page height", "148 mm")
    saved(single)
    single.reload()
    expect(single.get_by_label("Page width")).to_have_value("~ 8 1/4")
    comes_true(
        single,
        "() => { const r = document.querySelector('[data-page]').getBoundingClientRect();"
        " return Math.abs(r.width / r.height - 210 / 148) < 0.01 }",
    )


def test_a_part_keeps_its_place_when_a_page_becomes_a_spread(single: Page) -> None:
    """On the left page still; as a single page again nothing has moved."""
    single.get_by_label("Single or double").select_option(label="double")
    expect(part(single)).to_have_accessible_name(re.compile("on the left page, centred across, centred down"))
    single.get_by_label("Single or double").select_option(label="single")
    expect(part(single)).to_have_accessible_name(re.compile("; centred across, centred down"))
    single.get_by_role("button", name="Undo: changed the format").click()
    expect(single.get_by_label("Single or double")).to_have_value("2")


def test_what_no_longer_fits_is_told_and_kept(single: Page) -> None:
    """A 4 × 6 goes along to a pocket notebook as a smaller print, and says so; as large as before it hangs over."""
    single.get_by_label("Format", exact=True).select_option(label="Pocket notebook")
    expect(single.get_by_text("is printed smaller")).to_be_visible()
    recipe = single.get_by_role("list", name="Recipe")
    expect(recipe).not_to_contain_text("hangs over")
    put(single, "Photo: width", "6")
    expect(recipe).to_contain_text("hangs over")
    single.get_by_role("button", name="Undo").click()
    single.get_by_role("button", name="Undo: changed the format").click()
    expect(single.get_by_label("Format", exact=True)).to_have_value("12x12")
    expect(part(single)).to_be_visible()


def test_a_household_in_millimetres_plans_in_millimetres(page: Page, tmp_path: Path) -> None:
    """An A4 page with a panel trimmed by 5 mm: 200 × 287, cut from the 12 in sheet at those figures."""
    unpack_csv(page, tmp_path)
    page.get_by_role("button", name="Units, marks").click()
    page.get_by_label("Unit", exact=True).select_option(label="millimetres")
    page.keyboard.press("Escape")
    begin_page(page, "single")
    page.get_by_label("Format", exact=True).select_option(label="Own size")
    put(page, "Page width", "210")
    put(page, "Page height", "297")
    add_part(page, "panel")
    put(page, "Trim", "5")
    choose_paper(page, "Panel paper", "Ink · A")
    recipe = page.get_by_role("list", name="Recipe")
    expect(recipe.locator("[data-arithmetic]")).to_have_text("210 × 297 − 2 × 5 = 200 × 287")
    saved(page)
    page.get_by_role("link", name="Cut list").click()
    expect(page.get_by_role("region", name="Cuts")).to_contain_text("200 × 287")
    assert sorted(figure for says in figures(page) for figure in re.findall(r"Set ([\d.]+)", says)) == [
        "200",
        "287",
    ]
