"""What the eye meets first: by area and contrast, faces before all else."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from itertools import zip_longest
from typing import Any

from ulna.core.checks.accents import shown_colour
from ulna.core.checks.ground import things_on
from ulna.core.checks.weight import A_PRINT
from ulna.core.paper.colour import of_hex
from ulna.core.parts.faces_seen import faces_seen
from ulna.core.parts.pieces import Ground, Piece

A_FACE = 2.0
"""Times what a photo without a face draws."""
LETTERS = 3.0
"""Words are read: letters draw more than paper of their size."""
FIRST = 3


def first_seen(plan: Any, pieces: Sequence[Piece], standing: Mapping[str, Any], ground: Ground) -> list[str]:
    """The ids of the parts that are looked at first, in that order."""
    base = next((shown_colour(piece, ground) for piece in pieces if piece.role == "base"), "")
    light = of_hex(base).lightness if base else 95.0
    draws: dict[str, float] = {}
    there_on = things_on(pieces, ground)
    for piece, over in zip_longest(there_on, there_on[1:]):
        area = _area(piece)
        if over is not None and over.part == piece.part and piece.rect.contains(over.rect):
            area -= _area(over)  # of a mat the border is seen
        if piece.role == "print":
            by = A_PRINT * (A_FACE if faces_seen(piece, ground) else 1.0)
        else:
            colour = shown_colour(piece, ground)
            lab = of_hex(colour) if colour else None
            by = abs(lab.lightness - light) + lab.chroma / 2 if lab else 10.0
            by *= LETTERS if piece.letter is not None else 0.5
        draws[piece.part] = draws.get(piece.part, 0.0) + area * by
    there = [part.id for part in plan.parts if part.id in draws and standing[part.id].box is not None]
    return sorted(there, key=lambda id: -draws[id])[:FIRST]


def _area(piece: Piece) -> float:
    return piece.rect.width.inches * piece.rect.height.inches
