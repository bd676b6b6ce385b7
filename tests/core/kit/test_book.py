"""The kit's book: whatever is cut, ticked, taken back or spoiled, the sums agree to the last unit."""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from tests.core.any_page import worked_out
from tests.core.cutting.lists import listed, panel, pieces_of
from tests.core.examples import paper
from tests.core.pages import PAPERS, pages
from ulna.core.cutting import mishaps, progress, scraps
from ulna.core.cutting.cut_list import CutList
from ulna.core.cutting.demand import demand
from ulna.core.cutting.listing import cut_list
from ulna.core.geometry.figures import Hole
from ulna.core.geometry.rects import Rect
from ulna.core.kit.book import PaperEntry, book
from ulna.core.measure import ZERO, Ruler, inches, parse
from ulna.core.page.plan import PagePlan
from ulna.core.paper.shelf import Shelf
from ulna.core.paper.yields import fit, makes
from ulna.core.planner import plan_cuts

LEAST = parse("1/2")
IN = inches(1).units ** 2
REEDS = paper("reeds", 2, strip="1/2")


def entry(shelf: Shelf, lists: dict[str, scraps.Begun]) -> PaperEntry:
    return book(shelf, lists, LEAST)[0]


def test_a_card_of_4_by_6_and_where_the_rest_is() -> None:
    """Two sheets of 12 × 12 with a strip of 1/2 in: one is begun."""
    cuts = listed(pieces_of(panel("card", "4", "6", "reeds"), papers=(REEDS,)), REEDS)
    ticked = {s.key for s in cuts.sheets[0].steps}
    found = entry(Shelf.of([REEDS]), {"heron": (cuts, ticked)})
    a = found.areas
    assert (found.had, found.left) == (2, 1)
    assert [n // IN for n in (a.had, a.whole, a.pieces, a.scraps, a.waste)] == [288, 144, 24, 114, 6]
    assert [p.name for p in found.scraps] == ["Reeds 1a", "Reeds 1b"]
    assert [(s.page, [p.name for p in s.pieces]) for s in found.sheets] == [("heron", ["card"])]


def test_taking_the_cuts_back_sets_the_book_right_again() -> None:
    cuts = listed(pieces_of(panel("card", "4", "6", "reeds"), papers=(REEDS,)), REEDS)
    fresh = entry(Shelf.of([REEDS]), {})
    ticked = progress.tick(cuts.sheets[0], (), cuts.sheets[0].steps[-1].key, True)
    ticked = progress.tick(cuts.sheets[0], ticked, cuts.sheets[0].steps[0].key, False)
    assert entry(Shelf.of([REEDS]), {"heron": (cuts, ticked)}) == fresh


def test_a_paper_of_which_nothing_is_left_is_used_up() -> None:
    one = paper("reeds", 1)
    cuts = listed(pieces_of(panel("all", "12", "12", "reeds"), papers=(one,)), one)
    ticked = {s.key for s in cuts.sheets[0].steps}
    assert entry(Shelf.of([one]), {"p": (cuts, ticked)}).used_up
    assert not entry(Shelf.of([one]), {}).used_up


@given(st.lists(pages(1), min_size=1, max_size=3), st.data())
@settings(max_examples=60, deadline=None)
def test_had_is_pieces_and_scraps_and_waste_whatever_happens(plans: list[PagePlan], data: st.DataObject) -> None:
    """Pages cut one after another from what the others left, in any order, some cuts elsewhere, some pieces spoiled."""
    shelf, ruler = Shelf.of(list(PAPERS)), Ruler()
    lists: dict[str, scraps.Begun] = {}
    for k, plan in enumerate(plans):
        left, lost = scraps.after(shelf, lists.values(), least=LEAST)
        assert not lost
        pieces = worked_out(plan).pieces
        cuts = cut_list(plan_cuts(demand(pieces, left), 2_000), {p.id: p for p in pieces}, left, ruler)
        taken = {s.key for cut, ticked in lists.values() for s in progress.begun(cut, ticked)}
        sheets, ticked = [], frozenset[str]()
        for sheet in progress.rekeyed(cuts.sheets, taken):
            step = data.draw(st.sampled_from([None, *sheet.steps]))
            if step is not None and step.kind == "cut" and data.draw(st.booleans()):
                before = progress.tick(sheet, ticked, step.key, True) - {step.key}
                length = step.of.width if step.axis == "vertical" else step.of.height
                at = data.draw(st.integers(1, length.units - 1))
                keep = data.draw(st.booleans())
                sheet, ticked = mishaps.elsewhere(sheet, before, step.key, replace(length, units=at), keep, ruler)
                sheet = progress.settled(sheet, ticked)
            elif step is not None:
                ticked = progress.tick(sheet, ticked, step.key, True)
            done = progress.done(sheet, ticked)
            if done and data.draw(st.booleans()):
                piece = data.draw(st.sampled_from(done))
                width = data.draw(st.sampled_from([ZERO, piece.rect.width]))
                sheet = mishaps.spoil(sheet, ticked, piece.number, width, piece.rect.height, ruler)
                sheet = progress.settled(sheet, ticked)
            sheets.append(sheet)
        lists[f"page {k}"] = CutList(tuple(sheets)), ticked
    pieces_had = 0
    for found in book(shelf, lists, LEAST):
        a = found.areas
        assert a.had == a.pieces + a.scraps + a.open + a.whole + a.waste
        assert min(a.pieces, a.scraps, a.open, a.whole, a.waste) >= 0
        pieces_had += sum(len(s.pieces) for s in found.sheets)
    listed_done = sum(len(progress.done(s, ticked)) for cut, ticked in lists.values() for s in cut.sheets)
    assert pieces_had == listed_done


# ---- what is left can make -------------------------------------------------------------------------


@pytest.mark.parametrize(
    ("room", "piece", "turns", "many"),
    [
        ((12, 12), (4, 6), False, 6),
        ((12, 12), (5, 7), False, 2),
        ((12, 12), (5, 7), True, 3),  # four would lie round a hole, which no cut from edge to edge can part
        ((12, 11), (12, 1), False, 11),
        ((5, 5), (6, 4), True, 0),
    ],
)
def test_equal_pieces_out_of_a_sheet(room: tuple[int, int], piece: tuple[int, int], turns: bool, many: int) -> None:
    assert fit(*room, *piece, turns) == many


def test_what_is_left_can_make() -> None:
    """A 12 × 12 sheet less its strip of 1/2 in: three mats of 4 1/2 × 6 1/2, eleven strips, no foundation."""
    found = {make.what: make.count for make in makes([replace(REEDS, count=1)], Ruler())}
    assert found["strips of 12 × 1"] == 11
    assert found["foundations of 12 × 12"] == 0
    assert found["mats for 4 × 6"] == 3


def test_what_a_sheet_with_a_hole_still_makes() -> None:
    """Ink with a square of 4 cut out 1 1/2 from its left and 1 from its top edge, cut off below it: 12 × 5 is left.

    Right of the hole 12 − 5 1/2 = 6 1/2 are whole, 5 high: one mat of 6 1/2 × 4 1/2, one of 4 1/2 × 3 1/2 (7 would not
    go beside each other), no strip of 12 but the one above the hole.
    """
    ink = paper("ink", 1)
    scrap = replace(ink, height=inches(5), holes=(Hole.of(Rect(parse("1 1/2"), inches(1), inches(4), inches(4))),))
    found = {make.what: make.count for make in makes([scrap], Ruler())}
    assert found["mat for 4 × 6"] == 1
    assert found["mat for 3 × 4"] == 1
    assert found["strip of 12 × 1"] == 1
    middle = replace(ink, holes=(Hole.of(Rect(inches(3), inches(3), inches(6), inches(6))),))
    found = {make.what: make.count for make in makes([middle], Ruler())}
    assert found["strips of 12 × 1"] == 6, "three above and three below; between them they would be 3 long"
    assert found["panels of 6 × 6"] == 0
