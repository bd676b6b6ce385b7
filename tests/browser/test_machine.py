"""A title cut on the cutting machine, whose paper slips half way."""

from __future__ import annotations

import re
from collections.abc import Iterator
from pathlib import Path

import pytest
from playwright.sync_api import Page, expect

from tests.browser.conftest import Server
from tests.browser.deeds import cut_title_there
from tests.standins.program import Program
from ulna.household.outside import Outside
from ulna.standins.cutting_machine.program import create_cutting_machine

SPEED = 5
"""Inches a second: a title of four letters takes some eight seconds."""


@pytest.fixture
def machine(tmp_path: Path) -> Iterator[Program]:
    running = Program(lambda: create_cutting_machine(tmp_path / "machine", SPEED))
    yield running
    running.off()


@pytest.fixture
def server(tmp_path: Path, machine: Program) -> Iterator[Server]:
    running = Server(tmp_path / "home", Outside(cutting_machine=machine.address))
    yield running
    running.stop()


@pytest.fixture
def titled(page: Page) -> Page:
    """A page with LOCK in letters of 2 in, cut from Ink, at its cut list."""
    cut_title_there(page, "LOCK")
    page.get_by_role("link", name="With the machine").click()
    return page


def test_a_title_is_cut_and_the_paper_slips_half_way(titled: Page, machine: Program) -> None:
    """The letter it was at is spoiled: three are ticked, the fourth is on the list again and is sent anew."""
    page = titled
    expect(page.get_by_text("4 pieces on 1 sheet, nested by their outlines")).to_be_visible()
    page.get_by_role("button", name=re.compile("^Send Ink")).click()
    job = page.get_by_role("region", name=re.compile("^Sheet Ink"))
    expect(job.get_by_text(re.compile(r"[1-3] of 5 lines are cut"))).to_be_visible()
    page.request.post(f"{machine.address}/hands/slip")
    expect(job.get_by_text("The paper slipped")).to_be_visible()
    job.get_by_role("button", name="It lies straight again").click()
    expect(job.get_by_text("It is cut. Take it off the bed")).to_be_visible()
    came = job.get_by_role("list", name="What came out").get_by_role("listitem")
    expect(came).to_have_count(4)
    expect(came.filter(has_text="spoiled, it is cut again")).to_have_count(1)
    job.get_by_role("button", name="Tick 3 pieces in the cut list").click()
    expect(job).to_have_count(0)
    expect(page.get_by_text("1 piece on 1 scrap, nested by their outlines")).to_be_visible()
    page.get_by_role("button", name="The bed is cleared").click()
    page.get_by_role("button", name=re.compile("^Send Ink")).click()
    expect(job.get_by_text("It is cut. Take it off the bed")).to_be_visible()
    job.get_by_role("button", name="Tick 1 piece in the cut list").click()
    expect(
        page.get_by_text("Nothing on this page is cut along an outline that is not cut already.")
    ).to_be_visible()
    page.get_by_role("link", name="The whole list").click()
    expect(page.locator("[data-done]")).to_have_text("4 of 4 pieces cut")


def test_a_machine_that_is_off_is_told_and_the_outlines_are_files(titled: Page, machine: Program) -> None:
    page = titled
    machine.off()
    page.reload()
    expect(page.get_by_text("The cutting machine does not answer; switch it on")).to_be_visible()
    expect(page.get_by_role("button", name=re.compile("^Send Ink"))).to_be_disabled()
    page.get_by_role("button", name="Save for a machine").click()
    with page.expect_download() as waiting:
        page.get_by_role("menuitem", name="Nested outlines (DXF)").click()
    assert waiting.value.suggested_filename.endswith("nested.dxf")
