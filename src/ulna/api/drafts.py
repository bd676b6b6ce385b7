"""Routes: first drafts of a page, and a set of pages from the stories that wait."""

from __future__ import annotations

from dataclasses import replace
from typing import Annotated

from fastapi import APIRouter
from pydantic import BaseModel, Field

from ulna.api.at_home import AtHome
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.page_formats import PageFormat
from ulna.core.parts.pieces import Ground
from ulna.core.photos.look import Look, key
from ulna.core.ranges import Id
from ulna.core.sketches.drafting import Asked, Draft, best, pages_for
from ulna.core.sketches.filling import Story
from ulna.core.sketches.month import month
from ulna.core.sketches.palette import Mood
from ulna.core.sketches.sketch import Sketch
from ulna.formats import svg
from ulna.formats.documents import Doc
from ulna.household import house_rules, log
from ulna.household.home import Household

router = APIRouter(prefix="/api", tags=["drafts"])

EFFORT, MANY = 9, 6
"""So many tries for one answer, and so many drafts in it."""
MONTH_EFFORT = 8


class DraftAsked(BaseModel):
    """What is wanted of drafts; another `seed` gives others, more `effort` better ones. `fixed` are parts of `page`
    that stay."""

    photos: Annotated[list[Id], Field(max_length=400)]
    format: Doc[PageFormat]
    by_number: bool = True
    title: Annotated[str, Field(max_length=400)] = ""
    words: Annotated[str, Field(max_length=20_000)] = ""
    date: Annotated[str, Field(max_length=60)] = ""
    mood: Mood = "middle"
    seed: Annotated[int, Field(ge=0, le=1_000_000)] = 0
    keep: Annotated[list[Id], Field(max_length=500)] = []
    scraps_only: bool = False
    use_up: bool = False
    effort: Annotated[int, Field(ge=1, le=40)] = EFFORT
    like: Annotated[str, Field(max_length=120)] = ""
    sketch: Doc[Sketch] | None = None
    page: Doc[PagePlan] | None = None
    id: str | None = None
    fixed: Annotated[list[Id], Field(max_length=400)] = []


class DraftOut(BaseModel):
    """A draft as it will look, what it opens and leaves, what is weak about it. A lower `score` is better."""

    plan: Doc[PagePlan]
    sketch: str
    says: str
    weak: list[str]
    score: float
    drawing: str


@router.post("/drafts")
def list_drafts(asked: DraftAsked, home: AtHome) -> list[DraftOut]:
    """Drafts that are different in kind, the best first. Raises `FieldError` where there is nothing to draft from."""
    wanted = _asked(asked, home)
    rules = house_rules.settled(home, asked.page).rules if asked.page else None
    ground = log.to_be_used(home, home.ground(wanted.format, asked.id, rules))
    found = best(wanted, ground, asked.effort, MANY)
    return [_out(one, ground, f"d{asked.seed}-{k}-") for k, one in enumerate(found)]


def _asked(asked: DraftAsked, home: Household) -> Asked:
    format = asked.format
    if asked.by_number and asked.sketch is None and not asked.fixed:
        format = replace(format, pages=pages_for(len(asked.photos), format))
    if asked.sketch is not None:
        format = replace(format, pages=asked.sketch.pages)
    name = asked.title.strip().split("\n")[0][:100] or "New page"
    kept = set(asked.fixed)
    fixed = tuple(part for part in asked.page.parts if part.id in kept) if asked.page else ()
    return Asked(
        tuple(dict.fromkeys(asked.photos)), format, Story(asked.title.strip(), asked.words, asked.date),
        home.called(name) if asked.page is None else asked.page.name, asked.mood, asked.seed, frozenset(asked.keep),
        asked.scraps_only, asked.use_up, asked.like, fixed, (asked.sketch,) if asked.sketch else (),
    )  # fmt: skip


def _out(draft: Draft, ground: Ground, apart: str) -> DraftOut:
    """Its drawing has names that no other one on the screen has: they begin with `apart`."""
    page = evaluate(draft.plan, ground)

    def photo(id: str, look: Look) -> str | None:
        said = key(look)
        return f"/api/pictures/{id}/thumb" + (f"?look={said}" if said else "")

    drawing = svg.page(page, ground.shelf, lambda id: f"/api/pictures/{id}/view", photo, ground.faces)
    return DraftOut(
        plan=draft.plan, sketch=draft.sketch, says=draft.says, weak=list(draft.weak), score=draft.score,
        drawing=svg.named_apart(drawing, apart),
    )  # fmt: skip


class Waiting(BaseModel):
    """A story without a page."""

    title: Annotated[str, Field(max_length=400)]
    words: Annotated[str, Field(max_length=20_000)] = ""
    date: Annotated[str, Field(max_length=60)] = ""
    photos: Annotated[list[Id], Field(min_length=1, max_length=12)]


class MonthAsked(BaseModel):
    """Stories that wait, to be planned together."""

    stories: Annotated[list[Waiting], Field(min_length=1, max_length=20)]
    format: Doc[PageFormat]
    mood: Mood = "middle"
    keep: Annotated[list[Id], Field(max_length=500)] = []
    seed: Annotated[int, Field(ge=0, le=1_000_000)] = 0


class LeftOut(BaseModel):
    name: str
    had: int
    left: int


class MonthOut(BaseModel):
    """A draft for each story, none where the kit has nothing left for it; of each paper how many whole sheets stay."""

    drafts: list[DraftOut | None]
    left: list[LeftOut]


@router.post("/drafts/month")
def draft_month(asked: MonthAsked, home: AtHome) -> MonthOut:
    """The stories as a set of pages that go together. Raises `FieldError`."""
    stories = []
    for one in asked.stories:
        format = replace(asked.format, pages=pages_for(len(one.photos), asked.format))
        story = Story(one.title.strip(), one.words, one.date)
        name = home.called(one.title.strip()[:100] or "New page")
        stories.append(Asked(tuple(one.photos), format, story, name, asked.mood, asked.seed, frozenset(asked.keep)))
    ground = log.to_be_used(home, home.ground(asked.format))
    found = month(stories, ground, MONTH_EFFORT)
    drafts = [_out(one, home.ground_for(one.plan), f"m{k}-") if one else None for k, one in enumerate(found.drafts)]
    shelf = ground.shelf
    left = [
        LeftOut(name=shelf.paper(id).name, had=shelf.paper(id).count, left=count)
        for id, count in found.left if shelf.paper(id).count
    ]  # fmt: skip
    return MonthOut(drafts=drafts, left=left)
