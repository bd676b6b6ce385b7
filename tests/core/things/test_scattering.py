"""Scatters: an odd number, clear of what must stay free, the same for the same seed."""

from __future__ import annotations

import math
from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.core.examples import HERON, ground
from ulna.core.measure import inches
from ulna.core.page.evaluate import Evaluated, evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.paper.shelf import Shelf
from ulna.core.parts.kinds.cluster import Cluster, Member
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.kinds.scatter import Scatter
from ulna.core.parts.kinds.title import Title
from ulna.core.parts.pieces import Ground
from ulna.core.parts.place import Across, Down, Place
from ulna.core.photos.prints import Print
from ulna.core.things.scattering import odd, scattered
from ulna.core.things.thing import Thing, ThingKind

LARGE = Thing("large", "Large dots", ThingKind.ENAMEL, 9, width=inches(0, 3, 8))
SMALL = Thing("small", "Small dots", ThingKind.ENAMEL, 20, width=inches(0, 3, 16))


def on(*things: Thing) -> Ground:
    return replace(ground(photos={"heron": HERON}), shelf=Shelf.of([], things or (LARGE, SMALL)))


def dots(page: Evaluated) -> list[tuple[float, float, float]]:
    """Middle and half the width of each thing of the scatter."""
    return [
        ((p.rect.x + p.rect.right).inches / 2, (p.rect.y + p.rect.bottom).inches / 2, p.rect.width.inches / 2)
        for p in page.pieces
        if p.thing
    ]


@pytest.mark.parametrize(("asked", "laid"), [(1, 1), (2, 1), (7, 7), (8, 7)])
def test_the_number_is_odd_and_not_more_than_asked(asked: int, laid: int) -> None:
    assert odd(asked) == laid


def test_a_scatter_keeps_off_a_photo_and_a_title() -> None:
    """A photo of 4 × 6 in the middle of the page and a title above it: read from the drawing, no dot's round comes
    nearer than 1/16 to the photo's rectangle or to the box of a letter."""
    page = evaluate(
        PagePlan(
            "p",
            parts=(
                PhotoPart("photo", Print("heron", inches(4), inches(6))),
                Title("t", "RAIN"),
                Scatter("s", ("large", "small"), 21, "all over", inches(11), inches(11), seed=3),
            ),
        ),
        on(),
    )
    kept = [piece.rect for piece in page.pieces if piece.role == "print" or piece.letter is not None]
    found = dots(page)
    assert len(kept) == 5 and len(found) % 2 and len(found) >= 9
    for x, y, r in found:
        for box in kept:
            near_x = min(max(x, box.x.inches), box.right.inches)
            near_y = min(max(y, box.y.inches), box.bottom.inches)
            assert math.dist((x, y), (near_x, near_y)) >= r + 1 / 32


def test_the_larger_ones_lie_lower() -> None:
    """The middle of the large ones is below that of the small ones, over twenty seeds."""
    low = high = 0.0
    for seed in range(20):
        found = scattered(8, 8, (0.5, 0.2), 15, "all over", seed, [])
        low += sum(one.y for one in found if one.kind == 0) / sum(one.kind == 0 for one in found)
        high += sum(one.y for one in found if one.kind == 1) / sum(one.kind == 1 for one in found)
    assert low > high


def test_along_the_diagonal_they_keep_near_the_line() -> None:
    found = scattered(8, 8, (0.2,), 31, "diagonal", 5, [])
    assert sum(abs(one.x - one.y) for one in found) / len(found) < 1.5


def test_round_the_clusters_each_has_its_share_near_it() -> None:
    """Twenty dots, so nineteen, over two clusters of 2 × 1: ten round the first, nine round the other, none on either,
    and in the middle they lie within an inch of its edge."""
    clusters = ((1.0, 1.0, 3.0, 2.0), (7.0, 8.0, 9.0, 9.0))
    found = scattered(10, 10, (0.25,), 20, "round the clusters", 4, [], clusters)
    near = [0, 0]
    far = list[float]()
    for one in found:
        gaps = [
            math.dist((one.x, one.y), (min(max(one.x, x1), x2), min(max(one.y, y1), y2)))
            for x1, y1, x2, y2 in clusters
        ]
        near[gaps.index(min(gaps))] += 1
        far.append(min(gaps))
    assert near == [10, 9] and min(far) > 0.1 and sorted(far)[9] < 1


def test_a_scatter_on_a_page_finds_the_clusters_that_lie_in_it() -> None:
    """One cluster of a dot at (2, 2) on the page: of nine dots round it every one is nearer to it
    than to the middle of the page."""
    member = Member("large")
    cluster = Cluster(
        "c", members=(member,), place=Place(across=Across("left", inches(2)), down=Down("top", inches(2)))
    )
    scatter = Scatter("s", ("small",), 9, "round the clusters", inches(12), inches(12))
    page = evaluate(PagePlan("p", parts=(cluster, scatter)), on())
    found = [one for one in dots(page) if one[2] < 0.15]
    assert len(found) == 9
    assert all(math.dist((x, y), (2.2, 2.2)) < math.dist((x, y), (6, 6)) for x, y, _ in found)


def test_where_there_is_no_room_fewer_are_laid_and_that_is_told() -> None:
    """A region of 4 × 4 under a photo of 4 × 6 has no room at all: it says so, and nothing is laid."""
    page = evaluate(
        PagePlan(
            "p",
            parts=(
                PhotoPart("photo", Print("heron", inches(4), inches(6))),
                Scatter("s", ("small",), 9, "all over", inches(4), inches(4)),
            ),
        ),
        on(),
    )
    (told,) = [one for one in page.findings if one.code == "scatter"]
    assert told.sentence == "0 of 9 find a place clear of photos, letters and lines." and dots(page) == []


@given(
    st.integers(0, 10_000),
    st.integers(1, 40),
    st.sampled_from(["diagonal", "other diagonal", "all over", "round the middle", "round the clusters"]),
)
def test_the_same_seed_gives_the_same_scatter_inside_its_region(seed: int, count: int, along) -> None:  # type: ignore[no-untyped-def]
    """Odd in number, whole within the region, no two on each other."""
    found = scattered(6, 4, (0.375, 0.1875), count, along, seed, [])
    assert found == scattered(6, 4, (0.375, 0.1875), count, along, seed, [])
    assert len(found) % 2 == 1 and len(found) <= odd(count)
    for k, one in enumerate(found):
        r = (0.375, 0.1875)[one.kind] / 2
        assert r - 1e-9 <= one.x <= 6 - r + 1e-9 and r - 1e-9 <= one.y <= 4 - r + 1e-9
        for other in found[:k]:
            assert math.dist((one.x, one.y), (other.x, other.y)) >= r + (0.375, 0.1875)[other.kind] / 2
