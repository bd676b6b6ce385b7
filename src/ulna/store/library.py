"""The library: documents with their whole history, in one SQLite file, and the pictures beside it."""

from __future__ import annotations

import sqlite3
import threading
import time
from collections.abc import Callable, Collection, Iterable, Iterator, Sequence
from contextlib import contextmanager
from datetime import UTC, datetime
from pathlib import Path

from sqlalchemy import text
from sqlmodel import Session, col, func, select

from ulna.store.engine import REFUSALS, engine_of, told_of
from ulna.store.errors import Busy, Changed, NoStep, NotThere, Unreadable
from ulna.store.ids import new_id
from ulna.store.schema import bring_up_to_date, look_first
from ulna.store.states import STANDING, STATES, Aside, Kept, Raw, State, as_kept, as_text, read
from ulna.store.tables import Document, Revision

DATABASE = "ulna.sqlite"
SERIES_SECONDS = 3
"""Edits of one series further apart than this are states of their own."""

PATIENCE = 5.0
"""Seconds until a writer that gets no turn is told so."""

Check = Callable[[Raw, int], None]
"""Raises where a document's body, in the shape of that number, must not come to be."""


def accept(body: Raw, form: int) -> None:
    """Lets every body pass."""


class Library:
    """All the documents of one household, in the folder `home`."""

    def __init__(self, home: Path) -> None:
        """Makes the folder and the library where they are not there. Raises `StoreError`."""
        self.home, self.file = home, home / DATABASE
        look_first(self.file)
        self.engine = engine_of(self.file)
        self._writing = threading.RLock()
        self._own = threading.local()
        try:
            bring_up_to_date(self.engine, self.file)
        except REFUSALS as error:
            self.engine.dispose()
            raise told_of(error, self.file) or error from None
        except BaseException:
            self.engine.dispose()
            raise
        self._watch = sqlite3.connect(self.file, check_same_thread=False)
        self._watching = threading.Lock()
        self._stamps: tuple[int, dict[str, int]] = (-1, {})

    def close(self) -> None:
        self.engine.dispose()
        with self._watching:
            self._watch.close()

    # ---- reading ---------------------------------------------------------------------------------------

    def since(self, kind: str, seq: int) -> list[Kept[Raw] | Aside]:
        """Every document of a kind that was changed after a change of the library, those put away too."""
        return self._standing("d.kind = :kind AND d.seq > :seq", kind=kind, seq=seq)

    def all(self, kind: str) -> list[Kept[Raw]]:
        """Every document of a kind that can be read and is not put away, oldest first."""
        found = self._standing("d.kind = :kind AND NOT d.deleted ORDER BY d.created, d.id", kind=kind)
        return [one for one in found if isinstance(one, Kept)]

    def all_away(self) -> list[Kept[Raw]]:
        """Every document that is put away and can be read, the last one first."""
        found = self._standing("d.deleted ORDER BY d.changed DESC, d.seq DESC")
        return [one for one in found if isinstance(one, Kept)]

    def get(self, kind: str, id: str) -> Kept[Raw]:
        """Raises `NotThere`, `Unreadable`."""
        with self._reading() as session:
            return _kept(session, kind, id)

    def moment(self) -> int:
        """Another number whenever anything was written, by this program or another.

        A connection that never writes asks for SQLite's data_version: hundreds of times quicker than a query, and asked
        that often.
        """
        with self._watching:
            return int(self._watch.execute("PRAGMA data_version").fetchone()[0])

    def stamps(self, kinds: Iterable[str]) -> tuple[int, ...]:
        """For each kind a number that is another one whenever a document of it has changed."""
        asked = list(kinds)
        if self.in_transaction:
            return self._read_stamps(asked)
        moment, (then, known) = self.moment(), self._stamps
        if then != moment or not known.keys() >= set(asked):
            all_asked = sorted(known.keys() | set(asked))
            known = dict(zip(all_asked, self._read_stamps(all_asked), strict=True))
            self._stamps = moment, known
        return tuple(known[kind] for kind in asked)

    def _read_stamps(self, asked: Sequence[str]) -> tuple[int, ...]:
        columns = ", ".join(f"(SELECT max(seq) FROM document WHERE kind = :k{n})" for n in range(len(asked)))
        with self._reading() as session:
            row = session.connection().execute(
                text(f"SELECT {columns}"), {f"k{n}": kind for n, kind in enumerate(asked)}
            )
            return tuple(seq or 0 for seq in row.one())

    def _standing(self, where: str, **values: object) -> list[Kept[Raw] | Aside]:
        with self._reading() as session:
            return [as_kept(row) for row in session.connection().execute(text(f"{STANDING} WHERE {where}"), values)]

    # ---- writing ---------------------------------------------------------------------------------------

    @contextmanager
    def transaction(self) -> Iterator[None]:
        """What this thread writes inside is written whole or not at all, and no other writer comes in between.

        Raises `Busy` where there is no turn to be had, `Full`, `ReadOnly`, `Damaged`.
        """
        if self.in_transaction:
            yield
            return
        end = time.monotonic() + PATIENCE
        if not self._writing.acquire(timeout=PATIENCE):
            raise Busy
        try:
            with Session(self.engine) as session:
                left = max(100, round(1000 * (end - time.monotonic())))
                session.connection().exec_driver_sql(f"PRAGMA busy_timeout = {left}")
                session.connection().exec_driver_sql("BEGIN IMMEDIATE")
                self._own.session = session
                try:
                    yield
                    session.commit()
                finally:
                    self._own.session = None
        finally:
            self._writing.release()

    @property
    def in_transaction(self) -> bool:
        """Whether this thread writes: what it reads then may never come to be, and is not to be remembered."""
        return getattr(self._own, "session", None) is not None

    @contextmanager
    def _change(self) -> Iterator[Session]:
        with self.transaction():
            yield self._own.session

    @contextmanager
    def _reading(self) -> Iterator[Session]:
        own = getattr(self._own, "session", None)
        if own is not None:
            own.flush()
            yield own
            return
        with Session(self.engine) as session:
            yield session

    def add(self, kind: str, body: Raw, what: str, id: str | None = None, form: int = 1) -> Kept[Raw]:
        """A new document in its first state. With an id that exists already, raises `Changed`."""
        written, sum = as_text(body)
        with self._change() as session:
            now = datetime.now(UTC)
            id = id or new_id(kind)
            if session.get(Document, id) is not None:
                raise Changed(_kept(session, kind, id, put_away=True))
            seq = _next(session)
            session.add(Document(id=id, kind=kind, version=1, at=1, created=now, changed=now, seq=seq))
            session.flush()
            session.add(
                Revision(document=id, number=1, what=what[:200], body=written, made=now, form=form, crc=sum)
            )
            session.flush()
            return _kept(session, kind, id)

    def write(
        self,
        kind: str,
        id: str,
        version: int,
        body: Raw,
        what: str,
        series: str | None = None,
        form: int = 1,
    ) -> Kept[Raw]:
        """A new state. Raises `NotThere`, and `Changed` where `version` is no longer the current one.

        An edit of the same `series` as the last one, made right after it, takes the last one's place.
        """
        written, sum = as_text(body)
        with self._change() as session:
            document = _row(session, kind, id)
            old = _state(session, id, document.at)
            if old is not None and old.body == written:
                # also where an answer was lost on its way and the same is sent again
                return _kept(session, kind, id)
            document = _checked(session, kind, id, version)
            now = datetime.now(UTC)
            if old and series and old.series == series and self._just_now(session, document, old):
                old.body, old.what, old.made, old.form, old.crc = written, what[:200], now, form, sum
                session.add(old)
                return self._moved(session, document, old.number)
            for undone in session.exec(
                select(Revision).where(Revision.document == id, col(Revision.number) > document.at)
            ):
                session.delete(undone)
            session.flush()
            session.add(
                Revision(
                    document=id,
                    number=document.at + 1,
                    what=what[:200],
                    series=series,
                    body=written,
                    made=now,
                    form=form,
                    crc=sum,
                )
            )
            return self._moved(session, document, document.at + 1)

    def _just_now(self, session: Session, document: Document, last: Revision) -> bool:
        """Whether a state is the newest of its document and was made moments ago."""
        made = last.made if last.made.tzinfo else last.made.replace(tzinfo=UTC)
        newest = _state(session, document.id, last.number + 1) is None
        return newest and (datetime.now(UTC) - made).total_seconds() < SERIES_SECONDS

    def undo(self, kind: str, id: str, version: int, check: Check = accept) -> Kept[Raw]:
        """One state back, if `check` lets its body pass. Raises `NotThere`, `Changed`, and `NoStep` at the first."""
        return self._step(kind, id, version, -1, "there is nothing to undo", check)

    def redo(self, kind: str, id: str, version: int, check: Check = accept) -> Kept[Raw]:
        """One state forward again, if `check` lets its body pass. Raises as `undo` does, `NoStep` at the last."""
        return self._step(kind, id, version, 1, "there is nothing to redo", check)

    def put_away(self, kind: str, id: str, version: int, away: bool = True) -> Kept[Raw]:
        """Takes a document out of sight or brings it back; its history stays. Raises as `write` does."""
        with self._change() as session:
            document = _checked(session, kind, id, version, put_away=not away)
            document.deleted = away
            return self._moved(session, document, document.at)

    def states(self, id: str) -> list[State]:
        """Every state that a document ever had, the first one first."""
        with self._reading() as session:
            rows = session.connection().execute(text(STATES), {"id": id}).all()
        return [
            State(int(row.number), str(row.body), row.crc, int(row.form or 1), row.at == row.number) for row in rows
        ]

    def leave_out(self, kind: str, id: str, numbers: Collection[int]) -> None:
        """Takes states out of a document's history, which closes up; where the one that counts is among them, the last
        before it counts, or else the first after it. Raises `NotThere`, and `Unreadable` where none would be left."""
        with self._change() as session:
            self._with_legible_row(session, id)
            document = _row(session, kind, id, put_away=True)
            states = session.exec(
                select(Revision).where(Revision.document == id).order_by(col(Revision.number))
            ).all()
            good = [one for one in states if one.number not in numbers]
            if not good:
                raise Unreadable(kind, id, "no state of it can be read")
            counts = [one for one in good if one.number <= document.at][-1:] or good[:1]
            for one in states:
                if one.number in numbers:
                    session.delete(one)
            session.flush()
            for number, one in enumerate(good, 1):
                if one is counts[0]:
                    document.at = number
                one.number = number
                session.add(one)
                session.flush()
            self._moved(session, document, document.at)

    def _with_legible_row(self, session: Session, id: str) -> None:
        """Moments of a document that are none become now."""
        now = str(datetime.now(UTC).replace(tzinfo=None))
        for column in ("created", "changed"):
            session.connection().execute(
                text(f"UPDATE document SET {column} = :now WHERE id = :id AND datetime({column}) IS NULL"),
                {"now": now, "id": id},
            )
        session.connection().execute(
            text("UPDATE revision SET made = :now WHERE document = :id AND datetime(made) IS NULL"),
            {"now": now, "id": id},
        )

    def _step(self, kind: str, id: str, version: int, by: int, refusal: str, check: Check) -> Kept[Raw]:
        with self._change() as session:
            document = _checked(session, kind, id, version)
            revision = _state(session, id, document.at + by)
            if revision is None:
                raise NoStep(refusal)
            check(read(revision.body, revision.crc, kind, id), revision.form)
            return self._moved(session, document, revision.number)

    def _moved(self, session: Session, document: Document, at: int) -> Kept[Raw]:
        document.at = at
        document.version += 1
        document.changed = datetime.now(UTC)
        document.seq = _next(session)
        session.add(document)
        session.flush()
        return _kept(session, document.kind, document.id, put_away=True)


