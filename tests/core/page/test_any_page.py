"""What holds for any page: from its recipe to the last cut, nothing is lost, doubled or off the marks."""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from tests.core.any_page import QUICK, SHELF, listed, worked_out
from tests.core.examples import ground
from tests.core.pages import PAPERS, pages
from ulna.core.cutting import progress
from ulna.core.cutting.blocks_in_phase import blocks
from ulna.core.cutting.cut_list import CutSheet
from ulna.core.cutting.demand import demand
from ulna.core.cutting.listing import cut_list
from ulna.core.cutting.steps import Cut, Gut
from ulna.core.geometry.polygons import area, bounds
from ulna.core.geometry.rects import Rect
from ulna.core.kit.cost import cost
from ulna.core.measure import MARKS, ZERO, Ruler, Unit, inches
from ulna.core.page.evaluate import evaluate
from ulna.core.page.halves import halved
from ulna.core.page.plan import PagePlan
from ulna.core.page_formats import of_kind
from ulna.core.parts.kinds.panel import Panel
from ulna.core.planner import plan_cuts

MARK = inches(0, 1, 16)


def halves(step: Cut) -> list[Rect]:
    """What a straight cut makes of a part, worked out on its own."""
    of = step.of
    if step.axis == "vertical":
        near = Rect(of.x, of.y, step.setting, of.height)
        return [near, Rect(near.right, of.y, of.width - step.setting, of.height)]
    near = Rect(of.x, of.y, of.width, step.setting)
    return [near, Rect(of.x, near.bottom, of.width, of.height - step.setting)]


def followed(sheet: CutSheet) -> tuple[list[Rect], list[Rect]]:
    """The parts in hand after every step, and the panels won by the knife, cut on themselves as the list says."""
    hand, won = [Rect(ZERO, ZERO, sheet.width, sheet.height)], list[Rect]()
    for step in sheet.steps:
        if isinstance(step, Gut):
            won.append(step.panel)
        elif isinstance(step, Cut):
            pile = hand if step.of in hand else won
            assert step.of in pile, f"step {step.n} cuts a part that is not in hand"
            pile.remove(step.of)
            near, far = halves(step)
            assert min(near.width, near.height, far.width, far.height) > ZERO
            pile += [near, far]
    return hand, won


@given(pages())
@settings(max_examples=60, deadline=None)
def test_every_piece_lies_on_marks(plan: PagePlan) -> None:
    """Its corner and its size are on sixteenths; of a shape, which is cut by hand along its line, its corner is."""
    for piece in worked_out(plan).pieces:
        r = piece.rect
        by_hand = piece.picture is not None and piece.picture.outline
        sizes = () if by_hand else (r.width, r.height)
        # What lies at an angle is laid by the piece beside it: no ruler is held to its corner.
        corner = () if piece.angle else (r.x, r.y)
        assert all(v.units % MARK.units == 0 for v in (*corner, *sizes)), piece


@given(pages(most=1))
@settings(max_examples=60, deadline=None)
def test_in_millimetres_paper_is_cut_on_millimetres(plan: PagePlan) -> None:
    """Though prints, pages and borders are in inches: panels and mats go to the ruler's marks, and say so."""
    ruler = Ruler(Unit.MM, MARKS["1 mm"])
    page = evaluate(plan, replace(ground(plan.format, *PAPERS), ruler=ruler))
    for piece in page.pieces:
        if piece.role in ("panel", "mat") and not piece.as_it_is:
            sides = (piece.rect.width, piece.rect.height)
            assert all(ruler.on_mark(side) for side in sides), piece
    told = {f.part for f in page.findings if f.code == "rounded"}
    for part in plan.parts:
        if isinstance(part, Panel) and part.trim is None and part.width != ruler.round(part.width):
            assert part.id in told


@given(pages())
@settings(max_examples=60, deadline=None)
def test_the_halves_at_the_gutter_make_the_whole(plan: PagePlan) -> None:
    """They meet at the gutter, and no piece is left that crosses it."""
    page = worked_out(plan)
    gutter = plan.format.gutter
    for piece in page.pieces:
        left, _, right, _ = bounds(piece.seen)
        assert gutter is None or not left + 1e-3 < gutter.inches < right - 1e-3
        if piece.half == "left" and not piece.outline and not piece.angle:
            other = next(
                p for p in page.pieces if p.half == "right" and p.id == piece.id.replace("-left", "-right")
            )
            assert piece.rect.right == other.rect.x == gutter
            assert piece.uncut == other.uncut and piece.rect.area + other.rect.area == piece.uncut.area


