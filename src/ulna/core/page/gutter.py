"""Photos that the gutter or a fold cuts in two: where the line falls on the picture, and what it must keep clear
of.

 1 in  ┆ 1 in
┌──────┆──────┐
│ ☺    ┆      │   a face, or what was marked as mattering most, keeps an inch from the line;
└──────┆──────┘   where it does not, the nearest place that clears it is told
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass, replace

from ulna.core.findings import Finding, Remedy
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, Ruler, inches
from ulna.core.parts.faces_seen import faces_seen
from ulna.core.parts.inside import changed
from ulna.core.parts.kinds import Part, traits
from ulna.core.parts.pieces import Ground, Piece
from ulna.core.photos.crop import Frame
from ulna.core.photos.prints import Print

CLEAR = inches(1)


@dataclass(frozen=True, slots=True)
class GutterLine:
    """Where the cut falls on a print: its distance from the left edge of the picture, and that as a share of it."""

    at: Length
    share: float


def line_on(piece: Piece, gutter: Length) -> GutterLine | None:
    """The cut on the picture of a print that lies across the gutter."""
    if piece.picture is None or not piece.rect.x < gutter < piece.rect.right:
        return None
    at = gutter - piece.uncut.x - piece.picture.window.x
    return GutterLine(at, at.units / max(1, piece.picture.window.width.units))


def findings(
    part: Part, piece: Piece, box: Rect, ground: Ground, placed: Callable[[Rect], object], room: Rect
) -> list[Finding]:
    """What is to be told of a print (at its place) that the gutter cuts; `box` is where its part lies, `placed` gives
    the part so that it lies elsewhere, and a remedy leaves it in its `room`."""
    gutter, picture, say = ground.format.gutter, piece.picture, ground.ruler.say
    if gutter is None or picture is None or not piece.rect.x < gutter < piece.rect.right:
        return []
    left, right = gutter - piece.rect.x, piece.rect.right - gutter
    high = say(piece.rect.height)
    told = (
        f"{piece.name} is cut at the gutter, {say(left)} from its left edge: "
        f"{say(left)} × {high} goes left, {say(right)} × {high} right."
    )
    found = [Finding("gutter", "note", piece.part, told)]
    matters = _what_matters(piece, ground)
    near = [(m, _distance(m, gutter)) for m in matters if _distance(m, gutter) < CLEAR]
    if not near:
        return found
    (_, _, what), by = min(near, key=lambda one: one[1])
    lies = "is cut through" if by < ZERO else f"is only {say(ground.ruler.round(by))} from the cut"
    shift = _clear(matters, gutter, ground.ruler)
    remedies, advice = list[Remedy](), "keep it an inch away"
    if shift is not None and traits(part).one_print:
        way = f"{say(abs(shift))} to the {'left' if shift < ZERO else 'right'}"
        moved = box.moved(shift, ZERO)
        if room.contains(moved) or not room.contains(box):
            remedies.append(Remedy(f"Move it {way}", placed(moved)))
            advice = f"the nearest place that clears it is {way}"
        elif (slid := _slid(part, shift, piece, ground)) is not None:
            remedies.append(Remedy(f"Move the picture {way} in its frame", slid))
            advice = f"the picture moved {way} in its frame clears it"
    found.append(Finding("face-gutter", "warn", piece.part, f"{what} {lies}; {advice}.", tuple(remedies)))
    return found


Matter = tuple[Length, Length, str]
"""From where to where it reaches across the spread, and what it is."""


def _what_matters(piece: Piece, ground: Ground) -> list[Matter]:
    """Faces and the focal point of a print, where they lie on the spread; those that are cropped away do not
    count.
    """
    picture = piece.picture
    photo = ground.photos.get((picture and picture.photo) or "")
    if picture is None or photo is None or picture.crop is None:
        return []
    crop, window = picture.crop, picture.window
    start = (piece.uncut.x + window.x).units

    def across(share: float) -> Length:
        return Length(round(start + (share - crop.x) / crop.width * window.width.units))

    found: list[Matter] = [(face.left, face.right, "A face") for face in faces_seen(piece, ground)]
    if photo.framing.focal_x is not None:
        at = across(photo.framing.focal_x)
        found.append((at, at, "The focal point"))
    return found


def _distance(matter: Matter, gutter: Length) -> Length:
    """How far it is from the cut; below nothing where the cut goes through it."""
    low, high, _ = matter
    return max(low - gutter, gutter - high)


def _clear(matters: list[Matter], gutter: Length, ruler: Ruler) -> Length | None:
    """The shortest way across, on marks, after which all of them are an inch or more from the cut."""
    ways = [ruler.step(gutter + CLEAR - low - Length(1), 1) for low, _, _ in matters]
    ways += [-ruler.step(high - gutter + CLEAR - Length(1), 1) for _, high, _ in matters]

    def clears(way: Length) -> bool:
        return all(_distance((low + way, high + way, what), gutter) >= CLEAR for low, high, what in matters)

    return min((way for way in ways if clears(way)), key=abs, default=None)


def _slid(part: Part, shift: Length, piece: Piece, ground: Ground) -> Part | None:
    """The part with its picture moved in its frame, where the crop has that much to spare."""
    picture, print_ = piece.picture, piece.print
    photo = ground.photos.get((print_ and print_.photo) or "")
    if picture is None or picture.crop is None or photo is None or print_ is None:
        return None
    crop = picture.crop
    x = crop.x - shift.units / picture.window.width.units * crop.width
    if not 0 <= x <= 1 - crop.width + 1e-9:
        return None
    frame = Frame(x + crop.width / 2, crop.y + crop.height / 2, photo.framing.by(print_.frame).zoom)
    return changed(Print, part, lambda one: replace(one, frame=frame))
