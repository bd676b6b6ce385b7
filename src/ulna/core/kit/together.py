"""Several pages from one shelf: what each takes, what is short before the first cut, and what would help.

What would help is tried in the order of least harm, and told only where it does: the mat pieced from scraps, a middle
cut out, the other side, another paper of like colour, a mat narrower by a few marks, a smaller print.
"""

from __future__ import annotations

import dataclasses
from collections.abc import Collection, Iterator, Sequence
from dataclasses import dataclass, replace
from typing import Annotated, Any

from ulna.core.kit.cost import lacking
from ulna.core.kit.gutting import Member, Planner, Settled, answered, listed, settle_all
from ulna.core.measure import Length, parse
from ulna.core.page import hidden
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.paper.colour import Lab, of_hex
from ulna.core.paper.shelf import Face, Paper
from ulna.core.parts.kinds import Part
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.pieces import PaperChoice, Piece
from ulna.core.photos.crop import PRINT_SIZES
from ulna.core.ranges import Many, Text

MOST_MARKS = 4
"""By so many marks a mat is made narrower at most."""

MOST_PAPERS = 6
"""So many papers of like colour are tried, the nearest first."""

LIKE = 40.0
"""How far two leading colours may be apart to be called alike, in distances of CIELAB."""


MOST_PAGES = 40


@dataclass(frozen=True, slots=True)
class PageSet:
    """The pages that are planned together, by their ids, the first ones first."""

    pages: Annotated[tuple[Annotated[str, Text(200)], ...], Many(MOST_PAGES)] = ()


@dataclass(frozen=True, slots=True)
class Takes:
    """What a page takes of a paper: its pieces, the sheets and scraps they come from, how many of these it shares."""

    page: str
    paper: str
    name: str
    pieces: int
    sheets: int
    scraps: int
    shared: int


@dataclass(frozen=True, slots=True)
class Help:
    """What would do for a piece that finds no place: in words, and the recipe of its page as it would be then."""

    says: str
    page: str
    recipe: PagePlan


def takes(members: Sequence[Member], settled: Settled) -> list[Takes]:
    """For each page and paper what the common plan gives it, in the order of the pages."""
    paper_of = {m.key(p.id): (m.id, p.choice.paper or "") for m in members for p in m.pieces}
    users: dict[tuple[str, int], set[str]] = {}
    pieces: dict[tuple[str, str], int] = {}
    sheets: dict[tuple[str, str], set[tuple[str, int]]] = {}
    for sheet in settled.plan.sheets:
        place = sheet.sheet, sheet.copy
        for placed in sheet.layout.every():
            page, paper = paper_of[placed.piece]
            users.setdefault(place, set()).add(page)
            pieces[page, paper] = pieces.get((page, paper), 0) + 1
            sheets.setdefault((page, paper), set()).add(place)
    papers = {p.id: p for m in members for p in m.ground.shelf.papers.values()}
    found = []
    for m in members:
        for (page, paper), places in sheets.items():
            if page == m.id:
                scraps = sum(papers[id].is_scrap for id, _ in places)
                shared = sum(len(users[place]) > 1 for place in places)
                found.append(
                    Takes(
                        page,
                        paper,
                        papers[paper].name if paper in papers else "",
                        pieces[page, paper],
                        len(places) - scraps,
                        scraps,
                        shared,
                    )
                )
    return found


def helps(members: Sequence[Member], piece: str, planner: Planner) -> list[Help]:
    """What would help a piece (by its full id) that the plan of these pages has no place for, least harm first.

    Of each kind of change the least that does is told. Each was tried: fewer pieces are without a place then.
    """
    member, lost = next((m, p) for m in members for p in m.pieces if m.key(p.id) == piece)
    if lost.choice.paper not in member.ground.shelf.papers:  # a print, or a paper is to be chosen first
        return []
    before = len(settle_all(members, planner).plan.unplaced)
    found = []
    for kind in (_pieced, _gutted, _other_side, _other_paper, _narrower, _smaller):
        for says, recipe in kind(member, lost):
            changed = _changed(member, recipe)
            trial = [changed if m is member else m for m in members]
            if len(settle_all(trial, planner).plan.unplaced) < before:
                found.append(Help(says, member.id, recipe))
                break
    return found


def _changed(member: Member, recipe: PagePlan) -> Member:
    """The member with another recipe; what that makes anew is still to be cut."""
    page, only = evaluate(recipe, member.ground), member.only
    if only is not None:
        only |= {p.id for p in page.pieces} - {p.id for p in member.page.pieces}
    return replace(member, recipe=recipe, page=page, only=only)


