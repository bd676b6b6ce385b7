"""From a page to a list that a person cuts by, and how far it is cut."""

from __future__ import annotations

from dataclasses import replace

import pytest

from tests.core.cutting.lists import listed, panel, pieces_of
from tests.core.examples import mat, paper, said_at, scrap, size
from ulna.core.cutting import progress, scraps
from ulna.core.cutting.cut_list import CutList
from ulna.core.cutting.demand import demand
from ulna.core.cutting.directions import says
from ulna.core.geometry.rects import Borders, Rect
from ulna.core.kit.cost import cost, lacking
from ulna.core.measure import Ruler, inches, parse
from ulna.core.paper.shelf import Edge, Shelf, Strip
from ulna.core.parts.kinds.base import Base
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.pieces import PaperChoice, Piece
from ulna.core.photos.prints import Print
from ulna.core.planner import plan_cuts


def test_the_cuts_are_said_in_trimmer_figures() -> None:
    """An 11 × 11 panel of a sheet with a 1/2 in branding strip at the bottom: three settings."""
    reeds = paper("reeds", strip="1/2")
    cuts = listed(pieces_of(panel("ground", "11", "11", "reeds"), papers=(reeds,)), reeds)
    assert said_at(cuts.sheets[0]) == [
        "Set 11 1/2 from the top of the sheet.",
        "Set 11 from the left of the 12 × 11 1/2 part.",
        "Set 11 from the top of the 11 × 11 1/2 part: piece 1.",
    ]


def test_a_whole_sheet_is_taken_without_a_cut() -> None:
    """A 12 × 12 base needs no trimmer."""
    cream = paper("cream")
    cuts = listed(pieces_of(Base("b", "left", PaperChoice("cream")), papers=(cream,)), cream)
    assert [(s.kind, says(s, cuts.sheets[0], Ruler()), s.gives) for s in cuts.sheets[0].steps] == [
        ("take", "Take the whole sheet: piece 1.", (1,))
    ]


def test_gutting_comes_after_the_piece_and_before_what_the_panel_gives() -> None:
    """A gutted 11 × 11 panel, then a 4 × 6 mat out of its middle."""
    reeds = paper("reeds", 1)
    ring = panel("ring", "11", "11", "reeds", gutted=True, rim=parse("1/2"))
    parts = (ring, panel("card", "4", "6", "reeds"))
    sheet = listed(pieces_of(*parts, papers=(reeds,)), reeds).sheets[0]
    kinds = [s.kind for s in sheet.steps]
    knife = kinds.index("gut")
    assert said_at(sheet)[knife] == (
        "Cut 10 × 10 out of piece 1, in the middle: 1/2 from its left edge and 1/2 from its top edge."
    )
    assert sheet.steps[-1].gives == (2,) and sheet.steps[-1].n > knife


def test_a_cut_longer_than_the_arm_goes_by_knife_and_ruler() -> None:
    """A trimmer's arm takes 12 in."""
    long = paper("long", size="13")
    sheet = listed(pieces_of(panel("p", "6", "13", "long"), papers=(long,)), long).sheets[0]
    assert said_at(sheet)[0] == "Set 6 from the left of the sheet, with knife and metal ruler: piece 1."


def test_stripes_keep_their_way_on_the_sheet() -> None:
    """A turned paper lies a quarter turned on the page, so its piece is asked with sides exchanged."""
    stripes = paper("awning", pattern="stripe")
    choice = PaperChoice("awning", turned=True)
    asked = demand(
        pieces_of(Panel("p", "p", None, inches(8), inches(3), choice), papers=(stripes,)), Shelf.of([stripes])
    )
    assert (asked.pieces[0].width, asked.pieces[0].height, asked.pieces[0].turn) == (
        inches(3).units,
        inches(8).units,
        False,
    )


