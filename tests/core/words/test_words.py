"""Words: lines, heights, rulers, and what would do where they are too long."""

from __future__ import annotations

import math
from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.core.examples import ground, paper
from ulna.core.findings import Finding
from ulna.core.geometry import polygons
from ulna.core.geometry.figures import outline
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, inches, mm, parse, text
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.paper.shelf import Card as SheetCard
from ulna.core.paper.shelf import CardLines
from ulna.core.parts.kinds.card import Card
from ulna.core.parts.kinds.cutout import Cutout
from ulna.core.parts.kinds.date import Date
from ulna.core.parts.kinds.words import Words, set_lines, to_rule_by
from ulna.core.parts.kinds.wordstrips import WordStrips
from ulna.core.parts.pieces import Ground, PaperChoice
from ulna.core.parts.place import Across, Down, Place
from ulna.core.words.writing import SAMPLE, Hand, Measure, broken, words_that_fit
from ulna.formats.faces import SHIPPED

TEN_AN_INCH = Hand("t", "typed", "typewriter", "typewriter", inches(len(SAMPLE), 0, 1).part(1, 10), inches(0, 1, 4))
TYPED = Measure.of(TEN_AN_INCH, SHIPPED["typewriter"])


def on(*hands: Hand) -> Ground:
    return ground(None, paper("ink")).changed(hands={hand.id: hand for hand in hands or (TEN_AN_INCH,)})


def told(words: Words, at: Ground) -> list[Finding]:
    return [f for f in evaluate(PagePlan("p", parts=(words,)), at).findings if f.part == words.id]


# ---- how long, where it breaks -------------------------------------------------------------------------


def test_a_typewriter_of_ten_letters_an_inch() -> None:
    """ "The heron" is nine characters: 9/10 in. An i is as wide as an m."""
    assert TYPED.wide("The heron") == pytest.approx(0.9)
    assert TYPED.wide("i") == TYPED.wide("m")


def test_a_hand_writes_its_sample_as_long_as_was_measured() -> None:
    hand = Hand("h", "mine", sample=mm(152), pitch=mm(7))
    assert Measure.of(hand, SHIPPED["hand"]).wide(SAMPLE) == pytest.approx(152 / 25.4)


def test_as_many_words_on_a_line_as_go_on_it() -> None:
    """Ten letters a line: "the heron" is nine, with "waits" it would be fifteen; "waits here" is just ten."""
    lines = [line.text for line in broken("the heron waits here", 1.0, TYPED)]
    assert lines == ["the heron", "waits here"]


def test_paragraphs_are_kept_and_a_word_too_long_is_broken_at_the_edge() -> None:
    lines = [line.text for line in broken("a\n\nNarrowboaters!", 1.0, TYPED)]
    assert lines == ["a", "", "Narrowboat", "ers!"]


@given(st.text("abc def\n.é", max_size=120), st.floats(0.3, 6))
def test_text_in_is_text_out(text: str, width: float) -> None:
    """Nothing is lost but spaces at breaks, and no line is longer than the width, one letter aside."""
    lines = broken(text, width, TYPED)
    assert "".join("".join(line.text.split()) for line in lines) == "".join(text.split())
    assert all(line.width <= width + 1e-6 or len(line.text) == 1 for line in lines)


def test_how_many_words_go_into_a_place() -> None:
    """11 words in 53 letters are 4.9 a word with its space: two go on a line of an inch, four lines into an inch."""
    assert len(SAMPLE) == 53 and len(SAMPLE.split()) == 11
    assert words_that_fit(1.0, 1.0, 0.25, TYPED) == 4 * 2


# ---- on the page ---------------------------------------------------------------------------------------


def test_height_is_lines_by_pitch() -> None:
    words = Words("w", "the heron waits here", width=inches(1))
    (part,) = evaluate(PagePlan("p", parts=(words,)), on()).parts
    assert part.box is not None and part.box.height == inches(0, 1, 2)
    assert part.arithmetic == "4 words, 2 lines 1/4 apart"


