"""What is almost centred, almost in line with its neighbour, or almost evenly spaced: off by a mark or less.

A trimmed edge is cut to about 1/32 in, so what is off by that, or by one mark of the person's ruler, was meant to be
there exactly. What lies between two marks of its own accord (the true centre is no mark) is left alone.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from itertools import combinations
from typing import Any

from ulna.core.checks.lying import PlacedAt
from ulna.core.findings import Finding, Remedy
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, inches
from ulna.core.parts.kinds import is_placed, traits
from ulna.core.parts.pieces import Ground, Piece

HAIR = inches(0, 1, 32)
LEAST = inches(1)
"""What is smaller both ways is a thing, and lies where it was put."""


def told(
    plan: Any, pieces: Sequence[Piece], standing: Mapping[str, Any], ground: Ground, placed_at: PlacedAt
) -> Iterator[Finding]:
    """Each part once for its centre; each pair of photos once for an edge; each row of three for its gaps."""
    if ground.rules.cutting == "loose":
        return  # scissors cut to an eighth
    near = max(HAIR, ground.ruler.mark)
    boxes = {part.id: standing[part.id].box for part in plan.parts}
    parts = {part.id: part for part in plan.parts}

    def moved(id: str, across: Length, down: Length) -> Any:
        return placed_at(parts[id], boxes[id].moved(across, down), standing, ground.format)

    if ground.rules.centring == "ruler":
        yield from _centred(plan, boxes, near, ground, moved)
    photos = _photos(pieces, boxes)
    yield from _aligned(photos, near, ground, moved)
    yield from _even(photos, near, ground, moved)


def _photos(pieces: Sequence[Piece], boxes: Mapping[str, Rect | None]) -> dict[str, Rect]:
    """The outer boxes of the parts that show one photo, by their ids."""
    prints: dict[str, set[str]] = {}
    for piece in pieces:
        if piece.role == "print":
            prints.setdefault(piece.part, set()).add(piece.base_id)
    return {id: box for id, own in prints.items() if len(own) == 1 and (box := boxes.get(id)) is not None}


def _centred(
    plan: Any, boxes: Mapping[str, Rect | None], near: Length, ground: Ground, moved: Any
) -> Iterator[Finding]:
    for part in plan.parts:
        box = boxes[part.id]
        if box is None or not is_placed(part) or traits(part).fills(part) or part.place.stand is not None:
            continue
        if (box.width < LEAST and box.height < LEAST) or part.place.needs:
            continue
        room = ground.format.page(ground.format.page_of(box))
        off_x = _off(box.x - room.x, room.right - box.right, near)
        off_y = _off(box.y - room.y, room.bottom - box.bottom, near)
        for off, edge, way, shift in (
            (off_x, part.place.across.edge, "left to right", (-off_x, ZERO)),
            (off_y, part.place.down.edge, "top to bottom", (ZERO, -off_y)),
        ):
            if off and edge != "centre":
                told = f"It is {ground.ruler.say(abs(off))} off the middle from {way}."
                remedy = Remedy("Centre it", moved(part.id, *shift))
                yield Finding("nearly-centred", "note", part.id, told, (remedy,), (box,))


def _off(before: Length, after: Length, near: Length) -> Length:
    """How far from the middle; nothing where it is in the middle, as near to it as marks allow, or far from it."""
    off = (before - after).part(1, 2)
    return off if HAIR.units <= abs(off.units) <= near.units else ZERO


def _aligned(photos: Mapping[str, Rect], near: Length, ground: Ground, moved: Any) -> Iterator[Finding]:
    for (_, a), (other, b) in combinations(photos.items(), 2):
        beside = a.y < b.bottom and b.y < a.bottom
        below = a.x < b.right and b.x < a.right
        for there, edges, name, down in (
            (beside and not below, (a.y - b.y, a.bottom - b.bottom), ("top", "bottom"), True),
            (below and not beside, (a.x - b.x, a.right - b.right), ("left", "right"), False),
        ):
            if not there or any(edge == ZERO for edge in edges):
                continue
            for by, side in zip(edges, name, strict=True):
                if abs(by) <= near:
                    told = f"Its {side} edge is {ground.ruler.say(abs(by))} off that of the photo beside it."
                    part = moved(other, ZERO, by) if down else moved(other, by, ZERO)
                    yield Finding(
                        "nearly-aligned", "note", other, told, (Remedy("Bring it in line", part),), (a, b)
                    )
                    break


def _even(photos: Mapping[str, Rect], near: Length, ground: Ground, moved: Any) -> Iterator[Finding]:
    """Three in a row whose two gaps are nearly alike."""
    for across in (True, False):
        ordered = sorted(photos.items(), key=lambda one: one[1].x if across else one[1].y)
        for (_, a), (middle, b), (_, c) in zip(ordered, ordered[1:], ordered[2:], strict=False):
            in_row = (
                max(a.y, b.y, c.y) < min(a.bottom, b.bottom, c.bottom) if across
                else max(a.x, b.x, c.x) < min(a.right, b.right, c.right)
            )  # fmt: skip
            first, second = (b.x - a.right, c.x - b.right) if across else (b.y - a.bottom, c.y - b.bottom)
            by = second - first
            if not in_row or first < ZERO or second < ZERO or not HAIR <= abs(by) <= near * 2:
                continue
            half = ground.ruler.round(by.part(1, 2))
            says = ground.ruler.say
            told = f"The gaps beside it are {says(first)} and {says(second)}, nearly alike."
            part = moved(middle, half, ZERO) if across else moved(middle, ZERO, half)
            remedies = (Remedy("Make them even", part),) if half else ()
            yield Finding("nearly-even", "note", middle, told, remedies, (a, b, c))
