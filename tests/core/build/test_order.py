"""The order of building: worked examples of what comes before what, and what holds for every page."""

from __future__ import annotations

from dataclasses import replace

import pytest

from tests.core.examples import HERON, ground, mat, paper
from ulna.core.build.order import order
from ulna.core.build.steps import Order
from ulna.core.measure import inches
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import PagePlan, Tuck
from ulna.core.page.standing import stand
from ulna.core.paper.shelf import Shelf, Stock
from ulna.core.parts.edge_work import EdgeWork
from ulna.core.parts.kinds import Part
from ulna.core.parts.kinds.base import Base
from ulna.core.parts.kinds.cluster import Cluster, Member
from ulna.core.parts.kinds.date import Date
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.kinds.stitching import Stitching
from ulna.core.parts.kinds.thing import ThingPart
from ulna.core.parts.kinds.title import Title
from ulna.core.parts.kinds.wet import Wet
from ulna.core.parts.kinds.words import Words
from ulna.core.parts.opening import Opening
from ulna.core.parts.pieces import Ground, PaperChoice
from ulna.core.parts.place import Across, Down, Place
from ulna.core.photos.prints import Print
from ulna.core.rules import USUAL
from ulna.core.things.thing import Thing, ThingKind

CREAM = replace(paper("cream", 9), stock=Stock.CARD)
BLUE = paper("blue", 9)
LEAF = Thing("leaf", "leaf", ThingKind.DIE_CUT, 9, width=inches(2))
BOLT = Thing("bolt", "brass bolt", ThingKind.BRAD, 9, width=inches(0, 1, 2))
PLANK = Thing("plank", "plank", ThingKind.WOOD, 9, width=inches(3), height=inches(1))


def table(rules: dict[str, str] | None = None) -> Ground:
    shelf = Shelf.of([CREAM, BLUE], [LEAF, BOLT, PLANK])
    return replace(ground(None, photos={"heron": HERON}), shelf=shelf, rules=replace(USUAL, **(rules or {})))


def at(x: float, y: float) -> Place:
    return Place(across=Across("left", _inches(x)), down=Down("top", _inches(y)))


def _inches(value: float):  # type: ignore[no-untyped-def]
    return inches(0, round(value * 16), 16)


def built(
    *parts: Part,
    tucks: tuple[Tuck, ...] = (),
    edges: tuple[EdgeWork, ...] = (),
    house: dict[str, str] | None = None,
) -> Order:
    on = table(house)
    plan = PagePlan("Page", parts=parts, tucks=tucks, edges=edges)
    return order(plan, evaluate(plan, on).pieces, stand(plan.parts, on), on)


def ids(of: Order) -> list[str]:
    return [step.id for step in of.steps]


BASE = Base("base", choice=PaperChoice("cream"))


def panel(id: str, x: float, y: float, w: float = 6, h: float = 6, **more: object) -> Panel:
    return Panel(id, id, width=_inches(w), height=_inches(h), choice=PaperChoice("blue"), place=at(x, y), **more)


def photo(id: str, x: float, y: float) -> PhotoPart:
    return PhotoPart(id, Print("heron", inches(4), inches(6)), (mat("1/4", "blue"),), at(x, y))


def test_a_photo_is_put_on_its_mat_before_both_go_on_the_page() -> None:
    """4 × 6 on a mat of 4 1/2 × 6 1/2: a quarter from its edges; the mat 2 from the left, 3 from the top."""
    found = built(BASE, photo("heron", 2, 3))
    assert ids(found) == ["base:base", "assemble:heron", "glue:heron"]
    print_, mat_ = found.steps[1].spots[0], found.steps[2].spots[0]
    assert print_.says == "1/4 from the left, 1/4 from the top of mat of Heron"
    assert mat_.says == "2 from the left, 3 from the top"


def test_a_title_under_a_photo_goes_first() -> None:
    title = Title("title", "Rain", place=at(1, 4))
    found = ids(built(BASE, title, photo("heron", 2, 3)))
    assert found.index("glue:title") < found.index("glue:heron")


