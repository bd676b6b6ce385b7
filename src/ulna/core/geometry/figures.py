"""Figures that people cut from paper within a box of w × h, beside those that a photo can have.

banner        pennant       tag         scalloped      heart        rounded
┌──────┐      ┌──────┐      ╱────╲      ╭╮╭╮╭╮╭╮       ╭─╮╭─╮       ╭────╮
│      │       ╲    ╱      │  o   │     (        )      ╲    ╱       │    │
│  ╱╲  │        ╲  ╱       │      │     (        )       ╲  ╱        │    │
└─╱  ╲─┘         ╲╱        └──────┘      ╰╯╰╯╰╯╰╯         ╲╱         ╰────╯
cut = depth                cut = corner  cut = one scallop            cut = radius
"""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from fractions import Fraction
from functools import lru_cache
from typing import Annotated, Literal, get_args

from ulna.core.geometry import shapes
from ulna.core.geometry.polygons import (
    NEGLIGIBLE,
    Point,
    Polygon,
    bounds,
    box,
    clipped,
    in_units,
    inside,
    moved,
    units_of,
)
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length
from ulna.core.ranges import Rounded

Figure = Literal[
    "rectangle",
    "rounded",
    "circle",
    "arch",
    "hexagon",
    "on the tip",
    "heart",
    "banner",
    "pennant",
    "triangle",
    "tag",
    "scalloped",
    "scalloped round",
]
FIGURES: tuple[Figure, ...] = get_args(Figure)
CUT: dict[Figure, str] = {
    "rounded": "corners rounded by",
    "banner": "v cut",
    "tag": "corners clipped by",
    "scalloped": "scallops about",
    "scalloped round": "scallops about",
}
"""The figures that have a measure of their own, and what it is."""


Outline = Annotated[Polygon, Rounded(6)]
"""As it is written down: to a millionth of an inch."""


@dataclass(frozen=True, slots=True)
class Hole:
    """A hole of a figure in a box, from the corner of what it is in; `cut` is the figure's own measure.

    `clipped` is what is left of it, in inches from the same corner, where the gutter has parted what it is in. In a
    piece that lies turned on its sheet it stands clockwise by so many `quarters`.
    """

    x: Length
    y: Length
    width: Length
    height: Length
    figure: Figure = "rectangle"
    cut: Length = ZERO
    clipped: Outline = ()
    quarters: int = 0

    @classmethod
    def of(cls, at: Rect, figure: Figure = "rectangle", cut: Length = ZERO) -> Hole:
        return cls(at.x, at.y, at.width, at.height, figure, cut)

    @property
    def at(self) -> Rect:
        return Rect(self.x, self.y, self.width, self.height)

    def moved(self, across: Length, down: Length) -> Hole:
        line = moved(self.clipped, across.inches, down.inches) if self.clipped else ()
        return replace(self, x=self.x + across, y=self.y + down, clipped=line)

    def within(self, part: Rect) -> Hole:
        """What of it lies in a part that it meets, from the same corner."""
        if part.contains(self.at):
            return self
        there = part.common(self.at)
        if self.is_straight:
            return Hole.of(there)
        room = box(part.x.inches, part.y.inches, part.width.inches, part.height.inches)
        return replace(
            self, x=there.x, y=there.y, width=there.width, height=there.height, clipped=clipped(self.outline, room)
        )

    def units_in(self, part: Rect) -> Fraction:
        """How much of it lies in a part, in units squared and without error, wherever it is counted from."""
        return _units_in(self, part)

    def in_units(self) -> list[tuple[int, int]]:
        """Its corners in whole units."""
        if self.clipped:
            return in_units(self.clipped)
        return [(x + self.x.units, y + self.y.units) for x, y in in_units(self._own())]

    @property
    def is_straight(self) -> bool:
        return self.figure == "rectangle" and not self.clipped

    @property
    def outline(self) -> Polygon:
        """In inches from the corner of what it is in."""
        if self.clipped:
            return self.clipped
        return moved(self._own(), self.x.inches, self.y.inches)

    def _own(self) -> Polygon:
        """From the corner of its box."""
        width, height = self.width.inches, self.height.inches
        upright = (height, width) if self.quarters % 2 else (width, height)
        return quarter_turned(outline(self.figure, *upright, self.cut.inches), *upright, self.quarters)


