"""Guides: where a part would sit well, and how far it is from what."""

from __future__ import annotations

from tests.core.examples import ground
from ulna.core.measure import Ruler, inches, parse
from ulna.core.page.evaluate import evaluate
from ulna.core.page.guides import distances, guides, nearest
from ulna.core.page.plan import PagePlan
from ulna.core.page_formats import of_kind
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.place import Across, Down, Place
from ulna.core.photos.prints import Print


def at(id: str, left: str, top: str = "1", width: str = "2") -> PhotoPart:
    place = Place("left", Across("left", parse(left)), Down("top", parse(top)))
    return PhotoPart(id, Print(None, parse(width), inches(2)), (), place)


def across(*parts: PhotoPart, of: str = "a") -> dict[str, list[str]]:
    """The guides across for a part, by why, as what a ruler says."""
    page = evaluate(PagePlan("x", parts=parts), ground())
    found: dict[str, list[str]] = {}
    for guide in guides(page, of, Ruler()).across:
        found.setdefault(guide.why, []).append(Ruler().say(guide.at))
    return found


def test_a_part_catches_on_edges_centre_and_thirds() -> None:
    """For a 2 in part on a 12 in page: 0 and 10, 5, and 3 and 7."""
    found = across(at("a", "1"))
    assert found["edge"] == ["0", "10"]
    assert found["centre"] == ["5"]
    assert found["third"] == ["3", "7"]


def test_a_part_catches_on_its_neighbours() -> None:
    """Left edges level, centred on it, right edges level, touching on either side."""
    assert across(at("a", "1"), at("b", "6", width="3"))["neighbour"] == ["4", "6", "6 1/2", "7", "9"]


def test_a_gap_between_two_is_offered_again_beside_them() -> None:
    """Two parts 1 in apart: the third goes 1 in to the right of them, or 1 in to the left."""
    found = across(at("a", "0"), at("b", "3"), at("c", "6"))
    assert "9" in found["gap"] and "0" in found["gap"]


def test_equal_gaps_are_found_between_two() -> None:
    """Between parts that are 4 in apart a 2 in part goes in the middle."""
    assert "6" in across(at("a", "0", "5"), at("b", "3", "5"), at("c", "9", "5"))["gap"]


def test_neighbours_that_are_not_level_give_no_gaps() -> None:
    """Gaps are between things side by side."""
    assert "gap" not in across(at("a", "0", "9"), at("b", "3"), at("c", "6"))


def test_a_spread_has_the_guides_of_both_pages_and_its_own() -> None:
    """The centre of the left page, of the right page, and the gutter."""
    page = evaluate(PagePlan("x", of_kind("12x12", 2), parts=(at("a", "1"),)), ground(of_kind("12x12", 2)))
    centres = {g.says for g in guides(page, "a", Ruler()).across if g.why == "centre"}
    assert centres == {"centre of the left page", "centre of the right page", "centre of the spread"}


def test_the_nearest_guide_within_reach_catches() -> None:
    """Within 3/16 in of the centre it goes there; further away it stays free."""
    page = evaluate(PagePlan("x", parts=(at("a", "1"),)), ground())
    found = guides(page, "a", Ruler()).across
    caught = nearest(found, parse("5 1/8"), parse("3/16"))
    assert caught is not None and caught.says == "centre of the page"
    assert nearest(found, parse("5 1/2"), parse("3/16")) is None


def test_distances_go_to_the_edges_or_the_nearest_thing_on_the_way() -> None:
    """1 in from the left edge, 2 in to the neighbour on the right, and how far off the centre it is."""
    page = evaluate(PagePlan("x", parts=(at("a", "1"), at("b", "5"))), ground())
    said = {d.of: d.says for d in distances(page, "a", Ruler())}
    assert (said["left"], said["right"], said["top"], said["bottom"]) == ("1", "2", "1", "9")
    assert said["centre across"] == "4 left of centre"
