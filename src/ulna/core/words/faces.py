"""Outline faces: what each character looks like, with the cap height as the unit of all its measures.

A face comes from a font (`formats.faces` reads it). An alphabet that looks like it has its widths, and cut letters have
its outlines.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from functools import lru_cache
from typing import Annotated, Literal, Protocol

from ulna.core.geometry.polygons import Bounds, Point, Polygon, bounds, inside
from ulna.core.ranges import Text, Title

ShippedName = Literal["plain", "heavy", "slab", "script", "typewriter", "hand"]
"""Plain capitals, heavy block, slab, script, typewriter, hand."""
FaceName = Annotated[str, Text(form=r"^[a-z][a-z0-9-]{0,59}$")]
"""One that ships, or the id of a household's own."""
FALLBACK: ShippedName = "plain"
"""What is set in its place where a face is not there."""


@dataclass(frozen=True, slots=True)
class OwnFace:
    """A household's own face: what it is called, and its font as WOFF2 in base 64."""

    name: Title
    font: Annotated[str, Text(4_000_000)]


@dataclass(frozen=True, slots=True)
class Bit:
    """A part of a character that hangs together: its outline and the counters inside it."""

    outline: Polygon
    counters: tuple[Polygon, ...] = ()


@dataclass(frozen=True, slots=True, eq=False)
class Glyph:
    """A character in cap heights, from its left edge and the line it stands on; down is positive. `i` has two bits.

    `box` is its left, top, right, bottom; what is below the line is a descender. `advance` is how far it is
    to what follows in running text. A face has each once: it is the same or another, and never compared.
    """

    bits: tuple[Bit, ...]
    box: Bounds
    advance: float

    @classmethod
    def of(cls, bits: tuple[Bit, ...], advance: float) -> Glyph:
        every = [bounds(bit.outline) for bit in bits]
        left, top = min(b[0] for b in every), min(b[1] for b in every)
        return cls(bits, (left, top, max(b[2] for b in every), max(b[3] for b in every)), advance)

    @property
    def width(self) -> float:
        left, _, right, _ = self.box
        return right - left

    @property
    def height(self) -> float:
        _, top, _, bottom = self.box
        return bottom - top


class Typeface(Protocol):
    """A face; characters that it lacks are None. `advance` of a character in running text is in cap heights, that of a
    space too; `em` is the size of its type."""

    em: float

    def glyph(self, character: str) -> Glyph | None: ...

    def advance(self, character: str) -> float | None: ...


Typefaces = Mapping[FaceName, Typeface]

SPACE = 0.4
"""How wide a space is, in cap heights: a letter's width less its gaps, as words of a title are set apart by eye."""

TURNS: tuple[tuple[str, str, int], ...] = (
    ("9", "6", 180), ("6", "9", 180), ("u", "n", 180), ("n", "u", 180), ("M", "W", 180), ("W", "M", 180),
    ("b", "q", 180), ("q", "b", 180), ("d", "p", 180), ("p", "d", 180), ("I", "l", 0), ("l", "I", 0), ("1", "l", 0),
    ("l", "1", 0), ("1", "I", 0), ("I", "1", 0), ("O", "0", 0), ("0", "O", 0), ("Z", "N", 90), ("N", "Z", 90),
)  # fmt: skip
"""What may stand for what: the letter that is wanted, the one that is taken, and by how many degrees it is turned."""
ALIKE = 0.65
"""So much of two outlines must be common to both for one to pass for the other: an M turned in plain capitals has 0.67
of a W, and reads as one; in a script it has 0.28, and does not."""
AS_LARGE = 1.25
"""Its sides may be longer or shorter by that at most."""


def stands_for(face: Typeface, wanted: str, taken: str, degrees: int) -> bool:
    """Whether a letter of the face, turned, is seen as the wanted one: it is about as large, and their outlines, laid
    on each other box on box, have at least `ALIKE` of what either covers in common."""
    one, other = face.glyph(wanted), face.glyph(taken)
    if one is None or other is None or not _as_large(one, other, degrees):
        return False
    return _common(one, other, degrees) >= ALIKE


def _as_large(one: Glyph, other: Glyph, degrees: int) -> bool:
    sides = other.width, other.height
    w, h = sides[::-1] if degrees == 90 else sides
    return all(max(a, b) <= AS_LARGE * min(a, b) for a, b in ((one.width, w), (one.height, h)))


GRID = 24


@lru_cache(4096)
def _common(one: Glyph, other: Glyph, degrees: int) -> float:
    a, b = _cells(one, 0), _cells(other, degrees)
    return len(a & b) / max(1, len(a | b))


@lru_cache(4096)
def _cells(glyph: Glyph, degrees: int) -> frozenset[Point]:
    """Which cells of a grid over its box are inked."""
    left, top, right, bottom = glyph.box
    found = set[Point]()
    for i in range(GRID):
        for j in range(GRID):
            x, y = (i + 0.5) / GRID, (j + 0.5) / GRID
            u, v = {0: (x, y), 90: (y, 1 - x), 180: (1 - x, 1 - y)}[degrees]
            at = left + u * (right - left), top + v * (bottom - top)
            if any(inside(at, b.outline) and not any(inside(at, c) for c in b.counters) for b in glyph.bits):
                found.add((i, j))
    return frozenset(found)
