"""The planner: sound whatever is asked, few sheets, one good rest."""

from __future__ import annotations

import pytest
from hypothesis import HealthCheck, given, settings

from tests.core.planner.checker import faults
from tests.core.planner.requests import requests
from ulna.core.planner import plan_cuts
from ulna.core.planner.plan import CutPlan
from ulna.core.planner.request import Area, CutRequest, Piece, Pin, Reserve, Rims, Sheet

ANY = frozenset({"s"})
EFFORT = 40_000


def planned(sheets: list[Sheet], pieces: list[Piece], kerf: int = 0, gutting: bool = True) -> CutPlan:
    request = CutRequest(tuple(sheets), tuple(pieces), kerf, gutting)
    plan = plan_cuts(request, EFFORT)
    assert faults(request, plan) == []
    return plan


@settings(max_examples=150, deadline=None, suppress_health_check=[HealthCheck.too_slow, HealthCheck.data_too_large])
@given(requests())
def test_every_plan_can_be_carried_out(request_: CutRequest) -> None:
    """Whatever the sheets and pieces: all cuts go edge to edge and every piece comes out at its size."""
    assert faults(request_, plan_cuts(request_, 3_000)) == []


def test_four_mats_of_six_inches_fill_one_sheet() -> None:
    """12 × 12 gives four 6 × 6 exactly; one sheet is proved to be the fewest."""
    plan = planned([Sheet("s", 12, 12, 3)], [Piece("mat", 6, 6, ANY, 4)])
    assert (plan.whole_sheets_used, plan.lower_bound, plan.proved_minimal) == (1, 1, True)
    assert plan.sheets[0].layout.offcuts == ()


def test_equal_cuts_are_made_at_one_setting() -> None:
    """Six strips 2 in wide: the trimmer is set once and not touched again."""
    plan = planned([Sheet("s", 12, 12)], [Piece("strip", 2, 12, ANY, 6)])
    assert {(step.axis, step.setting) for step in plan.sheets[0].layout.steps} == {("vertical", 2)}


def test_a_piece_that_must_not_turn_is_not_turned() -> None:
    """A 12 × 2 strip of stripes that run down does not fit a sheet 6 wide and 12 tall."""
    upright = planned([Sheet("s", 6, 12)], [Piece("strip", 12, 2, ANY)])
    assert [u.why for u in upright.unplaced] == ["it would fit only with a quarter turn, which it may not make"]
    assert planned([Sheet("s", 6, 12)], [Piece("strip", 12, 2, ANY, turn=True)]).unplaced == ()


def test_the_branding_strip_is_cut_off_and_never_used() -> None:
    """With 1/2 off the bottom (1 of 24), two pieces of half a sheet do not fit on it."""
    sheet = Sheet("s", 24, 24, reserve=Reserve("bottom", 1))
    plan = planned([sheet], [Piece("half", 24, 12, ANY, 2)])
    assert len(plan.unplaced) == 1
    assert plan.sheets[0].layout.steps[0].at == 23


def test_a_gutted_frame_gives_a_sheet_back() -> None:
    """The middle of an 11 × 11 frame serves for two mats, so one sheet does for all."""
    frame = Piece("frame", 22, 22, ANY, gut=Rims(1, 1, 1, 1))
    mats = Piece("mat", 9, 13, ANY, 2, turn=True)
    plan = planned([Sheet("s", 24, 24, 2)], [frame, mats])
    assert plan.whole_sheets_used == 1
    without = planned([Sheet("s", 24, 24, 2)], [frame, mats], gutting=False)
    assert without.whole_sheets_used == 2


def test_a_panel_of_a_panel_is_paper_too() -> None:
    """Frames inside frames: four of them from one sheet."""
    frames = [Piece(f"f{n}", 24 - 4 * n, 24 - 4 * n, ANY, gut=Rims(2, 2, 2, 2)) for n in range(4)]
    assert planned([Sheet("s", 24, 24, 4)], frames).whole_sheets_used == 1


def test_scraps_are_used_before_a_sheet_is_opened() -> None:
    """A mat that fits the scrap comes from the scrap."""
    plan = planned(
        [Sheet("s", 12, 12), Sheet("rest", 5, 7, scrap=True)], [Piece("mat", 5, 6, frozenset({"s", "rest"}))]
    )
    assert plan.whole_sheets_used == 0 and plan.sheets[0].sheet == "rest"


