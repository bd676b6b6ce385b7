"""Handles on the drawing, pulled by the mouse and by arrow keys."""

from __future__ import annotations

import re

import pytest
from playwright.sync_api import Locator, Page, expect

from tests.browser.deeds import WORDS, add_part, quiet, saved


def handle(page: Page, name: str) -> Locator:
    return page.get_by_role("button", name=re.compile(f"^Pull the {name}"))


def test_a_band_is_pulled_by_hand_and_by_keys(bench: Page) -> None:
    """Its gap by the mouse, the figure beside the hand; its count and its step by arrow keys; each one undone."""
    add_part(bench, "stepped")
    arithmetic = bench.locator("[data-arithmetic]")
    expect(arithmetic).to_contain_text(re.compile(r"5.×.1/2.\+.4.×.1/16"))
    grip = handle(bench, "gap").bounding_box()
    assert grip is not None and min(grip["width"], grip["height"]) > 43.9
    x, y = grip["x"] + grip["width"] / 2, grip["y"] + grip["height"] / 2
    bench.mouse.move(x, y)
    bench.mouse.down()
    bench.mouse.move(x, y + 20, steps=5)
    expect(bench.get_by_role("button", name=re.compile("^Pull the gap: gap"))).to_be_visible()
    bench.mouse.up()
    saved(bench)
    expect(arithmetic).not_to_contain_text(re.compile(r"4.×.1/16"))
    handle(bench, "strips").focus()
    for _ in range(2):
        bench.keyboard.press("ArrowDown")
        saved(bench)
    expect(arithmetic).to_contain_text(re.compile(r"7.×.1/2.\+.6.×"))
    handle(bench, "stepped").focus()
    bench.keyboard.press("ArrowLeft")
    saved(bench)
    expect(bench.get_by_label("Stagger")).to_have_value(re.compile("7.16"))
    bench.get_by_role("button", name="Undo: pulled the stepped").click()
    expect(bench.get_by_label("Stagger")).to_have_value(re.compile("^1.2$"))


HIT = """grips => grips.filter(grip => {
  const box = grip.getBoundingClientRect();
  const at = document.elementFromPoint(box.x + box.width / 2, box.y + box.height / 2);
  return !grip.contains(at);
}).map(grip => grip.getAttribute('aria-label'))"""


@pytest.mark.parametrize("words", [WORDS[k::4] for k in range(4)], ids=lambda words: words[0][0])
def test_each_kind_is_pulled_by_hand_and_by_keys(bench: Page, words: tuple[tuple[str, str], ...]) -> None:
    """Every handle can be hit where it is drawn; the first is pulled by the mouse, the last by an arrow key: the
    recipe is another one, and each pull is one step to undo."""
    grips = bench.get_by_role("button", name=re.compile("^Pull the "))
    for word, _ in words:
        add_part(bench, word)
        expect(grips).not_to_have_count(0)
        assert grips.evaluate_all(HIT) == [], word
        before = recipe(bench)
        name, box = pulled(grips.first), grips.first.bounding_box()
        assert box is not None
        x, y = box["x"] + box["width"] / 2, box["y"] + box["height"] / 2
        bench.mouse.move(x, y)
        bench.mouse.down()
        bench.mouse.move(x + 14, y + 14, steps=4)
        bench.mouse.up()
        expect(bench.get_by_role("button", name=f"Undo: pulled the {name}")).to_be_visible()
        after = recipe(bench)
        assert after != before, f"{word}: {name}"
        name = pulled(grips.last)
        grips.last.focus()
        with bench.expect_response("**/api/pull") as answer:
            bench.keyboard.press("ArrowLeft")
            bench.keyboard.press("ArrowUp")
        expect(grips.last).to_have_accessible_name(f"Pull the {name}: {answer.value.json()['says']}")
        assert recipe(bench) != after, f"{word}: {name}"


def recipe(page: Page) -> object:
    """The page as the household has it."""
    address = f"/api/pages/{page.url.rsplit('/', 1)[-1]}"
    quiet(page)
    saved(page)
    return page.request.get(address).json()["page"]


def pulled(grip: Locator) -> str:
    """What a handle pulls, as it is called."""
    found = re.match("Pull the ([^:]+)", grip.get_attribute("aria-label") or "")
    assert found
    return found[1]
