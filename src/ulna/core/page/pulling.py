"""Pulling a handle: a value of a part changed by hand, on marks."""

from __future__ import annotations

from dataclasses import replace
from typing import Any

from ulna.core.errors import FieldError
from ulna.core.geometry.rects import Borders
from ulna.core.measure import ZERO, Length, Ruler, length_of
from ulna.core.page.plan import PagePlan
from ulna.core.page.standing import stand
from ulna.core.parts.kinds import Part
from ulna.core.parts.pieces import Ground, Handle


def pull(part: Part, handle: Handle, across: Length, down: Length, ruler: Ruler) -> tuple[Part, str]:
    """The part after its handle was pulled so far, and its new value in words."""
    names = handle.field.split(".")
    old = _at(part, names)
    by = across.inches * handle.across + down.inches * handle.down
    new: Any
    if handle.count:
        new = max(1, old + round(by))
        return _with(part, names, new), f"{handle.name} {new}"
    length = old.left if isinstance(old, Borders) else old
    least = -length if handle.signed else ZERO
    at = max(least, ruler.round(length + length_of(by)))
    new = Borders.even(at) if isinstance(old, Borders) else at
    return _with(part, names, new), f"{handle.name} {ruler.say(at)}"


def pulled(plan: PagePlan, id: str, field: str, across: Length, down: Length, ground: Ground) -> tuple[Part, str]:
    """A part of a recipe after a handle of it was pulled so far, and the value in words. A hand that goes too far would
    take the part, and the handle with it, from the page: there it goes no further.

    Raises `NotOnShelf`, `FieldError`."""
    part = plan.part(id)
    built = stand(plan.parts, ground)[id].built
    handle = next((h for h in built.handles if h.field == field), None)
    if handle is None:
        known = ", ".join(h.field for h in built.handles) or "none"
        raise FieldError("field", field, "this part has no such handle", f"there are {known}")
    after, says = pull(part, handle, across, down, ground.ruler)
    others = tuple(after if one.id == id else one for one in plan.parts)
    if built.is_there and not stand(others, ground)[id].built.is_there:
        return part, f"{handle.name}: no further"
    return after, says


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
