"""A panel: a paper trimmed by t from every side of what it lies on, or of a size of its own.

┌─────────────┐ W × H
│ t ┌─────┐   │
│   │panel│   │ (W − 2t) × (H − 2t): t shows all round
│   └─────┘   │
└─────────────┘

It may have an opening, with a photo behind it: that needs d + 2 × lap both ways (lap 1/8 in as a rule).
"""

from __future__ import annotations

from dataclasses import dataclass, field, replace
from typing import ClassVar

from ulna.core.figures import Figure, outline
from ulna.core.findings import Finding, Remedy
from ulna.core.geometry import Borders, Rect
from ulna.core.measure import SIZE, ZERO, Length, inches
from ulna.core.parts import mats as matting
from ulna.core.parts.mats import LAP, Mat, gut_rims, stack
from ulna.core.parts.photo import lay, name_of
from ulna.core.parts.place import Place
from ulna.core.pieces import Built, Ground, Handle, PaperChoice, Piece
from ulna.core.polygons import moved
from ulna.core.prints import Print


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


@dataclass(frozen=True, slots=True)
class Panel:
    """With `trim`, what it lies on less that on all sides; without it, `width` × `height`.

    `gutted` wins back its middle, leaving `rim` + the lap; the person knows what will cover it. `corner` rounds its
    corners; `angle` turns it clockwise; `mats` lie under it.
    """

    kind: ClassVar[str] = "panel"
    level: ClassVar[str] = "under"
    id: str
    name: str = "panel"
    trim: Length | None = None
    width: Length = ZERO
    height: Length = ZERO
    choice: PaperChoice = field(default_factory=PaperChoice)
    gutted: bool = False
    rim: Length = LAP
    place: Place = field(default_factory=Place)
    mats: tuple[Mat, ...] = ()
    opening: Opening | None = None
    corner: Length = ZERO
    angle: float = 0.0


def build(part: Panel, ground: Ground, room: Rect) -> Built:
    """Mats, what lies behind its opening, the panel. A trim that leaves nothing is told, and there is no piece."""
    ruler = ground.ruler
    if part.trim is None:
        width, height = ruler.round(part.width), ruler.round(part.height)
        told = ruler.say_size(width, height)
    else:
        width, height = ruler.round(room.width - part.trim * 2), ruler.round(room.height - part.trim * 2)
        told = (
            f"{ruler.say_size(room.width, room.height)} − 2 × {ruler.say(part.trim)} = "
            f"{ruler.say_size(width, height)}"
        )
    if min(width, height) < SIZE.least:
        return Built(ZERO, ZERO, findings=(_nothing_left(part, ground, room),))
    findings = list[Finding]()
    if part.trim is None and (width, height) != (part.width, part.height):
        findings.append(Finding("rounded", "note", part.id, f"The panel is set to marks: {told}."))
    mats = stack(part.id, part.name or "panel", width, height, part.mats, ground)
    box = mats.inner
    gut = gut_rims(Borders.even(ZERO), part.rim, box) if part.gutted else None
    if part.gutted and gut is None:
        findings.append(Finding("gut", "note", part.id, "It stays solid: the panel won would be under 2 × 2 in."))
    piece = Piece(f"{part.id}/panel", part.id, "panel", part.name or "panel", box, box, part.choice, gut)
    if part.corner:
        line = outline("rounded", box.width.inches, box.height.inches, part.corner.inches)
        piece = replace(piece, outline=line)
    behind = list[Piece]()
    if part.opening is not None:
        piece, behind, more = _opened(part, part.opening, piece, ground)
        findings += more
    piece = replace(piece, angle=part.angle) if part.angle else piece
    handles = list(mats.handles)
    right, low = box.right, box.bottom
    if part.trim is not None:
        handles.append(Handle("trim", "trim", right, box.y + height.part(1, 2), -1))
    else:
        handles += _sizes(part.place, right, low, box)
    if mats.pieces:
        told = f"{told}; {mats.arithmetic.removeprefix(ruler.say_size(width, height)).removeprefix(' ')}"
    findings += mats.findings
    return Built(
        mats.width, mats.height, (*mats.pieces, *behind, piece), told, tuple(findings), handles=tuple(handles)
    )


