"""How far a page is built: what is done and when, what dries still, what went wrong, how long it took."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, replace
from datetime import datetime
from typing import Annotated, Literal

from ulna.core.build.steps import Order, Step
from ulna.core.errors import FieldError
from ulna.core.ranges import Many, Text, Whole

MOST = 2_000
MOST_SECONDS = 6 * 3600
GoneWrong = Literal["torn", "askew", "wrong colour"]
Did = Literal["covered", "cut again", "went on"]


@dataclass(frozen=True, slots=True)
class Done:
    """A step that was ticked, when, and how many seconds one was at it."""

    step: Annotated[str, Text(200, 1)]
    at: datetime
    seconds: Annotated[int, Whole(0, MOST_SECONDS)] = 0


@dataclass(frozen=True, slots=True)
class Trouble:
    """What went wrong with a step, and what was done about it."""

    step: Annotated[str, Text(200, 1)]
    what: GoneWrong
    did: Did
    at: datetime


@dataclass(frozen=True, slots=True)
class Building:
    """`dry` are steps of which a person said that they are dry before their time."""

    done: Annotated[tuple[Done, ...], Many(MOST)] = ()
    dry: Annotated[tuple[str, ...], Many(MOST)] = ()
    troubles: Annotated[tuple[Trouble, ...], Many(MOST)] = ()

    @property
    def ticked(self) -> frozenset[str]:
        return frozenset(one.step for one in self.done)

    def at(self, step: str) -> datetime | None:
        return next((one.at for one in self.done if one.step == step), None)


@dataclass(frozen=True, slots=True)
class Clock:
    """What dries still: of which step, for how many seconds more of how many, what heat does to it."""

    step: str
    says: str
    left: int
    of: int
    heat: str


def clocks(order: Order, building: Building, now: datetime) -> list[Clock]:
    """Everything that is wet, what is dry soonest first. A clock that was set back makes no wait longer than it was
    asked, and none shorter than what is left by it."""
    found = list[Clock]()
    for step in order.steps:
        at = building.at(step.id)
        if at is None or step.dries < 1 or step.id in building.dry:
            continue
        whole = step.dries * 60
        gone = max(0.0, (now - at).total_seconds())
        left = round(min(whole, whole - gone))
        if left > 0:
            found.append(Clock(step.id, step.says, left, whole, step.heat))
    return sorted(found, key=lambda one: one.left)


def ticked(building: Building, order: Order, step: str, on: bool, now: datetime, seconds: int = 0) -> Building:
    """With a step ticked, or not any more. Raises `FieldError` for a step that the page has not."""
    if order.step(step) is None:
        raise FieldError("step", step, "the page has no such step any more", "load the order anew")
    others = tuple(one for one in building.done if one.step != step)
    if not on:
        return replace(building, done=others, dry=tuple(one for one in building.dry if one != step))
    return replace(building, done=(*others, Done(step, now, min(max(0, seconds), MOST_SECONDS))))


def next_step(order: Order, building: Building, wet: Iterable[Clock]) -> Step | None:
    """What is to be done now: the first step that is not done, for which all is there, and that waits for nothing
    wet; where everything waits, the first of those."""
    drying, done = {one.step for one in wet}, building.ticked
    left = [step for step in order.steps if step.id not in done]
    free = [step for step in left if set(step.after) <= done] or left
    return next(
        (step for step in free if not drying & {wait.after for wait in step.waits}), free[0] if free else None
    )


def stage(order: Order, building: Building) -> Literal["not begun", "begun", "built"]:
    """How far a page is built."""
    if not building.done:
        return "not begun"
    return "built" if all(step.id in building.ticked for step in order.steps) else "begun"
