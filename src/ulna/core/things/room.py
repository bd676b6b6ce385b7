"""Room for a thing between two others: a gap of its size and 1/8 in on both sides; else which of them moves how far.

The gap is the larger one of the two ways; where they overlap both ways there is none. The smaller one of the two moves.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, inches

BESIDE = inches(0, 1, 8)
"""What a thing keeps off its neighbours, on either side."""


@dataclass(frozen=True, slots=True)
class Room:
    """The gap that there is and the one that is wanted, across or down; by how much the `second` one (else the first)
    has to move away where it is not enough."""

    way: Literal["across", "down"]
    gap: Length
    wanted: Length
    by: Length
    second: bool

    @property
    def fits(self) -> bool:
        return self.by <= ZERO


def between(one: Rect, other: Rect, width: Length, height: Length) -> Room:
    """Whether something of that size goes between two boxes."""
    across = max(other.x - one.right, one.x - other.right)
    down = max(other.y - one.bottom, one.y - other.bottom)
    way: Literal["across", "down"] = "across" if across >= down else "down"
    gap = max(ZERO, across if way == "across" else down)
    wanted = (width if way == "across" else height) + BESIDE * 2
    smaller = other.width.units * other.height.units <= one.width.units * one.height.units
    return Room(way, gap, wanted, max(ZERO, wanted - gap), smaller)


def next_size(sizes: list[Length], held: Length) -> tuple[Length | None, Length | None]:
    """The smallest punch or die that a label of a size goes into, and the one after that; None where there is none."""
    large = sorted(size for size in sizes if size >= held)
    return (large[0] if large else None), (large[1] if len(large) > 1 else None)
