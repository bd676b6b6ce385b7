"""The search, the best plan so far at any time: a first plan at once, then whatever makes it better.

What has no paper in common is planned apart. For each such part of a request, in turn, while its bound is not reached:

1. a first plan, pieces laid one after another (`laying`);
2. orders bred from the best (`breeding`);
3. sheets filled to the last mark, where hardly anything may be left over (`blocks`): all of them, or some, and the
   rest bred, which then has room to spare;
4. of many sheets some are taken up again, the emptier ones first, and laid anew on one sheet fewer.

The effort is counted in fittings tried, not in seconds, so that the outcome does not depend on the machine.
"""

from __future__ import annotations

import random
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from itertools import count, pairwise

import numpy as np

from ulna.core.cutting.arrays import field_of, relaid
from ulna.core.cutting.blocks import ABOVE, BESIDE, MOST_PIECES, Blocks, chosen, listed
from ulna.core.cutting.bounds import lower_bound
from ulna.core.cutting.breeding import Rank, breed
from ulna.core.cutting.effort import Budget
from ulna.core.cutting.laying import first_plan
from ulna.core.cutting.obstacles import fresh
from ulna.core.cutting.outcome import Opened, Outcome, assessed, laid_on
from ulna.core.cutting.request import CutRequest, Piece
from ulna.core.cutting.tree import Laid
from ulna.core.cutting.trials import Ints

MOST_COPIES = 700
"""Above so many pieces a first plan is all there is."""
FIRST_BREED, BLOCKS, AGAIN = 500_000, 900_000, 220_000
"""What breeding at first, listing all blocks, and one more attempt may cost, in fittings."""
SETTLED = 6
"""Generations without gain after which a plan on a proved number of sheets is good enough."""
TIGHT = 0.02
"""Where less than this of the paper is left over on one sheet fewer, blocks without waste are worth listing."""
TAKEN_UP = 44
"""Pieces that are laid anew together: about so many are laid well."""


def search(request: CutRequest, budget: Budget) -> Outcome:
    """The best outcome that the budget allows; of a budget of next to nothing still a first plan."""
    groups = [_Group(which, part, first_plan(part, budget)) for which, part in _apart(request)]
    waiting = [g for g in groups if g.worth_more]
    while waiting and not budget.spent:
        with budget.share(budget.left / len(waiting)) as part:
            waiting.pop(0).improve(part)
    opened = list[Opened]()
    for group in groups:
        opened += group.back(request)
    return assessed(request, opened)


def _apart(request: CutRequest) -> Iterator[tuple[list[int], CutRequest]]:
    """The parts of a request that share no sheet: which of its pieces, and the request of these alone.

    Pieces that fit nowhere are left out: they have no place in any plan.
    """
    parent = {s.id: s.id for s in request.sheets}

    def root(id: str) -> str:
        while parent[id] != id:
            parent[id] = parent[parent[id]]
            id = parent[id]
        return id

    for piece in request.pieces:
        for one, other in pairwise(sorted(piece.sources)):
            parent[root(other)] = root(one)
    members = dict[str, list[int]]()
    for i, piece in enumerate(request.pieces):
        if piece.pin is None and not _fits_somewhere(piece, request):
            continue
        for source in sorted(piece.sources)[:1]:
            members.setdefault(root(source), []).append(i)
    for name, which in members.items():
        sheets = tuple(s for s in request.sheets if root(s.id) == name)
        yield which, replace(request, sheets=sheets, pieces=tuple(request.pieces[i] for i in which))


