"""Routes: clusters proposed, joined and taken apart; things tried, answered, set on every photo; room; cover-ups.

None keeps anything: each answers what the recipe, or a part, would be.
"""

from __future__ import annotations

from dataclasses import replace
from typing import Annotated, Literal

from fastapi import APIRouter
from pydantic import BaseModel, Field

from ulna.api.at_home import AtHome
from ulna.api.wire import PageAsked
from ulna.core.geometry.polygons import Point
from ulna.core.page import accenting, clustering, joining
from ulna.core.page.covering import Blemish, Cover, covers, laid
from ulna.core.page.covering import between as between_corners
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.paper.shelf import Shelf
from ulna.core.parts.kinds import Part
from ulna.core.parts.kinds.cluster import Cluster, mirrored
from ulna.core.parts.kinds.thing import ThingPart
from ulna.core.ranges import Id
from ulna.core.things.room import between, next_size
from ulna.formats.documents import Doc, Size
from ulna.household import log
from ulna.store.ids import new_id

router = APIRouter(prefix="/api", tags=["things"])


class ProposalAsked(PageAsked):
    count: Literal[3, 5] = 3
    seed: Annotated[int, Field(ge=0, le=1_000_000)] = 0
    styles: bool = False


class ProposalOut(BaseModel):
    """Clusters with their places, and the rule behind each choice."""

    parts: list[Doc[Cluster]]
    why: list[str]


@router.post("/clusters/propose")
def propose_clusters(asked: ProposalAsked, home: AtHome) -> ProposalOut:
    """Three or five clusters for a page; another seed, another proposal. Raises `FieldError`."""
    ground = log.to_be_used(home, home.ground_for(asked.page, asked.id))
    found = clustering.proposed(
        asked.page, evaluate(asked.page, ground), ground, asked.count, asked.seed, asked.styles
    )
    return ProposalOut(parts=[replace(one, id=new_id("cluster")) for one in found.parts], why=list(found.why))


class PartsAsked(PageAsked):
    parts: Annotated[list[Id], Field(min_length=1, max_length=400)]


class PageWith(BaseModel):
    """A recipe as it would be, and which of its parts are to be chosen then."""

    page: Doc[PagePlan]
    chosen: list[str]


@router.post("/clusters/join")
def join_cluster(asked: PartsAsked, home: AtHome) -> PageWith:
    """What is chosen as one cluster. Raises `FieldError`."""
    ground, new = home.ground_for(asked.page, asked.id), new_id("cluster")
    page = joining.joined(asked.page, asked.parts, evaluate(asked.page, ground), ground, new)
    return PageWith(page=page, chosen=[new])


class PartAsked(PageAsked):
    part: Id


@router.post("/clusters/apart")
def take_cluster_apart(asked: PartAsked, home: AtHome) -> PageWith:
    """A cluster as the things that it is made of. Raises `NotOnShelf`, `FieldError`."""
    ground, whole = home.ground_for(asked.page, asked.id), asked.page.part(asked.part)
    fresh = [new_id("thing") for _ in getattr(whole, "members", ())]
    page = joining.apart(asked.page, asked.part, evaluate(asked.page, ground), ground, fresh)
    return PageWith(page=page, chosen=fresh)


@router.post("/clusters/mirror")
def mirror_cluster(part: Doc[Cluster]) -> Doc[Cluster]:
    """A cluster as a mirror beside it shows it."""
    return mirrored(part)


@router.post("/things/on-photos")
def put_on_photos(asked: PartAsked) -> PageWith:
    """A thing on every photo of the page. Raises `NotOnShelf`, `FieldError`."""
    page = accenting.on_every_photo(asked.page, asked.part, lambda: new_id("thing"))
    return PageWith(page=page, chosen=[asked.part])


class TriedOut(BaseModel):
    says: str
    part: Doc[Part]


