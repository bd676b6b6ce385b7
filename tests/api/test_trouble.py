"""When the disk is full, another program writes, or what comes in is no text: a sentence, and all else goes on."""

from __future__ import annotations

import json
import sqlite3
import threading
import time
from collections.abc import Iterator
from contextlib import closing, contextmanager
from typing import Any

import pytest
from fastapi.testclient import TestClient
from sqlalchemy import event

from tests.api.documents import kit, mat, page, photo_part, sheet
from ulna.household.home import Household
from ulna.store import library
from ulna.store.errors import Busy, Full


def home_of(api: TestClient) -> Household:
    home: Household = api.app.state.household  # type: ignore[attr-defined]
    return home


@contextmanager
def full(home: Household) -> Iterator[None]:
    """The database may not grow, as on a disk that is full."""
    engine = home.library.engine
    with engine.connect() as raw:
        raw.exec_driver_sql("PRAGMA wal_checkpoint(TRUNCATE)")
    engine.dispose()
    event.listen(engine, "connect", stop := lambda raw, _: raw.execute("PRAGMA max_page_count=1"))
    try:
        yield
    finally:
        event.remove(engine, "connect", stop)
        engine.dispose()


@pytest.fixture
def begun(api: TestClient) -> dict[str, Any]:
    """A page with forty panels to cut."""
    assert api.post("/api/kits", json=kit(sheet("ink", count=1))).status_code == 201
    panels = [
        {"kind": "panel", "id": f"panel-{k}", "width": "1 in", "height": "1 in", "choice": {"paper": "ink"},
         "place": {"on": "left"}} for k in range(40)
    ]  # fmt: skip
    return dict(api.post("/api/pages", json={"page": page(*panels)}).json())


def deeds(api: TestClient, begun: dict[str, Any]) -> dict[str, Any]:
    """What a person does, as a request."""
    id = begun["saved"]["id"]
    story = begun["page"] | {"story": "a heron " * 2_000}
    cutting = api.get(f"/api/pages/{id}/cutting").json()
    key = cutting["cuts"]["sheets"][0]["steps"][0]["key"]
    return {
        "an edit": lambda: api.put(f"/api/pages/{id}", json={"page": story, "what": "told", "version": 1}),
        "a tick": lambda: api.post(f"/api/pages/{id}/cutting/tick", json={"key": key, "on": True, "version": 0}),
        "a kit": lambda: api.post("/api/kits", json=kit(*(sheet(f"p{k}") for k in range(40)))),
    }


@pytest.mark.parametrize("deed", ["an edit", "a tick", "a kit"])
def test_a_full_disk_is_told_and_afterwards_the_same_goes_through(
    api: TestClient, begun: dict[str, Any], deed: str
) -> None:
    """What was saved before is there; nothing is half there."""
    do, id = deeds(api, begun)[deed], begun["saved"]["id"]
    before = api.get(f"/api/pages/{id}").json(), api.get("/api/kits").json()
    with full(home_of(api)):
        answer = do()
        assert (answer.status_code, answer.json()["sentence"]) == (507, Full().sentence)
        assert (api.get(f"/api/pages/{id}").json(), api.get("/api/kits").json()) == before
    assert do().status_code in (200, 201)


@pytest.mark.parametrize("deed", ["an edit", "a tick"])
def test_a_lock_of_another_program_holds_up_no_reader(
    api: TestClient, begun: dict[str, Any], deed: str, monkeypatch: pytest.MonkeyPatch
) -> None:
    """A writer is told within seconds, and when to come again; then it goes through."""
    monkeypatch.setattr(library, "PATIENCE", 1.0)
    do = deeds(api, begun)[deed]
    with closing(sqlite3.connect(home_of(api).library.file, isolation_level=None)) as other:
        other.execute("BEGIN EXCLUSIVE")
        start, answers = time.monotonic(), []
        writers = [threading.Thread(target=lambda: answers.append(do())) for _ in range(3)]
        for writer in writers:
            writer.start()
        read = time.monotonic()
        assert api.get("/api/pages").status_code == 200 and time.monotonic() - read < 2
        for writer in writers:
            writer.join()
        assert time.monotonic() - start < 12
        for answer in answers:
            assert (answer.status_code, answer.json()["sentence"]) == (503, Busy().sentence)
            assert answer.headers["retry-after"]
    assert do().status_code == 200


ODD = ["\\ud800", "half \\udfff", "\\u0000", "bell \\u0007", "\\u009f"]


@pytest.mark.parametrize("odd", ODD)
def test_what_is_no_text_is_not_kept_anywhere(api: TestClient, odd: str) -> None:
    """In a name, an id, a note, a story, a key, a word for what was done: refused by its field, and lists go on."""
    photo = photo_part("PART", mat("1/8 in", "ink"))
    asked = {
        "/api/kits": {"kit": kit(sheet("ink"))["kit"] | {"note": "NOTE", "name": "NAME"}},
        "/api/pages": {"page": page(photo) | {"name": "NAME", "story": "STORY"}, "what": "WHAT"},
        "/api/templates": {"template": {"name": "NAME"}},
    }
    for path, document in asked.items():
        for place in ("NAME", "NOTE", "STORY", "WHAT", "PART", "ink"):
            text = json.dumps(document)
            if f'"{place}"' in text:
                content = text.replace(f'"{place}"', f'"{odd}"').encode()
                answer = api.post(path, content=content, headers={"content-type": "application/json"})
                assert answer.status_code == 422 and answer.json()["fields"], (path, place, answer.text)
    for path in ("kits", "pages", "templates", "book", "together", "aside", "away"):
        assert api.get(f"/api/{path}").status_code == 200
    assert api.get("/api/kits").json() == api.get("/api/pages").json() == []


