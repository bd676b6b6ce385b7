"""The unpack bench: a dozen papers in minutes, by keyboard; files with mistakes in them."""

from __future__ import annotations

import re
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from tests.browser.deeds import page_there, put, saved, unpack_csv


def new_kit(page: Page) -> None:
    page.goto("/")
    page.get_by_role("button", name="Unpack a kit").click()
    expect(page.get_by_label("Name of the kit")).to_be_visible()


def test_an_empty_household_says_what_to_do_first(page: Page) -> None:
    """And offers the demo kit to look at."""
    page.goto("/")
    expect(page.get_by_role("heading", name="Begin with what is in the box")).to_be_visible()
    page.get_by_role("button", name="Look at the demo kit").click()
    expect(page.locator("[data-paper]")).to_have_count(12)


def test_a_dozen_papers_are_added_by_keyboard_alone(page: Page) -> None:
    """Names one after another, Enter after each; the next takes over size and stock of the last."""
    new_kit(page)
    page.get_by_label("Name of the next paper").focus()
    for name in ("Reed Bed", "Still Water", *(f"Paper {n}" for n in range(3, 13))):
        page.keyboard.type(name)
        page.keyboard.press("Enter")
    expect(page.locator("[data-paper]")).to_have_count(12)
    saved(page)
    page.reload()
    expect(page.locator("[data-paper]")).to_have_count(12)


def test_a_side_is_described_by_typing_and_repeated_on_the_back(page: Page) -> None:
    """Type-ahead finds the pattern; one press makes the back the same."""
    new_kit(page)
    page.get_by_label("Name of the next paper").fill("Awning")
    page.keyboard.press("Enter")
    page.locator("[data-paper]").focus()
    page.keyboard.press("Enter")
    expect(page.get_by_label("A side: pattern")).to_be_focused()
    page.keyboard.type("chev")
    expect(page.get_by_role("listbox").get_by_role("option").first).to_be_visible()
    page.keyboard.press("Enter")
    expect(page.get_by_label("A side: direction")).to_have_value("two-way")
    page.get_by_role("button", name="Same again on the back").click()
    expect(page.get_by_label("B side: pattern")).to_have_value("chevron")
    put(page, "A side: scale", "2")
    expect(page.get_by_label("A side: scale")).to_have_value("2")
    saved(page)


def test_sheets_are_sorted_as_the_box_is_gone_through(page: Page, tmp_path: Path) -> None:
    """Keys on a line, or the field in it: a pile, and the side that lies up; the shelf beside a page stands so."""
    unpack_csv(page, tmp_path)
    lines = page.locator("[data-paper]")
    lines.nth(0).focus()
    page.keyboard.press("3")
    lines.nth(2).focus()
    page.keyboard.press("1")
    page.keyboard.press("t")
    third = str(lines.nth(2).get_attribute("aria-label"))
    expect(page.get_by_label(f"Pile of {third}")).to_have_value("likely")
    page.get_by_label("Look for a paper").fill("likely")
    expect(lines).to_have_count(1)
    saved(page)
    page_there(page)
    page.get_by_role("button", name="Shelf", exact=True).click()
    shelf = page.get_by_role("region", name="Shelf").get_by_role("listitem")
    expect(shelf.first).to_contain_text(third)
    expect(shelf.first.get_by_role("button").first).to_have_accessible_name(re.compile("side B"))
    expect(shelf.last).to_contain_text("not this time")


def test_many_papers_are_edited_at_once(page: Page, tmp_path: Path) -> None:
    """Chosen with the boxes, they all get the branding strip; undo takes it off all of them."""
    unpack_csv(page, tmp_path)
    page.get_by_label("Choose all papers").check()
    expect(page.get_by_role("heading", name="3 papers at once")).to_be_visible()
    page.get_by_label("Branding strip", exact=True).select_option(label="branding strip left")
    put(page, "Depth of the branding strip", "3/8")
    saved(page)
    page.reload()
    page.locator("[data-paper]").nth(2).click()
    expect(page.get_by_label("Depth of the branding strip")).to_have_value("3/8")
    page.get_by_role("button", name="Undo: changed the branding strip").click()
    expect(page.get_by_label("Depth of the branding strip")).to_have_value("1/2")


def test_a_sheet_of_cards_is_said_in_rows_and_columns(page: Page, tmp_path: Path) -> None:
    """Reeds has its strip of 1/2 at the foot: 2 rows of 3 are 4 × 5 3/4 each, and the fifth is 4 from the left."""
    unpack_csv(page, tmp_path)
    page.locator("[data-paper]").nth(1).click()
    page.get_by_role("button", name="Cards in rows").click()
    for label, value in (("Rows of cards", "2"), ("Cards in a row", "3")):
        page.get_by_label(label, exact=True).fill(value)
        page.get_by_label(label, exact=True).press("Enter")
    page.get_by_role("button", name="Lay them out").click()
    sheet = page.get_by_role("group", name=re.compile("^Places on"))
    sheet.get_by_role("button", name="Card 5", exact=True).click()
    expect(page.get_by_label("Card 5: from the left")).to_have_value("4")
    expect(page.get_by_label("Card 5: from the top")).to_have_value("5 3/4")
    sheet.get_by_role("button", name="Card 6", exact=True).press("Enter")
    expect(page.get_by_label("Card 6: high")).to_have_value("5 3/4")
    saved(page)


