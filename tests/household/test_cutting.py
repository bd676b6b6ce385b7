"""Pages at the trimmer, in one household: numbers of sheets, scraps that go from page to page, mishaps, undo."""

from __future__ import annotations

import contextlib
import io
import threading
from collections.abc import Iterator
from dataclasses import replace
from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient

from tests.api.client import client_of
from tests.api.documents import CENTRED, kit, page, sheet, side
from tests.blind_hand import Table, cut, laid
from ulna.core.kit import book
from ulna.core.measure import Unit, mm
from ulna.core.photos.template import Template
from ulna.formats import collection
from ulna.household.home import Household


@pytest.fixture
def api(tmp_path: Path) -> Iterator[TestClient]:
    """Three sheets of Ink and two of Cream, 12 × 12."""
    with client_of(tmp_path) as client:
        ink, cream = sheet("ink", count=3, a=side(colours=["#222222"])), sheet("cream", count=2)
        assert client.post("/api/kits", json=kit(ink, cream)).status_code == 201
        yield client


def panel(width: str, height: str, paper: str = "ink", id: str = "panel") -> dict[str, Any]:
    place = {"on": "left", **CENTRED}
    choice = {"paper": paper}
    return {"kind": "panel", "id": id, "name": id, "trim": None, "width": f"{width} in", "height": f"{height} in",
            "choice": choice, "place": place}  # fmt: skip


def add(api: TestClient, *parts: dict[str, Any], **more: Any) -> str:
    """A page with these parts; its id."""
    recipe = page(*parts)
    answer = api.post("/api/pages", json={"page": recipe | more})
    assert answer.status_code == 201, answer.text
    id: str = answer.json()["saved"]["id"]
    return id


class Cutting:
    """The cut list of a page, as a person goes on with it."""

    def __init__(self, api: TestClient, page: str) -> None:
        self.api, self.at = api, f"/api/pages/{page}/cutting"
        self.now = api.get(self.at).json()

    def do(self, act: str, **body: Any) -> dict[str, Any]:
        """Does it, and gives the answer; what was refused changes nothing."""
        answer = self.api.post(f"{self.at}/{act}", json={"version": self.now["version"], **body})
        if answer.status_code == 200:
            self.now = answer.json()
        found: dict[str, Any] = answer.json()
        return found

    def steps(self) -> list[dict[str, Any]]:
        return [step for one in self.now["cuts"]["sheets"] for step in one["steps"]]

    def cut_all(self) -> Cutting:
        for step in self.steps():
            if step["key"] not in self.now["ticked"]:
                self.do("tick", key=step["key"], on=True)
        return self

    @property
    def sheets(self) -> list[str]:
        return [str(self.now["sheet_names"][one["key"]]) for one in self.now["cuts"]["sheets"]]


def shelf(api: TestClient, paper: str = "Ink") -> dict[str, str]:
    """The scraps of a paper, by name."""
    entries = [entry for kit in api.get("/api/book").json() for entry in kit["papers"]]
    entry = next(entry for entry in entries if entry["name"] == paper)
    return {scrap["name"]: scrap["size"] for scrap in entry["scraps"]}


def test_a_sheet_has_its_number_in_the_household_once(api: TestClient) -> None:
    """Two pages that cut the same paper have Ink 1 and Ink 2, whichever was planned first."""
    first, second = (Cutting(api, add(api, panel("12", "11"))) for _ in range(2))
    assert first.sheets == second.sheets == ["Ink 1"]
    first.cut_all()
    second = Cutting(api, add(api, panel("12", "11")))
    assert second.cut_all().sheets == ["Ink 2"]
    assert shelf(api) == {"Ink 1a": "12 × 1", "Ink 2a": "12 × 1"}


def test_what_one_page_leaves_serves_another(api: TestClient) -> None:
    """And the cut that left it cannot be taken back before that one is."""
    first = Cutting(api, add(api, panel("12", "8"))).cut_all()
    assert shelf(api) == {"Ink 1a": "12 × 4"}
    second = Cutting(api, add(api, panel("12", "3")))
    assert second.sheets == ["Ink 1a"]
    second.cut_all()
    assert shelf(api) == {"Ink 1aa": "12 × 1"}
    told = first.do("undo")
    assert told["sentence"] == (
        "cut: a scrap that this leaves has been cut since, for panel; take that cut back first"
    )
    assert shelf(api) == {"Ink 1aa": "12 × 1"}
    second.do("undo")
    first.do("undo")
    assert shelf(api) == {}


