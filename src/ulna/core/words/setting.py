"""Letters set in lines: which letter stands where, before anything is cut or stuck.

A line is the widths of its letters and the gaps between them; lines hang below each other by the lowest of the one
above and a gap, which may be less than nothing where a row is tucked behind another. Nested lines come as near as
their letters do: a descender goes into a gap of the row below. No letter stands on a fold: it steps to the far side of
it, and what follows with it.
"""

from __future__ import annotations

import math
import random
from collections.abc import Callable, Sequence
from dataclasses import dataclass, replace
from functools import lru_cache
from typing import Literal

from ulna.core.words.faces import Glyph

Align = Literal["left", "centre", "count", "right"]
"""Centred by the ruler, by the width of a line; or by count, its middle letter in the middle whatever they measure."""
Form = Literal["straight", "slope", "arc", "staggered"]


@dataclass(frozen=True, slots=True)
class Letter:
    """A letter in inches: `x`, `y` is the corner of the box of what is inked, `cap` the height of its capitals, `wide`
    by how much it is wider than its face has it. It is the `number`th of the text, spaces counted, and belongs to a
    `word` and a `line`; `angle` turns it clockwise about the middle of its box."""

    character: str
    number: int
    word: int
    glyph: Glyph
    cap: float
    wide: float = 1.0
    x: float = 0.0
    y: float = 0.0
    angle: float = 0.0
    line: int = 0

    @property
    def width(self) -> float:
        return self.glyph.width * self.cap * self.wide

    @property
    def height(self) -> float:
        return self.glyph.height * self.cap

    @property
    def top(self) -> float:
        """From the line it stands on; above is less than nothing."""
        return self.glyph.box[1] * self.cap

    @property
    def middle(self) -> tuple[float, float]:
        return self.x + self.width / 2, self.y + self.height / 2


@dataclass(frozen=True, slots=True)
class Spacing:
    """Inches between letters, between words, and between lines, `nested` between what is inked of them; of a form that
    is not straight how much it rises over the longest line (slope, arc) or goes up and down (staggered, by a seed).
    `fold` is where the spread is folded, if it goes through the lines."""

    letters: float
    words: float
    lines: float
    align: Align = "left"
    form: Form = "straight"
    rise: float = 0.0
    seed: int = 0
    nested: bool = False
    fold: float | None = None


OFF_FOLD = 1 / 8
"""Inches that a letter keeps off the fold, to either side."""


def lay(lines: Sequence[Sequence[Letter | None]], spacing: Spacing, mark: Callable[[float], float]) -> list[Letter]:
    """The letters of the lines, where they stand; None is a space. Letters of straight lines begin on marks."""
    widths = [length(line, spacing, mark) for line in lines]
    widest = max(widths, default=0.0)
    found, down = list[Letter](), 0.0
    for n, (line, width) in enumerate(zip(lines, widths, strict=True)):
        letters = [one for one in line if one is not None]
        if not letters:
            continue
        x = _begins(line, width, widest, spacing, mark)
        base = down - min(one.top for one in letters)
        row = list[Letter]()
        for k, one in enumerate(line):
            if one is not None:
                x = _off_fold(x, one.width, spacing, mark)
                row.append(replace(one, x=x, y=base + one.top, line=n))
            x += _step(line, k, spacing, mark)
        if spacing.nested and found:
            row = _nearer(found, row, spacing.lines, mark)
        down = mark(max(one.y + one.height for one in row) + spacing.lines)
        found += row
    return _formed(found, widest, spacing)


def _begins(
    line: Sequence[Letter | None], width: float, widest: float, spacing: Spacing, mark: Callable[[float], float]
) -> float:
    """How far from the left of the longest line a line begins; one that is centred by count may begin before it."""
    if spacing.align == "count":
        at, middle = 0.0, (len(line) - 1) / 2
        steps = [_step(line, k, spacing, mark) for k in range(len(line))]
        for k, step in enumerate(steps):
            one = line[k]
            wide = one.width if one is not None else step
            if k == middle:
                return mark(widest / 2 - at - wide / 2)
            if k == middle - 0.5:
                return mark(widest / 2 - at - (wide + step) / 2)
            at += step
    return {"left": 0.0, "centre": mark((widest - width) / 2), "count": 0.0, "right": widest - width}[spacing.align]


def _off_fold(x: float, width: float, spacing: Spacing, mark: Callable[[float], float]) -> float:
    """Where a letter that would stand at x does stand."""
    fold = spacing.fold
    if fold is None or x >= fold + OFF_FOLD or x + width <= fold - OFF_FOLD:
        return x
    return mark(fold + OFF_FOLD)


COLUMN = 1 / 32
"""Inches: so wide are the columns in which two lines are held against each other."""


