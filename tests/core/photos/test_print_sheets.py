"""Prints on sheets: never over each other, never in the margin, on as few as can be."""

from __future__ import annotations

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from ulna.core.geometry.rects import Borders, Rect
from ulna.core.measure import ZERO, Length, Ruler, Unit, inches, mm, parse
from ulna.core.photos.print_sheets import OVERLAP, PrintPaper, PrintPlan, Wanted, plan

RULER = Ruler()
EIGHTH = parse("1/8")


def paper(id: str, width: str, height: str, margin: str = "1/4", count: int | None = None) -> PrintPaper:
    return PrintPaper(id, id, parse(width), parse(height), Borders.even(parse(margin)), count)


LETTER, SMALL = paper("letter", "8 1/2", "11"), paper("4x6", "4", "6", "0 in")
LARGE = paper("13x19", "13", "19", "1/8")


def prints(*sizes: tuple[str, str], copies: int = 1) -> list[Wanted]:
    return [Wanted(f"w{k}", f"print {k}", parse(w), parse(h), copies) for k, (w, h) in enumerate(sizes)]


def laid(papers: list[PrintPaper], wanted: list[Wanted], gap: Length = EIGHTH) -> PrintPlan:
    return plan(papers, wanted, gap, RULER)


def test_two_prints_of_4_by_6_go_on_one_letter_sheet() -> None:
    """Lying over each other, with cut marks, labels and a line of 4 in."""
    found = laid([LETTER], prints(("4", "6"), copies=2))
    assert len(found.sheets) == 1 and found.left == ()
    sheet = found.sheets[0]
    assert len(sheet.placed) == 2 and sheet.ticks and sheet.line is not None
    assert sheet.line.at.width == inches(4)
    assert [label.text for label in sheet.labels] == ["print 0, 4 × 6"] * 2


def test_the_line_is_of_100_mm_for_people_who_measure_in_millimetres() -> None:
    """Whichever they have on their ruler."""
    found = plan([LETTER], prints(("4", "6")), EIGHTH, Ruler(Unit.MM, mm(1)))
    assert found.sheets[0].line is not None and found.sheets[0].line.at.width == mm(100)


def test_a_print_as_large_as_a_paper_without_margins_fills_it() -> None:
    """Nothing stands beside it then, and nothing on it."""
    found = laid([SMALL], prints(("4", "6")))
    assert (len(found.sheets), found.sheets[0].ticks, found.sheets[0].labels) == (1, (), ())


def test_of_equally_many_sheets_the_smaller_paper_is_taken() -> None:
    """One small print does not begin a 13 × 19."""
    assert laid([LARGE, LETTER, SMALL], prints(("3", "4"))).sheets[0].paper.id == "4x6"
    assert laid([LARGE, LETTER], prints(("8", "10"), ("5", "7"))).sheets[0].paper.id == "13x19"


def test_a_paper_that_runs_out_leaves_prints_over() -> None:
    """They are named."""
    found = laid([paper("5x7", "5", "7", "0 in", 2)], prints(("5", "7"), copies=3))
    assert len(found.sheets) == 2
    assert [left.sentence for left in found.left] == ["print 0: no paper is left for it."]
    nothing = laid([], prints(("4", "6")))
    assert nothing.left[0].sentence == "print 0: there is no paper to print on; load or choose one."


def test_a_spread_comes_in_its_halves() -> None:
    """24 × 12 over the gutter: each half whole on a 13 × 19."""
    found = laid([LARGE], [Wanted("w", "Lock", inches(24), inches(12), 1, inches(12))])
    parts = [p.part for s in found.sheets for p in s.placed]
    assert [(p.label, p.shows.width, p.trim_left) for p in parts] == [
        ("Lock, left half", inches(12), ZERO),
        ("Lock, right half", inches(12), ZERO),
    ]
    assert found.notes == ("Lock, 24 × 12, is larger than the paper and comes in 2 parts; each half is whole.",)


