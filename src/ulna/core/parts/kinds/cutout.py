"""A figure cut from paper: circle, heart, banner, pennant, tag, scalloped label …

A tag has its corners clipped by c and a hole d from its top edge, with two reinforcers to a hole where it is wanted.
"""

from __future__ import annotations

from dataclasses import dataclass, field, replace
from typing import ClassVar

from ulna.core.findings import Finding
from ulna.core.geometry.figures import CUT, Figure, Hole, half_outline, outline, round_scallops, scallops
from ulna.core.geometry.rects import Rect
from ulna.core.measure import SIZE, ZERO, Length, Ruler, inches
from ulna.core.paper import punches
from ulna.core.parts import mats as matting
from ulna.core.parts.beginning import Beginning
from ulna.core.parts.kind import Entry, Traits
from ulna.core.parts.mats import Mats, stack
from ulna.core.parts.pieces import Built, Ground, Handle, PaperChoice, Piece
from ulna.core.parts.place import Place
from ulna.core.parts.punched import HOLE, tag_hole
from ulna.core.parts.sizing import size_handles
from ulna.core.ranges import Angle, Gap, Id, Size
from ulna.core.things.thing import Half

RING = inches(0, 5, 8)


@dataclass(frozen=True, slots=True)
class Cutout:
    """`width` × `height` is its box, of a `half` figure that of the half; `cut` is the figure's own measure (see
    `figures.CUT`). `hole` is how far the middle of a punched hole is from the top edge.
    """

    kind: ClassVar[str] = "cutout"
    level: ClassVar[str] = "over"
    id: Id
    figure: Figure = "tag"
    width: Size = inches(2)
    height: Size = inches(3)
    cut: Gap = inches(0, 1, 2)
    hole: Gap | None = None
    reinforced: bool = False
    choice: PaperChoice = field(default_factory=PaperChoice)
    ring: PaperChoice = field(default_factory=PaperChoice)
    mats: Mats = ()
    angle: Angle = 0.0
    half: Half = ""
    place: Place = field(default_factory=Place)


def build(part: Cutout, ground: Ground, room: Rect) -> Built:
    """Its mats in its own shape where that is convex, the figure, and a reinforcer round its hole."""
    ruler = ground.ruler
    width, height = ruler.round(part.width), ruler.round(part.height)
    if min(width, height) < SIZE.least:
        told = "Its width and height leave nothing; make it larger."
        return Built(ZERO, ZERO, findings=(Finding("nothing-left", "stop", part.id, told),))
    sizes = width.inches, height.inches, part.cut.inches
    line = half_outline(part.figure, part.half, *sizes) if part.half else outline(part.figure, *sizes)
    shape = line if part.figure in ("rounded", "circle", "arch", "hexagon", "on the tip", "tag") else ()
    mats = stack(part.id, part.figure, width, height, part.mats, ground, shape)
    called = f"half {part.figure}" if part.half else part.figure
    piece = Piece(f"{part.id}/shape", part.id, "shape", called, mats.inner, mats.inner, part.choice)
    if part.figure != "rectangle":
        piece = replace(piece, outline=line, figure="" if part.half else part.figure, cut=part.cut)
    piece = replace(piece, angle=part.angle)
    findings, pieces = list(mats.findings), [*mats.pieces]
    rings = list[Piece]()
    if part.hole is not None:
        hole, torn = tag_hole(part.id, f"a {part.figure}", part.hole, width, height, ruler)
        findings += torn
        if hole is not None:
            piece = replace(piece, holes=(hole,))
            rings = _rings(part, mats.inner, ruler) if part.reinforced else []
    if width == height and not part.half:
        findings += punches.told(part, part.figure, width, ground.punches, ruler, ("width", "height"))
    handles = [*mats.handles, *size_handles(part.place, mats.inner)]
    if part.figure in CUT:
        handles.append(Handle("cut", CUT[part.figure], mats.inner.x + part.cut, mats.inner.y, 1))
    return Built(
        mats.width,
        mats.height,
        (*pieces, piece, *rings),
        _told(part, width, height, mats.arithmetic, ruler),
        tuple(findings),
        handles=tuple(handles),
    )


def _told(part: Cutout, width: Length, height: Length, sums: str, ruler: Ruler) -> str:
    if part.figure == "scalloped round" and not part.half:
        n = round_scallops(width.inches, height.inches, part.cut.inches)
        return f"{sums}; {n} scallops round it"
    if part.figure != "scalloped" or part.half:
        return sums
    nx, _ = scallops(width.inches, part.cut.inches)
    ny, _ = scallops(height.inches, part.cut.inches)
    return f"{sums}; {nx} scallops across, {ny} down, each {ruler.say(width.part(1, nx))} wide"


