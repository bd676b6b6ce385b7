"""The cut planner: what is asked (`request`), how it is searched (`search`), what comes out (`plan`).

It counts in whole numbers of whatever the request counts in, so that all comparing is exact; it does not know
inches. x counts rightward and y downward from a sheet's top left corner.
"""

from __future__ import annotations

from collections.abc import Callable

from ulna.core.planner.bounds import lower_bound
from ulna.core.planner.effort import Budget, never
from ulna.core.planner.plan import CutPlan, as_plan
from ulna.core.planner.request import CutRequest
from ulna.core.planner.search import search

__all__ = ["CutRequest", "plan_cuts"]


def plan_cuts(request: CutRequest, effort: int, stop: Callable[[], bool] = never, hands: int = 1) -> CutPlan:
    """The best plan found with so much effort (fittings tried); the same request and effort give the same plan.

    `stop` is asked now and then, and ends the search where it says so, with the best plan so far. With two `hands` a
    second process searches beside this one; not to be had from a process with threads.
    """
    outcome = search(request, Budget(effort, stop), hands)
    return as_plan(request, outcome, lower_bound(request, outcome.placed))
