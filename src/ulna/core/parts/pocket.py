"""A pocket: a panel stitched or glued on three sides, open at the top.

  ┌────┐      what goes in is narrower by twice the seam plus 1/4 in,
┌─┤    ├─┐    and stands out at the top by the wanted amount
┆ └────┘ ┆
└┄┄┄┄┄┄┄┄┘
"""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import ClassVar

from ulna.core.findings import Finding
from ulna.core.geometry import Rect
from ulna.core.measure import SIZE, ZERO, Length, inches
from ulna.core.parts.place import Place
from ulna.core.parts.sizing import size_handles
from ulna.core.pieces import Built, Ground, Handle, Line, PaperChoice, Piece

EASE = inches(0, 1, 4)
KEPT_OFF = inches(0, 1, 4)
"""What must stay whole keeps so far off an edge that may be trimmed."""


@dataclass(frozen=True, slots=True)
class Pocket:
    """`seam` is how far inside its edge it is fixed. `inside` is the paper of what goes in, a tag as tall as the
    pocket and `out` more; without one only the room for it is told.
    """

    kind: ClassVar[str] = "pocket"
    level: ClassVar[str] = "over"
    id: str
    width: Length = inches(4)
    height: Length = inches(3)
    seam: Length = inches(0, 1, 8)
    out: Length = inches(1)
    choice: PaperChoice = field(default_factory=PaperChoice)
    inside: PaperChoice | None = None
    place: Place = field(default_factory=Place)


def room_inside(part: Pocket) -> Length:
    """How wide what goes in may be: the pocket's width less twice the seam and 1/4 in."""
    return part.width - part.seam * 2 - EASE


def build(part: Pocket, ground: Ground, room: Rect) -> Built:
    """The card that goes in, where there is one, then the pocket and its seam."""
    ruler = ground.ruler
    width, height = ruler.round(part.width), ruler.round(part.height)
    goes_in = ruler.step(room_inside(part), 0)
    if goes_in < SIZE.least or height - part.seam < SIZE.least:
        least = ruler.say(part.seam * 2 + EASE + SIZE.least)
        told = f"A seam of {ruler.say(part.seam)} leaves no room inside; make the pocket wider than {least}."
        return Built(ZERO, ZERO, findings=(Finding("nothing-left", "stop", part.id, told),))
    out = ruler.round(part.out) if part.inside is not None else ZERO
    pieces = list[Piece]()
    if part.inside is not None:
        tall = height - ruler.round(part.seam) + out
        at = Rect(ruler.round((width - goes_in).part(1, 2)), ZERO, goes_in, tall)
        pieces.append(Piece(f"{part.id}/inside", part.id, "shape", "what goes in", at, at, part.inside))
    box = Rect(ZERO, out, width, height)
    pieces.append(Piece(f"{part.id}/pocket", part.id, "panel", "pocket", box, box, part.choice))
    s, w, top, low = part.seam.inches, width.inches, out.inches, (out + height).inches
    seam = Line("stitch", f"M{s:g} {top:g}V{low - s:g}H{w - s:g}V{top:g}")
    told = (
        f"{ruler.say_size(width, height)}; {ruler.say(width)} − 2 × {ruler.say(part.seam)} − {ruler.say(EASE)} = "
        f"{ruler.say(goes_in)} wide inside, {ruler.say(height - part.seam)} deep"
    )
    handles = [*size_handles(part.place, box), Handle("seam", "seam", part.seam, box.bottom, 1)]
    if part.inside is not None:
        handles.append(Handle("out", "out at the top", width.part(1, 2), ZERO, 0, -1))
    return Built(width, out + height, tuple(pieces), told, lines=(seam,), handles=tuple(handles))


def name(part: Pocket, ground: Ground) -> str:
    return "the pocket"


def sentence(part: Pocket, ground: Ground) -> str:
    say = ground.ruler.say
    said = [f"Pocket {ground.ruler.say_size(part.width, part.height)}", ground.says(part.choice)]
    said.append(f"fixed {say(part.seam)} inside three edges")
    if part.inside is not None:
        said.append(f"in it {ground.says(part.inside)}, {say(part.out)} out at the top")
    return ", ".join(said)
