"""The search, the best plan so far at any time: a first plan at once, then whatever makes it better.

What has no paper in common is planned apart. For each such part of a request, in rounds (`hands`), while its bound is
not reached:

1. a first plan, pieces laid one after another (`laying`);
2. orders bred from the best (`trials`);
3. sheets filled to the last mark, where hardly anything may be left over (`blocks`): all of them, or some, and the
   rest bred, which then has room to spare;
4. of many sheets some are taken up again, the emptier ones first, and laid anew on one sheet fewer.

The effort is counted in fittings tried, not in seconds, so that the outcome does not depend on the machine.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import replace
from itertools import pairwise

from ulna.core.planner.effort import Budget
from ulna.core.planner.laying import first_plan
from ulna.core.planner.outcome import Opened, Outcome, assessed, laid_on
from ulna.core.planner.request import CutRequest, Piece

MOST_COPIES = 700
"""Above so many pieces a first plan is all there is."""


def search(request: CutRequest, budget: Budget, hands: int = 1) -> Outcome:
    """The best outcome that the budget allows; of a budget of next to nothing still a first plan.

    With two `hands` a second process searches in other orders at the same time.
    """
    groups = list(_apart(request))
    found = [first_plan(part, budget) for _, part in groups]
    loose = [sum(p.quantity for p in part.pieces if p.pin is None) for _, part in groups]
    several = [k for k, n in enumerate(loose) if 1 < n <= MOST_COPIES]
    if several and not budget.spent:
        from ulna.core.planner.hands import improved  # what it stands on is slow to import

        better = improved([(groups[k][1], found[k]) for k in several], budget, hands)
        for k, one in zip(several, better, strict=True):
            found[k] = one
    opened = [
        one for (which, part), best in zip(groups, found, strict=True) for one in _back(best, which, part, request)
    ]
    return assessed(request, opened)


def _back(best: Outcome, which: Sequence[int], part: CutRequest, whole: CutRequest) -> list[Opened]:
    """The sheets with the numbers that pieces and sheets have in the whole request."""
    index = {s.id: k for k, s in enumerate(whole.sheets)}
    for opened in best.opened:
        for laid in laid_on(opened.root):
            laid.piece = which[laid.piece]
        opened.sheet = index[part.sheets[opened.sheet].id]
    return best.opened


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
