"""Page formats: what is on which page, and where the gutter lies."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.core.examples import size
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, inches, parse
from ulna.core.page_formats import KINDS, PageFormat, of_kind

MARK = inches(0, 1, 16)


@pytest.mark.parametrize(
    ("kind", "pages", "whole"),
    [
        ("12x12", 1, "12 × 12"),
        ("12x12", 2, "24 × 12"),
        ("letter-upright", 1, "8 1/2 × 11"),
        ("letter-lying", 2, "22 × 8 1/2"),
        ("notebook", 2, "8 1/2 × 8 1/4"),
        ("notebook-pocket", 1, "3 1/2 × 5"),
    ],
)
def test_two_pages_lie_side_by_side(kind: str, pages: int, whole: str) -> None:
    """A double page is twice as wide and as tall as one."""
    format = of_kind(kind, pages)
    assert size(format.whole.width, format.whole.height) == whole


def test_the_gutter_lies_where_the_left_page_ends() -> None:
    """12 in from the left of a double 12 × 12; a single page has none."""
    assert of_kind("12x12", 2).gutter == inches(12)
    assert of_kind("12x12").gutter is None


def test_both_pages_of_a_single_are_that_page() -> None:
    """So that a part keeps its page when a double becomes a single."""
    single = of_kind("12x12")
    assert single.page("left") == single.page("right") == single.page("spread") == single.whole


def test_an_own_size_is_any_size() -> None:
    """6 × 8 in, in an album of one's own, or A5 in millimetres."""
    a5 = PageFormat("own", parse("148 mm"), parse("210 mm"), 2)
    assert a5.page("right") == Rect(parse("148 mm"), ZERO, parse("148 mm"), parse("210 mm"))


@given(st.sampled_from(sorted(KINDS)), st.integers(0, 30 * 16), st.integers(1, 12 * 16))
def test_a_box_is_on_the_page_that_holds_it_whole(kind: str, across: int, width: int) -> None:
    """Touching the gutter is not crossing it; what crosses it is on the spread."""
    format = of_kind(kind, 2)
    box = Rect(MARK * across, ZERO, MARK * width, inches(1))
    name = format.page_of(box)
    crosses = box.x < format.width < box.right
    assert (name == "spread") == crosses
    if name == "left":
        assert box.right <= format.page("left").right
    if name == "right":
        assert box.x >= format.page("right").x


@given(st.sampled_from(sorted(KINDS)))
def test_left_and_right_make_the_whole(kind: str) -> None:
    """Without a gap between them and without an overlap."""
    format = of_kind(kind, 2)
    left, right = format.page("left"), format.page("right")
    assert left.right == right.x and left.width + right.width == format.whole.width
    assert left.height == right.height == format.whole.height
    assert left.area + right.area == format.whole.area
