"""Routes: pages; a recipe worked out, moved and costed while it is changed; pictures of a page."""

from __future__ import annotations

from typing import Annotated, Literal

from fastapi import APIRouter, File, Query, UploadFile
from fastapi.responses import Response

from ulna.api.at_home import AtHome
from ulna.api.cut_schemas import CostOut, GutAsked, GutOffer
from ulna.api.history import add_history
from ulna.api.kits import attachment
from ulna.api.schemas import (
    AddAsked,
    Added,
    Distance,
    EvaluatedOut,
    FillAsked,
    Filled,
    Guide,
    MatAsked,
    MatChoice,
    MatChoices,
    MoveAsked,
    Moved,
    PageAsked,
    PageIn,
    PageOut,
    PhotoColours,
    saved,
)
from ulna.core.errors import FieldError
from ulna.core.kit.cost import cost
from ulna.core.kit.gutting import answered
from ulna.core.measure import Length
from ulna.core.page import arranging
from ulna.core.page import guides as guiding
from ulna.core.page.adding import add
from ulna.core.page.dressing import dressed
from ulna.core.page.page import PagePlan, evaluate, move
from ulna.core.paper.colour import word
from ulna.core.parts.kinds.photo import PhotoPart, filling
from ulna.core.parts.pieces import Ground
from ulna.core.photos.look import AS_IT_CAME, Look
from ulna.formats import recipe as recipe_format
from ulna.formats import svg
from ulna.formats.cuts import Rect
from ulna.formats.limits import MOST_JSON_BYTES
from ulna.formats.recipe import PhotoPart as PhotoPartModel
from ulna.formats.recipe import Recipe
from ulna.household.cutting import EFFORT, settled
from ulna.household.home import Household
from ulna.store.errors import NotThere
from ulna.store.library import Kept

router = APIRouter(prefix="/api", tags=["pages"])

THUMB = 600
"""Pixels across of the small picture of a page, which is kept until something on it changes."""


def _out(kept: Kept, home: Household) -> PageOut:
    return PageOut(saved=saved(kept), page=Recipe.model_validate(kept.body), cutting=_stage(kept.id, home))


def _stage(id: str | None, home: Household) -> Literal["planned", "begun", "cut"]:
    cutting = home.cuttings().get(id or "")
    if cutting is None or not cutting.ticked:
        return "planned"
    steps = {step.key for sheet in cutting.cuts.sheets for step in sheet.steps}
    return "cut" if steps <= set(cutting.ticked) else "begun"


@router.get("/pages")
def list_pages(home: AtHome) -> list[PageOut]:
    """The one that was changed last comes first."""
    kept = sorted(home.library.all("page"), key=lambda k: k.changed, reverse=True)
    return [_out(k, home) for k in kept]


@router.post("/pages", status_code=201)
def add_page(asked: PageIn, home: AtHome) -> PageOut:
    return _out(home.library.add("page", asked.page.model_dump(mode="json"), asked.what), home)


@router.get("/pages/{id}")
def get_page(id: str, home: AtHome) -> PageOut:
    return _out(home.library.get("page", id), home)


@router.put("/pages/{id}")
def put_page(id: str, asked: PageIn, home: AtHome) -> PageOut:
    body = asked.page.model_dump(mode="json")
    return _out(home.library.write("page", id, asked.version, body, asked.what, asked.series), home)


add_history(router, "page", PageOut, _out)


# ---- worked out ------------------------------------------------------------------------------------


@router.post("/evaluate")
def evaluate_page(asked: PageAsked, home: AtHome) -> EvaluatedOut:
    """The pieces of a recipe, where they lie, and what is to be told of them."""
    return EvaluatedOut.from_value(home.evaluated(asked.page.value(), asked.id))


@router.post("/cost")
def cost_page(asked: PageAsked, home: AtHome) -> CostOut:
    """What a recipe takes from the shelf, and what gutting would give back."""
    shelf, ruler = home.shelf_for(asked.id), home.ruler()
    found = settled(home, asked.page.value(), asked.id, EFFORT)
    out = CostOut.from_value(cost(found.plan, found.pieces, shelf, ruler))
    if _stage(asked.id, home) != "cut":
        out.offers = [GutOffer.from_value(offer) for offer in found.offers]
    for paper in out.papers:
        if paper.largest_rest is not None:
            rest = paper.largest_rest
            paper.rest_says = ruler.say_size(rest.width, rest.height)
    return out


@router.post("/gut")
def gut_piece(asked: GutAsked) -> Recipe:
    """The recipe with a person's word about the hidden middle of one piece."""
    return Recipe.from_value(answered(asked.page.value(), asked.piece, asked.gut))


@router.post("/add")
def add_parts(asked: AddAsked, home: AtHome) -> list[Added]:
    """New parts where there is room for them, at their levels; the recipe itself is not changed."""
    plan: PagePlan = asked.page.value()
    parts, ground = [part.value() for part in asked.parts], home.ground(plan.format, asked.id)
    if asked.dress:
        page = evaluate(plan, ground)
        parts = [dressed(part, page, ground) for part in parts]
    found = add(plan, parts, ground, asked.above)
    return [Added.from_value(one) for one in found]


