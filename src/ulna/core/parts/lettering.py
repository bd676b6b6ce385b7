"""Letters of a title: what each is taken from, and its bits as pieces.

One is taken from an alphabet, cut from paper in a face at a cap height, or stamped, written or printed. What is short
is swapped: a letter turned stands for another, or it is cut.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from typing import Annotated, Literal

from ulna.core.geometry import polygons
from ulna.core.geometry.figures import Hole
from ulna.core.geometry.polygons import Polygon
from ulna.core.geometry.rects import Rect
from ulna.core.measure import Length, Ruler, inches, length_of
from ulna.core.parts.pieces import PaperChoice, Papers, Piece
from ulna.core.ranges import Colour, Id, Size, Text, Whole
from ulna.core.words.faces import FaceName
from ulna.core.words.setting import Letter

CUT = ""
"""Stands for a letter that is cut from paper instead of taken."""

Making = Literal["cut", "stamped", "written", "printed"]
"""How letters come about that are of no alphabet."""


@dataclass(frozen=True, slots=True)
class Style:
    """What letters are taken from: an alphabet on the shelf; else they are made in a face at a cap height, cut from
    `papers` or set down in an `ink`. `takes` is the side of the square that a letter punch wants for each."""

    alphabet: Id | None = None
    face: FaceName = "plain"
    height: Size = inches(1)
    papers: Papers = (PaperChoice(),)
    made: Making = "cut"
    ink: Colour = "#2b3138"
    takes: Size | None = None

    @property
    def is_cut(self) -> bool:
        return self.alphabet is None and self.made == "cut"


@dataclass(frozen=True, slots=True)
class Swap:
    """The last so many `times` of a letter are another one turned round, or, where `taken` is nothing, cut."""

    wanted: Annotated[str, Text(1, 1)]
    taken: Annotated[str, Text(1)] = CUT
    times: Annotated[int, Whole(1, 100)] = 1


@dataclass(frozen=True, slots=True)
class TakenLetter:
    """A letter of the text: its style, what is really taken for it (a letter turned, or `CUT`), its word."""

    number: int
    character: str
    word: int
    style: int
    taken: str


def taken_from(text: str, styles: int, by: Literal["word", "letter"], swaps: Sequence[Swap]) -> list[TakenLetter]:
    """Every letter of the text, without spaces. Styles take turns by word or by letter; swaps are for the last ones."""
    found, word, n, fresh = list[TakenLetter](), -1, 0, True
    for number, character in enumerate(text):
        if character.isspace():
            fresh = True
            continue
        if fresh:
            word, fresh = word + 1, False
        style = (n if by == "letter" else word) % styles
        found.append(TakenLetter(number, character, word, style, character))
        n += 1
    for swap in swaps:
        of = [k for k, one in enumerate(found) if one.character == swap.wanted and one.taken == swap.wanted]
        for k in of[len(of) - swap.times :] if swap.times < len(of) else of:
            found[k] = replace(found[k], taken=swap.taken)
    return found


def wanted_of(letters: Sequence[TakenLetter], styles: Sequence[Style]) -> dict[str, Counter[str]]:
    """What it takes from each alphabet."""
    found: dict[str, Counter[str]] = {}
    for one in letters:
        alphabet = styles[one.style].alphabet
        if alphabet is not None and one.taken != CUT:
            found.setdefault(alphabet, Counter())[one.taken] += 1
    return found


# ---- where they stand ------------------------------------------------------------------------------------


def outlines(one: Letter) -> list[Polygon]:
    """The outer outlines of its bits where it stands, turned as it is."""
    return [polygons.turned(placed(bit.outline, one), one.angle, one.middle) for bit in one.glyph.bits]


def counters(one: Letter) -> list[Polygon]:
    """What is seen through it, where it stands."""
    return [
        polygons.turned(placed(counter, one), one.angle, one.middle)
        for bit in one.glyph.bits
        for counter in bit.counters
    ]


def turned_box(one: Letter) -> Polygon:
    return polygons.turned(polygons.box(one.x, one.y, one.width, one.height), one.angle, one.middle)


def stood(one: Letter, by: float) -> Letter:
    """Turned with the whole by a quarter about the origin."""
    mx, my = one.middle
    x, y = (my, -mx) if by < 0 else (-my, mx)
    return replace(one, x=x - one.width / 2, y=y - one.height / 2, angle=one.angle + by)


def placed(line: Polygon, one: Letter) -> Polygon:
    """A line of its glyph where it stands, not turned yet."""
    left, top, _, _ = one.glyph.box
    sx, sy = one.cap * one.wide, one.cap
    return tuple((one.x + (x - left) * sx, one.y + (y - top) * sy) for x, y in line)


# ---- its pieces ------------------------------------------------------------------------------------------


def pieces_of(
    part: str, one: Letter, how: TakenLetter, style: Style, paper: PaperChoice | None, colour: str, layers: int,
    ruler: Ruler,
) -> Iterator[Piece]:  # fmt: skip
    """A letter's bits, each in its own box on marks; what is cut lies so many times on itself."""
    for k, bit in enumerate(one.glyph.bits):
        line = placed(bit.outline, one)
        at = on_marks(line, ruler, style.takes if paper is not None else None)
        own = polygons.moved(line, -at.x.inches, -at.y.inches)
        holes = tuple(hole_of(polygons.moved(placed(c, one), -at.x.inches, -at.y.inches)) for c in bit.counters)
        id = f"{part}/letter-{one.number + 1}{f'-{k + 1}' if k else ''}"
        called = f"letter {one.character}" + (f", bit {k + 1}" if k else "")
        if paper is None:
            if style.alphabet is None:
                called = f"{called}, {style.made}"
            elif how.taken != one.character:
                called = f"{called} (a {how.taken} turned)"
            whole = Piece(
                id, part, "sticker", called, at, at, outline=own, holes=holes, colour=colour, letter=one.number
            )
            yield about(whole, one)
            continue
        cut = Piece(id, part, "letter", called, at, at, paper, outline=own, holes=holes)
        for layer in range(layers - 1, 0, -1):
            yield about(replace(cut, id=f"{id}-layer-{layer}", name=f"{called}, layer {layer}"), one)
        yield about(replace(cut, letter=one.number), one)


