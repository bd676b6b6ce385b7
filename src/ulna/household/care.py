"""The health of a household's folder: all that is wrong with it, and what of that can be mended.

Nothing is thrown away for good: a state that cannot be read is written to a file beside the library before it is taken
out of the history.
"""

from __future__ import annotations

import re
import sqlite3
from collections.abc import Callable, Iterator
from contextlib import closing
from dataclasses import dataclass
from pathlib import Path
from typing import Any

from ulna.core.errors import UlnaError
from ulna.formats.limits import MOST_PICTURE_BYTES
from ulna.household.documents import Documents
from ulna.household.home import Household
from ulna.store import disk
from ulna.store.errors import NotThere, StoreError, Unreadable
from ulna.store.library import DATABASE
from ulna.store.states import Aside

SET_ASIDE = "set-aside"
"""The folder of what was taken out of the library because it could not be read."""

MENDED = "mended"
RESTORE = "restore a backup into another folder"

SHEET = re.compile(r"sheet-[0-9a-f]{12}")


@dataclass(frozen=True, slots=True)
class Fault:
    """Something that is wrong: with what, why, and what would do. `mend` does it, where the program can."""

    what: str
    why: str
    advice: str
    mend: Callable[[], None] | None = None
    fatal: bool = False
    """Nothing else can be looked at until it is mended."""

    @property
    def sentence(self) -> str:
        return f"{self.what}: {self.why}; {self.advice}"


def of_file(folder: Path) -> list[Fault]:
    """What is wrong with the file of the library itself; asked before it is opened."""
    file = folder / DATABASE
    if not file.is_file():
        return [
            Fault(str(folder), "there is no library here", "give the household's folder with --home", fatal=True)
        ]
    faults = list[Fault]()
    if file.stat().st_mode & 0o077:
        faults.append(
            Fault(
                DATABASE, "others on this machine can read it", "--mend takes that away", lambda: file.chmod(0o600)
            )
        )
    try:
        with closing(sqlite3.connect(file)) as asked:
            told = [str(row[0]) for row in asked.execute("PRAGMA integrity_check(20)")]
    except (sqlite3.DatabaseError, UnicodeDecodeError) as error:
        return [*faults, Fault(DATABASE, f"it is no database any more ({error})", RESTORE, fatal=True)]
    if told == ["ok"]:
        return faults
    if all("index" in one for one in told):
        advice = "--mend makes them again"
        return [*faults, Fault(DATABASE, "its indexes are damaged", advice, lambda: _reindexed(file), fatal=True)]
    return [*faults, Fault(DATABASE, f"it is damaged ({told[0][:120]})", RESTORE, fatal=True)]


def _reindexed(file: Path) -> None:
    with closing(sqlite3.connect(file)) as library:
        library.execute("REINDEX")
        library.commit()


def of_household(home: Household) -> list[Fault]:
    """What is wrong with what a library holds, and with the pictures beside it."""
    return [*_documents(home), *_pictures(home), *_sheets(home), *_orphans(home)]


def lacking(home: Household) -> tuple[str, ...]:
    """The pictures that documents speak of and whose own file is missing or damaged, as people call them."""
    records = [*home.roll.records.all(), *home.roll.records.away()]
    names = [kept.body.name for kept in records if "original" in home.roll.fault(kept.id, kept.body.digest)]
    return (*names, *(fault.what for fault in _sheets(home)))


def has_good_state(home: Household, aside: Aside) -> bool:
    """Whether a state of a document that cannot be read can be brought back."""
    return any(not why for _, why in _states(home, home.documents[aside.kind], aside.id))


def bring_back(home: Household, kind: str, id: str) -> None:
    """The last good state of a document that cannot be read. Raises `NotThere`, `Unreadable` where there is none."""
    documents = home.documents.get(kind)
    if documents is None:
        raise NotThere(kind, id)
    _without_bad_states(home, documents, id)


def _documents(home: Household) -> Iterator[Fault]:
    for documents in home.documents.values():
        for aside in documents.aside():
            yield _of_aside(home, documents, aside)
        for kept in [*documents.all(), *documents.away()]:
            bad = [number for number, why in _states(home, documents, kept.id) if why]
            if bad:
                yield Fault(
                    f"{documents.kind} {kept.id}",
                    f"{len(bad)} of its earlier states cannot be read",
                    f"--mend takes them out of its history, into the folder {SET_ASIDE}",
                    lambda documents=documents, id=kept.id: _without_bad_states(home, documents, id),  # type: ignore[misc]
                )


