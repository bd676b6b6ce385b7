"""Who follows a cut list blindly gets the drawing: checked by a hand that knows nothing but the published document."""

from __future__ import annotations

import itertools
import json
import os
from dataclasses import replace

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from tests.blind_hand import Document, Lies, area, cut, laid
from tests.core.examples import HERON, ground
from tests.core.pages import PAPERS, pages
from ulna.core.cutting import mishaps, progress, scraps
from ulna.core.cutting.cut_list import CutList, CutSheet
from ulna.core.cutting.demand import demand
from ulna.core.cutting.listing import cut_list
from ulna.core.cutting.placing import placements
from ulna.core.cutting.print_cuts import print_sheets
from ulna.core.cutting.steps import Cut
from ulna.core.geometry import polygons
from ulna.core.measure import MARKS, Ruler, Unit, inches
from ulna.core.page.arranging import page_as_panel
from ulna.core.page.evaluate import Evaluated, evaluate
from ulna.core.page.flush import stays_whole
from ulna.core.page.plan import PagePlan
from ulna.core.paper.punches import Punch
from ulna.core.paper.shelf import Direction, Shelf
from ulna.core.parts.kinds.base import Base
from ulna.core.parts.pieces import Ground, GutRule, PaperChoice, Piece
from ulna.core.photos.prints import outline_of
from ulna.core.planner import plan_cuts
from ulna.formats import cut_document

QUICK = 300
PAGES = int(os.environ.get("ULNA_PAGES", "3000"))
"""So many pages are drawn; `make bench` draws more."""
SHELF = Shelf.of(list(PAPERS))
GUT_RULES: tuple[GutRule, ...] = ("when it saves a sheet", "always", "never")
PUNCHES = ((), (Punch("circle", inches(1)), Punch("hexagon", inches(1))))
RULERS = (Ruler(), Ruler(Unit.MM, MARKS["1 mm"]), Ruler(Unit.CM, MARKS["0.5 mm"]), Ruler(mark=MARKS["1/8 in"]))


def document(page: Evaluated, on: Ground, name: str = "any") -> Document:
    """The page's cut list as it is published, read back from its text."""
    plan = plan_cuts(demand(page.pieces, on.shelf), QUICK)
    cuts = cut_list(plan, {p.id: p for p in page.pieces}, on.shelf, on.ruler, 1, on.punches)
    first = 1 + sum(len(sheet.pieces) for sheet in cuts.sheets)
    cuts = CutList((*cuts.sheets, *print_sheets(page.pieces, first, on.ruler, on.punches)))
    placed = placements(page.pieces, cuts, page.format)
    text = cut_document.write(cut_document.document(name, page.format, cuts, placed, on.ruler, inches(0, 1, 2)))
    found: Document = json.loads(text)
    return found


def compared(page: Evaluated, lies: dict[str, Lies], shelf: Shelf) -> list[str]:
    """How what was laid differs from what is drawn."""
    wrong = list[str]()
    for piece in page.pieces:
        one = lies.get(piece.id)
        if one is None:
            continue
        wrong += [f"{piece.id} {piece.name}: {what}" for what in _differs(piece, one, shelf)]
    return wrong


def _differs(piece: Piece, one: Lies, shelf: Shelf) -> list[str]:
    wrong = list[str]()
    drawn = _drawn(piece)
    if not alike(one.outline, drawn):
        wrong.append(f"its outline is another one: {bounds(one.outline)} for {bounds(drawn)}")
    holes = [_on_page(piece, hole.outline) for hole in piece.holes]
    if piece.gut is not None and not any(hole.is_straight for hole in piece.holes):
        g, r, u = piece.gut, piece.rect, piece.uncut
        x, y = (r.x + g.left - u.x).inches, (r.y + g.top - u.y).inches
        inner = _on_page(piece, polygons.box(x, y, (r.width - g.across).inches, (r.height - g.down).inches))
        # A hidden middle that nothing comes out of may stay, and what hangs over is trimmed once it is glued.
        holes += [inner] if any(alike(inner, hole) for hole in one.holes) else []
    if len(holes) != len(one.holes) or not all(any(alike(a, b) for b in one.holes) for a in holes):
        wrong.append(f"its openings are {[bounds(h) for h in one.holes]} for {[bounds(h) for h in holes]}")
    if not piece.is_paper:
        return wrong
    if one.side != piece.choice.side:
        wrong.append(f"side {one.side} shows for {piece.choice.side}")
    paper = shelf.paper(piece.choice.paper or "")
    way = paper.face(piece.choice.side).direction
    wanted = (90 * piece.choice.turned * (piece.pin is None) + piece.angle) % 360
    off = (one.up - wanted) % (180 if way is Direction.TWO_WAY else 360)
    if (
        way is not Direction.NONE
        and min(off, 360 - off, abs(180 - off) if way is Direction.TWO_WAY else off) > 1e-6
    ):
        wrong.append(f"its paper points {one.up:g}° for {wanted:g}°")
    if piece.pin is not None:
        if one.came_from != (piece.pin.x / inches(1), piece.pin.y / inches(1)):
            wrong.append(f"it came from {one.came_from}, and is printed at {piece.pin}")
        if one.up != piece.angle % 360:
            wrong.append("what is printed on it does not stand upright")
    return wrong


def _drawn(piece: Piece) -> polygons.Polygon:
    if (
        piece.role == "print"
        and piece.print is not None
        and not piece.outline
        and (line := outline_of(piece.print))
    ):
        own, r = _on_page(piece, line), piece.rect
        return own if piece.angle else polygons.cut(polygons.cut(own, 1, 0, r.right.inches), -1, 0, -r.x.inches)
    return piece.seen


def _on_page(piece: Piece, outline: polygons.Polygon) -> polygons.Polygon:
    u = piece.uncut
    middle = ((u.x + u.right).inches / 2, (u.y + u.bottom).inches / 2)
    return polygons.turned(polygons.moved(outline, u.x.inches, u.y.inches), piece.angle, middle)


def bounds(outline: polygons.Polygon) -> tuple[float, ...]:
    return tuple(round(v, 4) for v in polygons.bounds(outline))


def alike(one: polygons.Polygon, other: polygons.Polygon) -> bool:
    """The same outline at the same place, whichever corner comes first."""
    if abs(area(one) - area(other)) > 1e-3:
        return False
    near = 2e-4
    return all(
        any(abs(x - a) < near and abs(y - b) < near for a, b in other) or _on_line(x, y, other) for x, y in one
    )


def _on_line(x: float, y: float, outline: polygons.Polygon) -> bool:
    for k, (x2, y2) in enumerate(outline):
        x1, y1 = outline[k - 1]
        long = ((x2 - x1) ** 2 + (y2 - y1) ** 2) ** 0.5
        if long and abs((x2 - x1) * (y - y1) - (y2 - y1) * (x - x1)) / long < 2e-4:
            return True
    return False


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
    on = replace(ground(plan.format, *PAPERS, photos={"heron": HERON}), ruler=ruler, gut=gut, punches=punches)
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
