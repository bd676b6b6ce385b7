"""Parts of one page laid on another one."""

from __future__ import annotations

from hypothesis import given
from hypothesis import strategies as st

from tests.core.examples import boxes_of, ground
from tests.core.page.test_arranging import fresh, panel
from ulna.core.geometry.rects import Rect
from ulna.core.measure import parse
from ulna.core.page.pasting import paste
from ulna.core.page.plan import Group, PagePlan
from ulna.core.page_formats import PageFormat, of_kind
from ulna.core.parts.kinds import Part
from ulna.core.parts.kinds.base import Base
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.place import Across, Down, Place

DOUBLE, SINGLE, NOTEBOOK = of_kind("12x12", 2), of_kind("12x12"), of_kind("notebook")


def plan(format: PageFormat, *parts: Part, groups: tuple[Group, ...] = ()) -> PagePlan:
    return PagePlan("p", format, parts=parts, groups=groups)


def pasted(onto: PagePlan, source: PagePlan, *ids: str) -> tuple[PagePlan, dict[str, Rect], str]:
    """The page with them, where all lies then, and what is told."""
    after = paste(onto, source, ids, fresh(), ground(onto.format), ground(source.format))
    return after.plan, boxes_of(*after.plan.parts, on=ground(onto.format)), after.told


def at(box: Rect) -> tuple[str, str]:
    return str(box.x.inches), str(box.y.inches)


def test_it_lies_as_far_from_the_corner_of_its_page() -> None:
    """3 in from the left and 4 from the top of a right page: on the right page of a spread, else on the only one."""
    source = plan(DOUBLE, panel("a", "3", "4", on="right"))
    _, there, _ = pasted(plan(DOUBLE), source, "a")
    assert at(there["panel-1"]) == ("15.0", "4.0")
    _, there, _ = pasted(plan(SINGLE), source, "a")
    assert at(there["panel-1"]) == ("3.0", "4.0")


def test_on_its_own_page_it_lies_half_an_inch_beside_itself() -> None:
    """And another half beside the copy that is there by then."""
    page = plan(SINGLE, panel("a", "3", "4"))
    once, there, _ = pasted(page, page, "a")
    assert at(there["panel-1"]) == ("3.5", "4.5")
    again = paste(once, page, ["a"], lambda kind: "again", ground(SINGLE), ground(SINGLE)).plan
    assert at(boxes_of(*again.parts, on=ground(SINGLE))["again"]) == ("4.0", "5.0")


def test_what_would_lie_over_the_edge_of_a_smaller_page_is_moved_in() -> None:
    """2 in wide at 9 in, on a page of 4 1/4 × 8 1/4: at 2 1/4, its right edge on the page's."""
    _, there, _ = pasted(plan(NOTEBOOK), plan(SINGLE, panel("a", "9", "9")), "a")
    assert at(there["panel-1"]) == ("2.25", "6.25")


def test_what_lies_on_one_of_them_lies_on_its_copy() -> None:
    """And what lay on a part that stays behind lies where that put it."""
    on = Place("left", Across("left", parse("1/4"), "a"), Down("top", parse("1/4"), "a"))
    tag = Panel("b", "size", width=parse("1"), height=parse("1"), place=on)
    source = plan(SINGLE, panel("a", "3", "4"), tag)
    both, there, _ = pasted(plan(SINGLE), source, "a", "b")
    assert both.parts[1].place.needs == ("panel-1",) and at(there["panel-2"]) == ("3.25", "4.25")  # type: ignore[union-attr]
    alone, there, _ = pasted(plan(SINGLE), source, "b")
    assert alone.parts[0].place.needs == () and at(there["panel-1"]) == ("3.25", "4.25")  # type: ignore[union-attr]


def test_a_group_is_a_group_again() -> None:
    """Any of it brings all of it."""
    source = plan(SINGLE, panel("a", "1", "1"), panel("b", "5", "5"), groups=(Group("g", "two", ("a", "b")),))
    after, _, _ = pasted(plan(SINGLE), source, "a")
    assert [group.parts for group in after.groups] == [("panel-1", "panel-2")]


def test_a_base_comes_only_where_there_is_none() -> None:
    """Underneath all; where there is one it is told."""
    source = plan(SINGLE, Base("base", "left"))
    after, _, told = pasted(plan(SINGLE, panel("a", "1", "1")), source, "base")
    assert [part.kind for part in after.parts] == ["base", "panel"] and told == ""
    after, _, told = pasted(plan(SINGLE, Base("mine", "left")), source, "base")
    assert [part.id for part in after.parts] == ["mine"] and "left out" in told


corners = st.integers(0, 160).map(lambda n: f"{n}/16")


@given(
    st.lists(st.tuples(corners, corners), min_size=1, max_size=5, unique=True), st.sampled_from((SINGLE, NOTEBOOK))
)
def test_nothing_lies_over_the_edge_and_nothing_changes_its_size(
    places: list[tuple[str, str]], format: PageFormat
) -> None:
    """Whatever fits the page lies on it."""
    source = plan(SINGLE, *(panel(f"part-{k}", x, y) for k, (x, y) in enumerate(places)))
    _, there, _ = pasted(plan(format), source, *(part.id for part in source.parts))
    assert len(there) == len(places)
    for box in there.values():
        assert (box.width, box.height) == (parse("2"), parse("2"))
        assert box.x >= parse("0") and box.right <= format.whole.right and box.bottom <= format.whole.bottom