def _next(session: Session) -> int:
    return (session.exec(select(func.max(Document.seq))).one() or 0) + 1


def _row(session: Session, kind: str, id: str, put_away: bool = False) -> Document:
    try:
        document = session.get(Document, id)
    except (ValueError, TypeError) as error:
        raise Unreadable(kind, id, f"its record is damaged: {error}"[:160]) from None
    if document is None or document.kind != kind or (document.deleted and not put_away):
        raise NotThere(kind, id)
    return document


def _checked(session: Session, kind: str, id: str, version: int, put_away: bool = False) -> Document:
    document = _row(session, kind, id, put_away)
    if document.version != version:
        raise Changed(_kept(session, kind, id, put_away))
    return document


def _state(session: Session, id: str, number: int) -> Revision | None:
    try:
        return session.exec(select(Revision).where(Revision.document == id, Revision.number == number)).first()
    except (ValueError, TypeError) as error:
        raise Unreadable("document", id, f"the record of a state is damaged: {error}"[:160]) from None


def _kept(session: Session, kind: str, id: str, put_away: bool = False) -> Kept[Raw]:
    session.flush()
    asked = text(f"{STANDING} WHERE d.id = :id AND d.kind = :kind")
    row = session.connection().execute(asked, {"id": id, "kind": kind}).first()
    if row is None or (row.deleted and not put_away):
        raise NotThere(kind, id)
    found = as_kept(row)
    if isinstance(found, Aside):
        raise Unreadable(kind, id, found.why)
    return found
