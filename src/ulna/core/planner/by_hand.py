"""The cuts of a tree in an order for a hand, and what they ask of it: settings of the trimmer, turns of the paper."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from functools import partial
from itertools import pairwise

from ulna.core.planner.request import Area
from ulna.core.planner.tree import Axis, Part

Setting = tuple[Axis, int]
"""Which way the paper lies, and the distance that the trimmer is set to."""


@dataclass(frozen=True, slots=True)
class HandStep:
    """One cut straight across the part `of`, at a coordinate of its sheet or panel."""

    axis: Axis
    at: int
    of: Area

    @property
    def setting(self) -> int:
        """The distance that the trimmer is set to, from the near (left or top) edge of the part."""
        return self.at - (self.of.x if self.axis == "vertical" else self.of.y)


def steps(root: Part) -> list[HandStep]:
    """Equal settings in a row, few turns of the paper, large parts first.

    Of the parts that are there, one of the last setting comes next; else one whose setting is wanted by no part that
    is yet to come, so that it need not be set twice; else one that is cut the same way; of those the largest.
    """
    ready = [root] if root.is_cut else []
    pending = Counter(setting(part) for part in _cut_parts(root))
    found: list[HandStep] = []
    last: Setting | None = None
    while ready:
        there = Counter(map(setting, ready))
        to_come = {one for one in there if there[one] < pending[one]}
        following = min(ready, key=partial(_rank, last=last, to_come=to_come))
        ready.remove(following)
        last = setting(following)
        pending[last] -= 1
        found.append(HandStep(last[0], following.at, following.area))
        ready += [p for p in (following.first, following.second) if p is not None and p.is_cut]
    return found


def settings_and_turns(made: Iterable[HandStep]) -> tuple[int, int]:
    """How often the trimmer is set, and how often the paper is turned between two cuts: less is better."""
    settings = [(one.axis, one.setting) for one in made]
    changes = [(a, b) for a, b in pairwise(settings) if a != b]
    return len(changes) + bool(settings), sum(a[0] != b[0] for a, b in changes)


def _rank(part: Part, last: Setting | None, to_come: set[Setting]) -> tuple[bool, bool, bool, int]:
    own = setting(part)
    turned = last is not None and own[0] != last[0]
    return own != last, own in to_come, turned, -part.area.size


def _cut_parts(root: Part) -> Iterator[Part]:
    """The parts that are cut; one on which nothing lies stays in one, what is clear in it is a rest as it is."""
    if root.is_cut:
        yield root
        for part in (root.first, root.second):
            if part is not None:
                yield from _cut_parts(part)


def setting(part: Part) -> Setting:
    """Of the cut of a part; raises `ValueError` for one that is not cut."""
    if part.axis is None:
        raise ValueError("this part is not cut")
    return part.axis, part.at - (part.area.x if part.axis == "vertical" else part.area.y)
