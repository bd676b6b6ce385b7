"""Outlines at true size, to trace or to cut through: on the person's own paper, over several sheets where larger."""

from __future__ import annotations

from functools import partial

from reportlab.lib.colors import HexColor

from ulna.core.cutting.cut_list import CutList
from ulna.core.cutting.directions import written
from ulna.core.geometry import polygons
from ulna.formats.outlines import Template, templates
from ulna.formats.pdf_pen import INCH, LINE, MARGIN, SMALL, Pen
from ulna.formats.pdf_tiles import tiled
from ulna.formats.svg import CUT, INK


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
            tiled(pen, one.width, one.height, heading, written(one.piece), partial(_outline, pen, one))


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
