"""The library: every state a document ever had, and no silent overwriting."""

from __future__ import annotations

import io
import sqlite3
from pathlib import Path

import pytest

from ulna.store.errors import Changed, NoStep, NotThere, TooNew
from ulna.store.library import Kept, Library
from ulna.store.picture_box import PictureBox


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
    stamps = {library.stamps().get("kit")}
    kept = grown(library, 1)
    stamps.add(library.stamps().get("kit"))
    kept = library.write("kit", kept.id, kept.version, {"n": 2}, "x")
    stamps.add(library.stamps().get("kit"))
    library.put_away("kit", kept.id, kept.version)
    stamps.add(library.stamps().get("kit"))
    assert len(stamps) == 4


def test_a_library_of_a_later_ulna_is_not_touched(tmp_path: Path) -> None:
    """Opening it with an old program could lose what it does not know."""
    Library(tmp_path).close()
    with sqlite3.connect(tmp_path / "ulna.sqlite") as raw:
        raw.execute("UPDATE alembic_version SET version_num = '9999'")
    with pytest.raises(TooNew, match="update Ulna"):
        Library(tmp_path)


def test_a_picture_is_there_whole_or_not_at_all(tmp_path: Path) -> None:
    """And an id that would lead out of the folder leads nowhere."""
    box = PictureBox(tmp_path / "pictures")
    box.put("photo-1", box.arrive(io.BytesIO(b"original"), 100), "heic", b"view", b"thumb")
    assert box.path("photo-1", "original").read_bytes() == b"original"
    (tmp_path / "pictures" / ".photo-2").mkdir()
    for id in ("photo-2", ".photo-2", "../pictures/photo-1", "..", ""):
        with pytest.raises(NotThere):
            box.path(id, "view")
