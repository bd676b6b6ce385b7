"""The page bench: dragged, nudged, typed, undone; nothing is lost."""

from __future__ import annotations

from collections.abc import Callable
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import Server
from tests.browser.deeds import (
    add_part,
    add_photo_parts,
    add_photos,
    begin_page,
    jpeg,
    put,
    quiet,
    row,
    saved,
    unaware,
    unpack_csv,
)


@pytest.fixture
def single(page: Page) -> Page:
    """A single 12 × 12 page with one place for a photo on a 1/4 in mat: 4 1/2 × 6 1/2, in the middle."""
    page.goto("/page")
    begin_page(page, "single")
    add_photo_parts(page, [], "A place for one")
    saved(page)
    return page


def drag(page: Page, dx: float, dy: float, drop: bool = True) -> None:
    """Drags the photo by so many inches."""
    part = page.get_by_role("button", name="A photo, 4 × 6")
    box = part.bounding_box()
    assert box is not None
    inch = box["width"] / 4.5
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    page.mouse.move(x, y)
    page.mouse.down()
    for k in range(1, 9):
        page.mouse.move(x + dx * inch * k / 8, y + dy * inch * k / 8)
    quiet(page)
    if drop:
        page.mouse.up()


def place(page: Page) -> tuple[str, str]:
    """Across and down as the recipe has them, such as `1` `from the left`."""
    words = []
    for axis in ("across", "down"):
        edge = page.get_by_label(f"From which edge {axis}").evaluate("e => e.selectedOptions[0].text")
        words.append(f"{page.get_by_label(f'Distance {axis}', exact=True).input_value()} {edge}")
    return words[0], words[1]


def test_a_dragged_part_lands_on_marks_and_catches_on_guides(single: Page) -> None:
    """Two inches left, and a hair short of the top edge: it catches there, and says its distances meanwhile."""
    drag(single, -2, -2.7, drop=False)
    drawing = single.get_by_label("The page at scale")
    expect(drawing.get_by_text("top edge of the page")).to_be_visible()
    single.mouse.up()
    saved(single)
    across, down = place(single)
    assert down == "0 from the top"
    assert across.endswith("from the left") and abs(float(across.split()[0].replace("¾", ".75")) - 1.75) < 1


def test_several_photos_find_room_on_the_page_and_are_one_step(page: Page, tmp_path: Path) -> None:
    """Three of 4 × 4 in and a twin lie apart from each other; one undo takes all three off."""
    add_photos(page, *[jpeg(tmp_path, f"{name}.jpg", 900, 900) for name in ("lock", "heron", "kettle")])
    begin_page(page, "single")
    expect(page.get_by_label("What the page costs")).to_contain_text("1 without a paper yet")
    add_photo_parts(page, ["lock", "heron", "kettle"], "Each on its own mat")
    drawn = page.get_by_label("The page at scale").get_by_role("button", name="Photo")
    expect(drawn).to_have_count(3)
    row(page, "Photo").last.click()
    page.get_by_role("button", name="Another like it").click()
    expect(drawn).to_have_count(4)
    boxes = [box for part in drawn.all() if (box := part.bounding_box())]
    for k, a in enumerate(boxes):
        for b in boxes[k + 1 :]:
            assert abs(a["x"] - b["x"]) > a["width"] * 0.9 or abs(a["y"] - b["y"]) > a["height"] * 0.9
    for left in (3, 0):
        page.get_by_role("button", name="Undo").click()
        expect(drawn).to_have_count(left)


def test_a_tap_on_the_drawing_leaves_it_under_the_hand(open_window: Callable[..., Page], tmp_path: Path) -> None:
    """On a tablet held upright the recipe is below the drawing; choosing a part does not scroll there."""
    tablet = open_window(768, 1024)
    begin_page(tablet)
    for _ in range(3):
        add_photo_parts(tablet, [], "A place for one")
    part = tablet.get_by_label("The page at scale").get_by_role("button", name="A photo").last
    row(tablet, "Photo").first.click()
    tablet.keyboard.press("Escape")
    tablet.evaluate("document.querySelector('main').scrollTop = 0")
    before = part.bounding_box()
    part.click()
    expect(tablet.get_by_label("Distance across")).to_be_attached()
    assert part.bounding_box() == before


