"""Parts together: aligned, shared out, mirrored, swapped, copied, repeated, taken away; and what handles change."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace
from itertools import count, pairwise

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from tests.core.examples import boxes_of, ground, paper, scrap, worked
from ulna.core.cutting.demand import demand
from ulna.core.errors import FieldError
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, Ruler, inches, parse
from ulna.core.page import arranging
from ulna.core.page.audition import trials
from ulna.core.page.between import between
from ulna.core.page.dressing import dressed, taken
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import Group, Gutting, PagePlan
from ulna.core.page.pulling import pull
from ulna.core.page.reformat import reformat
from ulna.core.page_formats import of_kind
from ulna.core.paper.shelf import Paper
from ulna.core.parts.kinds import Part
from ulna.core.parts.kinds.band import Band
from ulna.core.parts.kinds.base import Base
from ulna.core.parts.kinds.grid import Grid
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.mats import Mat
from ulna.core.parts.pieces import Handle, PaperChoice
from ulna.core.parts.place import Across, Down, Place
from ulna.core.photos.prints import Print
from ulna.core.planner import plan_cuts

DOUBLE = of_kind("12x12", 2)
ON = ground(DOUBLE)


def panel(id: str, x: str, y: str, w: str = "2", h: str = "2", on: str = "left") -> Panel:
    place = Place(on, Across("left", parse(x)), Down("top", parse(y)))  # type: ignore[arg-type]
    return Panel(id, id, width=parse(w), height=parse(h), place=place)


def plan(*parts: Part, groups: tuple[Group, ...] = ()) -> PagePlan:
    return PagePlan("p", DOUBLE, parts=parts, groups=groups)


def boxes(after: PagePlan) -> dict[str, Rect]:
    return boxes_of(*after.parts, on=ground(after.format))


def fresh() -> Callable[[str], str]:
    numbers = count(1)
    return lambda kind: f"{kind}-{next(numbers)}"


ON_A = Panel(
    "d",
    width=inches(1),
    height=inches(1),
    place=Place("left", Across("centre", ZERO, "a"), Down("centre", ZERO, "a")),
)
ABC = plan(panel("a", "1", "1"), panel("b", "4", "2", "3", "1"), panel("c", "9", "5", "1", "4"))


@pytest.mark.parametrize(
    ("edge", "at"),
    [
        ("left", ["1", "1", "1"]),
        ("right", ["8", "7", "9"]),
        ("centre", ["4 1/2", "4", "5"]),
    ],
)
def test_edges_or_middles_on_one_line(edge: str, at: list[str]) -> None:
    """Of 2, 3 and 1 in between 1 and 10."""
    after = boxes(arranging.align(ABC, ["a", "b", "c"], edge, ON))  # type: ignore[arg-type]
    assert [Ruler().say(after[id].x) for id in "abc"] == at
    assert [after[id].y for id in "abc"] == [boxes(ABC)[id].y for id in "abc"]


def test_one_alone_is_aligned_with_its_page() -> None:
    assert boxes(arranging.align(ABC, ["c"], "bottom", ON))["c"].bottom == inches(12)
    assert boxes(arranging.align(ABC, ["a"], "middle", ON))["a"].y == inches(5)


@given(st.lists(st.integers(0, 150), min_size=3, max_size=7), st.data())
def test_equal_gaps_differ_by_a_mark_at_most(xs: list[int], data: st.DataObject) -> None:
    """The outermost stay where they are."""
    parts = [panel(f"p{k}", "0", "0", "1", "1") for k in range(len(xs))]
    parts = [
        replace(part, place=Place("left", Across("left", inches(0, x, 16))))
        for part, x in zip(parts, xs, strict=True)
    ]
    before = boxes(plan(*parts))
    after = boxes(arranging.distribute(plan(*parts), [p.id for p in parts], "across", ON).plan)
    order = sorted(after.values(), key=lambda b: b.x)
    gaps = [b.x - a.right for a, b in pairwise(order)]
    assert max(gaps) - min(gaps) <= inches(0, 1, 16)
    assert (
        min(b.x for b in before.values()) == order[0].x and max(b.right for b in before.values()) == order[-1].right
    )


def test_which_gap_got_the_extra_sixteenth_is_told() -> None:
    """Four of 1 in on 7 1/8: 3 1/8 for three gaps is 1 1/24 each, so two of 1 1/16 and one of 1; on 7 in all are 1."""

    def told(last: str) -> str:
        row = [panel(str(k), at, "1", "1", "1") for k, at in enumerate(("0", "2", "3", last))]
        return arranging.distribute(plan(*row), [p.id for p in row], "across", ON).told

    assert told("6") == "All gaps are 1."
    assert told("6 1/8") == "Gaps of 1; gaps 1 and 3 from the left got 1/16 more, so that all lies on marks."


def test_two_have_no_gaps_to_share_out() -> None:
    with pytest.raises(FieldError, match="three parts or more"):
        arranging.distribute(ABC, ["a", "b"], "down", ON)


def test_mirrored_across_the_page_and_across_the_spread() -> None:
    """From 1 to 3 of 12 it lies from 9 to 11; of a spread of 24 from 21 to 23. Twice is where it was."""
    once = arranging.mirror(ABC, ["a"], "across", "left", ON)
    assert boxes(once)["a"].x == inches(9)
    assert boxes(arranging.mirror(ABC, ["a"], "across", "spread", ON))["a"].x == inches(21)
    assert boxes(arranging.mirror(once, ["a"], "across", "left", ON)) == boxes(ABC)
    assert boxes(arranging.mirror(ABC, ["a"], "down", "left", ON))["a"].y == inches(9)


def test_the_pages_change_places() -> None:
    parts = (Base("l", "left", PaperChoice("x")), Base("r", "right", PaperChoice("y")), panel("a", "1", "1"))
    over = panel("over", "11", "4", on="spread")
    after = arranging.swap_pages(plan(*parts, over), ON)
    assert boxes(after)["a"].x == inches(13) and boxes(after)["over"].x == inches(11)
    assert after.part("l") == replace(parts[0], on="right")
    with pytest.raises(FieldError, match="no other page"):
        arranging.swap_pages(PagePlan("p"), ground())


def test_two_parts_change_places_by_their_middles() -> None:
    after = boxes(arranging.swap(ABC, "a", "c", ON))
    assert (after["a"].x, after["a"].y) == (parse("8 1/2"), inches(6))
    assert (after["c"].x, after["c"].y) == (parse("1 1/2"), ZERO)


def test_a_group_moves_together_and_what_lies_on_one_of_it_moves_once() -> None:
    page = plan(*ABC.parts, ON_A, groups=(Group("g", "three", ("a", "b", "d")),))
    assert arranging.chosen_of(page, ["b"]) == ["a", "b", "d"]
    after = boxes(arranging.shift(page, arranging.chosen_of(page, ["b"]), inches(1), ZERO, ON))
    before = boxes(page)
    assert all(after[id] == before[id].moved(inches(1), ZERO) for id in "abd") and after["c"] == before["c"]


def test_a_copy_of_a_group_is_a_group_and_counts_from_its_own_parts() -> None:
    page = plan(*ABC.parts, ON_A, groups=(Group("g", "two", ("a", "d")),))
    copied = arranging.copy(page, ["a", "d"], fresh(), ON)
    a, d = copied.chosen
    after = boxes(copied.plan)
    assert after[a] == boxes(page)["a"].moved(parse("1/2"), parse("1/2"))
    assert copied.plan.part(d).place.needs == (a,)  # type: ignore[union-attr]
    assert [set(g.parts) for g in copied.plan.groups] == [{"a", "d"}, {a, d}]


def test_repeated_in_rows_and_in_a_ring() -> None:
    """2 × 3 of it, 2 1/2 apart; six round a ring of radius 2 that begins at the top and closes."""
    rows = arranging.repeat(plan(panel("a", "1", "1")), ["a"], 2, 3, parse("2 1/2"), inches(3), fresh(), ON)
    assert len(rows.chosen) == 5
    corners = {(b.x.inches, b.y.inches) for b in boxes(rows.plan).values()}
    assert corners == {(1 + 2.5 * c, 1 + 3 * r) for r in (0, 1) for c in (0, 1, 2)}
    ring = arranging.ring(plan(panel("a", "5", "2")), ["a"], 6, inches(2), fresh(), ON)
    middles = [(b.x.inches + 1, b.y.inches + 1) for b in boxes(ring.plan).values()]
    assert all(((x - 6) ** 2 + (y - 5) ** 2) ** 0.5 == pytest.approx(2, abs=0.1) for x, y in middles)
    for rows_, columns in ((0, 1), (10, 10)):
        with pytest.raises(FieldError, match="1 to 60"):
            arranging.repeat(ABC, ["a"], rows_, columns, ZERO, ZERO, fresh(), ON)
    with pytest.raises(FieldError, match="ring"):
        arranging.ring(ABC, ["a"], 1, inches(1), fresh(), ON)


def test_what_counted_from_a_part_that_is_taken_away_stays_where_it_is() -> None:
    page = plan(*ABC.parts, ON_A, groups=(Group("g", "two", ("a", "b")),))
    after = arranging.remove(page, ["a"], ON)
    assert boxes(after)["d"] == boxes(page)["d"] and not after.part("d").place.needs  # type: ignore[union-attr]
    assert after.groups == ()


def test_a_part_is_in_one_group_at_most() -> None:
    one = arranging.group(ABC, ["a", "b"], "g1", "one")
    two = arranging.group(one, ["b", "c"], "g2", "two")
    assert [g.parts for g in two.groups] == [("b", "c")]
    assert arranging.ungroup(two, ["c"]).groups == ()
    with pytest.raises(FieldError, match="two parts or more"):
        arranging.group(ABC, ["a"], "g", "alone")


# ---- handles, measures, auditions, papers ------------------------------------------------------------


def handle(part: Part, field: str) -> Handle:
    return next(h for h in worked(part).handles if h.field == field)


def test_a_handle_changes_its_value_on_marks_and_says_it() -> None:
    """The gap of a band pulled 0.1 in: 1/8 in; its count by the pitch of a strip; a mat's border on all sides."""
    band = Band("b", 5, parse("1/2"), gap=ZERO)
    pulled, says = pull(band, handle(band, "gap"), ZERO, parse("0.11"), Ruler())
    assert pulled.gap == parse("1/8") and says == "gap 1/8"  # type: ignore[union-attr]
    pulled, says = pull(band, handle(band, "count"), ZERO, parse("1"), Ruler())
    assert pulled.count == 7 and says == "strips 7"  # type: ignore[union-attr]
    photo = PhotoPart("p", Print(), (Mat(), Mat()))
    pulled, _ = pull(photo, handle(photo, "mats.1.borders"), parse("1/8"), ZERO, Ruler())
    assert isinstance(pulled, PhotoPart)
    assert pulled.mats[0] == photo.mats[0] and pulled.mats[1].borders.top == parse("3/8")


