"""What a page costs: pieces, sheets opened, what is left of each paper, and what does not fit and why."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass

from ulna.core.cutting import blocks_in_phase
from ulna.core.cutting.demand import lies_turned
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, Ruler
from ulna.core.paper.shelf import Direction, Paper, Shelf
from ulna.core.parts.pieces import Piece
from ulna.core.planner.plan import CutPlan, Layout
from ulna.core.planner.request import Area


@dataclass(frozen=True, slots=True)
class PaperCost:
    """For one paper: sheets there were, sheets opened, scraps used, whole sheets left, the largest rest."""

    paper: str
    name: str
    had: int
    opened: int
    scraps: int
    left: int
    largest_rest: Rect | None
    pieces: int
    rest_says: str = ""


@dataclass(frozen=True, slots=True)
class Lacking:
    """A piece that no sheet can give, and why in one sentence."""

    piece: str
    part: str
    sentence: str


@dataclass(frozen=True, slots=True)
class Cost:
    """Pieces to cut from paper (halves at the gutter count), how many of them have no paper yet, prints (a cut one
    is one), whole sheets opened."""

    pieces: int
    unchosen: int
    prints: int
    opened: int
    papers: tuple[PaperCost, ...]
    lacking: tuple[Lacking, ...]


def cost(plan: CutPlan, pieces: Iterable[Piece], shelf: Shelf, ruler: Ruler) -> Cost:
    """The plan of a page's pieces, put in a person's figures; papers in the order of the shelf."""
    by_id = {p.id: p for p in pieces}
    paper_pieces = [p for p in by_id.values() if p.is_paper]
    used: dict[str, list[str]] = {}
    for piece in paper_pieces:
        if piece.choice.paper in shelf.papers:
            used.setdefault(piece.choice.paper or "", []).append(piece.id)
    papers = tuple(_paper_cost(id, len(used[id]), plan, shelf, ruler) for id in shelf.papers if id in used)
    prints = [p for p in by_id.values() if p.role == "print" and p.half != "right"]
    return Cost(
        len(paper_pieces),
        sum(p.choice.paper not in shelf.papers for p in paper_pieces),
        len(prints),
        plan.whole_sheets_used,
        papers,
        lacking(plan, by_id.values(), shelf, ruler),
    )


def said_of(before: Cost, after: Cost) -> str:
    """What one costs more than the other, in words: sheets opened or saved by their papers, pieces more, what lacks."""
    opened = {one.paper: (one.name, one.opened) for one in before.papers}
    then = {one.paper: (one.name, one.opened) for one in after.papers}
    said = list[str]()
    for id in dict.fromkeys((*opened, *then)):
        name = (then.get(id) or opened[id])[0]
        by = then.get(id, ("", 0))[1] - opened.get(id, ("", 0))[1]
        if by:
            sheets = "a sheet" if abs(by) == 1 else f"{abs(by)} sheets"
            said.append(f"{'opens' if by > 0 else 'saves'} {sheets} of {name}")
    lacks = len(after.lacking) - len(before.lacking)
    if lacks > 0:
        said.append("there is no sheet for it")
    if not said:
        more = after.pieces - before.pieces
        said.append("no sheet more" + (f", {more} piece{'' if more == 1 else 's'} more to cut" if more > 0 else ""))
    return "; ".join(said)


def lacking(plan: CutPlan, pieces: Iterable[Piece], shelf: Shelf, ruler: Ruler) -> tuple[Lacking, ...]:
    """The pieces of a page that its plan leaves without a place, each with the reason."""
    by_id = {p.id: p for p in pieces}
    plan = blocks_in_phase.parted(plan, by_id.values(), shelf)
    return tuple(_lacking(by_id[u.piece], u.why, shelf, ruler) for u in plan.unplaced)


def _paper_cost(id: str, pieces: int, plan: CutPlan, shelf: Shelf, ruler: Ruler) -> PaperCost:
    paper, sources = shelf.paper(id), set(shelf.sources(id))
    sheets = [s for s in plan.sheets if s.sheet in sources]
    taken = sum(s.sheet == id for s in sheets)
    opened = 0 if paper.is_scrap else taken
    mark = ruler.mark.units
    rests = [o for s in sheets for o in _all_rests(s.layout) if min(o.width, o.height) >= mark]
    best = max(rests, key=lambda r: (r.size, min(r.width, r.height)), default=None)
    rest = Rect(ZERO, ZERO, Length(best.width), Length(best.height)) if best else None
    says = ruler.say_size(rest.width, rest.height) if rest else ""
    left = paper.count - taken
    return PaperCost(id, paper.name, paper.count, opened, len(sheets) - opened, left, rest, pieces, says)


def _all_rests(layout: Layout) -> list[Area]:
    inner = [o for p in layout.placements if p.inside for o in _all_rests(p.inside)]
    return [*layout.offcuts, *inner]


def _lacking(piece: Piece, why: str, shelf: Shelf, ruler: Ruler) -> Lacking:
    paper = shelf.paper(piece.choice.paper or "")
    size = ruler.say_size(piece.rect.width, piece.rect.height)
    name = piece.name[0].upper() + piece.name[1:]
    sheets = (
        "none is left"
        if not paper.count
        else f"{paper.count} of {ruler.say(paper.width)} × {ruler.say(paper.height)}"
    )
    reason = _reason(piece, paper, shelf, ruler) or why
    return Lacking(piece.id, piece.part, f"{name}, {size}, cannot be cut from {paper.name} ({sheets}): {reason}.")


def _reason(piece: Piece, paper: Paper, shelf: Shelf, ruler: Ruler) -> str:
    """What is in the way on a whole sheet, with its figures; nothing where it would fit on one by itself."""
    if not paper.count or piece.pin is not None:
        return ""
    w, h = piece.rect.width, piece.rect.height
    if lies_turned(piece, paper):
        w, h = h, w
    free = paper.face(piece.choice.side).direction is Direction.NONE
    ways = [(w, h), (h, w)] if free else [(w, h)]
    room = paper.usable

    def fits(width: Length, height: Length, sides: list[tuple[Length, Length]]) -> bool:
        return any(a <= width and b <= height for a, b in sides)

    if not fits(paper.width, paper.height, [(w, h), (h, w)]):
        return ""
    if not fits(paper.width, paper.height, ways):
        return (
            "it would fit only with a quarter turn, and the pattern has a direction; turn the paper, or the piece"
        )
    if paper.strip is not None and not fits(room.width, room.height, ways):
        return (
            f"the branding strip of {ruler.say(paper.strip.depth)} at the {paper.strip.edge.value} leaves "
            f"{ruler.say_size(room.width, room.height)}"
        )
    if paper.holes:
        return "the hole in the sheet is in the way"
    return ""


def unchosen(pieces: Iterable[Piece], shelf: Shelf) -> tuple[Lacking, ...]:
    """The pieces of a page that have no paper yet, or whose paper is gone: no list can have them."""
    found = []
    for piece in pieces:
        if piece.is_paper and piece.choice.paper not in shelf.papers:
            name = piece.name[0].upper() + piece.name[1:]
            why = "no paper is chosen yet" if piece.choice.paper is None else "its paper is no longer on the shelf"
            found.append(Lacking(piece.id, piece.part, f"{name} is not on the list: {why}."))
    return tuple(found)
