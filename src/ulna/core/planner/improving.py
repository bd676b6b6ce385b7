"""What makes a plan better: orders that are bred, sheets without waste, sheets that are taken up and laid anew.

It goes on from the last plan that it took, which may be as good as the best only in how full its sheets are: so one
of them empties little by little, until it can be saved.

After: D. Pisinger, S. Ropke, "Large neighborhood search", 2010, with bred orders to lay anew what was taken up.
"""

from __future__ import annotations

import random
from dataclasses import dataclass, field

from ulna.core.planner.blocks import BESIDE, MOST_PIECES, SINGLE, Blocks, chosen
from ulna.core.planner.bounds import lower_bound
from ulna.core.planner.effort import Budget
from ulna.core.planner.obstacles import fresh
from ulna.core.planner.outcome import Outcome, assessed
from ulna.core.planner.request import CutRequest, Piece
from ulna.core.planner.tree import Axis, Laid, trim
from ulna.core.planner.workshop import FRESH, Pattern, Workshop

FIRST_BREED, BLOCKS, CHOICE, AGAIN = 200_000, 250_000, 100_000, 220_000
"""What breeding at first, listing nearly full blocks, choosing among full ones (which no clock ends), and one more
attempt may cost, in fittings."""
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
BESIDE_ANOTHER = 1001
"""From where a process counts its attempts that searches the same pieces beside another."""
WHOLE_AGAIN, STALE = 60, 10
"""Up to so many pieces all of them are bred anew now and then; generations without gain that end an attempt."""

Standing = tuple[int, int]
"""Copies without a place, whole sheets opened: less is better."""
State = tuple[Outcome, list[Pattern], Standing, int]
"""How a group stands, as one process tells another: the best so far, what is gone on from, the attempts made."""


@dataclass(frozen=True, slots=True)
class _Filled:
    """Of one kind of sheet the blocks there are, and which of them fill it."""

    sheet: int
    blocks: Blocks
    full: list[int]


