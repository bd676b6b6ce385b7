"""Trials: pieces are laid one after another in the free part that suits them best, in orders bred from the best so far.

    keys    0.31  0.07  0.92  …    one for each piece: the least is laid first
    order   b     a     c     …    each in the free part where the fit is best
    flip    0     1     0     …    whether the first cut beside it is upright or level: by rule, or the other way
    reach   0     0     3     …    whether that cut goes a little further than the piece, and to what: what is laid
                                   below it may be wider, as two pieces are together

Most of a search is spent here, some hundred thousand trials a second. So this module and `blocks` are compiled where
they are installed (`setup.py`), with the types of their numbers in `.pxd` files beside them; where no C compiler is to
be had they run as they stand: slower, and no less right.

A child takes most of its keys from a good parent, some from another one, and a few anew; of equal outcomes one is kept,
so that the stock stays varied. After: J. F. Gonçalves, M. G. C. Resende, "A biased random key genetic algorithm for 2D
and 3D bin packing problems", 2013, here with edge-to-edge cuts and the manner of laying among the genes.
"""

from __future__ import annotations

from bisect import bisect_right
from collections.abc import Sequence
from itertools import accumulate
from math import gcd

import cython

from ulna.core.planner.arrays import ints, longs, marks, reals
from ulna.core.planner.effort import Budget
from ulna.core.planner.manners import Fit, Opens, Split

Move = tuple[int, int, bool, bool, int]
"""Which copy, in which slot, whether turned, whether the upright cut beside it comes first, and where that cut goes if
further than the piece (else 0)."""

STOCK = 60
"""Of the best so many are bred from."""
MOST, EMPTYING, FEWEST, LAID = 320, 120, 24, 14_000
"""Trials between two looks at the clock: about so many pieces laid, within limits."""
FITS, SPLITS, OPENINGS = len(Fit), len(Split), len(Opens)
AREA_LEFT, SHORTER_GAP = Fit.AREA_LEFT, Fit.SHORTER_GAP
KEEPS_LARGER_REST, IS_UPRIGHT = Split.KEEPS_LARGER_REST, Split.IS_UPRIGHT
MOST_WANTED, SMALLEST = Opens.MOST_WANTED, Opens.SMALLEST
NOISE = (0.0, 0.02, 0.05, 0.1, 0.2, 0.5)
SUMMED = 100
"""Of more different sides no sums are made."""
REACHES = 8
FURTHEST = 1.12
"""How many longer lengths are known of each side, and how long they are at most, the side being 1."""
REACHING = 0.04
REACHED = 0.15
"""How many of the first pieces reach further, and how often a child changes that of one."""
FLIPPED, THRIFTY = 0.3, 0.85
"""How many of the first cuts go the other way than by rule, and of the first rows take scraps before fresh sheets."""
MIXED, FROM_OTHER = 0.4, 0.3
"""How many children have another parent too, and how much of them is from that one."""
MOVED, BESIDE, NUDGE, TURNED_OVER = 0.75, 0.5, 1e-3, 0.6
"""How often a piece of a child is moved in the order, how often beside another one and how near, and how often the
first cut beside one goes the other way."""
ANOTHER_MANNER, OTHER_THRIFT = 0.12, 0.08
"""How often a child has another manner of fitting, splitting or opening, and of thrift."""
DEAR = 1e30
"""What a place costs more that is not on a scrap or a panel, where those come first."""
NEVER = 1e300
BITS = 0xFFFFFFFFFFFFFFFF
MIXING = 0x2545F4914F6CDD1D
PER_FITTING = 150.0
"""How many fittings of a trial take as long as one in plain Python."""
PER_PIECE = 80.0
"""What ordering a piece, laying it and writing that down costs, in fittings of a trial."""


