"""A cluster: things, scraps, words and what grounds them, composed once, moved and repeated as one.

  ◯▢        each member's middle lies so far from the cluster's middle; later ones lie on earlier ones
▭▭▭▭▭▭      a strip or a line of tape under all of them is the first member
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, field, replace
from typing import Annotated, ClassVar

from ulna.core.findings import Finding
from ulna.core.geometry import polygons
from ulna.core.geometry.rects import Rect
from ulna.core.measure import SIZE, ZERO, Length, inches, length_of
from ulna.core.parts import stuck
from ulna.core.parts.beginning import Beginning
from ulna.core.parts.kind import Entry, Taking, Traits
from ulna.core.parts.pieces import Built, Ground, Line, PaperChoice, Piece, Written
from ulna.core.parts.place import Place
from ulna.core.ranges import Angle, Colour, Id, Many, Offset, Size, Text
from ulna.core.things.thing import FOAM, OTHER_HALF, Half, Raised, Thing

MOST_MEMBERS = 40


@dataclass(frozen=True, slots=True)
class Member:
    """A thing of the shelf; or a piece of paper of `width` × `height`, or of tape so long and wide; on either of these
    words that it `says`. Its middle lies `across` and `down` from the cluster's."""

    thing: Id | None = None
    paper: PaperChoice | None = None
    width: Size | None = None
    height: Size | None = None
    says: Annotated[str, Text(60)] = ""
    across: Offset = ZERO
    down: Offset = ZERO
    angle: Angle = 0.0
    half: Half = ""
    raised: Raised = "flat"
    ink: Colour | None = None


STRIP = Member(paper=PaperChoice(), width=inches(2), height=inches(0, 1, 2))


@dataclass(frozen=True, slots=True)
class Cluster:
    """Its members from underneath upward."""

    kind: ClassVar[str] = "cluster"
    level: ClassVar[str] = "over"
    id: Id
    members: Annotated[tuple[Member, ...], Many(MOST_MEMBERS)] = (STRIP,)
    place: Place = field(default_factory=Place)


def build(part: Cluster, ground: Ground, room: Rect) -> Built:
    """Each member's pieces; the cluster's box is round all of them, on marks."""
    ruler = ground.ruler
    findings, boxes, things = list[Finding](), list[Rect](), list[Thing | None]()
    for one in part.members:
        thing, told = (None, ()) if one.paper is not None else stuck.known(part.id, one.thing, ground)
        findings += told
        wide, high = _size(one, thing, ground)
        x, y = ruler.round(one.across - wide.part(1, 2)), ruler.round(one.down - high.part(1, 2))
        boxes.append(Rect(x, y, wide, high))
        things.append(thing)
    if not boxes:
        told_empty = "Nothing is in it; choose things on the page and join them, or let a cluster be proposed."
        return Built(ZERO, ZERO, findings=(Finding("cluster", "stop", part.id, told_empty),))
    left, top, right, bottom = _reach(part.members, boxes)
    x0, y0 = ruler.down(left), ruler.down(top)
    pieces, lines = list[Piece](), list[Line]()
    for k, (one, box, thing) in enumerate(zip(part.members, boxes, things, strict=True)):
        at = box.moved(-x0, -y0)
        if thing is None:
            pieces.append(
                Piece(
                    f"{part.id}/{k + 1}",
                    part.id,
                    "shape",
                    "scrap",
                    at,
                    at,
                    one.paper or PaperChoice(),
                    angle=one.angle,
                )
            )
        elif thing.by_length:
            pieces.append(
                Piece(
                    f"{part.id}/{k + 1}", part.id, "tape", thing.name, at, at, colour=one.ink or thing.colour,
                    thing=thing.id, angle=one.angle,
                )
            )  # fmt: skip
        else:
            pieces += stuck.pieces_of(
                part.id, str(k + 1), thing, at, ruler, one.angle, one.half, one.raised, one.ink
            )
        if one.says:
            lines.append(_written(one, at, ground))
    counted = f"{len(part.members)} in it" if len(part.members) > 1 else "one in it"
    width, height = ruler.up(right - x0.inches), ruler.up(bottom - y0.inches)
    return Built(
        width, height, tuple(pieces), f"{counted}, {ruler.say_size(width, height)}", tuple(findings), tuple(lines)
    )


