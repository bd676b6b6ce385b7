"""Auditioning papers: which paper and side could stand in one place of a part, and of which enough is left."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

from ulna.core.cutting.demand import demand
from ulna.core.paper.shelf import Face, Shelf
from ulna.core.parts.pieces import PaperChoice, Piece
from ulna.core.planner import plan_cuts

EFFORT = 4_000
"""What one trial may cost (fittings): a few milliseconds."""


@dataclass(frozen=True, slots=True)
class Trial:
    """A paper and the side that shows; whether the page's pieces of that paper can be cut with this one among them."""

    choice: PaperChoice
    enough: bool


def trials(pieces: Sequence[Piece], of: PaperChoice, part: str, shelf: Shelf) -> list[Trial]:
    """Every paper of the shelf and both its sides in place of `of` in one part; scraps stand for their paper."""
    found = []
    changing = [p for p in pieces if p.part == part and _same(p.choice, of)]
    for paper in shelf.papers.values():
        if paper.is_scrap or paper.cards:
            continue
        faces: tuple[Face, ...] = ("A",) if paper.a == paper.b else ("A", "B")
        for face in faces:
            choice = replace(of, paper=paper.id, side=face)
            moved = [replace(p, choice=replace(p.choice, paper=paper.id, side=face)) for p in changing]
            ids = {p.id for p in changing}
            others = [p for p in pieces if p.id not in ids and p.choice.paper == paper.id]
            plan = plan_cuts(demand([*others, *moved], shelf), EFFORT)
            found.append(Trial(choice, not plan.unplaced))
    return found


def _same(a: PaperChoice, b: PaperChoice) -> bool:
    return a.paper == b.paper and a.side == b.side
