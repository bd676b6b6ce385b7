"""Gutting: whose hidden middle is cut out, what comes out of it, and what that saves, for a page or several.

A person's word about a piece counts first, then the house rule: always, when it saves a sheet, never. What saves is
found by planning the cuts: once without, once with every panel that could be won; of those that are used, as few are
cut out as give the same.
"""

from __future__ import annotations

from collections.abc import Callable, Collection, Mapping, Sequence
from dataclasses import dataclass, replace

from ulna.core.cutting import blocks_in_phase
from ulna.core.cutting.demand import demand
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO
from ulna.core.page import hidden
from ulna.core.page.evaluate import Evaluated
from ulna.core.page.plan import Gutting, PagePlan
from ulna.core.parts.kinds import Part
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.pieces import Ground, Piece
from ulna.core.planner.bounds import lower_bound
from ulna.core.planner.plan import CutPlan
from ulna.core.planner.request import CutRequest, Sheet
from ulna.core.planner.request import Piece as Wanted

Planner = Callable[[CutRequest], CutPlan]

MOST_LEFT_OUT = 4
"""So many panels are tried to be left out again, one by one."""


@dataclass(frozen=True, slots=True)
class Member:
    """A page that is planned, alone or with others: its recipe, worked out on its ground, whose shelf is what there is
    for it. `id` goes before the ids of its pieces; `only` are those that are still to be cut.
    """

    id: str
    recipe: PagePlan
    page: Evaluated
    ground: Ground
    only: frozenset[str] | None = None

    def key(self, piece: str) -> str:
        return f"{self.id}/{piece}" if self.id else piece

    @property
    def pieces(self) -> tuple[Piece, ...]:
        """Those that are still to be cut, from underneath upward."""
        return tuple(p for p in self.page.pieces if self.only is None or p.id in self.only)


@dataclass(frozen=True, slots=True)
class GutOffer:
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
    offers: tuple[GutOffer, ...]


def settle(page: Evaluated, recipe: PagePlan, ground: Ground, planner: Planner) -> Settled:
    """Plans the cuts of a page, its middles gutted by the person's word or the house rule."""
    return settle_all([Member("", recipe, page, ground)], planner)


def settle_all(members: Sequence[Member], planner: Planner) -> Settled:
    """Plans the cuts of several pages at once; the ids of pieces have those of their pages before them."""
    pool = _Pool(members)
    plan = planner(pool.request({}))
    by_rule = {m.id for m in members if m.ground.rules.gut == "when it saves a sheet"}
    could = {id: panel for id, panel in pool.won.items() if pool.said.get(id, True) and pool.of[id].id in by_rule}
    best, chosen = _best(pool, plan, could, planner)
    gain = _gain(plan, best)
    offers = list[GutOffer]()
    for piece in pool.pieces:
        ground, always = pool.of[piece.id].ground, pool.of[piece.id].ground.rules.gut == "always"
        if (panel := _gut_of(piece)) is not None:
            by = "your word" if pool.said.get(piece.id, not always) else "the house rule"
            uses = _from_panel(best, piece.id)
            saves = _gain(planner(pool.request({}, piece.id)), plan) if uses else (0, 0)
            offers.append(_offer(piece, panel, by, uses, saves, (), ground, pool.names_beside(piece.id)))
        elif piece.id in pool.won:
            by = "the house rule" if piece.id in chosen else ""
            uses = _from_panel(best, piece.id)
            names = pool.names_beside(piece.id)
            along = [names[id] for id in chosen if id != piece.id] if by else []
            saves = gain if by else (0, 0)
            offers.append(_offer(piece, pool.won[piece.id], by, uses, saves, along, ground, names))
    offers.sort(key=lambda o: (-o.placed, -o.sheets, not o.gut, -o.panel.area))
    return Settled(pool.gutted({id: pool.won[id] for id in chosen}), pool.parted(best), tuple(offers))


