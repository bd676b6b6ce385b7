"""Titles: which letters they take, how long they come out, where their letters stand, what is short."""

from __future__ import annotations

import itertools
from collections import Counter
from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.core.examples import ground, paper
from ulna.core.geometry import polygons
from ulna.core.measure import MARKS, Ruler, Unit, inches, mm
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.paper.shelf import Shelf
from ulna.core.parts.kinds.title import Title, longest, wanted
from ulna.core.parts.lettering import CUT, Style, Swap
from ulna.core.parts.pieces import Ground, PaperChoice
from ulna.core.words.alphabets import Alphabet, Letters, MeasuredWord

# Every letter 1/2 in wide, to be added up by hand.
EVEN = tuple(MeasuredWord(c, inches(0, 1, 2)) for c in "HERONLOCKtea69W")
BLOCK = Alphabet("block", "Block", inches(1), "HHEERROONN69", measured=EVEN)
TIN = Alphabet("tin", "Tin", inches(0, 1, 2), "HERONLOCKteaHERON")
IN_BLOCK, IN_TIN = Style("block"), Style("tin")


def on(*alphabets: Alphabet, left: dict[str, Letters] | None = None) -> Ground:
    bare = ground(None, paper("ink"), paper("reach"))
    return bare.changed(shelf=Shelf.of(list(bare.shelf.papers.values()), (), alphabets or (BLOCK, TIN), left))


def short(title: Title, at: Ground) -> list[str]:
    return [f.sentence for f in evaluate(PagePlan("p", parts=(title,)), at).findings if f.code == "letters"]


# ---- which letters -------------------------------------------------------------------------------------


def test_two_alphabets_take_turns_by_word_or_by_letter() -> None:
    """HERON LOCK: the words in turn; or H, R, N, O, K of the one and E, O, L, C of the other."""
    words = Title("t", "HERON LOCK", (IN_BLOCK, IN_TIN))
    assert wanted(words) == {"block": Counter("HERON"), "tin": Counter("LOCK")}
    letters = replace(words, by="letter")
    assert wanted(letters) == {"block": Counter("HRNOK"), "tin": Counter("EOLC")}


def test_the_last_ones_are_turned_or_cut_as_is_said() -> None:
    """Of 99 the second is a 6 turned round; one that is cut takes no letter."""
    years = Title("t", "99", (IN_BLOCK,), swaps=(Swap("9", "6", 1),))
    assert wanted(years) == {"block": Counter("96")}
    assert wanted(replace(years, swaps=(Swap("9", CUT, 2),))) == {}


# ---- how long ------------------------------------------------------------------------------------------


def test_a_line_is_its_letters_and_the_gaps_between_them() -> None:
    """HERON: 5 × 1/2 + 4 × 1/8 = 3 in."""
    title = Title("t", "HERON", (IN_BLOCK,), letters=inches(0, 1, 8))
    assert longest(title, on()) == inches(3)
    (part,) = evaluate(PagePlan("p", parts=(title,)), on()).parts
    assert part.box is not None and part.box.width == inches(3)


def test_a_space_stands_instead_of_a_gap() -> None:
    """HE RO: 4 × 1/2, a gap of 1/8 in each word, and a space of 0.4 of the cap height: 2 + 1/4 + 0.4 in."""
    title = Title("t", "HE RO", (IN_BLOCK,), letters=inches(0, 1, 8))
    assert longest(title, on()).inches == pytest.approx(2 + 1 / 4 + 0.4, abs=1e-4)


def test_lines_hang_below_each_other_by_the_gap() -> None:
    """Two lines of capitals an inch high and 1/8 apart: 2 1/8 in, give or take what round letters overshoot."""
    title = Title("t", "HEN\nHEN", (IN_BLOCK,), lines=inches(0, 1, 8))
    (part,) = evaluate(PagePlan("p", parts=(title,)), on()).parts
    assert part.box is not None and part.box.height == inches(2, 1, 8)


