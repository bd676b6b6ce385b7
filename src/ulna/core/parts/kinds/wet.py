"""Wet work on what lies under it: a wash, gesso, mist, spatter, paste through a stencil, ink with powder.

It goes on before what lies over it, dries, and is drawn softly. Under photos gesso tones a busy ground down.
"""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Annotated, ClassVar

from ulna.core.findings import Finding
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
    path = f"M0 0H{w:g}V{h:g}H0Z"
    if part.spared is not None and min(width, height) - part.spared * 2 >= SIZE.least:
        s = part.spared.inches
        path += f"M{s:g} {s:g}V{h - s:g}H{w - s:g}V{s:g}Z"
    medium = MEDIA[part.medium]
    minutes = medium.thick if part.thick else medium.thin
    heat = "heat shortens it" if medium.heat == "shortens" else "heat spoils it"
    sums = f"{ground.ruler.say_size(width, height)}; dries {minutes} minutes, {heat}"
    lines = (Line("wash", path, colour=part.colour),)
    box = Rect(ZERO, ZERO, width, height)
    handles = () if part.trim is not None else tuple(size_handles(part.place, box))
    return Built(width, height, (), sums, lines=lines, handles=handles)


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
