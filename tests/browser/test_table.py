"""At the table: keys, fingers, the shelf beside the page, two lights."""

from __future__ import annotations

import re
from collections.abc import Callable
from pathlib import Path

import pytest
from playwright.sync_api import Browser, Page, expect

from tests.browser.conftest import Server
from tests.browser.deeds import (
    add_part,
    add_photo_parts,
    add_photos,
    begin_page,
    comes_true,
    jpeg,
    kit_there,
    loaded,
    page_there,
    put,
    row,
    saved,
)

LINES = "[aria-label='Recipe, from underneath upward'] > li"


@pytest.fixture
def two_panels(page: Page) -> Page:
    """A page with its base and two panels of 2 × 2, at its bench."""
    kit_there(page)
    place = {"on": "left", "across": {"edge": "left", "by": "1 in"}, "down": {"edge": "top", "by": "1 in"}}
    one = {"kind": "panel", "id": "one", "name": "one", "width": "2 in", "height": "2 in"}
    other = one | {"id": "other", "name": "other"}
    away = place | {"across": {"edge": "left", "by": "6 in"}}
    base = {"kind": "base", "id": "base", "on": "left"}
    parts = [base, one | {"place": place}, other | {"place": away}]
    format = {"kind": "12x12", "width": "12 in", "height": "12 in"}
    answer = page.request.post("/api/pages", data={"page": {"name": "Locks", "format": format, "parts": parts}})
    page.goto(f"/page/{answer.json()['saved']['id']}")
    expect(page.locator("[data-part=other]")).to_be_visible()
    return page


def lines(page: Page, count: int) -> None:
    expect(page.locator(LINES)).to_have_count(count)


# ---- keys --------------------------------------------------------------------------------------------


def test_all_are_chosen_copied_and_pasted_on_another_page(two_panels: Page) -> None:
    """Ctrl A, Ctrl C; on a page begun after that Ctrl V: both lie there as they lay, and not the base."""
    two_panels.keyboard.press("Control+a")
    expect(two_panels.locator("[data-part][aria-pressed=true]")).to_have_count(2)
    two_panels.keyboard.press("Control+c")
    begin_page(two_panels, "single")
    lines(two_panels, 1)
    two_panels.keyboard.press("Control+v")
    lines(two_panels, 3)
    expect(two_panels.get_by_label("Distance across", exact=True)).to_have_value("1")
    expect(row(two_panels, "6 from the left, 1 from the top")).to_have_count(1)
    saved(two_panels)


def test_what_is_chosen_goes_with_one_key_and_comes_back_with_another(two_panels: Page) -> None:
    """Delete takes both off; undo brings both back; Ctrl D makes them four, kept together with Ctrl G."""
    two_panels.locator("[data-part=one]").click()
    two_panels.locator("[data-part=other]").click(modifiers=["Shift"])
    two_panels.keyboard.press("Delete")
    lines(two_panels, 1)
    two_panels.keyboard.press("Control+z")
    lines(two_panels, 3)
    two_panels.keyboard.press("Control+a")
    two_panels.keyboard.press("Control+d")
    lines(two_panels, 5)
    two_panels.keyboard.press("Control+g")
    two_panels.get_by_role("button", name="Arrange").click()
    expect(two_panels.get_by_role("menuitem", name="Let them go apart")).to_be_visible()


def test_the_keys_are_listed_and_the_same_is_in_a_menu(two_panels: Page) -> None:
    """At "?"; and cut, which takes a part off, is found by who looks for it."""
    two_panels.locator("main").focus()
    two_panels.keyboard.press("?")
    expect(two_panels.get_by_role("dialog")).to_contain_text("copy, cut, paste, on any page")
    two_panels.keyboard.press("Escape")
    two_panels.locator("[data-part=one]").click()
    two_panels.get_by_role("button", name="Edit", exact=True).click()
    two_panels.get_by_role("menuitem", name="Cut Ctrl X").click()
    lines(two_panels, 2)
    two_panels.get_by_role("button", name="Edit", exact=True).click()
    two_panels.get_by_role("menuitem", name="Another page like this").click()
    expect(two_panels.get_by_label("Name of the page")).to_have_value("Locks 2")