def test_a_row_is_tucked_behind_another_by_the_overlap() -> None:
    title = Title("t", "HEN\nHEN", (IN_BLOCK,), lines=inches(0, -1, 4))
    (part,) = evaluate(PagePlan("p", parts=(title,)), on()).parts
    assert part.box is not None and part.box.height == inches(1, 3, 4)


def test_upright_is_as_high_as_it_was_long() -> None:
    title = Title("t", "HERON", (IN_BLOCK,), letters=inches(0, 1, 8), upright="up")
    (part,) = evaluate(PagePlan("p", parts=(title,)), on()).parts
    assert part.box is not None and part.box.height == inches(3)
    assert {piece.angle for piece in evaluate(PagePlan("p", parts=(title,)), on()).pieces} == {-90.0}


@given(st.sampled_from(["HERON", "tea LOCK", "H\nE"]), st.sampled_from(["plain", "slab", "script", "hand"]))
def test_the_largest_that_fits_fits_and_a_mark_more_does_not(text: str, face: str) -> None:
    room = inches(4), inches(1, 1, 2)
    title = Title("t", text, (Style(face=face),), fit=True, width=room[0], height=room[1])  # type: ignore[arg-type]
    pieces = evaluate(PagePlan("p", parts=(title,)), on()).pieces
    (part,) = evaluate(PagePlan("p", parts=(title,)), on()).parts
    assert pieces and part.box is not None and part.box.width <= room[0] and part.box.height <= room[1]
    told = part.arithmetic.rsplit(" are ", 1)[1]
    larger = replace(title, fit=False, styles=(Style(face=face, height=_parsed(told) + inches(0, 1, 16)),))  # type: ignore[arg-type]
    (more,) = evaluate(PagePlan("p", parts=(larger,)), on()).parts
    assert more.box is not None and (more.box.width > room[0] or more.box.height > room[1])


def _parsed(said: str):  # type: ignore[no-untyped-def]
    from ulna.core.measure import parse

    return parse(said)


# ---- where its letters stand ---------------------------------------------------------------------------


@given(
    st.text("HERONtea ", min_size=1, max_size=14).filter(str.strip),
    st.integers(0, 4),
    st.sampled_from(["left", "centre", "right"]),
)
def test_letters_never_overlap_unless_asked(text: str, gap: int, align: str) -> None:
    """Boxes of neighbours have the gap between them, or more."""
    title = Title("t", text, (Style(face="slab"),), letters=inches(0, gap, 16), align=align)  # type: ignore[arg-type]
    boxes: dict[str, list[tuple[float, float]]] = {}
    for piece in evaluate(PagePlan("p", parts=(title,)), on()).pieces:
        left, _, right, _ = polygons.bounds(piece.seen)
        boxes.setdefault(piece.id.split("letter-")[1].split("-")[0], []).append((left, right))
    spans = sorted((min(a for a, _ in of), max(b for _, b in of)) for of in boxes.values())
    assert all(b[0] - a[1] >= gap / 16 - 1e-6 for a, b in itertools.pairwise(spans))


def test_papers_are_drawn_with_no_two_neighbours_alike() -> None:
    papers = PaperChoice("ink"), PaperChoice("reach")
    title = Title("t", "HERON", (Style(papers=papers),), drawn=True, seed=4)
    found = [piece.choice.paper for piece in evaluate(PagePlan("p", parts=(title,)), on()).pieces]
    assert len(found) == 5 and all(a != b for a, b in itertools.pairwise(found))


def test_cut_letters_lie_in_layers_and_those_of_an_alphabet_are_not_cut() -> None:
    cut = Title("t", "HO", (Style(),), layers=3)
    assert sum(piece.is_paper for piece in evaluate(PagePlan("p", parts=(cut,)), on()).pieces) == 6
    stuck = Title("t", "HO", (IN_BLOCK,), layers=3)
    assert not any(piece.is_paper for piece in evaluate(PagePlan("p", parts=(stuck,)), on()).pieces)


