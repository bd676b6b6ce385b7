"""Pieces that end with what they lie on: a page that was made a panel is trimmed with all that is on it."""

from __future__ import annotations

from dataclasses import replace

from ulna.core.geometry import polygons
from ulna.core.geometry.rects import Borders, Rect
from ulna.core.measure import ZERO, Ruler
from ulna.core.parts import leftovers
from ulna.core.parts.kinds import Part, is_placed
from ulna.core.parts.mats import gut_in
from ulna.core.parts.pieces import Piece
from ulna.core.parts.trimmed import trimming
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


def is_flush(part: Part) -> bool:
    """Whether it is trimmed with the part that it lies on."""
    return is_placed(part) and part.place.flush and part.place.base is not None


def apart(pieces: tuple[Piece, ...]) -> set[str]:
    """Pieces whose pair the gutter has parted: either of the two is a half now, and not of the other one."""
    by_id = {piece.id: piece for piece in pieces}
    whole = {piece.id for piece in pieces if piece.half is None}
    return {
        p.id
        for p in pieces
        if p.leftover
        and not {p.base_id, p.leftover.of} <= whole
        and not ((of := by_id.get(p.leftover.of)) is not None and p.whole == of.whole != "")
    }


def cut_apart(pieces: tuple[Piece, ...], room: Rect) -> set[str]:
    """Pieces that are not what falls off another one any more once all end where their room ends."""
    kept = {piece.id: cut_to(piece, room) for piece in pieces}
    return {
        p.id
        for p in pieces
        if p.leftover and (kept.get(p.leftover.of) is None or (kept[p.id] is not p and not p.half))
    }


def unmatched(pieces: tuple[Piece, ...], parted: set[str], ruler: Ruler) -> tuple[Piece, ...]:
    """What was made of another piece's leftover is cut on its own where it stands `apart`, and so is the other one."""
    if not parted:
        return pieces
    by_id = {piece.id: piece for piece in pieces}
    givers = {p.leftover.of for p in pieces if p.leftover and p.id in parted}

    def settled(piece: Piece) -> Piece:
        if piece.leftover is not None and piece.id in parted:
            giver = by_id.get(piece.leftover.of)
            return replace(piece, leftover=None, pin=giver.pin if giver else None)
        return leftovers.alone(piece, ruler) if piece.id in givers and not piece.half else piece

    return tuple(map(settled, pieces))


def trimmed(piece: Piece, room: Rect) -> Piece:
    """A piece that hangs over and is trimmed flush gives what falls off as stock, like a panel that is gutted."""
    off = trimming(piece, room)
    if off is None or piece.gut is not None:
        return piece
    r = piece.rect
    return replace(piece, gut=Borders(off.x - r.x, off.y - r.y, r.right - off.right, r.bottom - off.bottom))
