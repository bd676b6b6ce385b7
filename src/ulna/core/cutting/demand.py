"""From the pieces of a page and the shelf to what the planner is asked, counted in 1/914400 in.

A directional side does not turn: its pieces keep their way on the sheet, or lie a quarter turned where the page
has the paper so. Sheets are seen from their A side, so a piece that shows B is asked as its mirror image.
"""

from __future__ import annotations

from collections.abc import Iterable

from ulna.core.cutting.request import Area, CutRequest, Piece, Pin, Reserve, Rims, Sheet
from ulna.core.geometry import Borders
from ulna.core.pieces import Piece as PagePiece
from ulna.core.shelf import Direction, Paper, Shelf


def demand(pieces: Iterable[PagePiece], shelf: Shelf) -> CutRequest:
    """What cutting these pieces asks of the shelf. Passed over are prints, pieces without a paper on it, and those
    that are made of what falls off another one."""
    asked: list[Piece] = []
    wanted: dict[str, Paper] = {}
    for piece in pieces:
        paper = shelf.papers.get(piece.choice.paper or "")
        if not piece.is_paper or piece.rest_of or paper is None:
            continue
        # A printed card is cut from its own sheet alone: a scrap of it may have lost that place.
        ids = [paper.id] if piece.pin is not None else shelf.sources(paper.id)
        there = [source for source in map(shelf.paper, ids) if source.count > 0]
        wanted |= {source.id: source for source in there}
        asked.append(_piece(piece, paper, frozenset(source.id for source in there)))
    return CutRequest(tuple(_sheet(paper) for paper in wanted.values()), tuple(asked))


def _sheet(paper: Paper) -> Sheet:
    reserve = Reserve(paper.strip.edge.value, paper.strip.depth.units) if paper.strip else None
    holes = tuple(Area(h.x.units, h.y.units, h.width.units, h.height.units) for h in paper.holes)
    return Sheet(paper.id, paper.width.units, paper.height.units, paper.count, paper.is_scrap, reserve, holes)


def _piece(piece: PagePiece, paper: Paper, sources: frozenset[str]) -> Piece:
    if piece.pin is not None and sources:
        at = piece.pin
        # Cards are placed as seen from their side; sheets are asked for as seen from A.
        x = at.x if piece.choice.side == "A" else paper.width - at.right
        pin = Pin(paper.id, x.units, at.y.units)
        return Piece(piece.id, at.width.units, at.height.units, sources, pin=pin)
    width, height, rims = piece.rect.width.units, piece.rect.height.units, piece.gut
    if piece.choice.side == "B" and rims is not None:
        rims = Borders(rims.right, rims.top, rims.left, rims.bottom)
    free = paper.face(piece.choice.side).direction is Direction.NONE
    if piece.choice.turned and not free:
        width, height = height, width
        rims = Borders(rims.bottom, rims.left, rims.top, rims.right) if rims is not None else None
    gut = Rims(rims.left.units, rims.top.units, rims.right.units, rims.bottom.units) if rims is not None else None
    return Piece(piece.id, width, height, sources, turn=free, gut=gut)
