"""Routes: the building of a page, step by step; what dries; how long one was at it."""

from __future__ import annotations

from typing import Annotated, Literal

from fastapi import APIRouter
from fastapi.responses import Response
from pydantic import BaseModel, Field

from ulna.api.at_home import AtHome
from ulna.api.drawn import EvaluatedOut
from ulna.api.wire import Step as Asked
from ulna.api.wire import attachment
from ulna.core.build import progress
from ulna.core.build.progress import Clock, Did, GoneWrong, Trouble
from ulna.core.build.steps import Step
from ulna.core.build.stock import Need
from ulna.core.findings import Finding
from ulna.core.kit.finished import Bench
from ulna.formats import build_pdf
from ulna.formats.documents import Doc, Model
from ulna.formats.pdf_pen import PaperSize
from ulna.household import building, house_rules, log
from ulna.household.home import Household

router = APIRouter(prefix="/api", tags=["building"])


class BulkOut(Model):
    """In thousandths of an inch; `layers` by name, the thickest first."""

    thick: int
    most: int
    layers: list[tuple[str, int]]


class BuildingOut(BaseModel):
    """`page` is as it is planned; `done` the ids of the steps that are ticked, `now` the one to do next. `clocks` run;
    `estimate` says how long all of it takes."""

    version: int
    undo: str | None
    redo: str | None
    page: EvaluatedOut
    steps: list[Doc[Step]]
    told: list[Doc[Finding]]
    done: list[str]
    now: str | None
    clocks: list[Doc[Clock]]
    troubles: list[Doc[Trouble]]
    needs: list[Doc[Need]]
    bulk: BulkOut
    estimate: str
    minutes: float
    stage: Literal["not begun", "begun", "built"]


class Ticked(BaseModel):
    """A step done, or taken back; how many seconds one was at it."""

    step: Annotated[str, Field(max_length=200)]
    on: bool
    seconds: Annotated[int, Field(ge=0, le=progress.MOST_SECONDS)] = 0


class Dry(BaseModel):
    step: Annotated[str, Field(max_length=200)]


class Wrong(BaseModel):
    """What went wrong with a step, and what is done about it."""

    step: Annotated[str, Field(max_length=200)]
    what: GoneWrong
    did: Did


class SpentIn(BaseModel):
    """So many seconds at a bench, moved and looked at."""

    bench: Bench
    seconds: Annotated[int, Field(ge=0, le=log.MOST_SECONDS)]


def _out(home: Household, id: str) -> BuildingOut:
    found = building.bench(home, id)
    now = progress.next_step(found.order, found.building, found.clocks)
    layers = sorted(((one.piece.name, one.thick) for one in found.bulk.layers), key=lambda one: -one[1])
    return BuildingOut(
        version=found.version,
        undo=found.undo,
        redo=found.redo,
        page=EvaluatedOut.model_validate(found.page),
        steps=list(found.order.steps),
        told=list(found.order.told),
        done=[one.step for one in found.building.done if found.order.step(one.step) is not None],
        now=now.id if now else None,
        clocks=list(found.clocks),
        troubles=list(found.building.troubles),
        needs=list(found.needs),
        bulk=BulkOut(thick=found.bulk.thick, most=found.bulk.most, layers=layers),
        estimate=found.estimate.says,
        minutes=round(found.estimate.minutes, 1),
        stage=progress.stage(found.order, found.building),
    )


@router.get("/pages/{id}/building")
def get_building(id: str, home: AtHome) -> BuildingOut:
    """The order of building a page, and how far it is."""
    return _out(home, id)


@router.post("/pages/{id}/building/tick")
def tick_step(id: str, asked: Ticked, home: AtHome) -> BuildingOut:
    """A step is done, or not any more."""
    building.tick(home, id, asked.step, asked.on, asked.seconds)
    return _out(home, id)


@router.post("/pages/{id}/building/dry")
def say_dry(id: str, asked: Dry, home: AtHome) -> BuildingOut:
    """Somebody felt that it is dry before its time."""
    building.dry(home, id, asked.step)
    return _out(home, id)


@router.post("/pages/{id}/building/wrong")
def went_wrong(id: str, asked: Wrong, home: AtHome) -> BuildingOut:
    """Torn, askew or of the wrong colour: kept, and the step to be done again unless one goes on without."""
    building.went_wrong(home, id, asked.step, asked.what, asked.did)
    return _out(home, id)


@router.post("/pages/{id}/building/undo")
def undo_building(id: str, asked: Asked, home: AtHome) -> BuildingOut:
    home.buildings.undo(f"{building.OF}{id}", asked.version)
    return _out(home, id)


@router.post("/pages/{id}/building/redo")
def redo_building(id: str, asked: Asked, home: AtHome) -> BuildingOut:
    home.buildings.redo(f"{building.OF}{id}", asked.version)
    return _out(home, id)


@router.post("/pages/{id}/time", status_code=204)
def spend_time(id: str, asked: SpentIn, home: AtHome) -> None:
    """Counts time at a bench."""
    log.spend(home, id, asked.bench, asked.seconds)


@router.get("/pages/{id}/order.pdf", response_class=Response)
def get_order_pdf(id: str, home: AtHome, paper: PaperSize = "letter") -> Response:
    """The order on paper, with the page as it grows."""
    found, plan = building.bench(home, id), home.page(id)
    pictures = build_pdf.growing(found.page, found.order, home.ground_for(plan, id).shelf, home.faces())
    ruler = house_rules.ruler(home, plan)
    data = build_pdf.order_pdf(plan.name, found.order, found.needs, pictures, ruler, paper)
    return attachment(data, f"{plan.name} order.pdf", "application/pdf")


@router.get("/pages/{id}/places.pdf", response_class=Response)
def get_places_pdf(id: str, home: AtHome, paper: PaperSize = "letter") -> Response:
    """Where every piece goes, at true size over several sheets: to lay under the page, or to prick through."""
    found, plan = building.bench(home, id), home.page(id)
    data = build_pdf.places_pdf(plan.name, found.page, found.numbers, house_rules.ruler(home, plan), paper)
    return attachment(data, f"{plan.name} places.pdf", "application/pdf")
