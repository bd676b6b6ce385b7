"""Wet work on what lies under it: a wash, gesso, mist, spatter, paste through a stencil, ink with powder.

It goes on before what lies over it, dries, and is drawn softly. Under photos gesso tones a busy ground down.
"""

from __future__ import annotations

import random
from collections.abc import Sequence
from dataclasses import dataclass, field
from typing import Annotated, ClassVar

from ulna.core.findings import Finding
from ulna.core.geometry.polygons import Point
from ulna.core.geometry.rects import Rect
from ulna.core.measure import SIZE, ZERO, inches
from ulna.core.paper.shelf import Stock
from ulna.core.parts.beginning import Beginning
from ulna.core.parts.kind import Entry, Traits
from ulna.core.parts.media import MEDIA, MediumName
from ulna.core.parts.pieces import Built, Ground, Line
from ulna.core.parts.place import Place
from ulna.core.parts.sizing import size_handles
from ulna.core.ranges import Colour, Gap, Id, Size, Text


@dataclass(frozen=True, slots=True)
class Wet:
    """A `medium` in a region of `width` × `height`, or over all that it lies on but for a rim of `trim`. `spares` leaves
    the middle free, all but that rim of `spared`; a `thick` coat dries longer."""

    kind: ClassVar[str] = "wet"
    level: ClassVar[str] = "under"
    id: Id
    medium: MediumName = "wash"
    name: Annotated[str, Text(60)] = ""
    colour: Colour = "#8fb0b8"
    trim: Gap | None = None
    width: Size = inches(5)
    height: Size = inches(4)
    thick: bool = False
    spared: Gap | None = None
    place: Place = field(default_factory=Place)


def build(part: Wet, ground: Ground, room: Rect) -> Built:
    """No piece of paper: a region with soft edges."""
    if part.trim is not None:
        width, height = room.width - part.trim * 2, room.height - part.trim * 2
    else:
        width, height = ground.ruler.round(part.width), ground.ruler.round(part.height)
    if min(width, height) < SIZE.least:
        told = "Its rim leaves nothing; make it narrower."
        return Built(ZERO, ZERO, findings=(Finding("nothing-left", "stop", part.id, told),))
    w, h = width.inches, height.inches
    spared = part.spared is not None and min(width, height) - part.spared * 2 >= SIZE.least
    path = _drawn(part.medium, w, h, part.spared.inches if part.spared is not None and spared else None)
    medium = MEDIA[part.medium]
    minutes = medium.thick if part.thick else medium.thin
    heat = "heat shortens it" if medium.heat == "shortens" else "heat spoils it"
    sums = f"{ground.ruler.say_size(width, height)}; dries {minutes} minutes, {heat}"
    lines = (Line("wash", path, colour=part.colour),)
    box = Rect(ZERO, ZERO, width, height)
    handles = () if part.trim is not None else tuple(size_handles(part.place, box))
    return Built(width, height, (), sums, lines=lines, handles=handles)


def _drawn(medium: MediumName, w: float, h: float, rim: float | None) -> str:
    """As it comes out: drops, the holes of a stencil, else a coat with the edge of a brush. The same for the same
    size; with a `rim` the middle stays free."""
    dice = random.Random(f"{medium} {w:g} {h:g}")
    free = None if rim is None else (rim, rim, w - rim, h - rim)
    if medium in ("mist", "spatter"):
        many, least, most = (70, 0.012, 0.035) if medium == "mist" else (26, 0.02, 0.09)
        spots = [
            (dice.uniform(0, w), dice.uniform(0, h), dice.triangular(least, most, least))
            for _ in range(min(400, round(many * max(1.0, w * h / 4))))
        ]
        return "".join(_drop(x, y, r) for x, y, r in spots if _is_clear(x, y, free))
    if medium == "paste":
        rows, columns = max(1, round(h / HOLES)), max(1, round(w / HOLES))
        across, down = w / columns, h / rows
        spots = [
            ((column + (0.75 if row % 2 else 0.25)) * across, (row + 0.5) * down, HOLES * 0.3)
            for row in range(min(60, rows)) for column in range(min(60, columns))
        ]  # fmt: skip
        return "".join(_drop(x, y, r) for x, y, r in spots if _is_clear(x, y, free))
    coat = _line(_brushed(dice, 0, 0, w, h))
    if rim is None:
        return coat
    return coat + _line(_brushed(dice, rim, rim, w - rim, h - rim)[::-1])  # the other way round: a hole in the coat


HOLES = 0.35
"""Inches from one hole of a stencil to the next."""


def _drop(x: float, y: float, r: float) -> str:
    return f"M{x - r:.3f} {y:.3f}a{r:.3f} {r:.3f} 0 1 0 {2 * r:.3f} 0a{r:.3f} {r:.3f} 0 1 0 {-2 * r:.3f} 0Z"


def _is_clear(x: float, y: float, free: tuple[float, float, float, float] | None) -> bool:
    return free is None or not (free[0] < x < free[2] and free[1] < y < free[3])


def _line(points: Sequence[Point]) -> str:
    return "M" + "L".join(f"{x:.3f} {y:.3f}" for x, y in points) + "Z"


def _brushed(dice: random.Random, left: float, top: float, right: float, bottom: float) -> list[Point]:
    """The outline of a coat: never beyond its region, up to a sixteenth inside of it."""
    wide, high = right - left, bottom - top
    many_w, many_h = max(2, min(40, round(wide / 0.4))), max(2, min(40, round(high / 0.4)))
    most = min(0.0625, wide / 8, high / 8)

    def off() -> float:
        return dice.uniform(0, most)

    points = [(left + wide * k / many_w, top + off()) for k in range(many_w)]
    points += [(right - off(), top + high * k / many_h) for k in range(many_h)]
    points += [(right - wide * k / many_w, bottom - off()) for k in range(many_w)]
    points += [(left + off(), bottom - high * k / many_h) for k in range(many_h)]
    return points


def bears(stock: Stock) -> bool:
    """Whether a paper bears wet work without curling."""
    return stock is Stock.CARD


def name(part: Wet, ground: Ground) -> str:
    return f"the {MEDIA[part.medium].says.removeprefix('a ')}"


def sentence(part: Wet, ground: Ground) -> str:
    says = MEDIA[part.medium].says
    called = f" in {part.name}" if part.name else ""
    return f"{says[0].upper()}{says[1:]}{called}" + (", a thick coat" if part.thick else "")


def _begun(begin: Beginning) -> Wet:
    wide, high = begin.usual.print
    return Wet("new", width=high, height=wide)


PART = Wet
TRAITS = Traits(fills=lambda part: part.trim is not None, scales=("width", "height"))
MENU: tuple[Entry, ...] = (
    Entry(
        "Wash, gesso, mist or paste",
        "wet work watercolour paint ink spray spatter stencil ground background",
        "M5 14c0-4 3-5 4-9 3 3 6 4 6 8 2 0 4 1 4 4s-3 4-7 4-7-3-7-7z",
        _begun,
    ),
)
