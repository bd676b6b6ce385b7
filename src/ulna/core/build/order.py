"""The order of building a page: what lies underneath first, waits filled with steps elsewhere, tools changed rarely.

Of all that can be done next it takes what need not wait for something wet; then edges, wet work, what is put together
off the page, flat pieces, raised ones, writing; then what the tool in the hand can do; then what lies lower.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace
from typing import Any

from ulna.core.build.steps import Order, Step, StepKind, Wait
from ulna.core.build.tasks import Task, Tasks
from ulna.core.findings import Finding
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, inches
from ulna.core.parts.pieces import Ground, Piece

NEAR = inches(1)
DRIES: frozenset[StepKind] = frozenset({"wet", "powder", "stamp", "edge", "write"})
"""What leaves something wet that must not be touched."""


def order(
    plan: Any,
    pieces: Sequence[Piece],
    standing: Mapping[str, Any],
    ground: Ground,
    numbers: Mapping[str, int] | None = None,
) -> Order:
    """The steps of a page that is worked out; `numbers` are those of its pieces in the cut list."""
    tasks = Tasks(plan, pieces, standing, ground, numbers or {})
    return _in_order(tasks.all(), tasks.told)


def _in_order(tasks: list[Task], told: list[Finding]) -> Order:
    """One step after the other, the clock running along: of what can be done, what need not wait for something wet."""
    by_id = {task.step.id: task for task in tasks}
    for task in tasks:
        task.needs = {id for id in task.needs if id in by_id}
        task.tucks = {id for id in task.tucks if id in by_id}
        task.later = {id for id in task.later if id in by_id}
    dry, done, out = dict[str, float](), set[str](), list[Task]()
    left, now, tool = dict(by_id), 0.0, ""
    while left:
        free = [task for task in left.values() if task.needs | task.tucks | task.later <= done]
        if not free:
            free = [_let_go(left, done, told)]
        ready = {t.step.id: max((dry[id] for id in t.needs | t.tucks if id in dry), default=0.0) for t in free}
        task = min(
            free, key=lambda t: (t.stage != -1, ready[t.step.id] > now, t.stage, t.tool != tool, t.at, t.step.id)
        )
        now = max(now, ready[task.step.id]) + task.step.minutes
        tool = task.tool
        dry[task.step.id] = now + task.step.dries
        done.add(task.step.id)
        out.append(task)
        del left[task.step.id]
    return Order(tuple(_said(task, by_id, out[:k]) for k, task in enumerate(out)), tuple(told))


def _let_go(left: Mapping[str, Task], done: set[str], told: list[Finding]) -> Task:
    """Where steps wait for each other in a ring: the lowest that only a tuck holds back is tacked without it, and its
    edge is slipped under last."""
    held = [task for task in left.values() if task.tucks - done and task.needs <= done]
    if not held:
        held = [task for task in left.values() if task.tucks - done] or list(left.values())
    task = min(held, key=lambda t: (t.at, t.step.id))
    over = [left[id] for id in (task.tucks or task.needs) - done if id in left]
    told.append(
        Finding(
            "tuck-ring", "note", task.step.part,
            "Its tuck goes round in a ring: all are tacked in the middle first, and its edge is slipped under last.",
        )
    )  # fmt: skip
    for other in over:
        press = left.get(other.step.id.replace("tack:", "press:", 1))
        if press is not None:
            press.needs.add(task.step.id)
            then = press.step.says[0].lower() + press.step.says[1:]
            says = f"Slip the edge of what is tacked beside it under it; {then}"
            press.step = replace(press.step, says=says)
    task.tucks, task.needs = set(), {id for id in task.needs if id in done}
    return task


def _said(task: Task, by_id: Mapping[str, Task], before: Sequence[Task]) -> Step:
    """The step with what it comes after, what it waits for, and what must not be leaned on."""
    wet = [by_id[id].step for id in sorted(task.needs | task.tucks) if by_id[id].step.kind in DRIES]
    waits = tuple(
        Wait(one.id, one.dries, f"it has to dry first: {_short(one.says)}") for one in wet if one.dries > 1
    )
    careful = list(task.step.careful)
    raised = [
        piece.name for other in before for piece in other.pieces
        if piece.raised > ZERO and any(_near(piece.rect, own.rect) for own in task.pieces)
    ]  # fmt: skip
    if raised:
        careful.append(f"Do not press on {', '.join(dict.fromkeys(raised[:4]))}: foam is under it.")
    return replace(
        task.step, after=tuple(sorted(task.needs | task.tucks | task.later)), waits=waits, careful=tuple(careful)
    )


def _short(says: str) -> str:
    """A sentence without its figures: brush a wash of watered colour (slate)."""
    return says[0].lower() + says[1:].split(" over ")[0]


def _near(a: Rect, b: Rect) -> bool:
    return Rect(a.x - NEAR, a.y - NEAR, a.width + NEAR * 2, a.height + NEAR * 2).meets(b)
