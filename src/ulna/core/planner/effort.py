"""How much effort so many seconds are worth, and what is left of it.

The search counts fittings (a piece held against a free part), not time, so that one request with one bound gives
one plan on every machine that does as many in that time. On a slower one a clock ends it (`allowed`).
"""

from __future__ import annotations

from collections.abc import Callable, Iterator
from contextlib import contextmanager
from dataclasses import dataclass

PER_SECOND = 2_000_000


def effort_of(seconds: float) -> int:
    """The fittings that a bound of so many seconds allows."""
    return max(1, int(seconds * PER_SECOND))


def allowed(seconds: float) -> float:
    """After how many seconds a clock stops the search on a machine too slow for its effort: reading, starting and
    writing want theirs."""
    return max(seconds * 0.8, seconds - 0.5)


def never() -> bool:
    return False


@dataclass(slots=True)
class Budget:
    """Fittings that are left to spend. `stop` ends it early: somebody wants no more, or a clock has run out."""

    left: float
    stop: Callable[[], bool] = never

    def spend(self, fittings: float) -> None:
        self.left -= fittings

    @property
    def spent(self) -> bool:
        return self.left <= 0 or self.stop()

    @contextmanager
    def share(self, fittings: float) -> Iterator[Budget]:
        """A budget of so many fittings at most within this one."""
        given = min(fittings, self.left)
        part = Budget(given, self.stop)
        yield part
        self.left -= given - part.left
