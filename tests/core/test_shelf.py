"""The shelf: which sheets a piece of a paper may come from."""

from __future__ import annotations

from dataclasses import replace

import pytest

from tests.core.examples import paper, scrap
from ulna.core.errors import FieldError, LengthError, NotOnShelf, UlnaError
from ulna.core.shelf import Direction, Shelf, Side


def test_scraps_come_before_the_sheets_they_were_cut_from() -> None:
    """So that what is left is used up first."""
    shelf = Shelf.of([paper("reeds"), scrap("rest-1", "reeds", "4", "6"), scrap("rest-2", "ink", "4", "6")])
    assert shelf.sources("reeds") == ["rest-1", "reeds"]
    assert shelf.sources("rest-1") == ["rest-1"]


def test_a_scrap_that_is_used_up_is_no_source() -> None:
    """Its count is nothing."""
    gone = replace(scrap("rest-1", "reeds", "4", "6"), count=0)
    assert Shelf.of([paper("reeds"), gone]).sources("reeds") == ["reeds"]


def test_each_side_is_its_own() -> None:
    """A is not B."""
    two = replace(paper("reeds"), a=Side("leaf", direction=Direction.ONE_WAY), b=Side("stripe"))
    assert (two.face("A").pattern, two.face("B").pattern) == ("leaf", "stripe")


def test_what_is_not_there_is_named() -> None:
    """The error says what kind of thing, and which."""
    with pytest.raises(NotOnShelf) as refused:
        Shelf().paper("reeds")
    assert refused.value.sentence == 'there is no paper "reeds" on the shelf'
    assert isinstance(refused.value, LookupError)


@pytest.mark.parametrize(
    ("error", "sentence"),
    [
        (LengthError("4 x", "no unit"), '"4 x": no unit; write for example 4 1/4 in, 4.25 in or 108 mm'),
        (LengthError("9" * 60, "too long", 3, "less"), f'"{"9" * 39}…": too long at character 3; less'),
        (FieldError("kerf", -1, "below zero"), "kerf: below zero, read '-1'"),
        (FieldError("kerf", "", "missing", "give it"), "kerf: missing; give it"),
    ],
)
def test_errors_carry_their_data_and_make_one_sentence(error: UlnaError, sentence: str) -> None:
    """The sentence is made in one place, and every error is a ValueError or LookupError too."""
    assert error.sentence == str(error) == sentence
    assert isinstance(error, ValueError)
