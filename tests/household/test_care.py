"""One document that cannot be read takes nothing else away; what is wrong with a folder is told, mended if asked."""

from __future__ import annotations

import io
import os
import random
import shutil
import sqlite3
from collections.abc import Callable
from contextlib import closing
from pathlib import Path

import pytest
from fastapi.testclient import TestClient

from tests.api.client import client_of
from tests.api.documents import picture
from tests.store.faults import is_private
from ulna.core.page.plan import PagePlan
from ulna.core.paper.shelf import Kit
from ulna.household import care
from ulna.household.home import Household
from ulna.store.errors import StoreError, Unreadable
from ulna.store.library import DATABASE


@pytest.fixture
def folder(tmp_path: Path) -> Path:
    return laid_out(tmp_path / "home")


def laid_out(folder: Path) -> Path:
    """A household with two pages of two states each, a kit, and a photo."""
    with closing(Household(folder)) as home:
        for name in ("Rain on the roof", "The lock"):
            kept = home.pages.add(PagePlan(name), "began")
            home.pages.write(kept.id, 1, PagePlan(name, story="a heron"), "told a story")
        home.kits.add(Kit("Reeds"), "unpacked")
        home.roll.take_in(io.BytesIO(picture(1)), "heron.jpg")
    return folder


def harmed(folder: Path, sql: str) -> None:
    with closing(sqlite3.connect(folder / DATABASE)) as raw:
        raw.execute(sql)
        raw.commit()


NEWEST = "WHERE body LIKE '%Rain%' AND number = 2"
HARMS = {
    "flipped bytes": f"UPDATE revision SET body = replace(body, 'heron', 'hero|') {NEWEST}",
    "cut short": f"UPDATE revision SET body = substr(body, 1, 40), crc = NULL {NEWEST}",
    "an unknown field": f"UPDATE revision SET body = replace(body, '\"story\"', '\"storm\"'), crc = NULL {NEWEST}",
    "no text": f"UPDATE revision SET body = x'00ff', crc = NULL {NEWEST}",
    "not UTF-8": f"UPDATE revision SET body = CAST(CAST(body AS BLOB) || x'ff' AS TEXT) {NEWEST}",
    "a state that is missing": f"DELETE FROM revision {NEWEST}",
    "of a later Ulna": f"UPDATE revision SET form = 99 {NEWEST}",
    "a date that is none": "UPDATE document SET created = 'yesterday' WHERE id IN (SELECT document FROM revision "
    "WHERE body LIKE '%Rain%')",
}


@pytest.mark.parametrize("harm", HARMS)
def test_one_page_that_cannot_be_read_takes_no_other_away(folder: Path, harm: str) -> None:
    """It is set aside by name, the rest works, and the first screen says which and what would do."""
    harmed(folder, HARMS[harm])
    with client_of(folder) as api:
        (page,) = api.get("/api/pages").json()
        assert page["page"]["name"] == "The lock"
        assert [kit["kit"]["name"] for kit in api.get("/api/kits").json()] == ["Reeds"]
        (aside,) = api.get("/api/aside").json()
        assert (aside["kind"], aside["mends"]) == ("page", True) and aside["why"]
        legible = harm not in ("no text", "a state that is missing")
        assert aside["name"] == ("Rain on the roof" if legible else "")
        refused = api.get(f"/api/pages/{aside['id']}")
        assert refused.status_code == 409 and "cannot be read" in refused.json()["sentence"]


@pytest.mark.parametrize("harm", HARMS)
def test_its_last_good_state_is_brought_back(folder: Path, harm: str) -> None:
    """From the first screen; what could not be read is kept in a file."""
    harmed(folder, HARMS[harm])
    with client_of(folder) as api:
        (aside,) = api.get("/api/aside").json()
        assert api.post(f"/api/aside/page/{aside['id']}/back").status_code == 204
        assert api.get("/api/aside").json() == []
        back = api.get(f"/api/pages/{aside['id']}").json()
        story = "a heron" if harm == "a date that is none" else ""
        assert (back["page"]["name"], back["page"]["story"]) == ("Rain on the roof", story)
    assert (folder / care.SET_ASIDE).exists() == (harm not in ("a state that is missing", "a date that is none"))


def told(folder: Path, mend: bool = False) -> dict[str, str]:
    return {fault.what: outcome for fault, outcome in care.checked(folder, mend)}


