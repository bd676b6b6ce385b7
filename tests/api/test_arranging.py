"""Over HTTP: every kind of part in and out, handles, arranging, measuring, auditions, formats, variants."""

from __future__ import annotations

from typing import Any

import pytest
from fastapi.testclient import TestClient

from tests.api.documents import CENTRED, kit, page, sheet
from ulna.formats import recipe as recipe_format
from ulna.formats.documents import written

PLACE = {"on": "left", **CENTRED}
PAPERS = [{"paper": "reeds"}, {"paper": "cream"}, {"paper": "brick"}]


def part(kind: str, id: str = "x", **values: Any) -> dict[str, Any]:
    return {"kind": kind, "id": id, "place": PLACE, **values}


EVERY_KIND = [
    {"kind": "base", "id": "x", "choice": {"paper": "cream"}},
    part("panel", width="4 in", height="6 in", opening={"width": "2 in", "height": "2 in", "lap": "1/8 in"}),
    part("papered", papers=PAPERS, border="1/4 in"),
    part("mitred", shows="3/4 in"),
    part("torn", width="1 in", length="8 in", step="3/8 in", papers=PAPERS),
    part("stitching", inset="1/8 in"),
    part("band", width="1/2 in", length="8 in", by="1/2 in", way="stepped", papers=PAPERS),
    part("pieced", pattern="pinwheel", width="4 in", height="4 in", strip="1/2 in", papers=PAPERS),
    part("grid", cell_width="3 in", cell_height="3 in", gap="1/4 in", margin="1/2 in", papers=PAPERS),
    part("tiles", size="1 1/2 in", width="6 in", height="6 in", papers=PAPERS),
    part("cutout", figure="tag", width="2 in", height="3 in", cut="1/2 in", hole="1/2 in", reinforced=True),
    part("pocket", width="4 in", height="3 in", seam="1/8 in", out="1 in", inside={"paper": "cream"}),
    part("rounds", size="1/2 in", length="6 in", height="6 in", pitch="3/4 in", papers=PAPERS),
    part("card", sheet="cards", card="sun"),
    part("tape", width="5/8 in"),
    part("axis", length="10 in", height="10 in"),
]  # fmt: skip


@pytest.fixture
def shop(api: TestClient) -> TestClient:
    """A household with papers, one of them a sheet with a card."""
    card = {"name": "sun", "at": {"x": "0 in", "y": "0 in", "width": "4 in", "height": "3 in"}}
    api.post("/api/kits", json=kit(sheet("reeds"), sheet("cream"), sheet("brick"), sheet("cards", cards=[card])))
    return api


@pytest.mark.parametrize("one", EVERY_KIND, ids=lambda one: one["kind"])
def test_every_kind_is_worked_out_and_comes_back_from_a_file(shop: TestClient, one: dict[str, Any]) -> None:
    """Said in one sentence, with a box; as a file it is the same recipe again."""
    answer = shop.post("/api/evaluate", json={"page": page(one)}).json()
    (found,) = answer["parts"]
    assert found["box"] and found["sentence"].endswith(".") and found["arithmetic"]
    assert {f["severity"] for f in answer["findings"]} <= {"note", "warn"}
    kept = shop.post("/api/pages", json={"page": page(one)}).json()
    file = shop.get(f"/api/pages/{kept['saved']['id']}/page.json").content
    assert written(recipe_format.read(file)) == kept["page"]
    assert shop.get(f"/api/pages/{kept['saved']['id']}/page.svg").status_code == 200


def test_a_hand_that_goes_too_far_does_not_take_the_part_away(shop: TestClient) -> None:
    """Circles of 1/2 in pulled smaller by a foot stay as they are, and the figure says so."""
    circles = next(one for one in EVERY_KIND if one["kind"] == "rounds")
    body = {"page": page(circles), "part": "x", "field": "size", "across": "-12 in", "down": "0 in"}
    pulled = shop.post("/api/pull", json=body).json()
    assert pulled["says"] == "size: no further" and pulled["part"]["size"] == "1/2 in"


