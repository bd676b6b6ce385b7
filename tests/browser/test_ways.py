"""Other ways of doing it: by keyboard alone, by touch, with files, from a picture on."""

from __future__ import annotations

import io
import json
from pathlib import Path

import pytest
from PIL import Image
from playwright.sync_api import Browser, Page, expect

from tests.browser.conftest import Server
from tests.browser.deeds import (
    KIT,
    add_photo_parts,
    add_photos,
    begin_page,
    choose_paper,
    jpeg,
    kit_there,
    page_there,
    put,
    row,
    saved,
    unpack_csv,
)


def press(page: Page, *keys: str) -> None:
    for key in keys:
        page.keyboard.press(key)


def tab_to(page: Page, label: str, most: int = 80) -> None:
    """Tabs on until something of the bench or a dialog with this name has the focus."""
    for _ in range(most):
        page.keyboard.press("Tab")
        name = page.evaluate(
            "(e => e.closest('main, [role=dialog]') ? e.getAttribute('aria-label') || e.textContent.trim() : '')"
            "(document.activeElement)"
        )
        if name.startswith(label):
            return
    raise AssertionError(f"no way by Tab to {label!r}")


def test_a_page_is_made_without_a_mouse(page: Page, tmp_path: Path) -> None:
    """Begun, a photo's place added, its mat sized and papered, moved and taken off: by keys alone."""
    unpack_csv(page, tmp_path)
    page.goto("/page")
    tab_to(page, "Begin a page")
    press(page, "Enter")
    expect(page.get_by_label("The page at scale")).to_be_visible()
    tab_to(page, "Photos")
    press(page, "Enter")
    expect(page.get_by_role("dialog")).to_be_visible()
    tab_to(page, "A place for one")
    press(page, "Enter")
    tab_to(page, "Mat 1 border")
    page.keyboard.type("3/8")
    press(page, "Tab")
    page.keyboard.type("ink")
    expect(page.get_by_role("listbox").get_by_role("option").first).to_be_visible()
    press(page, "Enter")
    expect(row(page, "Mat 1").locator("[data-arithmetic]")).to_have_text("4 × 6 + 2 × 3/8 = 4 3/4 × 6 3/4")
    expect(page.get_by_role("button", name="A photo, 4 × 6 upright, mat 3/8 Ink (A)")).to_be_attached()
    tab_to(page, "A photo, 4 × 6 upright, mat 3/8 Ink (A)")
    press(page, "ArrowLeft", "Shift+ArrowUp")
    saved(page)
    expect(page.get_by_label("Distance down", exact=True)).to_have_value("2 1/8")
    press(page, "Delete")
    expect(page.get_by_role("list", name="Recipe").locator(":scope > li")).to_have_count(2)


def test_hands_quicker_than_the_server_lose_nothing(page: Page, tmp_path: Path) -> None:
    """A border, the paper beside it, three steps of a key: each answer is put into what is there when it comes."""
    unpack_csv(page, tmp_path)
    page.goto("/page")
    begin_page(page, "single")
    add_photo_parts(page, [], "A place for one")
    page.route("**/api/lengths/read", lambda route: (page.wait_for_timeout(400), route.continue_()))
    page.get_by_label("Mat 1 border", exact=True).fill("3/8")
    choose_paper(page, "Mat 1 paper", "ink")
    expect(row(page, "Mat 1").locator("[data-arithmetic]")).to_have_text("4 × 6 + 2 × 3/8 = 4 3/4 × 6 3/4")
    expect(page.get_by_label("Mat 1 paper")).to_have_value("Ink · A")
    page.get_by_label("Mat 1 border", exact=True).focus()
    press(page, "ArrowUp", "ArrowUp", "ArrowUp")
    expect(row(page, "Mat 1").locator("[data-arithmetic]")).to_have_text("4 × 6 + 2 × 9/16 = 5 1/8 × 7 1/8")
    page.get_by_role("textbox", name="Story").type("Rain on the roof all day.")
    saved(page)
    page.reload()
    expect(page.get_by_role("textbox", name="Story")).to_have_value("Rain on the roof all day.")


