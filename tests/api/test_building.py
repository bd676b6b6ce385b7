"""Checking, building and the log over HTTP: what is asked, refused, kept."""

from __future__ import annotations

import io
from typing import Any

import pytest
from fastapi.testclient import TestClient
from PIL import Image


@pytest.fixture
def page(api: TestClient) -> str:
    """A page with a base of Cream and a photo's place on a mat of Ink."""
    kit = {
        "name": "Kit",
        "papers": [
            {"id": id, "name": id.title(), "width": "12 in", "height": "12 in", "count": 4, "stock": "card stock",
             "a": {"pattern": "plain", "colours": [colour]}, "b": {"pattern": "plain", "colours": [colour]}}
            for id, colour in (("cream", "#f6efe0"), ("ink", "#2b3138"))
        ],
    }  # fmt: skip
    assert api.post("/api/kits", json={"kit": kit}).status_code == 201
    recipe = {
        "name": "Rain",
        "story": "All day.",
        "parts": [
            {"kind": "base", "id": "base", "choice": {"paper": "cream"}},
            {"kind": "wet", "id": "wash", "place": at("1 in", "1 in")},
            {"kind": "photo", "id": "photo", "mats": [{"choice": {"paper": "ink"}}], "place": at("2 in", "3 in")},
        ],
    }
    made = api.post("/api/pages", json={"page": recipe, "what": "began the page"})
    assert made.status_code == 201, made.text
    id: str = made.json()["saved"]["id"]
    return id


def at(x: str, y: str) -> dict[str, Any]:
    return {"across": {"edge": "left", "by": x}, "down": {"edge": "top", "by": y}}


def built(api: TestClient, page: str) -> Any:
    return api.get(f"/api/pages/{page}/building").json()


def tick(api: TestClient, page: str, step: str, on: bool = True, seconds: int = 0) -> Any:
    asked = {"step": step, "on": on, "seconds": seconds}
    return api.post(f"/api/pages/{page}/building/tick", json=asked)


def test_a_page_is_checked_and_a_remedy_taken(api: TestClient, page: str) -> None:
    recipe = api.get(f"/api/pages/{page}").json()["page"]
    found = api.post("/api/check", json={"page": recipe, "id": page}).json()["found"]
    places = next(one for one in found if one["finding"]["code"] == "no-place")
    assert places["name"] == "A place for words" and places["why"].startswith("A page is made for its story")
    remedy = places["finding"]["remedies"][0]
    assert remedy["says"] == "Add a title"
    taken = {"page": recipe, "remedies": [{"says": remedy["says"], "part": remedy["part"]}]}
    after = api.post("/api/check/remedies", json=taken).json()
    assert [part["kind"] for part in after["parts"]] == ["base", "wet", "photo", "title"]
    costs = api.post("/api/check/costs", json={"before": recipe, "after": after, "id": page}).json()
    assert costs["says"] == "no sheet more, 5 pieces more to cut"


def test_what_is_put_aside_is_counted(api: TestClient, page: str) -> None:
    """For the page by its recipe, for good by the settings; a stop stays."""
    recipe = api.get(f"/api/pages/{page}").json()["page"]
    recipe["aside"] = [{"code": "no-place", "part": ""}]
    settings = api.get("/api/settings").json()
    kept = settings["settings"] | {"aside": ["weight"]}
    assert (
        api.put("/api/settings", json={"settings": kept, "version": settings["saved"]["version"]}).status_code
        == 200
    )
    found = api.post("/api/check", json={"page": recipe, "id": page}).json()["found"]
    aside = {one["finding"]["code"]: one["finding"]["aside"] for one in found}
    assert aside["no-place"] == "page"
    assert aside.get("weight", "house") == "house"


def test_the_pairs_to_learn_by_are_drawn(api: TestClient) -> None:
    found = api.get("/api/checks").json()
    assert len(found["pairs"]) == 20 and all(pair["has"]["pieces"] for pair in found["pairs"])
    assert api.get("/api/checks/calm.svg").headers["content-type"].startswith("image/svg+xml")
    assert api.get("/api/checks/gone.svg").status_code == 404


