"""What can go wrong with the library."""

from __future__ import annotations

from typing import TYPE_CHECKING, Any

if TYPE_CHECKING:
    from ulna.store.library import Kept


class StoreError(Exception):
    """`sentence` is for people."""

    def __init__(self, sentence: str) -> None:
        super().__init__(sentence)
        self.sentence = sentence


class NotThere(StoreError):
    """No document has this kind and id."""

    def __init__(self, kind: str, id: str) -> None:
        super().__init__(f'there is no {kind} "{id}"')
        self.kind, self.id = kind, id


class Changed(StoreError):
    """The document was changed since it was read; `current` is what it is now."""

    def __init__(self, current: Kept[Any]) -> None:
        super().__init__(f"this {current.kind} was changed in another window ({current.what})")
        self.current = current


class NoStep(StoreError):
    """There is nothing to undo or redo."""


class TooNew(StoreError):
    """The library was written by a later Ulna."""
