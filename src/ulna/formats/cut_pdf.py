"""A cut list on letter or A4: what is lacking, what each piece is cut from, each sheet's map with its steps beside it,
then where each piece is laid, then outlines to trace at true size. One cuts by the first and glues by the second."""

from __future__ import annotations

from collections.abc import Collection, Sequence
from dataclasses import dataclass

from reportlab.lib.colors import HexColor

from ulna.core.cutting.cut_list import CutList, CutPiece, CutSheet
from ulna.core.cutting.directions import Direction, directions
from ulna.core.cutting.placing import Placed
from ulna.core.cutting.progress import SLIVER, finished
from ulna.core.cutting.steps import Cut, Gut, Open, Step, Take, Trace
from ulna.core.geometry.polygons import Polygon, box
from ulna.core.geometry.rects import Rect
from ulna.core.measure import Length, Ruler
from ulna.core.page_formats import PageFormat
from ulna.formats import layout_pdf, template_pdf
from ulna.formats.pdf_pen import INCH, LINE, LITTLE, MARGIN, SMALL, PaperSize, Pen, unit_word, wrapped
from ulna.formats.pdf_words import width
from ulna.formats.svg import CUT, INK, REST

SCALES = (1, 2, 4, 8, 16)
"""A map is drawn at the first of these fractions of true size at which it fits."""

MAP = 3.05 * INCH
GAP = 4.0


@dataclass(frozen=True, slots=True)
class OnPaper:
    """What a list on paper says: the page and its format, its list and pieces, what is ticked and what is lacking.

    Rests narrower than `least` are waste.
    """

    title: str
    format: PageFormat
    cuts: CutList
    placed: Sequence[Placed]
    ruler: Ruler
    ticked: Collection[str] = ()
    lacking: Sequence[str] = ()
    least: Length = SLIVER


def write(one: OnPaper, paper: PaperSize = "letter") -> bytes:
    """The list as a PDF; the same list gives the same bytes."""
    pen = Pen(one.title, one.ruler, paper)
    _overview(pen, one)
    _sheets(pen, one)
    layout_pdf.draw(pen, one.title, one.format, one.placed)
    template_pdf.draw(pen, one.title, one.cuts)
    return pen.finished()


def _overview(pen: Pen, one: OnPaper) -> None:
    """What is cut from what: one line a piece. What cannot be cut stands before it."""
    pen.page(one.title)
    for sentence in one.lacking:
        pen.say(sentence, font="measure-bold")
        pen.y -= GAP
    sheets = one.cuts.sheets
    pieces = [(s, p) for s in sheets for p in s.pieces]
    whole = sum(not s.scrap and not s.print for s in sheets)
    said = f"{_many(len(pieces), 'piece')} from {_many(whole, 'sheet')}"
    scraps, prints = sum(s.scrap for s in sheets), sum(bool(s.print) for s in sheets)
    said += f", {_many(scraps, 'scrap')}" if scraps else ""
    said += f", {_many(prints, 'print')}" if prints else ""
    pen.say(f"{said}. Sizes in {unit_word(one.ruler)}, width first, as the piece lies on the page.")
    pen.y -= 6
    for sheet, piece in pieces:
        pen.needs(LINE, f"{one.title}, continued")
        pen.tick(MARGIN, piece in finished(sheet, one.ticked))
        pen.figure(MARGIN + 40, f"{piece.number}", "measure-bold", right=True)
        pen.figure(MARGIN + 52, one.ruler.say_size(*piece.lies), "measure-bold", most=105)
        pen.figure(MARGIN + 165, f"{piece.name[:1].upper()}{piece.name[1:]}", most=185)
        from_ = name_of(sheet, one.ruler) + ("" if sheet.print else f", side {piece.side}")
        pen.figure(MARGIN + 360, from_, most=pen.wide - 360)
        pen.y -= LINE


def _many(count: int, what: str) -> str:
    return f"{count} {what}" if count == 1 else f"{count} {what}s"


def name_of(sheet: CutSheet, ruler: Ruler) -> str:
    """A sheet as it is called; of a scrap its size too."""
    if sheet.print:
        return f"{sheet.print[:1].upper()}{sheet.print[1:]}"
    return f"{sheet.called}, scrap {ruler.say_size(sheet.width, sheet.height)}" if sheet.scrap else sheet.called


