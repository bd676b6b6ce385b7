"""Letters counted and measured, by worked examples."""

from __future__ import annotations

from collections import Counter

import pytest
from hypothesis import given
from hypothesis import strategies as st
from shapely import Polygon as Area

from ulna.core.measure import inches, mm
from ulna.core.words.alphabets import Alphabet, MeasuredWord, as_run, counted, left, says, there, width_of
from ulna.core.words.faces import TURNS, stands_for
from ulna.formats.faces import SHIPPED

PLAIN = SHIPPED["plain"]
BLOCK = Alphabet("block", "Block", inches(1), "aabcd eee\nss", face="plain")


def test_a_sheet_is_counted_as_it_is_typed_and_spaces_are_none() -> None:
    assert there(BLOCK) == Counter(a=2, b=1, c=1, d=1, e=3, s=2)


def test_two_packs_hold_twice_as_many_less_what_was_torn() -> None:
    two = Alphabet("block", "Block", letters="aab", packs=2, spoiled="ab")
    assert there(two) == Counter(a=3, b=1)


def test_what_is_left_is_said_as_people_count() -> None:
    """Three e less two on another page leave one; both s are taken; twelve are no word."""
    rest = left(BLOCK, [Counter(e=2), Counter(s=2)])
    assert says(rest, "es") == "one e, no s"
    assert says(Counter(a=12), "a") == "12 a"


def test_letters_wanted_beyond_what_is_there_go_below_nothing() -> None:
    assert left(BLOCK, [Counter(s=3)])["s"] == -1


@given(st.dictionaries(st.sampled_from("abcXYZ019&é"), st.integers(1, 9)))
def test_a_run_comes_back_as_it_was_counted(letters: dict[str, int]) -> None:
    assert counted(as_run(letters)) == Counter(letters)


def test_a_measured_word_corrects_every_width() -> None:
    """As drawn, "heron" has the widths of its five letters; measured at 4 1/4 in, h is wider in the same proportion."""
    drawn = sum(glyph.width for c in "heron" if (glyph := PLAIN.glyph(c)))
    h = PLAIN.glyph("h")
    assert h is not None
    measured = Alphabet("b", "B", inches(1), measured=(MeasuredWord("heron", inches(4, 1, 4)),))
    width = width_of(measured, "h", PLAIN)
    assert width is not None and width.inches == pytest.approx(h.width * 4.25 / drawn, abs=1e-4)


def test_the_widths_of_a_measured_word_add_up_to_it() -> None:
    measured = Alphabet("b", "B", mm(30), measured=(MeasuredWord("heron", mm(88)),))
    found = [width_of(measured, c, PLAIN) for c in "heron"]
    assert sum(one.inches for one in found if one) == pytest.approx(88 / 25.4, abs=1e-3)


def test_a_letter_measured_by_itself_is_as_wide_as_that() -> None:
    one = Alphabet(
        "b", "B", inches(1), measured=(MeasuredWord("m", inches(1, 1, 8)), MeasuredWord(" ", inches(0, 3, 8)))
    )
    assert width_of(one, "m", PLAIN) == inches(1, 1, 8)
    assert width_of(one, " ", PLAIN) == inches(0, 3, 8)
    assert width_of(one, "☂", PLAIN) is None


def test_an_i_has_its_dot_and_an_o_its_counter() -> None:
    i, o = PLAIN.glyph("i"), PLAIN.glyph("o")
    assert i is not None and len(i.bits) == 2
    assert o is not None and len(o.bits) == 1 and len(o.bits[0].counters) == 1


@pytest.mark.parametrize("name", SHIPPED)
def test_a_capital_is_one_cap_high_and_a_g_goes_below_the_line(name: str) -> None:
    face = SHIPPED[name]  # type: ignore[index]
    h, g = face.glyph("H"), face.glyph("g")
    assert h is not None and h.box[1] == pytest.approx(-1, abs=0.01) and h.box[3] == pytest.approx(0, abs=0.02)
    assert g is not None and g.box[3] > 0.1
    assert face.glyph("\N{UMBRELLA}") is None


@pytest.mark.parametrize("name", SHIPPED)
def test_no_letter_crosses_itself_and_its_counters_lie_in_it(name: str) -> None:
    """So that a knife can follow each outline: a g whose strokes overlap in the font has one outline all the same."""
    for character in map(chr, [*range(0x21, 0x7F), *range(0xC0, 0x100)]):
        glyph = SHIPPED[name].glyph(character)
        for bit in glyph.bits if glyph else ():
            whole = Area(bit.outline)
            assert whole.is_valid, character
            assert all(whole.covers(Area(counter)) for counter in bit.counters), character
        areas = [Area(bit.outline) for bit in glyph.bits] if glyph else []
        assert all(not a.overlaps(b) for k, a in enumerate(areas) for b in areas[k + 1 :]), character


def test_a_six_turned_is_a_nine_and_an_m_a_w_where_the_face_allows_it() -> None:
    """In plain capitals an M turned reads as a W; in a script it does not, and its n is no u."""
    assert ("9", "6", 180) in TURNS and ("M", "W", 180) in TURNS
    assert stands_for(PLAIN, "9", "6", 180) and stands_for(PLAIN, "W", "M", 180)
    script = SHIPPED["script"]
    assert not stands_for(script, "W", "M", 180) and not stands_for(script, "u", "n", 180)
    assert not stands_for(PLAIN, "A", "o", 0)
