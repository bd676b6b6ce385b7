"""Words on paper at true size: a test to hold against a card and the light, the words alone, a strip to rule by.

What the printer puts in the wrong place is taken back: by so much as a test came out too low, words stand higher.
"""

from __future__ import annotations

from typing import Literal

from reportlab.lib.colors import HexColor

from ulna.core.geometry import polygons
from ulna.core.geometry.polygons import Polygon
from ulna.core.kit.settings import Settings
from ulna.core.measure import ZERO, Length, Ruler
from ulna.core.page.evaluate import DrawnLine
from ulna.core.parts.kinds.words import Ruled
from ulna.core.words.faces import Typefaces
from ulna.formats.ink import in_ink
from ulna.formats.pdf_pen import INCH, MARGIN, SMALL, PaperSize, Pen
from ulna.formats.svg import CUT, INK

Printed = Literal["test", "words"]
STRIP = 1.25
"""Inches: so broad is the strip that one rules by."""
TOP = 1.5 * INCH
"""Words stand so far below the upper edge of the paper, whatever is written above them."""


def words_pdf(
    what: Printed,
    name: str,
    lines: list[DrawnLine],
    outline: Polygon,
    settings: Settings,
    faces: Typefaces,
    paper: PaperSize = "letter",
) -> bytes:
    """One page: the lines of a part at true size. A test has the outline it lies in, its limits and its lines as well.
    Both are at the same place of the paper, the words alone with the printer's own shift taken back."""
    pen = Pen(name, settings.ruler, paper)
    pen.page(f"{name}: {'a test, to hold against the light' if what == 'test' else 'the words'}")
    pen.line_to_check("feed the card or paper where the outline of the test lies" if what == "words" else "")
    x1, y1, _, _ = polygons.bounds(outline)
    left, top = MARGIN - x1 * INCH, pen.size[1] - TOP - MARGIN + y1 * INCH
    if what == "test":
        _limits(pen, lines, outline, left, top)
    else:
        left -= settings.printed_right.inches * INCH
        top += settings.printed_low.inches * INCH
    _letters(pen, lines, faces, left, top)
    if what == "test":
        pen.y = top - max(y for _, y in outline) * INCH - 20
        pen.say(
            "Lay the card on the outline and hold both against the light. Came out too low or too far right? Measure "
            "by how much, and say so beside the words: the words alone are printed in the right place then.",
            size=SMALL,
        )
    return pen.finished()


def _letters(pen: Pen, lines: list[DrawnLine], faces: Typefaces, left: float, top: float) -> None:
    pen.c.setFillColor(HexColor(INK))
    for line in lines:
        if line.written is None:
            continue
        path = pen.c.beginPath()
        for outline in in_ink(line.written, faces[line.face]):
            for n, (x, y) in enumerate(outline):
                (path.lineTo if n else path.moveTo)(left + x * INCH, top - y * INCH)
            path.close()
        pen.c.drawPath(path, stroke=0, fill=1, fillMode=0)


def _limits(pen: Pen, lines: list[DrawnLine], outline: Polygon, left: float, top: float) -> None:
    """The outline, how far words go to the left and right, and the lines they stand on."""
    c = pen.c
    c.setStrokeColor(HexColor(CUT))
    c.setLineWidth(0.6)
    pen.outline(outline, left, top, INCH)
    written = [line.written for line in lines if line.written]
    if not written:
        return
    c.setStrokeColor(HexColor("#8d867a"))
    c.setLineWidth(0.4)
    c.setDash(2, 2)
    low, high = min(one.x for one in written).inches, max(one.x + one.width for one in written).inches
    _, y1, _, y2 = polygons.bounds(outline)
    for x in (low, high):
        c.line(left + x * INCH, top - y1 * INCH, left + x * INCH, top - y2 * INCH)
    for one in written:
        c.line(left + low * INCH, top - one.y.inches * INCH, left + high * INCH, top - one.y.inches * INCH)
    c.setDash()


def strip_pdf(name: str, lines: list[Ruled], height: Length, ruler: Ruler, paper: PaperSize = "letter") -> bytes:
    """A strip as long as the block, with a tick where each line is: to lay beside the page. A long one goes on on the
    next page, and says from where."""
    pen, heading = Pen(name, ruler, paper), f"{name}: lines to rule by"
    room = pen.size[1] - 2 * MARGIN - 70
    done = 0.0
    pen.page(heading)
    while True:
        pen.line_to_check("cut the strip out and lay its upper edge at the upper edge of the words")
        top, end = pen.y - 6, min(height.inches, done + room / INCH)
        c = pen.c
        c.setStrokeColor(HexColor(CUT))
        c.setLineWidth(0.6)
        c.rect(MARGIN, top - (end - done) * INCH, STRIP * INCH, (end - done) * INCH)
        c.setStrokeColor(HexColor(INK))
        for one in lines:
            at = one.down.inches
            if one.column == 1 and done < at <= end:
                y = top - (at - done) * INCH
                c.line(MARGIN, y, MARGIN + 0.4 * INCH, y)
                pen.y = y - 3
                pen.figure(MARGIN + 0.45 * INCH, ruler.say(one.down), size=SMALL)
                if not one.starts == one.ends == ZERO:
                    says = f"from {ruler.say(one.starts)} to {ruler.say(one.ends)}"
                    pen.figure(MARGIN + (STRIP + 0.15) * INCH, says, size=SMALL)
        done = end
        if done >= height.inches:
            return pen.finished()
        pen.turn(f"{heading}, from {ruler.say(ruler.round(Length(round(done * 914_400))))} on")