def test_photos_or_title_go_first_where_either_could() -> None:
    title, heron = Title("title", "Rain", place=at(7, 10)), photo("heron", 1, 1)
    for two in ((title, heron), (heron, title)):
        assert ids(built(BASE, *two))[-1] == "glue:title"
        assert ids(built(BASE, *two, house={"first": "title"}))[-1] == "glue:heron"


def test_what_is_tucked_under_a_photo_waits_for_it_to_be_tacked() -> None:
    """Tack in the middle, slip the cluster's edge under, glue fully."""
    cluster = Cluster("cluster", (Member("leaf"), Member("bolt")), at(5, 7))
    found = built(BASE, photo("heron", 2, 3), cluster, tucks=(Tuck("cluster", "heron"),))
    assert ids(found)[-3:] == ["tack:heron", "glue:cluster", "press:heron"]
    assert "its edge slipped under Heron" in found.steps[-2].says


def test_a_ring_of_tucks_is_told_and_every_edge_is_slipped_under() -> None:
    """Three cards, each under the next one: all are tacked, the last edge is slipped under before gluing."""
    cards = panel("a", 1, 1), panel("b", 4, 3), panel("c", 2, 5)
    ring = Tuck("a", "b"), Tuck("b", "c"), Tuck("c", "a")
    found = built(BASE, *cards, tucks=ring)
    steps = ids(found)
    assert max(steps.index(f"tack:{id}") for id in "abc") < min(steps.index(f"press:{id}") for id in "abc")
    assert [one.code for one in found.told] == ["tuck-ring"]
    assert any("Slip the edge" in step.says for step in found.steps)


def test_stitches_come_after_what_they_hold_and_before_what_covers_them() -> None:
    seam = Stitching("seam", place=Place(across=Across("left", of="panel"), down=Down("top", of="panel")))
    over = panel("over", 0.5, 3, 4, 2)
    found = ids(built(BASE, panel("panel", 1, 1), seam, over))
    assert found.index("glue:panel") < found.index("stitch:seam") < found.index("glue:over")


def test_the_needle_never_goes_through_foam() -> None:
    """A plank on foam lies across the seam, below it in the recipe: it is glued when the seam is there."""
    plank = ThingPart("plank", "plank", raised="foam", place=at(0.5, 3))
    seam = Stitching("seam", place=Place(across=Across("left", of="panel"), down=Down("top", of="panel")))
    found = ids(built(BASE, panel("panel", 1, 1), plank, seam))
    assert found.index("stitch:seam") < found.index("glue:plank")


def test_a_wash_dries_while_the_photo_is_put_together() -> None:
    """15 minutes; nothing is glued on it before, and the step says what it waits for."""
    wash = Wet("wash", "wash", "blue", place=at(1, 1))
    found = built(BASE, wash, photo("heron", 2, 3))
    assert ids(found) == ["base:base", "wet:wash", "assemble:heron", "glue:heron"]
    assert [(wait.after, wait.minutes) for wait in found.steps[3].waits] == [("wet:wash", 15)]
    assert found.steps[2].waits == ()


def test_powder_is_strewn_on_wet_ink_at_once() -> None:
    """Within three minutes, whatever else could be done."""
    ink = Wet("ink", "powder", place=at(1, 1))
    found = built(BASE, ink, photo("heron", 7, 3))
    steps = ids(found)
    assert steps[steps.index("wet:ink") + 1] == "powder:ink"
    assert found.steps[steps.index("powder:ink")].within == 3
    assert any(one.id == "heat" and one.always for one in found.steps[steps.index("powder:ink")].cautions)


def test_what_bridges_a_rise_gets_foam_under_its_other_side() -> None:
    """A plank 60 thousandths high under the left end of a strip: foam of 1/16 under its right end."""
    plank = ThingPart("plank", "plank", place=at(1, 3))
    strip = panel("strip", 2, 3, 8, 1)
    found = built(BASE, plank, strip)
    glued = next(step for step in found.steps if step.id == "glue:strip")
    assert any("foam of 1/16 in goes under its other side" in one for one in glued.careful)


