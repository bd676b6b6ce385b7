"""Prints in earnest: over a fold, as the spread, on their mats, many on one, on sheets, through the printer."""

from __future__ import annotations

import io
from collections.abc import Callable, Iterator
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect
from pypdf import PdfReader

from tests.browser.conftest import Server
from tests.browser.deeds import (
    add_photo_parts,
    add_photos,
    begin_page,
    figures,
    jpeg,
    plain,
    put,
    row,
    saved,
    unaware,
    unpack_csv,
)
from tests.standins.program import Program
from ulna.household.outside import Outside
from ulna.standins.photo_printer.program import create_printer


@pytest.fixture
def printer(tmp_path: Path) -> Iterator[Program]:
    running = Program(lambda: create_printer(tmp_path / "printer", 0.3))
    yield running
    running.off()


@pytest.fixture
def server(tmp_path: Path, printer: Program) -> Iterator[Server]:
    running = Server(tmp_path / "home", Outside(printer.address))
    yield running
    running.stop()


@pytest.fixture
def spread(page: Page, tmp_path: Path) -> Page:
    """A notebook spread with a photo of 4 × 3 over its fold, a face in its middle."""
    add_photos(page, jpeg(tmp_path, "lock.jpg", 1800, 1200))
    page.get_by_role("button", name="Mark faces").click()
    box = page.get_by_label("Crop of lock").bounding_box()
    assert box is not None
    page.mouse.click(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)
    expect(page.locator("[data-face]")).to_have_count(1)
    saved(page)
    page.goto("/page")
    page.get_by_label("Format").select_option(value="notebook")
    page.get_by_label("Single or double").select_option(label="spread")
    page.get_by_role("button", name="Begin a page").click()
    expect(page.get_by_label("The page at scale")).to_be_visible()
    add_photo_parts(page, ["lock"], "On its own mat")
    put(page, "Photo: width", "4")
    put(page, "Photo: height", "3")
    page.get_by_label("Page", exact=True).select_option(label="spread, over the gutter")
    saved(page)
    return page


def test_a_photo_over_a_fold_keeps_its_faces_from_it(spread: Page) -> None:
    """The face in its middle is on the fold; the remedy moves it with one press, and can be undone."""
    part = row(spread, "Photo")
    expect(part).to_contain_text("is cut at the gutter, 2 from its left edge")
    expect(part).to_contain_text("A face is cut through")
    remedy = part.get_by_role("button", name="Move it")
    words = plain(remedy.inner_text())
    assert words.startswith("Move it 1 ")
    remedy.click()
    expect(part).not_to_contain_text("A face")
    saved(spread)
    spread.get_by_role("button", name=f"Undo: m{words[1:]}").click()
    expect(part).to_contain_text("A face is cut through")


def test_the_line_is_moved_on_the_picture(spread: Page) -> None:
    """By hand and with keys; the photo moves over the fold the other way."""
    before = spread.get_by_label("Distance across").input_value()
    spread.get_by_role("button", name="Crop", exact=True).click()
    line = spread.locator("[data-cut-line]")
    expect(line).to_have_attribute("aria-valuenow", "50")
    box = line.bounding_box()
    assert box is not None
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    spread.mouse.move(x, y)
    spread.mouse.down()
    spread.mouse.move(x - 60, y, steps=4)
    spread.mouse.up()
    expect(line).not_to_have_attribute("aria-valuenow", "50")
    now = int(line.get_attribute("aria-valuenow") or 0)
    assert 30 < now < 50
    line.press("ArrowRight")
    spread.get_by_role("button", name="Done").click()
    expect(spread.get_by_label("Distance across")).not_to_have_value(before)
    saved(spread)


def test_a_crop_of_its_own_leaves_the_photo_as_it_is(spread: Page) -> None:
    """Closer in this print; “As on the photo” takes it back."""
    spread.get_by_role("button", name="Crop", exact=True).click()
    spread.get_by_role("group", name="Crop of lock").focus()
    spread.keyboard.press("+")
    expect(spread.get_by_role("button", name="As on the photo")).to_be_visible()
    spread.get_by_role("button", name="Done").click()
    expect(spread.get_by_role("button", name="Its own crop")).to_be_visible()
    saved(spread)
    spread.get_by_role("link", name="Photos", exact=True).click()
    expect(spread.locator("[data-sharpness]")).to_contain_text("300")


def test_one_photo_as_the_whole_spread(spread: Page) -> None:
    """Two pages of 4 1/4 in side by side: 8 1/2 × 8 1/4, without a mat."""
    spread.get_by_role("button", name="Tone, trim").click()
    spread.get_by_role("button", name="As the whole spread").click()
    expect(spread.get_by_label("Photo: width")).to_have_value("8 1/2")
    expect(spread.get_by_label("Photo: height")).to_have_value("8 1/4")
    expect(spread.get_by_role("button", name="Mat under it")).to_be_visible()
    saved(spread)


