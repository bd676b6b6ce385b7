"""Lengths: read as people write them, kept exactly, shown to a mark."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ulna.core.errors import LengthError
from ulna.core.measure import (
    MARKS,
    PAGE_SIZE,
    PER_INCH,
    SIZE,
    Length,
    Ruler,
    Unit,
    in_unit,
    inches,
    mm,
    parse,
    round_to,
    text,
    unit_written,
)

lengths = st.integers(-120 * PER_INCH, 120 * PER_INCH).map(Length)
marks = st.sampled_from(sorted(MARKS.values()))


@pytest.mark.parametrize(
    ("written", "meant"),
    [
        ("4 1/4", inches(4, 1, 4)),
        ("4\u202f1/4", inches(4, 1, 4)),  # copied from the screen
        ("4-1/4", inches(4, 1, 4)),
        ("4 - 1/4", inches(4, 1, 4)),
        ("4¼", inches(4, 1, 4)),
        ("4 ¼", inches(4, 1, 4)),
        ("4.25", inches(4, 1, 4)),
        ("4,25", inches(4, 1, 4)),
        ("1/2", inches(0, 1, 2)),
        ("½ in", inches(0, 1, 2)),
        ('4 1/4"', inches(4, 1, 4)),
        ("4 1/4''", inches(4, 1, 4)),
        ("4 1/4 in", inches(4, 1, 4)),
        ("4 1/4 inches", inches(4, 1, 4)),
        ("4 1⁄4", inches(4, 1, 4)),
        ("108 mm", mm(108)),
        ("10.8cm", mm(108)),
        ("10,8 CM", mm(108)),
        (".5", inches(0, 1, 2)),
        ("12.", inches(12)),
        ("-1/8", -inches(0, 1, 8)),
        ("−1/8", -inches(0, 1, 8)),
        ("  3  in ", inches(3)),
    ],
)
def test_every_spelling_is_read(written: str, meant: Length) -> None:
    """People write the same length in many ways; all of them mean it."""
    assert parse(written) == meant


@pytest.mark.parametrize(
    ("written", "sentence"),
    [
        (
            "12 1/0 in",
            '"12 1/0 in": a fraction over nothing at character 4; write for example 4 1/4 in, 4.25 in or 108 mm',
        ),
        ("5 ft", '"5 ft": feet are not read; write the inches, for example 12 in'),
        ("1'", '"1\'": feet are not read; write the inches, for example 12 in'),
        ("4 1/4 1", '"4 1/4 1": "1" cannot be read at character 7; write for example 4 1/4 in, 4.25 in or 108 mm'),
        ("4 kg", '"4 kg": "kg" is no unit at character 3; write for example 4 1/4 in, 4.25 in or 108 mm'),
        ("4.5 1/2", '"4.5 1/2": a decimal and a fraction together at character 5; '
         "write for example 4 1/4 in, 4.25 in or 108 mm"),
        ("", '"": nothing is written; write for example 4 1/4 in, 4.25 in or 108 mm'),
        ("wide", '"wide": no number is written; write for example 4 1/4 in, 4.25 in or 108 mm'),
    ],
)  # fmt: skip
def test_what_is_no_length_is_refused_with_what_would_do(written: str, sentence: str) -> None:
    """The message shows what was read, what is wrong and where, and what to write instead."""
    with pytest.raises(LengthError) as refused:
        parse(written)
    assert refused.value.sentence == sentence


@given(st.text(max_size=80))
def test_any_text_is_read_or_refused_and_nothing_else_happens(written: str) -> None:
    """No text makes the reader stumble."""
    try:
        parse(written)
    except LengthError as error:
        assert error.sentence


def test_the_unit_of_the_household_is_meant_where_none_is_written() -> None:
    """In a household that measures in millimetres, 108 is 108 mm; a unit that stands there counts."""
    assert parse("108", Unit.MM) == mm(108)
    assert parse("4 in", Unit.MM) == inches(4)
    assert unit_written("10.8 cm") is Unit.CM


@given(lengths)
def test_a_length_written_and_read_again_is_the_same(length: Length) -> None:
    """Files keep lengths as text, and lose nothing by it."""
    assert parse(text(length)) == length


def test_thirty_seconds_and_hundredths_of_a_millimetre_are_both_exact() -> None:
    """1/32 in is 28575 units and 0.01 mm is 360, so mixing units costs nothing."""
    assert inches(0, 1, 32).units == 28_575
    assert mm(1).units == 36_000
    assert in_unit(inches(4, 1, 4), Unit.MM) == ("107.95 mm", True)
    assert in_unit(mm(108), Unit.INCH)[1] is False


def test_rounding_goes_to_the_nearest_mark_and_halves_away_from_zero() -> None:
    """Left and right of a centre are rounded alike."""
    sixteenth = MARKS["1/16 in"]
    assert round_to(inches(0, 1, 32), sixteenth) == sixteenth
    assert round_to(-inches(0, 1, 32), sixteenth) == -sixteenth
    assert round_to(mm(107), sixteenth) == inches(4, 3, 16)


@given(lengths, marks)
def test_a_rounded_length_is_on_a_mark_and_at_most_half_a_mark_away(length: Length, mark: Length) -> None:
    """What comes out can be set on a trimmer, and nothing nearer could."""
    near = round_to(length, mark)
    assert near.units % mark.units == 0
    assert abs(near - length) * 2 <= mark


def test_a_ruler_shows_lowest_terms_and_tells_what_it_rounded() -> None:
    """8/16 is shown as 1/2; a value between two marks gets a ~ before it."""
    ruler = Ruler()
    assert ruler.say(inches(4, 8, 16)) == "4 1/2"
    assert ruler.say(mm(108)) == "~ 4 1/4"
    assert Ruler(Unit.MM, MARKS["0.5 mm"]).say(mm(108)) == "108"
    assert Ruler(Unit.MM, MARKS["0.5 mm"]).say(inches(0, 1, 16)) == "~ 1.5"


def test_stepping_goes_from_mark_to_mark() -> None:
    """From between two marks, the first step up or down lands on the next one."""
    ruler = Ruler()
    assert ruler.step(inches(4), 1) == inches(4, 1, 16)
    assert ruler.step(mm(108), 1) == inches(4, 5, 16)
    assert ruler.step(mm(108), -1) == inches(4, 1, 4)


@pytest.mark.parametrize(
    ("written", "problem"),
    [
        ("0", "nothing at all"),
        ("-2", "less than nothing"),
        ("1 mm", "too small to be cut"),
        ("100000 cm", "longer than can be used"),
    ],
)
def test_a_size_is_neither_nothing_nor_negative_nor_a_kilometre(written: str, problem: str) -> None:
    """A field refuses what no page can use, with the limit that would do."""
    with pytest.raises(LengthError, match=problem):
        SIZE.check(parse(written), written)


def test_a_page_is_at_least_an_inch() -> None:
    """A format of 0 is refused with the least that would do."""
    with pytest.raises(LengthError) as refused:
        PAGE_SIZE.check(parse("0"), "0")
    assert refused.value.sentence == '"0": nothing at all; write at least 1 in'


def test_lengths_add_and_take_whole_multiples_only() -> None:
    """A length times a length, or plus a bare number, is nonsense and does not exist."""
    four = inches(4)
    assert four + four == four * 2 == 2 * four
    assert four / inches(0, 1, 2) == 8
    for nonsense in (lambda: four * four, lambda: four + 1, lambda: four * 1.5):
        with pytest.raises((TypeError, AttributeError)):
            nonsense()
