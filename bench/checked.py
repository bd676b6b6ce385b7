"""A plan as JSON, carried out by the tests' independent checker."""

from __future__ import annotations

import json
from decimal import Decimal
from typing import Any

from tests.core.planner.checker import faults

from ulna.core.planner.by_hand import HandStep
from ulna.core.planner.plan import CutPlan, Layout, Placement, SheetPlan, Unplaced
from ulna.core.planner.request import Area
from ulna.formats import cut_json

MILLIONTHS = 1_000_000


def unsound(request: bytes, plan: bytes) -> list[str]:
    """Everything that is wrong with a plan; empty for a sound one."""
    asked, _, _ = cut_json.read(request)
    return faults(asked, _plan(json.loads(plan, parse_float=Decimal)))


def _plan(read: dict[str, Any]) -> CutPlan:
    sheets = tuple(SheetPlan(one["sheet"], one["copy"], _layout(one)) for one in read["sheets"])
    unplaced = tuple(Unplaced(one["piece"], one["copy"], one["why"]) for one in read["unplaced"])
    return CutPlan(sheets, unplaced, read["whole_sheets_used"], read["lower_bound"])


def _layout(read: dict[str, Any]) -> Layout:
    steps = tuple(HandStep(step["axis"], _length(step["at"]), _area(step["of"])) for step in read["steps"])
    return Layout(tuple(map(_placement, read["placements"])), tuple(map(_area, read["offcuts"])), steps)


def _placement(read: dict[str, Any]) -> Placement:
    at, panel = _area(read), read.get("panel")
    if panel is None:
        return Placement(read["piece"], read["copy"], at, read["turned"])
    return Placement(read["piece"], read["copy"], at, read["turned"], _area(panel), _layout(panel))


def _area(read: dict[str, Any]) -> Area:
    return Area(*(_length(read[name]) for name in ("x", "y", "width", "height")))


def _length(read: int | Decimal) -> int:
    return int(read * MILLIONTHS)
