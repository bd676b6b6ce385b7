"""How long cutting takes: each kind of step at first as is usual, then as one's own hands took."""

from __future__ import annotations

from collections.abc import Iterable, Mapping

from ulna.core.build.times import UNKNOWN, Estimate, Pace, paces_of
from ulna.core.cutting.cut_list import CutList
from ulna.core.cutting.steps import Slant, Step

MINUTES: dict[str, float] = {
    "take": 0.2, "cut": 0.6, "gut": 2.0, "open": 2.0, "slant": 1.0, "round": 0.7, "shape": 3.0, "tear": 1.5,
    "trace": 2.0,
}  # fmt: skip
"""What a step takes where nothing was measured yet: to find the mark, set the paper, cut, and look; of a machine's
sheet to lay it on and take it off. A cut that is not square counts for every line of it."""


def minutes(step: Step) -> float:
    """What is usual for it."""
    return MINUTES[step.kind] * (max(1, len(step.lines)) if isinstance(step, Slant) else 1)


def paces(measured: Iterable[tuple[str, float, int]]) -> dict[str, Pace]:
    """One's own pace for each kind of step, from (kind, usual minutes, measured seconds)."""
    return paces_of(measured)


def estimate(cuts: CutList, ticked: frozenset[str], known: Mapping[str, Pace]) -> Estimate:
    """What is still to be cut."""
    steps = [step for sheet in cuts.sheets for step in sheet.steps if step.key not in ticked]
    paced = [known.get(step.kind, UNKNOWN) for step in steps]
    whole = sum(
        minutes(step) * (pace.times if pace.is_own else 1.0) for step, pace in zip(steps, paced, strict=True)
    )
    return Estimate(whole, sum(pace.is_own for pace in paced), len(steps))
