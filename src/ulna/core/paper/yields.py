"""What is left of a paper can make: how many mats for which prints, strips, foundations.

Equal pieces are counted in each sheet and scrap on its own, cut edge to edge: columns or rows of them are split off,
one way round or the other, and what is left is filled in turn.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass
from functools import lru_cache

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
    there = [paper for paper in papers if paper.count and not paper.holes and paper.inside is None]

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
        room = paper.usable
        turns = Direction.NONE in (paper.a.direction, paper.b.direction)
        total += paper.count * fit(room.width.units, room.height.units, width.units, height.units, turns)
    return total


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