def _size(one: Member, thing: Thing | None, ground: Ground) -> tuple[Length, Length]:
    ruler = ground.ruler
    if thing is not None and not thing.by_length:
        return stuck.size_of(thing, one.half, ruler)
    usual = thing.size if thing is not None else (inches(2), inches(0, 1, 2))
    wide, high = ruler.round(one.width or usual[0]), ruler.round(one.height or usual[1])
    return max(SIZE.least, wide), max(SIZE.least, high)


def _reach(members: Sequence[Member], boxes: Sequence[Rect]) -> polygons.Bounds:
    corners = list[polygons.Point]()
    for one, box in zip(members, boxes, strict=True):
        whole = polygons.box(box.x.inches, box.y.inches, box.width.inches, box.height.inches)
        middle = ((box.x + box.right).inches / 2, (box.y + box.bottom).inches / 2)
        corners += polygons.turned(whole, one.angle, middle)
    return polygons.bounds(tuple(corners))


def _written(one: Member, at: Rect, ground: Ground) -> Line:
    """Words in the middle of what they stand on, as large as they go on it."""
    face = ground.faces["plain"]
    long = sum(face.advance(c) or face.advance("n") or 0.6 for c in one.says) or 1.0
    cap = min(at.height.inches * 0.5, at.width.inches * 0.86 / long)
    wide = length_of(long * cap)
    x, y = at.x + (at.width - wide).part(1, 2), at.y + length_of(at.height.inches / 2 + cap / 2)
    return Line("words", "", Written(one.says, x, y, wide, round(cap * face.em, 6)), "plain")


def mirrored(part: Cluster) -> Cluster:
    """As a mirror beside it shows it: every member on the other side, turned the other way."""
    return replace(
        part,
        members=tuple(
            replace(
                one, across=-one.across, angle=-one.angle,
                half=OTHER_HALF[one.half] if one.half in ("left", "right") else one.half,
            )
            for one in part.members
        ),
    )  # fmt: skip


def takes(part: Cluster, room: Rect) -> Iterable[Taking]:
    """Of tape, ribbon and twine the length of the piece, of everything else one."""
    for one in part.members:
        if one.thing and one.width is not None:
            yield Taking(one.thing, 0, one.width)
        elif one.thing:
            yield Taking(one.thing, 1 if one.half else 2)


def name(part: Cluster, ground: Ground) -> str:
    return "the cluster"


def sentence(part: Cluster, ground: Ground) -> str:
    names = list[str]()
    for one in part.members:
        thing = ground.shelf.things.get(one.thing or "")
        named = (
            f"a scrap of {ground.says(one.paper)}" if one.paper else thing.name if thing else "a thing that is gone"
        )
        if one.says:
            named += f" that says “{one.says}”"
        raised = f" on {one.raised}" if FOAM[one.raised] else ""
        names.append(named + raised)
    return f"Cluster: {', '.join(names)}" if names else "Cluster, nothing in it yet"


def _begun(begin: Beginning) -> Cluster:
    return Cluster("new", (replace(STRIP, width=begin.of(2), height=begin.of(0, 1, 2)),))


PART = Cluster
TRAITS = Traits(whole=True, scales=(), takes=takes, mirror=mirrored, gathers=True)
MENU: tuple[Entry, ...] = (
    Entry(
        "Cluster",
        "things group embellishment stickers composed together",
        "M4 15h16v4H4zM9 5a4 4 0 1 1 0 8 4 4 0 0 1 0-8zM13 8h6v6h-6z",
        _begun,
    ),
)