def piecing(member: Member, settled: Settled, planner: Planner) -> Help | None:
    """Mats that would save a sheet, or find their place, if they were pieced of strips, as few of them as do; which
    sheets and scraps the strips come from, and where the seams lie. None where it saves nothing.
    """
    solid = {p.id: p for p in member.pieces if _is_solid(member, p)}
    able = list(solid)
    trial = settle_all([_all_pieced(member, list(solid.values()))], planner)
    if not able or _standing(trial) >= _standing(settled):
        return None
    chosen, best, least = able, trial, _standing(trial)
    for id in able[:MOST_MATS]:
        fewer = [other for other in chosen if other != id]
        trial = settle_all([_all_pieced(member, [solid[other] for other in fewer])], planner)
        if _standing(trial) <= least:
            chosen, best = fewer, trial
    if not chosen:
        return None
    changed = _all_pieced(member, [solid[id] for id in chosen])
    names = listed([solid[id].name for id in chosen])
    sheets = settled.plan.whole_sheets_used - best.plan.whole_sheets_used
    gain = "one sheet less" if sheets == 1 else f"{sheets} sheets less" if sheets else "it finds its place"
    strips = {p.id for p in changed.page.pieces} - {p.id for p in member.page.pieces}
    come = _come_from(changed, best, strips)
    says = f"Piece {names} of four strips, from {come}: {gain}; the seams lie at its corners"
    return Help(says, member.id, changed.recipe)


MOST_MATS = 6
"""So many mats are tried to be left whole again, one by one."""


def _standing(settled: Settled) -> tuple[int, int]:
    return len(settled.plan.unplaced), settled.plan.whole_sheets_used


def _is_solid(member: Member, piece: Piece) -> bool:
    """Whether it is a mat that could be pieced: lying straight, from a paper that is there."""
    found = _mat_of(member, piece)
    mat = found[0].mats[found[1]] if found else None
    return mat is not None and not mat.pieced and not mat.angle and piece.choice.paper in member.ground.shelf.papers


def _all_pieced(member: Member, pieces: Sequence[Piece]) -> Member:
    changed = member
    for piece in pieces:
        mat = _mat_of(changed, piece)
        if mat is not None:
            changed = replace(changed, recipe=_with_mat(changed, *mat, pieced=True))
    return _changed(member, changed.recipe)


def _come_from(member: Member, settled: Settled, strips: Collection[str]) -> str:
    """The sheets and scraps that strips are cut from, as they are called."""
    papers, found = member.ground.shelf.papers, list[str]()
    for sheet in settled.plan.sheets:
        paper = papers[sheet.sheet]
        called = paper.name if paper.is_scrap else f"{paper.name} {sheet.copy}"
        if called not in found and any(placed.piece in strips for placed in sheet.layout.every()):
            found.append(called)
    return listed(found) if found else "what is left"


Way = Iterator[tuple[str, PagePlan]]


def _pieced(member: Member, piece: Piece) -> Way:
    mat = _mat_of(member, piece)
    if mat is not None:
        part, k = mat
        if not part.mats[k].pieced and not part.mats[k].angle:
            yield "Piece it of four strips; the seams lie at its corners", _with_mat(member, part, k, pieced=True)


def _gutted(member: Member, piece: Piece) -> Way:
    ground, under = member.ground, {p.id: p for p in member.page.pieces}
    won = hidden.panels(member.page.pieces, ground.shelf, ground.ruler)
    for id, panel in sorted(won.items(), key=lambda one: -one[1].area):
        if under[id].choice.paper == piece.choice.paper:
            size = ground.ruler.say_size(panel.width, panel.height)
            yield f"Cut the middle out of the {under[id].name}: {size} come back", answered(member.recipe, id, True)


def _other_side(member: Member, piece: Piece) -> Way:
    paper = member.ground.shelf.papers[piece.choice.paper or ""]
    if paper.a != paper.b and not paper.cards:
        side: Face = "B" if piece.choice.side == "A" else "A"
        yield f"Show the {side} side", _rechosen(member, piece, replace(piece.choice, side=side))


def _other_paper(member: Member, piece: Piece) -> Way:
    shelf = member.ground.shelf
    paper = shelf.papers[piece.choice.paper or ""]
    own = _leading(paper, piece.choice.side)
    near = list[tuple[float, str, Face]]()
    for other in shelf.papers.values():
        if other.scrap_of or other.cards or other.id == paper.id or other.stock is not paper.stock:
            continue
        faces: tuple[Face, ...] = ("A",) if other.a == other.b else ("A", "B")
        near += [(own.far(_leading(other, face)), other.id, face) for face in faces]
    for far, id, face in sorted(near)[:MOST_PAPERS]:
        if far <= LIKE:
            choice = PaperChoice(id, face, piece.choice.turned)
            yield (
                f"Take {shelf.papers[id].name} ({face}), which is of like colour",
                _rechosen(member, piece, choice),
            )


def _leading(paper: Paper, face: Face) -> Lab:
    return of_hex((paper.face(face).colours or ("#ffffff",))[0])


