"""However odd a request is, the server answers it: never a traceback, never a 500."""

from __future__ import annotations

import copy
import json
import random
from collections import Counter
from collections.abc import Iterator
from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient

from tests.api.client import client_of
from tests.api.documents import jpeg, kit, mat, page, photo_part, sheet
from tests.formats.requests import REQUEST

SEEDS: dict[str, Any] = {
    "/api/kits": kit(sheet("ink")),
    "/api/pages": {"page": page(photo_part("p", mat("1/8 in", "ink")))},
    "/api/evaluate": {"page": page(photo_part("p", mat("1/8 in", "ink")), pages=2)},
    "/api/cost": {"page": page(photo_part("p", mat("1/8 in", "ink")))},
    "/api/add": {"page": page(photo_part(), pages=2), "parts": [photo_part("q", mat("1/8 in"))], "above": None},
    "/api/move": {"page": page(photo_part()), "part": "p", "x": "1 in", "y": "2 in", "catch": "1/4 in"},
    "/api/lengths/read": {"text": "4 1/4", "range": "size", "marks": 1},
    "/api/tile": {"side": {"scale": "1 in", "pattern": "dot"}, "width": "12 in", "height": "12 in"},
    "/api/gut": {"page": page(photo_part("p", mat("1/8 in", "ink"))), "piece": "p/mat-1", "gut": True},
    "/api/helps": {"page": page(photo_part("p", mat("1/8 in", "ink"))), "piece": "p/mat-1", "id": None},
    "/api/piecing": {"page": page(photo_part("p", mat("1/8 in", "ink"))), "id": None},
    "/api/cutplan": {**REQUEST, "seconds": 0.01},
}
ODD: list[Any] = [
    None, True, -1, 0, 1.5, 1e300, "", "x", "5 ft", "0 in", "99999 mm", [], {}, "\u0000", "<script>", "é" * 300, [[]],
]  # fmt: skip
KEEPS = ("/api/kits", "/api/pages")


@pytest.fixture(scope="module")
def api(tmp_path_factory: pytest.TempPathFactory) -> Iterator[TestClient]:
    with client_of(tmp_path_factory.mktemp("odd"), raises=False) as client:
        client.post("/api/kits", json=kit(sheet("ink")))
        yield client


def places(value: Any, path: tuple[Any, ...] = ()) -> Iterator[tuple[Any, ...]]:
    """The path of every value inside a document."""
    if path:
        yield path
    items = value.items() if isinstance(value, dict) else enumerate(value) if isinstance(value, list) else ()
    for key, inner in items:
        yield from places(inner, (*path, key))


def with_odd_values(rng: random.Random) -> tuple[str, Any]:
    """An address and a document that is right but for one or two values."""
    path = rng.choice(sorted(SEEDS))
    document = json.loads(json.dumps(SEEDS[path]))
    for _ in range(rng.randint(1, 2)):
        *way, last = rng.choice(list(places(SEEDS[path])))
        at = document
        try:
            for step in way:
                at = at[step]
            at[last] = copy.deepcopy(rng.choice(ODD))
        except (KeyError, TypeError, IndexError):
            continue
    return path, document


def odd_requests(folder: Path, count: int, seed: int = 1) -> tuple[Counter[int], list[str]]:
    """So many of them; how often each status was answered, and what was wrong."""
    rng, statuses, wrong = random.Random(seed), Counter[int](), list[str]()
    with client_of(folder, raises=False) as api:
        api.post("/api/kits", json=kit(sheet("ink")))
        for _ in range(count):
            path, document = with_odd_values(rng)
            if path in KEEPS and rng.random() < 0.9:  # what is kept makes the household grow
                continue
            answer = api.post(path, json=document)
            statuses[answer.status_code] += 1
            if answer.status_code >= 500 or (answer.status_code >= 400 and not answer.json()["sentence"]):
                wrong.append(f"{path} {answer.status_code} {answer.text[:200]} for {json.dumps(document)[:600]}")
    return statuses, wrong


def test_one_odd_value_anywhere(tmp_path: Path) -> None:
    """A document that is right but for one or two values is answered or refused in one sentence."""
    statuses, wrong = odd_requests(tmp_path, 300)
    assert wrong == [] and statuses.total() > 200 and {200, 422} <= set(statuses)


@pytest.mark.parametrize("path", sorted(SEEDS))
@pytest.mark.parametrize("body", [b"", b"{", b"[]", b"null", b"\xff\xfe", b'{"a": ' * 500, b"1" * 5000])
def test_what_is_no_document_is_refused(api: TestClient, path: str, body: bytes) -> None:
    """Whatever it is instead."""
    answer = api.post(path, content=body, headers={"content-type": "application/json"})
    assert 400 <= answer.status_code < 500 and answer.json()["sentence"]


@pytest.mark.parametrize("path", ["/api/photos", "/api/pictures", "/api/kits/read-csv", "/api/kits/read-json",
                                  "/api/pages/read-json"])  # fmt: skip
@pytest.mark.parametrize("data", [b"", b"\x00" * 2000, b"{}", b'name\n"', jpeg()[:200], b"\xff\xd8\xff\xe0"])
def test_a_file_that_is_something_else_is_refused_or_read(api: TestClient, path: str, data: bytes) -> None:
    """Never more than a sentence."""
    answer = api.post(path, files={"file": ("../odd name\n.jpg", data)})
    assert answer.status_code < 500
    if answer.status_code >= 400:
        assert answer.json()["sentence"]


@pytest.mark.parametrize("id", ["nowhere", "..", "%2e%2e", "a b", "page-" + "0" * 300])
def test_ids_that_are_not_there_are_not_there(api: TestClient, id: str) -> None:
    """For everything that a page gives."""
    for tail in (
        "",
        "/cutting",
        "/page.svg",
        "/page.png",
        "/page.json",
        "/cuts.pdf",
        "/pieces.csv",
        "/sheets/1.svg",
    ):
        assert api.get(f"/api/pages/{id}{tail}").status_code in (404, 405)
