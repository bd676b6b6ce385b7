"""What lies under the letters of a title to lift it off its ground: a strip, one backing a word, a shadow, an outline;
and lines above it.

┌──────────┐   a strip leaves `by` round each line; a backing leaves it round a whole word, in one piece; an outline
│ H E R O N│   round each letter; a shadow is each letter once more, moved by so much to the right and down
└──────────┘
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from typing import Literal

from ulna.core.geometry import outlines, polygons
from ulna.core.geometry.polygons import Bounds, Polygon
from ulna.core.geometry.rects import Rect
from ulna.core.measure import Ruler, inches, length_of
from ulna.core.parts import lettering
from ulna.core.parts.papers import dealt
from ulna.core.parts.pieces import Ground, PaperChoice, Papers, Piece
from ulna.core.ranges import Size
from ulna.core.words.setting import Letter

How = Literal["lines", "strip", "backing", "shadow", "outline"]
ORDER: tuple[How, ...] = ("lines", "strip", "backing", "shadow", "outline")
"""From underneath upward."""
LINES = 3
"""So many lines stand above a title, each as far from the next as it is high."""


@dataclass(frozen=True, slots=True)
class Under:
    """One such ground, its distance, and its papers in turn."""

    how: How = "outline"
    by: Size = inches(0, 1, 16)
    papers: Papers = (PaperChoice(),)


def reach(under: Sequence[Under]) -> Bounds:
    """How many inches it reaches beyond the letters: to the left, up, to the right, down."""

    def most(*how: How) -> float:
        return max((one.by.inches for one in under if one.how in how), default=0.0)

    round_it, shadow, lines = most("strip", "backing", "outline"), most("shadow"), most("lines")
    return round_it, max(round_it, lines * LINES * 2), max(round_it, shadow), max(round_it, shadow)


def pieces(part: str, under: Sequence[Under], letters: Sequence[Letter], ruler: Ruler) -> Iterator[Piece]:
    """What lies under these letters, from underneath upward."""
    for how in ORDER:
        for n, one in enumerate(o for o in under if o.how == how):
            key = how if not n else f"{how}{n + 1}"
            if how == "lines":
                yield from _lines_above(part, key, one, letters, ruler)
            elif how == "strip":
                yield from _strips(part, key, one, letters, ruler)
            elif how == "backing":
                words = sorted({letter.word for letter in letters})
                for k, (word, paper) in enumerate(zip(words, dealt(one.papers, len(words)), strict=True)):
                    of = [line for letter in letters if letter.word == word for line in lettering.outlines(letter)]
                    said = "".join(letter.character for letter in letters if letter.word == word)
                    line = in_one(of, one.by.inches)
                    yield lettering.shaped(part, f"{key}-{k + 1}", f"backing of {said}", line, paper, ruler)
            else:
                yield from _letter_by_letter(part, key, one, letters, ruler)


def in_one(of: Sequence[Polygon], by: float) -> Polygon:
    """One outline `by` wider than all of these together: where letters stand apart it closes the gaps between them, by
    as little as does."""
    for gap in (0.0, 1 / 16, 1 / 8, 1 / 4, 1 / 2, 1.0):
        found = outlines.joined(of, by, gap)
        if len(found) == 1:
            return found[0]
    return outlines.hull(of, by)


def _strips(part: str, key: str, under: Under, letters: Sequence[Letter], ruler: Ruler) -> Iterator[Piece]:
    """A straight strip under each line, turned with it where all of the line lies turned alike."""
    lines = sorted({one.line for one in letters})
    for k, (line, paper) in enumerate(zip(lines, dealt(under.papers, len(lines)), strict=True)):
        row = [one for one in letters if one.line == line]
        angle = row[0].angle if all(abs(one.angle - row[0].angle) < 1e-6 for one in row) else 0.0
        angle = 0.0 if abs(angle) % 90 < 1e-6 else angle
        corners = tuple(corner for one in row for corner in lettering.turned_box(one))
        x1, y1, x2, y2 = polygons.bounds(polygons.turned(corners, -angle))
        by = under.by.inches
        wide, high = ruler.up(x2 - x1 + 2 * by), ruler.up(y2 - y1 + 2 * by)
        ((x, y),) = polygons.turned((((x1 + x2) / 2, (y1 + y2) / 2),), angle)
        at = Rect(length_of(x) - wide.part(1, 2), length_of(y) - high.part(1, 2), wide, high)
        at = at if angle else Rect(ruler.round(at.x), ruler.round(at.y), wide, high)
        name = "strip under the title" if len(lines) == 1 else f"strip under line {k + 1}"
        yield Piece(f"{part}/{key}-{k + 1}", part, "strip", name, at, at, paper, angle=angle)


def _lines_above(part: str, key: str, under: Under, letters: Sequence[Letter], ruler: Ruler) -> Iterator[Piece]:
    """Level lines over the whole width of the letters, the lowest as far above them as a line is high."""
    x1, top, x2, _ = polygons.bounds(tuple(corner for one in letters for corner in lettering.turned_box(one)))
    left, by = ruler.down(x1), ruler.round(under.by)
    for k, paper in enumerate(dealt(under.papers, LINES)):
        at = Rect(left, ruler.down(top) - by * (2 * LINES - 2 * k), ruler.up(x2) - left, by)
        yield Piece(f"{part}/{key}-{k + 1}", part, "strip", f"line {k + 1} above the title", at, at, paper)


def _letter_by_letter(
    part: str, key: str, under: Under, letters: Sequence[Letter], ruler: Ruler
) -> Iterator[Piece]:
    by = under.by.inches
    for one, paper in zip(letters, dealt(under.papers, len(letters)), strict=True):
        of = lettering.outlines(one)
        lines = [polygons.moved(line, by, by) for line in of] if under.how == "shadow" else outlines.joined(of, by)
        for k, line in enumerate(lines):
            id = f"{key}-{one.number + 1}" + (f"-{k + 1}" if k else "")
            yield lettering.shaped(part, id, f"{under.how} of letter {one.character}", line, paper, ruler)


def says(under: Under, ground: Ground) -> str:
    by, papers = ground.ruler.say(under.by), ", ".join(ground.says(one) for one in under.papers)
    return {
        "lines": f"{LINES} lines {by} high above it from {papers}",
        "strip": f"on a strip {by} wider from {papers}",
        "backing": f"each word backed {by} wider with {papers}",
        "shadow": f"a shadow {by} off from {papers}",
        "outline": f"outlined {by} with {papers}",
    }[under.how]
