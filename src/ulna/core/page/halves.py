"""What the gutter makes of a piece that lies across it: two halves, each with what it has of the whole."""

from __future__ import annotations

from dataclasses import replace
from typing import Literal

from ulna.core.geometry import polygons
from ulna.core.geometry.polygons import Polygon
from ulna.core.geometry.rects import Borders, Rect
from ulna.core.measure import Length, Ruler
from ulna.core.paper.shelf import Edge
from ulna.core.parts.mats import gut_in
from ulna.core.parts.pieces import Ground, Leftover, Piece, TornEdge
from ulna.core.photos.prints import outline_of

HalfSide = Literal["left", "right"]


def halved(piece: Piece, ground: Ground) -> list[Piece]:
    """The piece itself, or the two that the gutter makes of it."""
    gutter = ground.format.gutter
    if gutter is None:
        return [piece]
    if piece.angle or (piece.outline and not piece.torn and not piece.comes_shaped):
        return _parted(piece, gutter, ground.ruler)
    if not piece.rect.x < gutter < piece.rect.right:
        return [piece]
    left, right = piece.rect.split(gutter)
    if piece.print is not None and (line := outline_of(piece.print)):
        x1, _, x2, _ = polygons.bounds(line)
        if not x1 < (gutter - piece.uncut.x).inches < x2:
            return [piece]  # the shape that it is cut to lies on one side
    if piece.outline:
        left_edge, _, right_edge, _ = polygons.bounds(piece.seen)
        if not left_edge < gutter.inches < right_edge:
            return [piece]  # what would reach over is torn off
        return [
            _half(piece, "left", left, outline=_beside(piece, left)),
            _half(piece, "right", right, outline=_beside(piece, right)),
        ]
    return [_half(piece, "left", left, gut_in(piece, left)), _half(piece, "right", right, gut_in(piece, right))]


def _half(piece: Piece, side: HalfSide, rect: Rect, gut: Borders | None = None, outline: Polygon = ()) -> Piece:
    pin = piece.pin
    if pin is not None:
        pin = Rect(pin.x + rect.x - piece.rect.x, pin.y + rect.y - piece.rect.y, rect.width, rect.height)
    inner = Edge.RIGHT if side == "left" else Edge.LEFT
    own = rect.moved(-piece.uncut.x, -piece.uncut.y)
    return replace(
        piece,
        id=f"{piece.id}-{side}",
        whole=piece.id,
        name=f"{piece.name}, {side} half",
        rect=rect,
        gut=gut,
        half=side,
        outline=outline,
        figure="",
        torn=tuple(_torn_in(one, piece.rect, rect) for one in piece.torn if one.edge is not inner),
        holes=tuple(hole.within(own) for hole in piece.holes if own.meets(hole.at)),
        pin=pin,
    )


def _torn_in(edge: TornEdge, whole: Rect, half: Rect) -> TornEdge:
    """What a half has of a torn edge: of one that runs across, the part that lies in it."""
    if edge.edge in (Edge.LEFT, Edge.RIGHT):
        return edge
    shares = ((x - whole.x).units / whole.width.units for x in (half.x, half.right))
    begins, ends = shares
    return replace(edge, begins=begins, ends=ends)


def _beside(piece: Piece, half: Rect) -> Polygon:
    """What of an upright outline lies in a half of its piece."""
    x = (half.x - piece.uncut.x).inches
    return polygons.cut(polygons.cut(piece.outline, 1, 0, x + half.width.inches), -1, 0, -x)


def _parted(piece: Piece, gutter: Length, ruler: Ruler) -> list[Piece]:
    """A piece that is no upright rectangle: each half is cut from the box that just holds what is seen of it."""
    seen = _seen_of(piece)
    left, _, right, _ = polygons.bounds(seen)
    if not left + polygons.NEGLIGIBLE < gutter.inches < right - polygons.NEGLIGIBLE:
        return [piece]
    u = piece.uncut
    x, y, w, h = u.x.inches, u.y.inches, u.width.inches, u.height.inches
    if piece.angle and (piece.pin is not None or piece.role == "print"):
        return _cut_through(piece, gutter)
    found = []
    sides: tuple[HalfSide, HalfSide] = ("left", "right")
    for side, half in zip(sides, polygons.halves(seen, gutter.inches), strict=True):
        if not half:
            continue
        own = polygons.moved(polygons.turned(half, -piece.angle, (x + w / 2, y + h / 2)), -x, -y)
        x1, y1, x2, y2 = polygons.bounds(own)
        low_x, low_y = ruler.down(x1), ruler.down(y1)
        rect = Rect(u.x + low_x, u.y + low_y, ruler.up(x2) - low_x, ruler.up(y2) - low_y)
        if not piece.angle:  # it ends where the gutter is, though that may lie between two marks of its own
            rect = _to_gutter(rect, side, gutter)
        if (
            piece.pin is not None
        ):  # nothing but the card is printed there, and a figure between marks may reach beyond
            rect = rect.common(piece.rect)
            there = rect.moved(-u.x, -u.y)
            room = polygons.box(there.x.inches, there.y.inches, there.width.inches, there.height.inches)
            own = polygons.clipped(own, room)
        found.append(_half(piece, side, rect, outline=own))
    return found if len(found) == 2 else [piece]


def _seen_of(piece: Piece) -> Polygon:
    """Where a piece is seen; of a print the shape that it is cut to."""
    line = outline_of(piece.print) if piece.role == "print" and piece.print is not None else ()
    return replace(piece, outline=line).seen if line else piece.seen


def _cut_through(piece: Piece, gutter: Length) -> list[Piece]:
    """Halves of what there is only once, at an angle: the boxes that hold them would overlap. It is cut out whole, then
    along the line of the gutter; the right half is what falls off the left one."""
    u = piece.uncut
    x, y, w, h = u.x.inches, u.y.inches, u.width.inches, u.height.inches
    both = [
        polygons.moved(polygons.turned(half, -piece.angle, (x + w / 2, y + h / 2)), -x, -y)
        for half in polygons.halves(_seen_of(piece), gutter.inches)
    ]
    if not all(both):
        return [piece]  # a corner that only just reaches over
    sides: tuple[HalfSide, HalfSide] = ("left", "right")
    left, right = (
        replace(_half(piece, side, piece.rect, outline=own), holes=piece.holes, comes_shaped=False)
        for side, own in zip(sides, both, strict=True)
    )
    return [left, replace(right, pin=None, leftover=Leftover(left.id, right.outline))]


def _to_gutter(rect: Rect, side: HalfSide, gutter: Length) -> Rect:
    if side == "left":
        return Rect(rect.x, rect.y, gutter - rect.x, rect.height)
    return Rect(gutter, rect.y, rect.right - gutter, rect.height)
