"""Whatever opens over a bench, opened on the demo and gone through with axe: names, roles, order, contrast.

As a rule in the evening, when contrast is harder to come by; with ULNA_HARD by day and in forced colours too.
"""

from __future__ import annotations

import re
from collections.abc import Callable
from pathlib import Path

import pytest
from playwright.sync_api import Locator, Page, Route, expect

from tests.browser.deeds import jpeg
from tests.browser.test_screens import LIGHTS, demo, faults, window

__all__ = ["demo", "window"]
Opens = Callable[[Page, Path], Locator]


def button(name: str, opened: str = "dialog") -> Opens:
    """Opened by a button of that name."""

    def open_it(page: Page, _: Path) -> Locator:
        page.get_by_role("button", name=name, exact=True).first.click()
        return page.get_by_role(opened).first  # type: ignore[arg-type]

    return open_it


def file_into(label: str, name: str, text: str) -> Opens:
    def open_it(page: Page, folder: Path) -> Locator:
        made = folder / name
        if name.endswith(".jpg"):
            jpeg(folder, name, 900, 600)
        else:
            made.write_text(text)
        page.get_by_label(label, exact=True).set_input_files(made)
        return page.get_by_role("dialog")

    return open_it


def all_parts(page: Page, _: Path) -> Locator:
    """Chosen with the keys, so that what is for several is there."""
    page.get_by_label("The page at scale").press("Control+a")
    page.get_by_role("button", name="Arrange", exact=True).click()
    page.get_by_role("menuitem", name="Print size, rim, shape…").click()
    return page.get_by_role("dialog")


def keys(page: Page, _: Path) -> Locator:
    page.keyboard.press("Escape")
    page.keyboard.press("?")
    return page.get_by_role("dialog")


def mishap(page: Page, _: Path) -> Locator:
    page.get_by_role("link", name="Go on cutting").click()
    page.get_by_role("button", name="That one is spoiled").click()
    return page.get_by_role("dialog")


def from_arrange(entry: str) -> Opens:
    def open_it(page: Page, _: Path) -> Locator:
        page.get_by_role("button", name="Arrange", exact=True).click()
        page.get_by_role("menuitem", name=entry).click()
        return page.get_by_role("dialog")

    return open_it


def what_was_put_away(page: Page, _: Path) -> Locator:
    page.get_by_role("button", name="Units, marks, punches and what was put away").click()
    page.get_by_role("button", name=re.compile("put away", re.IGNORECASE)).last.click()
    return page.get_by_role("dialog")


def photographed(page: Page, folder: Path) -> Locator:
    """One sheet's own photograph, with its corner marks."""
    page.locator("[data-paper]").first.click()
    page.get_by_role("button", name="Use a photograph of the sheet").first.click()
    page.locator("[role=dialog] input[type=file]").set_input_files(jpeg(folder, "sheet.jpg", 900, 900))
    page.get_by_role("button", name=re.compile("Corner upper left")).wait_for()
    return page.get_by_role("dialog")


def list_of(label: str, row: str | None = None) -> Opens:
    """What a field offers while one types into it."""

    def open_it(page: Page, _: Path) -> Locator:
        if row:
            page.locator(f"[data-row={row}]").click()
        page.get_by_role("combobox", name=label).first.click()
        return page.get_by_role("listbox")

    return open_it


def another_photo(page: Page, _: Path) -> Locator:
    """Of many, one is looked for by how it looks: the demo's photos stand for many."""

    def many(route: Route) -> None:
        answer = route.fetch()
        roll = answer.json()
        one = roll[0]
        more = [{**one, "saved": {**one["saved"], "id": f"{one['saved']['id']}-{k}"}} for k in range(80)]
        route.fulfill(response=answer, json=roll + more)

    page.route("**/api/photos", many)
    page.reload()
    page.locator("[data-row=heron]").click()
    page.get_by_label("Photo: which").select_option("look for another …")
    return page.get_by_role("dialog")


def a_cell(page: Page, _: Path) -> Locator:
    page.goto("/page")
    page.get_by_role("link", name="Rain on the roof").first.click()
    page.locator("[data-row=days]").click()
    page.locator("[data-cell]").first.focus()
    page.keyboard.press("Enter")
    return page.get_by_role("menu")


TABLE = "name,colour,zzz\nA,red,1\nB,,x\n"
DIALOGS: dict[str, tuple[str, Opens]] = {
    "units and marks": ("/unpack", button("Units, marks, punches and what was put away", "presentation")),
    "a table to confirm": ("/unpack", file_into("A kit as CSV or JSON, or a backup", "kit.csv", TABLE)),
    "sheets photographed": ("/unpack", file_into("A photograph of sheets", "sheets.jpg", "")),
    "what size": ("/photos", button("What size should it be?", "region")),
    "photos for the page": ("page", button("Photos")),
    "edit": ("page", button("Edit", "menu")),
    "arrange": ("page", button("Arrange", "menu")),
    "keep as": ("page", button("Save a copy", "menu")),
    "the crop of a print": ("page", button("Crop")),
    "many prints": ("page", all_parts),
    "the whole page as a panel": ("page", from_arrange("The whole page as a panel…")),
    "in rows or a ring": ("page", from_arrange("Repeat in rows or a ring…")),
    "put away": ("/unpack", what_was_put_away),
    "the keys": ("page", keys),
    "a mishap": ("cut", mishap),
    "one sheet photographed": ("/unpack", photographed),
    "patterns": ("/unpack", list_of("A side: pattern")),
    "parts to add": ("page", list_of("Add to the page")),
    "papers": ("page", list_of("Mat 1 paper", "heron")),
    "another photo": ("page", another_photo),
    "a cell": ("page", a_cell),
}  # fmt: skip


@pytest.mark.parametrize("bench", sorted({bench for bench, _ in DIALOGS.values()}))
def test_axe_finds_nothing_in_what_opens(window: Callable[..., Page], tmp_path: Path, bench: str) -> None:
    """One after the other, each closed with Escape again."""
    page = window(bench)
    for name, (of, opens) in DIALOGS.items():
        if of != bench:
            continue
        opened = opens(page, tmp_path)
        expect(opened, name).to_be_visible()
        opened.evaluate("(one) => one.setAttribute('data-opened', '')")
        for light, media in LIGHTS.items():
            page.emulate_media(**media)
            assert faults(page, "[data-opened]") == [], (name, light)
        opened.evaluate("(one) => one.removeAttribute('data-opened')")
        page.keyboard.press("Escape")
        expect(page.get_by_role("dialog").or_(page.get_by_role("menu"))).to_have_count(0)