def test_a_rim_cut_off_is_a_step_of_the_cut_list(page: Page, tmp_path: Path) -> None:
    """The 4 × 6 lies as 3 3/4 × 5 3/4, and the list says how it gets there."""
    add_photos(page, jpeg(tmp_path, "heron.jpg", 1200, 1800))
    begin_page(page, "single")
    add_photo_parts(page, ["heron"], "On its own mat")
    put(page, "Photo: rim", "1/8")
    page.get_by_role("button", name="Tone, trim").click()
    page.get_by_label("Photo: rim stays or is cut off").select_option(label="rim cut off later")
    expect(page.locator("[data-arithmetic]")).to_contain_text("4 × 6 cut to 3\u202f3/4 × 5\u202f3/4")
    saved(page)
    page.get_by_role("link", name="Cut list").click()
    expect(page.get_by_role("button", name="Print of heron")).to_be_visible()
    steps = page.get_by_role("region", name="Cuts").get_by_role("listitem")
    expect(steps).to_have_count(4)
    assert figures(page)[0] == "1. Set 1/8 from the left of the print."


def test_papers_are_tried_on_as_mats(page: Page, tmp_path: Path) -> None:
    """Ranked with reasons; pressed one after the other, the page shows each, and one undo takes them back."""
    unpack_csv(page, tmp_path)
    add_photos(page, jpeg(tmp_path, "heron.jpg", 1200, 1800))
    begin_page(page, "single")
    add_photo_parts(page, ["heron"], "On its own mat")
    saved(page)
    page.get_by_role("button", name="Papers that suit it").click()
    papers = page.get_by_role("region", name="Papers for mat 1")
    expect(papers).to_contain_text("The photo’s edge is")
    expect(papers.get_by_role("listitem").first).to_contain_text("than the edge by")
    for name in ("Cream · A", "Ink · A"):
        papers.get_by_role("button", name=name).click()
        expect(papers.get_by_role("button", name=name)).to_have_attribute("aria-pressed", "true")
        expect(page.get_by_label("Mat 1 paper")).to_have_value(name)
    saved(page)
    page.get_by_role("button", name="Undo: tried Ink · A").click()
    expect(page.get_by_label("Mat 1 paper")).to_have_value("")


def test_many_photos_on_one_print(page: Page, tmp_path: Path) -> None:
    """A template begins with what is there; a place is filled by pressing it and a photo; it can lie on a page."""
    add_photos(page, jpeg(tmp_path, "heron.jpg", 400, 600), jpeg(tmp_path, "lock.jpg", 601, 400))
    page.get_by_role("button", name="Template").click()
    expect(page.locator("[data-cell-size]")).to_contain_text("Each photo is 1\u202f13/16")
    page.locator("[data-place='2']").click()
    page.get_by_role("button", name="Put lock in").click()
    saved(page)
    page.locator("[data-place='0']").click()
    put(page, "Places across", "2")
    expect(page.locator("[data-place]")).to_have_count(5)
    page.get_by_role("button", name="Undo: let a photo span").click()
    page.get_by_label("Columns").fill("1")
    page.get_by_label("Columns").press("Enter")
    expect(page.locator("[data-cell-size]")).to_contain_text("3\u202f3/4 × ~ 1\u202f13/16")
    put(page, "Gap", "4")
    expect(page.locator("[data-cell-size]")).to_contain_text("leave nothing")
    page.get_by_role("button", name="Undo: changed the gap").click()
    page.get_by_role("button", name="Print it").click()
    page.get_by_role("button", name="Print sheets").last.click()
    expect(page.locator("[data-sheets]")).to_have_text("1 print on 1 sheet")


def test_a_photo_at_a_place_of_its_own(page: Page, tmp_path: Path) -> None:
    """Beside the rows, of its own size, moved by its figures; taken away and undone."""
    add_photos(page, jpeg(tmp_path, "heron.jpg", 400, 600))
    page.get_by_role("button", name="Template").click()
    page.get_by_role("button", name="A photo at a place of its own").click()
    put(page, "Own place 1: from the left", "1 1/4")
    put(page, "Own place 1: width", "2")
    saved(page)
    picture = page.get_by_label("The print").locator("image")
    address = str(picture.get_attribute("href"))
    assert page.request.get(address).ok
    page.get_by_role("button", name="Take own place 1 away").click()
    expect(page.get_by_label("Own place 1: width")).to_have_count(0)
    expect(picture).not_to_have_attribute("href", address)
    page.get_by_role("button", name="Undo: took a place away").click()
    expect(page.get_by_label("Own place 1: width")).to_have_value("2")


