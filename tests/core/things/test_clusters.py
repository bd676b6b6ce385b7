"""Clusters proposed for a page, joined by hand, taken apart; things on every photo, tried, answered, covering."""

from __future__ import annotations

import itertools
from collections import Counter
from dataclasses import replace

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from tests.core.examples import HERON, LOCK, ground, paper, scrap
from ulna.core.errors import FieldError
from ulna.core.geometry import polygons
from ulna.core.geometry.rects import Rect
from ulna.core.measure import inches, parse
from ulna.core.page.accenting import answers, on_every_photo, tries
from ulna.core.page.clustering import Proposal, proposed
from ulna.core.page.covering import Blemish, between, covers, laid
from ulna.core.page.evaluate import Evaluated, evaluate
from ulna.core.page.joining import apart, joined
from ulna.core.page.plan import PagePlan, things_of
from ulna.core.page_formats import of_kind
from ulna.core.paper.shelf import Shelf, Side
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.kinds.tape import Tape
from ulna.core.parts.kinds.thing import ThingPart
from ulna.core.parts.kinds.title import Title
from ulna.core.parts.pieces import Ground, PaperChoice
from ulna.core.parts.place import Across, Down, Place
from ulna.core.photos.crop import Face, Framing
from ulna.core.photos.prints import Print
from ulna.core.things.thing import Thing, ThingKind

RED, BLUE, OCHRE = "#a5312b", "#2d5a78", "#c99a2e"
NUTS = Thing("nuts", "Brass nuts", ThingKind.BRAD, 5, colours=(OCHRE,), drawn="plain")
HEARTS = Thing("hearts", "Hearts", ThingKind.PUFFY, 2, figure="heart", colours=(RED,), drawn="plain")
DOILY = Thing("doily", "Doily", ThingKind.DOILY, 1, width=inches(2), colours=("#f4efe4",))
BOAT = Thing("boat", "Boat", ThingKind.DIE_CUT, 4, width=inches(1), colours=(BLUE,), drawn="outlined")
ROLL = Thing("roll", "Ledger tape", ThingKind.TAPE, 1, inches(200), height=parse("5/8"))
WHEEL = Thing("wheel", "Wheel", ThingKind.STAMP, colours=("#222222",))
INKS = (
    Thing("slate", "Slate ink", ThingKind.INK, colours=("#4a545c",)),
    Thing("rust", "Rust ink", ThingKind.INK, colours=(RED,)),
)
REST = replace(scrap("rest", "ink", "3", "3"), a=Side("plain", (BLUE,)))
SHELF = (NUTS, HEARTS, DOILY, BOAT, ROLL, WHEEL, *INKS)
FACE = replace(HERON, framing=Framing(faces=(Face(0.5, 0.25, 0.3),)))


def on(*things: Thing, pages: int = 1) -> Ground:
    whole = ground(of_kind("12x12", pages), photos={"heron": FACE, "lock": LOCK})
    return replace(whole, shelf=Shelf.of([paper("ink"), REST], things or SHELF))


def photo(id: str, x: str, y: str, on_page: str = "left", size: tuple[int, int] = (4, 6)) -> PhotoPart:
    place = Place(on_page, Across("left", parse(x)), Down("top", parse(y)))  # type: ignore[arg-type]
    return PhotoPart(id, Print("heron", inches(size[0]), inches(size[1])), place=place)


def proposal(plan: PagePlan, at: Ground, count: int = 3, seed: int = 0) -> tuple[Proposal, Evaluated]:
    """What is proposed, and the page with it."""
    found = proposed(plan, evaluate(plan, at), at, count, seed)
    return found, evaluate(replace(plan, parts=(*plan.parts, *found.parts)), at)


ONE = PagePlan("p", parts=(photo("focal", "4", "3"),))


