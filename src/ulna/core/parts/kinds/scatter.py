"""A scatter: dots, sequins, drops over a region, an odd number of them, clear of photos, letters and written lines.

●   ·
  ·   ●     along a diagonal, round the clusters, or all over; larger ones below; one seed, one scatter
 ●  ·
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable
from dataclasses import dataclass, field, replace
from typing import Annotated, ClassVar

from ulna.core.findings import Finding, Remedy
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, inches
from ulna.core.parts import stuck
from ulna.core.parts.beginning import Beginning
from ulna.core.parts.kind import Entry, Taking, Traits
from ulna.core.parts.pieces import Built, Ground, Piece
from ulna.core.parts.place import Place
from ulna.core.parts.sizing import size_handles
from ulna.core.ranges import Id, Many, Seed, Size, Whole
from ulna.core.things.scattering import Along, odd, scattered
from ulna.core.things.thing import Thing

DOT = replace(stuck.NOT_CHOSEN, width=inches(0, 1, 4), height=inches(0, 1, 4), figure="circle")
"""Stands for a thing until one is chosen."""


@dataclass(frozen=True, slots=True)
class Scatter:
    """`count` of these `things` in turn (the odd number that is not more) in a region of `width` × `height`."""

    kind: ClassVar[str] = "scatter"
    level: ClassVar[str] = "over"
    id: Id
    things: Annotated[tuple[Id, ...], Many(12)] = ()
    count: Annotated[int, Whole(1, 199)] = 9
    along: Along = "diagonal"
    width: Size = inches(6)
    height: Size = inches(6)
    seed: Seed = 0
    place: Place = field(default_factory=Place)


def build(part: Scatter, ground: Ground, room: Rect) -> Built:
    """Each thing at its place, the larger ones first."""
    ruler = ground.ruler
    width, height = ruler.round(part.width), ruler.round(part.height)
    findings = list[Finding]()
    things = list[Thing]()
    for id in part.things or (None,):
        thing, told = stuck.known(part.id, id, ground)
        things.append(thing if thing.id else DOT)
        findings += told
    sizes = [max(one.size).inches for one in things]
    found = scattered(
        width.inches, height.inches, sizes, part.count, part.along, part.seed, ground.free, ground.around
    )
    pieces = list[Piece]()
    for k, one in enumerate(found):
        thing = things[one.kind]
        wide, high = stuck.size_of(thing, "", ruler)
        at = Rect(ruler.near(one.x - wide.inches / 2), ruler.near(one.y - high.inches / 2), wide, high)
        pieces += stuck.pieces_of(part.id, str(k + 1), thing, at, ruler)
    wanted = odd(part.count)
    if len(found) < wanted:
        told_short = f"{len(found)} of {wanted} find a place clear of photos, letters and lines."
        more = Finding(
            "scatter",
            "note",
            part.id,
            told_short,
            (Remedy("Take as many", replace(part, count=len(found))),) if found else (),
        )
        findings.append(more)
    said = f"{len(found)} scattered over {ruler.say_size(width, height)}"
    handles = tuple(size_handles(part.place, Rect(ZERO, ZERO, width, height)))
    return Built(width, height, tuple(pieces), said, tuple(findings), handles=handles)


def takes(part: Scatter, room: Rect) -> Iterable[Taking]:
    """All that are asked for, whether or not they find a place."""
    if part.things:
        for thing, count in Counter(part.things[k % len(part.things)] for k in range(odd(part.count))).items():
            yield Taking(thing, count * 2)


def name(part: Scatter, ground: Ground) -> str:
    return "the scatter"


def sentence(part: Scatter, ground: Ground) -> str:
    names = [one.name for id in part.things if (one := ground.shelf.things.get(id))]
    along = {"diagonal": "along the diagonal", "other diagonal": "along the other diagonal"}.get(
        part.along, part.along
    )
    size = ground.ruler.say_size(part.width, part.height)
    return f"Scatter of {odd(part.count)} {', '.join(names) or 'things, not chosen yet'}, {along}, over {size}"


def _begun(begin: Beginning) -> Scatter:
    return Scatter("new", width=begin.share(60, 8), height=begin.share(60, 8))


PART = Scatter
TRAITS = Traits(whole=True, takes=takes, keeps_off=True)
MENU: tuple[Entry, ...] = (
    Entry(
        "Scatter",
        "dots sequins drops enamel splatter things sprinkle",
        "M5 6h.1M9 10h.1M8 5h.1M13 13h.1M12 9h.1M17 17h.1M18 13h.1M15 18h.1M19 19h.1",
        _begun,
    ),
)
