"""Openings cut into a panel or a card, each with a photo behind it or not, and with a ring mat round it or not.

┌───────────┐
│ rim ╭───╮ │   a photo behind it needs d + 2 × lap both ways (lap 1/8 in as a rule); exactly d wide it will do if it
│     ╰───╯ │   is fixed at its two long ends; the middle that is cut out is a scrap
└───────────┘   a ring is as much larger all round as it is wide, with the same hole, and lies on top
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, field, replace
from typing import Annotated, Any

from ulna.core.errors import FieldError
from ulna.core.findings import Finding, Remedy
from ulna.core.geometry import polygons
from ulna.core.geometry.figures import Figure, Hole, outline
from ulna.core.geometry.rects import Borders, Rect
from ulna.core.measure import SIZE, ZERO, Length, inches, length_of, parse
from ulna.core.parts.beginning import Beginning
from ulna.core.parts.pieces import CellSpot, Ground, PaperChoice, Piece
from ulna.core.parts.printed import lay, name_of, nothing_left
from ulna.core.photos.crop import PRINT_SIZES
from ulna.core.photos.prints import Print
from ulna.core.ranges import Gap, Many, Offset, Size

USUAL = tuple((parse(w), parse(h)) for w, h in PRINT_SIZES)
Opened = Any
"""A frozen part with an `id`, `openings` and an `angle`."""


@dataclass(frozen=True, slots=True)
class Opening:
    """A hole of a figure in the middle of a panel, or `across` and `down` of it.

    With `rim` that much stays all round instead of a size of its own. `print` lies behind it, held by `lap`. A `ring`
    of that width lies round it; 0 for none.
    """

    figure: Figure = "rectangle"
    rim: Gap | None = None
    width: Size = inches(3)
    height: Size = inches(3)
    across: Offset = ZERO
    down: Offset = ZERO
    lap: Gap = inches(0, 1, 8)
    print: Print | None = None
    ring: Gap = ZERO
    ring_choice: PaperChoice = field(default_factory=PaperChoice)


Openings = Annotated[tuple[Opening, ...], Many(24)]


def begun(begin: Beginning) -> Opening:
    """A circle in the middle, which holds what lies behind it by the usual lap."""
    return Opening("circle", width=begin.of(3), height=begin.of(3), lap=begin.usual.narrow)


@dataclass(frozen=True, slots=True)
class CutOpen:
    """A piece with its openings, what lies `behind` it and `on` it, the places of the openings to be pressed on, and
    what is to be told."""

    piece: Piece
    behind: tuple[Piece, ...] = ()
    on: tuple[Piece, ...] = ()
    spots: tuple[CellSpot, ...] = ()
    findings: tuple[Finding, ...] = ()


def cut_all(part: Opened, piece: Piece, ground: Ground) -> CutOpen:
    """All openings of a part cut into its piece, which may lie turned by `part.angle`: what is behind and on it turns
    along. One that would run into another is told, and is not cut."""
    own, behind, on, found = list[tuple[int, Rect]](), list[Piece](), list[Piece](), list[Finding]()
    for k, opening in enumerate(part.openings):
        opened, prints, told = _cut_into(part, k, piece, ground)
        found += told
        if opened is piece:
            continue
        at = opened.holes[-1].at
        into = next((n for n, other in own if other.meets(at)), None)
        if into is not None:
            says = f"Openings {into + 1} and {k + 1} run into each other; move one of them or make it smaller."
            found.append(Finding("opening", "stop", part.id, says))
            continue
        piece = opened
        own.append((k, at))
        behind += prints
        if opening.ring:
            on.append(_ring(part, k, at.moved(piece.rect.x, piece.rect.y), ground))
    if len(own) > 1:
        piece = replace(piece, gut=None)
    found += _colliding(part, behind, ground)
    found += _over_a_hole(part, on, piece, ground)
    if part.angle:
        behind, on = ([_along(one, piece, part.angle) for one in some] for some in (behind, on))
        piece = replace(piece, angle=part.angle)
    spots = tuple(_spot(part, k, at.moved(piece.rect.x, piece.rect.y), piece) for k, at in own)
    return CutOpen(piece, tuple(behind), tuple(on), spots, tuple(found))


MAY = ("photo", "open", "closed")
"""What an opening can be made: with a photo behind it, with what lies beneath showing through, none at all."""


def _spot(part: Opened, k: int, at: Rect, piece: Piece) -> CellSpot:
    """An opening as a place to press on. In a piece that lies turned it is where its middle comes to lie."""
    if part.angle:
        at = _along(replace(piece, rect=at, uncut=at), piece, part.angle).rect
    name = "the opening" if len(part.openings) == 1 else f"opening {k + 1}"
    return CellSpot(f"opening{_th(k)}", name, at, "photo" if part.openings[k].print else "open", MAY)


def fill(part: Opened, spot: CellSpot, what: str, print_: Print | None = None) -> Opened:
    """The part with that opening filled, open or closed. A photo is printed at the smallest usual size that covers the
    opening and its lap, or as the one that is there. Raises `FieldError` for anything else."""
    if what not in MAY:
        raise FieldError("what", what, "an opening cannot be for that", f"choose one of {', '.join(MAY)}")
    k = int(spot.key.removeprefix("opening").removeprefix("-") or "1") - 1
    opening: Opening = part.openings[k]
    if what == "closed":
        return replace(part, openings=(*part.openings[:k], *part.openings[k + 1 :]))
    filled = replace(opening, print=_put_behind(opening, spot, print_) if what == "photo" else None)
    return replace(part, openings=(*part.openings[:k], filled, *part.openings[k + 1 :]))


def _put_behind(opening: Opening, spot: CellSpot, print_: Print | None) -> Print:
    """A print that lies behind the opening; one that is there already keeps its size."""
    if opening.print is not None:
        return replace(opening.print, photo=print_.photo, frame=None) if print_ else opening.print
    lap = opening.lap * 2
    return _printed(print_ or Print(), spot.rect.width + lap, spot.rect.height + lap)


def _ring(part: Opened, k: int, hole: Rect, ground: Ground) -> Piece:
    """A ring as wide all round as it is told, with the same figure outside and inside."""
    opening: Opening = part.openings[k]
    wide = max(ground.ruler.mark, ground.ruler.round(opening.ring))
    at = Rect(hole.x - wide, hole.y - wide, hole.width + wide * 2, hole.height + wide * 2)
    inside = Hole(wide, wide, hole.width, hole.height, opening.figure)
    name = "ring" if len(part.openings) == 1 else f"ring {k + 1}"
    piece = Piece(f"{part.id}/ring{_th(k)}", part.id, "mat", name, at, at, opening.ring_choice, holes=(inside,))
    if opening.figure == "rectangle":
        return replace(piece, gut=Borders.even(wide))
    line = outline(opening.figure, at.width.inches, at.height.inches)
    return replace(piece, outline=line, figure=opening.figure)


def _th(k: int) -> str:
    return f"-{k + 1}" if k else ""


def _colliding(part: Opened, behind: Sequence[Piece], ground: Ground) -> list[Finding]:
    """Prints behind neighbouring openings that would lie on each other: the page would not lie flat there."""
    say, found = ground.ruler.say, list[Finding]()
    for k, one in enumerate(behind):
        for other in behind[k + 1 :]:
            if one.rect.meets(other.rect):
                both = one.rect.common(other.rect)
                by = min(both.width, both.height)
                told = (
                    f"{one.name} and {other.name} lie on each other behind the openings, {say(by)} of them: "
                    "move the openings apart, or take less lap."
                )
                found.append(Finding("opening", "warn", part.id, told))
    return found


def _over_a_hole(part: Opened, rings: Sequence[Piece], piece: Piece, ground: Ground) -> list[Finding]:
    """Rings that reach over another opening or over the edge."""
    found = list[Finding]()
    holes = [hole.at.moved(piece.rect.x, piece.rect.y) for hole in piece.holes]
    for ring in rings:
        own = ring.holes[0].at.moved(ring.rect.x, ring.rect.y)
        name = f"{ring.name[0].upper()}{ring.name[1:]}"
        if any(hole != own and hole.meets(ring.rect) for hole in holes):
            told = f"{name} reaches over the opening beside it; make it narrower."
            found.append(Finding("opening", "warn", part.id, told))
        if not piece.rect.contains(ring.rect):
            told = f"{name} reaches beyond the edge of what it lies on; make it narrower."
            found.append(Finding("opening", "warn", part.id, told))
    return found


def _along(piece: Piece, under: Piece, angle: float) -> Piece:
    """A piece that lies on, or behind, one that is turned: turned along about that one's middle."""
    u, r = under.uncut, piece.uncut
    middle = ((u.x + u.right).inches / 2, (u.y + u.bottom).inches / 2)
    x, y = polygons.turned((((r.x + r.right).inches / 2, (r.y + r.bottom).inches / 2),), angle, middle)[0]
    at = Rect(length_of(x) - r.width.part(1, 2), length_of(y) - r.height.part(1, 2), r.width, r.height)
    by_x, by_y = at.x - r.x, at.y - r.y
    return replace(piece, rect=piece.rect.moved(by_x, by_y), uncut=at, angle=angle)


