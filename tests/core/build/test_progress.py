"""How far a page is built: clocks that no clock set back makes longer, what is next, how long it will take."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta

import pytest

from tests.core.build.test_order import BASE, at, built, panel, photo
from ulna.core.build.progress import Building, Done, clocks, next_step, stage, ticked
from ulna.core.build.times import Pace, estimate, paces
from ulna.core.errors import FieldError
from ulna.core.parts.kinds.wet import Wet

NOON = datetime(2026, 6, 27, 12, tzinfo=UTC)
WASH = Wet("wash", "wash", place=at(1, 1))
ORDER = built(BASE, WASH, photo("heron", 2, 3))
"""Base, wash (15 minutes), the photo on its mat, the mat on the page."""


def after(*steps: str, minutes: float = 0) -> Building:
    """All of them ticked at noon."""
    building = Building()
    for step in steps:
        building = ticked(building, ORDER, step, True, NOON)
    return building


def left(building: Building, minutes: float) -> list[tuple[str, int]]:
    found = clocks(ORDER, building, NOON + timedelta(minutes=minutes))
    return [(one.step, one.left) for one in found]


def test_a_clock_runs_from_when_the_step_was_done() -> None:
    building = after("base:base", "wet:wash")
    assert left(building, 0) == [("wet:wash", 900)]
    assert left(building, 4.5) == [("wet:wash", 630)]
    assert left(building, 15) == []


def test_a_clock_that_was_set_back_makes_no_wait_longer() -> None:
    """An hour back: the whole quarter of an hour again, and not an hour and a quarter."""
    assert left(after("base:base", "wet:wash"), -60) == [("wet:wash", 900)]


def test_what_somebody_felt_dry_is_dry() -> None:
    building = after("base:base", "wet:wash")
    assert left(Building(building.done, ("wet:wash",)), 1) == []


def test_meanwhile_what_does_not_touch_it_is_next() -> None:
    building = after("base:base", "wet:wash")
    wet = clocks(ORDER, building, NOON)
    now = next_step(ORDER, building, wet)
    assert now is not None and now.id == "assemble:heron"
    done = ticked(building, ORDER, "assemble:heron", True, NOON)
    then = next_step(ORDER, done, wet)
    assert then is not None and then.id == "glue:heron", "all else is done: it is shown with what it waits for"
    assert [wait.after for wait in then.waits] == ["wet:wash"]


def test_taken_back_a_step_is_not_done() -> None:
    building = ticked(after("base:base", "wet:wash"), ORDER, "wet:wash", False, NOON)
    assert building.ticked == {"base:base"} and left(building, 0) == []


def test_a_step_that_the_page_has_not_is_told() -> None:
    with pytest.raises(FieldError, match="no such step"):
        ticked(Building(), ORDER, "glue:gone", True, NOON)


def test_how_far_it_is() -> None:
    assert stage(ORDER, Building()) == "not begun"
    assert stage(ORDER, after("base:base")) == "begun"
    assert stage(ORDER, after(*(step.id for step in ORDER.steps))) == "built"


def test_the_estimate_follows_ones_own_pace() -> None:
    """Three gluings that took twice as long as usual: from then on twice is expected."""
    order = built(BASE, panel("a", 1, 1, 3, 3), panel("b", 5, 1, 3, 3), panel("c", 1, 6, 3, 3))
    glued = [step for step in order.steps if step.kind == "glue"]
    done = tuple(Done(step.id, NOON, round(step.minutes * 120)) for step in glued)
    known = paces([(order, Building(done))])
    assert known["glue"] == Pace(2.0, 3)
    usual, own = estimate(order, {}), estimate(order, known)
    assert usual.minutes == order.minutes
    assert own.minutes == pytest.approx(order.minutes + sum(step.minutes for step in glued))
    assert own.says == "about 10 minutes, by your own pace for 3 of 4 steps"


def test_two_measures_are_none_and_a_bench_left_open_is_not_counted() -> None:
    order = built(BASE, panel("a", 1, 1, 3, 3), panel("b", 5, 1, 3, 3), panel("c", 1, 6, 3, 3))
    glued = [step for step in order.steps if step.kind == "glue"]
    two = tuple(Done(step.id, NOON, 200) for step in glued[:2])
    left_open = Done(glued[2].id, NOON, 5 * 3600)
    known = paces([(order, Building((*two, left_open)))])
    assert known["glue"].measured == 2 and not known["glue"].is_own
    assert estimate(order, known).minutes == order.minutes
