"""Grids: solved for whichever value is left open, cells that span, what is told where it does not fit."""

from __future__ import annotations

from itertools import combinations

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from tests.core.examples import HERON, ground, said, size, worked
from ulna.core.measure import MARKS, ZERO, Length, Ruler, Unit, inches, mm, parse
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.page_formats import of_kind
from ulna.core.parts.kinds.grid import Cell, Grid, solve
from ulna.core.parts.pieces import PaperChoice
from ulna.core.parts.place import Place
from ulna.core.photos.prints import Print

PAPERS = (PaperChoice("a"), PaperChoice("b"))
RULER = Ruler()
TWELVE = inches(12)


def starts(count: int, cell: str, gap: str, margin: str, open: str, room: Length = TWELVE) -> list[str]:
    way = solve(room, count, parse(cell), parse(gap), parse(margin), open, RULER)  # type: ignore[arg-type]
    assert not way.missing
    return [RULER.say(way.cell), *map(RULER.say, way.starts(RULER))]


@pytest.mark.parametrize(
    ("open", "count", "cell", "gap", "margin", "solved"),
    [
        # 12 = 2 × 1/2 + 3 × w + 2 × 1/4: w = 3 1/2
        ("cells", 3, "1", "1/4", "1/2", ["3 1/2", "1/2", "4 1/4", "8"]),
        # 12 = 2 × 1/2 + 3 × 3 + 2g: g = 1
        ("gap", 3, "3", "0", "1/2", ["3", "1/2", "4 1/2", "8 1/2"]),
        # 12 = 2m + 3 × 3 + 2 × 1/4: m = 1 1/4
        ("margins", 3, "3", "1/4", "0", ["3", "1 1/4", "4 1/2", "7 3/4"]),
        # (12 − 3 × 3) / 4 = 3/4 all round
        ("equal gaps", 3, "3", "0", "0", ["3", "3/4", "4 1/2", "8 1/4"]),
        # as many of 2 1/2 with 1/4 between as fit within margins of 1/2: four, the rest to the margins
        ("how many", 0, "2 1/2", "1/4", "1/2", ["2 1/2", "5/8", "3 3/8", "6 1/8", "8 7/8"]),
        ("nothing", 2, "3", "1/4", "1/2", ["3", "1/2", "3 3/4"]),
    ],
)
def test_whichever_value_is_left_open_follows(
    open: str, count: int, cell: str, gap: str, margin: str, solved: list[str]
) -> None:
    assert starts(count, cell, gap, margin, open) == solved


def test_in_millimetres_as_in_inches() -> None:
    """300 mm = 2 × 10 + 4 × w + 3 × 5: w = 66 1/4, cut 66; the millimetre that is left goes to one gap, and is told."""
    ruler = Ruler(Unit.MM, MARKS["1 mm"])
    way = solve(mm(300), 4, mm(1), mm(5), mm(10), "cells", ruler)
    assert way.cell == mm(66)
    at = way.starts(ruler)
    assert at[0] == mm(10) and at[-1] + way.cell == mm(290)


def test_the_last_cell_ends_where_it_should_and_the_wider_gap_is_named() -> None:
    """12 less 7 cells of 1 5/8: gaps of 1/8 but for two that got a sixteenth less; said which."""
    built = worked(Grid("g", 1, 7, parse("1 1/2"), parse("1"), margin=parse("1/4"), open="gap", papers=PAPERS))
    assert built.pieces[-1].rect.right == parse("11 3/4")
    (told,) = [f for f in built.findings if f.code == "uneven"]
    assert told.sentence.startswith("On marks, gap")


def test_a_cell_spans_others_and_what_is_kept_free_has_no_piece() -> None:
    """A photo over 2 × 2 of 3 × 3 cells of 3 1/2: 7 1/4 both ways; a place for the title takes no paper."""
    cells = (Cell(0, 0, 2, 2, "photo"), Cell(2, 0, 1, 3, "title"))
    built = worked(Grid("g", 3, 3, cells=cells, papers=PAPERS))
    photo = next(p for p in built.pieces if p.role == "print")
    assert size(photo.rect.width, photo.rect.height) == "7 1/4 × 7 1/4"
    assert len(built.pieces) == 3  # the photo and the two cells right of it


def test_a_shaped_cell_is_cut_from_its_box() -> None:
    built = worked(Grid("g", 1, 2, cells=(Cell(0, 0, figure="circle"),), papers=PAPERS))
    assert built.pieces[0].outline and not built.pieces[1].outline


def test_cells_on_each_other_are_told() -> None:
    cells = (Cell(0, 0, 2, 2, "photo"), Cell(1, 1))
    (told,) = worked(Grid("g", cells=cells)).findings
    assert told.sentence == "Two cells lie at row 2, column 2; make one of them smaller."


def test_cells_on_each_other_are_told_where_it_is_solved_how_many_there_are() -> None:
    """Rows and columns are not the person's then: a grid of 1 × 1 that comes out as 4 × 4 has a cell at row 3."""
    cells, side = (Cell(2, 3), Cell(2, 3, figure="circle")), inches(2)
    part = Grid("g", 1, 1, side, side, ZERO, ZERO, "how many", inches(8), inches(8), cells=cells)
    (told,) = worked(part).findings
    assert told.sentence == "Two cells lie at row 3, column 4; make one of them smaller."