@given(st.integers(-400, 400))
def test_no_handle_pulls_a_length_below_nothing(by: int) -> None:
    for part in (Grid("g"), Panel("p", trim=parse("1/2")), PhotoPart("p", Print(), (Mat(),))):
        for one in worked(part).handles:
            pulled, _ = pull(part, one, inches(0, by, 16), inches(0, by, 16), Ruler())
            assert min((v.units for v in vars_of(pulled)), default=0) >= 0


def vars_of(part: Part) -> list[Length]:
    return [v for name in part.__slots__ if isinstance(v := getattr(part, name), Length)]


def test_any_two_things_give_their_distance() -> None:
    """2 in wide from 1 to 3, and from 4 to 7: 1 apart across; they overlap by 1 down; a straight line between."""
    found = between(boxes(ABC)["a"], boxes(ABC)["b"], Ruler())
    assert found.says == "1 apart across, overlapping 1 down, middles ~ 3 9/16 apart."
    assert [line.says for line in found.lines] == ["1"]
    assert between(boxes(ABC)["b"], boxes(ABC)["a"], Ruler()).says == found.says


def test_an_audition_says_of_which_papers_enough_is_left() -> None:
    """A panel of 11 × 11 fits on a fresh sheet, not on one that is gone, nor on a pad."""
    shelf = ground(None, paper("a"), paper("none", 0), paper("pad", size="6")).shelf
    page = evaluate(
        PagePlan("p", parts=(Panel("p", trim=parse("1/2"), choice=PaperChoice("a")),)), ground(None, paper("a"))
    )
    found = {t.choice.paper: t.enough for t in trials(page.pieces, PaperChoice("a"), "p", shelf)}
    assert found == {"a": True, "none": False, "pad": False}


