"""Routes: a page looked at as a whole, what each remedy costs, several tried together, and pairs to learn by."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter
from fastapi.responses import Response
from pydantic import BaseModel, Field

from ulna.api.at_home import AtHome
from ulna.api.drawn import EvaluatedOut
from ulna.api.kits import Tiles, tiles_of
from ulna.api.wire import PageAsked
from ulna.core.checks.catalogue import CHECKS, check_of
from ulna.core.errors import NotOnShelf
from ulna.core.findings import Finding, Remedy
from ulna.core.kit.cost import said_of
from ulna.core.page import trainer
from ulna.core.page.checked import checked, remedied
from ulna.core.page.dressing import dressed
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.paper.shelf import Paper
from ulna.core.parts.edge_work import EdgeWork
from ulna.core.parts.kinds import Part
from ulna.core.rules import Decided
from ulna.formats.documents import Doc, Model
from ulna.household import house_rules
from ulna.household.cutting import EFFORT, costed
from ulna.household.notebooks import bound_with

router = APIRouter(prefix="/api", tags=["checks"])

MOST_TAKEN = 40


class FoundOut(BaseModel):
    """A finding with what its check is called and why it matters; neither where it is told while a part is made."""

    finding: Doc[Finding]
    check: str
    name: str
    why: str


class CheckedOut(BaseModel):
    """In the order of harm, those put aside among them, without what is only good to know. `decided` are the rules that
    hold, and who says so."""

    page: EvaluatedOut
    found: list[FoundOut]
    decided: list[Doc[Decided]]
    first_seen: list[str]


class RemedyIn(Model):
    """A remedy as it was offered: the part as it would be, the edge as it would be worked, how many pages."""

    says: str = ""
    part: Doc[Part] | None = None
    edge: Doc[EdgeWork] | None = None
    pages: Annotated[int, Field(ge=1, le=2)] | None = None


class RemediesAsked(BaseModel):
    """Remedies to be taken together, one after the other."""

    page: Doc[PagePlan]
    id: str | None = None
    remedies: Annotated[list[RemedyIn], Field(max_length=MOST_TAKEN)]


class CostsAsked(BaseModel):
    """A page as it was and as it is now."""

    before: Doc[PagePlan]
    after: Doc[PagePlan]
    id: str | None = None


class CostsOut(BaseModel):
    """What one costs in paper more than the other, in words."""

    says: str


class PairOut(BaseModel):
    """A check with a little page that has what it finds and a twin that has not."""

    id: str
    name: str
    why: str
    look_at: str
    has: EvaluatedOut
    has_not: EvaluatedOut


class PairPaper(BaseModel):
    paper: Doc[Paper]
    tiles: Tiles


class PairsOut(BaseModel):
    pairs: list[PairOut]
    papers: list[PairPaper]
    photos: list[str]


@router.post("/check")
def check_page(asked: PageAsked, home: AtHome) -> CheckedOut:
    """Everything that is to be told of a recipe."""
    ground = home.ground_for(asked.page, asked.id)
    short = costed(home, asked.page, asked.id, EFFORT).lacking
    found = checked(
        asked.page,
        ground,
        home.settings().body.aside,
        [(one.part, one.sentence) for one in short],
        bound_with(home, asked.page, asked.id),
    )
    return CheckedOut(
        page=EvaluatedOut.model_validate(found.page),
        found=[_told(one) for one in found.findings if one.severity != "note" or check_of(one.code) is not None],
        first_seen=list(found.first_seen),
        decided=list(house_rules.settled(home, asked.page).decided),
    )


def _told(one: Finding) -> FoundOut:
    check = check_of(one.code)
    return FoundOut(
        finding=one,
        check=check.id if check else "",
        name=check.name if check else "Made",
        why=check.why if check else "",
    )


@router.post("/check/remedies")
def take_remedies(asked: RemediesAsked, home: AtHome) -> Doc[PagePlan]:
    """A recipe with remedies taken, what they add in papers of the shelf that suit; nothing is kept."""
    after = asked.page
    for one in asked.remedies:
        part = one.part
        if part is not None and all(part.id != there.id for there in after.parts):
            ground = home.ground_for(after, asked.id)
            part = dressed(part, evaluate(after, ground), ground)
        after = remedied(after, Remedy(one.says, part, one.pages, edge=one.edge))
    return after


@router.post("/check/costs")
def compare_costs(asked: CostsAsked, home: AtHome) -> CostsOut:
    """What a page costs in paper more than another state of it."""
    before, after = (costed(home, plan, asked.id, EFFORT) for plan in (asked.before, asked.after))
    return CostsOut(says=said_of(before, after))


@router.get("/checks")
def learn_checks(home: AtHome) -> PairsOut:
    """All checks with their pairs of little pages, and the papers that those are made of."""
    out = []
    for check in CHECKS:
        pair = trainer.PAIRS[check.id]
        ground = trainer.ground(pair.has.format, home.faces(), home.ruler())
        has, has_not = (EvaluatedOut.model_validate(evaluate(plan, ground)) for plan in (pair.has, pair.has_not))
        out.append(
            PairOut(id=check.id, name=check.name, why=check.why, look_at=pair.look_at, has=has, has_not=has_not)
        )
    papers = [PairPaper(paper=one, tiles=tiles_of(one)) for one in trainer.PAPERS]
    return PairsOut(pairs=out, papers=papers, photos=list(trainer.DRAWN))


@router.get("/checks/{photo}.svg", response_class=Response)
def get_little_picture(photo: str) -> Response:
    """A photo of the little pages."""
    if photo not in trainer.DRAWN:
        raise NotOnShelf("photo", photo)
    return Response(trainer.DRAWN[photo], media_type="image/svg+xml")