@lru_cache(maxsize=4096)
def _units_in(hole: Hole, part: Rect) -> Fraction:
    """Remembered: the book and the list ask for the same parts again and again, and fractions are slow."""
    return units_of(hole.in_units(), part)


def quarter_turned(outline: Polygon, width: float, height: float, quarters: int) -> Polygon:
    """An outline in a box of `width` × `height` once box and outline are turned clockwise by so many quarters, from the
    corner that the box has then."""
    for _ in range(quarters % 4):
        outline = tuple((height - y, x) for x, y in outline)
        width, height = height, width
    return outline


ARCS = 12
MOST_SCALLOPS = 100


def scallops(length: float, wanted: float) -> tuple[int, float]:
    """How many whole scallops go along a length, and how wide each is: n = round(length / wanted)."""
    if wanted * MOST_SCALLOPS < length:  # also where none are wanted at all: nobody punches finer ones
        wanted = length / MOST_SCALLOPS if wanted > 0 else length
    n = max(1, round(length / wanted))
    return n, length / n


def outline(figure: Figure, width: float, height: float, cut: float = 0.0) -> Polygon:
    """The corners clockwise in inches, curves as short lines. `cut` is held to what the box allows."""
    w, h = width, height
    if figure == "rounded":
        return _rounded(w, h, min(cut, w / 2, h / 2))
    if figure == "heart":
        return _heart(w, h)
    if figure == "banner":
        d = min(cut, h)
        return ((0, 0), (w, 0), (w, h), (w / 2, h - d), (0, h))
    if figure == "pennant":
        return ((0, 0), (w, 0), (w / 2, h))
    if figure == "triangle":
        return ((w / 2, 0), (w, h), (0, h))
    if figure == "tag":
        c = min(cut, w / 2, h)
        return ((c, 0), (w - c, 0), (w, c), (w, h), (0, h), (0, c))
    if figure == "scalloped":
        return _scalloped(w, h, cut)
    if figure == "scalloped round":
        return _scalloped_round(w, h, cut)
    if figure == "rectangle":
        return box(0, 0, w, h)
    return tuple(shapes.outline(figure, w, h))


def _arc(cx: float, cy: float, rx: float, ry: float, start: float, end: float, steps: int = ARCS) -> list[Point]:
    """From one angle to another in degrees, clockwise from the top."""
    found = []
    for k in range(steps + 1):
        t = math.radians(start + (end - start) * k / steps)
        found.append((cx + rx * math.sin(t), cy - ry * math.cos(t)))
    return found


def _rounded(w: float, h: float, r: float) -> Polygon:
    if r <= 0:
        return box(0, 0, w, h)
    corners = ((w - r, r, 0), (w - r, h - r, 90), (r, h - r, 180), (r, r, 270))
    return tuple(p for x, y, a in corners for p in _arc(x, y, r, r, a, a + 90))


def _heart(w: float, h: float) -> Polygon:
    """Two half circles on a point; as high as its box."""
    r, lobe = w / 4, min(w / 4, h / 3)
    left = _arc(r, lobe, r, lobe, 270, 450, 2 * ARCS)
    right = _arc(3 * r, lobe, r, lobe, 270, 450, 2 * ARCS)
    side = [(w - (w / 2) * t**1.35, lobe + (h - lobe) * t) for t in (k / ARCS for k in range(1, ARCS + 1))]
    back = [(w - x, y) for x, y in reversed(side[:-1])]
    return (*left, *right[1:], *side, *back)


