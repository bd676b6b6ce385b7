"""Bulk: how thick a page gets where it is thickest, and what is under the finger there.

Layers add up: at each spot all pieces that lie over it, without hidden middles that are cut out. A notebook that still
closes has a spread's two pages facing each other: their thickest spots count together where they meet. Its spreads lie
on each other too: what several of them have at one spot adds up, against what the notebook takes for each.
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from functools import cached_property

from ulna.core.build.thickness import Layer, allowed, of_piece
from ulna.core.geometry.polygons import Bounds, Point
from ulna.core.parts.pieces import Ground, Piece
from ulna.core.parts.seen import Seen

THICKEST = 12
"""So many of a spread's thickest spots are looked at when its notebook is closed."""


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


class Leaf:
    """A page, or a spread that is closed at its fold, and how thick it is at any spot."""

    def __init__(self, pieces: Sequence[Piece], ground: Ground, seen: Seen | None = None) -> None:
        self._seen = seen or Seen(pieces)
        self._pieces, self._ground = pieces, ground
        self._fold = ground.format.gutter if ground.format.is_notebook else None
        self.most = allowed(ground.format)

    @cached_property
    def _layers(self) -> list[tuple[Layer, Bounds]]:
        thick = [of_piece(piece, self._ground) for piece in self._pieces]
        return [(Layer(p, by), box) for p, by, box in zip(self._pieces, thick, self._seen.boxes, strict=True) if by]

    def over(self, point: Point) -> list[Layer]:
        """What lies over a spot; closed at the fold also what lies opposite."""
        there = self._over(point)
        if self._fold is not None:
            there += self._over((2 * self._fold.inches - point[0], point[1]))
        return there

    def _over(self, point: Point) -> list[Layer]:
        x, y = point
        return [
            one for one, (left, top, right, bottom) in self._layers
            if left <= x <= right and top <= y <= bottom and self._seen.covers(one.piece, point)
        ]  # fmt: skip

    def thick(self, point: Point) -> int:
        return sum(one.thick for one in self.over(point))

    @cached_property
    def spots(self) -> list[Point]:
        """The middles of all pieces, the thickest first: where several lie over each other, one of them has its middle
        near."""
        found = dict[Point, None]()
        for piece in self._pieces:
            r = piece.rect
            found[(r.x + r.right).inches / 2, (r.y + r.bottom).inches / 2] = None
        return sorted(found, key=lambda spot: -self.thick(spot))


def bulk(pieces: Sequence[Piece], ground: Ground, seen: Seen | None = None) -> Bulk:
    """Where a page is thickest; a notebook's spread with what lies opposite when it is closed."""
    leaf = Leaf(pieces, ground, seen)
    at = leaf.spots[0] if leaf.spots else (0.0, 0.0)
    there = leaf.over(at)
    return Bulk(at, sum(one.thick for one in there), leaf.most, tuple(there))


@dataclass(frozen=True, slots=True)
class Closed:
    """A notebook's thickest spot: what all its spreads have there, what this one brings, and what it closes on."""

    at: Point
    thick: int
    own: int
    most: int
    spreads: int


def closed(own: Leaf, others: Iterable[Leaf]) -> Closed:
    """A notebook closed on this spread and its others, which are all of one size."""
    leaves = [own, *others]
    spots = dict.fromkeys(spot for leaf in leaves for spot in leaf.spots[:THICKEST])
    total = {spot: sum(leaf.thick(spot) for leaf in leaves) for spot in spots}
    at = max(total, key=lambda spot: total[spot], default=(0.0, 0.0))
    return Closed(at, total.get(at, 0), own.thick(at), sum(leaf.most for leaf in leaves), len(leaves))