def test_lines_and_signs_of_all_languages_are_kept(api: TestClient) -> None:
    """A story has lines; a name may be in any script, with signs of several letters."""
    story = "Zeile eins\nライン 2\r\n\tשלוש 👩‍👧 ½ × ¾"
    body = page(photo_part()) | {"story": story, "name": "鷺と🪶"}
    id = api.post("/api/pages", json={"page": body}).json()["saved"]["id"]
    kept = api.get(f"/api/pages/{id}").json()["page"]
    assert (kept["story"], kept["name"]) == (story, "鷺と🪶")


@pytest.mark.parametrize("id", ["a/b", "<b>", 'x"y', "back\\slash", " before", "line\nend"])
def test_an_id_that_an_address_or_a_drawing_would_read_is_refused(api: TestClient, id: str) -> None:
    answer = api.post("/api/pages", json={"page": page(photo_part(id))})
    assert answer.status_code == 422 and answer.json()["fields"][0]["field"] == "parts.0.id"


def test_a_part_that_counts_from_itself_is_told_whatever_its_kind(api: TestClient) -> None:
    """Every entry of the menu; the page can be worked out and kept, and lists go on."""
    menu = api.post("/api/menu", json={"width": "12 in", "height": "12 in"}).json()
    for part in [entry["part"] for entry in menu]:
        place = {"on": "left", "across": {"edge": "before", "by": "0 in", "of": "me"}}
        asked = {"page": page(part | {"id": "me", "place": place})}
        answer = api.post("/api/evaluate", json=asked)
        assert answer.status_code in (200, 422), (part["kind"], answer.text)
        assert api.post("/api/pages", json=asked).status_code in (201, 422)
    assert len(menu) > 30 and api.get("/api/pages").status_code == api.get("/api/together").status_code == 200


@pytest.mark.parametrize("piece", ["p/print", "p/mat-1", "p", "nothing", ""])
def test_help_for_a_piece_that_needs_none_is_none(api: TestClient, piece: str) -> None:
    """A print, a piece without a paper, one that is not there."""
    for paper in ("ink", None):
        asked = {"page": page(photo_part("p", mat("1/8 in", paper))), "piece": piece, "id": None}
        answer = api.post("/api/helps", json=asked)
        assert answer.status_code == 404 or answer.json() == [], answer.text


def test_a_csv_with_columns_without_end_is_refused_at_once(api: TestClient) -> None:
    """Forty thousand of them, alike or not."""
    for heading in (",".join(["name"] * 40_000), "name," + ",".join(f"c{k}" for k in range(40_000))):
        start = time.monotonic()
        answer = api.post("/api/kits/read-csv", files={"file": ("kit.csv", f"{heading}\nInk\n".encode())})
        assert answer.status_code == 422 and time.monotonic() - start < 2
        assert "40001 columns" in answer.text or "40000 columns" in answer.text


def test_no_formula_leaves_in_a_csv(api: TestClient) -> None:
    """What a spreadsheet would work out stands as text, in every file that leaves."""
    odd = "=1+1"
    made = kit(sheet("ink") | {"name": odd})
    made["kit"] |= {"name": odd, "things": [{"id": "t", "name": odd, "kind": "sticker", "count": 1, "note": odd}]}
    saved = api.post("/api/kits", json=made).json()["saved"]
    panel = {"kind": "panel", "id": odd, "width": "12 in", "height": "8 in", "choice": {"paper": "ink"},
             "place": {"on": "left"}}  # fmt: skip
    id = api.post("/api/pages", json={"page": page(panel) | {"name": odd}}).json()["saved"]["id"]
    cutting = api.get(f"/api/pages/{id}/cutting").json()
    for step in cutting["cuts"]["sheets"][0]["steps"]:
        version = api.get(f"/api/pages/{id}/cutting").json()["version"]
        tick = {"key": step["key"], "on": True, "version": version}
        assert api.post(f"/api/pages/{id}/cutting/tick", json=tick).status_code == 200
    for path in (f"/api/pages/{id}/pieces.csv", "/api/book.csv", f"/api/kits/{saved['id']}/kit.csv"):
        text = api.get(path).content.decode("utf-8-sig")
        cells = [cell for line in text.splitlines() for cell in line.split(",")]
        assert "=1+1" in text and not [cell for cell in cells if cell.strip('"')[:1] in ("=", "+", "@")], path


def test_a_run_that_a_restart_broke_off_is_told(api: TestClient) -> None:
    """What had been sent to the printer by then, and what to do."""
    from ulna.household.printing import Run

    home = home_of(api)
    home.printing.runs.add(Run("sending", 4, 4, ("job-1",)), "sending", id="run")
    run = api.get("/api/printer").json()["run"]
    assert run["phase"] == "failed" and "1 of its jobs had been sent" in run["says"]