def test_thick_foam_may_be_two_thin_ones() -> None:
    plank = ThingPart("plank", "plank", raised="double foam", place=at(1, 3))
    step = built(BASE, plank).steps[-1]
    assert step.glue is not None
    assert step.glue.says == "foam 1/8 thick, or two thin ones"
    assert step.level == "1/8 off on foam"


def test_a_flat_house_has_no_foam() -> None:
    plank = ThingPart("plank", "plank", raised="double foam", place=at(1, 3))
    assert built(BASE, plank, house={"lift": "flat"}).steps[-1].level == "flat"


def test_edges_are_inked_before_their_piece_is_glued() -> None:
    found = built(BASE, photo("heron", 2, 3), edges=(EdgeWork("heron/mat-1", "inked", "#3a3230"),))
    assert ids(found)[:2] == ["base:base", "edge:inked #3a3230"]
    assert found.steps[1].touches == ("heron/mat-1",)
    assert "edge:inked #3a3230" in found.steps[-1].after


def test_a_house_that_inks_all_edges_inks_every_paper() -> None:
    found = built(BASE, panel("panel", 1, 1), photo("heron", 2, 3), house={"edges": "inked"})
    assert found.steps[1].touches == ("panel/panel", "heron/mat-1")


def test_a_print_is_fixed_behind_its_opening_before_the_sheet_goes_down() -> None:
    opening = Opening(width=inches(3), height=inches(3), print=Print("heron", inches(4), inches(4)))
    found = built(BASE, panel("window", 1, 1, 8, 8, openings=(opening,)))
    assert ids(found) == ["base:base", "fill:window", "glue:window"]
    assert [spot.name for spot in found.steps[1].spots][-1] == "Heron"


def test_words_after_decorating_or_before_it_and_the_date_last() -> None:
    words = Words("words", "Rain all day.", place=at(1, 9))
    date = Date("date", "27 June 2026", place=at(8, 11))
    leaf = ThingPart("leaf", "leaf", place=at(9, 1))
    after = ids(built(BASE, words, date, leaf))
    assert after[-3:] == ["glue:leaf", "write:words", "date:date"]
    before = ids(built(BASE, words, date, leaf, house={"words": "before"}))
    assert before.index("write:words") < before.index("glue:leaf")
    assert before[-1] == "date:date"


def test_the_date_waits_for_nothing_that_it_does_not_touch() -> None:
    """A wash at the top dries while the date is put down at the foot; one under the date has to dry first."""
    date = Date("date", "27 June 2026", place=at(8, 11))
    apart, under = Wet("wash", "wash", place=at(1, 1)), Wet("wash", "wash", place=at(6, 7.5))
    assert built(BASE, apart, date).steps[-1].waits == ()
    assert [wait.minutes for wait in built(BASE, under, date).steps[-1].waits] == [15]
    assert built(BASE, apart, date).steps[-1].after == ("base:base", "wet:wash")


def test_loose_edges_are_glued_in_the_middle() -> None:
    found = built(BASE, panel("panel", 1, 1), house={"glued": "loose"})
    assert found.steps[-1].says == "Glue panel in its middle, its edges loose"


def test_a_wash_on_thin_paper_says_that_it_curls() -> None:
    wash = Wet("wash", "wash", place=at(1, 1))
    on_card = built(BASE, wash).steps[-1]
    on_thin = built(Base("base", choice=PaperChoice("blue")), wash).steps[-1]
    assert not any("curls" in one for one in on_card.careful)
    assert any("Blue is thin and curls" in one for one in on_thin.careful)
    assert any("scrap of the same paper" in one for one in on_card.careful)


@pytest.mark.parametrize("medium", ["mist"])
def test_what_is_sprayed_warns_of_solvents_always(medium: str) -> None:
    step = built(BASE, Wet("wet", medium, place=at(1, 1))).steps[-1]
    assert [one.id for one in step.cautions][:2] == ["labels", "solvent"]
    assert step.cautions[1].always


def test_a_page_of_nothing_has_no_steps() -> None:
    assert built().steps == ()
