"""Things found on a photographed sheet: how many, how large, put right by hand; a sheet with nothing, with too many."""

from __future__ import annotations

import pytest
from PIL import Image, ImageDraw

from ulna.core.geometry import polygons
from ulna.core.measure import Ruler, inches, parse
from ulna.core.paper.things_seen import MOST_THINGS, ThingSeen, joined, split, things

PER_INCH = 60
SHEET = (inches(6), inches(8))


def sheet(*shapes: tuple[str, tuple[float, float, float, float], str]) -> list[ThingSeen]:
    """A cream sheet of 6 × 8 with these shapes, each in its box in inches; what is found on it."""
    image = Image.new("RGB", (6 * PER_INCH, 8 * PER_INCH), "#f6efdc")
    pen = ImageDraw.Draw(image)
    for kind, box, colour in shapes:
        at = [round(v * PER_INCH) for v in box]
        at[2] -= 1  # the last pixel belongs to what is drawn
        at[3] -= 1
        (pen.ellipse if kind == "ellipse" else pen.rectangle)(at, fill=colour)
    data = image.tobytes()
    pixels = [(data[k], data[k + 1], data[k + 2]) for k in range(0, len(data), 3)]
    return things(*image.size, pixels, SHEET, Ruler())


def test_three_stickers_are_found_with_their_true_sizes_and_colours() -> None:
    """A red round of 1 in, a blue label 2 × 1/2, a green square of 1 1/2: to a sixteenth."""
    found = sheet(
        ("ellipse", (0.5, 0.5, 1.5, 1.5), "#a5312b"),
        ("rectangle", (3, 0.75, 5, 1.25), "#2d5a78"),
        ("rectangle", (2, 4, 3.5, 5.5), "#4f8a4f"),
    )
    sizes = [(one.width, one.height) for one in found]
    assert sizes == [(inches(1), inches(1)), (inches(2), parse("1/2")), (parse("1 1/2"), parse("1 1/2"))]
    assert [one.colours[0] for one in found] == ["#a5312b", "#2d5a78", "#4f8a4f"]
    assert polygons.area(found[0].outline) == pytest.approx(3.1416 / 4, rel=0.03), "it is round, not its box"


def test_a_ring_and_what_is_in_it_are_one_thing() -> None:
    found = sheet(
        ("ellipse", (1, 1, 4, 4), "#a5312b"), ("ellipse", (1.3, 1.3, 3.7, 3.7), "#f6efdc"),
        ("ellipse", (2, 2, 3, 3), "#2d5a78"),
    )  # fmt: skip
    assert [(one.width, one.height) for one in found] == [(inches(3), inches(3))]


def test_crumbs_are_passed_over_and_an_empty_sheet_has_nothing() -> None:
    assert sheet() == []
    assert sheet(("rectangle", (1, 1, 1.05, 1.05), "#000000")) == []


def test_of_more_than_can_be_kept_the_largest_are() -> None:
    """Six hundred of a sixth of an inch, and one of an inch."""
    at = [(0.1 + 0.23 * (k % 25), 0.1 + 0.28 * (k // 25)) for k in range(600)]
    dots = [("rectangle", (x, y, x + 0.15, y + 0.15), "#333333") for x, y in at]
    found = sheet(*dots, ("rectangle", (2, 7, 3, 7.9), "#a5312b"))
    assert len(found) == MOST_THINGS and inches(1) in {one.width for one in found}


def test_two_that_touch_are_parted_where_they_are_narrowest_and_joined_again() -> None:
    """Two rounds of 1 in with a bridge of 1/4 between them, 2 1/4 long: parted into two of 1 1/8 × 1."""
    (both,) = sheet(
        ("ellipse", (1, 1, 2, 2), "#a5312b"), ("ellipse", (2.25, 1, 3.25, 2), "#a5312b"),
        ("rectangle", (1.8, 1.4, 2.5, 1.6), "#a5312b"),
    )  # fmt: skip
    parts = split(both, Ruler())
    assert [(one.width, one.height) for one in parts] == [(parse("1 1/8"), inches(1))] * 2
    again = joined(parts, Ruler())
    assert (again.width, again.height) == (parse("2 1/4"), inches(1))
