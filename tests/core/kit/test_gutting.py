"""Gutting from the page: what it saves, and who has the word."""

from __future__ import annotations

from dataclasses import replace

from tests.core.examples import HERON, ground, mat, paper
from tests.core.planner.checker import faults
from ulna.core.cutting.demand import demand
from ulna.core.kit.gutting import Settled, answered, settle
from ulna.core.measure import inches, parse
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.page_formats import of_kind
from ulna.core.paper.shelf import Shelf
from ulna.core.parts.kinds.base import Base
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.pieces import PaperChoice
from ulna.core.parts.place import Across, Down, Place
from ulna.core.photos.prints import Print
from ulna.core.planner import plan_cuts
from ulna.core.planner.plan import CutPlan
from ulna.core.planner.request import CutRequest
from ulna.core.rules import USUAL, GutRule

SAVES: GutRule = "when it saves a sheet"


def planner(request: CutRequest) -> CutPlan:
    return plan_cuts(request, 20_000)


def shelf(reeds: int) -> Shelf:
    return Shelf.of([paper("reed", reeds), paper("cream")])


def heron(mat_paper: str = "reed", gutted: bool = False) -> PagePlan:
    """A 12 × 12 base of Reed, an 11 × 11 panel on it, and a 6 × 8 print with a mat of 1/4 in on that."""
    return PagePlan(
        "Heron",
        parts=(
            Base("base", choice=PaperChoice("reed")),
            Panel("panel", "panel", inches(0, 1, 2), choice=PaperChoice("cream"), gutted=gutted),
            PhotoPart("photo", Print("heron", inches(6), inches(8)), (mat("1/4", mat_paper),)),
        ),
    )


def settled(plan: PagePlan, rule: GutRule = SAVES, reeds: int = 2) -> Settled:
    on = replace(
        ground(plan.format, *shelf(reeds).papers.values(), photos={"heron": HERON}), rules=replace(USUAL, gut=rule)
    )
    return settle(evaluate(plan, on), plan, on, planner)


def test_a_mat_of_the_base_s_paper_comes_out_of_the_base() -> None:
    plan = heron()
    found = settled(plan)
    assert found.plan.whole_sheets_used == 2, "one Reed, one Cream"
    first = found.offers[0]
    assert (first.piece, first.gut, first.by, first.sheets) == ("base/base", True, "the house rule", 1)
    assert first.sentence == (
        "Base gives back 10 1/4 × 10 1/4 of Reed: mat of Heron comes out of it: one sheet less."
    )


def test_where_no_sheet_is_left_a_piece_finds_its_place() -> None:
    plan = heron()
    found = settled(plan, reeds=1)
    assert not found.plan.unplaced
    assert found.offers[0].sentence.endswith("one more piece has its place.")


def test_where_it_saves_nothing_it_is_offered_as_a_scrap_and_not_done() -> None:
    plan = heron(mat_paper="cream")
    found = settled(plan)
    base = next(o for o in found.offers if o.piece == "base/base")
    assert not base.gut
    assert base.sentence == "Base gives back 10 1/4 × 10 1/4 of Reed, as a scrap."


def test_a_person_s_no_counts_before_the_house_rule() -> None:
    plan = heron()
    found = settled(answered(plan, "base/base", False))
    assert found.plan.whole_sheets_used == 3
    assert not any(o.gut for o in found.offers)


def test_a_person_s_yes_counts_before_the_house_rule() -> None:
    plan = heron()
    found = settled(answered(plan, "base/base", True), "never")
    assert found.plan.whole_sheets_used == 2
    assert [o.by for o in found.offers if o.gut] == ["your word"]
    assert found.offers[0].sheets == 1


def test_never_means_that_nothing_is_done_unasked() -> None:
    plan = heron()
    found = settled(plan, "never")
    assert found.plan.whole_sheets_used == 3
    assert not any(o.gut or o.sheets for o in found.offers)


def test_always_cuts_out_every_panel_that_is_worth_the_knife() -> None:
    plan = heron()
    found = settled(plan, "always")
    assert {p.id for p in found.pieces if p.gut} == {"base/base", "panel/panel", "photo/mat-1"}
    assert {o.by for o in found.offers} == {"the house rule"}


def test_a_word_taken_back_leaves_it_to_the_house_rule() -> None:
    plan = heron()
    assert answered(answered(plan, "base/base", False), "base/base", None) == plan


def test_a_no_also_takes_back_a_part_s_own_value() -> None:
    plan = heron(gutted=True)
    assert any(p.gut for p in settled(plan, "never").pieces)
    assert not any(p.gut for p in settled(answered(plan, "panel/panel", False), "never").pieces)


def test_a_yes_that_can_no_longer_be_done_is_told() -> None:
    plan = heron()
    bare = replace(answered(plan, "base/base", True), parts=(plan.parts[0],))
    on = ground(None, paper("reed"), paper("cream"))
    told = [f.sentence for f in evaluate(bare, on).findings]
    assert told == ["Base stays whole: too little of it is hidden now."]


def test_of_two_panels_that_would_do_one_is_cut_out() -> None:
    """Either base has room for the small panel beside the photos: the knife is taken up once."""
    corner = Place("left", Across("left", parse("1/2")), Down("top", parse("1/2")))
    cover = Panel("cover", "cover", None, inches(11), inches(11), PaperChoice("cream"), place=Place("left"))
    plan = PagePlan(
        "Two",
        of_kind("12x12", 2),
        parts=(
            Base("left", "left", PaperChoice("reed")),
            Base("right", "right", PaperChoice("reed")),
            cover,
            replace(cover, id="cover-2", place=Place("right")),
            Panel("small", "small", None, inches(3), inches(3), PaperChoice("reed"), place=corner),
        ),
    )
    found = settled(plan, reeds=3)
    assert sum(o.gut for o in found.offers if o.piece.endswith("base")) == 1
    assert not found.plan.unplaced
    assert faults(demand(found.pieces, shelf(3)), found.plan) == []
