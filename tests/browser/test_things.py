"""Things: counted at Unpack, found on a photographed sheet, in clusters and scatters on the page, short and mended."""

from __future__ import annotations

import re
from pathlib import Path

import pypdfium2
from PIL import Image, ImageDraw
from playwright.sync_api import Page, expect

from tests.browser.deeds import KIT, add_part, page_there, quiet, saved, unpack_csv

THINGS = """name,kind,width,height,count,a colours,drawn,points
Cream,sheet,12,12,4,#f6efe0,,
Nuts,brad,3/8,3/8,5,#c99a2e,plain,
Hearts,puffy sticker,1/2,1/2,2,#a5312b,plain,
Boat,die cut,1 1/2,3/4,1,#2d5a78,plain,right
Wheel,stamp,1,1,1,#4a545c,,
Rust ink,ink,,,1,#a65a3a,,
"""


def choose_thing(page: Page, label: str, name: str) -> None:
    field = page.get_by_label(label, exact=True)
    field.click()
    field.fill(name)
    expect(page.get_by_role("listbox").get_by_role("option", name=re.compile(name)).first).to_be_visible()
    field.press("Enter")
    quiet(page)


def test_what_is_short_is_told_before_anything_is_glued(page: Page, tmp_path: Path) -> None:
    """From an empty household: of two hearts three are asked for; two are taken; the kit's list has none left."""
    unpack_csv(page, tmp_path, THINGS)
    page_there(page)
    add_part(page, "thing", "Thing")
    choose_thing(page, "Thing", "Hearts")
    many = page.get_by_label("How many", exact=True)
    many.fill("3")
    many.press("Enter")
    told = page.get_by_text("Of Hearts 2 are left; it takes 1 more.")
    expect(told).to_be_visible()
    page.get_by_role("button", name="Take 2", exact=True).click()
    expect(told).to_have_count(0)
    expect(page.locator("[data-part^=thing] [data-piece]")).to_have_count(2)
    saved(page)
    page.goto("/unpack")
    page.get_by_text("5 things").click()
    expect(page.get_by_role("group", name="Hearts")).to_contain_text("0 left")
    page.goto("/log/book")
    expect(page.get_by_role("list", name="Things")).to_contain_text("Hearts: 0 of 2 left")


def test_a_stain_is_pointed_at_and_covered_by_what_is_left(page: Page, tmp_path: Path) -> None:
    """A spot of 3/8 × 1/8 wants 5/8 × 3/8, so of all things the boat of 1 1/2 × 3/4 comes over it; pressed at a quarter
    of the page, its middle is 3 in from both edges, and the boat's corner 2 1/4 and 2 5/8."""
    unpack_csv(page, tmp_path, THINGS)
    page_there(page)
    page.get_by_role("button", name="Things").click()
    page.get_by_role("menuitem", name="Cover a spot …").click()
    dialog = page.get_by_role("dialog")
    for label, size in (("Width of the spot", "3/8"), ("Height of the spot", "1/8")):
        field = dialog.get_by_label(label)
        field.fill(size)
        field.press("Enter")
    picture = dialog.get_by_role("application", name="Where the spot is")
    box = picture.bounding_box()
    assert box is not None
    picture.click(position={"x": box["width"] / 4, "y": box["height"] / 4})
    across, down = (dialog.get_by_label(f"From the {edge} to its middle") for edge in ("left", "top"))
    expect(across).to_have_value("3")
    expect(down).to_have_value("3")
    expect(dialog.get_by_label("Width of the spot")).to_have_value("3/8")
    offer = dialog.get_by_role("list", name="What covers it").get_by_role("listitem")
    expect(offer).to_have_text([re.compile("^Boat")])
    offer.get_by_role("button", name="Take it").click()
    expect(dialog).to_have_count(0)
    quiet(page)
    places = [page.get_by_label(f"Distance {way}", exact=True).input_value() for way in ("across", "down")]
    assert places == ["2 1/4", "2 5/8"]


def test_clusters_are_proposed_another_one_at_a_key_and_one_taken_apart(page: Page, tmp_path: Path) -> None:
    """Five nuts, two hearts, one boat over three clusters: the rule behind each choice is said."""
    unpack_csv(page, tmp_path, THINGS)
    page_there(page)
    page.get_by_role("button", name="Things").click()
    page.get_by_role("menuitem", name="Propose clusters …").click()
    bar = page.get_by_role("group", name="Clusters proposed")
    expect(bar).to_contain_text("Nuts: 2, 2, 1, so that each cluster has it.")
    expect(bar).to_contain_text("Hearts: 2 for the 2 largest.")
    expect(bar).to_contain_text("There is one Boat: it goes into the largest.")
    clusters = page.locator("[data-part^=cluster]")
    expect(clusters).to_have_count(3)
    first = clusters.first.get_attribute("data-part")
    bar.focus()
    bar.press(".")
    expect(page.locator(f"[data-part={first}]")).to_have_count(0)
    expect(clusters).to_have_count(3)
    quiet(page)
    bar.get_by_role("button", name="Keep it").click()
    expect(bar).to_have_count(0)
    saved(page)
    rows = page.get_by_role("list", name="Recipe").get_by_role("listitem")
    rows.filter(has_text="Cluster:").first.click()
    quiet(page)
    page.get_by_role("button", name="Things").click()
    page.get_by_role("menuitem", name="Take the cluster apart").click()
    expect(clusters).to_have_count(2)
    expect(page.locator("[data-part^=thing]").first).to_be_visible()