def test_a_move_is_heard_with_its_figures(two_panels: Page) -> None:
    """1 in from the left, a mark of 1/16 to the right: 1 1/16, and 4 − 1/16 to the other one."""
    two_panels.locator("[data-part=one]").focus()
    two_panels.keyboard.press("ArrowRight")
    heard = two_panels.get_by_role("status").filter(has_text="at the left")
    expect(heard).to_have_text("1 1/16 at the left, 2 15/16 at the right, 1 above, 9 below")


def where(page: Page) -> str:
    return str(
        page.evaluate(
            "document.activeElement.tagName + ' ' + (document.activeElement.getAttribute('aria-label') || '')"
        )
    )


def test_focus_never_falls_to_the_body(two_panels: Page) -> None:
    """After adding, taking off, undoing, closing a list, a reload to another bench: it is somewhere."""
    two_panels.locator("[data-part=one]").focus()
    two_panels.keyboard.press("Delete")
    lines(two_panels, 2)
    comes_true(two_panels, "document.activeElement !== document.body")
    two_panels.get_by_role("button", name=re.compile("^Undo")).focus()
    two_panels.keyboard.press("Enter")
    lines(two_panels, 3)
    expect(two_panels.get_by_role("button", name="Nothing to undo")).to_be_focused()
    two_panels.get_by_role("button", name="Edit", exact=True).focus()
    two_panels.keyboard.press("Enter")
    two_panels.keyboard.press("Escape")
    expect(two_panels.get_by_role("button", name="Edit", exact=True)).to_be_focused()
    two_panels.get_by_role("link", name="All pages").focus()
    two_panels.keyboard.press("Enter")
    begin = two_panels.get_by_role("button", name="Begin a page")
    begin.focus()
    two_panels.keyboard.press("Enter")
    expect(two_panels.get_by_label("The page at scale")).to_be_visible()
    comes_true(two_panels, "document.activeElement !== document.body")


SEEN = """() => {
  const e = document.activeElement, style = getComputedStyle(e);
  const holder = e.closest('.Mui-focusVisible') || e;
  const outlined = (s) => s.outlineStyle !== 'none' && parseFloat(s.outlineWidth) > 0;
  const ring = [...e.children].some((c) => c.hasAttribute('data-ring') && getComputedStyle(c).display !== 'none');
  const stroked = e.tagName === 'rect' && getComputedStyle(e).stroke !== 'none';
  return {
           at: e.tagName + ' ' + (e.getAttribute('aria-label') || e.textContent || '').slice(0, 40),
           body: e === document.body,
           seen: outlined(style) || outlined(getComputedStyle(holder)) || ring || stroked || e.tagName === 'MAIN' };
}"""


@pytest.mark.parametrize("bench", ["/unpack", "page", "/cut"])
def test_where_one_is_is_seen_at_every_stop(two_panels: Page, bench: str) -> None:
    """Tab from the first to the last: each shows a line around it; the first is the way past the header."""
    page = two_panels
    if bench != "page":
        page.goto(bench)
        loaded(page)
    page.evaluate("document.activeElement.blur()")
    stops, unseen = list[str](), list[str]()
    for _ in range(160):
        page.keyboard.press("Tab")
        now = page.evaluate(SEEN)
        if now["body"]:
            break
        if not now["seen"]:
            unseen.append(now["at"])
        stops.append(now["at"])
    assert len(stops) > 8 and stops[0] == "BUTTON To the bench" and unseen == []


def test_past_the_header_one_is_in_the_bench(two_panels: Page) -> None:
    two_panels.evaluate("document.activeElement.blur()")
    two_panels.keyboard.press("Tab")
    two_panels.keyboard.press("Enter")
    expect(two_panels.locator("main")).to_be_focused()


def test_each_bench_has_a_title_of_its_own(two_panels: Page) -> None:
    for path, title in (
        ("/unpack", "towpath · Ulna"),
        ("/page", "Pages · Ulna"),
        ("/log", "Log · Ulna"),
        ("/log/book", "The kit’s book · Ulna"),
        ("/check/learn", "Learn to see · Ulna"),
    ):
        two_panels.goto(path)
        expect(two_panels).to_have_title(title)


# ---- closer, further ---------------------------------------------------------------------------------


def inch(page: Page) -> float:
    """How many pixels an inch of the page has."""
    return float(page.evaluate("document.querySelector('[data-page]').getBoundingClientRect().width / 12"))


