"""An edging: a strip whose one edge is whole scallops.

┌───────────────────────┐   n whole scallops along the length: as many as come nearest to the wanted width, each
│                       │   length ÷ n; they are half as deep as wide, or as deep as the strip where that is less.
╰─╯╰─╯╰─╯╰─╯╰─╯╰─╯╰─╯╰─╯   It is cut as a rectangle first, then along the scallops by hand.
"""

from __future__ import annotations

import math
from dataclasses import dataclass, field
from typing import ClassVar, Literal

from ulna.core.findings import Finding
from ulna.core.geometry.polygons import Point, Polygon
from ulna.core.geometry.rects import Rect
from ulna.core.measure import SIZE, ZERO, inches
from ulna.core.parts.beginning import Beginning
from ulna.core.parts.kind import Entry, Traits
from ulna.core.parts.pieces import Built, Ground, Handle, PaperChoice, Piece
from ulna.core.parts.place import Down, Place
from ulna.core.ranges import Id, Size

ARC = 48
"""Straight pieces to a scallop: within 0.001 in for one of 3 in."""


@dataclass(frozen=True, slots=True)
class Edging:
    """`length` × `depth`, with scallops about `scallop` wide along its `edge`."""

    kind: ClassVar[str] = "edging"
    level: ClassVar[str] = "under"
    id: Id
    length: Size = inches(12)
    depth: Size = inches(1)
    scallop: Size = inches(0, 1, 2)
    edge: Literal["bottom", "top"] = "bottom"
    choice: PaperChoice = field(default_factory=PaperChoice)
    place: Place = field(default_factory=Place)


def scallops(part: Edging) -> int:
    """How many whole ones: those that come nearest to the wanted width, one at least."""
    return max(1, round(part.length.units / part.scallop.units))


def build(part: Edging, ground: Ground, room: Rect) -> Built:
    """One piece; its edge is what is left once it is cut along the scallops."""
    ruler, n = ground.ruler, scallops(part)
    length, depth = ruler.round(part.length), ruler.round(part.depth)
    if min(length, depth) < SIZE.least or n > length.units // SIZE.least.units:
        told = f"Scallops of {ruler.say(part.scallop)} are too small to be cut; make them wider."
        return Built(ZERO, ZERO, findings=(Finding("nothing-left", "stop", part.id, told),))
    box = Rect(ZERO, ZERO, length, depth)
    line = _outline(length.inches, depth.inches, n, part.edge == "top")
    piece = Piece(f"{part.id}/edging", part.id, "shape", "edging", box, box, part.choice, outline=line)
    each = f"{length.inches / n:.3f}".rstrip("0").rstrip(".")
    sums = f"{ruler.say(length)} ÷ {n} = {each} in a scallop"
    handles = (
        Handle("length", "length", length, depth.part(1, 2), 2 if part.place.across.edge == "centre" else 1),
        Handle("scallop", "scallop", length.part(1, n), depth if part.edge == "bottom" else ZERO, 1),
    )
    return Built(length, depth, (piece,), sums, handles=handles)


def _outline(length: float, depth: float, n: int, upward: bool) -> Polygon:
    """Clockwise from the top left corner; half circles along the lower edge, or along the upper one."""
    wide = length / n
    deep = min(wide / 2, depth)
    edge: list[Point] = []
    for k in range(n):
        for step in range(ARC + (k == n - 1)):
            turn = math.pi * step / ARC
            x = length - k * wide - wide / 2 * (1 - math.cos(turn))
            edge.append((x, depth - deep + deep * math.sin(turn)))
    below = ((0.0, 0.0), (length, 0.0), *edge)
    return tuple((length - x, depth - y) for x, y in below) if upward else below


def name(part: Edging, ground: Ground) -> str:
    return "the edging"


def sentence(part: Edging, ground: Ground) -> str:
    size = ground.ruler.say_size(part.length, part.depth)
    return f"Edging {size}, {ground.says(part.choice)}, {scallops(part)} scallops at its {part.edge}"


def _begun(begin: Beginning) -> Edging:
    lies = Place(down=Down("bottom", begin.of(1)))
    return Edging("new", begin.rounded(begin.width), begin.of(1), begin.of(0, 1, 2), place=lies)


PART = Edging
TRAITS = Traits(scales=("length",), sided="edge")
MENU: tuple[Entry, ...] = (
    Entry(
        "Edging",
        "scalloped strip border edge scallops lace",
        "M2 6h20v8a2.500 2.500 0 0 1-5 0 2.500 2.500 0 0 1-5 0 2.500 2.500 0 0 1-5 0 2.500 2.500 0 0 1-5 0z",
        _begun,
    ),
)
