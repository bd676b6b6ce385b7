"""From the picture's shape to the print's: what is lost, what stays in, how sharp it prints."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ulna.core.crop import Framing, crop, pixels_per_inch, word
from ulna.core.measure import inches

shares = st.floats(0, 1)
sides = st.integers(1, 240).map(lambda n: inches(0, n, 16))


def test_a_picture_of_the_prints_shape_loses_nothing() -> None:
    """1200 × 1800 pixels printed 4 × 6."""
    found = crop((1200, 1800), (inches(4), inches(6)), Framing())
    assert found.lost == pytest.approx(0)


def test_a_square_print_of_an_upright_picture_loses_a_third() -> None:
    """2 : 3 cut to a square keeps two thirds of the height, from the middle."""
    found = crop((1200, 1800), (inches(4), inches(4)), Framing())
    assert (found.width, found.height) == (1, pytest.approx(2 / 3))
    assert found.y == pytest.approx(1 / 6)
    assert found.lost == pytest.approx(1 / 3)


def test_the_focal_point_stays_in_whatever_the_frame() -> None:
    """A heron's head near the top edge keeps the crop up there."""
    found = crop((1200, 1800), (inches(6), inches(4)), Framing(focal_x=0.6, focal_y=0.05))
    assert found.y <= 0.05


@given(st.integers(1, 9000), st.integers(1, 9000), sides, sides, shares, shares, st.floats(1, 5), shares, shares)
def test_every_crop_lies_in_the_picture_and_holds_the_focal_point(w, h, pw, ph, x, y, zoom, fx, fy) -> None:  # type: ignore[no-untyped-def]
    """Whatever the shapes and the zoom."""
    found = crop((w, h), (pw, ph), Framing(x, y, zoom, fx, fy))
    assert found.x >= -1e-9 and found.x + found.width <= 1 + 1e-9
    assert found.x - 1e-9 <= fx <= found.x + found.width + 1e-9
    assert found.y - 1e-9 <= fy <= found.y + found.height + 1e-9


def test_resolution_is_of_the_part_that_is_printed() -> None:
    """1200 pixels over 4 in are 300 an inch; at twice the zoom half as many."""
    print_ = (inches(4), inches(6))
    for zoom, ppi in ((1, 300), (2, 150)):
        assert pixels_per_inch(
            (1200, 1800), crop((1200, 1800), print_, Framing(zoom=zoom)), print_
        ) == pytest.approx(ppi)


@pytest.mark.parametrize(
    ("ppi", "said"),
    [(300, "good"), (299.9, "fine"), (200, "fine"), (199.9, "soft"), (150, "soft"), (149.9, "too few")],
)
def test_resolution_has_a_word(ppi: float, said: str) -> None:
    """300 pixels per inch and more are good, 200 fine, 150 soft, below that too few."""
    assert word(ppi) == said