def test_over_a_spread_each_page_has_its_columns_and_the_gutter_is_counted() -> None:
    """Four columns: two on each page within its own margins; no piece lies on the gutter."""
    grid = Grid("g", 2, 4, gap=parse("1/4"), margin=parse("1/2"), papers=PAPERS, place=Place("spread"))
    on = ground(of_kind("12x12", 2))
    page = evaluate(PagePlan("p", on.format, parts=(grid,)), on)
    assert [RULER.say(p.rect.x) for p in page.pieces[:4]] == ["1/2", "6 1/8", "12 1/2", "18 1/8"]
    assert all(p.half is None for p in page.pieces) and "on each page" in page.parts[0].arithmetic


def test_what_does_not_fit_is_told_with_the_remedies_in_order() -> None:
    """Three prints of 4 × 6 with rims beside each other on 12 in, 1/8 between: 1/4 too wide; each remedy fits."""
    rimmed = Print("heron", rim=parse("1/8"))
    cells = tuple(Cell(0, k, what="photo", print=rimmed) for k in range(3))
    grid = Grid("g", 1, 3, parse("4"), parse("6"), parse("1/8"), ZERO, "nothing", cells=cells)
    on = ground(photos={"heron": HERON})
    (told,) = worked(grid, on).findings
    assert told.severity == "stop" and told.sentence == "It does not fit by 1/4 across."
    assert [r.says for r in told.remedies] == [
        "Cut the rims off",
        "Trim each photo by 1/16 all round",
        "Cells of 3 1/2 × 5",
        "Cells of 3 × 4",
        "A gap of 0",
        "One column fewer",
        "Go over to a double page",
    ]
    for remedy in told.remedies[:-1]:
        assert isinstance(remedy.part, Grid) and worked(remedy.part, on).is_there, remedy.says
    double = told.remedies[-1]
    assert double.pages == 2 and isinstance(double.part, Grid)
    wide = ground(of_kind("12x12", 2), photos={"heron": HERON})
    assert worked(double.part, wide).is_there


def test_a_photo_larger_than_its_cell_is_trimmed_or_printed_smaller() -> None:
    grid = Grid(
        "g", 1, 1, parse("3"), parse("3"), open="nothing", cells=(Cell(0, 0, what="photo", print=Print("heron")),)
    )
    on = ground(photos={"heron": HERON})
    (told,) = [f for f in worked(grid, on).findings if f.code == "cell"]
    assert told.sentence == "Heron is 4 × 6 in a cell of 3 × 3."
    for remedy in told.remedies:
        assert isinstance(remedy.part, Grid)
        assert not any(f.code == "cell" for f in worked(remedy.part, on).findings)


def test_where_equal_gaps_differ_the_cell_that_makes_them_equal_is_offered() -> None:
    """Three across, two down of 3 × 3 on 12 × 12: gaps of 3/4 and 2; cells of 1 5/16 would make them equal."""
    grid = Grid("g", 2, 3, open="equal gaps", papers=PAPERS)
    (told,) = [f for f in worked(grid).findings if f.code == "gaps"]
    assert told.sentence.startswith("Gaps are 3/4 across and 2 down. Cells 1 5/16 wide")
    mended = told.remedies[0].part
    assert isinstance(mended, Grid) and mended.cell_width == parse("1 5/16")


@pytest.mark.parametrize(("rows", "columns"), [(0, 3), (3, 0), (100, 100)])
def test_counts_that_are_no_grid_are_told(rows: int, columns: int) -> None:
    assert worked(Grid("g", rows, columns)).findings[0].severity == "stop"


def test_gaps_that_leave_nothing_are_told() -> None:
    (told,) = worked(Grid("g", gap=parse("6"))).findings
    assert told.severity == "stop" and "does not fit" in told.sentence


def test_it_is_said_in_one_sentence() -> None:
    words = said(Grid("g", 2, 3, papers=PAPERS))
    assert words.startswith("Grid of 2 rows and 3 columns, 1/4 apart, margins 1/2")


grids = st.builds(
    Grid,
    st.just("g"),
    st.integers(1, 6),
    st.integers(1, 6),
    st.integers(4, 64).map(lambda n: inches(0, n, 16)),
    st.integers(4, 64).map(lambda n: inches(0, n, 16)),
    st.integers(0, 16).map(lambda n: inches(0, n, 16)),
    st.integers(0, 16).map(lambda n: inches(0, n, 16)),
    st.sampled_from(["nothing", "cells", "gap", "margins", "equal gaps", "how many"]),
    papers=st.just(PAPERS),
    cells=st.sampled_from([(), (Cell(0, 0, 2, 2),), (Cell(1, 0, 1, 2, "photo"),)]),
)


@given(grids)
@settings(max_examples=150, deadline=None)
def test_cells_never_overlap_and_never_leave_the_page(grid: Grid) -> None:
    """Whatever is solved for; or it is told why there are none."""
    built = worked(grid)
    if not built.is_there:
        assert built.findings[0].severity == "stop"
        return
    rects = [p.rect for p in built.pieces]
    assert not any(a.meets(b) for a, b in combinations(rects, 2))
    for r in rects:
        assert r.x >= ZERO and r.y >= ZERO and r.right <= built.width and r.bottom <= built.height