# ---- enough? -------------------------------------------------------------------------------------------


def test_enough_letters_say_nothing() -> None:
    assert short(Title("t", "HERON", (IN_BLOCK,)), on()) == []


def test_what_is_short_is_told_as_people_count_and_what_would_do_was_tried() -> None:
    """Of two 9 one is there; a 6 can be turned, or one is cut, or the number left out. The other alphabet has no 9
    either, and is not offered."""
    title = Title("t", "HERON 99", (IN_BLOCK,))
    assert short(title, on()) == ["Block has one 9 left; it takes one more 9."]
    (found,) = [f for f in evaluate(PagePlan("p", parts=(title,)), on()).findings if f.code == "letters"]
    assert [remedy.says for remedy in found.remedies] == [
        "Take 6 for 9, turned", "Cut 9 from paper at that height", "Leave out “99”", "Another pack of Block is here",
    ]  # fmt: skip
    assert [remedy.pack for remedy in found.remedies] == [None, None, None, "block"]
    assert short(title, on(replace(BLOCK, packs=2), TIN)) == []
    for remedy in found.remedies[:3]:
        assert isinstance(remedy.part, Title) and short(remedy.part, on()) == []


def test_stamps_never_run_out() -> None:
    stamps = replace(BLOCK, material="stamps")
    assert short(Title("t", "9999", (IN_BLOCK,)), on(stamps, TIN)) == []
    assert short(Title("t", "9999", (IN_BLOCK,)), on()) != []


def test_another_alphabet_is_offered_where_it_has_them() -> None:
    """LOCK is in the tin, not in the block."""
    title = Title("t", "HERON LOCK", (IN_BLOCK,))
    (found,) = [f for f in evaluate(PagePlan("p", parts=(title,)), on()).findings if f.code == "letters"]
    second = next(remedy for remedy in found.remedies if remedy.says == "Take Tin for every second word")
    assert isinstance(second.part, Title) and short(second.part, on()) == []


def test_what_another_page_has_planned_is_off() -> None:
    """There are two H; another page takes both."""
    taken = {"block": Counter(E=2, R=2, O=2, N=2), "tin": Counter()}
    assert short(Title("t", "HERON", (IN_BLOCK,)), on(left=taken)) == ["Block has no H left; it takes one more H."]


def test_a_second_title_of_the_page_comes_too_late() -> None:
    two = PagePlan("p", parts=(Title("a", "HER", (IN_BLOCK,)), Title("b", "HERE", (IN_BLOCK,))))
    found = [f for f in evaluate(two, on()).findings if f.code == "letters"]
    assert [(f.part, f.sentence) for f in found] == [("b", "Block has one E left; it takes one more E.")]


# ---- odd texts -----------------------------------------------------------------------------------------


def test_what_a_face_lacks_is_named_and_left_out_by_a_press() -> None:
    title = Title("t", "HE☂", (Style(),))
    (found,) = [f for f in evaluate(PagePlan("p", parts=(title,)), on()).findings if f.code == "no-letter"]
    assert found.sentence.startswith("It has no ☂")
    assert found.remedies[0].part == replace(title, text="HE")


@pytest.mark.parametrize("text", ["", " \n ", "☂☂", "\u05e9\u05dc\u05d5\u05dd"])
def test_a_title_of_no_letters_is_told_and_takes_nothing(text: str) -> None:
    found = evaluate(PagePlan("p", parts=(Title("t", text, (Style(),)),)), on())
    assert not found.pieces and any(f.severity == "stop" for f in found.findings)


def test_an_alphabet_without_letters_or_one_that_is_gone_is_told() -> None:
    bare = Alphabet("bare", "Bare")
    assert short(Title("t", "H", (Style("bare"),)), on(bare)) == ["Bare has no H left; it takes one more H."]
    gone = evaluate(PagePlan("p", parts=(Title("t", "H", (Style("lost"),)),)), on()).findings
    assert any(f.code == "alphabet-gone" and f.remedies for f in gone)