def test_what_there_are_two_five_and_one_of_is_shared_out_over_three() -> None:
    """Five nuts: 2, 2, 1; two hearts for the two largest; the one doily in the largest. The boats are outlined, the
    others plain: they are left out, and that is said."""
    found, _ = proposal(ONE, on())
    has = [Counter(member.thing for member in one.members) for one in found.parts]
    assert [one["nuts"] for one in has] == [2, 2, 1]
    assert [one["hearts"] for one in has] == [1, 1, 0]
    assert [one["doily"] for one in has] == [1, 0, 0]
    assert not any(one["boat"] for one in has) and all(one["roll"] == 1 for one in has)
    assert "Brass nuts: 2, 2, 1, so that each cluster has it." in found.why
    assert "There is one Doily: it goes into the largest." in found.why
    assert "Plain things keep together; outlined ones are left out." in found.why


def test_they_stand_round_the_focal_photo_clear_of_its_face_and_of_each_other() -> None:
    """Read from the drawing: the photo's middle is inside the triangle of their middles, no box meets the face (drawn
    1/4 from the top, 0.3 of the width: 3.9 to 8.1 … down to 5.1), none reaches over the edge."""
    found, page = proposal(ONE, on())
    boxes = [page.box(one.id) for one in found.parts]
    face = Rect(parse("5.4"), parse("3.9"), parse("1.2"), parse("1.2"))
    assert all(not box.meets(face) and page.format.whole.contains(box) for box in boxes)
    assert all(not one.meets(other) for one, other in itertools.combinations(boxes, 2))
    assert not [f for f in page.findings if f.code in ("on-face", "things")]
    middles = [((b.x + b.right).inches / 2, (b.y + b.bottom).inches / 2) for b in boxes]
    assert _in_triangle((6.0, 6.0), middles)


def _in_triangle(point, corners) -> bool:  # type: ignore[no-untyped-def]
    """By the signs of three cross products."""
    (x, y), signs = point, set()
    for (ax, ay), (bx, by) in zip(corners, corners[1:] + corners[:1], strict=True):
        signs.add((bx - ax) * (y - ay) - (by - ay) * (x - ax) > 0)
    return len(signs) == 1


def test_on_a_spread_each_page_has_one_and_one_is_at_the_title() -> None:
    plan = PagePlan(
        "p", of_kind("12x12", 2),
        parts=(photo("a", "3", "3"), photo("b", "4", "3", "right"),
               Title("t", "LOCKS", place=Place("right", Across("left", inches(1)), Down("bottom", inches(1))))),
    )  # fmt: skip
    found, page = proposal(plan, on(pages=2))
    boxes = [page.box(one.id) for one in found.parts]
    assert {box.x < inches(12) for box in boxes} == {True, False}
    assert not any(box.x < inches(12) < box.right for box in boxes)
    title = page.box("t")
    assert min(abs((box.y - title.y).inches) for box in boxes if box.x >= inches(12)) < 2
    assert "One of them is at the title." in found.why and "At least one is on each page." in found.why


def test_another_key_is_another_proposal_and_the_same_one_the_same() -> None:
    one, other = proposal(ONE, on())[0], proposal(ONE, on(), seed=1)[0]
    assert one == proposal(ONE, on())[0] and one.parts != other.parts


@pytest.mark.parametrize("count", [3, 5])
@given(
    seed=st.integers(0, 500),
    counts=st.lists(st.integers(0, 9), min_size=4, max_size=4),
    x=st.integers(1, 7),
    y=st.integers(1, 5),
)
@settings(max_examples=40)
def test_a_proposal_never_takes_more_than_there_is_and_never_lies_on_a_face_or_the_fold(
    count: int, seed: int, counts: list[int], x: int, y: int
) -> None:
    """Whatever the shelf has and wherever the photos lie."""
    things = [replace(one, count=n) for one, n in zip((NUTS, HEARTS, DOILY, BOAT), counts, strict=True)]
    at = on(*things, ROLL, pages=2)
    plan = PagePlan("p", at.format, parts=(photo("a", str(x), str(y)), photo("b", "6", "2", "right", (3, 4))))
    try:
        found, page = proposal(plan, at, count, seed)
    except FieldError as why:
        assert why.sentence
        return
    assert len(found.parts) == count
    taken = Counter(member.thing for one in found.parts for member in one.members)
    for thing, n in zip(things, counts, strict=True):
        assert taken[thing.id] <= n
    codes = {f.code for f in page.findings if f.part in {one.id for one in found.parts}}
    assert not codes & {"on-face", "things", "gutter", "overhang", "parted"}, codes


