"""Who follows a cut list blindly gets the drawing: checked by a hand that knows nothing but the published document."""

from __future__ import annotations

import itertools
import json
import os
from dataclasses import replace

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from tests.blind_hand import cut, laid
from tests.core.any_page import QUICK
from tests.core.cutting.compared import bounds, compared, document
from tests.core.examples import HERON, ground
from tests.core.pages import PAPERS, pages
from ulna.core.cutting import mishaps, progress, scraps
from ulna.core.cutting.cut_list import CutList, CutSheet
from ulna.core.cutting.demand import demand
from ulna.core.cutting.listing import cut_list
from ulna.core.cutting.placing import placements
from ulna.core.cutting.steps import Cut
from ulna.core.measure import MARKS, Ruler, Unit, inches
from ulna.core.page.arranging import page_as_panel
from ulna.core.page.evaluate import Evaluated, evaluate
from ulna.core.page.flush import stays_whole
from ulna.core.page.plan import PagePlan
from ulna.core.paper.punches import Punch
from ulna.core.paper.shelf import Shelf
from ulna.core.parts.kinds.base import Base
from ulna.core.parts.pieces import Ground, PaperChoice
from ulna.core.planner import plan_cuts
from ulna.core.rules import USUAL, GutRule
from ulna.formats import cut_document

PAGES = int(os.environ.get("ULNA_PAGES", "1500"))
"""So many pages are drawn; `make bench` draws more."""
SHELF = Shelf.of(list(PAPERS))
GUT_RULES: tuple[GutRule, ...] = ("when it saves a sheet", "always", "never")
PUNCHES = ((), (Punch("circle", inches(1)), Punch("hexagon", inches(1))))
RULERS = (Ruler(), Ruler(Unit.MM, MARKS["1 mm"]), Ruler(Unit.CM, MARKS["0.5 mm"]), Ruler(mark=MARKS["1/8 in"]))


def followed(plan: PagePlan, on: Ground) -> Evaluated:
    """A page whose published list the blind hand has followed: nothing was wrong, and it got the drawing."""
    page = evaluate(plan, on)
    told = document(page, on)
    table = cut(told)
    lies = laid(told, table)
    assert table.wrong == []
    assert compared(page, lies, on.shelf) == []
    placed = {p["piece"] for p in told["placements"]}
    assert placed >= {piece.id for piece in page.pieces}, "every piece is on the placement list"
    return page


@pytest.mark.parametrize("ruler", RULERS, ids=["1/16 in", "1 mm", "0.05 cm", "1/8 in"])
@given(plan=pages(), gut=st.sampled_from(GUT_RULES), punches=st.sampled_from(PUNCHES))
@settings(max_examples=PAGES // len(RULERS), deadline=None, suppress_health_check=[HealthCheck.too_slow])
def test_the_blind_hand_gets_the_drawing(
    ruler: Ruler, plan: PagePlan, gut: GutRule, punches: tuple[Punch, ...]
) -> None:
    """Every piece its size, outline, openings, side, direction, printed place; every rest has its name; sums agree."""
    on = replace(
        ground(plan.format, *PAPERS, photos={"heron": HERON}),
        ruler=ruler,
        rules=replace(USUAL, gut=gut),
        punches=punches,
    )
    followed(plan, on)


@given(plan=pages(), trim=st.integers(2, 24))
@settings(max_examples=max(60, PAGES // 20), deadline=None, suppress_health_check=[HealthCheck.too_slow])
def test_the_blind_hand_gets_a_page_that_was_made_a_panel(plan: PagePlan, trim: int) -> None:
    """Whatever lay on it ends where the panel ends, and is cut so."""
    plan = replace(plan, parts=(Base("under", "left", PaperChoice("cream")), *plan.parts))
    on = ground(plan.format, *PAPERS, photos={"heron": HERON})
    names = (f"new-{k}" for k in itertools.count())
    panel = page_as_panel(plan, "left", inches(0, trim, 16), lambda kind: next(names), on).plan
    page = followed(panel, on)
    box = page.box("new-0")
    flush = {part.id for part in panel.parts if not isinstance(part, Base) and part.place.flush}
    for piece in page.pieces:
        if piece.part in flush and piece.is_paper and not stays_whole(piece):
            left, top, right, bottom = bounds(piece.seen)
            near = 1e-3
            assert left >= box.x.inches - near and right <= box.right.inches + near, piece
            assert top >= box.y.inches - near and bottom <= box.bottom.inches + near, piece


@given(st.lists(pages(1), min_size=1, max_size=3), st.data())
@settings(max_examples=80, deadline=None, suppress_health_check=[HealthCheck.too_slow])
def test_whatever_was_cut_before_the_hand_gets_what_is_told(plans: list[PagePlan], data: st.DataObject) -> None:
    """Several pages from one kit, each cut so far, pieces spoiled, cuts made elsewhere: what is ticked can be followed,
    and every rest is on the shelf under the name that it has in the list."""
    lists: list[scraps.Begun] = []
    for plan in plans:
        left, lost = scraps.after(SHELF, lists)
        assert not lost
        on = replace(ground(plan.format, photos={"heron": HERON}), shelf=left)
        page = evaluate(plan, on)
        cuts = cut_list(plan_cuts(demand(page.pieces, left), QUICK), {p.id: p for p in page.pieces}, left, on.ruler)
        taken = {sheet.key for cut_, ticked in lists for sheet in progress.begun(cut_, ticked)}
        found = [_worked_on(sheet, data) for sheet in progress.rekeyed(cuts.sheets, taken)]
        listed, ticked = (
            CutList(tuple(sheet for sheet, _ in found)),
            frozenset(key for _, keys in found for key in keys),
        )
        lists.append((listed, ticked))
        placed = placements(page.pieces, listed, page.format)
        made = cut_document.document("any", page.format, listed, placed, on.ruler, inches(0, 1, 2), ticked)
        table = cut(json.loads(cut_document.write(made)), set(ticked))
        assert table.wrong == []
    shelf, _ = scraps.after(SHELF, lists)
    names = {sheet.called for cut_, ticked in lists for sheet in progress.begun(cut_, ticked)}
    for paper in shelf.papers.values():
        if paper.is_scrap and paper.id not in SHELF.papers:
            assert any(paper.name.startswith(name) for name in names)


def _worked_on(sheet: CutSheet, data: st.DataObject) -> tuple[CutSheet, frozenset[str]]:
    """A sheet cut so far, perhaps with a cut made elsewhere, perhaps with a piece spoiled."""
    step = data.draw(st.sampled_from([None, *sheet.steps]))
    if step is None:
        return sheet, frozenset()
    ticked = progress.tick(sheet, (), step.key, True)
    if isinstance(step, Cut) and data.draw(st.booleans()):
        length = step.of.width if step.axis == "vertical" else step.of.height
        at = replace(length, units=data.draw(st.integers(1, length.units // 360 - 1)) * 360)
        keep = data.draw(st.booleans())
        sheet, ticked = mishaps.elsewhere(sheet, ticked - {step.key}, step.key, at, keep, Ruler())
        sheet = progress.settled(sheet, ticked)
    done = progress.done(sheet, ticked)
    if done and data.draw(st.booleans()):
        piece = data.draw(st.sampled_from(done))
        sheet = mishaps.spoil(sheet, ticked, piece.number, piece.rect.width, piece.rect.height, Ruler())
        sheet = progress.settled(sheet, ticked)
    return sheet, ticked
