"""Outlines laid on a sheet by what they really cover, not by their boxes: for a cutting machine, which needs no cut
from edge to edge.

Paper is a grid of cells one mark wide. What an outline covers, and half a gap round it, are cells; in a letter's
counter a smaller one may lie. The largest go first, each as far up and then as far left as it goes, turned as its paper
allows.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from itertools import pairwise

from ulna.core.geometry import outlines
from ulna.core.geometry.polygons import Polygon

GAP = 1 / 16
"""Inches that stay between two outlines, so that the paper holds while the blade goes round."""
MOST_FREE = 8
"""So many boxes of what is left of a sheet are named."""

Cells = Mapping[int, Sequence[tuple[int, int]]]
"""Of each row the runs from one cell to the one after its last."""


@dataclass(frozen=True, slots=True)
class Traced:
    """What is cut out as one: its outline and the openings in it, in inches from the corner of its box."""

    outline: Polygon
    openings: tuple[Polygon, ...] = ()


@dataclass(frozen=True, slots=True)
class Laid:
    """Which of the pieces lies there, in which of its ways, its corner so many cells from the bed's."""

    piece: int
    way: int
    x: int
    y: int


class Bed:
    """A sheet on its way to the machine: which of its cells are free still."""

    def __init__(self, columns: int, rows: int, blocked: Iterable[Cells] = ()) -> None:
        self.columns, self.rows = columns, rows
        self._all = (1 << columns) - 1
        self._taken = [0] * rows
        self._used = 0, 0
        for cells in blocked:
            self._take(cells, 0, 0)

    def place(self, cells: Cells) -> tuple[int, int] | None:
        """How far right and down a piece goes that covers these cells: beside or in what lies there already, so that
        no more of the bed is begun, else the highest place, of those the leftmost."""
        return self._place(cells, *self._used) or self._place(cells, self.columns, self.rows)

    def _place(self, cells: Cells, columns: int, rows: int) -> tuple[int, int] | None:
        first, last = min(cells), max(cells)
        left, right = (
            min(a for runs in cells.values() for a, _ in runs),
            max(b for runs in cells.values() for _, b in runs),
        )
        for down in range(-first, rows - last):
            blocked = 0
            for row, runs in cells.items():
                taken = self._taken[row + down]
                if taken:
                    for begins, ends in runs:
                        blocked |= _shifted(_spread(taken, ends - begins), begins - left)
            free = ~blocked & ((1 << max(0, columns - (right - left) + 1)) - 1)
            if free:
                return (free & -free).bit_length() - 1 - left, down
        return None

    def lay(self, cells: Cells, x: int, y: int) -> None:
        self._take(cells, x, y)
        columns, rows = self._used
        self._used = (
            max(columns, x + max(b for runs in cells.values() for _, b in runs)),
            max(rows, y + max(cells) + 1),
        )

    def _take(self, cells: Cells, x: int, y: int) -> None:
        for row, runs in cells.items():
            if 0 <= row + y < self.rows:
                for begins, ends in runs:
                    self._taken[row + y] |= _run(begins + x, ends + x) & self._all

    def free(self, least: int) -> Iterator[tuple[int, int, int, int]]:
        """The largest boxes of free cells, one after the other, x, y, width and height; none narrower than `least`."""
        taken = list(self._taken)
        for _ in range(MOST_FREE):
            found = _largest(taken, self.columns)
            if found is None or min(found[2], found[3]) < least:
                return
            yield found
            x, y, width, height = found
            for row in range(y, y + height):
                taken[row] |= _run(x, x + width)


def nested(ways: Sequence[Sequence[Cells]], beds: Sequence[Bed]) -> tuple[list[list[Laid]], list[int]]:
    """Where each piece lies on the first bed that has room for it, and those that found none. `ways` has the cells that
    each piece covers, for every way in which it may be turned."""
    found: list[list[Laid]] = [[] for _ in beds]
    left = list[int]()
    order = sorted(range(len(ways)), key=lambda k: (-_many(ways[k][0]), k))
    for k in order:
        for bed, laid in zip(beds, found, strict=True):
            places = [
                (place[1] + max(cells), place[0], way)
                for way, cells in enumerate(ways[k])
                if (place := bed.place(cells))
            ]
            if places:
                bottom, x, way = min(places)
                y = bottom - max(ways[k][way])
                bed.lay(ways[k][way], x, y)
                laid.append(Laid(k, way, x, y))
                break
        else:
            left.append(k)
    return found, sorted(left)


def covered(one: Traced, cell: float) -> Cells:
    """The cells that a piece takes, with half the gap round it."""
    return outlines.cells(one.outline, one.openings, GAP / 2, cell)


def beside(
    width: float, height: float, inside: Polygon, holes: Sequence[Polygon], margin: float, cell: float
) -> Iterator[Cells]:
    """What of a bed of that size is no paper: beyond `inside`, in its holes, and so much along all edges."""
    rows, columns = int(height / cell + 1e-6), int(width / cell + 1e-6)
    kept = outlines.grown(inside, -margin)
    there = outlines.within(kept, cell) if kept else {}
    yield {row: _others(there.get(row, ()), columns) for row in range(rows)}
    for hole in holes:
        yield outlines.cells(hole, (), margin, cell)


def _others(runs: Sequence[tuple[int, int]], columns: int) -> list[tuple[int, int]]:
    ends = [0, *(cell for run in runs for cell in run), columns]
    return [(a, b) for a, b in list(pairwise(ends))[::2] if b > a]


def _run(begins: int, ends: int) -> int:
    return ((1 << max(0, ends)) - 1) & ~((1 << max(0, begins)) - 1)


def _spread(taken: int, long: int) -> int:
    """Where a run of so many cells may not begin, for it would meet what is taken."""
    found, wide = taken, 1
    while wide < long:
        by = min(wide, long - wide)
        found |= found >> by
        wide += by
    return found


def _shifted(bits: int, by: int) -> int:
    return bits >> by if by >= 0 else bits << -by


def _many(cells: Cells) -> int:
    return sum(ends - begins for runs in cells.values() for begins, ends in runs)


def _largest(taken: Sequence[int], columns: int) -> tuple[int, int, int, int] | None:
    """The largest box of cells that are not taken: row after row the columns that are free so far up."""
    best, size = None, 0
    high = [0] * columns
    for row, bits in enumerate(taken):
        stack = list[tuple[int, int]]()
        for column in range(columns + 1):
            if column < columns:
                high[column] = 0 if bits >> column & 1 else high[column] + 1
            now, begins = (high[column] if column < columns else 0), column
            while stack and stack[-1][1] > now:
                begins, tall = stack.pop()
                if tall * (column - begins) > size:
                    best, size = (begins, row - tall + 1, column - begins, tall), tall * (column - begins)
            if now and (not stack or stack[-1][1] < now):
                stack.append((begins, now))
    return best
