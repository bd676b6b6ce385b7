"""What begun sheets leave on the shelf, and what is done when the hand did otherwise than the list."""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from tests.core.any_page import SHELF, worked_out
from tests.core.any_page import listed as listed_of
from tests.core.cutting.lists import listed, panel, pieces_of
from tests.core.examples import paper, said_at, size
from tests.core.pages import pages
from ulna.core.cutting import mishaps, progress, scraps
from ulna.core.cutting.cut_list import CutList, CutSheet
from ulna.core.cutting.directions import sheet_directions
from ulna.core.errors import FieldError
from ulna.core.geometry.figures import Hole
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Ruler, inches, parse
from ulna.core.page.plan import PagePlan
from ulna.core.paper.shelf import Shelf

RULER = Ruler()
REEDS = paper("reeds", 1, strip="1/2")


def card(width: str = "4", height: str = "6") -> CutSheet:
    """A card out of a 12 × 12 sheet with a branding strip of 1/2 in below."""
    return listed(pieces_of(panel("card", width, height, "reeds"), papers=(REEDS,)), REEDS).sheets[0]


def all_of(sheet: CutSheet) -> set[str]:
    return {s.key for s in sheet.steps}


def left(sheet: CutSheet, ticked: set[str], least: str = "1/2") -> dict[str, str]:
    shelf, _ = scraps.after(Shelf.of([REEDS]), [(CutList((sheet,)), ticked)], least=parse(least))
    return {p.name: size(p.width, p.height) for p in shelf.papers.values() if p.is_scrap}


# ---- scraps ----------------------------------------------------------------------------------------


def test_a_rest_is_called_after_its_sheet_and_has_its_real_size() -> None:
    sheet = card()
    assert left(sheet, all_of(sheet)) == {"Reeds 1a": "8 × 11 1/2", "Reeds 1b": "4 × 5 1/2"}


def test_it_is_on_the_shelf_once_the_cut_that_makes_it_is_ticked() -> None:
    """What more is to be cut from is not there for another page."""
    sheet = card()
    seen = [list(left(sheet, {s.key for s in sheet.steps[:k]})) for k in range(len(sheet.steps) + 1)]
    assert seen == [[], [], ["Reeds 1a"], ["Reeds 1a", "Reeds 1b"]]


def test_below_the_size_that_is_set_it_is_waste() -> None:
    sheet = card()
    assert left(sheet, all_of(sheet), least="6") == {"Reeds 1a": "8 × 11 1/2"}


def test_a_rest_of_a_rest_goes_on_its_name() -> None:
    sheet = card()
    shelf, _ = scraps.after(Shelf.of([REEDS]), [(CutList((sheet,)), all_of(sheet))])
    rest = next(p for p in shelf.papers.values() if p.name == "Reeds 1a")
    second = listed(pieces_of(panel("p", "7", "11 1/2", "reeds"), papers=(REEDS,)), replace(REEDS, count=0), rest)
    lists = [(CutList((sheet,)), all_of(sheet)), (second, all_of(second.sheets[0]))]
    for order in (lists, lists[::-1]):  # whichever page is read first
        shelf, lost = scraps.after(Shelf.of([REEDS]), order)
        assert not lost
        assert sorted(p.name for p in shelf.papers.values() if p.is_scrap) == ["Reeds 1aa", "Reeds 1b"]


def test_a_scrap_that_is_cut_but_no_longer_made_is_told() -> None:
    """So that a cut cannot be taken back under what came of it."""
    sheet = card()
    shelf, _ = scraps.after(Shelf.of([REEDS]), [(CutList((sheet,)), all_of(sheet))])
    rest = next(p for p in shelf.papers.values() if p.name == "Reeds 1a")
    second = listed(pieces_of(panel("p", "7", "9", "reeds"), papers=(REEDS,)), replace(REEDS, count=0), rest)
    _, lost = scraps.after(Shelf.of([REEDS]), [(second, all_of(second.sheets[0])), (CutList((sheet,)), ())])
    assert [s.key for s in lost] == [second.sheets[0].key]


@pytest.mark.parametrize("side", ["A", "B"])
def test_a_hole_stays_where_it_is_in_the_rest_and_is_no_scrap_itself(side: str) -> None:
    """A hole of 2 × 2 in; a sheet that lies with B up is a mirror image, its rests are seen from A again."""
    holed = replace(paper("reeds", 1), holes=(Hole.of(Rect(inches(9), inches(9), inches(2), inches(2))),))
    sheet = listed(pieces_of(panel("p", "4", "12", "reeds", side), papers=(holed,)), holed).sheets[0]
    first = {sheet.steps[0].key}
    rests = zip(scraps.scraps(holed, sheet, first, True), progress.rests(sheet, first), strict=True)
    met = [(rest.holes[0], at) for rest, at in rests if rest.holes]
    assert len(met) == 1
    hole, at = met[0]
    seen = at.x + hole.x if side == "A" else at.right - hole.at.right
    assert (seen, hole.width) == (sheet.holes[0].x, inches(2))
    every = scraps.scraps(holed, sheet, all_of(sheet))
    assert [(size(p.width, p.height), len(p.holes)) for p in every] in ([("8 × 12", 1)], [("12 × 8", 1)])


