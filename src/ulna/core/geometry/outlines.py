"""What is made of outlines that are no simple figures: grown, joined, cut out of each other, how much two share.

Letters are such outlines. Shapely does the geometry; here it is said in polygons in inches, corners clockwise, y
downward.
"""

from __future__ import annotations

import math
from collections.abc import Iterable, Sequence
from functools import lru_cache

from shapely import Geometry, MultiPolygon, box, clip_by_rect, unary_union
from shapely.geometry import Polygon as Area
from shapely.geometry.polygon import orient

from ulna.core.geometry.polygons import NEGLIGIBLE, Polygon, moved

ROUND = 6
"""Into so many short lines a quarter of a round corner is drawn out."""
HAIR = 1e-6
"""Of a cell: what reaches less far into one is beside it."""
SMOOTH = 1 / 500
"""In inches: corners that are nearer than this to a straight line are left out."""


@lru_cache(4_096)
def grown(outline: Polygon, by: float) -> Polygon:
    """The outline wider by so much all round, its corners round; of what hangs together the largest part where `by` is
    less than nothing. Empty where nothing is left."""
    parts = _parts(Area(outline).buffer(by, quad_segs=ROUND).simplify(SMOOTH))
    return _ring(max(parts, key=lambda part: part.area)) if parts else ()


def joined(outlines: Iterable[Polygon], by: float = 0.0, gap: float = 0.0) -> list[Polygon]:
    """The outer outlines of all of these together, each wider by so much; those that touch become one, and with a `gap`
    those that stand up to twice as far apart as well."""
    every = tuple(one for one in outlines if one)
    if not every:
        return []
    x, y = min(x for one in every for x, _ in one), min(y for one in every for _, y in one)
    found = _joined(tuple(tuple((round(a - x, 7), round(b - y, 7)) for a, b in one) for one in every), by, gap)
    return [moved(one, x, y) for one in found]


@lru_cache(2_048)
def _joined(outlines: tuple[Polygon, ...], by: float, gap: float) -> tuple[Polygon, ...]:
    """Remembered wherever it lies: the letters of a title are the same after each key that is pressed."""
    whole = unary_union([Area(one).buffer(by + gap, quad_segs=ROUND) for one in outlines])
    whole = whole.buffer(-gap) if gap else whole
    return tuple(_ring(part) for part in _parts(whole.simplify(SMOOTH)))


def hull(outlines: Iterable[Polygon], by: float) -> Polygon:
    """Round all of these like a string, and so much wider."""
    return _ring(unary_union([Area(one) for one in outlines]).convex_hull.buffer(by, quad_segs=ROUND))


def smoothed(outline: Polygon, by: float) -> Polygon:
    """Its largest part without the corners that are nearer than so many inches to the line without them."""
    parts = _parts(_sound(outline).simplify(by))
    return _ring(max(parts, key=lambda part: part.area)) if parts else ()


def less(outline: Polygon, taken: Sequence[Polygon]) -> list[Polygon]:
    """What is left of an outline once these are taken out of it, by the outer outlines of what hangs together."""
    left = Area(outline).difference(unary_union([Area(one) for one in taken]))
    return [_ring(part) for part in _parts(left)]


def common(one: Polygon, other: Polygon) -> float:
    """The area in square inches that two outlines share."""
    return float(_sound(one).intersection(_sound(other)).area)


def overlap(one: Polygon, other: Polygon) -> bool:
    """Whether two outlines share more than a line."""
    a, b = _sound(one), _sound(other)
    return bool(a.intersects(b)) and not a.touches(b)


def distance(one: Polygon, other: Polygon) -> float:
    """In inches how near two outlines come to each other; nothing where they touch or overlap."""
    return float(Area(one).distance(Area(other)))


def cells(
    outline: Polygon, holes: Sequence[Polygon], around: float, cell: float
) -> dict[int, list[tuple[int, int]]]:
    """Which cells of a grid an outline less its holes comes nearer to than `around`: for each row of the grid its runs
    from one cell to the one after its last. All in inches."""
    area = Area(outline).buffer(around, quad_segs=ROUND)
    if holes:
        area = area.difference(unary_union([Area(hole).buffer(-around, quad_segs=ROUND) for hole in holes]))
    found = dict[int, list[tuple[int, int]]]()
    if area.is_empty:
        return found
    left, top, right, bottom = area.bounds
    for row in range(math.floor(top / cell + HAIR), math.ceil(bottom / cell - HAIR)):
        there = clip_by_rect(area, left - 1, row * cell, right + 1, (row + 1) * cell)
        runs = list[tuple[int, int]]()
        for x1, _, x2, _ in sorted(part.bounds for part in getattr(there, "geoms", [there]) if not part.is_empty):
            run = math.floor(x1 / cell + HAIR), math.ceil(x2 / cell - HAIR)
            if runs and run[0] <= runs[-1][1]:
                runs[-1] = runs[-1][0], max(run[1], runs[-1][1])
            elif run[1] > run[0]:
                runs.append(run)
        if runs:
            found[row] = runs
    return found


def within(outline: Polygon, cell: float) -> dict[int, list[tuple[int, int]]]:
    """The cells of a grid that lie wholly in an outline, as runs of each row."""
    x1, y1, x2, y2 = (
        f(v) for f, v in zip((math.floor, math.floor, math.ceil, math.ceil), Area(outline).bounds, strict=True)
    )
    around = ((x1 - 1, y1 - 1), (x2 + 1, y1 - 1), (x2 + 1, y2 + 1), (x1 - 1, y2 + 1))
    beyond = cells(around, [outline], 0.0, cell)
    columns = round((x1 - 1) / cell), round((x2 + 1) / cell)
    found = dict[int, list[tuple[int, int]]]()
    for row, runs in beyond.items():
        ends = [columns[0], *(one for run in runs for one in run), columns[1]]
        inner = [(a, b) for a, b in zip(ends[::2], ends[1::2], strict=True) if b > a]
        if inner:
            found[row] = inner
    return found


def depths(lines: Sequence[Polygon]) -> list[int]:
    """In how many of the others each of these lies."""
    areas = [_sound(line) for line in lines]
    return [sum(other is not one and other.contains(one) for other in areas) for one in areas]


def largest_box(outline: Polygon, wide: float, high: float, least: float) -> tuple[float, float, float] | None:
    """The largest box of the shape `wide` × `high` that lies in an outline: its corner, and its size as a factor.
    None where it would be smaller than `least` × its shape. Its middle is looked for on a grid of 24 × 24."""
    area = Area(outline)
    left, top, right, bottom = area.bounds
    best: tuple[float, float, float] | None = None
    for i in range(1, 24):
        for j in range(1, 24):
            x, y = left + (right - left) * i / 24, top + (bottom - top) * j / 24
            scale = best[2] if best else least
            while True:
                w, h = wide * scale / 2, high * scale / 2
                if not area.contains(box(x - w, y - h, x + w, y + h)):
                    break
                best = x - w, y - h, scale
                scale *= 1.04
    return best


@lru_cache(4_096)
def _sound(outline: Polygon) -> Geometry:
    """As an area whose lines do not cross."""
    area = Area(outline)
    return area if area.is_valid else area.buffer(0)


def _parts(shape: Geometry) -> list[Area]:
    parts = shape.geoms if isinstance(shape, MultiPolygon) else [shape]
    return [part for part in parts if isinstance(part, Area) and part.area > NEGLIGIBLE]


def _ring(part: Area) -> Polygon:
    return tuple((float(x), float(y)) for x, y in orient(part).exterior.coords[:-1])
