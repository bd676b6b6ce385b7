"""Routes: sketches, Ulna's own for a format and those that a person keeps."""

from __future__ import annotations

from typing import Annotated, Literal

from fastapi import APIRouter, File, UploadFile
from fastapi.responses import Response
from pydantic import BaseModel, Field

from ulna.api.at_home import AtHome
from ulna.api.history import add_history
from ulna.api.wire import Edit, PageAsked, Saved, What, attachment, saved
from ulna.core.errors import FieldError
from ulna.core.page.evaluate import evaluate
from ulna.core.page_formats import PageFormat
from ulna.core.sketches import sketch as sketching
from ulna.core.sketches.designs import for_format
from ulna.core.sketches.sketch import Sketch, SketchPlace
from ulna.core.sketches.taking import from_page
from ulna.formats.documents import Doc, as_text, read_json
from ulna.formats.limits import MOST_JSON_BYTES
from ulna.household.home import Household
from ulna.store.states import Kept

router = APIRouter(prefix="/api", tags=["sketches"])


class SketchOut(BaseModel):
    """A sketch of one's own."""

    saved: Saved
    sketch: Doc[Sketch]


class SketchIn(Edit):
    sketch: Doc[Sketch]
    what: What = "changed the sketch"


class DesignsAsked(BaseModel):
    """Sketches for pages of a format, of so many photos where that is said."""

    format: Doc[PageFormat]
    photos: Annotated[int, Field(ge=0, le=100)] | None = None


def _out(kept: Kept[Sketch], home: Household) -> SketchOut:
    return SketchOut(saved=saved(kept), sketch=kept.body)


@router.post("/designs")
def list_designs(asked: DesignsAsked) -> list[Doc[Sketch]]:
    """Ulna's own."""
    return [one for one in for_format(asked.format) if asked.photos in (None, len(one.photos))]


@router.get("/sketches")
def list_sketches(home: AtHome) -> list[SketchOut]:
    return [_out(kept, home) for kept in home.sketches.all()]


@router.post("/sketches", status_code=201)
def add_sketch(asked: SketchIn, home: AtHome) -> SketchOut:
    _with_places(asked.sketch)
    return _out(home.sketches.add(asked.sketch, "kept a sketch"), home)


@router.put("/sketches/{id}")
def change_sketch(id: str, asked: SketchIn, home: AtHome) -> SketchOut:
    """Raises `NotThere`, `Changed`."""
    _with_places(asked.sketch)
    return _out(home.sketches.write(id, asked.version, asked.sketch, asked.what, asked.series), home)


def _with_places(sketch: Sketch) -> None:
    if not sketch.places:
        raise FieldError("places", "", "a sketch without a place is none", "add a place for a photo")
    if len(sketch.photos) > 12:
        told = f"{len(sketch.photos)} photos on one sketch"
        raise FieldError("places", len(sketch.photos), told, "keep twelve at the most")


class TurnAsked(BaseModel):
    sketch: Doc[Sketch]
    how: Literal["mirror", "upside down", "turn"]


@router.post("/sketches/turn")
def turn_sketch(asked: TurnAsked) -> Doc[Sketch]:
    """Mirrored, upside down, or a quarter turned."""
    turns = {"mirror": sketching.mirrored, "upside down": sketching.upside_down, "turn": sketching.turned}
    return turns[asked.how](asked.sketch)


@router.post("/sketches/from-page")
def sketch_page(asked: PageAsked, home: AtHome) -> Doc[Sketch]:
    """The arrangement of a page, without its papers; nothing is kept yet."""
    found = from_page(asked.page, evaluate(asked.page, home.ground_for(asked.page, asked.id)))
    _with_places(found)
    return found


@router.get("/sketches/{id}/sketch.json", response_class=Response)
def sketch_as_json(id: str, home: AtHome) -> Response:
    one = home.sketches.get(id).body
    return attachment(as_text(one).encode(), f"{one.name}.json", "application/json")


@router.post("/sketches/read-json", status_code=201)
def read_sketch_json(file: Annotated[UploadFile, File()], home: AtHome) -> SketchOut:
    """A sketch from a JSON file, kept. Raises `pydantic.ValidationError`, `FieldError`."""
    one = read_json(Sketch, file.file.read(MOST_JSON_BYTES))
    _with_places(one)
    return _out(home.sketches.add(one, "brought a sketch in"), home)


class PlaceAsked(BaseModel):
    """A place drawn over a picture of an arrangement, by its corners in shares of the picture."""

    role: sketching.Role
    left: float
    top: float
    right: float
    bottom: float
    pages: Literal[1, 2] = 1
    proportion: Annotated[float, Field(ge=0.2, le=5)] = 1.0


@router.post("/sketches/place")
def place_in_sketch(asked: PlaceAsked) -> Doc[SketchPlace]:
    """The place in proportion to the page; a photo's shape is told by its sides."""
    left, right = sorted((max(0.0, asked.left), min(1.0, asked.right)))
    top, bottom = sorted((max(0.0, asked.top), min(1.0, asked.bottom)))
    if right - left < 0.01 or bottom - top < 0.01:
        raise FieldError("place", "", "it is too small to be a place", "draw it larger")
    place = SketchPlace(
        asked.role, round(left * asked.pages, 6), round(top, 6), round((right - left) * asked.pages, 6),
        round(bottom - top, 6),
    )  # fmt: skip
    return sketching.shaped(place, asked.proportion)


add_history(router, "sketch", lambda home: home.sketches, SketchOut, _out, "sketches")
