"""Routes: how things look, what pages leave of them, things cut in two, things found on a photographed sheet."""

from __future__ import annotations

from typing import Annotated, Literal

from fastapi import APIRouter
from fastapi.responses import Response
from pydantic import BaseModel, Field

from ulna.api.at_home import AtHome
from ulna.api.wire import attachment
from ulna.core.errors import NotOnShelf
from ulna.core.geometry.polygons import Point
from ulna.core.paper import things_seen
from ulna.core.paper.shelf import Card, Face, Paper
from ulna.core.paper.things_seen import ThingSeen
from ulna.core.things.thing import Thing, cut_in_two
from ulna.formats import thing_svg
from ulna.formats.documents import Doc, Size
from ulna.formats.marks_pdf import marks_pdf
from ulna.formats.pdf_pen import PaperSize
from ulna.household import house_rules, things
from ulna.store.ids import new_id

router = APIRouter(prefix="/api", tags=["things"])


class ThingOut(BaseModel):
    """A thing of the shelf: its size as it is said, how it looks in inches from its corner, how many, or what length,
    no other page has planned for."""

    thing: Doc[Thing]
    width: str
    height: str
    across: float
    down: float
    markup: str
    left: int
    length: str | None


@router.get("/things")
def list_things(home: AtHome, page: str | None = None) -> list[ThingOut]:
    """All that are on the shelf, in the order of their kits."""
    shelf, say = home.shelf(), home.ruler().say
    face = home.faces()["plain"]
    counted, lengths = things.left_by(shelf, things.elsewhere(home, page))

    def address(id: str) -> str:
        return f"/api/pictures/{id}/view"

    return [
        ThingOut(
            thing=one,
            width=say(one.size[0]),
            height=say(one.size[1]),
            across=one.size[0].inches,
            down=one.size[1].inches,
            markup=thing_svg.markup(one, face, address),
            left=counted[id],
            length=say(lengths[id]) if id in lengths else None,
        )
        for id, one in shelf.things.items()
    ]


class CutAsked(BaseModel):
    """Cuts one of a thing in two, upright or across, `at` so far from its left or top; in its middle where that is not
    said."""

    thing: str
    upright: bool = True
    at: Size | None = None


@router.post("/things/cut")
def cut_thing(asked: CutAsked, home: AtHome) -> list[Doc[Thing]]:
    """What is left of the whole ones, and the two parts with their sizes; nothing is kept yet. Raises `NotOnShelf`,
    `FieldError`."""
    thing = home.shelf().things.get(asked.thing)
    if thing is None:
        raise NotOnShelf("thing", asked.thing)
    return list(cut_in_two(thing, asked.upright, asked.at, (new_id("thing"), new_id("thing"))))


class SheetOfThings(BaseModel):
    """A photographed sheet laid flat, and what was found on it: outlines in inches from its corner."""

    picture: str
    width: str
    height: str
    across: float
    down: float
    things: list[Doc[ThingSeen]]


class SheetAsked(BaseModel):
    """A sheet in a photograph that is kept: its corners in shares of the picture, from the top left clockwise, and its
    size."""

    picture: str
    corners: Annotated[list[Point], Field(min_length=4, max_length=4)]
    width: Size
    height: Size


@router.post("/things/find")
def find_things(asked: SheetAsked, home: AtHome) -> SheetOfThings:
    """The sheet straightened and its things found; nothing of them is kept yet. Raises `NotThere`, `FieldError`."""
    flat, found = things.found_on(home, asked.picture, asked.corners, asked.width, asked.height)
    say = home.ruler().say
    return SheetOfThings(
        picture=flat, width=say(asked.width), height=say(asked.height), across=asked.width.inches,
        down=asked.height.inches, things=found,
    )  # fmt: skip


class Corrected(BaseModel):
    """What was found, put right by hand: several that are one, or one that is several."""

    what: Literal["join", "split"]
    things: Annotated[list[Doc[ThingSeen]], Field(min_length=1, max_length=60)]


@router.post("/things/correct")
def correct_things(asked: Corrected, home: AtHome) -> list[Doc[ThingSeen]]:
    """Joined into one, or each parted in two where it is narrowest."""
    ruler = home.ruler()
    if asked.what == "join":
        return [things_seen.joined(asked.things, ruler)]
    return [part for one in asked.things for part in things_seen.split(one, ruler)]


class ThingsTaken(BaseModel):
    """Things of a sheet that are to come onto the shelf, with what is known of all of them."""

    picture: str
    width: Size
    height: Size
    seen: Annotated[list[Doc[ThingSeen]], Field(max_length=500)]
    like: Doc[Thing]


@router.post("/things/take")
def take_things(asked: ThingsTaken, home: AtHome) -> list[Doc[Thing]]:
    """Each with its size, its outline and its own picture; they are in no kit yet. Raises `NotThere`."""
    return things.taken(home, asked.picture, asked.width, asked.height, asked.seen, asked.like)


@router.get("/pages/{id}/scatter/{part}.pdf", response_class=Response)
def scatter_as_pdf(id: str, part: str, home: AtHome, paper: PaperSize = "letter") -> Response:
    """Where the things of a scatter go, at true size. Raises `NotThere`, `NotOnShelf`."""
    plan = home.page(id)
    page = home.evaluated(plan, id)
    pieces = [piece for piece in page.pieces if piece.part == part]
    content = marks_pdf(plan.name, page.box(part), pieces, house_rules.ruler(home, plan), paper)
    return attachment(content, f"{plan.name} scatter.pdf", "application/pdf")


class MotifsAsked(BaseModel):
    paper: Doc[Paper]
    side: Face = "A"


@router.post("/things/motifs")
def find_motifs(asked: MotifsAsked, home: AtHome) -> list[Doc[Card]]:
    """The motifs of a side that was photographed, as places on its sheet; nothing is kept yet. Raises `FieldError`."""
    return list(things.motifs_of(home, asked.paper, asked.side))