def test_rims_turn_and_mirror_with_the_piece() -> None:
    """Shown with B up, left and right change places. A turned paper is drawn turned clockwise: its left edge is above
    on the page, so that the rim above is on the left of the sheet."""
    rims = Borders(inches(1), inches(2), inches(3), inches(4))
    box = Rect(inches(0), inches(0), inches(10), inches(8))

    def asked(side: str, turned: bool) -> object:
        choice = PaperChoice("awning", side, turned)  # type: ignore[arg-type]
        piece = Piece("p", "p", "panel", "p", box, box, choice, rims)
        return demand([piece], Shelf.of([paper("awning", pattern="stripe")])).pieces[0].gut

    one = inches(1).units
    assert asked("A", False) == (one, 2 * one, 3 * one, 4 * one)
    assert asked("B", False) == (3 * one, 2 * one, one, 4 * one)
    assert asked("A", True) == (2 * one, 3 * one, 4 * one, one)
    assert asked("B", True) == (4 * one, 3 * one, 2 * one, one)


def test_a_paper_of_which_none_is_left_is_still_asked_for() -> None:
    """So that the lack of it is told."""
    none = paper("ink", 0)
    pieces = pieces_of(panel("p", "4", "6", "ink"), papers=(none,))
    plan = plan_cuts(demand(pieces, Shelf.of([none])), 100)
    assert [u.why for u in plan.unplaced] == ["no sheet of its paper is left"]
    told = lacking(plan, pieces, Shelf.of([none]), Ruler())[0].sentence
    assert told == "P, 4 × 6, cannot be cut from Ink (none is left): no sheet of its paper is left."


def test_scraps_of_a_paper_serve_before_its_sheets() -> None:
    """A 4 × 6 mat comes out of the 5 × 7 rest, and no sheet is opened."""
    reeds, rest = paper("reeds"), scrap("rest", "reeds", "5", "7")
    pieces = pieces_of(panel("card", "4", "6", "reeds"), papers=(reeds, rest))
    cuts = listed(pieces, reeds, rest)
    assert [(s.paper, s.of_paper, s.scrap) for s in cuts.sheets] == [("rest", "reeds", True)]


def test_a_sheet_of_b_sides_lies_with_its_b_side_up() -> None:
    """And a branding strip at its left edge is then seen at the right."""
    reeds = replace(paper("reeds"), strip=Strip(Edge.LEFT, parse("1/2")))
    sheet = listed(pieces_of(panel("p", "4", "6", "reeds", "B"), papers=(reeds,)), reeds).sheets[0]
    assert sheet.face == "B" and sheet.strip == Strip(Edge.RIGHT, parse("1/2"))
    assert sheet.pieces[0].rect.right <= inches(12) - parse("1/2")


def test_numbers_go_on_where_another_list_ended() -> None:
    """A second plan for the rest of a page does not use a number twice."""
    reeds = paper("reeds")
    cuts = listed(pieces_of(panel("p", "4", "6", "reeds"), papers=(reeds,)), reeds, first=7)
    assert [p.number for p in cuts.sheets[0].pieces] == [7]


# ---- ticking off -----------------------------------------------------------------------------------


@pytest.fixture
def two_cards() -> CutList:
    reeds = paper("reeds", 1)
    parts = (panel("a", "4", "6", "reeds"), panel("b", "4", "6", "reeds"))
    return listed(pieces_of(*parts, papers=(reeds,)), reeds)


def test_a_cut_brings_the_cuts_before_it_along(two_cards: CutList) -> None:
    """One cannot cut a part that is not there yet."""
    sheet = two_cards.sheets[0]
    last = sheet.steps[-1]
    ticked = progress.tick(sheet, (), last.key, True)
    assert sheet.steps[0].key in ticked and last.key in ticked


def test_a_cut_taken_back_takes_what_hangs_on_it_back(two_cards: CutList) -> None:
    """If the first cut was not made, none was."""
    sheet = two_cards.sheets[0]
    ticked = progress.tick(sheet, {s.key for s in sheet.steps}, sheet.steps[0].key, False)
    assert ticked == frozenset()


def test_pieces_are_done_when_their_cut_is_made(two_cards: CutList) -> None:
    """And what is left are the other parts, large enough to keep."""
    sheet = two_cards.sheets[0]
    everything = {s.key for s in sheet.steps}
    assert progress.done(sheet, ()) == []
    assert len(progress.done(sheet, everything)) == 2
    area = sum(r.area for r in progress.rests(sheet, everything))
    assert area == inches(12).units ** 2 - 2 * inches(4).units * inches(6).units


