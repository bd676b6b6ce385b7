"""From the picture's shape to the print's: what is lost, what stays in, how sharp it prints."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ulna.core.measure import inches
from ulna.core.photos.crop import Face, Frame, Framing, crop, faces_cut, pixels_per_inch, word

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


def test_a_crop_to_the_pixel() -> None:
    """4000 × 3000 printed 5 × 7 upright: 3000 × 5/7 = 2142.86 pixels wide, from the middle."""
    found = crop((4000, 3000), (inches(5), inches(7)), Framing())
    assert found.width * 4000 == pytest.approx(3000 * 5 / 7)
    assert found.x * 4000 == pytest.approx((4000 - 3000 * 5 / 7) / 2)
    assert (found.y, found.height) == (0, 1)


def test_faces_stay_in_where_they_fit() -> None:
    """A face near the top moves a lying crop of an upright picture up, as far as its hair."""
    framing = Framing(faces=(Face(0.5, 0.15, 0.2),))
    found = crop((1200, 1800), (inches(6), inches(4)), framing)
    assert found.y == pytest.approx(0.15 - 0.2 * 1200 / 2 / 1800)
    assert faces_cut((1200, 1800), found, framing) == 0


def test_faces_too_far_apart_for_a_crop_are_counted() -> None:
    """One at the top and one at the foot do not fit a lying print; the focal point decides which one stays."""
    framing = Framing(focal_x=0.5, focal_y=0.9, faces=(Face(0.5, 0.1), Face(0.5, 0.9)))
    found = crop((1200, 1800), (inches(6), inches(4)), framing)
    assert found.y + found.height >= 0.9
    assert faces_cut((1200, 1800), found, framing) == 1


def test_a_print_may_look_elsewhere_than_its_photo() -> None:
    """Its own frame, the same marks."""
    framing = Framing(0.5, 0.5, faces=(Face(0.2, 0.2),))
    own = framing.by(Frame(0.1, 0.9, 2))
    assert (own.x, own.y, own.zoom, own.faces) == (0.1, 0.9, 2, framing.faces)
    assert framing.by(None) == framing


faces = st.lists(st.builds(Face, shares, shares, st.floats(0.02, 0.5)), max_size=4).map(tuple)


@given(st.integers(1, 9000), st.integers(1, 9000), sides, sides, faces, st.floats(1, 4))
def test_faces_never_push_a_crop_out_of_the_picture(w, h, pw, ph, marked, zoom) -> None:  # type: ignore[no-untyped-def]
    """And those that fit together are wholly in."""
    framing = Framing(zoom=zoom, faces=marked)
    found = crop((w, h), (pw, ph), framing)
    assert (
        found.x >= 0 and found.x + found.width <= 1 + 1e-9 and found.y >= 0 and found.y + found.height <= 1 + 1e-9
    )
    if len(marked) == 1:
        across, down = marked[0].spans((w, h))
        if across[1] - across[0] <= found.width and down[1] - down[0] <= found.height:
            assert faces_cut((w, h), found, framing) == 0


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
