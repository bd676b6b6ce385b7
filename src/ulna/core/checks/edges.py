"""What is seen just outside the edge of a piece: the pieces that it touches, found at points round it."""

from __future__ import annotations

from ulna.core.geometry.polygons import Point
from ulna.core.parts.pieces import Piece
from ulna.core.parts.seen import Seen

OUTSIDE = 1 / 16
"""Inches outside the edge at which one looks."""
A_SIDE = 4
"""At so many points of each side."""


def touched(seen: Seen, k: int) -> list[Piece]:
    """The pieces below that are seen beside piece number k, each once."""
    pieces, by = seen.pieces, OUTSIDE
    r = pieces[k].rect
    x1, y1, x2, y2 = r.x.inches, r.y.inches, r.right.inches, r.bottom.inches
    near = [
        piece for piece, (left, top, right, bottom) in zip(pieces[:k], seen.boxes[:k], strict=True)
        if left <= x2 + by and right >= x1 - by and top <= y2 + by and bottom >= y1 - by
    ]  # fmt: skip
    points = list[Point]()
    for n in range(A_SIDE if near else 0):
        share = (n + 0.5) / A_SIDE
        x, y = x1 + (x2 - x1) * share, y1 + (y2 - y1) * share
        points += [(x, y1 - by), (x, y2 + by), (x1 - by, y), (x2 + by, y)]
    near.reverse()
    found = dict[str, Piece]()
    for point in points:
        top_one = next((piece for piece in near if seen.covers(piece, point)), None)
        if top_one is not None:
            found[top_one.id] = top_one
    return list(found.values())
