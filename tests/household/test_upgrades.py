"""Libraries that older versions made open, all or nothing, and keep a copy of what they were; newer ones are refused.

The libraries were made by those versions themselves, with their own demo.
"""

from __future__ import annotations

import itertools
import sqlite3
import subprocess
import sys
import zipfile
from contextlib import closing
from pathlib import Path

import pytest
from sqlalchemy import event

from tests.api.client import client_of
from tests.store.faults import refusal
from ulna.household.home import Household
from ulna.store import schema
from ulna.store.engine import engine_of
from ulna.store.errors import Full, StoreError, TooNew
from ulna.store.library import DATABASE, Library

LIBRARIES = sorted((Path(__file__).parent.parent / "fixtures" / "libraries").glob("*.zip"))


def unpacked(library: Path, into: Path) -> Path:
    with zipfile.ZipFile(library) as packed:
        packed.extractall(into)
    return into


def counted(file: Path) -> dict[str, int]:
    with closing(sqlite3.connect(file)) as raw:
        return dict(raw.execute("SELECT kind, count(*) FROM document GROUP BY kind").fetchall())


@pytest.mark.parametrize("library", LIBRARIES, ids=lambda file: file.stem)
def test_a_library_of_an_earlier_version_opens_whole(library: Path, tmp_path: Path) -> None:
    """Every document reads, every page has its cut list and what is ticked on it, the book adds up; and the library
    as it was lies beside it."""
    home = unpacked(library, tmp_path)
    before, raw = counted(home / DATABASE), (home / DATABASE).read_bytes()
    with closing(sqlite3.connect(home / DATABASE)) as asked:
        ticked = asked.execute("SELECT count(*) FROM document WHERE kind = 'cutting'").fetchone()[0]
    with client_of(home) as api:
        household: Household = api.app.state.household  # type: ignore[attr-defined]
        assert household.aside() == []
        assert {kind: len([*d.all(), *d.away()]) for kind, d in household.documents.items() if d.all()} == before
        pages = api.get("/api/pages").json()
        stages = [page["cutting"] for page in pages]
        assert ticked == sum(stage != "planned" for stage in stages) == 2
        for page in pages:
            assert api.get(f"/api/pages/{page['saved']['id']}/cutting").status_code == 200
            assert api.get(f"/api/pages/{page['saved']['id']}/page.svg").status_code == 200
        assert api.get("/api/book").status_code == 200
    copy = home / f"ulna-before-{schema.LATEST}.sqlite"
    assert counted(copy) == before and len(copy.read_bytes()) == len(raw)
    with closing(sqlite3.connect(copy)) as kept:
        assert kept.execute("SELECT version_num FROM alembic_version").fetchone() == ("0001",)


def upgraded(file: Path, fails: int) -> bool:
    """Brings a library up to date, where the statement of that number that changes something fails; whether it did."""
    engine, changes = engine_of(file), ("ALTER", "CREATE", "UPDATE", "INSERT", "DELETE")
    count = itertools.count(1)

    @event.listens_for(engine, "before_cursor_execute")
    def stop(_connection: object, _cursor: object, statement: str, *_: object) -> None:
        if statement.startswith(changes) and next(count) == fails:
            raise refusal("SQLITE_FULL")

    try:
        schema.bring_up_to_date(engine, file)
    except Full:
        return False
    finally:
        engine.dispose()
    return True


def test_an_upgrade_that_fails_at_any_statement_leaves_the_library_as_it_was(tmp_path: Path) -> None:
    """It is one transaction: afterwards it opens with the next start."""
    home = unpacked(next(one for one in LIBRARIES if one.stem == "first-evening"), tmp_path)
    file, stopped = home / DATABASE, 0
    before = counted(file)
    while not upgraded(file, stopped + 1):
        stopped += 1
        with closing(sqlite3.connect(file)) as raw:
            assert raw.execute("SELECT version_num FROM alembic_version").fetchone() == ("0001",)
        assert counted(file) == before
    assert stopped > 5
    with closing(Household(home)) as household:
        assert household.aside() == []


def tables(file: Path, *statements: str) -> None:
    with closing(sqlite3.connect(file)) as raw:
        for statement in statements:
            raw.execute(statement)
        raw.commit()


DOCUMENT = ("CREATE TABLE document (id VARCHAR(80) PRIMARY KEY, kind VARCHAR(20), version INTEGER, at INTEGER, "
            "deleted BOOLEAN, created DATETIME, changed DATETIME)")  # fmt: skip
VERSION = "CREATE TABLE alembic_version (version_num VARCHAR(32) NOT NULL)"


@pytest.mark.parametrize("half", [(), (DOCUMENT,), (VERSION,), (VERSION, DOCUMENT)])
def test_a_first_start_that_was_stopped_is_taken_up(tmp_path: Path, half: tuple[str, ...]) -> None:
    """Whatever of its tables was there: it opens, and takes a document."""
    tables(tmp_path / DATABASE, *half)
    with closing(Library(tmp_path)) as library:
        assert library.add("kit", {"name": "Reeds"}, "made").version == 1


def test_a_library_of_a_later_ulna_is_refused_untouched(tmp_path: Path) -> None:
    """In one sentence; not a byte of it changes, and nothing comes to lie beside it."""
    Library(tmp_path).close()
    tables(tmp_path / DATABASE, "UPDATE alembic_version SET version_num = '9999'")
    before = {file.name: file.read_bytes() for file in tmp_path.iterdir()}
    with pytest.raises(TooNew, match="Update Ulna"):
        Library(tmp_path)
    assert {file.name: file.read_bytes() for file in tmp_path.iterdir()} == before


def test_many_first_starts_at_once_make_one_library(tmp_path: Path) -> None:
    """Two windows of a terminal, one household."""
    start = (
        "import sys; from pathlib import Path; from ulna.store.library import Library; Library(Path(sys.argv[1]))"
    )
    programs = [subprocess.Popen([sys.executable, "-c", start, str(tmp_path)]) for _ in range(4)]
    assert [program.wait() for program in programs] == [0] * 4
    with closing(Library(tmp_path)) as library:
        assert library.all("kit") == []


@pytest.mark.parametrize("how", ["a file", "no right"])
def test_a_folder_that_cannot_be_one_is_refused_in_a_sentence(tmp_path: Path, how: str) -> None:
    home = tmp_path / "home"
    if how == "a file":
        home.write_text("a letter")
    else:
        (tmp_path / "home" / DATABASE).mkdir(parents=True)
    with pytest.raises(StoreError) as refused:
        Library(home)
    assert str(home) in refused.value.sentence
