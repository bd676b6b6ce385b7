"""How a page is filled: left and right weigh about the same, a part of it stays uncovered, the outer margin is not
narrower than the gaps between photos, and title, words and date have a place."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from itertools import combinations
from typing import Any

from ulna.core.checks.run_together import side_of
from ulna.core.findings import Finding
from ulna.core.geometry.rects import Rect
from ulna.core.paper.colour import of_hex
from ulna.core.parts.kinds.date import Date
from ulna.core.parts.kinds.title import Title
from ulna.core.parts.kinds.words import Words
from ulna.core.parts.kinds.wordstrips import WordStrips
from ulna.core.parts.pieces import Ground, Piece

THIRD = 1 / 3
CROWDED = 0.85
FOUNDATION = 0.5
"""Of a page: what is larger is ground, not a thing on it."""
A_PRINT = 55.0
"""For the contrast of a photo with the page (L*), whatever is on it."""


def told(plan: Any, pieces: Sequence[Piece], ground: Ground) -> Iterator[Finding]:
    """For the page as a whole; findings of no part."""
    page = ground.format.page("left")
    on_it = [piece for piece in pieces if not _is_ground(piece, page)]
    yield from _weight(on_it, pieces, ground)
    yield from _crowded(on_it, ground)
    yield from _margins(pieces, ground)
    yield from _places(plan)


def _is_ground(piece: Piece, page: Rect) -> bool:
    if piece.role == "print":
        return False
    return piece.rect.width.inches * piece.rect.height.inches > FOUNDATION * page.width.inches * page.height.inches


def _weight(on_it: Sequence[Piece], pieces: Sequence[Piece], ground: Ground) -> Iterator[Finding]:
    """Area times contrast, to the left and right of the middle."""
    base = next((side for piece in pieces if piece.role == "base" and (side := side_of(piece, ground))), None)
    light = of_hex(base.colours[0]).lightness if base else 95.0
    middle = ground.format.whole.width.inches / 2
    sides = [0.0, 0.0]
    for piece in on_it:
        side = side_of(piece, ground)
        contrast = (
            A_PRINT if piece.role == "print" else abs(of_hex(side.colours[0]).lightness - light) if side else 20.0
        )
        x1, x2, high = piece.rect.x.inches, piece.rect.right.inches, piece.rect.height.inches
        left = max(0.0, min(x2, middle) - x1) if x1 < middle else 0.0
        sides[0] += left * high * (contrast + 10)
        sides[1] += (x2 - x1 - left) * high * (contrast + 10)
    light_one, heavy = sorted(sides)
    if heavy > 0 and light_one < heavy * (1 - THIRD):
        way = "left" if sides[0] > sides[1] else "right"
        times = heavy / max(light_one, 1e-6)
        told = f"The {way} weighs {times:.1f} times as much as the other side; within a third is calm."
        yield Finding("weight", "note", None, told)


def _crowded(on_it: Sequence[Piece], ground: Ground) -> Iterator[Finding]:
    """The share of the page that things lie on, looked at on a grid."""
    whole = ground.format.whole
    columns, rows = 24 * ground.format.pages, 24
    seen = set[tuple[int, int]]()
    across, down = whole.width.units / columns, whole.height.units / rows
    for piece in on_it:
        r = piece.rect
        first, last = round(r.x.units / across), round(r.right.units / across)
        top, low = round(r.y.units / down), round(r.bottom.units / down)
        seen.update(
            (i, j) for i in range(max(0, first), min(columns, last)) for j in range(max(0, top), min(rows, low))
        )
    covered = len(seen)
    share = covered / (columns * rows)
    if share > CROWDED:
        yield Finding("crowded", "note", None, f"{share:.0%} of the page is covered; above 85 % it looks crowded.")


def _margins(pieces: Sequence[Piece], ground: Ground) -> Iterator[Finding]:
    """Photos that reach the edge do so on purpose, and a single gap is no rule."""
    prints = {piece.base_id: piece.uncut for piece in pieces if piece.role == "print"}
    gaps = [gap for a, b in combinations(prints.values(), 2) if (gap := _gap(a, b)) is not None]
    if len(gaps) < 2:
        return
    format, say = ground.format, ground.ruler.say
    outer = []
    for box in prints.values():
        page = format.page(format.page_of(box))
        outer += [box.x - page.x, page.right - box.right, box.y - page.y, page.bottom - box.bottom]
    least = min(outer)
    gap = min(gaps)
    if least.units > 0 and least < gap:
        told = f"The outer margin of {say(least)} is narrower than the gaps of {say(gap)} between the photos."
        yield Finding("margins", "note", None, told)


def _gap(a: Rect, b: Rect) -> Any:
    """Between two that lie side by side or one below the other; None where they do neither, or overlap."""
    across, down = max(b.x - a.right, a.x - b.right), max(b.y - a.bottom, a.y - b.bottom)
    if across.units >= 0 and down.units < 0:
        return across
    return down if down.units >= 0 and across.units < 0 else None


def _places(plan: Any) -> Iterator[Finding]:
    """What a page is remembered by."""
    has = {
        "a title": any(isinstance(part, Title) for part in plan.parts),
        "words": any(isinstance(part, Words | WordStrips) for part in plan.parts),
        "the date": any(isinstance(part, Date) for part in plan.parts),
    }
    missing = [name for name, there in has.items() if not there]
    if missing:
        named = missing[0] if len(missing) == 1 else f"{', '.join(missing[:-1])} and {missing[-1]}"
        yield Finding("no-place", "note", None, f"There is no place for {named} yet.")
