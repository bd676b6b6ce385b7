"""A line of stitches, d inside the edge of what it lies on (1/8 in as a rule), on the sides that are wanted.

Stitch before what covers the seam, and before the page goes into its protector.
"""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import ClassVar, Literal

from ulna.core.findings import Finding
from ulna.core.geometry.rects import Rect
from ulna.core.measure import SIZE, ZERO, Length, inches
from ulna.core.parts.pieces import Built, Ground, Handle, Line
from ulna.core.parts.place import Place

Sides = Literal["all round", "top", "bottom", "left", "right", "top and bottom", "left and right"]


@dataclass(frozen=True, slots=True)
class Stitching:
    kind: ClassVar[str] = "stitching"
    level: ClassVar[str] = "over"
    id: str
    inset: Length = inches(0, 1, 8)
    sides: Sides = "all round"
    place: Place = field(default_factory=Place)


def build(part: Stitching, ground: Ground, room: Rect) -> Built:
    """No piece: the seam as a line, and how long it is."""
    width, height = room.width - part.inset * 2, room.height - part.inset * 2
    if min(width, height) < SIZE.least:
        told = f"{ground.ruler.say(part.inset)} inside the edge nothing is left to stitch; go nearer to the edge."
        return Built(ZERO, ZERO, findings=(Finding("nothing-left", "stop", part.id, told),))
    w, h = width.inches, height.inches
    level = {"top": f"M0 0H{w:g}", "bottom": f"M0 {h:g}H{w:g}"}
    upright = {"left": f"M0 0V{h:g}", "right": f"M{w:g} 0V{h:g}"}
    runs = [side for side in (*level, *upright) if part.sides == "all round" or side in part.sides.split(" and ")]
    path = "".join((level | upright)[side] for side in runs)
    total = sum((width if side in level else height for side in runs), ZERO)
    told = f"{ground.ruler.say(total)} of seam; leave three times as much thread"
    handle = Handle("inset", "inside the edge", width, height.part(1, 2), -1)
    return Built(width, height, (), told, lines=(Line("stitch", path),), handles=(handle,))


def name(part: Stitching, ground: Ground) -> str:
    return "the stitching"


def sentence(part: Stitching, ground: Ground) -> str:
    return f"Stitched {part.sides}, {ground.ruler.say(part.inset)} inside the edge"
