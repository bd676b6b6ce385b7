"""The roll: many pictures coming in whatever happens, how they look, what must stay in."""

from __future__ import annotations

import re
import shutil
from itertools import count
from pathlib import Path

import pytest
from playwright.sync_api import Page, Route, expect

from tests.browser.conftest import Server
from tests.browser.deeds import add_photos, comes_true, crop_is_at, jpeg, put, saved

COMING = "Photos coming in"


@pytest.fixture
def heron(page: Page, tmp_path: Path) -> Page:
    """One upright photo of 1200 × 1800 pixels."""
    add_photos(page, jpeg(tmp_path, "heron.jpg", 1200, 1800))
    return page


def many(folder: Path, number: int) -> list[Path]:
    """Pictures that differ in their width."""
    return [jpeg(folder, f"{k:03}.jpg", 300 + k, 200) for k in range(number)]


def test_photos_go_on_coming_in_on_another_bench(page: Page, tmp_path: Path) -> None:
    """How far they are stands at the top; back on the roll they are all there."""
    page.goto("/photos")
    page.get_by_label("Photos", exact=True).set_input_files(many(tmp_path, 40))
    page.get_by_role("link", name="Page", exact=True).click()
    expect(page.get_by_role("heading", name="The first page")).to_be_visible()
    page.get_by_role("link", name="Photos", exact=True).click()
    expect(page.get_by_role("list", name="The roll").get_by_role("listitem")).to_have_count(40)
    expect(page.get_by_label("Which photos")).to_contain_text("all 40")


def test_stopped_what_came_is_in_and_the_rest_is_named(page: Page, tmp_path: Path) -> None:
    """Nothing is lost on either side."""
    page.goto("/photos")
    page.get_by_label("Photos", exact=True).set_input_files(many(tmp_path, 120))
    expect(page.get_by_role("link", name="000")).to_be_visible()
    page.get_by_role("button", name="Stop").click()
    told = page.get_by_role("status").filter(has_text="are not in. It was stopped.")
    expect(told).to_contain_text("119.jpg")
    found = re.search(r"(\d+) files are not in", told.inner_text())
    assert found is not None
    expect(page.get_by_role("list", name="The roll").get_by_role("listitem")).to_have_count(120 - int(found[1]))
    page.get_by_role("button", name="All right").click()
    expect(told).to_have_count(0)


def test_a_server_that_stops_in_the_middle_is_waited_for(page: Page, server: Server, tmp_path: Path) -> None:
    """What came in is in; the rest follows when it answers again. A reload meanwhile names what is missing."""
    sent = count(1)

    def stops_at_the_sixth(route: Route) -> None:
        if route.request.method == "POST" and next(sent) == 6:
            server.stop()
        route.continue_()

    page.route("**/api/photos", stops_at_the_sixth)
    page.goto("/photos")
    page.get_by_label("Photos", exact=True).set_input_files(many(tmp_path, 60))
    expect(page.get_by_text("Waiting for Ulna to answer")).to_be_visible()
    server.start()
    expect(page.get_by_role("list", name="The roll").get_by_role("listitem")).to_have_count(60)


def test_a_reload_names_the_files_that_are_missing(page: Page, tmp_path: Path) -> None:
    """The browser cannot take files along; they are chosen again."""
    page.route("**/api/photos", lambda route: route.continue_() if route.request.method == "GET" else None)
    page.goto("/photos")
    page.get_by_label("Photos", exact=True).set_input_files(many(tmp_path, 3))
    expect(page.get_by_text("0 of 3")).to_be_visible()
    page.reload()
    told = page.get_by_role("status").filter(has_text="3 files are not in. The page was left meanwhile.")
    expect(told).to_contain_text("002.jpg")
    page.get_by_role("button", name="All right").click()
    expect(told).to_have_count(0)


def test_the_same_picture_twice_is_told(heron: Page, tmp_path: Path) -> None:
    """It is here once."""
    copy = shutil.copy(tmp_path / "heron.jpg", tmp_path / "copy.jpg")
    heron.get_by_label("Photos", exact=True).set_input_files([copy])
    expect(heron.get_by_text("copy.jpg is here already, as “heron”.")).to_be_visible()
    expect(heron.get_by_role("list", name="The roll").get_by_role("listitem")).to_have_count(1)