def _sheets(pen: Pen, one: OnPaper) -> None:
    """The sheets one under the other; one that is used as it is takes a line."""
    told = directions(one.cuts, one.least, one.ruler)
    heading = f"{one.title}: the cuts"
    pen.turn(heading)
    maps = [s for s in one.cuts.sheets if not all(isinstance(step, Take) for step in s.steps)]
    scale = min((_scale(sheet) for sheet in maps), default=0.25)
    pen.line_to_check(f"maps at 1 : {round(1 / scale)} or smaller")
    pen.y -= 6
    for sheet in one.cuts.sheets:
        if sheet not in maps:
            _taken(pen, sheet, one, told, heading)
    for sheet in maps:
        _sheet(pen, sheet, one, told, heading)


def _taken(pen: Pen, sheet: CutSheet, one: OnPaper, told: dict[str, Direction], heading: str) -> None:
    pen.needs(LINE * 2, heading)
    for step in sheet.steps:
        pen.tick(MARGIN, step.key in one.ticked)
        write = "; ".join(told[step.key].write)
        also = f" On the back: {write}." if write else ""
        pen.say(f"{name_of(sheet, one.ruler)}, {told[step.key].up}: {told[step.key].says}{also}", MARGIN + 18)
    pen.y -= GAP


def _scale(sheet: CutSheet) -> float:
    large = max(sheet.width.inches, sheet.height.inches) * INCH
    return 1 / next(s for s in SCALES if large / s <= MAP or s == SCALES[-1])


def _sheet(pen: Pen, sheet: CutSheet, one: OnPaper, told: dict[str, Direction], heading: str) -> None:
    """A map on the left, its steps on the right; both begin on one page."""
    k = INCH * _scale(sheet)
    high = sheet.height.inches * k
    pen.needs(high + 3 * LINE, heading)
    pen.say(name_of(sheet, one.ruler), font="measure-bold", size=11.5)
    up = "picture up" if sheet.print else f"{sheet.face} side up"
    size = f"{one.ruler.say_size(sheet.width, sheet.height)} {unit_word(one.ruler)}, {up}"
    pen.say(size + (f"; branding strip at the {sheet.strip.edge.value}" if sheet.strip else "") + ".", size=SMALL)
    top = pen.y
    _Map(pen, sheet, MARGIN, top - 2, k).draw()
    left, page, y = MARGIN + MAP + 0.2 * INCH, pen.c.getPageNumber(), top - 8
    pen.y = y
    for step in sheet.steps:
        _step(pen, step, told[step.key], step.key in one.ticked, left, heading)
    bottom = top - high - 14
    pen.y = (min(pen.y, bottom) if pen.c.getPageNumber() == page else pen.y) - 12


def _step(pen: Pen, step: Step, told: Direction, ticked: bool, left: float, heading: str) -> None:
    most = pen.size[0] - MARGIN - left - 44
    lines = wrapped(told.says, "measure", 10.0, most)
    notes = [f"On the back: {words}" for words in told.write] + [fall.says for fall in told.falls]
    besides = [line for words in notes for line in wrapped(words, "measure", SMALL, most)]
    caution = wrapped(told.caution, "measure-bold", SMALL, most + 26) if told.caution else []
    pen.needs(LINE * len(lines) + LITTLE * (len(besides) + len(caution)) + GAP, f"{heading}, continued")
    for line in caution:
        pen.figure(left, line, "measure-bold", size=SMALL)
        pen.y -= LITTLE
    pen.tick(left, ticked)
    pen.figure(left + 34, f"{step.n}", "measure-bold", right=True)
    for line in lines:
        pen.figure(left + 44, line)
        pen.y -= LINE
    for line in besides:
        pen.figure(left + 44, line, size=SMALL)
        pen.y -= LITTLE
    pen.y -= GAP


