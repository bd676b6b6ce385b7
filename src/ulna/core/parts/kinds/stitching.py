"""A line of stitches, d inside the edge of what it lies on (1/8 in as a rule), on the sides that are wanted.

Stitch before what covers the seam, and before the page goes into its protector.
"""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import ClassVar, Literal

from ulna.core.findings import Finding
from ulna.core.geometry.rects import Rect
from ulna.core.measure import SIZE, ZERO, inches
from ulna.core.parts.kind import Entry, Traits
from ulna.core.parts.pieces import Built, Ground, Handle, Line
from ulna.core.parts.place import Place
from ulna.core.parts.sizing import KEPT_OFF
from ulna.core.ranges import Gap, Id

Sides = Literal["all round", "top", "bottom", "left", "right", "top and bottom", "left and right"]


@dataclass(frozen=True, slots=True)
class Stitching:
    kind: ClassVar[str] = "stitching"
    level: ClassVar[str] = "over"
    id: Id
    inset: Gap = inches(0, 1, 8)
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


PART = Stitching
TRAITS = Traits(fills=lambda part: True, off_trim=KEPT_OFF)
MENU: tuple[Entry, ...] = (
    Entry(
        "Stitching",
        "sewn seam thread line",
        "M4 4h4M11 4h4M18 4h2v3M20 10v4M20 17v3h-3M14 20h-4M7 20H4v-3M4 14v-4M4 7V4",
        lambda b: Stitching("new", b.usual.narrow),
    ),
)
