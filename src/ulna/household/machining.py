"""The cutting machine: what of a page it may cut, sheets on their way to it, what came out of it."""

from __future__ import annotations

from collections.abc import Collection, Mapping
from contextlib import suppress
from dataclasses import dataclass, replace
from typing import Literal

from ulna.core.cutting import traced
from ulna.core.cutting.cut_list import CutList, CutSheet
from ulna.core.cutting.traced import Nest
from ulna.core.errors import FieldError
from ulna.core.geometry.polygons import Point
from ulna.core.kit.tracing import Tracing
from ulna.core.measure import inches
from ulna.formats import machine as files
from ulna.household import cutting
from ulna.household.home import Household
from ulna.machines.cutting_machine.line import Line
from ulna.machines.cutting_machine.words import CuttingMachine, Job
from ulna.machines.wire import NoAnswer, Refused
from ulna.store.errors import NotThere

USUAL = traced.Machine(inches(12), inches(24), inches(0, 1, 4))
"""For a machine that is not asked: a file is taken to it."""


@dataclass(frozen=True, slots=True)
class Look:
    """What the machine would do with a sheet: where each of its lines begins, in their order, in inches; how many
    seconds it takes; or why it refuses it."""

    turns: tuple[Point, ...] = ()
    seconds: float = 0.0
    refuses: str = ""


@dataclass(frozen=True, slots=True)
class Proposal:
    """What the machine may cut of a page; how many sheets and scraps the same takes cut by hand, from boxes; what the
    machine says of each sheet, by its key."""

    nest: Nest
    by_hand: int
    version: int
    looks: Mapping[str, Look]


@dataclass(frozen=True, slots=True)
class Sent:
    """A sheet that was sent, and how its job stands; None where the machine does not know it any more."""

    tracing: Tracing
    job: Job | None


def line(home: Household) -> Line:
    """Raises `NoAnswer` where none is set up."""
    if not home.outside.cutting_machine:
        raise Line("").absent()
    return Line(home.outside.cutting_machine)


def stands(home: Household) -> CuttingMachine:
    """Raises `NoAnswer`."""
    return line(home).stands()


STANDS_ON = ("kit", "photo", "template", "settings", "face", "page", "cuttings", "keeps", "tracing")


def proposal(home: Household, page: str, at: CuttingMachine | None = None) -> Proposal:
    """A page's outlines nested on what there is, scraps first. Raises `NotThere`."""
    bed = (at.width, at.height, at.margin, at.smallest) if at else None
    return home.cached(("nest", page, bed), STANDS_ON, lambda: _proposal(home, page, at))


def _proposal(home: Household, page: str, at: CuttingMachine | None) -> Proposal:
    now = cutting.page_cuts(home, page)
    shelf = cutting.shelf_left(home, page, now.cuts, now.ticked)
    asked = list(traced.wanted(now.cuts, now.ticked, shelf))
    numbers = {one.piece.number for one in asked}
    by_hand = sum(any(piece.number in numbers for piece in sheet.pieces) for sheet in now.cuts.sheets)
    first = max((piece.number for sheet in now.cuts.sheets for piece in sheet.pieces), default=0) + 1
    bed = traced.Machine(at.width, at.height, at.margin) if at else USUAL
    on_way = _on_way(home, page)
    asked = [one for one in asked if one.piece.piece not in on_way]
    found = traced.nest(asked, shelf, bed, now.ruler.unit, first, home.least_scrap())
    looks = {sheet.key: _look(line(home), sheet) for sheet in found.sheets} if at else {}
    return Proposal(found, by_hand, now.version, looks)


def _look(to: Line, sheet: CutSheet) -> Look:
    try:
        job = to.look(sheet.called, sheet.width, sheet.height, files.as_job(sheet))
    except (NoAnswer, Refused) as error:
        return Look(refuses=error.sentence)
    return Look(tuple(one.points[0] for one in job.lines), job.left)


def _on_way(home: Household, page: str) -> set[str]:
    """The pieces of a page that were sent and are not taken up yet."""
    return {
        p.piece
        for one in home.tracings.all()
        if one.body.page == page and not one.body.taken
        for p in one.body.sheet.pieces
    }


def as_file(home: Household, page: str, format: Literal["svg", "dxf"], mirrored: bool) -> bytes:
    """The nested outlines for a machine that is not connected. Raises `NotThere`."""
    cuts = CutList(proposal(home, page).nest.sheets)
    return (files.as_svg if format == "svg" else files.as_dxf)(cuts, mirrored).encode()


def send(home: Household, page: str, key: str) -> None:
    """Sends one sheet of the proposal. Raises `NotThere`, `NoAnswer`, `Refused`."""
    to = line(home)
    sheet = next((one for one in proposal(home, page, to.stands()).nest.sheets if one.key == key), None)
    if sheet is None:
        raise NotThere("sheet", key)
    job = to.send(f"{home.page(page).name}: {sheet.called}", sheet.width, sheet.height, files.as_job(sheet))
    home.tracings.add(Tracing(page, job.id, sheet), f"sent {sheet.called} to the cutting machine", id=job.id)


def sent(home: Household, page: str) -> list[Sent]:
    """What was sent for a page and is not taken up yet, the last one first. Raises `NoAnswer`."""
    mine = [kept.body for kept in home.tracings.all() if kept.body.page == page and not kept.body.taken]
    if not mine:
        return []
    jobs = {job.id: job for job in stands(home).jobs}
    return [Sent(one, jobs.get(one.job)) for one in reversed(mine)]


def fates(one: Sent) -> dict[int, Literal["done", "spoiled", "to do"]]:
    """What became of each piece: done once all of its lines are, spoiled once one of them is."""
    found: dict[int, Literal["done", "spoiled", "to do"]] = {}
    for piece in one.tracing.sheet.pieces:
        lines = [line.fate for line in one.job.lines if line.piece == str(piece.number)] if one.job else []
        spoiled, over = "spoiled" in lines, bool(lines) and all(fate == "done" for fate in lines)
        found[piece.number] = "spoiled" if spoiled else "done" if over else "to do"
    return found


def take(home: Household, page: str, job: str, version: int, spoiled: Collection[int]) -> None:
    """What the machine has cut stands in the cut list, as a person has found it. Raises `NotThere`, `NoAnswer`,
    `Changed`, and `FieldError` while it cuts still."""
    kept = home.tracings.get(job)
    at = next((one for one in sent(home, page) if one.tracing.job == job), None)
    if at is None:
        raise NotThere("job", job)
    if at.job is not None and at.job.state not in ("done", "cancelled"):
        raise FieldError("job", at.job.name, "it is not over yet", "wait for it, or stop it")
    came = fates(at)
    uncut = {number for number, fate in came.items() if fate == "to do"}
    bad = {number for number, fate in came.items() if fate == "spoiled"} | (set(spoiled) & came.keys())
    sheet: CutSheet = traced.came_out(kept.body.sheet, bad - uncut, uncut)
    if sheet.pieces:
        cutting.traced(home, page, version, sheet)
    home.tracings.write(job, kept.version, replace(kept.body, taken=True), "took what was cut")


def forget(home: Household, page: str, job: str) -> None:
    """Nothing of a job was cut, or the machine does not know it: its pieces are to be cut again. Raises `NotThere`."""
    kept = home.tracings.get(job)
    with suppress(NoAnswer, Refused):
        line(home).act(job, "cancel")
    home.tracings.write(job, kept.version, replace(kept.body, taken=True), "called a sheet back")
