"""The library: every state a document ever had, and no silent overwriting."""

from __future__ import annotations

import itertools
import sqlite3
import time
from contextlib import closing
from pathlib import Path

import pytest
from sqlalchemy import event

from tests.store.faults import refusal
from ulna.store import library as store
from ulna.store.errors import Busy, Changed, Full, NoStep, NotThere, Unwritable
from ulna.store.library import Library
from ulna.store.states import Kept


@pytest.fixture
def library(tmp_path: Path) -> Library:
    return Library(tmp_path)


def grown(library: Library, *states: int) -> Kept:
    """A document that went through these states."""
    kept = library.add("kit", {"n": states[0]}, f"made {states[0]}")
    for n in states[1:]:
        kept = library.write("kit", kept.id, kept.version, {"n": n}, f"made {n}")
    return kept


def test_undo_and_redo_walk_through_every_state(library: Library) -> None:
    """Each says what it would take back or make again."""
    kept = grown(library, 1, 2, 3)
    assert (kept.undo, kept.redo) == ("made 3", None)
    kept = library.undo("kit", kept.id, kept.version)
    kept = library.undo("kit", kept.id, kept.version)
    assert (kept.body, kept.undo, kept.redo) == ({"n": 1}, None, "made 2")
    with pytest.raises(NoStep):
        library.undo("kit", kept.id, kept.version)
    assert library.redo("kit", kept.id, kept.version).body == {"n": 2}


def test_an_edit_after_an_undo_begins_a_new_future(library: Library) -> None:
    """What was undone is gone then, as people know it."""
    kept = grown(library, 1, 2)
    kept = library.undo("kit", kept.id, kept.version)
    kept = library.write("kit", kept.id, kept.version, {"n": 9}, "made 9")
    assert (kept.undo, kept.redo) == ("made 9", None)


def test_history_outlives_the_program(tmp_path: Path) -> None:
    """Undo works after everything was closed and opened again."""
    first = Library(tmp_path)
    kept = grown(first, 1, 2)
    first.close()
    assert Library(tmp_path).undo("kit", kept.id, kept.version).body == {"n": 1}


def test_the_same_sent_again_is_no_conflict(library: Library) -> None:
    """The answer to the first was lost on its way: the second finds its own words saved, and adds nothing."""
    kept = grown(library, 1)
    first = library.write("kit", kept.id, kept.version, {"n": 2}, "made 2")
    again = library.write("kit", kept.id, kept.version, {"n": 2}, "made 2")
    assert again == first
    assert library.undo("kit", kept.id, again.version).body == {"n": 1}


def test_a_stale_window_is_told_and_overwrites_nothing(library: Library) -> None:
    """Two windows began from version 1; the second to save hears of the first."""
    kept = grown(library, 1)
    library.write("kit", kept.id, kept.version, {"n": 2}, "theirs")
    with pytest.raises(Changed) as refused:
        library.write("kit", kept.id, kept.version, {"n": 3}, "mine")
    assert refused.value.current.body == {"n": 2}
    assert library.get("kit", kept.id).body == {"n": 2}


def test_writing_the_same_state_again_is_no_step(library: Library) -> None:
    """Leaving a field unchanged does not fill the history."""
    kept = grown(library, 1)
    assert library.write("kit", kept.id, kept.version, {"n": 1}, "nothing").version == kept.version


def test_quick_edits_of_one_series_are_one_state(library: Library) -> None:
    """Ten nudges are one undo; another edit in between ends the series."""
    kept = grown(library, 1)
    for n in (2, 3, 4):
        kept = library.write("kit", kept.id, kept.version, {"n": n}, "nudged", series="nudge")
    kept = library.write("kit", kept.id, kept.version, {"n": 5}, "typed")
    kept = library.write("kit", kept.id, kept.version, {"n": 6}, "nudged", series="nudge")
    walked = []
    while kept.undo:
        kept = library.undo("kit", kept.id, kept.version)
        walked.append(kept.body["n"])
    assert walked == [5, 4, 1]


def test_what_is_put_away_can_be_brought_back(library: Library) -> None:
    """It is out of sight, not lost."""
    kept = grown(library, 1, 2)
    away = library.put_away("kit", kept.id, kept.version)
    assert library.all("kit") == []
    assert [k.id for k in library.all_away()] == [kept.id]
    with pytest.raises(NotThere):
        library.get("kit", kept.id)
    assert library.put_away("kit", kept.id, away.version, away=False).body == {"n": 2}


def test_a_document_of_another_kind_is_not_there(library: Library) -> None:
    """An id alone does not open a door."""
    kept = grown(library, 1)
    with pytest.raises(NotThere, match='there is no page "'):
        library.get("page", kept.id)