def test_a_block_on_paper_has_its_margin_all_round_and_is_cut() -> None:
    words = Words("w", "the heron", width=inches(1), paper=PaperChoice("ink"), margin=inches(0, 1, 4))
    (piece,) = evaluate(PagePlan("p", parts=(words,)), on()).pieces
    assert piece.is_paper and (piece.rect.width, piece.rect.height) == (inches(1, 1, 2), inches(0, 3, 4))


def test_lines_are_ruled_from_the_centre() -> None:
    """Three lines 1/4 apart on 3 in: each starts 1 1/2 left of the centre and ends 1 1/2 right of it."""
    words = Words("w", width=inches(3), ruled=True, more=3)
    found = to_rule_by(words, on())
    assert [(one.down, one.starts, one.ends) for one in found] == [
        (inches(0, k, 4), inches(-1, -1, 2), inches(1, 1, 2)) for k in (1, 2, 3)
    ]
    from_left = to_rule_by(replace(words, centre=False), on())
    assert (from_left[0].starts, from_left[0].ends) == (inches(0), inches(3))


def test_written_lines_end_where_their_words_do() -> None:
    """Nine letters flush right on an inch begin 1/10 from the left, at the nearest mark 1/8 … that is 1/16 · 2."""
    words = Words("w", "the heron", width=inches(1), align="right", centre=False)
    (line,) = to_rule_by(words, on())
    assert (line.starts, line.ends) == (inches(0, 1, 8), inches(1))


def test_columns_share_the_lines() -> None:
    """Two columns of 1 in, 1/4 apart: four lines are two in each."""
    words = Words("w", "the heron waits here the heron waits here", width=inches(2, 1, 4), columns=2)
    (part,) = evaluate(PagePlan("p", parts=(words,)), on()).parts
    assert part.box is not None and part.box.height == inches(0, 1, 2)
    assert [one.column for one in to_rule_by(words, on())] == [1, 1, 2, 2]


# ---- too long ------------------------------------------------------------------------------------------


def test_what_is_too_long_says_by_how_many_lines_and_everything_offered_does() -> None:
    """Three lines of 1/4 in 1/2 in: one too many. Lines 3/16 apart take 9/16, still too much; 1/8 apart 3/8."""
    words = Words("w", "The heron waits. It is still.", width=inches(1), height=inches(0, 1, 2))
    at = on(TEN_AN_INCH, replace(TEN_AN_INCH, id="s", name="small", sample=TEN_AN_INCH.sample.part(1, 2)))
    (found,) = told(words, at)
    assert found.sentence == "It takes 1 line more than go into 1/2."
    assert [one.says for one in found.remedies] == [
        "Lines 1/8 apart",
        "A column more, 2 1/4 wide in all",
        "The rest on the back of the page",
        "The rest on a tag tucked behind",
        "Leave out “It is still.”",
        "Written in “small”",
        "As high as it takes",
    ]
    for one in found.remedies:
        assert isinstance(one.part, Words)
        assert {f.code for f in told(one.part, at)} <= {"no-paper"}, "a tag asks for its paper"


@pytest.mark.parametrize("text", ["", "   ", "\n\n", "\u05e9\u05dc\u05d5\u05dd", "\N{UMBRELLA}" * 50])
def test_odd_texts_are_set_all_the_same(text: str) -> None:
    (part,) = evaluate(PagePlan("p", parts=(Words("w", text, width=inches(2)),)), on()).parts
    assert part.box is not None and part.box.height.units > 0


def test_columns_without_room_are_told() -> None:
    (found,) = told(Words("w", "a", width=inches(1), columns=4, apart=inches(1)), on())
    assert found.severity == "stop"


# ---- strips --------------------------------------------------------------------------------------------

STRIPS = WordStrips("s", "the heron\nwaits", width=inches(3), ends=inches(0, 1, 8), papers=(PaperChoice("ink"),))


