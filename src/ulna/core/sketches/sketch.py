"""A sketch: an arrangement without papers, places with a role in proportion to the page.

x and width are shares of one page's width, y and height of its height; on the right page of a spread x is 1 and more.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, replace
from typing import Annotated, Literal

from ulna.core.geometry.rects import Rect
from ulna.core.measure import Ruler
from ulna.core.page_formats import PageFormat
from ulna.core.ranges import Many, Real, Title, Whole

Role = Literal["photo", "panel", "strip", "title", "words", "cluster"]
Shaped = Literal["upright", "sideways", "square", "any"]
Along = Annotated[float, Real(-0.5, 2.5)]
Across = Annotated[float, Real(0.005, 2)]
MOST_PLACES = 60
NEAR = 0.06
"""Sides that differ by less than this share are taken for equal."""


@dataclass(frozen=True, slots=True)
class SketchPlace:
    """A place: what it is for and where it is. `shaped` is how a photo lies in it, any way where it does not matter."""

    role: Role
    x: Along
    y: Along
    width: Across
    height: Across
    shaped: Shaped = "any"


@dataclass(frozen=True, slots=True)
class Sketch:
    """Places from underneath upward, on one page or two; `proportion` is one page's width over its height."""

    name: Title
    pages: Annotated[int, Whole(1, 2)] = 1
    proportion: Annotated[float, Real(0.2, 5)] = 1.0
    places: Annotated[tuple[SketchPlace, ...], Many(MOST_PLACES)] = ()

    @property
    def photos(self) -> tuple[SketchPlace, ...]:
        return of_role(self.places, "photo")


def of_role(places: Iterable[SketchPlace], role: Role) -> tuple[SketchPlace, ...]:
    return tuple(one for one in places if one.role == role)


def shape_of(place: SketchPlace, proportion: float) -> Literal["upright", "sideways", "square"]:
    """How a place lies on a page of that proportion."""
    wide = place.width * proportion
    if abs(wide - place.height) < NEAR * max(wide, place.height):
        return "square"
    return "sideways" if wide > place.height else "upright"


def shaped(place: SketchPlace, proportion: float) -> SketchPlace:
    """A place for a photo knows how the photo lies in it."""
    return replace(place, shaped=shape_of(place, proportion)) if place.role == "photo" else place


def box_of(place: SketchPlace, format: PageFormat, ruler: Ruler) -> Rect:
    """Where it is on a page of a format: its edges on marks, so that what was flush stays flush."""
    wide, high = format.width.inches, format.height.inches
    x, y = ruler.near(place.x * wide), ruler.near(place.y * high)
    right, bottom = ruler.near((place.x + place.width) * wide), ruler.near((place.y + place.height) * high)
    return Rect(x, y, max(ruler.mark, right - x), max(ruler.mark, bottom - y))


def mirrored(sketch: Sketch) -> Sketch:
    """As a mirror beside it shows it; of a spread the pages change sides."""
    places = (replace(one, x=_six(sketch.pages - one.x - one.width)) for one in sketch.places)
    return replace(sketch, places=tuple(places))


def upside_down(sketch: Sketch) -> Sketch:
    """As a mirror below it shows it."""
    return replace(sketch, places=tuple(replace(one, y=_six(1 - one.y - one.height)) for one in sketch.places))


def turned(sketch: Sketch) -> Sketch:
    """A quarter clockwise: what was on the left is above. Of a spread each page turns by itself."""

    def one_turned(one: SketchPlace) -> SketchPlace:
        page = int(one.x + one.width / 2) if sketch.pages == 2 else 0
        x = _six(1 - one.y - one.height)
        return replace(
            one,
            x=_six(x + page),
            y=_six(one.x - page),
            width=one.height,
            height=one.width,
            shaped=SIDEWAYS[one.shaped],
        )

    over = [one for one in sketch.places if sketch.pages == 2 and one.x < 1 < one.x + one.width]
    places = tuple(one_turned(one) for one in sketch.places if one not in over)
    return replace(sketch, proportion=_six(1 / sketch.proportion), places=places)


SIDEWAYS: dict[Shaped, Shaped] = {"upright": "sideways", "sideways": "upright", "square": "square", "any": "any"}


def _six(share: float) -> float:
    return round(share, 6)