def test_a_stamp_changes_with_every_change(library: Library) -> None:
    """What is cached is thrown away in time."""
    stamps = {library.stamps(["kit"])}
    kept = grown(library, 1)
    stamps.add(library.stamps(["kit"]))
    kept = library.write("kit", kept.id, kept.version, {"n": 2}, "x")
    stamps.add(library.stamps(["kit"]))
    library.put_away("kit", kept.id, kept.version)
    stamps.add(library.stamps(["kit"]))
    assert len(stamps) == 4


def test_a_transaction_is_written_whole_or_not_at_all(library: Library) -> None:
    """What is read inside sees what is written inside; an error takes all of it back."""
    kept = grown(library, 1)
    before = library.stamps(["kit"])
    with pytest.raises(ZeroDivisionError), library.transaction():
        library.write("kit", kept.id, kept.version, {"n": 2}, "made 2")
        library.add("kit", {"n": 9}, "made 9")
        assert len(library.all("kit")) == 2 and library.get("kit", kept.id).body == {"n": 2}
        raise ZeroDivisionError
    assert [k.body for k in library.all("kit")] == [{"n": 1}] and library.stamps(["kit"]) == before


@pytest.mark.parametrize("body", [{"name": "half a \ud83d letter"}, {"n": float("nan")}, {"n": object()}])
def test_what_could_not_be_read_again_is_not_kept(library: Library, body: dict) -> None:
    """It is told before anything is written."""
    with pytest.raises(Unwritable):
        library.add("kit", body, "made")
    assert library.all("kit") == []


def test_a_full_disk_is_told_and_nothing_is_lost(library: Library) -> None:
    """A database that may grow no further says so in our words; once it may, the same edit goes through."""
    kept = grown(library, 1)
    with library.engine.connect() as raw:
        raw.exec_driver_sql("PRAGMA wal_checkpoint(TRUNCATE)")
    library.engine.dispose()
    event.listen(library.engine, "connect", full := lambda raw, _: raw.execute("PRAGMA max_page_count=1"))
    with pytest.raises(Full):
        library.write("kit", kept.id, kept.version, {"n": "x" * 100_000}, "grew")
    event.remove(library.engine, "connect", full)
    library.engine.dispose()
    assert library.get("kit", kept.id).body == {"n": 1}
    assert library.write("kit", kept.id, kept.version, {"n": "x" * 100_000}, "grew").version == 2


def test_a_lock_of_another_program_is_told_soon(library: Library, monkeypatch: pytest.MonkeyPatch) -> None:
    """Readers do not wait for it; a writer hears of it after a few seconds, and nothing was changed."""
    assert store.PATIENCE == 5
    monkeypatch.setattr(store, "PATIENCE", 1.0)
    kept = grown(library, 1)
    with closing(sqlite3.connect(library.file, isolation_level=None)) as other:
        other.execute("BEGIN EXCLUSIVE")
        begun = time.monotonic()
        assert library.get("kit", kept.id).body == {"n": 1}
        assert time.monotonic() - begun < 1
        with pytest.raises(Busy):
            library.write("kit", kept.id, kept.version, {"n": 2}, "made 2")
        assert time.monotonic() - begun < 4
    assert library.write("kit", kept.id, kept.version, {"n": 2}, "made 2").body == {"n": 2}


@pytest.mark.parametrize("deed", ["add", "write", "series", "undo", "redo", "away"])
def test_an_edit_that_fails_at_any_statement_changes_nothing(library: Library, deed: str) -> None:
    """Whichever statement the database gives up at: the document stands as before, and the same edit goes through."""
    kept = grown(library, 1, 2, 3)
    kept = library.undo("kit", kept.id, kept.version)
    deeds = {
        "add": lambda: library.add("kit", {"n": 7}, "made 7", id="kit-7"),
        "write": lambda: library.write("kit", kept.id, kept.version, {"n": 7}, "made 7"),
        "series": lambda: library.write("kit", kept.id, kept.version, {"n": 7}, "made 7", series="n"),
        "undo": lambda: library.undo("kit", kept.id, kept.version),
        "redo": lambda: library.redo("kit", kept.id, kept.version),
        "away": lambda: library.put_away("kit", kept.id, kept.version),
    }
    before, at, gone_wrong = library.all("kit"), 0, True
    while gone_wrong:
        left = itertools.count()

        def stop(*_: object, at: int = at, left: itertools.count[int] = left) -> None:
            if next(left) == at:
                raise refusal("SQLITE_FULL")

        event.listen(library.engine, "before_cursor_execute", stop)
        try:
            deeds[deed]()
            gone_wrong = False
        except Full:
            at += 1
        finally:
            event.remove(library.engine, "before_cursor_execute", stop)
        assert not gone_wrong or library.all("kit") == before
    assert at > 3 and library.all("kit") != before