def _fits_somewhere(piece: Piece, request: CutRequest) -> bool:
    """On a sheet it may come from, or on a panel that may be won from one; holes are not looked at."""
    rooms = [s.usable[2:] for s in request.sheets if s.id in piece.sources]
    if request.gutting:
        won = [p for p in request.pieces if p.gut is not None and p.sources & piece.sources]
        rooms += [p.panel_size(turned) for p in won for turned in (False, True)]
    sides = [(piece.width, piece.height)] + [(piece.height, piece.width)] * piece.turn
    return any(w <= width and h <= height for width, height in rooms for w, h in sides)


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

    which: list[int]
    request: CutRequest
    best: Outcome

    @property
    def worth_more(self) -> bool:
        return 1 < self.copies <= MOST_COPIES

    @property
    def copies(self) -> int:
        return sum(p.quantity for p in self.request.pieces if p.pin is None)

    def back(self, whole: CutRequest) -> list[Opened]:
        """The sheets with the numbers that pieces and sheets have in the whole request."""
        index = {s.id: k for k, s in enumerate(whole.sheets)}
        for opened in self.best.opened:
            for laid in laid_on(opened.root):
                laid.piece = self.which[laid.piece]
            opened.sheet = index[self.request.sheets[opened.sheet].id]
        return self.best.opened

    def improve(self, budget: Budget) -> None:
        """Tries until the budget is spent, or no better number of sheets can be had and the rest is good."""
        dice, filled = random.Random(20), list[_Filled]()
        plain = self.copies <= MOST_PIECES and self._is_plain()
        if plain and self._is_tight:
            with budget.share(budget.left / 2) as part:
                filled = self._fill_up(part)
        with budget.share(FIRST_BREED) as part:
            self._breed(part, 1)
        if plain and not filled and not self._settled(self.best.rank[:2]):
            with budget.share(BLOCKS) as part:
                filled = self._fill_up(part)
        few = self.copies <= TAKEN_UP or len(self.best.opened) < 3
        for seed in count(2):
            if budget.spent or self._settled(self.best.rank[:2]):
                return
            some = bool(filled) and seed % 3 > 0
            with budget.share(budget.left / 2 if few and not some else AGAIN) as part:
                if some:
                    self._fill_some(part, filled, dice, seed)
                elif few:
                    self._breed(part, seed)
                else:
                    self._again(part, dice, seed)

    @property
    def _is_tight(self) -> bool:
        """Whether next to nothing may be left over: of all there is, or of so many sheets of one size."""
        area = sum(p.width * p.height * p.quantity for p in self.request.pieces)
        stock = [(s.usable.size, s.quantity) for s in self.request.sheets]
        left = sum(size * n for size, n in stock) - area
        if len({size for size, _ in stock}) == 1:
            left = -area % stock[0][0]
        return 0 <= left < TIGHT * area

    def _settled(self, rank: Sequence[float]) -> bool:
        """Whether all is placed, on as few sheets as any plan needs."""
        if -rank[0] < sum(p.quantity for p in self.request.pieces):
            return False
        return rank[1] <= lower_bound(self.request, self.best.placed)

    def _breed(self, budget: Budget, seed: int) -> None:
        field = field_of(self.request)
        bound = lower_bound(self.request, [p.quantity for p in self.request.pieces])

        def enough(rank: Rank, stale: int) -> bool:
            return rank[0] == 0 and rank[1] <= bound and stale >= SETTLED

        self._take(relaid(self.request, field, breed(field, budget, seed, enough)))

    def _take(self, opened: list[Opened]) -> None:
        found = assessed(self.request, opened)
        if found.rank < self.best.rank:
            self.best = found

    # ---- sheets without waste ----------------------------------------------------------------------------

    def _fill_up(self, budget: Budget) -> list[_Filled]:
        """All whole sheets that can be filled to the last mark; where some of them cover every piece, that is best."""
        pieces, filled = self._numbered(), list[_Filled]()
        for k, sheet in sorted(enumerate(self.request.sheets), key=lambda s: s[1].usable.size):
            own = [(n, p.width, p.height, p.turn) for n, p in pieces if sheet.id in p.sources]
            width, height = sheet.usable.width, sheet.usable.height
            blocks = listed(own, width, height, self.request.kerf, budget)
            full = ((blocks.w == width) & (blocks.h == height)).nonzero()[0]
            filled.append(_Filled(k, blocks, full, blocks.has[full]))
        quantity = [self.request.sheets[one.sheet].quantity for one in filled]
        taken = chosen([one.has for one in filled], quantity, len(pieces), budget)
        if taken is not None:
            self._take([self._built(filled[k], at) for k, at in taken])
        return [one for one in filled if len(one.has)]

    def _fill_some(self, budget: Budget, filled: list[_Filled], dice: random.Random, seed: int) -> None:
        """Some sheets are filled to the last mark, so that the others have all the room to spare."""
        left = [s.quantity for s in self.request.sheets]
        kept, used = list[Opened](), 0
        for _ in range(dice.randint(1, max(1, self.best.whole_sheets - 2))):
            one = dice.choice(filled)
            free = ((one.has & np.uint64(used)) == 0).nonzero()[0]
            if not len(free) or not left[one.sheet]:
                continue
            at = int(dice.choice(free))
            kept.append(self._built(one, at))
            used |= int(one.has[at])
            left[one.sheet] -= 1
        self._lay_rest(budget, kept, seed)

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
            how, left, right = (int(v[at]) for v in (blocks.how, blocks.left, blocks.right))
            if how not in (BESIDE, ABOVE):
                part.laid = Laid(which[left], bool(right))
                continue
            x, y = part.area.x + int(blocks.w[left]), part.area.y + int(blocks.h[left])
            cut = (
                part.cut("vertical", x, self.request.kerf)
                if how == BESIDE
                else part.cut("horizontal", y, self.request.kerf)
            )
            todo += [(side, half) for side, half in zip((left, right), cut, strict=True) if half is not None]
        return Opened(filled.sheet, 0, root)

    # ---- some sheets laid anew ---------------------------------------------------------------------------

    def _again(self, budget: Budget, dice: random.Random, seed: int) -> None:
        """Takes up some sheets, the emptier ones rather, and lays their pieces anew with those without a place."""
        taken = self._taken_up(dice)
        self._lay_rest(budget, [o for k, o in enumerate(self.best.opened) if k not in taken], seed)

    def _lay_rest(self, budget: Budget, kept: list[Opened], seed: int) -> None:
        """Lays anew whatever is not on these sheets, on fewer than before where that can be."""
        rest = self._without(kept)
        whole = sum(not self.request.sheets[o.sheet].scrap for o in kept)
        bound = max(lower_bound(rest, [p.quantity for p in rest.pieces]), self.best.whole_sheets - whole - 1)

        def enough(rank: Rank, stale: int) -> bool:
            return rank[0] == 0 and rank[1] <= bound

        field = field_of(rest)
        self._take([*kept, *relaid(rest, field, breed(field, budget, seed, enough))])

    def _taken_up(self, dice: random.Random) -> set[int]:
        def filled(opened: Opened) -> float:
            used = sum(self._size(laid.piece) for laid in laid_on(opened.root))
            return used / self.request.sheets[opened.sheet].usable.size

        able = [k for k, o in enumerate(self.best.opened) if not self._has_pins(o)]
        order = sorted(able, key=lambda k: filled(self.best.opened[k]) + dice.random() * dice.choice((0.05, 0.4)))
        taken, pieces = set[int](), 0
        for k in order:
            here = sum(1 for _ in laid_on(self.best.opened[k].root))
            if taken and pieces + here > TAKEN_UP:
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
