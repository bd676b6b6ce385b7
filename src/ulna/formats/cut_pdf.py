"""The cut list as PDF on letter or A4: each sheet's map at an exact scale, its cuts, and a line to check by."""

from __future__ import annotations

import io
from collections.abc import Collection, Mapping
from typing import Literal

from reportlab.lib.colors import HexColor
from reportlab.lib.pagesizes import A4, letter
from reportlab.pdfgen.canvas import Canvas

from ulna.core.cutting.cut_list import CutList, CutSheet
from ulna.core.cutting.directions import directions
from ulna.core.cutting.progress import SLIVER, done
from ulna.core.geometry import Rect
from ulna.core.measure import Length, Ruler, Unit
from ulna.core.shelf import Edge
from ulna.formats.pdf_words import draw, know_fonts, width
from ulna.formats.svg import CUT, INK, REST

PaperSize = Literal["letter", "a4"]
SIZES = {"letter": letter, "a4": A4}
INCH = 72.0
MARGIN = 0.6 * INCH
SCALES = (1, 2, 4, 8, 16)
"""A map is drawn at the first of these fractions of true size at which it fits."""

MAP = 6.1 * INCH
LINE, LITTLE = 15.0, 12.0
SMALL, GAP = 8.5, 5.0


def write(
    cuts: CutList,
    title: str,
    names: Mapping[str, str],
    ruler: Ruler,
    paper: PaperSize = "letter",
    ticked: Collection[str] = (),
    least: Length = SLIVER,
) -> bytes:
    """The list as a PDF; the same list gives the same bytes. `names` are the papers' by id; rests narrower than
    `least` are waste."""
    know_fonts()
    out = io.BytesIO()
    canvas = Canvas(out, pagesize=SIZES[paper], invariant=1)
    canvas.setTitle(title)
    canvas.setCreator("Ulna")
    sheet = _Sheet(canvas, SIZES[paper], title, names, ruler)
    sheet.overview(cuts, ticked)
    for k, cut in enumerate(cuts.sheets, 1):
        sheet.cut_sheet(cut, k, len(cuts.sheets), ticked, least)
    canvas.save()
    return out.getvalue()


