"""Letters cut out of a sheet, with papers behind them.

┌───────────────┐   the paper behind each opening is the letter's box and 1/8 in more all round; what is loose in an o
│  ▢  ◯  ▢  ▢   │   stays with the sheet by two bridges, or is a piece of its own that is glued in afterwards
└───────────────┘
"""

from __future__ import annotations

import itertools
from collections.abc import Callable, Iterator, Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from ulna.core.findings import Finding, Remedy
from ulna.core.geometry import outlines, polygons
from ulna.core.geometry.polygons import Polygon
from ulna.core.geometry.rects import Rect
from ulna.core.measure import Length, Ruler, inches, length_of
from ulna.core.parts import lettering
from ulna.core.parts.pieces import PaperChoice, Piece
from ulna.core.ranges import Gap
from ulna.core.words.setting import Letter

LAP = inches(0, 1, 8)
"""By so much the paper behind an opening is larger than it, on every side; on the nearest mark."""
BRIDGE = 1 / 16
"""Inches: a bridge that holds a counter is as wide as that."""


@dataclass(frozen=True, slots=True)
class Openings:
    """The sheet that the letters are cut out of, what it leaves round them, and whether bridges hold the counters."""

    sheet: PaperChoice = PaperChoice()
    margin: Gap = inches(0, 1, 2)
    bridges: bool = True


def pieces(
    part: str,
    how: Openings,
    sheet: Rect,
    letters: Sequence[Letter],
    papers: Mapping[int, PaperChoice],
    ruler: Ruler,
) -> Iterator[Piece]:
    """The papers behind, the sheet with its openings, and what is loose in them."""
    for one in letters:
        at = _behind(one, ruler)
        id, name = f"{part}/behind-{one.number + 1}", f"paper behind letter {one.character}"
        yield Piece(id, part, "panel", name, at, at, papers.get(one.number, PaperChoice()))
    holes = [line for one in letters for line in _opened(one, how.bridges)]
    yield Piece(
        f"{part}/sheet", part, "panel", "sheet with the openings", sheet, sheet, how.sheet,
        holes=tuple(lettering.hole_of(line) for line in holes),
    )  # fmt: skip
    for one in letters if not how.bridges else ():
        for k, line in enumerate(lettering.counters(one)):
            id = f"counter-{one.number + 1}" + (f"-{k + 1}" if k else "")
            yield lettering.shaped(part, id, f"loose middle of letter {one.character}", line, how.sheet, ruler)


def _behind(one: Letter, ruler: Ruler) -> Rect:
    """The letter's box and the lap all round, on marks."""
    x1, y1, x2, y2 = polygons.bounds(lettering.turned_box(one))
    lap = ruler.round(LAP)
    left, top = ruler.down(x1) - lap, ruler.down(y1) - lap
    return Rect(left, top, ruler.up(x2) + lap - left, ruler.up(y2) + lap - top)


def _opened(one: Letter, bridges: bool) -> Iterator[Polygon]:
    """What is cut out: the letter without its bridges. A bridge goes straight up and straight down from the middle of
    a counter."""
    inner = lettering.counters(one)
    for line in lettering.outlines(one):
        if not bridges or not inner:
            yield line
            continue
        _, top, _, bottom = polygons.bounds(line)
        kept = list(inner)
        for counter in inner:
            x1, _, x2, _ = polygons.bounds(counter)
            middle = (x1 + x2) / 2
            kept.append(polygons.box(middle - BRIDGE / 2, top - 1, BRIDGE, bottom - top + 2))
        yield from outlines.less(line, kept)


def told(part: str, letters: Sequence[Letter], apart: Callable[[Length], Any], ruler: Ruler) -> Iterator[Finding]:
    """That a rim of one paper would be seen in the opening beside it: letters stand as far apart as the papers lap."""
    for one, other in itertools.pairwise(letters):
        if one.line != other.line or one.angle or other.angle:
            continue
        gap, lap = length_of(other.x - one.x - one.width), ruler.round(LAP)
        if gap < lap:
            say = ruler.say
            says = (
                f"Letters {one.character} and {other.character} stand {say(ruler.down(gap.inches))} apart, and the "
                f"papers behind them reach {say(lap)} beyond: a rim of one is seen in the other."
            )
            yield Finding("behind", "warn", part, says, (Remedy(f"Letters {say(lap)} apart", apart(lap)),))
            return
