"""Things on a photographed sheet: what differs from the ground and hangs together is one, with its true size.

The sheet was laid flat at its size before, so that pixels are inches.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from ulna.core.geometry import outlines, polygons
from ulna.core.geometry.polygons import Polygon
from ulna.core.geometry.rects import Rect
from ulna.core.measure import Length, Ruler, inches, length_of
from ulna.core.paper.colour import RGB, Lab, lab, look
from ulna.core.paper.sheets_seen import LEAST_APART, ground_of, hanging_together, parting
from ulna.core.paper.shelf import Card, Face

LEAST = 1 / 10
"""Inches: what is smaller both ways is a crumb."""
EDGE = 1 / 6
"""Inches: what is narrower and lies along the edge of the sheet is the table beside it."""
BRIDGE = 1 / 48
"""Inches: what stands apart by less than twice this is one thing, such as the letters of a phrase in one sticker."""
MOST_THINGS = 500
MOST_CORNERS = 160


@dataclass(frozen=True, slots=True)
class ThingSeen:
    """A thing on a sheet: its outline in inches from the sheet's corner, its size on marks, its colours."""

    outline: Polygon
    width: Length
    height: Length
    colours: tuple[str, ...]


def things(
    width: int, height: int, pixels: Sequence[RGB], sheet: tuple[Length, Length], ruler: Ruler
) -> list[ThingSeen]:
    """The things of a sheet in so many pixels, from the top, those further left first; the largest where there are more
    than can be kept."""
    known: dict[RGB, Lab] = {}
    colours = [known.get(p) or known.setdefault(p, lab(p)) for p in pixels]
    ground = ground_of(width, height, colours)
    apart = [ground.far(c) for c in colours]
    line = max(LEAST_APART, parting(apart))
    across, down = sheet[0].inches / width, sheet[1].inches / height
    found = list[tuple[Polygon, list[RGB]]]()
    for spots in hanging_together(width, height, [a > line for a in apart]):
        xs, ys = [x for x, _ in spots], [y for _, y in spots]
        wide, high = (max(xs) - min(xs) + 1) * across, (max(ys) - min(ys) + 1) * down
        at_edge = min(xs) == 0 or min(ys) == 0 or max(xs) == width - 1 or max(ys) == height - 1
        if max(wide, high) < LEAST or (at_edge and min(wide, high) < EDGE):
            continue
        rows = [(x * across, y * down, n * across, down) for x, y, n in _runs(spots)]
        for outline in outlines.joined([polygons.box(*row) for row in rows], gap=BRIDGE):
            found.append((outline, [pixels[y * width + x] for x, y in spots]))
    found = _joined(found)
    found.sort(key=lambda one: -polygons.area(one[0]))
    seen = [_seen(outline, of, ruler) for outline, of in found[:MOST_THINGS] if outline]
    return sorted(seen, key=lambda one: (round(min(y for _, y in one.outline) * 2), min(x for x, _ in one.outline)))


def _joined(found: list[tuple[Polygon, list[RGB]]]) -> list[tuple[Polygon, list[RGB]]]:
    """Those that lie within one another are one: a ring and what is in it."""
    kept = list[tuple[Polygon, list[RGB]]]()
    for outline, of in sorted(found, key=lambda one: -polygons.area(one[0])):
        middle = _middle(outline)
        around = next((k for k, (other, _) in enumerate(kept) if polygons.inside(middle, other)), None)
        if around is None:
            kept.append((outline, of))
        else:
            kept[around] = (kept[around][0], kept[around][1] + of)
    return kept


def _middle(outline: Polygon) -> tuple[float, float]:
    x1, y1, x2, y2 = polygons.bounds(outline)
    return (x1 + x2) / 2, (y1 + y2) / 2


def _runs(spots: Sequence[tuple[int, int]]) -> Iterator[tuple[int, int, int]]:
    """Where rows of spots begin, and how long they are."""
    rows: dict[int, list[int]] = {}
    for x, y in spots:
        rows.setdefault(y, []).append(x)
    for y, xs in rows.items():
        xs.sort()
        start = last = xs[0]
        for x in xs[1:]:
            if x != last + 1:
                yield start, y, last - start + 1
                start = x
            last = x
        yield start, y, last - start + 1