def strips(part: WordStrips) -> list[tuple[str, str, str]]:
    """Where each lies down the part, how long it is, how high."""
    found = evaluate(PagePlan("p", parts=(part,)), on()).pieces
    top = found[0].rect.y if found else inches(0)
    return [tuple(map(text, (p.rect.y - top, p.rect.width, p.rect.height))) for p in found]  # type: ignore[misc]


def test_strips_are_cut_close_to_their_words_on_marks() -> None:
    """Nine letters are 9/10 in, five 1/2: with 1/8 at both ends 1.15 and 3/4, on the next mark 1 3/16 and 3/4."""
    assert strips(STRIPS) == [("0 in", "1 3/16 in", "3/8 in"), ("1/2 in", "3/4 in", "3/8 in")]


def test_or_all_as_long_as_the_longest() -> None:
    assert [long for _, long, _ in strips(replace(STRIPS, cut="alike"))] == ["1 3/16 in", "1 3/16 in"]


def test_a_line_too_long_goes_on_with_the_next_strip() -> None:
    assert len(strips(replace(STRIPS, text="the heron waits here", width=inches(1, 1, 4)))) == 2


def test_strips_of_nothing_and_of_too_much_are_told() -> None:
    for words in ("", " ", "a\n" * 100):
        found = evaluate(PagePlan("p", parts=(replace(STRIPS, text=words),)), on())
        assert not found.pieces and any(f.severity == "stop" for f in found.findings)


def test_a_hand_that_is_not_measured_here_is_told() -> None:
    for part in (replace(STRIPS, hand="lost"), Words("w", "a", hand="lost")):
        assert any(f.code == "hand-gone" for f in evaluate(PagePlan("p", parts=(part,)), on()).findings)


# ---- in a shape, elsewhere, the story ------------------------------------------------------------------


@pytest.mark.parametrize("shape", ["circle", "hexagon", "tag", "on the tip", "heart", "arch", "banner"])
def test_lines_of_a_shape_stay_within_it(shape: str) -> None:
    """Every corner of the room of every line, from where its letters begin to where it stands, lies in the outline."""
    words = Words("w", "the heron waits " * 60, width=inches(4), height=inches(4), shape=shape)  # type: ignore[arg-type]
    line = polygons.moved(outline(words.shape, 4, 4), 0, 0)
    lines, over = set_lines(words, on())
    assert lines and over
    for one in lines:
        for x in (one.left + 1e-3, one.left + one.wide - 1e-3):
            for y in (one.down - 0.24, one.down - 0.01):
                assert polygons.inside((x, y), line), (shape, one)
        assert one.line.width <= one.wide + 1e-6


def test_a_circle_has_its_longest_line_in_the_middle() -> None:
    """A circle of 4 in, lines 1/4 apart: the line that stands at 2 1/4 has its letters between 2 and 2 1/4, where the
    circle is 2 × √(2² − 1/4²) = 3.97 in wide."""
    words = Words("w", "the heron waits " * 20, width=inches(4), height=inches(4), shape="circle")
    lines, _ = set_lines(words, on())
    (middle,) = [one for one in lines if one.down == pytest.approx(2.25)]
    assert middle.wide == pytest.approx(2 * math.sqrt(4 - 1 / 16), abs=0.02)


@given(st.text("abc .\n", max_size=200), st.sampled_from(["circle", "rectangle"]))
def test_what_has_no_room_goes_on_elsewhere_and_nothing_is_lost(text: str, shape: str) -> None:
    words = Words("w", text, width=inches(1), height=inches(1), elsewhere="back", shape=shape)  # type: ignore[arg-type]
    lines, over = set_lines(words, on())
    set_down = "".join(one.line.text for one in lines) + over
    assert "".join(set_down.split()) == "".join(text.split())


