"""What is larger than the paper, at true size over several sheets that are laid over each other by half an inch."""

from __future__ import annotations

import math
from collections.abc import Callable

from ulna.formats.pdf_pen import INCH, MARGIN, SMALL, Pen

OVER = 0.5 * INCH
"""Neighbouring sheets of one drawing share so much, so that they can be laid over each other."""


def tiled(
    pen: Pen, width: float, height: float, heading: str, says: str, draw: Callable[[float, float], None]
) -> None:
    """A drawing of so many inches, each sheet with a frame; `draw` draws all of it from a corner in points."""
    high = pen.size[1] - 2 * MARGIN - 60
    columns = max(1, math.ceil((width * INCH - OVER) / (pen.wide - OVER)))
    rows = max(1, math.ceil((height * INCH - OVER) / (high - OVER)))
    for row in range(rows):
        for column in range(columns):
            pen.turn(heading)
            which = f"sheet {row * columns + column + 1} of {rows * columns} (row {row + 1}, column {column + 1})"
            pen.say(f"{says}: {which}; lay them over each other by half an inch.", size=SMALL)
            left, top, c = MARGIN, pen.y, pen.c
            c.saveState()
            frame = c.beginPath()
            frame.rect(left, top - high, pen.wide, high)
            c.clipPath(frame, stroke=1, fill=0)
            draw(left - column * (pen.wide - OVER), top + row * (high - OVER))
            c.restoreState()
            pen.y = MARGIN
