"""How thick a page gets and what it takes, in figures that can be added up by hand."""

from __future__ import annotations

from dataclasses import replace

from tests.core.build.test_order import BASE, BOLT, LEAF, PLANK, at, panel, photo, table
from tests.core.examples import HERON, ground
from ulna.core.build.bulk import Leaf, bulk, closed
from ulna.core.build.order import order
from ulna.core.build.stock import Need, stock
from ulna.core.checks.bulk import told_of_notebook
from ulna.core.measure import inches
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.page.standing import stand
from ulna.core.page_formats import of_kind
from ulna.core.paper.shelf import Shelf
from ulna.core.parts.edge_work import EdgeWork
from ulna.core.parts.kinds import Part
from ulna.core.parts.kinds.thing import ThingPart
from ulna.core.parts.pieces import Ground
from ulna.core.things.thing import Thing, ThingKind


def thick(*parts: Part, on: Ground | None = None) -> int:
    on = on or table()
    return bulk(evaluate(PagePlan("Page", on.format, parts=parts), on).pieces, on).thick


def test_layers_add_up() -> None:
    """Card stock 12, patterned mat 8, photo 10: thirty thousandths."""
    assert thick(BASE, photo("heron", 2, 3)) == 12 + 8 + 10


def test_a_gutted_mat_brings_nothing_in_its_middle() -> None:
    """A plank lies on the middle of the photo: with the mat under it and without."""
    plain, plank = photo("heron", 2, 3), ThingPart("plank", "plank", place=at(2.75, 5.75))
    gutted = replace(plain, mats=tuple(replace(mat, gutted=True) for mat in plain.mats))
    assert thick(BASE, plain, plank) == 12 + 8 + 10 + 60
    assert thick(BASE, gutted, plank) == 12 + 10 + 60


def test_foam_and_wood() -> None:
    """A plank of 60 on foam of 1/16: 62 more."""
    assert thick(BASE, ThingPart("plank", "plank", raised="foam", place=at(1, 3))) == 12 + 60 + 62


def test_what_was_measured_wins_over_what_is_usual() -> None:
    own = replace(PLANK, thickness=inches(0, 1, 8))
    on = replace(table(), shelf=Shelf.of(list(table().shelf.papers.values()), [own]))
    assert thick(BASE, ThingPart("plank", "plank", place=at(1, 3)), on=on) == 12 + 125


def test_facing_pages_of_a_notebook_count_together() -> None:
    """A bolt on the left meets a bolt on the right when it is closed: 60 and 60."""
    format = of_kind("notebook", 2)
    shelf = Shelf.of([], [BOLT])
    on = replace(ground(format, photos={"heron": HERON}), shelf=shelf)
    left = ThingPart("a", "bolt", place=at(1, 4))
    wide = format.whole.width
    middle = wide - inches(1) - inches(0, 1, 2)
    right = ThingPart("b", "bolt", place=replace(at(1, 4), on="spread", across=replace(at(1, 4).across, by=middle)))
    found = bulk(evaluate(PagePlan("Page", format, parts=(left, right)), on).pieces, on)
    assert (found.thick, found.most, found.is_too_thick) == (120, 120, False)
    assert thick(left, on=on) == 60


def needs(
    *parts: Part, things: tuple[Thing, ...] = (), edges: tuple[EdgeWork, ...] = (), **rules: str
) -> list[Need]:
    on = table(rules)
    on = replace(on, shelf=Shelf.of(list(on.shelf.papers.values()), [LEAF, BOLT, PLANK, *things]))
    plan = PagePlan("Page", parts=parts, edges=edges)
    page, standing = evaluate(plan, on), stand(plan.parts, on)
    return stock(plan, page.pieces, standing, order(plan, page.pieces, standing, on), on)


def test_tape_runs_an_eighth_inside_all_edges() -> None:
    """A panel of 6 × 6: four sides of 6 less a quarter inch at their ends: 2 · (6 + 6 − 1/2) = 23."""
    assert needs(BASE, panel("panel", 1, 1)) == [Need("photo-safe tape", "23 in")]