def test_papers_are_copied_and_taken_out_by_keys(page: Page, tmp_path: Path) -> None:
    """Ctrl+D makes another like it, Delete takes it out, and undo brings it back."""
    unpack_csv(page, tmp_path)
    lines = page.locator("[data-paper]")
    lines.nth(0).focus()
    page.keyboard.press("Control+d")
    expect(lines).to_have_count(4)
    lines.nth(3).focus()
    page.keyboard.press("Delete")
    expect(lines).to_have_count(3)
    page.get_by_role("button", name="Undo: took papers out").click()
    expect(lines).to_have_count(4)


def test_a_count_that_is_none_stays_in_its_field_with_the_reason(page: Page, tmp_path: Path) -> None:
    """Nothing is saved until it is a number."""
    unpack_csv(page, tmp_path)
    field = page.get_by_label("Sheets of Reeds")
    field.fill("many")
    expect(page.get_by_role("alert")).to_have_text("“many” is no whole number from 0 to 10000")
    field.fill("5")
    field.press("Enter")
    saved(page)
    expect(field).to_have_value("5")


def test_wrong_rows_are_shown_and_the_right_ones_come_in_only_when_asked(page: Page, tmp_path: Path) -> None:
    """Line, column, what was read, why."""
    file = tmp_path / "mixed.csv"
    file.write_text("name,width,count\nReeds,12,2\nInk,5 ft,1\n,12,1\n")
    page.goto("/")
    page.get_by_label("A kit as CSV or JSON, or a backup").set_input_files(file)
    table = page.get_by_role("dialog").get_by_role("table", name="What is wrong")
    expect(table).to_contain_text("feet are not read; write the inches, for example 12 in")
    expect(table.get_by_role("row")).to_have_count(3)
    page.get_by_role("button", name="Leave it").click()
    expect(page.get_by_role("heading", name="Begin with what is in the box")).to_be_visible()
    page.get_by_label("A kit as CSV or JSON, or a backup").set_input_files(file)
    page.get_by_role("button", name="Bring the 1 right row in as a kit").click()
    expect(page.locator("[data-paper]")).to_have_count(1)


@pytest.mark.parametrize(
    ("name", "data", "sentence"),
    [
        ("kit.csv", "name\nCafé\n".encode("latin-1"), "line 2 is not in UTF-8; save it again as “CSV UTF-8”"),
        ("kit.csv", b"width\n12\n", "column “name”: missing in the first line"),
        ("kit.csv", b"name\n" + b"x\n" * 100_000, "more than 2000 rows; bring it in as several files"),
        ("kit.json", b"{}", "kit: field required"),
    ],
)
def test_a_file_that_cannot_be_taken_is_refused_plainly(page: Page, name: str, data: bytes, sentence: str) -> None:
    """And nothing changes."""
    page.goto("/")
    page.get_by_label("A kit as CSV or JSON, or a backup").set_input_files(
        {"name": name, "mimeType": "text/csv", "buffer": data}
    )
    expect(page.get_by_text(sentence)).to_be_visible()
    expect(page.get_by_role("heading", name="Begin with what is in the box")).to_be_visible()


def test_things_have_a_kind_a_count_and_a_length(page: Page, tmp_path: Path) -> None:
    """Tape is measured, die cuts are counted."""
    unpack_csv(page, tmp_path)
    page.get_by_role("tab", name=re.compile("things$")).click()
    page.get_by_label("Name of the next thing").fill("Ledger tape")
    page.keyboard.press("Enter")
    page.get_by_label("Kind of Ledger tape").select_option("tape")
    put(page, "Length of Ledger tape", "10 m")
    expect(page.get_by_role("alert")).to_contain_text("is no unit")
    put(page, "Length of Ledger tape", "1000 cm")
    saved(page)


def test_a_kit_put_away_can_be_brought_back(page: Page, tmp_path: Path) -> None:
    """From the line at the foot, or later from the list of what was put away."""
    unpack_csv(page, tmp_path)
    page.get_by_role("button", name="Put away", exact=True).click()
    expect(page.get_by_role("heading", name="Begin with what is in the box")).to_be_visible()
    page.get_by_role("button", name="Bring back").click()
    expect(page.get_by_label("Name of the kit")).to_have_value("towpath")
    page.get_by_role("button", name="Put away", exact=True).click()
    expect(page.get_by_role("heading", name="Begin with what is in the box")).to_be_visible()
    page.reload()
    page.get_by_role("button", name="Units, marks, punches and what was put away").click()
    page.get_by_role("button", name="What was put away …").click()
    page.get_by_role("dialog").get_by_role("button", name="Bring back").click()
    expect(page.get_by_text("Nothing is put away.")).to_be_visible()
