"""Things, clusters, stamps and rows of things on a page: sizes, halves, counts over all of it, what would do."""

from __future__ import annotations

import math
from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.core.examples import ground, paper
from ulna.core.errors import FieldError
from ulna.core.findings import Finding
from ulna.core.geometry import polygons
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, inches, parse
from ulna.core.page.evaluate import Evaluated, evaluate
from ulna.core.page.plan import PagePlan, things_of
from ulna.core.page_formats import of_kind
from ulna.core.paper.shelf import Shelf
from ulna.core.parts.kinds import Part
from ulna.core.parts.kinds.cluster import Cluster, Member, mirrored
from ulna.core.parts.kinds.rounds import Rounds
from ulna.core.parts.kinds.scatter import Scatter
from ulna.core.parts.kinds.stamped import Stamped
from ulna.core.parts.kinds.tape import Tape
from ulna.core.parts.kinds.thing import ThingPart
from ulna.core.parts.pieces import Ground, PaperChoice
from ulna.core.parts.place import Across, Place
from ulna.core.things.room import between, next_size
from ulna.core.things.thing import Thing, ThingKind, cut_in_two

DOILY = Thing("doily", "Doily", ThingKind.DOILY, 1, width=inches(4), height=inches(4))
BOLT = Thing("bolt", "Brass bolt", ThingKind.BRAD, 2, drawn="plain")
NUT = Thing("nut", "Brass nut", ThingKind.BRAD, 9, drawn="plain")
ARROW = Thing(
    "arrow", "Arrow", ThingKind.DIE_CUT, 3, width=inches(2), height=inches(1), points="right", drawn="outlined"
)
GEMS = Thing("gems", "Gems", ThingKind.GEMS, 2, width=inches(0, 1, 4), each=12)
STAMP = Thing("stamp", "Wheel", ThingKind.STAMP, 1, width=inches(1), height=inches(1))
ROLL = Thing("roll", "Ledger tape", ThingKind.TAPE, 1, inches(10))
THINGS = (DOILY, BOLT, NUT, ARROW, GEMS, STAMP, ROLL)


def on(*things: Thing) -> Ground:
    return replace(ground(), shelf=Shelf.of([paper("ink")], things or THINGS))


def laid(*parts: Part, at: Ground | None = None) -> Evaluated:
    return evaluate(PagePlan("p", parts=parts), at or on())


def told(page: Evaluated, code: str) -> list[Finding]:
    return [one for one in page.findings if one.code == code]


# ---- one thing -----------------------------------------------------------------------------------------


def test_three_in_a_row_take_three_widths_and_two_gaps() -> None:
    """3 × 3/8 + 2 × 1/4 = 1 5/8."""
    page = laid(ThingPart("t", "nut", 3, apart=inches(0, 1, 4)))
    assert page.box("t").width == parse("1 5/8") and page.box("t").height == parse("3/8")


def test_half_a_doily_is_half_as_wide_and_two_halves_are_one_doily() -> None:
    """There is one doily of 4: two halves are enough of it, a third half is not."""
    left, right = (ThingPart(half, "doily", half=half) for half in ("left", "right"))  # type: ignore[arg-type]
    page = laid(left, right)
    assert page.box("left").width == inches(2) and page.box("left").height == inches(4)
    assert told(page, "things") == []
    (short,) = told(laid(left, right, replace(left, id="third")), "things")
    assert short.part == "third" and short.sentence == "Of Doily none is left; it takes 1 more."


def test_what_would_do_is_fewer_or_another_of_the_kind_and_both_do() -> None:
    """Three bolts are asked for and two there; of nuts, brads too, there are nine."""
    page = laid(ThingPart("t", "bolt", 3))
    (short,) = told(page, "things")
    assert short.sentence == "Of Brass bolt 2 are left; it takes 1 more."
    assert [one.says for one in short.remedies] == ["Take 2", "Take Brass nut instead"]
    for one in short.remedies:
        assert told(laid(one.part), "things") == []  # type: ignore[arg-type]


def test_a_clear_sticker_gets_a_backing_of_its_own_outline() -> None:
    page = laid(ThingPart("t", "arrow", backing=PaperChoice("ink")))
    backing, sticker = page.pieces
    assert backing.role == "shape" and backing.choice.paper == "ink" and backing.is_paper
    assert backing.outline == sticker.outline and backing.rect == sticker.rect


def test_what_points_somewhere_is_told_when_it_no_longer_does() -> None:
    (way,) = told(laid(ThingPart("t", "arrow", angle=90.0)), "thing-way")
    assert "points right" in way.sentence
    assert told(laid(way.remedies[0].part), "thing-way") == []  # type: ignore[arg-type]


