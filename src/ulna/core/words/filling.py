"""A small word among large letters: beside the line that is shortest, or in the counter that has most room for it.

HERON      the year stands on the line of THE, up to where HERON ends
THE 2026
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

from ulna.core.geometry import outlines, polygons
from ulna.core.geometry.polygons import Bounds, Polygon
from ulna.core.words.faces import SPACE
from ulna.core.words.setting import Align, Letter

OFF = 1 / 16
"""Inches that a word in a counter keeps from what is round it."""
LEAST = 1 / 8
"""Capitals are not made smaller than this, in inches."""


@dataclass(frozen=True, slots=True)
class Room:
    """Where a small word may stand: an outline that it lies in, or a box on whose lower edge it stands."""

    outline: Polygon
    stands: bool


def short_line(letters: Sequence[Letter], align: Align) -> Room | None:
    """The room beside the line that leaves most: right of one that is flush left, left of one that is flush right,
    on the right of one that is centred; as high as its capitals."""
    _, _, end, _ = _bounds(letters)
    begin = _bounds(letters)[0]
    best: tuple[float, Polygon] | None = None
    for line in sorted({one.line for one in letters}):
        row = [one for one in letters if one.line == line]
        left, _, right, _ = _bounds(row)
        cap = max(one.cap for one in row)
        gap, base = SPACE * cap, row[0].y - row[0].top
        x, wide = (begin, left - begin - gap) if align == "right" else (right + gap, end - right - gap)
        if wide > 0 and (best is None or wide > best[0]):
            best = wide, polygons.box(x, base - cap, wide, cap)
    return None if best is None else Room(best[1], True)


def counter(letters: Sequence[Letter]) -> Room | None:
    """The largest counter, less what a word keeps from its edge."""
    found = list[Polygon]()
    for one in letters:
        left, top, _, _ = one.glyph.box
        for bit in one.glyph.bits:
            for line in bit.counters:
                at = tuple((one.x + (x - left) * one.cap * one.wide, one.y + (y - top) * one.cap) for x, y in line)
                inner = outlines.grown(at, -OFF)
                if inner:
                    found.append(inner)
    return Room(max(found, key=polygons.area), False) if found else None


def into(word: Sequence[Letter], room: Room, fixed: bool) -> list[Letter] | None:
    """The word where it stands in the room, as large as it goes there and no larger than it is; `fixed` letters as they
    are. None where it would be too small, or does not go in."""
    left, top, right, bottom = _bounds(word)
    wide, high = right - left, bottom - top
    least = 1.0 if fixed else LEAST / min(one.cap for one in word)
    if room.stands:
        x1, y1, x2, y2 = polygons.bounds(room.outline)
        base = max(one.y - one.top for one in word)
        scale = min(1.0, (x2 - x1) / wide, (y2 - y1) / max(one.cap for one in word))
        if scale < least - 1e-9:
            return None
        return [_scaled(one, scale, (left, base), (x1, y2)) for one in word]
    found = outlines.largest_box(room.outline, wide, high, least)
    if found is None:
        return None
    x, y, scale = found
    scale = min(1.0, scale)
    return [_scaled(one, scale, (left, top), (x, y)) for one in word]


def _scaled(one: Letter, scale: float, of: tuple[float, float], to: tuple[float, float]) -> Letter:
    return replace(one, cap=one.cap * scale, x=to[0] + (one.x - of[0]) * scale, y=to[1] + (one.y - of[1]) * scale)


def _bounds(letters: Sequence[Letter]) -> Bounds:
    return (
        min(one.x for one in letters),
        min(one.y for one in letters),
        max(one.x + one.width for one in letters),
        max(one.y + one.height for one in letters),
    )
