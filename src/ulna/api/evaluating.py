"""Routes: a recipe worked out, costed, added to and moved while it is changed. None keeps anything."""

from __future__ import annotations

from dataclasses import replace
from typing import Annotated

from fastapi import APIRouter
from pydantic import BaseModel, Field

from ulna.api.at_home import AtHome
from ulna.api.drawn import EvaluatedOut
from ulna.api.wire import PageAsked
from ulna.core.kit.cost import Lacking, PaperCost, cost
from ulna.core.kit.gutting import GutOffer, answered
from ulna.core.page import moving
from ulna.core.page.adding import Added, Where, add
from ulna.core.page.dressing import dressed, taken
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.page.putting import What, keep_for, pour, put_paper, put_photo
from ulna.core.page_formats import PageName
from ulna.core.paper.colour import Liveliness, word
from ulna.core.paper.ranking import MatChoice
from ulna.core.parts.kinds import Part
from ulna.core.parts.kinds.photo import filling
from ulna.core.parts.pieces import PaperChoice
from ulna.formats.documents import AnyLength, Doc, Model
from ulna.household import house_rules
from ulna.household.cutting import EFFORT, settled

router = APIRouter(prefix="/api", tags=["pages"])

MOST_ADDED = 60


class CostOut(Model):
    pieces: int
    unchosen: int
    prints: int
    opened: int
    papers: list[Doc[PaperCost]]
    lacking: list[Doc[Lacking]]
    offers: list[Doc[GutOffer]] = []


class GutAsked(BaseModel):
    """A person's word about the middle of a piece; null leaves it to the house rule."""

    page: Doc[PagePlan]
    piece: Annotated[str, Field(max_length=200)]
    gut: bool | None


class FillAsked(BaseModel):
    """Makes a photo as large as a page or the spread."""

    page: Doc[PagePlan]
    part: str
    on: PageName


class Filled(BaseModel):
    part: Doc[Part]
    told: str = ""


class PutAsked(BaseModel):
    """Puts a paper, or photos, on a part; on the piece of it that is pointed at, where one is; or
    says `what` a cell is for."""

    page: Doc[PagePlan]
    part: str
    piece: str | None = None
    choice: Doc[PaperChoice] | None = None
    what: What | None = None
    photos: Annotated[list[Annotated[str, Field(max_length=80)]], Field(max_length=400)] = []
    id: str | None = None


class MatAsked(BaseModel):
    """Which papers would do for mat number `mat` (from 0) of a part."""

    page: Doc[PagePlan]
    part: str
    mat: Annotated[int, Field(ge=0, le=11)]
    id: str | None = None


class PhotoColours(BaseModel):
    """The edge of the cropped picture: lightness from 0 to 100, colour, how lively it is; leading colours."""

    lightness: int
    colour: str
    liveliness: Liveliness
    leading: list[str]


class MatChoices(BaseModel):
    colours: PhotoColours | None
    choices: list[Doc[MatChoice]]


class AddAsked(BaseModel):
    """Adds parts to a recipe; on top of the part `above` where one is named, else each at its usual level, by the part
    `near` or `on` the page that is in view. `dress` gives them papers of the shelf that suit.
    """

    page: Doc[PagePlan]
    parts: Annotated[list[Doc[Part]], Field(min_length=1, max_length=MOST_ADDED)]
    id: str | None = None
    above: str | None = None
    near: str | None = None
    on: PageName | None = None
    dress: bool = False


class MoveAsked(BaseModel):
    """Moves a part: `x`, `y` say where its top left corner is wanted; `marks` nudge it instead.

    With `catch` it goes to the nearest guide within that distance.
    """

    page: Doc[PagePlan]
    part: str
    id: str | None = None
    x: AnyLength | None = None
    y: AnyLength | None = None
    marks: tuple[int, int] | None = None
    catch: AnyLength | None = None


@router.post("/evaluate")
def evaluate_page(asked: PageAsked, home: AtHome) -> EvaluatedOut:
    """The pieces of a recipe, where they lie, and what is to be told of them."""
    out = EvaluatedOut.model_validate(home.evaluated(asked.page, asked.id))
    return out.model_copy(update={"rules": house_rules.settled(home, asked.page).rules})


@router.post("/cost")
def cost_page(asked: PageAsked, home: AtHome) -> CostOut:
    """What a recipe takes from the shelf, and what gutting would give back."""
    found = settled(home, asked.page, asked.id, EFFORT)
    ruler = house_rules.ruler(home, asked.page)
    out = CostOut.model_validate(cost(found.plan, found.pieces, home.shelf_for(asked.id), ruler))
    if home.stage(asked.id) != "cut":
        out.offers = list(found.offers)
    return out


@router.post("/gut")
def gut_piece(asked: GutAsked) -> Doc[PagePlan]:
    """The recipe with a person's word about the hidden middle of one piece."""
    return answered(asked.page, asked.piece, asked.gut)


@router.post("/add")
def add_parts(asked: AddAsked, home: AtHome) -> list[Doc[Added]]:
    """New parts where there is room for them, at their levels; the recipe itself is not changed."""
    parts, ground = asked.parts, home.ground_for(asked.page, asked.id)
    if asked.dress:
        page = evaluate(asked.page, ground)
        parts = [dressed(part, page, ground) for part in parts]
    added = add(asked.page, parts, ground, Where(asked.above, asked.on, asked.near))
    return [replace(one, told=taken(one.part, ground)) for one in added] if asked.dress else added


@router.post("/put-on")
def put_on(asked: PutAsked, home: AtHome) -> Filled:
    """A part with a paper or a photo put on it, or several photos poured into the places that are free."""
    ground = home.ground_for(asked.page, asked.id)
    plan, part, piece = asked.page, asked.part, asked.piece
    if asked.what is not None:
        return Filled(part=keep_for(plan, part, piece or "", asked.what, ground))
    if asked.choice is not None:
        return Filled(part=put_paper(plan, part, piece, asked.choice, ground))
    if len(asked.photos) == 1:
        return Filled(part=put_photo(plan, part, piece, asked.photos[0], ground))
    poured, left = pour(plan, part, asked.photos, ground)
    told = f"{left} of {len(asked.photos)} photos found no place in it." if left else ""
    return Filled(part=poured, told=told)


@router.post("/fill")
def fill_page(asked: FillAsked) -> Filled:
    """A photo as large as a page or the spread, without mats; the recipe itself is not changed."""
    return Filled(part=filling(asked.page.part(asked.part), asked.on, asked.page.format))


@router.post("/mats/choices")
def choose_mat(asked: MatAsked, home: AtHome) -> MatChoices:
    """The papers there are as one mat of a part, best first, each with its reason."""
    colours, choices = home.mat_choices(asked.page, asked.part, asked.mat, asked.id)
    out = MatChoices(colours=None, choices=choices)
    if colours is not None:
        out.colours = PhotoColours(
            lightness=round(colours.edge.lightness),
            colour=word(colours.edge),
            liveliness=colours.edge_word,
            leading=["#{:02x}{:02x}{:02x}".format(*one.rgb) for one in colours.leading],
        )
    return out


@router.post("/move")
def move_part(asked: MoveAsked, home: AtHome) -> Doc[moving.Moved]:
    """A part moved, caught on a guide where one is near, with its distances there."""
    ground = home.ground_for(asked.page, asked.id)
    return moving.moved(asked.page, asked.part, ground, asked.x, asked.y, asked.marks, asked.catch)