def test_a_ruler_held_to_the_screen_makes_it_as_large_as_the_paper(two_panels: Page) -> None:
    """The bar has 288 pixels: if it is 2 1/2 in long, an inch has 115.2. No screen has a bar of 20 in."""
    bar = two_panels.get_by_label("Length of the bar by a ruler")
    two_panels.get_by_role("button", name="Units, marks, punches and what was put away").click()
    expect(bar).to_have_value("3")
    bar.fill("20")
    bar.press("Enter")
    expect(two_panels.get_by_text("No screen is so")).to_be_visible()
    bar.fill("2 1/2")
    bar.press("Enter")
    expect(two_panels.get_by_text("No screen is so")).to_have_count(0)
    two_panels.keyboard.press("Escape")
    two_panels.locator("main").focus()
    two_panels.keyboard.press("1")
    comes_true(
        two_panels, "Math.abs(document.querySelector('[data-page]').getBoundingClientRect().width / 12 - 115.2) < 1"
    )


def test_the_drawing_comes_closer_by_key_wheel_and_button(two_panels: Page) -> None:
    """1 : 1 is 96 pixels an inch; 0 shows the whole page again; what is under the wheel stays where it is."""
    whole = inch(two_panels)
    two_panels.locator("main").focus()
    two_panels.keyboard.press("1")
    comes_true(
        two_panels, "Math.abs(document.querySelector('[data-page]').getBoundingClientRect().width / 12 - 96) < 1"
    )
    two_panels.keyboard.press("0")
    comes_true(
        two_panels,
        f"Math.abs(document.querySelector('[data-page]').getBoundingClientRect().width / 12 - {whole}) < 1",
    )
    paper = two_panels.locator("[data-page]").bounding_box()
    assert paper is not None
    middle = paper["x"] + paper["width"] / 2, paper["y"] + paper["height"] / 2
    two_panels.mouse.move(*middle)
    two_panels.mouse.wheel(0, -600)
    comes_true(
        two_panels, f"document.querySelector('[data-page]').getBoundingClientRect().width / 12 > {whole * 1.5}"
    )
    closer = two_panels.locator("[data-page]").bounding_box()
    assert closer is not None and abs(closer["x"] + closer["width"] / 2 - middle[0]) < 30
    assert abs(closer["y"] + closer["height"] / 2 - middle[1]) < 30
    two_panels.get_by_role("button", name="The whole page").click()
    comes_true(
        two_panels,
        f"Math.abs(document.querySelector('[data-page]').getBoundingClientRect().width / 12 - {whole}) < 1",
    )


# ---- the shelf and what is pressed -------------------------------------------------------------------


def test_a_paper_is_found_by_its_colour_and_dragged_onto_a_panel(two_panels: Page) -> None:
    """Reeds, whose leaves are green; that panel takes it, and the other one does not."""
    two_panels.get_by_role("button", name="Shelf", exact=True).click()
    shelf = two_panels.get_by_role("region", name="Shelf")
    shelf.get_by_label("Look for a paper or photo").fill("green")
    expect(shelf.get_by_role("listitem")).to_have_count(1)
    shelf.get_by_role("button", name="Reeds, side A").drag_to(two_panels.locator("[data-part=other]"))
    expect(row(two_panels, "Reeds")).to_have_count(1)
    saved(two_panels)
    (kept,) = two_panels.request.get("/api/pages").json()
    choices = {part["id"]: part.get("choice", {}).get("paper") for part in kept["page"]["parts"]}
    assert choices["other"] is not None and choices["one"] is None


def test_a_paper_is_put_on_by_key(two_panels: Page) -> None:
    """What is chosen on the page takes what Enter is pressed on."""
    two_panels.get_by_role("button", name="Shelf", exact=True).click()
    two_panels.locator("[data-part=one]").click()
    two_panels.get_by_role("button", name="Ink, side A").focus()
    two_panels.keyboard.press("Enter")
    expect(two_panels.get_by_label("Panel paper")).to_have_value("Ink · A")


