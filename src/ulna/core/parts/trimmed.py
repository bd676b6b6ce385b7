"""What trimming a piece flush with a room takes off it."""

from __future__ import annotations

from ulna.core.geometry.rects import Rect
from ulna.core.measure import inches
from ulna.core.parts.pieces import Piece

WORTH_KEEPING = inches(0, 1, 2)
"""Narrower rests are no scraps."""


def trimming(piece: Piece, room: Rect) -> Rect | None:
    """The largest rectangle that trimming a piece flush takes off, where it is worth keeping."""
    r = piece.rect
    plain = piece.is_paper and not (piece.outline or piece.angle or piece.pin or piece.holes or piece.phase)
    if not plain or not room.meets(r) or room.contains(r):
        return None
    beside = (
        Rect(r.x, r.y, room.x - r.x, r.height),
        Rect(room.right, r.y, r.right - room.right, r.height),
        Rect(r.x, r.y, r.width, room.y - r.y),
        Rect(r.x, room.bottom, r.width, r.bottom - room.bottom),
    )
    worth = [off for off in beside if min(off.width, off.height) >= WORTH_KEEPING]
    return max(worth, key=lambda off: off.area, default=None)
