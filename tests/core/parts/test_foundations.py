"""Grounds under everything: papered, mitred, torn, stitched; panels with openings."""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.core.examples import HERON, ground, paper, said, size, worked
from ulna.core.geometry import polygons
from ulna.core.geometry.polygons import area, bounds
from ulna.core.geometry.rects import Borders
from ulna.core.measure import MARKS, ZERO, Length, Ruler, Unit, inches, mm, parse
from ulna.core.page.arranging import mirrored
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.page_formats import of_kind
from ulna.core.parts.joined import Joined
from ulna.core.parts.kinds.base import Base
from ulna.core.parts.kinds.mitred import Mitred
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.kinds.papered import Papered
from ulna.core.parts.kinds.stitching import Stitching
from ulna.core.parts.kinds.torn import Torn
from ulna.core.parts.opening import Opening
from ulna.core.parts.pieces import PaperChoice, Piece
from ulna.core.photos.prints import Print

A, B, C = (PaperChoice(name) for name in ("a", "b", "c"))


def sizes(pieces: tuple[Piece, ...]) -> list[str]:
    return [size(p.rect.width, p.rect.height) for p in pieces]


def test_papers_share_the_page_but_for_an_even_border() -> None:
    """Two to one to one of 12 less 2 × 1/2: 5 1/2, 2 3/4, 2 3/4, each 11 high; a strip lies over each seam."""
    part = Papered("p", (A, B, C), border=parse("1/2"), shares=(2, 1, 1), strip=parse("1/4"), strip_choice=A)
    built = worked(part)
    assert sizes(built.pieces) == ["5 1/2 × 11", "2 3/4 × 11", "2 3/4 × 11", "1/4 × 11", "1/4 × 11"]
    assert [p.rect.x for p in built.pieces[3:]] == [parse("5 3/8"), parse("8 1/8")]
    assert built.arithmetic == "5 1/2 + 2 3/4 + 2 3/4 = 11, 11 high"


@given(st.lists(st.integers(1, 9), min_size=1, max_size=6), st.integers(0, 16))
def test_papers_side_by_side_leave_no_gap(shares: list[int], border: int) -> None:
    """Positions are rounded, not widths: each begins where the last one ends, and the last at the border."""
    part = Papered("p", (A,) * len(shares), "row", inches(0, border, 16), tuple(shares))
    built = worked(part)
    at = Length(0)
    for piece in built.pieces:
        assert piece.rect.x == at
        at = piece.rect.right
    assert at == built.width


def test_a_border_that_leaves_nothing_is_told() -> None:
    (told,) = worked(Papered("p", (A, B), border=parse("6"))).findings
    assert told.severity == "stop" and "too little for 2 papers" in told.sentence


def test_a_mitred_border_takes_four_strips_cut_the_same_way() -> None:
    """3/4 shows and 1/8 lies under the panel: four of 7/8 × 12, each with 45° at both ends, turned a quarter each."""
    built = worked(Mitred("m", parse("3/4"), choice=A))
    assert sizes(built.pieces) == ["7/8 × 12"] * 4
    assert [p.angle for p in built.pieces] == [90, 180, 270, 0]
    assert all(area(p.seen) == pytest.approx(7 / 8 * (12 - 7 / 8)) for p in built.pieces)


def test_the_four_strips_close_round_the_page() -> None:
    """Each reaches its own edge of the page from end to end, on an oblong too."""
    built = worked(Mitred("m", parse("1/2"), parse("1/4")), ground(of_kind("letter-upright")))
    top, right, bottom, left = (bounds(p.seen) for p in built.pieces)
    assert top == pytest.approx((0, 0, 8.5, 0.75)) and bottom == pytest.approx((0, 10.25, 8.5, 11))
    assert left == pytest.approx((0, 0, 0.75, 11)) and right == pytest.approx((7.75, 0, 8.5, 11))


@pytest.mark.parametrize(
    ("kind", "stripes", "code"),
    [
        ("12x12", "across", "phase"),  # a square: they meet once every second strip is turned end for end
        ("letter-upright", "across", None),  # 2 × 2 1/2 is five repeats of 1 in: they meet too
        ("12x12", "along", "phase"),  # 7/8 is no whole number of repeats: the same stripe goes outward
    ],
)
def test_whether_stripes_meet_at_the_corners(kind: str, stripes: str, code: str | None) -> None:
    striped = paper("a", pattern="stripe")
    striped = replace(striped, a=replace(striped.a, scale=inches(1)))
    found = worked(Mitred("m", parse("3/4"), stripes=stripes, choice=A), ground(of_kind(kind), striped)).findings
    assert [f.severity for f in found] == ["note"] and (code or "phase") == found[0].code