def _scalloped(w: float, h: float, wanted: float) -> Polygon:
    (nx, sx), (ny, sy) = scallops(w, wanted or min(w, h) / 6), scallops(h, wanted or min(w, h) / 6)
    dx, dy = min(sx / 2, w / 4), min(sy / 2, h / 4)
    d = min(dx, dy)
    found: list[Point] = []
    inner_w, inner_h = w - 2 * d, h - 2 * d
    (nx, sx), (ny, sy) = (nx, inner_w / nx), (ny, inner_h / ny)
    for k in range(nx):
        found += _arc(d + (k + 0.5) * sx, d, sx / 2, d, -90, 90, 8)
    for k in range(ny):
        found += _arc(w - d, d + (k + 0.5) * sy, d, sy / 2, 0, 180, 8)
    for k in range(nx):
        found += _arc(w - d - (k + 0.5) * sx, h - d, sx / 2, d, 90, 270, 8)
    for k in range(ny):
        found += _arc(d, h - d - (k + 0.5) * sy, d, sy / 2, 180, 360, 8)
    return tuple(found)


def round_scallops(width: float, height: float, wanted: float) -> int:
    """How many whole scallops go round an oval: n = round(its length / wanted), its length about π(w + h)/2."""
    n, _ = scallops(math.pi * (width + height) / 2, wanted or min(width, height) / 4)
    return max(n, 5)


def _scalloped_round(w: float, h: float, wanted: float) -> Polygon:
    """Whole scallops on an oval, one of them at the top, as wide and high as the box."""
    n = round_scallops(w, h, wanted)
    r = math.pi / (n + math.pi)  # of an oval that is 2 across: bumps of this radius fill what they stand on
    found = list[Point]()
    for k in range(n):
        a = 360 * k / n
        x, y = (1 - r) * math.sin(math.radians(a)), -(1 - r) * math.cos(math.radians(a))
        found += _arc(x, y, r, r, a - 90, a + 90, 8)
    x1, y1, x2, y2 = bounds(tuple(found))
    return tuple(((x - x1) / (x2 - x1) * w, (y - y1) / (y2 - y1) * h) for x, y in found)


def half_outline(figure: Figure, half: str, width: float, height: float, cut: float = 0.0) -> Polygon:
    """The left, right, upper or lower half of a figure, in a box of `width` × `height` of its own."""
    if half in ("left", "right"):
        whole, room = outline(figure, 2 * width, height, cut), box(0 if half == "left" else width, 0, width, height)
    else:
        whole, room = outline(figure, width, 2 * height, cut), box(0, 0 if half == "top" else height, width, height)
    return moved(clipped(whole, room), -room[0][0], -room[0][1])


def inner_box(shape: Polygon) -> Rect | None:
    """The box of a shape shrunk about its middle until its corners lie in the shape; none where it is hollow."""
    x1, y1, x2, y2 = bounds(shape)
    mx, my = (x1 + x2) / 2, (y1 + y2) / 2
    if not _convex(shape):
        return None
    low, high = 0.0, 1.0
    for _ in range(12):
        share = (low + high) / 2
        dx, dy = (x2 - x1) / 2 * share, (y2 - y1) / 2 * share
        corners = [(mx + sx * dx, my + sy * dy) for sx in (-1, 1) for sy in (-1, 1)]
        if all(inside(corner, shape) for corner in corners):
            low = share
        else:
            high = share
    dx, dy = (x2 - x1) / 2 * low, (y2 - y1) / 2 * low
    left, top = _up(mx - dx), _up(my - dy)
    width, height = _down(mx + dx) - left, _down(my + dy) - top
    return Rect(left, top, width, height) if min(width, height) > ZERO else None


def _convex(shape: Polygon) -> bool:
    bends = set()
    for k in range(len(shape)):
        (x0, y0), (x1, y1), (x2, y2) = (shape[(k + n) % len(shape)] for n in range(3))
        bend = (x1 - x0) * (y2 - y1) - (y1 - y0) * (x2 - x1)
        if abs(bend) > NEGLIGIBLE:
            bends.add(bend > 0)
    return len(bends) == 1


_FINE = Length(914400 // 64)


def _up(inches: float) -> Length:
    return _FINE * -int(-inches * 64 // 1)


def _down(inches: float) -> Length:
    return _FINE * int(inches * 64 // 1)
