"""Things shared out over clusters, and the triangle in which the clusters stand."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ulna.core.things.sharing import least_angle, shared_out, triangles


def test_two_five_and_one_over_three_clusters() -> None:
    """Two of a kind go to the two largest, five are 2, 2, 1, the one goes to the largest."""
    assert shared_out({"bolt": 2, "leaf": 5, "heron": 1}, 3) == [
        ["bolt", "leaf", "leaf", "heron"], ["bolt", "leaf", "leaf"], ["leaf"],
    ]  # fmt: skip


@given(st.dictionaries(st.text("abcdef", min_size=1, max_size=2), st.integers(0, 30)), st.integers(1, 7))
def test_all_of_it_is_shared_out_and_nobody_is_more_than_one_ahead(there: dict[str, int], clusters: int) -> None:
    """What there are several of is in each cluster, what there is one of in the largest."""
    found = shared_out(there, clusters)
    for key, count in there.items():
        has = [one.count(key) for one in found]
        assert sum(has) == count and max(has) - min(has) <= 1 and has == sorted(has, reverse=True)


@pytest.mark.parametrize(
    ("corners", "angle"),
    [
        ([(0, 0), (4, 0), (2, 2 * math.sqrt(3))], 60.0),
        ([(0, 0), (1, 0), (0, 1)], 45.0),
        ([(0, 0), (1, 0), (2, 0)], 0.0),
        ([(0, 0), (3, 0), (0, 4)], math.degrees(math.atan(3 / 4))),
    ],
)
def test_the_least_angle_of_a_triangle(corners: list[tuple[float, float]], angle: float) -> None:
    assert least_angle(corners) == pytest.approx(angle)


def test_a_triangle_round_a_photo() -> None:
    """A photo 4 × 4 in the middle of a page of 12: of its corners and the middles of its edges those three are taken
    that hold its middle and are widest: two corners and the middle of the edge across."""
    spots = [(x, y) for x in (4.0, 6.0, 8.0) for y in (4.0, 6.0, 8.0) if (x, y) != (6.0, 6.0)]
    best = set(triangles(spots, (6.0, 6.0))[0])
    corners = {spot for spot in best if spot[0] != 6.0 and spot[1] != 6.0}
    assert len(corners) == 2 and least_angle(sorted(best)) == pytest.approx(math.degrees(2 * math.atan(1 / 2)))


def test_on_a_spread_they_are_not_all_on_one_page() -> None:
    spots = [(float(x), float(y)) for x in (1, 4, 7, 20) for y in (2, 9)]
    for three in triangles(spots, (4.0, 5.0), sides=12.0)[:20]:
        assert len({x < 12 for x, _ in three}) == 2


def test_one_of_them_is_at_the_title_where_that_is_asked() -> None:
    spots = [(1.0, 1.0), (9.0, 2.0), (5.0, 9.0), (2.0, 8.0), (11.0, 11.0)]
    assert all((11.0, 11.0) in three for three in triangles(spots, (5.0, 5.0), wanted=(11.0, 11.0)))
