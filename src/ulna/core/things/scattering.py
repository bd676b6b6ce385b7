"""Dots, sequins, drops, scattered: an odd number of them, clear of what must stay free, larger ones below.

The same seed gives the same scatter. Along a diagonal they keep near the line from corner to corner; round the
clusters, each in its turn, and round the middle they thin out with the distance.
"""

from __future__ import annotations

import math
import random
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from ulna.core.geometry import polygons
from ulna.core.geometry.polygons import Point, Polygon

Along = Literal["diagonal", "other diagonal", "all over", "round the middle", "round the clusters"]
SPREAD = 0.75
"""Inches from the edge of a cluster within which two thirds of those round it lie."""
TRIES = 60
"""So often a place is looked for before a thing is left out."""
CLEAR = 1 / 16
"""Inches that a thing keeps off what must stay free."""


@dataclass(frozen=True, slots=True)
class Dropped:
    """A thing of the scatter: which of the sizes, and where its middle lies, in inches from the region's corner."""

    kind: int
    x: float
    y: float


def odd(count: int) -> int:
    """The odd number that is not more; at least one."""
    return max(1, count if count % 2 else count - 1)


def scattered(
    width: float, height: float, sizes: Sequence[float], count: int, along: Along, seed: int, free: Sequence[Polygon],
    clusters: Sequence[polygons.Bounds] = (),
) -> list[Dropped]:  # fmt: skip
    """So many things of these widths in turn. What finds no place is left out, and where that leaves an even number,
    the last one too; so fewer may come back. Without `clusters`, those that go round them go round the middle."""
    drawn = random.Random(seed)
    boxes = [(polygons.bounds(one), one) for one in free if len(one) > 2]
    found = list[Dropped]()
    # The larger ones first, so that they lie lower down and lie below the smaller ones.
    wanted = sorted((k % len(sizes) for k in range(odd(count))), key=lambda k: -sizes[k])
    for n, kind in enumerate(wanted):
        size = sizes[kind]
        low = 0.35 * (1 - n / max(1, len(wanted) - 1)) if len(set(sizes)) > 1 else 0.0
        for _ in range(TRIES):
            if along == "round the clusters" and clusters:
                x, y = _round(clusters[n % len(clusters)], size, drawn)
                if not (size / 2 <= x <= width - size / 2 and size / 2 <= y <= height - size / 2):
                    continue
            else:
                x, y = _spot(width, height, size, along, low, drawn)
            if _stays_clear(x, y, size, boxes) and all(
                math.dist((x, y), (one.x, one.y)) > (size + sizes[one.kind]) / 2 + CLEAR for one in found
            ):
                found.append(Dropped(kind, x, y))
                break
    return found if len(found) % 2 or not found else found[:-1]


def _spot(width: float, height: float, size: float, along: Along, low: float, drawn: random.Random) -> Point:
    across, down = max(0.0, width - size), max(0.0, height - size)
    if along in ("diagonal", "other diagonal"):
        share = drawn.random()
        share = share + (1 - share) * low if along == "diagonal" else share
        off = drawn.gauss(0, 0.09)
        u, v = min(1.0, max(0.0, share + off)), min(1.0, max(0.0, share - off))
        u = 1 - u if along == "other diagonal" else u
    elif along in ("round the middle", "round the clusters"):
        way, far = drawn.uniform(0, math.tau), min(1.0, abs(drawn.gauss(0, 0.42)))
        u, v = 0.5 + 0.5 * far * math.cos(way), 0.5 + 0.5 * far * math.sin(way)
    else:
        u, v = drawn.random(), low + (1 - low) * drawn.random()
    return size / 2 + across * u, size / 2 + down * v


def _round(box: polygons.Bounds, size: float, drawn: random.Random) -> Point:
    """A place outside a box, the likelier the nearer."""
    x1, y1, x2, y2 = box
    way, far = drawn.uniform(0, math.tau), size / 2 + CLEAR + abs(drawn.gauss(0, SPREAD))
    across, down = math.cos(way), math.sin(way)
    # As far out on that way as the box reaches, then as far again as was drawn.
    reach = min(
        (x2 - x1) / 2 / abs(across) if abs(across) > 1e-9 else math.inf,
        (y2 - y1) / 2 / abs(down) if abs(down) > 1e-9 else math.inf,
    )
    far += reach
    return (x1 + x2) / 2 + far * across, (y1 + y2) / 2 + far * down


def _stays_clear(x: float, y: float, size: float, free: Sequence[tuple[polygons.Bounds, Polygon]]) -> bool:
    """Whether a round thing at a place keeps off all of these. Sixteen points on its edge and its middle are looked at,
    and the corners of what it must keep off."""
    r = size / 2 + CLEAR
    ring = [(x + r * math.cos(math.tau * k / 16), y + r * math.sin(math.tau * k / 16)) for k in range(16)]
    for (x1, y1, x2, y2), one in free:
        if x + r <= x1 or x - r >= x2 or y + r <= y1 or y - r >= y2:
            continue
        if any(polygons.inside(point, one) for point in (*ring, (x, y))):
            return False
        if any(math.dist((x, y), corner) < r for corner in one):
            return False
    return True
