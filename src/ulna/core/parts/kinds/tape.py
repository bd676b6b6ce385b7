"""Tape from a roll, by length: as a divider, as a line that a cluster stands on, as a column of words.

An end that lies on the edge of the page is wrapped round it: 1/2 in more at each such end.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, field
from typing import Annotated, ClassVar

from ulna.core.findings import Finding
from ulna.core.geometry.rects import Rect
from ulna.core.measure import SIZE, ZERO, Length, inches
from ulna.core.parts.kind import Entry, Taking, Traits
from ulna.core.parts.pieces import Built, Ground, Handle, Piece
from ulna.core.parts.place import Down, Place
from ulna.core.ranges import Colour, Id, Size, Whole

WRAP = inches(0, 1, 2)
PLAIN = "#c8b98f"


@dataclass(frozen=True, slots=True)
class Tape:
    """`thing` is the roll on the shelf; `colour` is how it is drawn. `upright` runs down the page. With `length` None
    it runs from edge to edge of what it lies on; `wrapped` counts the ends that go round an edge.
    """

    kind: ClassVar[str] = "tape"
    level: ClassVar[str] = "over"
    id: Id
    thing: str | None = None
    width: Size = inches(0, 5, 8)
    length: Size | None = None
    upright: bool = False
    wrapped: Annotated[int, Whole(0, 2)] = 2
    colour: Colour = PLAIN
    place: Place = field(default_factory=Place)


def used(part: Tape, room: Rect) -> Length:
    """What it takes from the roll, wrapped ends counted."""
    long = part.length if part.length is not None else room.height if part.upright else room.width
    return long + WRAP * part.wrapped


def build(part: Tape, ground: Ground, room: Rect) -> Built:
    """One strip of tape; what is there of it is told where it is not enough."""
    ruler = ground.ruler
    w, needs = ruler.round(part.width), used(part, room)
    long = needs - WRAP * part.wrapped
    if min(w, long) < SIZE.least:
        told = "Tape needs a width and a length; make them larger."
        return Built(ZERO, ZERO, findings=(Finding("tape", "stop", part.id, told),))
    width, height = (w, long) if part.upright else (long, w)
    box = Rect(ZERO, ZERO, width, height)
    piece = Piece(f"{part.id}/tape", part.id, "tape", "tape", box, box, colour=part.colour)
    ends = f" + {part.wrapped} × {ruler.say(WRAP)} wrapped" if part.wrapped else ""
    told = f"{ruler.say(long)}{ends} = {ruler.say(needs)} of tape"
    right, low = (width, height.part(1, 2), 1.0, 0.0), (width.part(1, 2), height, 0.0, 1.0)
    handles = [Handle("width", "width", *(right if part.upright else low))]
    if part.length is not None:
        handles.append(Handle("length", "length", *(low if part.upright else right)))
    findings = _gone(part, ground)
    return Built(width, height, (piece,), told, findings, handles=tuple(handles))


def _gone(part: Tape, ground: Ground) -> tuple[Finding, ...]:
    if part.thing and part.thing not in ground.shelf.things:
        return (Finding("thing-gone", "warn", part.id, "This tape is no longer on the shelf."),)
    return ()


def takes(part: Tape, room: Rect) -> Iterable[Taking]:
    return [Taking(part.thing, 0, used(part, room))] if part.thing else []


def name(part: Tape, ground: Ground) -> str:
    thing = ground.shelf.things.get(part.thing or "")
    return thing.name if thing else "the tape"


def sentence(part: Tape, ground: Ground) -> str:
    say = ground.ruler.say
    thing = ground.shelf.things.get(part.thing or "")
    long = say(part.length) if part.length is not None else "from edge to edge"
    ends = {0: "no end wrapped", 1: "one end wrapped", 2: "both ends wrapped"}[part.wrapped]
    way = "down" if part.upright else "across"
    return f"Tape {thing.name if thing else ''}".rstrip() + f", {say(part.width)} wide, {long} {way}, {ends}"


PART = Tape
TRAITS = Traits(fills=lambda part: part.length is None, takes=takes)
MENU: tuple[Entry, ...] = (
    Entry(
        "Tape",
        "washi ribbon divider line roll",
        "M2 10l2-1-1 2 1 2-2 2h20l-2-1 1-2-1-2 2-1z",
        lambda b: Tape("new", width=b.of(0, 5, 8), place=Place(down=Down("bottom", b.of(1)))),
    ),
)
