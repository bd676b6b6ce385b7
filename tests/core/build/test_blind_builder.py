"""A second reading: hands that know nothing but the sentences of the steps build the page, and it is the drawing.

They read figures off a ruler ("2 1/4 from the left"), know how large each piece is that lies in the tray, and put each
where its sentence says; what they glue later lies on what they glued before.
"""

from __future__ import annotations

import re
from dataclasses import dataclass, replace
from fractions import Fraction

from hypothesis import given, settings
from hypothesis import strategies as st

from tests.core.any_page import SHELF
from tests.core.examples import HERON, ground
from tests.core.pages import pages, places
from ulna.core.build.order import order
from ulna.core.build.steps import PLACING, Order
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Ruler, Unit, inches, mm
from ulna.core.page.evaluate import Evaluated, evaluate
from ulna.core.page.plan import PagePlan, Tuck
from ulna.core.page.standing import stand
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.kinds.stitching import Stitching
from ulna.core.parts.kinds.thing import ThingPart
from ulna.core.parts.pieces import PaperChoice, Piece
from ulna.core.parts.place import Across, Down, Place
from ulna.core.parts.seen import Seen

INCHES, MILLIMETRES = Ruler(), Ruler(Unit.MM, mm(1))
FIGURE = r"(\d+ \d+/\d+|\d+/\d+|\d+(?:\.\d+)?)"


def built(plan: PagePlan, ruler: Ruler) -> tuple[Evaluated, Order]:
    on = replace(ground(plan.format, photos={"heron": HERON}), shelf=SHELF, ruler=ruler)
    page = evaluate(plan, on)
    return page, order(plan, page.pieces, stand(plan.parts, on), on)


@dataclass
class Hand:
    """What a hand makes of a sentence: how far from the left and the top, of which page, turned by how much."""

    x: Fraction
    y: Fraction
    right: bool
    turned: float

    @classmethod
    def reads(cls, says: str) -> Hand:
        return cls(_reads(says, "left"), _reads(says, "top"), " of the right page" in says, _turn(says))


def _reads(says: str, edge: str) -> Fraction:
    if f"flush with the {edge}" in says:
        return Fraction(0)
    over = re.search(rf"over the {edge} edge by (?:~ )?{FIGURE}", says)
    found = over or re.search(rf"{FIGURE} (?:mm )?from the {edge}", says)
    assert found, says
    value = sum(Fraction(part) for part in found[1].split())
    return -value if over else value


def _turn(says: str) -> float:
    found = re.search(r"turned (?:([\d.e-]+)°|a quarter|half round)(?: (clockwise|anticlockwise))?", says)
    if found is None:
        return 0.0
    by = 180.0 if "half round" in found[0] else 90.0 if "a quarter" in found[0] else float(found[1])
    return -by if found[2] == "anticlockwise" else by


@settings(max_examples=300)
@given(plan=pages(), ruler=st.sampled_from([INCHES, MILLIMETRES]))
def test_who_follows_the_steps_gets_the_drawing(plan: PagePlan, ruler: Ruler) -> None:
    page, found = built(plan, ruler)
    tray = {piece.id: piece for piece in page.pieces}
    on_it: dict[str, list[tuple[Piece, Hand]]] = {}
    lies: dict[str, tuple[float, float]] = {}
    layers: list[str] = []
    per_inch = 1 if ruler.unit is Unit.INCH else Fraction(127, 5)
    for step in found.steps:
        for spot in step.spots:
            piece, hand = tray[spot.piece], Hand.reads(spot.says)
            if spot.on:
                on_it.setdefault(spot.on, []).append((piece, hand))
                continue
            x = hand.x / per_inch + (Fraction(plan.format.width.inches) if hand.right else 0)
            lies[piece.id] = float(x), float(hand.y / per_inch)
            carried = on_it.get(piece.id, [])
            behind = [one for one, _ in carried if page.pieces.index(one) < page.pieces.index(piece)]
            layers += [*(one.id for one in behind), piece.id]
            for one, how in carried:
                at = lies[piece.id]
                lies[one.id] = at[0] + float(how.x / per_inch), at[1] + float(how.y / per_inch)
                if one not in behind:
                    layers.append(one.id)
    assert sorted(layers) == sorted(tray), "every piece is glued once"
    seen, carried_by = Seen(page.pieces), {one.id for all in on_it.values() for one, _ in all}
    for id, (x, y) in lies.items():
        # Letters lie between marks: each figure is off by half a mark at the most, and what is carried has two.
        piece, close = tray[id], 0.51 * ruler.mark.inches * (2 if id in carried_by else 1)
        box = _box(piece)
        assert abs(x - box[0]) <= close, (id, x, box)
        assert abs(y - box[1]) <= close, (id, y, box)
    height = {id: k for k, id in enumerate(layers)}
    for k, upper in enumerate(page.pieces):
        for lower in page.pieces[:k]:
            if lower.part != upper.part and seen.meet(lower, upper):
                assert height[lower.id] < height[upper.id], (lower.id, upper.id)