@pytest.mark.parametrize("one", EVERY_KIND, ids=lambda one: one["kind"])
def test_every_handle_can_be_pulled(shop: TestClient, one: dict[str, Any]) -> None:
    asked = page(one)
    for handle in shop.post("/api/evaluate", json={"page": asked}).json()["parts"][0]["handles"]:
        body = {"page": asked, "part": "x", "field": handle["field"], "across": "1/2 in", "down": "1/2 in"}
        pulled = shop.post("/api/pull", json=body)
        assert pulled.status_code == 200 and pulled.json()["says"].startswith(handle["name"]), handle["field"]


def test_a_handle_that_is_none_is_refused_with_those_there_are(shop: TestClient) -> None:
    body = {"page": page(EVERY_KIND[6]), "part": "x", "field": "sides", "across": "0 in", "down": "0 in"}
    refused = shop.post("/api/pull", json=body)
    assert refused.status_code == 422 and "there are count, length, gap, by" in refused.json()["sentence"]


def test_parts_are_arranged_and_the_recipe_is_not_kept(shop: TestClient) -> None:
    """Grouped, copied with its group, mirrored, taken away: each answers what the recipe would be."""
    band, tag = EVERY_KIND[6] | {"id": "band"}, EVERY_KIND[10] | {"id": "tag"}

    def arranged(asked: dict[str, Any], *parts: str, **values: Any) -> dict[str, Any]:
        answer = shop.post("/api/arrange", json={"page": asked, "parts": list(parts), **values})
        assert answer.status_code == 200, answer.json()
        return answer.json()

    grouped = arranged(page(band, tag), "band", "tag", act="group", name="flags")["page"]
    assert grouped["groups"][0]["name"] == "flags"
    copied = arranged(grouped, "tag", act="copy")
    assert len(copied["page"]["parts"]) == 4 and len(copied["page"]["groups"]) == 2 and len(copied["chosen"]) == 2
    moved = arranged(grouped, "tag", act="move", across="1 in", marks=[0, -4])["page"]
    assert [p["place"]["across"]["edge"] for p in moved["parts"]] == ["left", "left"]
    assert arranged(moved, "tag", act="ungroup")["page"]["groups"] == []
    assert arranged(moved, "tag", act="remove")["chosen"] == []
    for act in ("align", "mirror", "repeat", "ring", "swap"):
        arranged(page(band, tag), "band", "tag", act=act, edge="top", rows=2, columns=2, across="3 in", down="3 in")
    refused = shop.post("/api/arrange", json={"page": page(band), "parts": ["band"], "act": "swap pages"})
    assert refused.status_code == 422 and "make it a double page first" in refused.json()["sentence"]
    assert shop.post("/api/arrange", json={"page": page(band), "parts": ["no"], "act": "copy"}).status_code == 404


def test_two_parts_give_their_distance(shop: TestClient) -> None:
    beside = part("cutout", "two", figure="circle", width="2 in", height="2 in")
    beside["place"] = {
        "on": "left",
        "across": {"edge": "left", "by": "0 in"},
        "down": {"edge": "top", "by": "0 in"},
    }
    body = {"page": page(EVERY_KIND[10], beside), "first": "x", "second": "two"}
    assert shop.post("/api/between", json=body).json()["says"].startswith("3 apart across, 2 1/2 apart down")


def test_papers_are_auditioned_with_what_is_left_of_them(shop: TestClient) -> None:
    """The reeds of a band exchanged for each other paper and its back; sheets of cards are not tried."""
    body = {"page": page(EVERY_KIND[6]), "part": "x", "of": {"paper": "reeds"}}
    tried = shop.post("/api/audition", json=body).json()
    assert {t["choice"]["paper"] for t in tried} == {"reeds", "cream", "brick"} and all(t["enough"] for t in tried)