class _Map:
    """A sheet as it lies on the trimmer, `k` points to the inch."""

    def __init__(self, pen: Pen, sheet: CutSheet, left: float, top: float, k: float) -> None:
        self.pen, self.sheet, self.left, self.top, self.k = pen, sheet, left, top, k
        self.c = pen.c

    def draw(self) -> None:
        c, sheet = self.c, self.sheet
        c.setFillColor(HexColor(REST))
        c.setFillAlpha(0.14)
        for rest in sheet.rests:
            c.rect(*self._box(rest.at), stroke=0, fill=1)
        c.setFillColor(HexColor(INK))
        c.setFillAlpha(0.16)
        if sheet.strip is not None:
            c.rect(*self._box(sheet.strip.rect(sheet.width, sheet.height)), stroke=0, fill=1)
        for hole in sheet.holes:
            self.pen.outline(hole.outline, self.left, self.top, self.k, fill=True)
        c.setFillAlpha(1)
        c.setStrokeColor(HexColor(INK))
        c.setLineWidth(0.5)
        if sheet.inside is not None:
            self.pen.outline(sheet.inside.within(sheet.whole).outline, self.left, self.top, self.k)
        pieces = [piece for piece in sheet.pieces if not piece.of]
        for piece in pieces:
            c.rect(*self._box(piece.rect))
        c.setLineWidth(1.1)
        c.rect(*self._box(sheet.whole))
        c.setStrokeColor(HexColor(CUT))
        c.setLineWidth(0.8)
        for step in sheet.steps:
            self._line(step)
        for piece in pieces:
            self._label(piece)
        for rest in sheet.rests:
            self._named(self._box(rest.at), f"{rest.name} · {self.pen.of_size(rest.at)}")

    def _box(self, r: Rect) -> tuple[float, float, float, float]:
        k = self.k
        x, y = self.left + r.x.inches * k, self.top - r.bottom.inches * k
        return x, y, r.width.inches * k, r.height.inches * k

    def _line(self, step: Step) -> None:
        c, k = self.c, self.k
        if isinstance(step, Cut):
            x, y, w, h = self._box(step.of)
            if step.axis == "vertical":
                at = self.left + step.at.inches * k
                c.line(at, y, at, y + h)
            else:
                at = self.top - step.at.inches * k
                c.line(x, at, x + w, at)
        elif not isinstance(step, Take):
            c.setDash(3, 2)
            for line in _outlines(step, self.sheet):
                self.pen.outline(line, self.left, self.top, k)
            c.setDash()

    def _label(self, piece: CutPiece) -> None:
        x, y, w, h = self._box(piece.rect)
        rim = (
            min(piece.panel.x - piece.rect.x, piece.panel.y - piece.rect.y).inches * self.k if piece.panel else 0.0
        )
        big = max(5.5, min(16.0, rim * 0.8 if rim > 0 else h * 0.4, w * 0.5))
        kept, self.pen.y = self.pen.y, y + h - big if rim > 0 else y + h / 2 - big * 0.3
        self.c.setFillColor(HexColor(INK))
        self.c.setFont("measure-bold", big)
        self.c.drawCentredString(x + (max(rim, big) / 2 if rim > 0 else w / 2), self.pen.y, f"{piece.number}")
        size = self.pen.of_size(piece.rect)
        long = width(size, "measure", 7.5)
        if w > long + 4 and h > 34 and not piece.panel:
            self.pen.y -= 10
            self.pen.figure(x + w / 2 - long / 2, size, size=7.5)
        self.pen.y = kept

    def _named(self, at: tuple[float, float, float, float], words: str) -> None:
        """The name and size of a rest in its middle, where there is room."""
        x, y, w, h = at
        long = width(words, "measure", 7.5)
        if w > long + 4 and h > 11:
            kept, self.pen.y = self.pen.y, y + h / 2 - 3
            self.pen.figure(x + w / 2 - long / 2, words, size=7.5)
            self.pen.y = kept


def _outlines(step: Step, sheet: CutSheet) -> tuple[Polygon, ...]:
    if isinstance(step, Gut):
        p = step.panel
        return (box(p.x.inches, p.y.inches, p.width.inches, p.height.inches),)
    if isinstance(step, Take | Cut):
        return ()
    if isinstance(step, Trace):
        return (*step.outlines, *(hole for holes in step.openings for hole in holes))
    own = step.hole.outline if isinstance(step, Open) else step.outline
    return (sheet.piece(step.piece).outline_on_sheet(own),)
