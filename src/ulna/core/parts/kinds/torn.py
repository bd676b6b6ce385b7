"""Torn strips: each cut a tear allowance wider than what is wanted, then torn at one edge or both; layered ones step.

┌───────────────────┐
│                   │  as cut: (width + 1/4 in) × length
╰~~v~~^~~~v~~^~~v~~~╯  the torn edge; a white core shows on the side that one tears towards oneself

Everything is worked out for strips that are torn at the bottom, and then laid as the torn edge says.
"""

from __future__ import annotations

import math
import random
from collections.abc import Iterable
from dataclasses import dataclass, field, replace
from typing import ClassVar, Literal

from ulna.core.findings import Finding
from ulna.core.geometry.polygons import Point, Polygon
from ulna.core.geometry.rects import Rect
from ulna.core.measure import SIZE, ZERO, Length, inches
from ulna.core.paper.shelf import Edge
from ulna.core.parts.beginning import unchosen
from ulna.core.parts.kind import Entry, Traits
from ulna.core.parts.papers import dealt
from ulna.core.parts.pieces import Built, Ground, Handle, PaperChoice, Papers, Piece, TornEdge
from ulna.core.parts.place import Place
from ulna.core.ranges import Count, Gap, Id, Seed, Size

ALLOWANCE = inches(0, 1, 4)
TEETH = 0.18
TornAt = Literal["bottom", "top", "left", "right", "top and bottom", "left and right"]
EDGES: dict[TornAt, tuple[Edge, ...]] = {
    "bottom": (Edge.BOTTOM,),
    "top": (Edge.TOP,),
    "left": (Edge.LEFT,),
    "right": (Edge.RIGHT,),
    "top and bottom": (Edge.TOP, Edge.BOTTOM),
    "left and right": (Edge.LEFT, Edge.RIGHT),
}
"""Where strips can be torn, and which edges those are."""


@dataclass(frozen=True, slots=True)
class Torn:
    """`layers` strips, each `step` further towards the torn edge than the one above it; torn at the left or the right
    they run down. `rise` makes the torn edge a hill: so much lower at its ends than in its middle. `core_side` says
    whether the torn edge shows the core of the paper."""

    kind: ClassVar[str] = "torn"
    level: ClassVar[str] = "under"
    id: Id
    width: Size = inches(1)
    length: Size = inches(12)
    allowance: Gap = ALLOWANCE
    layers: Count = 1
    step: Gap = inches(0, 3, 8)
    core_side: Literal["seen", "hidden"] = "seen"
    papers: Papers = (PaperChoice(),)
    seed: Seed = 1
    edge: TornAt = "bottom"
    rise: Gap = ZERO
    place: Place = field(default_factory=Place)


def build(part: Torn, ground: Ground, room: Rect) -> Built:
    """The lowest layer first: it reaches furthest down."""
    ruler = ground.ruler
    width, length, step = ruler.round(part.width), ruler.round(part.length), ruler.round(part.step)
    if min(width, length) < SIZE.least or not 1 <= part.layers <= 12:
        told = "Torn strips need a width, a length, and 1 to 12 layers."
        return Built(ZERO, ZERO, findings=(Finding("nothing-left", "stop", part.id, told),))
    off = ruler.round(width + part.allowance) - width
    both = len(EDGES[part.edge]) == 2
    rise = max(ZERO, min(ruler.round(part.rise), (ruler.down(width.inches / 2) if both else width) - ruler.mark))
    cut = width + off * (2 if both else 1)
    height = width + step * (part.layers - 1)
    lie = _Lying(part.edge, length, height)
    pieces = []
    for k, choice in reversed(list(enumerate(dealt(part.papers, part.layers)))):
        box = Rect(ZERO, step * k - (off if both else ZERO), length, cut)
        depth, seed = min(part.allowance.inches, 0.12) / 2, part.seed * 31 + k
        lower = _edge(length.inches, cut.inches - off.inches, rise.inches, depth, seed)
        upper = _edge(length.inches, -off.inches, rise.inches, depth, seed + 17) if both else ()
        top = [(x, -y) for x, y in upper] or [(0.0, 0.0), (length.inches, 0.0)]
        edge, at = lie.outline((*top, *reversed(lower)), cut.inches), lie.box(box)
        strip = Piece(f"{part.id}/torn-{k + 1}", part.id, "strip", f"torn strip {k + 1}", at, at, choice)
        torn = tuple(TornEdge(one, off, rise) for one in EDGES[part.edge])
        pieces.append(replace(strip, outline=edge, torn=torn, core=part.core_side == "seen"))
    told = (
        f"{ruler.say(width)} + {'2 × ' if both else ''}{ruler.say(off)} to tear = "
        f"{ruler.say(cut)} × {ruler.say(length)}"
    ) + (f"; {part.layers} layers, {ruler.say(step)} apart" if part.layers > 1 else "")
    findings = [] if part.core_side == "hidden" else _cores(part, ground)
    if rise != part.rise:
        told_of = f"The hill is {ruler.say(rise)} high: its ends keep some of the strip."
        findings.append(Finding("rounded", "note", part.id, told_of))
    handles = [
        lie.handle("width", "width", length.part(1, 2), width, 0, 1),
        lie.handle("length", "length", length, width, 1, 0),
    ]
    if part.layers > 1:
        handles.append(lie.handle("step", "step", ZERO, height, 0, 1 / (part.layers - 1)))
    across = lie.box(Rect(ZERO, ZERO, length, height))
    return Built(across.width, across.height, tuple(pieces), told, tuple(findings), handles=tuple(handles))


