"""A document's states as they lie in the library, and what is read of them: as it stands, or as set aside."""

from __future__ import annotations

import json
import re
import zlib
from dataclasses import dataclass
from datetime import UTC, datetime
from typing import Any, Generic, TypeVar

from ulna.store.errors import Unreadable, Unwritable

Body = TypeVar("Body")
Raw = dict[str, Any]


@dataclass(frozen=True, slots=True)
class Kept(Generic[Body]):
    """A document as it stands, its `body` as JSON or as the value that it is.

    `what` was done last; `undo` and `redo` say what a step would take back or make. `seq` is the library's change that
    made it so, `form` the number of its shape."""

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
    seq: int = 0
    form: int = 1


@dataclass(frozen=True, slots=True)
class Aside:
    """A document whose state cannot be read, and is left alone until somebody mends it. `name` where that much of it
    is legible."""

    kind: str
    id: str
    name: str
    why: str
    seq: int = 0
    deleted: bool = False


@dataclass(frozen=True, slots=True)
class State:
    """One state of a document as it lies in the library; whether it is the one that counts."""

    number: int
    text: str
    crc: int | None
    form: int
    counts: bool

    def body(self, kind: str, id: str) -> Raw:
        """Raises `Unreadable`."""
        return read(self.text, self.crc, kind, id)


STANDING = """
SELECT d.kind, d.id, d.version, d.created, d.changed, d.deleted, d.seq, r.number, r.what, r.body, r.crc, r.form,
       n.what AS following
FROM document d
LEFT JOIN revision r ON r.document = d.id AND r.number = d.at
LEFT JOIN revision n ON n.document = d.id AND n.number = d.at + 1
"""
"""Documents, each with the state that counts and what would be done again. Read without the tables' classes, which
give up all rows for the sake of one that is damaged."""


STATES = """
SELECT r.number, r.body, r.crc, r.form, d.at FROM revision r JOIN document d ON d.id = r.document
WHERE r.document = :id ORDER BY r.number
"""


def as_kept(row: Any) -> Kept[Raw] | Aside:
    """A row of `STANDING` as what it says."""
    try:
        if row.number is None:
            raise Unreadable(row.kind, row.id, "its state is missing")
        body = read(row.body, row.crc, row.kind, row.id)
        number, what, following = int(row.number), row.what, row.following
        undo = what if number > 1 else None
        created, changed = _moment(row.created), _moment(row.changed)
        return Kept(
            row.kind, row.id, int(row.version), body, what, undo, following, created, changed, bool(row.deleted),
            int(row.seq), int(row.form),
        )  # fmt: skip
    except Unreadable as error:
        why = error.why
    except (ValueError, TypeError) as error:
        why = f"its record is damaged: {error}"[:160]
    return Aside(str(row.kind), str(row.id), _legible_name(row.body), why, int(row.seq or 0), bool(row.deleted))


def _legible_name(body: object) -> str:
    found = re.search(r'"name": ?"([^"\\]{1,120})"', body if isinstance(body, str) else "")
    return found[1] if found else ""


def _moment(written: object) -> datetime:
    """A moment as the tables keep it: without a zone, in UTC."""
    return datetime.fromisoformat(str(written)).replace(tzinfo=UTC)


def as_text(body: Raw) -> tuple[str, int]:
    """A body as it is kept, and its sum. Raises `Unwritable` for what no reader could take back."""
    try:
        written = json.dumps(body, ensure_ascii=False, allow_nan=False)
        return written, zlib.crc32(written.encode())
    except (ValueError, TypeError) as error:
        raise Unwritable(f"this cannot be kept: {error}") from None


def read(written: object, sum: object, kind: str, id: str) -> Raw:
    """Raises `Unreadable`."""
    if not isinstance(written, str):
        raise Unreadable(kind, id, "its text is none")
    if sum is not None and zlib.crc32(written.encode(errors="replace")) != sum:
        raise Unreadable(kind, id, "bytes of it have changed on the disk")
    try:
        body = json.loads(written)
    except ValueError as error:
        raise Unreadable(kind, id, f"its text breaks off or is damaged: {error}"[:160]) from None
    if not isinstance(body, dict):
        raise Unreadable(kind, id, "its text is no document")
    return body
