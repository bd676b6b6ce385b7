"""Where a part would sit well while it is moved: lines that it catches on, and how far it is from what.

All positions are for the near edge (left or top) of the moving part, rounded to the person's marks.
"""

from __future__ import annotations

from dataclasses import dataclass
from itertools import pairwise
from typing import Literal

from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, Ruler
from ulna.core.page.evaluate import Evaluated
from ulna.core.page_formats import PageFormat, PageName

Why = Literal["edge", "centre", "third", "neighbour", "gap"]
WEIGHT: tuple[Why, ...] = ("centre", "edge", "gap", "neighbour", "third")
"""Which guide is meant where two fall together."""


@dataclass(frozen=True, slots=True)
class Guide:
    """`at` is where the near edge goes, `line` where the guide is drawn."""

    at: Length
    line: Length
    why: Why
    says: str


@dataclass(frozen=True, slots=True)
class Guides:
    across: tuple[Guide, ...]
    down: tuple[Guide, ...]


@dataclass(frozen=True, slots=True)
class Distance:
    """A measured line from one point to another, with the figure that stands at it."""

    x1: Length
    y1: Length
    x2: Length
    y2: Length
    says: str
    of: Literal["left", "top", "right", "bottom", "centre across", "centre down"]


_Span = tuple[Length, Length, Length, Length]  # low, high along the axis; low, high across it


def guides(page: Evaluated, part: str, ruler: Ruler) -> Guides:
    """Every line that a part of this page can catch on. Raises `NotOnShelf` for a part that is not there."""
    box = page.box(part)
    others = [p.box for p in page.parts if p.id != part and p.box and not _is_ground(p.box, page.format)]
    across = [_span(o, True) for o in others]
    down = [_span(o, False) for o in others]
    single = page.format.names
    names: tuple[PageName, ...] = (*single, "spread") if len(single) == 2 else single
    pages: list[tuple[str, Rect]] = [(_called(n, page.format), page.format.page(n)) for n in names]
    return Guides(
        tuple(_along([(n, r.x, r.right) for n, r in pages], across, _span(box, True), ("left", "right"), ruler)),
        tuple(
            _along([(n, r.y, r.bottom) for n, r in pages[-1:]], down, _span(box, False), ("top", "bottom"), ruler)
        ),
    )


def _called(name: PageName, format: PageFormat) -> str:
    return "the page" if format.pages == 1 else "the spread" if name == "spread" else f"the {name} page"


def _is_ground(box: Rect, format: PageFormat) -> bool:
    return box in (format.page("left"), format.page("right"), format.whole)


def _span(box: Rect, across: bool) -> _Span:
    if across:
        return box.x, box.right, box.y, box.bottom
    return box.y, box.bottom, box.x, box.right


def _along(
    pages: list[tuple[str, Length, Length]],
    others: list[_Span],
    moving: _Span,
    ends: tuple[str, str],
    ruler: Ruler,
) -> list[Guide]:
    size = moving[1] - moving[0]
    half = size.part(1, 2)
    found: list[Guide] = []

    def add(at: Length, line: Length, why: Why, says: str) -> None:
        found.append(Guide(ruler.round(at), line, why, says))

    for name, low, high in pages:
        middle = (low + high).part(1, 2)
        add(low, low, "edge", f"{ends[0]} edge of {name}")
        add(high - size, high, "edge", f"{ends[1]} edge of {name}")
        add(middle - half, middle, "centre", f"centre of {name}")
        for k in (1, 2):
            line = low + (high - low).part(k, 3)
            add(line - half, line, "third", f"third of {name}")
    for low, high, _, _ in others:
        middle = (low + high).part(1, 2)
        add(low, low, "neighbour", f"{ends[0]} edges level")
        add(high - size, high, "neighbour", f"{ends[1]} edges level")
        add(middle - half, middle, "neighbour", "centred on its neighbour")
        add(high, high, "neighbour", "touching its neighbour")
        add(low - size, low, "neighbour", "touching its neighbour")
    beside = sorted(o for o in others if o[2] < moving[3] and moving[2] < o[3])
    for first, second in pairwise(beside):
        gap = second[0] - first[1]
        if gap > ZERO:
            if gap > size:
                add(first[1] + (gap - size).part(1, 2), first[1], "gap", "equal gaps on both sides")
            add(second[1] + gap, second[1] + gap, "gap", f"the same gap, {ruler.say(gap)}")
            add(first[0] - gap - size, first[0] - gap, "gap", f"the same gap, {ruler.say(gap)}")
    unique: dict[tuple[Length, str], Guide] = {}
    for guide in found:
        unique.setdefault((guide.at, guide.why), guide)
    return sorted(unique.values(), key=lambda g: (g.at, g.why))


def nearest(found: tuple[Guide, ...], at: Length, within: Length) -> Guide | None:
    """The guide that lies nearest to where a near edge is; of equally near ones an edge or a centre first."""
    close = [g for g in found if abs(g.at - at) <= within]
    return min(close, key=lambda g: (abs(g.at - at), WEIGHT.index(g.why)), default=None)


def distances(page: Evaluated, part: str, ruler: Ruler) -> list[Distance]:
    """From a part to the edges of its page or to the nearest part on the way, and to the page's centre."""
    box = page.box(part)
    ground = page.format.page(page.format.page_of(box))
    others = [p.box for p in page.parts if p.id != part and p.box and not _is_ground(p.box, page.format)]
    mid_x, mid_y = (box.x + box.right).part(1, 2), (box.y + box.bottom).part(1, 2)
    level = [o for o in others if o.y < box.bottom and box.y < o.bottom]
    above = [o for o in others if o.x < box.right and box.x < o.right]
    left = max([o.right for o in level if o.right <= box.x], default=ground.x)
    right = min([o.x for o in level if o.x >= box.right], default=ground.right)
    top = max([o.bottom for o in above if o.bottom <= box.y], default=ground.y)
    bottom = min([o.y for o in above if o.y >= box.bottom], default=ground.bottom)
    off_x = mid_x - (ground.x + ground.right).part(1, 2)
    off_y = mid_y - (ground.y + ground.bottom).part(1, 2)
    say = ruler.say
    return [
        Distance(left, mid_y, box.x, mid_y, say(box.x - left), "left"),
        Distance(box.right, mid_y, right, mid_y, say(right - box.right), "right"),
        Distance(mid_x, top, mid_x, box.y, say(box.y - top), "top"),
        Distance(mid_x, box.bottom, mid_x, bottom, say(bottom - box.bottom), "bottom"),
        Distance(mid_x - off_x, box.y, mid_x, box.y, _off(off_x, ("left", "right"), ruler), "centre across"),
        Distance(box.x, mid_y - off_y, box.x, mid_y, _off(off_y, ("above", "below"), ruler), "centre down"),
    ]


def _off(off: Length, words: tuple[str, str], ruler: Ruler) -> str:
    if abs(off) * 2 < ruler.mark:
        return "centred"
    side = f"{words[1 if off > ZERO else 0]}{' of' if words[0] == 'left' else ''} centre"
    return f"{ruler.say(abs(off))} {side}"