@given(pages(), st.integers(1, 200))
@settings(max_examples=60, deadline=None)
def test_halves_of_any_shape_make_the_whole(plan: PagePlan, shift: int) -> None:
    """Wherever the gutter falls: what is seen of both adds up, and the box that each is cut from holds it."""
    double = ground(of_kind("12x12", 2), *PAPERS)
    for piece in worked_out(plan).pieces:
        if not piece.outline and not piece.angle:
            continue
        moved = piece.moved(inches(12) - piece.rect.x - inches(0, shift, 16), ZERO)
        parts = halved(moved, double)
        assert sum(area(p.seen) for p in parts) == pytest.approx(area(moved.seen), abs=1e-3)
        for half in parts:
            if not half.outline:
                continue
            # A tile is laid by its neighbours: its box is on a mark, and so up to half a mark beside it.
            x1, y1, x2, y2 = bounds(half.outline)
            dx, dy, near = (half.rect.x - half.uncut.x).inches, (half.rect.y - half.uncut.y).inches, 1 / 32 + 1e-3
            assert x1 >= dx - near and x2 <= dx + half.rect.width.inches + near
            assert y1 >= dy - near and y2 <= dy + half.rect.height.inches + near


@given(pages())
@settings(max_examples=60, deadline=None)
def test_what_is_drawn_is_what_is_asked_of_the_sheets(plan: PagePlan) -> None:
    """Every piece of paper once, at its size, or made of what falls off one; prints come from the printer."""
    drawn = [p for p in worked_out(plan).pieces if p.is_paper]
    asked = demand(drawn, SHELF).pieces
    strips = {piece.id: block.id for block in blocks(drawn, SHELF) for piece in block.pieces}
    pieces = [p for p in drawn if not p.leftover and p.id not in strips]
    assert {a.id for a in asked} == {p.id for p in pieces} | set(strips.values())
    assert {p.leftover.of for p in drawn if p.leftover} <= {a.id for a in asked}
    asked = tuple(a for a in asked if a.id not in strips.values())
    as_they_are = {p.choice.paper for p in drawn if p.as_it_is}
    for piece, one in zip(pieces, asked, strict=True):
        assert {one.width, one.height} == {piece.rect.width.units, piece.rect.height.units}
        sources = SHELF.sources(piece.choice.paper or "") if piece.pin is None else [piece.choice.paper]
        sources = [source for source in sources if piece.as_it_is or source not in as_they_are]
        assert one.quantity == 1 and set(sources) == one.sources and (one.pin is None) == (piece.pin is None)


@given(pages())
@settings(max_examples=40, deadline=None)
def test_who_follows_the_list_gets_every_piece(plan: PagePlan) -> None:
    """Each cut is of a part in hand; at the end the parts are the pieces, the rests and the branding strip."""
    page = worked_out(plan)
    cuts = listed(page)
    for sheet in cuts.sheets:
        hand, won = followed(sheet)
        parts = [*hand, *won]
        assert all(p.rect in parts for p in sheet.pieces)
        assert sum(r.area for r in hand) == (sheet.width.units * sheet.height.units)
        assert sorted(n for s in sheet.steps for n in s.gives) == [p.number for p in sheet.pieces]
        assert progress.done(sheet, {s.key for s in sheet.steps}) == list(sheet.pieces)
        if sheet.strip is None:
            assert all(rest in parts for rest in progress.rests(sheet, {s.key for s in sheet.steps}))


@given(pages())
@settings(max_examples=40, deadline=None)
def test_the_cost_says_what_the_list_does(plan: PagePlan) -> None:
    """As many sheets opened, as many pieces; a piece is on the list or lacking, with the reason."""
    page = worked_out(plan)
    planned = plan_cuts(demand(page.pieces, SHELF), QUICK)
    told = cost(planned, page.pieces, SHELF, Ruler())
    cuts = cut_list(planned, {p.id: p for p in page.pieces}, SHELF, Ruler())
    assert told.opened == sum(not sheet.scrap for sheet in cuts.sheets)
    assert told.opened == sum(paper.opened for paper in told.papers)
    on_list = [p.piece for sheet in cuts.sheets for p in sheet.pieces]
    assert len(on_list) + len(told.lacking) == told.pieces
    assert not set(on_list) & {lack.piece for lack in told.lacking}
    assert all(lack.sentence.endswith(".") and "cannot be cut from" in lack.sentence for lack in told.lacking)


@given(pages())
@settings(max_examples=40, deadline=None)
def test_a_sheet_half_cut_is_left_as_it_is(plan: PagePlan) -> None:
    """Whatever was cut so far: parts and pieces in hand never overlap, and taking all back leaves a whole sheet."""
    for sheet in listed(worked_out(plan)).sheets:
        for step in sheet.steps:
            ticked = progress.tick(sheet, (), step.key, on=True)
            assert step.key in ticked
            rests = progress.rests(sheet, ticked)
            done = [p.rect for p in progress.done(sheet, ticked)]
            assert not any(a.meets(b) for k, a in enumerate(rests) for b in rests[k + 1 :] if _apart(a, b, sheet))
            assert all(rest not in done for rest in rests)
            for first in sheet.steps:
                ticked = progress.tick(sheet, ticked, first.key, on=False)
            assert progress.parts(sheet, ticked) == [Rect(ZERO, ZERO, sheet.width, sheet.height)]


def _apart(a: Rect, b: Rect, sheet: CutSheet) -> bool:
    """Whether two parts are of the same layer: a panel lies in the piece that it was cut out of."""
    panels = [s.panel for s in sheet.steps if isinstance(s, Gut)]
    return not any(panel.contains(a) != panel.contains(b) for panel in panels)