def _rings(part: Cutout, inner: Rect, ruler: Ruler) -> list[Piece]:
    """Two reinforcers to a hole: one seen, one behind it."""
    x = ruler.round(inner.x + inner.width.part(1, 2) - RING.part(1, 2))
    y = ruler.round(inner.y + (part.hole or ZERO) - RING.part(1, 2))
    box, d = Rect(x, y, RING, RING), RING.inches
    rim = (RING - HOLE).part(1, 2)
    ring = Piece(f"{part.id}/ring", part.id, "shape", "reinforcer", box, box, part.ring)
    hole = Hole(rim, rim, HOLE, HOLE, "circle")
    front = replace(ring, outline=outline("circle", d, d), figure="circle", holes=(hole,))
    return [replace(front, id=f"{part.id}/ring-behind", name="reinforcer behind"), front]


def name(part: Cutout, ground: Ground) -> str:
    return f"the half {part.figure}" if part.half else f"the {part.figure}"


def sentence(part: Cutout, ground: Ground) -> str:
    say = ground.ruler.say
    what = f"{part.half.capitalize()} half of a {part.figure}" if part.half else part.figure.capitalize()
    said = [f"{what} {ground.ruler.say_size(part.width, part.height)}"]
    if part.figure in CUT:
        said.append(f"{CUT[part.figure]} {say(part.cut)}")
    said.append(ground.says(part.choice))
    if part.hole is not None:
        said.append(f"hole {say(part.hole)} from the top" + (", reinforced" if part.reinforced else ""))
    if part.angle:
        said.append(f"turned {abs(part.angle):g}° {'right' if part.angle > 0 else 'left'}")
    return ", ".join([*said, *matting.says(part.mats, ground)])


Inches = tuple[int] | tuple[int, int, int]


def _figure(begin: Beginning, figure: Figure, wide: Inches, high: Inches, cut: Inches = (0,)) -> Cutout:
    is_tag = figure == "tag"
    return Cutout(
        "new",
        figure,
        begin.of(*wide),
        begin.of(*high),
        begin.of(*cut),
        hole=begin.of(0, 1, 2) if is_tag else None,
        reinforced=is_tag,
    )


PART = Cutout
TRAITS = Traits(whole=True, sided="half")
MENU: tuple[Entry, ...] = (
    Entry(
        "Circle", "round shape", "M12 4a8 8 0 1 0 0 16 8 8 0 1 0 0-16", lambda b: _figure(b, "circle", (2,), (2,))
    ),
    Entry("Arch", "shape window", "M5 21V11a7 7 0 0 1 14 0v10z", lambda b: _figure(b, "arch", (2,), (3,))),
    Entry(
        "Heart", "shape love", "M12 20L4 10a4 4 0 0 1 8-3 4 4 0 0 1 8 3z", lambda b: _figure(b, "heart", (2,), (2,))
    ),
    Entry(
        "Banner",
        "flag v-cut shape title letters heading",
        "M5 3h14v18l-7-5-7 5z",
        lambda b: _figure(b, "banner", (1,), (2, 1, 2), (0, 1, 2)),
    ),
    Entry("Pennant", "flag triangle shape", "M4 4h16l-8 16z", lambda b: _figure(b, "pennant", (1, 1, 2), (2,))),
    Entry(
        "Scalloped label",
        "edge shape scallop",
        "M5 6a2.500 2.500 0 0 1 5-1 2.500 2.500 0 0 1 5 0 2.500 2.500 0 0 1 4 2v10a2.500 2.500 0 0 1-4 2 2.500 2.500 0 0 1-5 0 2.500 2.500 0 0 1-5-1z",
        lambda b: _figure(b, "scalloped", (3,), (2,), (0, 1, 2)),
    ),
    Entry(
        "Scalloped round",
        "edge circle rosette shape scallop sticker",
        "M12 3a2.500 2.500 0 0 1 4 1.500 2.500 2.500 0 0 1 3.500 3 2.500 2.500 0 0 1 0 5 2.500 2.500 0 0 1-3 4 2.500 2.500 0 0 1-4.500 2.500 2.500 2.500 0 0 1-4.500-2.500 2.500 2.500 0 0 1-3-4 2.500 2.500 0 0 1 0-5 2.500 2.500 0 0 1 3.500-3A2.500 2.500 0 0 1 12 3z",
        lambda b: _figure(b, "scalloped round", (3,), (3,), (0, 5, 8)),
    ),
    Entry(
        "Tag",
        "label sticker hole reinforcer clipped corners shape text",
        "M8 3h8l3 4v14H5V7zM12 6a1.500 1.500 0 1 0 0 3 1.500 1.500 0 1 0 0-3",
        lambda b: _figure(b, "tag", (2,), (3, 1, 2), (0, 1, 2)),
    ),
    Entry(
        "Rounded card",
        "corners shape label",
        "M7 4h10a3 3 0 0 1 3 3v10a3 3 0 0 1-3 3H7a3 3 0 0 1-3-3V7a3 3 0 0 1 3-3",
        lambda b: _figure(b, "rounded", (3,), (4,), (0, 1, 4)),
    ),
)