class Trials:
    """What trials need to know of pieces and sheets, and room for them.

    `sizes`, `turns` and `panels` of the pieces, copy by copy; `allowed` are the kinds of sheets each may come from.
    `offers` are the clear parts of a fresh sheet of each kind; a scrap is none that may be opened. `starts` are the
    free parts that are there from the beginning: width, height, which begun sheet, whether it is a scrap or a panel;
    `begun` are the kinds of those sheets, `needed` says which are in use whatever is laid on them.
    """

    def __init__(
        self,
        sizes: Sequence[tuple[int, int]],
        turns: Sequence[bool],
        panels: Sequence[tuple[int, int]],
        allowed: Sequence[Sequence[int]],
        offers: Sequence[Sequence[tuple[int, int]]],
        scrap: Sequence[bool],
        kerf: int,
        starts: Sequence[tuple[int, int, int, bool]],
        begun: Sequence[int],
        needed: Sequence[bool],
    ) -> None:
        lengths = [v for size in (*sizes, *panels) for v in size] + [kerf]
        lengths += [v for offer in offers for size in offer for v in size]
        lengths += [v for start in starts for v in start[:2]]
        unit = gcd(*lengths) or 1
        self.unit, self.n, self.kinds, self.kerf = unit, len(sizes), len(offers), kerf // unit
        self.w = longs([w // unit for w, _ in sizes])
        self.h = longs([h // unit for _, h in sizes])
        self.turn = marks([t and w != h for t, (w, h) in zip(turns, sizes, strict=True)])
        self.panel_w = longs([w // unit for w, _ in panels])
        self.panel_h = longs([h // unit for _, h in panels])
        self.gutted = any(w for w, _ in panels)
        self.area = reals([float(w // unit) * (h // unit) for w, h in sizes])
        clear = [[(a // unit, b // unit) for a, b in offer] for offer in offers]
        self.offer_first = ints([0, *accumulate(map(len, clear))])
        self.scrap = marks(scrap)
        self.offer_w = longs([a for offer in clear for a, _ in offer])
        self.offer_h = longs([b for offer in clear for _, b in offer])
        self.most_offers = max(map(len, offers), default=0)
        self.room = reals([sum(float(a) * b for a, b in offer) for offer in clear])
        self.worth = reals([sum(float(a) * b * min(a, b) for a, b in offer) for offer in clear])
        self.may, self.fits = marks(self.n * self.kinds), marks(self.n * self.kinds)
        for i, some in enumerate(allowed):
            w, h = sizes[i]
            for k in some:
                self.may[i * self.kinds + k] = 1
                self.fits[i * self.kinds + k] = any(
                    (w <= a and h <= b) or (turns[i] and h <= a and w <= b) for a, b in offers[k]
                )
        self.starts, self.begun = len(starts), len(begun)
        self.start_w, self.start_h = longs([s[0] // unit for s in starts]), longs([s[1] // unit for s in starts])
        self.start_sheet, self.start_cheap = ints([s[2] for s in starts]), marks([s[3] for s in starts])
        self.begun_kind, self.begun_needed = ints(begun), marks(needed)
        self.cheap = self.gutted or any(s[3] for s in starts)

    def breed(
        self,
        pieces: Sequence[int],
        there: Sequence[bool],
        quantity: Sequence[int],
        budget: Budget,
        seed: int,
        bound: int,
        settled: int = 0,
        patience: int = 1_000_000,
        emptying: bool = False,
    ) -> tuple[int, int, list[tuple[int, int, tuple[Move, ...]]]]:
        """Breeds orders of these pieces and gives the best trial.

        `there` marks the begun sheets that may be used, `quantity` how many of each kind may be opened. It ends when
        the budget is spent; when all is placed on `bound` sheets and `settled` rounds brought no gain; or after
        `patience` rounds without one. `emptying` breeds for full sheets beside empty ones instead of a valuable rest:
        so one of them may be saved.

        Returns copies without a place, whole sheets opened, and for each sheet in use its kind, which begun one it is
        (-1 for a fresh one) and its moves in order. The clear parts of a sheet are the slots 0, 1, …; of a part that
        is cut down the rest beside keeps the slot, the one below has the next number, one within the reach the next
        again, and then a panel.
        """
        if not pieces:
            return 0, 0, []
        many = max(FEWEST, min(EMPTYING if emptying else MOST, LAID // len(pieces)))
        self._prepare(pieces, there, quantity, seed)
        self.emptying, self.firsts = emptying, many
        goal = -1.0 if settled else bound
        stale = 0
        while True:
            before = self.fitted
            with cython.nogil:
                gained = self._round(many, goal)
            budget.spend((self.fitted - before) / PER_FITTING)
            stale = 0 if gained else stale + 1
            if budget.spent or stale >= patience:
                break
            if self.best_unplaced == 0 and self.best_whole <= bound and stale >= settled:
                break
        return self._found()

    def _prepare(self, pieces: Sequence[int], there: Sequence[bool], quantity: Sequence[int], seed: int) -> None:
        m = len(pieces)
        self.m, self.of, self.there = m, ints(pieces), marks(there)
        self.quantity, self.left = ints(quantity), ints(quantity)
        self.fitted, self.least = 0.0, min(min(self.w[i], self.h[i]) for i in pieces)
        self.dice = (seed * 0x9E3779B97F4A7C15 + 0xD1B54A32D192ED03) & 0xFFFFFFFFFFFFFFFF
        demand = [0.0] * self.kinds
        for i in pieces:
            some = [k for k in range(self.kinds) if self.may[i * self.kinds + k]]
            for k in some:
                demand[k] += self.area[i] / len(some)
        self.demand = reals(demand)
        self._sense(pieces)
        self._reach(pieces)
        rows = STOCK + 1
        self.keys, self.order = reals(rows * m), ints(rows * m)
        self.flip, self.reach = marks(rows * m), marks(rows * m)
        self.fit, self.split, self.opening, self.thrifty = marks(rows), marks(rows), marks(rows), marks(rows)
        self.ranks, self.ranked = reals(3 * rows), ints(rows)
        self.stocked = self.free = self.made = 0
        parts = self.starts + m * (3 + self.most_offers) + 1
        self.part_w, self.part_h = longs(parts), longs(parts)
        self.part_sheet, self.part_slot, self.part_cheap = ints(parts), ints(parts), marks(parts)
        sheets = self.begun + m
        self.sheet_kind, self.sheet_slots = ints(sheets), ints(sheets)
        self.sheet_used, self.sheet_held = marks(sheets), reals(sheets)
        self.log_sheet, self.log_slot, self.log_way, self.log_reach = ints(m), ints(m), marks(m), longs(m)
        self.best_sheet, self.best_slot, self.best_way, self.best_reach = ints(m), ints(m), marks(m), longs(m)
        self.best_order, self.best_kind = ints(m), ints(sheets)
        self.best_unplaced = self.best_whole = self.best_third = NEVER

    def _sense(self, pieces: Sequence[int]) -> None:
        """Large pieces first, in several senses of large: for each the place of every piece in that order."""
        w, h, area, kinds = self.w, self.h, self.area, self.kinds
        tied = {i: sum(self.may[i * kinds + k] for k in range(kinds)) for i in pieces}
        senses = (
            lambda i: -area[i],
            lambda i: (-max(w[i], h[i]), area[i]),
            lambda i: (-w[i], -h[i]),
            lambda i: (-h[i], -w[i]),
            lambda i: (-min(w[i], h[i]), area[i]),
            lambda i: (not self.panel_w[i], -area[i]),
            lambda i: (tied[i], -area[i]),
        )
        places = [0.0] * (len(senses) * self.m)
        for s, sense in enumerate(senses):
            values = [sense(i) for i in pieces]
            for place, at in enumerate(sorted(range(self.m), key=values.__getitem__)):
                places[s * self.m + at] = place / self.m
        self.places, self.senses = reals(places), len(senses)
        self.noise, self.noises = reals(NOISE), len(NOISE)

    def _reach(self, pieces: Sequence[int]) -> None:
        """For both sides of each piece the next longer lengths that another side, or two with a cut, come to."""
        turned = [i for i in pieces if self.turn[i]]
        widths = {self.w[i] for i in pieces} | {self.h[i] for i in turned}
        heights = {self.h[i] for i in pieces} | {self.w[i] for i in turned}
        self.reaches, self.reach_many = longs(2 * self.n * REACHES), ints(2 * self.n)
        for across, sides in enumerate((widths, heights)):
            lengths = sides if len(sides) > SUMMED else sides | {a + b + self.kerf for a in sides for b in sides}
            known = sorted(lengths)
            for i in pieces:
                own = self.h[i] if across else self.w[i]
                first = bisect_right(known, own)
                near = [length for length in known[first : first + REACHES] if length <= own * FURTHEST]
                at = 2 * i + across
                self.reach_many[at] = len(near)
                for k, length in enumerate(near):
                    self.reaches[at * REACHES + k] = length

    def _found(self) -> tuple[int, int, list[tuple[int, int, tuple[Move, ...]]]]:
        sheets = dict[int, list[Move]]()
        for step in range(self.m):
            if self.best_sheet[step] >= 0:
                way = self.best_way[step]
                copy, reach = self.of[self.best_order[step]], self.best_reach[step] * self.unit
                move = copy, self.best_slot[step], way % 2 == 1, way >= 2, reach
                sheets.setdefault(self.best_sheet[step], []).append(move)
        used = [
            (self.best_kind[sheet], sheet if sheet < self.begun else -1, tuple(moves))
            for sheet, moves in sorted(sheets.items())
        ]
        return int(self.best_unplaced), int(self.best_whole), used

    # ---- breeding ----------------------------------------------------------------------------------------

    def _round(self, many: int, goal: float) -> bool:
        """So many trials more; whether one of them is better than all before. Ends at once on `goal` sheets."""
        gained = False
        for _ in range(many):
            row = self.free
            if self.made < self.firsts:
                self._first(row, self.made)
            else:
                self._child(row)
            self.made += 1
            self._sort(row)
            self._lay(row)
            if self._is_best():
                self._write(row)
                gained = True
                if self.best_unplaced == 0 and self.best_whole <= goal:
                    break
            self._stock_up(row)
        return gained

    def _random(self) -> float:
        """From 0 to 1 (S. Vigna's xorshift64*)."""
        x = self.dice
        x ^= x >> 12
        x ^= (x << 25) & BITS
        x ^= x >> 27
        self.dice = x
        x = (x * MIXING) & BITS
        high = x >> 11
        return high * (1.0 / 9007199254740992.0)

    def _below(self, most: int) -> int:
        """A whole number from 0 to less than `most`."""
        found = cython.cast(cython.int, self._random() * most)
        return found

    def _bell(self) -> float:
        """About 0, with a deviation of about 1."""
        return (self._random() + self._random() + self._random() - 1.5) * 2.0

    def _first(self, row: int, k: int) -> None:
        m = self.m
        base = row * m
        sense = (k % self.senses) * m
        noise = self.noise[(k // self.senses) % self.noises]
        for i in range(m):
            self.keys[base + i] = self.places[sense + i] + (noise * self._bell() if noise > 0 else 0.0)
            self.order[base + i] = i
            self.flip[base + i] = k % 8 != 1 and self._random() < FLIPPED
            self.reach[base + i] = self._below(REACHES + 1) if k % 8 != 1 and self._random() < REACHING else 0
        self.fit[row] = self._below(FITS)
        self.split[row] = self._below(SPLITS)
        self.opening[row] = self._below(OPENINGS)
        self.thrifty[row] = self._random() < THRIFTY

    def _child(self, row: int) -> None:
        m = self.m
        lucky = self._random()
        one = self.ranked[cython.cast(cython.int, self.stocked * lucky * lucky)]
        other = self.ranked[self._below(self.stocked)]
        base = row * m
        from_one = one * m
        from_other = other * m
        mixed = self._random() < MIXED
        for i in range(m):
            self.order[base + i] = self.order[from_one + i]
            self.keys[base + i] = self.keys[from_one + i]
            self.flip[base + i] = self.flip[from_one + i]
            self.reach[base + i] = self.reach[from_one + i]
        if mixed:
            for i in range(m):
                if self._random() < FROM_OTHER:
                    self.keys[base + i] = self.keys[from_other + i]
                    self.flip[base + i] = self.flip[from_other + i]
                    self.reach[base + i] = self.reach[from_other + i]
        for _ in range(2):  # a piece goes beside another one, or anywhere
            if self._random() < MOVED:
                i = self._below(m)
                if self._random() < BESIDE:
                    self.keys[base + i] = self.keys[base + self._below(m)] + NUDGE * self._bell()
                else:
                    self.keys[base + i] = self._random()
            if self._random() < TURNED_OVER:
                i = self._below(m)
                self.flip[base + i] = 1 - self.flip[base + i]
            if self._random() < REACHED:
                i = self._below(m)
                self.reach[base + i] = self._below(REACHES + 1) if self.reach[base + i] == 0 else 0
        self.fit[row] = self._below(FITS) if self._random() < ANOTHER_MANNER else self.fit[one]
        self.split[row] = self._below(SPLITS) if self._random() < ANOTHER_MANNER else self.split[one]
        self.opening[row] = self._below(OPENINGS) if self._random() < ANOTHER_MANNER else self.opening[one]
        self.thrifty[row] = 1 - self.thrifty[one] if self._random() < OTHER_THRIFT else self.thrifty[one]

    def _sort(self, row: int) -> None:
        """The order by the keys; it is sorted but for a few, so each is put back to where it belongs."""
        m = self.m
        base = row * m
        keys = self.keys
        order = self.order
        for i in range(1, m):
            piece = order[base + i]
            key = keys[base + piece]
            j = i - 1
            while j >= 0 and keys[base + order[base + j]] > key:
                order[base + j + 1] = order[base + j]
                j -= 1
            order[base + j + 1] = piece

    def _is_best(self) -> bool:
        if self.unplaced != self.best_unplaced:
            return self.unplaced < self.best_unplaced
        if self.whole != self.best_whole:
            return self.whole < self.best_whole
        return self.third < self.best_third

    def _write(self, row: int) -> None:
        """Writes down the trial that was laid last as the best."""
        self.best_unplaced, self.best_whole, self.best_third = self.unplaced, self.whole, self.third
        base = row * self.m
        for i in range(self.m):
            self.best_order[i] = self.order[base + i]
            self.best_sheet[i] = self.log_sheet[i]
            self.best_slot[i] = self.log_slot[i]
            self.best_way[i] = self.log_way[i]
            self.best_reach[i] = self.log_reach[i]
        for i in range(self.sheets):
            self.best_kind[i] = self.sheet_kind[i]

    def _stock_up(self, row: int) -> None:
        """Keeps the row last laid among the best of different ranks; the worst one, or this one, is free again."""
        low = 0
        high = self.stocked
        while low < high:
            middle = (low + high) // 2
            at = 3 * self.ranked[middle]
            less = self._compared(at)
            if less == 0:
                return
            if less > 0:
                low = middle + 1
            else:
                high = middle
        if low >= STOCK:
            return
        self.ranks[3 * row] = self.unplaced
        self.ranks[3 * row + 1] = self.whole
        self.ranks[3 * row + 2] = self.third
        last = self.stocked if self.stocked < STOCK else STOCK - 1
        self.free = self.ranked[last] if self.stocked == STOCK else self.stocked + 1
        i = last
        while i > low:
            self.ranked[i] = self.ranked[i - 1]
            i -= 1
        self.ranked[low] = row
        if self.stocked < STOCK:
            self.stocked += 1

    def _compared(self, at: int) -> int:
        """Whether the trial laid last is worse (1), as good (0) or better (-1) than that one of the stock."""
        if self.unplaced != self.ranks[at]:
            return 1 if self.unplaced > self.ranks[at] else -1
        if self.whole != self.ranks[at + 1]:
            return 1 if self.whole > self.ranks[at + 1] else -1
        if self.third != self.ranks[at + 2]:
            return 1 if self.third > self.ranks[at + 2] else -1
        return 0

    # ---- laying ------------------------------------------------------------------------------------------

    def _lay(self, row: int) -> None:
        """Lays all pieces in the order of a row."""
        base = row * self.m
        kerf = self.kerf
        dear = DEAR if self.cheap and self.thrifty[row] else 0.0
        top = self._begin()
        whole = 0
        without = 0
        fitted = PER_PIECE * self.m
        for step in range(self.m):
            gene = base + self.order[base + step]
            p = self.of[self.order[base + step]]
            fitted += top * (1 + self.turn[p])
            self._choose(p, 0, top, self.fit[row], dear)
            if self.chosen < 0:
                kind = self._to_open(p, self.opening[row])
                if kind >= 0:
                    low = top
                    top = self._open(kind, top)
                    whole += 1
                    self._choose(p, low, top, self.fit[row], dear)
            c = self.chosen
            if c < 0:
                without += 1
                self.log_sheet[step] = -1
                continue
            turned = self.turned
            a = self.h[p] if turned else self.w[p]
            b = self.w[p] if turned else self.h[p]
            w = self.part_w[c]
            h = self.part_h[c]
            upright = self._is_upright(self.split[row], w, h, a, b) != self.flip[gene]
            # The first cut is where the piece ends, or within reach of it.
            reach = 0
            if self.reach[gene]:
                reach = self._length(p, self.reach[gene], upright != turned)
                if reach > (w if upright else h):
                    reach = 0
            wide = reach if reach and upright else a
            high = reach if reach and not upright else b
            sheet = self.part_sheet[c]
            cheap = self.part_cheap[c]
            self.log_sheet[step] = sheet
            self.log_slot[step] = self.part_slot[c]
            self.log_way[step] = (1 if turned else 0) + (2 if upright else 0)
            self.log_reach[step] = reach
            self.sheet_used[sheet] = 1
            self.sheet_held[sheet] += self.area[p]
            top = self._part(top, wide if upright else w, h - high - kerf, sheet, cheap)
            if reach:
                top = self._part(
                    top, wide - a - kerf if upright else a, b if upright else high - b - kerf, sheet, cheap
                )
            if self.gutted and self.panel_w[p]:
                inner_w = self.panel_h[p] if turned else self.panel_w[p]
                inner_h = self.panel_w[p] if turned else self.panel_h[p]
                top = self._part(top, inner_w, inner_h, sheet, 1)
            w = w - wide - kerf
            h = h if upright else high
            if w >= self.least and h >= self.least:
                self.part_w[c] = w
                self.part_h[c] = h
            else:
                top -= 1
                self.part_w[c] = self.part_w[top]
                self.part_h[c] = self.part_h[top]
                self.part_sheet[c] = self.part_sheet[top]
                self.part_slot[c] = self.part_slot[top]
                self.part_cheap[c] = self.part_cheap[top]
        self.fitted += fitted
        self.unplaced, self.whole = without, whole
        self.third = self._emptied() if self.emptying else self._lost(top)

    def _begin(self) -> int:
        """The free parts that are there from the beginning; how many."""
        for i in range(self.kinds):
            self.left[i] = self.quantity[i]
        for i in range(self.begun):
            self.sheet_kind[i] = self.begun_kind[i]
            self.sheet_used[i] = self.begun_needed[i]
            self.sheet_held[i] = 0.0
            self.sheet_slots[i] = 0
        self.sheets = self.begun
        top = 0
        for i in range(self.starts):
            sheet = self.start_sheet[i]
            if self.there[sheet]:
                top = self._part(top, self.start_w[i], self.start_h[i], sheet, self.start_cheap[i])
        return top

    def _open(self, kind: int, top: int) -> int:
        """Opens a fresh sheet; how many free parts there are then."""
        sheet = self.sheets
        self.sheet_kind[sheet] = kind
        self.sheet_used[sheet] = 1
        self.sheet_held[sheet] = 0.0
        self.sheet_slots[sheet] = 0
        self.sheets += 1
        self.left[kind] -= 1
        for i in range(self.offer_first[kind], self.offer_first[kind + 1]):
            top = self._part(top, self.offer_w[i], self.offer_h[i], sheet, 0)
        return top

    def _part(self, top: int, w: int, h: int, sheet: int, cheap: int) -> int:
        """One more free part, unless it is too small for any piece; its slot is counted in either case."""
        slot = self.sheet_slots[sheet]
        self.sheet_slots[sheet] = slot + 1
        if w < self.least or h < self.least:
            return top
        self.part_w[top] = w
        self.part_h[top] = h
        self.part_sheet[top] = sheet
        self.part_slot[top] = slot
        self.part_cheap[top] = cheap
        return top + 1

    def _choose(self, p: int, low: int, top: int, fit: int, dear: float) -> None:
        """Which of the parts from `low` on suits a piece best (-1 none), and whether it lies turned there."""
        part_w = self.part_w
        part_h = self.part_h
        w = self.w[p]
        h = self.h[p]
        kinds = p * self.kinds
        best = NEVER
        self.chosen, self.turned = -1, False
        for way in range(2 if self.turn[p] else 1):
            for c in range(low, top):
                over = part_w[c] - w
                under = part_h[c] - h
                if over < 0 or under < 0 or not self.may[kinds + self.sheet_kind[self.part_sheet[c]]]:
                    continue
                if fit == AREA_LEFT:
                    score = cython.cast(cython.double, part_w[c]) * part_h[c]
                elif (fit == SHORTER_GAP) == (over < under):
                    score = over
                else:
                    score = under
                if not self.part_cheap[c]:
                    score += dear
                if score < best:
                    best = score
                    self.chosen, self.turned = c, way == 1
            w, h = h, w

    def _is_upright(
        self,
        split: int,
        w: int,
        h: int,
        a: int,
        b: int,
    ) -> bool:
        """By rule; an upright cut first leaves a rest as tall as the part, a level one a rest as wide as it."""
        if split >= IS_UPRIGHT:
            return split == IS_UPRIGHT
        over = w - a - self.kerf if w - a > self.kerf else 0
        under = h - b - self.kerf if h - b > self.kerf else 0
        upright = over * h if over * h > under * a else under * a
        level = under * w if under * w > over * b else over * b
        return (upright >= level) == (split == KEEPS_LARGER_REST)

    def _length(self, p: int, reach: int, by_width: bool) -> int:
        """How far a cut goes that reaches further than the width (or the height) of a piece; 0 for not at all."""
        which = 2 * p + (0 if by_width else 1)
        if reach > self.reach_many[which]:
            return 0
        return self.reaches[which * REACHES + reach - 1]

    def _emptied(self) -> float:
        """Less the sum of the squares of what each sheet holds: full ones beside empty ones are less."""
        found = 0.0
        for i in range(self.sheets):
            found -= self.sheet_held[i] * self.sheet_held[i]
        return found

    def _lost(self, top: int) -> float:
        """What the sheets in use were worth, less what their free parts are (`outcome.value`)."""
        found = 0.0
        for i in range(self.sheets):
            if self.sheet_used[i]:
                found += self.worth[self.sheet_kind[i]]
        for i in range(top):
            if self.sheet_used[self.part_sheet[i]]:
                w = self.part_w[i]
                h = self.part_h[i]
                found -= cython.cast(cython.double, w) * h * (w if w < h else h)
        return found

    def _to_open(self, piece: int, opening: int) -> int:
        """Which kind of sheet to open for a piece, or -1."""
        found = -1
        best = NEVER
        for k in range(self.kinds):
            if self.fits[piece * self.kinds + k] and self.left[k] > 0 and not self.scrap[k]:
                by = (
                    -self.demand[k]
                    if opening == MOST_WANTED
                    else self.room[k]
                    if opening == SMALLEST
                    else -self.room[k]
                )
                if by < best:
                    best, found = by, k
        return found
