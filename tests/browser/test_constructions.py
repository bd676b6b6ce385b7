"""Everything a page is made of, once by hand and by keyboard: added, pulled, auditioned, arranged, measured."""

from __future__ import annotations

import re
from pathlib import Path

from playwright.sync_api import Locator, Page, expect

from tests.browser.deeds import (
    WORDS,
    add_part,
    add_photo_parts,
    add_photos,
    choose_paper,
    comes_true,
    figures,
    jpeg,
    put,
    quiet,
    saved,
)


def lies(page: Page, part: Locator, beyond: float, down: bool = False) -> float:
    """Waits until a part lies further right, or further down, than so many pixels; where it lies then."""
    way = "y" if down else "x"
    comes_true(
        page,
        "([part, way, beyond]) => part.getBoundingClientRect()[way] > beyond",
        [part.element_handle(), way, beyond],
    )
    box = part.bounding_box()
    assert box is not None
    return box["y"] if down else box["x"]


def count(page: Page, label: str, value: str) -> None:
    field = page.get_by_label(label, exact=True)
    field.fill(value)
    field.press("Enter")


def test_everything_is_found_by_its_word_and_lies_there_at_once(bench: Page) -> None:
    """Placed, said in a sentence, in no paper that is not open, and nothing about it a stop."""
    drawing = bench.get_by_label("The page at scale")
    for word, sentence in WORDS:
        add_part(bench, word)
        expect(drawing.get_by_role("button", name=spoken(sentence))).not_to_have_count(0)
    saved(bench)
    expect(bench.get_by_role("region", name="What the page costs")).to_contain_text("begins 0 sheets")
    expect(bench.get_by_label("The page at scale").locator("[data-part]")).to_have_count(len(WORDS) + 1)
    bench.get_by_label("Add to the page").fill("zzz")
    expect(bench.get_by_text("Nothing by that name")).to_be_visible()


def test_the_whole_page_becomes_a_panel_in_one_act(bench: Page) -> None:
    """What is cut off is said; undone with one step."""
    add_part(bench, "panel")
    put(bench, "Trim", "1/8")
    saved(bench)
    bench.get_by_role("button", name="Arrange").click()
    bench.get_by_role("menuitem", name="The whole page as a panel").click()
    put(bench, "Trimmed all round by", "1/2")
    bench.get_by_role("button", name="Make it a panel").click()
    expect(bench.get_by_text(re.compile("Cut off: panel by .* at its left edge"))).to_be_visible()
    expect(bench.get_by_role("list", name="Recipe").locator(":scope > li")).to_have_count(3)
    saved(bench)
    bench.get_by_role("button", name="Undo: made the page a panel").click()
    expect(bench.get_by_role("list", name="Recipe").locator(":scope > li")).to_have_count(2)


def test_a_sheet_has_several_openings_each_with_its_ring_and_its_photo(bench: Page) -> None:
    """A second opening beside the first, of the same kind; a ring round it; both in the sentence and on the list."""
    add_part(bench, "window", "Opening with a photo")
    put(bench, "Panel width", "10")
    choose_paper(bench, "Panel paper", "Cream")
    put(bench, "Opening right of the middle", "-2 1/2")
    bench.get_by_role("button", name="Another opening").click()
    put(bench, "Opening 2 right of the middle", "2 1/2")
    bench.get_by_role("button", name="A ring round it").last.click()
    put(bench, "Opening 2: width of the ring", "3/8")
    choose_paper(bench, "Opening 2: paper of the ring", "Ink")
    saved(bench)
    expect(bench.get_by_text("run into each other")).to_have_count(0)
    bench.get_by_role("link", name="Cut list").click()
    sheets = bench.get_by_role("navigation", name="Sheets in the order of use").get_by_role("button")
    for sheet, circles in (("Cream 1", 2), ("Ink 1", 1)):
        sheets.filter(has_text=sheet).click()
        cuts = bench.get_by_role("region", name="Cuts").get_by_text(re.compile("Cut the circle of 3 × 3"))
        expect(cuts).to_have_count(circles)


def spoken(words: str) -> re.Pattern[str]:
    """The words as a part of the drawing is called."""
    return re.compile(re.escape(words))


def test_papers_are_auditioned_at_a_key_and_kept_or_not(bench: Page) -> None:
    """Full stop opens it on the part in hand; arrows step; Escape goes back, Enter keeps; what is short is said."""
    add_part(bench, "panel")
    put(bench, "Trim", "1")
    choose_paper(bench, "Panel paper", "Cream")
    saved(bench)
    part = bench.locator("[data-part^=panel]")
    part.focus()
    bench.keyboard.press(".")
    list_ = bench.get_by_role("listbox", name="Papers on trial")
    expect(list_.get_by_role("option", name="Cream A")).to_have_attribute("aria-selected", "true")
    expect(list_.get_by_role("option", name=re.compile("Pad A, not enough left"))).to_be_visible()
    bench.keyboard.press("ArrowRight")
    saved(bench)
    bench.keyboard.press("Escape")
    expect(list_).to_have_count(0)
    expect(bench.get_by_label("Panel paper")).to_have_value("Cream · A")
    part.focus()
    bench.keyboard.press(",")
    list_.get_by_role("option", name="Reeds A").click()
    saved(bench)
    bench.get_by_role("button", name="Keep it").click()
    expect(bench.get_by_label("Panel paper")).to_have_value("Reeds · A")


