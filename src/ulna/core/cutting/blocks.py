"""Blocks without waste: pieces with an equal edge are joined, and joined blocks again, until they are whole sheets.

    ┌──┬───┐        beside each other: one height, widths add up (a cut between takes its kerf)
    │  │   │        on top of each other: one width, heights add up
    └──┴───┘

Where sheets are to be filled to the last mark, equal edges are rare, so all blocks can be listed; of those that are
a whole sheet, disjoint ones are chosen that cover every piece. Building blocks from the bottom up: P. Y. Wang, "Two
algorithms for constrained two-dimensional cutting stock problems", 1983, with a waste of nothing; the choice is
Knuth's exact cover, the piece with the fewest blocks first.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

import numpy as np

from ulna.core.cutting.effort import Budget
from ulna.core.cutting.trials import PER_FITTING, Ints

MOST_PIECES = 64
"""One bit each."""
MOST_BLOCKS, MOST_NEW, CHUNK = 120_000, 30_000, 1_000_000
JOIN, NODE, PER_MADE, PER_JOINED = 900, 60, 5, 20
"""What a round of joining and a node of the choice cost, in fittings, and how many blocks are sorted, and pairs of them
held together, for one."""

BESIDE, ABOVE = 1, 2


@dataclass(slots=True, eq=False)
class Blocks:
    """Blocks by columns: size, which pieces (bits), the area of these, and what they are joined of.

    `how` is 0 for a single piece (`left` its index, `right` 1 where it lies turned), else BESIDE or ABOVE.
    """

    w: Ints
    h: Ints
    has: Ints
    area: Ints
    left: Ints
    right: Ints
    how: Ints

    def __len__(self) -> int:
        return len(self.w)

    def joined(self, other: Blocks) -> Blocks:
        return Blocks(*(np.concatenate([getattr(self, f), getattr(other, f)]) for f in self.__slots__))

    def only(self, which: Ints) -> Blocks:
        return Blocks(*(getattr(self, f)[which] for f in self.__slots__))


def listed(
    pieces: list[tuple[int, int, int, bool]],
    width: int,
    height: int,
    kerf: int,
    budget: Budget,
    give: int = 0,
    waste: float = 0.0,
) -> Blocks:
    """All blocks of pieces (number, width, height, may turn) that fit a sheet and may be part of a full one.

    Edges that are joined differ by `give` at most, and `waste` is the share of a block that may be lost. Of too many
    the fullest are kept.
    """
    lying = [(w, h, 1 << k, k, 0) for k, w, h, _ in pieces if w <= width and h <= height]
    lying += [(h, w, 1 << k, k, 1) for k, w, h, turn in pieces if turn and w != h and h <= width and w <= height]
    if not lying:
        empty = np.zeros(0, np.int64)
        return Blocks(empty, empty, empty.astype(np.uint64), empty.astype(float), empty, empty, empty)
    w, h, has, left, right = zip(*lying, strict=True)
    here = Blocks(
        np.array(w, np.int64),
        np.array(h, np.int64),
        np.array(has, np.uint64),
        np.array(w, float) * np.array(h, float),
        np.array(left, np.int64),
        np.array(right, np.int64),
        np.zeros(len(lying), np.int64),
    )
    least = int(min(here.w.min(), here.h.min())) + kerf if not give else 0
    limits = _Limits(width, height, kerf, least, give, waste)
    newest = np.arange(len(here))
    while len(newest) and len(here) < MOST_BLOCKS and not budget.spent:
        made = list(_rounds(here, newest, limits, budget))
        if not made:
            break
        new = Blocks(*(np.concatenate([getattr(b, f) for b in made]) for f in Blocks.__slots__))
        budget.spend((len(new) + len(here)) / PER_MADE)
        marks, known = _marks(new), _marks(here)
        _, first = np.unique(marks, return_index=True)
        first = first[~np.isin(marks[first], known)]
        if len(first) > MOST_NEW:
            lost = 1 - new.area[first] / (new.w[first].astype(float) * new.h[first])
            first = first[np.argsort(lost, kind="stable")[:MOST_NEW]]
        newest = np.arange(len(here), len(here) + len(first))
        here = here.joined(new.only(first))
    return here


def _marks(blocks: Blocks) -> Ints:
    """A number for each block by its pieces and its size."""
    size = (blocks.w.astype(np.uint64) << np.uint64(24)) ^ blocks.h.astype(np.uint64)
    return (blocks.has * np.uint64(0x9E3779B97F4A7C15)) ^ (size * np.uint64(0xC2B2AE3D27D4EB4F))


@dataclass(frozen=True, slots=True)
class _Limits:
    width: int
    height: int
    kerf: int
    least: int
    give: int
    waste: float


def _rounds(here: Blocks, newest: Ints, limits: _Limits, budget: Budget) -> Iterator[Blocks]:
    """What the newest blocks make with any other one, beside each other and on top of each other."""
    for how in (BESIDE, ABOVE):
        edge, along = (here.h, here.w) if how == BESIDE else (here.w, here.h)
        most = limits.width if how == BESIDE else limits.height
        order = np.argsort(edge, kind="stable")
        sorted_ = edge[order]
        low = np.searchsorted(sorted_, edge[newest] - limits.give, "left")
        count = np.searchsorted(sorted_, edge[newest] + limits.give, "right") - low
        ends = np.cumsum(count)
        start = 0
        while start < len(newest) and not budget.spent:
            before = ends[start - 1] if start else 0
            end = max(start + 1, int(np.searchsorted(ends, before + CHUNK, "right")))
            some = count[start:end]
            total = int(some.sum())
            budget.spend(JOIN + total / PER_JOINED)
            one = np.repeat(np.arange(start, end), some)
            offset = np.arange(total) - np.repeat(np.cumsum(some) - some, some)
            other, one = order[low[one] + offset], newest[one]
            start = end
            length = along[one] + along[other] + limits.kerf
            ok = ((here.has[one] & here.has[other]) == 0) & (length <= most)
            # What stays beside a block is nothing, or room for the smallest piece.
            ok &= (length == most) | (length + limits.least <= most)
            one, other, length = one[ok], other[ok], length[ok]
            across = np.maximum(edge[one], edge[other])
            area = here.area[one] + here.area[other]
            if limits.give:
                ok = area >= (1 - limits.waste) * across * length
                one, other, length, across, area = one[ok], other[ok], length[ok], across[ok], area[ok]
            if len(one):
                w, h = (length, across) if how == BESIDE else (across, length)
                has = here.has[one] | here.has[other]
                yield Blocks(w, h, has, area, one, other, np.full(len(one), how))


def chosen(kinds: list[Ints], quantity: list[int], pieces: int, budget: Budget) -> list[tuple[int, int]] | None:
    """Of full blocks of each kind of sheet (their bits), disjoint ones that cover `pieces` pieces: kind and index."""
    has = np.concatenate([*kinds, np.zeros(0, np.uint64)])
    if not len(has):
        return None
    kind = np.concatenate([np.full(len(one), k) for k, one in enumerate(kinds)])
    index = np.concatenate([np.arange(len(one)) for one in kinds])
    bits = ((has[:, None] >> np.arange(pieces, dtype=np.uint64)) & np.uint64(1)).astype(np.int32)

    def go(alive: Ints, open_: Ints, left: list[int], taken: list[int]) -> list[int] | None:
        if not len(open_):
            return taken
        budget.spend(NODE + len(alive) * len(open_) / PER_FITTING)
        counts = bits[alive][:, open_].sum(0)
        if not counts.all() or budget.spent:
            return None
        scarce = open_[int(counts.argmin())]
        for one in alive[bits[alive, scarce] == 1]:
            fewer = [q - (k == kind[one]) for k, q in enumerate(left)]
            rest = alive[(has[alive] & has[one]) == 0]
            if not fewer[kind[one]]:
                rest = rest[kind[rest] != kind[one]]
            found = go(rest, open_[bits[one, open_] == 0], fewer, [*taken, int(one)])
            if found is not None or budget.spent:
                return found
        return None

    alive = np.nonzero(np.array(quantity)[kind] > 0)[0]
    found = go(alive, np.arange(pieces), list(quantity), [])
    return None if found is None else [(int(kind[k]), int(index[k])) for k in found]
