"""Routes: the faces that ship with Ulna, a hand to be measured, lines to rule by."""

from __future__ import annotations

from fastapi import APIRouter
from fastapi.responses import FileResponse, Response
from pydantic import BaseModel

from ulna.api.at_home import AtHome
from ulna.api.wire import attachment
from ulna.core.errors import FieldError
from ulna.core.page.plan import PagePlan
from ulna.core.page.regions import offers
from ulna.core.parts.kinds import Part
from ulna.core.parts.kinds.words import Words, to_rule_by
from ulna.core.words.faces import FaceName
from ulna.core.words.writing import SAMPLE
from ulna.formats.documents import Doc
from ulna.formats.faces import file_of
from ulna.formats.pdf_pen import PaperSize
from ulna.household.words import Asked, printed

router = APIRouter(prefix="/api", tags=["words"])
A_DAY = {"Cache-Control": "private, max-age=86400"}


class Sample(BaseModel):
    text: str


class LinesAsked(BaseModel):
    """The lines of a block of words of a recipe."""

    page: Doc[PagePlan]
    part: str
    id: str | None = None


class LineOut(BaseModel):
    """A line to rule by, as one sets a ruler: its column, from the top of the block, where it starts and ends from the
    left or, where the block says so, from the centre of its column (− is left of it); what stands on it."""

    column: int
    down: str
    starts: str
    ends: str
    text: str


@router.get("/faces/{name}", response_class=FileResponse)
def get_face(name: FaceName) -> FileResponse:
    """The font of a face."""
    return FileResponse(file_of(name), media_type="font/woff2", headers=A_DAY)


@router.get("/sample")
def get_sample() -> Sample:
    """What is written to measure a hand."""
    return Sample(text=SAMPLE)


class RegionOut(BaseModel):
    """A place for words on the page, and the part as it would be there, or why it would not."""

    name: str
    part: Doc[Part] | None
    why_not: str


@router.post("/regions")
def list_regions(asked: LinesAsked, home: AtHome) -> list[RegionOut]:
    """Where a title or a block of words may go on its page: thirds, edges, gaps, cells, on what they can stand on."""
    ground = home.ground(asked.page.format, asked.id)
    return [
        RegionOut(name=one.name, part=one.part, why_not=one.why_not)
        for one in offers(asked.page, asked.part, ground)
    ]


@router.get("/pages/{id}/words/{part}.pdf", response_class=Response)
def words_as_pdf(id: str, part: str, home: AtHome, what: Asked = "test", paper: PaperSize = "letter") -> Response:
    """Words at true size: a test to hold against a card, the words alone, or a strip to rule by."""
    content = printed(home, id, part, what, paper)
    return attachment(content, f"{home.page(id).name} {what}.pdf", "application/pdf")


@router.post("/lines")
def list_lines(asked: LinesAsked, home: AtHome) -> list[LineOut]:
    """Each line of a block of words on marks."""
    part = asked.page.part(asked.part)
    if not isinstance(part, Words):
        raise FieldError("part", asked.part, "this has no lines", "choose a block of words")
    ground, say = home.ground(asked.page.format, asked.id), home.ruler().say
    return [
        LineOut(column=one.column, down=say(one.down), starts=say(one.starts), ends=say(one.ends), text=one.text)
        for one in to_rule_by(part, ground)
    ]