def test_a_household_that_is_well_is_well(folder: Path) -> None:
    assert told(folder) == {}


def test_all_that_is_wrong_is_told_and_mended_only_when_asked(folder: Path) -> None:
    """Twice told alike; after mending only what a person must do is left."""
    harmed(folder, HARMS["flipped bytes"])
    (folder / DATABASE).chmod(0o644)
    with closing(Household(folder, sweep=False)) as home:
        id = home.roll.records.all()[0].id
        home.pictures.path(id, "view").write_bytes(b"")
    (folder / "pictures" / "photo-0123456789ab").mkdir()
    os.chmod(folder / DATABASE, 0o644)
    first = told(folder)
    assert first == {
        DATABASE: "mends",
        "page Rain on the roof": "mends",
        "photo heron": "mends",
        "the folder pictures/photo-0123456789ab": "mends",
    } | {DATABASE: first.get(DATABASE, "mends")}
    assert set(told(folder, mend=True).values()) == {care.MENDED}
    assert told(folder) == {} and is_private(folder / DATABASE)
    with closing(Household(folder)) as home:
        assert sorted(kept.body.name for kept in home.pages.all()) == ["Rain on the roof", "The lock"]
        assert home.roll.fault(id, "") == ""


def test_what_only_a_person_can_do_is_said(folder: Path) -> None:
    """A picture whose own file is gone; a state before the last one is history, and told too."""
    harmed(folder, "UPDATE revision SET body = '{}' WHERE body LIKE '%lock%' AND number = 1")
    with closing(Household(folder)) as home:
        id = home.roll.records.all()[0].id
        home.pictures.path(id, "original").unlink()
        page = next(kept for kept in home.pages.all() if kept.body.name == "The lock")
        with pytest.raises(Unreadable):
            home.pages.undo(page.id, page.version)
    assert list(told(folder).values()) == ["mends", ""]
    assert list(told(folder, mend=True).values()) == [care.MENDED, ""]
    (fault,) = [fault for fault, _ in care.checked(folder, False)]
    assert fault.sentence == "photo heron: its original is missing; bring the file in again (heron.jpg)"


@pytest.mark.parametrize("data", [b"garbage" * 3000, b"SQLite format 3\x00" + bytes(5000)])
def test_a_library_that_is_none_is_told_in_one_sentence(tmp_path: Path, data: bytes) -> None:
    (tmp_path / DATABASE).write_bytes(data)
    with pytest.raises(StoreError) as refused:
        Household(tmp_path)
    assert "damaged" in refused.value.sentence
    (fault,) = [fault for fault, _ in care.checked(tmp_path, True) if fault.fatal]
    assert "restore a backup" in fault.sentence
    assert (tmp_path / DATABASE).read_bytes() == data


def harm_anywhere(good: Path, bad: Path, rng: random.Random) -> None:
    """A copy of a household with a run of bytes of its library changed."""
    shutil.copytree(good, bad)
    data = bytearray((bad / DATABASE).read_bytes())
    at = rng.randrange(len(data))
    for k in range(at, min(at + rng.choice((1, 400, 9_000)), len(data))):
        data[k] = rng.randrange(256)
    (bad / DATABASE).write_bytes(data)


def broken_file(good: Path, bad: Path, rng: random.Random, ask: Callable[[TestClient], None]) -> str:
    """Opens a household with a damaged library and asks it everything: `refused`, or `open`; never a traceback."""
    shutil.rmtree(bad, ignore_errors=True)
    harm_anywhere(good, bad, rng)
    list(care.checked(bad, False))
    try:
        with client_of(bad, raises=False) as api:
            ask(api)
    except StoreError as error:
        assert error.sentence
        return "refused"
    return "open"


def ask_everything(api: TestClient) -> None:
    for path in ("kits", "pages", "photos", "templates", "aside", "book", "settings", "away"):
        answer = api.get(f"/api/{path}")
        assert answer.status_code != 500, (path, answer.text)
        if answer.status_code >= 400:
            assert answer.json()["sentence"]


def test_a_library_damaged_anywhere_is_open_or_refused(folder: Path, tmp_path: Path) -> None:
    """Whatever bytes change: what can be read is shown, what cannot is told in a sentence."""
    rng = random.Random(11)
    ends = [broken_file(folder, tmp_path / f"bad-{k}", rng, ask_everything) for k in range(40)]
    assert set(ends) == {"open", "refused"}
