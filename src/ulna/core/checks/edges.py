"""What is seen just outside the edge of a piece: the pieces that it touches, found at points round it."""

from __future__ import annotations

from collections.abc import Sequence

from ulna.core.geometry import polygons
from ulna.core.geometry.polygons import Point
from ulna.core.parts.pieces import Piece

OUTSIDE = 1 / 16
"""Inches outside the edge at which one looks."""
A_SIDE = 4
"""At so many points of each side."""


def touched(pieces: Sequence[Piece], k: int) -> list[Piece]:
    """The pieces below that are seen beside piece number k, each once."""
    r = pieces[k].rect
    x1, y1, x2, y2 = r.x.inches, r.y.inches, r.right.inches, r.bottom.inches
    points = list[Point]()
    for n in range(A_SIDE):
        share = (n + 0.5) / A_SIDE
        x, y = x1 + (x2 - x1) * share, y1 + (y2 - y1) * share
        points += [(x, y1 - OUTSIDE), (x, y2 + OUTSIDE), (x1 - OUTSIDE, y), (x2 + OUTSIDE, y)]
    near = [piece for piece in pieces[:k] if _reaches(piece, x1, y1, x2, y2)]
    found = dict[str, Piece]()
    for point in points:
        top = next((piece for piece in reversed(near) if _holds(piece, point)), None)
        if top is not None:
            found[top.id] = top
    return list(found.values())


def _reaches(piece: Piece, x1: float, y1: float, x2: float, y2: float) -> bool:
    r, by = piece.rect, OUTSIDE
    return (
        r.x.inches <= x2 + by and r.right.inches >= x1 - by and r.y.inches <= y2 + by and r.bottom.inches >= y1 - by
    )


def _holds(piece: Piece, point: Point) -> bool:
    r = piece.rect
    if not (r.x.inches <= point[0] <= r.right.inches and r.y.inches <= point[1] <= r.bottom.inches):
        return False
    return (not piece.outline and not piece.angle) or polygons.inside(point, piece.seen)
