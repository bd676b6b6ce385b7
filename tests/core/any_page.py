"""A drawn page worked out, and its list."""

from __future__ import annotations

from dataclasses import replace

from tests.core.examples import ground
from tests.core.pages import PAPERS, THINGS
from ulna.core.cutting.cut_list import CutList
from ulna.core.cutting.demand import demand
from ulna.core.cutting.listing import cut_list
from ulna.core.measure import Ruler
from ulna.core.page.evaluate import Evaluated, evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.paper.shelf import Shelf
from ulna.core.planner import plan_cuts

SHELF = Shelf.of(list(PAPERS), THINGS)
QUICK = 300
"""Effort that gives some plan at once; what is tested holds for every plan."""


def worked_out(plan: PagePlan) -> Evaluated:
    return evaluate(plan, replace(ground(plan.format), shelf=SHELF))


def listed(page: Evaluated) -> CutList:
    plan = plan_cuts(demand(page.pieces, SHELF), QUICK)
    return cut_list(plan, {p.id: p for p in page.pieces}, SHELF, Ruler())
