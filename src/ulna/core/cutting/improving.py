"""What makes a plan better: orders that are bred, sheets without waste, sheets that are taken up and laid anew.

It goes on from the last plan that it took, which may be as good as the best only in how full its sheets are: so one
of them empties little by little, until it can be saved.

After: D. Pisinger, S. Ropke, "Large neighborhood search", 2010, with bred orders to lay anew what was taken up.
"""

from __future__ import annotations

import contextlib
import multiprocessing
import random
import sys
from dataclasses import dataclass, field, replace
from itertools import count
from multiprocessing.connection import Connection

import numpy as np

from ulna.core.cutting.arrays import field_of, relaid
from ulna.core.cutting.blocks import ABOVE, BESIDE, MOST_PIECES, Blocks, chosen, listed
from ulna.core.cutting.bounds import lower_bound
from ulna.core.cutting.breeding import Rank, breed
from ulna.core.cutting.effort import Budget
from ulna.core.cutting.obstacles import fresh
from ulna.core.cutting.outcome import Opened, Outcome, assessed, laid_on
from ulna.core.cutting.request import CutRequest, Piece
from ulna.core.cutting.tree import Axis, Laid, trim
from ulna.core.cutting.trials import Ints

FIRST_BREED, BLOCKS, AGAIN = 200_000, 250_000, 220_000
"""What breeding at first, listing all blocks, and one more attempt may cost, in fittings."""
ATTEMPT = 2_000
"""What even an attempt costs in which nothing can be laid."""
SETTLED = 6
"""Generations without gain after which a plan on a proved number of sheets is good enough."""
TIGHT = 0.02
"""Where less than this of the paper is left over on one sheet fewer, blocks without waste are worth listing."""
GIVE, WASTE = 0.042, 0.05
"""By how much of a sheet's longer side edges may differ, and what share may be lost, where sheets are nearly full."""
TAKEN_UP = (10, 14, 20, 28)
"""Pieces that are laid anew together: about so many are laid well."""
HELPER = 1003
"""Where the second process begins to count its attempts."""
DEEP = 12_000
"""How deep a cut tree of some thousand parts is packed up to be sent."""
PATIENCE = 0.02
"""Seconds after which one looks again whether the other is done."""
WHOLE_AGAIN, STALE = 60, 10
"""Up to so many pieces all of them are bred anew now and then; generations without gain that end an attempt."""


def improved(request: CutRequest, best: Outcome, budget: Budget, hands: int) -> Outcome:
    """The best outcome that the budget allows for pieces that compete for the same sheets, given one so far."""
    group = _Group(request, best)
    group.begin(budget)
    if not group.settled and not budget.spent:
        if hands > 1:
            _together(group, budget)
        else:
            group.go_on(budget)
    return group.best


def _together(group: _Group, budget: Budget) -> None:
    """Goes on with a second process beside this one; the first that settles it ends both."""
    fork = multiprocessing.get_context("fork")
    here, there = fork.Pipe(duplex=False)
    helper = fork.Process(target=_helping, args=(group, budget, there), daemon=True)
    helper.start()
    there.close()
    with budget.share(budget.left) as part:
        group.go_on(replace(part, stop=lambda: budget.stop() or here.poll()))
        part.left = 0
    if group.settled:
        helper.kill()
    else:
        while not here.poll(PATIENCE) and not budget.stop():
            pass
        if here.poll():
            with contextlib.suppress(EOFError):  # it died; what this process found stands
                found: Outcome = here.recv()
                group.best = min(group.best, found, key=lambda o: o.rank)
        helper.kill()
    helper.join()


def _helping(group: _Group, budget: Budget, there: Connection) -> None:
    sys.setrecursionlimit(DEEP)
    group.go_on(budget, HELPER)
    with contextlib.suppress(RecursionError):  # then what the other process found stands
        there.send(group.best)


@dataclass(frozen=True, slots=True)
class _Filled:
    """Of one kind of sheet the blocks there are, which of them fill it, and what pieces those have (bits)."""

    sheet: int
    blocks: Blocks
    full: Ints
    has: Ints


