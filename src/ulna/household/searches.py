"""Searching longer for a better cut list, in the background: with progress, to be stopped at any time.

Whatever was found by then is taken where it is better than what is on the list.
"""

from __future__ import annotations

import threading
import time
from collections.abc import Hashable
from dataclasses import dataclass, field, replace
from typing import Literal

from ulna.core.cutting import blocks_in_phase
from ulna.core.cutting.demand import demand
from ulna.core.kit.gutting import Settled
from ulna.core.planner.outcome import value
from ulna.core.planner.plan import CutPlan, Layout
from ulna.core.planner.request import CutRequest
from ulna.household.cutting import LIST_FOLLOWS, fresh_list, list_key
from ulna.household.home import Household

State = Literal["searching", "stopped", "ended"]


@dataclass
class Search:
    """One search for one page; `share` is how much of its time is over, `found` what came of it."""

    page: str
    seconds: float
    begun: float = field(default_factory=time.monotonic)
    stopped: threading.Event = field(default_factory=threading.Event)
    ended: threading.Event = field(default_factory=threading.Event)
    found: Literal["", "fewer sheets", "better rest", "nothing better"] = ""

    @property
    def state(self) -> State:
        if not self.ended.is_set():
            return "searching"
        return "stopped" if self.stopped.is_set() else "ended"

    @property
    def share(self) -> float:
        return 1.0 if self.ended.is_set() else min(1.0, (time.monotonic() - self.begun) / self.seconds)

    def over(self) -> bool:
        return self.stopped.is_set() or time.monotonic() - self.begun > self.seconds


class Searches:
    """The searches of one household, one a page at most."""

    def __init__(self) -> None:
        self._of: dict[str, Search] = {}
        self._lock = threading.Lock()

    def of(self, page: str) -> Search | None:
        return self._of.get(page)

    def begin(self, home: Household, page: str, seconds: float) -> Search:
        """Begins a search, or gives the one that is under way. Raises `NotThere`."""
        with self._lock:
            running = self._of.get(page)
            if running is not None and running.state == "searching":
                return running
            key, before, stamp = list_key(home, page), fresh_list(home, page), home.stamp(LIST_FOLLOWS)
            search = self._of[page] = Search(page, seconds)
        threading.Thread(target=_run, args=(home, search, key, before, stamp), daemon=True).start()
        return search

    def stop(self, page: str) -> None:
        """Ends the search of a page, if there is one, and waits until its outcome is in place."""
        search = self._of.get(page)
        if search is not None:
            search.stopped.set()
            search.ended.wait(timeout=5)

    def close(self) -> None:
        """Ends them all."""
        for page in list(self._of):
            self.stop(page)


def _run(home: Household, search: Search, key: Hashable, before: Settled, stamp: object) -> None:
    try:
        shelf = home.shelf_for(search.page)
        request = demand(before.pieces, shelf)
        plan = home.planroom.search(request, search.seconds, search.over)
        plan = blocks_in_phase.parted(plan, before.pieces, shelf)
        old, new = _rank(before.plan, request), _rank(plan, request)
        search.found = "fewer sheets" if new[:2] < old[:2] else "better rest" if new < old else "nothing better"
        if new < old:
            home.remember(key, stamp, replace(before, plan=plan))
    finally:
        search.ended.set()


def _rank(plan: CutPlan, request: CutRequest) -> tuple[int, int, float]:
    """Less is better: pieces unplaced, sheets opened, what is lost of the value of the sheets that are opened."""
    sheets = {sheet.id: sheet for sheet in request.sheets}
    lost = sum(value(sheets[one.sheet].usable) - _rests(one.layout) for one in plan.sheets)
    return len(plan.unplaced), plan.whole_sheets_used, lost


def _rests(layout: Layout) -> float:
    inner = sum(_rests(placed.inside) for placed in layout.placements if placed.inside is not None)
    return inner + sum(value(rest) for rest in layout.offcuts)
