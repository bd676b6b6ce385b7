"""Every bench on the screen: readable by all, nothing clipped, the shipped faces in use."""

from __future__ import annotations

import os
from collections.abc import Callable, Iterator
from pathlib import Path
from typing import Any

import pytest
from playwright.sync_api import Browser, Page, expect

from tests.browser.conftest import Server
from tests.browser.deeds import comes_true, loaded, watch

AXE = Path(__file__).parents[2] / "frontend/node_modules/axe-core/axe.min.js"
BENCHES = (
    "/unpack",
    "/photos",
    "/photos/prints",
    "template",
    "/page",
    "/page/together",
    "page",
    "variants",
    "cut",
    "cutting",
    "/check",
    "/check/learn",
    "/build",
    "/log",
    "/log/book",
    "/rules",
)


@pytest.fixture(scope="module")
def demo(demo_home: Path) -> Iterator[Server]:
    """The demo household, served for all these tests."""
    running = Server(demo_home)
    yield running
    running.stop()


@pytest.fixture
def window(browser: Browser, demo: Server) -> Iterator[Callable[..., Page]]:
    contexts = []

    def open_at(bench: str, width: int = 1280, height: int = 800, touch: bool = False) -> Page:
        context = browser.new_context(
            viewport={"width": width, "height": height}, base_url=demo.address, reduced_motion="reduce",
            has_touch=touch, is_mobile=touch,
        )  # fmt: skip
        contexts.append(context)
        page = context.new_page()
        watch(page)
        page.goto(bench if bench.startswith("/") else "/page")
        if bench == "template":
            page.goto("/photos")
            page.get_by_role("link", name="The week in small").click()
        if bench in ("page", "variants", "cut", "cutting"):
            page.get_by_role("link", name="Twenty-one locks").click()
            expect(page.locator("[data-part=heron]")).to_be_visible()
        if bench == "page":
            page.locator("[data-row=heron]").click()
            page.mouse.move(0, 0)  # what the mouse comes to lie over would tell its name
        if bench == "variants":
            page.get_by_role("link", name="Variants").click()
            page.get_by_role("button", name="Keep it as it is now").wait_for()
        if bench in ("cut", "cutting"):
            page.get_by_role("link", name="Cut list").click()
            expect(page.locator("[data-done]")).to_be_visible()
        if bench == "cutting":
            page.get_by_role("link", name="Go on cutting").click()
            expect(page.get_by_role("button", name="That one is spoiled")).to_be_visible()
        else:
            page.locator("main h1").first.wait_for()
        loaded(page)
        return page

    yield open_at
    for context in contexts:
        context.close()


LIT = """matchMedia("(forced-colors: active)").matches || getComputedStyle(document.documentElement).colorScheme ===
  (matchMedia("(prefers-color-scheme: dark)").matches ? "dark" : "light")"""


def faults(page: Page, within: str | None = None) -> list[str]:
    """What axe finds wrong with what is shown, or `within` what has opened over the bench, which is no landmark."""
    comes_true(page, LIT)
    comes_true(page, "document.getAnimations().every((one) => one.playState !== 'running')")
    if not page.evaluate("'axe' in window"):
        page.evaluate(AXE.read_text())
    found = page.evaluate(
        "([at, rules]) => axe.run(at ?? document, {resultTypes: ['violations'], rules})",
        [within, {"region": {"enabled": within is None}}],
    )
    return [f"{v['id']} ({v['impact']}): {v['nodes'][0]['html'][:160]}" for v in found["violations"]]


OPENED = {
    "page": {
        "Audition papers": ":has(> [aria-label='Papers on trial'])",
        "Papers that suit it": "[aria-label^='Papers for mat']", "Shelf": "[aria-label=Shelf]",
    },
}  # fmt: skip
"""What opens beside the work of a bench by the name of its button, and where it stands."""


EVENING: dict[str, Any] = {"color_scheme": "dark", "forced_colors": "none"}
DAY: dict[str, Any] = {"color_scheme": "light", "forced_colors": "none"}
FORCED: dict[str, Any] = {"color_scheme": "light", "forced_colors": "active"}
HARD = bool(os.environ.get("ULNA_HARD"))
LIGHTS = {"evening": EVENING} | ({"day": DAY, "forced": FORCED} if HARD else {})
"""In which what opens is looked at; all of them in hard use."""


@pytest.mark.parametrize("bench", BENCHES)
def test_axe_finds_nothing(window: Callable[..., Page], bench: str) -> None:
    """Names, roles, contrast; by day, in the evening, when contrast is harder to come by, and in colours that the
    person has forced; in the evening also what opens beside it."""
    page = window(bench)
    assert faults(page) == []
    if bench in ("/unpack", "/photos", "page", "cut") or HARD:
        page.emulate_media(**EVENING)
        assert faults(page) == []
    for name, at in OPENED.get(bench, {}).items():
        page.get_by_role("button", name=name, exact=True).first.click()
        expect(page.locator(at).first).to_be_visible()
        assert faults(page, at) == [], name
        page.keyboard.press("Escape")
    if bench == "page" or HARD:
        page.emulate_media(**FORCED)
        assert faults(page) == []