def test_a_shelf_without_things_says_what_would_do() -> None:
    with pytest.raises(FieldError) as why:
        proposal(ONE, on(ROLL))
    assert (
        why.value.sentence
        == "things: there is nothing on the shelf for a cluster; count the kit's things at Unpack"
    )


# ---- by hand -------------------------------------------------------------------------------------------


def lies(page: Evaluated) -> list[str]:
    """Where each thing, tape and scrap lies, in units, and how it is turned."""
    stuck_on = [piece for piece in page.pieces if piece.role in ("thing", "tape", "shape", "panel")]
    return sorted(f"{p.rect} {p.angle}" for p in stuck_on)


def test_joined_things_stay_where_they_are_and_come_apart_again_in_the_same_place() -> None:
    """Three nuts in a row, a turned heart, a strip of tape, a scrap of paper."""
    place = Place(across=Across("left", inches(3)), down=Down("top", inches(2)))
    parts = (
        Panel("scrap", "scrap", None, inches(3), inches(1), PaperChoice("ink"), place=place),
        Tape("tape", "roll", parse("5/8"), inches(4), wrapped=0, place=replace(place, down=Down("top", inches(4)))),
        ThingPart("nuts", "nuts", 3, place=place),
        ThingPart(
            "heart", "hearts", angle=8.0, raised="foam", place=replace(place, across=Across("left", inches(5)))
        ),
    )
    plan, at = PagePlan("p", parts=(*parts, photo("focal", "7", "5"))), on()
    before = evaluate(plan, at)
    whole = joined(plan, [part.id for part in parts], before, at, "c")
    assert [part.id for part in whole.parts] == ["c", "focal"]
    together = evaluate(whole, at)
    assert lies(together) == lies(before)
    again = apart(whole, "c", together, at, [f"n{k}" for k in range(10)])
    assert lies(evaluate(again, at)) == lies(before)
    took = {one.thing: one.halves for one in things_of(plan)}
    assert {one.thing: one.halves for one in things_of(again)} == took


def test_a_photo_is_no_member_of_a_cluster() -> None:
    with pytest.raises(FieldError) as why:
        joined(ONE, ["focal"], evaluate(ONE, on()), on(), "c")
    assert "cannot be in a cluster" in why.value.sentence


# ---- where they belong ---------------------------------------------------------------------------------


def test_a_label_on_every_photo_is_centred_at_its_foot_and_trimmed_to_its_width() -> None:
    """A banner of 5 on photos 4 and 3 wide: as wide as they are."""
    banner = Thing(
        "banner", "Banner", ThingKind.BANNER, 9, width=inches(5), height=parse("3/4"), figure="rectangle"
    )
    at = on(banner)
    plan = PagePlan("p", parts=(photo("a", "1", "1"), photo("b", "7", "1", size=(3, 4)), ThingPart("t", "banner")))
    page = evaluate(on_every_photo(plan, "t", lambda: "second"), at)
    laid = {piece.part: polygons.bounds(piece.seen) for piece in page.pieces if piece.thing}
    for part, of in (("t", "a"), ("second", "b")):
        photo_box = page.box(of)
        left, top, right, bottom = laid[part]
        assert (left, right) == pytest.approx((photo_box.x.inches, photo_box.right.inches))
        assert (top, bottom) == pytest.approx((photo_box.bottom.inches - 0.75, photo_box.bottom.inches))


