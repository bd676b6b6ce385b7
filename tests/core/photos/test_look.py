"""Notes on how a photo is to look, and where a place on it goes when it is turned and straightened."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ulna.core.errors import FieldError
from ulna.core.photos.crop import Face, Framing
from ulna.core.photos.look import AS_IT_CAME, Look, carried, key, of_key, seen, size, unseen

shares = st.floats(0, 1)
looks = st.builds(
    Look,
    st.integers(0, 3),
    st.integers(-60, 60).map(lambda n: n / 4),
    st.booleans(),
    st.integers(-100, 100),
)
sizes = st.tuples(st.integers(8, 9000), st.integers(8, 9000))


def test_a_quarter_turn_exchanges_width_and_height() -> None:
    """Two of them do not."""
    assert size((3000, 2000), Look(turn=1)) == (2000, 3000)
    assert size((3000, 2000), Look(turn=2)) == (3000, 2000)


def test_straightening_costs_a_little_of_the_edge() -> None:
    """A square turned by 2 degrees keeps 1 / (cos 2° + sin 2°) of its side: 967 of 1000 pixels."""
    assert size((1000, 1000), Look(straighten=2)) == (967, 967)
    assert size((1000, 1000), Look(straighten=-2)) == (967, 967)


def test_the_upper_left_corner_goes_to_the_upper_right_with_a_turn_clockwise() -> None:
    """And back with a turn the other way."""
    assert seen(Look(turn=1), (300, 200), 0, 0) == pytest.approx((1, 0))
    assert seen(Look(turn=3), (300, 200), 0, 0) == pytest.approx((0, 1))


@given(looks, sizes, shares, shares)
def test_every_place_is_found_again(look: Look, pixels: tuple[int, int], x: float, y: float) -> None:
    """Whatever the look: there and back."""
    assert unseen(look, pixels, *seen(look, pixels, x, y)) == pytest.approx((x, y), abs=1e-9)


@given(looks, sizes, shares, shares)
def test_a_straightened_picture_has_no_empty_corner(
    look: Look, pixels: tuple[int, int], x: float, y: float
) -> None:
    """Every place that is seen lies on the file."""
    found = unseen(look, pixels, x, y)
    assert all(-1e-9 <= share <= 1 + 1e-9 for share in found)


def test_what_was_marked_moves_with_the_picture() -> None:
    """A face at the left edge is at the top after a turn clockwise; lighter or darker moves nothing."""
    framing = Framing(0.2, 0.5, focal_x=0.1, focal_y=0.5, faces=(Face(0.1, 0.5),))
    turned = carried(framing, AS_IT_CAME, Look(turn=1), (300, 200))
    assert (turned.x, turned.y) == pytest.approx((0.5, 0.2))
    assert (turned.focal_x, turned.focal_y) == pytest.approx((0.5, 0.1))
    assert (turned.faces[0].x, turned.faces[0].y) == pytest.approx((0.5, 0.1))
    assert carried(framing, AS_IT_CAME, Look(lighten=40), (300, 200)) == framing


@given(looks)
def test_a_look_is_a_word_in_an_address(look: Look) -> None:
    """And is read back from it."""
    assert of_key(key(look)) == look


@pytest.mark.parametrize("word", ["t4s0cl0", "t0s16cl0", "t0s0cl101", "../../etc", "t1"])
def test_another_word_is_no_look(word: str) -> None:
    """It is refused with what would do."""
    with pytest.raises(FieldError, match="no look of a photo"):
        of_key(word)
