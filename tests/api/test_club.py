"""A kit club over HTTP: a month's kit taken in, given back, corrected; pages for its gallery."""

from __future__ import annotations

import io
from collections.abc import Iterator
from pathlib import Path
from typing import Any
from urllib.request import Request, urlopen

import pytest
from fastapi.testclient import TestClient
from PIL import Image

from tests.api.client import client_of
from tests.standins.program import Program
from ulna.household.outside import Outside
from ulna.standins.kit_club.program import create_club


@pytest.fixture
def club(tmp_path: Path) -> Iterator[Program]:
    running = Program(lambda: create_club(tmp_path / "club"))
    yield running
    running.off()


@pytest.fixture
def api(tmp_path: Path, club: Program) -> Iterator[TestClient]:
    with client_of(tmp_path / "home", Outside(club=club.address)) as client:
        yield client


def take(api: TestClient, code: str = "2026-11") -> dict[str, object]:
    offer = api.get(f"/api/club/kits/{code}").json()
    taken = api.post("/api/club/take", json={"code": code, "items": [one["id"] for one in offer["items"]]})
    assert taken.status_code == 201, taken.text
    found: dict[str, object] = taken.json()
    return found


def kit_of(api: TestClient, id: object) -> Any:
    return next(one for one in api.get("/api/kits").json() if one["saved"]["id"] == id)


def test_the_clubs_kits_are_listed_with_its_challenge(api: TestClient) -> None:
    found = api.get("/api/club").json()
    assert found["there"] and [one["entry"]["code"] for one in found["kits"]] == [
        "2026-11",
        "2026-11-locks",
        "2026-11-page",
        "2026-06",
    ]
    assert {one["entry"]["kind"] for one in found["kits"]} == {"kit", "add-on", "page kit"}
    assert found["challenge"]["title"] == "One lamp"


def test_a_months_kit_is_taken_in_with_its_picture_and_sketch_and_given_back(api: TestClient) -> None:
    """Twelve papers, five things, an alphabet; the photographed one has its picture here."""
    taken = take(api)
    (kit,) = api.get("/api/kits").json()
    assert (len(kit["kit"]["papers"]), len(kit["kit"]["things"]), len(kit["kit"]["alphabets"])) == (12, 5, 1)
    picture = kit["kit"]["papers"][0]["a"]["picture"]
    assert api.get(f"/api/pictures/{picture}/view").status_code == 200
    assert len(api.get("/api/sketches").json()) == 1
    again = api.post("/api/club/take", json={"code": "2026-11", "items": ["x"]})
    assert again.status_code == 422 and "it is here already" in again.json()["sentence"]
    assert (
        api.post("/api/club/give-back", json={"kit": taken["kit"], "sketches": taken["sketches"]}).status_code
        == 204
    )
    assert api.get("/api/kits").json() == [] and api.get("/api/sketches").json() == []
    assert take(api)["kit"] != taken["kit"], "and it may come again"


def test_what_is_here_already_is_known_and_may_be_left_out(api: TestClient) -> None:
    paper = {"id": "mine", "name": "Lamplight", "width": "12 in", "height": "12 in", "count": 1}
    api.post("/api/kits", json={"kit": {"name": "By hand", "papers": [paper]}})
    items = api.get("/api/club/kits/2026-11").json()["items"]
    assert [one["name"] for one in items if one["alike"] == "By hand"] == ["Lamplight"]
    chosen = [one["id"] for one in items if not one["alike"]]
    kit = api.post("/api/club/take", json={"code": "2026-11", "items": chosen}).json()["kit"]
    names = [one["name"] for one in kit_of(api, kit)["kit"]["papers"]]
    assert "Lamplight" not in names and len(names) == 11
    assert api.post("/api/club/take", json={"code": "2026-06", "items": ["nothing"]}).status_code == 422


def test_a_correction_is_offered_and_what_one_changed_stays(api: TestClient, club: Program) -> None:
    """One counts the reeds oneself; the club's count of them is not taken, its new star is."""
    kit = kit_of(api, take(api)["kit"])
    mine = kit["kit"]
    mine["papers"][0]["count"] = 7
    saved = {"kit": mine, "version": kit["saved"]["version"], "what": "counted"}
    assert api.put(f"/api/kits/{kit['saved']['id']}", json=saved).status_code == 200
    assert api.get("/api/club").json()["corrections"] == []
    urlopen(Request(f"{club.address}/correct/2026-11", method="POST"))
    (told,) = api.get("/api/club").json()["corrections"]
    assert [(one["name"], one["what"]) for one in told["changes"]] == [("Paper star 2", "new")]
    api.post("/api/club/correct", json={"code": "2026-11", "items": [one["id"] for one in told["changes"]]})
    after = kit_of(api, kit["saved"]["id"])
    assert after["kit"]["papers"][0]["count"] == 7 and after["kit"]["things"][-1]["name"] == "Paper star 2"
    assert api.get("/api/club").json()["corrections"] == []
    undone = api.post(f"/api/kits/{kit['saved']['id']}/undo", json={"version": after["saved"]["version"]})
    assert undone.status_code == 200 and len(undone.json()["kit"]["things"]) == 5


def test_a_club_that_is_closed_takes_nothing_with_it(api: TestClient, club: Program) -> None:
    kit = take(api)["kit"]
    club.off()
    found = api.get("/api/club").json()
    assert not found["there"] and "does not answer" in found["says"]
    assert kit_of(api, kit)["kit"]["name"] == "Winter moorings"
    assert api.get("/api/club/kits/2026-11").status_code == 422


def test_a_page_for_the_gallery_shows_no_one_unless_one_says_so(api: TestClient) -> None:
    """A photo of stripes: hidden it has none; the file has nothing in it but pixels."""
    stripes = Image.new("RGB", (600, 400), "#ffffff")
    for x in range(0, 600, 20):
        stripes.paste("#000000", (x, 0, x + 10, 400))
    data = io.BytesIO()
    exif = Image.Exif()
    exif[0x010F] = "A Camera"
    stripes.save(data, "JPEG", exif=exif)
    photo = api.post("/api/photos", files={"file": ("us.jpg", data.getvalue())}).json()["photo"]["saved"]["id"]
    part = {"kind": "photo", "id": "p", "print": {"photo": photo, "width": "6 in", "height": "4 in"}}
    page = api.post("/api/pages", json={"page": {"name": "Us", "parts": [part]}, "what": "began"}).json()["saved"][
        "id"
    ]

    def contrast(how: str) -> int:
        answer = api.get(f"/api/pages/{page}/gallery.png?photos={how}")
        assert b"Camera" not in answer.content and b"eXIf" not in answer.content
        picture = Image.open(io.BytesIO(answer.content)).convert("L")
        middle = [
            picture.getpixel((x, picture.height // 2))
            for x in range(picture.width * 2 // 5, picture.width * 3 // 5)
        ]
        return max(middle) - min(middle)  # type: ignore[type-var, operator, return-value]

    assert contrast("shown") > 200 > 60 > contrast("hidden")