def test_each_bench_is_entered_again_where_it_was_left(page: Page, tmp_path: Path) -> None:
    """From a page to the papers and back; its cut list; all pages are one press away."""
    kit_there(page)
    page_there(page)
    here = page.url
    page.get_by_role("link", name="Unpack").click()
    expect(page.get_by_label("Name of the kit")).to_have_value("towpath")
    page.get_by_role("link", name="Page", exact=True).click()
    expect(page).to_have_url(here)
    page.get_by_role("link", name="Cut", exact=True).click()
    expect(page).to_have_url(here.replace("/page/", "/cut/"))
    page.get_by_role("link", name="Photos").click()
    page.get_by_role("link", name="Cut", exact=True).click()
    expect(page).to_have_url(here.replace("/page/", "/cut/"))
    page.get_by_role("link", name="Page", exact=True).click()
    page.get_by_role("link", name="All pages").click()
    expect(page.get_by_role("heading", name="Pages")).to_be_visible()


def test_what_is_pressed_by_thumb_is_large_enough(browser: Browser, server: Server, tmp_path: Path) -> None:
    """On a tablet on the table: fields, buttons and ticks are 44 px tall at least."""
    context = browser.new_context(viewport={"width": 1180, "height": 820}, base_url=server.address, has_touch=True,
                                  is_mobile=True)  # fmt: skip
    page = context.new_page()
    kit_there(page)
    page_there(page)
    row(page, "Base:").tap()
    choose_paper(page, "Base paper", "Cream · A")
    add_photo_parts(page, [], "A place for one")
    small = page.evaluate(
        """[...document.querySelectorAll('main input, main button[aria-label], main select')]
        .filter(e => e.offsetParent && !e.closest('.MuiAutocomplete-root'))
        .map(e => [e.getAttribute('aria-label'), Math.round(e.getBoundingClientRect().height)])
        .filter(([, height]) => height < 44)"""
    )
    assert small == []
    page.get_by_role("link", name="Cut list").tap()
    tick = page.get_by_role("region", name="Cuts").locator("label").first.bounding_box()
    assert tick is not None and tick["height"] >= 44
    context.close()


def test_a_page_goes_out_as_picture_and_file_and_the_file_comes_in(page: Page, tmp_path: Path) -> None:
    """PNG to send, JSON to keep; brought in it is a page of its own."""
    add_photos(page, jpeg(tmp_path, "heron.jpg", 1200, 1800))
    begin_page(page, "single")
    put_name(page, "Mist on the cut")
    add_photo_parts(page, ["heron"], "On its own mat")
    saved(page)
    files = {}
    for name in ("A picture of it (PNG)", "A drawing of it (SVG)", "The recipe alone (JSON)"):
        page.get_by_role("button", name="Save a copy").click()
        with page.expect_download() as waiting:
            page.get_by_role("menuitem", name=name).click()
        files[waiting.value.suggested_filename] = Path(waiting.value.path()).read_bytes()
    assert set(files) == {"Mist on the cut.png", "Mist on the cut.svg", "Mist on the cut.json"}
    assert Image.open(io.BytesIO(files["Mist on the cut.png"])).size == (1800, 1800)
    assert files["Mist on the cut.svg"].startswith(b"<svg") and b"image/jpeg;base64" in files["Mist on the cut.svg"]
    page.goto("/page")
    document = {"name": "page.json", "mimeType": "application/json", "buffer": files["Mist on the cut.json"]}
    page.get_by_label("A page or parcel").set_input_files(document)
    expect(page.get_by_label("Name of the page")).to_have_value("Mist on the cut 2")
    page.goto("/page")
    expect(page.get_by_role("link", name="Mist on the cut")).to_have_count(2)


