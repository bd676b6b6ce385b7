"""Bands of strips and pieced work: counts, sizes, order, and that the pieces make the block exactly."""

from __future__ import annotations

from dataclasses import replace
from itertools import combinations, pairwise

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from tests.core.examples import ground, paper, size, worked
from ulna.core.geometry.polygons import area, clipped
from ulna.core.measure import MARKS, Length, Ruler, Unit, inches, mm, parse
from ulna.core.parts.kinds.band import Band, offsets, outward, strips_from
from ulna.core.parts.kinds.pieced import Pieced, strips_a_side
from ulna.core.parts.papers import dealt
from ulna.core.parts.pieces import PaperChoice, Piece
from ulna.core.rules import USUAL

PAPERS = tuple(PaperChoice(name) for name in ("a", "b", "c", "d"))
RULER = Ruler()


def sizes(pieces: tuple[Piece, ...]) -> set[str]:
    return {size(p.rect.width, p.rect.height) for p in pieces}


def test_a_band_is_its_strips_and_the_gaps_between_them() -> None:
    """Five of 1/2 × 8, 1/8 apart: 3 high."""
    built = worked(Band("b", 5, parse("1/2"), parse("8"), parse("1/8"), papers=PAPERS))
    assert size(built.width, built.height) == "8 × 3" and sizes(built.pieces) == {"8 × 1/2"}
    assert built.arithmetic == "5 × 1/2 + 4 × 1/8 = 3; 8 long"


def test_the_middle_one_is_laid_first_the_rest_outward_by_turns() -> None:
    assert outward(5) == [2, 3, 1, 4, 0] and outward(4) == [1, 2, 0, 3] and outward(1) == [0]
    built = worked(Band("b", 5, papers=PAPERS))
    assert built.pieces[0].name == "strip 3, laid first"


@pytest.mark.parametrize(
    ("way", "starts"),
    [
        ("flush", ["0", "0", "0", "0"]),
        ("staggered", ["1/4", "0", "1/4", "0"]),
        ("stepped", ["0", "1/4", "1/2", "3/4"]),
    ],
)
def test_where_strips_begin(way: str, starts: list[str]) -> None:
    band = Band("b", 4, way=way, by=parse("1/4"))
    assert [RULER.say(x) for x in offsets(band, RULER)] == starts


def test_ragged_ends_are_drawn_on_marks_and_the_same_for_a_seed() -> None:
    band = Band("b", 9, way="ragged", by=parse("1/2"), seed=3)
    starts = offsets(band, RULER)
    assert starts == offsets(band, RULER) and len(set(starts)) > 2
    assert all(Length(0) <= x <= parse("1/2") and RULER.on_mark(x) for x in starts)


def test_overlapping_strips_take_less_room_and_hide_none() -> None:
    """Three of 1 in, overlapping by 1/4: 2 1/2. An overlap of their whole width is refused."""
    assert worked(Band("b", 3, parse("1"), gap=-parse("1/4"))).height == parse("2 1/2")
    (told,) = worked(Band("b", 3, parse("1"), gap=-parse("1"))).findings
    assert told.severity == "stop" and "hides strips of 1 whole" in told.sentence


@pytest.mark.parametrize("count", [0, 10_000])
def test_a_count_that_is_no_band_is_told(count: int) -> None:
    (told,) = worked(Band("b", count)).findings
    assert told.sentence == f"A band has 1 to 100 strips, not {count}."


@pytest.mark.parametrize(
    ("sheet", "strip", "n"),
    [
        (("12", "12"), ("1/2", "8"), 24),
        (("6", "6"), ("1 1/2", "6"), 4),
        (("6", "8"), ("2", "6"), 4),
        (("8 1/2", "11"), ("1", "11"), 8),
        (("6", "6"), ("1", "7"), 0),
    ],
)
def test_how_many_strips_a_sheet_gives(sheet: tuple[str, str], strip: tuple[str, str], n: int) -> None:
    assert strips_from(parse(sheet[0]), parse(sheet[1]), parse(strip[0]), parse(strip[1])) == n


