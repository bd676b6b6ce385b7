"""A second pair of eyes, the building bench, the log: a finding mended, a wait over a reload, a page logged."""

from __future__ import annotations

from pathlib import Path
from typing import Any

import pytest
from playwright.sync_api import Page, expect

from tests.browser.deeds import jpeg, kit_there, saved

FOUND = "What was found"


def at(x: str, y: str) -> dict[str, Any]:
    return {"across": {"edge": "left", "by": x}, "down": {"edge": "top", "by": y}}


def page_of(page: Page, name: str, *parts: dict[str, Any], **more: Any) -> str:
    """A page with a base of Cream and these parts; its id."""
    papers = {one["name"]: one["id"] for one in page.request.get("/api/kits").json()[0]["kit"]["papers"]}
    base = {"kind": "base", "id": "base", "choice": {"paper": papers["Cream"]}}
    recipe = {"name": name, "story": "Rain all day.", "parts": [base, *parts], **more}
    id: str = page.request.post("/api/pages", data={"page": recipe}).json()["saved"]["id"]
    return id


@pytest.fixture
def askew(page: Page) -> Page:
    """Two photos side by side, the right one a sixteenth lower, at the Check bench."""
    kit_there(page)
    print_ = {"width": "4 in", "height": "4 in"}
    photos = [
        {"kind": "photo", "id": "left", "print": print_, "place": at("1 in", "3 in")},
        {"kind": "photo", "id": "right", "print": print_, "place": at("6 1/2 in", "3 1/16 in")},
    ]
    page.goto(f"/check/{page_of(page, 'Two photos', *photos)}")
    return page


def test_a_finding_is_mended_by_one_press_and_undone(askew: Page) -> None:
    """What, where, why; before and after side by side with what it costs; undone it is told again."""
    found = askew.get_by_role("list", name=FOUND)
    row = found.get_by_role("listitem").filter(has_text="Its top edge is 1/16 off that of the photo beside it.")
    row.get_by_role("button", name="Centred, level, even").click()
    expect(row).to_contain_text("The eye sees a sixteenth of an inch between what is nearly in line.")
    expect(askew.locator("rect[stroke-dasharray]")).to_have_count(2)
    expect(row.get_by_role("button", name="Bring it in line")).to_contain_text("(no sheet more)")
    row.get_by_role("button", name="Bring it in line").click()
    expect(askew.get_by_role("img", name="Before, as it will look")).to_be_visible()
    expect(askew.get_by_role("img", name="After, as it will look")).to_be_visible()
    expect(askew.get_by_text("Bring it in line: no sheet more.")).to_be_visible()
    expect(row).to_have_count(0)
    saved(askew)
    askew.get_by_role("button", name="Undo: bring it in line").click()
    expect(row).to_have_count(1)


def test_several_remedies_are_tried_together_and_left_again(askew: Page) -> None:
    """A title and the date added: both are named with what they cost, and the page as it was comes back."""
    row = askew.get_by_role("listitem").filter(has_text="There is no place for a title")
    row.get_by_role("button", name="Add a title").click()
    less = askew.get_by_role("listitem").filter(has_text="There is no place for words and the date yet.")
    less.get_by_role("button", name="Add the date").click()
    expect(askew.get_by_text("Add a title; Add the date: no sheet more, 9 pieces more to cut.")).to_be_visible()
    askew.get_by_role("button", name="Go back to before").click()
    expect(row).to_be_visible()


def test_what_one_likes_is_put_aside_and_counted(askew: Page) -> None:
    """For this page, and for good: told no more, but counted; told again when asked."""
    found = askew.get_by_role("list", name=FOUND).get_by_role("listitem")
    row = found.filter(has_text="There is no place for a title")
    row.get_by_role("button", name="I like it so").click()
    expect(row).to_have_count(0)
    expect(askew.get_by_role("status").filter(has_text="1 put aside")).to_be_visible()
    edge = found.filter(has_text="Its top edge is 1/16 off")
    edge.get_by_role("button", name="Never tell this").click()
    expect(edge).to_have_count(0)
    saved(askew)
    askew.reload()
    askew.get_by_text("2 put aside", exact=True).click()
    told = askew.get_by_text("You like it so.").locator("..")
    told.get_by_role("button", name="Tell it again").click()
    expect(row).to_have_count(1)