def test_stripes_that_miss_each_other_are_told_by_how_much() -> None:
    """Across, on 8 1/2 × 11 with a repeat of 3/4: 2 × 2 1/2 is six repeats and 1/2; the miss is 1/4."""
    striped = paper("a", pattern="stripe")
    striped = replace(striped, a=replace(striped.a, scale=parse("3/4")))
    on = ground(of_kind("letter-upright"), striped)
    (told,) = worked(Mitred("m", parse("3/4"), stripes="across", choice=A), on).findings
    assert told.code == "corner-miss" and "miss each other by 1/4" in told.sentence


def test_stripes_run_along_the_strips_or_across_them() -> None:
    """Stripes of the sheet run down it: along a strip the paper lies as it is, across it a quarter turned."""
    on = ground(None, paper("a", pattern="stripe"))
    for stripes, turned in (("along", False), ("across", True)):
        assert all(p.choice.turned == turned for p in worked(Mitred("m", stripes=stripes, choice=A), on).pieces)


def test_a_torn_strip_is_cut_a_tear_allowance_wider() -> None:
    """1 × 8 is cut 1 1/4 × 8; three layers, 3/8 apart, the lowest laid first."""
    built = worked(Torn("t", parse("1"), parse("8"), layers=3, step=parse("3/8"), papers=(A, B)))
    assert sizes(built.pieces) == ["8 × 1 1/4"] * 3
    assert [p.id for p in built.pieces] == ["t/torn-3", "t/torn-2", "t/torn-1"]
    assert built.height == parse("1 3/4") and built.arithmetic.startswith("1 + 1/4 to tear = 1 1/4 × 8")
    assert worked(Torn("t", seed=1)).pieces != worked(Torn("t", seed=2)).pieces
    assert worked(Torn("t", core_side="hidden")).findings == ()


def test_a_strip_is_torn_at_any_edge_and_the_allowance_is_there() -> None:
    """1 × 8 torn at the left stands 1 wide and 8 high, its allowance of 1/4 left of where it lies; torn at both edges
    it is cut 1 1/2 wide."""
    for torn, cut, corner in (
        ("bottom", "8 × 1 1/4", ("0", "0")),
        ("top", "8 × 1 1/4", ("0", "-1/4")),
        ("left", "1 1/4 × 8", ("-1/4", "0")),
        ("right", "1 1/4 × 8", ("0", "0")),
        ("top and bottom", "8 × 1 1/2", ("0", "-1/4")),
        ("left and right", "1 1/2 × 8", ("-1/4", "0")),
    ):
        built = worked(Torn("t", parse("1"), parse("8"), papers=(A,), edge=torn))  # type: ignore[arg-type]
        (piece,) = built.pieces
        assert sizes(built.pieces) == [cut], torn
        assert (piece.rect.x, piece.rect.y) == tuple(map(parse, corner)), torn
        left, top, right, bottom = polygons.bounds(piece.seen)
        assert (round(left), round(top)) == (0, 0)
        assert (round(right - left), round(bottom - top)) == ((8, 1) if cut.startswith("8") else (1, 8))
        assert [one.edge.value for one in piece.torn] == torn.split(" and ")


def test_a_torn_hill_is_highest_in_its_middle() -> None:
    """2 × 8 torn at the top as a hill of 1: the ends are 1 below the middle, and the list says both."""
    (piece,) = worked(Torn("t", parse("2"), parse("8"), papers=(A,), edge="top", rise=parse("1"))).pieces
    by_x = sorted((x, y) for x, y in piece.seen if y < 1.9)
    middle = min(by_x, key=lambda p: abs(p[0] - 4))
    assert abs(middle[1]) < 0.07 and abs(by_x[0][1] - 1) < 0.07 and abs(by_x[-1][1] - 1) < 0.07
    assert piece.torn[0].rise == parse("1")


def test_mirroring_a_torn_strip_turns_its_torn_edge_over() -> None:
    assert mirrored(Torn("t", edge="left"), "across") == Torn("t", edge="right")
    assert mirrored(Torn("t", edge="left"), "down") == Torn("t", edge="left")
    assert mirrored(Torn("t", edge="top"), "down") == Torn("t", edge="bottom")


