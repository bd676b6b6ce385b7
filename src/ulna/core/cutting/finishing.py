"""What is done to a piece once it is a rectangle of its size: openings, mitres, corners, outlines, tears.

Everything here is in the frame of the piece as it lies on the page, its good side up: from its own top left corner.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from ulna.core.cutting.cut_list import CutPiece
from ulna.core.cutting.steps import Finishing, Line, Open, Round, Shape, Slant, Tear
from ulna.core.geometry import polygons
from ulna.core.geometry.figures import Hole
from ulna.core.geometry.polygons import Point, Polygon
from ulna.core.measure import ZERO, Length, Ruler, inches, length_of
from ulna.core.paper.punches import Punch
from ulna.core.parts.pieces import Piece

MOST_LINES = 8
"""Of more straight lines nobody sets a ruler to each: the outline is traced."""

PUNCHED = inches(0, 3, 8)
"""Round holes up to this are made with a hole punch."""


def finishing(
    piece: Piece,
    cut: CutPiece,
    made_of_it: Sequence[Piece],
    taken: Sequence[CutPiece],
    ruler: Ruler,
    punches: Sequence[Punch],
) -> Iterator[Finishing]:
    """The steps that make a cut rectangle the piece that is drawn, keys and numbers not given yet; `taken` are the
    pieces on the list that are `made_of_it`."""
    off_x, off_y = piece.rect.x - piece.uncut.x, piece.rect.y - piece.uncut.y
    for hole in piece.holes[piece.brought :]:
        here = hole.moved(-off_x, -off_y)
        if cut.panel is not None and here.is_straight and cut.on_sheet(here.at) == cut.panel:
            continue  # the knife takes that panel out on the sheet
        yield Open("", 0, cut.rect, cut.number, here, is_punched(here, punches))
    if piece.outline and not piece.comes_shaped:
        line = polygons.moved(in_its_box(piece), *shift(piece, made_of_it))
        yield _outlined(piece, cut, line, tuple(one.number for one in taken), ruler, punches)


def in_its_box(piece: Piece) -> Polygon:
    """The outline of a piece from the corner of the rectangle that it is cut from, as it is drawn."""
    r, u = piece.rect, piece.uncut
    return polygons.moved(piece.outline, (u.x - r.x).inches, (u.y - r.y).inches)


def shift(piece: Piece, made_of_it: Sequence[Piece]) -> tuple[float, float]:
    """By how much a piece's outline, and what is made of it, is moved to lie in its rectangle, in inches: what is laid
    by its neighbours may stick out by up to half a mark where it is drawn."""
    corners = (*in_its_box(piece), *(p for one in made_of_it if one.leftover for p in one.leftover.within))
    x1, y1, x2, y2 = polygons.bounds(corners)
    return _into(x1, x2, piece.rect.width.inches), _into(y1, y2, piece.rect.height.inches)


def _into(low: float, high: float, room: float) -> float:
    if low < -1e-6:
        return -low
    return room - high if high > room + 1e-6 else 0.0


def is_punched(hole: Hole, punches: Sequence[Punch]) -> bool:
    """Small round holes, and what a punch one owns is made for."""
    if hole.clipped or hole.width != hole.height:
        return False
    small = hole.figure == "circle" and hole.width <= PUNCHED
    return small or any(p.figure == hole.figure and p.size == hole.width for p in punches)


def _outlined(
    piece: Piece, cut: CutPiece, line: Polygon, gives: tuple[int, ...], ruler: Ruler, punches: Sequence[Punch]
) -> Finishing:
    width, height = piece.rect.width, piece.rect.height
    if piece.torn:
        return Tear("", 0, cut.rect, cut.number, piece.torn, line, piece.core)
    if piece.figure == "rounded" and piece.cut > ZERO:
        return Round("", 0, cut.rect, cut.number, min(piece.cut, width.part(1, 2), height.part(1, 2)), line)
    punched = not gives and width == height and any(p.figure == piece.figure and p.size == width for p in punches)
    if not punched and (lines := slants(line, width, height, ruler)):
        return Slant("", 0, cut.rect, cut.number, lines, line, gives)
    return Shape("", 0, cut.rect, cut.number, piece.figure, line, punched, gives)


def slants(outline: Polygon, width: Length, height: Length, ruler: Ruler) -> tuple[Line, ...]:
    """The straight cuts that make an outline of a rectangle; none where one of its corners is on no mark, or where
    there are too many of them."""
    w, h = width.inches, height.inches
    lines = list[Line]()
    for k, (x2, y2) in enumerate(outline):
        x1, y1 = outline[k - 1]
        if _on_edge((x1, y1), (x2, y2), w, h) or (_same(x1, x2) and _same(y1, y2)):
            continue
        ends = [_exact(v, room, ruler) for v, room in ((x1, width), (y1, height), (x2, width), (y2, height))]
        if None in ends or len(lines) == MOST_LINES:
            return ()
        lines.append(Line(*(end for end in ends if end is not None)))
    return tuple(lines)


def cut_lines(outline: Polygon, width: Length, height: Length) -> list[list[Point]]:
    """What of an outline is really cut or torn, as lines in inches: its edges that are none of the rectangle's own."""
    w, h, lines = width.inches, height.inches, list[list[Point]]()
    for k, here in enumerate(outline):
        before = outline[k - 1]
        if _on_edge(before, here, w, h):
            continue
        if lines and lines[-1][-1] == before:
            lines[-1].append(here)
        else:
            lines.append([before, here])
    if len(lines) > 1 and lines[-1][-1] == lines[0][0]:  # the line on which the outline began
        lines[0] = [*lines.pop(), *lines[0][1:]]
    return lines


def _on_edge(one: Point, other: Point, w: float, h: float) -> bool:
    """Whether a line runs along an edge of the rectangle."""
    (x1, y1), (x2, y2) = one, other
    return (
        (_same(x1, 0) and _same(x2, 0))
        or (_same(x1, w) and _same(x2, w))
        or (_same(y1, 0) and _same(y2, 0))
        or (_same(y1, h) and _same(y2, h))
    )


def _same(one: float, other: float) -> bool:
    return abs(one - other) < 1e-6


def _exact(value: float, room: Length, ruler: Ruler) -> Length | None:
    """The length of a drawn distance where it is on a mark, or at the far edge."""
    found = length_of(value)
    near = room if abs(found.units - room.units) <= 2 else ruler.round(found)
    return near if abs(near.units - found.units) <= 2 else None
