"""What is inside a part, wherever it is: one walker finds its mats, papers, prints, openings, and changes them."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import fields, is_dataclass, replace
from typing import Any, TypeVar

Value = TypeVar("Value")
Holder = TypeVar("Holder")


def every(kind: type[Value], value: object) -> Iterator[Value]:
    """Every value of a kind in a part, the outermost first, in the order of its fields."""
    if isinstance(value, kind):
        yield value
    if isinstance(value, tuple):
        for one in value:
            yield from every(kind, one)
    elif is_dataclass(value) and not isinstance(value, type):
        for field in fields(value):
            yield from every(kind, getattr(value, field.name))


def changed(kind: type[Value], value: Holder, change: Callable[[Value], Value]) -> Holder:
    """The part with every value of a kind in it as `change` gives it, in the order of its fields; what is in such a
    value is left to `change`."""
    found: Any = value
    if isinstance(value, kind):
        found = change(value)
    elif isinstance(value, tuple):
        found = tuple(changed(kind, one, change) for one in value)
    elif is_dataclass(value) and not isinstance(value, type):
        parts = {field.name: getattr(value, field.name) for field in fields(value)}
        new = {name: changed(kind, one, change) for name, one in parts.items()}
        found = replace(value, **new) if any(new[name] is not parts[name] for name in new) else value
    whole: Holder = found
    return whole
