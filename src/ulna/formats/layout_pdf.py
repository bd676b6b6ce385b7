"""Where each piece is laid, on paper: the page to scale with numbered pieces, and the place of each from the left, from
the centre and from the top."""

from __future__ import annotations

from collections.abc import Sequence

from reportlab.lib.colors import HexColor

from ulna.core.cutting.placing import Placed
from ulna.core.geometry import polygons
from ulna.core.geometry.polygons import Polygon
from ulna.core.geometry.rects import Rect
from ulna.core.measure import PER_INCH, Length, Ruler
from ulna.core.page_formats import PageFormat
from ulna.formats.pdf_pen import INCH, LINE, MARGIN, SMALL, Pen
from ulna.formats.svg import INK


def draw(pen: Pen, title: str, format: PageFormat, placed: Sequence[Placed]) -> None:
    """A page of its own; nothing where nothing is laid."""
    if not placed:
        return
    pen.turn(f"{title}: where it goes")
    pen.say(
        "Lay them in this order, from underneath upward. Distances are from the edges of the page to the piece's own "
        "left and top edge, as it lies turned" + (", each on its own page." if format.pages == 2 else "."),
        size=SMALL,
    )
    whole = format.whole
    k = min(pen.wide / whole.width.inches, 3.6 * INCH / whole.height.inches)
    top = pen.y - 2
    _drawing(pen, format, placed, top, k)
    pen.y = top - whole.height.inches * k - 18
    columns = (0, 24, 165, 250, 345, 425)
    for x, words in zip(
        columns, ("", "Piece", "Size", "From the left", "From the centre", "From the top"), strict=True
    ):
        pen.figure(MARGIN + x, words, "measure-bold", size=SMALL)
    pen.y -= LINE
    for one in placed:
        pen.needs(LINE, f"{title}: where it goes, continued")
        number = f"{one.number}" if one.number else "·"
        cells = (number, _name(one), pen.of_size(as_it_lies(one)), *distances(one, format, pen.ruler))
        for x, room, words in zip(columns, (20, 136, 80, 90, 76, 90), cells, strict=True):
            pen.figure(MARGIN + x, words, "measure-bold" if x == 0 else "measure", most=room, size=9.5)
        pen.y -= LINE - 1


def _name(one: Placed) -> str:
    turned = f", turned {abs(one.angle):g}° {'right' if one.angle > 0 else 'left'}" if one.angle else ""
    return f"{one.name[:1].upper()}{one.name[1:]}{turned}"


def distances(one: Placed, format: PageFormat, ruler: Ruler) -> tuple[str, str, str]:
    """From the left edge of its page, from that page's middle to the piece's middle, from the top."""
    on = one.page if format.pages == 2 and one.page != "spread" else "left"
    page = format.page(on) if one.page != "spread" else format.whole
    name = {"left": "left page ", "right": "right page "}.get(one.page, "spread ") if format.pages == 2 else ""
    at = as_it_lies(one)
    off = at.x + at.width.part(1, 2) - page.x - page.width.part(1, 2)
    side = "middle" if not off else f"{ruler.say(abs(off))} {'right' if off > Length(0) else 'left'}"
    return f"{name}{ruler.say(at.x - page.x)}", side, ruler.say(at.y)


def as_it_lies(one: Placed) -> Rect:
    """The box of a piece once it is turned: of one at an angle, that which just holds it."""
    if not one.angle:
        return one.at
    x1, y1, x2, y2 = (Length(round(v * PER_INCH)) for v in polygons.bounds(seen(one)))
    return Rect(x1, y1, x2 - x1, y2 - y1)


def _drawing(pen: Pen, format: PageFormat, placed: Sequence[Placed], top: float, k: float) -> None:
    c, whole = pen.c, format.whole
    left = MARGIN
    c.setStrokeColor(HexColor(INK))
    c.setFillColor(HexColor("#ffffff"))
    for one in placed:
        c.setLineWidth(0.5)
        c.setFillAlpha(0.75)
        path = c.beginPath()
        for n, (x, y) in enumerate(seen(one)):
            (path.lineTo if n else path.moveTo)(left + x * k, top - y * k)
        path.close()
        c.drawPath(path, stroke=1, fill=1)
        c.setFillAlpha(1)
    c.setLineWidth(1.2)
    c.rect(left, top - whole.height.inches * k, whole.width.inches * k, whole.height.inches * k)
    if format.gutter is not None:
        x = left + format.gutter.inches * k
        c.setDash(2, 2)
        c.line(x, top, x, top - whole.height.inches * k)
        c.setDash()
    for one in placed:
        _label(pen, one, left, top, k)


def seen(one: Placed) -> Polygon:
    """What is seen of a piece on the page, in inches."""
    at, about = one.at, one.about
    x, y = at.x.inches, at.y.inches
    own = (
        polygons.moved(one.outline, x, y) if one.outline else polygons.box(x, y, at.width.inches, at.height.inches)
    )
    middle = ((about.x + about.right).inches / 2, (about.y + about.bottom).inches / 2)
    return polygons.turned(own, one.angle, middle)


def _label(pen: Pen, one: Placed, left: float, top: float, k: float) -> None:
    if not one.number:
        return
    x1, y1, x2, y2 = polygons.bounds(seen(one))
    # At the upper left corner: the middle is covered by what lies on it.
    size = max(5.0, min(9.0, (y2 - y1) * k * 0.5, (x2 - x1) * k * 0.5))
    pen.c.setFillColor(HexColor(INK))
    pen.c.setFont("measure-bold", size)
    inset = 0.0 if not one.outline else (x2 - x1) * k * 0.3
    pen.c.drawString(left + x1 * k + 1.5 + inset, top - y1 * k - size, f"{one.number}")
