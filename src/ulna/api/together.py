"""Routes: several pages planned from one shelf; what is short, and what would help."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter
from pydantic import BaseModel, Field

from ulna.api.at_home import AtHome
from ulna.api.wire import PageAsked, Saved, saved
from ulna.core.kit.gutting import GutOffer
from ulna.core.kit.together import MOST_PAGES, Help, PageSet, PaperLeft, Short, Takes, papers_left, short, takes
from ulna.core.page.plan import PagePlan
from ulna.formats.documents import Doc
from ulna.household import cutting
from ulna.household.home import Household
from ulna.store.errors import Changed, NotThere
from ulna.store.states import Kept

router = APIRouter(prefix="/api", tags=["together"])


class SetIn(BaseModel):
    """The pages that are planned together, first ones first."""

    pages: Annotated[list[Annotated[str, Field(max_length=200)]], Field(max_length=MOST_PAGES)]
    version: int


class TogetherOut(BaseModel):
    saved: Saved | None
    pages: list[str]
    takes: list[Doc[Takes]]
    papers: list[Doc[PaperLeft]]
    short: list[Doc[Short]]
    offers: list[Doc[GutOffer]]
    opened: int
    proved: bool


class HelpsAsked(BaseModel):
    """`piece` of the set by its full id; or of a recipe, kept as page `id` or not at all."""

    piece: Annotated[str, Field(max_length=400)]
    page: Doc[PagePlan] | None = None
    id: str | None = None


def _kept(home: Household) -> Kept[PageSet] | None:
    try:
        return home.sets.get("set")
    except NotThere:
        return None


def _pages(home: Household) -> list[str]:
    """Those of the set that are still there."""
    kept = _kept(home)
    there = {page.id for page in home.pages.all()}
    return [page for page in (kept.body.pages if kept else ()) if page in there]


@router.get("/together")
def get_together(home: AtHome) -> TogetherOut:
    """The pages of the set planned together: what each takes, what is short."""
    kept, pages = _kept(home), _pages(home)
    members, settled = cutting.together(home, pages)
    return TogetherOut(
        saved=saved(kept) if kept else None,
        pages=pages,
        takes=takes(members, settled),
        papers=papers_left(members, settled),
        short=short(members, settled),
        offers=[offer for offer in settled.offers if offer.gut or offer.sheets or offer.placed],
        opened=settled.plan.whole_sheets_used,
        proved=settled.plan.proved_minimal,
    )


@router.put("/together")
def put_together(asked: SetIn, home: AtHome) -> TogetherOut:
    """Chooses the pages. Refused where the set was changed elsewhere."""
    chosen, says = PageSet(tuple(dict.fromkeys(asked.pages))), "chose pages"
    if _kept(home) is None:
        try:
            home.sets.add(chosen, says, id="set")
        except Changed as first:  # another window was quicker
            home.sets.write("set", first.current.version, chosen, says)
    else:
        home.sets.write("set", asked.version, chosen, says)
    return get_together(home)


@router.post("/helps")
def find_help(asked: HelpsAsked, home: AtHome) -> list[Doc[Help]]:
    """What would help a piece that there is no sheet for, least harm first; each was tried."""
    if asked.page is None:
        return cutting.remedies(home, _pages(home), asked.piece)
    return cutting.remedies_alone(home, asked.page, asked.id, asked.piece)


@router.post("/piecing")
def find_piecing(asked: PageAsked, home: AtHome) -> list[Doc[Help]]:
    """Mats of a recipe that would save a sheet if they were pieced of strips; empty where none does."""
    found = cutting.piecing_alone(home, asked.page, asked.id)
    return [found] if found else []