def test_a_page_is_built_step_by_step(api: TestClient, page: str) -> None:
    first = built(api, page)
    assert [step["id"] for step in first["steps"]] == ["base:base", "wet:wash", "assemble:photo", "glue:photo"]
    assert (first["now"], first["stage"], first["done"]) == ("base:base", "not begun", [])
    tick(api, page, "base:base")
    wet = tick(api, page, "wet:wash").json()
    assert wet["now"] == "assemble:photo", "the wash dries"
    assert [(one["step"], one["of"]) for one in wet["clocks"]] == [("wet:wash", 900)]
    assert 890 <= wet["clocks"][0]["left"] <= 900
    dry = api.post(f"/api/pages/{page}/building/dry", json={"step": "wet:wash"}).json()
    assert dry["clocks"] == []
    tick(api, page, "assemble:photo")
    done = tick(api, page, "glue:photo").json()
    assert (done["now"], done["stage"]) == (None, "built")
    back = api.post(f"/api/pages/{page}/building/undo", json={"version": done["version"]}).json()
    assert back["now"] == "glue:photo"


def test_what_went_wrong_is_done_again(api: TestClient, page: str) -> None:
    tick(api, page, "base:base")
    wrong = {"step": "base:base", "what": "torn", "did": "cut again"}
    found = api.post(f"/api/pages/{page}/building/wrong", json=wrong).json()
    assert found["done"] == [] and found["now"] == "base:base"
    assert [(one["what"], one["did"]) for one in found["troubles"]] == [("torn", "cut again")]


def test_a_piece_that_was_torn_is_on_the_cut_list_again(api: TestClient, page: str) -> None:
    """Its mat was cut; torn while gluing it is marked spoiled, and cut once more from what is left."""
    cuts = api.get(f"/api/pages/{page}/cutting").json()
    for sheet in cuts["cuts"]["sheets"]:
        for step in sheet["steps"]:
            version = api.get(f"/api/pages/{page}/cutting").json()["version"]
            asked = {"key": step["key"], "on": True, "version": version}
            assert api.post(f"/api/pages/{page}/cutting/tick", json=asked).status_code == 200
    before = api.get(f"/api/pages/{page}/cutting").json()
    assert before["done"] == before["pieces"] == 2
    wrong = {"step": "glue:photo", "what": "torn", "did": "cut again"}
    assert api.post(f"/api/pages/{page}/building/wrong", json=wrong).status_code == 200
    after = api.get(f"/api/pages/{page}/cutting").json()
    fates = [piece["fate"] for sheet in after["cuts"]["sheets"] for piece in sheet["pieces"]]
    assert fates.count("spoiled") == 1 and after["done"] < after["pieces"]


def test_a_page_that_is_set_aside_says_why(api: TestClient, page: str) -> None:
    found = api.get(f"/api/pages/{page}").json()
    recipe = found["page"] | {"waits_for": "its photos"}
    kept = api.put(f"/api/pages/{page}", json={"page": recipe, "version": found["saved"]["version"], "what": "why"})
    api.post(f"/api/pages/{page}/away", json={"version": kept.json()["saved"]["version"]})
    assert [(one["name"], one["why"]) for one in api.get("/api/away").json()] == [("Rain", "its photos")]


def test_a_step_that_is_not_there_is_refused(api: TestClient, page: str) -> None:
    answer = tick(api, page, "glue:gone")
    assert answer.status_code == 422 and "no such step" in answer.json()["sentence"]
    assert api.get("/api/pages/gone/building").status_code == 404


def test_the_order_and_the_places_on_paper(api: TestClient, page: str) -> None:
    for name in ("order", "places"):
        answer = api.get(f"/api/pages/{page}/{name}.pdf?paper=a4")
        assert answer.status_code == 200 and answer.content.startswith(b"%PDF")