def test_a_scrap_narrower_than_is_kept_is_waste(api: TestClient) -> None:
    settings = api.get("/api/settings").json()
    body = {"settings": settings["settings"] | {"least_scrap": "2 in"}, "version": settings["saved"]["version"]}
    assert api.put("/api/settings", json=body).status_code == 200
    page = Cutting(api, add(api, panel("12", "10 1/2")))
    told = page.now["directions"][page.steps()[-1]["key"]]
    assert [fall["says"] for fall in told["falls"]] == ["12 × 1 1/2 is waste"]
    page.cut_all()
    assert shelf(api) == {}


def test_a_spoiled_piece_is_cut_from_the_middle_of_one_that_is_cut_already(api: TestClient) -> None:
    """A base of the last sheet is cut; the small panel on it is spoiled, and comes out of the base's middle now."""
    for _ in range(2):
        Cutting(api, add(api, panel("12", "12"))).cut_all()
    parts = panel("12", "8", id="ground"), panel("12", "8", "cream", "cover"), panel("3", "3", id="small")
    page = Cutting(api, add(api, *parts)).cut_all()
    number = next(p["number"] for s in page.now["cuts"]["sheets"] for p in s["pieces"] if p["name"] == "small")
    page.do("spoiled", number=number)
    assert page.now["done"] == 2 and not page.now["lacking"]
    page.cut_all()
    assert page.now["done"] == page.now["pieces"] == 3


def test_what_cannot_be_is_told_with_its_field(api: TestClient) -> None:
    page = Cutting(api, add(api, panel("12", "8"))).cut_all()
    key = page.steps()[0]["key"]
    assert page.do("spoiled", number=1, width="13 in", height="1 in")["sentence"].startswith("left: the piece was")
    assert page.do("elsewhere", key=key, setting="3 in")["sentence"].startswith("step: this cut is ticked already")
    assert page.do("tick", key=key, on=True, says="Set 1 from the left.")["code"] == "not-there"
    assert page.do("spoiled", number=99)["code"] == "not-there"


def test_a_longer_search_can_be_stopped_and_what_it_found_is_on_the_list(api: TestClient) -> None:
    id = add(api, *(panel("5", "4", id=f"p{k}") for k in range(9)))
    at = f"/api/pages/{id}/cutting/search"
    assert api.get(at).json()["state"] == "none"
    assert api.post(at, json={"seconds": 30}).json()["state"] in ("searching", "ended")
    ended = api.post(f"{at}/stop").json()
    assert ended["state"] in ("stopped", "ended") and ended["found"] and ended["share"] == 1
    assert Cutting(api, id).now["opened"] == 2
    assert api.post(at, json={"seconds": 1000}).status_code == 422


def test_the_list_on_paper_is_compact(api: TestClient) -> None:
    from pypdf import PdfReader

    id = add(api, panel("12", "8"), panel("5", "4", "cream", "card"))
    content = api.get(f"/api/pages/{id}/cuts.pdf").content
    pages = PdfReader(io.BytesIO(content)).pages
    assert len(pages) == 3, "pieces, the cuts of both sheets, where they go"
    words = " ".join(pages[1].extract_text().split())
    assert "On the back: 1 · Panel" in words and "goes on the shelf" in words


def test_pages_together_have_each_its_own_kept_sheets(api: TestClient) -> None:
    """One sheet of three is kept back for the second page: the first, which wants three, is short of one."""
    wants = [panel("12", "12", id=f"p{k}") for k in range(3)]
    first = add(api, *wants)
    second = add(api, panel("12", "12"), keeps=[{"paper": "ink", "count": 1}])
    answer = api.put("/api/together", json={"pages": [first, second], "version": 0}).json()
    assert [short["page"] for short in answer["short"]] == [first]
    took = {(t["page"], t["sheets"]) for t in answer["takes"]}
    assert took == {(first, 2), (second, 1)}
    (ink,) = answer["papers"]
    assert (ink["there"], ink["opened"]) == (3, 3)
    helps = api.post("/api/helps", json={"piece": answer["short"][0]["piece"]}).json()
    assert [
        help["says"] for help in helps
    ] == []  # cream is far from ink, and no mat or print is there to make smaller


