"""How a search came out: the sheets it opened, each with its cut tree, and how good that is.

What is better, in this order: fewer pieces unplaced, fewer whole sheets opened, a more valuable rest, fewer parts.
The value of a rest is its area times its shorter side, so that one large rest is worth more than the same area in
slivers; against it stands the same value of every sheet and scrap that was opened.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from ulna.core.planner.request import Area, CutRequest
from ulna.core.planner.tree import Laid, Part


@dataclass(slots=True, eq=False)
class Opened:
    """One sheet that is in use: which one of the request, which copy, and its cut tree."""

    sheet: int
    copy: int
    root: Part


@dataclass(slots=True)
class Outcome:
    """What a search found: sheets in the order opened, copies placed by piece index."""

    opened: list[Opened]
    placed: list[int]
    whole_sheets: int
    lost: float
    parts: int

    @property
    def rank(self) -> tuple[int, int, float, int]:
        """Less is better."""
        return -sum(self.placed), self.whole_sheets, self.lost, self.parts


def value(area: Area) -> float:
    """What a rest is worth: its area times its shorter side."""
    return float(area.width) * area.height * min(area.width, area.height)


def laid_on(root: Part) -> Iterator[Laid]:
    """The pieces of a tree, those of panels too."""
    for part in root.leaves():
        if part.laid is not None:
            yield part.laid
            if part.laid.panel is not None:
                yield from laid_on(part.laid.panel)


def assessed(request: CutRequest, opened: Sequence[Opened]) -> Outcome:
    """The outcome of these sheets; those on which nothing lies are left out, copies are numbered anew."""
    placed, copies = [0] * len(request.pieces), [0] * len(request.sheets)
    used, lost, parts = list[Opened](), 0.0, 0
    for one in opened:
        there = list(laid_on(one.root))
        if not there:
            continue
        for laid in there:
            placed[laid.piece] += 1
        copies[one.sheet] += 1
        used.append(Opened(one.sheet, copies[one.sheet], one.root))
        left, count = _rest(one.root)
        lost += value(request.sheets[one.sheet].usable) - left
        parts += count
    whole = sum(not request.sheets[one.sheet].scrap for one in used)
    return Outcome(used, placed, whole, lost, parts)


def _rest(root: Part) -> tuple[float, int]:
    """The value of all that is left of a tree, panels included, and how many parts it is in."""
    left, count = 0.0, 0
    for part in root.leaves():
        count += 1
        if part.laid is None:
            left += 0.0 if part.lost else value(part.area)
        elif part.laid.panel is not None:
            inner, parts = _rest(part.laid.panel)
            left, count = left + inner, count + parts
    return left, count
