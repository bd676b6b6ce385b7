"""A person's own font: taken in as outlines, or refused with the reason."""

from __future__ import annotations

import io
import time
import zlib

import pytest
from fontTools.fontBuilder import FontBuilder
from fontTools.pens.ttGlyphPen import TTGlyphPen

from ulna.formats.faces import SHIPPED, Faces, file_of
from ulna.formats.faces.taking import BadFont, taken_in

LETTERS = "HOxo"


def font(letters: str = LETTERS, cap: int = 700, corners: int = 4) -> bytes:
    """A font whose letters are boxes 500 wide and as high as a capital, or half as high."""

    def glyph(high: int):  # type: ignore[no-untyped-def]
        pen = TTGlyphPen(None)
        side = [
            (0, 0),
            (0, high),
            (500, high),
            *[(500 - k % 2, high - high * k // corners) for k in range(1, corners)],
        ]
        pen.moveTo(side[0])
        for point in side[1:]:
            pen.lineTo(point)
        pen.closePath()
        return pen.glyph()

    names = {letter: f"l{ord(letter)}" for letter in letters}
    order = [".notdef", "space", *names.values()]
    builder = FontBuilder(1000, isTTF=True)
    builder.setupGlyphOrder(order)
    builder.setupCharacterMap({32: "space"} | {ord(letter): name for letter, name in names.items()})
    builder.setupGlyf(
        {".notdef": TTGlyphPen(None).glyph(), "space": TTGlyphPen(None).glyph()}
        | {name: glyph(cap if letter.isupper() else cap // 2) for letter, name in names.items()}
    )
    builder.setupHorizontalMetrics(dict.fromkeys(order, (600, 0)))
    builder.setupHorizontalHeader(ascent=800, descent=-200)
    builder.setupNameTable({"familyName": "Boxes", "styleName": "Regular"})
    builder.setupOS2()
    builder.setupPost()
    out = io.BytesIO()
    builder.save(out)
    return out.getvalue()


def test_its_letters_have_their_own_outlines() -> None:
    """A box of 500 × 700 is 5/7 of a cap height wide, one of 500 × 350 half as high."""
    faces = Faces({"face-boxes": taken_in(font())})
    capital, small = faces["face-boxes"].glyph("H"), faces["face-boxes"].glyph("x")
    assert capital and small
    assert (capital.width, capital.height) == (pytest.approx(5 / 7, abs=1e-3), pytest.approx(1.0))
    assert small.height == pytest.approx(0.5)
    assert faces["face-boxes"].advance("H") == pytest.approx(6 / 7, abs=1e-3)
    assert faces["face-boxes"].glyph("é") is None


def test_a_font_that_ships_comes_through_as_it_was() -> None:
    data = file_of("slab").read_bytes()
    own = Faces({"face-slab": taken_in(data)})["face-slab"]
    for letter in "Rg&é8":
        mine, theirs = own.glyph(letter), SHIPPED["slab"].glyph(letter)
        assert mine and theirs and mine.box == pytest.approx(theirs.box, abs=0.01)


def test_a_face_that_is_not_there_looks_like_the_plain_one() -> None:
    assert SHIPPED["face-lost"] is SHIPPED["plain"]
    assert "face-lost" not in SHIPPED


def bomb() -> bytes:
    """A WOFF whose one table unpacks to two hundred megabytes."""
    packed = zlib.compress(bytes(200_000_000), 9)
    entry = (
        b"glyf"
        + (44 + 20).to_bytes(4, "big")
        + len(packed).to_bytes(4, "big")
        + (200_000_000).to_bytes(4, "big")
        + bytes(4)
    )
    header = b"wOFF" + b"\x00\x01\x00\x00" + (64 + len(packed)).to_bytes(4, "big") + b"\x00\x01\x00\x00"
    return header + (200_000_100).to_bytes(4, "big") + bytes(24) + entry + packed


@pytest.mark.parametrize(
    ("data", "why"),
    [
        (b"", "it is no font"),
        (b"%PDF-1.7 not a font", "it is no font"),
        (b"\x00\x01\x00\x00" + b"\xff" * 400, "it cannot be read"),
        (b"wOF2" + bytes(2000), "it cannot be read"),
        (font()[:600], "it cannot be read"),
        (font("Hx"), "it has no Latin letters"),
        (font(cap=14_000, corners=9_000), "so many corners"),
        (b"OTTO" + bytes(9_000_000), "larger than 8 MB"),
    ],
)  # fmt: skip
def test_what_is_no_font_or_a_hostile_one_is_refused_with_the_reason(data: bytes, why: str) -> None:
    with pytest.raises(BadFont, match=why):
        taken_in(data)


def test_one_that_unpacks_to_far_more_is_stopped_in_time() -> None:
    began = time.monotonic()
    with pytest.raises(BadFont):
        taken_in(bomb())
    assert time.monotonic() - began < 25
