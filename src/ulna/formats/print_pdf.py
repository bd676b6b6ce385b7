"""Print sheets at true size: as PDF, a page for each, and as pictures of 300 pixels an inch."""

from __future__ import annotations

import io
from collections.abc import Sequence

from PIL import Image, ImageDraw, ImageFont
from reportlab.lib.colors import HexColor
from reportlab.lib.utils import ImageReader
from reportlab.pdfgen.canvas import Canvas

from ulna.core.geometry.rects import Rect
from ulna.core.photos.print_sheets import PrintSheet
from ulna.core.photos.prints import PIXELS_PER_INCH
from ulna.formats.pdf_words import FOLDER, FONTS, draw, know_fonts
from ulna.formats.svg import INK

INCH = 72.0
FINE, BAR = 0.4, 0.7
"""Widths of ticks and of the line to measure by, in points."""


def write(sheets: Sequence[tuple[PrintSheet, Sequence[bytes]]], title: str) -> bytes:
    """The sheets as PDF, each with the JPEGs of its prints in their order; the same sheets give the same bytes."""
    know_fonts()
    out = io.BytesIO()
    canvas = Canvas(out, invariant=1)
    canvas.setTitle(title)
    canvas.setCreator("Ulna")
    for sheet, pictures in sheets:
        paper = sheet.paper
        canvas.setPageSize((paper.width.inches * INCH, paper.height.inches * INCH))
        canvas.translate(0, paper.height.inches * INCH)  # from here y counts downward, with a minus
        for placed, data in zip(sheet.placed, pictures, strict=True):
            _picture(canvas, placed.at, placed.turned, data)
        _beside(canvas, sheet)
        canvas.showPage()
    canvas.save()
    return out.getvalue()


def _points(at: Rect) -> tuple[float, float, float, float]:
    """x, the lower y, width, height."""
    return at.x.inches * INCH, -at.bottom.inches * INCH, at.width.inches * INCH, at.height.inches * INCH


def _picture(canvas: Canvas, at: Rect, turned: bool, data: bytes) -> None:
    x, y, w, h = _points(at)
    canvas.saveState()
    if turned:  # a quarter clockwise: the picture's top is at the right
        canvas.translate(x, y + h)
        canvas.rotate(-90)
        x, y, w, h = 0, 0, h, w
    canvas.drawImage(ImageReader(io.BytesIO(data)), x, y, w, h)
    canvas.restoreState()


def _beside(canvas: Canvas, sheet: PrintSheet) -> None:
    canvas.setStrokeColor(HexColor(INK))
    canvas.setFillColor(HexColor(INK))
    canvas.setLineWidth(FINE)
    for tick in sheet.ticks:
        x, y, w, h = _points(tick)
        canvas.line(x, y, x + w, y + h)
    for label in sheet.labels:
        x, y, w, h = _points(label.at)
        draw(canvas, x, y + h * 0.25, label.text, "measure", h * 0.85, w)
    if sheet.line is not None:
        x, y, w, h = _points(sheet.line.at)
        canvas.setLineWidth(BAR)
        middle = y + h * 0.7
        canvas.line(x, middle, x + w, middle)
        for end in (x, x + w):
            canvas.line(end, middle - 3, end, middle + 3)
        draw(canvas, x + 4, y, f"{sheet.line.text} when printed at true size", "measure", 6)


def picture(sheet: PrintSheet, pictures: Sequence[bytes]) -> bytes:
    """One sheet as PNG at 300 pixels an inch, with that resolution noted in it."""
    ppi = PIXELS_PER_INCH
    page = Image.new(
        "RGB", (round(sheet.paper.width.inches * ppi), round(sheet.paper.height.inches * ppi)), "white"
    )
    pen = ImageDraw.Draw(page)
    for placed, data in zip(sheet.placed, pictures, strict=True):
        print_: Image.Image = Image.open(io.BytesIO(data))
        if placed.turned:
            print_ = print_.transpose(Image.Transpose.ROTATE_270)
        x, y, right, bottom = _pixels(placed.at)
        page.paste(print_.resize((right - x, bottom - y)), (x, y))
    for tick in sheet.ticks:
        pen.line(_pixels(tick), fill=INK, width=2)
    for label in sheet.labels:
        _words(pen, label.at, label.text, label.at.height.inches * 0.85)
    if sheet.line is not None:
        x, y, right, bottom = _pixels(sheet.line.at)
        middle = y + round((bottom - y) * 0.3)
        pen.line((x, middle, right, middle), fill=INK, width=3)
        for end in (x, right):
            pen.line((end, middle - 12, end, middle + 12), fill=INK, width=3)
        _words(pen, sheet.line.at, f"  {sheet.line.text} when printed at true size", 0.08)
    out = io.BytesIO()
    page.save(out, "PNG", dpi=(ppi, ppi))
    return out.getvalue()


def _pixels(at: Rect) -> tuple[int, int, int, int]:
    return tuple(round(v.inches * PIXELS_PER_INCH) for v in (at.x, at.y, at.right, at.bottom))  # type: ignore[return-value]


def _words(pen: ImageDraw.ImageDraw, at: Rect, text: str, inches: float) -> None:
    """At the foot of a box, made smaller where it is too long."""
    x, _, right, bottom = _pixels(at)
    size = max(8, round(inches * PIXELS_PER_INCH))
    font = ImageFont.truetype(str(FOLDER / FONTS["measure"]), size)
    long = font.getlength(text)
    if long > right - x:
        font = font.font_variant(size=max(6, int(size * (right - x) / long)))
    pen.text((x, bottom), text, fill=INK, font=font, anchor="ld")