def test_arrow_keys_nudge_by_a_mark_and_all_of_it_is_one_undo(single: Page) -> None:
    """Three marks right are 3/16; Ctrl+Z takes them back and Ctrl+Shift+Z makes them again."""
    part = single.get_by_role("button", name="A photo, 4 × 6")
    part.focus()
    for _ in range(3):
        single.keyboard.press("ArrowRight")
        quiet(single)
    expect(single.get_by_label("Distance across", exact=True)).to_have_value("3 15/16")
    saved(single)
    single.keyboard.press("Control+z")
    expect(single.get_by_label("Distance across", exact=True)).to_have_value("0")
    single.keyboard.press("Control+Shift+z")
    expect(single.get_by_label("Distance across", exact=True)).to_have_value("3 15/16")


def test_undo_and_redo_outlive_a_reload(single: Page) -> None:
    """The history is kept with the page."""
    put(single, "Photo: width", "5")
    saved(single)
    single.reload()
    row(single, "5 × 6").click()
    single.get_by_role("button", name="Undo: changed a print’s width").click()
    expect(single.get_by_label("Photo: width")).to_have_value("4")
    single.reload()
    single.get_by_role("button", name="Redo: changed a print’s width").click()
    expect(row(single, "5 × 6")).to_be_visible()


def test_a_length_field_takes_every_spelling_and_says_at_once_what_is_wrong(single: Page) -> None:
    """It never rewrites while one types; Escape takes back; the arrow keys step by a mark."""
    field = single.get_by_label("Photo: width")
    for typed, shown in (("4¼", "4 1/4"), ("4-3/8", "4 3/8"), ("10.8cm", "~ 4 1/4"), ('5"', "5")):
        put(single, "Photo: width", typed)
        expect(field).to_have_value(shown)
    field.press("ArrowUp")
    expect(field).to_have_value("5 1/16")
    field.fill("12 1/0")
    expect(single.get_by_role("alert").filter(has_text="a fraction over nothing at character 4")).to_be_visible()
    expect(field).to_have_value("12 1/0")
    field.press("Escape")
    expect(field).to_have_value("5 1/16")
    for typed, why in (
        ("0", "nothing at all"),
        ("-3", "less than nothing"),
        ("1000000 mm", "longer than can be used"),
    ):
        field.fill(typed)
        expect(single.get_by_role("alert").filter(has_text=why)).to_be_visible()


def test_the_unit_can_be_changed_at_any_time(single: Page) -> None:
    """The same page in millimetres: 4 in are 101.6 mm, shown to the millimetre."""
    single.get_by_role("button", name="Units, marks").click()
    single.get_by_label("Unit", exact=True).select_option(label="millimetres")
    single.keyboard.press("Escape")
    expect(single.get_by_label("Photo: width")).to_have_value("~ 102")
    put(single, "Photo: width", "100")
    expect(single.get_by_label("Photo: width")).to_have_value("100")


def test_the_order_changes_by_keys_and_parts_are_copied_and_taken_off(single: Page) -> None:
    """Alt with the arrow keys moves a line of the recipe; Delete takes it off."""
    lines = single.get_by_role("list", name="Recipe").locator(":scope > li")
    single.get_by_role("button", name="Another like it").click()
    expect(lines).to_have_count(3)
    base = row(single, "Base:")
    base.focus()
    single.keyboard.press("Alt+ArrowDown")
    expect(lines.nth(1)).to_contain_text("Base:")
    lines.nth(1).focus()
    single.keyboard.press("Delete")
    expect(lines).to_have_count(2)
    single.get_by_role("button", name="Undo: took a part off").click()
    expect(lines).to_have_count(3)


def test_a_line_of_the_recipe_is_dragged_to_another_place(single: Page) -> None:
    """By its grip."""
    lines = single.get_by_role("list", name="Recipe").locator(":scope > li")
    lines.nth(0).locator("[draggable]").drag_to(lines.nth(1))
    expect(lines.nth(1)).to_contain_text("Base:")


def test_two_windows_do_not_overwrite_each_other_silently(single: Page, open_window: Callable[..., Page]) -> None:
    """The second to save is asked; keeping its own leaves the other one step back."""
    other = unaware(open_window())
    other.goto(single.url)
    row(other, "A photo").click()
    put(single, "Photo: width", "5")
    saved(single)
    put(other, "Photo: height", "7")
    expect(other.get_by_role("alert").filter(has_text="changed in another window")).to_be_visible()
    other.get_by_role("button", name="Keep mine").click()
    saved(other)
    expect(other.get_by_label("Photo: height")).to_have_value("7")
    other.get_by_role("button", name="Undo: kept this window’s version").click()
    expect(other.get_by_label("Photo: width")).to_have_value("5")


