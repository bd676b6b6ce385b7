"""Room: a new part lies where one would lay it, clear of the photos that are there."""

from __future__ import annotations

from dataclasses import replace

from hypothesis import assume, given, settings
from hypothesis import strategies as st

from tests.core.examples import ground, mat
from tests.core.pages import pages, prints, sixteenths
from ulna.core.measure import ZERO, Length, Ruler, Unit, inches, mm, parse
from ulna.core.page.adding import Where, add
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.page_formats import of_kind
from ulna.core.parts.kinds import Part
from ulna.core.parts.kinds.base import Base
from ulna.core.parts.kinds.joint import Joint
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.place import Across, Down, Place
from ulna.core.photos.prints import Print

DOUBLE = of_kind("12x12", 2)


def photo(id: str, width: str = "4", height: str = "6") -> PhotoPart:
    """A print on a quarter inch mat: 4 × 6 is 4 1/2 × 6 1/2."""
    return PhotoPart(id, Print(None, parse(width), parse(height)), (mat("1/4"),))


def with_(plan: PagePlan, *parts: Part, above: str | None = None) -> PagePlan:
    """The plan with new parts at their levels."""
    for one in add(plan, parts, ground(plan.format), Where(above)):
        ids = [p.id for p in plan.parts]
        at = ids.index(one.under) if one.under else len(ids)
        plan = PagePlan(plan.name, plan.format, parts=(*plan.parts[:at], one.part, *plan.parts[at:]))
    return plan


def corners(plan: PagePlan) -> list[str]:
    """Left and top of every part as a ruler says them, in the order of the recipe."""
    page, say = evaluate(plan, ground(plan.format)), Ruler().say
    return [f"{say(p.box.x)}, {say(p.box.y)}" for p in page.parts if p.box]


def order(plan: PagePlan) -> list[str]:
    return [part.id for part in plan.parts]


def test_one_alone_goes_in_the_middle_of_its_page() -> None:
    """(12 − 4 1/2) / 2 = 3 3/4 across, (12 − 6 1/2) / 2 = 2 3/4 down."""
    plan = with_(PagePlan("x", DOUBLE), photo("a"))
    assert plan.parts[0].place == Place("left")  # type: ignore[union-attr]
    assert corners(plan) == ["3 3/4, 2 3/4"]


def test_two_on_a_double_page_take_a_page_each() -> None:
    """The second is 12 in further right."""
    assert corners(with_(PagePlan("x", DOUBLE), photo("a"), photo("b"))) == ["3 3/4, 2 3/4", "15 3/4, 2 3/4"]


def test_several_go_in_rows_a_usual_gap_apart() -> None:
    """Mats of 3 1/2 × 3 1/2: from 1/2 in, the next 1/2 in after it, two to a row of 12 in, for three
    would need 12 1/2 in with their gaps."""
    four = [photo(id, "3", "3") for id in "abcd"]
    assert corners(with_(PagePlan("x"), *four)) == ["1/2, 1/2", "4 1/2, 1/2", "1/2, 4 1/2", "4 1/2, 4 1/2"]


def test_a_tighter_gap_is_taken_where_the_usual_one_leaves_no_room() -> None:
    """Two of 5 1/2 in beside each other leave 1 in of 12: three gaps of 1/4 in, not of 1/2 in."""
    wide = [photo(id, "5", "4") for id in "ab"]
    assert corners(with_(PagePlan("x", of_kind("12x12")), *wide, photo("c", "5", "6"))) == [
        "1/2, 1/2",
        "1/2, 5 1/2",
        "6 1/4, 1/4",
    ]


def test_without_any_room_it_lies_a_step_beside_so_that_both_are_seen() -> None:
    """On a notebook page of 4 1/4 × 8 1/4 in a second 3 × 6 on a mat can only lie over the first, 1/2 in off."""
    plan = with_(with_(PagePlan("x", of_kind("notebook")), photo("a", "3", "6")), photo("b", "3", "6"))
    assert corners(plan) == ["3/8, 7/8", "7/8, 1 3/8"]


def test_what_is_wider_than_a_page_goes_on_the_spread() -> None:
    """14 in across two pages of 12 in, in the middle: (24 − 14 1/2) / 2 = 4 3/4."""
    plan = with_(PagePlan("x", DOUBLE), photo("a", "14", "6"))
    assert plan.parts[0].place == Place("spread")  # type: ignore[union-attr]
    assert corners(plan) == ["4 3/4, 2 3/4"]


def test_bases_lie_lowest_panels_under_photos_and_photos_on_top() -> None:
    """Whatever order they are added in."""
    plan = PagePlan("x", DOUBLE)
    for part in (photo("photo"), Panel("panel", trim=parse("1/4")), Base("base"), photo("second")):
        plan = with_(plan, part)
    assert order(plan) == ["base", "panel", "photo", "second"]


