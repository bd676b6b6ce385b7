"""The outer margin is not narrower than the gaps between photos."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from itertools import combinations

from ulna.core.findings import Finding
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length
from ulna.core.parts.pieces import Ground, Piece


def told(pieces: Sequence[Piece], ground: Ground) -> Iterator[Finding]:
    """Photos that reach the edge do so on purpose, and a single gap is no rule."""
    prints = {piece.base_id: piece.uncut for piece in pieces if piece.role == "print"}
    gaps = [gap for a, b in combinations(prints.values(), 2) if (gap := between(a, b)) is not None]
    if len(gaps) < 2:
        return
    format, say = ground.format, ground.ruler.say
    outer = list[tuple[Length, Rect]]()
    for box in prints.values():
        page = format.page(format.page_of(box))
        edges = box.x - page.x, page.right - box.right, box.y - page.y, page.bottom - box.bottom
        outer += [(edge, box) for edge in edges]
    least, box = min(outer, key=lambda one: one[0])
    gap = min(gaps)
    if least > ZERO and least < gap:
        told = f"The outer margin of {say(least)} is narrower than the gaps of {say(gap)} between the photos."
        yield Finding("margins", "note", None, told, (), (box,))


def between(a: Rect, b: Rect) -> Length | None:
    """The gap of two that lie side by side or one below the other; None where they do neither, or overlap."""
    across, down = max(b.x - a.right, a.x - b.right), max(b.y - a.bottom, a.y - b.bottom)
    if across >= ZERO and down < ZERO:
        return across
    return down if down >= ZERO and across < ZERO else None