def _seen(outline: Polygon, of: Sequence[RGB], ruler: Ruler) -> ThingSeen:
    outline = few_corners(outline)
    x1, y1, x2, y2 = polygons.bounds(outline)
    mark = ruler.mark
    wide, high = max(mark, ruler.round(length_of(x2 - x1))), max(mark, ruler.round(length_of(y2 - y1)))
    few = of[:: max(1, len(of) // 400)]
    leading = look(len(few), 1, few).leading
    colours = tuple("#{:02x}{:02x}{:02x}".format(*one.rgb) for one in leading if one.share >= 0.08)
    return ThingSeen(outline, wide, high, colours[:5])


def few_corners(outline: Polygon) -> Polygon:
    """With so few corners that it can be kept and drawn: smoothed further until it has."""
    by = 1 / 100
    while len(outline) > MOST_CORNERS and by < 1:
        outline, by = outlines.smoothed(outline, by), by * 1.6
    return outline


def joined(several: Sequence[ThingSeen], ruler: Ruler) -> ThingSeen:
    """Several that are one thing: the outline round all of them."""
    outline = few_corners(outlines.hull([one.outline for one in several], 0.0))
    x1, y1, x2, y2 = polygons.bounds(outline)
    colours = tuple(dict.fromkeys(colour for one in several for colour in one.colours))[:5]
    return ThingSeen(outline, ruler.round(length_of(x2 - x1)), ruler.round(length_of(y2 - y1)), colours)


def split(one: ThingSeen, ruler: Ruler) -> list[ThingSeen]:
    """One that is two things: parted in the middle of its longer way, where it is narrowest near there."""
    x1, y1, x2, y2 = polygons.bounds(one.outline)
    upright = x2 - x1 >= y2 - y1
    low, high = (x1, x2) if upright else (y1, y2)
    cuts = [low + (high - low) * share / 40 for share in range(12, 29)]
    at = min(cuts, key=lambda cut: (round(_wide_at(one.outline, cut, upright) * 16), abs(cut - (low + high) / 2)))
    if upright:
        rooms = (
            polygons.box(x1 - 1, y1 - 1, at - x1 + 1, y2 - y1 + 2),
            polygons.box(at, y1 - 1, x2 - at + 1, y2 - y1 + 2),
        )
    else:
        rooms = (
            polygons.box(x1 - 1, y1 - 1, x2 - x1 + 2, at - y1 + 1),
            polygons.box(x1 - 1, at, x2 - x1 + 2, y2 - at + 1),
        )
    parts = [part for room in rooms for part in outlines.less(one.outline, [room])]
    found = []
    for part in parts:
        a, b, c, d = polygons.bounds(part)
        size = ruler.round(length_of(c - a)), ruler.round(length_of(d - b))
        if min(size) > inches(0):
            found.append(ThingSeen(few_corners(part), *size, one.colours))
    return found


def _wide_at(outline: Polygon, cut: float, upright: bool) -> float:
    """How much of it a line goes through."""
    crossed = list[float]()
    for (ax, ay), (bx, by) in zip(outline, (*outline[1:], outline[0]), strict=True):
        a, b, u, v = (ax, bx, ay, by) if upright else (ay, by, ax, bx)
        if (a <= cut) != (b <= cut):
            crossed.append(u + (v - u) * (cut - a) / (b - a))
    crossed.sort()
    return sum(b - a for a, b in zip(crossed[::2], crossed[1::2], strict=False))


def motifs(found: Sequence[ThingSeen], side: Face, named: Sequence[str]) -> tuple[Card, ...]:
    """Motifs of a patterned paper as places on its sheet, each with its outline; under names that are free."""
    cards, taken, number = list[Card](), set(named), 1
    for one in found:
        while f"motif {number}" in taken:
            number += 1
        taken.add(f"motif {number}")
        x1, y1, _, _ = polygons.bounds(one.outline)
        at = Rect(length_of(x1), length_of(y1), one.width, one.height)
        cards.append(Card(f"motif {number}", at, side, outline=polygons.moved(one.outline, -x1, -y1)))
    return tuple(cards)
