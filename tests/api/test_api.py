"""The HTTP interface: thin, typed, and plain when it refuses."""

from __future__ import annotations

import io

import pytest
from fastapi.testclient import TestClient
from PIL import Image

from tests.api.documents import jpeg, kit, mat, page, photo_part, sheet, side
from tests.formats.requests import REQUEST, changed

# ---- lengths and settings --------------------------------------------------------------------------


def test_a_length_is_read_and_shown_in_the_persons_unit(api: TestClient) -> None:
    """Exact with its unit, shown to the mark."""
    read = api.post("/api/lengths/read", json={"text": "108mm"}).json()
    assert read == {"length": "108 mm", "shown": "4 1/4", "rounded": True}


def test_a_length_is_stepped_by_marks_within_its_range(api: TestClient) -> None:
    """Down from 1/16 there is nothing less for a size, but there is for a gap."""
    ask = {"text": "1/16", "marks": -1}
    assert api.post("/api/lengths/read", json=ask).json()["length"] == "1/16 in"
    assert api.post("/api/lengths/read", json={**ask, "range": "gap"}).json()["length"] == "0 in"


def test_what_is_no_length_is_refused_in_one_sentence(api: TestClient) -> None:
    """Code, field and sentence come from the same error."""
    answer = api.post("/api/lengths/read", json={"text": "4 1/0"})
    assert answer.status_code == 422
    assert answer.json()["code"] == "length"
    assert answer.json()["sentence"].startswith('"4 1/0": a fraction over nothing at character 3')


def test_a_household_can_measure_in_millimetres(api: TestClient) -> None:
    """Then a bare number is one."""
    now = api.get("/api/settings").json()
    settings = {"unit": "mm", "mark": "0.5 mm", "zero": "centre"}
    api.put("/api/settings", json={"settings": settings, "version": now["saved"]["version"]})
    assert api.post("/api/lengths/read", json={"text": "108"}).json()["length"] == "108 mm"
    assert api.post("/api/lengths/show", json={"lengths": ["4 1/4 in"]}).json()[0]["shown"] == "108"


# ---- kits ------------------------------------------------------------------------------------------


def test_a_kit_is_kept_with_how_its_papers_look(api: TestClient) -> None:
    """Each paper comes back with a tile for both sides."""
    made = api.post("/api/kits", json=kit(sheet("reeds", a=side(pattern="leaf", colours=["#ffffff", "#6f8f6a"]))))
    assert made.status_code == 201
    assert "#6f8f6a" in made.json()["tiles"]["reeds"]["a"]["markup"]


def test_every_pattern_can_be_looked_at_in_ones_own_colours(api: TestClient) -> None:
    """At least sixteen kinds; each shows the first colour, and its usual values come with it."""
    found = {p["name"]: p for p in api.post("/api/patterns", json={"colours": ["#123456", "#abcdef"]}).json()}
    assert len(found) >= 16
    assert all("#123456" in p["tile"]["markup"] and p["tile"]["width"] > 0 for p in found.values())
    assert (found["houses"]["direction"], found["stripe"]["direction"]) == ("one-way", "two-way")


def test_every_wrong_field_of_a_kit_is_named(api: TestClient) -> None:
    """Not only the first."""
    wrong = sheet("reeds", count=-1, width="0 in", a=side(pattern="zebra"))
    answer = api.post("/api/kits", json=kit(wrong)).json()
    assert [f["field"] for f in answer["fields"]] == [
        "kit.papers.0.width",
        "kit.papers.0.count",
        "kit.papers.0.a.pattern",
    ]
    assert answer["fields"][0]["sentence"].endswith('"0 in": nothing at all; write at least 1/16 in')


def test_a_stale_window_is_told_the_version_that_counts(api: TestClient) -> None:
    """409, and nothing is overwritten."""
    made = api.post("/api/kits", json=kit()).json()["saved"]
    where = f"/api/kits/{made['id']}"
    api.put(where, json={**kit(sheet("a")), "version": made["version"]})
    stale = api.put(where, json={**kit(sheet("b")), "version": made["version"]})
    assert (stale.status_code, stale.json()["code"], stale.json()["current_version"]) == (409, "changed", 2)
    assert [p["id"] for p in api.get("/api/kits").json()[0]["kit"]["papers"]] == ["a"]


