"""Routes: the faces that ship with Ulna, a hand to be measured, lines to rule by."""

from __future__ import annotations

from base64 import b64decode
from typing import Annotated

from fastapi import APIRouter, File, UploadFile
from fastapi.responses import FileResponse, Response
from pydantic import BaseModel

from ulna.api.at_home import AtHome
from ulna.api.prints import PrintListOut, list_out
from ulna.api.wire import attachment
from ulna.core.errors import FieldError
from ulna.core.page.plan import PagePlan
from ulna.core.page.regions import offers
from ulna.core.page.series import as_set
from ulna.core.parts.kinds import Part
from ulna.core.parts.kinds.words import Words, to_rule_by
from ulna.core.words.writing import SAMPLE
from ulna.formats.documents import Doc
from ulna.formats.faces import file_of
from ulna.formats.faces.taking import MOST_BYTES, BadFont
from ulna.formats.pdf_pen import PaperSize
from ulna.household import own_faces
from ulna.household.words import Asked, on_print_sheets, printed

router = APIRouter(prefix="/api", tags=["words"])
CALLED: dict[str, str] = {
    "plain": "plain capitals", "heavy": "heavy block", "slab": "slab", "script": "script",
    "typewriter": "typewriter", "hand": "hand",
}  # fmt: skip
"""What people call the faces that ship."""
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


class FaceOut(BaseModel):
    """A face by the name that documents have for it, as people call it; whether it is the household's own."""

    face: str
    name: str
    own: bool


@router.get("/faces")
def list_faces(home: AtHome) -> list[FaceOut]:
    """Those that ship, then the household's own."""
    shipped = [FaceOut(face=face, name=name, own=False) for face, name in CALLED.items()]
    return shipped + [FaceOut(face=kept.id, name=kept.body.name, own=True) for kept in home.own_faces.all()]


@router.post("/faces")
def add_face(file: Annotated[UploadFile, File()], home: AtHome) -> FaceOut:
    """Takes a font file in: read apart, written anew. One that is none is refused with the reason."""
    name = (file.filename or "font").rsplit(".", 1)[0][:120].strip() or "font"
    try:
        kept = own_faces.add_face(home, name, file.file.read(MOST_BYTES + 1))
    except BadFont as why:
        raise FieldError("file", file.filename or "font", str(why), "choose a TTF, OTF or WOFF2 file") from None
    return FaceOut(face=kept.id, name=kept.body.name, own=True)


@router.post("/faces/{id}/away")
def put_face_away(id: str, home: AtHome) -> list[FaceOut]:
    """Takes one of the household's own off the list; what is set in it looks like the plain one then."""
    home.own_faces.put_away(id, home.own_faces.get(id).version)
    return list_faces(home)


@router.get("/faces/{name}", response_class=Response)
def get_face(name: str, home: AtHome) -> Response:
    """The font of a face. Raises `NotThere`."""
    if name in CALLED:
        return FileResponse(file_of(name), media_type="font/woff2", headers=A_DAY)
    font = b64decode(home.own_faces.get(name).body.font)
    return Response(font, media_type="font/woff2", headers=A_DAY)


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
    ground = home.ground_for(asked.page, asked.id)
    return [
        RegionOut(name=one.name, part=one.part, why_not=one.why_not)
        for one in offers(asked.page, asked.part, ground)
    ]


@router.get("/pages/{id}/words/{part}.pdf", response_class=Response)
def words_as_pdf(id: str, part: str, home: AtHome, what: Asked = "test", paper: PaperSize = "letter") -> Response:
    """Words at true size: a test to hold against a card, the words alone, or a strip to rule by."""
    content = printed(home, id, part, what, paper)
    return attachment(content, f"{home.page(id).name} {what}.pdf", "application/pdf")


@router.post("/pages/{id}/words/{part}/print")
def print_words(id: str, part: str, home: AtHome) -> PrintListOut:
    """Puts what a part says on the print list, as a picture of its true size among the photos."""
    return list_out(on_print_sheets(home, id, part), home)


@router.post("/lines")
def list_lines(asked: LinesAsked, home: AtHome) -> list[LineOut]:
    """Each line of a block of words on marks."""
    part = asked.page.part(asked.part)
    if not isinstance(part, Words):
        raise FieldError("part", asked.part, "this has no lines", "choose a block of words")
    ground, say = home.ground_for(asked.page, asked.id), home.ruler().say
    return [
        LineOut(column=one.column, down=say(one.down), starts=say(one.starts), ends=say(one.ends), text=one.text)
        for one in to_rule_by(as_set(part, asked.page.parts, ground), ground)
    ]