def light(id: str, count: int = 2) -> Paper:
    return replace(paper(id, count), a=replace(paper(id).a, colours=("#f4f4f4",)))


def test_a_new_part_opens_no_sheet() -> None:
    """A panel of 8 × 8 panels a page whose dark paper is open: not from the light sheet, which is whole, but from its
    scrap of 9 × 9; a strip from the rest of the dark one that is open; of what is whole alone, from nothing."""
    dark = replace(paper("dark"), a=replace(paper("dark").a, colours=("#202020",)))
    half = panel("half", "0", "0", "12", "5")
    on = ground(None, dark, light("light"))
    page = evaluate(PagePlan("p", parts=(replace(half, choice=PaperChoice("dark")),)), on)
    square = panel("p", "0", "0", "8", "8")
    assert dressed(square, page, on) == square
    assert dressed(panel("p", "0", "0", "12", "2"), page, on).choice.paper == "dark"  # type: ignore[union-attr]
    with_scrap = ground(None, dark, light("light"), scrap("rest", "light", "9", "9"))
    page = evaluate(PagePlan("p", parts=(replace(half, choice=PaperChoice("dark")),)), with_scrap)
    assert dressed(square, page, with_scrap).choice.paper == "light"  # type: ignore[union-attr]


def test_where_its_paper_comes_from_is_said() -> None:
    on = ground(None, paper("dark"))
    strip = replace(panel("p", "0", "0", "12", "2"), choice=PaperChoice("dark"))
    assert taken(strip, on) == f"Out of what is open already: {on.shelf.papers['dark'].name}."
    assert taken(panel("p", "0", "0"), on) == "No open sheet serves; it has no paper yet."