@pytest.mark.parametrize("bench", ["page", "cut"])
def test_the_page_itself_does_not_scroll(window: Callable[..., Page], bench: str) -> None:
    """At 1280 × 800 the drawing, the recipe's head and the cost are all in sight."""
    page = window(bench)
    assert page.evaluate("document.documentElement.scrollHeight <= innerHeight")
    main = page.evaluate(
        "(() => { const m = document.querySelector('main'); return m.scrollHeight - m.clientHeight })()"
    )
    assert main <= 0


def test_the_drawing_is_the_largest_thing_and_the_cost_is_in_sight(window: Callable[..., Page]) -> None:
    """More than half of the width is the page."""
    page = window("page")
    drawing = page.get_by_label("The page at scale").bounding_box()
    cost = page.get_by_role("region", name="What the page costs").bounding_box()
    assert drawing is not None and cost is not None
    assert drawing["width"] > 640 and cost["y"] + cost["height"] <= 801


@pytest.mark.parametrize(
    ("bench", "role", "name", "work"),
    [
        ("/unpack", "checkbox", "Choose Still Water", "A side: pattern"),
        ("/photos", "link", "Down through the lock", "Crop of Down through the lock"),
        ("cut", "button", "Log Book 1", "Map of the sheet"),
    ],
)
def test_on_a_tablet_what_is_chosen_and_the_work_are_in_sight_together(
    window: Callable[..., Page], bench: str, role: Any, name: str, work: str
) -> None:
    """Held upright, 768 × 1024: the list is beside the work or a strip above it."""
    page = window(bench, 768, 1024)
    chosen = page.get_by_role(role, name=name)
    chosen.click()
    for shown in (chosen, page.get_by_label(work)):
        box = shown.bounding_box()
        assert box is not None
        assert box["x"] >= 0 and box["x"] + box["width"] <= 768 and box["y"] + box["height"] <= 1024


SMALL = """() => [...document.querySelectorAll('button, input, select, textarea, a, [role=button]')]
  .filter((e) => e.checkVisibility({ visibilityProperty: true }) && !e.closest('svg, p, [data-words]'))
  .map((e) => [e, e.closest('label, .MuiButtonBase-root, .MuiInputBase-root, .MuiSlider-root') || e])
  .map(([e, target]) => [e, target.getBoundingClientRect()])
  .filter(([, r]) => r.width > 1 && (r.width < 44 || r.height < 44))
  .map(([e, r]) => `${e.tagName} ${e.getAttribute('aria-label') || e.textContent} ${r.width} × ${r.height}`)"""


OVER_THE_EDGE = """() => { const m = document.querySelector('main');
  return Math.max(m.scrollWidth - m.clientWidth, document.documentElement.scrollWidth - innerWidth) }"""


@pytest.mark.parametrize("bench", BENCHES)
def test_a_thumb_finds_everything_and_nothing_is_cut_off(window: Callable[..., Page], bench: str) -> None:
    """On a tablet buttons, fields, boxes and links are 44 px both ways at least; links within a sentence are as tall as
    it. There, at 640, which is what 200 % zoom leaves of 1280, and on a telephone all is reached by scrolling down."""
    page = window(bench, 768, 1024, touch=True)
    assert page.evaluate(SMALL) == []
    for width in (768, 640, 390):
        page.set_viewport_size({"width": width, "height": 800})
        assert page.evaluate(OVER_THE_EDGE) <= 0, width


def test_the_faces_are_those_that_ship(window: Callable[..., Page]) -> None:
    """No text falls back on what the machine happens to have."""
    page = window("page")
    session = page.context.new_cdp_session(page)
    session.send("DOM.enable")
    session.send("CSS.enable")
    root = session.send("DOM.getDocument", {"depth": -1})["root"]["nodeId"]
    body = session.send("DOM.querySelector", {"nodeId": root, "selector": "body"})["nodeId"]
    fonts = session.send("CSS.getPlatformFontsForNode", {"nodeId": body})["fonts"]
    assert {f["familyName"] for f in fonts if f["isCustomFont"] is False} == set()


def test_no_script_or_style_comes_from_elsewhere(window: Callable[..., Page], demo: Server) -> None:
    """Everything ships with the application."""
    page = window("page")
    addresses = page.evaluate("performance.getEntriesByType('resource').map(e => e.name)")
    assert addresses and all(a.startswith(demo.address) or a.startswith("data:") for a in addresses)


def test_the_drawing_shows_papers_and_photos(window: Callable[..., Page]) -> None:
    """Patterns from the shelf, and pictures that have loaded."""
    page = window("page")
    drawing = page.get_by_label("The page at scale")
    assert drawing.locator("pattern[id^=paper-]").count() >= 4
    prints = drawing.locator("[data-piece*=print] image")
    assert prints.count() == 5  # the bridge over the gutter is drawn in both its halves
    pictures = drawing.locator("image")
    for k in range(pictures.count()):
        address = pictures.nth(k).get_attribute("href")
        assert page.request.get(str(address)).ok