def shaped(part: str, id: str, name: str, line: Polygon, paper: PaperChoice, ruler: Ruler) -> Piece:
    """A piece that is cut along an outline, from its box on marks."""
    at = on_marks(line, ruler)
    return Piece(
        f"{part}/{id}",
        part,
        "letter",
        name,
        at,
        at,
        paper,
        outline=polygons.moved(line, -at.x.inches, -at.y.inches),
    )


def on_marks(line: Polygon, ruler: Ruler, side: Length | None = None) -> Rect:
    """The box on marks from which an outline is cut; a square of that side, in whose middle it lies, where it is
    larger."""
    x1, y1, x2, y2 = polygons.bounds(line)
    x, y = ruler.down(x1), ruler.down(y1)
    at = Rect(x, y, ruler.up(x2) - x, ruler.up(y2) - y)
    if side is None or side < max(at.width, at.height):
        return at
    left, top = (side - at.width).part(1, 2), (side - at.height).part(1, 2)
    return Rect(ruler.round(at.x - left), ruler.round(at.y - top), side, side)


def hole_of(line: Polygon) -> Hole:
    """What is seen through an outline, as large as it is."""
    x1, y1, x2, y2 = polygons.bounds(line)
    return Hole(length_of(x1), length_of(y1), length_of(x2 - x1), length_of(y2 - y1), clipped=line)


def about(piece: Piece, one: Letter) -> Piece:
    """Turned about the middle of its letter."""
    if not one.angle:
        return piece
    r = piece.rect
    middle = (r.x + r.right).inches / 2, (r.y + r.bottom).inches / 2
    ((x, y),) = polygons.turned((middle,), one.angle, one.middle)
    at = Rect(length_of(x) - r.width.part(1, 2), length_of(y) - r.height.part(1, 2), r.width, r.height)
    return replace(piece, rect=at, uncut=at, angle=one.angle)
