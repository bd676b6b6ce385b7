"""Where tiles of one size lie, row by row, and which are neighbours.

⬡ ⬡ ⬡     honeycomb, flat-to-flat f, gap g, point up: columns f + g apart, rows (f + g)·√3/2, odd rows shifted by
 ⬡ ⬡      half a column; side s = f/√3, point to point 2s. Flat up, the two ways are exchanged.
⬡ ⬡ ⬡     Squares f + g apart both ways; triangles of side f by turns up and down.
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import lru_cache
from typing import Literal

from ulna.core.geometry.colouring import Spot
from ulna.core.geometry.polygons import Polygon, bounds, box, moved

TileShape = Literal["hexagon", "hexagon flat up", "square", "triangle", "circle"]
SHAPES: tuple[TileShape, ...] = ("hexagon", "hexagon flat up", "square", "triangle", "circle")
ROOT3 = math.sqrt(3)
ROUND = 48


@dataclass(frozen=True, slots=True)
class Tile:
    """A cell at a row and column, counted from 0, and its outline on the ground in inches."""

    spot: Spot
    outline: Polygon


def size(shape: TileShape, f: float) -> tuple[float, float]:
    """Width and height of a tile: f is flat to flat, a side, or a diameter."""
    return {
        "hexagon": (f, 2 * f / ROOT3),
        "hexagon flat up": (2 * f / ROOT3, f),
        "triangle": (f, f * ROOT3 / 2),
    }.get(shape, (f, f))


@lru_cache(maxsize=256)
def outline(shape: TileShape, f: float, up: bool = True) -> Polygon:
    """A tile about the origin; `up` is which way a triangle points."""
    if shape in ("hexagon", "hexagon flat up"):
        r, start = f / ROOT3, 0 if shape == "hexagon" else 30
        turns = (math.radians(start + 60 * k) for k in range(6))
        return tuple((r * math.sin(t), -r * math.cos(t)) for t in turns)
    if shape == "circle":
        turns = (math.tau * k / ROUND for k in range(ROUND))
        return tuple((f / 2 * math.sin(t), -f / 2 * math.cos(t)) for t in turns)
    if shape == "triangle":
        h = f * ROOT3 / 2
        if up:
            return ((0.0, -2 * h / 3), (f / 2, h / 3), (-f / 2, h / 3))
        return ((-f / 2, -h / 3), (f / 2, -h / 3), (0.0, 2 * h / 3))
    return box(-f / 2, -f / 2, f, f)


def centre(shape: TileShape, f: float, gap: float, spot: Spot) -> tuple[float, float]:
    """The middle of a cell; the cell (0, 0) lies at the origin."""
    row, column = spot
    pitch = f + gap
    if shape in ("hexagon", "circle"):
        return (column + (row % 2) / 2) * pitch, row * pitch * ROOT3 / 2
    if shape == "hexagon flat up":
        return column * pitch * ROOT3 / 2, (row + (column % 2) / 2) * pitch
    if shape == "triangle":
        side = f + gap * ROOT3
        h = side * ROOT3 / 2
        return column * side / 2, row * h + (0 if is_up(spot) else -h / 3)
    return column * pitch, row * pitch


def is_up(spot: Spot) -> bool:
    """Whether a triangle points up."""
    return (spot[0] + spot[1]) % 2 == 0


def neighbours(shape: TileShape, spot: Spot) -> list[Spot]:
    """The cells that share an edge with one; circles are laid like a honeycomb."""
    r, c = spot
    if shape in ("hexagon", "circle"):
        d = r % 2
        return [(r, c - 1), (r, c + 1), (r - 1, c + d - 1), (r - 1, c + d), (r + 1, c + d - 1), (r + 1, c + d)]
    if shape == "hexagon flat up":
        d = c % 2
        return [(r - 1, c), (r + 1, c), (r + d - 1, c - 1), (r + d, c - 1), (r + d - 1, c + 1), (r + d, c + 1)]
    if shape == "triangle":
        return [(r, c - 1), (r, c + 1), (r + 1, c) if is_up(spot) else (r - 1, c)]
    return [(r, c - 1), (r, c + 1), (r - 1, c), (r + 1, c)]


def kind(shape: TileShape, spot: Spot) -> int:
    """A number by which neighbours differ: one of three in a honeycomb, of two among squares and triangles."""
    r, c = spot
    if shape in ("hexagon", "circle"):
        return (c - r // 2 - r) % 3
    if shape == "hexagon flat up":
        return (r - c // 2 - c) % 3
    return (r + c) % 2


@lru_cache(maxsize=64)
def tiles(
    shape: TileShape, f: float, gap: float, width: float, height: float, trimmed: bool, most: int
) -> tuple[Tile, ...]:
    """The tiles of a ground: those that lie wholly on it, in its middle; or, `trimmed`, all that cover it.

    Stops at `most` + 1 of them, so that a caller can tell that there are too many.
    """
    step_x = abs(centre(shape, f, gap, (0, 2))[0]) / 2
    step_y = abs(centre(shape, f, gap, (2, 0))[1]) / 2
    if (width / max(step_x, 1e-9)) * (height / max(step_y, 1e-9)) > 4 * most:
        return tuple(Tile((0, k), ()) for k in range(most + 1))
    if trimmed:
        return tuple(_covering(shape, f, gap, width, height, step_x, step_y, most))
    return tuple(_whole(shape, f, gap, width, height, step_x, step_y))


def _at(shape: TileShape, f: float, gap: float, spot: Spot, dx: float, dy: float) -> Tile:
    x, y = centre(shape, f, gap, spot)
    return Tile(spot, moved(outline(shape, f, is_up(spot)), x + dx, y + dy))


def _within(
    shape: TileShape, f: float, gap: float, spot: Spot, dx: float, dy: float
) -> tuple[float, float, float, float]:
    """What a tile reaches to, without making it."""
    x, y = centre(shape, f, gap, spot)
    left, top, right, bottom = _reach(shape, f, is_up(spot))
    return left + x + dx, top + y + dy, right + x + dx, bottom + y + dy


@lru_cache(maxsize=256)
def _reach(shape: TileShape, f: float, up: bool) -> tuple[float, float, float, float]:
    return bounds(outline(shape, f, up))


def _covering(
    shape: TileShape, f: float, gap: float, width: float, height: float, sx: float, sy: float, most: int
) -> list[Tile]:
    columns, rows = math.ceil(width / sx / 2) + 2, math.ceil(height / sy / 2) + 2
    found = []
    for r in range(-rows, rows + 1):
        for c in range(-columns, columns + 1):
            left, top, right, bottom = _within(shape, f, gap, (r, c), width / 2, height / 2)
            if right > 1e-6 and left < width - 1e-6 and bottom > 1e-6 and top < height - 1e-6:
                found.append(_at(shape, f, gap, (r, c), width / 2, height / 2))
                if len(found) > most:
                    return found
    # Counted from the top left, by even steps: odd rows stay odd.
    r0 = 2 * (min((t.spot[0] for t in found), default=0) // 2)
    c0 = 2 * (min((t.spot[1] for t in found), default=0) // 2)
    return [Tile((t.spot[0] - r0, t.spot[1] - c0), t.outline) for t in found]


def _whole(shape: TileShape, f: float, gap: float, width: float, height: float, sx: float, sy: float) -> list[Tile]:
    """Rows and columns from the first cell on; then all moved so that what they cover lies in the middle."""
    found = list[Spot]()
    left0, top0, *_ = _reach(shape, f, True)
    far_x = far_y = 0.0
    for r in range(int(height / sy) + 2):
        for c in range(int(width / sx) + 2):
            left, top, right, bottom = _within(shape, f, gap, (r, c), -left0, -top0)
            if left > -1e-6 and top > -1e-6 and right < width + 1e-6 and bottom < height + 1e-6:
                found.append((r, c))
                far_x, far_y = max(far_x, right), max(far_y, bottom)
    dx, dy = (width - far_x) / 2 - left0, (height - far_y) / 2 - top0
    return [_at(shape, f, gap, spot, dx, dy) for spot in found]
