"""What lies on a page, apart from what it lies on."""

from __future__ import annotations

from collections.abc import Sequence

from ulna.core.geometry.rects import Rect
from ulna.core.parts.pieces import Ground, Piece

FOUNDATION = 0.5
"""Of a page: paper that is larger is ground, not a thing on it."""


def is_ground(piece: Piece, page: Rect) -> bool:
    if piece.role == "print":
        return False
    return piece.rect.width.inches * piece.rect.height.inches > FOUNDATION * page.width.inches * page.height.inches


def things_on(pieces: Sequence[Piece], ground: Ground) -> list[Piece]:
    """All but what is ground."""
    page = ground.format.page("left")
    return [piece for piece in pieces if not is_ground(piece, page)]
