"""Routes: several pages planned from one shelf; what is short, and what would help."""

from __future__ import annotations

from dataclasses import replace
from typing import Annotated

from fastapi import APIRouter
from pydantic import BaseModel, Field

from ulna.api.at_home import AtHome
from ulna.api.cut_schemas import GutOffer
from ulna.api.schemas import PageAsked, Saved, saved
from ulna.core.kit.cost import lacking
from ulna.core.kit.gutting import Member, Settled
from ulna.core.kit.together import Help, Takes, takes
from ulna.core.planner.plan import CutPlan
from ulna.formats.model import Model
from ulna.formats.recipe import Recipe
from ulna.household import cutting
from ulna.household.home import Household
from ulna.store.errors import Changed, NotThere
from ulna.store.library import Kept

router = APIRouter(prefix="/api", tags=["together"])

MOST_PAGES = 40

PageIds = Annotated[list[Annotated[str, Field(max_length=200)]], Field(max_length=MOST_PAGES)]


class SetIn(BaseModel):
    """The pages that are planned together, first ones first."""

    pages: PageIds
    version: int


class TakesOut(Model):
    """What a page takes of a paper: pieces, whole sheets, scraps; how many of these other pages use too."""

    page: str
    paper: str
    name: str
    pieces: int
    sheets: int
    scraps: int
    shared: int


class PaperLeft(BaseModel):
    """A paper that the set uses: sheets there are for it, sheets it opens."""

    paper: str
    name: str
    there: int
    opened: int


class Short(BaseModel):
    """A piece of a page that no sheet is left for."""

    piece: str
    page: str
    page_name: str
    sentence: str


class HelpOut(BaseModel):
    """What would do, in words, and the recipe of its page as it would be then."""

    says: str
    page: str
    recipe: Recipe


class TogetherOut(BaseModel):
    saved: Saved | None
    pages: list[str]
    takes: list[TakesOut]
    papers: list[PaperLeft]
    short: list[Short]
    offers: list[GutOffer]
    opened: int
    proved: bool


class HelpsAsked(BaseModel):
    """`piece` of the set by its full id; or of a recipe, kept as page `id` or not at all."""

    piece: Annotated[str, Field(max_length=400)]
    page: Recipe | None = None
    id: str | None = None


def _kept(home: Household) -> Kept | None:
    try:
        return home.library.get("set", "set")
    except NotThere:
        return None


def _pages(home: Household) -> list[str]:
    """Those of the set that are still there."""
    kept = _kept(home)
    there = {page.id for page in home.library.all("page")}
    return [page for page in (kept.body["pages"] if kept else []) if page in there]


@router.get("/together")
def get_together(home: AtHome) -> TogetherOut:
    """The pages of the set planned together: what each takes, what is short."""
    kept, pages = _kept(home), _pages(home)
    members, settled = cutting.together(home, pages)
    took = takes(members, settled)
    names = {p.id: p.name for m in members for p in m.ground.shelf.papers.values()}
    return TogetherOut(
        saved=saved(kept) if kept else None,
        pages=pages,
        takes=[_takes(one, names) for one in took],
        papers=_papers(members, settled),
        short=_short(members, settled),
        offers=[
            GutOffer.from_value(offer) for offer in settled.offers if offer.gut or offer.sheets or offer.placed
        ],
        opened=settled.plan.whole_sheets_used,
        proved=settled.plan.proved_minimal,
    )


@router.put("/together")
def put_together(asked: SetIn, home: AtHome) -> TogetherOut:
    """Chooses the pages. Refused where the set was changed elsewhere."""
    body = {"pages": list(dict.fromkeys(asked.pages))}
    if _kept(home) is None:
        try:
            home.library.add("set", body, "chose pages", id="set")
        except Changed as first:  # another window was quicker
            home.library.write("set", "set", first.current.version, body, "chose pages")
    else:
        home.library.write("set", "set", asked.version, body, "chose pages")
    return get_together(home)


@router.post("/helps")
def find_help(asked: HelpsAsked, home: AtHome) -> list[HelpOut]:
    """What would help a piece that there is no sheet for, least harm first; each was tried."""
    if asked.page is None:
        found = cutting.remedies(home, _pages(home), asked.piece)
    else:
        found = cutting.remedies_alone(home, asked.page.value(), asked.id, asked.piece)
    return [_help(one) for one in found]


@router.post("/piecing")
def find_piecing(asked: PageAsked, home: AtHome) -> list[HelpOut]:
    """Mats of a recipe that would save a sheet if they were pieced of strips; empty where none does."""
    found = cutting.piecing_alone(home, asked.page.value(), asked.id)
    return [_help(found)] if found else []


def _help(one: Help) -> HelpOut:
    return HelpOut(says=one.says, page=one.page, recipe=Recipe.from_value(one.recipe))


def _takes(one: Takes, names: dict[str, str]) -> TakesOut:
    return TakesOut(
        page=one.page,
        paper=one.paper,
        name=names.get(one.paper, ""),
        pieces=one.pieces,
        sheets=one.sheets,
        scraps=one.scraps,
        shared=one.shared,
    )


def _papers(members: list[Member], settled: Settled) -> list[PaperLeft]:
    papers = {p.id: p for m in members for p in m.ground.shelf.papers.values()}
    there: dict[str, int] = {}
    for paper in papers.values():
        if not paper.is_scrap:
            of = paper.scrap_of or paper.id
            there[of] = there.get(of, 0) + paper.count
    opened: dict[str, int] = {}
    for sheet in settled.plan.sheets:
        if not papers[sheet.sheet].is_scrap:
            of = papers[sheet.sheet].scrap_of or sheet.sheet
            opened[of] = opened.get(of, 0) + 1
    wanted = {p.choice.paper for m in members for p in m.pieces if p.is_paper}
    return [
        PaperLeft(paper=id, name=papers[id].name, there=count, opened=opened.get(id, 0))
        for id, count in there.items()
        if id in wanted
    ]


def _short(members: list[Member], settled: Settled) -> list[Short]:
    pieces = {p.id: p for p in settled.pieces}
    lost = {u.piece for u in settled.plan.unplaced}
    found = []
    for member in members:
        own = [p for id, p in pieces.items() if id in lost and id.startswith(f"{member.id}/")]
        plan = _only(settled, {p.id for p in own})
        for one in lacking(plan, own, member.ground.shelf, member.ground.ruler):
            found.append(
                Short(piece=one.piece, page=member.id, page_name=member.recipe.name, sentence=one.sentence)
            )
    return found


def _only(settled: Settled, pieces: set[str]) -> CutPlan:
    """The plan with no more than these unplaced."""
    return replace(settled.plan, unplaced=tuple(u for u in settled.plan.unplaced if u.piece in pieces))
