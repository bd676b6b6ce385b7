"""What size a print should be for a place."""

from __future__ import annotations

import pytest

from tests.core.examples import HERON, LOCK
from ulna.core.measure import Ruler, inches, parse
from ulna.core.photos.crop import PRINT_SIZES
from ulna.core.photos.fitting import Offer, Spot, offers

SIZES = [(parse(w), parse(h)) for w, h in PRINT_SIZES]
LAP = parse("1/8")


def found(spot: Spot) -> list[Offer]:
    return offers(HERON, spot, SIZES, Ruler())


def sizes(spot: Spot) -> list[str]:
    return [Ruler().say_size(o.width, o.height) for o in found(spot)]


def test_a_circle_of_4_and_a_half_wants_a_5_by_5() -> None:
    """4 × 6 does not fill it; 5 × 5 is the smallest that does, 5 × 7 the next."""
    offered = sizes(Spot("opening", parse("4 1/2"), parse("4 1/2"), LAP))
    assert offered[:2] == ["5 × 5", "5 × 7"] and "4 × 6" not in offered


def test_a_print_just_as_wide_as_the_opening_will_do() -> None:
    """A 4 × 6 behind a circle of 4 in is fixed above and below; that nothing is spare sideways is told."""
    first = found(Spot("opening", inches(4), inches(4), LAP))[0]
    assert (first.width, first.height) == (inches(4), inches(6))
    assert first.says == "just so wide: fix it above and below, nothing spare sideways"


def test_a_width_on_the_page_is_filled_exactly_first() -> None:
    """3 1/2 in wide the whole upright picture is 5 1/4 high; the usual sizes follow with what is trimmed."""
    own, *usual = found(Spot("width", parse("3 1/2")))
    assert (own.width, own.height, own.lost) == (parse("3 1/2"), parse("5 1/4"), pytest.approx(0))
    assert usual[0].says == "trim 1/2 off its width" or usual[0].width == parse("3 1/2")


def test_a_cell_of_a_grid_loses_what_its_shape_asks() -> None:
    """A square cell takes two thirds of a picture of 2 : 3."""
    own, *usual = found(Spot("cell", inches(3), inches(3)))
    assert own.lost == pytest.approx(1 / 3) and own.says == "fills it exactly"
    assert usual[0].says == "fills it"
    assert next(o for o in usual if o.height == inches(4)).says == "trim 1 down"


def test_the_way_that_loses_less_comes_first() -> None:
    """Of 3 × 4 and 4 × 3 behind an opening of 2 in, a lying picture is offered lying."""
    lying = offers(LOCK, Spot("cell", parse("2 1/2"), parse("2 1/2")), SIZES, Ruler())
    three_by_four = [(o.width, o.height) for o in lying if {o.width, o.height} == {inches(3), inches(4)}]
    assert three_by_four[0] == (inches(4), inches(3))


def test_what_no_usual_size_covers_is_not_offered() -> None:
    """An opening of 14 in is more than a 12 × 12."""
    assert found(Spot("opening", inches(14), inches(14), LAP)) == []
