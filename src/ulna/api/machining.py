"""Routes: the cutting machine, what of a page it may cut, sheets on their way to it."""

from __future__ import annotations

from typing import Annotated, Literal

from fastapi import APIRouter
from fastapi.responses import Response
from pydantic import BaseModel, Field

from ulna.api.at_home import AtHome
from ulna.api.wire import attachment
from ulna.core.cutting import traced
from ulna.core.cutting.cut_list import CutSheet
from ulna.core.measure import Ruler
from ulna.formats import svg
from ulna.household import machining
from ulna.household.home import Household
from ulna.household.machining import Look, Sent
from ulna.machines.cutting_machine.line import Act, Hand
from ulna.machines.wire import NoAnswer

router = APIRouter(prefix="/api", tags=["cutting machine"])

SPEED = 4.0
"""Inches a second, where no machine says how long it takes."""


class PieceOnBed(BaseModel):
    number: int
    name: str
    fate: Literal["done", "spoiled", "to do"] = "to do"


class BedOut(BaseModel):
    """A sheet or scrap as the machine would cut it: `lines` as a path in inches from its corner, where each line begins
    in the order in which they are made, what is left of it; why the machine `refuses` it."""

    key: str
    name: str
    size: str
    width: float
    height: float
    scrap: bool
    lines: str
    pieces: list[PieceOnBed]
    rests: list[str]
    seconds: int
    turns: list[tuple[float, float]] = []
    refuses: str = ""


class JobOut(BaseModel):
    """A sheet that was sent: how far it is, why it stands still and what would do, what became of each piece."""

    bed: BedOut
    job: str
    state: Literal["waiting", "cutting", "paused", "stopped", "done", "cancelled", "unknown"]
    trouble: str
    says: str
    done: int
    of: int
    left: int


class MachineOut(BaseModel):
    """`there` is false where no machine answers, `says` what would do. `by_hand` is how many sheets and scraps the same
    takes cut by hand; `left` are pieces that find no room, or come off the knife only."""

    there: bool
    says: str
    name: str
    blade: int
    bed_full: bool
    beds: list[BedOut]
    left: list[str]
    by_hand: int
    jobs: list[JobOut]
    version: int


class SendAsked(BaseModel):
    key: Annotated[str, Field(max_length=200)]


class TakenAsked(BaseModel):
    """What a person found `spoiled` of it, by number, beyond what the machine says."""

    job: Annotated[str, Field(max_length=80)]
    spoiled: Annotated[list[int], Field(max_length=500)] = []
    version: int


@router.get("/pages/{id}/machine")
def get_machine(id: str, home: AtHome) -> MachineOut:
    """How the machine stands, what of a page it may cut, and what was sent to it. Raises `NotThere`."""
    return _out(id, home)


@router.post("/pages/{id}/machine/send")
def send_to_machine(id: str, asked: SendAsked, home: AtHome) -> MachineOut:
    """Sends one of the sheets. Raises `NotThere`, `NoAnswer`, `Refused`."""
    machining.send(home, id, asked.key)
    return _out(id, home)


@router.post("/pages/{id}/machine/taken")
def take_from_machine(id: str, asked: TakenAsked, home: AtHome) -> MachineOut:
    """What was cut stands in the cut list. Raises `NotThere`, `Changed`, `FieldError`."""
    machining.take(home, id, asked.job, asked.version, asked.spoiled)
    return _out(id, home)


@router.delete("/pages/{id}/machine/{job}")
def call_back(id: str, job: str, home: AtHome) -> MachineOut:
    """A sheet that is not to be cut, or that the machine knows no more. Raises `NotThere`."""
    machining.forget(home, id, job)
    return _out(id, home)


@router.post("/pages/{id}/machine/{job}/{act}")
def tell_machine(id: str, job: str, act: Act, home: AtHome) -> MachineOut:
    """Pauses a job, lets it go on, or ends it. Raises `NoAnswer`, `Refused`."""
    machining.line(home).act(job, act)
    return _out(id, home)


@router.post("/pages/{id}/machine-hands/{what}")
def hand_at_machine(id: str, what: Hand, home: AtHome) -> MachineOut:
    """A person has laid the paper straight, changed the blade, cleared the bed. Raises `NoAnswer`."""
    machining.line(home).hand(what)
    return _out(id, home)


@router.get("/machine/jobs/{job}/tray.svg", response_class=Response)
def get_machine_tray(job: str, home: AtHome) -> Response:
    """What a job has cut, at true size. Raises `NoAnswer`, `Refused`."""
    return Response(machining.line(home).tray(job), media_type="image/svg+xml")


@router.get("/pages/{id}/nested.svg", response_class=Response)
def nested_as_svg(id: str, home: AtHome, mirrored: bool = False) -> Response:
    """The nested outlines as a file for a machine that is not connected. Raises `NotThere`."""
    content = machining.as_file(home, id, "svg", mirrored)
    return attachment(content, f"{home.page(id).name} nested.svg", "image/svg+xml")


@router.get("/pages/{id}/nested.dxf", response_class=Response)
def nested_as_dxf(id: str, home: AtHome, mirrored: bool = False) -> Response:
    content = machining.as_file(home, id, "dxf", mirrored)
    return attachment(content, f"{home.page(id).name} nested.dxf", "image/vnd.dxf")


def _out(id: str, home: Household) -> MachineOut:
    machine, says, jobs = None, "", list[Sent]()
    try:
        machine = machining.stands(home)
        jobs = machining.sent(home, id)
    except NoAnswer as error:
        says = error.sentence
    found, ruler = machining.proposal(home, id, machine), home.ruler()
    return MachineOut(
        there=machine is not None,
        says=says,
        name=machine.name if machine else "",
        blade=round(machine.blade) if machine else 0,
        bed_full=machine.bed_full if machine else False,
        beds=[_looked(sheet, found.looks.get(sheet.key), ruler) for sheet in found.nest.sheets],
        left=list(found.nest.left),
        by_hand=found.by_hand,
        jobs=[_job(one, ruler) for one in jobs],
        version=found.version,
    )


def _looked(sheet: CutSheet, look: Look | None, ruler: Ruler) -> BedOut:
    bed = _bed(sheet, ruler)
    if look is None:
        return bed
    return bed.model_copy(
        update={"turns": list(look.turns), "refuses": look.refuses, "seconds": round(look.seconds) or bed.seconds}
    )


def _bed(sheet: CutSheet, ruler: Ruler, sent: Sent | None = None) -> BedOut:
    fates = machining.fates(sent) if sent else {}
    return BedOut(
        key=sheet.key,
        name=sheet.called if sheet.scrap else sheet.paper_name,
        size=ruler.say_size(sheet.width, sheet.height),
        width=sheet.width.inches,
        height=sheet.height.inches,
        scrap=sheet.scrap,
        lines=svg.line_of(sheet.steps[0], sheet),
        pieces=[PieceOnBed(number=p.number, name=p.name, fate=fates.get(p.number, "to do")) for p in sheet.pieces],
        rests=[ruler.say_size(rest.at.width, rest.at.height) for rest in sheet.rests],
        seconds=round(traced.length(sheet) / SPEED),
    )


def _job(one: Sent, ruler: Ruler) -> JobOut:
    job = one.job
    return JobOut(
        bed=_bed(one.tracing.sheet, ruler, one),
        job=one.tracing.job,
        state=job.state if job else "unknown",
        trouble=job.trouble if job else "",
        says=job.says if job else "The machine does not know this sheet any more; call it back and send it again.",
        done=job.done if job else 0,
        of=len(job.lines) if job else 0,
        left=round(job.left) if job else 0,
    )
