"""Places counted from other parts: on them, beside them, on an axis; loops and parts that are gone."""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.core.examples import boxes_of, ground, said
from ulna.core.geometry.rects import Borders, Rect
from ulna.core.measure import PER_INCH, ZERO, Length, inches, parse
from ulna.core.page.evaluate import evaluate
from ulna.core.page.moving import move, recounted
from ulna.core.page.plan import PagePlan
from ulna.core.page.standing import stand
from ulna.core.page_formats import of_kind
from ulna.core.parts.kinds.axis import Axis
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.kinds.pocket import Pocket
from ulna.core.parts.kinds.stitching import Stitching
from ulna.core.parts.place import Across, Down, Place, Stand


def panel(id: str, w: str, h: str, place: Place | None = None) -> Panel:
    return Panel(id, id, width=parse(w), height=parse(h), place=place or Place())


def on(base: str, across: Across | None = None, down: Down | None = None) -> Place:
    x, y = across or Across(), down or Down()
    return Place("left", replace(x, of=base), replace(y, of=base))


TAG = panel("tag", "4", "6", Place("left", Across("left", parse("1")), Down("top", parse("2"))))


@pytest.mark.parametrize(
    ("edge", "x"),
    [("left", "1 1/2"), ("centre", "3"), ("right", "3 1/2"), ("before", "-1/2"), ("after", "5 1/2")],
)
def test_across_a_part_is_counted_from_another_one(edge: str, x: str) -> None:
    """A strip 1 in wide on or beside a tag that lies from 1 to 5: half an inch inside an edge, or clear of it."""
    by = ZERO if edge == "centre" else parse("1/2")
    if edge == "centre":
        x = "2 1/2"
    if edge == "before":
        x = "-1/2"
    strip = panel("strip", "1", "1", on("tag", Across(edge, by)))  # type: ignore[arg-type]
    expected = -parse("1/2") if x.startswith("-") else parse(x)
    assert boxes_of(TAG, strip)["strip"].x == expected


@pytest.mark.parametrize(
    ("edge", "y"),
    [("top", "2 1/4"), ("centre", "4 1/2"), ("bottom", "6 3/4"), ("above", "3/4"), ("below", "8 1/4")],
)
def test_down_too(edge: str, y: str) -> None:
    by = ZERO if edge == "centre" else parse("1/4")
    strip = panel("strip", "1", "1", on("tag", None, Down(edge, by)))  # type: ignore[arg-type]
    assert boxes_of(TAG, strip)["strip"].y == parse(y)


def test_what_lies_on_a_part_moves_with_it() -> None:
    """An insert moves an inch: the panel on it and the strip on that move an inch too."""
    parts = (TAG, panel("panel", "3", "3", on("tag")), panel("strip", "1", "1", on("panel")))
    before = boxes_of(*parts)
    plan = move(PagePlan("p", parts=parts), "tag", before["tag"].moved(inches(1), ZERO), ground())
    after = boxes_of(*plan.parts)
    assert all(after[id] == before[id].moved(inches(1), ZERO) for id in before)


def test_a_trim_is_counted_from_what_the_panel_lies_on() -> None:
    """A stack of three: 1/4 off each is shown all round, whatever the page; made smaller, it is centred anew."""
    stack = replace(panel("panel", "1", "1", on("tag")), trim=parse("1/4"))
    seam = Stitching("seam", parse("1/8"), place=on("panel"))
    boxes = boxes_of(TAG, stack, seam)
    assert boxes["panel"] == Rect(parse("1 1/4"), parse("2 1/4"), parse("3 1/2"), parse("5 1/2"))
    assert boxes["seam"].width == parse("3 1/4")


def test_the_order_of_the_recipe_is_the_level_not_the_order_of_placing() -> None:
    """What lies underneath may count from what lies on top of it."""
    under = panel("under", "5", "7", on("tag"))
    assert boxes_of(under, TAG)["under"].x == parse("1/2")


