"""What of a cut list a cutting machine may cut: pieces with an outline or an opening, nested on scraps first.

A sheet that it has cut is a sheet of the list like any other, with one step. Nothing of the other pieces changes; what
is still to be cut by hand is planned again from what is left then.
"""

from __future__ import annotations

from collections.abc import Collection, Iterator, Sequence
from dataclasses import dataclass, replace

from ulna.core.cutting import nesting
from ulna.core.cutting.cut_list import CutList, CutPiece, CutSheet
from ulna.core.cutting.nesting import Bed, Cells, Laid, Traced
from ulna.core.cutting.progress import given, named_rests
from ulna.core.cutting.steps import Open, Round, Shape, Slant, Tear, Trace, is_finishing, numbered
from ulna.core.geometry import polygons
from ulna.core.geometry.polygons import Polygon, box
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, Unit
from ulna.core.paper.shelf import Direction, Paper, Shelf, seen_from
from ulna.core.parts.beginning import MARK


@dataclass(frozen=True, slots=True)
class Machine:
    """The bed of a cutting machine, and how near to a sheet's edges it cuts."""

    width: Length
    height: Length
    margin: Length


@dataclass(frozen=True, slots=True)
class Wanted:
    """A piece of a list that the machine may cut: from which paper, its outline as it lies on the page, and by how many
    quarters it may be turned on the sheet."""

    piece: CutPiece
    paper: str
    shape: Traced
    quarters: tuple[int, ...]


def wanted(cuts: CutList, ticked: Collection[str], shelf: Shelf) -> Iterator[Wanted]:
    """Those that are not cut yet. Passed over are what is torn, made of what falls off another, printed at one place of
    its sheet, and prints."""
    for sheet in cuts.sheets:
        paper = shelf.papers.get(sheet.of_paper)
        if sheet.print or paper is None:
            continue
        free = {p.number for p in given(sheet, ticked)}
        for piece in sheet.pieces:
            mine = [s for s in sheet.steps if is_finishing(s) and s.piece == piece.number]  # type: ignore[union-attr]
            shared = piece.of or any(other.of == piece.number for other in sheet.pieces)
            if not mine or shared or piece.number in free or any(isinstance(s, Tear) for s in mine):
                continue
            outer = next((s.outline for s in mine if isinstance(s, Shape | Slant | Round)), None)
            width, height = (side.inches for side in piece.lies)
            shape = Traced(
                outer or box(0, 0, width, height), tuple(s.hole.outline for s in mine if isinstance(s, Open))
            )
            yield Wanted(piece, paper.id, shape, _quarters(piece, paper))


def _quarters(piece: CutPiece, paper: Paper) -> tuple[int, ...]:
    """By how many quarters a piece may be turned: any where the paper has no direction, by two where it runs both
    ways, not at all where it has one way. The machine's sheet lies with the piece's side up."""
    direction = paper.face(piece.side).direction
    if direction is Direction.NONE:
        return (0, 1, 2, 3)
    own = piece.quarters % 4
    return (own, (own + 2) % 4) if direction is Direction.TWO_WAY else (own,)


@dataclass(frozen=True, slots=True)
class Nest:
    """Sheets as the machine would cut them, and the names of pieces that find no room on what is there."""

    sheets: tuple[CutSheet, ...]
    left: tuple[str, ...]


def nest(asked: Sequence[Wanted], shelf: Shelf, machine: Machine, unit: Unit, first: int, least: Length) -> Nest:
    """The pieces nested by paper and side; their numbers begin at `first`. Rests narrower than `least` are waste."""
    mark = MARK[Unit.INCH if unit is Unit.INCH else Unit.MM]
    sheets, left = list[CutSheet](), list[str]()
    for paper, side in dict.fromkeys((one.paper, one.piece.side) for one in asked):
        mine = [one for one in asked if (one.paper, one.piece.side) == (paper, side)]
        sources = _sources(shelf, paper, len(mine))
        ways = [[nesting.covered(_turned(one, quarters), mark.inches) for quarters in one.quarters] for one in mine]
        beds = [_bed(source, mine[0].piece, machine, mark) for source in sources]
        found, none = nesting.nested(ways, beds)
        left += [mine[k].piece.name for k in none]
        for source, bed, laid in zip(sources, beds, found, strict=True):
            if laid:
                number = first + sum(len(sheet.pieces) for sheet in sheets)
                sheets.append(_sheet(source, bed, laid, mine, number, mark, least))
    return Nest(tuple(sheets), tuple(left))


def _sources(shelf: Shelf, paper: str, many: int) -> list[Paper]:
    """Scraps first, the smallest first, then whole sheets, never more than there are pieces."""
    there = [shelf.paper(id) for id in shelf.sources(paper)]
    scraps = sorted(
        (one for one in there if one.is_scrap and one.count),
        key=lambda one: (one.width.units * one.height.units, one.id),
    )
    whole = [one for one in there if not one.is_scrap for _ in range(min(many, one.count))]
    return [*scraps, *whole]


