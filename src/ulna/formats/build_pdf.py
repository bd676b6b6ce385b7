"""Building on paper: the order with the page as it grows, and where every piece goes at true size."""

from __future__ import annotations

import io
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import replace

from reportlab.lib.colors import HexColor
from reportlab.lib.utils import ImageReader

from ulna.core.build.steps import Order, Step
from ulna.core.build.stock import Need
from ulna.core.measure import Ruler
from ulna.core.page.evaluate import Evaluated
from ulna.core.paper.shelf import Shelf
from ulna.core.words.faces import Typefaces
from ulna.formats import svg
from ulna.formats.pdf_pen import INCH, LINE, MARGIN, SMALL, PaperSize, Pen
from ulna.formats.pdf_tiles import tiled
from ulna.formats.svg import CUT, INK

WIDE = 260
"""Pixels of a picture of the page as it grows."""
SHOWN = 2.3 * INCH


def growing(page: Evaluated, order: Order, shelf: Shelf, faces: Typefaces) -> Iterator[bytes]:
    """The page after each step, as a picture; what hangs in the air still is not on it."""
    there = set[str]()
    waiting: dict[str, list[str]] = {}
    worked = set[str]()
    for step in order.steps:
        for spot in step.spots:
            if spot.on:
                waiting.setdefault(spot.on, []).append(spot.piece)
            else:
                there |= {spot.piece, *waiting.pop(spot.piece, ())}
        worked.add(step.part)
        now = replace(
            page,
            pieces=tuple(p for p in page.pieces if p.id in there),
            lines=tuple(line for line in page.lines if line.part in worked and line.kind != "axis"),
        )
        yield svg.raster(svg.page(now, shelf, _no_picture, _no_photo, faces), WIDE)


def _no_picture(_: str) -> str | None:
    return None


def _no_photo(*_: object) -> str | None:
    return None


def order_pdf(
    name: str, order: Order, needs: Sequence[Need], pictures: Iterator[bytes], ruler: Ruler, paper: PaperSize
) -> bytes:
    """What is needed, then every step with a box to tick, where each piece goes, what to mind, and the page then."""
    pen, heading = Pen(name, ruler, paper), f"{name}: building"
    pen.page(heading)
    if needs:
        pen.say("What it takes", font="measure-bold")
        for need in needs:
            there = f" ({need.has})" if need.has else ""
            pen.say(f"{need.what}: {need.amount}{there}" + (f". {need.short}." if need.short else ""), size=SMALL)
        pen.y -= LINE
    for number, (step, picture) in enumerate(zip(order.steps, pictures, strict=True), 1):
        _step(pen, heading, number, step, picture)
    return pen.finished()


def _step(pen: Pen, heading: str, number: int, step: Step, picture: bytes) -> None:
    image = ImageReader(io.BytesIO(picture))
    wide, high = image.getSize()
    tall = min(SHOWN * high / wide, SHOWN)
    lines = 4 + len(step.spots) + len(step.careful) + len(step.cautions) + len(step.waits)
    pen.needs(max(tall, lines * LINE), f"{heading}, continued")
    top, text = pen.y, pen.size[0] - MARGIN - SHOWN - 12
    pen.c.drawImage(image, pen.size[0] - MARGIN - tall * wide / high, top + 9 - tall, tall * wide / high, tall)
    room = text - MARGIN - 20
    pen.tick(MARGIN, False)
    for caution in step.cautions:
        pen.say(caution.says, MARGIN + 20, room, SMALL, "measure-bold")
    pen.say(f"{number}  {step.says}", MARGIN + 20, room, font="measure-bold")
    for spot in step.spots[:30]:
        which = f"{spot.number}: " if spot.number else ""
        pen.say(f"{which}{spot.name}: {spot.says}", MARGIN + 20, room, SMALL)
    told = [*step.careful]
    if step.glue is not None and step.glue.name != "none":
        held = f", movable for {step.glue.movable} seconds" if step.glue.movable else ""
        told.insert(0, f"With {step.glue.says}{held}; {step.level}.")
    told += [f"First: {wait.says}, {wait.minutes} minutes." for wait in step.waits]
    if step.within:
        told.append(f"Within {step.within} minutes of the step before.")
    for line in told:
        pen.say(line, MARGIN + 20, room, SMALL)
    pen.y = min(pen.y, top - tall) - LINE


def places_pdf(name: str, page: Evaluated, numbers: Mapping[str, int], ruler: Ruler, paper: PaperSize) -> bytes:
    """Every outline at true size with its number, over as many sheets as it takes."""
    pen, heading = Pen(name, ruler, paper), f"{name}: where everything goes"
    pen.page(heading)
    pen.line_to_check("lay it under the page against the light, or prick the corners through")
    whole = page.format.whole

    def draw(left: float, top: float) -> None:
        c = pen.c
        c.setLineWidth(0.5)
        c.setStrokeColor(HexColor(INK))
        c.rect(left, top - whole.height.inches * INCH, whole.width.inches * INCH, whole.height.inches * INCH)
        for piece in page.pieces:
            if piece.role == "base":
                continue
            c.setStrokeColor(HexColor(CUT))
            pen.outline(piece.seen, left, top, INCH)
            number = numbers.get(piece.id)
            r = piece.rect
            if number is not None:
                c.setFillColor(HexColor(INK))
                c.setFont("measure", 8)
                c.drawString(left + r.x.inches * INCH + 3, top - r.y.inches * INCH - 9, str(number))

    size = ruler.say_size(whole.width, whole.height)
    tiled(pen, whole.width.inches, whole.height.inches, heading, f"{size} in all", draw)
    return pen.finished()