def test_a_look_is_a_note_that_is_undone(heron: Page) -> None:
    """Turned, it lies; black and white, its picture has another address; the file is as it was."""
    shown = heron.get_by_label("Crop of heron").get_by_role("img")
    heron.get_by_role("button", name="Turn it right").click()
    expect(shown).to_have_attribute("src", re.compile("look=t1"))
    comes_true(heron, "document.querySelector('[data-crop]').parentElement.clientWidth > 300")
    heron.get_by_role("button", name="Black and white").click()
    expect(shown).to_have_attribute("src", re.compile("look=t1s0bl0"))
    saved(heron)
    heron.get_by_label("Straighten").press("ArrowRight")
    expect(shown).to_have_attribute("src", re.compile(r"look=t1s0\.25bl0"))
    saved(heron)
    for what in ("straightened a photo", "made it black and white", "turned a photo"):
        heron.get_by_role("button", name=f"Undo: {what}").click()
        saved(heron)
    expect(shown).not_to_have_attribute("src", re.compile("look"))


def test_a_face_stays_in_and_is_told_where_it_does_not(heron: Page) -> None:
    """Marked with one press near the top, a lying print shows it; two far apart do not fit."""
    heron.get_by_role("button", name="Mark faces").click()
    frame = heron.get_by_label("Crop of heron")
    box = frame.bounding_box()
    assert box is not None
    heron.mouse.click(box["x"] + box["width"] / 2, box["y"] + box["height"] * 0.12)
    expect(heron.locator("[data-face]")).to_have_count(1)
    saved(heron)
    heron.get_by_role("button", name="Press on each face").click()
    heron.get_by_role("button", name="Turn upright or sideways").click()
    crop_is_at(heron, 0.12 - 0.16 * 1200 / 2 / 1800)
    heron.get_by_role("button", name="Mark faces").click()
    box = frame.bounding_box()
    assert box is not None
    heron.mouse.click(box["x"] + box["width"] / 2, box["y"] + box["height"] * 0.9)
    expect(heron.locator("[data-sharpness]")).to_contain_text("cut")
    heron.get_by_label("Face 2").press("Delete")
    expect(heron.locator("[data-face]")).to_have_count(1)
    expect(heron.locator("[data-sharpness]")).not_to_contain_text("face")


def test_closer_by_keys_and_by_the_wheel(heron: Page) -> None:
    """Plus comes closer by a twentieth, the wheel too; the middle stays where it is."""
    frame = heron.get_by_label("Crop of heron")
    frame.focus()
    heron.keyboard.press("+")
    saved(heron)
    crop_is_at(heron, (1 - 1 / 1.05) / 2)
    frame.hover()
    heron.mouse.wheel(0, -100)
    saved(heron)
    crop_is_at(heron, (1 - 1 / 1.05**2) / 2)
    heron.get_by_role("button", name="As much as fits").click()
    crop_is_at(heron, 0)


def test_two_fingers_come_closer(heron: Page) -> None:
    """Apart by half as much again, the frame is two thirds as wide; it keeps its middle."""
    frame = heron.get_by_label("Crop of heron")
    box = frame.bounding_box()
    assert box is not None
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    hands = heron.context.new_cdp_session(heron)

    def touch(kind: str, apart: float) -> None:
        points = (
            [] if kind == "touchEnd" else [{"x": x - apart, "y": y, "id": 0}, {"x": x + apart, "y": y, "id": 1}]
        )
        hands.send("Input.dispatchTouchEvent", {"type": kind, "touchPoints": points})

    touch("touchStart", 60)
    for apart in (70, 80, 90):
        touch("touchMove", apart)
    touch("touchEnd", 0)
    crop_is_at(heron, (1 - 2 / 3) / 2)
    saved(heron)
    expect(heron.get_by_role("button", name="Undo: moved the crop")).to_be_enabled()


ALL_AT_ONCE = """([where, far]) => {
    const it = document.querySelector(where), box = it.getBoundingClientRect();
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    it.setPointerCapture = () => {};
    const say = (kind, by) => it.dispatchEvent(new PointerEvent(kind, {
        clientX: x, clientY: y + by, pointerId: 7, bubbles: true, cancelable: true }));
    say("pointerdown", 0); say("pointermove", far / 2); say("pointermove", far); say("pointerup", far);
}"""
"""A hand so quick that it lifts before anything of its way has been drawn."""


