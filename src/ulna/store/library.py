"""The library: documents with their whole history, in one SQLite file, and the pictures beside it."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from datetime import UTC, datetime
from pathlib import Path
from typing import Any, Generic, TypeVar

from sqlalchemy import Engine, event, func
from sqlmodel import Session, col, create_engine, select

from ulna.store.errors import Changed, NoStep, NotThere
from ulna.store.ids import new_id
from ulna.store.schema import bring_up_to_date
from ulna.store.tables import Document, Revision

SERIES_SECONDS = 3
"""Edits of one series further apart than this are states of their own."""

Body = TypeVar("Body")
Raw = dict[str, Any]
Check = Callable[[Raw], None]
"""Raises where a document's body must not come to be."""


def accept(body: Raw) -> None:
    """Lets every body pass."""


@dataclass(frozen=True, slots=True)
class Kept(Generic[Body]):
    """A document as it stands, its `body` as JSON or as the value that it is.

    `what` was done last; `undo` and `redo` say what a step would take back or make."""

    kind: str
    id: str
    version: int
    body: Body
    what: str
    undo: str | None
    redo: str | None
    created: datetime
    changed: datetime
    deleted: bool


class Library:
    """All the documents of one household, in the folder `home`."""

    def __init__(self, home: Path) -> None:
        home.mkdir(parents=True, exist_ok=True)
        self.home = home
        self.engine = _engine(home / "ulna.sqlite")
        bring_up_to_date(self.engine)

    def close(self) -> None:
        self.engine.dispose()

    def all(self, kind: str) -> list[Kept[Raw]]:
        """Every document of a kind that is not put away, oldest first."""
        with Session(self.engine) as session:
            rows = session.exec(
                _standing()
                .where(Document.kind == kind, col(Document.deleted).is_(False))
                .order_by(col(Document.created), col(Document.id))
            ).all()
            following = self._following(session, kind)
            return [_as_kept(document, revision, following.get(document.id)) for document, revision in rows]

    def _following(self, session: Session, kind: str) -> dict[str, str]:
        """What would be done again, for each document of a kind that has something undone."""
        after = (col(Revision.document) == col(Document.id)) & (col(Revision.number) == col(Document.at) + 1)
        found = session.exec(select(Document.id, Revision.what).join(Revision, after).where(Document.kind == kind))
        return dict(found.all())

    def stamps(self) -> dict[str, tuple[int, int]]:
        """For each kind two numbers that are other ones whenever a document of it has changed."""
        with Session(self.engine) as session:
            found = session.exec(
                select(Document.kind, func.count(col(Document.id)), func.sum(Document.version)).group_by(
                    Document.kind
                )
            )
            return {kind: (count, versions) for kind, count, versions in found}

    def all_away(self) -> list[Kept[Raw]]:
        """Every document that is put away, the last one first."""
        with Session(self.engine) as session:
            rows = session.exec(
                _standing().where(col(Document.deleted)).order_by(col(Document.changed).desc())
            ).all()
            return [_kept(session, document, revision) for document, revision in rows]

    def get(self, kind: str, id: str) -> Kept[Raw]:
        """Raises `NotThere`."""
        with Session(self.engine) as session:
            return _kept(session, *_row(session, kind, id))

    def add(self, kind: str, body: Raw, what: str, id: str | None = None) -> Kept[Raw]:
        """A new document in its first state. With an id that exists already, raises `Changed`."""
        with self._change() as session:
            now = datetime.now(UTC)
            id = id or new_id(kind)
            if session.get(Document, id) is not None:
                raise Changed(_kept(session, *_row(session, kind, id, put_away=True)))
            document = Document(id=id, kind=kind, version=1, at=1, created=now, changed=now)
            session.add(document)
            session.flush()
            revision = Revision(document=id, number=1, what=what[:200], body=body, made=now)
            session.add(revision)
            session.flush()
            return _kept(session, document, revision)

    def write(self, kind: str, id: str, version: int, body: Raw, what: str, series: str | None = None) -> Kept[Raw]:
        """A new state. Raises `NotThere`, and `Changed` where `version` is no longer the current one.

        An edit of the same `series` as the last one, made right after it, takes the last one's place.
        """
        with self._change() as session:
            document, old = _row(session, kind, id)
            if old.body == body:  # also where an answer was lost on its way and the same is sent again
                return _kept(session, document, old)
            document, old = _checked(session, kind, id, version)
            if series and old.series == series and self._just_now(session, document, old):
                old.body, old.what, old.made = body, what[:200], datetime.now(UTC)
                session.add(old)
                return self._moved(session, document, old)
            for undone in session.exec(
                select(Revision).where(Revision.document == id, col(Revision.number) > document.at)
            ):
                session.delete(undone)
            session.flush()
            revision = Revision(
                document=id,
                number=document.at + 1,
                what=what[:200],
                series=series,
                body=body,
                made=datetime.now(UTC),
            )
            session.add(revision)
            return self._moved(session, document, revision)

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
            document, revision = _checked(session, kind, id, version, put_away=not away)
            document.deleted = away
            return self._moved(session, document, revision)

    def _step(self, kind: str, id: str, version: int, by: int, refusal: str, check: Check) -> Kept[Raw]:
        with self._change() as session:
            document, _ = _checked(session, kind, id, version)
            revision = _state(session, id, document.at + by)
            if revision is None:
                raise NoStep(refusal)
            check(revision.body)
            return self._moved(session, document, revision)

    def _moved(self, session: Session, document: Document, revision: Revision) -> Kept[Raw]:
        document.at = revision.number
        document.version += 1
        document.changed = datetime.now(UTC)
        session.add(document)
        session.flush()
        return _kept(session, document, revision)

    @contextmanager
    def _change(self) -> Iterator[Session]:
        """A session that is written whole or not at all, and lets no other writer in between."""
        with Session(self.engine) as session:
            session.connection().exec_driver_sql("BEGIN IMMEDIATE")
            yield session
            session.commit()


