"""Words and figures on PDF pages, in the faces that ship with Ulna, with true fractions."""

from __future__ import annotations

import re
from pathlib import Path

from reportlab.pdfbase import pdfmetrics
from reportlab.pdfbase.ttfonts import TTFont
from reportlab.pdfgen.canvas import Canvas

FONTS = {"measure": "measure-regular.ttf", "measure-bold": "measure-bold.ttf", "words": "words-regular.ttf"}
FOLDER = Path(__file__).parent / "fonts"


def know_fonts() -> None:
    """Makes the faces known to the PDF library, once."""
    for name, file in FONTS.items():
        if name not in pdfmetrics.getRegisteredFontNames():
            pdfmetrics.registerFont(TTFont(name, str(FOLDER / file)))


_FRACTION = re.compile(r"(\d+)/(\d+)")


def runs(words: str) -> list[tuple[str, float, float]]:
    """Text in runs of (text, size factor, rise in sizes): the top of a fraction is raised, both are smaller."""
    found: list[tuple[str, float, float]] = []
    at = 0
    for one in _FRACTION.finditer(words):
        if one.start() > at:
            before = words[at : one.start()]
            found.append((before.removesuffix(" "), 1, 0))
            if before.endswith(" "):
                found.append((" ", 0.4, 0))
        found += [(one[1], 0.62, 0.3), ("⁄", 0.9, 0), (one[2], 0.62, 0)]
        at = one.end()
    return [*found, (words[at:], 1, 0)] if at < len(words) else found


def width(words: str, font: str, size: float) -> float:
    """In points."""
    return sum(float(pdfmetrics.stringWidth(text, font, size * factor)) for text, factor, _ in runs(words))


def draw(canvas: Canvas, x: float, y: float, words: str, font: str, size: float, most: float = 0) -> None:
    """From (x, y) rightward, shrunk to `most` points of width where they are longer."""
    long = width(words, font, size)
    if most and long > most:
        size *= most / long
    for text, factor, rise in runs(words):
        canvas.setFont(font, size * factor)
        canvas.drawString(x, y + rise * size, text)
        x += pdfmetrics.stringWidth(text, font, size * factor)
