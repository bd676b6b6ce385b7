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
MOST_BLOCKS = cython.declare(cython.int, 400_000)
MOST_NEW = 30_000
"""Of what a round of joining makes with waste, so many of the fullest are kept."""
ROUND = 2_000_000
"""Pairs between two looks at the clock."""
PER_MADE, PER_JOINED, PER_LOOK = 3.0, 120.0, 150.0
"""How many blocks are kept, pairs of them held together, and blocks looked at in the choice, for one fitting."""
SINGLE, BESIDE, ABOVE = 0, 1, 2
"""How a block is joined."""
DIGIT = cython.declare(cython.int, 2048)
BINS = cython.declare(cython.int, 1000)
ALL = cython.declare(cython.ulonglong, 0xFFFFFFFFFFFFFFFF)
GOLDEN = cython.declare(cython.ulonglong, 0x9E3779B97F4A7C15)


@cython.cclass
class Blocks:
    """All blocks of pieces that fit a sheet of `width` × `height` and may be part of a full one.

    A piece is its number (a bit, at most 64), width, height and whether it may turn. Edges that are joined differ by
    `give` at most, and `waste` is the share of a block that may be lost; with neither, what stays beside a block must
    be nothing or leave room for the smallest piece. Of blocks of the same pieces no larger ones are kept.
    """

    unit: object
    width: cython.longlong
    height: cython.longlong
    kerf: cython.longlong
    least: cython.longlong
    give: cython.longlong
    waste: cython.double
    tight: cython.bint

    # the blocks by columns: size, area of the pieces, which these are, how they are joined and of which two blocks
    count: cython.int
    room: cython.int
    w: cython.longlong[::1]
    h: cython.longlong[::1]
    area: cython.double[::1]
    has: cython.ulonglong[::1]
    how: cython.char[::1]
    left: cython.int[::1]
    right: cython.int[::1]
    full: object

    # blocks of the same pieces are chains, that begin in a table
    same: cython.int[::1]
    table: cython.int[::1]
    mask: cython.int

    # their order by the edge where they are joined now
    order: cython.int[::1]
    edge: cython.longlong[::1]
    pairs: cython.double

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
        first: cython.int = 0
        while first < self.count < MOST_BLOCKS and not budget.spent:
            first = self._joined(first, budget)
        self.full = self._filling()

    def __len__(self) -> int:
        return self.count

    def block(self, at: int) -> tuple[int, int, int, int, int]:
        """Width, height, how it is joined and of which two (of a SINGLE one: its piece, and 1 where that is turned)."""
        k: cython.int = at
        return self.w[k] * self.unit, self.h[k] * self.unit, self.how[k], self.left[k], self.right[k]

    def pieces(self, at: int) -> int:
        """Which pieces a block has, a bit each."""
        k: cython.int = at
        return self.has[k]

    def filling(self) -> list[int]:
        """The blocks that fill the sheet, but for the waste, the fullest first."""
        return list(self.full)

    def fullest(self, used: int, wanted: int, most: int) -> list[int]:
        """Of the blocks that fill the sheet the fullest with all wanted pieces and none of the used ones (bits)."""
        without: cython.ulonglong = used
        needed: cython.ulonglong = wanted
        found = list[int]()
        for at in self.full:
            k: cython.int = at
            if self.has[k] & without == 0 and self.has[k] & needed == needed:
                found.append(at)
                if len(found) == most:
                    break
        return found

    def _filling(self) -> list[int]:
        least: cython.double = (1.0 - self.waste) * self.width * self.height
        full = list[tuple[float, int]]()
        k: cython.int
        for k in range(self.count):
            whole: cython.bint = self.w[k] == self.width and self.h[k] == self.height
            if whole if self.tight else self.area[k] >= least:
                full.append((-self.area[k], k))
        return [at for _, at in sorted(full)]

    # ---- joining -----------------------------------------------------------------------------------------

    def _joined(self, first: cython.int, budget: Budget) -> int:
        """Joins the blocks from `first` on with all there are; where the ones that come of it begin."""
        last: cython.int = self.count
        for way in (BESIDE, ABOVE):
            self._sort(way, last)
            done: cython.int = 0
            beside: cython.bint = way == BESIDE
            most: cython.double = ROUND
            while done < last and self.count < MOST_BLOCKS and not budget.spent:
                if 2 * self.count >= self.room:
                    self.room *= 2
                    self._make_room()
                self.pairs = 0.0
                made: cython.int = self.count
                with cython.nogil:
                    done = self._join(beside, first, last, done, most)
                budget.spend(self.pairs / PER_JOINED + (self.count - made) / PER_MADE)
        if not self.tight and self.count - last > MOST_NEW:
            self._thin(last)
        return last

    def _make_room(self) -> None:
        """Columns for `room` blocks, with the blocks there are."""
        old_w: cython.longlong[::1] = self.w
        old_h: cython.longlong[::1] = self.h
        old_area: cython.double[::1] = self.area
        old_has: cython.ulonglong[::1] = self.has
        old_how: cython.char[::1] = self.how
        old_left: cython.int[::1] = self.left
        old_right: cython.int[::1] = self.right
        self.w, self.h, self.area, self.has = longs(self.room), longs(self.room), reals(self.room), bits(self.room)
        self.how, self.left, self.right = marks(self.room), ints(self.room), ints(self.room)
        k: cython.int
        for k in range(self.count):
            self.w[k], self.h[k], self.area[k], self.has[k] = old_w[k], old_h[k], old_area[k], old_has[k]
            self.how[k], self.left[k], self.right[k] = old_how[k], old_left[k], old_right[k]
        self.same, self.table, self.mask = ints(self.room), ints(4 * self.room), 4 * self.room - 1
        for k in range(self.count):
            self._enter(k)

    def _thin(self, first: cython.int) -> None:
        """Of the blocks from `first` on some of the fullest stay."""
        k: cython.int
        bins: cython.int[::1] = ints(BINS + 1)
        for k in range(first, self.count):
            bins[self._bin(k)] += 1
        last: cython.int = 0
        kept = 0
        while last < BINS and kept + bins[last] <= MOST_NEW:
            kept += bins[last]
            last += 1
        to: cython.int = first
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

    @cython.cfunc
    @cython.nogil
    @cython.exceptval(check=False)
    def _bin(self, at: cython.int) -> cython.int:
        """How much of a block is waste, 0 to BINS."""
        lost: cython.double = 1.0 - self.area[at] / (cython.cast(cython.double, self.w[at]) * self.h[at])
        found: cython.int = cython.cast(cython.int, BINS * (lost / self.waste))
        return found if found < BINS else BINS

    @cython.cfunc
    @cython.nogil
    @cython.exceptval(check=False)
    def _hash(self, has: cython.ulonglong) -> cython.int:
        mixed: cython.ulonglong = has ^ (has >> 31)
        mixed = (mixed * GOLDEN) & ALL
        mixed ^= mixed >> 29
        found: cython.int = cython.cast(cython.int, mixed & self.mask)
        return found

    @cython.cfunc
    @cython.nogil
    @cython.exceptval(check=False)
    def _enter(self, at: cython.int) -> cython.void:
        """Blocks of the same pieces are a chain (numbers plus one; 0 is its end)."""
        place: cython.int = self._hash(self.has[at])
        self.same[at] = self.table[place]
        self.table[place] = at + 1

    @cython.cfunc
    @cython.nogil
    @cython.exceptval(check=False)
    def _keep(
        self,
        w: cython.longlong,
        h: cython.longlong,
        has: cython.ulonglong,
        area: cython.double,
        how: cython.char,
        left: cython.int,
        right: cython.int,
    ) -> cython.void:
        """Keeps a block unless one of the same pieces is no larger."""
        there: cython.int = self.table[self._hash(has)]
        while there > 0:
            if self.has[there - 1] == has and self.w[there - 1] <= w and self.h[there - 1] <= h:
                return
            there = self.same[there - 1]
        at: cython.int = self.count
        self.w[at] = w
        self.h[at] = h
        self.has[at] = has
        self.area[at] = area
        self.how[at] = how
        self.left[at] = left
        self.right[at] = right
        self._enter(at)
        self.count += 1

    @cython.cfunc
    @cython.nogil
    @cython.exceptval(check=False)
    def _join(
        self, beside: cython.bint, first: cython.int, last: cython.int, done: cython.int, most: cython.double
    ) -> cython.int:
        """Goes on with the blocks in the order of their edges; ends after so many pairs, or where room is short."""
        order: cython.int[::1] = self.order
        edges: cython.longlong[::1] = self.edge
        limit: cython.longlong = self.width if beside else self.height
        while done < last:
            one: cython.int = order[done]
            if one < first:
                done += 1
                continue
            if self.pairs > most or self.count >= MOST_BLOCKS or 2 * self.count > self.room:
                break
            edge: cython.longlong = edges[done]
            long: cython.longlong = (self.w[one] if beside else self.h[one]) + self.kerf
            has: cython.ulonglong = self.has[one]
            k: cython.int = done
            while k > 0 and edges[k - 1] >= edge - self.give:
                k -= 1
            while k < last and edges[k] <= edge + self.give and self.count < self.room:
                other: cython.int = order[k]
                self.pairs += 1
                # Two new ones meet once.
                if self.has[other] & has == 0 and (k > done or other < first):
                    across: cython.longlong = edges[k] if k > done else edge
                    length: cython.longlong = long + (self.w[other] if beside else self.h[other])
                    area: cython.double = self.area[one] + self.area[other]
                    if self._may_be_part(length, across, limit, area):
                        w: cython.longlong = length if beside else across
                        h: cython.longlong = across if beside else length
                        self._keep(w, h, has | self.has[other], area, 1 if beside else 2, one, other)
                k += 1
            if self.count >= self.room:
                break  # the same one again, with more room: what is kept is not kept twice
            done += 1
        return done

    @cython.cfunc
    @cython.nogil
    @cython.exceptval(check=False)
    def _may_be_part(
        self, length: cython.longlong, across: cython.longlong, limit: cython.longlong, area: cython.double
    ) -> cython.bint:
        """Whether a block may be part of a full sheet: nothing is left beside it or enough, and little is lost."""
        if self.tight:  # what the kerf takes is no waste
            return length == limit or length + self.least <= limit
        return length <= limit and area >= (1.0 - self.waste) * across * length

    def _sort(self, way: int, last: cython.int) -> None:
        """The first blocks in the order of their heights (BESIDE) or widths (ABOVE), digit by digit."""
        beside: cython.bint = way == BESIDE
        edges: cython.longlong[::1] = self.h if beside else self.w
        most: cython.longlong = self.height if beside else self.width
        digits: cython.int[::1]
        order: cython.int[::1] = ints(range(last))
        other: cython.int[::1] = ints(last)
        shift: cython.int = 0
        digit: cython.int
        k: cython.int
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


