"""From the recipe to the pieces: placed on marks, cut at the gutter, told what is wrong."""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.core.examples import HERON, ground, mat, paper, size
from ulna.core.errors import NotOnShelf
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Ruler, inches, parse
from ulna.core.page.evaluate import evaluate
from ulna.core.page.moving import move
from ulna.core.page.plan import PagePlan
from ulna.core.page_formats import of_kind
from ulna.core.parts.kinds.base import Base
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.pieces import PaperChoice
from ulna.core.parts.place import Across, Down, Place, says
from ulna.core.photos.prints import Print

DOUBLE = of_kind("12x12", 2)


def spread_of(*parts: object) -> PagePlan:
    return PagePlan("Locks", DOUBLE, parts=parts)  # type: ignore[arg-type]


def over_the_gutter(gutted: bool = False) -> PhotoPart:
    """A 6 × 4 print on a 1/4 in mat, in the middle of the spread."""
    print_ = Print("heron", inches(6), inches(4))
    return PhotoPart("p", print_, (mat("1/4", "ink", gutted),), Place("spread"))


def test_a_base_is_as_large_as_its_page_and_lies_on_it() -> None:
    """The right base of a double page begins at the gutter."""
    page = evaluate(spread_of(Base("l", "left"), Base("r", "right")), ground(DOUBLE))
    assert [p.rect.x for p in page.pieces] == [ZERO, inches(12)]
    assert [p.name for p in page.pieces] == ["base of the left page", "base of the right page"]


def test_a_piece_over_the_gutter_is_cut_in_two_there() -> None:
    """A 6 1/2 in mat in the middle of the spread becomes two halves of 3 1/4 in; the print two of 3 in."""
    page = evaluate(spread_of(over_the_gutter()), ground(DOUBLE, paper("ink"), photos={"heron": HERON}))
    assert [(p.half, size(p.rect.width, p.rect.height)) for p in page.pieces] == [
        ("left", "3 1/4 × 4 1/2"),
        ("right", "3 1/4 × 4 1/2"),
        ("left", "3 × 4"),
        ("right", "3 × 4"),
    ]
    assert page.pieces[0].rect.right == page.pieces[1].rect.x == inches(12)


def test_the_photo_that_is_cut_is_told_with_the_place_of_the_cut() -> None:
    """Faces want to be an inch away from it."""
    page = evaluate(spread_of(over_the_gutter()), ground(DOUBLE, paper("ink"), photos={"heron": HERON}))
    told = [f.sentence for f in page.findings if f.code == "gutter"]
    assert told == ["Heron is cut at the gutter, 3 from its left edge: 3 × 4 goes left, 3 × 4 right."]


def test_a_gutted_half_has_no_rim_at_the_cut() -> None:
    """Half of a gutted 12 1/2 × 8 1/2 mat keeps 5/8 in on three sides and nothing at the gutter."""
    part = PhotoPart("p", Print(None, inches(12), inches(8)), (mat("1/4", gutted=True),), Place("spread"))
    left, right = evaluate(spread_of(part), ground(DOUBLE)).pieces[:2]
    assert left.gut is not None and right.gut is not None
    assert (left.gut.left, left.gut.right) == (parse("5/8"), ZERO)
    assert (right.gut.left, right.gut.right) == (ZERO, parse("5/8"))


def test_a_part_that_hangs_over_the_edge_says_by_how_much() -> None:
    """A 4 × 6 print whose left edge is 1/2 in off the page."""
    part = PhotoPart("p", Print(), (), Place("left", Across("left", -parse("1/2")), Down("top", inches(1))))
    page = evaluate(PagePlan("x", parts=(part,)), ground())
    assert [f.sentence for f in page.findings] == [
        "It hangs over the left edge by 1/2; move it in, or trim it flush after gluing."
    ]


def test_a_part_wholly_beside_the_page_is_a_stop() -> None:
    """Nothing of it would be seen."""
    part = PhotoPart("p", Print(), (), Place("left", Across("left", inches(13)), Down()))
    page = evaluate(PagePlan("x", parts=(part,)), ground())
    assert [(f.code, f.severity) for f in page.findings] == [("off-page", "stop")]


def test_papers_that_are_missing_or_gone_are_told() -> None:
    """A piece without a paper is a note; one whose paper left the shelf a warning."""
    plan = PagePlan("x", parts=(Base("b"), Panel("p", trim=inches(1), choice=PaperChoice("gone"))))
    assert [f.code for f in evaluate(plan, ground()).findings] == ["no-paper", "paper-gone"]


