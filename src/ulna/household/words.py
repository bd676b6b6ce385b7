"""The words of a page on paper: a test, the words alone, a strip to rule by."""

from __future__ import annotations

import io
from dataclasses import replace
from typing import Literal

from ulna.core.errors import FieldError
from ulna.core.geometry import polygons
from ulna.core.geometry.polygons import Bounds, Polygon
from ulna.core.geometry.shapes import SHAPES, Shape
from ulna.core.measure import length_of
from ulna.core.page.evaluate import Evaluated
from ulna.core.page.plan import PagePlan
from ulna.core.page.series import as_set
from ulna.core.parts.kinds import is_placed
from ulna.core.parts.kinds.card import Card
from ulna.core.parts.kinds.title import Title, is_made
from ulna.core.parts.kinds.words import Words, to_rule_by
from ulna.core.photos.print_list import PrintList, WantedPrint
from ulna.core.photos.prints import Print
from ulna.formats import svg
from ulna.formats.pdf_pen import PaperSize
from ulna.formats.words_pdf import strip_pdf, words_pdf
from ulna.household.home import Household
from ulna.store.ids import new_id
from ulna.store.states import Kept

Asked = Literal["test", "words", "strip"]


def printed(home: Household, id: str, part: str, what: Asked, paper: PaperSize) -> bytes:
    """The PDF of what a part of a page says. Raises `NotOnShelf`, and `FieldError` where it says nothing."""
    plan = home.page(id)
    page, said = home.evaluated(plan, id), plan.part(part)
    ground = home.ground_for(plan, id)
    lines = [line for line in page.lines if line.part == part and line.written]
    if what == "strip":
        if not isinstance(said, Words):
            raise FieldError("part", part, "it has no lines to rule", "choose a block of words")
        return strip_pdf(
            plan.name,
            to_rule_by(as_set(said, plan.parts, ground), ground),
            page.box(part).height,
            ground.ruler,
            paper,
        )
    if not lines:
        raise FieldError("part", part, "it has no words", "write some first")
    outline = _outline(plan, page, part)
    return words_pdf(what, plan.name, lines, outline, home.settings().body, ground.faces, paper)


def on_print_sheets(home: Household, id: str, part: str) -> Kept[PrintList]:
    """The words of a part, or the printed letters of a title, as a picture of their true size among the photos, and
    that on the list of prints: it is laid on the print sheets and cut like a photo. Raises `NotOnShelf`, and
    `FieldError` where the part says nothing."""
    plan = home.page(id)
    page, said = home.evaluated(plan, id), plan.part(part)
    drawn, (x1, y1, x2, y2) = _letters(page, said) if isinstance(said, Title) else _words(home, plan, page, part)
    wide, high = length_of(x2 - x1), length_of(y2 - y1)
    drawn_as = svg.raster(drawn, round((x2 - x1) * PER_INCH_PRINTED))
    name = f"{plan.name}: {'title' if isinstance(said, Title) else 'words'}"
    came = home.roll.take_in(io.BytesIO(drawn_as), f"{name}.png")
    shape: Shape = said.shape if isinstance(said, Words) and said.shape in SHAPES else "rectangle"
    print_ = Print(None, wide, high, shape=shape)
    kept = came.kept
    home.roll.write(
        kept.id, kept.version, replace(kept.body, name=name, kind="card", print=print_), "printed words"
    )
    prints = home.printing.kept(home.ruler())
    wanted = WantedPrint(new_id("print"), replace(print_, photo=kept.id))
    now = replace(prints.body, wanted=(*prints.body.wanted, wanted))
    return home.printing.lists.write(prints.id, prints.version, now, "wanted words")


PER_INCH_PRINTED = 300
"""Pixels to the inch of printed words."""


def _words(home: Household, plan: PagePlan, page: Evaluated, part: str) -> tuple[str, Bounds]:
    """A part's words as SVG, in the box of what they lie on."""
    lines = [line for line in page.lines if line.part == part and line.written]
    if not lines:
        raise FieldError("part", part, "it has no words", "write some first")
    within = polygons.bounds(_outline(plan, page, part))
    return svg.words(lines, within, home.faces()), within


def _letters(page: Evaluated, title: Title) -> tuple[str, Bounds]:
    """The printed letters of a title as SVG, in the box that they take together, on marks."""
    printed = [piece for piece in page.pieces if piece.part == title.id and is_made(title, piece, "printed")]
    if not printed:
        told = "none of its letters is printed"
        raise FieldError("part", title.id, told, "say of its letters that they are printed")
    boxes = [piece.rect for piece in printed]
    left, top = min(box.x for box in boxes).inches, min(box.y for box in boxes).inches
    within = left, top, max(box.right for box in boxes).inches, max(box.bottom for box in boxes).inches
    return svg.letters(printed, within), within


def _outline(plan: PagePlan, page: Evaluated, part: str) -> Polygon:
    """What the words lie on, from the corner of their block: their card, or the block itself in its shape."""
    said, box = plan.part(part), page.box(part)
    base = said.place.base if is_placed(said) else None
    on = plan.part(base) if base is not None and any(one.id == base for one in plan.parts) else None
    of = base if isinstance(on, Card) else part
    pieces = [piece for piece in page.pieces if piece.part == of and piece.role in ("card", "panel", "shape")]
    if pieces and of is not None:
        return polygons.moved(pieces[-1].seen, -box.x.inches, -box.y.inches)
    return polygons.box(0.0, 0.0, box.width.inches, box.height.inches)
