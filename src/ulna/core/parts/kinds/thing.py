"""A thing of the shelf where it lies; several of a kind in a row.

┌─┐  ┌─┐  ┌─┐   n things w wide, `apart` from each other: n · w + (n − 1) · apart
└─┘  └─┘  └─┘
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, field, replace
from typing import Annotated, ClassVar

from ulna.core.findings import Finding, Remedy
from ulna.core.geometry.rects import Rect
from ulna.core.measure import SIZE, ZERO, inches
from ulna.core.parts import stuck
from ulna.core.parts.beginning import Beginning
from ulna.core.parts.kind import Entry, Taking, Traits
from ulna.core.parts.pieces import Built, Ground, PaperChoice
from ulna.core.parts.place import Place
from ulna.core.ranges import Angle, Colour, Id, Offset, Whole
from ulna.core.things.thing import FOAM, Half, Raised, ThingKind

MOST = 40
QUARTER = 45.0
"""Degrees: what is turned further than this no longer stands the way it points."""


@dataclass(frozen=True, slots=True)
class ThingPart:
    """`count` of a `thing` of the shelf, `apart` from each other in a row, or one below the other where it is `upright`.
    A `half` is what is left on the page of one that is cut; the other half stays on the shelf. `raised` on foam; a
    stamp in an `ink`; a clear one on a `backing` of its own outline."""

    kind: ClassVar[str] = "thing"
    level: ClassVar[str] = "over"
    id: Id
    thing: Id | None = None
    count: Annotated[int, Whole(1, MOST)] = 1
    apart: Offset = inches(0, 1, 8)
    upright: bool = False
    angle: Angle = 0.0
    half: Half = ""
    raised: Raised = "flat"
    ink: Colour | None = None
    backing: PaperChoice | None = None
    place: Place = field(default_factory=Place)


def build(part: ThingPart, ground: Ground, room: Rect) -> Built:
    """Each in its box on marks."""
    ruler = ground.ruler
    thing, findings = stuck.known(part.id, part.thing, ground)
    wide, high = stuck.size_of(thing, part.half, ruler)
    step = (high if part.upright else wide) + ruler.round(part.apart)
    if part.count > 1 and step < SIZE.least:
        told = "They lie on each other; set them further apart."
        return Built(ZERO, ZERO, findings=(Finding("thing", "stop", part.id, told),))
    spots = [(ZERO, step * k) if part.upright else (step * k, ZERO) for k in range(part.count)]
    pieces = [
        piece
        for k, (x, y) in enumerate(spots)
        for piece in stuck.pieces_of(
            part.id, str(k + 1), thing, Rect(x, y, wide, high), ruler, part.angle, part.half, part.raised, part.ink,
            part.backing,
        )
    ]  # fmt: skip
    more = list(findings)
    if thing.points and abs(part.angle) > QUARTER:
        told = f"{thing.name} points {thing.points}; turned like this it does not any more."
        more.append(
            Finding("thing-way", "warn", part.id, told, (Remedy("Turn it back", replace(part, angle=0.0)),))
        )
    last = spots[-1]
    size = ruler.say_size(wide, high)
    said = f"{part.count} × {size}" if part.count > 1 else size
    if part.raised != "flat":
        said += f", {ruler.say(FOAM[part.raised])} off the page on foam"
    return Built(last[0] + wide, last[1] + high, tuple(pieces), said, tuple(more))


def takes(part: ThingPart, room: Rect) -> Iterable[Taking]:
    return [Taking(part.thing, part.count * (1 if part.half else 2))] if part.thing else []


def name(part: ThingPart, ground: Ground) -> str:
    thing = ground.shelf.things.get(part.thing or "")
    return thing.name if thing else "the thing"


def sentence(part: ThingPart, ground: Ground) -> str:
    thing = ground.shelf.things.get(part.thing or "")
    if thing is None:
        return "Thing, not chosen yet" if part.thing is None else "A thing that is gone"
    said = [f"{part.count} × {thing.name}" if part.count > 1 else thing.name]
    if thing.kind is ThingKind.STAMP:
        said[0] = f"Stamp {said[0]}"
    if part.half:
        said.append(f"the {part.half} half of it")
    if part.raised != "flat":
        said.append(f"on {part.raised}")
    if part.angle:
        said.append(f"turned {part.angle:g}°")
    if part.backing is not None:
        said.append(f"backed with {ground.says(part.backing)}")
    return ", ".join(said)


def _begun(begin: Beginning) -> ThingPart:
    return ThingPart("new", apart=begin.usual.narrow)


PART = ThingPart
TRAITS = Traits(whole=True, scales=(), takes=takes, sided="half")
MENU: tuple[Entry, ...] = (
    Entry(
        "Thing",
        "sticker die cut stamp brad doily label banner tag chipboard wood enamel embellishment",
        "M12 4l2.4 5.2 5.6.6-4.2 3.8 1.2 5.6-5-2.9-5 2.9 1.2-5.6L4 9.8l5.6-.6z",
        _begun,
    ),
)