def test_photos_are_poured_into_a_grid_and_a_cell_is_pressed(page: Page, tmp_path: Path) -> None:
    """Two photos taken together go into the first two cells; a third cell is kept for the title by a press on it."""
    add_photos(page, jpeg(tmp_path, "heron.jpg", 1200, 1800), jpeg(tmp_path, "lock.jpg", 1500, 1500))
    page_there(page)
    add_part(page, "grid", "Grid")
    page.get_by_role("button", name="Shelf", exact=True).click()
    for name in ("heron", "lock"):
        page.get_by_label(f"Take {name} with others").check()
    page.get_by_role("button", name=re.compile("^Put 2 on")).click()
    expect(page.locator("[data-part^=grid] image")).to_have_count(2)
    cell = page.locator("[data-cell=cell-2-2]").bounding_box()
    assert cell is not None
    page.mouse.click(cell["x"] + cell["width"] / 2, cell["y"] + cell["height"] / 2)
    page.get_by_role("menuitem", name="kept for the title").click()
    expect(page.locator("[data-part^=grid] [data-piece$='cell-2-2']")).to_have_count(0)
    page.locator("[data-cell=cell-1-1]").focus()
    page.keyboard.press("ArrowDown")
    page.keyboard.press("ArrowDown")
    page.keyboard.press("Enter")
    page.get_by_role("menuitem", name="nothing").click()
    expect(page.locator("[data-part^=grid] [data-piece$='cell-3-1']")).to_have_count(0)


