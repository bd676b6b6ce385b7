"""A stamp repeated: rows × columns at a pitch, inks in turn, later impressions of one inking lighter.

▲ ▲ ▲     across and down from middle to middle; every second row may be shifted by half the pitch
 ▲ ▲ ▲
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, field
from typing import Annotated, ClassVar

from ulna.core.findings import Finding
from ulna.core.geometry.rects import Rect
from ulna.core.measure import SIZE, ZERO, inches
from ulna.core.paper.colour_words import shaded
from ulna.core.parts import stuck
from ulna.core.parts.beginning import Beginning
from ulna.core.parts.kind import Entry, Taking, Traits
from ulna.core.parts.pieces import Built, Ground, Handle, Piece
from ulna.core.parts.place import Place
from ulna.core.ranges import Angle, Colour, Id, Many, Size, Whole

MOST = 400
LIGHTER = 0.28
"""By so much an impression goes toward white after each one that is made of the same ink."""


@dataclass(frozen=True, slots=True)
class Stamped:
    """`inks` are taken in turn; `wiped` is how many impressions are made before the stamp is inked again, each a step
    lighter than the one before. Every second row is `shifted` by half the pitch."""

    kind: ClassVar[str] = "stamped"
    level: ClassVar[str] = "under"
    id: Id
    thing: Id | None = None
    rows: Annotated[int, Whole(1, 40)] = 3
    columns: Annotated[int, Whole(1, 40)] = 4
    across: Size = inches(1, 1, 4)
    down: Size = inches(1, 1, 4)
    shifted: bool = False
    inks: Annotated[tuple[Colour, ...], Many(12, 1)] = ("#4a545c",)
    wiped: Annotated[int, Whole(1, 5)] = 1
    angle: Angle = 0.0
    place: Place = field(default_factory=Place)


def build(part: Stamped, ground: Ground, room: Rect) -> Built:
    """Row by row, from the left."""
    ruler = ground.ruler
    thing, findings = stuck.known(part.id, part.thing, ground)
    across, down = ruler.round(part.across), ruler.round(part.down)
    if part.rows * part.columns > MOST or min(across, down) < SIZE.least:
        told = f"{part.rows} × {part.columns} impressions are too many, or too near each other; take fewer."
        return Built(ZERO, ZERO, findings=(Finding("stamped", "stop", part.id, told),))
    wide, high = stuck.size_of(thing, "", ruler)
    pieces = list[Piece]()
    for row in range(part.rows):
        for column in range(part.columns):
            k = row * part.columns + column
            shift = ruler.round(across.part(1, 2)) if part.shifted and row % 2 else ZERO
            at = Rect(across * column + shift, down * row, wide, high)
            ink = shaded(part.inks[k // part.wiped % len(part.inks)], LIGHTER * (k % part.wiped))
            pieces += stuck.pieces_of(part.id, str(k + 1), thing, at, ruler, part.angle, ink=ink)
    shift = ruler.round(across.part(1, 2)) if part.shifted and part.rows > 1 else ZERO
    width = across * (part.columns - 1) + wide + shift
    height = down * (part.rows - 1) + high
    more = list(findings)
    if across < wide or down < high:
        more.append(Finding("overlap", "note", part.id, "They overlap: the pitch is less than their size."))
    said = f"{part.rows * part.columns} impressions, {ruler.say(across)} across and {ruler.say(down)} down"
    if part.wiped > 1:
        said += f"; ink it for every {part.wiped}"
    handles = (Handle("across", "pitch across", across, ZERO, 1), Handle("down", "pitch down", ZERO, down, 0, 1))
    return Built(width, height, tuple(pieces), said, tuple(more), handles=handles)


def takes(part: Stamped, room: Rect) -> Iterable[Taking]:
    return [Taking(part.thing)] if part.thing else []


def name(part: Stamped, ground: Ground) -> str:
    return "the stamped pattern"


def sentence(part: Stamped, ground: Ground) -> str:
    thing = ground.shelf.things.get(part.thing or "")
    say = ground.ruler.say
    inks = f"{len(part.inks)} inks in turn" if len(part.inks) > 1 else "one ink"
    return (
        f"Stamped {thing.name if thing else 'pattern'}: {part.rows} × {part.columns}, {say(part.across)} across, "
        f"{say(part.down)} down, {inks}"
    )


def _begun(begin: Beginning) -> Stamped:
    return Stamped("new", across=begin.of(1, 1, 4), down=begin.of(1, 1, 4))


PART = Stamped
TRAITS = Traits(scales=(), takes=takes)
MENU: tuple[Entry, ...] = (
    Entry(
        "Stamped pattern",
        "stamp repeat ink impressions background things",
        "M4 5h4v4H4zM10 5h4v4h-4zM16 5h4v4h-4zM4 13h4v4H4zM10 13h4v4h-4zM16 13h4v4h-4z",
        _begun,
    ),
)