def put_name(page: Page, name: str) -> None:
    page.get_by_label("Name of the page").fill(name)
    page.get_by_label("Name of the page").press("Enter")


def test_a_file_that_is_no_page_is_refused_by_its_name(page: Page) -> None:
    """With the field that is wrong."""
    page.goto("/page")
    wrong = json.dumps({"page": {"name": "", "format": {"kind": "own", "width": "0 in", "height": "5 ft"}}})
    page.get_by_label("A page or parcel").set_input_files(
        {"name": "odd.json", "mimeType": "application/json", "buffer": wrong.encode()}
    )
    expect(page.get_by_text("odd.json: page.name:")).to_be_visible()
    expect(page.get_by_text('page.format.width: "0 in": nothing at all; write at least 1 in')).to_be_visible()


def test_a_kit_goes_out_as_csv_and_json_and_comes_back(page: Page, tmp_path: Path) -> None:
    """Into a kit of its own, alike."""
    unpack_csv(page, tmp_path)
    kits = page.get_by_role("navigation", name="Kits").get_by_role("link", name="towpath")
    for count, words in ((2, "CSV, for a spreadsheet"), (3, "JSON, with everything")):
        page.get_by_role("button", name="Save a copy").click()
        with page.expect_download() as waiting:
            page.get_by_role("menuitem", name=words).click()
        file = tmp_path / waiting.value.suggested_filename
        waiting.value.save_as(file)
        page.get_by_label("A kit as CSV or JSON, or a backup").set_input_files(file)
        if file.suffix == ".csv":
            page.get_by_role("button", name="Bring all 3 in as a kit").click()
        expect(kits).to_have_count(count)
        expect(kits.nth(count - 1)).to_have_attribute("aria-current", "page")
    expect(kits.filter(has_text="3 papers, 9 sheets")).to_have_count(3)


def test_the_template_can_be_filled_in_and_brought_back(page: Page, tmp_path: Path) -> None:
    """As it is offered to an empty household."""
    page.goto("/")
    with page.expect_download() as waiting:
        page.get_by_role("link", name="Template for CSV").click()
    file = tmp_path / waiting.value.suggested_filename
    waiting.value.save_as(file)
    page.get_by_label("A kit as CSV or JSON, or a backup").set_input_files(file)
    expect(page.get_by_text("3 papers, 1 alphabet and 1 thing can be brought in.")).to_be_visible()


def test_a_sheet_is_shown_as_its_own_photograph(page: Page, tmp_path: Path) -> None:
    """Its corners are moved by keys, it is laid flat, and it is what the paper looks like from then on."""
    unpack_csv(page, tmp_path)
    page.locator("[data-paper]").first.click()
    page.get_by_role("button", name="Use a photograph of the sheet").first.click()
    page.locator("[role=dialog] input[type=file]").set_input_files(jpeg(tmp_path, "sheet.jpg", 900, 900))
    corner = page.get_by_role("button", name="Corner upper left: 8 % across, 8 % down")
    corner.focus()
    press(page, "Shift+ArrowLeft", "Shift+ArrowLeft", "ArrowDown")
    expect(page.get_by_role("button", name="Corner upper left: 4 % across")).to_be_visible()
    page.get_by_role("button", name="Lay it flat").click()
    expect(page.get_by_text("shown as its photograph")).to_be_visible()
    saved(page)
    address = page.locator("pattern image").first.get_attribute("href")
    assert address and page.request.get(address).ok
    page.get_by_role("button", name="Show the drawn pattern again").click()
    expect(page.get_by_text("shown as its photograph")).to_have_count(0)


@pytest.fixture
def joint(page: Page, tmp_path: Path) -> Page:
    """A double page with two places on one mat."""
    kit_there(page, KIT)
    page_there(page, 2)
    add_photo_parts(page, [], "Two places on one mat")
    return page


