"""Outlines at true size, to trace or to cut through: on the person's own paper, over several sheets where larger."""

from __future__ import annotations

import math

from reportlab.lib.colors import HexColor

from ulna.core.cutting.cut_list import CutList
from ulna.core.cutting.directions import written
from ulna.core.geometry import polygons
from ulna.formats.outlines import Template, templates
from ulna.formats.pdf_pen import INCH, LINE, MARGIN, SMALL, Pen
from ulna.formats.svg import CUT, INK

OVER = 0.5 * INCH
"""Neighbouring sheets of one outline share so much, so that they can be laid over each other."""


def draw(pen: Pen, title: str, cuts: CutList) -> None:
    """The templates one after another; nothing where there is none."""
    found = list(templates(cuts))
    if not found:
        return
    heading = f"{title}: outlines at true size"
    pen.turn(heading)
    pen.line_to_check("good side up")
    pen.y -= 4
    for one in found:
        w, h = one.width * INCH, one.height * INCH
        if w <= pen.wide and h <= pen.size[1] - 2 * MARGIN - 60:
            pen.needs(h + 2 * LINE, heading)
            pen.say(written(one.piece), size=SMALL, font="measure-bold")
            _outline(pen, one, MARGIN, pen.y)
            pen.y -= h + LINE
        else:
            _tiled(pen, one, heading)


def _outline(pen: Pen, one: Template, left: float, top: float) -> None:
    c = pen.c
    c.setStrokeColor(HexColor(INK))
    c.setLineWidth(0.3)
    c.setDash(1, 2)
    pen.outline(polygons.box(0, 0, one.width, one.height), left, top, INCH)
    c.setDash()
    c.setStrokeColor(HexColor(CUT))
    c.setLineWidth(0.6)
    pen.outline(one.outline, left, top, INCH)
    for hole in one.holes:
        pen.outline(hole, left, top, INCH)


def _tiled(pen: Pen, one: Template, heading: str) -> None:
    """Over several sheets, each with a frame; neighbours share half an inch."""
    high = pen.size[1] - 2 * MARGIN - 60
    columns = max(1, math.ceil((one.width * INCH - OVER) / (pen.wide - OVER)))
    rows = max(1, math.ceil((one.height * INCH - OVER) / (high - OVER)))
    for row in range(rows):
        for column in range(columns):
            pen.turn(heading)
            pen.say(
                f"{written(one.piece)}: sheet {row * columns + column + 1} of {rows * columns} "
                f"(row {row + 1}, column {column + 1}); lay them over each other by half an inch.",
                size=SMALL,
            )
            left, top, c = MARGIN, pen.y, pen.c
            c.saveState()
            frame = c.beginPath()
            frame.rect(left, top - high, pen.wide, high)
            c.clipPath(frame, stroke=1, fill=0)
            _outline(pen, one, left - column * (pen.wide - OVER), top + row * (high - OVER))
            c.restoreState()
            pen.y = MARGIN
