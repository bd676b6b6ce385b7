"""What is left of a paper can make: how many mats for which prints, strips, foundations.

Equal pieces are counted in each sheet and scrap on its own, cut edge to edge: columns or rows of them are split off,
one way round or the other, and what is left is filled in turn. Round a hole the sheet is parted first.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from functools import lru_cache
from itertools import chain, product

from ulna.core.geometry.rects import Rect
from ulna.core.measure import Length, Ruler, Unit, inches, mm
from ulna.core.paper.shelf import Direction, Paper

BORDER = inches(0, 1, 4)
"""The usual border of a mat."""

PRINTS = ((inches(4), inches(6)), (inches(5), inches(7)), (inches(3), inches(4)), (inches(2), inches(3)))


@dataclass(frozen=True, slots=True)
class Make:
    """So many pieces of a size, and what they are for, said of so many."""

    what: str
    width: Length
    height: Length
    count: int


def makes(papers: Iterable[Paper], ruler: Ruler) -> list[Make]:
    """Each on its own: how many could be cut from these sheets and scraps if nothing else were."""
    there = [paper for paper in papers if paper.count and paper.inside is None]

    def make(name: str, what: str, width: Length, height: Length) -> Make:
        count = _count(there, width, height)
        return Make(f"{name if count == 1 else f'{name}s'} {what}", width, height, count)

    strip = inches(1) if ruler.unit is Unit.INCH else mm(25)
    return [
        *(make("mat", f"for {ruler.say_size(w, h)}", w + BORDER * 2, h + BORDER * 2) for w, h in PRINTS),
        make("strip", f"of {ruler.say_size(inches(12), strip)}", inches(12), strip),
        *(
            make(name, f"of {ruler.say_size(side, side)}", side, side)
            for side, name in ((inches(12), "foundation"), (inches(6), "panel"))
        ),
    ]


def _count(papers: Iterable[Paper], width: Length, height: Length) -> int:
    total = 0
    for paper in papers:
        turns = Direction.NONE in (paper.a.direction, paper.b.direction)
        holes = tuple(hole.at for hole in paper.holes)[:MOST_HOLES]
        total += paper.count * max(
            sum(fit(room.width.units, room.height.units, width.units, height.units, turns) for room in rooms)
            for rooms in round_holes(paper.usable, holes)
        )
    return total


MOST_HOLES = 4
"""Round more than these the ways are not tried any more."""


def round_holes(room: Rect, holes: tuple[Rect, ...]) -> Iterator[tuple[Rect, ...]]:
    """The ways to part a sheet by cuts from edge to edge so that no part has a hole: those beside it first, or those
    above and below it."""
    hole = next((one for one in holes if one.meets(room)), None)
    if hole is None:
        yield (room,)
        return
    left, right = max(hole.x, room.x), min(hole.right, room.right)
    top, bottom = max(hole.y, room.y), min(hole.bottom, room.bottom)
    beside = _parts(((room.x, left, room.y, room.bottom), (right, room.right, room.y, room.bottom)))
    across = _parts(((room.x, room.right, room.y, top), (room.x, room.right, bottom, room.bottom)))
    between = _parts(((left, right, room.y, top), (left, right, bottom, room.bottom)))
    amid = _parts(((room.x, left, top, bottom), (right, room.right, top, bottom)))
    for parts in ((*beside, *between), (*across, *amid)):
        ways = [list(round_holes(part, holes)) for part in parts]
        yield from (tuple(chain.from_iterable(way)) for way in product(*ways))


def _parts(spans: Iterable[tuple[Length, Length, Length, Length]]) -> list[Rect]:
    return [Rect(x1, y1, x2 - x1, y2 - y1) for x1, x2, y1, y2 in spans if x1 < x2 and y1 < y2]


@lru_cache(4_096)
def fit(width: int, height: int, w: int, h: int, turns: bool) -> int:
    """How many pieces of w × h come out of width × height by cuts from edge to edge; `turns` allows a quarter turn."""
    known: dict[tuple[int, int], int] = {}
    ways = {(w, h), (h, w)} if turns else {(w, h)}

    def most(width: int, height: int) -> int:
        if (width, height) in known:
            return known[width, height]
        best = 0
        for a, b in ways:
            columns, rows = width // a, height // b
            for k in range(1, columns + 1) if rows else ():
                best = max(best, k * rows + most(width - k * a, height) + most(k * a, height - rows * b))
            for k in range(1, rows + 1) if columns else ():
                best = max(best, k * columns + most(width, height - k * b) + most(width - columns * a, k * b))
        known[width, height] = best
        return best

    return most(width, height)