def test_the_book_tells_who_kept_what(api: TestClient) -> None:
    id = add(api, panel("12", "8"), keeps=[{"paper": "cream", "count": 2}])
    Cutting(api, id).cut_all()
    (book,) = api.get("/api/book").json()
    ink, cream = book["papers"]
    assert (ink["had"], ink["left"], ink["used_up"]) == (3, 2, False)
    assert ink["areas"]["says"] == "96 of 432 sq in on pages, 48 in scraps, 288 whole"
    assert [sheet["pieces"] for sheet in ink["sheets"]] == [["panel, 12 × 8"]]
    assert ink["sheets"][0]["when"] is not None
    assert [(kept["page"], kept["count"]) for kept in cream["kept_back"]] == [(id, 2)]
    assert {"what": "foundations of 12 × 12", "count": 2} in cream["makes"]


# ---- the list as a document ------------------------------------------------------------------------


def followed(api: TestClient, page: str, ticked: bool = False) -> Table:
    """What a hand gets that follows the published list to its end, or as far as it is ticked."""
    document = api.get(f"/api/pages/{page}/cuts.json").json()
    table = cut(document, set(document["ticked"]) if ticked else None)
    if not ticked:
        laid(document, table)
    return table


def test_a_list_half_cut_and_spoiled_can_be_followed_blindly(api: TestClient) -> None:
    """Three pages from one kit: the first is cut, the second half, with a piece spoiled and a cut made elsewhere."""
    first = add(api, panel("12", "8", id="ground"), panel("5", "4", "cream", "card"))
    Cutting(api, first).cut_all()
    second = add(
        api, panel("7", "9", id="a"), panel("4", "6", id="b"), panel("3", "3", id="c"), panel("2", "2", id="d")
    )
    page = Cutting(api, second)
    for step in page.steps()[:3]:
        page.do("tick", key=step["key"], on=True)
    number = next(p["number"] for s in page.now["cuts"]["sheets"] for p in s["pieces"])
    page.do("spoiled", number=number, width="2 in", height="2 in")
    step = next(s for s in page.steps() if s["kind"] == "cut" and s["key"] not in page.now["ticked"])
    page.do("elsewhere", key=step["key"], setting="1 in")
    third = add(api, panel("6", "6", id="e"))
    for one in (first, second, third):
        assert followed(api, one).wrong == []
        assert followed(api, one, ticked=True).wrong == []
    assert page.cut_all().now["done"] == page.now["pieces"] == 4
    assert followed(api, second).wrong == []


def test_the_document_and_the_shelf_call_rests_by_the_same_names(api: TestClient) -> None:
    page = add(api, panel("12", "8"))
    Cutting(api, page).cut_all()
    assert set(followed(api, page, ticked=True).rests) == set(shelf(api)) == {"Ink 1a"}


def test_the_list_leaves_as_json_and_as_one_drawing(api: TestClient) -> None:
    page = add(api, panel("12", "8"))
    document = api.get(f"/api/pages/{page}/cuts.json").json()
    assert (document["format"], document["version"], document["unit"]) == ("ulna-cut-list", 1, "in")
    assert api.get(f"/api/pages/{page}/cuts.svg").text.count("<svg") == 2
    assert api.get("/api/pages/nowhere/cuts.json").status_code == 404


def test_a_piece_without_a_paper_is_told_on_its_list(api: TestClient) -> None:
    part = panel("12", "8") | {"choice": {"paper": None}}
    now = Cutting(api, add(api, part)).now
    assert [one["sentence"] for one in now["lacking"]] == ["Panel is not on the list: no paper is chosen yet."]


def test_a_library_as_json_keeps_what_is_cut(api: TestClient, tmp_path: Path) -> None:
    """Brought into another household the used sheet is used there too, and its rest is a scrap."""
    Cutting(api, add(api, panel("12", "8"))).cut_all()
    home: Household = api.app.state.household  # type: ignore[attr-defined]
    document = collection.read(collection.write(home.whole()))
    with contextlib.closing(Household(tmp_path / "other")) as other:
        other.bring_in_library(document)
        papers = other.shelf_for(None).papers.values()
        assert sorted((p.name, p.count) for p in papers) == [("Cream", 2), ("Ink", 2), ("Ink 1a", 1)]
        assert other.bring_in_library(document) == (0, 0, 2), "here already: nothing is doubled"
        assert list(other.shelf_for(None).papers.values()) == list(papers)


