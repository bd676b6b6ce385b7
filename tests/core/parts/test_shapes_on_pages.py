"""Figures, pockets, rows and rings, cards, tape, and mats that are turned, pieced or follow a shape."""

from __future__ import annotations

import math
from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.core.examples import ground, mat, paper, said, scrap, size, worked
from ulna.core.cutting.demand import demand
from ulna.core.geometry.figures import FIGURES, Hole, outline, scallops
from ulna.core.geometry.polygons import area, bounds
from ulna.core.geometry.rects import Borders, Rect
from ulna.core.measure import ZERO, Ruler, inches, parse
from ulna.core.page.arranging import mirrored
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.page_formats import of_kind
from ulna.core.paper.shelf import Card as SheetCard
from ulna.core.paper.shelf import Shelf
from ulna.core.parts.kinds.card import Card
from ulna.core.parts.kinds.cutout import Cutout
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.kinds.pocket import Pocket
from ulna.core.parts.kinds.rounds import Rounds, count_of
from ulna.core.parts.kinds.tape import Tape
from ulna.core.parts.mats import Mat
from ulna.core.parts.opening import Opening
from ulna.core.parts.pieces import PaperChoice
from ulna.core.parts.place import Across, Down, Place
from ulna.core.photos.prints import Print
from ulna.core.planner import plan_cuts
from ulna.core.things.thing import Thing, ThingKind

A = PaperChoice("a")


@pytest.mark.parametrize("figure", FIGURES)
@given(st.floats(0.5, 6), st.floats(0.5, 6), st.floats(0, 1))
def test_every_figure_fills_its_box(figure: str, w: float, h: float, cut: float) -> None:
    """It touches its box on all sides and reaches nowhere beyond."""
    line = outline(figure, w, h, cut)  # type: ignore[arg-type]
    assert bounds(line) == pytest.approx((0, 0, w, h), abs=0.02)
    assert 0 < area(line) <= w * h + 1e-9


@pytest.mark.parametrize(
    ("figure", "share"),
    [("rectangle", 1), ("pennant", 1 / 2), ("triangle", 1 / 2), ("on the tip", 1 / 2), ("circle", math.pi / 4)],
)
def test_how_much_of_its_box_a_figure_is(figure: str, share: float) -> None:
    assert area(outline(figure, 4, 4)) == pytest.approx(16 * share, rel=0.001)  # type: ignore[arg-type]


def test_clipped_corners_and_a_v_cut_take_their_measure_off() -> None:
    """A tag of 2 × 3 with 1/2 clipped loses two triangles of 1/8; a banner with a cut of 1/2 one of 1/2."""
    assert area(outline("tag", 2, 3, 0.5)) == pytest.approx(6 - 0.25)
    assert area(outline("banner", 2, 3, 0.5)) == pytest.approx(6 - 0.5)


@pytest.mark.parametrize(("length", "wanted", "n"), [(6, 0.5, 12), (5, 0.75, 7), (2, 5, 1)])
def test_whole_scallops_go_along_a_length(length: float, wanted: float, n: int) -> None:
    """As many as come nearest to the wanted width, and that width is solved for."""
    assert scallops(length, wanted) == (n, length / n)


def test_a_half_figure_is_just_that_half_in_its_own_box() -> None:
    """The upper half of a circle of 4 is 4 wide and 2 high: half its area, flat below; its mirror is the lower half."""
    half = Cutout("c", "circle", parse("4"), parse("2"), half="top")
    (piece,) = worked(half).pieces
    assert piece.name == "half circle" and piece.figure == ""
    assert bounds(piece.seen) == pytest.approx((0, 0, 4, 2), abs=1e-6)
    assert area(piece.seen) == pytest.approx(area(outline("circle", 4, 4)) / 2)
    assert mirrored(half, "down") == replace(half, half="bottom")


def test_a_scalloped_round_has_whole_scallops_and_fills_its_box() -> None:
    """About 5/8 on a round of 3: π × 3 / 5/8 is 15.08, so fifteen."""
    part = Cutout("c", "scalloped round", parse("3"), parse("3"), parse("5/8"))
    built = worked(part)
    assert "15 scallops round it" in built.arithmetic
    assert bounds(built.pieces[0].seen) == pytest.approx((0, 0, 3, 3))