def test_a_finished_page_is_in_the_log_and_the_next_estimate_differs(api: TestClient, page: str) -> None:
    """Each step took twice as long as usual; a second page of the same parts is expected to take longer."""
    for step in built(api, page)["steps"]:
        tick(api, page, step["id"], seconds=round(step["minutes"] * 120))
    api.post(f"/api/pages/{page}/time", json={"bench": "build", "seconds": 1200})
    entry = api.get(f"/api/pages/{page}/finished").json()
    assert (entry["story"], entry["kits"]) == ("All day.", ["Kit"])
    assert entry["used"] == ["Cream", "Ink"] and entry["spent"] == [{"bench": "build", "minutes": 20}]
    kept = api.put(f"/api/pages/{page}/finished", json=entry | {"people": "Pip", "otherwise": "A smaller mat."})
    assert kept.status_code == 200
    log = api.get("/api/log").json()
    assert [one["entry"]["name"] for one in log["finished"]] == ["Rain"] and log["waiting"] == []
    assert "pip" in log["finished"][0]["words"]
    rows = api.get("/api/log.csv").content.decode("utf-8-sig").splitlines()
    assert rows[0].startswith("page,day,finished") and rows[1].startswith("Rain,")
    html = api.get("/api/log.html").text
    assert "<h2>Rain</h2>" in html and "data:image/png;base64," in html
    assert api.get("/api/pages").json()[0]["built"] == "finished"
    assert api.delete(f"/api/pages/{page}/finished").status_code == 204
    assert api.get("/api/log").json()["finished"] == []
    assert api.put(f"/api/pages/{page}/finished", json=entry).status_code == 200, "it comes back"


def test_three_pages_teach_ones_own_pace(api: TestClient, page: str) -> None:
    recipe = api.get(f"/api/pages/{page}").json()["page"]
    before = built(api, page)["minutes"]
    for _ in range(3):
        other = api.post("/api/pages", json={"page": recipe, "what": "began"}).json()["saved"]["id"]
        for step in built(api, other)["steps"]:
            tick(api, other, step["id"], seconds=round(step["minutes"] * 120))
    after = built(api, page)
    assert after["minutes"] == pytest.approx(before * 2, rel=0.02)
    assert after["estimate"].endswith("by your own pace")


def test_cuts_are_timed_by_step(api: TestClient, page: str) -> None:
    """Four straight cuts of two pages that took twice as long as usual teach one's pace at them; the next page is
    expected to take longer, and the log says what was expected."""
    recipe = api.get(f"/api/pages/{page}").json()["page"]
    second, third = (
        api.post("/api/pages", json={"page": recipe | {"name": name}, "what": "began"}).json()["saved"]["id"]
        for name in ("Second", "Third")
    )

    def cutting(of: str) -> Any:
        return api.get(f"/api/pages/{of}/cutting").json()

    assert cutting(third)["estimate"] == "about a minute, as is usual"
    for one in (page, second):
        steps = [step for sheet in cutting(one)["cuts"]["sheets"] for step in sheet["steps"]]
        for step in (step for step in steps if step["kind"] == "cut"):
            asked = {"key": step["key"], "on": True, "version": cutting(one)["version"], "seconds": 72}
            assert api.post(f"/api/pages/{one}/cutting/tick", json=asked).status_code == 200
    assert cutting(third)["estimate"].startswith("about 3 minutes, by your own pace for 2 of ")
    assert api.get(f"/api/pages/{third}/finished").json()["expected_cutting"] == 3


def test_a_page_has_a_unit_of_its_own(api: TestClient, page: str) -> None:
    """In a household of inches a page by a rule of millimetres: its sentences, cut list and what begins on it."""
    recipe = api.get(f"/api/pages/{page}").json()["page"]
    metric = recipe | {"rules": {"unit": "mm"}}
    found = api.post("/api/evaluate", json={"page": metric, "id": page}).json()
    assert found["rules"]["unit"] == "mm"
    (photo,) = (part["sentence"] for part in found["parts"] if part["id"] == "photo")
    assert photo.startswith("A photo, ~ 102 × ~ 152 upright, mat ~ 6 Ink"), photo
    shown = api.post("/api/lengths/show", json={"lengths": ["2 in"], "unit": "mm"}).json()
    assert (shown[0]["shown"], shown[0]["rounded"]) == ("51", True)
    read = api.post("/api/lengths/read", json={"text": "50", "unit": "mm"}).json()
    assert read["length"] == "50 mm"
    assert api.post("/api/usual", json={"rules": found["rules"]}).json()["narrow"] == "3 mm"
    version = api.get(f"/api/pages/{page}").json()["saved"]["version"]
    body = {"page": metric, "version": version, "what": "changed a rule"}
    assert api.put(f"/api/pages/{page}", json=body).status_code == 200
    sizes = api.get(f"/api/pages/{page}/cutting").json()["sheet_sizes"]
    assert set(sizes.values()) == {"~ 305 × ~ 305"}