def _cut_into(part: Opened, k: int, piece: Piece, ground: Ground) -> tuple[Piece, list[Piece], list[Finding]]:
    """The panel with one hole more, the print behind that, and what is to be told. A straight hole gives its middle
    back."""
    opening: Opening = part.openings[k]
    ruler, box = ground.ruler, piece.rect
    if opening.rim is not None:
        width, height = box.width - opening.rim * 2, box.height - opening.rim * 2
    else:
        width, height = opening.width, opening.height
    width, height = ruler.round(width), ruler.round(height)
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
    return opened, *_behind(part, k, Rect(box.x + x, box.y + y, width, height), ground)


def _behind(part: Opened, k: int, hole: Rect, ground: Ground) -> tuple[list[Piece], list[Finding]]:
    opening: Opening = part.openings[k]
    print_, ruler = opening.print or Print(), ground.ruler
    wide, high = print_.lies
    need_w, need_h = hole.width + opening.lap * 2, hole.height + opening.lap * 2
    if gone := nothing_left(part.id, print_, ground):
        return [], [gone]
    at = Rect(
        ruler.round(hole.x + (hole.width - wide).part(1, 2)),
        ruler.round(hole.y + (hole.height - high).part(1, 2)),
        wide,
        high,
    )
    piece, found = lay(part.id, f"behind{_th(k)}", print_, at, ground)
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
        openings = (*part.openings[:k], replace(opening, print=larger), *part.openings[k + 1 :])
        mended = replace(part, openings=openings)
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
    off_x, off_y, own = at.x - kept.x, at.y - kept.y, Rect(ZERO, ZERO, kept.width, kept.height)
    picture = piece.picture and replace(piece.picture, window=piece.picture.window.moved(off_x, off_y))
    holes = tuple(there for one in piece.holes if own.contains((there := one.moved(off_x, off_y)).at))
    return replace(piece, rect=kept, uncut=kept, printed=printed.moved(off_x, off_y), picture=picture, holes=holes)


def words(opening: Opening, ground: Ground) -> str:
    """As in: with an opening (circle) of 3 × 3 and Heron behind it."""
    ruler = ground.ruler
    kind = "an opening" if opening.figure == "rectangle" else f"an opening ({opening.figure})"
    behind = f" and {name_of(opening.print, ground)} behind it" if opening.print is not None else ""
    if opening.ring:
        behind += f", a ring of {ruler.say(opening.ring)} {ground.says(opening.ring_choice)} round it"
    if opening.rim is None:
        return f"with {kind} of {ruler.say_size(opening.width, opening.height)}{behind}"
    return f"with {kind} that leaves a rim of {ruler.say(opening.rim)}{behind}"