@dataclass(slots=True, eq=False)
class _Group:
    """Pieces that compete for the same sheets, and the best that is known of them."""

    request: CutRequest
    best: Outcome
    here: Outcome = field(init=False)
    filled: list[_Filled] = field(default_factory=list)

    def __post_init__(self) -> None:
        self.here = self.best

    @property
    def copies(self) -> int:
        return sum(p.quantity for p in self.request.pieces if p.pin is None)

    @property
    def settled(self) -> bool:
        """Whether all is placed, on as few sheets as any plan needs."""
        placed, whole, *_ = self.best.rank
        if -placed < sum(p.quantity for p in self.request.pieces):
            return False
        return whole <= lower_bound(self.request, self.best.placed)

    @property
    def _is_small_and_plain(self) -> bool:
        return self.copies <= MOST_PIECES and self._is_plain()

    def begin(self, budget: Budget) -> None:
        """Sheets without waste where nothing may be left over; orders bred, for the rest too."""
        if self._is_small_and_plain and self._is_tight:
            with budget.share(budget.left / 2) as part:
                self.filled = self._fill_up(part)
        with budget.share(FIRST_BREED) as part:
            self._breed(part, 1)

    def go_on(self, budget: Budget, seed: int = 2) -> None:
        """Tries until the budget is spent, or no better number of sheets can be had."""
        dice = random.Random(seed)
        if self._is_small_and_plain and not self._is_tight and seed != HELPER:
            with budget.share(BLOCKS) as part:
                self.filled = self._nearly_full(part)
        self.here = self.best
        for turn in count(seed):
            if budget.spent or self.settled:
                return
            kind = turn % 8
            with budget.share(AGAIN if kind else FIRST_BREED) as part:
                part.spend(ATTEMPT)
                if len(self.here.opened) < 3 or (not kind and self.copies <= WHOLE_AGAIN):
                    self._breed(part, turn)
                elif self.filled and kind in (2, 5):
                    self._fill_some(part, dice, turn)
                else:
                    self._again(part, dice, turn)

    @property
    def _is_tight(self) -> bool:
        """Whether next to nothing may be left over: of all there is, or of so many sheets of one size."""
        area = sum(p.width * p.height * p.quantity for p in self.request.pieces)
        stock = [(s.usable.size, s.quantity) for s in self.request.sheets]
        left = sum(size * n for size, n in stock) - area
        if len({size for size, _ in stock}) == 1:
            left = -area % stock[0][0]
        return 0 <= left < TIGHT * area

    def _breed(self, budget: Budget, seed: int) -> None:
        arrays = field_of(self.request)
        bound = lower_bound(self.request, [p.quantity for p in self.request.pieces])

        def enough(rank: Rank, stale: int) -> bool:
            return rank[0] == 0 and rank[1] <= bound and stale >= SETTLED

        self._take(relaid(self.request, arrays, breed(arrays, budget, seed, enough)))

    def _take(self, opened: list[Opened]) -> None:
        found = assessed(self.request, opened)
        if found.rank < self.best.rank:
            self.best = found

    # ---- sheets without waste ----------------------------------------------------------------------------

    def _fill_up(self, budget: Budget) -> list[_Filled]:
        """All whole sheets that can be filled to the last mark; where some of them cover every piece, that is best."""
        filled = [self._filled(k, budget) for k in self._small_first()]
        quantity = [self.request.sheets[one.sheet].quantity for one in filled]
        taken = chosen([one.has for one in filled], quantity, self.copies, budget)
        if taken is not None:
            self._take([self._built(filled[k], at) for k, at in taken])
        return [one for one in filled if len(one.has)]

    def _nearly_full(self, budget: Budget) -> list[_Filled]:
        """Whole sheets that can be filled with next to no waste."""
        filled = [self._filled(k, budget, GIVE, WASTE) for k in self._small_first()]
        return [one for one in filled if len(one.has)]

    def _small_first(self) -> list[int]:
        return sorted(range(len(self.request.sheets)), key=lambda k: self.request.sheets[k].usable.size)

    def _filled(self, k: int, budget: Budget, give: float = 0.0, waste: float = 0.0) -> _Filled:
        sheet = self.request.sheets[k]
        own = [(n, p.width, p.height, p.turn) for n, p in self._numbered() if sheet.id in p.sources]
        width, height = sheet.usable.width, sheet.usable.height
        blocks = listed(own, width, height, self.request.kerf, budget, int(give * max(width, height)), waste)
        full = (blocks.w == width) & (blocks.h == height)
        if give:
            full = blocks.area >= (1 - waste) * width * height
        which = full.nonzero()[0]
        return _Filled(k, blocks, which, blocks.has[which])

    def _fill_some(self, budget: Budget, dice: random.Random, seed: int) -> None:
        """Some sheets are filled as well as can be, large pieces rather, so that the others have room to spare."""
        left, pieces = [s.quantity for s in self.request.sheets], self._numbered()
        kept, used = list[Opened](), 0
        large = sorted((n for n, _ in pieces), key=lambda n: -pieces[n][1].width * pieces[n][1].height)
        for _ in range(dice.randint(1, max(1, self.best.whole_sheets - 2))):
            one = dice.choice(self.filled)
            wanted = next((n for n in large if not used >> n & 1 and dice.random() < 0.6), None)
            if wanted is None or not left[one.sheet]:
                continue
            has = one.has
            free = (((has & np.uint64(used)) == 0) & ((has >> np.uint64(wanted)) & np.uint64(1) == 1)).nonzero()[0]
            if not len(free):
                continue
            area = one.blocks.area[one.full[free]]
            fullest = free[np.argsort(-area, kind="stable")[: dice.choice((1, 3, 8))]]
            at = int(dice.choice(fullest))
            kept.append(self._built(one, at))
            used |= int(has[at])
            left[one.sheet] -= 1
        self._lay_rest(budget, kept, [], seed)

    def _is_plain(self) -> bool:
        pieces = all(p.pin is None and p.gut is None for p in self.request.pieces)
        return pieces and not any(s.holes for s in self.request.sheets)

    def _copy_of(self) -> list[int]:
        return [i for i, p in enumerate(self.request.pieces) for _ in range(p.quantity)]

    def _numbered(self) -> list[tuple[int, Piece]]:
        return [(n, self.request.pieces[i]) for n, i in enumerate(self._copy_of())]

    def _built(self, filled: _Filled, at: int) -> Opened:
        """A sheet cut up as a block of its size is joined."""
        blocks, which = filled.blocks, self._copy_of()
        root, (clear,) = fresh(self.request.sheets[filled.sheet], [], self.request.kerf)
        one = int(filled.full[at])
        todo = [(one, clear)]
        while todo:
            at, part = todo.pop()
            part, _ = trim(part, int(blocks.w[at]), int(blocks.h[at]), True, self.request.kerf)
            how, left, right = (int(v[at]) for v in (blocks.how, blocks.left, blocks.right))
            if how not in (BESIDE, ABOVE):
                part.laid = Laid(which[left], bool(right))
                continue
            x, y = part.area.x + int(blocks.w[left]), part.area.y + int(blocks.h[left])
            axis: Axis = "vertical" if how == BESIDE else "horizontal"
            sides = part.cut(axis, x if how == BESIDE else y, self.request.kerf)
            todo += [(block, side) for block, side in zip((left, right), sides, strict=True) if side is not None]
        return Opened(filled.sheet, 0, root)

    # ---- some sheets laid anew ---------------------------------------------------------------------------

    def _again(self, budget: Budget, dice: random.Random, seed: int) -> None:
        """Takes up some sheets, the emptier ones rather, and lays their pieces anew with those without a place."""
        taken = self._taken_up(dice)
        opened = list(enumerate(self.here.opened))
        self._lay_rest(budget, [o for k, o in opened if k not in taken], [o for k, o in opened if k in taken], seed)

    def _lay_rest(self, budget: Budget, kept: list[Opened], before: list[Opened], seed: int) -> None:
        """Lays anew whatever is not on the kept sheets: on fewer than before, or so that one of them is emptier.

        `before` is where that lay; without it the whole is compared.
        """
        rest = self._without(kept)
        whole = sum(not self.request.sheets[o.sheet].scrap for o in kept)
        bound = max(lower_bound(rest, [p.quantity for p in rest.pieces]), self.here.whole_sheets - whole - 1)

        def enough(rank: Rank, stale: int) -> bool:
            return (rank[0] == 0 and rank[1] <= bound) or stale >= STALE

        arrays = field_of(rest)
        anew = relaid(rest, arrays, breed(arrays, budget, seed, enough, emptying=True))
        one, other = (anew, before) if before else ([*kept, *anew], self.here.opened)
        if self._standing(one) <= self._standing(other):
            self.here = assessed(self.request, [*kept, *anew])
            if self.here.rank < self.best.rank:
                self.best = self.here

    def _standing(self, opened: list[Opened]) -> tuple[int, int, float]:
        """Less is better: more pieces, fewer whole sheets, fuller ones beside emptier ones."""
        there = [[self._size(laid.piece) for laid in laid_on(o.root)] for o in opened]
        whole = sum(
            bool(sizes) and not self.request.sheets[o.sheet].scrap for o, sizes in zip(opened, there, strict=True)
        )
        return -sum(map(len, there)), whole, -sum(float(sum(sizes)) ** 2 for sizes in there)

    def _taken_up(self, dice: random.Random) -> set[int]:
        def filled(opened: Opened) -> float:
            used = sum(self._size(laid.piece) for laid in laid_on(opened.root))
            return used / self.request.sheets[opened.sheet].usable.size

        able = [k for k, o in enumerate(self.here.opened) if not self._has_pins(o)]
        order = sorted(able, key=lambda k: filled(self.here.opened[k]) + dice.random() * dice.choice((0.05, 0.4)))
        taken, pieces, most = set[int](), 0, dice.choice(TAKEN_UP)
        for k in order:
            here = sum(1 for _ in laid_on(self.here.opened[k].root))
            if len(taken) > 1 and pieces + here > most:
                continue
            taken.add(k)
            pieces += here
        return taken

    def _size(self, piece: int) -> int:
        return self.request.pieces[piece].width * self.request.pieces[piece].height

    def _has_pins(self, opened: Opened) -> bool:
        return any(self.request.pieces[laid.piece].pin is not None for laid in laid_on(opened.root))

    def _without(self, kept: list[Opened]) -> CutRequest:
        """What is left to ask once these sheets stay as they are."""
        pieces = [p.quantity for p in self.request.pieces]
        sheets = [s.quantity for s in self.request.sheets]
        for opened in kept:
            sheets[opened.sheet] -= 1
            for laid in laid_on(opened.root):
                pieces[laid.piece] -= 1
        return replace(
            self.request,
            pieces=tuple(replace(p, quantity=n) for p, n in zip(self.request.pieces, pieces, strict=True)),
            sheets=tuple(replace(s, quantity=n) for s, n in zip(self.request.sheets, sheets, strict=True)),
        )
