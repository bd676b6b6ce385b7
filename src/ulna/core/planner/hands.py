"""Groups of pieces that share no sheet, searched in turn by one process or by two.

In rounds, each twice as long as the one before: what is settled asks for no more, so that what is hard has the time
that the others left. Two processes share the groups out; the last one that is left is searched by both, in other
orders.
"""

from __future__ import annotations

import contextlib
import multiprocessing
import sys
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import dataclass, field, replace
from multiprocessing.connection import Connection

from ulna.core.planner.effort import Budget
from ulna.core.planner.improving import Group, State
from ulna.core.planner.outcome import Outcome
from ulna.core.planner.request import CutRequest

FIRST_ROUND = 400_000
"""What each group may cost in the first round, in fittings."""
DEEP = 12_000
"""How deep a cut tree of some thousand parts is packed up to be sent."""
PATIENCE = 0.02
"""Seconds after which one looks again whether the other is done."""
GRACE = 0.06
"""Seconds that the other has to say what it found once the clock has ended the search: it hears that clock too."""

Task = tuple[dict[int, State], float, bool]
"""Which groups and how they stand, what each may cost, and whether the other process searches the same one."""


def improved(asked: Sequence[tuple[CutRequest, Outcome]], budget: Budget, hands: int) -> list[Outcome]:
    """The best outcome that the budget allows for each group, given one so far."""
    groups = [Group(request, best) for request, best in asked]
    if len(groups) == 1:
        groups[0].begin(budget)
    if hands > 1 and not budget.spent and not all(group.settled for group in groups):
        with _other_hand(groups, budget) as other:
            _in_rounds(groups, budget, other)
    else:
        _in_rounds(groups, budget, None)
    return [group.best for group in groups]


def _in_rounds(groups: Sequence[Group], budget: Budget, other: _OtherHand | None) -> None:
    length = float(FIRST_ROUND)
    while not budget.spent and (left := [k for k, group in enumerate(groups) if not group.settled]):
        if len(left) == 1:
            _last(groups[left[0]], left[0], budget, other)
            return
        mine, theirs = other.shared_out(left) if other else (left, [])
        share = min(length, budget.left / len(mine))
        if other and not other.ask(({k: groups[k].state for k in theirs}, share, False)):
            other = None
        for k in mine:
            with budget.share(share) as part:
                groups[k].go_on(part)
        if other:
            _take(dict(enumerate(groups)), other.answer(budget))
        length *= 2


def _last(group: Group, number: int, budget: Budget, other: _OtherHand | None) -> None:
    """The first of the two that settles it ends both."""
    if other is None or not other.ask(({number: group.state}, budget.left, True)):
        group.go_on(budget)
        return
    with budget.share(budget.left) as part:
        group.go_on(replace(part, stop=lambda: budget.stop() or other.is_done))
        part.left = 0
    if not group.settled:
        _take({number: group}, other.answer(budget))


def _take(groups: Mapping[int, Group], found: Mapping[int, State]) -> None:
    for k, state in found.items():
        groups[k].take(state)


@dataclass(slots=True, eq=False)
class _OtherHand:
    """A second process that goes on with the groups it is asked to; `theirs` are those it had last."""

    pipe: Connection
    theirs: set[int] = field(default_factory=set)

    def shared_out(self, left: Sequence[int]) -> tuple[list[int], list[int]]:
        """Which groups this process takes and which the other: those it had, which it knows, and about as many."""
        mine, theirs = [k for k in left if k not in self.theirs], [k for k in left if k in self.theirs]
        while len(mine) > len(theirs) + 1:
            theirs.append(mine.pop())
        while len(theirs) > len(mine):
            mine.append(theirs.pop())
        self.theirs = set(theirs)
        return mine, theirs

    def ask(self, task: Task) -> bool:
        """False where it died: then this process goes on alone."""
        with contextlib.suppress(OSError):
            return _sent(self.pipe, task)
        return False

    @property
    def is_done(self) -> bool:
        return self.pipe.poll()

    def answer(self, budget: Budget) -> dict[int, State]:
        """What it found; nothing where it died, or where the clock ends the wait."""
        while not self.pipe.poll(PATIENCE):
            if budget.stop() and not self.pipe.poll(GRACE):
                return {}
        with contextlib.suppress(EOFError, OSError):
            found: dict[int, State] = self.pipe.recv()
            return found
        return {}


@contextlib.contextmanager
def _other_hand(groups: Sequence[Group], budget: Budget) -> Iterator[_OtherHand]:
    fork = multiprocessing.get_context("fork")
    here, there = fork.Pipe()
    process = fork.Process(target=_helping, args=(groups, budget, there), daemon=True)
    process.start()
    there.close()
    try:
        yield _OtherHand(here)
    finally:
        process.kill()
        process.join()
        here.close()


def _helping(groups: Sequence[Group], budget: Budget, pipe: Connection) -> None:
    """Ends where it cannot say what it found: the other hears that, and does not wait for it."""
    with contextlib.suppress(EOFError, OSError):
        while True:
            task: Task = pipe.recv()
            states, share, both = task
            for k, state in states.items():
                groups[k].take(state)
                groups[k].go_on(Budget(share, budget.stop), beside=both)
            if not _sent(pipe, {k: groups[k].state for k in states}):
                return


def _sent(pipe: Connection, what: object) -> bool:
    """Trees are packed up part in part, deeper than Python goes of itself."""
    before = sys.getrecursionlimit()
    sys.setrecursionlimit(DEEP)
    try:
        pipe.send(what)
    except RecursionError:
        return False
    finally:
        sys.setrecursionlimit(before)
    return True