def test_new_parts_are_dressed_in_papers_that_are_open(shop: TestClient) -> None:
    """Of a page that begins no sheet yet they take none, and say so; nor where they are not to be dressed."""
    bare = part("band", width="1/2 in", length="8 in", by="0 in", papers=[{}, {}])
    (added,) = shop.post("/api/add", json={"page": page(), "parts": [bare], "dress": True}).json()
    assert not any(choice["paper"] for choice in added["part"]["papers"])
    assert added["told"] == "No open sheet serves; it has no paper yet."
    paper = shop.get("/api/kits").json()[0]["kit"]["papers"][0]["id"]
    begun = page(part("panel", id="ground", width="6 in", height="6 in", choice={"paper": paper}))
    (added,) = shop.post("/api/add", json={"page": begun, "parts": [bare], "dress": True}).json()
    assert {choice["paper"] for choice in added["part"]["papers"]} == {paper}
    assert added["told"].startswith("Out of what is open already: ")
    (plain,) = shop.post("/api/add", json={"page": begun, "parts": [bare]}).json()
    assert not any(choice["paper"] for choice in plain["part"]["papers"]) and plain["told"] == ""


def test_a_recipe_goes_along_to_another_format(shop: TestClient) -> None:
    notebook = {"kind": "notebook", "width": "4 1/4 in", "height": "8 1/4 in", "pages": 2}
    body = {"page": page(EVERY_KIND[7], EVERY_KIND[8] | {"id": "grid"}), "format": notebook}
    moved = shop.post("/api/reformat", json=body).json()
    assert moved["page"]["format"]["kind"] == "notebook" and moved["page"]["parts"][0]["width"] != "4 in"


def test_variants_are_kept_compared_and_put_away(shop: TestClient) -> None:
    """Each keeps a whole recipe under a name; put away it can be brought back; the page itself stays as it is."""
    id = shop.post("/api/pages", json={"page": page(EVERY_KIND[6])}).json()["saved"]["id"]
    kept = shop.post(f"/api/pages/{id}/variants", json={"name": "Stepped", "recipe": page(EVERY_KIND[6])})
    assert kept.status_code == 201
    shop.post(f"/api/pages/{id}/variants", json={"name": "Bare", "recipe": page()})
    assert [v["variant"]["name"] for v in shop.get(f"/api/pages/{id}/variants").json()] == ["Stepped", "Bare"]
    variant = kept.json()["saved"]
    away = shop.post(f"/api/variants/{variant['id']}/away", json={"version": variant["version"]}).json()["saved"]
    assert [v["variant"]["name"] for v in shop.get(f"/api/pages/{id}/variants").json()] == ["Bare"]
    shop.post(f"/api/variants/{variant['id']}/back", json={"version": away["version"]})
    assert len(shop.get(f"/api/pages/{id}/variants").json()) == 2
    assert shop.get("/api/pages/none/variants").status_code == 404


@pytest.mark.parametrize(
    ("wrong", "words"),
    [
        ({"place": CENTRED | {"across": {"edge": "after", "by": "0 in"}}}, "wants the part"),
        ({"width": "0 in"}, "nothing at all"),
        ({"papers": []}, "papers"),
        ({"way": "sideways"}, "way"),
    ],
)  # fmt: skip
def test_what_is_no_part_is_refused_by_its_field(shop: TestClient, wrong: dict[str, Any], words: str) -> None:
    refused = shop.post("/api/evaluate", json={"page": page(EVERY_KIND[6] | wrong)})
    assert refused.status_code == 422 and words in refused.json()["sentence"]


@pytest.mark.parametrize(
    ("card", "words"),
    [
        ({"name": "off", "at": {"x": "10 in", "y": "0 in", "width": "4 in", "height": "3 in"}}, "beyond the sheet"),
        ({"name": "", "at": {"x": "0 in", "y": "0 in", "width": "4 in", "height": "3 in"}}, "name"),
    ],
)
def test_a_card_off_its_sheet_is_refused(api: TestClient, card: dict[str, Any], words: str) -> None:
    refused = api.post("/api/kits", json=kit(sheet("cards", cards=[card])))
    assert refused.status_code == 422 and words in refused.json()["sentence"]
