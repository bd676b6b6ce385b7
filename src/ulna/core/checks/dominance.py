"""One photo leads: at least one and a half times as large as the next, unless all are alike, as in a grid."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from ulna.core.findings import Finding
from ulna.core.parts.pieces import Piece

LEADS = 1.5
ALIKE = 1.15
"""Prints whose areas differ by less than this are of one size."""


def told(pieces: Sequence[Piece]) -> Iterator[Finding]:
    """Where no photo leads."""
    prints = {piece.base_id: piece for piece in pieces if piece.role == "print"}
    areas = sorted(
        ((p.uncut.width.inches * p.uncut.height.inches, p) for p in prints.values()), key=lambda one: -one[0]
    )
    if len(areas) < 2 or areas[0][0] <= ALIKE * areas[-1][0]:
        return
    (largest, first), (next_one, second) = areas[0], areas[1]
    if largest < LEADS * next_one:
        told = (
            f"No photo leads: {first.called_whole} is only {largest / next_one:.2f} times as large as "
            f"{second.called_whole}; 1.5 is wanted."
        )
        yield Finding("dominance", "note", first.part, told, (), (first.rect, second.rect))
