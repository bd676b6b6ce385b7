"""Two pages from one kit: what is short before the first cut, and the remedy that is taken."""

from __future__ import annotations

from pathlib import Path
from typing import Any

import pytest
from playwright.sync_api import Page, expect

from tests.browser.deeds import kit_there, plain

KIT = """name,kind,width,height,count,stock,a pattern,a colours
Blue,sheet,12,12,1,card stock,plain,#4477aa
Sky,sheet,12,12,1,card stock,plain,#5580b0
Ink,sheet,12,12,2,card stock,plain,#222222
"""


@pytest.fixture
def short(page: Page, tmp_path: Path) -> Page:
    """Two pages that both want the one sheet of Blue for their base."""
    kit_there(page, KIT)
    papers = page.request.get("/api/kits").json()[0]["kit"]["papers"]
    blue = next(paper["id"] for paper in papers if paper["name"] == "Blue")
    format = {"kind": "12x12", "width": "12 in", "height": "12 in", "pages": 1}
    for name in ("Locks", "Heron"):
        base: dict[str, Any] = {"kind": "base", "id": "base", "choice": {"paper": blue, "side": "A"}}
        recipe = {"name": name, "format": format, "parts": [base]}
        assert page.request.post("/api/pages", data={"page": recipe, "what": "began"}).ok
    page.goto("/page")
    page.get_by_role("link", name="Plan pages together").click()
    return page


def test_what_is_short_is_told_and_the_remedy_is_one_press(short: Page) -> None:
    expect(short.get_by_text("Choose the pages that are to come out of the same papers.")).to_be_visible()
    short.get_by_label("Locks").check()
    expect(short.locator("[data-opened]")).to_have_text(
        "This page begins 1 sheet; fewer will not do. Nothing is short."
    )
    short.get_by_label("Heron").check()
    lack = short.get_by_role("region", name="What is short")
    expect(lack).to_contain_text("cannot be cut from Blue")
    lack.get_by_role("button", name="Take Sky (A), which is of like colour").click()
    expect(short.locator("[data-opened]")).to_contain_text("These 2 pages begin 2 sheets")
    expect(lack).to_have_count(0)
    takes = plain(short.get_by_role("region", name="What each page takes").inner_text())
    assert "Sky: 1 piece, 1 sheet" in takes and "Blue: 1 piece, 1 sheet" in takes
    short.get_by_role("button", name="Undo", exact=True).click()
    expect(lack).to_be_visible()


def test_a_sheet_kept_back_is_not_there_for_another_page(short: Page) -> None:
    short.goto("/page")
    short.get_by_role("link", name="Locks").click()
    short.get_by_role("button", name="Blue: keep this sheet").click()
    expect(short.get_by_role("button", name="Blue: 1 kept back, let go")).to_be_visible()
    short.get_by_role("link", name="All pages").click()
    short.get_by_role("link", name="Heron").click()
    cost = short.get_by_role("region", name="What the page costs")
    expect(cost.get_by_role("alert")).to_contain_text("cannot be cut from Blue (none is left)")
    cost.get_by_role("button", name="What would help?").click()
    expect(cost.get_by_role("button", name="Take Sky (A)")).to_be_visible()
    short.get_by_role("link", name="Log", exact=True).click()
    short.get_by_role("link", name="The kit’s book").click()
    expect(short.locator('[data-paper="Blue"]')).to_contain_text("1 kept back for Locks")