@router.post("/fill")
def fill_page(asked: FillAsked, home: AtHome) -> Filled:
    """A photo as large as a page or the spread, without mats; the recipe itself is not changed."""
    plan: PagePlan = asked.page.value()
    part = plan.part(asked.part)
    if not isinstance(part, PhotoPart):
        raise FieldError("part", asked.part, "only a photo can be as large as the page", "name a photo")
    return Filled(part=PhotoPartModel.from_value(filling(part, asked.on, plan.format)))


@router.post("/mats/choices")
def choose_mat(asked: MatAsked, home: AtHome) -> MatChoices:
    """The papers there are as one mat of a part, best first, each with its reason."""
    colours, choices = home.mat_choices(asked.page.value(), asked.part, asked.mat, asked.id)
    out = MatChoices(colours=None, choices=[MatChoice.from_value(choice) for choice in choices])
    if colours is not None:
        out.colours = PhotoColours(
            lightness=round(colours.edge.lightness),
            colour=word(colours.edge),
            liveliness=colours.edge_word,
            leading=["#{:02x}{:02x}{:02x}".format(*one.rgb) for one in colours.leading],
        )
    return out


@router.post("/move")
def move_part(asked: MoveAsked, home: AtHome) -> Moved:
    """A part moved, caught on a guide where one is near, with its distances there."""
    plan: PagePlan = asked.page.value()
    ground = home.ground(plan.format, asked.id)
    before = evaluate(plan, ground)
    box, across, down = before.box(asked.part), None, None
    if asked.marks is not None:
        mark = ground.ruler.mark
        box = box.moved(mark * asked.marks[0], mark * asked.marks[1])
    else:
        x = box.x if asked.x is None else asked.x
        y = box.y if asked.y is None else asked.y
        if asked.catch is not None:
            found = guiding.guides(before, asked.part, ground.ruler)
            across, down = (
                guiding.nearest(found.across, x, asked.catch),
                guiding.nearest(found.down, y, asked.catch),
            )
        box = box.moved(_at(across, x, ground) - box.x, _at(down, y, ground) - box.y)
    moved = move(plan, asked.part, box, ground)
    after = evaluate(moved, ground)
    part = Recipe.from_value(moved).parts[[p.id for p in moved.parts].index(asked.part)]
    return Moved(
        part=part,
        box=Rect.from_value(after.box(asked.part)),
        across=Guide.from_value(across) if across else None,
        down=Guide.from_value(down) if down else None,
        distances=[Distance.from_value(d) for d in guiding.distances(after, asked.part, ground.ruler)],
        along=[p.id for p in plan.parts if p.id != asked.part and arranging.follows(plan, p.id, asked.part)],
    )


def _at(guide: guiding.Guide | None, wanted: Length, ground: Ground) -> Length:
    return guide.at if guide else ground.ruler.round(wanted)


# ---- files -----------------------------------------------------------------------------------------


def _drawing(id: str, home: Household, copy: Literal["view", "thumb"]) -> tuple[str, str]:
    """The page's name and its picture as SVG with everything in it."""

    def embedded(picture: str, look: Look = AS_IT_CAME) -> str | None:
        try:
            return svg.embedded(home.roll.picture(picture, copy, look).read_bytes())
        except NotThere:
            return None

    plan = home.page(id)
    return plan.name, svg.page(home.evaluated(plan, id), home.shelf(), embedded, embedded)


@router.get("/pages/{id}/page.svg", response_class=Response)
def page_as_svg(id: str, home: AtHome) -> Response:
    name, drawing = _drawing(id, home, "view")
    return attachment(drawing.encode(), f"{name}.svg", "image/svg+xml")


@router.get("/pages/{id}/page.png", response_class=Response)
def page_as_png(id: str, home: AtHome, width: Annotated[int, Query(ge=50, le=4000)] = 1800) -> Response:
    def render() -> tuple[str, bytes]:
        name, drawing = _drawing(id, home, "thumb" if width <= THUMB else "view")
        return name, svg.raster(drawing, width)

    kinds = ["kit", "photo", "template", "page", "settings"]
    name, picture = home.cached(f"picture of {id}", kinds, render) if width == THUMB else render()
    return attachment(picture, f"{name}.png", "image/png")


@router.get("/pages/{id}/page.json", response_class=Response)
def page_as_json(id: str, home: AtHome) -> Response:
    plan = home.page(id)
    return attachment(recipe_format.write(plan).encode(), f"{plan.name}.json", "application/json")


@router.post("/pages/read-json", status_code=201)
def add_page_from_json(file: Annotated[UploadFile, File()], home: AtHome) -> PageOut:
    """A page brought in from a file, as a page of its own."""
    plan = recipe_format.read(file.file.read(MOST_JSON_BYTES))
    body = Recipe.from_value(plan).model_dump(mode="json")
    return _out(home.library.add("page", body, "brought in from a file"), home)
