"""A panel joined from two, where no sheet is large enough: butted edge to edge, or the second lapped under the first.

┌───────┬──────┐   the seam goes where something lies over it, or where the pattern hides it;
│   1   ┊  2   │   what is hidden under something is cut out of both as if they were one
└───────┴──────┘
"""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Literal

from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, Ruler
from ulna.core.parts.mats import gut_in
from ulna.core.parts.pieces import Piece
from ulna.core.ranges import Gap, Size


@dataclass(frozen=True, slots=True)
class Joined:
    """Side by side, or one above the other; the `seam` so far from the left or the top, in the middle where nothing is
    said; `lap` more of the second lies under the first, 0 for butted."""

    way: Literal["side by side", "one above the other"] = "side by side"
    seam: Size | None = None
    lap: Gap = ZERO


def seam_of(join: Joined, box: Rect, ruler: Ruler) -> Length | None:
    """How far the seam is from the left or the top; None where it would leave nothing on one side."""
    room = box.width if join.way == "side by side" else box.height
    seam = ruler.round(room.part(1, 2)) if join.seam is None else ruler.round(join.seam)
    return seam if ruler.mark <= seam <= room - ruler.mark else None


def parted(piece: Piece, join: Joined, ruler: Ruler) -> tuple[Piece, Piece] | None:
    """The second part, which lies underneath, and the first; None where the seam lies beside the panel."""
    r = piece.rect
    seam = seam_of(join, r, ruler)
    if seam is None:
        return None
    lap = min(max(ZERO, ruler.round(join.lap)), seam)
    if join.way == "side by side":
        first = Rect(r.x, r.y, seam, r.height)
        second = Rect(r.x + seam - lap, r.y, r.width - seam + lap, r.height)
    else:
        first = Rect(r.x, r.y, r.width, seam)
        second = Rect(r.x, r.y + seam - lap, r.width, r.height - seam + lap)
    return (
        replace(piece, id=f"{piece.id}-2", name=f"{piece.name}, second part", rect=second, uncut=second,
                gut=gut_in(piece, second)),
        replace(piece, name=f"{piece.name}, first part", rect=first, uncut=first, gut=gut_in(piece, first)),
    )  # fmt: skip
