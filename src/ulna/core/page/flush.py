"""Pieces that end with what they lie on: a page that was made a panel is trimmed with all that is on it."""

from __future__ import annotations

from dataclasses import replace

from ulna.core.geometry import polygons
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO
from ulna.core.parts.mats import gut_in
from ulna.core.parts.pieces import Piece
from ulna.core.photos.prints import outline_of


def cut_to(piece: Piece, room: Rect) -> Piece | None:
    """What of a piece lies in a room; nothing where none of it does. A rectangle is cut smaller, anything else along
    what is left of its outline. What `stays_whole` is trimmed once it is glued."""
    if stays_whole(piece):
        return piece
    if piece.outline or piece.angle:
        return _along(piece, room)
    r = piece.rect
    if room.contains(r):
        return piece
    if not room.meets(r):
        return None
    kept = room.common(r)
    off_x, off_y = piece.uncut.x - kept.x, piece.uncut.y - kept.y
    own = kept.moved(-piece.uncut.x, -piece.uncut.y)
    smaller = replace(
        piece,
        rect=kept,
        uncut=kept,
        gut=gut_in(piece, kept),
        holes=tuple(hole.within(own).moved(off_x, off_y) for hole in piece.holes if own.meets(hole.at)),
    )
    if piece.pin is not None:
        at = Rect(piece.pin.x + kept.x - r.x, piece.pin.y + kept.y - r.y, kept.width, kept.height)
        smaller = replace(smaller, pin=at)
    if piece.role == "print":
        printed = piece.printed or Rect(ZERO, ZERO, piece.uncut.width, piece.uncut.height)
        picture = piece.picture and replace(piece.picture, window=piece.picture.window.moved(off_x, off_y))
        smaller = replace(smaller, printed=printed.moved(off_x, off_y), picture=picture)
    return smaller


def stays_whole(piece: Piece) -> bool:
    """Torn edges, and prints that have a shape or an angle: nobody cuts these beforehand."""
    if piece.role == "print":
        return bool(piece.angle) or (piece.print is not None and bool(outline_of(piece.print)))
    return bool(piece.torn)


def _along(piece: Piece, room: Rect) -> Piece | None:
    seen = piece.seen
    box = polygons.box(room.x.inches, room.y.inches, room.width.inches, room.height.inches)
    left = polygons.clipped(seen, box)
    if not left:
        return None
    if polygons.area(left) > polygons.area(seen) - polygons.NEGLIGIBLE:
        return piece
    u = piece.uncut
    x, y, w, h = u.x.inches, u.y.inches, u.width.inches, u.height.inches
    own = polygons.moved(polygons.turned(left, -piece.angle, (x + w / 2, y + h / 2)), -x, -y)
    # A half of what there is once falls off the other half, and does so as it is cut now.
    fallen = piece.leftover and (replace(piece.leftover, within=own) if piece.half else piece.leftover)
    return replace(piece, outline=own, figure="", comes_shaped=False, leftover=fallen)
