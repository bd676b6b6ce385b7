"""Things, sketches and drafts that are asked oddly: what is told, and that nothing is lost by it."""

from __future__ import annotations

import io
from typing import Any

import pytest
from fastapi.testclient import TestClient
from PIL import Image, ImageDraw

from tests.api.documents import jpeg, kit, page, sheet

EIGHT_BY_TEN = {"corners": [[0, 0], [1, 0], [1, 1], [0, 1]], "width": "8 in", "height": "10 in"}


def stickers(many: int, side: int = 25) -> bytes:
    """A sheet of 1600 × 2000 pixels with so many squares of `side` in rows of 25."""
    image = Image.new("RGB", (1600, 2000), "#fbf7ec")
    pen = ImageDraw.Draw(image)
    for k in range(many):
        x, y = 20 + 62 * (k % 25), 20 + 90 * (k // 25)
        pen.rectangle((x, y, x + side - 1, y + side - 1), fill="#2d5a78")
    out = io.BytesIO()
    image.save(out, "PNG")
    return out.getvalue()


def found_on(api: TestClient, photograph: bytes) -> dict[str, Any]:
    picture = api.post("/api/pictures", files={"file": ("stickers.png", photograph)}).json()["id"]
    return dict(api.post("/api/things/find", json={"picture": picture, **EIGHT_BY_TEN}).json())


def told(answer: Any) -> str:
    assert 400 <= answer.status_code < 500
    return str(answer.json()["sentence"])


# ---- things ----------------------------------------------------------------------------------------


def test_five_hundred_stickers_are_found_and_taken_in_at_once(api: TestClient) -> None:
    """Squares of 25 pixels on 200 to the inch are 1/8 in, each with its own picture and name."""
    seen = found_on(api, stickers(500))
    assert len(seen["things"]) == 500
    like = {"id": "x", "name": "Lock gate", "kind": "sticker", "width": "1 in", "height": "1 in"}
    wanted = {"picture": seen["picture"], "width": "8 in", "height": "10 in", "seen": seen["things"], "like": like}
    taken = api.post("/api/things/take", json=wanted).json()
    assert len({one["picture"] for one in taken}) == 500 and taken[499]["name"] == "Lock gate 500"
    assert {(one["width"], one["height"]) for one in taken} == {("1/8 in", "1/8 in")}
    assert (
        api.post("/api/kits", json={"kit": {"name": "Stickers", "papers": [], "things": taken}}).status_code == 201
    )


def test_a_sheet_with_nothing_on_it_has_no_things(api: TestClient) -> None:
    assert found_on(api, stickers(0))["things"] == []


@pytest.mark.parametrize("count", [0, 10_000])
def test_none_and_ten_thousand_of_a_thing_are_counts(api: TestClient, count: int) -> None:
    dot = {"id": "t", "name": "Dot", "kind": "enamel dot", "width": "1/8 in", "height": "1/8 in", "count": count}
    assert api.post("/api/kits", json={"kit": {"name": "Dots", "papers": [], "things": [dot]}}).status_code == 201
    assert [one["left"] for one in api.get("/api/things").json()] == [count]


def test_a_count_beyond_ten_thousand_is_told_with_its_field(api: TestClient) -> None:
    dot = {"id": "t", "name": "Dot", "kind": "enamel dot", "width": "1/8 in", "height": "1/8 in", "count": 10_001}
    says = told(api.post("/api/kits", json={"kit": {"name": "Dots", "papers": [], "things": [dot]}}))
    assert "count" in says and "10001" in says


# ---- sketches --------------------------------------------------------------------------------------


def place(k: int = 0, role: str = "photo") -> dict[str, Any]:
    return {"role": role, "x": 0.02 + 0.1 * (k % 8), "y": 0.02 + 0.1 * (k // 8), "width": 0.08, "height": 0.08}


@pytest.mark.parametrize(
    ("places", "says"),
    [
        ([], "places: a sketch without a place is none; add a place for a photo"),
        (
            [place(k) for k in range(40)],
            "places: 40 photos on one sketch, read '40'; keep twelve at the most",
        ),
    ],
)
def test_a_sketch_of_nothing_or_of_forty_photos_is_not_kept(
    api: TestClient, places: list[dict[str, Any]], says: str
) -> None:
    assert told(api.post("/api/sketches", json={"sketch": {"name": "Wall", "places": places}})) == says
    assert api.get("/api/sketches").json() == []


def test_an_empty_page_gives_no_sketch_and_says_why(api: TestClient) -> None:
    assert "place" in told(api.post("/api/sketches/from-page", json={"page": page()}))


# ---- drafts ----------------------------------------------------------------------------------------


def test_a_draft_of_no_photos_or_no_papers_says_what_would_do(api: TestClient) -> None:
    wanted = {"photos": [], "format": page()["format"]}
    assert told(api.post("/api/drafts", json=wanted)).startswith("photos: there is no photo to begin from")
    came = api.post("/api/photos", files={"file": ("wharf.jpg", jpeg())}).json()
    id = came["photo"]["saved"]["id"]
    wanted["photos"] = [id]
    assert told(api.post("/api/drafts", json=wanted)).startswith("papers: there is no paper")
    api.post("/api/kits", json=kit(sheet("lock"), sheet("heron")))
    assert api.post("/api/drafts", json=wanted).json(), "with two papers there is one"
    wanted["photos"] = ["nobody"]
    assert "nobody" in told(api.post("/api/drafts", json=wanted))
