"""A cluster composed: the largest thing in the middle of its ground, the others round it, each over its edge by 1/8 in.

Smaller things lie higher. Spots go round by the golden angle, so that no two come to lie in a line.
"""

from __future__ import annotations

import math
import random
from collections.abc import Sequence
from dataclasses import dataclass

OVER = 1 / 8
"""Inches by which a thing reaches over what it is grouped with."""
GOLDEN = 137.508


@dataclass(frozen=True, slots=True)
class Composed:
    """Where the middle of a thing lies from the middle of its cluster, in inches, and how far it is turned."""

    across: float
    down: float
    angle: float


def composed(sizes: Sequence[tuple[float, float]], level: Sequence[bool], seed: int) -> list[Composed]:
    """Spots for things of these sizes, the largest first; what must lie `level` is not turned."""
    drawn = random.Random(seed)
    turn = drawn.choice((-1, 1))
    start = drawn.uniform(0, 360)
    found = list[Composed]()
    for k, ((wide, high), stays) in enumerate(zip(sizes, level, strict=True)):
        tilt = 0.0 if stays else float(drawn.choice((-12, -8, -4, 0, 4, 8, 12)))
        if k == 0:
            found.append(Composed(0.0, 0.0, 0.0 if stays else tilt / 2))
            continue
        way = math.radians(start + turn * GOLDEN * k)
        across, down = math.cos(way), math.sin(way)
        reach = _to_edge(sizes[0], across, down) + _to_edge((wide, high), across, down) - OVER
        found.append(Composed(across * max(0.0, reach), down * max(0.0, reach), tilt))
    return found


def _to_edge(size: tuple[float, float], across: float, down: float) -> float:
    """From the middle of a box to its edge along a way."""
    wide, high = size
    return min(
        wide / 2 / abs(across) if abs(across) > 1e-9 else math.inf,
        high / 2 / abs(down) if abs(down) > 1e-9 else math.inf,
    )