def _turned(one: Wanted, quarters: int) -> Traced:
    """As it lies on the sheet, from the corner of its box there."""
    lying = _lying(one.piece, quarters, ZERO, ZERO)
    return Traced(lying.outline_on_sheet(one.shape.outline), tuple(map(lying.outline_on_sheet, one.shape.openings)))


def _lying(piece: CutPiece, quarters: int, x: Length, y: Length) -> CutPiece:
    width, height = piece.lies
    if quarters % 2:
        width, height = height, width
    return replace(piece, rect=Rect(x, y, width, height), quarters=quarters, over=False, panel=None)


def _bed(paper: Paper, piece: CutPiece, machine: Machine, mark: Length) -> Bed:
    width, height, cell = paper.width.inches, paper.height.inches, mark.inches
    usable = paper.strip.seen_from(piece.side).leaves(paper.width, paper.height) if paper.strip else None
    inside: Polygon = box(0, 0, width, height)
    if paper.inside is not None:
        inside = seen_from(paper.inside, paper.width, piece.side).outline
    holes = [seen_from(hole, paper.width, piece.side).outline for hole in paper.holes]
    blocked = list[Cells](nesting.beside(width, height, inside, holes, machine.margin.inches, cell))
    on_bed = Rect(ZERO, ZERO, min(paper.width, machine.width), min(paper.height, machine.height))
    for kept in (on_bed, usable):
        if kept is not None:
            at = box(kept.x.inches, kept.y.inches, kept.width.inches, kept.height.inches)
            blocked += nesting.beside(width, height, at, (), 0.0, cell)
    return Bed(int(width / cell + 1e-6), int(height / cell + 1e-6), blocked)


def _sheet(
    paper: Paper, bed: Bed, laid: Sequence[Laid], asked: Sequence[Wanted], number: int, mark: Length, least: Length
) -> CutSheet:
    pieces, lines, openings = list[CutPiece](), list[Polygon](), list[tuple[Polygon, ...]]()
    for k, at in enumerate(laid):
        one = asked[at.piece]
        piece = replace(_lying(one.piece, one.quarters[at.way], mark * at.x, mark * at.y), number=number + k)
        pieces.append(piece)
        lines.append(piece.outline_on_sheet(one.shape.outline))
        openings.append(tuple(map(piece.outline_on_sheet, one.shape.openings)))
    side, key = pieces[0].side, f"{paper.id}#1"
    whole = Rect(ZERO, ZERO, paper.width, paper.height)
    cells = max(1, -(-least.units // mark.units))
    free = tuple(Rect(mark * x, mark * y, mark * w, mark * h) for x, y, w, h in bed.free(cells))
    step = Trace("", 0, whole, tuple(piece.number for piece in pieces), tuple(lines), tuple(openings), free)
    bare = CutSheet(
        key, paper.id, paper.scrap_of or paper.id, 1, paper.is_scrap, side, paper.width, paper.height,
        paper.strip.seen_from(side) if paper.strip else None, tuple(pieces), (), numbered([step], key),
        paper_name=paper.name, holes=tuple(seen_from(hole, paper.width, side) for hole in paper.holes),
        inside=seen_from(paper.inside, paper.width, side) if paper.inside else None,
    )  # fmt: skip
    return replace(bare, rests=named_rests(bare, {one.key for one in bare.steps}, least))


def came_out(sheet: CutSheet, spoilt: Collection[int], uncut: Collection[int]) -> CutSheet:
    """A sheet as the machine has really cut it: what it spoiled is waste, and so is the paper of what it has not cut,
    which is on the list no more."""
    step = next(s for s in sheet.steps if isinstance(s, Trace))
    kept = [k for k, number in enumerate(step.gives) if number not in uncut]
    gives = tuple(step.gives[k] for k in kept)
    pieces = tuple(
        replace(p, fate="spoiled") if p.number in spoilt else p for p in sheet.pieces if p.number in gives
    )
    now = replace(
        step, gives=gives, outlines=tuple(step.outlines[k] for k in kept),
        openings=tuple(step.openings[k] for k in kept),
    )  # fmt: skip
    return replace(sheet, pieces=pieces, steps=(now,))


def renumbered(sheet: CutSheet, first: int) -> CutSheet:
    """Its pieces under other numbers, from `first` on."""
    new = {piece.number: first + k for k, piece in enumerate(sheet.pieces)}
    steps = tuple(replace(s, gives=tuple(new[n] for n in s.gives)) for s in sheet.steps)
    return replace(sheet, pieces=tuple(replace(p, number=new[p.number]) for p in sheet.pieces), steps=steps)


def length(sheet: CutSheet) -> float:
    """How many inches the blade goes along."""
    step = next(s for s in sheet.steps if isinstance(s, Trace))
    every = (*step.outlines, *(hole for holes in step.openings for hole in holes))
    return sum(polygons.length(line) for line in every)
