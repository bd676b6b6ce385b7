"""The household's documents as the core's values: read once, kept with their history.

All documents of a kind that were read stay at hand; what was changed since, in this window or another, is read again.
So a list of thousands takes no longer than what is new in it.
"""

from __future__ import annotations

import threading
from collections.abc import Callable
from dataclasses import replace
from datetime import UTC, datetime
from typing import Generic, TypeVar, cast

from ulna.formats import forms, texts
from ulna.formats.documents import read, written
from ulna.store.errors import Changed, NotThere, Unreadable
from ulna.store.library import Check, Library
from ulna.store.states import Aside, Kept, Raw

Value = TypeVar("Value")


class Documents(Generic[Value]):
    """All documents of one kind. Every change is a revision; a write from a stale window raises `Changed`."""

    def __init__(
        self, library: Library, kind: str, of: type[Value], allowed: Callable[[str, Value], None] | None = None
    ) -> None:
        """`allowed` raises where a value must not come to be, as things stand when it is written."""
        self.library, self.kind, self.of, self.allowed = library, kind, of, allowed
        self._known: dict[str, Kept[Value] | Aside] = {}
        self._seq, self._moment = 0, -1
        self._lock = threading.Lock()

    def all(self) -> list[Kept[Value]]:
        """Every one that can be read and is not put away, oldest first."""
        found = [one for one in self._everything().values() if isinstance(one, Kept) and not one.deleted]
        return sorted(found, key=lambda kept: (kept.created, kept.id))

    def aside(self) -> list[Aside]:
        """Those that cannot be read."""
        return [one for one in self._everything().values() if isinstance(one, Aside)]

    def away(self) -> list[Kept[Value]]:
        """Those that are put away."""
        return [one for one in self._everything().values() if isinstance(one, Kept) and one.deleted]

    def _everything(self) -> dict[str, Kept[Value] | Aside]:
        if self.library.in_transaction:  # what is seen there may never come to be
            return {one.id: self._typed_or_aside(one) for one in self.library.since(self.kind, 0)}
        moment = self.library.moment()
        if moment == self._moment:
            return self._known
        with self._lock:
            changed = self.library.since(self.kind, self._seq)
            if changed:
                fresh = {one.id: self._typed_or_aside(one) for one in changed}
                self._known = self._known | fresh
                self._seq = max(one.seq for one in changed)
            self._moment = moment
            return self._known

    def get(self, id: str) -> Kept[Value]:
        """Raises `NotThere`, `Unreadable`."""
        if self.library.in_transaction:
            return self._typed(self.library.get(self.kind, id))
        found = self._everything().get(id)
        if found is None or found.deleted:
            raise NotThere(self.kind, id)
        if isinstance(found, Aside):
            raise Unreadable(self.kind, found.name or id, found.why)
        return found

    def only(self, fresh: Callable[[], Value]) -> Kept[Value]:
        """The one document of a kind of which there is one, under the kind's name; made on first asking.

        Where it cannot be read everything else goes on with a fresh one, which is not kept.
        """
        try:
            return self.get(self.kind)
        except Unreadable as error:
            now = datetime.now(UTC)
            return Kept(self.kind, self.kind, 0, fresh(), error.why, None, None, now, now, False)
        except NotThere:
            try:
                return self.add(fresh(), "began", id=self.kind)
            except Changed as first:  # another request was quicker
                return self._typed(first.current)

    def add(self, value: Value, what: str, id: str | None = None) -> Kept[Value]:
        """A new document. With an id that exists already, raises `Changed`."""
        body = self._ready(value, what)
        return self._typed(self.library.add(self.kind, body, what, id, forms.form_of(self.kind)))

    def write(self, id: str, version: int, value: Value, what: str, series: str | None = None) -> Kept[Value]:
        """A new state. Raises `NotThere` and `Changed`; quick edits of one series are one step of undo."""
        body = self._ready(value, what)
        form = forms.form_of(self.kind)
        with self.library.transaction():
            if self.allowed is not None:
                self.allowed(id, value)
            return self._typed(self.library.write(self.kind, id, version, body, what, series, form))

    def undo(self, id: str, version: int, check: Callable[[Value], None] | None = None) -> Kept[Value]:
        """One state back, if `check` lets it pass. Raises `NotThere`, `Changed`, `NoStep`, `Unreadable`."""
        return self._typed(self.library.undo(self.kind, id, version, self._checked(id, check)))

    def redo(self, id: str, version: int, check: Callable[[Value], None] | None = None) -> Kept[Value]:
        """One state forward again, as `undo`."""
        return self._typed(self.library.redo(self.kind, id, version, self._checked(id, check)))

    def change(self, id: str, what: str, by: Callable[[Value | None], Value]) -> Kept[Value]:
        """Another state of what stands under an id at this moment, whoever else writes. `by` is given nothing where it
        is not there yet; what was put away comes back first."""
        with self.library.transaction():
            try:
                kept = self.get(id)
            except NotThere:
                try:
                    return self.add(by(None), what, id=id)
                except Changed as here:
                    kept = self.put_away(id, here.current.version, away=False)
            return self.write(id, kept.version, by(kept.body), what)

    def put_away(self, id: str, version: int, away: bool = True) -> Kept[Value]:
        """Takes a document out of sight or brings it back."""
        return self._typed(self.library.put_away(self.kind, id, version, away))

    def _ready(self, value: Value, what: str) -> Raw:
        """The value as it will be kept. It is read back first: what could not be read later is refused now.

        Raises `FieldError`, `pydantic.ValidationError`.
        """
        body = written(value)
        texts.refuse_odd(body)
        texts.refuse_odd(what, "what")
        read(self.of, body)
        return body

    def _checked(self, id: str, check: Callable[[Value], None] | None) -> Check:
        def checked(body: Raw, form: int) -> None:
            value = self.value(id, body, form)
            if check is not None:
                check(value)
            if self.allowed is not None:
                self.allowed(id, value)

        return checked

    def value(self, id: str, body: Raw, form: int) -> Value:
        """A state as it lies in the library, as the value that it is. Raises `Unreadable`."""
        try:
            return read(self.of, forms.raised(self.kind, form, body))
        except (ValueError, TypeError, KeyError) as error:  # whatever makes of it no value
            raise Unreadable(self.kind, id, _first_of(error)) from None

    def _typed(self, kept: Kept[Raw]) -> Kept[Value]:
        known = self._known.get(kept.id)
        same = isinstance(known, Kept) and (known.version, known.seq) == (kept.version, kept.seq)
        body = known.body if same and isinstance(known, Kept) else self.value(kept.id, kept.body, kept.form)
        typed = replace(kept, body=body)  # type: ignore[arg-type]
        return cast(Kept[Value], typed)

    def _typed_or_aside(self, one: Kept[Raw] | Aside) -> Kept[Value] | Aside:
        if isinstance(one, Aside):
            return one
        try:
            return self._typed(one)
        except Unreadable as error:
            return Aside(one.kind, one.id, str(one.body.get("name", "")), error.why, one.seq, one.deleted)


def _first_of(error: Exception) -> str:
    """What is wrong with a document, in a few words: the first field at fault."""
    details = error.errors() if hasattr(error, "errors") else []
    if not details:
        return f"{type(error).__name__} {error}"[:160]
    field = ".".join(str(step) for step in details[0]["loc"])
    return f"{field}: {details[0]['msg']}"[:160]