def _nearer(above: list[Letter], row: list[Letter], gap: float, mark: Callable[[float], float]) -> list[Letter]:
    """A row as near to the one above as what is inked of both allows: `gap` inches between them, down and across."""
    lowest, highest = _profile(above, lowest=True), _profile(row, lowest=False)
    beside = range(-max(0, round(gap / COLUMN)), max(0, round(gap / COLUMN)) + 1)
    free = [highest[column] - lowest[column + by] for column in highest for by in beside if column + by in lowest]
    if not free:
        return row
    up = min(free) - gap
    top = min(one.y for one in above)
    up = min(up, min(one.y for one in row) - top)
    return [replace(one, y=mark(one.y - up - one.top) + one.top) for one in row]


def _profile(row: list[Letter], lowest: bool) -> dict[int, float]:
    """How far down what is inked reaches in each column, or how far up."""
    found: dict[int, float] = {}
    further = max if lowest else min
    for one in row:
        first = math.floor(one.x / COLUMN + 1e-9)
        off = round(one.x - first * COLUMN, 6)
        for column, y in _own_profile(one.glyph, one.cap * one.wide, one.cap, off, lowest):
            known = found.get(first + column)
            found[first + column] = one.y + y if known is None else further(known, one.y + y)
    return found


@lru_cache(2_048)
def _own_profile(
    glyph: Glyph, across: float, down: float, off: float, lowest: bool
) -> tuple[tuple[int, float], ...]:
    """That of one letter whose box begins `off` into its first column, from the top of its box. Letters stand on marks,
    so that each has one or few of them."""
    found: dict[int, float] = {}
    left, top, _, _ = glyph.box
    for bit in glyph.bits:
        line = [(off + (x - left) * across, (y - top) * down) for x, y in bit.outline]
        for (x1, y1), (x2, y2) in zip(line, line[1:] + line[:1], strict=True):
            if x1 > x2:
                x1, y1, x2, y2 = x2, y2, x1, y1
            for column in range(math.floor(x1 / COLUMN), math.floor(x2 / COLUMN) + 1):
                ends = (max(x1, column * COLUMN), min(x2, (column + 1) * COLUMN))
                ys = (y1, y2) if x2 - x1 < 1e-9 else tuple(y1 + (y2 - y1) * (x - x1) / (x2 - x1) for x in ends)
                here = max(ys) if lowest else min(ys)
                known = found.get(column)
                if known is None or (here > known if lowest else here < known):
                    found[column] = here
    return tuple(found.items())


def length(line: Sequence[Letter | None], spacing: Spacing, mark: Callable[[float], float]) -> float:
    """How long a line comes out: Σ widths + the gaps between its letters and words."""
    if not any(one is not None for one in line):
        return 0.0
    last = max(k for k, one in enumerate(line) if one is not None)
    end = line[last]
    return sum(_step(line, k, spacing, mark) for k in range(last)) + (mark(end.width) if end else 0.0)


def _step(line: Sequence[Letter | None], k: int, spacing: Spacing, mark: Callable[[float], float]) -> float:
    """From the left edge of what stands there to that of what comes next. A space stands instead of a gap."""
    one = line[k]
    if one is None:
        return spacing.words
    follows = line[k + 1] if k + 1 < len(line) else None
    return mark(one.width) + (mark(spacing.letters) if follows is not None else 0.0)


def _formed(letters: list[Letter], widest: float, spacing: Spacing) -> list[Letter]:
    if spacing.form == "staggered" and spacing.rise:
        drawn = random.Random(spacing.seed)
        return [replace(one, y=one.y + drawn.uniform(-spacing.rise, spacing.rise)) for one in letters]
    if not widest or not spacing.rise or spacing.form not in ("slope", "arc"):
        return letters
    if spacing.form == "slope":
        angle = math.atan2(spacing.rise, widest)
        return [_sloped(one, -angle) for one in letters]
    return [_bent(one, widest, spacing.rise) for one in letters]


def _sloped(one: Letter, angle: float) -> Letter:
    """Turned with its line about the line's beginning."""
    mx, my = one.middle
    x, y = mx * math.cos(angle) - my * math.sin(angle), mx * math.sin(angle) + my * math.cos(angle)
    return replace(one, x=x - one.width / 2, y=y - one.height / 2, angle=math.degrees(angle))


def _bent(one: Letter, widest: float, rise: float) -> Letter:
    """On a circle through the ends of the line whose middle is `rise` above them."""
    radius = (widest * widest / 4 + rise * rise) / (2 * abs(rise))
    way = 1 if rise > 0 else -1
    mx, my = one.middle
    turn = way * (mx - widest / 2) / radius
    reach = radius - way * my
    x = widest / 2 + way * reach * math.sin(turn)
    y = way * (radius - reach * math.cos(turn))
    return replace(one, x=x - one.width / 2, y=y - one.height / 2, angle=math.degrees(turn))