def test_loose_edges_take_a_quarter_of_it() -> None:
    assert needs(BASE, panel("panel", 1, 1), glued="loose") == [Need("photo-safe tape", "6 in")]


def test_a_roll_that_is_too_short_is_told_with_what_would_do() -> None:
    roll = Thing("roll", "tape runner", ThingKind.ADHESIVE, 1, inches(20))
    (need,) = needs(BASE, panel("panel", 1, 1), things=(roll,))
    assert (need.amount, need.has) == ("23 in", "20 is there")
    assert need.short.startswith("3 in too little: open another roll")


def test_foam_is_counted_in_squares() -> None:
    """A plank of 3 × 1: 2 3/4 × 3/4 of foam is 2.06 square inches, a square and a quarter: two squares, and two thin
    ones for each thick one."""
    foam = Thing("foam", "foam squares", ThingKind.FOAM, 3)
    (need,) = needs(BASE, ThingPart("plank", "plank", raised="double foam", place=at(1, 3)), things=(foam,))
    assert need.amount == "2 squares of 1/2 in"
    assert (need.has, need.short.split(":")[0]) == ("3 thin ones are there", "1 too few")


def test_an_ink_of_the_shelf_that_is_near_does() -> None:
    black = Thing("soot", "Soot", ThingKind.INK, colours=("#2b2622",))
    (tape, ink) = needs(BASE, panel("p", 1, 1), things=(black,), edges=(EdgeWork("p/panel", "inked", "#3a3230"),))
    assert tape.what == "photo-safe tape"
    assert (ink.what, ink.has, ink.short) == ("ink, black (#3a3230)", "Soot", "")
    red = replace(black, id="red", name="Red", colours=("#b8352c",))
    (_, far) = needs(BASE, panel("p", 1, 1), things=(red,), edges=(EdgeWork("p/panel", "inked", "#3a3230"),))
    assert far.has == "" and "no ink on the shelf is near it" in far.short


def leaf(*parts: Part) -> Leaf:
    """A notebook's spread with bolts of 60 on it."""
    format = of_kind("notebook", 2)
    on = replace(ground(format), shelf=Shelf.of([], [BOLT]))
    return Leaf(evaluate(PagePlan("Page", format, parts=parts), on).pieces, on)


def bolts(many: int, x: float = 1, y: float = 4) -> Leaf:
    """So many on each other, from the spread's corner."""
    return leaf(*(ThingPart(f"bolt-{k}", "bolt", place=at(x, y)) for k in range(many)))


def test_the_spreads_of_a_notebook_lie_on_each_other() -> None:
    """Three bolts of 60 are too much for one spread of 120; with a bare one beside it the two close on 240, with two
    more of two bolts at that spot the four have 420 of 480; with a sixth and seventh bolt there 540 of 480."""
    assert (closed(bolts(3), [bolts(0)]).thick, closed(bolts(3), [bolts(0)]).most) == (180, 240)
    four = closed(bolts(3), [bolts(2), bolts(2), bolts(0)])
    assert (four.thick, four.own, four.most, four.spreads) == (420, 180, 480, 4)
    assert list(told_of_notebook(bolts(3), [bolts(2), bolts(2), bolts(0)])) == []
    (told,) = told_of_notebook(bolts(3), [bolts(3), bolts(3), bolts(0)])
    assert "The 4 spreads of its notebook are 540 thousandths of an inch thick together here" in told.sentence
    assert "closes on 480: this one brings 180, and its share is 120" in told.sentence
    assert list(told_of_notebook(bolts(2), [bolts(3), bolts(3), bolts(1)])) == [], "it has no more than its share"


def test_bolts_at_other_spots_do_not_add_up() -> None:
    assert closed(bolts(3), [bolts(3, y=2), bolts(3, y=6)]).thick == 180


def test_a_page_that_is_bound_alone_is_told_nothing_of_its_notebook() -> None:
    assert list(told_of_notebook(bolts(3), [])) == []
