"""A pocket: a panel stitched or glued on three sides, open at the top.

  ┌────┐      what goes in is narrower by twice the seam plus 1/4 in,
┌─┤    ├─┐    and stands out at the top by the wanted amount
┆ └────┘ ┆    n of them are n card stocks thick (1/64 in each): round what is thicker than one the pocket
└┄┄┄┄┄┄┄┄┘    bends at both sides, so that it holds twice that less
"""

from __future__ import annotations

from dataclasses import dataclass, field, replace
from typing import Annotated, ClassVar

from ulna.core.findings import Finding, Remedy
from ulna.core.geometry.rects import Rect
from ulna.core.measure import SIZE, ZERO, Length, inches
from ulna.core.parts.kind import Entry, Traits
from ulna.core.parts.pieces import Built, Ground, Handle, Line, PaperChoice, Piece
from ulna.core.parts.place import Place
from ulna.core.parts.sizing import KEPT_OFF, size_handles
from ulna.core.ranges import Gap, Id, Size, Whole

EASE = inches(0, 1, 4)
EACH = inches(0, 1, 32)
"""Twice the thickness of heavy card stock."""


@dataclass(frozen=True, slots=True)
class Pocket:
    """`seam` is how far inside its edge it is fixed. `inside` is the paper of what goes in, `tags` of them as tall as
    the pocket and `out` more, as wide as it takes or as wide as one says; without one only the room for it is told.
    """

    kind: ClassVar[str] = "pocket"
    level: ClassVar[str] = "over"
    id: Id
    width: Size = inches(4)
    height: Size = inches(3)
    seam: Gap = inches(0, 1, 8)
    out: Gap = inches(1)
    choice: PaperChoice = field(default_factory=PaperChoice)
    inside: PaperChoice | None = None
    place: Place = field(default_factory=Place)
    tags: Annotated[int, Whole(1, 24)] = 1
    tag_width: Size | None = None


def room_inside(part: Pocket) -> Length:
    """How wide what goes in may be: the pocket's width less twice the seam and 1/4 in, and less twice the thickness of
    all tags but one."""
    return part.width - part.seam * 2 - EASE - EACH * (part.tags - 1)


def build(part: Pocket, ground: Ground, room: Rect) -> Built:
    """The card that goes in, where there is one, then the pocket and its seam."""
    ruler = ground.ruler
    width, height = ruler.round(part.width), ruler.round(part.height)
    goes_in = ruler.step(room_inside(part), 0)
    if goes_in < SIZE.least or height - part.seam < SIZE.least:
        least = ruler.say(part.seam * 2 + EASE + SIZE.least)
        told = f"A seam of {ruler.say(part.seam)} leaves no room inside; make the pocket wider than {least}."
        if part.tags > 1:
            told = f"{part.tags} tags leave no room inside; make the pocket wider, or put in fewer."
        return Built(ZERO, ZERO, findings=(Finding("nothing-left", "stop", part.id, told),))
    out = ruler.round(part.out) if part.inside is not None else ZERO
    pieces, findings = list[Piece](), list[Finding]()
    if part.inside is not None:
        tall = height - ruler.round(part.seam) + out
        wide = goes_in if part.tag_width is None else max(ruler.mark, ruler.round(part.tag_width))
        at = Rect(ruler.round((width - wide).part(1, 2)), ZERO, wide, tall)
        for k in range(part.tags):
            key, name = (f"inside-{k + 1}", f"what goes in, {k + 1}") if k else ("inside", "what goes in")
            pieces.append(Piece(f"{part.id}/{key}", part.id, "shape", name, at, at, part.inside))
        findings = _too_wide(part, wide, goes_in, ground)
    box = Rect(ZERO, out, width, height)
    pieces.append(Piece(f"{part.id}/pocket", part.id, "panel", "pocket", box, box, part.choice))
    s, w, top, low = part.seam.inches, width.inches, out.inches, (out + height).inches
    seam = Line("stitch", f"M{s:g} {top:g}V{low - s:g}H{w - s:g}V{top:g}")
    thick = f" − {ruler.say(ruler.up((EACH * (part.tags - 1)).inches))}" if part.tags > 1 else ""
    told = (
        f"{ruler.say_size(width, height)}; {ruler.say(width)} − 2 × {ruler.say(part.seam)} − {ruler.say(EASE)}{thick} "
        f"= {ruler.say(goes_in)} wide inside, {ruler.say(height - part.seam)} deep"
    )
    handles = [*size_handles(part.place, box), Handle("seam", "seam", part.seam, box.bottom, 1)]
    if part.inside is not None:
        handles.append(Handle("out", "out at the top", width.part(1, 2), ZERO, 0, -1))
    return Built(width, out + height, tuple(pieces), told, tuple(findings), lines=(seam,), handles=tuple(handles))


def _too_wide(part: Pocket, wide: Length, goes_in: Length, ground: Ground) -> list[Finding]:
    """Tags of a width of their own that the pocket does not take, and how wide it would have to be."""
    if wide <= goes_in:
        return []
    ruler = ground.ruler
    needed = ruler.up((part.width + wide - room_inside(part)).inches)
    many = "The tag is" if part.tags == 1 else f"The {part.tags} tags are"
    told = f"{many} {ruler.say(wide)} wide and the pocket takes {ruler.say(goes_in)}."
    wider = Remedy(f"Make the pocket {ruler.say(needed)} wide", replace(part, width=needed))
    it = "it" if part.tags == 1 else "them"
    narrower = Remedy(f"Make {it} {ruler.say(goes_in)} wide", replace(part, tag_width=None))
    return [Finding("tag", "warn", part.id, told, (wider, narrower))]


def name(part: Pocket, ground: Ground) -> str:
    return "the pocket"


def sentence(part: Pocket, ground: Ground) -> str:
    say = ground.ruler.say
    said = [f"Pocket {ground.ruler.say_size(part.width, part.height)}", ground.says(part.choice)]
    said.append(f"fixed {say(part.seam)} inside three edges")
    if part.inside is not None:
        many = "" if part.tags == 1 else f"{part.tags} tags "
        wide = "" if part.tag_width is None else f", {say(part.tag_width)} wide"
        said.append(f"in it {many}{ground.says(part.inside)}{wide}, {say(part.out)} out at the top")
    return ", ".join(said)


PART = Pocket
TRAITS = Traits(whole=True, off_trim=KEPT_OFF)
MENU: tuple[Entry, ...] = (
    Entry(
        "Pocket",
        "stitched hidden tag insert",
        "M4 9h16v12H4zM8 9V4h8v5",
        lambda b: Pocket("new", b.of(4), b.of(3), b.usual.narrow, b.of(1), inside=PaperChoice()),
    ),
)
