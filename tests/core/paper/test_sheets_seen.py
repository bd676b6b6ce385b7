"""Sheets that lie beside each other in one photograph."""

from __future__ import annotations

import io
import math

import pytest
from PIL import Image, ImageDraw

from ulna.core.measure import inches
from ulna.core.paper.colour import look, of_hex, word
from ulna.core.paper.sheets_seen import printed, sheets
from ulna.core.paper.shelf import Direction


def pixels(image: Image.Image) -> tuple[int, int, list[tuple[int, int, int]]]:
    data = image.convert("RGB").tobytes()
    return image.width, image.height, [(data[k], data[k + 1], data[k + 2]) for k in range(0, len(data), 3)]


def table(width: int = 220, height: int = 160) -> tuple[Image.Image, ImageDraw.ImageDraw]:
    """A wooden table, with its grain."""
    image = Image.new("RGB", (width, height), "#7a5a3c")
    draw = ImageDraw.Draw(image)
    for y in range(0, height, 5):
        draw.line([(0, y), (width, y)], fill="#73543a")
    return image, draw


def test_three_sheets_are_found_with_their_corners_and_sizes() -> None:
    """Two of 12 × 12 above, one of 8 1/2 × 11 lying below them: row by row, corners within two places of 220."""
    image, draw = table()
    draw.rectangle([10, 10, 69, 69], fill="#e8efe0")
    draw.rectangle([100, 12, 159, 71], fill="#2b3138")
    draw.rectangle([20, 90, 74, 131], fill="#d8a29a")
    found = sheets(*pixels(image))
    assert [(s.width, s.height) for s in found] == [
        (inches(12), inches(12)), (inches(12), inches(12)), (inches(11), inches(8, 1, 2)),
    ]  # fmt: skip
    expected = ((10, 10), (70, 10), (70, 70), (10, 70))
    for (x, y), (ex, ey) in zip(found[0].corners, expected, strict=True):
        assert abs(x * 220 - ex) <= 2 and abs(y * 160 - ey) <= 2


@pytest.mark.parametrize("degrees", [-12, -5, 4, 15])
def test_a_sheet_that_lies_askew_is_found_at_its_corners(degrees: int) -> None:
    """Turned about its middle by so much."""
    image, draw = table()
    turn = math.radians(degrees)
    at = [
        (110 + x * math.cos(turn) - y * math.sin(turn), 80 + x * math.sin(turn) + y * math.cos(turn))
        for x, y in ((-45, -45), (45, -45), (45, 45), (-45, 45))
    ]
    draw.polygon(at, fill="#e8efe0")
    (one,) = sheets(*pixels(image))
    assert (one.width, one.height) == (inches(12), inches(12))
    for (x, y), (ex, ey) in zip(one.corners, at, strict=True):
        assert math.dist((x * 220, y * 160), (ex, ey)) < 4


def test_a_small_square_beside_a_large_one_is_a_six_inch_sheet() -> None:
    image, draw = table()
    draw.rectangle([10, 10, 129, 129], fill="#e8efe0")
    draw.rectangle([150, 20, 209, 79], fill="#e8c0b0")
    assert [s.width for s in sheets(*pixels(image))] == [inches(12), inches(6)]


@pytest.mark.parametrize("what", ["nothing", "crumbs", "a ring"])
def test_what_is_no_sheet_is_none(what: str) -> None:
    """An empty table, crumbs on it, the ring of a cup."""
    image, draw = table()
    if what == "crumbs":
        for k in range(30):
            draw.rectangle([7 * k, (k * 37) % 150, 7 * k + 2, (k * 37) % 150 + 2], fill="#ffffff")
    if what == "a ring":
        draw.ellipse([60, 30, 140, 110], outline="#ffffff", width=4)
    assert sheets(*pixels(image)) == []


def striped(step: int) -> Image.Image:
    image = Image.new("RGB", (216, 216), "#ffffff")
    draw = ImageDraw.Draw(image)
    for x in range(0, 216, step):
        draw.rectangle([x, 0, x + step // 2 - 1, 215], fill="#1f2d4f")
    return image


def test_stripes_are_seen_with_their_way_and_repeat() -> None:
    """A stripe of 1 in, 18 of 216 places on a sheet of 12 in, on white: two-way, lively, navy and white."""
    seen = printed(*pixels(striped(18)), look(*pixels(striped(18).resize((36, 36)))), inches(12))
    assert seen.direction is Direction.TWO_WAY and seen.repeat == inches(1) and seen.busy >= 1
    assert {"blue", "white"} <= {word(of_hex(colour)) for colour in seen.colours}


def test_a_plain_sheet_is_plain() -> None:
    plain = Image.new("RGB", (216, 216), "#f6efdc")
    out = io.BytesIO()
    plain.save(out, "JPEG")
    seen = printed(*pixels(plain), look(*pixels(plain.resize((36, 36)))), inches(12))
    assert (seen.busy, seen.direction, seen.repeat, seen.colours) == (0, Direction.NONE, None, ("#f6efdc",))