def test_a_tile_is_pressed_and_says_what_it_cannot_be(page: Page) -> None:
    """Without a sheet of printed cards it can be no card; one that is kept for words has no tile any more."""
    kit_there(page)
    page_there(page)
    add_part(page, "honeycomb", "Honeycomb")
    tiles = page.locator("[data-part^=tiles] [data-piece]")
    expect(tiles.first).to_be_visible()
    there = tiles.count()
    cell = page.locator("[data-cell]").nth(there // 2).bounding_box()
    assert cell is not None
    page.mouse.click(cell["x"] + cell["width"] / 2, cell["y"] + cell["height"] / 2)
    card = page.get_by_role("menuitem", name=re.compile("^a card"))
    expect(card).to_contain_text("no sheet with printed cards is on the shelf")
    expect(card).to_be_disabled()
    page.get_by_role("menuitem", name="kept for words").click()
    expect(tiles).to_have_count(there - 1)
    saved(page)


def test_an_opening_is_pressed_and_says_what_lies_behind_it(page: Page, tmp_path: Path) -> None:
    """A frame of 1 in leaves an opening through which the page shows; a photo comes behind it, and it is closed."""
    add_photos(page, jpeg(tmp_path, "heron.jpg", 1200, 1800))
    kit_there(page)
    page_there(page)
    add_part(page, "frame", "Frame")
    opening = page.locator("[data-cell=opening]")
    opening.click()
    page.get_by_role("menuitem", name="a place for a photo").click()
    frame = page.locator("[data-part^=panel]")
    expect(frame.locator("[data-piece$=behind]")).to_have_count(1)
    opening.press("Enter")
    page.get_by_role("menuitem", name="no opening here").click()
    expect(frame.locator("[data-piece$=behind]")).to_have_count(0)
    expect(opening).to_have_count(0)
    saved(page)


def test_many_prints_are_set_alike(page: Page) -> None:
    """Two places for photos of 4 × 6 become 3 × 4 with a rim of 1/8, in one step."""
    kit_there(page)
    page_there(page)
    add_photo_parts(page, [], "A place for one")
    add_photo_parts(page, [], "A place for one")
    page.keyboard.press("Control+a")
    page.get_by_role("button", name="Arrange").click()
    page.get_by_role("menuitem", name="Print size, rim, shape").click()
    page.get_by_label("Size of all").select_option(label="3 × 4")
    put(page, "Rim of all", "1/8")
    page.get_by_role("button", name="Set them all").click()
    expect(row(page, "3 × 4 upright, rim 1/8")).to_have_count(1)  # the chosen one shows its fields
    saved(page)
    (kept,) = page.request.get("/api/pages").json()
    prints = [part["print"] for part in kept["page"]["parts"] if part["kind"] == "photo"]
    assert [(one["width"], one["height"], one["rim"]) for one in prints] == [("3 in", "4 in", "1/8 in")] * 2
    page.keyboard.press("Control+z")
    expect(row(page, "3 × 4 upright, rim 1/8")).to_have_count(0)


def test_nothing_opens_a_sheet_unasked(page: Page) -> None:
    """A band on an empty page takes no paper, and says so; the page begins no sheet."""
    kit_there(page)
    page_there(page)
    add_part(page, "band", "Band, flush")
    expect(page.get_by_text("No open sheet serves; it has no paper yet.")).to_be_visible()
    expect(page.get_by_role("region", name="What the page costs")).to_contain_text("begins 0 sheets")


# ---- fingers -----------------------------------------------------------------------------------------


@pytest.fixture
def tablet(browser: Browser, server: Server, two_panels: Page) -> Page:
    context = browser.new_context(
        viewport={"width": 768, "height": 1024}, base_url=server.address, has_touch=True, is_mobile=True
    )
    page = context.new_page()
    page.goto(two_panels.url)
    expect(page.locator("[data-part=other]")).to_be_visible()
    return page


def test_a_tap_brings_the_fields_to_the_hand(tablet: Page) -> None:
    """On a card over the foot of the screen, wholly in view; put away it is gone."""
    tablet.locator("[data-part=one]").tap()
    card = tablet.get_by_role("region", name="The chosen part")
    expect(card).to_be_visible()
    box = card.bounding_box()
    assert box is not None and box["y"] >= 400 and box["y"] + box["height"] <= 1025
    expect(card.get_by_label("Panel width")).to_be_in_viewport()
    card.get_by_role("button", name="Put the card away").tap()
    expect(card).to_have_count(0)


def test_a_finger_scrolls_and_the_handle_moves(tablet: Page) -> None:
    """A swipe over a part leaves it where it is; pulled at its handle it moves."""
    hands = tablet.context.new_cdp_session(tablet)
    part = tablet.locator("[data-part=one] [data-piece]")
    before = part.bounding_box()
    assert before is not None

    def swipe(x: float, y: float, by: float) -> None:
        hands.send("Input.dispatchTouchEvent", {"type": "touchStart", "touchPoints": [{"x": x, "y": y}]})
        for k in range(1, 9):
            at = {"x": x + by * k / 8, "y": y + by * k / 8}
            hands.send("Input.dispatchTouchEvent", {"type": "touchMove", "touchPoints": [at]})
            tablet.wait_for_timeout(16)
        hands.send("Input.dispatchTouchEvent", {"type": "touchEnd", "touchPoints": []})

    swipe(before["x"] + 10, before["y"] + 10, 80)
    tablet.wait_for_timeout(200)
    tablet.evaluate("document.querySelector('main').scrollTo(0, 0)")
    still = part.bounding_box()
    assert still is not None and abs(still["x"] - before["x"]) < 2
    part.tap()
    handle = tablet.locator("[data-move]").bounding_box()
    assert handle is not None
    swipe(handle["x"] + handle["width"] / 2, handle["y"] + handle["height"] / 2, 80)
    saved(tablet)
    comes_true(
        tablet,
        f"document.querySelector('[data-part=one] [data-piece]').getBoundingClientRect().x > {before['x'] + 40}",
    )


@pytest.mark.parametrize("size", [(390, 844), (640, 400)])
def test_nothing_is_cut_off_in_a_small_window(
    open_window: Callable[..., Page], two_panels: Page, size: tuple[int, int]
) -> None:
    """No bench is wider than the window."""
    page = open_window(*size)
    of_page = [two_panels.url.replace("/page/", f"/{bench}/") for bench in ("page", "check", "cut", "build", "log")]
    for path in ("/unpack", "/photos", "/page", *of_page, "/log", "/log/book", "/rules", "/check/learn"):
        page.goto(path)
        loaded(page)
        wide = page.evaluate("[document.documentElement.scrollWidth, document.querySelector('main').scrollWidth]")
        assert max(wide) <= size[0], path
        hidden = page.evaluate(
            """[...document.querySelectorAll('main section, main nav, main [data-pane]')]
            .filter((e) => getComputedStyle(e).overflowX !== 'visible' && e.scrollWidth > e.clientWidth + 1)
            .map((e) => e.getAttribute('aria-label') || e.tagName)"""
        )
        assert hidden == [], path


def test_two_single_photos_and_their_place_are_shown_once(page: Page, tmp_path: Path) -> None:
    """A photo dragged onto the free page lies where it was let go."""
    add_photos(page, jpeg(tmp_path, "heron.jpg", 1200, 1800))
    page_there(page)
    page.get_by_role("button", name="Shelf", exact=True).click()
    paper = page.locator("[data-page]").bounding_box()
    assert paper is not None
    page.get_by_role("button", name=re.compile("^heron")).drag_to(
        page.get_by_label("The page at scale"), target_position={"x": paper["width"] / 2, "y": paper["height"] / 2}
    )
    expect(page.locator("[data-part^=photo] image")).to_have_count(1)
    add_photo_parts(page, [], "A place for one")
    lines(page, 3)
