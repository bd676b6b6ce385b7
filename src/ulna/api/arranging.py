"""Routes: parts of a recipe pulled, arranged, measured, auditioned; a recipe moved to another format; variants.

None but the variants keeps anything: each answers what the recipe would be.
"""

from __future__ import annotations

from collections.abc import Callable
from typing import Annotated, Literal, assert_never

from fastapi import APIRouter
from pydantic import BaseModel, Field

from ulna.api.at_home import AtHome
from ulna.api.history import add_history
from ulna.api.wire import Saved, saved
from ulna.core.errors import FieldError
from ulna.core.measure import ZERO, inches
from ulna.core.page import arranging
from ulna.core.page.arranging import Arranged
from ulna.core.page.audition import Trial, trials
from ulna.core.page.between import Measured, between
from ulna.core.page.moving import recounted
from ulna.core.page.pasting import paste
from ulna.core.page.plan import PagePlan, Variant
from ulna.core.page.pulling import pulled
from ulna.core.page.putting import PrintChange, reprinted
from ulna.core.page.reformat import reformat
from ulna.core.page_formats import PageFormat, PageName
from ulna.core.parts.kinds import Part
from ulna.core.parts.pieces import Ground, PaperChoice
from ulna.core.parts.place import Place
from ulna.formats.documents import AnyLength, Doc, Size
from ulna.household.home import Household
from ulna.store.ids import new_id
from ulna.store.states import Kept

router = APIRouter(prefix="/api", tags=["arranging"])

Chosen = Annotated[list[str], Field(min_length=1, max_length=400)]


class PullAsked(BaseModel):
    """Pulls a handle of a part, by its field, so far from where it is."""

    page: Doc[PagePlan]
    part: str
    field: Annotated[str, Field(max_length=80)]
    across: AnyLength
    down: AnyLength
    id: str | None = None


class Pulled(BaseModel):
    part: Doc[Part]
    says: str


class ArrangeAsked(BaseModel):
    """What is done with parts together; which of the further fields count depends on `act`."""

    page: Doc[PagePlan]
    parts: Chosen
    act: Literal[
        "move", "align", "distribute", "mirror", "swap", "swap pages", "copy", "repeat", "ring", "group", "ungroup",
        "remove", "page as panel", "join", "prints",
    ]  # fmt: skip
    id: str | None = None
    edge: arranging.AlignTo = "left"
    way: Literal["across", "down"] = "across"
    on: PageName = "left"
    across: AnyLength = ZERO
    down: AnyLength = ZERO
    marks: tuple[int, int] | None = None
    rows: int = 1
    columns: int = 2
    count: int = 6
    radius: Size = inches(2)
    trim: Size = inches(0, 1, 4)
    name: Annotated[str, Field(min_length=1, max_length=120)] = "group"
    prints: Doc[PrintChange] = PrintChange()


class ArrangedOut(BaseModel):
    """The recipe as it is then, the parts that are to be chosen now, and what is to be known of it."""

    page: Doc[PagePlan]
    chosen: list[str]
    told: str


class PasteAsked(BaseModel):
    """Lays parts of one recipe, the `source`, on another one."""

    page: Doc[PagePlan]
    source: Doc[PagePlan]
    parts: Chosen
    id: str | None = None


class RecountAsked(BaseModel):
    """Counts the place of a part from the edges and parts that `place` names; its distances do not matter."""

    page: Doc[PagePlan]
    part: str
    place: Doc[Place]
    id: str | None = None


class BetweenAsked(BaseModel):
    """How far two parts are from each other."""

    page: Doc[PagePlan]
    first: str
    second: str
    id: str | None = None


class AuditionAsked(BaseModel):
    """Which papers could stand in place of `of` in a part."""

    page: Doc[PagePlan]
    part: str
    of: Doc[PaperChoice]
    id: str | None = None


class FormatAsked(BaseModel):
    """Moves a recipe to another format."""

    page: Doc[PagePlan]
    format: Doc[PageFormat]
    id: str | None = None


class ReformattedOut(BaseModel):
    page: Doc[PagePlan]
    told: list[str]


class VariantOut(BaseModel):
    saved: Saved
    variant: Doc[Variant]


class VariantIn(BaseModel):
    name: Annotated[str, Field(min_length=1, max_length=120)]
    recipe: Doc[PagePlan]


@router.post("/pull")
def pull_handle(asked: PullAsked, home: AtHome) -> Pulled:
    """A part after a handle of it was pulled, and the value in words."""
    ground = home.ground_for(asked.page, asked.id)
    part, says = pulled(asked.page, asked.part, asked.field, asked.across, asked.down, ground)
    return Pulled(part=part, says=says)


@router.post("/arrange")
def arrange_parts(asked: ArrangeAsked, home: AtHome) -> ArrangedOut:
    """The recipe after something was done with parts together; of a group, with all of it."""
    for id in asked.parts:
        asked.page.part(id)
    after = _arranged(asked, asked.page, home.ground_for(asked.page, asked.id))
    return ArrangedOut(page=after.plan, chosen=list(after.chosen), told=after.told)