def test_on_the_page_what_is_found_stands_with_its_part(askew: Page) -> None:
    """The count leads to the Check bench; the chosen part shows what was found of it, mended there."""
    askew.get_by_role("link", name="To the page").click()
    expect(askew.get_by_role("link", name="Check: ")).to_be_visible()
    askew.locator("[data-row=right]").click()
    askew.get_by_role("button", name="Bring it in line").click()
    expect(askew.get_by_label("Distance down", exact=True)).to_have_value("3")


def test_one_learns_to_see_by_pairs(page: Page) -> None:
    page.goto("/check/learn")
    pair = page.get_by_role("region", name="Fits")
    pair.get_by_role("button").first.click()
    expect(pair).to_contain_text("The photo hangs over the right edge by an inch.")
    expect(page.get_by_text("Seen at once: 1 of 1.")).to_be_visible()


def test_a_rule_of_the_page_wins_and_says_so(askew: Page) -> None:
    """Cut by scissors: a sixteenth is not told, and the page says which rule decided."""
    askew.get_by_text("Rules that hold here").click()
    askew.get_by_role("link", name="Change a rule").click()
    askew.get_by_label("How exactly is it cut?").select_option("loose")
    expect(askew.get_by_text("Nothing tighter than an eighth of an inch is asked or told.")).to_be_visible()
    askew.go_back()
    expect(askew.get_by_text("Rules that hold here, 1 of your own")).to_be_visible()
    expect(askew.get_by_text("Its top edge is 1/16 off")).to_have_count(0)


@pytest.fixture
def wet(page: Page) -> Page:
    """A wash under a photo on a mat, at the building bench."""
    kit_there(page)
    ink = next(p["id"] for p in page.request.get("/api/kits").json()[0]["kit"]["papers"] if p["name"] == "Ink")
    wash = {"kind": "wet", "id": "wash", "place": at("1 in", "1 in")}
    photo = {"kind": "photo", "id": "photo", "mats": [{"choice": {"paper": ink}}], "place": at("2 in", "3 in")}
    page.goto(f"/build/{page_of(page, 'Rain', wash, photo)}")
    expect(page.get_by_role("heading", name="Lay the base before you")).to_be_visible()
    return page


def test_a_wait_goes_on_over_a_reload_and_the_rest_is_offered_meanwhile(wet: Page) -> None:
    wet.keyboard.press("Enter")
    expect(wet.get_by_role("heading", name="Brush a wash")).to_be_visible()
    expect(
        wet.get_by_role("note").filter(has_text="The maker’s label and instructions come first.")
    ).to_be_visible()
    wet.keyboard.press("Enter")
    expect(wet.get_by_role("timer")).to_contain_text("14:5")
    expect(wet.get_by_role("heading", name="Put together off the page")).to_be_visible()
    saved(wet)
    wet.reload()
    expect(wet.get_by_role("timer")).to_contain_text("14:")
    wet.keyboard.press("Enter")
    expect(
        wet.get_by_role("heading", name="Glue A photo").or_(wet.get_by_role("heading", name="Glue"))
    ).to_be_visible()
    expect(wet.get_by_role("alert").filter(has_text="it has to dry first: brush a wash")).to_be_visible()
    wet.get_by_role("button", name="It is dry").click()
    expect(wet.get_by_role("timer")).to_have_count(0)
    expect(wet.get_by_text("2 from the left, 3 from the top")).to_be_visible()


def test_what_went_wrong_is_done_again(wet: Page) -> None:
    wet.keyboard.press("Enter")
    expect(wet.get_by_text("1 of 4 steps done")).to_be_visible()
    wet.keyboard.press("Backspace")
    expect(wet.get_by_text("0 of 4 steps done")).to_be_visible()
    wet.keyboard.press("Space")
    wet.get_by_role("button", name="That went wrong").click()
    wet.get_by_label("What went wrong").select_option("wrong colour")
    wet.get_by_role("button", name="Cover it up, and do the step again").click()
    expect(wet.get_by_role("heading", name="Brush a wash")).to_be_visible()
    saved(wet)


