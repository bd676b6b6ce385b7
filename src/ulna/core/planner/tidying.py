"""The cut tree of a sheet once its pieces lie: the same pieces at the same places, with the most valuable rests and, of
trees equal in that, the fewest cuts, then the fewest settings of the trimmer, then the fewest turns of the paper.

    ┌─┬─┬─┬─┬─┬──────┐      six tiles in a row: the strip first, then across it, seven cuts;
    ├─┴─┴─┴─┴─┴──────┤      a tile at a time, each cut twice, would be twelve
    │      rest      │
    └────────────────┘

A part with nothing on it is one rest. Every part that the tree comes to is worked out once, its cuts being those edges
of pieces that pass through none; the value of rests and the number of cuts add up, so the best of a part is the best
of its two sides. Settings do not add up: of the trees that are equally good some are made, each holding to settings
that it has already, and to one way round and one end first; the best of these is taken. Sheets with more pieces than
can be worked out keep the tree that they have. A part with a hole on which nothing lies is not cut: what is clear
beside the hole is a rest as it is.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass, field
from functools import lru_cache, partial
from typing import Literal

from ulna.core.planner.by_hand import Setting, settings_and_turns, steps
from ulna.core.planner.obstacles import carve
from ulna.core.planner.outcome import value
from ulna.core.planner.request import Area
from ulna.core.planner.tree import Axis, Part

MOST_PARTS = 3_000
"""Of one tree are worked out; then it stays as it is."""

AXES: tuple[Axis, ...] = ("vertical", "horizontal")
End = Literal["near", "middle", "far"]
ENDS: tuple[End, ...] = ("near", "middle", "far")

Score = tuple[float, int]
"""Value of the rests, and the number of cuts below nothing: more is better."""


def tidied(root: Part, kerf: int, holes: Sequence[Area] = (), reserved: bool = False, by_hand: bool = True) -> None:
    """Changes the tree under a sheet or panel in place, where that is better; panels within it too. What has a hole in
    it is cut round a piece only; of a sheet that is `reserved` in part, the first cut takes that off. Settings and
    turns are looked at where it is `by_hand`."""
    for part in list(root.leaves()):
        if part.laid is not None and part.laid.panel is not None:
            tidied(part.laid.panel, kerf, by_hand=by_hand)
    tops = [side for side in (root.first, root.second) if side is not None] if reserved else [root]
    for top in tops:
        if top.axis is not None:
            _tidy(top, kerf, tuple(holes), by_hand)


def _tidy(top: Part, kerf: int, holes: tuple[Area, ...], by_hand: bool) -> None:
    laid = {leaf.area: leaf for leaf in top.leaves() if leaf.laid is not None}
    search = _searched(kerf, holes, top.area, tuple(laid))
    if search is None:
        return
    best = search.best(top.area, tuple(laid))
    now = _score(top)
    if best < now or (best == now and not by_hand):
        return
    found = min(search.trees(top.area, laid, by_hand), key=_asked)
    if best > now or _asked(found) < _asked(top):
        top.axis, top.at, top.first, top.second, top.laid = (
            found.axis,
            found.at,
            found.first,
            found.second,
            found.laid,
        )
        top.lost = False


@lru_cache(maxsize=8)
def _searched(kerf: int, holes: tuple[Area, ...], area: Area, inside: tuple[Area, ...]) -> _Search | None:
    """All that is known of a part on which these pieces lie; nothing where that is too much. Remembered: of tiles by
    the thousand sheet after sheet is laid alike."""
    search = _Search(kerf, holes)
    try:
        search.best(area, inside)
    except _TooMany:
        return None
    return search


def _asked(tree: Part) -> tuple[int, int]:
    return settings_and_turns(steps(tree))


def _score(top: Part) -> Score:
    """Of a tree as it stands."""
    worth = sum(value(leaf.area) for leaf in top.leaves() if leaf.laid is None and not leaf.lost)
    cuts, todo = 0, [top]
    while todo:
        part = todo.pop()
        if part.is_cut:
            cuts += 1
            todo += [side for side in (part.first, part.second) if side is not None]
    return worth, -cuts


class _TooMany(Exception):
    """More parts than are worked out."""


@dataclass
class _Search:
    kerf: int
    holes: tuple[Area, ...]
    known: dict[Area, tuple[Score, tuple[tuple[Axis, int], ...]]] = field(default_factory=dict)

    def best(self, area: Area, inside: tuple[Area, ...]) -> Score:
        """The best that can be had of a part on which these pieces lie."""
        found = self.known.get(area)
        if found is not None:
            return found[0]
        if len(self.known) >= MOST_PARTS:
            raise _TooMany
        if not inside:
            score: Score = (sum(value(part.area) for part in self._clear(Part(area))), 0)
            self.known[area] = score, ()
            return score
        if len(inside) == 1 and inside[0] == area:
            self.known[area] = (0.0, 0), ()
            return 0.0, 0
        top, equal = None, list[tuple[Axis, int]]()
        for axis, at in self._lines(area, inside):
            (one, within_one), (two, within_two) = self._sides(area, inside, axis, at)
            a = self.best(one, within_one) if one is not None else (0.0, 0)
            b = self.best(two, within_two) if two is not None else (0.0, 0)
            score = (a[0] + b[0], a[1] + b[1] - 1)
            if top is None or score > top:
                top, equal = score, []
            if score == top:
                equal.append((axis, at))
        if top is None:
            raise _TooMany  # these pieces cannot be parted here: another tree has them
        self.known[area] = top, tuple(equal)
        return top

    def _clear(self, part: Part) -> list[Part]:
        """What is clear in a part on which nothing lies, beside its holes."""
        there = [hole for hole in self.holes if hole.meets(part.area)]
        carve(part, (), there, self.kerf, flat=True)
        return [leaf for leaf in part.leaves() if not leaf.lost]

    def _lines(self, area: Area, inside: tuple[Area, ...]) -> list[tuple[Axis, int]]:
        """Where a cut may go: beside a piece, through none."""
        found = list[tuple[Axis, int]]()
        k = self.kerf
        for axis, low in (("vertical", 0), ("horizontal", 1)):
            start, end = area[low], area[low] + area[low + 2]
            lines = {p[low] + p[low + 2] for p in inside} | {p[low] - k for p in inside}
            for at in sorted(lines):
                across = start < at < end or (k and start < at + k < end and at < end)
                if across and not any(p[low] < at + k and p[low] + p[low + 2] > at for p in inside):
                    found.append((axis, at))  # type: ignore[arg-type]
        return found

    def _sides(
        self, area: Area, inside: tuple[Area, ...], axis: Axis, at: int
    ) -> tuple[tuple[Area | None, tuple[Area, ...]], tuple[Area | None, tuple[Area, ...]]]:
        x, y, w, h = area
        k = self.kerf
        if axis == "vertical":
            one = Area(x, y, at - x, h) if at > x else None
            two = Area(at + k, y, x + w - at - k, h) if at + k < x + w else None
            first = tuple([p for p in inside if p[0] + p[2] <= at])
            rest = tuple([p for p in inside if p[0] + p[2] > at])
        else:
            one = Area(x, y, w, at - y) if at > y else None
            two = Area(x, at + k, w, y + h - at - k) if at + k < y + h else None
            first = tuple([p for p in inside if p[1] + p[3] <= at])
            rest = tuple([p for p in inside if p[1] + p[3] > at])
        return (one, first), (two, rest)

    def trees(self, area: Area, laid: dict[Area, Part], several: bool) -> Iterable[Part]:
        """One of the best trees; or `several`, each once."""
        if not several or all(len(equal) < 2 for _, equal in self.known.values()):
            return [self._build(area, laid, "vertical", "near")]
        made = (self._build(area, laid, axis, end) for axis in AXES for end in ENDS)
        return {tuple(_cuts(tree)): tree for tree in made}.values()

    def _build(self, area: Area, laid: dict[Area, Part], first: Axis, end: End) -> Part:
        """A tree of the best cuts; of equal ones those of a setting that it has already, then those of the axis that
        comes `first`, those nearest to that `end`."""
        root, used = Part(area), set[Setting]()

        def less_apt(cut: tuple[Axis, int], here: Area) -> tuple[bool, bool, int]:
            axis, at = cut
            near = at - _start(here, axis)
            return (axis, near) not in used, axis != first, _away(near, here, axis, end)

        todo = [(root, tuple(laid))]
        while todo:
            here, within = todo.pop()
            _, equal = self.known[here.area]
            if not equal:
                if within:
                    here.laid = laid[here.area].laid
                else:
                    self._clear(here)
                continue
            axis, at = min(equal, key=partial(less_apt, here=here.area))
            used.add((axis, at - _start(here.area, axis)))
            sides = self._sides(here.area, within, axis, at)
            made = here.cut(axis, at, self.kerf)
            todo += [(side, pieces) for side, (_, pieces) in zip(made, sides, strict=True) if side is not None]
        return root


def _cuts(root: Part) -> Iterator[tuple[Area, Axis | None, int]]:
    todo = [root]
    while todo:
        part = todo.pop()
        yield part.area, part.axis, part.at
        todo += [side for side in (part.first, part.second) if side is not None]


def _away(setting: int, area: Area, axis: Axis, end: End) -> int:
    """How far a cut is from one end of its part, or twice how far from the middle."""
    long = area.width if axis == "vertical" else area.height
    return {"near": setting, "middle": abs(2 * setting - long), "far": long - setting}[end]


def _start(area: Area, axis: Axis) -> int:
    return area.x if axis == "vertical" else area.y