@router.post("/things/tries")
def try_thing(asked: PartAsked, home: AtHome) -> list[TriedOut]:
    """A stamp in every ink, a thing in its colours, others of its kind. Raises `NotOnShelf`."""
    ground = home.ground_for(asked.page, asked.id)
    return [TriedOut(says=one.says, part=one.part) for one in accenting.tries(asked.page, asked.part, ground)]


class AnswerOut(BaseModel):
    why: str
    part: Doc[ThingPart]


@router.post("/things/answers")
def answer_things(asked: PageAsked, home: AtHome) -> list[AnswerOut]:
    """What is left that would answer a colour, a round or a raised thing on the other side."""
    ground = home.ground_for(asked.page, asked.id)
    found = accenting.answers(asked.page, evaluate(asked.page, ground), ground, lambda: new_id("thing"))
    return [AnswerOut(why=one.why, part=one.part) for one in found]


class RoomAsked(PageAsked):
    one: Id
    other: Id
    width: Size
    height: Size


class RoomOut(BaseModel):
    """Whether it fits, in a sentence with the gap, what is wanted and what moves by how much."""

    fits: bool
    says: str


@router.post("/things/room")
def find_room(asked: RoomAsked, home: AtHome) -> RoomOut:
    """Room for something of a size between two parts of a page. Raises `NotOnShelf`."""
    ground = home.ground_for(asked.page, asked.id)
    page = evaluate(asked.page, ground)
    room = between(page.box(asked.one), page.box(asked.other), asked.width, asked.height)
    say, names = ground.ruler.say, {part.id: part.name for part in page.parts}
    said = f"The gap is {say(room.gap)}, and {say(room.wanted)} is wanted with 1/8 in on both sides."
    round_ones = [punch.size for punch in home.punches() if punch.figure == "circle"]
    held, after = next_size(round_ones, max(asked.width, asked.height))
    if held is not None:
        said += f" The {say(held)} punch holds it" + (
            f", the {say(after)} one with more round it." if after else "."
        )
    if room.fits:
        return RoomOut(fits=True, says=f"It fits. {said}")
    moved = names[asked.other if room.second else asked.one]
    return RoomOut(fits=False, says=f"{said} Move {moved} {say(room.by)} away.")


class SpotDrawn(BaseModel):
    """Two corners of a spot in inches from the corner of the page or spread; where they are one, the size it has."""

    one: Point
    other: Point
    width: Size
    height: Size


@router.post("/things/spot")
def measure_spot(asked: SpotDrawn, home: AtHome) -> Doc[Blemish]:
    """A spot that was drawn or pointed at, on marks."""
    return between_corners(asked.one, asked.other, (asked.width, asked.height), home.ruler())


class CoverAsked(PageAsked):
    spot: Doc[Blemish]


class CoverOut(BaseModel):
    """What covers it, and the part that would."""

    name: str
    cover: Doc[Cover]
    part: Doc[Part]


@router.post("/things/covers")
def cover_spot(asked: CoverAsked, home: AtHome) -> list[CoverOut]:
    """The things and scraps that cover a spot, best first."""
    ground = home.ground_for(asked.page, asked.id)
    page, shelf = evaluate(asked.page, ground), ground.shelf
    colours = dict.fromkeys(
        colour
        for piece in page.pieces
        if (paper := shelf.papers.get(piece.choice.paper or ""))
        for colour in paper.face(piece.choice.side).colours
    )
    spot = asked.spot
    found = covers(spot.width, spot.height, list(colours), shelf, dict(shelf.things_left))[:12]
    return [
        CoverOut(name=_called(one, shelf), cover=one, part=laid(one, spot, ground, new_id("cover")))
        for one in found
    ]


def _called(cover: Cover, shelf: Shelf) -> str:
    if cover.thing is not None:
        return shelf.things[cover.thing].name
    paper = shelf.paper(cover.paper or "")
    return paper.name if paper.is_scrap else f"A scrap of {paper.name}"
