"""Torn strips: each cut a tear allowance wider than what is wanted, then torn; layered ones step.

┌───────────────────┐
│                   │  as cut: (width + 1/4 in) × length
╰~~v~~^~~~v~~^~~v~~~╯  the torn edge; a white core shows on the side that one tears towards oneself
"""

from __future__ import annotations

import random
from dataclasses import dataclass, field, replace
from typing import ClassVar, Literal

from ulna.core.findings import Finding
from ulna.core.geometry import Rect
from ulna.core.measure import SIZE, ZERO, Length, inches
from ulna.core.parts.papers import dealt
from ulna.core.parts.place import Place
from ulna.core.pieces import Built, Ground, Handle, PaperChoice, Piece, TornEdge
from ulna.core.polygons import Polygon
from ulna.core.shelf import Edge

ALLOWANCE = inches(0, 1, 4)
TEETH = 0.18


@dataclass(frozen=True, slots=True)
class Torn:
    """`layers` strips, each `step` further down than the one above it; `core_side` says whether the
    torn edge shows the core of the paper."""

    kind: ClassVar[str] = "torn"
    level: ClassVar[str] = "under"
    id: str
    width: Length = inches(1)
    length: Length = inches(12)
    allowance: Length = ALLOWANCE
    layers: int = 1
    step: Length = inches(0, 3, 8)
    core_side: Literal["seen", "hidden"] = "seen"
    papers: tuple[PaperChoice, ...] = (PaperChoice(),)
    seed: int = 1
    place: Place = field(default_factory=Place)


def build(part: Torn, ground: Ground, room: Rect) -> Built:
    """The lowest layer first: it reaches furthest down."""
    ruler = ground.ruler
    width, length, step = ruler.round(part.width), ruler.round(part.length), ruler.round(part.step)
    if min(width, length) < SIZE.least or not 1 <= part.layers <= 12:
        told = "Torn strips need a width, a length, and 1 to 12 layers."
        return Built(ZERO, ZERO, findings=(Finding("nothing-left", "stop", part.id, told),))
    cut = ruler.round(width + part.allowance)
    height = width + step * (part.layers - 1)
    pieces = []
    for k, choice in reversed(list(enumerate(dealt(part.papers, part.layers)))):
        at = Rect(ZERO, step * k, length, cut)
        edge = _torn(length.inches, width.inches, min(part.allowance.inches, 0.12) / 2, part.seed * 31 + k)
        strip = Piece(f"{part.id}/torn-{k + 1}", part.id, "strip", f"torn strip {k + 1}", at, at, choice)
        torn = (TornEdge(Edge.BOTTOM, cut - width),)
        pieces.append(replace(strip, outline=edge, torn=torn, core=part.core_side == "seen"))
    told = f"{ruler.say(width)} + {ruler.say(part.allowance)} to tear = {ruler.say(cut)} × {ruler.say(length)}" + (
        f"; {part.layers} layers, {ruler.say(step)} apart" if part.layers > 1 else ""
    )
    findings = [] if part.core_side == "hidden" else _cores(part, ground)
    handles = [
        Handle("width", "width", length.part(1, 2), width, 0, 1),
        Handle("length", "length", length, width, 1),
    ]
    if part.layers > 1:
        handles.append(Handle("step", "step", ZERO, height, 0, 1 / (part.layers - 1)))
    return Built(length, height, tuple(pieces), told, tuple(findings), handles=tuple(handles))


def _cores(part: Torn, ground: Ground) -> list[Finding]:
    told = "Tear towards yourself, the good side up, so that the core shows; away from yourself hides it."
    return [Finding("core", "note", part.id, told)]


def _torn(length: float, width: float, depth: float, seed: int) -> Polygon:
    """A rectangle whose lower edge wanders about `width`."""
    dice, x = random.Random(seed), 0.0
    edge = []
    while x < length:
        edge.append((x, width + dice.uniform(-depth, depth)))
        x += TEETH * dice.uniform(0.5, 1.5)
    edge.append((length, width + dice.uniform(-depth, depth)))
    return ((0.0, 0.0), (length, 0.0), *reversed(edge))


def name(part: Torn, ground: Ground) -> str:
    return "the torn strip" if part.layers == 1 else "the torn strips"


def sentence(part: Torn, ground: Ground) -> str:
    say = ground.ruler.say
    what = "Torn strip" if part.layers == 1 else f"{part.layers} torn strips, {say(part.step)} apart"
    papers = ", ".join(ground.says(choice) for choice in part.papers)
    return f"{what}, {say(part.width)} × {say(part.length)}, {papers}, core {part.core_side}"
