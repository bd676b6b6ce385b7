"""Many photos printed as one picture."""

from __future__ import annotations

from hypothesis import given
from hypothesis import strategies as st

from tests.core.examples import size
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, inches, parse
from ulna.core.photos.template import Template, TemplateCell, cut_short, cuts, filled, rows


def test_cells_share_what_gaps_and_rim_leave() -> None:
    """4 × 6 in 2 × 2, rim and gaps 1/4 in: each 1 5/8 × 2 5/8."""
    found = rows(Template("t", rows=2, columns=2, gap=parse("1/4"), rim=parse("1/4")))
    assert [size(cell.width, cell.height) for cell in found] == ["1 5/8 × 2 5/8"] * 4
    assert (found[3].x, found[3].y) == (parse("2 1/8"), parse("3 1/8"))


def test_gaps_that_leave_nothing_leave_no_cell() -> None:
    """Said on the screen; there is nothing to draw."""
    assert rows(Template("t", rows=2, columns=20, gap=parse("1/4"))) == []


def test_photos_fill_the_rows_and_lie_at_their_own_places() -> None:
    """Those at their own places lie over the rows; too many for the rows are left out."""
    own = Rect(ZERO, ZERO, inches(1), inches(1))
    cells = (TemplateCell("a"), TemplateCell("b", place=own), TemplateCell("c"), TemplateCell("d"))
    found = filled(Template("t", rows=1, columns=2, cells=cells))
    assert [cell.photo for cell, _ in found] == ["a", "c", "b"] and found[-1][1] == own


def test_it_is_cut_apart_on_both_sides_of_each_gap() -> None:
    """2 × 1 on 4 × 6, rim and gap 1/4: at 1/4, 1 7/8, 2 1/8, 3 3/4 from the left, 1/4 and 5 3/4 from the top."""
    across, down = cuts(Template("t", rows=1, columns=2, gap=parse("1/4"), rim=parse("1/4")))
    assert across == [parse(at) for at in ("1/4", "1 7/8", "2 1/8", "3 3/4")]
    assert down == [parse("1/4"), parse("5 3/4")]
    touching = cuts(Template("t", rows=1, columns=2, gap=ZERO, rim=ZERO))
    assert touching == ([inches(2)], [])


@given(st.integers(1, 9), st.integers(1, 9), st.integers(0, 8), st.integers(0, 8))
def test_no_error_adds_up(down: int, across: int, gap: int, rim: int) -> None:
    """The last cell ends at the rim to the unit, and neighbours are a gap apart."""
    template = Template("t", rows=down, columns=across, gap=inches(0, gap, 16), rim=inches(0, rim, 16))
    found = rows(template)
    if found:
        assert found[-1].right == template.width - template.rim
        assert found[-1].bottom == template.height - template.rim
        for k in range(1, across):
            assert found[k].x - found[k - 1].right == template.gap


def test_a_photo_spans_places_and_those_after_it_go_on_behind_it() -> None:
    """3 × 2 on 4 × 6 without rim and gap, places of 1 1/3 × 3: the first spans two across, so three places are left
    after it and its own; a span of three is cut short by the edge."""
    wide = TemplateCell("a", across=2)
    found = rows(Template("t", rows=2, columns=3, gap=ZERO, rim=ZERO, cells=(wide,)))
    assert len(found) == 5 and (found[0].x, found[0].right) == (ZERO, inches(4).part(2, 3))
    assert (found[1].x, found[1].right) == (inches(4).part(2, 3), inches(4))
    tall = rows(Template("t", rows=2, columns=2, gap=parse("1/4"), rim=ZERO, cells=(TemplateCell("a", down=3),)))
    assert [size(cell.width, cell.height) for cell in tall] == ["1 7/8 × 6", "1 7/8 × 2 7/8", "1 7/8 × 2 7/8"]


def test_no_cut_goes_through_a_photo_that_spans() -> None:
    """Of 2 × 2 with the left side in one: the level cut between the rows would part it."""
    across, down = cuts(Template("t", rows=2, columns=2, gap=ZERO, rim=ZERO, cells=(TemplateCell("a", down=2),)))
    assert (across, down) == ([inches(2)], [])


@given(
    st.lists(st.builds(TemplateCell, st.just("a"), across=st.integers(1, 4), down=st.integers(1, 4)), max_size=9)
)
def test_whatever_spans_no_two_photos_lie_on_each_other_and_all_of_it_is_covered(cells: list[TemplateCell]) -> None:
    """4 × 4 without gaps on 4 × 6: the places share out 24 square inches."""
    found = rows(Template("t", rows=4, columns=4, gap=ZERO, rim=ZERO, cells=tuple(cells)))
    assert sum(cell.area for cell in found) == inches(4).units * inches(6).units
    assert not any(one.meets(other) for k, one in enumerate(found) for other in found[:k])


def test_a_span_that_finds_no_room_is_told() -> None:
    """The second of two columns cannot go over two."""
    cells = (TemplateCell("a"), TemplateCell("b", across=2))
    assert cut_short(Template("t", rows=3, columns=2, cells=cells)) == [
        "Place 2 has room for 1 × 1 places, not for 2 × 1."
    ]
