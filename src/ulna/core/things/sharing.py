"""Things shared out over clusters, and where clusters go: three or five round the focal photo, in a triangle.

What there are several of is shared out so that each cluster has one; what there is one of goes to the largest. Of the
places that offer themselves those three are taken whose triangle has the widest least angle and holds the photo.
"""

from __future__ import annotations

import itertools
import math
from collections.abc import Mapping, Sequence
from typing import TypeVar

from ulna.core.geometry import polygons
from ulna.core.geometry.polygons import Point, Polygon

Key = TypeVar("Key")


def shared_out(there: Mapping[Key, int], clusters: int, most: int | None = None) -> list[list[Key]]:
    """Who gets what, the largest cluster first. Of n of a kind each cluster gets n // clusters and the first ones one
    more; so 5 over three are 2, 2, 1, and 2 go to the two largest, 1 to the largest. `most` is how many of one kind a
    cluster takes at the most."""
    found: list[list[Key]] = [[] for _ in range(clusters)]
    for key, count in there.items():
        for k in range(clusters):
            each = count // clusters + (k < count % clusters)
            found[k] += [key] * (each if most is None else min(each, most))
    return found


def least_angle(corners: Sequence[Point]) -> float:
    """The least angle of a triangle, in degrees: 60 is the most there can be, a line has none."""
    a, b, c = corners
    sides = sorted((math.dist(a, b), math.dist(b, c), math.dist(c, a)))
    if sides[0] < 1e-9:
        return 0.0
    cosine = (sides[1] ** 2 + sides[2] ** 2 - sides[0] ** 2) / (2 * sides[1] * sides[2])
    return math.degrees(math.acos(max(-1.0, min(1.0, cosine))))


def triangles(
    spots: Sequence[Point], round_what: Point, sides: float | None = None, wanted: Point | None = None
) -> list[tuple[Point, ...]]:
    """The threes among these spots, best first: the focal point lies inside, its angles are wide, it is large; with
    `sides`, the fold of a spread, not all on one side of it; with `wanted`, that spot among them."""
    scored = list[tuple[float, int, tuple[Point, ...]]]()
    reach = max((math.dist(a, b) for a in spots for b in spots), default=1.0) or 1.0
    for n, three in enumerate(itertools.combinations(spots, 3)):
        if wanted is not None and wanted not in three:
            continue
        if sides is not None and len({x < sides for x, _ in three}) < 2:
            continue
        long = sum(math.dist(a, b) for a, b in itertools.combinations(three, 2)) / (3 * reach)
        score = least_angle(three) / 60 + 0.6 * polygons.inside(round_what, _clockwise(three)) + 0.5 * long
        scored.append((-score, n, three))
    return [three for _, _, three in sorted(scored)]


def _clockwise(three: Sequence[Point]) -> Polygon:
    a, b, c = three
    across = (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0])
    return (a, b, c) if across > 0 else (a, c, b)
