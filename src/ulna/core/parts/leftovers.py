"""Tiles that the edge of their region trims: what falls off one may be another.

⬡|   |⬡    the right half of a tile trimmed at the left edge, the left half of one at the right edge: both come
           out of one tile. Halves are matched with gaps before new tiles are cut.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace

from ulna.core.findings import Finding
from ulna.core.geometry import polygons
from ulna.core.geometry.lattice import Tile, TileShape
from ulna.core.geometry.polygons import Polygon
from ulna.core.geometry.rects import Rect
from ulna.core.measure import Ruler
from ulna.core.paper.shelf import Direction
from ulna.core.parts.pieces import Ground, Leftover, PaperChoice, Piece

STEP = {"hexagon": 60, "hexagon flat up": 60, "triangle": 60, "square": 90, "circle": 90}
"""The least turn in degrees that lays a tile on another one; a triangle that points up on one that points down."""


def box_of(seen: Polygon, ruler: Ruler) -> Rect:
    """The box on marks from which an outline is cut by hand."""
    left, top, right, bottom = polygons.bounds(seen)
    width, height = max(ruler.mark, ruler.up(right - left)), max(ruler.mark, ruler.up(bottom - top))
    return Rect(ruler.near(left), ruler.near(top), width, height)


def matched(
    part: str, shape: TileShape, pieces: Sequence[Piece], trimmed: Mapping[str, Tile], ground: Ground
) -> tuple[list[Piece], list[Finding]]:
    """The pieces once halves are matched, the largest first: the first of two is cut as a whole tile, the other one
    is its `leftover`. `trimmed` has the whole tile of each piece that the edge cuts."""
    waiting = sorted((p for p in pieces if p.id in trimmed), key=lambda p: (-polygons.area(p.seen), p.id))
    giver_of, taker_of, turned_by = dict[str, Piece](), dict[str, Piece](), dict[str, int]()
    for k, giver in enumerate(waiting):
        if giver.id in giver_of:
            continue
        whole = trimmed[giver.id]
        kept, turns = _centred(giver.seen, whole), _turns(shape, giver.choice, ground)
        room = polygons.area(whole.outline) - polygons.area(kept)
        for other in waiting[k + 1 :]:
            if other.id in giver_of or other.choice != giver.choice or polygons.area(other.seen) > room + 1e-6:
                continue
            turn = _falls_off(kept, whole, other.seen, trimmed[other.id], turns)
            if turn is not None:
                giver_of[other.id], taker_of[giver.id], turned_by[other.id] = giver, other, turn
                break
    if not giver_of:
        return list(pieces), []
    found = [
        _taken(piece, giver_of[piece.id], trimmed, turned_by[piece.id], ground.ruler)
        if piece.id in giver_of
        else _given(piece, trimmed[piece.id], ground.ruler)
        if piece.id in taker_of
        else piece
        for piece in pieces
    ]
    n = len(giver_of)
    told = "One of the trimmed tiles is" if n == 1 else f"{n} of the trimmed tiles are"
    told += " cut from what falls off another one: the cut list asks for no paper for "
    return found, [Finding("halves", "note", part, told + ("it." if n == 1 else "them."))]


def _given(piece: Piece, tile: Tile, ruler: Ruler) -> Piece:
    """A tile that is cut whole, from the box of all of it."""
    at = box_of(tile.outline, ruler)
    return replace(piece, rect=at, uncut=at, outline=polygons.moved(piece.seen, -at.x.inches, -at.y.inches))


def _taken(piece: Piece, giver: Piece, trimmed: Mapping[str, Tile], turn: int, ruler: Ruler) -> Piece:
    """A tile that is made of what falls off another one: where it lies in the box that that one is cut from."""
    tile, box = trimmed[giver.id], box_of(trimmed[giver.id].outline, ruler)
    left, top, right, bottom = polygons.bounds(tile.outline)
    dx, dy = (left + right) / 2 - box.x.inches, (top + bottom) / 2 - box.y.inches
    within = polygons.moved(polygons.turned(_centred(piece.seen, trimmed[piece.id]), turn), dx, dy)
    return replace(piece, leftover=Leftover(giver.id, within, turn))


def alone(piece: Piece, ruler: Ruler) -> Piece:
    """A tile that was to be cut whole for the sake of another one, from its own box again."""
    at = box_of(piece.seen, ruler)
    return replace(piece, rect=at, uncut=at, outline=polygons.moved(piece.seen, -at.x.inches, -at.y.inches))


def _centred(seen: Polygon, tile: Tile) -> Polygon:
    left, top, right, bottom = polygons.bounds(tile.outline)
    return polygons.moved(seen, -(left + right) / 2, -(top + bottom) / 2)


def _falls_off(kept: Polygon, whole: Tile, seen: Polygon, of: Tile, turns: range) -> int | None:
    """By how many degrees what is seen of another tile, turned as the paper allows, lies in what is left of the whole
    one; None where it does not.

    Tiles are convex, and so is what a straight edge leaves of them.
    """
    half = _centred(seen, of)
    outline, other = (_centred(t.outline, t) for t in (whole, of))
    for turn in turns:
        if not _same(polygons.turned(other, turn), outline):
            continue
        if polygons.area(polygons.clipped(polygons.turned(half, turn), kept)) < 1e-4:
            return turn
    return None


def _same(one: Polygon, two: Polygon) -> bool:
    return polygons.area(polygons.clipped(one, two)) > polygons.area(two) - 1e-4


def _turns(shape: TileShape, choice: PaperChoice, ground: Ground) -> range:
    """One-way paper stays as it is, two-way paper may stand on its head, any other is turned as the tile allows."""
    paper = ground.shelf.papers.get(choice.paper or "")
    direction = paper.face(choice.side).direction if paper else Direction.NONE
    if direction is Direction.NONE:
        return range(0, 360, STEP[shape])
    return range(0, 360, 180) if direction is Direction.TWO_WAY else range(1)