def test_a_page_is_built_photographed_and_logged_and_the_next_estimate_differs(wet: Page, tmp_path: Path) -> None:
    """To its end by keys; its photograph is laid flat; story, people and time are kept; the album has it."""
    before = wet.get_by_text("about ").inner_text()
    for _ in range(4):
        wet.keyboard.press("Enter")
    wet.get_by_role("link", name="put the page into the log").click()
    wet.get_by_role("button", name="A photograph of it").click()
    wet.locator("input[type=file]").set_input_files(jpeg(tmp_path, "page.jpg", 900, 900))
    wet.get_by_role("button", name="Lay it flat").click()
    expect(wet.get_by_role("img", name="Rain, photographed")).to_be_visible()
    people = wet.get_by_label("People")
    people.fill("Pip, Wren")
    people.blur()
    minutes = wet.get_by_label("Minutes building")
    minutes.fill("25")
    minutes.blur()
    wet.get_by_label("What I would do otherwise").fill("A smaller mat.")
    wet.reload()
    expect(wet.get_by_label("What I would do otherwise")).to_have_value("A smaller mat.")
    wet.get_by_role("button", name="It is finished").click()
    album = wet.get_by_role("list", name="The album")
    expect(album.get_by_role("img", name="Rain")).to_be_visible()
    expect(album).to_contain_text("25 minutes")
    wet.get_by_label("Search the log").fill("wren")
    expect(wet.get_by_role("img", name="Rain")).to_be_visible()
    wet.get_by_label("Search the log").fill("nobody")
    expect(wet.get_by_text("Nothing in the log is called so.")).to_be_visible()
    # Three of each kind of step, each twice as long as usual, are one's own pace for the next page.
    recipe = wet.request.get("/api/pages").json()[0]["page"]
    for _ in range(3):
        other = wet.request.post("/api/pages", data={"page": recipe}).json()["saved"]["id"]
        for step in wet.request.get(f"/api/pages/{other}/building").json()["steps"]:
            asked = {"step": step["id"], "on": True, "seconds": round(step["minutes"] * 120)}
            assert wet.request.post(f"/api/pages/{other}/building/tick", data=asked).ok
    last = wet.request.post("/api/pages", data={"page": recipe}).json()["saved"]["id"]
    wet.goto(f"/build/{last}")
    expect(wet.get_by_text("by your own pace")).to_be_visible()
    assert wet.get_by_text("about ").inner_text() != before


def test_an_empty_household_says_what_comes_first(page: Page) -> None:
    for bench, says in (("check", "Nothing to check yet"), ("build", "Nothing to build yet")):
        page.goto(f"/{bench}")
        expect(page.get_by_role("heading", name=says)).to_be_visible()
    page.goto("/log")
    expect(page.get_by_text("No page is finished yet.")).to_be_visible()


def test_wet_work_edges_and_tucks_are_said_on_the_page(wet: Page) -> None:
    """An edge inked and the wash in another medium: the order follows."""
    wet.goto(wet.url.replace("/build/", "/page/"))
    wet.locator("[data-row=photo]").click()
    wet.get_by_text("Edges and tucks").click()
    wet.get_by_label("Edges of mat of A photo").or_(wet.get_by_label("Edges of mat").first).first.select_option(
        "inked"
    )
    saved(wet)
    wet.locator("[data-row=wash]").click()
    wet.get_by_label("With what").select_option("paste")
    saved(wet)
    wet.goto(wet.url.replace("/page/", "/build/"))
    wet.get_by_text("All 5 steps").click()
    steps = wet.get_by_role("list", name="All steps").get_by_role("listitem")
    expect(steps.filter(has_text="Ink the edges")).to_have_count(1)
    expect(steps.filter(has_text="Spread paste through the stencil")).to_have_count(1)


def test_a_page_is_set_aside_with_why_and_comes_back_where_it_was_left(wet: Page) -> None:
    """Two steps were done; brought back they still are."""
    for k in (1, 2):
        wet.keyboard.press("Enter")
        expect(wet.get_by_text(f"{k} of 4 steps done")).to_be_visible()
    saved(wet)
    bench = wet.url
    wet.goto("/page")
    wet.get_by_role("button", name="Put Rain away").click()
    wet.get_by_label("Why, for when you come back to it").fill("waits for its photos")
    wet.keyboard.press("Enter")
    expect(wet.get_by_role("link", name="Rain")).to_have_count(0)
    wet.get_by_role("button", name="Units, marks, punches and what was put away").click()
    wet.get_by_role("button", name="What was put away").click()
    expect(wet.get_by_text("(page), waits for its photos")).to_be_visible()
    wet.get_by_role("button", name="Bring back").click()
    wet.goto(bench)
    expect(wet.get_by_text("2 of 4 steps done")).to_be_visible()
