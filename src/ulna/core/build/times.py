"""How long steps take: at first as is usual, then as one's own hands took: the median of what was measured."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from statistics import median
from typing import TypeVar

from ulna.core.build.progress import Building
from ulna.core.build.steps import Order, StepKind

Kind = TypeVar("Kind", bound=str)
FEWEST = 3
"""So many steps of a kind must have been measured for one's own pace to count."""
LEAST, MOST = 0.2, 5.0
"""Beyond this many times what is usual a measure is none: the bench stood open, or was ticked after the work."""


@dataclass(frozen=True, slots=True)
class Pace:
    """How much longer than usual steps of a kind take by these hands, and from how many measures."""

    times: float = 1.0
    measured: int = 0

    @property
    def is_own(self) -> bool:
        return self.measured >= FEWEST


UNKNOWN = Pace()


def paces_of(measured: Iterable[tuple[Kind, float, int]]) -> dict[Kind, Pace]:
    """For each kind of step the median of what it took against what is usual for it, from (kind, usual minutes,
    measured seconds)."""
    found: dict[Kind, list[float]] = {}
    for kind, usual, seconds in measured:
        if seconds and usual > 0 and LEAST <= (times := seconds / 60 / usual) <= MOST:
            found.setdefault(kind, []).append(times)
    return {kind: Pace(median(all), len(all)) for kind, all in found.items()}


def paces(built: Iterable[tuple[Order, Building]]) -> dict[StepKind, Pace]:
    """One's own pace for each kind of step, from all that was built."""
    return paces_of(
        (step.kind, step.minutes, one.seconds)
        for order, building in built
        for one in building.done
        if (step := order.step(one.step)) is not None
    )


@dataclass(frozen=True, slots=True)
class Estimate:
    """Minutes for a page, and of how many of its steps one's own pace is known."""

    minutes: float
    own: int
    steps: int

    @property
    def says(self) -> str:
        many = max(1, round(self.minutes))
        about = "about a minute" if many == 1 else f"about {many} minutes"
        if self.minutes >= 90:
            about = f"about {self.minutes / 60:.1f} hours"
        if not self.own:
            return f"{about}, as is usual"
        some = "" if self.own == self.steps else f" for {self.own} of {self.steps} steps"
        return f"{about}, by your own pace{some}"


def estimate(order: Order, known: Mapping[StepKind, Pace]) -> Estimate:
    """What building a page will take, without the waits that nothing fills."""
    minutes, own = 0.0, 0
    for step in order.steps:
        pace = known.get(step.kind, UNKNOWN)
        minutes += step.minutes * (pace.times if pace.is_own else 1.0)
        own += pace.is_own
    return Estimate(minutes, own, len(order.steps))
