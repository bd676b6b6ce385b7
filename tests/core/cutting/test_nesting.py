"""Outlines nested for a cutting machine. What lies on a bed is measured by another reading: areas of polygons that
share nothing with the cells that placed them."""

from __future__ import annotations

import math
from dataclasses import replace
from itertools import combinations
from typing import get_args

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from shapely.geometry import Polygon as Area
from shapely.geometry import box as rectangle

from tests.core.any_page import SHELF, listed, worked_out
from tests.core.examples import paper, scrap
from tests.core.pages import pages
from ulna.core.cutting import nesting, progress
from ulna.core.cutting.cut_list import CutList, CutSheet
from ulna.core.cutting.nesting import Bed, Traced, covered, nested
from ulna.core.cutting.steps import Finishing, OnSheet, Trace
from ulna.core.cutting.times import MINUTES, estimate
from ulna.core.cutting.traced import Machine, came_out, nest, renumbered, wanted
from ulna.core.geometry.polygons import box, turned
from ulna.core.measure import Unit, inches, parse
from ulna.core.page.plan import PagePlan
from ulna.core.page_formats import of_kind
from ulna.core.paper.shelf import Direction, Shelf
from ulna.core.parts.kinds.title import Title
from ulna.core.parts.lettering import Style
from ulna.core.parts.pieces import PaperChoice

CELL = 1 / 16
MACHINE = Machine(inches(12), inches(12), inches(0, 1, 4))
HALF = inches(0, 1, 2)


def bed(width: float, height: float) -> Bed:
    """Bare paper with nothing kept clear."""
    return Bed(round(width / CELL), round(height / CELL))


def test_two_triangles_share_a_square() -> None:
    """Two of 2 × 2 with a right angle, one turned by half: their boxes want 4 in, nested they go into 2 5/16."""
    one = Traced(((0.0, 0.0), (2.0, 0.0), (0.0, 2.0)))
    ways = [covered(one, CELL), covered(Traced(turned(one.outline, 180, (1.0, 1.0))), CELL)]
    (laid,), left = nested([ways, ways], [bed(2 + 5 / 16, 2 + 5 / 16)])
    assert left == [] and sorted(one.way for one in laid) == [0, 1]


def test_a_small_piece_lies_in_the_counter_of_a_large_one() -> None:
    """A frame of 3 with an opening of 2: a square of 1 1/2 goes into it, one of 2 beside it."""
    frame = Traced(box(0, 0, 3, 3), (box(0.5, 0.5, 2, 2),))
    for size, inside in ((1.5, True), (2.0, False)):
        (laid,), _ = nested([[covered(frame, CELL)], [covered(Traced(box(0, 0, size, size)), CELL)]], [bed(8, 4)])
        at = next(one for one in laid if one.piece == 1)
        assert (at.x * CELL < 3) is inside


def test_what_has_no_room_is_left() -> None:
    (laid,), left = nested([[covered(Traced(box(0, 0, 3, 1)), CELL)]], [bed(2, 2)])
    assert (laid, left) == ([], [0])


def test_the_largest_free_boxes_are_named_first() -> None:
    """A square of 2 in the corner of 6 × 4 leaves 4 × 4 less the gap beside it."""
    there = bed(6, 4)
    there.lay(covered(Traced(box(0, 0, 2, 2)), CELL), 0, 0)
    x, y, width, height = next(there.free(8))
    assert (x * CELL, y, width * CELL, height * CELL) == (2.0625, 0, 3.9375, 4.0)


shapes = st.builds(
    lambda n, size, lean: tuple(
        (size + size * math.cos(2 * math.pi * k / n + lean), size + size * math.sin(2 * math.pi * k / n + lean))
        for k in range(n)
    ),
    st.integers(3, 9),
    st.floats(0.2, 2.0),
    st.floats(0, 3),
)


@given(st.lists(shapes, min_size=1, max_size=14), st.floats(0, 0.5))
@settings(max_examples=60, deadline=None)
def test_nothing_overlaps_and_nothing_lies_in_the_margin(outlines: list[nesting.Polygon], margin: float) -> None:
    blocked = list(nesting.beside(8, 6, box(0, 0, 8, 6), [box(3, 2, 1, 1)], margin, CELL))
    there = Bed(128, 96, blocked)
    (laid,), left = nested([[covered(Traced(one), CELL)] for one in outlines], [there])
    placed = [Area([(x + one.x * CELL, y + one.y * CELL) for x, y in outlines[one.piece]]) for one in laid]
    assert len(laid) + len(left) == len(outlines)
    assert all(a.distance(b) > nesting.GAP - 1e-3 for a, b in combinations(placed, 2))
    inner = rectangle(margin, margin, 8 - margin, 6 - margin)
    assert all(
        inner.buffer(1e-6).covers(one) and one.distance(rectangle(3, 2, 4, 3)) >= margin - 1e-3 for one in placed
    )
    for x, y, width, height in there.free(4):
        free = rectangle(x * CELL, y * CELL, (x + width) * CELL, (y + height) * CELL)
        assert all(free.intersection(one).area < 1e-9 for one in placed)


# ---- a page's outlines ---------------------------------------------------------------------------------------------


def trace(sheet: CutSheet) -> Trace:
    return next(step for step in sheet.steps if isinstance(step, Trace))