def test_on_the_fold_a_thing_is_told_like_all_that_loses_what_it_is_for() -> None:
    spread = of_kind("12x12", 2)
    part = ThingPart("t", "doily", place=Place("spread", Across("centre")))
    page = evaluate(PagePlan("p", spread, parts=(part,)), replace(on(), format=spread))
    assert any(one.part == "t" and one.remedies for one in page.findings)


def test_a_doily_cut_in_two_gives_two_things_of_its_halves_sizes() -> None:
    """Upright: 2 × 4 each; of the whole ones none is left."""
    rest, left, right = cut_in_two(DOILY, True, None, ("a", "b"))
    assert rest.count == 0
    for half in (left, right):
        assert half.size == (inches(2), inches(4)) and half.count == 1
        x1, y1, x2, y2 = polygons.bounds(half.outline)
        assert x1 >= 0 and y1 >= 0 and x2 <= 2 + 1e-9 and y2 <= 4 + 1e-9


def test_a_tail_is_clipped_a_strip_and_a_roll_are_parted_where_one_says() -> None:
    """An arrow 2 long, 1/2 off it: 1/2 and 1 1/2. A roll of 10 parted at 4: 4 and 6. Beside it is no cut."""
    _, tail, head = cut_in_two(ARROW, True, parse("1/2"), ("a", "b"))
    assert (tail.size, head.size) == ((parse("1/2"), inches(1)), (parse("1 1/2"), inches(1)))
    _, first, second = cut_in_two(ROLL, True, inches(4), ("a", "b"))
    assert (first.length, second.length) == (inches(4), inches(6))
    with pytest.raises(FieldError) as why:
        cut_in_two(ARROW, True, inches(2), ("a", "b"))
    assert "the cut lies beside it; it is 2 in long" in why.value.sentence


# ---- several ------------------------------------------------------------------------------------------------


def test_a_cluster_is_as_large_as_its_members_together_and_moves_as_one() -> None:
    """A strip 3 × 1/2 and a doily of 4, an inch up from its middle: 4 wide; from −3 to 2, so 5 high."""
    strip = Member(paper=PaperChoice("ink"), width=inches(3), height=inches(4), down=ZERO)
    cluster = Cluster("c", (strip, Member("doily", down=-inches(1))))
    page = laid(cluster)
    assert (page.box("c").width, page.box("c").height) == (inches(4), inches(5))
    away = laid(replace(cluster, place=Place(across=Across("left", inches(1)))))
    by = away.box("c").x - page.box("c").x
    assert [p.rect.x - q.rect.x for p, q in zip(away.pieces, page.pieces, strict=True)] == [by, by]


def test_a_mirrored_cluster_is_its_mirror_image() -> None:
    cluster = Cluster(
        "c", (Member("bolt", across=inches(1), angle=8.0), Member("doily", half="left", across=-inches(2)))
    )
    here, there = laid(cluster), laid(mirrored(cluster))
    middle = here.box("c").x + here.box("c").right
    for one, other in zip(here.pieces, there.pieces, strict=True):
        assert middle - one.rect.right == other.rect.x + (here.box("c").x - there.box("c").x)
        assert one.angle == -other.angle


def test_tape_in_a_cluster_counts_by_its_length() -> None:
    """Two pieces of 6 from a roll of 10: the second one is too long."""
    taped = Cluster("c", (Member("roll", width=inches(6), height=parse("5/8")),))
    assert told(laid(taped), "tape-short") == []
    (short,) = told(laid(taped, replace(taped, id="d")), "tape-short")
    assert short.part == "d" and short.sentence == "It takes 6 of Ledger tape, and 4 is there."


def test_stamped_rows_take_their_inks_in_turn_and_get_lighter() -> None:
    """2 × 3 at 1 1/4: from the first middle to the last 2 1/2 and 1 1/4, and a stamp of 1: 3 1/2 × 2 1/4. Two inks,
    each good for two impressions: the second of each is lighter than the first. A stamp never runs out."""
    part = Stamped("s", "stamp", 2, 3, inks=("#203040", "#a03020"), wiped=2)
    page = laid(part, replace(part, id="again"))
    assert (page.box("s").width, page.box("s").height) == (parse("3 1/2"), parse("2 1/4"))
    colours = [piece.colour for piece in page.pieces if piece.part == "s"]
    assert colours[0] == "#203040" and colours[2] == "#a03020" and colours[4] == "#203040"
    assert int(colours[1][1:3], 16) > 0x20 and told(page, "things") == []