@given(pages(), st.data())
@settings(max_examples=40, deadline=None)
def test_a_sheet_is_always_all_there(plan: PagePlan, data: st.DataObject) -> None:
    """Pieces, rests, what is still to be cut, and waste are the whole sheet, to the last unit."""
    for sheet in listed_of(worked_out(plan)).sheets:
        some = data.draw(st.sampled_from(sheet.steps)).key
        for ticked in (all_of(sheet), progress.tick(sheet, (), some, on=True)):
            found = progress.shares(sheet, ticked)
            assert sum(share.area for share in found) == sheet.paper_in(sheet.whole)
            assert [s.piece for s in found if s.kind == "piece"] == progress.done(sheet, ticked) or (
                {s.piece for s in found if s.kind == "piece"} == set(progress.done(sheet, ticked))
            )
        assert SHELF.papers[sheet.of_paper]


# ---- what is told at a step ------------------------------------------------------------------------


def test_each_step_says_what_to_write_and_what_falls_off() -> None:
    sheet = card()
    told = [sheet_directions(sheet, parse("1/2"), RULER)[s.key] for s in sheet.steps]
    assert [tuple(fall.says for fall in t.falls) for t in told] == [
        ("12 × 1/2 is waste",),
        ("Reeds 1a, 8 × 11 1/2, goes on the shelf",),
        ("Reeds 1b, 4 × 5 1/2, goes on the shelf",),
    ]
    assert [t.write for t in told] == [(), (), ("1 · Card",)]
    assert [t.turn for t in told] == [False, True, True]
    assert {t.up for t in told} == {"A side up"}


# ---- mishaps ---------------------------------------------------------------------------------------


def test_a_spoiled_piece_is_not_done_and_leaves_what_is_left_of_it() -> None:
    sheet = card()
    spoiled = mishaps.spoil(sheet, all_of(sheet), 1, inches(4), inches(3), RULER)
    assert progress.done(spoiled, all_of(sheet)) == []
    kept = progress.settled(spoiled, all_of(sheet))
    assert left(kept, all_of(sheet)) == {"Reeds 1a": "8 × 11 1/2", "Reeds 1b": "4 × 5 1/2", "Reeds 1c": "4 × 3"}
    gone = mishaps.spoil(sheet, all_of(sheet), 1, ZERO, ZERO, RULER)
    assert "Reeds 1c" not in left(progress.settled(gone, all_of(sheet)), all_of(sheet))


def test_a_spoiled_piece_is_wanted_again() -> None:
    pieces = pieces_of(panel("card", "4", "6", "reeds"), papers=(REEDS,))
    spoiled = mishaps.spoil(card(), all_of(card()), 1, ZERO, ZERO, RULER)
    new, gone = progress.changes(pieces, CutList((spoiled,)))
    assert [p.name for p in new] == ["card"] and gone == []


@pytest.mark.parametrize(
    ("number", "width", "told"),
    [
        (1, "5", "no more than that can be left"),
        (2, "0", "this piece is not cut"),
    ],
)
def test_what_cannot_be_spoiled_is_told(number: int, width: str, told: str) -> None:
    sheet = card()
    with pytest.raises(FieldError, match=told):
        mishaps.spoil(sheet, all_of(sheet), number, parse(width), ZERO, RULER)


def test_a_cut_made_elsewhere_leaves_the_parts_that_there_really_are() -> None:
    """The card's width was cut at 3 1/2 instead of 4: a part of 3 1/2 and one of 8 1/2 in are left."""
    sheet = card()
    second = sheet.steps[1]
    moved, ticked = mishaps.elsewhere(sheet, {sheet.steps[0].key}, second.key, parse("3 1/2"), False, RULER)
    assert [size(r.width, r.height) for r in progress.rests(moved, ticked)] == ["3 1/2 × 11 1/2", "8 1/2 × 11 1/2"]
    assert said_at(moved)[-1] == "Set 3 1/2 from the left of the 12 × 11 1/2 part."
    assert moved.pieces == ()


def test_a_piece_can_be_used_at_the_size_at_which_it_came() -> None:
    sheet = card()
    ticked = {s.key for s in sheet.steps[:2]}
    moved, now = mishaps.elsewhere(sheet, ticked, sheet.steps[2].key, parse("5 3/4"), True, RULER)
    piece = progress.done(moved, now)[0]
    assert (size(piece.rect.width, piece.rect.height), piece.fate) == ("4 × 5 3/4", "as cut")
    pieces = pieces_of(panel("card", "4", "6", "reeds"), papers=(REEDS,))
    assert progress.changes(pieces, CutList((moved,))) == ([], [])


@pytest.mark.parametrize(("step", "at", "told"), [(0, "3", "ticked already"), (1, "12", "between 0 and that")])
def test_a_cut_that_cannot_have_been_made_is_told(step: int, at: str, told: str) -> None:
    sheet = card()
    with pytest.raises(FieldError, match=told):
        mishaps.elsewhere(sheet, {sheet.steps[0].key}, sheet.steps[step].key, parse(at), False, RULER)
