"""How many sheets any plan needs: never more than a plan has, and as many as can be proved."""

from __future__ import annotations

import pytest
from hypothesis import HealthCheck, given, settings

from tests.core.planner.requests import requests
from ulna.core.planner.bounds import lower_bound
from ulna.core.planner.effort import PER_SECOND, Budget, effort_of
from ulna.core.planner.request import Area, CutRequest, Piece, Reserve, Rims, Sheet
from ulna.core.planner.search import search

ANY = frozenset({"s"})
BOTH = frozenset({"s", "t"})


def bound(sheets: list[Sheet], pieces: list[Piece], gutting: bool = True) -> int:
    request = CutRequest(tuple(sheets), tuple(pieces), 0, gutting)
    return lower_bound(request, [p.quantity for p in pieces])


TWELVE = Sheet("s", 12, 12, 9)
FRAME = Piece("f", 12, 12, ANY, gut=Rims(1, 1, 1, 1))
CASES = {
    "area": ([TWELVE], [Piece("p", 6, 6, ANY, 4)], 1),
    "area and a little": ([TWELVE], [Piece("p", 6, 6, ANY, 5)], 2),
    "too large to share": ([TWELVE], [Piece("p", 7, 7, ANY, 3)], 3),
    "four of nine squares on each": ([TWELVE], [Piece("p", 5, 5, ANY, 9)], 3),
    "wherever they turn": ([TWELVE], [Piece("p", 5, 6, ANY, 9, turn=True)], 3),
    "with room for a small one beside": ([TWELVE], [Piece("p", 9, 9, ANY, 2), Piece("q", 4, 4, ANY, 2)], 3),
    "narrow ones share": ([TWELVE], [Piece("p", 7, 2, ANY, 3)], 1),
    "less the reserve": ([Sheet("s", 12, 12, 9, reserve=Reserve("top", 6))], [Piece("p", 6, 6, ANY, 3)], 2),
    "less the holes": (
        [Sheet("s", 12, 12, 9, holes=(Area(0, 0, 12, 6), Area(0, 3, 12, 6)))],
        [Piece("p", 12, 3, ANY, 2)],
        2,
    ),
    "each paper its own": (
        [TWELVE, Sheet("t", 12, 12, 9)],
        [Piece("p", 12, 12, ANY), Piece("q", 1, 1, frozenset({"t"}))],
        2,
    ),
    "less the scraps": ([TWELVE, Sheet("t", 12, 12, 1, scrap=True)], [Piece("p", 12, 12, BOTH, 2)], 1),
    "less the panels": ([TWELVE], [FRAME, Piece("p", 10, 10, ANY)], 1),
}


@pytest.mark.parametrize("case", CASES)
def test_what_is_needed_at_least(case: str) -> None:
    """By area, by pieces of which no two share a sheet, and by weights of which a sheet holds 1."""
    sheets, pieces, least = CASES[case]
    assert bound(sheets, pieces) == least


def test_without_gutting_panels_give_nothing() -> None:
    """The frame and the piece that would come from its middle need a sheet each."""
    frame, inner = Piece("f", 12, 12, ANY, gut=Rims(1, 1, 1, 1)), Piece("p", 10, 10, ANY)
    assert bound([Sheet("s", 12, 12, 9)], [frame, inner], gutting=False) == 2


@settings(max_examples=60, suppress_health_check=[HealthCheck.too_slow, HealthCheck.data_too_large])
@given(requests())
def test_no_plan_ever_needs_fewer(request_: CutRequest) -> None:
    """Whatever is asked: the bound for the pieces placed is at most the sheets that placed them."""
    outcome = search(request_, Budget(4_000))
    assert lower_bound(request_, outcome.placed) <= outcome.whole_sheets


def test_seconds_are_worth_a_fixed_effort() -> None:
    """At least one fitting, so that even the smallest bound gives a plan."""
    assert effort_of(2) == 2 * PER_SECOND
    assert effort_of(1e-9) == 1