class _Pool:
    """The pieces of all members in one row, under their full ids, and what is known of each."""

    def __init__(self, members: Sequence[Member]) -> None:
        self.members = members
        self.of: dict[str, Member] = {}
        self.names: dict[str, str] = {}
        self.won: dict[str, Rect] = {}
        self.said = {m.key(one.piece): one.gut for m in members for one in m.recipe.gutting}
        self.rows: list[tuple[Member, list[Piece]]] = []
        for m in members:
            row = [p.renamed(m.key) for p in m.pieces]
            self.rows.append((m, row))
            for piece in row:
                self.of[piece.id] = m
                self.names[piece.id] = piece.name
            if m.ground.rules.gut != "always":
                shelf = m.ground.shelf
                have = {p.id for p in m.pieces if p.choice.paper in shelf.papers}
                won = hidden.panels(m.page.pieces, shelf, m.ground.ruler, have)
                self.won |= {m.key(id): panel for id, panel in won.items()}

    def names_beside(self, piece: str) -> dict[str, str]:
        """What pieces are called in a sentence that begins with one: those of other pages, and it itself where there
        are others, with their page.
        """
        here = self.of[piece]
        called = {
            id: name if self.of[id] is here else f"{name} ({self._page(id)})" for id, name in self.names.items()
        }
        if len(self.members) > 1:
            called[piece] = f"{self._page(piece)}: {self.names[piece]}"
        return called

    def _page(self, piece: str) -> str:
        return self.of[piece].recipe.name

    @property
    def pieces(self) -> list[Piece]:
        return [piece for _, row in self.rows for piece in row]

    def gutted(self, won: Mapping[str, Rect]) -> tuple[Piece, ...]:
        return hidden.gutted(self.pieces, won)

    def parted(self, plan: CutPlan) -> CutPlan:
        """The plan with the strips of every block in its place."""
        for member, row in self.rows:
            plan = blocks_in_phase.parted(plan, row, member.ground.shelf)
        return plan

    def request(self, won: Mapping[str, Rect], whole: str = "") -> CutRequest:
        """What cutting asks of the shelf where these panels are won, and one piece is left whole."""
        sheets: dict[str, Sheet] = {}
        asked = list[Wanted]()
        for member, row in self.rows:
            pieces = [replace(p, gut=None) if p.id == whole else p for p in hidden.gutted(row, won)]
            one = demand(pieces, member.ground.shelf)
            sheets |= {sheet.id: sheet for sheet in one.sheets}
            asked += one.pieces
        return CutRequest(tuple(sheets.values()), tuple(asked))


def answered(recipe: PagePlan, piece: str, gut: bool | None) -> PagePlan:
    """The recipe with a person's word about the middle of a piece; None leaves it to the house rule again.

    A mat or panel that is gutted by a value of its own loses that value.
    """
    whole = piece.removesuffix("-left").removesuffix("-right")
    parts = tuple(_ungutted(part, whole) for part in recipe.parts)
    kept = tuple(one for one in recipe.gutting if one.piece != piece)
    word = () if gut is None else (Gutting(piece, gut),)
    return replace(recipe, parts=parts, gutting=(*kept, *word))


def _ungutted(part: Part, piece: str) -> Part:
    if isinstance(part, Panel) and piece == f"{part.id}/panel" and part.gutted:
        part = replace(part, gutted=False)
    mats = getattr(part, "mats", ())
    k = next((k for k in range(len(mats)) if piece == f"{part.id}/mat-{k + 1}"), None)
    if k is None or not mats[k].gutted:
        return part
    changed: Part = replace(part, mats=(*mats[:k], replace(mats[k], gutted=False), *mats[k + 1 :]))  # type: ignore[arg-type]
    return changed


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
    pool: _Pool, plan: CutPlan, could: Mapping[str, Rect], planner: Planner
) -> tuple[CutPlan, Collection[str]]:
    """The plan with as few panels cut out as give the most; the plan itself where none does."""
    if not could:
        return plan, ()
    request = pool.request(could)
    if not plan.unplaced and lower_bound(request, [1] * len(request.pieces)) >= plan.whole_sheets_used:
        return plan, ()
    best = planner(request)
    gain = _gain(plan, best)
    if gain <= (0, 0):
        return plan, ()
    chosen = {id for id in could if _from_panel(best, id)}
    for id in sorted(chosen, key=lambda id: (could[id].area, id))[:MOST_LEFT_OUT]:
        fewer = {other: could[other] for other in chosen if other != id}
        trial = planner(pool.request(fewer))
        if _gain(plan, trial) >= gain:
            chosen, best = set(fewer), trial
    if len(chosen) < len(could):
        best = planner(pool.request({id: could[id] for id in chosen}))
    return best, sorted(chosen)


def _from_panel(plan: CutPlan, piece: str) -> list[str]:
    """The pieces that come out of the middle of one, panels within it included."""
    for sheet in plan.sheets:
        for placed in sheet.layout.every():
            if placed.piece == piece and placed.inside is not None:
                return [p.piece for p in placed.inside.every()]
    return []


def _offer(
    piece: Piece,
    panel: Rect,
    by: str,
    uses: Sequence[str],
    saves: tuple[int, int],
    along: Sequence[str],
    ground: Ground,
    names: Mapping[str, str],
) -> GutOffer:
    """The offer in words, as "Base gives back 9 1/2 × 7 of Reed: mat of Heron comes out of it: one sheet less." """
    paper = ground.shelf.paper(piece.choice.paper or "")
    size = ground.ruler.say_size(panel.width, panel.height)
    name = names[piece.id]
    said = f"{name[0].upper()}{name[1:]} gives back {size} of {paper.name}"
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
    return GutOffer(piece.id, piece.part, panel, bool(by), by, sheets, placed, f"{said}.")


MOST_LISTED = 4


def listed(names: Sequence[str]) -> str:
    """Names in a row with "and" before the last one; many are cut short."""
    if len(names) > MOST_LISTED:
        names = [*names[: MOST_LISTED - 1], f"{len(names) - MOST_LISTED + 1} more"]
    return names[0] if len(names) == 1 else f"{', '.join(names[:-1])} and {names[-1]}"