def test_a_ring_of_gems_closes_and_says_what_the_strips_give() -> None:
    """Round 3 in: π × 3 / 0.4 = 23.56, so 24 close it, π × 3 / 24 from middle to middle. Two strips of twelve are just
    24."""
    page = laid(Rounds("r", path="ring", length=inches(3), pitch=parse("0.4"), thing="gems"))
    assert len(page.pieces) == 24 and page.parts[0].arithmetic.endswith(", 2 strips of 12")
    mid = [((p.rect.x + p.rect.right).inches / 2, (p.rect.y + p.rect.bottom).inches / 2) for p in page.pieces]
    for one, other in zip(mid, mid[1:] + mid[:1], strict=True):
        assert math.dist(one, other) == pytest.approx(2 * 1.5 * math.sin(math.pi / 24), abs=0.07)


def test_too_few_gems_leave_a_gap_where_it_is_said() -> None:
    """21 of 24 are there: a gap of three, at the start or half way round."""
    few = replace(GEMS, count=1, each=21)
    at = on(few)
    ring = Rounds("r", path="ring", length=inches(3), pitch=parse("0.4"), thing="gems", gap_at=0.0)
    page = laid(ring, at=at)
    assert {p.id.split("/")[1] for p in page.pieces} == {str(k) for k in range(4, 25)}
    assert page.parts[0].arithmetic.endswith("21 are there, so a gap of 3 stays")
    half = laid(replace(ring, gap_at=0.5), at=at)
    assert {p.id.split("/")[1] for p in half.pieces} == {str(k) for k in range(1, 25)} - {"13", "14", "15"}


def test_a_thing_of_another_style_is_told() -> None:
    """Three plain brads and an outlined arrow."""
    (stray,) = told(laid(ThingPart("n", "nut", 3), ThingPart("a", "arrow")), "style")
    assert stray.part == "a" and stray.sentence.startswith("Arrow is outlined, the other things are plain")


# ---- counts --------------------------------------------------------------------------------------------


@given(
    st.lists(st.tuples(st.sampled_from(["bolt", "nut", "doily"]), st.integers(1, 4), st.booleans()), max_size=6),
)
def test_a_page_takes_no_more_than_there_is_without_saying_so(asked: list[tuple[str, int, bool]]) -> None:
    """Counted apart from the program: halves are half a thing each."""
    parts = tuple(ThingPart(f"t{k}", id, n, half="left" if cut else "") for k, (id, n, cut) in enumerate(asked))
    wanted = {id: sum(n / 2 if cut else n for one, n, cut in asked if one == id) for id, _, _ in asked}
    there = {one.id: one.count for one in THINGS}
    assert bool(told(laid(*parts), "things")) == any(count > there[id] for id, count in wanted.items())


def test_what_a_page_takes_is_counted_from_its_recipe() -> None:
    plan = PagePlan(
        "p",
        parts=(
            ThingPart("t", "nut", 3),
            Cluster("c", (Member("nut"), Member("doily", half="left"), Member("roll", width=inches(3)))),
            Scatter("s", ("bolt", "nut"), 4),
            Tape("l", "roll", wrapped=0),
        ),
    )
    found = {one.thing: (one.halves, one.length) for one in things_of(plan)}
    # 3 + 1 + one of three scattered, two of them bolts; half a doily; 3 and a page of 12 of tape
    assert found == {"nut": (10, ZERO), "doily": (1, ZERO), "bolt": (4, ZERO), "roll": (0, inches(15))}


# ---- room ----------------------------------------------------------------------------------------------


def test_room_between_two_photos() -> None:
    """A gap of 1 1/8 and a label 1 wide: 1 + 2 × 1/8 = 1 1/4 is wanted, so 1/8 is missing; the narrower one moves."""
    photo, card = (
        Rect(inches(1), inches(1), inches(4), inches(6)),
        Rect(parse("6 1/8"), inches(2), inches(3), inches(4)),
    )
    room = between(photo, card, inches(1), inches(2))
    assert (room.way, room.gap, room.wanted, room.by, room.second) == (
        "across", parse("1 1/8"), parse("1 1/4"), parse("1/8"), True,
    )  # fmt: skip
    assert between(photo, card.moved(parse("1/8"), ZERO), inches(1), inches(2)).fits


def test_the_next_punch_that_holds_a_label() -> None:
    """Of 1, 1 1/2 and 2 a label of 1 5/8 needs the 2; one of 1 1/2 goes into its own size, and the next is 2."""
    sizes = [inches(1), parse("1 1/2"), inches(2)]
    assert next_size(sizes, parse("1 5/8")) == (inches(2), None)
    assert next_size(sizes, parse("1 1/2")) == (parse("1 1/2"), inches(2))
    assert next_size(sizes, inches(3)) == (None, None)
