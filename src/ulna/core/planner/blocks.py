"""Blocks with hardly any waste: pieces with an equal edge are joined, and joined blocks again, until they are whole
sheets.

    ┌──┬───┐        beside each other: one height, widths add up (a cut between takes its kerf)
    │  │   │        on top of each other: one width, heights add up
    └──┴───┘

Where sheets are to be filled to the last mark, equal edges are rare, so all blocks can be listed; of those that are
a whole sheet, disjoint ones are chosen that cover every piece. Building blocks from the bottom up: P. Y. Wang, "Two
algorithms for constrained two-dimensional cutting stock problems", 1983, with a waste of next to nothing; the choice
is Knuth's exact cover, the piece with the fewest blocks first. Compiled where it is installed, as `trials` is.
"""

from __future__ import annotations

from collections.abc import Sequence
from math import gcd

import cython

from ulna.core.planner.arrays import bits, ints, longs, marks, reals
from ulna.core.planner.effort import Budget

MOST_PIECES = 64
"""One bit each."""
MOST_BLOCKS = 400_000
MOST_NEW = 30_000
"""Of what a round of joining makes with waste, so many of the fullest are kept."""
ROUND = 2_000_000
"""Pairs between two looks at the clock."""
PER_MADE, PER_JOINED, PER_LOOK = 3.0, 120.0, 150.0
"""How many blocks are kept, pairs of them held together, and blocks looked at in the choice, for one fitting."""
SINGLE, BESIDE, ABOVE = 0, 1, 2
"""How a block is joined."""
DIGIT = 2048
BINS = 1000
ALL = 0xFFFFFFFFFFFFFFFF
GOLDEN = 0x9E3779B97F4A7C15