def test_a_seam_runs_inside_the_edge_and_says_how_long_it_is() -> None:
    """1/8 inside 12 × 12: four times 11 3/4; top and bottom alone half of that. It is no piece."""
    built = worked(Stitching("s", parse("1/8")))
    assert built.pieces == () and built.arithmetic.startswith("47 of seam")
    assert worked(Stitching("s", parse("1/8"), "top and bottom")).arithmetic.startswith("23 1/2 of seam")
    assert worked(Stitching("s", parse("6"))).findings[0].severity == "stop"


def test_a_notebook_base_is_cut_over_its_open_sides() -> None:
    """1/8 at the top, the bottom and the outer edge: 4 3/8 × 8 1/2; nothing at the fold."""
    format = replace(of_kind("notebook", 2), allowance=parse("1/8"))
    left, right = (worked(Base("b", on, A), ground(format)).pieces[0].rect for on in ("left", "right"))
    assert size(left.width, left.height) == "4 3/8 × 8 1/2" and left.x == -parse("1/8")
    assert right.x == Length(0)


def test_a_photo_behind_an_opening_needs_the_lap_on_all_sides() -> None:
    """A circle of 4 1/2 in: 4 × 6 does not fill it, 5 × 5 does; what would do is one press away."""
    small = Opening("circle", None, parse("4 1/2"), parse("4 1/2"), print=Print("heron"))
    on = ground(photos={"heron": HERON})
    panel = Panel("p", width=parse("6"), height=parse("6"), openings=(small,))
    (told,) = [f for f in worked(panel, on).findings if f.code == "opening"]
    assert "Heron is 4 × 6 and does not fill the opening of 4 1/2 × 4 1/2" in told.sentence
    mended = told.remedies[0].part
    assert isinstance(mended, Panel) and mended.openings[0].print
    assert (mended.openings[0].print.width, mended.openings[0].print.height) == (parse("5"), parse("5"))
    large = replace(small, print=Print("heron", parse("5"), parse("7")))
    built = worked(replace(panel, openings=(large,)), on)
    assert built.findings == () and [p.role for p in built.pieces] == ["print", "panel"]


def test_a_print_exactly_as_wide_as_its_opening_is_fixed_at_the_other_ends() -> None:
    opening = Opening("rectangle", None, parse("4"), parse("4"), print=Print("heron"))
    panel = Panel("p", width=parse("6"), height=parse("6"), openings=(opening,))
    (told,) = worked(panel, ground(photos={"heron": HERON})).findings
    assert told.severity == "note" and "fix it above and below, nothing is spare sideways" in told.sentence


def test_a_straight_opening_gives_its_middle_back() -> None:
    """A frame of 6 × 6 with a rim of 1: the panel inside is 4 × 4. A round one gives nothing that is worth it."""
    frame = Panel("p", width=parse("6"), height=parse("6"), openings=(Opening(rim=parse("1")),))
    piece = worked(frame).pieces[0]
    assert piece.gut is not None and piece.gut.across == parse("2") and len(piece.holes) == 1
    round_ = replace(frame, openings=(Opening("circle", parse("1")),))
    assert worked(round_).pieces[0].gut is None
    assert "an opening that leaves a rim of 1" in said(frame)


def test_an_opening_larger_than_its_panel_is_told() -> None:
    panel = Panel("p", width=parse("3"), height=parse("3"), openings=(Opening(width=parse("3")),))
    assert worked(panel).findings[0].sentence.startswith("An opening of 3 × 3 leaves no rim")


def test_several_openings_each_with_a_ring_round_it() -> None:
    """Two circles of 2, one 2 left and one 2 right of the middle of 8 × 5, each with a ring of 1/4: 2 1/2 outside."""
    left = Opening("circle", None, parse("2"), parse("2"), parse("-2"), ring=parse("1/4"), ring_choice=B)
    panel = Panel("p", "card", None, parse("8"), parse("5"), A, openings=(left, replace(left, across=parse("2"))))
    built = worked(panel)
    (ground_piece, *rings) = built.pieces
    assert [(hole.x, hole.y) for hole in ground_piece.holes] == [
        (parse("1"), parse("1 1/2")),
        (parse("5"), parse("1 1/2")),
    ]
    assert [(p.name, str(size(p.rect.width, p.rect.height)), p.rect.x) for p in rings] == [
        ("ring 1", "2 1/2 × 2 1/2", parse("3/4")),
        ("ring 2", "2 1/2 × 2 1/2", parse("4 3/4")),
    ]
    assert built.findings == () and ground_piece.gut is None
    assert "a ring of 1/4" in said(panel)