# ---- too long ------------------------------------------------------------------------------------------


def test_a_line_longer_than_the_page_is_broken_or_made_smaller() -> None:
    """HERON LOCK of letters 1/2 wide three times over is longer than 12 in; broken at its spaces it is not."""
    title = Title("t", "HERON LOCK HERON LOCK HERON LOCK", (Style(height=inches(2)),), letters=inches(0, 1, 4))
    (found,) = [f for f in evaluate(PagePlan("p", parts=(title,)), on()).findings if f.code == "title-long"]
    assert [one.says for one in found.remedies] == ["Break it into lines", "As large as it fits"]
    for one in found.remedies:
        again = evaluate(PagePlan("p", parts=(one.part,)), on())  # type: ignore[arg-type]
        assert not [f for f in again.findings if f.code == "title-long"]
        assert again.parts[0].box is not None and again.parts[0].box.width <= inches(12)
    lines = found.remedies[0].part
    assert isinstance(lines, Title) and lines.text.split() == title.text.split() and "\n" in lines.text


def test_the_word_that_does_not_fit_is_named() -> None:
    title = Title("t", "a HERONHERON", (Style(height=inches(3)),))
    (found,) = [f for f in evaluate(PagePlan("p", parts=(title,)), on()).findings if f.code == "title-long"]
    assert "“HERONHERON” alone is" in found.sentence
    assert [one.says for one in found.remedies] == ["As large as it fits"]


@given(
    st.text("HERON69", min_size=1, max_size=14),
    st.text("HERON69", max_size=14),
    st.text("HHEERROONN6699", max_size=20),
)
def test_titles_never_take_more_than_the_shelf_has_without_saying_so(here: str, there: str, letters: str) -> None:
    """Whatever two titles take: it is told of one exactly where some letter is wanted more often than there is, and
    each remedy leaves less missing on the page."""
    few = replace(BLOCK, letters=letters)
    titles = (Title("a", here, (IN_BLOCK,)), Title("b", there or "H", (IN_BLOCK,)))
    told = [f for f in evaluate(PagePlan("p", parts=titles), on(few)).findings if f.code == "letters"]
    taken = wanted(titles[0])["block"] + wanted(titles[1])["block"]
    assert bool(told) == any(count > letters.count(one) for one, count in taken.items())
    for finding in told:
        for remedy in finding.remedies:
            mended = [replace_one(part, remedy.part) for part in titles]
            there_is = letters * 2 if remedy.pack else letters
            assert sum(_missing(mended, there_is).values()) < sum(_missing(titles, letters).values()), remedy.says


def replace_one(part: Title, by: object) -> Title:
    return by if isinstance(by, Title) and by.id == part.id else part


def _missing(titles, letters: str) -> Counter[str]:  # type: ignore[no-untyped-def]
    taken = sum((wanted(title).get("block", Counter()) for title in titles), Counter[str]())
    return taken - Counter(letters)


def test_in_millimetres_a_line_is_its_letters_and_the_gaps() -> None:
    """HERON: 5 × 12 + 4 × 2 = 68 mm, told with a ruler of millimetres."""
    metric = replace(BLOCK, height=mm(20), measured=tuple(MeasuredWord(c, mm(12)) for c in "HERON"))
    at = on(metric).changed(ruler=Ruler(Unit.MM, MARKS["1 mm"]))
    title = Title("t", "HERON", (IN_BLOCK,), letters=mm(2))
    assert longest(title, at) == mm(68)
    (part,) = evaluate(PagePlan("p", parts=(title,)), at).parts
    assert "68 × 20" in part.arithmetic or "68 × 21" in part.arithmetic, "round letters overshoot by a little"