def test_a_csv_is_read_before_anything_is_kept(api: TestClient) -> None:
    """The right rows and the wrong cells come back; the shelf is as it was."""
    files = {"file": ("kit.csv", "name,width\nReeds,12\nInk,5 ft\n")}
    rows = api.post("/api/kits/read-csv", files=files).json()
    assert [p["name"] for p in rows["papers"]] == ["Reeds"]
    assert rows["wrong"] == [
        {
            "line": 3,
            "field": "width",
            "read": "5 ft",
            "reason": "feet are not read; write the inches, for example 12 in",
        }
    ]
    assert api.get("/api/kits").json() == []


def test_a_kit_leaves_as_csv_and_json_and_comes_back(api: TestClient) -> None:
    """Both files are attachments with a name that any disk takes."""
    made = api.post("/api/kits", json={"kit": {"name": "Tow/path ½", "papers": [sheet("reeds")]}}).json()["saved"]
    for kind in ("csv", "json"):
        answer = api.get(f"/api/kits/{made['id']}/kit.{kind}")
        assert answer.headers["content-disposition"] == f'attachment; filename="Tow_path _.{kind}"'
        back = api.post(f"/api/kits/read-{kind}", files={"file": (f"kit.{kind}", answer.content)})
        assert [p["name"] for p in back.json()["papers"]] == ["Reeds"]


def test_a_photographed_sheet_becomes_the_look_of_a_side(api: TestClient) -> None:
    """Laid flat it is a picture of its own, shown as large as the sheet."""
    id = api.post("/api/pictures", files={"file": ("sheet.jpg", jpeg())}).json()["id"]
    corners = [[0.1, 0.1], [0.9, 0.1], [0.9, 0.9], [0.1, 0.9]]
    body = {"corners": corners, "width": "6 in", "height": "8 in"}
    flat = api.post(f"/api/pictures/{id}/straighten", json=body).json()["id"]
    small = {"side": side(picture=flat), "width": "6 in", "height": "8 in"}
    tile = api.post("/api/tile", json=small).json()
    assert (tile["width"], tile["height"]) == (6, 8) and flat in tile["markup"]
    view = Image.open(io.BytesIO(api.get(f"/api/pictures/{flat}/original").content))
    assert view.size == (900, 1200)


def test_the_demo_kit_is_offered_to_an_empty_household(api: TestClient) -> None:
    """To look at before one's own is unpacked."""
    assert len(api.post("/api/demo-kit").json()["kit"]["papers"]) == 12


# ---- photos ----------------------------------------------------------------------------------------


def test_a_photo_comes_in_with_its_size_and_how_sharp_it_prints(api: TestClient) -> None:
    """1200 × 1800 pixels at 4 × 6 in are 300 an inch."""
    made = api.post("/api/photos", files={"file": ("heron.jpg", jpeg())}).json()["photo"]
    assert (made["photo"]["name"], made["ppi"], made["word"]) == ("heron", 300, "good")
    assert made["photo"]["print"]["height"] == "6 in"
    assert api.get(f"/api/pictures/{made['saved']['id']}/original").content == jpeg()


def test_a_file_that_is_no_picture_is_refused_and_named(api: TestClient) -> None:
    """The others still come in."""
    answer = api.post("/api/photos", files={"file": ("empty.jpg", b"")})
    assert answer.status_code == 422
    assert answer.json()["sentence"] == "empty.jpg: the file is empty (0 bytes); copy the file again"
    assert api.get("/api/photos").json() == []


def test_a_photo_knows_the_pages_it_is_on(api: TestClient) -> None:
    """By their names."""
    id = api.post("/api/photos", files={"file": ("heron.jpg", jpeg())}).json()["photo"]["saved"]["id"]
    part = photo_part()
    part["print"]["photo"] = id
    made = api.post("/api/pages", json={"page": page(part)}).json()
    assert api.get("/api/photos").json()[0]["used_on"] == [{"id": made["saved"]["id"], "name": "Locks"}]


# ---- pages -----------------------------------------------------------------------------------------


def test_a_recipe_is_worked_out(api: TestClient) -> None:
    """Pieces, arithmetic and sentences, lengths as text."""
    found = api.post("/api/evaluate", json={"page": page(photo_part("p", mat("1/8 in")))}).json()
    assert found["parts"][0]["arithmetic"] == "4 × 6 + 2 × 1/8 = 4 1/4 × 6 1/4"
    assert found["pieces"][0]["rect"] == {
        "x": "3 7/8 in",
        "y": "2 7/8 in",
        "width": "4 1/4 in",
        "height": "6 1/4 in",
    }


