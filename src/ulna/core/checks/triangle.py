"""Accents lie in three or five places that form a triangle round the photo that leads; on a spread one on each page.

A triangle is one where no corner is wider than 150 degrees and it spans a tenth of the page at least; round the photo
it is where the photo's middle lies in it, or no further from it than an eighth of the page's height.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Mapping, Sequence
from itertools import combinations
from typing import Any

from ulna.core.checks.accents import Accent, accents, focal
from ulna.core.checks.lying import PlacedAt
from ulna.core.findings import Finding, Remedy
from ulna.core.geometry import outlines
from ulna.core.geometry.polygons import Point, area, inside
from ulna.core.geometry.rects import Rect
from ulna.core.measure import length_of
from ulna.core.parts.pieces import Ground, Piece

WIDEST = 150.0
SPANS = 0.1
NEAR = 1 / 8


def told(
    plan: Any, pieces: Sequence[Piece], standing: Mapping[str, Any], ground: Ground, placed_at: PlacedAt
) -> Iterator[Finding]:
    places, leads = accents(plan, pieces, standing, ground), focal(pieces)
    if leads is None or not places or len(places) > 7:
        return
    yield from _each_page(places, ground)
    where = tuple(one.box for one in places)
    if len(places) in (1, 2, 4):
        word = {1: "one place", 2: "two places", 4: "four places"}[len(places)]
        told = f"Accents lie in {word}; three or five form a triangle round the photo."
        yield Finding("triangle", "note", None, told, (), where)
    elif not any(_round(three, leads, ground) for three in combinations([one.middle for one in places], 3)):
        told = "The accents lie nearly in a line, or all to one side of the photo that leads."
        remedies = tuple(_moved(places, leads, standing, ground, placed_at)) if len(places) == 3 else ()
        yield Finding("triangle", "note", None, told, remedies, where)


def _round(three: Sequence[Point], leads: Piece, ground: Ground) -> bool:
    """Whether three places form a triangle round a photo."""
    a, b, c = three
    page = ground.format.page("left")
    if area((a, b, c)) < SPANS * page.width.inches * page.height.inches:
        return False
    if max(_corner(a, b, c), _corner(b, c, a), _corner(c, a, b)) > WIDEST:
        return False
    r = leads.uncut
    middle = (r.x + r.right).inches / 2, (r.y + r.bottom).inches / 2
    return (
        inside(middle, (a, b, c))
        or outlines.distance(
            (a, b, c), tuple((middle[0] + dx, middle[1] + dy) for dx, dy in ((0, 0), (0.01, 0), (0, 0.01)))
        )
        <= NEAR * page.height.inches
    )


def _corner(a: Point, b: Point, c: Point) -> float:
    """The angle at the first, in degrees."""
    one, other = math.atan2(b[1] - a[1], b[0] - a[0]), math.atan2(c[1] - a[1], c[0] - a[0])
    apart = abs(math.degrees(one - other)) % 360
    return min(apart, 360 - apart)


def _moved(
    places: Sequence[Accent], leads: Piece, standing: Mapping[str, Any], ground: Ground, placed_at: PlacedAt
) -> Iterator[Remedy]:
    """One of three moved to a corner of the photo, so that they form a triangle; the first that does."""
    r = leads.uncut
    corners = [(r.x, r.y), (r.right, r.y), (r.x, r.bottom), (r.right, r.bottom)]
    for k, one in enumerate(places):
        others = [other.middle for n, other in enumerate(places) if n != k]
        for x, y in corners:
            if not _round((*others, (x.inches, y.inches)), leads, ground):
                continue
            box, ruler = one.box, ground.ruler
            at = Rect(
                ruler.round(length_of(x.inches - box.width.inches / 2)),
                ruler.round(length_of(y.inches - box.height.inches / 2)), box.width, box.height,
            )  # fmt: skip
            if ground.format.whole.contains(at):
                name = f"the {'top' if y == r.y else 'bottom'} {'left' if x == r.x else 'right'} corner"
                part = placed_at(one.part, at, standing, ground.format)
                yield Remedy(f"Move one to {name} of the photo", part)
                return


def _each_page(places: Sequence[Accent], ground: Ground) -> Iterator[Finding]:
    gutter = ground.format.gutter
    if gutter is None or len(places) < 2:
        return
    left = sum(one.middle[0] < gutter.inches for one in places)
    if left in (0, len(places)):
        bare = "left" if left == 0 else "right"
        told = f"All accents lie on one page; the {bare} page wants one too."
        yield Finding("triangle-page", "note", None, told, (), tuple(one.box for one in places))
