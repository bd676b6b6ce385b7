"""Things on the table that the core's tests share."""

from __future__ import annotations

from ulna.core.cutting.cut_list import CutSheet
from ulna.core.cutting.directions import says
from ulna.core.geometry.rects import Borders, Rect
from ulna.core.measure import Length, Ruler, inches, parse
from ulna.core.page.standing import stand
from ulna.core.page_formats import PageFormat, of_kind
from ulna.core.paper.shelf import Direction, Edge, Form, Paper, Shelf, Side, Strip
from ulna.core.parts.kinds import Part, work_out
from ulna.core.parts.kinds.base import Base
from ulna.core.parts.mats import Mat
from ulna.core.parts.pieces import Built, Ground, PaperChoice
from ulna.core.photos.photo import Photo
from ulna.core.words.writing import USUAL_HANDS
from ulna.formats.faces import SHIPPED


def paper(id: str, count: int = 2, strip: str = "", pattern: str = "plain", size: str = "12") -> Paper:
    """A square sheet with both sides alike; stripes and houses have the direction that is usual for them."""
    direction = {"stripe": Direction.TWO_WAY, "houses": Direction.ONE_WAY}.get(pattern, Direction.NONE)
    side = Side(pattern, ("#ffffff", "#335544"), direction=direction)
    band = Strip(Edge.BOTTOM, parse(strip)) if strip else None
    return Paper(id, id.title(), parse(size), parse(size), count, a=side, b=side, strip=band)


def scrap(id: str, of: str, width: str, height: str) -> Paper:
    return Paper(id, f"rest of {of}", parse(width), parse(height), 1, form=Form.SCRAP, scrap_of=of)


def ground(format: PageFormat | None = None, *papers: Paper, photos: dict[str, Photo] | None = None) -> Ground:
    return Ground(
        format or of_kind("12x12"),
        Shelf.of(list(papers)),
        photos or {},
        Ruler(),
        SHIPPED,
        {hand.id: hand for hand in USUAL_HANDS},
    )


def mat(border: str, paper: str | None = None, gutted: bool = False) -> Mat:
    return Mat(Borders.even(parse(border)), PaperChoice(paper), gutted)


def size(width: Length, height: Length) -> str:
    """Width and height as people say them."""
    say = Ruler().say
    return f"{say(width)} × {say(height)}"


def said_at(sheet: CutSheet) -> list[str]:
    """What a person is told at each step of a sheet."""
    return [says(step, sheet, Ruler()) for step in sheet.steps]


HERON = Photo("heron", "Heron", (1200, 1800))
LOCK = Photo("lock", "Lock", (1800, 1200))
TWELVE = inches(12)


def worked(part: Part, on: Ground | None = None) -> Built:
    """A part worked out at the origin on the page where it lies."""
    on = on or ground()
    page = on.format.page(part.on if isinstance(part, Base) else part.place.on)
    return work_out(part, on, page)[0]


def said(part: Part, on: Ground | None = None) -> str:
    """A part as its recipe says it, with its place."""
    return stand([part], on or ground())[part.id].says


def boxes_of(*parts: Part, on: Ground | None = None) -> dict[str, Rect]:
    """Where parts lie on their page, by their ids."""
    return {id: one.box for id, one in stand(parts, on or ground()).items() if one.box is not None}
