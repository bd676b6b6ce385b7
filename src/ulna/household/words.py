"""The words of a page on paper: a test, the words alone, a strip to rule by."""

from __future__ import annotations

from typing import Literal

from ulna.core.errors import FieldError
from ulna.core.geometry import polygons
from ulna.core.geometry.polygons import Polygon
from ulna.core.page.evaluate import Evaluated
from ulna.core.page.plan import PagePlan
from ulna.core.page.series import as_set
from ulna.core.parts.kinds import is_placed
from ulna.core.parts.kinds.card import Card
from ulna.core.parts.kinds.words import Words, to_rule_by
from ulna.formats.pdf_pen import PaperSize
from ulna.formats.words_pdf import strip_pdf, words_pdf
from ulna.household.home import Household

Asked = Literal["test", "words", "strip"]


def printed(home: Household, id: str, part: str, what: Asked, paper: PaperSize) -> bytes:
    """The PDF of what a part of a page says. Raises `NotOnShelf`, and `FieldError` where it says nothing."""
    plan = home.page(id)
    page, said = home.evaluated(plan, id), plan.part(part)
    ground = home.ground(plan.format, id)
    lines = [line for line in page.lines if line.part == part and line.written]
    if what == "strip":
        if not isinstance(said, Words):
            raise FieldError("part", part, "it has no lines to rule", "choose a block of words")
        return strip_pdf(
            plan.name,
            to_rule_by(as_set(said, plan.parts, ground), ground),
            page.box(part).height,
            home.ruler(),
            paper,
        )
    if not lines:
        raise FieldError("part", part, "it has no words", "write some first")
    outline = _outline(plan, page, part)
    return words_pdf(what, plan.name, lines, outline, home.settings().body, ground.faces, paper)


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