def test_the_rest_goes_on_a_tag_that_is_cut_for_it() -> None:
    """Ten letters an inch on 1 in: two lines of 1/4 in 1/2 in; "It is still." are two more, on a tag 3/4 long."""
    words = Words("w", "The heron waits. It is still.", width=inches(1), height=inches(0, 1, 2), elsewhere="tag")
    page = evaluate(PagePlan("p", parts=(words,)), on(TEN_AN_INCH))
    (tag,) = page.pieces
    assert (tag.role, tag.rect.width, tag.rect.height) == ("card", inches(1), inches(0, 1, 2))
    assert page.parts[0].arithmetic.startswith("6 words, 2 lines 1/4 apart; the last")


def test_the_first_line_stands_where_a_card_has_it() -> None:
    """A card whose first line is 3/4 from its top, the others 5/16 apart: 3/4, 1 1/16, 1 3/8."""
    words = Words(
        "w", "the heron waits by the lock", width=inches(1), first=inches(0, 3, 4), pitch=inches(0, 5, 16)
    )
    downs = [one.down for one in to_rule_by(words, on())]
    assert downs == [parse(one) for one in ("3/4", "1 1/16", "1 3/8")]


def test_the_story_is_the_same_text_everywhere() -> None:
    """Words that tell it have it, and change with it."""
    words = Words("w", "something else", tells=True)
    page = PagePlan("p", story="It rained.", parts=(words,))
    assert page.part("w") == replace(words, text="It rained.")
    assert replace(page, story="It poured.").part("w") == replace(words, text="It poured.")


# ---- strips that are parted, a card's lines, the date ---------------------------------------------------


def test_a_strip_is_parted_where_something_stands_on_it() -> None:
    """Ten letters an inch, a strip from 0: "the heron waits by the lock" is 2.7 in. A circle of 1/2 in lies from 1 to
    1 1/2: "the heron" is 9/10 and with 1/8 at the ends 1 3/16, too long; "the" is 3/10, a strip of 9/16. The rest, 2.3
    and the ends, begins 1/16 beyond the circle, at 1 9/16."""
    at_left = Place("left", Across("left"), Down("top"))
    part = replace(STRIPS, text="the heron waits by the lock", place=at_left)
    leaf = Cutout(
        "leaf", "circle", parse("1/2"), parse("1/2"), place=Place("left", Across("left", inches(1)), Down("top"))
    )
    page = evaluate(PagePlan("p", parts=(part, leaf)), on(TEN_AN_INCH))
    (found,) = [f for f in page.findings if f.code == "strip-crossed"]
    assert found.remedies[0].says == "Cut it after “the”"
    again = evaluate(PagePlan("p", parts=(found.remedies[0].part, leaf)), on(TEN_AN_INCH))
    assert [(text(p.rect.x), text(p.rect.width)) for p in again.pieces if p.part == "s"] == [
        ("0 in", "9/16 in"),
        ("1 9/16 in", "2 9/16 in"),
    ]
    said = " ".join(line.written.text for line in again.lines if line.written)
    assert said == "the heron waits by the lock" and not [f for f in again.findings if f.code == "strip-crossed"]


def test_words_stand_on_the_lines_of_their_card() -> None:
    """A card of 3 × 4 whose first line is 3/4 from its top, the others 5/16 apart, 1/4 free at either edge."""
    lines = CardLines(parse("3/4"), parse("5/16"), parse("1/4"), parse("1/4"))
    sheet = replace(paper("cards"), cards=(SheetCard("rain", Rect(ZERO, ZERO, inches(3), inches(4)), lines=lines),))
    at = ground(None, sheet).changed(hands={"t": TEN_AN_INCH})
    card = Card("c", "cards", "rain", place=Place("left", Across("left", inches(2)), Down("top", inches(2))))
    words = Words(
        "w", "the heron waits by the lock", place=Place("left", Across("left", of="c"), Down("top", of="c"))
    )
    page = evaluate(PagePlan("p", parts=(card, words)), at)
    (found,) = [f for f in page.findings if f.code == "card-lines"]
    moved = found.remedies[0].part
    again = evaluate(PagePlan("p", parts=(card, moved)), at)
    assert not [f for f in again.findings if f.code == "card-lines"]
    box = again.box("w")
    assert (box.x, box.width) == (parse("2 1/4"), parse("2 1/2"))
    assert [box.y + one.down for one in to_rule_by(moved, at)][:2] == [parse("2 3/4"), parse("3 1/16")]