@settings(max_examples=25)
@given(st.integers(1, 6), st.integers(1, 12), st.integers(1, 12))
def test_whatever_is_added_as_many_sheets_are_open_as_before(papers: int, width: int, height: int) -> None:
    """By the planner's own count."""
    on = ground(None, *(light(f"paper-{k}") for k in range(papers)), scrap("rest", "paper-0", "5", "7"))
    parts = tuple(
        replace(panel(f"part-{k}", "0", "0", "7", "3"), choice=PaperChoice(f"paper-{k}")) for k in range(papers)
    )
    page = evaluate(PagePlan("p", parts=parts), on)
    for new in (
        panel("new", "0", "0", str(width), str(height)),
        Band("new", papers=(PaperChoice(), PaperChoice())),
    ):
        after = evaluate(PagePlan("p", parts=(*parts, dressed(new, page, on))), on)
        opened = [plan_cuts(demand(one.pieces, on.shelf), 20_000) for one in (page, after)]
        assert not opened[1].unplaced and opened[1].whole_sheets_used <= opened[0].whole_sheets_used


def test_single_photos_become_one_mat_afterwards() -> None:
    """In the order in which they lay from the left, on the mat of the first and where it lay; what lay on it stays."""
    at = [Place("left", Across("left", inches(x)), Down("top", inches(2))) for x in (6, 1)]
    right = PhotoPart("right", Print("lock", inches(4), inches(6)), place=at[0])
    left = PhotoPart("left", Print("heron", inches(4), inches(6)), mats=(Mat(),), place=at[1])
    tag = panel("tag", "0", "0", "1", "1")
    tag = replace(tag, place=Place("left", Across("left", inches(1), "left"), Down("top", inches(1), "left")))
    joined = arranging.join(plan(right, left, tag), ["right", "left"], fresh(), ON)
    joint, after = joined.plan.parts
    assert [p.photo for p in joint.prints] == ["heron", "lock"] and joint.mats == (Mat(),)  # type: ignore[union-attr]
    assert joint.place == at[1] and after.place.needs == (joint.id,)  # type: ignore[union-attr]
    with pytest.raises(FieldError, match="single photos go on one mat"):
        arranging.join(plan(right, tag), ["right", "tag"], fresh(), ON)


