"""The household's documents as the core's values: read once, kept with their history."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace
from typing import Any, Generic, TypeVar

from ulna.formats.documents import read, written
from ulna.store.errors import Changed, NotThere
from ulna.store.library import Kept, Library

Value = TypeVar("Value")


class Documents(Generic[Value]):
    """All documents of one kind. Every change is a revision; a write from a stale window raises `Changed`."""

    def __init__(self, library: Library, kind: str, of: type[Value]) -> None:
        self.library, self.kind, self.of = library, kind, of
        self._read: dict[str, tuple[int, Value]] = {}

    def all(self) -> list[Kept[Value]]:
        """Every one that is not put away, oldest first."""
        return [self._typed(kept) for kept in self.library.all(self.kind)]

    def get(self, id: str) -> Kept[Value]:
        """Raises `NotThere`."""
        return self._typed(self.library.get(self.kind, id))

    def only(self, fresh: Callable[[], Value]) -> Kept[Value]:
        """The one document of a kind of which there is one, under the kind's name; made on first asking."""
        try:
            return self.get(self.kind)
        except NotThere:
            try:
                return self.add(fresh(), "began", id=self.kind)
            except Changed as first:  # another request was quicker
                return self._typed(first.current)

    def add(self, value: Value, what: str, id: str | None = None) -> Kept[Value]:
        """A new document. With an id that exists already, raises `Changed`."""
        return self._typed(self.library.add(self.kind, written(value), what, id))

    def write(self, id: str, version: int, value: Value, what: str, series: str | None = None) -> Kept[Value]:
        """A new state. Raises `NotThere` and `Changed`; quick edits of one series are one step of undo."""
        return self._typed(self.library.write(self.kind, id, version, written(value), what, series))

    def undo(self, id: str, version: int, check: Callable[[Value], None] | None = None) -> Kept[Value]:
        """One state back, if `check` lets it pass. Raises `NotThere`, `Changed`, `NoStep`."""
        return self._typed(self.library.undo(self.kind, id, version, self._checked(check)))

    def redo(self, id: str, version: int, check: Callable[[Value], None] | None = None) -> Kept[Value]:
        """One state forward again, as `undo`."""
        return self._typed(self.library.redo(self.kind, id, version, self._checked(check)))

    def put_away(self, id: str, version: int, away: bool = True) -> Kept[Value]:
        """Takes a document out of sight or brings it back."""
        return self._typed(self.library.put_away(self.kind, id, version, away))

    def _checked(self, check: Callable[[Value], None] | None) -> Callable[[Any], None]:
        return lambda body: check(read(self.of, body)) if check is not None else None

    def _typed(self, kept: Kept[Any]) -> Kept[Value]:
        """A version of a document never changes, so each is read once."""
        known = self._read.get(kept.id)
        if known is None or known[0] != kept.version:
            known = self._read[kept.id] = kept.version, read(self.of, kept.body)
        typed: Kept[Value] = replace(kept, body=known[1])
        return typed