def _cores(part: Torn, ground: Ground) -> list[Finding]:
    told = "Tear towards yourself, the good side up, so that the core shows; away from yourself hides it."
    return [Finding("core", "note", part.id, told)]


def _edge(length: float, at: float, rise: float, depth: float, seed: int) -> list[Point]:
    """A torn edge from left to right that wanders about a level, or about a hill on it: half a wave, highest (that is,
    furthest down) in the middle."""
    dice, x = random.Random(seed), 0.0
    edge = list[Point]()

    def level(x: float) -> float:
        return at - rise * (1 - math.sin(math.pi * x / length)) + dice.uniform(-depth, depth)

    while x < length:
        edge.append((x, level(x)))
        x += TEETH * dice.uniform(0.5, 1.5)
    return [*edge, (length, level(length))]


@dataclass(frozen=True, slots=True)
class _Lying:
    """How what was worked out for a tear at the bottom lies: flipped, or with across and down exchanged, in a box that
    is `length` × `height` before."""

    torn: TornAt
    length: Length
    height: Length

    @property
    def flipped(self) -> bool:
        return self.torn in ("top", "left")

    @property
    def down(self) -> bool:
        return self.torn in ("left", "right", "left and right")

    def box(self, at: Rect) -> Rect:
        y = self.height - at.bottom if self.flipped else at.y
        return Rect(y, at.x, at.height, at.width) if self.down else Rect(at.x, y, at.width, at.height)

    def outline(self, outline: Iterable[Point], cut: float) -> Polygon:
        """From the corner of the strip's own box, which is `cut` deep."""
        there = [(x, cut - y) if self.flipped else (x, y) for x, y in outline]
        return tuple((y, x) for x, y in there) if self.down else tuple(there)

    def handle(self, field: str, name: str, x: Length, y: Length, across: float, down: float) -> Handle:
        """A handle that is pulled the same way along or against the strip."""
        y, down = (self.height - y, -down) if self.flipped else (y, down)
        return Handle(field, name, y, x, down, across) if self.down else Handle(field, name, x, y, across, down)


def name(part: Torn, ground: Ground) -> str:
    return "the torn strip" if part.layers == 1 else "the torn strips"


def sentence(part: Torn, ground: Ground) -> str:
    say = ground.ruler.say
    what = "Torn strip" if part.layers == 1 else f"{part.layers} torn strips, {say(part.step)} apart"
    papers = ", ".join(ground.says(choice) for choice in part.papers)
    where = f"{part.edge} torn" + (f" as a hill of {say(part.rise)}" if part.rise else "")
    return f"{what}, {say(part.width)} × {say(part.length)}, {where}, {papers}, core {part.core_side}"


PART = Torn
TRAITS = Traits(sided="edge")
MENU: tuple[Entry, ...] = (
    Entry(
        "Torn strip",
        "tear core layered edge",
        "M2 6h20v6l-3 1-3-1-3 2-3-2-3 1-3-1-2 1z",
        lambda b: Torn("new", b.of(1), b.width, b.usual.border, 2, b.of(0, 3, 8), papers=unchosen(2)),
    ),
)