def test_a_date_is_one_line_and_its_place_is_kept() -> None:
    kept = evaluate(PagePlan("p", parts=(Date("d"),)), on())
    assert [f.code for f in kept.findings] == ["date"] and not kept.lines
    stamped = evaluate(PagePlan("p", parts=(Date("d", "27 June 2026"),)), on())
    (line,) = stamped.lines
    assert line.written and line.written.text == "27 June 2026" and not stamped.findings
    typed = evaluate(PagePlan("p", parts=(Date("d", "27 June 2026", "written", "t"),)), on(TEN_AN_INCH))
    assert typed.box("d").width == parse("1 1/4"), "twelve letters, ten an inch, on the next mark"


# ---- a series --------------------------------------------------------------------------------------------

TAG = Words(
    "a", "one two three four five six", width=inches(1), height=inches(0, 1, 4), series="tags", numbered=True
)


def said_by(page: PagePlan) -> dict[str, str]:
    """What stands on each block, without its number."""
    found: dict[str, list[str]] = {}
    for line in evaluate(page, on(TEN_AN_INCH)).lines:
        if line.written and not line.written.text.isdigit():
            found.setdefault(line.part, []).append(line.written.text)
    return {part: " ".join(lines) for part, lines in found.items()}


def test_one_text_runs_over_several_tags_and_stays_whole_when_one_is_dropped() -> None:
    """Ten letters a line, a line a tag: "one two", "three four", and the last has the rest and says it is too long."""
    three = PagePlan("p", parts=(TAG, replace(TAG, id="b"), replace(TAG, id="c")))
    assert said_by(three) == {"a": "one two", "b": "three four", "c": "five six"}
    moved = replace(three, parts=(three.parts[2], three.parts[0], three.parts[1]))
    assert said_by(moved) == {"c": "one two", "a": "three four", "b": "five six"}
    dropped = replace(three, parts=three.parts[1:])
    assert said_by(dropped) == {"b": "one two", "c": "three four five six"}
    (found,) = [f for f in evaluate(dropped, on(TEN_AN_INCH)).findings if f.code == "words-too-long"]
    assert found.part == "c"
    assert all(remedy.part.text == TAG.text for remedy in found.remedies), "what is offered has the whole text"


def test_a_heading_stays_with_its_tag_and_the_text_runs_on_below_it() -> None:
    """A heading takes the first of the lines that go into a tag; put in another order, each tag keeps its own, and no
    word of the text is lost."""
    first = replace(TAG, id="a", height=inches(0, 3, 4), heading="Dawn")
    second = replace(TAG, id="b", height=inches(0, 3, 4), heading="Dusk")
    for order in ((first, second), (second, first)):
        page = evaluate(PagePlan("p", parts=order), on(TEN_AN_INCH))
        said = {
            part.id: [line.written.text for line in page.lines if line.part == part.id and line.written]
            for part in order
        }
        assert [said[part.id][0] for part in order] == [part.heading for part in order]
        words = [word for part in order for line in said[part.id][1:] for word in line.split()]
        assert [word for word in words if not word.isdigit()] == TAG.text.split()


def test_the_tags_of_a_series_have_their_numbers() -> None:
    page = evaluate(PagePlan("p", parts=(TAG, replace(TAG, id="b"))), on(TEN_AN_INCH))
    numbers = [line.written.text for line in page.lines if line.written and line.written.text.isdigit()]
    assert numbers == ["1", "2"]
    assert page.parts[1].arithmetic.startswith("2 of 2: ")