def _sizes(place: Place, right: Length, low: Length, box: Rect) -> list[Handle]:
    """Width at the right edge and height at the lower one; what is centred grows at both ends."""
    across = 2.0 if place.across.edge == "centre" else 1.0
    down = 2.0 if place.down.edge == "centre" else 1.0
    return [
        Handle("width", "width", right, box.y + box.height.part(1, 2), across),
        Handle("height", "height", box.x + box.width.part(1, 2), low, 0.0, down),
    ]


def _nothing_left(part: Panel, ground: Ground, room: Rect) -> Finding:
    say = ground.ruler.say
    if part.trim is None:
        return Finding("nothing-left", "stop", part.id, "Its width and height leave nothing; make it larger.")
    most = (min(room.width, room.height) - SIZE.least).part(1, 2)
    on = "a page" if part.place.base is None else "what it lies on, which is"
    sentence = (
        f"Trimmed by {say(part.trim)} on each side, {on} of {say(room.width)} × "
        f"{say(room.height)} leaves nothing; trim by less than {say(most)}."
    )
    return Finding("nothing-left", "stop", part.id, sentence)


def _opened(
    part: Panel, opening: Opening, piece: Piece, ground: Ground
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
            f"An opening of {ruler.say_size(width, height)} leaves no rim in a panel of "
            f"{ruler.say_size(box.width, box.height)}; make it smaller or move it inward."
        )
        return piece, [], [Finding("opening", "stop", part.id, told)]
    hole = moved(outline(opening.figure, width.inches, height.inches), x.inches, y.inches)
    straight = opening.figure == "rectangle"
    opened = replace(piece, holes=(hole,), gut=rims if straight else None)
    if opening.print is None:
        return opened, [], []
    return opened, *_behind(part, opening, Rect(box.x + x, box.y + y, width, height), ground)


def _behind(part: Panel, opening: Opening, hole: Rect, ground: Ground) -> tuple[list[Piece], list[Finding]]:
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
    name = name_of(print_, ground)
    if wide < hole.width or high < hole.height:
        told = (
            f"{name} is {ruler.say_size(wide, high)} and does not fill the opening of "
            f"{ruler.say_size(hole.width, hole.height)}; it takes {ruler.say_size(need_w, need_h)} with the lap."
        )
        larger = replace(print_, width=max(print_.width, need_w), height=max(print_.height, need_h))
        mended = replace(part, opening=replace(opening, print=larger))
        found.append(Finding("opening", "warn", part.id, told, (Remedy("Print it that large", mended),)))
    elif wide < need_w or high < need_h:
        way = "sideways" if wide < need_w else "above and below"
        told = f"Nothing of {name} is spare {way}: fix it at its other two ends."
        found.append(Finding("opening", "note", part.id, told))
    return [piece], found


def name(part: Panel, ground: Ground) -> str:
    return part.name or "the panel"


def sentence(part: Panel, ground: Ground) -> str:
    ruler = ground.ruler
    size = (
        f"trimmed {ruler.say(part.trim)} all round"
        if part.trim is not None
        else ruler.say_size(part.width, part.height)
    )
    said = [part.name[:1].upper() + part.name[1:] or "Panel", size, ground.says(part.choice)]
    if part.opening is not None:
        o = part.opening
        how = f"a rim of {ruler.say(o.rim)}" if o.rim is not None else ruler.say_size(o.width, o.height)
        kind = "an opening" if o.figure == "rectangle" else f"an opening ({o.figure})"
        behind = f" and {name_of(o.print, ground)} behind it" if o.print is not None else ""
        said.append(f"with {kind} of {how}{behind}" if o.rim is None else f"with {kind} that leaves {how}{behind}")
    elif part.gutted:
        said.append(f"gutted to a rim of {ruler.say(part.rim)}")
    if part.corner:
        said.append(f"corners rounded by {ruler.say(part.corner)}")
    if part.angle:
        said.append(f"turned {abs(part.angle):g}° {'right' if part.angle > 0 else 'left'}")
    return ", ".join([*said, *matting.says(part.mats, ground)])