def _narrower(member: Member, piece: Piece) -> Way:
    mat = _mat_of(member, piece)
    if mat is None:
        return
    part, k = mat
    ruler = member.ground.ruler
    for marks in range(1, MOST_MARKS + 1):
        b = part.mats[k].borders
        by = ruler.mark * marks
        less = replace(b, **{side: getattr(b, side) - by for side in ("left", "top", "right", "bottom")})
        if less.least <= Length(0):
            return
        says = f"Make the mat narrower by {ruler.say(by)}, to {ruler.say(less.left)}"
        yield says, _with_mat(member, part, k, borders=less)


def _smaller(member: Member, piece: Piece) -> Way:
    part = next(p for p in member.recipe.parts if p.id == piece.part)
    if not isinstance(part, PhotoPart) or part.print.shape != "rectangle":
        return
    now = part.print
    lying = now.width > now.height
    sizes = [(parse(a), parse(b)) for a, b in PRINT_SIZES]
    for low, high in reversed(sizes):
        width, height = (high, low) if lying else (low, high)
        if width <= now.width and height <= now.height and (width, height) != (now.width, now.height):
            if (width == height) != (now.width == now.height):
                continue
            printed = replace(now, width=width, height=height, frame=None)
            says = f"Print {piece.name.removeprefix('mat of ')} at {member.ground.ruler.say_size(width, height)}"
            yield says, _with_part(member, replace(part, print=printed))


def _mat_of(member: Member, piece: Piece) -> tuple[Any, int] | None:
    """The part and the place in its stack, where a piece is a whole mat."""
    if piece.role != "mat" or piece.layer is None:
        return None
    part: Any = next(p for p in member.recipe.parts if p.id == piece.part)
    return part, piece.layer - 1


def _with_mat(member: Member, part: Any, k: int, **change: object) -> PagePlan:
    mat = replace(part.mats[k], **change)
    return _with_part(member, replace(part, mats=(*part.mats[:k], mat, *part.mats[k + 1 :])))


def _with_part(member: Member, part: Part) -> PagePlan:
    parts = tuple(part if old.id == part.id else old for old in member.recipe.parts)
    return replace(member.recipe, parts=parts)


def _rechosen(member: Member, piece: Piece, choice: PaperChoice) -> PagePlan:
    part = next(p for p in member.recipe.parts if p.id == piece.part)
    return _with_part(member, rechosen(part, piece.choice, choice))


def rechosen(value: Any, old: PaperChoice, new: PaperChoice) -> Any:
    """A part, or anything in one, with one choice of paper in place of another wherever it stands."""
    if value == old:
        return new
    if isinstance(value, tuple):
        return tuple(rechosen(one, old, new) for one in value)
    if dataclasses.is_dataclass(value) and not isinstance(value, (type, PaperChoice, Length)):
        fields = {f.name: rechosen(getattr(value, f.name), old, new) for f in dataclasses.fields(value)}
        return replace(value, **fields)
    return value


@dataclass(frozen=True, slots=True)
class PaperLeft:
    """A paper that pages use: sheets there are for it, sheets they open."""

    paper: str
    name: str
    there: int
    opened: int


@dataclass(frozen=True, slots=True)
class Short:
    """A piece of a page that no sheet is left for."""

    piece: str
    page: str
    page_name: str
    sentence: str


def papers_left(members: Sequence[Member], settled: Settled) -> list[PaperLeft]:
    """The papers that pages use, with the sheets that are kept back for one of them counted as the paper's."""
    papers = {p.id: p for m in members for p in m.ground.shelf.papers.values()}
    there: dict[str, int] = {}
    for paper in papers.values():
        if not paper.is_scrap:
            of = paper.scrap_of or paper.id
            there[of] = there.get(of, 0) + paper.count
    opened: dict[str, int] = {}
    for sheet in settled.plan.sheets:
        if not papers[sheet.sheet].is_scrap:
            of = papers[sheet.sheet].scrap_of or sheet.sheet
            opened[of] = opened.get(of, 0) + 1
    wanted = {p.choice.paper for m in members for p in m.pieces if p.is_paper}
    return [PaperLeft(id, papers[id].name, count, opened.get(id, 0)) for id, count in there.items() if id in wanted]


def short(members: Sequence[Member], settled: Settled) -> list[Short]:
    """What no sheet is left for, page by page."""
    pieces = {p.id: p for p in settled.pieces}
    lost = {u.piece for u in settled.plan.unplaced}
    found = []
    for member in members:
        own = [p for id, p in pieces.items() if id in lost and id.startswith(f"{member.id}/")]
        ids = {p.id for p in own}
        only = replace(settled.plan, unplaced=tuple(u for u in settled.plan.unplaced if u.piece in ids))
        for one in lacking(only, own, member.ground.shelf, member.ground.ruler):
            found.append(Short(one.piece, member.id, member.recipe.name, one.sentence))
    return found
