"""Words over the API: where they could go, on the print sheets, as files; what is asked wrongly."""

from __future__ import annotations

import io

import pytest
from fastapi.testclient import TestClient
from PIL import Image

PAGE = {
    "name": "p",
    "parts": [
        {"kind": "words", "id": "w", "text": "HHH HHH", "width": "2 in"},
        {"kind": "title", "id": "t", "text": "HERON"},
    ],
}


@pytest.fixture
def page(api: TestClient) -> str:
    answer = api.post("/api/pages", json={"page": PAGE})
    return str(answer.json()["saved"]["id"])


def test_words_go_onto_the_print_sheets_at_their_true_size(api: TestClient, page: str) -> None:
    """Two inches wide, a line of 1/4 in high: a picture of 600 × 75 pixels, printed 2 × 1/4."""
    listed = api.post(f"/api/pages/{page}/words/w/print").json()
    (wanted,) = listed["prints"]["wanted"]
    assert (wanted["print"]["width"], wanted["print"]["height"]) == ("2 in", "1/4 in")
    picture = api.get(f"/api/pictures/{wanted['print']['photo']}/original")
    image = Image.open(io.BytesIO(picture.content))
    assert image.size == (600, 75)
    dark = image.convert("L").point(lambda value: 255 if value < 128 else 0).getbbox()
    assert dark is not None and dark[0] < 15, "it begins at the left edge of the block"


def test_printed_letters_go_onto_the_print_sheets_in_their_ink(api: TestClient) -> None:
    """HI, 1 in high: a picture as high as 300 pixels, its H of the ink that was chosen."""
    style = {"made": "printed", "height": "1 in", "ink": "#a5312b"}
    title = {"kind": "title", "id": "t", "text": "HI", "styles": [style]}
    id = api.post("/api/pages", json={"page": {"name": "p", "parts": [title]}}).json()["saved"]["id"]
    (wanted,) = api.post(f"/api/pages/{id}/words/t/print").json()["prints"]["wanted"]
    assert wanted["print"]["height"] == "1 in"
    picture = api.get(f"/api/pictures/{wanted['print']['photo']}/original")
    image = Image.open(io.BytesIO(picture.content)).convert("RGB")
    assert image.height == 300
    assert image.getpixel((20, 150)) == (0xA5, 0x31, 0x2B), "the left stem of the H"


def test_regions_are_offered_with_the_part_as_it_would_be(api: TestClient) -> None:
    found = api.post("/api/regions", json={"page": PAGE, "part": "t"}).json()
    third = next(one for one in found if one["name"] == "middle third")
    assert third["part"]["fit"] is True and third["part"]["width"] == "3 3/4 in"


@pytest.mark.parametrize(
    ("address", "what"),
    [("words/t", "words"), ("words/t", "strip"), ("words/nobody", "test")],
)
def test_a_part_without_words_has_none_to_print(api: TestClient, page: str, address: str, what: str) -> None:
    answer = api.get(f"/api/pages/{page}/{address}.pdf", params={"what": what})
    assert answer.status_code in (404, 422)
    assert answer.json()["sentence" if "sentence" in answer.json() else "message"]


@pytest.mark.parametrize(
    ("field", "value"),
    [("text", "a" * 100_000), ("series", "s" * 41), ("shape", "blob"), ("first", "0 in"), ("elsewhere", "attic")],
)
def test_what_words_cannot_be_is_named(api: TestClient, field: str, value: str) -> None:
    """The field, what was read, what would do."""
    answer = api.post("/api/pages", json={"page": {**PAGE, "parts": [{**PAGE["parts"][0], field: value}]}})  # type: ignore[dict-item]
    assert answer.status_code == 422 and field in answer.text


def test_a_cap_height_of_nothing_is_refused(api: TestClient) -> None:
    style = {"height": "0 in"}
    answer = api.post(
        "/api/pages",
        json={"page": {**PAGE, "parts": [{**PAGE["parts"][1], "styles": [style]}]}},  # type: ignore[dict-item]
    )
    assert answer.status_code == 422 and "height" in answer.text


def test_a_font_that_is_none_is_refused_with_the_reason(api: TestClient) -> None:
    answer = api.post("/api/faces", files={"file": ("story.pdf", b"%PDF-1.7", "application/pdf")})
    assert answer.status_code == 422 and "it is no font" in answer.text
    assert [face["face"] for face in api.get("/api/faces").json() if face["own"]] == []
