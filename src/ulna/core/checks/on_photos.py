"""Things that lie on a photo belong on its quiet part: never on its focal point, nor where most of it happens."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from typing import Any

from ulna.core.checks.accents import Accent, accents
from ulna.core.checks.lying import PlacedAt
from ulna.core.findings import Finding, Remedy
from ulna.core.geometry.rects import Rect
from ulna.core.measure import inches, length_of
from ulna.core.parts.pieces import Ground, Piece

A_SIDE = 3
"""A picture is looked at in so many fields by so many."""
LIVELIER = 1.6
"""A field is lively where it has so much more in it than the quietest one."""
OFF_EDGE = inches(0, 1, 8)


def told(
    plan: Any, pieces: Sequence[Piece], standing: Mapping[str, Any], ground: Ground, placed_at: PlacedAt
) -> Iterator[Finding]:
    prints = [piece for piece in pieces if piece.role == "print" and piece.picture is not None]
    for one in accents(plan, pieces, standing, ground):
        under = next((p for p in reversed(prints) if p.uncut.contains(one.box)), None)
        if under is None or under.picture is None:
            continue
        point = _focal(under, ground)
        if point is not None and _holds(one.box, point):
            remedies = tuple(_quieter(one, under, standing, ground, placed_at))
            told = f"It lies on the focal point of {under.called_whole}; {_room(one.box, under.uncut, ground)}."
            yield Finding("on-focal", "warn", one.part.id, told, remedies, (one.box,))
            continue
        look = ground.edge(under.picture)
        if look is None or not look.fields:
            continue
        here, quiet = look.fields[_field(one.box, under.uncut)], min(look.fields)
        if here > LIVELIER * max(quiet, 1.0):
            remedies = tuple(_quieter(one, under, standing, ground, placed_at))
            told = f"It lies on a lively part of {under.called_whole}; {_room(one.box, under.uncut, ground)}."
            yield Finding("on-lively", "note", one.part.id, told, remedies, (one.box,))


def _focal(piece: Piece, ground: Ground) -> tuple[float, float] | None:
    """Where the focal point of a photo is on the page, in inches, where its owner has set one."""
    picture = piece.picture
    photo = ground.photos.get((picture and picture.photo) or "")
    if picture is None or photo is None or picture.crop is None:
        return None
    framing, crop, window = photo.framing, picture.crop, picture.window
    if framing.focal_x is None or framing.focal_y is None:
        return None
    across, down = (framing.focal_x - crop.x) / crop.width, (framing.focal_y - crop.y) / crop.height
    if not (0 <= across <= 1 and 0 <= down <= 1):
        return None
    x, y = piece.uncut.x + window.x, piece.uncut.y + window.y
    return x.inches + across * window.width.inches, y.inches + down * window.height.inches


def _holds(box: Rect, point: tuple[float, float]) -> bool:
    return box.x.inches <= point[0] <= box.right.inches and box.y.inches <= point[1] <= box.bottom.inches


def _field(box: Rect, photo: Rect) -> int:
    """The field of a picture that the middle of a box lies in, row by row."""
    across = ((box.x + box.right).inches / 2 - photo.x.inches) / photo.width.inches
    down = ((box.y + box.bottom).inches / 2 - photo.y.inches) / photo.height.inches
    column, row = (min(A_SIDE - 1, max(0, int(share * A_SIDE))) for share in (across, down))
    return row * A_SIDE + column


def _room(box: Rect, photo: Rect, ground: Ground) -> str:
    say = ground.ruler.say
    return (
        f"the photo has {say(box.x - photo.x)} free to its left, {say(photo.right - box.right)} to its right, "
        f"{say(box.y - photo.y)} above and {say(photo.bottom - box.bottom)} below it"
    )


def _quieter(
    one: Accent, photo: Piece, standing: Mapping[str, Any], ground: Ground, placed_at: PlacedAt
) -> Iterator[Remedy]:
    """In the middle of the quietest field that it fits into the photo at, away from the focal point."""
    look = ground.edge(photo.picture) if photo.picture else None
    if look is None or not look.fields:
        return
    r, box, ruler, focal = photo.uncut, one.box, ground.ruler, _focal(photo, ground)
    inner = Rect(r.x + OFF_EDGE, r.y + OFF_EDGE, r.width - OFF_EDGE * 2, r.height - OFF_EDGE * 2)
    if box.width > inner.width or box.height > inner.height:
        return
    for k in sorted(range(A_SIDE * A_SIDE), key=lambda k: look.fields[k]):
        row, column = divmod(k, A_SIDE)
        x = r.x.inches + r.width.inches * (column + 0.5) / A_SIDE - box.width.inches / 2
        y = r.y.inches + r.height.inches * (row + 0.5) / A_SIDE - box.height.inches / 2
        at = Rect(
            min(max(ruler.round(length_of(x)), inner.x), inner.right - box.width),
            min(max(ruler.round(length_of(y)), inner.y), inner.bottom - box.height), box.width, box.height,
        )  # fmt: skip
        if focal is None or not _holds(at, focal):
            where = ("at the top", "half way down", "at the bottom")[row]
            side = ("left", "in the middle", "right")[column]
            part = placed_at(one.part, at, standing, ground.format)
            yield Remedy(f"Move it to the quietest part, {where} {side}", part)
            return
