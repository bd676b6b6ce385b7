"""Words among what else is on the page: where they could go, what lies under letters, one's own font, test prints, the
story, the date."""

from __future__ import annotations

from pathlib import Path

import pypdfium2
import pytest
from playwright.sync_api import Page, expect

from tests.browser.deeds import add_part, choose_paper, kit_there, loaded, page_there, put, row, saved
from ulna.formats.faces import file_of


@pytest.fixture
def titled(page: Page) -> Page:
    """A page with a title, its fields open."""
    kit_there(page)
    page_there(page)
    add_part(page, "title", "Title")
    page.get_by_label("What the title says").fill("HERON\nHE")
    saved(page)
    return page


def arithmetic(page: Page) -> str:
    return page.locator("[data-arithmetic]").inner_text()


def test_a_title_goes_where_it_could_go_and_comes_back(titled: Page) -> None:
    titled.get_by_role("button", name="Where it could go").click()
    titled.get_by_role("button", name="middle third", exact=True).click()
    expect(titled.locator("[data-arithmetic]")).to_contain_text("the largest capitals that fit are")
    expect(titled.get_by_label("Room across")).to_have_value("3 3/4")
    saved(titled)
    titled.get_by_role("button", name="Undo").first.click()
    expect(titled.get_by_label("Room across")).to_have_count(0)


def test_letters_are_outlined_shadowed_and_filled_with_a_year(titled: Page) -> None:
    """An outline for each of seven letters is seven pieces more to cut; the year stands on the line of HE."""
    pieces = titled.locator("[data-part^=title] [data-piece]")
    expect(pieces).to_have_count(7)
    titled.get_by_role("button", name="Something under it").click()
    choose_paper(titled, "Under the letters 1: paper 1", "Ink")
    expect(pieces).to_have_count(14)
    year = titled.get_by_label("Small word")
    year.fill("26")
    year.press("Enter")
    expect(pieces).to_have_count(18)
    before = arithmetic(titled)
    titled.get_by_label("What the title says").fill("hop\nHE")
    titled.get_by_label("Lines nested").select_option(label="from letter to letter")
    expect(titled.locator("[data-arithmetic]")).not_to_have_text(before)
    titled.get_by_label("What the title says").fill("HERON\nHE")
    expect(pieces).to_have_count(18)
    titled.get_by_label("Under the letters 1", exact=True).select_option(label="a strip under each line, wider by")
    expect(pieces).to_have_count(11)
    saved(titled)


def test_letters_are_cut_out_of_a_sheet_with_papers_behind(titled: Page) -> None:
    """A paper behind each letter and the sheet; that a rim would be seen is told, and one press sets them apart."""
    titled.get_by_role("button", name="Cut out of a sheet").click()
    choose_paper(titled, "Sheet with the openings", "Cream")
    told = titled.get_by_text("a rim of one is seen in the other")
    expect(told).to_be_visible()
    titled.get_by_role("button", name="Letters 1/8 apart").click()
    expect(told).to_have_count(0)
    expect(titled.locator("[data-part^=title] [data-piece]")).to_have_count(8)
    saved(titled)


def test_a_font_of_ones_own_is_a_face_and_a_bad_file_says_why(titled: Page, tmp_path: Path) -> None:
    mine, none = tmp_path / "Ferry.woff2", tmp_path / "ferry.pdf"
    mine.write_bytes(file_of("script").read_bytes())
    none.write_bytes(b"%PDF-1.7")
    field = titled.get_by_label("Face: font file")
    field.set_input_files(none)
    expect(titled.get_by_text("it is no font")).to_be_visible()
    before = arithmetic(titled)
    field.set_input_files(mine)
    expect(titled.get_by_label("Face", exact=True).locator("option:checked")).to_have_text("Ferry")
    expect(titled.locator("[data-arithmetic]")).not_to_have_text(before)
    saved(titled)


def ink_top(file: Path) -> float:
    """How far from the top of its sheet the uppermost ink of the words is, in inches."""
    (page,) = pypdfium2.PdfDocument(file)
    picture = page.render(scale=300 / 72).to_pil().convert("L").point(lambda value: 255 if value < 90 else 0)
    top = int(1.6 * 300)
    box = picture.crop((0, top, picture.width, picture.height)).getbbox()
    assert box is not None
    return (top + box[1]) / 300


def test_a_test_print_is_corrected_by_what_it_came_out_wrong(page: Page, tmp_path: Path) -> None:
    """It came out 1/4 too low: the words alone stand 1/4 higher on their sheet than before."""
    kit_there(page)
    page_there(page)
    add_part(page, "words", "Words")
    page.get_by_label("What the words say").fill("HHH")
    saved(page)
    page.get_by_role("button", name="Print the words").click()

    def words_alone(name: str) -> float:
        with page.expect_download() as waiting:
            page.get_by_role("link", name="The words alone").click()
        waiting.value.save_as(tmp_path / name)
        return ink_top(tmp_path / name)

    before = words_alone("before.pdf")
    put(page, "Too low by", "1/4")
    expect(page.get_by_label("Too low by")).to_have_value("1/4")
    loaded(page)
    assert abs(before - words_alone("after.pdf") - 0.25) < 0.01


def test_a_strip_of_words_is_parted_at_a_leaf(page: Page) -> None:
    """A heart laid on the strip: told, and cut in two there with one press."""
    kit_there(page)
    page_there(page)
    add_part(page, "strip", "Words on strips")
    page.get_by_label("What the strips say").fill("out in the rain all night long")
    choose_paper(page, "Paper 1", "Cream")
    add_part(page, "heart", "Heart")
    for label, value in (
        ("Shape width", "1/2"), ("Shape height", "1/2"), ("Distance across", "5 1/2"), ("Distance down", "5 3/4"),
    ):  # fmt: skip
        put(page, label, value)
    row(page, "Strips of words “out").click()
    expect(page.get_by_text("runs under heart")).to_be_visible()
    strips = page.locator("[data-part^=wordstrips] [data-piece]")
    expect(strips).to_have_count(1)
    page.get_by_role("button", name="Cut it after").click()
    expect(strips).to_have_count(2)
    saved(page)


def test_the_story_is_asked_for_and_is_one_text_everywhere(page: Page) -> None:
    kit_there(page)
    page_there(page)
    page.get_by_role("button", name="Ask me").click()
    page.get_by_label("Who is it?", exact=True).fill("Pip and the heron.")
    page.get_by_label("Where was it?", exact=True).fill("By the lock.")
    page.get_by_role("button", name="Into the story").click()
    expect(page.get_by_label("Story", exact=True)).to_have_value("Pip and the heron. By the lock.")
    add_part(page, "words", "Words")
    page.get_by_label("Whose words").select_option(label="the page’s story")
    said = page.get_by_label("What the words say")
    expect(said).to_have_value("Pip and the heron. By the lock.")
    said.fill("Pip fell in.")
    expect(page.get_by_label("Story", exact=True)).to_have_value("Pip fell in.")
    saved(page)
    page.reload()
    expect(page.get_by_label("Story", exact=True)).to_have_value("Pip fell in.")


def test_the_date_has_its_place(page: Page) -> None:
    kit_there(page)
    page_there(page)
    add_part(page, "date", "Date")
    expect(page.get_by_text("Which date? Its place is kept.")).to_be_visible()
    page.get_by_role("button", name="Today").click()
    expect(page.get_by_text("Which date?")).to_have_count(0)
    expect(page.locator("[data-arithmetic]")).to_contain_text("it goes on last")
    saved(page)