@dataclass(slots=True, eq=False)
class Group:
    """Pieces that compete for the same sheets, and the best that is known of them.

    `here` is what is gone on from, with as many copies placed and sheets opened as `standing` says; `turns` counts the
    attempts. It may be gone on with as often as one likes.
    """

    request: CutRequest
    best: Outcome
    shop: Workshop = field(init=False)
    here: list[Pattern] = field(init=False, default_factory=list)
    standing: Standing = (0, 0)
    turns: int = 0
    filled: list[_Filled] | None = None

    def __post_init__(self) -> None:
        self.shop = Workshop(self.request)

    @property
    def copies(self) -> int:
        return len(self.shop.of)

    @property
    def state(self) -> State:
        return self.best, self.here, self.standing, self.turns

    def take(self, state: State) -> None:
        """Goes on from what another process found, unless the own best is better."""
        if state[0].rank <= self.best.rank or state[3] > self.turns:
            best, self.here, self.standing, self.turns = state
            self.best = min(self.best, best, key=lambda o: o.rank)

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
        self.turns = 1
        if self._is_small_and_plain and self._is_tight:
            with budget.share(budget.left / 2) as part:
                self.filled = self._fill_up(part)
        with budget.share(FIRST_BREED) as part:
            self._breed(part, 1)

    def go_on(self, budget: Budget, beside: bool = False) -> None:
        """Tries until the budget is spent, or no better number of sheets can be had; in other orders `beside` a
        process that searches the same."""
        if not self.turns:
            self.begin(budget)
        if budget.spent or self.settled:
            return
        if beside:
            self.turns += BESIDE_ANOTHER
        dice = random.Random(self.turns)
        if self.filled is None and self._is_small_and_plain and not self._is_tight and not beside:
            with budget.share(BLOCKS) as part:
                self.filled = self._nearly_full(part)
        while not budget.spent and not self.settled:
            self.turns += 1
            turn, kind = self.turns, self.turns % 8
            with budget.share(AGAIN if kind else FIRST_BREED) as part:
                part.spend(ATTEMPT)
                if len(self.here) < 3 or (not kind and self.copies <= WHOLE_AGAIN):
                    self._breed(part, turn)
                elif self.filled and kind in (2, 5):
                    self._fill_some(self.filled, part, dice, turn)
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
        """All of it anew."""
        bound = lower_bound(self.request, [p.quantity for p in self.request.pieces])
        shop, everything = self.shop, range(self.copies)
        without, whole, used = shop.trials.breed(
            everything, [True] * len(shop.begun), shop.quantity, budget, seed, bound, SETTLED
        )
        self._take((without, whole), shop.patterns(used))

    def _take(self, standing: Standing, patterns: list[Pattern]) -> None:
        """Goes on from these sheets if they stand better; if as well, their rest may be worth more."""
        if self.here and standing > self.standing:
            return
        if not self.here or standing < self.standing:
            self.standing, self.here = standing, patterns
        found = assessed(self.request, self.shop.trees(patterns))
        if found.rank < self.best.rank:
            self.best = found

    # ---- sheets without waste ----------------------------------------------------------------------------

    def _fill_up(self, budget: Budget) -> list[_Filled]:
        """All whole sheets that can be filled to the last mark; where some of them cover every piece, that is best."""
        filled = [self._filled(k, budget) for k in self._small_first()]
        quantity = [self.request.sheets[one.sheet].quantity for one in filled]
        bits = [[one.blocks.pieces(at) for at in one.full] for one in filled]
        with budget.share(CHOICE) as part:
            taken = chosen(bits, quantity, self.copies, part)
        if taken is not None:
            patterns = list[Pattern]()
            for k, at in taken:
                patterns.append(self._built(filled[k], filled[k].full[at], patterns))
            self._take((0, self._whole(patterns)), patterns)
        return [one for one in filled if one.full]

    def _nearly_full(self, budget: Budget) -> list[_Filled]:
        """Whole sheets that can be filled with next to no waste."""
        filled = [self._filled(k, budget, GIVE, WASTE) for k in self._small_first()]
        return [one for one in filled if one.full]

    def _small_first(self) -> list[int]:
        return sorted(range(len(self.request.sheets)), key=lambda k: self.request.sheets[k].usable.size)

    def _filled(self, k: int, budget: Budget, give: float = 0.0, waste: float = 0.0) -> _Filled:
        sheet = self.request.sheets[k]
        own = [(n, p.width, p.height, p.turn) for n, p in self._numbered() if sheet.id in p.sources]
        width, height = sheet.usable.width, sheet.usable.height
        blocks = Blocks(own, width, height, self.request.kerf, budget, int(give * max(width, height)), waste)
        return _Filled(k, blocks, blocks.filling())

    def _fill_some(self, filled: list[_Filled], budget: Budget, dice: random.Random, seed: int) -> None:
        """Some sheets are filled as well as can be, large pieces rather, so that the others have room to spare."""
        left, pieces = [s.quantity for s in self.request.sheets], self._numbered()
        kept, used = list[Pattern](), 0
        large = sorted((n for n, _ in pieces), key=lambda n: -pieces[n][1].width * pieces[n][1].height)
        for _ in range(dice.randint(1, max(1, self.best.whole_sheets - 2))):
            one = dice.choice(filled)
            wanted = next((n for n in large if not used >> n & 1 and dice.random() < 0.6), None)
            if wanted is None or not left[one.sheet]:
                continue
            fullest = one.blocks.fullest(used, 1 << wanted, dice.choice((1, 3, 8)))
            if not fullest:
                continue
            at = dice.choice(fullest)
            kept.append(self._built(one, at, kept))
            used |= one.blocks.pieces(at)
            left[one.sheet] -= 1
        self._lay_rest(budget, kept, seed)

    def _is_plain(self) -> bool:
        pieces = all(p.pin is None and p.gut is None for p in self.request.pieces)
        return pieces and not any(s.holes for s in self.request.sheets)

    def _numbered(self) -> list[tuple[int, Piece]]:
        return [(n, self.request.pieces[i]) for n, i in enumerate(self.shop.of)]

    def _built(self, filled: _Filled, at: int, others: list[Pattern]) -> Pattern:
        """A sheet cut up as a block of its size is joined; a fresh one, or a scrap that no other one is."""
        used = {one.begun for one in others}
        scraps = (k for k, one in enumerate(self.shop.begun) if one.kind == filled.sheet and k not in used)
        blocks, copies = filled.blocks, list[int]()
        root, (clear,) = fresh(self.request.sheets[filled.sheet], [], self.request.kerf)
        todo = [(at, clear)]
        while todo:
            at, part = todo.pop()
            width, height, how, left, right = blocks.block(at)
            part, _ = trim(part, width, height, True, self.request.kerf)
            if how == SINGLE:
                part.laid = Laid(self.shop.of[left], bool(right))
                copies.append(left)
                continue
            first_width, first_height, *_ = blocks.block(left)
            axis: Axis = "vertical" if how == BESIDE else "horizontal"
            where = part.area.x + first_width if how == BESIDE else part.area.y + first_height
            sides = part.cut(axis, where, self.request.kerf)
            todo += [(block, side) for block, side in zip((left, right), sides, strict=True) if side is not None]
        return Pattern(filled.sheet, next(scraps, FRESH), tuple(copies), root=root)

    # ---- some sheets laid anew ---------------------------------------------------------------------------

    def _again(self, budget: Budget, dice: random.Random, seed: int) -> None:
        """Takes up some sheets, the emptier ones rather, and lays their pieces anew with those without a place."""
        taken = self._taken_up(dice)
        self._lay_rest(budget, [one for k, one in enumerate(self.here) if k not in taken], seed)

    def _lay_rest(self, budget: Budget, kept: list[Pattern], seed: int) -> None:
        """Lays anew whatever is not on the kept sheets: on fewer than before, or so that one of them is emptier."""
        on_kept = {copy for one in kept for copy in one.copies}
        rest = [copy for copy in range(self.copies) if copy not in on_kept]
        there = [True] * len(self.shop.begun)
        quantity = list(self.shop.quantity)
        for one in kept:
            if one.begun == FRESH:
                quantity[one.kind] -= 1
            else:
                there[one.begun] = False
        bound = max(0, self.standing[1] - self._whole(kept) - 1)
        without, whole, used = self.shop.trials.breed(
            rest, there, quantity, budget, seed, bound, patience=STALE, emptying=True
        )
        standing, anew = (without, self._whole(kept) + whole), [*kept, *self.shop.patterns(used)]
        rank, before = (*standing, self._spread(anew)), (*self.standing, self._spread(self.here))
        if rank < before:
            self._take(standing, anew)
        if rank <= before:
            self.here = anew

    def _whole(self, patterns: list[Pattern]) -> int:
        """How many fresh sheets these are; scraps and sheets with printed pieces are in use anyway, or cost nothing."""
        return sum(one.begun == FRESH for one in patterns)

    def _spread(self, patterns: list[Pattern]) -> float:
        """Less is better: fuller sheets beside emptier ones."""
        return -sum(float(self._held(one)) ** 2 for one in patterns)

    def _held(self, pattern: Pattern) -> int:
        return sum(map(self.shop.size, pattern.copies))

    def _taken_up(self, dice: random.Random) -> set[int]:
        def filled(one: Pattern) -> float:
            return self._held(one) / self.request.sheets[one.kind].usable.size

        order = sorted(
            range(len(self.here)),
            key=lambda k: filled(self.here[k]) + dice.random() * dice.choice((0.05, 0.4)),
        )
        taken, pieces, most = set[int](), 0, dice.choice(TAKEN_UP)
        for k in order:
            here = len(self.here[k].copies)
            if len(taken) > 1 and pieces + here > most:
                continue
            taken.add(k)
            pieces += here
        return taken
