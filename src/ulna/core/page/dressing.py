"""Papers for a new part that has none yet: of those that are left enough of, the ones that suit what is there.

All its pieces can be cut from each of them. A ground takes a quiet paper or card stock; what lies on another paper
differs from it in lightness; a paper that the page has little of comes before one that it has much of. The person
changes it at will.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass, fields, is_dataclass, replace
from typing import Any

from ulna.core.page.evaluate import Evaluated
from ulna.core.page.halves import halved
from ulna.core.paper.colour import of_hex
from ulna.core.paper.shelf import Direction, Paper, Shelf, Stock
from ulna.core.parts.kinds import Part, is_placed, work_out
from ulna.core.parts.pieces import Ground, PaperChoice, Piece

ENOUGH_APART = 12.0


@dataclass(frozen=True, slots=True)
class _Ranked:
    paper: Paper
    lightness: float
    used: int


def dressed(part: Part, page: Evaluated, ground: Ground) -> Part:
    """The part with a paper wherever it had none, each different from the last while there are others."""
    shelf = ground.shelf
    used = Counter(piece.choice.paper for piece in page.pieces if piece.choice.paper)
    papers = [p for p in shelf.papers.values() if p.count > 0 and not p.is_scrap and p.stock is not Stock.VELLUM]
    papers = [p for p in papers if not p.cards]
    if not papers:
        return part
    below = _below(page, shelf)
    ranked = [_Ranked(p, _lightness(p), used[p.id]) for p in papers]
    is_ground, pieces = part.level == "base", _paperless(part, ground)
    ranked.sort(key=lambda r: (_unsuited(r, below, is_ground), r.used, -r.paper.count, r.paper.id))
    # What is too small for a piece of the part comes only where nothing else is there.
    large = [r.paper for r in ranked if all(_holds(r.paper, piece) for piece in pieces)]
    chosen: Any = _filled(part, large or [r.paper for r in ranked], [0])
    return chosen  # type: ignore[no-any-return]


def _paperless(part: Part, ground: Ground) -> list[Piece]:
    """The pieces that the part wants a paper for, halved where it goes over both pages."""
    on = part.place.on if is_placed(part) else "left"
    room = ground.format.page(on)
    pieces = [piece.moved(room.x, room.y) for piece in work_out(part, ground, room)[0].pieces]
    return [half for p in pieces if p.is_paper and p.choice.paper is None for half in halved(p, ground)]


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
