"""Gutting: whose hidden middle is cut out, what comes out of it, and what that saves.

A person's word about a piece counts first, then the house rule: always, when it saves a sheet, never. What saves is
found by planning the cuts: once without, once with every panel that could be won; of those that are used, as few are
cut out as give the same.
"""

from __future__ import annotations

from collections.abc import Callable, Collection, Iterator, Sequence
from dataclasses import dataclass, replace

from ulna.core import hidden
from ulna.core.cutting.bounds import lower_bound
from ulna.core.cutting.demand import demand
from ulna.core.cutting.plan import CutPlan, Layout, Placement
from ulna.core.cutting.request import CutRequest
from ulna.core.geometry import Rect
from ulna.core.measure import ZERO
from ulna.core.page import Evaluated, Gutting, PagePlan
from ulna.core.parts import Part
from ulna.core.parts.panel import Panel
from ulna.core.pieces import Ground, Piece
from ulna.core.shelf import Shelf

Planner = Callable[[CutRequest], CutPlan]

MOST_LEFT_OUT = 4
"""So many panels are tried to be left out again, one by one."""


@dataclass(frozen=True, slots=True)
class Offer:
    """The hidden middle of a piece: where it lies on the page, whether it is cut out and by whose word, what comes out
    of it, and how many sheets and placeless pieces fewer there are by it (and by those it goes `along` with).
    """

    piece: str
    part: str
    panel: Rect
    gut: bool
    by: str
    sheets: int
    placed: int
    sentence: str


@dataclass(frozen=True, slots=True)
class Settled:
    """A page's pieces, gutted as it was settled, their plan, and what can still be said of each hidden middle."""

    pieces: tuple[Piece, ...]
    plan: CutPlan
    offers: tuple[Offer, ...]


def settle(page: Evaluated, recipe: PagePlan, ground: Ground, planner: Planner) -> Settled:
    """Plans the cuts of a page, its middles gutted by the person's word or the house rule."""
    shelf, said = ground.shelf, {one.piece: one.gut for one in recipe.gutting}
    now, plan = page.pieces, planner(demand(page.pieces, shelf))
    won = {} if ground.gut == "always" else hidden.panels(now, shelf, ground.ruler)
    won = {id: panel for id, panel in won.items() if _has_paper(id, now, shelf)}
    could = {id: panel for id, panel in won.items() if said.get(id, True)} if ground.gut != "never" else {}
    best, chosen = _best(now, plan, could, shelf, planner)
    gain = _gain(plan, best)
    by_rule = ground.gut == "when it saves a sheet"
    pieces = hidden.gutted(now, {id: won[id] for id in chosen}) if by_rule else now
    final = best if by_rule else plan
    offers = list[Offer]()
    for piece in now:
        if (panel := _gut_of(piece)) is not None:
            by = "your word" if said.get(piece.id, ground.gut != "always") else "the house rule"
            without = [replace(p, gut=None) if p.id == piece.id else p for p in now]
            uses = _from_panel(final, piece.id)
            saves = _gain(planner(demand(without, shelf)), plan) if uses else (0, 0)
            offers.append(_offer(piece, panel, True, by, uses, saves, (), ground, now))
        elif piece.id in won:
            by = "the house rule" if piece.id in chosen and by_rule else ""
            uses = _from_panel(best, piece.id)
            along = [p.name for p in now if p.id in chosen and p.id != piece.id] if piece.id in chosen else []
            saves = gain if piece.id in chosen else (0, 0)
            offers.append(_offer(piece, won[piece.id], bool(by), by, uses, saves, along, ground, now))
    offers.sort(key=lambda o: (-o.placed, -o.sheets, not o.gut, -o.panel.area))
    return Settled(tuple(pieces), final, tuple(offers))


def answered(recipe: PagePlan, piece: str, gut: bool | None) -> PagePlan:
    """The recipe with a person's word about the middle of a piece; None leaves it to the house rule again.

    A mat or panel that is gutted by a value of its own loses that value.
    """
    parts = tuple(_ungutted(part, piece) for part in recipe.parts)
    kept = tuple(one for one in recipe.gutting if one.piece != piece)
    word = () if gut is None else (Gutting(piece, gut),)
    return replace(recipe, parts=parts, gutting=(*kept, *word))


def _ungutted(part: Part, piece: str) -> Part:
    if isinstance(part, Panel) and piece.startswith(f"{part.id}/panel") and part.gutted:
        part = replace(part, gutted=False)
    mats = getattr(part, "mats", ())
    for k, mat in enumerate(mats):
        if mat.gutted and piece.removesuffix("-left").removesuffix("-right") == f"{part.id}/mat-{k + 1}":
            changed: Part = replace(part, mats=(*mats[:k], replace(mat, gutted=False), *mats[k + 1 :]))  # type: ignore[call-arg]
            return changed
    return part


