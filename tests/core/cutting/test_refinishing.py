"""A page that moves on after its pieces are cut: openings and outlines follow without new paper, while they can."""

from __future__ import annotations

from dataclasses import replace

from tests.core.cutting.lists import listed, panel, pieces_of
from tests.core.examples import paper
from ulna.core.cutting import progress
from ulna.core.cutting.cut_list import CutList
from ulna.core.cutting.refinishing import refinished
from ulna.core.measure import Ruler, inches
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.opening import Opening
from ulna.core.parts.pieces import Piece
from ulna.formats.documents import read, written

REEDS = paper("reeds", 2)
CARD = panel("card", "6", "8", "reeds")
ROUND = replace(CARD, openings=(Opening("circle", None, inches(3), inches(3)),))
MOVED = replace(CARD, openings=(Opening("circle", None, inches(3), inches(3), across=inches(1)),))


def drawn(part: Panel) -> dict[str, Piece]:
    return {p.id: p for p in pieces_of(part, papers=(REEDS,))}


def kinds(cuts: CutList) -> list[str]:
    return [step.kind for step in cuts.sheets[0].steps]


def kept(cuts: CutList) -> CutList:
    """As it comes back from the store, outlines rounded."""
    return read(CutList, written(cuts))


def test_an_opening_cut_into_a_piece_that_is_there_asks_for_no_paper() -> None:
    cuts = listed(tuple(drawn(CARD).values()), REEDS)
    ticked = {step.key for step in cuts.sheets[0].steps}
    now, otherwise = refinished(kept(cuts), ticked, drawn(ROUND), Ruler(), ())
    assert kinds(now) == [*kinds(cuts), "open"] and not otherwise
    assert progress.changes(tuple(drawn(ROUND).values()), now, otherwise) == ([], [])
    assert progress.finished(now.sheets[0], ticked) == [], "it is cut, and its opening is to come"
    assert [rest.inside is not None for rest in now.sheets[0].rests].count(True) == 1, "its middle has a name"


def test_an_opening_that_is_not_cut_yet_moves_and_closes_with_the_page() -> None:
    cuts = listed(tuple(drawn(ROUND).values()), REEDS)
    ticked = {step.key for step in cuts.sheets[0].steps if step.kind == "cut"}
    now, otherwise = refinished(kept(cuts), ticked, drawn(MOVED), Ruler(), ())
    (hole,) = [step.hole for step in now.sheets[0].steps if step.kind == "open"]
    assert (hole.x, otherwise) == (inches(2, 1, 2), frozenset())
    closed, _ = refinished(kept(cuts), ticked, drawn(CARD), Ruler(), ())
    assert "open" not in kinds(closed)


def test_an_opening_that_is_cut_elsewhere_makes_it_another_piece() -> None:
    cuts = listed(tuple(drawn(ROUND).values()), REEDS)
    ticked = {step.key for step in cuts.sheets[0].steps}
    now, otherwise = refinished(kept(cuts), ticked, drawn(MOVED), Ruler(), ())
    new, gone = progress.changes(tuple(drawn(MOVED).values()), now, otherwise)
    assert [p.name for p in new] == [p.name for p in gone] == ["card"]


def test_a_page_that_did_not_change_leaves_its_list_as_it_is() -> None:
    cuts = kept(listed(tuple(drawn(ROUND).values()), REEDS))
    assert refinished(cuts, (), drawn(ROUND), Ruler(), ()) == (cuts, frozenset())