def _of_aside(home: Household, documents: Documents[Any], aside: Aside) -> Fault:
    name = f"{documents.kind} {aside.name or aside.id}"
    if not has_good_state(home, aside):
        return Fault(
            name, aside.why, "no earlier state of it can be read either; restore a backup to have it again"
        )
    return Fault(
        name,
        aside.why,
        "--mend brings its last good state back",
        lambda: _without_bad_states(home, documents, aside.id),
    )


def _states(home: Household, documents: Documents[Any], id: str) -> Iterator[tuple[int, str]]:
    """The number of each state and why it cannot be read; empty where it can."""
    for state in home.library.states(id):
        try:
            documents.value(id, state.body(documents.kind, id), state.form)
        except Unreadable as error:
            yield state.number, error.why
        else:
            yield state.number, ""


def _without_bad_states(home: Household, documents: Documents[Any], id: str) -> None:
    bad = [number for number, why in _states(home, documents, id) if why]
    folder = home.library.home / SET_ASIDE
    for state in home.library.states(id):
        if state.number in bad:
            folder.mkdir(exist_ok=True, mode=0o700)
            disk.put(folder / f"{id}-{state.number}.json", state.text.encode(errors="replace"))
    home.library.leave_out(documents.kind, id, bad)


def _pictures(home: Household) -> Iterator[Fault]:
    roll = home.roll
    for kept in [*roll.records.all(), *roll.records.away()]:
        why = roll.fault(kept.id, kept.body.digest)
        if not why:
            continue
        if "original" in why:
            yield Fault(
                f"photo {kept.body.name}", why, f"bring the file in again ({kept.body.file or 'as it came'})"
            )
        else:
            yield Fault(
                f"photo {kept.body.name}",
                why,
                "--mend makes it again from the original",
                lambda id=kept.id: _copies_again(home, id),  # type: ignore[misc]
            )


def _copies_again(home: Household, id: str) -> None:
    from ulna.formats import pictures

    data = home.pictures.path(id, "original").read_bytes()[: MOST_PICTURE_BYTES + 1]
    view, thumb = home.darkroom.run(pictures.copies, id, data, id)
    home.pictures.again(id, "view", view)
    home.pictures.again(id, "thumb", thumb)


def _sheets(home: Household) -> Iterator[Fault]:
    """Photographs of sheets that kits speak of and that are not there."""
    there = set(home.pictures.ids())
    for kept in home.kits.all():
        for paper in kept.body.papers:
            for side in (paper.a, paper.b):
                if side and side.picture and SHEET.fullmatch(side.picture) and side.picture not in there:
                    yield Fault(
                        f"paper {paper.name} of {kept.body.name}",
                        "the photograph of its sheet is missing",
                        "take it again at Unpack",
                    )


def _orphans(home: Household) -> Iterator[Fault]:
    known = home.pictured()
    for id in home.pictures.ids():
        if id not in known and not id.startswith("sheet-"):
            yield Fault(
                f"the folder pictures/{id}",
                "nothing in the library speaks of it",
                "--mend throws it away",
                lambda id=id: home.pictures.drop(id),  # type: ignore[misc]
            )


def checked(folder: Path, mend: bool) -> Iterator[tuple[Fault, str]]:
    """All that is wrong with a household's folder, each with what came of it: `mended`, `mends` (with `--mend`), or
    nothing where a person must do something."""
    open_to_all = True
    for fault in of_file(folder):
        outcome = _mended(fault, mend)
        open_to_all = open_to_all and (not fault.fatal or outcome == MENDED)
        yield fault, outcome
    if not open_to_all:
        return
    try:
        with closing(Household(folder, sweep=False)) as home:
            for fault in of_household(home):
                yield fault, _mended(fault, mend)
    except StoreError as error:  # whole by its own word, but not what a library is
        yield Fault(DATABASE, error.sentence, RESTORE, fatal=True), ""


def _mended(fault: Fault, mend: bool) -> str:
    if fault.mend is None:
        return ""
    if not mend:
        return "mends"
    try:
        fault.mend()
    except (UlnaError, OSError) as error:
        return f"could not be mended: {error}"
    return MENDED
