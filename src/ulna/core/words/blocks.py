"""Lines of words in a block: what room each line has, which words stand on it, what goes elsewhere.

A block may have a shape: a line has what the shape leaves at its height, over the whole height of its letters.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from functools import lru_cache

from ulna.core.geometry.polygons import Polygon
from ulna.core.words.writing import Measure, WrittenLine, columns, flowed

LEAST = 1 / 2
"""Inches: a line of a shape that is shorter takes no words."""
SAMPLES = 5
"""At so many heights a shape is looked at for one line."""


@dataclass(frozen=True, slots=True)
class SetLine:
    """A line of words in its room, in inches from the block's corner: its column, how far down it stands, where its
    room begins and how wide it is."""

    column: int
    down: float
    left: float
    wide: float
    line: WrittenLine


@dataclass(frozen=True, slots=True)
class Block:
    """How a block is set: its `columns` and their distance, how far down its `first` line stands and how far the others
    stand `apart`, what its paper keeps at its edge. `rows` is how many lines each column has at most, None where as
    many as there are words for; `more` empty ones are added."""

    width: float
    columns: int
    between: float
    first: float
    apart: float
    margin: float = 0.0
    rows: int | None = None
    more: int = 0
    most: int = 400


EMPTY = WrittenLine("", 0.0, ends=True)


def in_columns(text: str, block: Block, column: float, measure: Measure) -> tuple[list[SetLine], str]:
    """The lines of a rectangle, and what of the text has no room: columns that are not full are shared out, the first
    ones as long as the last or a line longer."""
    rows = None if block.rows is None else max(1, block.rows)
    most = block.most if rows is None else rows * block.columns
    lines, over = flowed(text, lambda k: column if k < most else None, measure) if text.strip() else ([], "")
    every = [*lines, *[EMPTY] * min(most - len(lines), block.more if lines else max(1, block.more))]
    if rows is not None and len(every) == most:
        shares = [every[k * rows : (k + 1) * rows] for k in range(block.columns)]
    else:
        shares = columns(every, block.columns)
    found = [
        SetLine(
            n,
            block.margin + block.first + block.apart * k,
            block.margin + (column + block.between) * n,
            column,
            one,
        )
        for n, share in enumerate(shares)
        for k, one in enumerate(share)
    ]
    return found, over.strip()


def in_shape(text: str, block: Block, shape: Polygon, height: float, measure: Measure) -> tuple[list[SetLine], str]:
    """The lines of a shape, as wide as it is where they stand, and what of the text has no room in it."""
    rooms = _rooms(block, shape, height)
    lines, over = (
        flowed(text, lambda k: rooms[k][2] if k < len(rooms) else None, measure) if text.strip() else ([], "")
    )
    empty = [EMPTY] * (block.more if lines else len(rooms))
    return [SetLine(0, *room, one) for room, one in zip(rooms, [*lines, *empty], strict=False)], over.strip()


@lru_cache(200)
def _rooms(block: Block, shape: Polygon, height: float) -> tuple[tuple[float, float, float], ...]:
    """How far down each line stands, where it begins and how wide it is."""
    return tuple(_each_room(block, shape, height))


def _each_room(block: Block, shape: Polygon, height: float) -> Iterator[tuple[float, float, float]]:
    down = block.margin + block.first
    while down <= height - block.margin + 1e-9:
        spans = [span_at(shape, down - block.apart * k / (SAMPLES - 1) * 0.999 - 1e-6) for k in range(SAMPLES)]
        if all(spans):
            low = max(span[0] for span in spans if span) + block.margin
            high = min(span[1] for span in spans if span) - block.margin
            if high - low >= LEAST:
                yield down, low, high - low
        down += block.apart


def span_at(shape: Polygon, y: float) -> tuple[float, float] | None:
    """From where to where a shape reaches at a height: its widest stretch there."""
    crossed = list[float]()
    for (x1, y1), (x2, y2) in zip(shape, (*shape[1:], shape[0]), strict=True):
        if (y1 <= y) != (y2 <= y):
            crossed.append(x1 + (x2 - x1) * (y - y1) / (y2 - y1))
    crossed.sort()
    pairs = list(zip(crossed[::2], crossed[1::2], strict=False))
    return max(pairs, key=lambda pair: pair[1] - pair[0]) if pairs else None