def test_a_shelf_without_things_says_what_would_do(page: Page, tmp_path: Path) -> None:
    unpack_csv(page, tmp_path, KIT)
    page_there(page)
    page.get_by_role("button", name="Things").click()
    page.get_by_role("menuitem", name="Propose clusters …").click()
    expect(page.get_by_text("there is nothing on the shelf for a cluster")).to_be_visible()
    page.get_by_role("button", name="Go back").click()


def test_a_stamp_is_tried_in_another_ink_and_a_scatter_marked_through(page: Page, tmp_path: Path) -> None:
    """The sheet to mark through has one page for the line to check and tiles for 6 × 6 in: it goes on one."""
    unpack_csv(page, tmp_path, THINGS)
    page_there(page)
    add_part(page, "stamp", "Stamped pattern")
    choose_thing(page, "Stamp", "Wheel")
    expect(page.locator("[data-part^=stamped] [data-piece]")).to_have_count(12)
    page.get_by_role("button", name="Try it first").click()
    page.get_by_role("button", name="in Rust ink").click()
    expect(page.get_by_label("Ink 1")).to_have_value("#a65a3a")
    add_part(page, "scatter", "Scatter")
    choose_thing(page, "Thing 1", "Nuts")
    many = page.get_by_label("How many are scattered")
    many.fill("5")
    many.press("Enter")
    expect(page.locator("[data-part^=scatter] [data-piece]")).to_have_count(5)
    saved(page)
    with page.expect_download() as waiting:
        page.get_by_role("link", name="A sheet to mark through").click()
    file = tmp_path / "marks.pdf"
    waiting.value.save_as(file)
    with pypdfium2.PdfDocument(file) as pdf:
        assert len(pdf) == 1 and pdf[0].get_size() == (612, 792)


def sticker_sheet(folder: Path) -> Path:
    """A sheet of 6 × 8 on a dark table, with five stickers, two of which touch."""
    image = Image.new("RGB", (900, 1100), "#4a4038")
    pen = ImageDraw.Draw(image)
    pen.rectangle((150, 150, 749, 949), fill="#fbf7ec")
    pen.ellipse((200, 200, 300, 300), fill="#a5312b")
    pen.rectangle((400, 220, 600, 270), fill="#2d5a78")
    pen.polygon([(250, 500), (350, 650), (200, 700)], fill="#4f8a4f")
    pen.ellipse((450, 500, 550, 600), fill="#c99a2e")
    pen.ellipse((545, 500, 645, 600), fill="#c99a2e")
    file = folder / "stickers.png"
    image.save(file)
    return file


def test_a_sheet_of_stickers_is_photographed_put_right_and_taken_in(page: Page, tmp_path: Path) -> None:
    """Four are found, since two touch; that one is two. Taken in they have their sizes: 100 pixels are 1 in."""
    unpack_csv(page, tmp_path, KIT)
    page.get_by_text(re.compile("things?$")).click()
    page.get_by_label("Photograph of a sheet of things").set_input_files(sticker_sheet(tmp_path))
    dialog = page.get_by_role("dialog")
    expect(dialog.get_by_label("Width of the sheet")).to_have_value("6")
    dialog.get_by_role("button", name="Find its things").click()
    found = dialog.get_by_role("checkbox")
    expect(found).to_have_count(4)
    found.last.press(" ")
    dialog.get_by_role("button", name="Each is two").click()
    expect(found).to_have_count(5)
    dialog.get_by_role("button", name="Take 5 things in").click()
    expect(dialog).to_have_count(0)
    expect(page.get_by_role("group", name=re.compile("^Sticker"))).to_have_count(5)
    saved(page)
    sizes = []
    for k in range(1, 6):
        wide, high = (
            page.get_by_label(f"{side} of Sticker {k}", exact=True).input_value() for side in ("Width", "Height")
        )
        sizes.append(f"{wide} × {high}")
    assert sizes.count("1 × 1") >= 1 and "2 × 1/2" in sizes, sizes


def test_a_photograph_with_nothing_on_it_says_so(page: Page, tmp_path: Path) -> None:
    unpack_csv(page, tmp_path, KIT)
    page.get_by_text(re.compile("things?$")).click()
    file = tmp_path / "empty.png"
    Image.new("RGB", (400, 500), "#fbf7ec").save(file)
    page.get_by_label("Photograph of a sheet of things").set_input_files(file)
    page.get_by_role("dialog").get_by_role("button", name="Find its things").click()
    expect(page.get_by_text("Nothing stands out from the ground.")).to_be_visible()
    text = tmp_path / "letter.png"
    text.write_text("dear Wren")
    page.get_by_role("button", name="Not now").click()
    page.get_by_label("Photograph of a sheet of things").set_input_files(text)
    expect(page.get_by_text("letter.png").first).to_be_visible()
