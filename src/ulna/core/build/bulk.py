"""Bulk: how thick a page gets where it is thickest, and what is under the finger there.

Layers add up: at each spot all pieces that lie over it, without hidden middles that are cut out. A notebook that still
closes has a spread's two pages facing each other: their thickest spots count together where they meet.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from ulna.core.build.thickness import Layer, allowed, of_piece
from ulna.core.geometry.polygons import Point
from ulna.core.parts.pieces import Ground, Piece
from ulna.core.parts.seen import Seen


@dataclass(frozen=True, slots=True)
class Bulk:
    """The thickest spot of a page, in inches from the corner of the spread, and its layers from underneath upward.
    `thick` and `most` are in thousandths of an inch."""

    at: Point
    thick: int
    most: int
    layers: tuple[Layer, ...]

    @property
    def is_too_thick(self) -> bool:
        return self.thick > self.most


def bulk(pieces: Sequence[Piece], ground: Ground, seen: Seen | None = None) -> Bulk:
    """Where a page is thickest; a notebook's spread with what lies opposite when it is closed."""
    seen = seen or Seen(pieces)
    thick = [of_piece(piece, ground) for piece in pieces]
    layers = [(Layer(p, by), box) for p, by, box in zip(pieces, thick, seen.boxes, strict=True) if by]
    fold = ground.format.gutter if ground.format.kind.startswith("notebook") else None
    best: tuple[int, Point, tuple[Layer, ...]] = (0, (0.0, 0.0), ())

    def over(point: Point) -> list[Layer]:
        x, y = point
        return [
            one for one, (left, top, right, bottom) in layers
            if left <= x <= right and top <= y <= bottom and seen.covers(one.piece, point)
        ]  # fmt: skip

    for point in _spots(pieces):
        there = over(point)
        if fold is not None:
            there += over((2 * fold.inches - point[0], point[1]))
        total = sum(one.thick for one in there)
        if total > best[0]:
            best = total, point, tuple(there)
    return Bulk(best[1], best[0], allowed(ground.format), best[2])


def _spots(pieces: Sequence[Piece]) -> list[Point]:
    """The middles of all pieces: where several lie over each other, one of them has its middle near."""
    found = dict[Point, None]()
    for piece in pieces:
        r = piece.rect
        found[(r.x + r.right).inches / 2, (r.y + r.bottom).inches / 2] = None
    return list(found)
