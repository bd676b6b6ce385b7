"""Two papers that touch, both lively and alike in lightness, run together: the eye finds no edge between them."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from ulna.core.checks.edges import touched
from ulna.core.findings import Finding
from ulna.core.paper.colour import of_hex
from ulna.core.paper.shelf import Side
from ulna.core.parts.pieces import Ground, Piece

LIVELY = 2
"""A pattern from here on up is lively or busy."""
APART = 20.0
"""In lightness (L*): papers that are further apart stand apart, however lively they are."""


def told(pieces: Sequence[Piece], ground: Ground) -> Iterator[Finding]:
    """For each part with a lively paper that touches one like it."""
    said = set[tuple[str, str]]()
    for k, piece in enumerate(pieces):
        side = side_of(piece, ground)
        if side is None or side.busy < LIVELY:
            continue
        for under in touched(pieces, k):
            below = side_of(under, ground)
            pair = piece.part, under.part
            if below is None or pair in said or piece.choice == under.choice or not run_together(side, below):
                continue
            said.add(pair)
            told = (
                f"{piece.name[0].upper()}{piece.name[1:]} and {under.name} run together: both are lively and alike "
                "in lightness. A plain mat between them, or an inked edge, parts them."
            )
            yield Finding("run-together", "warn", piece.part, told)


def run_together(one: Side, other: Side) -> bool:
    """Whether two sides that touch would."""
    if min(one.busy, other.busy) < LIVELY:
        return False
    return abs(of_hex(one.colours[0]).lightness - of_hex(other.colours[0]).lightness) < APART


def side_of(piece: Piece, ground: Ground) -> Side | None:
    """The side of a paper that a piece shows; none where it is no paper, or none is chosen."""
    paper = ground.shelf.papers.get(piece.choice.paper or "") if piece.is_paper else None
    return paper.face(piece.choice.side) if paper else None
