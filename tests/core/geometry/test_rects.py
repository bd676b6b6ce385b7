"""Rectangles on a page, and a photographed sheet laid flat."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ulna.core.geometry.rects import Borders, Rect, perspective
from ulna.core.measure import ZERO, Length, inches

marks = st.integers(0, 192).map(lambda n: inches(0, n, 16))
sizes = st.integers(1, 192).map(lambda n: inches(0, n, 16))
rects = st.builds(Rect, marks, marks, sizes, sizes)


def at(x: int, y: int, width: int, height: int) -> Rect:
    return Rect(inches(x), inches(y), inches(width), inches(height))


def test_touching_edges_share_nothing() -> None:
    """Two pieces side by side do not overlap; a hair closer and they do."""
    assert not at(0, 0, 4, 6).meets(at(4, 0, 4, 6))
    assert at(0, 0, 4, 6).meets(Rect(inches(4) - Length(1), ZERO, inches(4), inches(6)))


def test_a_rectangle_contains_itself() -> None:
    """And what lies on its edges, but nothing that hangs over."""
    assert at(0, 0, 4, 6).contains(at(0, 0, 4, 6))
    assert at(0, 0, 4, 6).contains(at(1, 1, 3, 5))
    assert not at(0, 0, 4, 6).contains(at(1, 1, 4, 5))


@given(rects, st.integers(1, 191))
def test_the_halves_of_a_cut_add_up(rect: Rect, share: int) -> None:
    """Side by side they are the whole again, wherever it is cut."""
    line = rect.x + rect.width.part(share, 192)
    if not rect.x < line < rect.right:
        return
    left, right = rect.split(line)
    assert left.width + right.width == rect.width
    assert left.right == right.x == line
    assert (left.y, left.height) == (right.y, right.height) == (rect.y, rect.height)


def test_a_line_beside_a_rectangle_does_not_cut_it() -> None:
    """Nonsense is refused, not mended."""
    with pytest.raises(ValueError, match="does not pass through"):
        at(0, 0, 4, 6).split(inches(4))


@given(rects, rects)
def test_meeting_goes_both_ways(a: Rect, b: Rect) -> None:
    """If one lies over the other, so does the other over the one."""
    assert a.meets(b) == b.meets(a)
    if a.contains(b):
        assert a.meets(b)


def test_borders_add_up_across_and_down() -> None:
    """Left and right across, above and below down."""
    b = Borders(inches(1), inches(2), inches(3), inches(4))
    assert (b.across, b.down, b.least, b.is_even) == (inches(4), inches(6), inches(1), False)
    assert Borders.even(inches(2)).is_even


@given(st.lists(st.floats(0, 0.2), min_size=8, max_size=8))
def test_every_corner_of_the_sheet_comes_from_its_corner_in_the_photograph(d: list[float]) -> None:
    """Whatever the slant, the flat corners map onto the four that were marked."""
    spots = [
        (100 + 100 * d[0], 100 + 100 * d[1]),
        (500 - 100 * d[2], 100 + 100 * d[3]),
        (500 - 100 * d[4], 500 - 100 * d[5]),
        (100 + 100 * d[6], 500 - 100 * d[7]),
    ]
    a, b, c, e, f, g, h, i = perspective(spots, 300, 200)
    for (x, y), (u, v) in zip([(0, 0), (300, 0), (300, 200), (0, 200)], spots, strict=True):
        depth = h * x + i * y + 1
        assert ((a * x + b * y + c) / depth, (e * x + f * y + g) / depth) == (pytest.approx(u), pytest.approx(v))


@pytest.mark.parametrize(
    "spots",
    [
        [(0.0, 0.0), (100.0, 100.0), (200.0, 200.0), (0.0, 200.0)],
        [(0.0, 0.0), (0.0, 200.0), (200.0, 200.0), (200.0, 0.0)],
        [(0.0, 0.0), (200.0, 200.0), (200.0, 0.0), (0.0, 200.0)],
        [(5.0, 5.0)] * 4,
    ],
    ids=["on a line", "the wrong way round", "crossed", "all in one place"],
)
def test_corners_that_are_no_sheets_are_refused(spots: list[tuple[float, float]]) -> None:
    """There would be nothing to lay flat."""
    with pytest.raises(ValueError, match="corners"):
        perspective(spots, 100, 100)