@cython.cclass
class _Choice:
    """Full blocks of several kinds of sheets, by what pieces they have, of which disjoint ones are to be chosen."""

    many: cython.int
    pieces: cython.int
    has: cython.ulonglong[::1]
    kind: cython.int[::1]
    left: cython.int[::1]
    alive: cython.int[::1]
    counts: cython.int[::1]
    taken: cython.int[::1]
    depth: cython.int
    looks: cython.double
    most: cython.double

    def __init__(self, kinds: Sequence[Sequence[int]], quantity: Sequence[int], pieces: int, most: float) -> None:
        self.has = bits([one for kind in kinds for one in kind])
        self.kind = ints([k for k, kind in enumerate(kinds) for _ in kind])
        self.many, self.pieces, self.left = sum(map(len, kinds)), pieces, ints(quantity)
        self.most, self.looks, self.depth = most, 0.0, 0
        deepest = min(sum(quantity), pieces) + 1
        self.alive, self.counts, self.taken = ints((deepest + 1) * (self.many + 1)), ints(64), ints(deepest)

    def made(self) -> list[int] | None:
        k: cython.int
        count: cython.int = 0
        for k in range(self.many):
            if self.left[self.kind[k]] > 0:
                self.alive[count] = k
                count += 1
        everything: cython.ulonglong = ALL >> (64 - self.pieces)
        done: cython.bint
        with cython.nogil:
            done = self._go(0, count, everything)
        return [self.taken[k] for k in range(self.depth)] if done else None

    @cython.cfunc
    @cython.nogil
    @cython.exceptval(check=False)
    def _go(self, base: cython.int, count: cython.int, open_: cython.ulonglong) -> cython.bint:
        """Covers the open pieces with the blocks that are alive, which stand from `base` on."""
        if open_ == 0:
            return True
        self.looks += 8 * count
        scarce: cython.int = self._scarce(base, count, open_)
        k: cython.int
        for k in range(count):
            one: cython.int = self.alive[base + k]
            if not (self.has[one] >> scarce) & 1:
                continue
            if self.looks > self.most:
                return False
            self.left[self.kind[one]] -= 1
            self.taken[self.depth] = one
            self.depth += 1
            fewer: cython.int = 0
            j: cython.int
            for j in range(count):
                other: cython.int = self.alive[base + j]
                if self.has[other] & self.has[one] == 0 and self.left[self.kind[other]] > 0:
                    self.alive[base + count + fewer] = other
                    fewer += 1
            if self._go(base + count, fewer, open_ & ~self.has[one]):
                return True
            self.depth -= 1
            self.left[self.kind[one]] += 1
        return False

    @cython.cfunc
    @cython.nogil
    @cython.exceptval(check=False)
    def _scarce(self, base: cython.int, count: cython.int, open_: cython.ulonglong) -> cython.int:
        """The open piece that the fewest blocks have."""
        piece: cython.int
        k: cython.int
        for piece in range(self.pieces):
            self.counts[piece] = 0
        for k in range(count):
            rest: cython.ulonglong = self.has[self.alive[base + k]]
            for piece in range(self.pieces):
                if rest & 1:
                    self.counts[piece] += 1
                rest >>= 1
        found: cython.int = -1
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