class _Sheet:
    """The pages of one list: a pen that starts a new page where the old one is full."""

    def __init__(
        self, canvas: Canvas, size: tuple[float, float], title: str, names: Mapping[str, str], ruler: Ruler
    ) -> None:
        self.c, self.size, self.title, self.names, self.ruler = canvas, size, title, names, ruler
        self.y = 0.0

    def overview(self, cuts: CutList, ticked: Collection[str]) -> None:
        """What is cut from what: one line a piece."""
        self._page(self.title)
        pieces = [(s, p) for s in cuts.sheets for p in s.pieces]
        count = f"{len(pieces)} pieces from {sum(not s.scrap and not s.print for s in cuts.sheets)} sheets"
        scraps, prints = sum(s.scrap for s in cuts.sheets), sum(bool(s.print) for s in cuts.sheets)
        also = (f", {scraps} scraps" if scraps else "") + (
            f", {prints} print{'s' * (prints > 1)}" if prints else ""
        )
        self._say(count + also + f". Sizes in {_unit(self.ruler)}, width first.")
        self.y -= 6
        for sheet, piece in pieces:
            self._room(LINE, self.title)
            is_done = piece in done(sheet, ticked)
            self._tick(MARGIN, is_done)
            self._figure(MARGIN + 40, f"{piece.number}", "measure-bold", right=True)
            self._figure(MARGIN + 52, self._size(piece.rect), "measure-bold")
            self._figure(MARGIN + 165, f"{piece.name[:1].upper()}{piece.name[1:]}", "measure", most=185)
            from_ = f"{self._name(sheet)}, side {piece.side}"
            self._figure(MARGIN + 360, from_, "measure", most=self.size[0] - 2 * MARGIN - 360)
            self.y -= LINE
        self.c.showPage()

    def cut_sheet(self, cut: CutSheet, k: int, count: int, ticked: Collection[str], least: Length) -> None:
        """One sheet on a page of its own, lying: its map, and beside it its cuts, each with what comes of it."""
        self.size = (max(self.size), min(self.size))
        heading = f"{k} of {count} · {self._name(cut)}"
        self._page(heading)
        size = f"{self.ruler.say(cut.width)} × {self.ruler.say(cut.height)} {_unit(self.ruler)}"
        side = f"{cut.face} side up" + (f"; branding strip at the {cut.strip.edge.value}" if cut.strip else "")
        self._say(f"{size}, {side}.")
        begin = self.y
        scale = next(s for s in SCALES if max(cut.width.inches, cut.height.inches) * INCH / s <= MAP or s == 16)
        self._map(cut, 1 / scale)
        self._ruler_line(f"map at 1 : {scale}")
        told = directions(cut, least, self.ruler)
        self.y = begin - 8
        left = MARGIN + MAP + 0.3 * INCH
        most = self.size[0] - MARGIN - left - 48
        for step in cut.steps:
            lines = wrapped(step.says, "measure", 10.5, most)
            besides = [
                line
                for words in (*(f"On the back: {w}" for w in told[step.key].write), *told[step.key].falls)
                for line in wrapped(words, "measure", SMALL, most)
            ]
            self._room(LINE * len(lines) + LITTLE * len(besides), f"{heading}, continued")
            self._tick(left, step.key in ticked)
            self._figure(left + 36, f"{step.n}", "measure-bold", right=True)
            for line in lines:
                self._figure(left + 48, line, "measure")
                self.y -= LINE
            for line in besides:
                self._figure(left + 48, line, "measure", size=SMALL)
                self.y -= LITTLE
            self.y -= GAP
        self.c.showPage()

    # ---- pens ------------------------------------------------------------------------------------------

    def _page(self, heading: str) -> None:
        self.c.setPageSize(self.size)
        self.y = self.size[1] - MARGIN - 18
        self.c.setFillColor(HexColor(INK))
        self.c.setFont("words", 18)
        self.c.drawString(MARGIN, self.y, heading[:70])
        self.y -= 22

    def _room(self, height: float, heading: str) -> None:
        if self.y - height < MARGIN:
            self.c.showPage()
            self._page(heading)

    def _say(self, words: str) -> None:
        self._figure(MARGIN, words, "measure")
        self.y -= LINE

    def _tick(self, x: float, on: bool) -> None:
        self.c.setStrokeColor(HexColor(INK))
        self.c.setLineWidth(0.8)
        self.c.rect(x, self.y - 1, 9, 9)
        if on:
            self.c.lines([(x + 2, self.y + 3.5, x + 4, self.y + 1), (x + 4, self.y + 1, x + 7.5, self.y + 7)])

    def _figure(
        self, x: float, words: str, font: str, right: bool = False, most: float = 0, size: float = 10.5
    ) -> None:
        """Words with true fractions, shrunk to `most` points of width where they are longer."""
        long = width(words, font, size)
        self.c.setFillColor(HexColor(INK))
        draw(self.c, x - min(long, most or long) if right else x, self.y, words, font, size, most)

    def _map(self, cut: CutSheet, scale: float) -> None:
        c, k = self.c, INCH * scale
        width, height = cut.width.inches * k, cut.height.inches * k
        left, top = MARGIN, self.y - 4

        def box(r: Rect) -> tuple[float, float, float, float]:
            return left + r.x.inches * k, top - r.bottom.inches * k, r.width.inches * k, r.height.inches * k

        c.setFillColor(HexColor(REST))
        c.setFillAlpha(0.14)
        for rest in cut.rests:
            c.rect(*box(rest), stroke=0, fill=1)
        c.setFillAlpha(1)
        if cut.strip is not None:
            self._strip(cut, left, top, k)
        c.setStrokeColor(HexColor(INK))
        c.setLineWidth(0.6)
        for piece in cut.pieces:
            c.rect(*box(piece.rect))
        c.setLineWidth(1.2)
        c.rect(left, top - height, width, height)
        c.setStrokeColor(HexColor(CUT))
        c.setLineWidth(0.9)
        for step in cut.steps:
            x, y, w, h = box(step.of)
            if step.kind == "gut":
                c.setDash(3, 2)
                c.rect(x, y, w, h)
                c.setDash()
            elif step.kind == "cut" and step.axis == "vertical":
                at = left + step.at.inches * k
                c.line(at, y, at, y + h)
            elif step.kind == "cut":
                at = top - step.at.inches * k
                c.line(x, at, x + w, at)
        for piece in cut.pieces:
            rim = (piece.panel.x - piece.rect.x).inches * k if piece.panel else 0.0
            self._label(box(piece.rect), str(piece.number), self._size(piece.rect), rim)
        for k, rest in enumerate(cut.rests):
            name = f"{cut.names[k]} · " if k < len(cut.names) else ""
            self._rest_size(box(rest), name + self._size(rest))
        self.y = top - height - 16

    def _strip(self, cut: CutSheet, left: float, top: float, k: float) -> None:
        if cut.strip is None:
            return
        w, h, d = cut.width.inches * k, cut.height.inches * k, cut.strip.depth.inches * k
        x, y, width, height = {
            Edge.LEFT: (left, top - h, d, h),
            Edge.TOP: (left, top - d, w, d),
            Edge.RIGHT: (left + w - d, top - h, d, h),
            Edge.BOTTOM: (left, top - h, w, d),
        }[cut.strip.edge]
        self.c.setFillColor(HexColor(INK))
        self.c.setFillAlpha(0.16)
        self.c.rect(x, y, width, height, stroke=0, fill=1)
        self.c.setFillAlpha(1)

    def _label(self, box: tuple[float, float, float, float], number: str, size: str, rim: float) -> None:
        x, y, w, h = box
        holed = rim > 0
        kept, big = self.y, max(6.0, min(20.0, rim * 0.8 if holed else h * 0.4, w * 0.5))
        self.y = y + h - big if holed else y + h / 2 - big * 0.3
        middle = x + (rim / 2 if holed else w / 2)
        self.c.setFillColor(HexColor(INK))
        self.c.setFont("measure-bold", big)
        self.c.drawCentredString(middle, self.y, number)
        if w > 60 and h > 44 and not holed:
            self.y -= 12
            self._figure(x + w / 2 - width(size, "measure", 8.5) / 2, size, "measure", size=8.5)
        self.y = kept

    def _rest_size(self, box: tuple[float, float, float, float], size: str) -> None:
        """The size of a rest in its middle, where there is room."""
        x, y, w, h = box
        long = width(size, "measure", 8.5)
        if w > long + 6 and h > 14:
            kept, self.y = self.y, y + h / 2 - 3
            self._figure(x + w / 2 - long / 2, size, "measure", size=8.5)
            self.y = kept

    def _ruler_line(self, words: str) -> None:
        """A line of true length: if it measures so, the printer has not scaled the page."""
        inches = self.ruler.unit is Unit.INCH
        length = 4 * INCH if inches else 100 / 25.4 * INCH
        self.c.setStrokeColor(HexColor(INK))
        self.c.setLineWidth(0.7)
        self.c.line(MARGIN, self.y, MARGIN + length, self.y)
        for end in (MARGIN, MARGIN + length):
            self.c.line(end, self.y - 4, end, self.y + 4)
        self.y -= 3
        self._figure(
            MARGIN + length + 8, f"{'4 in' if inches else '100 mm'} when printed at true size; {words}", "measure"
        )
        self.y -= LINE + 6

    def _name(self, sheet: CutSheet) -> str:
        if sheet.print:
            return sheet.print[:1].upper() + sheet.print[1:]
        name = sheet.called if sheet.paper_name else self.names.get(sheet.of_paper, "a paper that is gone")
        return f"{name}, scrap {self.ruler.say_size(sheet.width, sheet.height)}" if sheet.scrap else name

    def _size(self, rect: Rect) -> str:
        return self.ruler.say_size(rect.width, rect.height)


def wrapped(words: str, font: str, size: float, most: float) -> list[str]:
    """Words in lines no wider than `most` points; a word that is wider stands alone."""
    lines = [""]
    for word in words.split(" "):
        longer = f"{lines[-1]} {word}".strip()
        if lines[-1] and width(longer, font, size) > most:
            lines.append(word)
        else:
            lines[-1] = longer
    return lines


def _unit(ruler: Ruler) -> str:
    return "inches" if ruler.unit is Unit.INCH else "millimetres"
