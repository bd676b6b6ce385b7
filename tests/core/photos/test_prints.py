"""A print: its shape, its rim, what is cut off it later."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.core.examples import HERON, ground, mat, size, worked
from ulna.core.geometry.shapes import SHAPES, Shape, fitted, outline, path, seen_size
from ulna.core.measure import Length, Ruler, inches, parse
from ulna.core.page_formats import of_kind
from ulna.core.parts.kinds.photo import PhotoPart, filling
from ulna.core.parts.place import Place
from ulna.core.photos.prints import Print, words

EIGHTH = parse("1/8")


def test_a_rim_lies_inside_the_print() -> None:
    """1/8 in all round makes the picture of a 4 × 6 print 3 3/4 × 5 3/4."""
    assert size(*Print(rim=EIGHTH).seen) == "3 3/4 × 5 3/4"
    assert size(*Print(rim=EIGHTH).lies) == "4 × 6"


def test_a_rim_may_be_heavier_below() -> None:
    """3 1/2 × 4 1/4 with 1/8 round and 3/4 below leaves a picture of 3 1/4 × 3 3/8 in its upper part."""
    print_ = Print(width=parse("3 1/2"), height=parse("4 1/4"), rim=EIGHTH, below=parse("3/4"))
    assert size(*print_.seen) == "3 1/4 × 3 3/8"
    assert (print_.window.x, print_.window.y) == (EIGHTH, EIGHTH)


def test_a_rim_cut_off_later_makes_the_print_smaller() -> None:
    """The 4 × 6 with its rim is 3 3/4 × 5 3/4 then, the picture from edge to edge."""
    print_ = Print(rim=EIGHTH, rim_off=True)
    assert size(*print_.lies) == "3 3/4 × 5 3/4"
    assert (print_.window.x, print_.window.y) == (Length(0), Length(0))


def test_trimming_takes_from_every_side() -> None:
    """By 1/4 in: 4 × 6 becomes 3 1/2 × 5 1/2, and the picture is seen from 1/4 in further in."""
    print_ = Print(trim=parse("1/4"))
    assert size(*print_.lies) == "3 1/2 × 5 1/2"
    assert (print_.window.x, print_.window.width) == (-parse("1/4"), inches(4))


def test_the_page_says_what_is_cut_and_lays_the_rest() -> None:
    """Its mat goes round what lies on the page."""
    built = worked(
        PhotoPart("p", Print("heron", rim=EIGHTH, rim_off=True), (mat("1/4"),)), ground(photos={"heron": HERON})
    )
    assert built.arithmetic == "4 × 6 cut to 3 3/4 × 5 3/4 + 2 × 1/4 = 4 1/4 × 6 1/4"
    assert built.pieces[-1].printed is not None


def test_a_print_of_which_nothing_is_left_is_told() -> None:
    """And is not there."""
    built = worked(PhotoPart("p", Print(trim=inches(2))), ground())
    assert built.pieces == ()
    assert [f.sentence for f in built.findings] == [
        "Nothing is left of a 4 × 6 print once it is cut; cut less off it."
    ]


@pytest.mark.parametrize(
    ("shape", "asked", "made"),
    [
        ("circle", ("4", "6"), "4 × 4"),
        ("on the tip", ("5", "4"), "4 × 4"),
        ("hexagon", ("3", "3"), "3 × 3 7/16"),
        ("arch", ("4", "2"), "4 × 4"),
        ("rectangle", ("4", "6"), "4 × 6"),
    ],
)
def test_a_shape_is_regular_in_its_box(shape: Shape, asked: tuple[str, str], made: str) -> None:
    """A hexagon 3 in wide is 2/√3 as high: 3.464 in, on the mark 3 7/16."""
    found = fitted(shape, parse(asked[0]), parse(asked[1]), Ruler().mark)
    assert size(*found) == made


def test_the_rim_of_a_shape_is_even() -> None:
    """A circle of 4 in loses the rim on each side; a square on a corner √2 of it at each corner."""
    assert seen_size("circle", inches(4), inches(4), EIGHTH)[0].inches == pytest.approx(3.75)
    assert seen_size("on the tip", inches(4), inches(4), EIGHTH)[0].inches == pytest.approx(4 - math.sqrt(2) / 4)


@given(st.sampled_from(SHAPES), st.floats(1, 12), st.floats(1, 12), st.floats(0, 0.4))
def test_every_corner_of_the_picture_keeps_the_rim_from_the_edge(
    shape: Shape, w: float, h: float, rim: float
) -> None:
    """Measured from each edge of the shape, straight across."""
    inner, edge = outline(shape, w, h, rim), outline(shape, w, h)
    for x, y in inner:
        assert -1e-9 <= x <= w + 1e-9 and -1e-9 <= y <= h + 1e-9
        if shape in ("hexagon", "on the tip", "rectangle"):
            for (x1, y1), (x2, y2) in zip(edge, [*edge[1:], edge[0]], strict=True):
                far = ((x2 - x1) * (y - y1) - (y2 - y1) * (x - x1)) / math.hypot(x2 - x1, y2 - y1)
                assert far >= rim - 1e-6


def test_an_outline_is_a_path() -> None:
    """In inches, closed."""
    assert path(outline("on the tip", 2, 2)) == "M1 0L2 1L1 2L0 1Z"
    assert outline("circle", 1, 1, 0.6) == [] and path([]) == ""


def test_a_print_is_said_with_all_that_is_special() -> None:
    """As one would order it."""
    print_ = Print(rim=EIGHTH, below=parse("1/2"), tone="black and white", rim_off=True, trim=parse("1/16"))
    assert words(print_, Ruler()) == (
        "4 × 6 upright, black and white, rim 1/8 and 1/2 below, rim cut off, trimmed by 1/16"
    )
    assert words(Print(width=inches(4), height=inches(4), shape="circle"), Ruler()) == "4 × 4 circle"


def test_a_photo_can_be_the_whole_page() -> None:
    """Or the spread: as large as that, without mats, its corner on the page's."""
    part = PhotoPart("p", Print("heron", rim=EIGHTH, trim=EIGHTH), (mat("1/4"),))
    spread = filling(part, "spread", of_kind("12x12", 2))
    assert size(*spread.print.lies) == "24 × 12"
    assert (spread.mats, spread.place) == ((), Place("spread"))
    assert size(*filling(part, "right", of_kind("notebook", 2)).print.lies) == "4 1/4 × 8 1/4"