def _box(piece: Piece) -> tuple[float, float]:
    """Where the drawing has the corner that a ruler is held to: of what lies on its side the corner as it lies."""
    r = piece.uncut if piece.angle or piece.outline else piece.rect
    x, y, w, h = r.x.inches, r.y.inches, r.width.inches, r.height.inches
    return (x + (w - h) / 2, y + (h - w) / 2) if piece.angle % 180 == 90 else (x, y)


@settings(max_examples=60)
@given(plan=pages(), data=st.data())
def test_every_piece_is_in_one_step_whatever_is_tucked_where(plan: PagePlan, data: st.DataObject) -> None:
    """Also where tucks go round in rings; nothing waits for less than what it dries."""
    names = [part.id for part in plan.parts]
    some = (
        st.lists(st.builds(Tuck, st.sampled_from(names), st.sampled_from(names)), max_size=4)
        if names
        else st.just([])
    )
    plan = replace(plan, tucks=tuple(data.draw(some)))
    page, found = built(plan, INCHES)
    placed = [spot.piece for step in found.steps if step.kind in PLACING for spot in step.spots]
    assert sorted(placed) == sorted(piece.id for piece in page.pieces)
    done = set[str]()
    by_id = {step.id: step for step in found.steps}
    for step in found.steps:
        assert set(step.after) <= done, step.id
        for wait in step.waits:
            assert wait.minutes >= by_id[wait.after].dries
        done.add(step.id)


@st.composite
def stitched(draw: st.DrawFn) -> PagePlan:
    """A panel with a seam round it, and things on and off foam lying anywhere about it."""
    plan = draw(pages(1))
    base = Panel("panel", width=inches(5), height=inches(5), choice=PaperChoice("cream"))
    seam = Stitching("seam", place=Place(across=Across("left", of="panel"), down=Down("top", of="panel")))
    lifts = st.sampled_from(["flat", "foam", "double foam"])
    things = [
        replace(ThingPart(f"t{k}", "heart"), raised=draw(lifts), place=draw(places))
        for k in range(draw(st.integers(1, 4)))
    ]
    at = draw(st.integers(0, len(things)))
    return replace(plan, parts=(base, *things[:at], seam, *things[at:]))


@settings(max_examples=100)
@given(plan=stitched())
def test_no_seam_is_sewn_through_foam(plan: PagePlan) -> None:
    """Whatever stands off the page under the needle is glued after it."""
    page, found = built(plan, INCHES)
    steps = {step.id: k for k, step in enumerate(found.steps)}
    sewn = next((k for id, k in steps.items() if id == "stitch:seam"), None)
    if sewn is None:
        return
    seam = next(step for step in found.steps if step.id == "stitch:seam").where[0]
    hair = inches(0, 1, 32)
    inner = Rect(seam.x + hair, seam.y + hair, seam.width - hair * 2, seam.height - hair * 2)
    seen = Seen(page.pieces)
    for step in found.steps[:sewn]:
        for piece in page.pieces:
            if piece.raised > ZERO and any(spot.piece == piece.id for spot in step.spots):
                assert inner.contains(piece.rect) or not seen.meets(piece, seam), piece.id


@settings(max_examples=100)
@given(plan=pages())
def test_nothing_is_glued_over_a_place_that_is_still_to_be_filled(plan: PagePlan) -> None:
    """What is seen through an opening is behind it before its sheet goes down."""
    page, found = built(plan, INCHES)
    when = {spot.piece: k for k, step in enumerate(found.steps) for spot in step.spots}
    for k, sheet in enumerate(page.pieces):
        for behind in page.pieces[:k]:
            through = any(hole.at.moved(sheet.uncut.x, sheet.uncut.y).meets(behind.rect) for hole in sheet.holes)
            if behind.part == sheet.part and through and sheet.rect.contains(behind.rect):
                assert when[behind.id] <= when[sheet.id], (behind.id, sheet.id)


def test_a_page_of_four_hundred_parts_is_put_in_order() -> None:
    """As many as a recipe may have, each lying a little over the one before it."""
    panel = Panel("", width=inches(2), height=inches(2), choice=PaperChoice("cream"))
    parts = tuple(
        replace(panel, id=f"p{k}", place=Place(
            across=Across("left", inches(0, k % 20 * 8, 16)), down=Down("top", inches(0, k // 20 * 8, 16))
        )) for k in range(400)
    )  # fmt: skip
    page, found = built(PagePlan("many", parts=parts), INCHES)
    assert [spot.piece for step in found.steps for spot in step.spots] == [piece.id for piece in page.pieces]
