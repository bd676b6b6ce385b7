"""Tiles: where they lie, that no two neighbours are alike, counts, rings, trimmed edges, limits."""

from __future__ import annotations

import math
from dataclasses import fields, replace
from itertools import combinations

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from tests.core.examples import HERON, boxes_of, ground, paper, size, worked
from ulna.core.cutting.demand import demand
from ulna.core.geometry import lattice
from ulna.core.geometry.colouring import coloured, counts
from ulna.core.geometry.lattice import SHAPES, TileShape
from ulna.core.geometry.polygons import area, bounds, clipped
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, inches, mm, parse
from ulna.core.paper.punches import Punch
from ulna.core.paper.shelf import Card, Shelf
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.kinds.tiles import Taken, Tiles, yields
from ulna.core.parts.pieces import PaperChoice
from ulna.core.parts.place import Across, Down, Place
from ulna.core.photos.prints import Print

PAPERS = tuple(PaperChoice(name) for name in ("a", "b", "c", "d", "e"))


def region(**values: object) -> Tiles:
    return Tiles("t", **({"width": inches(6), "height": inches(6), "papers": PAPERS[:4]} | values))  # type: ignore[arg-type]


def test_a_honeycomb_by_its_measures() -> None:
    """f = 1 1/2, touching: sides f/√3, point to point 2s, columns 1 1/2 apart, rows 1 1/2·√3/2, odd rows shifted."""
    f = 1.5
    assert lattice.size("hexagon", f) == pytest.approx((1.5, 2 * 1.5 / math.sqrt(3)))
    (x0, y0), (x1, _), (x2, y2) = (lattice.centre("hexagon", f, 0, spot) for spot in ((0, 0), (0, 1), (1, 0)))
    assert x1 - x0 == pytest.approx(1.5) and x2 - x0 == pytest.approx(0.75)
    assert y2 - y0 == pytest.approx(1.5 * math.sqrt(3) / 2)


@pytest.mark.parametrize("shape", SHAPES)
@pytest.mark.parametrize("gap", [0.0, 0.125])
def test_neighbours_stand_a_gap_apart(shape: TileShape, gap: float) -> None:
    """The nearest points of two neighbours are the gap apart; of circles and tiles alike."""
    for spot in ((0, 0), (1, 1)):
        one = lattice._at(shape, 1.0, gap, spot, 0, 0).outline
        for other in lattice.neighbours(shape, spot):
            two = lattice._at(shape, 1.0, gap, other, 0, 0).outline
            assert _apart(one, two) == pytest.approx(gap, abs=0.003)


def _apart(one: tuple[tuple[float, float], ...], two: tuple[tuple[float, float], ...]) -> float:
    def edges(polygon: tuple[tuple[float, float], ...]) -> list[tuple[tuple[float, float], tuple[float, float]]]:
        return [(polygon[k - 1], polygon[k]) for k in range(len(polygon))]

    def far(p: tuple[float, float], a: tuple[float, float], b: tuple[float, float]) -> float:
        dx, dy = b[0] - a[0], b[1] - a[1]
        t = max(0.0, min(1.0, ((p[0] - a[0]) * dx + (p[1] - a[1]) * dy) / (dx * dx + dy * dy)))
        return math.dist(p, (a[0] + t * dx, a[1] + t * dy))

    ways = [far(p, a, b) for p in one for a, b in edges(two)] + [far(p, a, b) for p in two for a, b in edges(one)]
    return min(ways)


@pytest.mark.parametrize("shape", SHAPES)
def test_trimmed_tiles_cover_all_of_their_region(shape: TileShape) -> None:
    """Without gaps what is seen adds up to the region, and nothing lies on anything; circles leave corners."""
    built = worked(region(shape=shape, trimmed=True, size=parse("1 1/4")))
    seen = [p.seen for p in built.pieces]
    if shape != "circle":
        assert sum(map(area, seen)) == pytest.approx(36, abs=0.01)
    for a, b in combinations(seen, 2):
        assert area(clipped(a, b)) < 1e-3


@given(
    st.sampled_from(SHAPES),
    st.integers(10, 40),
    st.integers(0, 4),
    st.sampled_from(["region", "ring", "scattered"]),
    st.integers(3, 5),
    st.integers(1, 99),
    st.booleans(),
)
@settings(max_examples=80, deadline=None)
def test_no_two_neighbours_are_alike_whenever_three_papers_are_given(
    shape: TileShape, size: int, gap: int, layout: str, papers: int, seed: int, trimmed: bool
) -> None:
    part = region(
        shape=shape, size=inches(0, size, 16), gap=inches(0, gap, 16), layout=layout, papers=PAPERS[:papers],
        seed=seed, trimmed=trimmed,
    )  # fmt: skip
    built = worked(part)
    by_spot = {tuple(map(int, p.id.removeprefix("t/tile-").split("-"))): p.choice for p in built.pieces}
    for spot, choice in by_spot.items():
        for other in lattice.neighbours(shape, spot):  # type: ignore[arg-type]
            assert by_spot.get(other) != choice