def _arranged(asked: ArrangeAsked, plan: PagePlan, ground: Ground) -> Arranged:
    ids = arranging.chosen_of(plan, asked.parts)
    fresh: Callable[[str], str] = new_id
    after: PagePlan
    match asked.act:
        case "move":
            marks = asked.marks or (0, 0)
            mark = ground.ruler.mark
            x, y = asked.across + mark * marks[0], asked.down + mark * marks[1]
            after = arranging.shift(plan, ids, x, y, ground)
        case "align":
            after = arranging.align(plan, ids, asked.edge, ground)
        case "distribute":
            return arranging.distribute(plan, ids, asked.way, ground)
        case "mirror":
            after = arranging.mirror(plan, ids, asked.way, asked.on, ground)
        case "swap":
            if len(asked.parts) != 2:
                raise FieldError("parts", str(len(asked.parts)), "two parts change places", "choose two")
            after = arranging.swap(plan, asked.parts[0], asked.parts[1], ground)
        case "swap pages":
            after = arranging.swap_pages(plan, ground)
        case "copy":
            return arranging.copy(plan, ids, fresh, ground)
        case "repeat":
            return arranging.repeat(plan, ids, asked.rows, asked.columns, asked.across, asked.down, fresh, ground)
        case "ring":
            return arranging.ring(plan, ids, asked.count, asked.radius, fresh, ground)
        case "group":
            return Arranged(arranging.group(plan, asked.parts, new_id("group"), asked.name), tuple(asked.parts))
        case "ungroup":
            return Arranged(arranging.ungroup(plan, asked.parts), tuple(asked.parts))
        case "page as panel":
            return arranging.page_as_panel(
                plan, "right" if asked.on == "right" else "left", asked.trim, fresh, ground
            )
        case "join":
            return arranging.join(plan, ids, fresh, ground)
        case "prints":
            after, many = reprinted(plan, ids, asked.prints, ground.ruler.mark)
            told = "" if many else "There is no print among what is chosen."
            return Arranged(after, tuple(asked.parts), told)
        case "remove":
            return Arranged(arranging.remove(plan, asked.parts, ground), ())
        case _:
            assert_never(asked.act)
    return Arranged(after, tuple(asked.parts))


@router.post("/paste")
def paste_parts(asked: PasteAsked, home: AtHome) -> ArrangedOut:
    """The recipe with copies of another one's parts, which are to be chosen then."""
    for id in asked.parts:
        asked.source.part(id)
    ground, there = home.ground_for(asked.page, asked.id), home.ground_for(asked.source, asked.id)
    after = paste(asked.page, asked.source, asked.parts, new_id, ground, there)
    return ArrangedOut(page=after.plan, chosen=list(after.chosen), told=after.told)


@router.post("/recount")
def count_from(asked: RecountAsked, home: AtHome) -> Doc[Place]:
    """A part's place, counted from other edges or parts, with the distances that leave it where it lies."""
    return recounted(asked.page, asked.part, asked.place, home.ground_for(asked.page, asked.id))


@router.post("/between")
def measure_between(asked: BetweenAsked, home: AtHome) -> Doc[Measured]:
    """How far two parts of a recipe are from each other."""
    page = home.evaluated(asked.page, asked.id)
    return between(page.box(asked.first), page.box(asked.second), home.ruler())


@router.post("/audition")
def audition(asked: AuditionAsked, home: AtHome) -> list[Doc[Trial]]:
    """Every paper and side in place of one of a part's papers, and whether enough of it is left."""
    pieces = home.evaluated(asked.page, asked.id).pieces
    shelf, unpacked = home.shelf_for(asked.id), home.shelf()
    found = trials(pieces, asked.of, asked.page.part(asked.part).id, shelf)
    return [one for one in found if one.choice.paper in unpacked.papers]


@router.post("/reformat")
def move_to_format(asked: FormatAsked, home: AtHome) -> ReformattedOut:
    """The recipe in another format, and what does not go along."""
    moved = reformat(asked.page, asked.format, home.ground(asked.format, asked.id))
    return ReformattedOut(page=moved.plan, told=list(moved.told))


# ---- variants --------------------------------------------------------------------------------------


def _out(kept: Kept[Variant], _home: Household) -> VariantOut:
    return VariantOut(saved=saved(kept), variant=kept.body)


@router.get("/pages/{id}/variants")
def list_variants(id: str, home: AtHome) -> list[VariantOut]:
    """The states of a page that were kept by name, the first one first."""
    home.pages.get(id)
    return [_out(kept, home) for kept in home.variants.all() if kept.body.page == id]


@router.post("/pages/{id}/variants", status_code=201)
def keep_variant(id: str, asked: VariantIn, home: AtHome) -> VariantOut:
    """Keeps a state of a page under a name."""
    home.pages.get(id)
    return _out(home.variants.add(Variant(id, asked.name, asked.recipe), f"kept {asked.name}"), home)


add_history(router, "variant", lambda home: home.variants, VariantOut, _out)
