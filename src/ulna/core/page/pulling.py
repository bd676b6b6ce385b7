"""Pulling a handle: a value of a part changed by hand, on marks."""

from __future__ import annotations

from dataclasses import replace
from typing import Any

from ulna.core.geometry.rects import Borders
from ulna.core.measure import PER_INCH, ZERO, Length, Ruler
from ulna.core.parts.kinds import Part
from ulna.core.parts.pieces import Handle

SIGNED = frozenset({"gap", "across", "down"})
"""Fields that may go below nothing; a gap only where its kind overlaps (of strips)."""


def pull(part: Part, handle: Handle, across: Length, down: Length, ruler: Ruler) -> tuple[Part, str]:
    """The part after its handle was pulled so far, and its new value in words."""
    names = handle.field.split(".")
    old = _at(part, names)
    by = across.inches * handle.across + down.inches * handle.down
    new: Any
    if isinstance(old, int):
        new = max(1, old + round(by))
        return _with(part, names, new), f"{handle.name} {new}"
    length = old.left if isinstance(old, Borders) else old
    least = -length if names[-1] in SIGNED and part.kind == "band" else ZERO
    at = max(least, ruler.round(length + Length(round(by * PER_INCH))))
    new = Borders.even(at) if isinstance(old, Borders) else at
    return _with(part, names, new), f"{handle.name} {ruler.say(at)}"


def _at(value: Any, names: list[str]) -> Any:
    for name in names:
        value = value[int(name)] if name.isdigit() else getattr(value, name)
    return value


def _with(value: Any, names: list[str], new: Any) -> Any:
    """The value with one field, some levels in, changed."""
    if not names:
        return new
    first, *rest = names
    if first.isdigit():
        k = int(first)
        return (*value[:k], _with(value[k], rest, new), *value[k + 1 :])
    return replace(value, **{first: _with(getattr(value, first), rest, new)})
