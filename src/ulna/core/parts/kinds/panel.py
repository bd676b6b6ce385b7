"""A panel: a paper trimmed by t from every side of what it lies on, or of a size of its own.

┌─────────────┐ W × H
│ t ┌─────┐   │
│   │panel│   │ (W − 2t) × (H − 2t): t shows all round
│   └─────┘   │
└─────────────┘
"""

from __future__ import annotations

from dataclasses import dataclass, field, replace
from typing import Any, ClassVar

from ulna.core.findings import Finding
from ulna.core.geometry.figures import outline
from ulna.core.geometry.rects import Borders, Rect
from ulna.core.measure import SIZE, ZERO, Length, Ruler, inches
from ulna.core.paper.shelf import Paper, seen_from
from ulna.core.parts import mats as matting
from ulna.core.parts import opening as openings
from ulna.core.parts.beginning import Beginning
from ulna.core.parts.joined import Joined, parted
from ulna.core.parts.kind import Entry, Traits
from ulna.core.parts.mats import LAP, Mats, gut_rims, stack
from ulna.core.parts.opening import Opening, Openings, cut_all
from ulna.core.parts.opening import words as opening_words
from ulna.core.parts.pieces import Built, Ground, Handle, PaperChoice, Piece
from ulna.core.parts.place import Down, Place
from ulna.core.parts.sizing import size_handles
from ulna.core.ranges import Angle, Gap, Id, Name


@dataclass(frozen=True, slots=True)
class Panel:
    """With `trim`, what it lies on less that on all sides; without it, `width` × `height`.

    `gutted` wins back its middle, leaving `rim` + the lap; the person knows what will cover it. `corner` rounds its
    corners; `angle` turns it clockwise; `mats` lie under it. `as_it_is` takes the sheet or scrap whole, at its own size
    and with the holes that are in it; `joined` makes it of two.
    """

    kind: ClassVar[str] = "panel"
    level: ClassVar[str] = "under"
    id: Id
    name: Name = "panel"
    trim: Gap | None = None
    width: Gap = ZERO
    height: Gap = ZERO
    choice: PaperChoice = field(default_factory=PaperChoice)
    gutted: bool = False
    rim: Gap = LAP
    place: Place = field(default_factory=Place)
    mats: Mats = ()
    openings: Openings = ()
    corner: Gap = ZERO
    angle: Angle = 0.0
    as_it_is: bool = False
    joined: Joined | None = None


def build(part: Panel, ground: Ground, room: Rect) -> Built:
    """Mats, what lies behind its opening, the panel. A trim that leaves nothing is told, and there is no piece."""
    ruler = ground.ruler
    paper = ground.shelf.papers.get(part.choice.paper or "") if part.as_it_is else None
    several = paper is not None and paper.count > 1 and bool(paper.holes or paper.strip)
    paper = None if several else paper
    if paper is not None:
        width, height = paper.width, paper.height
        told = f"{ruler.say_size(width, height)}, as it is"
    elif part.trim is None:
        width, height = ruler.round(part.width), ruler.round(part.height)
        told = ruler.say_size(width, height)
    else:
        width, height = ruler.round(room.width - part.trim * 2), ruler.round(room.height - part.trim * 2)
        told = f"{ruler.say_size(room.width, room.height)} − {_taken(part.trim, room, width, height, ruler)}"
    if min(width, height) < SIZE.least:
        return Built(ZERO, ZERO, findings=(_nothing_left(part, ground, room),))
    findings = list[Finding]()
    if several:
        says = (
            "Several sheets are alike: what has a hole or a strip is used as it is only where there is one of it."
        )
        findings.append(Finding("as-it-is", "warn", part.id, says))
    if paper is None and part.trim is None and (width, height) != (part.width, part.height):
        findings.append(Finding("rounded", "note", part.id, f"The panel is set to marks: {told}."))
    mats = stack(part.id, part.name or "panel", width, height, part.mats, ground)
    box = mats.inner
    gut = gut_rims(Borders.even(ZERO), part.rim, box) if part.gutted else None
    if part.gutted and gut is None:
        findings.append(Finding("gut", "note", part.id, "It stays solid: the panel won would be under 2 × 2 in."))
    piece = Piece(f"{part.id}/panel", part.id, "panel", part.name or "panel", box, box, part.choice, gut)
    if paper is not None:
        piece = _whole(piece, paper)
    if part.corner and not piece.comes_shaped:
        line = outline("rounded", box.width.inches, box.height.inches, part.corner.inches)
        piece = replace(piece, outline=line, figure="rounded", cut=part.corner)
    cut = cut_all(part, piece, ground)
    findings += cut.findings
    handles = list(mats.handles)
    if part.trim is not None:
        handles.append(Handle("trim", "trim", box.right, box.y + height.part(1, 2), -1))
    else:
        handles += size_handles(part.place, box)
    if mats.pieces:
        told = f"{told}; {mats.arithmetic.removeprefix(ruler.say_size(width, height)).removeprefix(' ')}"
    findings += mats.findings
    own: tuple[Piece, ...] = (cut.piece,)
    if part.joined is not None:
        plain = not (cut.piece.outline or cut.piece.holes or cut.piece.angle or cut.piece.pin)
        halves = parted(cut.piece, part.joined, ruler) if plain else None
        own = halves or own
        if halves is None:
            findings.append(_not_joined(part, plain, ruler))
    pieces = (*mats.pieces, *cut.behind, *own, *cut.on)
    return Built(mats.width, mats.height, pieces, told, tuple(findings), handles=tuple(handles), spots=cut.spots)


