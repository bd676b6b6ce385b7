"""Papers on cells so that no two neighbours are alike.

Three papers suffice for a honeycomb, but laid without holes it has only the six arrangements that the order of the
three allows. With four the counts can be even or asked for, and there is always another arrangement. With two, squares
and triangles still do; in a honeycomb some pairs touch.
"""

from __future__ import annotations

import random
from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from itertools import permutations

Spot = tuple[int, int]
TRIES = 40


@dataclass(frozen=True, slots=True)
class Coloured:
    """Which paper, by its number, lies on each cell; how many pairs of neighbours are alike."""

    paper: Mapping[Spot, int]
    touching: int


def coloured(
    beside: Mapping[Spot, Sequence[Spot]],
    classes: Mapping[Spot, int],
    papers: int,
    asked: Sequence[int] = (),
    seed: int = 1,
    fixed: Mapping[Spot, int] | None = None,
) -> Coloured:
    """Papers 0 … `papers` − 1 on the cells of `beside`, which names each cell's neighbours.

    `classes` parts the cells into as few kinds as can be without two neighbours of one kind (three in a honeycomb,
    two in squares and triangles). `asked` is how many cells each paper is wanted on; empty means evenly. Cells in
    `fixed` have that paper already.
    """
    fixed = dict(fixed or {})
    if papers <= 1 or not beside:
        return _told({spot: fixed.get(spot, 0) for spot in beside}, beside)
    kinds = max(classes.values(), default=0) + 1
    wanted = _wanted(len(beside), papers, asked)
    tries: list[Coloured] = []
    if papers <= kinds:
        orders = list(permutations(range(kinds)))
        first = orders[seed % len(orders) :] + orders[: seed % len(orders)]
        for order in first if asked else first[:1]:
            laid = {spot: fixed.get(spot, order[classes[spot]] % papers) for spot in beside}
            tries.append(_told(laid, beside))
    else:
        for turn in range(TRIES):
            laid = _drawn(beside, papers, wanted, random.Random(seed * 1009 + turn), fixed)
            tries.append(_told(laid, beside))
            if not tries[-1].touching and _off(laid, wanted) <= (0 if asked else 1):
                break
    return min(tries, key=lambda one: (one.touching, _off(one.paper, wanted)))


def counts(one: Coloured, papers: int) -> list[int]:
    return [sum(paper == k for paper in one.paper.values()) for k in range(papers)]


def _wanted(cells: int, papers: int, asked: Sequence[int]) -> list[int]:
    if asked:
        return [asked[k] if k < len(asked) else 0 for k in range(papers)]
    return [cells // papers + (k < cells % papers) for k in range(papers)]


def _off(laid: Mapping[Spot, int], wanted: Sequence[int]) -> int:
    """By how many cells the counts are off what is wanted, at most."""
    return max(abs(sum(p == k for p in laid.values()) - n) for k, n in enumerate(wanted))


def _drawn(
    beside: Mapping[Spot, Sequence[Spot]],
    papers: int,
    wanted: Sequence[int],
    dice: random.Random,
    fixed: Mapping[Spot, int],
) -> dict[Spot, int]:
    """Cell by cell, row after row: of the papers that no neighbour has, one that is wanted most still."""
    laid, left = dict(fixed), list(wanted)
    for paper in fixed.values():
        left[paper] -= 1
    for spot in sorted(beside):
        if spot in laid:
            continue
        near = {laid[other] for other in beside[spot] if other in laid}
        free = [k for k in range(papers) if k not in near] or list(range(papers))
        most = max(left[k] for k in free)
        chosen = dice.choice([k for k in free if left[k] >= most - 1])
        laid[spot] = chosen
        left[chosen] -= 1
    return laid


def _told(laid: dict[Spot, int], beside: Mapping[Spot, Sequence[Spot]]) -> Coloured:
    pairs = sum(laid[a] == laid[b] for a, others in beside.items() for b in others if b in laid and a < b)
    return Coloured(laid, pairs)