def test_a_mat_larger_than_its_sheet_is_told_in_the_cost(api: TestClient) -> None:
    """The rest of the page is costed all the same."""
    api.post("/api/kits", json=kit(sheet("ink")))
    part = photo_part("p", mat("5 in", "ink"))
    cost = api.post("/api/cost", json={"page": page(part)}).json()
    assert cost["pieces"] == 1
    assert (
        "14 × 16, cannot be cut from Ink (2 of 12 × 12): it is larger than every sheet"
        in cost["lacking"][0]["sentence"]
    )


def test_a_part_is_moved_caught_and_nudged(api: TestClient) -> None:
    """Near the centre it catches there; a nudge is one mark."""
    start = {"on": "left", "across": {"edge": "left", "by": "1 in"}, "down": {"edge": "top", "by": "1 in"}}
    ask = {"page": page(photo_part(place=start)), "part": "p"}
    caught = api.post("/api/move", json={**ask, "x": "4.05 in", "y": "1 in", "catch": "3/16 in"}).json()
    assert (caught["across"]["says"], caught["box"]["x"]) == ("centre of the page", "4 in")
    assert {d["of"]: d["says"] for d in caught["distances"]}["centre across"] == "centred"
    nudged = api.post("/api/move", json={**ask, "marks": [-1, 2]}).json()
    assert nudged["part"]["place"]["across"] == {"edge": "left", "by": "15/16 in", "of": None}
    assert nudged["part"]["place"]["down"] == {"edge": "top", "by": "1 1/8 in", "of": None}


def test_new_parts_find_room_and_their_level(api: TestClient) -> None:
    """A panel goes under the photo that is there; a second photo finds the other page empty."""
    there = photo_part("there", mat("1/4 in"))
    panel = {"kind": "panel", "id": "panel", "trim": "1/4 in", "width": "4 in", "height": "4 in"}
    parts = [{**panel, "place": there["place"]}, {**there, "id": "second"}]
    found = api.post("/api/add", json={"page": page(there, pages=2), "parts": parts}).json()
    assert [(one["part"]["id"], one["under"]) for one in found] == [("panel", "there"), ("second", None)]
    assert found[1]["part"]["place"] == {**there["place"], "on": "right"}


def test_pages_leave_as_pictures_and_files_and_come_back(api: TestClient) -> None:
    """SVG and PNG to send, JSON to bring in again."""
    where = f"/api/pages/{api.post('/api/pages', json={'page': page(photo_part())}).json()['saved']['id']}"
    assert api.get(f"{where}/page.svg").text.startswith("<svg")
    assert Image.open(io.BytesIO(api.get(f"{where}/page.png?width=300").content)).size == (300, 300)
    back = api.post("/api/pages/read-json", files={"file": ("page.json", api.get(f"{where}/page.json").content)})
    assert back.status_code == 201 and back.json()["page"]["name"] == "Locks 2"


# ---- cutting ---------------------------------------------------------------------------------------


@pytest.fixture
def cut_page(api: TestClient) -> str:
    """A page with one 4 1/4 × 6 1/4 mat of Ink, of which two sheets are there."""
    api.post("/api/kits", json=kit(sheet("ink", a=side(colours=["#222222"]))))
    return str(
        api.post("/api/pages", json={"page": page(photo_part("p", mat("1/8 in", "ink")))}).json()["saved"]["id"]
    )


def test_ticks_are_kept_and_bring_the_earlier_cuts_along(api: TestClient, cut_page: str) -> None:
    """The last cut ticked, the piece is done; it is still so on asking again."""
    where = f"/api/pages/{cut_page}/cutting"
    now = api.get(where).json()
    last = now["cuts"]["sheets"][0]["steps"][-1]["key"]
    api.post(f"{where}/tick", json={"key": last, "on": True, "version": now["version"]})
    kept = api.get(where).json()
    assert (kept["begun"], kept["done"], len(kept["ticked"])) == (True, 1, 2)
    assert api.get("/api/pages").json()[0]["cutting"] == "cut"


