"""Sketches: Ulna's own for every format, on marks and in proportion wherever they go; taken from a page; matched."""

from __future__ import annotations

from collections import Counter
from dataclasses import replace

import pytest
from hypothesis import given
from hypothesis import strategies as st

from tests.core.any_page import worked_out
from tests.core.examples import HERON, LOCK, ground
from tests.core.pages import pages
from ulna.core.measure import Ruler, Unit, inches, mm
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.page_formats import KINDS, of_kind
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.kinds.title import Title
from ulna.core.parts.place import Across, Down, Place
from ulna.core.photos.photo import Photo
from ulna.core.photos.prints import Print
from ulna.core.sketches.designs import RULES, designs, family, for_format
from ulna.core.sketches.matching import match, matches
from ulna.core.sketches.sketch import Sketch, SketchPlace, box_of, mirrored, shape_of, turned, upside_down
from ulna.core.sketches.taking import from_page

FORMATS = [of_kind(kind, pages) for kind in KINDS for pages in (1, 2)]
RULERS = [Ruler(), Ruler(Unit.MM, mm(1))]
sketches = st.sampled_from([one for format in FORMATS for one in for_format(format)])


@pytest.mark.parametrize("format", FORMATS, ids=lambda format: f"{format.kind} × {format.pages}")
def test_every_format_has_forty_and_more_from_one_photo_to_twelve(format) -> None:  # type: ignore[no-untyped-def]
    """Of at least twelve rules; each sketch has a place for title and words, and no two are alike."""
    own = for_format(format)
    counts = Counter(len(one.photos) for one in own)
    assert len(own) >= 40 and set(counts) == set(range(1, 13))
    assert len({family(one) for one in own}) >= 12
    assert all({"title", "words"} <= {place.role for place in one.places} for one in own)
    assert len({one.places for one in own}) == len(own) and len({one.name for one in own}) == len(own)


@given(sketches, st.sampled_from(FORMATS), st.sampled_from(RULERS))
def test_places_stay_on_marks_in_every_format(sketch: Sketch, format, ruler: Ruler) -> None:  # type: ignore[no-untyped-def]
    """Wherever a sketch goes, each edge is on a mark and within half a mark of its share of the page."""
    for place in sketch.places:
        box = box_of(place, format, ruler)
        for edge, share, side in (
            (box.x, place.x, format.width), (box.right, place.x + place.width, format.width),
            (box.y, place.y, format.height), (box.bottom, place.y + place.height, format.height),
        ):  # fmt: skip
            assert edge.units % ruler.mark.units == 0
            assert abs(edge.inches - share * side.inches) <= ruler.mark.inches * 1.01


@given(sketches)
def test_a_mirror_twice_is_the_sketch_and_four_turns_of_one_page_too(sketch: Sketch) -> None:
    assert mirrored(mirrored(sketch)) == sketch and upside_down(upside_down(sketch)) == sketch
    if sketch.pages == 1:
        again = turned(turned(turned(turned(sketch))))
        for one, other in zip(again.places, sketch.places, strict=True):
            assert (one.x, one.y, one.width, one.height) == pytest.approx(
                (other.x, other.y, other.width, other.height), abs=1e-5
            )


@given(sketches)
def test_no_photo_lies_on_another_or_beside_its_page(sketch: Sketch) -> None:
    """Measured on the page of its own proportion, to a thousandth."""
    photos = sketch.photos
    for k, a in enumerate(photos):
        assert a.x >= -0.001 and a.x + a.width <= sketch.pages + 0.001
        assert a.y >= -0.001 and a.y + a.height <= 1.001
        for b in photos[:k]:
            apart = a.x + a.width <= b.x + 0.001 or b.x + b.width <= a.x + 0.001
            assert apart or a.y + a.height <= b.y + 0.001 or b.y + b.height <= a.y + 0.001


def test_a_sketch_is_drawn_anew_from_a_page() -> None:
    """A panel of 10 × 10, a photo 4 × 6 at 1, 2, a strip 12 × 1 and a title: their shares of 12."""
    plan = PagePlan(
        "Locks",
        parts=(
            Panel("p", "p", inches(1)),
            Panel("s", "s", None, inches(12), inches(1), place=Place(down=Down("top", inches(9)))),
            PhotoPart(
                "f", Print("heron"), place=Place(across=Across("left", inches(1)), down=Down("top", inches(2)))
            ),
            Title("t", "LOCKS"),
        ),
    )
    found = from_page(plan, evaluate(plan, ground(photos={"heron": HERON})))
    assert [place.role for place in found.places] == ["panel", "strip", "photo", "title"]
    panel, strip, photo, _ = found.places
    assert (panel.x, panel.width, strip.y, strip.height) == pytest.approx(
        (1 / 12, 10 / 12, 9 / 12, 1 / 12), abs=1e-6
    )
    assert (photo.x, photo.y, photo.width) == pytest.approx((1 / 12, 2 / 12, 4 / 12), abs=1e-6)
    assert (photo.height, photo.shaped) == (0.5, "upright")


@given(pages())
def test_any_page_gives_a_sketch_that_can_be_kept(plan: PagePlan) -> None:
    """Whatever it is made of."""
    found = from_page(plan, worked_out(plan))
    assert found.pages == plan.format.pages and all(place.width > 0 and place.height > 0 for place in found.places)


# ---- matching ----------------------------------------------------------------------------------------------


def test_photos_go_where_least_of_them_is_lost() -> None:
    """Upright and sideways places for a sideways and an upright photo: crosswise, nothing is lost."""
    sketch = Sketch(
        "two", 1, 1.0,
        (SketchPlace("photo", 0, 0, 0.4, 0.6, "upright"), SketchPlace("photo", 0.5, 0, 0.45, 0.3, "sideways")),
    )  # fmt: skip
    found = match(sketch, [LOCK, HERON], of_kind("12x12"))
    assert found.photos == (1, 0) and found.lost == pytest.approx(0, abs=1e-3)


def test_sketches_are_found_by_number_and_come_in_turn_of_their_kinds() -> None:
    """For three photos: each with three places; the first ones are all of different families."""
    format = of_kind("12x12")
    photos = [replace(HERON, id=f"p{k}") for k in range(3)]
    found = matches(for_format(format), photos, format)
    assert all(len(one.sketch.photos) == 3 and sorted(one.photos) == [0, 1, 2] for one in found)
    kinds = [family(one.sketch) for one in found]
    first = len(set(kinds))
    assert len(set(kinds[:first])) == first >= 8
    assert found[0].lost <= found[first - 1].lost
    assert matches(for_format(format), [*photos, *[replace(HERON, id=f"q{k}") for k in range(40)]], format) == []


def test_shapes_are_told_by_the_sides_of_a_place() -> None:
    """On a notebook page, 4 1/4 × 8 1/4, a place half as wide as high in shares is nearly a strip."""
    place = SketchPlace("photo", 0, 0, 1.0, 0.515)
    assert shape_of(place, 1.0) == "sideways" and shape_of(place, 4.25 / 8.25) == "square"
    assert designs(1.0, 1) is designs(1.0, 1), "worked out once"
    assert set(RULES) >= {"Grid", "Horizon", "Frame", "Diagonal", "Ring", "Thirds", "Over the fold"}
    assert isinstance(HERON, Photo)
