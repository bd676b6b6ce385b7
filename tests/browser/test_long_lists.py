"""A household of years: of long lists only what is near sight is drawn, and all of it is found."""

from __future__ import annotations

from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import Server
from tests.large import large_household

MOST_DRAWN = 150


@pytest.fixture(scope="module")
def years(tmp_path_factory: pytest.TempPathFactory) -> Path:
    home = tmp_path_factory.mktemp("years") / "home"
    large_household(home, photos=400, pages=200, kits=12)
    return home


def test_the_roll_draws_what_is_near_sight_and_the_rest_as_one_comes_to_it(
    server: Server, years: Path, page: Page
) -> None:
    server.move_in(years)
    page.goto("/photos")
    roll = page.get_by_label("The roll", exact=True)
    expect(roll.get_by_role("link", name="photo 0", exact=True)).to_be_visible()
    assert roll.get_by_role("link").count() < MOST_DRAWN
    while (drawn := roll.get_by_role("link").count()) < 400:
        roll.get_by_role("link").last.scroll_into_view_if_needed()
        expect(roll.get_by_role("link")).not_to_have_count(drawn)
    expect(roll.get_by_role("link", name="photo 399", exact=True)).to_be_visible()

    page.get_by_label("Look for a photo").fill("photo 37")
    roll.get_by_role("link", name="photo 371", exact=True).click()
    expect(page).to_have_title("photo 371 · Ulna")
    page.reload()
    expect(roll.locator("[aria-current=true]")).to_have_text("photo 371")
    expect(roll.locator("[aria-current=true]")).to_be_in_viewport()
    assert roll.get_by_role("link").count() < MOST_DRAWN


def test_pages_are_found_by_name_and_photos_for_them_by_a_word(server: Server, years: Path, page: Page) -> None:
    server.move_in(years)
    page.goto("/page")
    expect(page.get_by_role("heading", name="Page 200", exact=True)).to_be_visible()
    assert page.locator("main h2").count() < MOST_DRAWN
    page.get_by_label("Look for a page").fill("page 17")
    page.get_by_role("heading", name="Page 17", exact=True).click()

    page.get_by_role("button", name="Photos", exact=True).click()
    tray = page.get_by_role("dialog")
    assert tray.locator("img").count() < MOST_DRAWN
    tray.get_by_label("Look for a photo").fill("photo 250")
    tray.get_by_role("button", name="photo 250", exact=True).click()
    tray.get_by_role("button", name="On its own mat").click()

    which = page.get_by_label("Photo: which")
    expect(which.locator("option:checked")).to_have_text("photo 250")
    which.select_option(label="look for another …")
    page.get_by_role("dialog").get_by_label("Look for a photo").fill("photo 12")
    page.get_by_role("dialog").get_by_role("button", name="photo 12", exact=True).click()
    expect(which.locator("option:checked")).to_have_text("photo 12")
