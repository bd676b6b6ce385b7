"""Papers for a new part that has none yet: of those that are open already, the ones that suit what is there.

Nothing opens a sheet unasked: a new part takes what its pieces can be cut from beside all that the page is cut from,
out of scraps and begun sheets alone, or no paper yet. A ground takes a quiet paper or card stock; what lies on another
paper differs from it in lightness; a paper that the page has little of comes before one that it has much of. The person
changes it at will.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass, fields, is_dataclass, replace
from typing import Any

from ulna.core.cutting.demand import demand
from ulna.core.page.evaluate import Evaluated
from ulna.core.page.halves import halved
from ulna.core.paper.colour import of_hex
from ulna.core.paper.shelf import Direction, Paper, Shelf, Stock
from ulna.core.parts.kinds import Part, is_placed, work_out
from ulna.core.parts.pieces import Ground, PaperChoice, Piece
from ulna.core.planner import plan_cuts

ENOUGH_APART = 12.0
MOST_TRIED = 8
EFFORT = 4_000
"""What one trial may cost (fittings): a few milliseconds."""


@dataclass(frozen=True, slots=True)
class _Ranked:
    paper: Paper
    lightness: float
    used: int


def dressed(part: Part, page: Evaluated, ground: Ground) -> Part:
    """The part with a paper wherever it had none, of those that are open, each different from the last while there are
    others; the part as it is where none of them serves."""
    shelf = ground.shelf
    used = Counter(piece.choice.paper for piece in page.pieces if piece.choice.paper)
    scraps = {p.scrap_of for p in shelf.papers.values() if p.is_scrap and p.count > 0}
    papers = [p for p in shelf.papers.values() if (used[p.id] or p.id in scraps) and not p.is_scrap]
    papers = [p for p in papers if p.stock is not Stock.VELLUM and not p.cards]
    pieces = _paperless(part, ground)
    if not papers or not pieces:
        return part
    below = _below(page, shelf)
    is_ground = part.level == "base"
    ranked = [_Ranked(p, _lightness(p), used[p.id]) for p in papers]
    ranked.sort(key=lambda r: (_unsuited(r, below, is_ground), r.used, -r.paper.count, r.paper.id))
    large = [r.paper for r in ranked if all(_holds(r.paper, piece) for piece in pieces)][:MOST_TRIED]
    opened = _opened(page.pieces, ground)
    serving = [p for p in large if _serves(_filled(part, [p], [0]), page, opened, ground)]
    for chosen in (serving, serving[:1]):
        if chosen and _serves(filled := _filled(part, chosen, [0]), page, opened, ground):
            return filled  # type: ignore[no-any-return]
    return part


def taken(part: Part, ground: Ground) -> str:
    """Where a part that came to its papers has them from, in a sentence; nothing for a part without paper."""
    pieces = [piece for piece in _built(part, ground) if piece.is_paper]
    names = dict.fromkeys(paper.name for p in pieces if (paper := ground.shelf.papers.get(p.choice.paper or "")))
    if names:
        return f"Out of what is open already: {', '.join(names)}."
    return "No open sheet serves; it has no paper yet." if pieces else ""


def _serves(part: Part, page: Evaluated, opened: tuple[int, int], ground: Ground) -> bool:
    """Whether the page with the part opens no more sheets and leaves no more pieces without a place."""
    return _opened((*page.pieces, *_built(part, ground)), ground) <= opened


def _opened(pieces: Sequence[Piece], ground: Ground) -> tuple[int, int]:
    plan = plan_cuts(demand(pieces, ground.shelf), EFFORT)
    return len(plan.unplaced), plan.whole_sheets_used


def _paperless(part: Part, ground: Ground) -> list[Piece]:
    """The pieces that the part wants a paper for, halved where it goes over both pages."""
    return [piece for piece in _built(part, ground) if piece.is_paper and piece.choice.paper is None]


def _built(part: Part, ground: Ground) -> list[Piece]:
    on = part.place.on if is_placed(part) else "left"
    room = ground.format.page(on)
    pieces = [piece.moved(room.x, room.y) for piece in work_out(part, ground, room)[0].pieces]
    return [half for piece in pieces for half in halved(piece, ground)]


def _holds(paper: Paper, piece: Piece) -> bool:
    usable = paper.usable
    w, h = piece.rect.width, piece.rect.height
    turns = paper.a.direction is Direction.NONE or piece.choice.turned
    return (w <= usable.width and h <= usable.height) or (turns and h <= usable.width and w <= usable.height)


def _lightness(paper: Paper) -> float:
    return of_hex(paper.a.colours[0]).lightness


def _below(page: Evaluated, shelf: Shelf) -> float | None:
    """The lightness of the paper that covers most of the page so far."""
    covered = Counter[str]()
    for piece in page.pieces:
        if piece.choice.paper in shelf.papers and piece.role in ("base", "panel"):
            covered[piece.choice.paper or ""] += piece.rect.area
    if not covered:
        return None
    return _lightness(shelf.papers[covered.most_common(1)[0][0]])


def _unsuited(ranked: _Ranked, below: float | None, ground: bool) -> int:
    if ground:
        return (ranked.paper.a.busy > 1) + (ranked.paper.stock is not Stock.CARD)
    return int(below is not None and abs(ranked.lightness - below) < ENOUGH_APART)


def _filled(value: Any, papers: Sequence[Paper], turn: list[int]) -> Any:
    if isinstance(value, PaperChoice):
        if value.paper is not None:
            return value
        paper = papers[turn[0] % len(papers)]
        turn[0] += 1
        return replace(value, paper=paper.id)
    if isinstance(value, tuple):
        return tuple(_filled(one, papers, turn) for one in value)
    if is_dataclass(value) and not isinstance(value, type) and type(value).__module__.startswith("ulna.core.parts"):
        changed = {f.name: _filled(getattr(value, f.name), papers, turn) for f in fields(value)}
        return replace(value, **changed)
    return value
