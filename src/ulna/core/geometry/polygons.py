"""Polygons in inches as floats: for what no ruler measures, the outline of a shape once it lies on the page.

Sizes that are cut are lengths on marks; a polygon says what of them is seen. Corners go clockwise, y downward.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from fractions import Fraction

from ulna.core.geometry.rects import Rect
from ulna.core.measure import PER_INCH

Point = tuple[float, float]
Exact = tuple[Fraction, Fraction]
Polygon = tuple[Point, ...]
Bounds = tuple[float, float, float, float]
"""Left, top, right, bottom."""

NEGLIGIBLE = 1e-6
"""An area in square inches under which nothing is left."""


def box(x: float, y: float, width: float, height: float) -> Polygon:
    return ((x, y), (x + width, y), (x + width, y + height), (x, y + height))


def area(polygon: Polygon) -> float:
    """In square inches, whichever way round the corners go."""
    total = 0.0
    for k, (x1, y1) in enumerate(polygon):
        x2, y2 = polygon[k - 1]
        total += x2 * y1 - x1 * y2
    return abs(total) / 2


def length(polygon: Polygon) -> float:
    """How long its outline is."""
    return sum(math.dist(polygon[k - 1], corner) for k, corner in enumerate(polygon))


def units_in(polygon: Polygon, rect: Rect) -> Fraction:
    """What of a polygon lies in a rectangle, in units squared (1/914400 in) and without error: parts of one sheet add
    up to it. Corners are taken to the nearest unit."""
    return units_of(in_units(polygon), rect)


def in_units(polygon: Polygon) -> list[tuple[int, int]]:
    """The corners in whole units, each to the nearest."""
    return [(round(x * PER_INCH), round(y * PER_INCH)) for x, y in polygon]


def units_of(whole: Sequence[tuple[int, int]], rect: Rect) -> Fraction:
    """As `units_in`, of corners that are in whole units."""
    xs, ys = [x for x, _ in whole], [y for _, y in whole]
    left, top, right, bottom = rect.x.units, rect.y.units, rect.right.units, rect.bottom.units
    if max(xs) <= left or min(xs) >= right or max(ys) <= top or min(ys) >= bottom:
        return Fraction(0)
    if min(xs) >= left and max(xs) <= right and min(ys) >= top and max(ys) <= bottom:
        return _twice(whole) / 2
    corners = [(Fraction(x), Fraction(y)) for x, y in whole]
    for axis, limit, sign in ((0, left, -1), (0, right, 1), (1, top, -1), (1, bottom, 1)):
        corners = _within(corners, axis, Fraction(limit), sign)
    return _twice(corners) / 2


def _twice(corners: Sequence[tuple[int, int]] | Sequence[Exact]) -> Fraction:
    """Twice the area, whichever way round the corners go."""
    around = zip([*corners[-1:], *corners[:-1]], corners, strict=True)
    return Fraction(abs(sum(x2 * y1 - x1 * y2 for (x2, y2), (x1, y1) in around)))


def _within(corners: list[Exact], axis: int, limit: Fraction, sign: int) -> list[Exact]:
    """The corners of what lies on one side of an upright or level line."""
    if all(sign * (corner[axis] - limit) <= 0 for corner in corners):
        return corners
    kept = list[Exact]()
    for k, here in enumerate(corners):
        before = corners[k - 1]
        d1, d2 = sign * (before[axis] - limit), sign * (here[axis] - limit)
        if (d1 < 0 < d2) or (d2 < 0 < d1):
            t = d1 / (d1 - d2)
            kept.append((before[0] + (here[0] - before[0]) * t, before[1] + (here[1] - before[1]) * t))
        if d2 <= 0:
            kept.append(here)
    return kept


def bounds(polygon: Polygon) -> Bounds:
    xs, ys = [x for x, _ in polygon], [y for _, y in polygon]
    return min(xs), min(ys), max(xs), max(ys)


def moved(polygon: Polygon, across: float, down: float) -> Polygon:
    return tuple((x + across, y + down) for x, y in polygon)


def turned(polygon: Polygon, degrees: float, about: Point = (0.0, 0.0)) -> Polygon:
    """Turned clockwise as it is seen."""
    cos, sin = math.cos(math.radians(degrees)), math.sin(math.radians(degrees))
    cx, cy = about
    return tuple((cx + (x - cx) * cos - (y - cy) * sin, cy + (x - cx) * sin + (y - cy) * cos) for x, y in polygon)


def cut(polygon: Polygon, nx: float, ny: float, most: float) -> Polygon:
    """What lies where nx·x + ny·y ≤ most; empty where nothing does."""
    kept: list[Point] = []
    for k, (x2, y2) in enumerate(polygon):
        x1, y1 = polygon[k - 1]
        d1, d2 = nx * x1 + ny * y1 - most, nx * x2 + ny * y2 - most
        if (d1 < 0 < d2) or (d2 < 0 < d1):
            t = d1 / (d1 - d2)
            kept.append((x1 + (x2 - x1) * t, y1 + (y2 - y1) * t))
        if d2 <= 0:
            kept.append((x2, y2))
    found = tuple(kept)
    return found if len(found) > 2 and area(found) > NEGLIGIBLE else ()


def clipped(polygon: Polygon, convex: Polygon) -> Polygon:
    """What of a polygon lies inside a convex one whose corners go clockwise."""
    for k, (x2, y2) in enumerate(convex):
        if not polygon:
            return ()
        x1, y1 = convex[k - 1]
        nx, ny = y2 - y1, x1 - x2
        polygon = cut(polygon, nx, ny, nx * x1 + ny * y1)
    return polygon


def band(polygon: Polygon, degrees: float, low: float, high: float) -> Polygon:
    """What lies between two lines that run at an angle, clockwise from rightward, `low` and `high` from the origin
    along their normal (which points downward for level lines)."""
    nx, ny = -math.sin(math.radians(degrees)), math.cos(math.radians(degrees))
    return cut(cut(polygon, nx, ny, high), -nx, -ny, -low)


def halves(polygon: Polygon, x: float) -> tuple[Polygon, Polygon]:
    """What lies left and right of an upright line."""
    return cut(polygon, 1, 0, x), cut(polygon, -1, 0, -x)


def inside(point: Point, polygon: Polygon) -> bool:
    """Whether a point lies in a polygon; on its edge it may or may not."""
    x, y = point
    within = False
    for k, (x1, y1) in enumerate(polygon):
        x2, y2 = polygon[k - 1]
        if (y1 > y) != (y2 > y) and x < x1 + (y - y1) * (x2 - x1) / (y2 - y1):
            within = not within
    return within


def outward(convex: Polygon, by: float) -> Polygon:
    """A convex polygon, clockwise, with every edge moved outward; inward where `by` is below 0, and empty where edges
    have passed each other. It begins at the corner before the first."""
    lines = []
    for k, (x2, y2) in enumerate(convex):
        x1, y1 = convex[k - 1]
        long = math.hypot(x2 - x1, y2 - y1)
        if long < 1e-9:
            continue
        nx, ny = (y2 - y1) / long, (x1 - x2) / long
        lines.append((nx, ny, nx * x1 + ny * y1 + by))
    found: list[Point] = []
    for k, (a2, b2, c2) in enumerate(lines):
        a1, b1, c1 = lines[k - 1]
        d = a1 * b2 - a2 * b1
        if abs(d) > 1e-9:
            found.append(((c1 * b2 - c2 * b1) / d, (a1 * c2 - a2 * c1) / d))
    if by < 0 and any(nx * x + ny * y > most + 1e-9 for x, y in found for nx, ny, most in lines):
        return ()
    return tuple(found)


def path(*polygons: Polygon) -> str:
    """In the SVG path notation; several are one path, the later ones its holes."""
    return "".join("M" + "L".join(f"{x:.5g} {y:.5g}" for x, y in p) + "Z" for p in polygons if p)