class Blocks:
    """All blocks of pieces that fit a sheet of `width` × `height` and may be part of a full one.

    A piece is its number (a bit, at most 64), width, height and whether it may turn. Edges that are joined differ by
    `give` at most, and `waste` is the share of a block that may be lost; with neither, what stays beside a block must
    be nothing or leave room for the smallest piece. Of blocks of the same pieces no larger ones are kept.
    """

    def __init__(
        self,
        pieces: Sequence[tuple[int, int, int, bool]],
        width: int,
        height: int,
        kerf: int,
        budget: Budget,
        give: int = 0,
        waste: float = 0.0,
    ) -> None:
        sides = [v for _, w, h, _ in pieces for v in (w, h)]
        unit = gcd(*sides, width, height, kerf) or 1
        self.unit, self.width, self.height, self.kerf = unit, width // unit, height // unit, kerf // unit
        self.give, self.waste, self.tight = give // unit, waste, give == 0
        self.least = min(sides, default=0) // unit + self.kerf if self.tight else 0
        self.count, self.room = 0, 1 << 12
        self.w, self.h, self.area, self.has = longs(0), longs(0), reals(0), bits(0)
        self.how, self.left, self.right = marks(0), ints(0), ints(0)
        self._make_room()
        for number, w, h, turn in pieces:
            for turned, (a, b) in enumerate([(w, h), (h, w)] if turn and w != h else [(w, h)]):
                if a <= width and b <= height:
                    own = a // unit, b // unit
                    self._keep(own[0], own[1], 1 << number, float(own[0]) * own[1], SINGLE, number, turned)
        first = 0
        while first < self.count < MOST_BLOCKS and not budget.spent:
            first = self._joined(first, budget)
        self.full = self._filling()

    def __len__(self) -> int:
        return self.count

    def block(self, at: int) -> tuple[int, int, int, int, int]:
        """Width, height, how it is joined and of which two (of a SINGLE one: its piece, and 1 where that is turned)."""
        k = at
        return self.w[k] * self.unit, self.h[k] * self.unit, self.how[k], self.left[k], self.right[k]

    def pieces(self, at: int) -> int:
        """Which pieces a block has, a bit each."""
        k = at
        return self.has[k]

    def filling(self) -> list[int]:
        """The blocks that fill the sheet, but for the waste, the fullest first."""
        return list(self.full)

    def fullest(self, used: int, wanted: int, most: int) -> list[int]:
        """Of the blocks that fill the sheet the fullest with all wanted pieces and none of the used ones (bits)."""
        without = used
        needed = wanted
        found = list[int]()
        for at in self.full:
            k = at
            if self.has[k] & without == 0 and self.has[k] & needed == needed:
                found.append(at)
                if len(found) == most:
                    break
        return found

    def _filling(self) -> list[int]:
        least = (1.0 - self.waste) * self.width * self.height
        full = list[tuple[float, int]]()
        for k in range(self.count):
            whole = self.w[k] == self.width and self.h[k] == self.height
            if whole if self.tight else self.area[k] >= least:
                full.append((-self.area[k], k))
        return [at for _, at in sorted(full)]

    # ---- joining -----------------------------------------------------------------------------------------

    def _joined(self, first: int, budget: Budget) -> int:
        """Joins the blocks from `first` on with all there are; where the ones that come of it begin."""
        last = self.count
        for way in (BESIDE, ABOVE):
            self._sort(way, last)
            done = 0
            beside = way == BESIDE
            most = ROUND
            while done < last and self.count < MOST_BLOCKS and not budget.spent:
                if 2 * self.count >= self.room:
                    self.room *= 2
                    self._make_room()
                self.pairs = 0.0
                made = self.count
                with cython.nogil:
                    done = self._join(beside, first, last, done, most)
                budget.spend(self.pairs / PER_JOINED + (self.count - made) / PER_MADE)
        if not self.tight and self.count - last > MOST_NEW:
            self._thin(last)
        return last

    def _make_room(self) -> None:
        """Columns for `room` blocks, with the blocks there are."""
        old_w = self.w
        old_h = self.h
        old_area = self.area
        old_has = self.has
        old_how = self.how
        old_left = self.left
        old_right = self.right
        self.w, self.h, self.area, self.has = longs(self.room), longs(self.room), reals(self.room), bits(self.room)
        self.how, self.left, self.right = marks(self.room), ints(self.room), ints(self.room)
        for k in range(self.count):
            self.w[k], self.h[k], self.area[k], self.has[k] = old_w[k], old_h[k], old_area[k], old_has[k]
            self.how[k], self.left[k], self.right[k] = old_how[k], old_left[k], old_right[k]
        self.same, self.table, self.mask = ints(self.room), ints(4 * self.room), 4 * self.room - 1
        for k in range(self.count):
            self._enter(k)

    def _thin(self, first: int) -> None:
        """Of the blocks from `first` on some of the fullest stay."""
        bins = ints(BINS + 1)
        for k in range(first, self.count):
            bins[self._bin(k)] += 1
        last = 0
        kept = 0
        while last < BINS and kept + bins[last] <= MOST_NEW:
            kept += bins[last]
            last += 1
        to = first
        for k in range(first, self.count):
            if self._bin(k) < last:
                self.w[to], self.h[to], self.area[to], self.has[to] = (
                    self.w[k],
                    self.h[k],
                    self.area[k],
                    self.has[k],
                )
                self.how[to], self.left[to], self.right[to] = self.how[k], self.left[k], self.right[k]
                to += 1
        self.count = to
        self.table = ints(self.mask + 1)
        for k in range(to):
            self._enter(k)

    def _bin(self, at: int) -> int:
        """How much of a block is waste, 0 to BINS."""
        lost = 1.0 - self.area[at] / (cython.cast(cython.double, self.w[at]) * self.h[at])
        found = cython.cast(cython.int, BINS * (lost / self.waste))
        return found if found < BINS else BINS

    def _hash(self, has: int) -> int:
        mixed = has ^ (has >> 31)
        mixed = (mixed * GOLDEN) & ALL
        mixed ^= mixed >> 29
        found = cython.cast(cython.int, mixed & self.mask)
        return found

    def _enter(self, at: int) -> None:
        """Blocks of the same pieces are a chain (numbers plus one; 0 is its end)."""
        place = self._hash(self.has[at])
        self.same[at] = self.table[place]
        self.table[place] = at + 1

    def _keep(
        self,
        w: int,
        h: int,
        has: int,
        area: float,
        how: int,
        left: int,
        right: int,
    ) -> None:
        """Keeps a block unless one of the same pieces is no larger."""
        there = self.table[self._hash(has)]
        while there > 0:
            if self.has[there - 1] == has and self.w[there - 1] <= w and self.h[there - 1] <= h:
                return
            there = self.same[there - 1]
        at = self.count
        self.w[at] = w
        self.h[at] = h
        self.has[at] = has
        self.area[at] = area
        self.how[at] = how
        self.left[at] = left
        self.right[at] = right
        self._enter(at)
        self.count += 1

    def _join(self, beside: bool, first: int, last: int, done: int, most: float) -> int:
        """Goes on with the blocks in the order of their edges; ends after so many pairs, or where room is short."""
        order = self.order
        edges = self.edge
        limit = self.width if beside else self.height
        while done < last:
            one = order[done]
            if one < first:
                done += 1
                continue
            if self.pairs > most or self.count >= MOST_BLOCKS or 2 * self.count > self.room:
                break
            edge = edges[done]
            long = (self.w[one] if beside else self.h[one]) + self.kerf
            has = self.has[one]
            k = done
            while k > 0 and edges[k - 1] >= edge - self.give:
                k -= 1
            while k < last and edges[k] <= edge + self.give and self.count < self.room:
                other = order[k]
                self.pairs += 1
                # Two new ones meet once.
                if self.has[other] & has == 0 and (k > done or other < first):
                    across = edges[k] if k > done else edge
                    length = long + (self.w[other] if beside else self.h[other])
                    area = self.area[one] + self.area[other]
                    if self._may_be_part(length, across, limit, area):
                        w = length if beside else across
                        h = across if beside else length
                        self._keep(w, h, has | self.has[other], area, 1 if beside else 2, one, other)
                k += 1
            if self.count >= self.room:
                break  # the same one again, with more room: what is kept is not kept twice
            done += 1
        return done

    def _may_be_part(self, length: int, across: int, limit: int, area: float) -> bool:
        """Whether a block may be part of a full sheet: nothing is left beside it or enough, and little is lost."""
        if self.tight:  # what the kerf takes is no waste
            return length == limit or length + self.least <= limit
        return length <= limit and area >= (1.0 - self.waste) * across * length

    def _sort(self, way: int, last: int) -> None:
        """The first blocks in the order of their heights (BESIDE) or widths (ABOVE), digit by digit."""
        beside = way == BESIDE
        edges = self.h if beside else self.w
        most = self.height if beside else self.width
        order = ints(range(last))
        other = ints(last)
        shift = 0
        while most >> shift > 0:
            digits = ints(DIGIT + 1)
            for k in range(last):
                digit = cython.cast(cython.int, (edges[k] >> shift) & (DIGIT - 1))
                digits[digit + 1] += 1
            for k in range(DIGIT):
                digits[k + 1] += digits[k]
            for k in range(last):
                digit = cython.cast(cython.int, (edges[order[k]] >> shift) & (DIGIT - 1))
                other[digits[digit]] = order[k]
                digits[digit] += 1
            order, other = other, order
            shift += 11
        self.order, self.edge = order, longs(last)
        for k in range(last):
            self.edge[k] = edges[order[k]]


