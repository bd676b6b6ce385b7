"""Sheets that lie beside each other in one photograph: where each is, how large it is likely to be, how it is printed.

The ground is what the edge of the picture is mostly like. What differs from it and hangs together is a sheet; its
corners are where it reaches furthest along the two diagonals, so sheets lie upright, or turned by less than an eighth.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from itertools import pairwise
from statistics import median

from ulna.core.measure import Length, inches
from ulna.core.paper.colour import RGB, Lab, PictureColours, lab
from ulna.core.paper.shelf import Direction

Point = tuple[float, float]
Corners = tuple[Point, Point, Point, Point]

LEAST_AREA = 0.008
"""Of the picture: what is smaller is no sheet."""

LEAST_FILLED = 0.7
"""Of the figure between its corners: what is less of it is no sheet."""

LEAST_APART = 9.0
"""How far a place differs from the ground at the least (CIELAB)."""

SIZES = (
    (inches(12), inches(12)), (inches(8, 1, 2), inches(11)), (inches(6), inches(8)), (inches(6), inches(12)),
    (inches(4), inches(6)), (inches(3), inches(4)), (inches(6), inches(6)),
)  # fmt: skip
"""What sheets come in, the usual one first; upright."""

MOST_SHEETS = 60


@dataclass(frozen=True, slots=True)
class SheetSeen:
    """A sheet in a picture: its corners in shares of the picture, from the top left clockwise, and its likely size."""

    corners: Corners
    width: Length
    height: Length


@dataclass(frozen=True, slots=True)
class Printed:
    """How the side of a sheet is printed: its leading colours as #rrggbb, how busy it is from 0 to 3, which way it
    goes, and how long one repeat is, nothing where none is seen."""

    colours: tuple[str, ...]
    busy: int
    direction: Direction
    repeat: Length | None


def sheets(width: int, height: int, pixels: Sequence[RGB]) -> list[SheetSeen]:
    """The sheets in a picture of few pixels (some hundred across), row by row; those further up and left first."""
    colours = [lab(p) for p in pixels]
    ground = ground_of(width, height, colours)
    apart = [ground.far(c) for c in colours]
    line = max(LEAST_APART, parting(apart))
    found = list[tuple[Corners, int]]()
    for spots in hanging_together(width, height, [a > line for a in apart]):
        if len(spots) < LEAST_AREA * width * height:
            continue
        corners = _corners(spots)
        if len(spots) >= LEAST_FILLED * _area(corners):
            shares: Corners = tuple((x / width, y / height) for x, y in corners)  # type: ignore[assignment]
            found.append((shares, len(spots)))
    largest = max((size for _, size in found), default=1)
    seen = [SheetSeen(corners, *_size(corners, width, height, area / largest)) for corners, area in found]
    rows = sorted(seen, key=lambda one: one.corners[0][1])
    return _in_rows(rows)[:MOST_SHEETS]


def ground_of(width: int, height: int, colours: Sequence[Lab]) -> Lab:
    """What the edge of the picture is mostly like."""
    edge = [
        colours[y * width + x]
        for y in range(height)
        for x in range(width)
        if min(x, width - 1 - x, y, height - 1 - y) < max(1, min(width, height) // 60)
    ]
    return Lab(median(c.lightness for c in edge), median(c.a for c in edge), median(c.b for c in edge))


def parting(values: Sequence[float]) -> float:
    """The value that parts low from high ones best: between the two the variance is largest (Otsu 1979)."""
    bins = [0] * 101
    for value in values:
        bins[min(100, int(value))] += 1
    total, whole = len(values), sum(k * n for k, n in enumerate(bins))
    below = low = 0
    best, at = 0.0, 0
    for k, n in enumerate(bins):
        below += n
        low += k * n
        if not 0 < below < total:
            continue
        spread = below * (total - below) * (low / below - (whole - low) / (total - below)) ** 2
        if spread > best:
            best, at = spread, k + 1
    return at * 0.6  # a sheet that is like the ground differs less than the others


def hanging_together(width: int, height: int, there: list[bool]) -> list[list[tuple[int, int]]]:
    """The places that hang together, side by side or one below the other."""
    found = []
    for start in range(width * height):
        if not there[start]:
            continue
        there[start] = False
        todo, spots = [start], list[tuple[int, int]]()
        while todo:
            at = todo.pop()
            x, y = at % width, at // width
            spots.append((x, y))
            for beside, is_inside in ((at - 1, x > 0), (at + 1, x < width - 1), (at - width, y > 0),
                                      (at + width, y < height - 1)):  # fmt: skip
                if is_inside and there[beside]:
                    there[beside] = False
                    todo.append(beside)
        found.append(spots)
    return found


def _corners(spots: Sequence[tuple[int, int]]) -> tuple[Point, ...]:
    top_left = min(spots, key=lambda p: p[0] + p[1])
    top_right = max(spots, key=lambda p: p[0] - p[1])
    low_right = max(spots, key=lambda p: p[0] + p[1])
    low_left = min(spots, key=lambda p: p[0] - p[1])
    return (
        (float(top_left[0]), float(top_left[1])), (top_right[0] + 1.0, float(top_right[1])),
        (low_right[0] + 1.0, low_right[1] + 1.0), (float(low_left[0]), low_left[1] + 1.0),
    )  # fmt: skip


def _area(corners: Sequence[Point]) -> float:
    """By the shoelace formula."""
    pairs = zip(corners, (*corners[1:], corners[0]), strict=True)
    return abs(sum(a[0] * b[1] - b[0] * a[1] for a, b in pairs)) / 2


def _size(corners: Corners, width: int, height: int, of_largest: float) -> tuple[Length, Length]:
    """The usual size whose proportion is nearest, as it lies; a square much smaller than the largest is 6 × 6."""
    a, b, c, d = ((x * width, y * height) for x, y in corners)
    wide, high = (math.dist(a, b) + math.dist(d, c)) / 2, (math.dist(a, d) + math.dist(b, c)) / 2
    proportion = max(wide, high) / max(1e-6, min(wide, high))
    short, long = min(SIZES, key=lambda s: abs(math.log(proportion / (s[1].inches / s[0].inches))))
    if short == long and of_largest < 0.5:
        short = long = inches(6)
    return (long, short) if wide > high else (short, long)


def _in_rows(found: list[SheetSeen]) -> list[SheetSeen]:
    """From the left within a row: those whose middles lie at about the same height."""
    rows: list[list[SheetSeen]] = []
    for one in found:
        middle = sum(y for _, y in one.corners) / 4
        row = next((row for row in rows if row[0].corners[0][1] < middle < row[0].corners[3][1]), None)
        if row is None:
            rows.append([one])
        else:
            row.append(one)
    return [one for row in rows for one in sorted(row, key=lambda s: s.corners[0][0])]


# ---- how a sheet is printed --------------------------------------------------------------------------

TWICE = 2.2
"""A pattern whose steps across are so many times those down has stripes that go down."""

ALIKE = 0.55
"""How much a pattern is like itself one repeat further, at the least."""


def printed(width: int, height: int, pixels: Sequence[RGB], seen: PictureColours, sheet: Length) -> Printed:
    """Of a sheet laid flat in few pixels, whose colours were looked at; `sheet` is its width."""
    light = [lab(p).lightness for p in pixels]
    rows = [light[y * width : (y + 1) * width] for y in range(height)]
    across = _steps(rows)
    down = _steps([list(column) for column in zip(*rows, strict=True)])
    busy = min(3, int((across + down) / 2.5))
    striped = busy > 0 and max(across, down) > TWICE * max(0.3, min(across, down))
    columns = [sum(column) / height for column in zip(*rows, strict=True)]
    lines = [sum(row) / width for row in rows]
    steps = _repeat(columns if across >= down else lines) if busy else None
    length = len(columns) if across >= down else height
    repeat = sheet.part(steps, length) if steps else None
    colours = tuple("#{:02x}{:02x}{:02x}".format(*one.rgb) for one in seen.leading if one.share >= 0.04)[:5]
    direction = Direction.TWO_WAY if striped else Direction.NONE
    return Printed(colours or ("#ffffff",), busy, direction, repeat)


def _steps(lines: Sequence[Sequence[float]]) -> float:
    """How much lightness changes from one place to the next, on the mean."""
    steps = [abs(b - a) for line in lines for a, b in pairwise(line)]
    return sum(steps) / max(1, len(steps))


def _repeat(profile: Sequence[float]) -> int | None:
    """After so many places a profile is most like itself again, at the first such place."""
    n, mean = len(profile), sum(profile) / len(profile)
    around = [value - mean for value in profile]
    whole = sum(value * value for value in around) / n
    if whole < 0.5:
        return None
    alike = [
        sum(a * b for a, b in zip(around, around[lag:], strict=False)) / (n - lag) / whole for lag in range(n // 2)
    ]
    for lag in range(3, len(alike) - 1):
        if alike[lag] >= ALIKE and alike[lag - 1] <= alike[lag] >= alike[lag + 1]:
            return lag
    return None