def test_a_tag_has_its_hole_and_two_reinforcers() -> None:
    built = worked(Cutout("t", hole=parse("1/2"), reinforced=True, choice=A, ring=A))
    assert [p.name for p in built.pieces] == ["tag", "reinforcer behind", "reinforcer"]
    assert len(built.pieces[0].holes) == 1
    torn = worked(Cutout("t", hole=parse("1/8"), choice=A))
    assert torn.findings[0].code == "hole" and torn.pieces[0].holes == ()


def test_a_pocket_says_how_wide_what_goes_in_may_be() -> None:
    """4 in with a seam of 1/8: 4 − 1/4 − 1/4 = 3 1/2; it stands out an inch at the top."""
    built = worked(Pocket("p", choice=A, inside=A))
    inside, pocket = built.pieces
    assert size(inside.rect.width, inside.rect.height) == "3 1/2 × 3 7/8"
    assert pocket.rect.y == inches(1) and built.arithmetic.startswith(
        "4 × 3; 4 − 2 × 1/8 − 1/4 = 3 1/2 wide inside"
    )
    (told,) = worked(Pocket("p", width=parse("1/2"))).findings
    assert told.severity == "stop" and "leaves no room inside" in told.sentence


def test_tags_wider_than_their_pocket_are_told_with_what_would_do() -> None:
    """A tag of 3 3/4 wants a pocket of 3 3/4 + 1/4 + 1/4 = 4 1/4; five of them are 4/64 thicker, so 1/8 more."""
    (told,) = worked(Pocket("p", choice=A, inside=A, tag_width=parse("3 3/4"))).findings
    assert told.sentence == "The tag is 3 3/4 wide and the pocket takes 3 1/2."
    assert [r.says for r in told.remedies] == ["Make the pocket 4 1/4 wide", "Make it 3 1/2 wide"]
    five = worked(Pocket("p", choice=A, inside=A, tags=5))
    assert size(five.pieces[0].rect.width, five.pieces[0].rect.height) == "3 3/8 × 3 7/8"
    assert [p.name for p in five.pieces][1] == "what goes in, 2" and len(five.pieces) == 6
    (told,) = worked(Pocket("p", choice=A, inside=A, tags=5, tag_width=parse("3 3/4"))).findings
    assert told.remedies[0].says == "Make the pocket 4 3/8 wide"


@pytest.mark.parametrize(
    ("path", "n", "apart"),
    [("row", 9, "3/4"), ("column", 9, "3/4"), ("ring", 25, "3/4"), ("round the edge", 32, "3/4")],
)
def test_a_row_closes_with_a_whole_number(path: str, n: int, apart: str) -> None:
    """About 3/4 apart along 6 in: eight gaps; round a ring of 6 in 25; round a square of 6 in 32."""
    built = worked(Rounds("r", path=path, papers=(A,)))  # type: ignore[arg-type]
    assert len(built.pieces) == n and f"{apart} from middle to middle" in built.arithmetic


@given(st.floats(1, 60), st.floats(0.1, 5))
def test_the_pitch_of_a_closed_path_is_near_what_was_wanted(length: float, pitch: float) -> None:
    n = count_of(length, pitch)
    assert n >= 1 and (n == 1 or abs(length / n - pitch) <= pitch / 2)


def test_figures_that_overlap_are_told_and_a_ring_may_face_outward() -> None:
    assert worked(Rounds("r", size=inches(1), pitch=parse("1/2"))).findings[0].code == "overlap"
    turned = worked(Rounds("r", "pennant", path="ring", outward=True))
    assert len({p.angle for p in turned.pieces}) == len(turned.pieces)
    assert worked(Rounds("r", length=inches(100), pitch=parse("1/16"))).findings[0].severity == "stop"


# ---- cards -------------------------------------------------------------------------------------------