def test_other_pages_see_a_begun_sheet_gone_and_its_rest(api: TestClient, cut_page: str) -> None:
    """One sheet fewer of Ink, and the same mat comes out of the rest."""
    where = f"/api/pages/{cut_page}/cutting"
    step = api.get(where).json()["cuts"]["sheets"][0]["steps"][-1]["key"]
    api.post(f"{where}/tick", json={"key": step, "on": True, "version": 0})
    other = api.post("/api/cost", json={"page": page(photo_part("q", mat("1/8 in", "ink")))}).json()["papers"][0]
    assert (other["had"], other["opened"], other["scraps"]) == (1, 0, 1)


def test_a_page_that_changed_while_cut_plans_the_rest_again(api: TestClient, cut_page: str) -> None:
    """What is cut stays; the new piece is planned from what is left."""
    where = f"/api/pages/{cut_page}"
    step = api.get(f"{where}/cutting").json()["cuts"]["sheets"][0]["steps"][-1]["key"]
    api.post(f"{where}/cutting/tick", json={"key": step, "on": True, "version": 0})
    parts = [photo_part("p", mat("1/8 in", "ink")), photo_part("q", mat("1/4 in", "ink"))]
    api.put(where, json={"page": page(*parts), "version": 1})
    now = api.get(f"{where}/cutting").json()
    assert (now["new"], now["pieces"], now["done"]) == (["mat of photo"], 1, 1)
    again = api.post(f"{where}/cutting/again", json={"version": now["version"]}).json()
    assert (again["new"], again["pieces"], again["done"]) == ([], 2, 1)
    assert again["cuts"]["sheets"][1]["scrap"] is True
    undone = api.post(f"{where}/cutting/undo", json={"version": again["version"]}).json()
    assert undone["pieces"] == 1


def test_measuring_in_another_unit_changes_nothing_on_a_begun_list(api: TestClient, cut_page: str) -> None:
    """A mat that is half cut in inches is not a new one in millimetres."""
    where = f"/api/pages/{cut_page}/cutting"
    first = api.get(where).json()
    api.post(f"{where}/tick", json={"key": first["cuts"]["sheets"][0]["steps"][0]["key"], "on": True, "version": 0})
    api.put("/api/settings", json={"settings": {"unit": "mm", "mark": "1 mm", "zero": "left"}, "version": 1})
    now = api.get(where).json()
    assert (now["new"], now["gone"], now["sizes"]) == ([], [], first["sizes"])


def test_the_cut_list_leaves_as_pdf_csv_and_svg(api: TestClient, cut_page: str) -> None:
    """Letter and A4, the pieces, each sheet at true size."""
    where = f"/api/pages/{cut_page}"
    for paper in ("letter", "a4"):
        assert api.get(f"{where}/cuts.pdf?paper={paper}").content.startswith(b"%PDF")
    assert "4.25,4 1/4 in,6.25,6 1/4 in" in api.get(f"{where}/pieces.csv").text
    assert 'width="12in"' in api.get(f"{where}/sheets/1.svg").text
    assert api.get(f"{where}/sheets/2.svg").status_code == 404


def test_the_planner_answers_over_http_as_on_the_command_line(api: TestClient) -> None:
    """200 with a plan, also where pieces are unplaced; 422 where the request is refused."""
    assert api.post("/api/cutplan", json=REQUEST).json()["whole_sheets_used"] == 2
    large = changed("pieces.0", {"id": "p", "width": 99, "height": 99})
    assert api.post("/api/cutplan", content=large).json()["unplaced"][0]["piece"] == "p"
    refused = api.post("/api/cutplan", content='{"format": NaN}')
    assert refused.status_code == 422 and "NaN" in refused.json()["sentence"]


# ---- the door --------------------------------------------------------------------------------------


def test_another_site_may_not_write(api: TestClient) -> None:
    """A page open elsewhere in the same browser is turned away."""
    answer = api.post("/api/kits", json=kit(), headers={"Origin": "http://elsewhere.example"})
    assert answer.status_code == 403


def test_unknown_addresses_say_so(api: TestClient) -> None:
    """As JSON under /api, and no file outside the interface is ever given."""
    assert api.get("/api/nothing").json()["code"] == "not-there"
    assert api.get("/assets/nothing.js").status_code == 404
    assert api.get("/..%2f..%2fpyproject.toml").status_code == 404