def test_a_second_trimmed_panel_goes_on_the_other_page() -> None:
    """One for each page of a double; a third stays where it was asked."""
    plan = PagePlan("x", DOUBLE)
    for id in "abc":
        plan = with_(plan, Panel(id, trim=parse("1/4")))
    assert [p.place.on for p in plan.parts if isinstance(p, Panel)] == ["left", "right", "left"]


def test_a_twin_lies_directly_on_its_model_and_clear_of_it() -> None:
    """Two strips of 8 × 2 in under a photo that came later: the twin of the first goes between them."""
    strip = Panel("strip", width=inches(8), height=inches(2))
    plan = with_(with_(PagePlan("x"), strip), photo("photo"))
    twin = with_(plan, Panel("twin", width=inches(8), height=inches(2)), above="strip")
    assert order(twin) == ["strip", "twin", "photo"]


def at(plan: PagePlan, part: Part, where: Where) -> tuple[str, str | None]:
    """Where one more part comes to lie, and under which other one."""
    (one,) = add(plan, [part], ground(plan.format), where)
    after = replace(plan, parts=(*plan.parts, one.part))
    return corners(after)[-1], one.under


def test_it_goes_on_the_page_that_is_in_view() -> None:
    """The right one of an empty double page: 12 in further right."""
    assert at(PagePlan("x", DOUBLE), photo("a"), Where(on="right"))[0] == "15 3/4, 2 3/4"


def test_it_lies_near_what_is_chosen() -> None:
    """A card of 2 × 2 at the lower right of the right page: the new one of 1 × 1 a usual gap of 1/2 above it, not in
    the corner of the left page."""
    chosen = Panel(
        "card",
        width=inches(2),
        height=inches(2),
        place=Place("right", Across("left", inches(9)), Down("top", inches(9))),
    )
    where, _ = at(
        PagePlan("x", DOUBLE, parts=(chosen,)), Panel("new", width=inches(1), height=inches(1)), Where(near="card")
    )
    assert where == "21, 7 1/2"


def test_what_finds_no_room_lies_in_front_where_it_is_seen() -> None:
    """A photo of 11 × 11 on 12 × 12: a panel of 2 × 2, which else would lie under photos, lies on it."""
    plan = PagePlan("x", parts=(photo("all", "11", "11"),))
    assert at(plan, Panel("new", width=inches(2), height=inches(2)), Where())[1] is None


def test_in_millimetres_the_gaps_are_whole_millimetres() -> None:
    """12 mm from the edges."""
    metric = replace(ground(of_kind("own")), ruler=Ruler(Unit.MM, mm(1)))
    two = [PhotoPart(id, Print(None, mm(60), mm(60))) for id in "ab"]
    first = add(PagePlan("x", metric.format), two, metric)[0].part
    assert (first.place.across.by, first.place.down.by) == (mm(12), mm(12))  # type: ignore[union-attr]


@given(prints, sixteenths(0, 100), sixteenths(0, 100), sixteenths(8, 30), sixteenths(8, 30))
@settings(max_examples=80, deadline=None)
def test_a_small_photo_lies_clear_of_a_large_one_wherever_that_is(
    large: Print, left: Length, top: Length, width: Length, height: Length
) -> None:
    """A print of up to 7 1/2 in leaves 2 1/4 in of a 12 in page on one of its sides at the least."""
    assume(min(large.lies) > ZERO)
    place = Place("left", Across("left", left), Down("top", top))
    plan = with_(
        PagePlan("x", parts=(PhotoPart("large", large, place=place),)),
        PhotoPart("small", Print(None, width, height)),
    )
    page = evaluate(plan, ground())
    small, other = page.box("small"), page.box("large")
    assert plan.format.whole.contains(small) and not small.meets(other)
    assert (other.x, other.y) == (left, top)


@given(pages(), st.lists(prints, min_size=1, max_size=4))
@settings(max_examples=60, deadline=None)
def test_any_new_photo_lies_on_marks_and_hides_no_other(plan: PagePlan, new: list[Print]) -> None:
    """At a corner of its own, so that the other can be seen and taken hold of; what was there stays as it was."""
    after = with_(plan, *[PhotoPart(f"new{k}", print_) for k, print_ in enumerate(new)])
    page = evaluate(after, ground(plan.format))
    photos = {part.id for part in after.parts if isinstance(part, PhotoPart | Joint)}
    boxes = {part.id: part.box for part in page.parts if part.id in photos and part.box}  # some have nothing left
    for id, box in boxes.items():
        if id.startswith("new"):
            assert Ruler().on_mark(box.x) and Ruler().on_mark(box.y)
            assert [other for other, b in boxes.items() if (b.x, b.y) == (box.x, box.y)] == [id]
    assert [p for p in after.parts if not p.id.startswith("new")] == list(plan.parts)