def test_no_piece_lies_on_a_hole() -> None:
    """A scrap with a hole in the middle still gives a piece from its side."""
    holed = Sheet("s", 12, 12, scrap=True, holes=(Area(4, 4, 4, 4),))
    plan = planned([holed], [Piece("strip", 4, 12, ANY), Piece("big", 9, 9, ANY)])
    assert [u.piece for u in plan.unplaced] == ["big"]


def test_a_printed_card_is_cut_from_its_place() -> None:
    """Cards of a cut-apart sheet stay where they are printed; what lies between is free."""
    cards = [Piece(f"card{k}", 4, 6, ANY, pin=Pin("s", 4 * k, 0)) for k in range(3)]
    plan = planned([Sheet("s", 12, 12)], [*cards, Piece("mat", 6, 6, ANY, 2)])
    assert plan.unplaced == () and plan.whole_sheets_used == 1


def test_cards_that_contradict_each_other_are_told() -> None:
    """Of two cards printed over each other only one can be cut from one sheet; two sheets give both."""
    cards = [Piece("a", 4, 4, ANY, pin=Pin("s", 0, 0)), Piece("b", 4, 4, ANY, pin=Pin("s", 2, 2))]
    assert len(planned([Sheet("s", 12, 12)], cards).unplaced) == 1
    assert planned([Sheet("s", 12, 12, 2)], cards).unplaced == ()


def test_a_pinwheel_of_cards_cannot_be_cut_edge_to_edge() -> None:
    """Four cards round a middle: every straight cut would go through one of them."""
    pins = [("a", 4, 2, 0, 0), ("b", 2, 4, 4, 0), ("c", 4, 2, 2, 4), ("d", 2, 4, 0, 2)]
    cards = [Piece(n, w, h, ANY, pin=Pin("s", x, y)) for n, w, h, x, y in pins]
    assert len(planned([Sheet("s", 6, 6)], cards).unplaced) == 1


def test_the_kerf_is_lost_between_pieces_but_not_at_the_edge() -> None:
    """Two 5 in pieces and a kerf of 2 fill 12 in; with a kerf of 3 only one fits."""
    assert planned([Sheet("s", 12, 5)], [Piece("p", 5, 5, ANY, 2)], kerf=2).unplaced == ()
    assert len(planned([Sheet("s", 12, 5)], [Piece("p", 5, 5, ANY, 2)], kerf=3).unplaced) == 1


def test_one_large_rest_is_left_rather_than_slivers() -> None:
    """Two 3 × 4 mats from 12 × 12 leave at least 8 × 12 in one piece."""
    plan = planned([Sheet("s", 12, 12)], [Piece("mat", 3, 4, ANY, 2, turn=True)])
    assert max(rest.size for rest in plan.sheets[0].layout.offcuts) >= 96


@pytest.mark.parametrize(
    ("sheet", "piece", "why"),
    [
        (Sheet("s", 12, 12), Piece("p", 13, 13, ANY), "it is larger than every sheet it may come from"),
        (Sheet("s", 12, 12), Piece("p", 12, 12, ANY, 2), "no room is left on the sheets it may come from"),
        (Sheet("s", 12, 12), Piece("p", 2, 2, frozenset()), "no sheet of its paper is left"),
    ],
)
def test_what_is_unplaced_has_its_reason(sheet: Sheet, piece: Piece, why: str) -> None:
    """The plan is still there for the rest."""
    assert planned([sheet], [piece]).unplaced[0].why == why


def test_the_same_request_gives_the_same_plan() -> None:
    """The effort is counted, not timed."""
    request = CutRequest(
        (Sheet("s", 96, 96, 3),), tuple(Piece(f"p{k}", 11 + 7 * k, 31 - k, ANY, turn=True) for k in range(9))
    )
    assert plan_cuts(request, EFFORT) == plan_cuts(request, EFFORT)


def test_pieces_larger_than_half_a_sheet_prove_the_bound() -> None:
    """Three pieces of 7 × 7 from 12 × 12 need three sheets, though their area would fit on two."""
    plan = planned([Sheet("s", 12, 12, 4)], [Piece("p", 7, 7, ANY, 3, turn=True)])
    assert (plan.whole_sheets_used, plan.proved_minimal) == (3, True)


def test_thousands_of_pieces_are_planned_in_blocks() -> None:
    """Ten thousand tiles of 1 in from seventy sheets of 12 × 12 (144 each)."""
    plan = planned([Sheet("s", 12, 12, 100)], [Piece("tile", 1, 1, ANY, 10_000)])
    assert plan.unplaced == () and plan.whole_sheets_used == 70 and plan.proved_minimal
