"""When the hand did otherwise than the list: a piece is spoiled, a cut was made elsewhere.

What was cut stays as it really is; the rest of the sheet is planned again.
"""

from __future__ import annotations

from collections.abc import Collection
from dataclasses import replace

from ulna.core.cutting.cut_list import CutSheet
from ulna.core.cutting.progress import done, tick
from ulna.core.cutting.steps import Cut, Gut, comes_before, is_finishing
from ulna.core.errors import FieldError
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, Ruler


def spoil(
    sheet: CutSheet, ticked: Collection[str], number: int, width: Length, height: Length, ruler: Ruler
) -> CutSheet:
    """The sheet with a piece that is cut marked as spoiled; `width` × `height` of it are left, 0 for nothing.

    Raises `FieldError` where that piece is not cut, or where more would be left than there was.
    """
    piece = next((p for p in done(sheet, ticked) if p.number == number), None)
    if piece is None:
        raise FieldError("piece", number, "this piece is not cut, so it cannot be spoiled", "tick its cut first")
    r = piece.rect
    if width > r.width or height > r.height:
        read = ruler.say_size(width, height)
        told = f"the piece was {ruler.say_size(r.width, r.height)}, so no more than that can be left"
        raise FieldError("left", read, told, "give what is left as it lies, or 0")
    if _is_opened(sheet, number, ticked) or piece.of:
        width = height = ZERO  # a rim or an outline is left, which is no scrap
    left = Rect(r.x, r.y, width, height) if min(width, height) > ZERO else None
    fated = tuple(replace(p, fate="spoiled", left=left) if p.number == number else p for p in sheet.pieces)
    return replace(sheet, pieces=fated)


def _is_opened(sheet: CutSheet, number: int, ticked: Collection[str]) -> bool:
    """Whether something was cut out of a piece, or off it, already."""
    after = (s for s in sheet.steps if isinstance(s, Gut) or is_finishing(s))
    return any(s.key in ticked and s.piece == number for s in after)  # type: ignore[union-attr]


def elsewhere(
    sheet: CutSheet, ticked: Collection[str], key: str, setting: Length, keep: bool, ruler: Ruler
) -> tuple[CutSheet, frozenset[str]]:
    """The sheet with a cut made at another setting than the list has, and what is ticked then.

    With `keep` the pieces that this cut was to give are used at the size at which they came. Cuts that hang on it
    fall away, as their parts are no longer there. Raises `FieldError` where the cut is done already, where it is none
    of the trimmer's, or where no such setting is on its part.
    """
    step = next((s for s in sheet.steps if s.key == key), None)
    if not isinstance(step, Cut):
        raise FieldError("step", key, "this is no cut of the trimmer", "choose one that has a setting")
    if key in ticked:
        raise FieldError("step", key, "this cut is ticked already", "take it back first")
    length = step.of.width if step.axis == "vertical" else step.of.height
    if not ZERO < setting < length:
        told = f"the part is {ruler.say(length)} that way, so the cut must lie between 0 and that"
        raise FieldError("setting", ruler.say(setting), told, "measure from the edge that the list names")
    now = tick(sheet, ticked, key, True)
    at = (step.of.x if step.axis == "vertical" else step.of.y) + setting
    moved = replace(step, at=at, gives=())
    pieces = {p.number: p for p in sheet.pieces}
    if keep:
        for number in step.gives:
            side = _same_side(step, moved, pieces[number].rect)
            pieces[number] = replace(pieces[number], rect=side, fate="as cut", panel=None)
    gives = tuple(n for n, p in pieces.items() if p.rect in moved.halves and (n not in step.gives or keep))
    moved = replace(moved, gives=gives)
    lost = {s.key for s in sheet.steps if s.key not in now and comes_before(step, s)}
    steps = tuple(moved if s.key == key else s for s in sheet.steps if s.key not in lost)
    made = {n for s in steps for n in s.gives}
    kept = tuple(p for n, p in pieces.items() if n in made)
    return replace(sheet, steps=steps, pieces=kept), now


def _same_side(step: Cut, moved: Cut, piece: Rect) -> Rect:
    """The part that a moved cut gives on the side where the piece was to be."""
    return moved.halves[step.halves.index(piece)]