def test_a_joint_mat_stands_in_a_row_or_a_column_with_any_gap(joint: Page) -> None:
    """Two 4 × 6 and 1/4 in between: 8 1/4 + 1/2 across, or 12 1/4 + 1/2 down."""
    put(joint, "Gap", "1/4")
    worked = joint.locator("[data-arithmetic]")
    expect(worked).to_have_text("4 + 4 + 1/4 = 8 1/4; 8 1/4 × 6 + 2 × 1/4 = 8 3/4 × 6 1/2")
    joint.get_by_label("Row or column").select_option("column")
    expect(worked).to_have_text("6 + 6 + 1/4 = 12 1/4; 4 × 12 1/4 + 2 × 1/4 = 4 1/2 × 12 3/4")
    expect(joint.get_by_text("It hangs over the upper edge by 3/8 and the lower edge by 3/8")).to_be_visible()
    joint.get_by_role("button", name="Take photo 2 away").click()
    expect(worked).to_have_text("4 × 6 + 2 × 1/4 = 4 1/2 × 6 1/2")


def test_a_mat_may_be_heavier_below_and_gutted(joint: Page) -> None:
    """Each border is a value of its own; a gutted mat keeps its lap."""
    joint.get_by_label("Mat 1 borders").select_option(label="each side its own")
    put(joint, "Mat 1 border bottom", "3/4")
    expect(joint.locator("[data-arithmetic]")).to_contain_text("(1/4 + 1/4 across, 1/4 + 3/4 down) = 8 5/8 × 7")
    joint.get_by_label("Mat 1 solid or gutted").select_option("gutted")
    put(joint, "Mat 1 lap", "1/8")
    expect(joint.get_by_text("Mat 1 keeps a lap of 1/4: less would not hold.")).to_be_visible()


def test_a_part_is_centred_by_one_press_and_put_over_the_gutter(joint: Page) -> None:
    """Across and down; over the gutter its pieces are halves, and the drawing shows the cut."""
    put(joint, "Distance across", "1")
    joint.get_by_label("From which edge across").select_option(label="from the left")
    expect(joint.get_by_role("button", name="Centre across")).to_have_attribute("aria-pressed", "false")
    joint.get_by_label("Page", exact=True).select_option(label="spread, over the gutter")
    joint.get_by_role("button", name="Centre across").click()
    expect(joint.get_by_role("button", name="Centre across")).to_have_attribute("aria-pressed", "true")
    halves = joint.get_by_label("The page at scale").locator("[data-part^=joint] > g > g")
    expect(halves).to_have_count(4)
    expect(joint.get_by_text("goes left")).to_have_count(0)  # it falls into the gap
    put(joint, "Photo 1: width", "5")
    expect(joint.get_by_text("goes left")).to_be_visible()


def test_the_story_and_the_name_are_kept(joint: Page) -> None:
    """In the person's own words."""
    put_name(joint, "Twenty-one locks")
    joint.get_by_role("textbox", name="Story").fill("Mist, and the heron for a pilot.")
    joint.get_by_role("textbox", name="Story").blur()
    saved(joint)
    joint.reload()
    expect(joint.get_by_role("textbox", name="Story")).to_have_value("Mist, and the heron for a pilot.")
    expect(joint.get_by_label("Name of the page")).to_have_value("Twenty-one locks")


def test_the_rulers_start_at_the_left_or_in_the_middle(joint: Page) -> None:
    """With zero in the middle the gutter of a double page is at zero."""
    joint.get_by_role("button", name="Units, marks").click()
    joint.get_by_label("Rulers start").select_option(label="in the middle")
    press(joint, "Escape")
    marks = joint.get_by_label("The page at scale").locator("text")
    expect(marks.filter(has_text="12")).to_have_count(1)
    joint.reload()
    expect(joint.get_by_label("The page at scale").locator("text").filter(has_text="12")).to_have_count(1)
