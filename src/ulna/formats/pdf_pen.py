"""A pen for lists on paper: pages of one size, words with true fractions that never break, a line to check by."""

from __future__ import annotations

import io
import re
from typing import Literal

from reportlab.lib.colors import HexColor
from reportlab.lib.pagesizes import A4, letter
from reportlab.pdfgen.canvas import Canvas

from ulna.core.geometry.polygons import Polygon
from ulna.core.geometry.rects import Rect
from ulna.core.measure import Ruler, Unit
from ulna.formats.pdf_words import draw, know_fonts, width
from ulna.formats.svg import INK

PaperSize = Literal["letter", "a4"]
SIZES = {"letter": letter, "a4": A4}
INCH = 72.0
MARGIN = 0.6 * INCH
LINE, LITTLE = 14.0, 11.5
PLAIN, SMALL = 10.0, 8.5


class Pen:
    """Writes downward from the top of a page; `y` is where it stands, in points from the lower edge."""

    def __init__(self, title: str, ruler: Ruler, paper: PaperSize) -> None:
        know_fonts()
        self.out, self.ruler = io.BytesIO(), ruler
        self.size: tuple[float, float] = SIZES[paper]
        self.c = Canvas(self.out, pagesize=self.size, invariant=1)
        self.c.setTitle(title)
        self.c.setCreator("Ulna")
        self.y = 0.0

    @property
    def room(self) -> float:
        """What is left of the page, in points."""
        return self.y - MARGIN

    @property
    def wide(self) -> float:
        return self.size[0] - 2 * MARGIN

    def page(self, heading: str) -> None:
        """Begins a page."""
        self.y = self.size[1] - MARGIN - 18
        self.c.setFillColor(HexColor(INK))
        self.c.setFont("words", 18)
        self.c.drawString(MARGIN, self.y, heading[:70])
        self.y -= 22

    def turn(self, heading: str) -> None:
        """The next page."""
        self.c.showPage()
        self.page(heading)

    def needs(self, height: float, heading: str) -> None:
        """The next page, where so much does not fit on this one."""
        if self.room < height:
            self.turn(heading)

    def finished(self) -> bytes:
        self.c.showPage()
        self.c.save()
        return self.out.getvalue()

    def say(
        self, words: str, x: float = MARGIN, most: float = 0, size: float = PLAIN, font: str = "measure"
    ) -> None:
        """Words in as many lines as they take, the pen below them."""
        step = LINE if size >= PLAIN else LITTLE
        for line in wrapped(words, font, size, most or self.size[0] - MARGIN - x):
            self.figure(x, line, font, size=size)
            self.y -= step

    def figure(
        self, x: float, words: str, font: str = "measure", right: bool = False, most: float = 0, size: float = PLAIN
    ) -> None:
        """One line, shrunk to `most` points of width where it is longer."""
        long = width(words, font, size)
        self.c.setFillColor(HexColor(INK))
        draw(self.c, x - min(long, most or long) if right else x, self.y, words, font, size, most)

    def tick(self, x: float, on: bool) -> None:
        self.c.setStrokeColor(HexColor(INK))
        self.c.setLineWidth(0.8)
        self.c.rect(x, self.y - 1, 9, 9)
        if on:
            self.c.lines([(x + 2, self.y + 3.5, x + 4, self.y + 1), (x + 4, self.y + 1, x + 7.5, self.y + 7)])

    def outline(self, polygon: Polygon, left: float, top: float, k: float, fill: bool = False) -> None:
        """A polygon in inches, `k` points to the inch, from (left, top)."""
        if not polygon:
            return
        path = self.c.beginPath()
        for n, (x, y) in enumerate(polygon):
            (path.lineTo if n else path.moveTo)(left + x * k, top - y * k)
        path.close()
        self.c.drawPath(path, stroke=not fill, fill=fill)

    def line_to_check(self, words: str) -> None:
        """A line of true length: if it measures so, the printer has not scaled the page."""
        inch = self.ruler.unit is Unit.INCH
        length = 4 * INCH if inch else 100 / 25.4 * INCH
        self.c.setStrokeColor(HexColor(INK))
        self.c.setLineWidth(0.7)
        self.c.line(MARGIN, self.y, MARGIN + length, self.y)
        for end in (MARGIN, MARGIN + length):
            self.c.line(end, self.y - 4, end, self.y + 4)
        self.y -= 3
        long = {Unit.INCH: "4 in", Unit.MM: "100 mm", Unit.CM: "10 cm"}[self.ruler.unit]
        self.figure(MARGIN + length + 8, f"{long} when printed at true size; {words}")
        self.y -= LINE

    def of_size(self, rect: Rect) -> str:
        return self.ruler.say_size(rect.width, rect.height)


_FIGURE = re.compile(r"(?<=\d) (?=\d+/)|(?<=~) |(?<=[\d⁄]) (?=×)|(?<=×) ")


def wrapped(words: str, font: str, size: float, most: float) -> list[str]:
    """Words in lines no wider than `most` points; a figure never breaks over a line, nor a size of two. A word that is
    wider stands alone."""
    lines = [""]
    for word in _FIGURE.sub("\u00a0", words).split(" "):
        longer = f"{lines[-1]} {word}".strip(" ")
        if lines[-1] and width(longer.replace("\u00a0", " "), font, size) > most:
            lines.append(word)
        else:
            lines[-1] = longer
    return [line.replace("\u00a0", " ") for line in lines]


def unit_word(ruler: Ruler) -> str:
    return {Unit.INCH: "inches", Unit.MM: "millimetres", Unit.CM: "centimetres"}[ruler.unit]