# ---- another format ----------------------------------------------------------------------------------


def test_a_plan_goes_along_to_a_smaller_format_in_proportion_and_on_marks() -> None:
    """From 12 × 12 to a notebook page: the photo takes the next smaller usual size and says so."""
    notebook = of_kind("notebook", 1)
    photo = PhotoPart(
        "photo",
        Print(None, inches(4), inches(6)),
        place=Place("left", Across("left", inches(7)), Down("top", inches(5))),
    )
    page = PagePlan(
        "p", parts=(Base("b"), Panel("ground", trim=parse("1/4")), photo, panel("strip", "1", "9", "10", "2"))
    )
    moved = reformat(page, notebook, ground(notebook))
    after = boxes_of(*moved.plan.parts, on=ground(notebook))
    assert all(notebook.whole.contains(box) for box in after.values())
    assert all(Ruler().on_mark(v) for box in after.values() for v in (box.x, box.y, box.width, box.height))
    assert after["ground"].width == parse("3 3/4")
    assert moved.plan.part("photo").print.width < inches(4)  # type: ignore[union-attr]
    assert any("printed smaller" in told for told in moved.told)


def test_from_a_double_page_to_a_single_one_says_what_stays_behind() -> None:
    page = plan(Base("l", "left"), Base("r", "right"), panel("a", "1", "1"), panel("far", "3", "3", on="right"))
    moved = reformat(page, of_kind("12x12"), ground())
    assert [p.id for p in moved.plan.parts] == ["l", "a", "far"]
    assert any("Far lay on the right page" in told for told in moved.told)
    assert boxes_of(*moved.plan.parts)["a"] == boxes(page)["a"]


def test_to_a_larger_format_nothing_is_blown_up() -> None:
    page = PagePlan("p", of_kind("letter-upright"), parts=(panel("a", "1", "1"),))
    moved = reformat(page, DOUBLE, ON)
    assert boxes(moved.plan)["a"].width == inches(2) and moved.told == ()


# ---- a finished page as a panel on a new base ------------------------------------------------------


def test_a_finished_page_becomes_a_panel_on_a_new_base_in_one_act() -> None:
    """1/2 in off all round: the base is a panel of 11 × 11; a strip from edge to edge loses 1/2 at both ends, a photo
    that lay 1/4 from the top loses 1/4, what lies inside stays where it is; the right page is not touched."""
    strip = panel("strip", "0", "8", "12", "1")
    photo = PhotoPart("photo", Print(None, inches(4), inches(4)), place=panel("x", "3", "1/4").place)
    inside, other = panel("inside", "5", "5"), panel("other", "1", "1", on="right")
    before = PagePlan(
        "p", DOUBLE, parts=(Base("b", "left", PaperChoice("reeds")), strip, photo, inside, other),
        gutting=(Gutting("b/base", True),),
    )  # fmt: skip
    on = ground(DOUBLE, paper("reeds"))
    made = arranging.page_as_panel(before, "left", parse("1/2"), fresh(), on)
    assert made.told == (
        "Cut off: strip by 1/2 at its left edge and 1/2 at its right edge; photo by 1/4 at its upper edge."
    )
    assert [p.id for p in made.plan.parts] == ["base-2", "panel-1", "strip", "photo", "inside", "other"]
    assert made.plan.gutting == (Gutting("panel-1/panel", True),)
    page = evaluate(made.plan, on)
    rects = {p.id: p.rect for p in page.pieces}
    assert rects["panel-1/panel"] == Rect(parse("1/2"), parse("1/2"), inches(11), inches(11))
    assert rects["strip/panel"] == Rect(parse("1/2"), inches(8), inches(11), inches(1))
    assert rects["photo/print"] == Rect(inches(3), parse("1/2"), inches(4), parse("3 3/4"))
    assert rects["inside/panel"].x == inches(5) and rects["other/panel"].x == inches(13)
    assert not [f for f in page.findings if f.code in ("overhang", "off-page")]


def test_a_page_without_a_base_cannot_be_a_panel_and_says_so() -> None:
    with pytest.raises(FieldError, match="no base that could be the panel"):
        arranging.page_as_panel(plan(panel("a", "1", "1")), "left", parse("1/2"), fresh(), ON)
