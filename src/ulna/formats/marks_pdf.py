"""A scatter at true size, each of its things a round with a cross: cut the crosses out and mark through the holes."""

from __future__ import annotations

from reportlab.lib.colors import HexColor

from ulna.core.geometry.rects import Rect
from ulna.core.measure import Ruler
from ulna.core.parts.pieces import Piece
from ulna.formats.pdf_pen import INCH, MARGIN, PaperSize, Pen
from ulna.formats.pdf_tiles import tiled
from ulna.formats.svg import CUT, INK

HOLE = 0.06
"""Inches: half the length of a cross."""


def marks_pdf(name: str, region: Rect, pieces: list[Piece], ruler: Ruler, paper: PaperSize = "letter") -> bytes:
    """The region's box with all that lies in it, over several sheets where it is larger than one."""
    pen, heading = Pen(name, ruler, paper), f"{name}: where the scatter goes"
    pen.page(heading)
    pen.line_to_check("cut the crosses out, lay the sheet on the page, mark through the holes")
    width, height = region.width.inches, region.height.inches

    def draw(left: float, top: float) -> None:
        _drawn(pen, region, pieces, left, top)

    if width * INCH <= pen.wide and height * INCH <= pen.room:
        draw(MARGIN, pen.y)
        return pen.finished()
    tiled(pen, width, height, heading, f"{ruler.say_size(region.width, region.height)} in all", draw)
    return pen.finished()


def _drawn(pen: Pen, region: Rect, pieces: list[Piece], left: float, top: float) -> None:
    c = pen.c
    c.setStrokeColor(HexColor(INK))
    c.setLineWidth(0.4)
    c.setDash(2, 2)
    c.rect(left, top - region.height.inches * INCH, region.width.inches * INCH, region.height.inches * INCH)
    c.setDash()
    c.setStrokeColor(HexColor(CUT))
    c.setLineWidth(0.6)
    for piece in pieces:
        r = piece.rect
        x = left + ((r.x + r.right).inches / 2 - region.x.inches) * INCH
        y = top - ((r.y + r.bottom).inches / 2 - region.y.inches) * INCH
        c.circle(x, y, max(r.width, r.height).inches / 2 * INCH)
        by = HOLE * INCH
        c.line(x - by, y, x + by, y)
        c.line(x, y - by, x, y + by)
