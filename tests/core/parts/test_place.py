"""Where a part lies: from an edge or from the centre, always on a mark."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ulna.core.geometry.rects import Rect
from ulna.core.measure import MARKS, Length, Ruler, Unit, inches, parse
from ulna.core.page_formats import PageFormat, of_kind
from ulna.core.parts.place import Across, Down, Place, place_at
from ulna.core.parts.place import position as placed

DOUBLE = of_kind("12x12", 2)
sixteenths = st.integers(-32, 400).map(lambda n: inches(0, n, 16))
sizes = st.integers(1, 192).map(lambda n: inches(0, n, 16))
places = st.builds(
    Place,
    st.sampled_from(["left", "right", "spread"]),
    st.builds(Across, st.sampled_from(["left", "centre", "right"]), sixteenths),
    st.builds(Down, st.sampled_from(["top", "centre", "bottom"]), sixteenths),
)


def position(place: Place, width: Length, height: Length, format: PageFormat, ruler: Ruler) -> tuple[Rect, bool]:
    """On its page alone, both ways."""
    page = format.page(place.on)
    return placed(place, width, height, page, page, ruler)


def x_of(place: Place, format: PageFormat = DOUBLE, width: str = "4") -> str:
    box, _ = position(place, parse(width), inches(6), format, Ruler())
    return Ruler().say(box.x)


@pytest.mark.parametrize(
    ("on", "edge", "by", "x"),
    [
        ("left", "left", "1", "1"),
        ("left", "right", "1", "7"),
        ("left", "centre", "0", "4"),
        ("left", "centre", "-1", "3"),
        ("right", "left", "1", "13"),
        ("right", "right", "0", "20"),
        ("spread", "centre", "0", "10"),
        ("spread", "right", "2", "18"),
    ],
)
def test_a_place_is_counted_from_its_own_page(on: str, edge: str, by: str, x: str) -> None:
    """For a part 4 in wide on a double 12 × 12; the right page begins at 12."""
    place = Place(on, Across(edge, parse(by)), Down())  # type: ignore[arg-type]
    assert x_of(place) == x


def test_on_a_single_page_every_page_is_that_one() -> None:
    """A plan that was double keeps its parts in sight."""
    single = of_kind("12x12")
    assert x_of(Place("right", Across("left", inches(1))), single) == "1"


@given(places, sizes, sizes)
def test_every_part_begins_on_a_mark(place: Place, width: Length, height: Length) -> None:
    """And at most half a mark from where it was meant."""
    for ruler in (Ruler(), Ruler(Unit.MM, MARKS["1 mm"])):
        box, moved = position(place, width, height, DOUBLE, ruler)
        assert ruler.on_mark(box.x) and ruler.on_mark(box.y)
        exact, _ = position(place, width, height, DOUBLE, Ruler(Unit.MM, Length(1)))
        assert abs(box.x - exact.x) * 2 <= ruler.mark
        assert moved == ((box.x, box.y) != (exact.x, exact.y))


@given(places, sizes, sizes)
def test_put_where_it_is_it_stays_there(place: Place, width: Length, height: Length) -> None:
    """Turning a box into a place and back moves nothing."""
    box, _ = position(place, width, height, DOUBLE, Ruler())
    again, _ = position(place_at(place, box, DOUBLE), width, height, DOUBLE, Ruler())
    assert again == box


def test_the_edge_it_was_counted_from_is_kept() -> None:
    """A part 1 in from the right, dragged further in, is still counted from the right."""
    place = Place("left", Across("right", inches(1)), Down("bottom", inches(1)))
    box, _ = position(place, inches(4), inches(6), DOUBLE, Ruler())
    moved = place_at(place, box.moved(-inches(2), -inches(1)), DOUBLE)
    assert (moved.across, moved.down) == (Across("right", inches(3)), Down("bottom", inches(2)))


def test_off_the_centre_it_is_counted_from_the_near_edges() -> None:
    """“0 right of the centre” would say nothing once it is dragged."""
    box, _ = position(Place(), inches(4), inches(6), DOUBLE, Ruler())
    moved = place_at(Place(), box.moved(inches(1), inches(0)), DOUBLE)
    assert (moved.across, moved.down) == (Across("left", inches(5)), Down("centre", inches(0)))