def test_openings_that_run_into_each_other_are_told_and_not_cut() -> None:
    one = Opening("circle", None, parse("3"), parse("3"))
    built = worked(
        Panel("p", "card", None, parse("8"), parse("8"), A, openings=(one, replace(one, across=parse("2"))))
    )
    assert [f.sentence for f in built.findings] == [
        "Openings 1 and 2 run into each other; move one of them or make it smaller."
    ]
    assert len(built.pieces[0].holes) == 1


def test_prints_behind_neighbouring_openings_that_lie_on_each_other_are_told() -> None:
    """Openings of 2 × 2, 1/4 apart, each print cut to 1/8 beyond: they meet; with a lap of 1/4 they overlap by 1/4."""
    print_ = Print(None, parse("3"), parse("3"))
    one = Opening("rectangle", None, parse("2"), parse("2"), parse("-1 1/8"), print=print_)
    two = replace(one, across=parse("1 1/8"))
    panel = Panel("p", "card", None, parse("8"), parse("6"), A, openings=(one, two))
    assert worked(panel).findings == ()
    wide = tuple(replace(o, lap=parse("1/4")) for o in panel.openings)
    (told,) = worked(replace(panel, openings=wide)).findings
    assert told.severity == "warn" and "lie on each other behind the openings, 1/4 of them" in told.sentence


def test_what_lies_in_and_on_a_turned_panel_turns_along() -> None:
    """Turned by 90 degrees about its middle, what was left of it is above it."""
    opening = Opening(
        "circle", None, parse("2"), parse("2"), parse("-2"), print=Print(None, parse("3"), parse("3"))
    )
    panel = Panel("p", "card", None, parse("8"), parse("8"), A, openings=(opening,), angle=90.0)
    behind, piece = worked(panel).pieces
    middle = [round((a + b) / 2, 4) for a, b in zip(bounds(behind.seen)[:2], bounds(behind.seen)[2:], strict=True)]
    assert middle == [4.0, 2.0] and behind.angle == piece.angle == 90


def test_a_panel_is_joined_from_two_and_gutted_as_one() -> None:
    """11 × 16, one above the other, the seam 9 from the top, lapped 1/4: 11 × 9 on top of 11 × 7 1/4. With a rim of 1
    the middle of both goes, from the seam on."""
    join = Joined("one above the other", parse("9"), parse("1/4"))
    panel = Panel("p", "ground", None, parse("11"), parse("16"), A, gutted=True, rim=parse("1"), joined=join)
    below, above = worked(panel).pieces
    assert sizes((below, above)) == ["11 × 7 1/4", "11 × 9"]
    assert (above.rect.bottom, below.rect.y) == (parse("9"), parse("8 3/4"))
    assert above.gut == Borders(parse("1"), parse("1"), parse("1"), ZERO)
    assert below.gut == Borders(parse("1"), ZERO, parse("1"), parse("1"))
    assert "joined of two one above the other, lapped" in said(panel)


def test_a_seam_that_nothing_lies_over_is_told() -> None:
    """The seam of 12 × 12 is 6 from the left; a panel of 4 × 6 in the middle hides it from 3 to 9."""
    joined = Panel("p", "ground", None, parse("12"), parse("12"), A, joined=Joined())
    over = Panel("o", "card", None, parse("4"), parse("6"), B)
    page = evaluate(PagePlan("s", of_kind("12x12", 1), parts=(joined, over)), ground())
    (told,) = [f for f in page.findings if f.code == "seam"]
    assert told.sentence.startswith("Its seam is seen from 0 to 3 and from 9 to 12 (counted from its top edge)")


def test_a_panel_that_no_longer_covers_the_border_is_told() -> None:
    """3/4 shows, 1/8 lies under: inside the strips are 10 1/4, which 10 1/2 covers and 10 does not."""
    border = Mitred("m", choice=A)
    for wide, told in ((parse("10 1/2"), 0), (parse("10"), 1)):
        inside = Panel("p", "ground", None, wide, parse("10 1/2"), B)
        page = evaluate(PagePlan("s", of_kind("12x12", 1), parts=(border, inside)), ground())
        found = [f.sentence for f in page.findings if f.code == "border"]
        assert len(found) == told
    assert found[0].startswith("What lies in the border does not reach it at its left side and right side")
    assert found[0].endswith("It takes 10 1/4 × 10 1/4 to cover it.")


def test_in_millimetres_a_frame_is_as_exact() -> None:
    frame = Panel("p", width=mm(150), height=mm(100), openings=(Opening(rim=mm(20)),))
    metric = replace(ground(), ruler=Ruler(Unit.MM, MARKS["1 mm"]))
    piece = worked(frame, metric).pieces[0]
    assert piece.gut is not None and piece.gut.left == mm(20)
