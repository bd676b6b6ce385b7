"""The main job, as a new user does it: from a CSV file and JPEGs to a cut list on paper."""

from __future__ import annotations

import io
import re
import xml.etree.ElementTree as ET
from pathlib import Path

from playwright.sync_api import Page, expect
from pypdf import PdfReader

from tests.browser.deeds import (
    add_part,
    add_photo_parts,
    add_photos,
    begin_page,
    choose_paper,
    figures,
    jpeg,
    plain,
    put,
    row,
    saved,
    unpack_csv,
)


def test_from_an_empty_household_to_a_cut_list(page: Page, tmp_path: Path) -> None:
    """A double 12 × 12: a trimmed panel, two photos on a joint mat, one on two mats over the gutter.

    By hand: the panel is 12 − 2 × 1/2 = 11 × 11. The joint mat of two 4 × 6 with 1/8 between and 1/4 all round is
    4 + 1/8 + 4 + 2 × 1/4 = 8 5/8 by 6 + 1/2 = 6 1/2. The 6 × 4 print on 1/8 and 1/4 needs 6 1/4 × 4 1/4 and
    6 3/4 × 4 3/4; the gutter halves them to 3 1/8 × 4 1/4 and 3 3/8 × 4 3/4. With two bases that is 8 pieces:
    Cream gives the bases and the outer halves (3 sheets), Reeds the panel (1), Ink the rest (1). The print over the
    gutter is cut in two as well.
    """
    unpack_csv(page, tmp_path)
    expect(page.locator("[data-paper]")).to_have_count(3)
    files = [
        jpeg(tmp_path, f"{n}.jpg", w, h)
        for n, w, h in (("heron", 1200, 1800), ("lock", 1200, 1800), ("bridge", 1800, 1200))
    ]
    add_photos(page, *files)

    begin_page(page)
    for side in ("left", "right"):
        row(page, f"Base of the {side} page").click()
        choose_paper(page, "Base paper", "Cream · A")
    add_part(page, "panel")
    put(page, "Trim", "½")
    choose_paper(page, "Panel paper", "Reeds")

    add_photo_parts(page, ["heron", "lock"], "Together on one mat")
    put(page, "Mat 1 border", "1/4")
    choose_paper(page, "Mat 1 paper", "Ink")
    page.get_by_label("Page", exact=True).select_option(label="right page")
    expect(page.locator("[data-arithmetic]")).to_have_text(
        "4 + 4 + 1/8 = 8 1/8; 8 1/8 × 6 + 2 × 1/4 = 8 5/8 × 6 1/2"
    )

    page.locator("main").focus()
    page.keyboard.press("Escape")  # with nothing chosen it goes in the middle of the page that is empty
    add_photo_parts(page, ["bridge"], "On its own mat")
    put(page, "Mat 1 border", "0.125 in")
    choose_paper(page, "Mat 1 paper", "Ink")
    page.get_by_role("button", name="Another mat under it").click()
    put(page, "Mat 2 border", "1/4")
    choose_paper(page, "Mat 2 paper", "Cream")
    page.get_by_label("Page", exact=True).select_option(label="spread, over the gutter")
    expect(page.locator("[data-arithmetic]")).to_have_text(
        "6 × 4 + 2 × 1/8 = 6 1/4 × 4 1/4; + 2 × 1/4 = 6 3/4 × 4 3/4"
    )
    expect(page.get_by_text("bridge is cut at the gutter, 3 from its left edge")).to_be_visible()
    cost = page.get_by_role("region", name="What the page costs")
    expect(cost).to_contain_text("8 pieces to cut")
    expect(cost).to_contain_text("3 prints")
    expect(cost).to_contain_text("begins 4 sheets")
    expect(cost).to_contain_text("begins 2 of 4, 2 stay whole")
    expect(cost).to_contain_text("1 middle cut out, 1 sheet less")
    saved(page)

    page.get_by_role("link", name="Cut list").click()
    sheets = page.get_by_role("navigation", name="Sheets in the order of use").get_by_role("button")
    expect(sheets).to_have_count(5)
    expect(sheets.last).to_contain_text("Print of bridge")
    sheets.filter(has_text="Reeds").click()
    expect(page.locator("[data-side]")).to_have_text("A side up, branding strip at the bottom")
    assert figures(page) == [
        "1. Set 11 1/2 from the top of the sheet.",
        "2. Set 11 from the left of the 12 × 11 1/2 part.",
        "3. Set 11 from the top of the 11 × 11 1/2 part: piece 5.",
    ]
    found = set()
    for k in range(4):  # the fifth is the print that the gutter cuts
        sheets.nth(k).click()
        region = page.get_by_role("region", name="Cuts")
        found |= set(re.findall(r"([\d/ ]+ × [\d/ ]+), side A", plain(region.inner_text())))
    assert {size.strip() for size in found} == {
        "12 × 12", "11 × 11", "8 5/8 × 6 1/2", "3 1/8 × 4 1/4", "3 3/8 × 4 3/4",
    }  # fmt: skip

    _measure_the_files(page)
    _tick_and_reload(page)


def _measure_the_files(page: Page) -> None:
    """The PDF is letter paper with maps at half size; the SVG of a sheet is as large as the sheet."""
    pdf = PdfReader(io.BytesIO(_download(page, "Cut list on letter (PDF)")))
    assert (float(pdf.pages[0].mediabox.width), float(pdf.pages[0].mediabox.height)) == (612, 792)
    drawn = [page.get_contents() for page in pdf.pages]
    assert any(content is not None and b" 216 216 re" in content.get_data() for content in drawn), "12 in at 1 : 4"
    first = pdf.pages[0].extract_text()
    assert "10 pieces from 4 sheets, 1 print" in first and "Mat of heron and lock" in first
    drawing = ET.fromstring(_download(page, re.compile(r"Sheet \d+ at true size")))
    assert (drawing.get("width"), drawing.get("viewBox")) == ("12in", "0 0 12 12")


def _download(page: Page, name: str | re.Pattern[str]) -> bytes:
    page.get_by_role("button", name="Print or save").click()
    with page.expect_download() as waiting:
        page.get_by_role("menuitem", name=name).click()
    return Path(waiting.value.path()).read_bytes()


def _tick_and_reload(page: Page) -> None:
    """A ticked cut brings the ones before it along, and all are still ticked after a reload."""
    page.get_by_role("navigation", name="Sheets in the order of use").get_by_role("button").filter(
        has_text="Reeds"
    ).click()
    page.get_by_role("region", name="Cuts").get_by_role("checkbox").last.check()
    expect(page.locator("[data-done]")).to_have_text("1 of 10 pieces cut")
    page.reload()
    expect(page.locator("[data-done]")).to_have_text("1 of 10 pieces cut")
    expect(page.get_by_role("button", name="Undo: cut")).to_be_enabled()
    page.keyboard.press("Control+z")
    expect(page.locator("[data-done]")).to_have_text("0 of 10 pieces cut")