def test_parts_are_chosen_together_aligned_grouped_and_copied(bench: Page) -> None:
    """Shift takes another one besides; the group moves as one and its copy is a group; let go, they part."""
    add_part(bench, "heart")
    put(bench, "Distance across", "1")
    add_part(bench, "tag")
    heart, tag = bench.locator("[data-part]").nth(1), bench.locator("[data-part]").nth(2)
    heart.click()
    tag.click(modifiers=["Shift"])
    bench.get_by_role("button", name="Arrange").click()
    bench.get_by_role("menuitem", name="Top edges level").click()
    saved(bench)
    expect(heart).to_have_attribute("aria-pressed", "true")
    bench.get_by_role("button", name="Arrange").click()
    bench.get_by_role("menuitem", name="Keep them together").click()
    saved(bench)
    before = tag.bounding_box()
    heart.focus()
    bench.keyboard.press("Shift+ArrowDown")
    assert before is not None
    lies(bench, tag, before["y"] + 5, down=True)
    bench.get_by_role("button", name="Arrange").click()
    bench.get_by_role("menuitem", name="Copy them").click()
    expect(bench.locator("[data-part]")).to_have_count(5)
    bench.get_by_role("button", name="Undo: copied parts").click()
    expect(bench.locator("[data-part]")).to_have_count(3)
    bench.locator("[data-part]").nth(1).click()
    bench.get_by_role("button", name="Arrange").click()
    bench.get_by_role("menuitem", name="Let them go apart").click()
    saved(bench)


def test_a_part_is_repeated_in_a_ring(bench: Page) -> None:
    add_part(bench, "heart")
    bench.get_by_role("button", name="Arrange").click()
    bench.get_by_role("menuitem", name="Repeat in rows or a ring").click()
    put(bench, "Radius", "3")
    bench.get_by_role("button", name="In a ring").click()
    expect(bench.locator("[data-part]")).to_have_count(7)
    saved(bench)


def test_any_two_things_are_measured(bench: Page) -> None:
    """Pressed one after the other; the figure stands between them and the whole is said."""
    for word, left in (("heart", "1"), ("tag", "9")):
        add_part(bench, word)
        bench.get_by_label("From which edge across").select_option(label="from the left")
        put(bench, "Distance across", left)
    saved(bench)
    bench.get_by_role("button", name="Measure").click()
    bench.locator("[data-part]").nth(1).click()
    bench.locator("[data-part]").nth(2).click()
    expect(bench.get_by_role("status").filter(has_text="6 apart across")).to_be_visible()
    expect(bench.locator("[data-between=left]")).to_contain_text("6")
    bench.get_by_role("button", name="Done measuring").click()
    expect(bench.locator("[data-between]")).to_have_count(0)


def test_a_part_lies_on_another_one_and_moves_with_it(bench: Page) -> None:
    """Counted from the insert both ways; dragged along with it; the insert taken off, it stays where it lay."""
    add_part(bench, "insert")
    add_part(bench, "heart")
    for way in ("across", "down"):
        bench.get_by_label(f"Counted {way} from").select_option(label="of insert")
        saved(bench)
    expect(bench.get_by_role("list", name="Recipe")).not_to_contain_text("not there")
    insert = bench.locator("[data-part^=panel]")
    heart = bench.locator("[data-part^=cutout] [data-piece]").first
    before = heart.bounding_box()
    insert.focus()
    bench.keyboard.press("Shift+ArrowRight")
    assert before is not None
    after = lies(bench, heart, before["x"] + 5)
    saved(bench)
    insert.focus()
    bench.keyboard.press("Delete")
    expect(bench.locator("[data-part^=panel]")).to_have_count(0)
    saved(bench)
    left = heart.bounding_box()
    assert left is not None and abs(left["x"] - after) < 3


def test_a_grid_that_does_not_fit_is_mended_with_one_press(bench: Page) -> None:
    """Set to nothing open: three of 4 1/2 do not fit; one column fewer does; a double page would too."""
    add_part(bench, "grid")
    bench.get_by_label("What follows from the rest").select_option(label="nothing: all is set")
    put(bench, "Cell width", "4 1/2")
    expect(bench.get_by_text("It does not fit by")).to_be_visible()
    bench.get_by_role("button", name="One column fewer").click()
    expect(bench.get_by_text("It does not fit by")).to_have_count(0)
    expect(bench.get_by_label("Columns", exact=True)).to_have_value("2")
    bench.get_by_role("button", name="Undo: one column fewer").click()
    bench.get_by_role("button", name="Go over to a double page").click()
    expect(bench.get_by_label("Single or double")).to_have_value("2")
    saved(bench)


