"""The shelf: which sheets a piece of a paper may come from."""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.core.examples import paper, scrap
from ulna.core.errors import FieldError, LengthError, NotOnShelf, UlnaError
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, inches
from ulna.core.paper.shelf import Direction, Edge, Shelf, Side, Strip, cards_in_rows


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


def test_cards_in_rows_share_out_what_the_strip_leaves() -> None:
    """12 × 12 less 1/2 in at its foot: three across of 4, two down of 5 3/4. From B a strip at the left is at the
    right."""
    sheet = paper("cards", strip="1/2")
    cards = cards_in_rows(sheet, 2, 3)
    assert [c.name for c in cards] == ["1", "2", "3", "4", "5", "6"]
    assert cards[4].at == Rect(inches(4), inches(5, 3, 4), inches(4), inches(5, 3, 4))
    left = replace(sheet, strip=Strip(Edge.LEFT, inches(1)), cards=cards[:1])
    (behind,) = cards_in_rows(left, 1, 1, "B")
    assert (behind.name, behind.at) == ("2", Rect(ZERO, ZERO, inches(11), inches(12)))


@given(st.integers(1, 9), st.integers(1, 9))
def test_cards_in_rows_leave_nothing_and_overlap_nowhere(rows: int, columns: int) -> None:
    cards = cards_in_rows(paper("cards"), rows, columns)
    assert sum(c.at.area for c in cards) == inches(12).units ** 2
    assert not any(a.at.meets(b.at) for k, a in enumerate(cards) for b in cards[:k])