def test_the_spreads_of_one_notebook_are_told_together(api: TestClient) -> None:
    """Spreads that are named after one notebook count against what it closes on, those of another one do not."""
    thing = {"id": "bolt", "name": "Bolt", "kind": "brad", "count": 30, "thickness": "0.06 in"}
    kit = {"name": "Kit", "papers": [], "things": [thing]}
    assert api.post("/api/kits", json={"kit": kit}).status_code == 201
    parts = [{"kind": "thing", "id": f"b{k}", "thing": "bolt", "place": at("1 in", "4 in")} for k in range(3)]
    format = {"kind": "notebook", "width": "4 1/4 in", "height": "8 1/4 in", "pages": 2}
    spread = {"name": "Spread", "format": format, "parts": parts, "book": "Summer"}
    for k in range(2):
        assert api.post("/api/pages", json={"page": spread | {"name": f"S{k}"}, "what": "began"}).status_code == 201

    def codes(book: str) -> list[str]:
        found = api.post("/api/check", json={"page": spread | {"book": book}}).json()["found"]
        return [one["finding"]["code"] for one in found]

    assert "notebook-bulk" in codes("Summer") and "notebook-bulk" not in codes("Winter")


def test_a_photograph_that_is_none_is_refused_by_name(api: TestClient, page: str) -> None:
    picture = api.post("/api/pictures", files={"file": ("page.jpg", b"no picture at all", "image/jpeg")})
    assert picture.status_code == 422 and "page.jpg" in picture.json()["sentence"]
    entry = api.get(f"/api/pages/{page}/finished").json()
    answer = api.put(f"/api/pages/{page}/finished", json=entry | {"picture": "sheet-gone"})
    assert answer.status_code == 404
    real = io.BytesIO()
    Image.new("RGB", (400, 400), "#446688").save(real, "JPEG")
    id = api.post("/api/pictures", files={"file": ("page.jpg", real.getvalue(), "image/jpeg")}).json()["id"]
    assert api.put(f"/api/pages/{page}/finished", json=entry | {"picture": id}).status_code == 200


def test_the_album_is_put_in_another_order(api: TestClient, page: str) -> None:
    recipe = api.get(f"/api/pages/{page}").json()["page"]
    other = api.post("/api/pages", json={"page": recipe, "what": "began"}).json()["saved"]["id"]
    for one in (page, other):
        api.put(f"/api/pages/{one}/finished", json=api.get(f"/api/pages/{one}/finished").json())
    moved = api.put("/api/log/order", json={"pages": [other, page]}).json()
    assert [one["entry"]["page"] for one in moved["finished"]] == [other, page]
    assert moved["album"] == [
        {"left": None, "right": other, "torn": False}, {"left": page, "right": None, "torn": False},
    ]  # fmt: skip


def test_a_rule_of_the_kit_holds_for_its_pages(api: TestClient, page: str) -> None:
    kit = api.get("/api/kits").json()[0]
    said = kit["kit"] | {"rules": {"lift": "flat"}}
    id, version = kit["saved"]["id"], kit["saved"]["version"]
    assert (
        api.put(f"/api/kits/{id}", json={"kit": said, "version": version, "what": "changed a rule"}).status_code
        == 200
    )
    recipe = api.get(f"/api/pages/{page}").json()["page"]
    decided = api.post("/api/check", json={"page": recipe, "id": page}).json()["decided"]
    assert {"rule": "lift", "value": "flat", "by": "kit"} in decided


def test_a_page_of_nothing_has_nothing_to_build(api: TestClient) -> None:
    id = api.post("/api/pages", json={"page": {"name": "Bare"}, "what": "began"}).json()["saved"]["id"]
    found = built(api, id)
    assert (found["steps"], found["now"], found["needs"]) == ([], None, [])