def test_theirs_can_be_shown_instead(single: Page, open_window: Callable[..., Page]) -> None:
    """Then what the other window saved is what both have."""
    other = unaware(open_window())
    other.goto(single.url)
    row(other, "A photo").click()
    put(single, "Photo: width", "5")
    saved(single)
    put(other, "Photo: height", "7")
    other.get_by_role("button", name="Show theirs").click()
    expect(other.get_by_label("Photo: width")).to_have_value("5")
    expect(other.get_by_label("Photo: height")).to_have_value("6")


def test_a_server_that_stops_while_one_types_loses_nothing(single: Page, server: Server) -> None:
    """What was typed stays, is told as not saved, outlives a reload of the window, and is saved later."""
    server.stop()
    single.get_by_label("Page", exact=True).or_(single.get_by_label("Single or double")).first.select_option(
        label="double"
    )
    put(single, "Photo: width", "5 1/2")
    expect(single.get_by_role("status").filter(has_text="Not saved yet, kept here")).to_be_visible()
    expect(single.get_by_label("Photo: width")).to_have_value("5 1/2")
    server.start()
    saved(single)
    single.reload()
    expect(row(single, "5 1/2 × 6")).to_be_visible()
    expect(single.get_by_label("Single or double")).to_have_value("2")


def test_what_is_added_while_nothing_answers_is_on_the_page_later(page: Page, server: Server) -> None:
    """A photo's place, a panel and a twin of it: in the recipe at once, drawn and kept when the server is back."""
    begin_page(page, "single")
    saved(page)
    lines = page.get_by_role("list", name="Recipe").get_by_role("listitem")
    server.stop()
    add_photo_parts(page, [], "A place for one")
    add_part(page, "panel")
    expect(lines).to_have_count(3)
    page.get_by_role("button", name="Another like it").click()
    expect(lines).to_have_count(4)
    server.start()
    saved(page)
    expect(page.get_by_label("The page at scale").get_by_role("button", name="Panel, trimmed 1/4")).to_have_count(2)
    page.reload()
    expect(lines).to_have_count(4)


def test_a_format_of_nothing_is_refused(single: Page) -> None:
    """A page is at least an inch; the field keeps what was typed."""
    single.get_by_label("Format").select_option(label="Own size")
    put(single, "Page width", "0")
    expect(single.get_by_role("alert").filter(has_text="nothing at all; write at least 1 in")).to_be_visible()
    put(single, "Page width", "7 1/2")
    put(single, "Page height", "9")
    saved(single)
    expect(single.get_by_label("Page width")).to_have_value("7 1/2")


def test_a_mat_larger_than_its_sheet_is_told_where_it_is(page: Page, tmp_path: Path) -> None:
    """In the recipe and in the cost, with the sizes and the reason."""
    unpack_csv(page, tmp_path)
    begin_page(page, "single")
    add_photo_parts(page, [], "A place for one")
    page.get_by_label("Mat 1 paper").fill("Ink")
    page.get_by_role("listbox").get_by_role("option").first.click()
    put(page, "Mat 1 border", "5")
    cost = page.get_by_role("region", name="What the page costs")
    expect(cost.get_by_role("alert")).to_contain_text("14 × 16, cannot be cut from Ink (3 of 12 × 12)")


def test_rules_chosen_quickly_one_after_the_other_all_hold(single: Page) -> None:
    """Strips longer, and at once millimetres: both are the page's, and its fields are in millimetres."""
    at = single.url.rsplit("/", 1)[-1]
    held = single.url
    single.goto(f"/rules?page={at}")
    single.get_by_label("How long are strips cut?").select_option("long")
    single.get_by_label("In which unit?").select_option("mm")
    expect(single.get_by_label("In which unit?")).to_have_value("mm")
    expect(single.get_by_label("How long are strips cut?")).to_have_value("long")
    single.goto(held)
    row(single, "A photo").click()
    expect(single.get_by_label("Photo: width")).to_have_value("~ 102")