def _engine(file: Path) -> Engine:
    engine = create_engine(f"sqlite:///{file}", connect_args={"check_same_thread": False, "timeout": 20})

    @event.listens_for(engine, "connect")
    def _on_connect(connection: Any, _record: Any) -> None:
        connection.isolation_level = None  # transactions are begun by hand, see `Library._change`
        for pragma in ("journal_mode=WAL", "synchronous=FULL", "foreign_keys=ON"):
            connection.execute(f"PRAGMA {pragma}")

    return engine


def _standing() -> Any:
    """Documents, each with the state that counts."""
    here = (col(Revision.document) == col(Document.id)) & (col(Revision.number) == col(Document.at))
    return select(Document, Revision).join(Revision, here)


def _row(session: Session, kind: str, id: str, put_away: bool = False) -> tuple[Document, Revision]:
    document = session.get(Document, id)
    if document is None or document.kind != kind or (document.deleted and not put_away):
        raise NotThere(kind, id)
    revision = _state(session, id, document.at)
    if revision is None:
        raise NotThere(kind, id)
    return document, revision


def _checked(
    session: Session, kind: str, id: str, version: int, put_away: bool = False
) -> tuple[Document, Revision]:
    document, revision = _row(session, kind, id, put_away)
    if document.version != version:
        raise Changed(_kept(session, document, revision))
    return document, revision


def _state(session: Session, id: str, number: int) -> Revision | None:
    return session.exec(select(Revision).where(Revision.document == id, Revision.number == number)).first()


def _kept(session: Session, document: Document, revision: Revision) -> Kept[Raw]:
    following = session.exec(
        select(Revision.what).where(Revision.document == document.id, Revision.number == revision.number + 1)
    ).first()
    return _as_kept(document, revision, following)


def _as_kept(document: Document, revision: Revision, following: str | None) -> Kept[Raw]:
    return Kept(
        document.kind,
        document.id,
        document.version,
        revision.body,
        revision.what,
        revision.what if revision.number > 1 else None,
        following,
        document.created,
        document.changed,
        document.deleted,
    )
