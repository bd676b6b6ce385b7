"""First drafts: from seven photos to a cut list; a sketch kept from a page and filled; a month planned together."""

from __future__ import annotations

import io
import re
from pathlib import Path

import pytest
from PIL import Image, ImageDraw
from playwright.sync_api import Page, expect

from tests.browser.deeds import add_photo_parts, kit_there, page_there, quiet, saved

KIT = """name,kind,width,height,count,stock,a pattern,a colours,a busy,figure,drawn
Cream,sheet,12,12,4,card stock,plain,#f6efe0,0,,
Ink,sheet,12,12,4,card stock,plain,#2b3138,0,,
White,sheet,12,12,4,card stock,plain,#ffffff,0,,
Reeds,sheet,12,12,2,patterned,leaf,#eef1e4 #6f8a5c,2,,
Brick,sheet,12,12,2,patterned,bricks,#a65a3a #d8c7b4,3,,
Slate,sheet,12,12,3,card stock,plain,#5f7a86,0,,
Bolts,brad,3/8,3/8,9,,,#c99a2e,,,plain
Hearts,puffy sticker,1/2,1/2,3,,,#a5312b,,heart,plain
"""


def picture(k: int) -> dict[str, object]:
    """A photo of its own, taken on one of two days."""
    size = [(1800, 1200), (1200, 1800), (1500, 1500)][k % 3]
    image = Image.new("RGB", size, "#9cc3d8")
    pen = ImageDraw.Draw(image)
    pen.polygon([(0, size[1]), (size[0] // 2, size[1] // 3), (size[0], size[1])], fill="#4f6b3c")
    pen.ellipse((100 + 90 * k, 100, 220 + 90 * k, 220), fill="#f3d98b")
    exif = Image.Exif()
    exif[0x0132] = f"2026:03:{14 + k // 4:02} 10:0{k}:00"
    exif.get_ifd(0x8769)[0x9003] = f"2026:03:{14 + k // 4:02} 10:0{k}:00"
    out = io.BytesIO()
    image.save(out, "JPEG", exif=exif)
    return {"name": f"photo {k}.jpg", "mimeType": "image/jpeg", "buffer": out.getvalue()}


@pytest.fixture
def ready(page: Page) -> Page:
    """A kit and seven photos."""
    kit_there(page, KIT)
    for k in range(7):
        assert page.request.post("/api/photos", multipart={"file": picture(k)}).ok  # type: ignore[dict-item]
    return page


def test_seven_photos_become_a_page_with_a_cut_list(ready: Page) -> None:
    """Drafts side by side, different in kind; one is taken, is an ordinary page, and every piece of it has a sheet."""
    page = ready
    page.goto("/page")
    page.get_by_role("link", name="Draft a page").click()
    for k in range(7):
        page.get_by_role("button", name=f"photo {k}").first.click()
    page.get_by_label("Title of the page").fill("SLOW WATER")
    page.get_by_label("Words of the page").fill("We went slowly, and the heron let us.")
    page.get_by_role("button", name="Draft from 7 photos").click()
    drafts = page.get_by_role("list", name="Drafts side by side")
    expect(drafts.get_by_role("button", name="Take it").first).to_be_visible(timeout=60_000)
    expect(page.get_by_role("region", name="Drafts")).to_have_attribute("aria-busy", "false", timeout=120_000)
    named = [one.get_attribute("aria-label") or "" for one in drafts.locator("[aria-label^='Draft:']").all()]
    kinds = [one.split(",")[0] for one in named]
    assert len(set(kinds[:3])) == 3, kinds
    expect(drafts.get_by_text(re.compile("^opens ")).first).to_be_visible()
    drafts.get_by_role("button", name="Take it").first.click()
    expect(page.get_by_label("Name of the page")).to_have_value("SLOW WATER")
    expect(page.locator("[data-part^=photo]")).to_have_count(7)
    page.get_by_role("link", name="Cut list").click()
    expect(page.get_by_role("region", name="Cuts")).to_be_visible()
    expect(page.get_by_text("is not on the list")).to_have_count(0)


def test_drafts_without_a_kit_say_what_would_do(page: Page) -> None:
    assert page.request.post("/api/photos", multipart={"file": picture(0)}).ok  # type: ignore[dict-item]
    page.goto("/page/drafts")
    page.get_by_role("button", name="photo 0").first.click()
    page.get_by_role("button", name="Draft from 1 photo").click()
    expect(page.get_by_role("alert")).to_contain_text("there is no paper to make a page from; unpack a kit first")


def test_an_arrangement_is_kept_turned_and_filled(ready: Page, tmp_path: Path) -> None:
    """A page with one photo as a sketch of one's own, mirrored beside it, as JSON and back; filled with a photo."""
    page = ready
    page_there(page)
    add_photo_parts(page, ["photo 1"], "On its own mat")
    saved(page)
    page.get_by_role("button", name="Edit").click()
    page.get_by_role("menuitem", name="Keep the arrangement as a sketch").click()
    expect(page.get_by_text("The arrangement is among your sketches")).to_be_visible()
    page.goto("/page/sketches")
    own = page.get_by_role("list", name="Your own sketches")
    expect(own.get_by_role("listitem")).to_have_count(1)
    own.get_by_role("button", name="Mirrored").click()
    expect(own.get_by_role("listitem")).to_have_count(2)
    with page.expect_download() as waiting:
        own.get_by_role("link", name="JSON").first.click()
    file = tmp_path / "sketch.json"
    waiting.value.save_as(file)
    page.get_by_label("A sketch as JSON").set_input_files(file)
    expect(own.get_by_role("listitem")).to_have_count(3)
    file.write_text('{"name": "none", "places": []}')
    page.get_by_label("A sketch as JSON").set_input_files(file)
    expect(page.get_by_text("a sketch without a place is none")).to_be_visible()
    own.get_by_role("button", name="Fill it").first.click()
    page.get_by_role("button", name="photo 1").first.click()
    page.get_by_role("button", name="Draft from 1 photo").click()
    expect(page.get_by_role("button", name="Take it").first).to_be_visible(timeout=60_000)


def test_an_arrangement_on_the_table_is_traced(ready: Page, tmp_path: Path) -> None:
    """Two places drawn over a picture: the left half for a photo, a line below for the title."""
    page = ready
    page.goto("/page/sketches")
    file = tmp_path / "table.png"
    Image.new("RGB", (600, 600), "#d8c7b4").save(file)
    page.get_by_label("A photograph of an arrangement").set_input_files(file)
    board = page.get_by_role("application", name="Where places are drawn")
    box = board.bounding_box()
    assert box is not None

    def draw(x1: float, y1: float, x2: float, y2: float) -> None:
        page.mouse.move(box["x"] + x1 * box["width"], box["y"] + y1 * box["height"])
        page.mouse.down()
        page.mouse.move(box["x"] + x2 * box["width"], box["y"] + y2 * box["height"], steps=4)
        page.mouse.up()

    draw(0.1, 0.1, 0.5, 0.7)
    places = page.get_by_role("list", name="Places drawn")
    expect(places.get_by_role("listitem")).to_have_count(1)
    expect(places).to_contain_text("a photo, upright")
    page.get_by_label("Role of the next place").select_option(label="the title")
    draw(0.1, 0.75, 0.9, 0.9)
    expect(places.get_by_role("listitem")).to_have_count(2)
    page.get_by_role("button", name="Keep the sketch").click()
    expect(page.get_by_role("list", name="Your own sketches").get_by_role("listitem")).to_have_count(1)


def test_the_stories_that_wait_are_planned_together(ready: Page) -> None:
    """Two days of photos: two pages, and what stays of each paper before the first cut; all of them taken."""
    page = ready
    page.goto("/page/month")
    stories = page.get_by_role("list", name="Stories that wait")
    expect(stories.get_by_role("listitem")).to_have_count(2)
    for box in stories.get_by_role("checkbox").all():
        box.check()
    page.get_by_role("button", name="Plan 2 pages together").click()
    month = page.get_by_role("list", name="Pages of the month")
    expect(month.get_by_role("button", name="Take it")).to_have_count(2, timeout=90_000)
    expect(page.get_by_role("list", name="What stays of each paper")).to_contain_text(re.compile("Ink: [0-4] of 4"))
    page.get_by_role("button", name="Take all of them").click()
    expect(page).to_have_url(re.compile("/page/together"))
    quiet(page)
    kept = page.request.get("/api/pages").json()
    assert len(kept) == 2
