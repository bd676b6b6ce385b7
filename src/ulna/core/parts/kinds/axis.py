"""An axis: a line that is not cut, on which other parts stand.

column │    horizon ───    falling ╲    rising ╱    ring ○
"""

from __future__ import annotations

import math
from dataclasses import dataclass, field
from typing import ClassVar, Literal

from ulna.core.geometry.polygons import Point
from ulna.core.geometry.rects import Rect
from ulna.core.measure import Length, inches
from ulna.core.parts.beginning import Beginning
from ulna.core.parts.kind import Entry, Standable, Traits
from ulna.core.parts.pieces import Built, Ground, Handle, Line
from ulna.core.parts.place import Place
from ulna.core.ranges import Id, Size

Run = Literal["column", "horizon", "falling", "rising", "ring"]
THIN = Length(1)


@dataclass(frozen=True, slots=True)
class Axis:
    """`length` is how long the line is; of a ring or a diagonal it is the width of its box, `height` its height."""

    kind: ClassVar[str] = "axis"
    level: ClassVar[str] = "over"
    id: Id
    run: Run = "horizon"
    length: Size = inches(10)
    height: Size = inches(10)
    place: Place = field(default_factory=Place)


def build(part: Axis, ground: Ground, room: Rect) -> Built:
    """No piece: a line, whose box is as thin as a line where it is straight."""
    w, h = part.length, part.height
    if part.run == "column":
        w, h = THIN, part.length
    elif part.run == "horizon":
        h = THIN
    x, y = w.inches, h.inches
    path = {
        "column": f"M0 0V{y:g}",
        "horizon": f"M0 0H{x:g}",
        "falling": f"M0 0L{x:g} {y:g}",
        "rising": f"M0 {y:g}L{x:g} 0",
        "ring": f"M0 {y / 2:g}a{x / 2:g} {y / 2:g} 0 1 1 {x:g} 0a{x / 2:g} {y / 2:g} 0 1 1 {-x:g} 0",
    }[part.run]
    upright = part.run == "column"
    handles = [Handle("length", "length", w, h if upright else h.part(1, 2), 0 if upright else 1, int(upright))]
    say = ground.ruler.say
    size = f"{say(part.length)} long" if THIN in (w, h) else f"{say(w)} × {say(h)}"
    return Built(w, h, (), size, lines=(Line("axis", path),), handles=tuple(handles))


def point(part: Axis, box: Rect, share: float) -> Point:
    """The point at a share of the line, in inches on the page; a ring begins at the top and goes clockwise."""
    x, y, w, h = box.x.inches, box.y.inches, box.width.inches, box.height.inches
    if part.run == "ring":
        t = math.tau * share
        return x + w / 2 * (1 + math.sin(t)), y + h / 2 * (1 - math.cos(t))
    if part.run == "rising":
        return x + w * share, y + h * (1 - share)
    if part.run == "column":
        return x + w / 2, y + h * share
    return x + w * share, y + (h / 2 if part.run == "horizon" else h * share)


def share_near(part: Axis, box: Rect, at: Point) -> float:
    """The share of the line that lies nearest to a point."""
    steps = 200
    shares = (k / steps for k in range(steps if part.run == "ring" else steps + 1))
    return min(shares, key=lambda s: math.dist(point(part, box, s), at))


def name(part: Axis, ground: Ground) -> str:
    return {"falling": "the falling diagonal", "rising": "the rising diagonal"}.get(part.run, f"the {part.run}")


def sentence(part: Axis, ground: Ground) -> str:
    what = {"falling": "Falling diagonal", "rising": "Rising diagonal"}.get(part.run, part.run.title())
    return f"{what}, {build(part, ground, ground.format.whole).arithmetic}, to stand parts on"


def _axis(begin: Beginning, run: Run) -> Axis:
    long = begin.share(80, 10)
    return Axis("new", run, long, long)


PART = Axis
TRAITS = Traits(line=Standable(point, share_near))
MENU: tuple[Entry, ...] = (
    Entry("Horizon", "axis line stand", "M2 12h20M4 9v6", lambda b: _axis(b, "horizon")),
    Entry("Column", "axis line stand", "M12 2v20M9 4h6", lambda b: _axis(b, "column")),
    Entry("Diagonal", "axis line stand falling rising", "M3 3l18 18", lambda b: _axis(b, "falling")),
    Entry(
        "Ring to stand on", "axis circle line", "M12 3a9 9 0 1 0 0 18 9 9 0 1 0 0-18", lambda b: _axis(b, "ring")
    ),
)
