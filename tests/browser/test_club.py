"""A month's kit taken in from the club, given back, taken again, and corrected."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import Server
from tests.browser.deeds import saved
from tests.standins.program import Program
from ulna.household.outside import Outside
from ulna.standins.kit_club.program import create_club


@pytest.fixture
def club(tmp_path: Path) -> Iterator[Program]:
    running = Program(lambda: create_club(tmp_path / "club"))
    yield running
    running.off()


@pytest.fixture
def server(tmp_path: Path, club: Program) -> Iterator[Server]:
    running = Server(tmp_path / "home", Outside(club=club.address))
    yield running
    running.stop()


def test_a_months_kit_comes_in_and_is_corrected(page: Page, club: Program) -> None:
    """From an empty household: looked into, all of it unpacked, given back, unpacked again; one counts the first paper
    oneself, and the club's correction leaves that alone."""
    page.goto("/unpack")
    page.get_by_role("link", name="From the club").click()
    expect(page.get_by_role("heading", name="The Waterways Kit Club")).to_be_visible()
    page.get_by_role("button", name="Look into Winter moorings").click()
    expect(page.get_by_text("With it comes the sketch Lamp in the window.")).to_be_visible()
    page.get_by_role("button", name="Unpack all of it").click()
    page.get_by_role("button", name="Give it back").click()
    expect(page.get_by_role("heading", name="Begin with what is in the box")).to_be_visible()
    page.get_by_role("link", name="From the club").click()
    page.get_by_role("button", name="Look into Winter moorings").click()
    page.get_by_label("Geese, ").uncheck()
    page.get_by_role("button", name="Unpack 17 of 18").click()
    sheets = page.get_by_label("Sheets of Frosted Reeds")
    sheets.fill("6")
    sheets.press("Enter")
    saved(page)
    page.request.post(f"{club.address}/correct/2026-11")
    page.goto("/club")
    correction = page.get_by_role("region", name="Correction of Winter moorings")
    expect(correction.get_by_text("Paper star 2")).to_be_visible()
    expect(correction.get_by_text("Frosted Reeds")).to_have_count(0)
    correction.get_by_role("button", name="Take 1 of 1").click()
    expect(correction).to_have_count(0)
    page.get_by_role("link", name="It is here").click()
    expect(sheets).to_have_value("6")


def test_a_club_that_is_closed_is_told(page: Page, club: Program) -> None:
    club.off()
    page.goto("/club")
    expect(
        page.get_by_text("The kit club does not answer; try again later, or unpack the kit by hand.")
    ).to_be_visible()