def on_the_list(page: Page, tmp_path: Path, copies: str) -> None:
    """So many copies of one 4 × 6 wanted."""
    add_photos(page, jpeg(tmp_path, "heron.jpg", 1200, 1800))
    page.get_by_role("button", name="Print it").click()
    expect(page.get_by_text("heron is on the print list")).to_be_visible()
    page.goto("/photos/prints")
    page.get_by_label("Copies of heron").fill(copies)
    page.get_by_label("Copies of heron").press("Enter")
    saved(page)


def test_a_run_goes_out_of_paper_half_way_and_goes_on(page: Page, tmp_path: Path) -> None:
    """Three sheets wanted, one loaded: it stops and says so; loaded again, it ends, and all lie in the tray."""
    on_the_list(page, tmp_path, "5")
    expect(page.locator("[data-sheets]")).to_have_text("5 prints on 3 sheets")
    page.get_by_label("Sheets to load").fill("1")
    page.get_by_label("Sheets to load").press("Enter")
    page.get_by_role("button", name="Load").click()
    expect(page.locator("[data-loaded]")).to_contain_text("1 sheet of letter")
    page.get_by_role("button", name="Print 3 sheets").click()
    jobs = page.get_by_role("list", name="Printer’s jobs")
    expect(jobs).to_contain_text("Out of paper; 1 of 3 are printed")
    page.get_by_label("Sheets to load").fill("5")
    page.get_by_label("Sheets to load").press("Enter")
    page.get_by_role("button", name="Load").click()
    expect(jobs).to_contain_text("Done: 3 of 3 sheets")
    tray = page.get_by_role("link", name="What lies in the tray").get_attribute("href")
    assert len(PdfReader(io.BytesIO(page.request.get(str(tray)).body())).pages) == 3


def test_a_printer_that_is_switched_off_is_told_and_takes_up_where_it_was(
    page: Page, printer: Program, tmp_path: Path
) -> None:
    """The sheets can be kept as files all the while."""
    on_the_list(page, tmp_path, "1")
    page.get_by_role("button", name="Load").click()
    expect(page.locator("[data-loaded]")).to_contain_text("10 sheets of letter")
    printer.off()
    panel = page.get_by_role("region", name="Photo printer")
    expect(panel).to_contain_text("The photo printer does not answer")
    expect(panel.get_by_role("button", name="Print 1 sheet")).to_be_disabled()
    page.get_by_role("button", name="Keep as files").click()
    with page.expect_download() as waiting:
        page.get_by_role("menuitem", name="All sheets (PDF)").click()
    assert len(PdfReader(waiting.value.path()).pages) == 1
    printer.on()
    expect(page.locator("[data-loaded]")).to_contain_text("10 sheets of letter")


def test_a_sheet_that_sticks_is_pulled_out(page: Page, tmp_path: Path) -> None:
    """The job waits and goes on. It has sheets enough that it is not over before one sticks."""
    on_the_list(page, tmp_path, "15")
    page.get_by_role("button", name="Load").click()
    page.get_by_role("button", name="Print 8 sheets").click()
    page.get_by_role("button", name="Let a sheet get stuck").click()
    jobs = page.get_by_role("list", name="Printer’s jobs")
    expect(jobs).to_contain_text("A sheet is stuck")
    page.get_by_role("button", name="The stuck sheet is out").click()
    expect(jobs).to_contain_text("Done: 8 of 8 sheets")


def test_papers_and_their_margins_are_ones_own(page: Page, tmp_path: Path) -> None:
    """A paper of one's own takes the print that letter no longer does."""
    on_the_list(page, tmp_path, "1")
    page.get_by_label("Print on letter").uncheck()
    expect(page.get_by_text("there is no paper to print on")).to_be_visible()
    page.get_by_role("button", name="Another paper").click()
    put(page, "Paper width", "5")
    put(page, "Paper height", "7")
    expect(page.locator("[data-sheets]")).to_have_text("1 print on 1 sheet")
    put(page, "Margin left", "2")
    expect(page.locator("[data-sheets]")).to_have_text("1 print on 2 sheets")
    expect(page.get_by_text("comes in 2 parts")).to_be_visible()


Windows = Callable[..., Page]


def test_two_windows_on_one_list(page: Page, open_window: Windows, tmp_path: Path) -> None:
    """The second to change it is told; nothing is put over the other's."""
    on_the_list(page, tmp_path, "2")
    unaware(page)
    other = open_window()
    other.goto("/photos/prints")
    expect(other.get_by_label("Copies of heron")).to_have_value("2")
    put_copies = other.get_by_label("Copies of heron")
    put_copies.fill("3")
    put_copies.press("Enter")
    saved(other)
    page.get_by_label("Copies of heron").fill("4")
    page.get_by_label("Copies of heron").press("Enter")
    expect(page.get_by_role("button", name="Keep mine")).to_be_visible()
