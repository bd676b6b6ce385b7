"""From the pieces of a page and the shelf to what the planner is asked, counted in 1/914400 in.

A directional side does not turn: its pieces keep their way on the sheet, or lie a quarter turned where the page
has the paper so. Sheets are seen from their A side, so a piece that shows B is asked as its mirror image.
"""

from __future__ import annotations

from collections.abc import Iterable

from ulna.core.cutting import blocks_in_phase
from ulna.core.geometry.figures import inner_box
from ulna.core.geometry.rects import Borders, Rect
from ulna.core.measure import ZERO
from ulna.core.paper.shelf import Direction, Paper, Shelf
from ulna.core.parts.pieces import Piece as PagePiece
from ulna.core.planner.request import Area, CutRequest, Piece, Pin, Reserve, Rims, Sheet


def demand(pieces: Iterable[PagePiece], shelf: Shelf) -> CutRequest:
    """What cutting these pieces asks of the shelf. Passed over are prints, pieces without a paper on it, and those
    that are made of what falls off another one. Strips in phase are asked as one block."""
    pieces = list(pieces)
    strips = blocks_in_phase.blocks(pieces, shelf)
    in_block = {piece.id: block for block in strips for piece in block.pieces}
    asked: list[Piece] = []
    wanted: dict[str, Paper] = {}
    taken_whole = {p.choice.paper for p in pieces if p.as_it_is}
    asked_for = set[str]()
    for piece in pieces:
        paper = shelf.papers.get(piece.choice.paper or "")
        if not piece.is_paper or piece.leftover is not None or paper is None:
            continue
        block = in_block.get(piece.id)
        # What is printed or torn at one place of its sheet is cut from that sheet alone: a scrap may have lost it.
        placed = piece.pin is not None or (block is not None and not block.alone)
        ids = [paper.id] if placed else shelf.sources(paper.id)
        # A sheet that is wanted as it is, holes and all, serves nothing else: its holes are not asked of the planner.
        ids = [id for id in ids if piece.as_it_is or id not in taken_whole]
        there = [source for source in map(shelf.paper, ids) if source.count > 0]
        wanted |= {source.id: source for source in there}
        sources = frozenset(source.id for source in there)
        if block is None:
            asked.append(_piece(piece, paper, sources))
        elif block.id not in asked_for:
            asked_for.add(block.id)
            asked.append(_block(block, paper, sources))
    return CutRequest(tuple(_sheet(paper, paper.id in taken_whole) for paper in wanted.values()), tuple(asked))


def _sheet(paper: Paper, taken_whole: bool) -> Sheet:
    """A sheet with what is missing of it as boxes. One that is used as it is, hole and all, is asked whole."""
    reserve = Reserve(paper.strip.edge.value, paper.strip.depth.units) if paper.strip else None
    holes = () if taken_whole else tuple(_area(at) for at in missing(paper))
    if taken_whole:
        reserve = None
    return Sheet(paper.id, paper.width.units, paper.height.units, paper.count, paper.is_scrap, reserve, holes)


def missing(paper: Paper) -> list[Rect]:
    """The boxes of a sheet that nothing can be cut from: its holes, and what is beside the largest rectangle in a scrap
    that is no rectangle."""
    holes = [_on_sheet(hole.at, paper) for hole in paper.holes]
    if paper.inside is None:
        return holes
    whole = Rect(ZERO, ZERO, paper.width, paper.height)
    inner = inner_box(paper.inside.within(whole).outline)
    return [*holes, *(whole.without(inner) if inner is not None else [whole])]


def _on_sheet(at: Rect, paper: Paper) -> Rect:
    """A hole as far as it is on the sheet."""
    return Rect(ZERO, ZERO, paper.width, paper.height).common(at)


def _area(at: Rect) -> Area:
    return Area(at.x.units, at.y.units, at.width.units, at.height.units)


def _block(block: blocks_in_phase.Strips, paper: Paper, sources: frozenset[str]) -> Piece:
    width, height = block.width.units, block.height.units
    room = paper.usable
    if block.alone or not sources or width > room.width.units or height > room.height.units:
        return Piece(block.id, width, height, sources)
    # Blocks of several sheets begin at the same stripe: at the left of the sheet as it is seen from their side.
    x = room.x if block.choice.side == "A" else room.right - block.width
    return Piece(block.id, width, height, sources, pin=Pin(paper.id, x.units, room.y.units))


def _piece(piece: PagePiece, paper: Paper, sources: frozenset[str]) -> Piece:
    if piece.pin is not None and sources:
        at = piece.pin
        # Cards are placed as seen from their side; sheets are asked for as seen from A.
        x = at.x if piece.choice.side == "A" else paper.width - at.right
        pin = Pin(paper.id, x.units, at.y.units)
        return Piece(piece.id, at.width.units, at.height.units, sources, pin=pin)
    width, height, rims = piece.rect.width.units, piece.rect.height.units, piece.gut
    if lies_turned(piece, paper):
        # The paper lies a quarter turned clockwise on the page: what is left on its sheet is above on the page.
        width, height = height, width
        rims = Borders(rims.top, rims.right, rims.bottom, rims.left) if rims is not None else None
    if piece.choice.side == "B" and rims is not None:
        rims = Borders(rims.right, rims.top, rims.left, rims.bottom)
    free = paper.face(piece.choice.side).direction is Direction.NONE
    gut = Rims(rims.left.units, rims.top.units, rims.right.units, rims.bottom.units) if rims is not None else None
    return Piece(piece.id, width, height, sources, turn=free, gut=gut)


def lies_turned(piece: PagePiece, paper: Paper) -> bool:
    """Whether its paper lies a quarter turned on the page, which only matters where the paper has a direction."""
    free = paper.face(piece.choice.side).direction is Direction.NONE
    return piece.choice.turned and not free and piece.pin is None