def _has_paper(id: str, pieces: Sequence[Piece], shelf: Shelf) -> bool:
    return any(p.id == id and p.choice.paper in shelf.papers for p in pieces)


def _gut_of(piece: Piece) -> Rect | None:
    """The panel of a piece that is gutted; none where it has an opening, or is only trimmed at the edge."""
    g, r = piece.gut, piece.rect
    if g is None or piece.holes or (g.least == ZERO and piece.half is None):
        return None
    return Rect(r.x + g.left, r.y + g.top, r.width - g.across, r.height - g.down)


def _gain(before: CutPlan, after: CutPlan) -> tuple[int, int]:
    """Pieces placed more, sheets opened fewer: the first counts before the second."""
    placed = len(before.unplaced) - len(after.unplaced)
    return placed, before.whole_sheets_used - after.whole_sheets_used


def _best(
    pieces: Sequence[Piece], plan: CutPlan, could: dict[str, Rect], shelf: Shelf, planner: Planner
) -> tuple[CutPlan, Collection[str]]:
    """The plan with as few panels cut out as give the most; the plan itself where none does."""
    if not could:
        return plan, ()
    request = demand(hidden.gutted(pieces, could), shelf)
    if not plan.unplaced and lower_bound(request, [1] * len(request.pieces)) >= plan.whole_sheets_used:
        return plan, ()
    best = planner(request)
    gain = _gain(plan, best)
    if gain <= (0, 0):
        return plan, ()
    chosen = {id for id in could if _from_panel(best, id)}
    for id in sorted(chosen, key=lambda id: could[id].area)[:MOST_LEFT_OUT]:
        fewer = {other: could[other] for other in chosen if other != id}
        trial = planner(demand(hidden.gutted(pieces, fewer), shelf))
        if _gain(plan, trial) >= gain:
            chosen, best = set(fewer), trial
    if len(chosen) < len(could):
        best = planner(demand(hidden.gutted(pieces, {id: could[id] for id in chosen}), shelf))
    return best, chosen


def _from_panel(plan: CutPlan, piece: str) -> list[str]:
    """The pieces that come out of the middle of one, panels within it included."""
    for placed in _placements(plan):
        if placed.piece == piece and placed.inside is not None:
            return [p.piece for p in _within(placed.inside)]
    return []


def _placements(plan: CutPlan) -> Iterator[Placement]:
    for sheet in plan.sheets:
        yield from _within(sheet.layout)


def _within(layout: Layout) -> Iterator[Placement]:
    for placed in layout.placements:
        yield placed
        if placed.inside is not None:
            yield from _within(placed.inside)


def _offer(
    piece: Piece,
    panel: Rect,
    gut: bool,
    by: str,
    uses: Sequence[str],
    saves: tuple[int, int],
    along: Sequence[str],
    ground: Ground,
    pieces: Sequence[Piece],
) -> Offer:
    """The offer in words, as "The base gives back 9 1/2 × 7 of Reed: mat of Heron comes out of it: one sheet less." """
    names = {p.id: p.name for p in pieces}
    paper = ground.shelf.paper(piece.choice.paper or "")
    size = ground.ruler.say_size(panel.width, panel.height)
    said = f"{piece.name[0].upper()}{piece.name[1:]} gives back {size} of {paper.name}"
    if uses:
        said += f": {listed([names[id] for id in uses])} {'comes' if len(uses) == 1 else 'come'} out of it"
    else:
        said += ", as a scrap"
    placed, sheets = saves
    fewer = []
    if placed > 0:
        fewer.append("one more piece has its place" if placed == 1 else f"{placed} more pieces have their place")
    if sheets > 0:
        fewer.append("one sheet less" if sheets == 1 else f"{sheets} sheets less")
    if fewer:
        said += ": " + " and ".join(fewer)
        if along:
            said += f", together with {listed(along)}"
    return Offer(piece.id, piece.part, panel, gut, by, sheets, placed, f"{said}.")


MOST_LISTED = 4


def listed(names: Sequence[str]) -> str:
    """Names in a row with "and" before the last one; many are cut short."""
    if len(names) > MOST_LISTED:
        names = [*names[: MOST_LISTED - 1], f"{len(names) - MOST_LISTED + 1} more"]
    return names[0] if len(names) == 1 else f"{', '.join(names[:-1])} and {names[-1]}"