class _Choice:
    """Full blocks of several kinds of sheets, by what pieces they have, of which disjoint ones are to be chosen."""

    def __init__(self, kinds: Sequence[Sequence[int]], quantity: Sequence[int], pieces: int, most: float) -> None:
        self.has = bits([one for kind in kinds for one in kind])
        self.kind = ints([k for k, kind in enumerate(kinds) for _ in kind])
        self.many, self.pieces, self.left = sum(map(len, kinds)), pieces, ints(quantity)
        self.most, self.looks, self.depth = most, 0.0, 0
        deepest = min(sum(quantity), pieces) + 1
        self.alive, self.counts, self.taken = ints((deepest + 1) * (self.many + 1)), ints(64), ints(deepest)

    def made(self) -> list[int] | None:
        count = 0
        for k in range(self.many):
            if self.left[self.kind[k]] > 0:
                self.alive[count] = k
                count += 1
        everything = ALL >> (64 - self.pieces)
        with cython.nogil:
            done = self._go(0, count, everything)
        return [self.taken[k] for k in range(self.depth)] if done else None

    def _go(self, base: int, count: int, open_: int) -> bool:
        """Covers the open pieces with the blocks that are alive, which stand from `base` on."""
        if open_ == 0:
            return True
        self.looks += 8 * count
        scarce = self._scarce(base, count, open_)
        for k in range(count):
            one = self.alive[base + k]
            if not (self.has[one] >> scarce) & 1:
                continue
            if self.looks > self.most:
                return False
            self.left[self.kind[one]] -= 1
            self.taken[self.depth] = one
            self.depth += 1
            fewer = 0
            for j in range(count):
                other = self.alive[base + j]
                if self.has[other] & self.has[one] == 0 and self.left[self.kind[other]] > 0:
                    self.alive[base + count + fewer] = other
                    fewer += 1
            if self._go(base + count, fewer, open_ & ~self.has[one]):
                return True
            self.depth -= 1
            self.left[self.kind[one]] += 1
        return False

    def _scarce(self, base: int, count: int, open_: int) -> int:
        """The open piece that the fewest blocks have."""
        for piece in range(self.pieces):
            self.counts[piece] = 0
        for k in range(count):
            rest = self.has[self.alive[base + k]]
            for piece in range(self.pieces):
                if rest & 1:
                    self.counts[piece] += 1
                rest >>= 1
        found = -1
        for piece in range(self.pieces):
            if (open_ >> piece) & 1 and (found < 0 or self.counts[piece] < self.counts[found]):
                found = piece
        return found


def chosen(
    kinds: Sequence[Sequence[int]], quantity: Sequence[int], pieces: int, budget: Budget
) -> list[tuple[int, int]] | None:
    """Of full blocks of each kind of sheet (their bits), disjoint ones that cover `pieces` pieces: kind and index."""
    choice = _Choice(kinds, quantity, pieces, budget.left * PER_LOOK)
    made = choice.made()
    budget.spend(choice.looks / PER_LOOK)
    if made is None:
        return None
    numbered = [(k, at) for k, kind in enumerate(kinds) for at in range(len(kind))]
    return [numbered[one] for one in made]