def test_with_three_papers_there_are_six_arrangements() -> None:
    """A gapless honeycomb of three: other seeds give other orders of the same three."""
    laid = {tuple(p.choice for p in worked(region(papers=PAPERS[:3], seed=k)).pieces) for k in range(12)}
    assert len(laid) == 6


def test_with_two_papers_it_says_how_many_pairs_touch() -> None:
    (told,) = [f for f in worked(region(papers=PAPERS[:2])).findings if f.code == "alike"]
    assert "pairs of neighbours are alike; a third paper parts them all" in told.sentence
    assert not [f for f in worked(region(shape="square", papers=PAPERS[:2])).findings if f.code == "alike"]


def test_counts_are_even_or_as_asked() -> None:
    """Four papers on 20 cells: five of each; asked for 8, 6, 4, 2 they are that; impossible ones are told."""
    part = region(size=parse("1 3/8"), width=parse("5 3/4"), height=parse("6 3/8"))
    n = len(worked(part).pieces)
    laid = [p.choice for p in worked(part).pieces]
    assert max(map(laid.count, PAPERS[:4])) - min(map(laid.count, PAPERS[:4])) <= 1
    asked = (n // 3, n // 3, n - 2 * (n // 3) - 2, 2)
    laid = [p.choice for p in worked(Tiles(**_fields(part) | {"asked": asked})).pieces]  # type: ignore[arg-type]
    assert tuple(map(laid.count, PAPERS[:4])) == asked
    (told,) = [f for f in worked(Tiles(**_fields(part) | {"asked": (n, 0, 0, 0)})).findings if f.code == "counts"]  # type: ignore[arg-type]
    assert told.severity == "warn" and "not possible" in told.sentence and told.remedies[0].says.startswith("Share")


def _fields(part: Tiles) -> dict[str, object]:
    return {field.name: getattr(part, field.name) for field in fields(part)}


def test_a_cell_that_has_its_paper_already_keeps_it() -> None:
    beside = {(0, k): [(0, k - 1)] * (k > 0) + [(0, k + 1)] * (k < 5) for k in range(6)}
    found = coloured(beside, {s: s[1] % 2 for s in beside}, 4, fixed={(0, 2): 3})
    assert found.paper[0, 2] == 3 and not found.touching and sum(counts(found, 4)) == 6


def test_a_ring_leaves_its_middle_clear() -> None:
    """Round a hole of 2 × 2: no tile reaches into it."""
    built = worked(region(layout="ring", size=parse("1"), hole_width=inches(2), hole_height=inches(2)))
    assert len(built.pieces) > 10
    for piece in built.pieces:
        left, top, right, bottom = bounds(piece.seen)
        assert right <= 2 + 1e-6 or left >= 4 - 1e-6 or bottom <= 2 + 1e-6 or top >= 4 - 1e-6 or piece.outline


def test_a_ring_round_another_part_takes_that_as_its_hole() -> None:
    photo = Panel("photo", width=inches(2), height=inches(2))
    on = Place("left", Across("centre", ZERO, "photo"), Down("centre", ZERO, "photo"))
    page = boxes_of(photo, region(layout="ring", size=parse("1"), place=on))
    assert page["t"].contains(page["photo"])


def test_a_photo_takes_a_cell_in_the_shape_of_the_cell() -> None:
    """And the demand has one tile fewer; words keep a cell free."""
    plain = len(worked(region()).pieces)
    part = region(taken=(Taken(1, 1, "photo", Print("heron")), Taken(0, 0, "words")))
    built = worked(part, ground(photos={"heron": HERON}))
    assert sum(p.role == "tile" for p in built.pieces) == plain - 2
    (photo,) = [p for p in built.pieces if p.role == "print"]
    assert photo.print is not None and photo.print.shape == "hexagon"


CARDS = replace(
    paper("cards"),
    cards=(
        Card("sun", Rect(inches(4), ZERO, inches(4), inches(3))),
        Card("dot", Rect(ZERO, ZERO, inches(1), inches(1))),
    ),
)


@pytest.mark.parametrize(("back", "side", "left"), [(False, "A", "5"), (True, "B", "5")])
def test_a_printed_card_is_a_tile_cut_from_its_middle(back: bool, side: str, left: str) -> None:
    """A square of 2 in from a card of 4 × 3 that lies 4 from the left of 12: 1 spare left and right, 1/2 above and
    below; with the other side up the card lies 12 - 8 = 4 from the left too."""
    part = region(
        shape="square", size=inches(2), taken=(Taken(0, 1, "card", sheet="cards", card="sun", back=back),)
    )
    (card,) = [p for p in worked(part, ground(None, CARDS)).pieces if p.role == "card"]
    assert card.pin == Rect(parse(left), parse("1/2"), inches(2), inches(2)) and card.choice.side == side
    assert card.rect == Rect(inches(2), ZERO, inches(2), inches(2)), "where the tile of row 1, column 2 would lie"


@pytest.mark.parametrize(
    ("card", "words"), [("dot", "takes 2 × 2, and card dot is 1 × 1"), ("gone", "waits for its card")]
)
def test_a_card_that_is_no_tile_is_told(card: str, words: str) -> None:
    part = region(shape="square", size=inches(2), taken=(Taken(0, 1, "card", sheet="cards", card=card),))
    built = worked(part, ground(None, CARDS))
    assert words in built.findings[0].sentence and len(built.pieces) == 8


def test_squares_halved_at_both_edges_come_out_of_one() -> None:
    """Inch squares on 4 × 1 from the middle: three whole ones, and half a one at either end, both from one square."""
    part = Tiles("t", "square", inches(1), width=inches(4), height=inches(1), trimmed=True, papers=PAPERS[:1])
    built = worked(part)
    (taker,) = [p for p in built.pieces if p.leftover]
    (giver,) = [p for p in built.pieces if taker.leftover and p.id == taker.leftover.of]
    assert area(giver.seen) == area(taker.seen) == pytest.approx(0.5)
    asked = demand(built.pieces, Shelf.of([paper("a")])).pieces
    assert sorted((p.id, p.width) for p in asked) == sorted(
        (p.id, inches(1).units) for p in built.pieces if p != taker
    )


@given(
    shape=st.sampled_from(SHAPES), size=st.integers(10, 28), gap=st.integers(0, 4), wide=st.integers(20, 90),
    high=st.integers(20, 90), seed=st.integers(1, 9), way=st.sampled_from(("plain", "stripe", "houses")),
)  # fmt: skip
@settings(max_examples=60, deadline=None)
def test_what_falls_off_is_as_large_as_what_is_made_of_it(
    shape: TileShape, size: int, gap: int, wide: int, high: int, seed: int, way: str
) -> None:
    """Each tile gives to one other at most; both together are no larger than a tile; the paper is the same."""
    part = region(
        shape=shape, size=inches(0, size, 16), gap=inches(0, gap, 16), width=inches(0, wide, 16),
        height=inches(0, high, 16), trimmed=True, papers=PAPERS[:3], seed=seed,
    )  # fmt: skip
    built = worked(part, ground(None, paper("a", pattern=way)))
    by_id = {p.id: p for p in built.pieces}
    takers = [p for p in built.pieces if p.leftover]
    assert len({p.leftover.of for p in takers if p.leftover}) == len(takers)
    whole = area(lattice.outline(shape, size / 16))
    for taker in takers:
        giver = by_id[taker.leftover.of if taker.leftover else ""]
        assert not giver.leftover and giver.choice == taker.choice
        assert area(giver.seen) + area(taker.seen) <= whole + 1e-3


def test_a_paper_with_a_way_up_gives_no_half_that_would_stand_on_its_head() -> None:
    """Triangles point up and down by turns: one-way paper cannot give the half of one for the other."""

    def matched(way: str) -> set[str]:
        part = region(shape="triangle", size=inches(2), width=inches(5), trimmed=True, papers=PAPERS[:1])
        return {p.leftover.of for p in worked(part, ground(None, paper("a", pattern=way))).pieces if p.leftover}

    assert len(matched("houses")) < len(matched("plain"))


def test_what_a_sheet_gives() -> None:
    """12 × 12 in squares of 2: 36. Hexagons of 2 in: 30 from strips of their height, more nested."""
    sheet = paper("a")
    assert yields(sheet, "square", inches(2)) == (36, 36)
    nested, strips = yields(sheet, "hexagon", inches(2))
    assert strips == 30 and nested >= 33


@pytest.mark.parametrize(
    ("part", "words"),
    [
        (Tiles("t", size=mm(1), place=Place("spread")), "would be more than 600"),
        (Tiles("t", size=inches(20)), "No tile of 20 lies wholly on 12 × 12"),
    ],
)
def test_tiles_beyond_what_can_be_laid_are_told(part: Tiles, words: str) -> None:
    (told,) = worked(part).findings
    assert told.severity == "stop" and words in told.sentence


@pytest.mark.parametrize(
    ("tile", "words", "larger"),
    [
        ("1 1/2", "Punched with your 1 1/2 circle: cut the paper to strips first", None),
        ("1 5/8", "You have no circle punch of 1 5/8; the next larger one is 2.", "2"),
        ("2 1/2", "No circle punch of yours is that large; the largest is 2", None),
    ],
)
def test_which_punch_a_size_needs(tile: str, words: str, larger: str | None) -> None:
    """Of circles of 1, 1 1/2 and 2 in; hexagons, of which there are none, are cut by hand and nothing is said."""
    owned = tuple(Punch("circle", parse(s)) for s in ("1", "1 1/2", "2"))
    on = replace(ground(), punches=owned)
    (told,) = [f for f in worked(region(shape="circle", size=parse(tile)), on).findings if f.code == "punch"]
    assert told.sentence.startswith(words)
    sizes = [r.part.size for r in told.remedies]  # type: ignore[attr-defined]
    assert sizes == ([parse(larger)] if larger else [])
    assert not [f for f in worked(region(), on).findings if f.code == "punch"]


def test_each_is_cut_from_the_box_that_holds_it() -> None:
    """A hexagon of 1 1/2: 1 1/2 × 1 3/4, its point to point of 1.732 on the next mark."""
    assert {size(p.rect.width, p.rect.height) for p in worked(region()).pieces} == {"1 1/2 × 1 3/4"}
