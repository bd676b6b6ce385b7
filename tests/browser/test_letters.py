"""Letters: an alphabet counted at Unpack, a title in it, what is short and what would do, the file for a machine."""

from __future__ import annotations

import xml.etree.ElementTree as ET
from pathlib import Path

from playwright.sync_api import Page, expect

from tests.browser.deeds import add_part, alphabet_there, cut_title_there, kit_there, page_there, saved


def test_a_title_runs_short_and_a_letter_is_turned(page: Page) -> None:
    """One 9 and a spare 6: 1999 wants three; with two more cut from paper there are enough, and undo takes it back."""
    kit_there(page)
    alphabet_there(page, "1 9 6")
    left = page.get_by_role("list", name="Left of Tin").get_by_role("listitem")
    expect(left).to_have_count(3)
    page_there(page)
    add_part(page, "title", "Title")
    page.get_by_label("What the title says").fill("199")
    page.get_by_label("Letters", exact=True).select_option(label="Tin")
    told = page.get_by_text("Tin has one 9 left; it takes one more 9.")
    expect(told).to_be_visible()
    page.get_by_role("button", name="Take 6 for 9, turned").click()
    expect(told).to_have_count(0)
    expect(page.get_by_text("a 6 for 9")).to_be_visible()
    letters = page.locator("[data-part^=title] [data-piece]")
    expect(letters).to_have_count(3)
    saved(page)
    page.goto("/unpack")
    page.get_by_text("1 alphabet").click()
    expect(left.filter(has_text="0 of 1")).to_have_count(3)


def test_two_pages_that_want_the_last_letter_are_told(page: Page) -> None:
    kit_there(page)
    alphabet_there(page, "HERON")
    for k in range(2):
        page_there(page)
        add_part(page, "title", "Title")
        page.get_by_label("Letters", exact=True).select_option(label="Tin")
        page.get_by_label("What the title says").fill("HE" if k else "HERO")
        saved(page)
    expect(page.get_by_text("Tin has no E, no H left")).to_be_visible()
    expect(page.get_by_text("other pages leave no E, no H, no O, no R")).to_be_visible()


def test_another_pack_is_one_press_and_stuck_letters_stay_off(page: Page) -> None:
    """HEH wants a second H: another pack of HE has it, also where the second look at the page has told of it already.
    Once they are stuck the page may go, the letters do not come back: of two packs one E is left."""
    kit_there(page)
    alphabet_there(page, "HE")
    page_there(page)
    add_part(page, "title", "Title")
    page.get_by_label("What the title says").fill("HEH")
    with page.expect_response(lambda answer: "/api/check" in answer.url and "Tin has one H" in answer.text()):
        page.get_by_label("Letters", exact=True).select_option(label="Tin")
    told = page.get_by_text("Tin has one H left; it takes one more H.")
    expect(told).to_be_visible()
    page.get_by_role("button", name="Another pack of Tin is here").click()
    expect(told).to_have_count(0)
    page.get_by_label("Letters stuck").select_option(label="its letters are stuck: they are off for good")
    saved(page)
    id = page.url.rsplit("/", 1)[-1]
    kept = page.request.get(f"/api/pages/{id}").json()
    page.request.post(f"/api/pages/{id}/away", data={"version": kept["saved"]["version"]})
    page.goto("/unpack")
    page.get_by_text("1 alphabet").click()
    left = page.get_by_role("list", name="Left of Tin").get_by_role("listitem")
    expect(left.filter(has_text="0 of 2")).to_have_count(1)
    expect(left.filter(has_text="1 of 2")).to_have_count(1)


def test_a_cut_title_goes_to_the_machine_at_its_size(page: Page, tmp_path: Path) -> None:
    """HI in capitals of 2 in: two outlines, each 2 in high, on their sheet."""
    cut_title_there(page, "HI")
    expect(page.get_by_role("region", name="Cuts")).to_be_visible()
    page.get_by_role("button", name="Print or save").click()
    with page.expect_download() as waiting:
        page.get_by_role("menuitem", name="Outlines for a cutting machine (SVG)").click()
    file = tmp_path / "outlines.svg"
    waiting.value.save_as(file)
    paths = [one.get("d") or "" for one in ET.parse(file).iter("{http://www.w3.org/2000/svg}path")]
    assert len(paths) == 2
    for path in paths:
        numbers = [
            float(n) for n in path.replace("M", " ").replace("L", " ").replace("Z", " ").replace(",", " ").split()
        ]
        assert (
            abs(max(numbers[1::2]) - min(numbers[1::2]) - 2) < 0.01
            or abs(max(numbers[::2]) - min(numbers[::2]) - 2) < 0.01
        )


def test_words_are_written_in_ones_own_hand_and_ruled_by_a_table(page: Page) -> None:
    """A hand measured at 3 in for its sample writes half as wide as one of 6: what took two lines takes one."""
    kit_there(page)
    page_there(page)
    add_part(page, "words", "Words")
    page.get_by_label("What the words say").fill("The heron waited by the lock for us")
    told = page.locator("[data-arithmetic]")
    expect(told).to_contain_text("8 words, 2 lines 1/4 apart")
    page.get_by_role("button", name="Measure it").click()
    length = page.get_by_label("Length of the sample")
    length.fill("3")
    length.press("Enter")
    expect(told).to_contain_text("8 words, 1 line 1/4 apart")
    page.get_by_label("Lines drawn").select_option(label="with lines drawn")
    more = page.get_by_label("Empty lines")
    more.fill("2")
    more.press("Enter")
    page.get_by_role("button", name="Lines to rule by").click()
    rows = page.get_by_role("table", name="Lines to rule by").get_by_role("row")
    expect(rows).to_have_count(4)
    expect(rows.nth(3).get_by_role("cell")).to_have_text(["3/4", "-2", "2"])
    saved(page)