@given(pages())
@settings(max_examples=40, deadline=None)
def test_a_pages_outlines_are_cut_as_they_are_drawn(plan: PagePlan) -> None:
    """Whatever the page: each is on its own paper and side, as large as it is drawn, turned only as the paper allows,
    off the branding strip and the holes; and the sheet's paper is accounted for to the last unit."""
    page = worked_out(plan)
    cuts, drawn = listed(page), {piece.id: piece for piece in page.pieces}
    asked = list(wanted(cuts, (), SHELF))
    found = nest(asked, SHELF, MACHINE, Unit.INCH, 1000, HALF)
    assert sum(len(sheet.pieces) for sheet in found.sheets) + len(found.left) == len(asked)
    for sheet in found.sheets:
        step, areas = trace(sheet), list[Area]()
        for piece, outline, openings in zip(sheet.pieces, step.outlines, step.openings, strict=True):
            of, source = drawn[piece.piece], SHELF.paper(sheet.of_paper)
            assert (of.choice.paper, of.choice.side) == (sheet.of_paper, sheet.face)
            wide, high = of.rect.width.inches, of.rect.height.inches
            whole = Area(of.outline).area if of.outline else wide * high
            area = Area(outline)
            assert area.area == pytest.approx(whole, abs=0.01)
            if source.face(of.choice.side).direction is Direction.ONE_WAY:
                assert piece.quarters == next(p.quarters for s in cuts.sheets for p in s.pieces if p.piece == of.id)
            usable = sheet.strip.leaves(sheet.width, sheet.height) if sheet.strip else sheet.whole
            at = rectangle(usable.x.inches, usable.y.inches, usable.right.inches, usable.bottom.inches)
            assert at.buffer(1e-5).covers(area)
            assert all(Area(hole.outline).intersection(area).area < 1e-6 for hole in sheet.holes)
            areas.append(area.difference(Area(openings[0])) if openings else area)
        assert all(one.intersection(other).area < 1e-9 for one, other in combinations(areas, 2))
        shares = progress.shares(sheet, {step.key}, HALF)
        assert sum(share.area for share in shares) == sheet.paper_in(sheet.whole)
        assert len(progress.finished(sheet, {step.key})) == len(sheet.pieces)


def title(text: str) -> CutList:
    plan = PagePlan(
        "p", of_kind("12x12"), parts=(Title("t", text, (Style(face="heavy", papers=(PaperChoice("kraft"),)),)),)
    )
    return CutList(listed_on(plan, Shelf.of([paper("kraft")])))


def listed_on(plan: PagePlan, shelf: Shelf) -> tuple[CutSheet, ...]:
    from tests.core.examples import ground
    from ulna.core.cutting.demand import demand
    from ulna.core.cutting.listing import cut_list
    from ulna.core.measure import Ruler
    from ulna.core.page.evaluate import evaluate
    from ulna.core.planner import plan_cuts

    page = evaluate(plan, replace(ground(plan.format), shelf=shelf))
    return cut_list(
        plan_cuts(demand(page.pieces, shelf), 3000), {p.id: p for p in page.pieces}, shelf, Ruler()
    ).sheets


def test_scraps_first_and_no_sheet_is_begun_where_they_do() -> None:
    """LOCK goes on a rest of 6 × 3; with none it begins a sheet and leaves most of it."""
    cuts = title("LOCK")
    with_rest = Shelf.of([paper("kraft"), scrap("rest", "kraft", "6", "3")])
    found = nest(list(wanted(cuts, (), with_rest)), with_rest, MACHINE, Unit.INCH, 1, HALF)
    assert [(sheet.paper, len(sheet.pieces)) for sheet in found.sheets] == [("rest", 4)] and not found.left
    bare = Shelf.of([paper("kraft")])
    (sheet,) = nest(list(wanted(cuts, (), bare)), bare, MACHINE, Unit.INCH, 1, HALF).sheets
    assert sheet.paper == "kraft" and max(rest.at.height for rest in sheet.rests) > inches(9)


def test_what_was_spoiled_is_waste_and_what_was_not_cut_is_on_no_sheet() -> None:
    cuts, bare = title("LOCK"), Shelf.of([paper("kraft")])
    (sheet,) = nest(list(wanted(cuts, (), bare)), bare, MACHINE, Unit.INCH, 1, HALF).sheets
    came = came_out(sheet, spoilt={2}, uncut={4})
    ticked = {trace(came).key}
    assert [piece.number for piece in progress.done(came, ticked)] == [1, 3]
    shares = progress.shares(came, ticked, HALF)
    assert sum(share.area for share in shares) == came.paper_in(came.whole)
    assert [p.number for p in renumbered(came, 20).pieces] == [20, 21, 22]


def test_every_kind_of_step_takes_its_time() -> None:
    """What the machine cuts among them: a page that was cut by it can be put into the log."""
    kinds = {kind.kind for kind in get_args(OnSheet) + get_args(Finishing)}
    assert kinds == MINUTES.keys()
    cuts, bare = title("LOCK"), Shelf.of([paper("kraft")])
    sheets = nest(list(wanted(cuts, (), bare)), bare, MACHINE, Unit.INCH, 1, HALF).sheets
    assert estimate(CutList(sheets), frozenset(), {}).minutes == MINUTES["trace"]


def test_a_sheet_larger_than_the_bed_is_used_as_far_as_it_lies_on_it() -> None:
    cuts, bare = title("LOCK"), Shelf.of([paper("kraft")])
    small = Machine(parse("5"), parse("4"), inches(0, 1, 4))
    for sheet in nest(list(wanted(cuts, (), bare)), bare, small, Unit.INCH, 1, HALF).sheets:
        for outline in trace(sheet).outlines:
            assert all(x <= 5 and y <= 4 for x, y in outline)