def test_a_cell_spans_and_tiles_take_a_photo(bench: Page, tmp_path: Path) -> None:
    """A cell of its own over two columns; another arrangement at a press; a count that is none is told."""
    add_part(bench, "grid")
    bench.get_by_role("button", name="A cell of its own").click()
    count(bench, "Cell 1: columns it spans", "2")
    bench.get_by_label("Cell 1: what lies there").select_option(label="title")
    saved(bench)
    add_part(bench, "honey")
    bench.get_by_role("button", name="Another arrangement").click()
    saved(bench)
    bench.get_by_role("button", name="A photo or card in a cell").click()
    expect(bench.get_by_label("Taken cell 1: which photo")).to_be_visible()
    put(bench, "Tile size", "1/16")
    expect(bench.get_by_text("would be more than 600; make them larger")).to_be_visible()
    count(bench, "Taken cell 1: row", "x")
    expect(bench.get_by_text("is no whole number")).to_be_visible()


def test_a_card_is_said_on_its_sheet_and_cut_from_there(bench: Page) -> None:
    """At Unpack it is put on the sheet; on the page it is chosen; the cut list cuts it at its place."""
    saved(bench)
    here = bench.url
    bench.goto("/unpack")
    bench.get_by_text("Brick").first.click()
    bench.get_by_role("button", name="A card printed on it").click()
    put(bench, "Card 1: from the left", "4")
    put(bench, "Card 1: wide", "4")
    put(bench, "Card 1: high", "3")
    bench.get_by_role("button", name="A card printed on it").click()
    put(bench, "Card 2: wide", "2")
    put(bench, "Card 2: high", "2")
    saved(bench)
    bench.goto(here)
    add_part(bench, "card", "Card")
    bench.get_by_label("Sheet", exact=True).select_option(label="Brick")
    sheet = bench.get_by_role("group", name=re.compile("^Places on Brick"))
    sheet.get_by_role("button", name="Card 2", exact=True).click()
    expect(bench.locator("[data-arithmetic]")).to_contain_text("2 × 2")
    sheet.get_by_role("button", name="Card 1", exact=True).click()
    expect(bench.locator("[data-arithmetic]")).to_contain_text("4 × 3")
    saved(bench)
    bench.get_by_role("link", name="Cut list").click()
    expect(bench.get_by_role("region", name="Cuts")).to_be_visible()
    bench.get_by_text("Brick").first.click()
    assert any("Set 4 from the left" in line or "Set 8 from the left" in line for line in figures(bench))


def test_a_page_goes_along_to_a_notebook_and_says_what_it_changed(bench: Page, tmp_path: Path) -> None:
    """The photo is printed smaller, everything lies on the page; undone with one step."""
    here = bench.url
    add_photos(bench, jpeg(tmp_path, "heron.jpg", 1200, 1800))
    bench.goto(here)
    add_photo_parts(bench, ["heron"], "On its own mat")
    saved(bench)
    bench.get_by_label("Format", exact=True).select_option(label="Traveler’s notebook")
    expect(bench.get_by_text("Heron is printed smaller: 1")).to_be_visible()
    saved(bench)
    bench.get_by_role("button", name="Undo: changed the format").click()
    expect(bench.get_by_label("Format", exact=True)).to_have_value("12x12")


def test_variants_stand_side_by_side(bench: Page) -> None:
    """Kept under a name, changed, seen beside each other, gone on with; put away and brought back."""
    add_part(bench, "pinw")
    saved(bench)
    bench.get_by_role("link", name="Variants").click()
    bench.get_by_label("Name of the variant").fill("With a pinwheel")
    bench.get_by_role("button", name="Keep it as it is now").click()
    expect(bench.get_by_role("img", name="With a pinwheel, as it will look")).to_be_visible()
    bench.get_by_role("link", name="Back to the page").click()
    bench.locator("[data-part^=pieced]").focus()
    bench.keyboard.press("Delete")
    saved(bench)
    bench.get_by_role("link", name="Variants").click()
    expect(bench.get_by_role("img")).to_have_count(2)
    bench.get_by_role("button", name="Go on with this one").click()
    expect(bench.locator("[data-part^=pieced]")).to_be_visible()
    saved(bench)
    bench.get_by_role("link", name="Variants").click()
    bench.get_by_role("button", name="Put away", exact=True).click()
    expect(bench.get_by_role("img")).to_have_count(1)
    bench.get_by_role("button", name="Bring it back").click()
    expect(bench.get_by_role("img")).to_have_count(2)


def test_a_size_that_no_punch_has_is_told_with_the_next_larger(bench: Page) -> None:
    """A punch of 2 in is entered; tiles of 1 5/8 say so, and one press makes them 2."""
    bench.get_by_role("button", name="Units, marks").click()
    bench.get_by_role("button", name="A punch").click()
    put(bench, "Punch 1: size", "2")
    bench.keyboard.press("Escape")
    add_part(bench, "circle t")
    put(bench, "Tile size", "1 5/8")
    expect(bench.get_by_text("You have no circle punch of")).to_be_visible()
    quiet(bench)  # what the new punch changes elsewhere has come too: nothing is drawn anew under the finger
    bench.get_by_role("button", name="Make them 2").click()
    expect(bench.get_by_text("Punched with your 2 circle")).to_be_visible()
    saved(bench)