def test_a_stamp_is_tried_in_every_ink_and_a_thing_in_what_is_like_it() -> None:
    at = on()
    plan = PagePlan("p", parts=(ThingPart("s", "wheel"), ThingPart("n", "nuts")))
    assert [(one.says, one.part.ink) for one in tries(plan, "s", at)] == [  # type: ignore[union-attr]
        ("in Slate ink", "#4a545c"), ("in Rust ink", RED),
    ]  # fmt: skip
    assert tries(plan, "n", at) == [], "there is no other brad"


def test_a_round_raised_thing_on_one_side_is_answered_on_the_other() -> None:
    """One nut on the left; the next nut would answer its colour, at the same height and as far from the right."""
    place = Place(across=Across("left", inches(1)), down=Down("top", inches(2)))
    plan, at = PagePlan("p", parts=(ThingPart("n", "nuts", place=place),)), on()
    page = evaluate(plan, at)
    found = answers(plan, page, at, lambda: "new")
    assert found[0].why == "The colour of Brass nuts is on the left only; Brass nuts would answer it on the right."
    after = evaluate(replace(plan, parts=(*plan.parts, found[0].part)), at)
    assert (inches(12) - after.box("new").right, after.box("new").y) == (inches(1), inches(2))
    assert answers(replace(plan, parts=(*plan.parts, found[0].part)), after, at, lambda: "x") == []


def test_a_spot_is_covered_by_what_is_large_enough_and_repeats_a_colour_first() -> None:
    """A spot of 3/4 × 3/4: with 1/8 round it 1 × 1. The heart's inside is smaller; the boat of 1 inch is just too small
    for its rounded corners; the doily and the scrap of 3 × 3 do, which is asked for by its paper. Where the page is
    blue, the scrap comes first."""
    shelf = on().shelf
    left = dict(shelf.things_left)
    found = covers(parse("3/4"), parse("3/4"), ["#f4efe4"], shelf, left)
    assert [one.thing or one.paper for one in found] == ["doily", "ink"]
    assert found[0].why == "it repeats a colour of the page"
    assert next(one.thing or one.paper for one in covers(parse("3/4"), parse("3/4"), [BLUE], shelf, left)) == "ink"
    assert covers(inches(5), inches(5), [], shelf, left) == []


def test_a_spot_is_drawn_round_or_pointed_at_and_the_cover_lies_on_its_middle() -> None:
    """From (3, 4) to (3.7, 4.5): sides on the next sixteenth, 11.2 are 12, so 3/4 × 1/2 about (3 3/8, 4 1/4). The panel
    of 1 × 3/4 begins at 2 7/8 and 3 7/8; a place pointed at has the size that was said."""
    at = on()
    spot = between((3.0, 4.0), (3.7, 4.5), (inches(1), inches(1)), at.ruler)
    assert spot == Blemish(parse("3/4"), parse("1/2"), parse("3 3/8"), parse("4 1/4"))
    covered = covers(spot.width, spot.height, [BLUE], at.shelf, dict(at.shelf.things_left))
    boxes = {}
    for one in covered:
        page = evaluate(PagePlan("p", parts=(laid(one, spot, at, "c"),)), at)
        boxes[one.thing or one.paper] = page.box("c")
        assert not [told for told in page.findings if told.severity == "stop"]
    assert boxes["ink"] == Rect(parse("2 7/8"), parse("3 7/8"), inches(1), parse("3/4"))
    middle = boxes["doily"].x + boxes["doily"].width.part(1, 2), boxes["doily"].y + boxes["doily"].height.part(1, 2)
    assert middle == (spot.across, spot.down)
    pressed = between((3.0, 4.0), (3.0, 4.0), (inches(1), parse("1/2")), at.ruler)
    assert pressed == Blemish(inches(1), parse("1/2"), inches(3), inches(4))