def test_a_paper_too_short_for_its_strips_is_told() -> None:
    band = Band("b", length=parse("8"), papers=(PaperChoice("pad"),))
    assert "gives no strip that long" in worked(band, ground(None, paper("pad", size="6"))).findings[0].sentence


def test_by_the_house_rule_strips_are_cut_longer_and_trimmed() -> None:
    """A strip of 8 in is cut 8 1/4 long and 8 of it are seen where they were; what a part says itself wins; one as
    long as its paper is cut as it is."""
    band = Band("b", 3, length=parse("8"), papers=(PaperChoice("kraft"),))
    there = ground(None, paper("kraft"))
    long = there.changed(rules=replace(USUAL, strips="long"))
    for piece, exact in zip(worked(band, long).pieces, worked(band, there).pieces, strict=True):
        assert size(piece.rect.width, piece.rect.height) == "8 1/4 × 1/2"
        assert piece.rect.x == exact.rect.x - parse("1/8") and piece.seen == exact.seen
    assert worked(band, long).arithmetic.endswith("8 long, cut 1/4 longer and trimmed")
    assert sizes(worked(replace(band, over=False), long).pieces) == {"8 × 1/2"}
    assert sizes(worked(replace(band, length=parse("12")), long).pieces) == {"12 × 1/2"}
    upright = worked(replace(band, upright=True, over=True), there).pieces
    assert sizes(upright) == {"1/2 × 8 1/4"}


@given(st.integers(2, 4), st.integers(1, 60), st.integers(0, 50))
def test_papers_drawn_by_lot_are_never_the_same_twice_running(many: int, count: int, seed: int) -> None:
    """And each comes as often as the others, within one."""
    laid = dealt(PAPERS[:many], count, seed)
    assert all(a != b for a, b in pairwise(laid))
    counts = [laid.count(p) for p in PAPERS[:many]]
    assert sum(counts) == count and max(counts) - min(counts) <= 1 + (many == 2)


def test_twice_running_on_purpose() -> None:
    assert dealt(PAPERS[:2], 5, doubled=True) == [PAPERS[0], PAPERS[0], PAPERS[1], PAPERS[1], PAPERS[0]]


# ---- pieced work -----------------------------------------------------------------------------------


def test_a_block_takes_as_many_strips_as_cover_it() -> None:
    """4 in from strips of 3/4: six, the last one 1/4 wide; each exactly 4 long, or 4 1/4 where one trims."""
    exact = worked(Pieced("p", "strips", parse("4"), parse("4"), parse("3/4"), PAPERS))
    assert len(exact.pieces) == 6 and sizes(exact.pieces) == {"3/4 × 4", "1/4 × 4"}
    longer = worked(Pieced("p", "strips", parse("4"), parse("4"), parse("3/4"), PAPERS, over=True))
    assert sizes(longer.pieces) == {"3/4 × 4 1/4", "1/4 × 4 1/4"}
    assert longer.arithmetic.endswith("trimmed afterwards")


def test_a_log_cabin_goes_round_and_round() -> None:
    """4 in from strips of 1/2: three rounds of four about a middle of 1 × 1; the outermost is as long as the side."""
    built = worked(Pieced("p", "log cabin", parse("4"), parse("4"), parse("1/2"), PAPERS))
    assert len(built.pieces) == 13
    assert size(built.pieces[0].rect.width, built.pieces[0].rect.height) == "1 × 1"
    assert size(built.pieces[-1].rect.width, built.pieces[-1].rect.height) == "4 × 1/2"


def test_a_pinwheel_turns_its_quarters() -> None:
    """3 in from strips of 1/2: three strips in each quarter, lying and standing by turns."""
    built = worked(Pieced("p", "pinwheel", parse("3"), parse("3"), parse("1/2"), PAPERS))
    assert len(built.pieces) == 12 and sizes(built.pieces) == {"1 1/2 × 1/2", "1/2 × 1 1/2"}