def test_a_library_as_json_keeps_templates_settings_and_the_print_list(api: TestClient, tmp_path: Path) -> None:
    """They come where the other household has none of its own; photos are noted, their pictures stay behind."""
    home: Household = api.app.state.household  # type: ignore[attr-defined]
    settings = home.settings()
    home.all_settings.write("settings", settings.version, replace(settings.body, unit="mm"), "in millimetres")
    template = home.roll.templates.add(Template("Nine of the lock"), "began")
    wanted = home.printing.kept(home.ruler())
    home.printing.lists.write("prints", wanted.version, replace(wanted.body, gap=mm(3)), "a wider gap")
    document = collection.read(collection.write(home.whole()))
    with contextlib.closing(Household(tmp_path / "other")) as other:
        for _ in range(2):
            other.bring_in_library(document)
        assert other.ruler().unit is Unit.MM
        assert other.library.get("template", template.id).body["name"] == "Nine of the lock"
        assert other.library.get("prints", "prints").body["gap"] == "3 mm"


def test_the_book_leaves_as_csv(api: TestClient) -> None:
    """A row a piece, with numbers that are numbers; a name that looks like a formula is text."""
    Cutting(api, add(api, panel("12", "8", id="=ground"))).cut_all()
    header, row = api.get("/api/book.csv").text.lstrip("\ufeff").splitlines()
    assert header.startswith("kit,paper,sheet,page,piece,width (in),height (in)")
    assert "Ink 1" in row and ",'=ground,12,8," in row


def test_the_last_sheet_is_handed_out_once(api: TestClient) -> None:
    """Two windows tick the last sheet for two pages at the same moment: one has it, the other is told; every time."""
    home: Household = api.app.state.household  # type: ignore[attr-defined]
    for n in range(12):
        one_sheet = kit(sheet(f"last-{n}", count=1))
        assert api.post("/api/kits", json=one_sheet).status_code == 201
        pages = [add(api, panel("12", "8", id=f"p{k}") | {"choice": {"paper": f"last-{n}"}}) for k in (1, 2)]
        asked = []
        for id in pages:
            now = api.get(f"/api/pages/{id}/cutting").json()
            key = next(step["key"] for step in now["cuts"]["sheets"][0]["steps"])
            asked.append((id, {"key": key, "on": True, "version": 0, "says": now["directions"][key]["says"]}))
        start, statuses = threading.Barrier(2), []

        def tick(page: str, body: dict, start: threading.Barrier = start, statuses: list[int] = statuses) -> None:
            start.wait()
            statuses.append(api.post(f"/api/pages/{page}/cutting/tick", json=body).status_code)

        hands = [threading.Thread(target=tick, args=one) for one in asked]
        for hand in hands:
            hand.start()
        for hand in hands:
            hand.join()
        assert sorted(statuses)[0] == 200 and sorted(statuses)[1] in (404, 409, 422), statuses
    entries = book.book(home.shelf(), {p: c.begun for p, c in home.cuttings().items()}, home.least_scrap())
    assert all(entry.over == 0 for entry in entries)


def test_what_was_taken_back_and_taken_by_another_is_not_redone(api: TestClient) -> None:
    """A step forward takes a sheet as a tick does: only while it is there."""
    assert api.post("/api/kits", json=kit(sheet("last", count=1))).status_code == 201
    first, second = (add(api, panel("12", "8", id=f"p{k}") | {"choice": {"paper": "last"}}) for k in (1, 2))
    one = Cutting(api, first).cut_all()
    back = api.post(f"/api/pages/{first}/cutting/undo", json={"version": one.now["version"]}).json()
    while back["undo"]:
        back = api.post(f"/api/pages/{first}/cutting/undo", json={"version": back["version"]}).json()
    Cutting(api, second).cut_all()
    refused = api.post(f"/api/pages/{first}/cutting/redo", json={"version": back["version"]})
    assert refused.status_code == 422 and "begun for another page" in refused.json()["sentence"]


def test_sheets_that_are_begun_are_not_counted_away(api: TestClient) -> None:
    """Fewer than are begun cannot be there: the count is refused, by name, and stays."""
    Cutting(api, add(api, panel("12", "8"))).cut_all()
    (kept,) = api.get("/api/kits").json()
    ink = next(paper for paper in kept["kit"]["papers"] if paper["name"] == "Ink")
    for count, status in ((1, 200), (0, 422)):
        ink["count"] = count
        version = api.get("/api/kits").json()[0]["saved"]["version"]
        asked = {"kit": kept["kit"], "what": "counted", "version": version}
        answer = api.put(f"/api/kits/{kept['saved']['id']}", json=asked)
        assert answer.status_code == status
    assert "Ink: sheets: 1 sheet is begun already, read '0'" in answer.json()["sentence"]