CARDS = replace(
    paper("cards"),
    cards=(
        SheetCard("sun", Rect(inches(4), ZERO, inches(4), inches(3))),
        SheetCard("far", Rect(inches(9), inches(1), inches(3), inches(4))),
    ),
)


def test_a_card_is_cut_from_its_place_alone() -> None:
    """The front at its place; the back, seen from B, where the sheet is mirrored; asked for as seen from A."""
    on = ground(None, CARDS)
    for back, x in ((False, 4), (True, 12 - 8)):
        page = evaluate(PagePlan("p", parts=(Card("c", "cards", "sun", back),)), on)
        (piece,) = page.pieces
        assert piece.pin is not None and piece.pin.x == inches(x) and piece.choice.side == ("B" if back else "A")
        (asked,) = demand(page.pieces, on.shelf).pieces
        assert asked.pin is not None and asked.pin.x == inches(4).units and asked.sources == {"cards"}
        assert not plan_cuts(demand(page.pieces, on.shelf), 1000).unplaced


def test_a_frame_is_made_from_a_card() -> None:
    """Its middle cut out, a photo behind: the card stays pinned to its place, and says what it is."""
    opening = Opening(width=inches(2), height=inches(2), print=Print(None, inches(3), inches(3)))
    framed = Card("c", "cards", "sun", openings=(opening,))
    photo, card = worked(framed, ground(None, CARDS)).pieces
    assert photo.role == "print" and card.holes and card.pin is not None
    assert "with an opening of 2 × 2 and photo behind it" in said(framed, ground(None, CARDS))


def test_front_and_back_of_a_card_cannot_both_be_had_from_one_sheet() -> None:
    on = ground(None, replace(CARDS, count=1))
    parts = (Card("c", "cards", "sun"), Card("d", "cards", "sun", back=True))
    asked = demand(evaluate(PagePlan("p", parts=parts), on).pieces, on.shelf)
    assert len(plan_cuts(asked, 1000).unplaced) == 1


def test_a_card_over_the_gutter_is_two_pieces_of_the_same_place() -> None:
    format = of_kind("12x12", 2)
    over = Card("c", "cards", "sun", place=Place("spread", Across("left", inches(11)), Down("top", inches(1))))
    left, right = evaluate(PagePlan("p", format, parts=(over,)), ground(format, CARDS)).pieces
    assert left.pin == Rect(inches(4), ZERO, inches(1), inches(3))
    assert right.pin == Rect(inches(5), ZERO, inches(3), inches(3))


def test_a_card_that_is_not_there_is_told() -> None:
    assert worked(Card("c")).findings[0].sentence == "Choose a sheet and one of its cards."
    assert (
        "not on its sheet any more" in worked(Card("c", "cards", "moon"), ground(None, CARDS)).findings[0].sentence
    )
    assert said(Card("c", "cards", "sun"), ground(None, CARDS)).startswith("Card sun, 4 × 3, from Cards")


def test_a_hole_in_a_scrap_is_kept_clear() -> None:
    """A scrap of 6 × 6 with a hole of 2 × 2 in its corner gives 4 × 6, and no 5 × 5."""
    holed = replace(paper("a", 1, size="6"), holes=(Hole(ZERO, ZERO, inches(2), inches(2)),))
    for height, fits in (("6", True), ("5", False)):
        width = "4" if fits else "5"
        cut = Cutout("c", "rectangle", parse(width), parse(height), choice=A)
        on = ground(None, holed)
        asked = demand(evaluate(PagePlan("p", parts=(cut,)), on).pieces, on.shelf)
        assert bool(plan_cuts(asked, 1000).unplaced) is not fits


# ---- tape --------------------------------------------------------------------------------------------


def test_tape_counts_half_an_inch_for_each_end_that_is_wrapped() -> None:
    built = worked(Tape("t"))
    assert built.arithmetic == "12 + 2 × 1/2 wrapped = 13 of tape"
    assert worked(Tape("t", length=inches(4), wrapped=0)).arithmetic == "4 = 4 of tape"
    assert not built.pieces[0].is_paper


