"""An opening cut into a panel or a card, with a photo behind it or not.

┌───────────┐
│ rim ╭───╮ │   a photo behind it needs d + 2 × lap both ways (lap 1/8 in as a rule); exactly d wide it will do if it
│     ╰───╯ │   is fixed at its two long ends; the middle that is cut out is a scrap
└───────────┘
"""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Any

from ulna.core.crop import PRINT_SIZES
from ulna.core.figures import Figure, Hole
from ulna.core.findings import Finding, Remedy
from ulna.core.geometry import Borders, Rect
from ulna.core.measure import SIZE, ZERO, Length, inches, parse
from ulna.core.parts.photo import lay, name_of
from ulna.core.pieces import Ground, Piece
from ulna.core.prints import Print

USUAL = tuple((parse(w), parse(h)) for w, h in PRINT_SIZES)
Opened = Any
"""A frozen part with an `id` and an `opening`."""


@dataclass(frozen=True, slots=True)
class Opening:
    """A hole of a figure in the middle of a panel, or `across` and `down` of it.

    With `rim` that much stays all round instead of a size of its own. `print` lies behind it, held by `lap`.
    """

    figure: Figure = "rectangle"
    rim: Length | None = None
    width: Length = inches(3)
    height: Length = inches(3)
    across: Length = ZERO
    down: Length = ZERO
    lap: Length = inches(0, 1, 8)
    print: Print | None = None


def cut_into(
    part: Opened, opening: Opening, piece: Piece, ground: Ground
) -> tuple[Piece, list[Piece], list[Finding]]:
    """The panel with its hole, the print behind it, and what is to be told. A straight hole gives its middle back."""
    ruler, box = ground.ruler, piece.rect
    if opening.rim is not None:
        width, height = box.width - opening.rim * 2, box.height - opening.rim * 2
    else:
        width, height = ruler.round(opening.width), ruler.round(opening.height)
    x = ruler.round((box.width - width).part(1, 2) + opening.across)
    y = ruler.round((box.height - height).part(1, 2) + opening.down)
    rims = Borders(x, y, box.width - x - width, box.height - y - height)
    if min(width, height) < SIZE.least or rims.least < SIZE.least:
        told = (
            f"An opening of {ruler.say_size(width, height)} leaves no rim in a piece of "
            f"{ruler.say_size(box.width, box.height)}; make it smaller or move it inward."
        )
        return piece, [], [Finding("opening", "stop", part.id, told)]
    hole = Hole(x, y, width, height, opening.figure)
    opened = replace(piece, holes=(*piece.holes, hole), gut=rims if hole.is_straight else None)
    if opening.print is None:
        return opened, [], []
    return opened, *_behind(part, opening, Rect(box.x + x, box.y + y, width, height), ground)


def _behind(part: Opened, opening: Opening, hole: Rect, ground: Ground) -> tuple[list[Piece], list[Finding]]:
    print_, ruler = opening.print or Print(), ground.ruler
    wide, high = print_.lies
    need_w, need_h = hole.width + opening.lap * 2, hole.height + opening.lap * 2
    at = Rect(
        ruler.round(hole.x + (hole.width - wide).part(1, 2)),
        ruler.round(hole.y + (hole.height - high).part(1, 2)),
        wide,
        high,
    )
    piece, found = lay(part.id, "behind", print_, at, ground)
    piece = _trimmed(piece, hole, opening.lap)
    name = name_of(print_, ground)
    covers = wide >= need_w and high >= need_h
    just_wide, just_high = wide == hole.width and high >= need_h, high == hole.height and wide >= need_w
    if just_wide or just_high:
        way, ends = ("sideways", "above and below") if just_wide else ("up and down", "left and right")
        told = f"{name} is just as large as the opening: fix it {ends}, nothing is spare {way}."
        found.append(Finding("opening", "note", part.id, told))
    elif not covers:
        told = (
            f"{name} is {ruler.say_size(wide, high)} and does not fill the opening of "
            f"{ruler.say_size(hole.width, hole.height)}; it takes {ruler.say_size(need_w, need_h)} with the lap."
        )
        larger = _printed(print_, need_w, need_h)
        mended = replace(part, opening=replace(opening, print=larger))
        size = ruler.say_size(larger.width, larger.height)
        found.append(Finding("opening", "warn", part.id, told, (Remedy(f"Print it at {size}", mended),)))
    return [piece], found


def _printed(print_: Print, wide: Length, high: Length) -> Print:
    """The smallest usual print that covers so much, upright or lying; where none does, one of just that size."""
    fitting = [s for size in USUAL for s in (size, size[::-1]) if s[0] >= wide and s[1] >= high]
    width, height = min(fitting, key=lambda s: s[0].units * s[1].units, default=(wide, high))
    return replace(print_, width=width, height=height, trim=ZERO, rim=ZERO, rim_off=False, frame=None)


def _trimmed(piece: Piece, hole: Rect, lap: Length) -> Piece:
    """The print cut to the opening and the lap, so that it does not reach behind its neighbours."""
    wanted = Rect(hole.x - lap, hole.y - lap, hole.width + lap * 2, hole.height + lap * 2)
    at, printed = piece.rect, piece.printed or Rect(ZERO, ZERO, piece.rect.width, piece.rect.height)
    kept = at.common(wanted)
    shaped = piece.picture is not None and bool(piece.picture.outline)
    if kept == at or shaped:
        return piece
    off_x, off_y = at.x - kept.x, at.y - kept.y
    picture = piece.picture and replace(piece.picture, window=piece.picture.window.moved(off_x, off_y))
    return replace(piece, rect=kept, uncut=kept, printed=printed.moved(off_x, off_y), picture=picture)


def words(opening: Opening, ground: Ground) -> str:
    """As in: with an opening (circle) of 3 × 3 and Heron behind it."""
    ruler = ground.ruler
    kind = "an opening" if opening.figure == "rectangle" else f"an opening ({opening.figure})"
    behind = f" and {name_of(opening.print, ground)} behind it" if opening.print is not None else ""
    if opening.rim is None:
        return f"with {kind} of {ruler.say_size(opening.width, opening.height)}{behind}"
    return f"with {kind} that leaves a rim of {ruler.say(opening.rim)}{behind}"
