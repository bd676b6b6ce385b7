"""A photo stands out where its edge and what is seen beside it differ in lightness by 20 (L*) or more."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import replace
from typing import Any

from ulna.core.checks.edges import touched
from ulna.core.checks.run_together import measured, side_of
from ulna.core.findings import Finding, Remedy
from ulna.core.geometry.rects import Borders
from ulna.core.measure import inches
from ulna.core.paper.colour import PictureColours
from ulna.core.paper.ranking import STANDS_OUT, available, rank
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.mats import Mat
from ulna.core.parts.pieces import Ground, PaperChoice, Piece
from ulna.core.parts.seen import Seen

MOST = 2
"""So many papers are proposed."""


def told(pieces: Sequence[Piece], ground: Ground, plan: Any = None, seen: Seen | None = None) -> Iterator[Finding]:
    """For each print that gets lost in the paper beside it; one with a white rim stands out by that. What would do is
    told where the page's `plan` is known."""
    parts = {part.id: part for part in plan.parts} if plan is not None else {}
    light = measured(ground)
    seen = seen or Seen(pieces)
    for k, piece in enumerate(pieces):
        if piece.role != "print" or piece.picture is None or (piece.print and piece.print.rim):
            continue
        edge = ground.edge(piece.picture)
        if edge is None:
            continue
        for under in touched(seen, k):
            side = side_of(under, ground)
            if side is None:
                continue
            by = abs(light(side) - edge.edge.lightness)
            if by < STANDS_OUT:
                told = (
                    f"{piece.called_whole[0].upper()}{piece.called_whole[1:]} gets lost on {under.name}: its edge and "
                    f"the paper differ in lightness by {by:.0f}, and 20 is wanted. Take another paper."
                )
                remedies = tuple(_others(parts.get(piece.part), piece, edge, ground))
                yield Finding("stands-out", "warn", piece.part, told, remedies, (piece.rect,))
                break


def _others(part: Any, piece: Piece, edge: PictureColours, ground: Ground) -> Iterator[Remedy]:
    """Another paper for its first mat, or a narrow mat where it has none; a white rim."""
    if not isinstance(part, PhotoPart):
        return
    shelf, size = ground.shelf, (piece.uncut.width, piece.uncut.height)
    there = [p for p in shelf.papers.values() if ground.proposes(p.id) and available(shelf, p, size)]
    first = [one for one in rank(there, edge, "first") if one.good][:MOST]
    for one in first:
        choice = PaperChoice(one.paper, one.side)
        name = f"{shelf.papers[one.paper].name} ({one.side})"
        if part.mats:
            yield Remedy(
                f"{name} as its mat", replace(part, mats=(replace(part.mats[0], choice=choice), *part.mats[1:]))
            )
        else:
            mat = Mat(Borders.even(ground.ruler.round(inches(0, 1, 4))), choice)
            yield Remedy(f"A mat of {name}", replace(part, mats=(mat,)))
    if edge.edge.lightness < 100 - STANDS_OUT and not part.print.rim and part.print.shape == "rectangle":
        rim = replace(part.print, rim=ground.ruler.round(inches(0, 1, 8)))
        yield Remedy("Print it with a white rim", replace(part, print=rim))
