"""Pieces of a few parts, and the list that they are cut by."""

from __future__ import annotations

from tests.core.examples import ground
from ulna.core.cutting.cut_list import CutList
from ulna.core.cutting.demand import demand
from ulna.core.cutting.listing import cut_list
from ulna.core.measure import Ruler, parse
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.page_formats import of_kind
from ulna.core.paper.shelf import Paper, Shelf
from ulna.core.parts.kinds import Part
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.pieces import PaperChoice, Piece
from ulna.core.planner import plan_cuts


def pieces_of(*parts: Part, papers: tuple[Paper, ...]) -> tuple[Piece, ...]:
    plan = PagePlan("x", of_kind("12x12"), parts=parts)
    return evaluate(plan, ground(plan.format, *papers)).pieces


def listed(pieces: tuple[Piece, ...], *papers: Paper, first: int = 1) -> CutList:
    shelf = Shelf.of(list(papers))
    plan = plan_cuts(demand(pieces, shelf), 20_000)
    return cut_list(plan, {p.id: p for p in pieces}, shelf, Ruler(), first)


def panel(id: str, width: str, height: str, paper: str, side: str = "A", **more: object) -> Panel:
    return Panel(id, id, None, parse(width), parse(height), PaperChoice(paper, side), **more)  # type: ignore[arg-type]