def test_parts_that_count_from_each_other_are_told_and_count_from_the_page() -> None:
    parts = (panel("a", "1", "1", on("b")), panel("b", "1", "1", on("c")), panel("c", "1", "1", on("a")))
    found = stand(parts, ground())
    assert all(one.box is not None for one in found.values())
    told = [one.findings[0] for one in found.values()]
    assert {f.code for f in told} == {"place-loop"} and all(f.severity == "stop" for f in told)
    mended = told[0].remedies[0].part
    assert isinstance(mended, Panel) and not mended.place.needs
    assert not any(one.findings for one in stand((mended, *parts[1:]), ground()).values())


def test_a_part_that_counts_from_itself_is_told() -> None:
    assert stand((panel("a", "1", "1", on("a")),), ground())["a"].findings[0].code == "place-loop"


def test_what_counted_from_a_part_that_is_gone_says_so() -> None:
    """And clear of nothing it counts inward from the page's own edge."""
    lost = panel("lost", "1", "1", on("gone", Across("after", parse("1/2"))))
    found = stand((lost,), ground())["lost"]
    assert found.findings[0].code == "place-gone" and found.box is not None
    assert found.box.x == inches(12) - inches(1) - parse("1/2")


def test_a_part_that_cannot_be_made_is_as_good_as_gone() -> None:
    nothing = replace(TAG, trim=inches(6))
    assert stand((nothing, panel("on", "1", "1", on("tag"))), ground())["on"].findings[0].code == "place-gone"


@pytest.mark.parametrize(
    ("run", "share", "middle"),
    [
        ("horizon", 0.25, (3.5, 6.0)),
        ("column", 0.75, (6.0, 8.5)),
        ("falling", 0.0, (1.0, 1.0)),
        ("rising", 0.5, (6.0, 6.0)),
        ("ring", 0.0, (6.0, 1.0)),
        ("ring", 0.25, (11.0, 6.0)),
    ],
)
def test_parts_stand_on_an_axis_by_their_middle(run: str, share: float, middle: tuple[float, float]) -> None:
    """Ten inches of line, or in a box of 10 × 10, in the middle of 12 × 12."""
    axis = Axis("axis", run)  # type: ignore[arg-type]
    strip = panel("strip", "1", "1", Place(stand=Stand("axis", share)))
    box = boxes_of(axis, strip)["strip"]
    assert (box.x.inches + 0.5, box.y.inches + 0.5) == pytest.approx(middle)


def test_moved_along_an_axis_it_stays_on_it() -> None:
    """Wherever the hand lets go, it stands at the nearest point of the line."""
    parts = (Axis("axis", "horizon"), panel("strip", "1", "1", Place(stand=Stand("axis", 0.5))))
    plan = move(PagePlan("p", parts=parts), "strip", Rect(inches(8), inches(1), inches(1), inches(1)), ground())
    box = boxes_of(*plan.parts)["strip"]
    assert box.y == parse("5 1/2") and abs(box.x.inches - 8) < 0.1


def test_its_place_is_said_by_the_name_of_what_it_counts_from() -> None:
    parts = (TAG, panel("strip", "1", "1", on("tag", Across("left", parse("1/2")))))
    assert stand(parts, ground())["strip"].says.endswith("; on tag, 1/2 from the left, centred down.")
    beside = panel("strip", "1", "1", Place("left", Across("after", parse("1/4"), "tag"), Down("top", ZERO, "tag")))
    assert stand((TAG, beside), ground())["strip"].says.endswith("1/4 right of tag, flush with the top of tag.")
    assert said(panel("p", "1", "1")).endswith("centred across, centred down.")


