"""A photo stands out where its edge and what is seen beside it differ in lightness by 20 (L*) or more."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from ulna.core.checks.edges import touched
from ulna.core.checks.run_together import side_of
from ulna.core.findings import Finding
from ulna.core.paper.colour import of_hex
from ulna.core.paper.ranking import STANDS_OUT
from ulna.core.parts.pieces import Ground, Piece


def told(pieces: Sequence[Piece], ground: Ground) -> Iterator[Finding]:
    """For each print that gets lost in the paper beside it; one with a white rim stands out by that."""
    for k, piece in enumerate(pieces):
        if piece.role != "print" or piece.picture is None or (piece.print and piece.print.rim):
            continue
        edge = ground.edge(piece.picture)
        if edge is None:
            continue
        for under in touched(pieces, k):
            side = side_of(under, ground)
            if side is None:
                continue
            by = abs(of_hex(side.colours[0]).lightness - edge.edge.lightness)
            if by < STANDS_OUT:
                told = (
                    f"{piece.called_whole[0].upper()}{piece.called_whole[1:]} gets lost on {under.name}: its edge and "
                    f"the paper differ in lightness by {by:.0f}, and 20 is wanted. Take another paper."
                )
                yield Finding("stands-out", "warn", piece.part, told)
                break
