"""Routes: parts of a recipe pulled, arranged, measured, auditioned; a recipe moved to another format; variants.

None but the variants keeps anything: each answers what the recipe would be.
"""

from __future__ import annotations

from collections.abc import Callable
from typing import assert_never

from fastapi import APIRouter

from ulna.api.at_home import AtHome
from ulna.api.history import add_history
from ulna.api.schemas import (
    ArrangeAsked,
    ArrangedOut,
    AuditionAsked,
    BetweenAsked,
    FormatAsked,
    MeasuredOut,
    PullAsked,
    Pulled,
    ReformattedOut,
    TrialOut,
    Variant,
    VariantIn,
    VariantOut,
    saved,
)
from ulna.core.errors import FieldError
from ulna.core.page import arranging
from ulna.core.page.arranging import Arranged
from ulna.core.page.audition import trials
from ulna.core.page.between import between
from ulna.core.page.page import PagePlan
from ulna.core.page.pulling import pull
from ulna.core.page.reformat import reformat
from ulna.core.page.standing import stand
from ulna.core.parts.pieces import Ground
from ulna.formats.recipe import Recipe
from ulna.household.home import Household
from ulna.store.ids import new_id
from ulna.store.library import Kept

router = APIRouter(prefix="/api", tags=["arranging"])


@router.post("/pull")
def pull_handle(asked: PullAsked, home: AtHome) -> Pulled:
    """A part after a handle of it was pulled, and the value in words."""
    plan: PagePlan = asked.page.value()
    ground = home.ground(plan.format, asked.id)
    built = stand(plan.parts, ground)[plan.part(asked.part).id].built
    handle = next((h for h in built.handles if h.field == asked.field), None)
    if handle is None:
        known = ", ".join(h.field for h in built.handles) or "none"
        raise FieldError("field", asked.field, "this part has no such handle", f"there are {known}")
    part, says = pull(plan.part(asked.part), handle, asked.across, asked.down, ground.ruler)
    others = tuple(part if one.id == asked.part else one for one in plan.parts)
    if built.is_there and not stand(others, ground)[asked.part].built.is_there:
        # A hand that goes too far would take the part, and the handle with it, from the page.
        part, says = plan.part(asked.part), f"{handle.name}: no further"
    changed = PagePlan(plan.name, plan.format, parts=(part,))
    return Pulled(part=Recipe.from_value(changed).parts[0], says=says)


@router.post("/arrange")
def arrange_parts(asked: ArrangeAsked, home: AtHome) -> ArrangedOut:
    """The recipe after something was done with parts together; of a group, with all of it."""
    plan: PagePlan = asked.page.value()
    for id in asked.parts:
        plan.part(id)
    ground = home.ground(plan.format, asked.id)
    after = _arranged(asked, plan, ground)
    return ArrangedOut(page=Recipe.from_value(after.plan), chosen=list(after.chosen), told=after.told)


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
        case "remove":
            return Arranged(arranging.remove(plan, asked.parts, ground), ())
        case _:
            assert_never(asked.act)
    return Arranged(after, tuple(asked.parts))


@router.post("/between")
def measure_between(asked: BetweenAsked, home: AtHome) -> MeasuredOut:
    """How far two parts of a recipe are from each other."""
    plan: PagePlan = asked.page.value()
    page = home.evaluated(plan, asked.id)
    return MeasuredOut.from_value(between(page.box(asked.first), page.box(asked.second), home.ruler()))


@router.post("/audition")
def audition(asked: AuditionAsked, home: AtHome) -> list[TrialOut]:
    """Every paper and side in place of one of a part's papers, and whether enough of it is left."""
    plan: PagePlan = asked.page.value()
    pieces = home.evaluated(plan, asked.id).pieces
    shelf, unpacked = home.shelf_for(asked.id), home.shelf()
    found = trials(pieces, asked.of.value(), plan.part(asked.part).id, shelf)
    return [TrialOut.from_value(one) for one in found if one.choice.paper in unpacked.papers]


@router.post("/reformat")
def move_to_format(asked: FormatAsked, home: AtHome) -> ReformattedOut:
    """The recipe in another format, and what does not go along."""
    plan: PagePlan = asked.page.value()
    format = asked.format.value()
    moved = reformat(plan, format, home.ground(format, asked.id))
    return ReformattedOut(page=Recipe.from_value(moved.plan), told=list(moved.told))


# ---- variants --------------------------------------------------------------------------------------


def _out(kept: Kept, home: Household) -> VariantOut:
    return VariantOut(saved=saved(kept), variant=Variant.model_validate(kept.body))


@router.get("/pages/{id}/variants")
def list_variants(id: str, home: AtHome) -> list[VariantOut]:
    """The states of a page that were kept by name, the first one first."""
    home.library.get("page", id)
    kept = [k for k in home.library.all("variant") if k.body.get("page") == id]
    return [_out(k, home) for k in kept]


@router.post("/pages/{id}/variants", status_code=201)
def keep_variant(id: str, asked: VariantIn, home: AtHome) -> VariantOut:
    """Keeps a state of a page under a name."""
    home.library.get("page", id)
    body = Variant(page=id, name=asked.name, recipe=asked.recipe).model_dump(mode="json")
    return _out(home.library.add("variant", body, f"kept {asked.name}"), home)


add_history(router, "variant", VariantOut, _out)