def test_a_larger_print_comes_in_parts_with_an_overlap_to_trim() -> None:
    """A poster of 20 × 12 on letter: its parts cover it, each a quarter of an inch over the one before."""
    found = laid([LETTER], [Wanted("w", "Poster", inches(20), inches(12))])
    parts = [p.part for s in found.sheets for p in s.placed]
    assert len(parts) == 4
    shown = {(p.shows.x, p.shows.y) for p in parts}
    assert len(shown) == 4
    for p in parts:
        assert (p.trim_left == OVERLAP) == (p.shows.x > ZERO) and (p.trim_top == OVERLAP) == (p.shows.y > ZERO)
    kept = sum((p.shows.width - p.trim_left).units * (p.shows.height - p.trim_top).units for p in parts)
    assert kept == inches(20).units * inches(12).units


@pytest.mark.parametrize(("on", "turned"), [(LETTER, True), (paper("five", "5", "8"), False)])
def test_what_is_cut_in_itself_has_ticks_and_a_sentence(on: PrintPaper, turned: bool) -> None:
    """A template cut apart at 2 in: a tick at both ends of the cut, also where it lies turned."""
    one = Wanted("w", "Six", inches(4), inches(6), across=(inches(2),))
    (sheet,) = laid([on], [one]).sheets
    (placed,) = sheet.placed
    assert placed.turned == turned
    at = placed.at
    ends = [t for t in sheet.ticks if inches(2) in (t.x - at.x, t.y - at.y)]
    assert len(ends) == 2
    assert laid([on], [one]).notes == ("Cut Six apart: set 2 from its left.",)


def apart(boxes: list[Rect]) -> bool:
    """Whether edge-to-edge cuts alone part the boxes."""
    if len(boxes) < 2:
        return True
    for low, high in (("x", "right"), ("y", "bottom")):
        for at in sorted({getattr(b, high) for b in boxes}):
            one = [b for b in boxes if getattr(b, high) <= at]
            other = [b for b in boxes if getattr(b, low) >= at]
            if one and other and len(one) + len(other) == len(boxes):
                return apart(one) and apart(other)
    return False


sides = st.integers(8, 8 * 21).map(lambda n: inches(0, n, 8))
wanted = st.lists(st.tuples(sides, sides, st.integers(1, 3)), min_size=1, max_size=6)
papers = st.lists(
    st.sampled_from([LETTER, SMALL, LARGE, paper("own", "7", "9", "3/8", 2)]), min_size=1, max_size=3, unique=True
)


@settings(max_examples=40, deadline=None)
@given(papers, wanted, st.sampled_from([ZERO, EIGHTH, parse("3/8")]))
def test_prints_keep_clear_of_each_other_and_of_the_margins(
    on: list[PrintPaper], sizes: list[tuple[Length, Length, int]], gap: Length
) -> None:
    """Whatever is printed on whatever: apart by the gap, cut apart edge to edge, marks and labels on no print."""
    asked = [Wanted(f"w{k}", f"print {k}", w, h, n) for k, (w, h, n) in enumerate(sizes)]
    found = laid(on, asked, gap)
    for sheet in found.sheets:
        printable = sheet.paper.printable
        boxes = [p.at for p in sheet.placed]
        for k, box in enumerate(boxes):
            assert printable.contains(box)
            grown = Rect(box.x - gap, box.y - gap, box.width + gap * 2, box.height + gap * 2)
            assert not any(grown.meets(other) for n, other in enumerate(boxes) if n != k)
        beside = [*sheet.ticks, *(label.at for label in sheet.labels), *([sheet.line.at] if sheet.line else [])]
        assert all(printable.contains(mark) for mark in beside)
        assert not any(box.meets(mark) for box in boxes for mark in beside)
        assert apart(boxes)
        for placed in sheet.placed:
            turned = (placed.at.height, placed.at.width) if placed.turned else (placed.at.width, placed.at.height)
            assert turned == (placed.part.shows.width, placed.part.shows.height)
    there = sum(len(s.placed) for s in found.sheets) + len(found.left)
    assert there >= sum(n for _, _, n in sizes)


@pytest.mark.parametrize("count", [None, 1])
def test_the_same_list_gives_the_same_sheets(count: int | None) -> None:
    """Whenever it is asked."""
    on = [paper("letter", "8 1/2", "11", "1/4", count)]
    assert laid(on, prints(("4", "6"), ("3", "3"))) == laid(on, prints(("4", "6"), ("3", "3")))
