"""A paper with one way up lies on its side, or upside down, on the page."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from ulna.core.checks.run_together import side_of
from ulna.core.findings import Finding
from ulna.core.paper.shelf import Direction
from ulna.core.parts.pieces import Ground, Piece

TURNED = 30.0
"""Degrees: a piece that lies turned by less still stands."""


def told(pieces: Sequence[Piece], ground: Ground) -> Iterator[Finding]:
    """Once for each part."""
    said = set[str]()
    for piece in pieces:
        side = side_of(piece, ground)
        if side is None or side.direction is not Direction.ONE_WAY or piece.part in said:
            continue
        if piece.choice.turned or abs((piece.angle + 180) % 360 - 180) > TURNED:
            said.add(piece.part)
            told = f"{ground.says(piece.choice)} has one way up, and {piece.name} shows it on its side."
            yield Finding("on-side", "warn", piece.part, told, (), (piece.rect,))
