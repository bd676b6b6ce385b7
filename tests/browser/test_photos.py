"""The photos bench: files dropped together, cropped and sized."""

from __future__ import annotations

import re
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from tests.browser.deeds import add_photo_parts, add_photos, begin_page, crop_is_at, jpeg, put, row, saved
from tests.pictures import huge_png

DROP = """async (files) => {
  const data = new DataTransfer();
  for (const [name, bytes] of files) data.items.add(new File([new Uint8Array(bytes)], name));
  document.querySelector('main > *').dispatchEvent(new DragEvent('drop', {dataTransfer: data, bubbles: true}));
}"""


@pytest.fixture
def heron(page: Page, tmp_path: Path) -> Page:
    """One upright photo of 1200 × 1800 pixels."""
    add_photos(page, jpeg(tmp_path, "heron.jpg", 1200, 1800))
    return page


def test_good_and_bad_files_dropped_together(page: Page, tmp_path: Path) -> None:
    """The pictures come in, each of the others is named with its reason."""
    good = jpeg(tmp_path, "heron.jpg", 1200, 1800).read_bytes()
    files = [
        ("heron.jpg", good),
        ("empty.jpg", b""),
        ("short.jpg", good[: len(good) // 2]),
        ("huge.png", huge_png()),
        ("drawing.jpg", b"<svg xmlns='http://www.w3.org/2000/svg'/>"),
        ("lock.jpg", jpeg(tmp_path, "lock.jpg", 900, 600).read_bytes()),
    ]
    page.goto("/photos")
    expect(page.get_by_role("heading", name="The photos of a story")).to_be_visible()
    page.evaluate(DROP, [[name, list(data)] for name, data in files])
    told = page.get_by_role("status").filter(has_text="4 files stayed out")
    expect(told).to_contain_text("empty.jpg: the file is empty (0 bytes)")
    expect(told).to_contain_text("short.jpg: this picture is broken or cut short")
    expect(told).to_contain_text("huge.png: more than 70 million pixels, read '30000 × 30000'")
    expect(told).to_contain_text("drawing.jpg: this is an SVG drawing")
    expect(page.get_by_role("listitem")).to_have_count(2)


def test_resolution_follows_the_print_size_with_a_word(heron: Page) -> None:
    """300 an inch at 4 × 6 is good; at 8 × 12 it is half that."""
    sharp = heron.locator("[data-sharpness]")
    expect(sharp).to_have_text("300 pixels per inch, good: sharp at reading distance")
    put(heron, "Print: width", "8")
    put(heron, "Print: height", "12")
    expect(sharp).to_contain_text("150 pixels per inch, soft")
    heron.get_by_label("Print: usual size").select_option(label="4 × 6")
    heron.get_by_role("button", name="Turn upright or sideways").click()
    expect(heron.get_by_label("Print: width")).to_have_value("6")
    expect(sharp).to_contain_text("56 % of the picture is cut away")
    put(heron, "Print: rim", "1/8")
    saved(heron)


def test_the_crop_is_moved_by_keys_and_by_hand(heron: Page) -> None:
    """A square of an upright picture begins at a sixth; each key moves it by a hundredth, however quick; undone."""
    heron.get_by_label("Print: usual size").select_option(label="4 × 4")
    crop_is_at(heron, 1 / 6)
    heron.get_by_label("Crop of heron").focus()
    for _ in range(8):
        heron.keyboard.press("ArrowDown")
    heron.keyboard.press("ArrowUp")
    crop_is_at(heron, 1 / 6 + 0.07)
    saved(heron)
    box = heron.get_by_label("Crop of heron").bounding_box()
    assert box is not None
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    heron.mouse.move(x, y)
    heron.mouse.down()
    heron.mouse.move(x, y - 40, steps=4)
    heron.mouse.move(x, y - 400, steps=4)
    heron.mouse.up()
    crop_is_at(heron, 0)
    saved(heron)
    heron.reload()
    crop_is_at(heron, 0)
    heron.get_by_role("button", name="Undo: moved the crop").click()
    crop_is_at(heron, 1 / 6)


def test_the_focal_point_keeps_its_place_in_the_crop(heron: Page) -> None:
    """Set near the top, a lying print shows the top."""
    heron.get_by_role("button", name="Set the focal point").click()
    box = heron.get_by_label("Crop of heron").bounding_box()
    assert box is not None
    heron.mouse.click(box["x"] + box["width"] / 2, box["y"] + 6)
    expect(heron.get_by_title("Focal point: stays in")).to_be_visible()
    heron.get_by_role("button", name="Turn upright or sideways").click()
    crop_is_at(heron, 6 / box["height"] - 0.001)
    saved(heron)


def test_the_focal_point_is_set_by_keys(heron: Page) -> None:
    """From the middle by three of five hundredths to the right; a face is marked in the same way."""
    heron.get_by_role("button", name="Set the focal point").focus()
    heron.keyboard.press("Enter")
    heron.get_by_label("Crop of heron: arrow keys move the cross").focus()
    for _ in range(3):
        heron.keyboard.press("Shift+ArrowRight")
    heron.keyboard.press("Enter")
    expect(heron.get_by_title("Focal point: stays in")).to_be_visible()
    heron.get_by_role("button", name="Mark faces").click()
    heron.get_by_label("Crop of heron: arrow keys move the cross").focus()
    heron.keyboard.press("Enter")
    expect(heron.get_by_role("button", name=re.compile("^Face 1"))).to_be_visible()
    saved(heron)
    (kept,) = heron.request.get("/api/photos").json()
    framing = kept["photo"]["framing"]
    assert (framing["focal_x"], framing["faces"][0]["x"]) == (pytest.approx(0.65), pytest.approx(0.65))


def test_a_photo_that_is_put_away_is_told_on_its_page_and_comes_back(heron: Page) -> None:
    """The place on the page stays, at its size."""
    begin_page(heron, "single")
    add_photo_parts(heron, ["heron"], "On its own mat")
    saved(heron)
    heron.get_by_role("link", name="Photos", exact=True).click()
    heron.get_by_role("button", name="Put away", exact=True).click()
    heron.get_by_role("link", name="Page", exact=True).click()
    part = row(heron, "Photo")
    expect(part).to_contain_text("no longer among the photos")
    expect(part).to_contain_text("4 × 6")
    heron.get_by_role("button", name="Bring back").click()
    expect(row(heron, "Photo heron, 4 × 6 upright")).to_be_visible()
