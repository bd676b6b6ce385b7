"""A line of words as outlines: each letter where it stands, as long as the line comes out."""

from __future__ import annotations

from ulna.core.geometry.polygons import Polygon
from ulna.core.parts.pieces import Written
from ulna.core.words.faces import Typeface


def in_ink(line: Written, face: Typeface) -> list[Polygon]:
    """In inches from the corner of its block, counters among them."""
    cap = line.size / face.em
    drawn = sum(face.advance(c) or 0.0 for c in line.text) * cap
    wide = line.width.inches / drawn if drawn else 1.0
    x, found = line.x.inches, list[Polygon]()
    for character in line.text:
        glyph = face.glyph(character)
        for bit in glyph.bits if glyph else ():
            for outline in (bit.outline, *bit.counters):
                found.append(tuple((x + a * cap * wide, line.y.inches + b * cap) for a, b in outline))
        x += (face.advance(character) or 0.0) * cap * wide
    return found
