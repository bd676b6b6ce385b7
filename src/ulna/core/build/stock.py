"""What a page takes of glue, foam, thread and ink, told before one starts.

Tape runs along the edges an eighth inside them; foam is counted in squares of half an inch, one for every two square
inches, and what is small takes quarters of one; of thread three times the seam is left; each colour of ink is one.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from ulna.core.build.glues import GLUES, GlueName, glue_of, lift_of
from ulna.core.build.steps import Order
from ulna.core.measure import ZERO, inches, length_of
from ulna.core.paper.colour import of_hex, word
from ulna.core.parts.kinds.stitching import Stitching
from ulna.core.parts.kinds.wet import Wet
from ulna.core.parts.media import MEDIA
from ulna.core.parts.pieces import Ground, Piece
from ulna.core.things.thing import ThingKind

INSIDE = 1 / 8
SQUARE = 1 / 2
"""Inches: a square of foam."""
A_SQUARE_HOLDS = 2.0
"""Square inches."""
THREAD = 3
"""Times the seam."""
ALIKE = 24.0
"""In CIELAB: an ink of the shelf that is no further from the colour that is wanted does."""


@dataclass(frozen=True, slots=True)
class Need:
    """`amount` of what, in words; `has` what the shelf says of it, if anything; `short` with what would do."""

    what: str
    amount: str
    has: str = ""
    short: str = ""


def stock(
    plan: Any, pieces: Sequence[Piece], standing: Mapping[str, Any], order: Order, ground: Ground
) -> list[Need]:
    """What the shelf knows of is compared; what it does not know of is only told."""
    return [
        *_tape(pieces, ground),
        *_foam(pieces, ground),
        *_glues(pieces, ground),
        *_thread(plan, standing, ground),
        *_inks(plan, pieces, ground),
        *_wet(plan, order, ground),
    ]


def _tape(pieces: Sequence[Piece], ground: Ground) -> list[Need]:
    loose = ground.rules.glued == "loose"
    total = 0.0
    for piece in pieces:
        if piece.role == "base" or glue_of(piece, ground).name != "tape":
            continue
        w, h = piece.rect.width.inches, piece.rect.height.inches
        total += (w + h) / 2 if loose else max(w, 2 * (w + h - 4 * INSIDE))
    if not total:
        return []
    unit = ground.ruler.unit.value
    kept = [thing for thing in ground.shelf.things.values() if thing.kind is ThingKind.ADHESIVE]
    there = sum((ground.shelf.lengths_left.get(thing.id, ZERO) for thing in kept), ZERO)
    need = length_of(math.ceil(total))
    if not kept:
        return [Need(GLUES["tape"].says, f"{ground.ruler.say(need)} {unit}")]
    short = ""
    if there < need:
        lacks = f"{ground.ruler.say(need - there)} {unit}"
        short = f"{lacks} too little: open another roll, or glue large pieces in their middle only"
    return [
        Need(GLUES["tape"].says, f"{ground.ruler.say(need)} {unit}", f"{ground.ruler.say(there)} is there", short)
    ]


def _foam(pieces: Sequence[Piece], ground: Ground) -> list[Need]:
    squares: dict[GlueName, float] = {"thin foam": 0.0, "thick foam": 0.0}
    for piece in pieces:
        name = glue_of(piece, ground).name
        if name in squares and lift_of(piece, ground) > ZERO:
            w = max(0.0, piece.rect.width.inches - 2 * INSIDE)
            h = max(0.0, piece.rect.height.inches - 2 * INSIDE)
            quarters = max(1, math.ceil(w * h / A_SQUARE_HOLDS * 4))
            squares[name] += quarters / 4
    found = list[Need]()
    there = sum(t.there for t in ground.shelf.things.values() if t.kind is ThingKind.FOAM)
    known = any(t.kind is ThingKind.FOAM for t in ground.shelf.things.values())
    wanted = 0
    for name, many in squares.items():
        if many:
            count = math.ceil(many)
            wanted += count if name == "thin foam" else 2 * count
            found.append(Need(GLUES[name].says, f"{count} square{'' if count == 1 else 's'} of 1/2 in"))
    if found and known:
        short = ""
        if wanted > there:
            short = f"{wanted - there} too few: lay something flat, or cut squares in four"
        last = found[-1]
        found[-1] = Need(last.what, last.amount, f"{there} thin ones are there", short)
    return found


def _glues(pieces: Sequence[Piece], ground: Ground) -> list[Need]:
    counted: dict[GlueName, int] = {}
    for piece in pieces:
        name = glue_of(piece, ground).name
        if name in ("wet glue", "fine tip", "staples"):
            counted[name] = counted.get(name, 0) + 1
    return [Need(GLUES[name].says, f"for {many} piece{'' if many == 1 else 's'}") for name, many in counted.items()]


def _thread(plan: Any, standing: Mapping[str, Any], ground: Ground) -> list[Need]:
    long = sum(
        2 * (box.width.inches + box.height.inches)
        for part in plan.parts if isinstance(part, Stitching) and (box := standing[part.id].box) is not None
    )  # fmt: skip
    long_enough = ground.ruler.say(inches(math.ceil(long * THREAD)))
    return [Need("thread", f"{long_enough} {ground.ruler.unit.value}")] if long else []


def _inks(plan: Any, pieces: Sequence[Piece], ground: Ground) -> list[Need]:
    wanted = dict.fromkeys(
        p.edge.colour for p in pieces if p.edge is not None and p.edge.how in ("inked", "outlined")
    )
    inks = [thing for thing in ground.shelf.things.values() if thing.kind is ThingKind.INK]
    found = list[Need]()
    for colour in wanted:
        lab = of_hex(colour)
        near = next((ink for ink in inks if of_hex(ink.colour).far(lab) <= ALIKE), None)
        short = "" if near or not inks else "no ink on the shelf is near it: take the nearest, or change the colour"
        found.append(Need(f"ink, {word(lab)} ({colour})", "for edges", near.name if near else "", short))
    return found


def _wet(plan: Any, order: Order, ground: Ground) -> list[Need]:
    found = list[Need]()
    for part in plan.parts:
        if isinstance(part, Wet) and order.step(f"wet:{part.id}") is not None:
            called = part.name or word(of_hex(part.colour))
            found.append(Need(f"{MEDIA[part.medium].says}, {called}", "and a scrap of the same paper to try it on"))
    return found