def test_a_begun_sheet_leaves_the_shelf_and_its_rests_come_back(two_cards: CutList) -> None:
    """The next page sees one sheet less and the scraps of it, of the same paper."""
    sheet = two_cards.sheets[0]
    had = Shelf.of([paper("reeds", 1)])
    after, _ = scraps.after(had, [(two_cards, {s.key for s in sheet.steps})])
    assert after.papers["reeds"].count == 0
    assert len(after.sources("reeds")) > 1
    untouched, _ = scraps.after(had, [(two_cards, ())])
    assert untouched.papers["reeds"].count == 1


def test_a_begun_sheet_is_kept_as_history_and_a_later_one_gets_a_key_of_its_own(two_cards: CutList) -> None:
    """What was cut stays on the list; what was not is planned anew, beside it."""
    sheet = two_cards.sheets[0]
    first = {sheet.steps[0].key}
    kept = progress.settled(sheet, first)
    assert [s.key for s in kept.steps] == list(first) and kept.pieces == ()
    assert sum(r.at.area for r in kept.rests) == inches(12).units ** 2
    (later,) = progress.rekeyed([sheet], {sheet.key})
    assert (later.key, later.copy_number) == ("reeds#2", 2)
    assert all(step.key.startswith("reeds#2/") for step in later.steps)


def test_slivers_and_the_branding_strip_are_no_scraps() -> None:
    """Half an inch is the least that is kept."""
    reeds = paper("reeds", strip="1/2")
    sheet = listed(pieces_of(panel("p", "11 3/4", "11", "reeds"), papers=(reeds,)), reeds).sheets[0]
    rests = progress.rests(sheet, {s.key for s in sheet.steps})
    assert [size(r.width, r.height) for r in rests] in (["11 3/4 × 1/2"], ["12 × 1/2"])


def test_what_the_page_wants_now_is_compared_with_the_list(two_cards: CutList) -> None:
    """A panel that grew is new; the one of its old size is wanted no more."""
    reeds = paper("reeds", 1)
    pieces = pieces_of(panel("a", "4", "6", "reeds"), panel("b", "5", "6", "reeds"), papers=(reeds,))
    new, gone = progress.changes(list(pieces), two_cards)
    assert [p.part for p in new] == ["b"] and [p.name for p in gone] == ["b"]


# ---- what it costs ---------------------------------------------------------------------------------


def test_a_page_says_what_it_opens_and_what_is_left() -> None:
    """A base and a mat: two sheets of two papers, one of each left."""
    papers = (paper("cream"), paper("ink"))
    photo = PhotoPart("p", Print(), (mat("1/8", "ink"),))
    pieces = pieces_of(Base("b", "left", PaperChoice("cream")), photo, papers=papers)
    shelf = Shelf.of(list(papers))
    found = cost(plan_cuts(demand(pieces, shelf), 20_000), pieces, shelf, Ruler())
    assert (found.pieces, found.prints, found.opened) == (2, 1, 2)
    assert [(p.name, p.opened, p.left) for p in found.papers] == [("Cream", 1, 1), ("Ink", 1, 1)]
    ink = found.papers[1].largest_rest
    assert ink is not None and size(ink.width, ink.height) == "7 3/4 × 12"


def test_a_mat_larger_than_its_sheet_is_lacking_with_the_reason() -> None:
    """Told with its size, the sheets there are, and why."""
    ink = paper("ink")
    photo = PhotoPart("p", Print(None, inches(12), inches(12)), (mat("1/4", "ink"),))
    pieces = pieces_of(photo, papers=(ink,))
    plan = plan_cuts(demand(pieces, Shelf.of([ink])), 1_000)
    assert [one.sentence for one in lacking(plan, pieces, Shelf.of([ink]), Ruler())] == [
        "Mat of photo, 12 1/2 × 12 1/2, cannot be cut from Ink (2 of 12 × 12): "
        "it is larger than every sheet it may come from."
    ]
