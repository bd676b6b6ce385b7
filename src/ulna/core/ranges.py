"""Which values a field may have, said where the field is: `width: Size`, `rows: Annotated[int, Whole(1, 20)]`.

They are only said here. Documents that come from outside are held to them when they are read (`formats.documents`);
values that the program makes itself are not checked again.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from typing import Annotated, Any

from ulna.core import measure
from ulna.core.measure import Length


@dataclass(frozen=True, slots=True)
class Whole:
    """A whole number from `least` to `most`."""

    least: int | None = None
    most: int | None = None


@dataclass(frozen=True, slots=True)
class Real:
    """A number from `least` to `most`, where it is `stepped` a multiple of that; `over` is left out itself."""

    least: float | None = None
    most: float | None = None
    over: float | None = None
    stepped: float | None = None


@dataclass(frozen=True, slots=True)
class Text:
    """A text of so many characters, of the form of a regular expression where one is given."""

    most: int | None = None
    least: int | None = None
    form: str | None = None


@dataclass(frozen=True, slots=True)
class Many:
    """So many of something."""

    most: int | None = None
    least: int | None = None


@dataclass(frozen=True, slots=True)
class Rounded:
    """Numbers are written with so many places."""

    places: int


@dataclass(frozen=True, slots=True)
class Within:
    """Ranges of the fields of a value where it is used for something narrower, which has a name of its own."""

    name: str
    fields: Mapping[str, Any] = field(default_factory=dict, hash=False)


Size = Annotated[Length, measure.SIZE]
PageSize = Annotated[Length, measure.PAGE_SIZE]
Gap = Annotated[Length, measure.GAP]
Supply = Annotated[Length, measure.SUPPLY]
Offset = Annotated[Length, measure.OFFSET]

Id = Annotated[str, Text(80, 1)]
Name = Annotated[str, Text(120)]
Title = Annotated[str, Text(120, 1)]
"""A name that is not left empty."""
COLOUR = r"^#[0-9a-fA-F]{6}$"
Colour = Annotated[str, Text(form=COLOUR)]
Angle = Annotated[float, Real(-180, 180)]
Share = Annotated[float, Real(0, 1)]
Zoom = Annotated[float, Real(1, 20)]
Count = Annotated[int, Whole(0, 100_000)]
"""Counts beyond what can be made are told as findings, not refused, so that a page with one can still be opened."""
Seed = Annotated[int, Whole(0, 1_000_000)]