def test_tape_beyond_what_the_roll_has_is_told() -> None:
    on = ground()
    on = replace(on, shelf=Shelf.of([], [Thing("roll", "Ledger tape", ThingKind.TAPE, 1, inches(10))]))
    (told,) = [
        f for f in evaluate(PagePlan("p", parts=(Tape("t", "roll"),)), on).findings if f.code == "tape-short"
    ]
    assert told.sentence == "It takes 13 of Ledger tape, and 10 is there."
    assert worked(Tape("t", "gone"), on).findings[0].code == "thing-gone"


# ---- mats --------------------------------------------------------------------------------------------


def test_a_turned_mat_is_cut_square_all_the_same() -> None:
    """A quarter inch round 4 × 6, turned 5°: cut 4 1/2 × 6 1/2."""
    built = worked(PhotoPart("p", Print(), (replace(mat("1/4"), angle=5.0),)))
    assert (
        built.pieces[0].angle == 5
        and size(built.pieces[0].rect.width, built.pieces[0].rect.height) == "4 1/2 × 6 1/2"
    )
    assert "turned 5° right" in said(PhotoPart("p", Print(), (replace(mat("1/4"), angle=5.0),)))


def test_a_pieced_mat_is_four_strips_of_which_the_rim_shows() -> None:
    """Round 4 × 6 with 1/4 and a lap of 3/8: two of 4 1/2 × 5/8, two of 5/8 × 5 1/4 (6 less twice the lap)."""
    built = worked(PhotoPart("p", Print(), (replace(mat("1/4"), pieced=True),)))
    sizes = [size(p.rect.width, p.rect.height) for p in built.pieces[:4]]
    assert sizes == ["4 1/2 × 5/8", "4 1/2 × 5/8", "5/8 × 5 1/4", "5/8 × 5 1/4"]


def test_a_mat_pieced_from_any_scraps_counts_its_seams() -> None:
    """A ring of 1/4 with a lap of 3/8 round 4 × 6 takes strips 5/8 deep, two of 4 1/2 and two of 5 1/4. Of scraps of
    3 × 1 and 5 × 1 the short ones come in one length, the long ones in two: a seam each."""
    one = Mat(Borders.even(parse("1/4")), PaperChoice("a"), pieced=True, any_scraps=True)
    shelf = ground(None, paper("a"), scrap("s1", "a", "3", "1"), scrap("s2", "a", "5", "1"))
    built = worked(PhotoPart("p", Print(None), (one,)), shelf)
    strips = [size(p.rect.width, p.rect.height) for p in built.pieces if p.role == "mat"]
    assert strips == ["4 1/2 × 5/8", "4 1/2 × 5/8", "5/8 × 5", "5/8 × 1/4", "5/8 × 5", "5/8 × 1/4"]
    assert any(f.sentence.startswith("Mat 1 has 2 seams beside its corners") for f in built.findings)
    whole = worked(PhotoPart("p", Print(None), (one,)), ground(None, paper("a")))
    assert len(whole.pieces) == 5 and not whole.findings, "without scraps four strips from a sheet"


def test_a_sliver_peeks_out_on_one_side_or_two() -> None:
    sliver = Mat(Borders(ZERO, ZERO, parse("1/8"), parse("1/8")))
    built = worked(PhotoPart("p", Print(), (sliver,)))
    assert size(built.width, built.height) == "4 1/8 × 6 1/8" and built.pieces[1].rect.x == ZERO


@pytest.mark.parametrize("shape", ["circle", "hexagon", "arch", "on the tip"])
def test_a_mat_under_a_shaped_print_has_that_shape(shape: str) -> None:
    """With an even border all round; the box it is cut from holds it."""
    print_ = Print(None, inches(4), inches(4), shape=shape)  # type: ignore[arg-type]
    mat_, _ = worked(PhotoPart("p", print_, (mat("1/4"),))).pieces
    left, top, right, bottom = bounds(mat_.outline)
    assert mat_.outline and left >= -1e-6 and top >= -1e-6
    assert right <= mat_.rect.width.inches + 1e-6 and bottom <= mat_.rect.height.inches + 1e-6
    assert mat_.gut is None and Ruler().on_mark(mat_.rect.width)
