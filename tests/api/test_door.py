"""Who may ask, under which name, how much at once, and what a browser is told about what it gets."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path

import pytest
from fastapi.testclient import TestClient

from tests.api.client import client_of
from tests.api.documents import kit, picture, send, sheet
from ulna.api.door import MOST_BODY, Door, names_of
from ulna.household.keeper import Keeper

RIGHT = "a heron by the lock"


@pytest.mark.parametrize("host", ["localhost", "localhost:8620", "127.0.0.1:8620", "[::1]:8620", "LOCALHOST"])
def test_the_names_of_this_machine_are_answered(api: TestClient, host: str) -> None:
    assert api.get("/api/kits", headers={"host": host}).status_code == 200


@pytest.mark.parametrize("host", ["evil.example", "localhost.evil.example", "127.0.0.1.evil.example:8620", "", "a b",
                                  "localhost@evil.example", "[::1", "10.0.0.9", "wren.local"])  # fmt: skip
@pytest.mark.parametrize("path", ["/api/kits", "/", "/api/door", "/assets/x.js"])
def test_any_other_name_is_refused(api: TestClient, host: str, path: str) -> None:
    """A page elsewhere may point its own name at this machine; it reads and writes nothing."""
    answer = api.get(path, headers={"host": host})
    assert answer.status_code == 421 and "--name" in answer.json()["sentence"]


def test_a_name_that_is_given_is_answered(tmp_path: Path) -> None:
    door = Door(names_of("0.0.0.0", ["wren.local"]))
    with client_of(tmp_path, door=door) as api:
        assert api.get("/api/kits", headers={"host": "Wren.local:8620"}).status_code == 200
        assert api.get("/api/kits", headers={"host": "other.local"}).status_code == 421


@pytest.mark.parametrize("method", ["post", "put", "delete"])
def test_another_site_in_the_same_browser_writes_nothing(api: TestClient, method: str) -> None:
    answer = getattr(api, method)("/api/kits", headers={"origin": "http://evil.example"})
    assert answer.status_code == 403 and "another site" in answer.json()["sentence"]
    assert getattr(api, method)("/api/kits", headers={"origin": "null"}).status_code == 403


@pytest.mark.parametrize("path", ["/api/kits", "/api/nothing", "/", "/api/openapi.json", "/assets/nothing.js"])
def test_every_answer_says_what_a_browser_may_do_with_it(api: TestClient, path: str) -> None:
    """Only what is shipped runs, nothing frames it, no other site uses it, nobody is told where one came from."""
    headers = api.get(path).headers
    policy = dict(part.strip().split(" ", 1) for part in headers["content-security-policy"].split(";"))
    assert policy["default-src"] == policy["frame-ancestors"] == "'none'" and policy["script-src"] == "'self'"
    assert headers["x-content-type-options"] == "nosniff" and headers["x-frame-options"] == "DENY"
    assert headers["cross-origin-resource-policy"] == "same-origin" and headers["referrer-policy"] == "no-referrer"


def test_from_the_folder_of_pictures_only_pictures_come(api: TestClient) -> None:
    """Whatever else lies there is not there; and a picture opened by itself is shut in."""
    id = send(api, "heron.jpg", picture(1))["photo"]["saved"]["id"]
    answer = api.get(f"/api/pictures/{id}/original")
    assert answer.headers["content-type"] == "image/jpeg" and "sandbox" in answer.headers["content-security-policy"]
    folder = api.app.state.household.pictures.folder / id  # type: ignore[attr-defined]
    (folder / "original.jpg").rename(folder / "original.html")
    assert api.get(f"/api/pictures/{id}/original").status_code == 404


def test_what_is_too_large_is_refused_before_it_is_read(api: TestClient) -> None:
    """By its own word, and where it says nothing as it comes."""
    body = b'{"kit": "' + b"x" * MOST_BODY + b'"}'
    told = api.post("/api/kits", content=body, headers={"content-type": "application/json"})
    assert (told.status_code, told.json()["sentence"]) == (
        413,
        "this is larger than 10 MB, or does not say its size",
    )

    def drip() -> Iterator[bytes]:
        for k in range(0, len(body), 100_000):
            yield body[k : k + 100_000]

    silent = api.post("/api/kits", content=drip(), headers={"content-type": "application/json"})
    assert silent.status_code == 413
    lied = api.post(
        "/api/kits", content=b"{}", headers={"content-type": "application/json", "content-length": "-5"}
    )
    assert lied.status_code in (400, 413)


def test_an_address_without_end_is_refused(api: TestClient) -> None:
    assert api.get("/api/kits?" + "x" * 5_000).status_code == 414
    assert api.get("/api/pages/" + "x" * 3_000).status_code == 404
    assert api.get("/" + "x" * 3_000 + ".png").status_code == 404


@pytest.fixture
def guarded(tmp_path: Path) -> Iterator[TestClient]:
    keeper = Keeper(tmp_path)
    keeper.set(RIGHT)
    with client_of(tmp_path, door=Door(keeper=keeper)) as client:
        yield client


def test_nothing_of_the_household_is_given_to_who_is_not_in(guarded: TestClient) -> None:
    """Every address of the API; the interface itself holds nothing of it."""
    paths = guarded.app.openapi()["paths"]  # type: ignore[attr-defined]
    asked = 0
    for path, methods in paths.items():
        for method in methods:
            if not path.startswith("/api/door"):
                assert guarded.request(method, path).status_code == 401, (method, path)
                asked += 1
    assert asked > 60 and guarded.get("/api/openapi.json").status_code == 401
    assert guarded.get("/").status_code in (200, 503)


def test_one_signs_in_and_out(guarded: TestClient) -> None:
    """The cookie cannot be read by scripts nor sent from elsewhere; after signing out it opens nothing."""
    assert guarded.get("/api/door").json() == {"asks": True, "inside": False}
    wrong = guarded.post("/api/door/in", json={"passphrase": "not this one"})
    assert (wrong.status_code, wrong.json()["sentence"]) == (401, "this is not the passphrase")
    came = guarded.post("/api/door/in", json={"passphrase": RIGHT})
    cookie = came.headers["set-cookie"].lower()
    assert came.status_code == 204 and "httponly" in cookie and "samesite=strict" in cookie
    assert guarded.post("/api/kits", json=kit(sheet("ink"))).status_code == 201
    assert guarded.get("/api/door").json() == {"asks": True, "inside": True}
    token = guarded.cookies["ulna-session"]
    assert guarded.post("/api/door/out").status_code == 204
    assert guarded.get("/api/kits", headers={"cookie": f"ulna-session={token}"}).status_code == 401


def test_guessing_is_slowed(guarded: TestClient) -> None:
    """A hundred tries in a row: a handful are looked at, the others are told when to come again."""
    answers = [guarded.post("/api/door/in", json={"passphrase": f"guess number {k}"}) for k in range(100)]
    assert sum(answer.status_code == 401 for answer in answers) <= 5
    assert answers[-1].status_code == 429 and int(answers[-1].headers["retry-after"]) > 0


def test_where_nobody_else_comes_no_passphrase_is_asked(api: TestClient) -> None:
    assert api.get("/api/door").json() == {"asks": False, "inside": True}
    assert api.post("/api/door/in", json={"passphrase": "anything"}).status_code == 204
