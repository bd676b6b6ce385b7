"""The order in which the machine goes along lines: what leaves the paper whole first, inner before outer, small before
large, and short ways between; what it refuses, with where.
"""

from __future__ import annotations

import itertools
import math
from collections.abc import Sequence

from ulna.core.errors import FieldError
from ulna.core.geometry import outlines, polygons
from ulna.core.geometry.rects import Rect
from ulna.core.measure import Length, Ruler, length_of
from ulna.machines.cutting_machine.words import LineOut

LIFT = 0.25
"""Seconds for lifting the blade and setting it down again."""
SMALL = 1.0
"""Square inches: outlines are cut by size, those within twice as much of each other by the way between them."""


def checked(lines: Sequence[LineOut], sheet: Rect, bed: Rect, margin: Length, smallest: Length) -> None:
    """Raises `FieldError` for the first line that lies off the bed, off the paper, is open though it is to be cut
    through, or is too small for the blade."""
    m = margin.inches
    for line in lines:
        left, top, right, bottom = polygons.bounds(tuple(line.points))
        where = f"the line at {_say(left)} from the left and {_say(top)} from the top"
        if right > bed.right.inches + 1e-6 or bottom > bed.bottom.inches + 1e-6:
            raise FieldError("line", where, "it lies off the bed", "lay the sheet the other way, or cut it smaller")
        edges = (
            left < m - 1e-6,
            top < m - 1e-6,
            right > sheet.right.inches - m + 1e-6,
            bottom > sheet.bottom.inches - m + 1e-6,
        )
        if any(edges):
            told = (
                f"it comes nearer to the paper's edge than {_say(m)}"
                if left >= 0 and top >= 0
                else "it lies off the paper"
            )
            raise FieldError("line", where, told, "move it inward")
        if line.does == "through" and not line.closed:
            raise FieldError("line", where, "it is open, so nothing would come out", "close it, or have it creased")
        if line.does == "through" and max(right - left, bottom - top) < smallest.inches - 1e-6:
            told = f"it is smaller than {_say(smallest.inches)}, and the blade does not turn in it"
            raise FieldError("line", where, told, "make it larger, or cut it by hand")


def _say(inches: float) -> str:
    return Ruler().say(Ruler().round(length_of(inches)))


def in_order(lines: Sequence[LineOut]) -> list[LineOut]:
    """Pen and creases while the paper is whole, then what is cut through."""
    found = list[LineOut]()
    at = (0.0, 0.0)
    for does in ("pen", "crease"):
        left = [line for line in lines if line.does == does]
        while left:
            line = min(left, key=lambda one: math.dist(at, one.points[0]))
            left.remove(line)
            found.append(line)
            at = line.points[-1]
    through = [line for line in lines if line.does == "through"]
    shapes = [tuple(line.points) for line in through]
    depth = dict(zip(map(id, through), outlines.depths(shapes), strict=True))
    size = {id(line): polygons.area(shape) for line, shape in zip(through, shapes, strict=True)}
    inner = {id(line): _inside(k, shapes) for k, line in enumerate(through)}
    done, left = set[int](), list(through)
    while left:
        free = [line for line in left if all(id(through[k]) in done for k in inner[id(line)])]
        line = min(
            free or left,
            key=lambda one: (
                -depth[id(one)],
                round(math.log2(max(size[id(one)], 0.01) / SMALL)),
                math.dist(at, one.points[0]),
            ),
        )
        left.remove(line)
        done.add(id(line))
        found.append(line)
        at = line.points[0]
    return found


def _inside(k: int, shapes: Sequence[polygons.Polygon]) -> list[int]:
    """Which of the others lie in it."""
    own = polygons.bounds(shapes[k])
    return [
        other for other, shape in enumerate(shapes)
        if other != k and _holds(own, polygons.bounds(shape)) and polygons.inside(shape[0], shapes[k])
    ]  # fmt: skip


def _holds(outer: polygons.Bounds, inner: polygons.Bounds) -> bool:
    return outer[0] <= inner[0] and outer[1] <= inner[1] and outer[2] >= inner[2] and outer[3] >= inner[3]


def length(line: LineOut) -> float:
    """Inches along it."""
    points = [*line.points, line.points[0]] if line.closed else line.points
    return sum(math.dist(a, b) for a, b in itertools.pairwise(points))


def seconds(lines: Sequence[LineOut], speed: float) -> float:
    """What is still to be made takes so long at so many inches a second."""
    return sum(length(line) / speed + LIFT for line in lines if line.fate == "to do")