def test_a_quick_hand_is_followed_to_its_end(heron: Page) -> None:
    """A face and the crop go as far as the hand went, however little of it was drawn meanwhile."""
    heron.get_by_label("Print: usual size").select_option(label="4 × 4")
    crop_is_at(heron, 1 / 6)
    frame = heron.get_by_label("Crop of heron")
    box = frame.bounding_box()
    assert box is not None
    heron.evaluate(ALL_AT_ONCE, ["[aria-label^='Crop of heron']", box["height"] / 10])
    crop_is_at(heron, 1 / 6 + 0.1)
    saved(heron)
    heron.get_by_role("button", name="Mark faces").click()
    heron.mouse.click(box["x"] + box["width"] / 2, box["y"] + box["height"] / 2)
    saved(heron)
    heron.evaluate(ALL_AT_ONCE, ["[data-face]", -box["height"] / 4])
    saved(heron)
    face = heron.locator("[data-face]").bounding_box()
    assert face is not None
    assert abs(face["y"] + face["height"] / 2 - (box["y"] + box["height"] / 4)) < 3


def test_a_face_is_moved_and_made_larger(heron: Page) -> None:
    """By hand and by the wheel, while faces are marked; otherwise the crop is moved through it."""
    heron.get_by_role("button", name="Mark faces").click()
    frame = heron.get_by_label("Crop of heron")
    box = frame.bounding_box()
    assert box is not None
    x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
    heron.mouse.click(x, y)
    face = heron.locator("[data-face]")
    expect(face).to_have_count(1)
    saved(heron)
    heron.mouse.move(x, y)
    heron.mouse.down()
    heron.mouse.move(x, y - 80, steps=4)
    heron.mouse.up()
    saved(heron)
    moved = face.bounding_box()
    assert moved is not None and abs(moved["y"] + moved["height"] / 2 - (y - 80)) < 3
    heron.mouse.wheel(0, -100)
    saved(heron)
    larger = face.bounding_box()
    assert larger is not None and larger["width"] > moved["width"] * 1.05
    heron.get_by_role("button", name="Undo: changed a face").click()
    heron.get_by_role("button", name="Undo: moved a face").click()
    saved(heron)
    back = face.bounding_box()
    assert back is not None and abs(back["y"] + back["height"] / 2 - y) < 3


def test_what_size_it_should_be_for_an_opening(heron: Page) -> None:
    """A circle of 4 1/2 in: 5 × 5 is offered, taken with one press, and undone."""
    heron.get_by_role("button", name="What size should it be?").click()
    put(heron, "Width of the place", "4 1/2")
    put(heron, "Height of the place", "4 1/2")
    offers = heron.get_by_role("list", name="Sizes that serve").get_by_role("listitem")
    expect(offers.first).to_contain_text("trim it to 4¾ × 4¾".replace("¾", "\u202f3/4"))
    offers.first.get_by_role("button").click()
    expect(heron.get_by_label("Print: width")).to_have_value("5")
    expect(heron.get_by_label("Print: height")).to_have_value("5")
    heron.get_by_role("button", name="Undo: took a print’s size").click()
    expect(heron.get_by_label("Print: height")).to_have_value("6")


def test_a_shape_is_regular_at_once(heron: Page) -> None:
    """A circle of a 4 × 6 is 4 × 4, its outline is drawn over the picture."""
    heron.get_by_label("Print: shape").select_option(label="a circle")
    expect(heron.get_by_label("Print: height")).to_have_value("4")
    expect(heron.locator("[data-crop] mask path")).to_have_count(1)


def test_order_and_choice_of_photos(page: Page, tmp_path: Path) -> None:
    """By name, and only those on no page."""
    add_photos(page, jpeg(tmp_path, "b10.jpg", 200, 300), jpeg(tmp_path, "b9.jpg", 300, 200))
    page.get_by_label("Order of photos").select_option(label="by name")
    items = page.get_by_role("list", name="The roll").get_by_role("listitem")
    expect(items.first).to_contain_text("b9")
    page.get_by_role("link", name="b10").click()
    expect(page.get_by_label("Name of the photo")).to_have_value("b10")
    page.get_by_label("What it is").select_option(label="a card or label")
    saved(page)
    page.get_by_label("Which photos").select_option(label="cards")
    expect(items).to_have_count(1)
    expect(items.first).to_contain_text("b10")