def test_a_rim_that_covers_the_print_is_told() -> None:
    """Two inches of rim on a 4 in print leave no picture."""
    plan = PagePlan("x", parts=(PhotoPart("p", Print("heron", rim=inches(2))),))
    found = evaluate(plan, ground(photos={"heron": HERON})).findings
    assert found[0].sentence == "A rim of 2 covers the whole print; make it narrower."


def test_too_few_pixels_are_told_with_their_number() -> None:
    """1200 pixels over 12 in are 100 an inch."""
    plan = PagePlan("x", parts=(PhotoPart("p", Print("heron", inches(12), inches(12))),))
    found = evaluate(plan, ground(photos={"heron": HERON})).findings
    assert [f.sentence for f in found] == [
        "Heron has 100 pixels per inch at this size; print it smaller or crop less."
    ]


@pytest.mark.parametrize(
    ("place", "said"),
    [
        (Place(), "centred across, centred down"),
        (Place("left", Across("left", inches(1)), Down("bottom", inches(2))), "1 from the left, 2 from the bottom"),
        (Place("left", Across("centre", -inches(1)), Down("centre", inches(2))),
         "1 left of the centre, 2 below the centre"),
    ],
)  # fmt: skip
def test_a_place_is_said_from_its_edges_or_the_centre(place: Place, said: str) -> None:
    """As one would say it to somebody with a ruler."""
    assert says(place, of_kind("12x12"), Ruler()) == said


@given(st.integers(0, 128), st.integers(0, 96))
def test_a_part_moved_somewhere_lies_there(x: int, y: int) -> None:
    """Whatever edge its place was counted from, it ends where the hand put it."""
    for place in (Place(), Place("left", Across("right", inches(1)), Down("bottom", inches(1)))):
        plan = PagePlan("x", parts=(PhotoPart("p", Print(), (), place),))
        box = Rect(inches(0, x, 16), inches(0, y, 16), inches(4), inches(6))
        moved = move(plan, "p", box, ground())
        assert evaluate(moved, ground()).box("p") == box


def test_moving_over_the_gutter_changes_the_page_it_is_on() -> None:
    """Dragged from the left page to the right one, and then over the gutter."""
    plan = spread_of(PhotoPart("p", Print()))
    for x, on in ((inches(14), "right"), (inches(10), "spread"), (inches(1), "left")):
        moved = move(plan, "p", Rect(x, inches(1), inches(4), inches(6)), ground(DOUBLE))
        assert moved.part("p").place.on == on  # type: ignore[union-attr]


def test_a_base_stays_where_it_is() -> None:
    """It is the page."""
    plan = PagePlan("x", parts=(Base("b"),))
    assert move(plan, "b", Rect(inches(1), inches(1), inches(12), inches(12)), ground()) == plan


def test_a_part_that_is_not_there_cannot_be_moved() -> None:
    """The error names it."""
    with pytest.raises(NotOnShelf, match='no part "q"'):
        move(PagePlan("x"), "q", Rect(ZERO, ZERO, inches(1), inches(1)), ground())


def test_an_odd_centre_is_set_to_the_next_mark_and_told() -> None:
    """A piece 4 1/16 in wide centred on 12 in would begin between two sixteenths."""
    panel = Panel("p", width=parse("4 1/16"), height=inches(4), choice=PaperChoice("ink"))
    page = evaluate(PagePlan("x", parts=(panel,)), ground(None, paper("ink")))
    assert Ruler().on_mark(page.box("p").x)
    assert [f.code for f in page.findings] == ["placed"]


def test_the_order_of_the_recipe_is_the_order_of_the_pieces() -> None:
    """What stands first lies lowest."""
    panel = Panel("a", trim=inches(1))
    plan = PagePlan("x", parts=(panel, replace(panel, id="b")))
    assert [p.part for p in evaluate(plan, ground()).pieces] == ["a", "b"]


def test_parts_that_would_share_a_name_are_told_apart() -> None:
    """By their page where they lie on different ones, else by their number."""
    panels = [Panel(id, place=Place(on)) for id, on in (("a", "left"), ("b", "right"), ("c", "right"))]
    page = evaluate(PagePlan("x", of_kind("12x12", 2), parts=tuple(panels)), ground(of_kind("12x12", 2)))
    assert [part.name for part in page.parts] == ["panel, left page", "panel, right page", "panel, right page 2"]
