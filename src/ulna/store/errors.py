"""What can go wrong with the library."""

from __future__ import annotations

from typing import TYPE_CHECKING, Any

from ulna.core.errors import UlnaError

if TYPE_CHECKING:
    from ulna.store.library import Kept


class StoreError(UlnaError):
    """The root of these; made with a sentence for people."""

    code = "store"
    status = 409


class NotThere(StoreError):
    """No document has this kind and id."""

    code = "not-there"
    status = 404

    def __init__(self, kind: str, id: str) -> None:
        super().__init__(f'there is no {kind} "{id}"')
        self.kind, self.id = kind, id


class Changed(StoreError):
    """The document was changed since it was read; `current` is what it is now."""

    code = "changed"

    def __init__(self, current: Kept[Any]) -> None:
        super().__init__(f"this {current.kind} was changed in another window ({current.what})")
        self.current = current


class NoStep(StoreError):
    """There is nothing to undo or redo."""

    code = "no-step"


class TooNew(StoreError):
    """The library was written by a later Ulna."""

    code = "too-new"
