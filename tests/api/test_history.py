"""Undo, redo and putting away over HTTP, alike for kits, photos, pages and templates."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

import pytest
from fastapi.testclient import TestClient

from tests.api.documents import jpeg, kit, page, photo_part, sheet

Made = tuple[str, dict[str, Any], Callable[[str], dict[str, Any]]]


def _kit(api: TestClient) -> Made:
    made = api.post("/api/kits", json=kit(sheet("reeds"))).json()
    return "kits", made, lambda name: {"kit": made["kit"] | {"name": name}}


def _photo(api: TestClient) -> Made:
    made = api.post("/api/photos", files={"file": ("heron.jpg", jpeg())}).json()["photo"]
    return "photos", made, lambda name: {"photo": made["photo"] | {"name": name}}


def _page(api: TestClient) -> Made:
    made = api.post("/api/pages", json={"page": page(photo_part())}).json()
    return "pages", made, lambda name: {"page": made["page"] | {"name": name}}


def _template(api: TestClient) -> Made:
    made = api.post("/api/templates", json={"template": {"name": "six"}}).json()
    return "templates", made, lambda name: {"template": made["template"] | {"name": name}}


KINDS = pytest.mark.parametrize(
    "make", [_kit, _photo, _page, _template], ids=["kits", "photos", "pages", "templates"]
)


def name_of(answer: dict[str, Any]) -> str:
    return next(str(answer[key]["name"]) for key in ("kit", "photo", "page", "template") if key in answer)


@KINDS
def test_a_step_back_and_forward_again(api: TestClient, make: Callable[[TestClient], Made]) -> None:
    """Each answer says what the next step would take back or make again."""
    many, made, body = make(api)
    where = f"/api/{many}/{made['saved']['id']}"
    named = api.put(where, json={**body("Mist"), "what": "named it", "version": 1}).json()
    if many == "photos":
        assert named["saved"]["version"] == 2
    assert (name_of(named), named["saved"]["undo"]) == ("Mist", "named it")
    back = api.post(f"{where}/undo", json={"version": named["saved"]["version"]}).json()
    assert (name_of(back), back["saved"]["redo"]) == (name_of(made), "named it")
    again = api.post(f"{where}/redo", json={"version": back["saved"]["version"]}).json()
    assert name_of(again) == "Mist"
    nothing = api.post(f"{where}/redo", json={"version": again["saved"]["version"]})
    assert (nothing.status_code, nothing.json()["sentence"]) == (409, "there is nothing to redo")


@KINDS
def test_quick_edits_of_a_series_are_one_step(api: TestClient, make: Callable[[TestClient], Made]) -> None:
    """Three nudges, one undo."""
    many, made, body = make(api)
    where, version = f"/api/{many}/{made['saved']['id']}", 1
    for name in ("one", "two", "three"):
        version = api.put(where, json={**body(name), "series": "name", "version": version}).json()["saved"][
            "version"
        ]
    back = api.post(f"{where}/undo", json={"version": version}).json()
    assert name_of(back) == name_of(made)


@KINDS
def test_put_away_and_brought_back(api: TestClient, make: Callable[[TestClient], Made]) -> None:
    """Out of its list, into the list of what was put away, and back."""
    many, made, _ = make(api)
    where = f"/api/{many}/{made['saved']['id']}"
    away = api.post(f"{where}/away", json={"version": 1}).json()["saved"]
    assert api.get(f"/api/{many}").json() == []
    assert [(one["kind"], one["name"]) for one in api.get("/api/away").json()] == [(many[:-1], name_of(made))]
    assert api.post(f"{where}/back", json={"version": away["version"]}).status_code == 200
    assert len(api.get(f"/api/{many}").json()) == 1 and api.get("/api/away").json() == []


@KINDS
def test_what_is_not_there_says_so(api: TestClient, make: Callable[[TestClient], Made]) -> None:
    """404 with the kind and the id."""
    many, _, body = make(api)
    answer = api.put(f"/api/{many}/nowhere", json={**body("x"), "version": 1})
    assert (answer.status_code, answer.json()["sentence"]) == (404, f'there is no {many[:-1]} "nowhere"')
