"""Motifs cut along their printed outline: what they take of the sheet, what goes with them, what is on the back."""

from __future__ import annotations

from dataclasses import replace

import pytest

from tests.core.examples import ground, paper, said_at
from ulna.core.cutting.demand import demand
from ulna.core.cutting.listing import cut_list
from ulna.core.geometry import polygons
from ulna.core.geometry.rects import Rect
from ulna.core.kit.book import book
from ulna.core.measure import Ruler, inches, parse
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.paper.shelf import Card as SheetCard
from ulna.core.paper.shelf import Shelf
from ulna.core.paper.things_seen import ThingSeen, motifs
from ulna.core.parts.kinds.card import Card
from ulna.core.parts.kinds.thing import ThingPart
from ulna.core.parts.pieces import Ground
from ulna.core.planner import plan_cuts
from ulna.core.things.thing import Thing, ThingKind

KITE = ((1.0, 0.0), (2.0, 1.0), (1.0, 2.0), (0.0, 1.0))
"""A square on its tip, 2 × 2."""
HERON = SheetCard("heron", Rect(inches(3), inches(2), inches(2), inches(2)), outline=KITE)


def on(card: SheetCard = HERON) -> Ground:
    label = Thing("label", "Label", ThingKind.LABEL, 1, width=inches(2), height=inches(2), figure="rectangle")
    return replace(ground(), shelf=Shelf.of([replace(paper("reeds"), count=1, cards=(card,))], [label]))


def test_a_motif_comes_out_of_its_outline_and_a_quarter_inch() -> None:
    """2 × 2 at 3, 2: a box of 2 1/2 × 2 1/2 at 2 3/4, 1 3/4; the line lies 1/4 inside it."""
    (piece,) = evaluate(PagePlan("p", parts=(Card("c", "reeds", "heron"),)), on()).pieces
    assert piece.pin == Rect(parse("2 3/4"), parse("1 3/4"), parse("2 1/2"), parse("2 1/2"))
    assert polygons.bounds(piece.outline) == pytest.approx((0.25, 0.25, 2.25, 2.25))


def test_with_a_rim_the_line_is_wider_and_at_the_edge_the_box_ends_with_the_sheet() -> None:
    """A rim of 3/8 wants a box of 3/8 all round: from 0 where the motif lies 1/8 from the edge."""
    edge = replace(HERON, at=Rect(parse("1/8"), inches(2), inches(2), inches(2)))
    (piece,) = evaluate(PagePlan("p", parts=(Card("c", "reeds", "heron", rim=parse("3/8")),)), on(edge)).pieces
    assert piece.pin == Rect(inches(0), parse("1 5/8"), parse("2 1/2"), parse("2 3/4"))
    x1, y1, x2, y2 = polygons.bounds(piece.outline)
    assert (x1, y1) == pytest.approx((0, 0), abs=1e-6) and (x2, y2) == pytest.approx((2.5, 2.75), abs=1e-6)


def test_what_lies_behind_a_motif_goes_with_it_in_the_book() -> None:
    """Of 144 sq in one motif takes a box of 6 1/4, front and back: the back of the same place is not to be had as well,
    and in the book that much is in pieces once it is cut."""
    at = on()
    both = PagePlan("p", parts=(Card("front", "reeds", "heron"), Card("back", "reeds", "heron", back=True)))
    plan = plan_cuts(demand(evaluate(both, at).pieces, at.shelf), 2_000)
    assert [one.piece for one in plan.unplaced] in (["front/card"], ["back/card"])
    pieces = evaluate(PagePlan("p", parts=(both.parts[0],)), at).pieces
    cuts = cut_list(plan_cuts(demand(pieces, at.shelf), 2_000), {p.id: p for p in pieces}, at.shelf, Ruler())
    (sheet,) = cuts.sheets
    (cut,) = sheet.pieces
    assert cut.rect == Rect(parse("2 3/4"), parse("1 3/4"), parse("2 1/2"), parse("2 1/2"))
    said = said_at(sheet)
    assert said[0] == "Set 4 1/4 from the top of the sheet." and said[1].startswith("Set 5 1/4 from the left")
    assert "from 1 1/4 from the left and 2 1/4 from the top to 1/4 from the left" in said[-1], (
        "the knife has its figures"
    )
    ticked = frozenset(step.key for step in sheet.steps)
    (entry,) = book(at.shelf, {"page": (cuts, ticked)}, inches(1))
    square_inch = inches(1).units ** 2
    assert entry.areas.had / square_inch == 144
    # The book counts what is cut out as a box: the corners beside the outline fall off at the knife.
    assert entry.areas.pieces / square_inch <= parse("2 1/2").inches ** 2 + 1e-9
    assert entry.areas.pieces / square_inch >= polygons.area(KITE) - 1e-9


def test_motifs_that_were_found_are_places_on_the_sheet_under_free_names() -> None:
    seen = ThingSeen(tuple((x + 3, y + 2) for x, y in KITE), inches(2), inches(2), ("#a5312b",))
    first, second = motifs([seen, seen], "B", ["motif 1"])
    assert (first.name, second.name) == ("motif 2", "motif 3")
    assert first.at == HERON.at and first.outline == KITE and first.side == "B"


def test_words_that_are_to_be_covered_are_told_until_something_lies_on_them() -> None:
    """A label as large as the card lies on it: nothing is told any more."""
    at = on(replace(HERON, outline=(), words="covered"))
    card = Card("c", "reeds", "heron")

    def told(*parts: object) -> list[str]:
        page = evaluate(PagePlan("p", parts=parts), at)  # type: ignore[arg-type]
        return [one.sentence for one in page.findings if one.code == "printed-words"]

    assert told(card) == ["The words on heron are to be covered, and nothing lies on them yet."]
    assert told(card, ThingPart("t", "label")) == []
    cut = on(replace(HERON, outline=(), words="cut off"))
    page = evaluate(PagePlan("p", parts=(card,)), cut)
    assert any("to be cut off, and it is used whole" in one.sentence for one in page.findings)