@pytest.mark.parametrize(
    ("arms", "n"),
    [("rising", 12), ("falling", 9)],
)
def test_strips_on_each_side_of_a_triangle(arms: str, n: int) -> None:
    """Base 4, height 6, at 45°, strips of 1/2."""
    assert strips_a_side(parse("4"), parse("6"), parse("1/2"), 45, arms) == n
    built = worked(Pieced("p", "triangle", parse("4"), parse("6"), parse("1/2"), PAPERS, arms=arms))
    assert len(built.pieces) == 2 * n and built.arithmetic.startswith(f"{n} strips a side")


patterns = st.builds(
    Pieced,
    st.just("p"),
    st.sampled_from(["strips", "log cabin", "pinwheel", "herringbone", "sunburst", "triangle"]),
    st.integers(24, 80).map(lambda n: inches(0, n, 16)),
    st.integers(24, 80).map(lambda n: inches(0, n, 16)),
    st.integers(6, 12).map(lambda n: inches(0, n, 16)),
    st.just(PAPERS),
    st.booleans(),
    angle=st.integers(0, 80),
    arms=st.sampled_from(["rising", "falling"]),
    rays=st.integers(3, 20),
)


@given(patterns)
@settings(max_examples=60, deadline=None)
def test_the_pieces_tile_the_block_exactly(part: Pieced) -> None:
    """What is seen of them adds up to the block, and no two lie on each other."""
    built = worked(part)
    seen = [p.seen for p in built.pieces]
    whole = built.width.inches * built.height.inches / (2 if part.pattern == "triangle" else 1)
    assert sum(map(area, seen)) == pytest.approx(whole, abs=0.02)
    for a, b in combinations(seen, 2):
        assert area(clipped(a, b)) < 0.01


@given(patterns)
@settings(max_examples=60, deadline=None)
def test_what_is_cut_holds_what_is_seen(part: Pieced) -> None:
    """No strip is asked for that is too short or too narrow for its place."""
    for piece in worked(part).pieces:
        assert area(piece.seen) <= piece.rect.width.inches * piece.rect.height.inches + 1e-6


def test_a_triangle_as_flat_as_a_line_is_told() -> None:
    (told,) = worked(Pieced("p", "triangle", parse("4"), parse("1/16"))).findings
    assert told.severity == "stop" and "too flat to piece" in told.sentence


def test_strips_too_many_for_an_evening_are_told() -> None:
    (told,) = worked(Pieced("p", "strips", parse("20"), parse("20"), parse("1/16"))).findings
    assert told.severity == "stop"


def test_in_millimetres_a_block_is_exact_too() -> None:
    metric = replace(ground(), ruler=Ruler(Unit.MM, MARKS["1 mm"]))
    built = worked(Pieced("p", "strips", mm(100), mm(100), mm(15), PAPERS), metric)
    assert [p.rect.width for p in built.pieces] == [mm(15)] * 6 + [mm(10)]


def test_a_pieced_triangle_is_glued_on_a_backing_of_its_shape() -> None:
    """Base 4, height 6: the backing is cut to the same three corners, lies underneath, and the strips lie on it."""
    part = Pieced("p", "triangle", parse("4"), parse("6"), parse("1/2"), PAPERS, backed=True, backing=PAPERS[0])
    backing, *strips = worked(part).pieces
    assert backing.outline == ((2.0, 0.0), (4.0, 6.0), (0.0, 6.0)) and len(strips) == 24
    assert size(backing.rect.width, backing.rect.height) == "4 × 6" and backing.choice == PAPERS[0]


@pytest.mark.parametrize(("side", "told"), [("11 3/4", 0), ("12", 1)])
def test_a_block_as_long_as_its_paper_leaves_nothing_to_trim(side: str, told: int) -> None:
    """Strips of 11 3/4 are cut 12 long, which the sheet gives; of 12 they would be 12 1/4: cut them exactly."""
    part = Pieced("p", "strips", parse(side), parse("2"), parse("1"), (PaperChoice("reeds"),), over=True)
    lying = replace(part, width=parse("2"), height=parse(side))
    findings = worked(lying, ground(None, paper("reeds"))).findings
    assert len(findings) == told
    for finding in findings:
        assert "12 1/4 long, and Reeds gives 12 at most" in finding.sentence
        (exactly,) = finding.remedies
        assert worked(exactly.part, ground(None, paper("reeds"))).findings == ()  # type: ignore[arg-type]