def _not_joined(part: Panel, plain: bool, ruler: Ruler) -> Finding:
    if not plain:
        told = "It stays in one piece: what has openings, round corners or an angle is not joined from two."
        return Finding("joined", "warn", part.id, told)
    seam = ruler.say((part.joined.seam if part.joined else None) or ZERO)
    told = f"A seam {seam} from its edge lies beside it; put it inside the panel."
    return Finding("joined", "warn", part.id, told)


def _whole(piece: Piece, paper: Paper) -> Piece:
    """The piece that is a whole sheet: pinned to it, with the sheet's holes as they are seen on the page."""
    holes = tuple(seen_from(hole, paper.width, piece.choice.side) for hole in paper.holes)
    whole = Rect(ZERO, ZERO, paper.width, paper.height)
    upright = replace(piece.choice, turned=False)
    piece = replace(piece, holes=holes, brought=len(holes), pin=whole, as_it_is=True, gut=None, choice=upright)
    if paper.inside is None:
        return piece
    line = seen_from(paper.inside, paper.width, piece.choice.side).within(whole).outline
    return replace(piece, outline=line, comes_shaped=True)


def _taken(trim: Length, room: Rect, width: Length, height: Length, ruler: Ruler) -> str:
    """What is taken off in figures that add up: where the trim is on no mark, what is really cut off both sides."""
    size = ruler.say_size(width, height)
    if room.width - trim * 2 == width and room.height - trim * 2 == height and ruler.on_mark(trim):
        return f"2 × {ruler.say(trim)} = {size}"
    return f"({ruler.say(room.width - width)} across, {ruler.say(room.height - height)} down) = {size}"


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
    said += [opening_words(opening, ground) for opening in part.openings]
    if part.gutted and not part.openings:
        said.append(f"gutted to a rim of {ruler.say(part.rim)}")
    if part.joined is not None:
        said.append(f"joined of two {part.joined.way}{', lapped' if part.joined.lap else ', butted'}")
    if part.corner:
        said.append(f"corners rounded by {ruler.say(part.corner)}")
    if part.angle:
        said.append(f"turned {abs(part.angle):g}° {'right' if part.angle > 0 else 'left'}")
    return ", ".join([*said, *matting.says(part.mats, ground)])


def begun(begin: Beginning) -> Panel:
    """A panel that leaves the usual border of the page."""
    usual = begin.usual
    return Panel("new", trim=usual.border, width=usual.print[0], height=usual.print[1], rim=usual.lap)


def _sized(begin: Beginning, name: str, width: Length, height: Length, **more: Any) -> Panel:
    return replace(begun(begin), name=name, trim=None, width=width, height=height, **more)


def _opening(begin: Beginning, **more: Any) -> Opening:
    return replace(openings.begun(begin), **more)


def _window(begin: Beginning) -> Panel:
    large, print_ = begin.of(3), replace(begin.print, width=begin.of(4), height=begin.of(4))
    return _sized(
        begin,
        "window",
        begin.of(5),
        begin.of(5),
        openings=(_opening(begin, width=large, height=large, print=print_),),
    )


PART = Panel
TRAITS = Traits(fills=lambda part: part.trim is not None)
MENU: tuple[Entry, ...] = (
    Entry("Panel", "trimmed background mat layer foundation", "M3 3h18v18H3zM6 6h12v12H6z", begun),
    Entry(
        "Frame",
        "gutted border opening foundation",
        "M3 3h18v18H3zM8 8h8v8H8z",
        lambda b: replace(begun(b), name="frame", openings=(_opening(b, figure="rectangle", rim=b.of(1)),)),
    ),
    Entry(
        "Half sheet",
        "horizon foundation block",
        "M3 3h18v18H3zM3 12h18",
        lambda b: _sized(
            b, "half sheet", b.width, b.rounded(b.height.part(1, 2)), place=Place(down=Down("bottom"))
        ),
    ),
    Entry(
        "Block",
        "rectangle paper foundation",
        "M5 6h14v12H5z",
        lambda b: _sized(b, "block", b.share(50, 6), b.share(35, 4)),
    ),
    Entry(
        "Shelf",
        "strip photo stands foundation",
        "M2 14h20v4H2zM6 6h6v8H6z",
        lambda b: _sized(b, "shelf", b.width, b.of(1, 1, 2), place=Place(down=Down("bottom", b.of(2)))),
    ),
    Entry(
        "Opening with a photo",
        "window hole circle behind frame",
        "M3 3h18v18H3zM12 7a5 5 0 1 0 0 10 5 5 0 1 0 0-10",
        _window,
        after="Rounded card",
    ),
    Entry(
        "Insert or flap",
        "base sheet page notebook smaller lies on",
        "M3 4h18v16H3zM7 4v16",
        lambda b: _sized(
            b, "insert", b.share(80, 6), b.rounded(min(inches(8), b.height.part(7, 10))), mats=(matting.narrow(b),)
        ),
        after="Pocket",
    ),
)
