"""What a hand gets that knows nothing but the published document, held against what is drawn."""

from __future__ import annotations

import json

from tests.blind_hand import Document, Lies, area, corner_for_corner, cut, laid
from tests.core.any_page import QUICK
from ulna.core.cutting.cut_list import CutList
from ulna.core.cutting.demand import demand
from ulna.core.cutting.listing import cut_list
from ulna.core.cutting.placing import placements
from ulna.core.cutting.print_cuts import print_sheets
from ulna.core.geometry import polygons
from ulna.core.measure import inches
from ulna.core.page.evaluate import Evaluated
from ulna.core.paper.shelf import Direction, Shelf
from ulna.core.parts.pieces import Ground, Piece
from ulna.core.photos.prints import outline_of
from ulna.core.planner import plan_cuts
from ulna.formats import cut_document


def document(page: Evaluated, on: Ground, name: str = "any") -> Document:
    """The page's cut list as it is published, read back from its text."""
    plan = plan_cuts(demand(page.pieces, on.shelf), QUICK)
    cuts = cut_list(plan, {p.id: p for p in page.pieces}, on.shelf, on.ruler, 1, on.punches)
    first = 1 + sum(len(sheet.pieces) for sheet in cuts.sheets)
    cuts = CutList((*cuts.sheets, *print_sheets(page.pieces, first, on.ruler, on.punches)))
    placed = placements(page.pieces, cuts, page.format)
    text = cut_document.write(cut_document.document(name, page.format, cuts, placed, on.ruler, inches(0, 1, 2)))
    found: Document = json.loads(text)
    return found


def compared(page: Evaluated, lies: dict[str, Lies], shelf: Shelf) -> list[str]:
    """How what was laid differs from what is drawn."""
    wrong = list[str]()
    for piece in page.pieces:
        one = lies.get(piece.id)
        if one is None:
            continue
        wrong += [f"{piece.id} {piece.name}: {what}" for what in _differs(piece, one, shelf)]
    return wrong


def _differs(piece: Piece, one: Lies, shelf: Shelf) -> list[str]:
    wrong = list[str]()
    drawn = _drawn(piece)
    if not alike(one.outline, drawn):
        wrong.append(f"its outline is another one: {bounds(one.outline)} for {bounds(drawn)}")
    holes = [_on_page(piece, hole.outline) for hole in piece.holes]
    if piece.gut is not None and not any(hole.is_straight for hole in piece.holes):
        g, r, u = piece.gut, piece.rect, piece.uncut
        x, y = (r.x + g.left - u.x).inches, (r.y + g.top - u.y).inches
        inner = _on_page(piece, polygons.box(x, y, (r.width - g.across).inches, (r.height - g.down).inches))
        # A hidden middle that nothing comes out of may stay, and what hangs over is trimmed once it is glued.
        holes += [inner] if any(alike(inner, hole) for hole in one.holes) else []
    if len(holes) != len(one.holes) or not all(any(alike(a, b) for b in one.holes) for a in holes):
        wrong.append(f"its openings are {[bounds(h) for h in one.holes]} for {[bounds(h) for h in holes]}")
    if not piece.is_paper:
        return wrong
    if one.side != piece.choice.side:
        wrong.append(f"side {one.side} shows for {piece.choice.side}")
    paper = shelf.paper(piece.choice.paper or "")
    way = paper.face(piece.choice.side).direction
    wanted = (90 * piece.choice.turned * (piece.pin is None) + piece.angle) % 360
    off = (one.up - wanted) % (180 if way is Direction.TWO_WAY else 360)
    if (
        way is not Direction.NONE
        and min(off, 360 - off, abs(180 - off) if way is Direction.TWO_WAY else off) > 1e-6
    ):
        wrong.append(f"its paper points {one.up:g}° for {wanted:g}°")
    if piece.pin is not None:
        if one.came_from != (piece.pin.x / inches(1), piece.pin.y / inches(1)):
            wrong.append(f"it came from {one.came_from}, and is printed at {piece.pin}")
        if one.up != piece.angle % 360:
            wrong.append("what is printed on it does not stand upright")
    return wrong


def _drawn(piece: Piece) -> polygons.Polygon:
    if (
        piece.role == "print"
        and piece.print is not None
        and not piece.outline
        and (line := outline_of(piece.print))
    ):
        own, r = _on_page(piece, line), piece.rect
        return own if piece.angle else polygons.cut(polygons.cut(own, 1, 0, r.right.inches), -1, 0, -r.x.inches)
    return piece.seen


def _on_page(piece: Piece, outline: polygons.Polygon) -> polygons.Polygon:
    u = piece.uncut
    middle = ((u.x + u.right).inches / 2, (u.y + u.bottom).inches / 2)
    return polygons.turned(polygons.moved(outline, u.x.inches, u.y.inches), piece.angle, middle)


def bounds(outline: polygons.Polygon) -> tuple[float, ...]:
    return tuple(round(v, 4) for v in polygons.bounds(outline))


def alike(one: polygons.Polygon, other: polygons.Polygon) -> bool:
    """The same outline at the same place, whichever corner comes first."""
    if abs(area(one) - area(other)) > 1e-3:
        return False
    near = 2e-4
    if corner_for_corner(one, other, near):
        return True
    return all(
        any(abs(x - a) < near and abs(y - b) < near for a, b in other) or _on_line(x, y, other) for x, y in one
    )


def _on_line(x: float, y: float, outline: polygons.Polygon) -> bool:
    for k, (x2, y2) in enumerate(outline):
        x1, y1 = outline[k - 1]
        long = ((x2 - x1) ** 2 + (y2 - y1) ** 2) ** 0.5
        if long and abs((x2 - x1) * (y - y1) - (y2 - y1) * (x - x1)) / long < 2e-4:
            return True
    return False


def faults(page: Evaluated, on: Ground) -> list[str]:
    """How what the blind hand gets differs from the drawing."""
    told = document(page, on)
    return compared(page, laid(told, cut(told)), on.shelf)