def test_what_hangs_over_says_what_falls_off_and_can_be_moved_in() -> None:
    """A 4 × 6 panel an inch over the right edge: 1 × 6 falls off, a scrap; one press moves it in."""
    over = panel("p", "4", "6", Place("left", Across("right", -inches(1)), Down("top", inches(1))))
    page = evaluate(PagePlan("p", parts=(over,)), ground())
    (told,) = [f for f in page.findings if f.code == "overhang"]
    assert "by 1;" in told.sentence and "1 × 6 of paper not chosen yet falls off" in told.sentence
    (piece,) = page.pieces  # 3 of 4 across stay, the last inch is stock again
    assert piece.gut == Borders(inches(3), ZERO, ZERO, ZERO)
    mended = told.remedies[0].part
    assert isinstance(mended, Panel) and boxes_of(mended)["p"].right == inches(12)


def test_what_hangs_over_its_base_is_told_by_the_name_of_the_base() -> None:
    strip = panel("strip", "2", "1", on("tag", Across("right", -parse("1/2"))))
    page = evaluate(PagePlan("p", parts=(TAG, strip)), ground())
    (told,) = [f for f in page.findings if f.code == "overhang"]
    assert "the right edge of tag by 1/2" in told.sentence


def test_what_must_stay_whole_keeps_off_an_edge_that_is_trimmed() -> None:
    """A quarter inch, where the notebook's papers are cut over their open sides; the fold is no such edge."""
    format = replace(of_kind("notebook", 2), allowance=parse("1/8"))
    near = Pocket(
        "near", width=inches(2), place=Place("right", Across("right", parse("1/8")), Down("top", inches(1)))
    )
    fold = replace(near, id="fold", place=Place("right", Across("left", ZERO), Down("top", inches(1))))
    page = evaluate(PagePlan("p", format, parts=(near, fold)), ground(format))
    assert [f.part for f in page.findings if f.code == "near-trim"] == ["near"]


def test_the_binding_strip_is_kept_clear() -> None:
    """1/2 in along the gutter of a punched spread: what reaches into it is told, a ground that covers it is not."""
    format = replace(of_kind("12x12", 2), binding=parse("1/2"))
    near = panel("near", "2", "2", Place("left", Across("right", parse("1/4"))))
    whole = replace(panel("whole", "1", "1"), trim=ZERO)
    page = evaluate(PagePlan("p", format, parts=(whole, near)), ground(format))
    assert [f.part for f in page.findings if f.code == "binding"] == ["near"]
    single = replace(of_kind("letter-upright"), binding=parse("1/2"))
    assert single.strips == (Rect(ZERO, ZERO, parse("1/2"), inches(11)),)
    assert of_kind("12x12").strips == () and Length(0) == ZERO


EDGES_ACROSS, EDGES_DOWN = (
    st.sampled_from(("left", "centre", "right")),
    st.sampled_from(("top", "centre", "bottom")),
)


@given(
    st.integers(0, 160), st.integers(0, 160), EDGES_ACROSS, EDGES_DOWN, st.sampled_from((None, "other")),
    st.sampled_from(("left", "right")),
)  # fmt: skip
def test_whatever_a_distance_counts_from_the_part_stays_where_it_lies(
    x: int, y: int, across: str, down: str, of: str | None, on: str
) -> None:
    """Other edges, another part: only the figures are other ones."""
    format = of_kind("12x12", 2)
    place = Place(on, Across("left", Length(x * PER_INCH // 16)), Down("top", Length(y * PER_INCH // 16)))  # type: ignore[arg-type]
    one = Panel("one", width=inches(2), height=inches(1), place=place)
    other = Panel("other", width=inches(3), height=inches(5))
    plan, on_ground = PagePlan("p", format, parts=(one, other)), ground(format)
    wanted = Place(on, Across(across, of=of), Down(down, of=of))  # type: ignore[arg-type]
    moved = replace(one, place=recounted(plan, "one", wanted, on_ground))
    before, after = stand(plan.parts, on_ground), stand((moved, other), on_ground)
    assert after["one"].box == before["one"].box
    assert (moved.place.across.edge, moved.place.across.of) == (across, of)
