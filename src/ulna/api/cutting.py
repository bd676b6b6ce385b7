"""Routes: the cut list of a page, ticking it off, its files; and the planner on its own."""

from __future__ import annotations

import asyncio
import threading
import time
from typing import Annotated, Literal

from fastapi import APIRouter, Request
from fastapi.concurrency import run_in_threadpool
from fastapi.responses import Response
from pydantic import BaseModel, Field

from ulna.api.at_home import AtHome
from ulna.api.wire import Step as Asked
from ulna.api.wire import attachment
from ulna.core.cutting import progress
from ulna.core.cutting.cut_list import CutList, CutSheet
from ulna.core.cutting.directions import Direction, directions
from ulna.core.cutting.finishing import cut_lines
from ulna.core.cutting.steps import Open, Step, is_finishing
from ulna.core.geometry import polygons
from ulna.core.kit.cost import Lacking
from ulna.core.measure import ZERO
from ulna.core.planner import plan_cuts
from ulna.core.planner.effort import allowed, effort_of
from ulna.formats import cut_document, cut_json, svg
from ulna.formats.documents import AnyLength, Doc, Gap
from ulna.household import cutting, log
from ulna.household.cutting import page_cuts
from ulna.household.home import CUTTING_OF, Household
from ulna.household.searches import Search
from ulna.store.errors import NotThere

router = APIRouter(prefix="/api", tags=["cutting"])


class OnMat(BaseModel):
    """A piece as it lies before one while it is finished, good side up as on the page: the `path` of what is cut out or
    left, and the `lines` along which it is really cut. All in inches."""

    number: int
    width: float
    height: float
    path: str
    lines: str


class CuttingOut(BaseModel):
    """A page's cut list. `sizes` by piece number; `sheet_names`, `sheet_sizes`, `rest_sizes` and `rest_names` by sheet
    key; by step key `directions` (what a person is told), `lines` (where it cuts: a path in
    inches on its sheet) and `on_mat` (of steps that finish a piece).

    `new` names pieces the page wants that are not on it, `gone` those it wants no more.
    """

    version: int
    undo: str | None
    redo: str | None
    cuts: Doc[CutList]
    names: dict[str, str]
    sizes: dict[str, str]
    sheet_names: dict[str, str]
    sheet_sizes: dict[str, str]
    rest_sizes: dict[str, list[str]]
    rest_names: dict[str, list[str]]
    directions: dict[str, Doc[Direction]]
    lines: dict[str, str]
    on_mat: dict[str, OnMat]
    ticked: list[str]
    begun: bool
    new: list[str]
    gone: list[str]
    lacking: list[Doc[Lacking]]
    pieces: int
    done: int
    opened: int
    proved: bool
    estimate: str


class SearchAsked(BaseModel):
    """For how long a better list is looked for at most."""

    seconds: Annotated[float, Field(ge=1, le=60)] = 10


class SearchOut(BaseModel):
    """How a search for a better list stands: `share` of its time that is over, and what it found once it has ended."""

    state: Literal["none", "searching", "stopped", "ended"]
    share: float
    found: Literal["", "fewer sheets", "better rest", "nothing better"]


class Tick(BaseModel):
    """`says` is what the step said where it was ticked: a list that has become another one is not ticked by mistake.
    `seconds` is how long one was at it."""

    key: str
    on: bool
    version: int
    says: str = ""
    seconds: Annotated[int, Field(ge=0, le=100_000)] = 0


class Spoiled(BaseModel):
    """A piece that is cut and no good; `width` × `height` of it are left, 0 for nothing."""

    number: int
    width: Gap = ZERO
    height: Gap = ZERO
    version: int


class Elsewhere(BaseModel):
    """A cut that was made at another setting; with `keep` what came of it is used as it is."""

    key: str
    setting: AnyLength
    keep: bool = False
    version: int


def _names(home: Household) -> dict[str, str]:
    return {paper.id: paper.name for paper in home.shelf().papers.values()}


def _out(id: str, home: Household) -> CuttingOut:
    now = page_cuts(home, id)
    ruler, sheets = now.ruler, now.cuts.sheets
    pieces = [p for sheet in sheets for p in sheet.pieces]
    undo = redo = None
    if now.version:
        kept = home.cut_lists.get(f"{CUTTING_OF}{id}")
        undo, redo = kept.undo, kept.redo
    least = home.least_scrap()
    told = directions(now.cuts, least, ruler)
    return CuttingOut(
        version=now.version,
        undo=undo,
        redo=redo,
        cuts=now.cuts,
        names=_names(home),
        sizes={str(p.number): ruler.say_size(*p.lies) for p in pieces},
        sheet_names={s.key: s.called for s in sheets},
        sheet_sizes={s.key: ruler.say_size(s.width, s.height) for s in sheets},
        rest_sizes={s.key: [ruler.say_size(r.at.width, r.at.height) for r in s.rests] for s in sheets},
        rest_names={s.key: [s.rest_called(r.at) for r in s.rests] for s in sheets},
        directions=told,
        on_mat={step.key: _on_mat(step, s) for s in sheets for step in s.steps if is_finishing(step)},
        lines={step.key: svg.line_of(step, s) for s in sheets for step in s.steps},
        ticked=sorted(now.ticked),
        begun=now.begun,
        new=[p.name for p in now.new],
        gone=list(now.gone),
        lacking=list(now.lacking),
        pieces=sum(p.fate != "spoiled" for p in pieces),
        done=sum(len(progress.finished(sheet, now.ticked)) for sheet in sheets),
        opened=sum(not sheet.scrap and not sheet.print for sheet in sheets),
        proved=now.proved,
        estimate=_estimate(id, home, now),
    )


def _estimate(id: str, home: Household, now: cutting.PageCuts) -> str:
    """How long what is still to be cut will take, in words; nothing where all is cut."""
    left = log.cutting_left(home, id, now.cuts, frozenset(now.ticked))
    return left.says if left.steps else ""


def _on_mat(step: Step, sheet: CutSheet) -> OnMat:
    piece = sheet.piece(step.piece)  # type: ignore[union-attr]
    outline = step.hole.outline if isinstance(step, Open) else step.outline  # type: ignore[union-attr]
    width, height = piece.lies
    lines = ("M" + "L".join(f"{x:.5g} {y:.5g}" for x, y in line) for line in cut_lines(outline, width, height))
    return OnMat(
        number=piece.number,
        width=width.inches,
        height=height.inches,
        path=polygons.path(outline),
        lines="".join(lines),
    )


@router.get("/pages/{id}/cutting")
def get_cutting(id: str, home: AtHome) -> CuttingOut:
    return _out(id, home)


@router.post("/pages/{id}/cutting/tick")
def tick_cut(id: str, asked: Tick, home: AtHome) -> CuttingOut:
    """Ticks a cut off or takes it back, with the cuts that hang on it."""
    cutting.tick(home, id, asked.version, asked.key, asked.on, asked.says)
    steps = (step for sheet in page_cuts(home, id).cuts.sheets for step in sheet.steps)
    done = next((step for step in steps if step.key == asked.key), None)
    if asked.on and done is not None:
        log.time_cut(home, id, done, asked.seconds)
    return _out(id, home)


@router.post("/pages/{id}/cutting/again")
def plan_cutting_again(id: str, asked: Asked, home: AtHome) -> CuttingOut:
    """Plans what is still to cut anew from what is left."""
    cutting.again(home, id, asked.version)
    return _out(id, home)


@router.post("/pages/{id}/cutting/spoiled")
def spoil_piece(id: str, asked: Spoiled, home: AtHome) -> CuttingOut:
    """A piece that is cut is no good; the rest is planned again at once."""
    cutting.spoil(home, id, asked.version, asked.number, asked.width, asked.height)
    return _out(id, home)


@router.post("/pages/{id}/cutting/elsewhere")
def cut_elsewhere(id: str, asked: Elsewhere, home: AtHome) -> CuttingOut:
    """A cut was made at another setting; the rest is planned again at once."""
    cutting.cut_elsewhere(home, id, asked.version, asked.key, asked.setting, asked.keep)
    return _out(id, home)


@router.post("/pages/{id}/cutting/undo")
def undo_cutting(id: str, asked: Asked, home: AtHome) -> CuttingOut:
    cutting.step(home, id, asked.version, -1)
    return _out(id, home)


@router.post("/pages/{id}/cutting/redo")
def redo_cutting(id: str, asked: Asked, home: AtHome) -> CuttingOut:
    cutting.step(home, id, asked.version, 1)
    return _out(id, home)


@router.get("/pages/{id}/cutting/search")
def get_search(id: str, request: Request) -> SearchOut:
    """How the search for a better list stands."""
    return _search_out(request.app.state.searches.of(id))


@router.post("/pages/{id}/cutting/search")
def begin_search(id: str, asked: SearchAsked, request: Request, home: AtHome) -> SearchOut:
    """Looks for a better list in the background."""
    return _search_out(request.app.state.searches.begin(home, id, asked.seconds))


@router.post("/pages/{id}/cutting/search/stop")
def stop_search(id: str, request: Request) -> SearchOut:
    """Ends the search; what it has found so far is on the list."""
    request.app.state.searches.stop(id)
    return _search_out(request.app.state.searches.of(id))


def _search_out(search: Search | None) -> SearchOut:
    if search is None:
        return SearchOut(state="none", share=0, found="")
    return SearchOut(state=search.state, share=search.share, found=search.found)


@router.get("/pages/{id}/cuts.pdf", response_class=Response)
def cuts_as_pdf(id: str, home: AtHome, paper: Literal["letter", "a4"] = "letter") -> Response:
    content = cutting.written(home, id, "pdf", paper)
    return attachment(content, f"{home.page(id).name} cuts.pdf", "application/pdf")


@router.get("/pages/{id}/cuts.svg", response_class=Response)
def cuts_as_svg(id: str, home: AtHome) -> Response:
    """All sheets and outlines of a page in one file at true size."""
    content = cutting.written(home, id, "svg", "letter")
    return attachment(content, f"{home.page(id).name} cuts.svg", "image/svg+xml")


@router.get("/pages/{id}/machine.svg", response_class=Response)
def machine_as_svg(id: str, home: AtHome, mirrored: bool = False) -> Response:
    """The outlines of a page where they lie on their sheets, for a cutting machine."""
    content = cutting.for_machine(home, id, "svg", mirrored)
    return attachment(content, f"{home.page(id).name} outlines.svg", "image/svg+xml")


@router.get("/pages/{id}/machine.dxf", response_class=Response)
def machine_as_dxf(id: str, home: AtHome, mirrored: bool = False) -> Response:
    content = cutting.for_machine(home, id, "dxf", mirrored)
    return attachment(content, f"{home.page(id).name} outlines.dxf", "image/vnd.dxf")


@router.get("/pages/{id}/cuts.json")
def cuts_as_json(id: str, home: AtHome) -> Doc[cut_document.Document]:
    """The cut list as a document of its own, an ulna-cut-list. See docs/cut-list.md."""
    return cutting.document(home, id)


@router.get("/pages/{id}/pieces.csv", response_class=Response)
def pieces_as_csv(id: str, home: AtHome) -> Response:
    content = b"\xef\xbb\xbf" + cutting.written(home, id, "csv", "letter")  # a spreadsheet wants the mark
    return attachment(content, f"{home.page(id).name} pieces.csv", "text/csv; charset=utf-8")


@router.get("/pages/{id}/sheets/{number}.svg", response_class=Response)
def sheet_as_svg(id: str, number: int, home: AtHome) -> Response:
    """The sheet at that place in the order of use, counted from 1, at true size."""
    now = page_cuts(home, id)
    if not 1 <= number <= len(now.cuts.sheets):
        raise NotThere("sheet", str(number))
    sheet = now.cuts.sheets[number - 1]
    name = sheet.print or _names(home).get(sheet.of_paper, "paper")
    return attachment(svg.sheet(sheet, name, now.ruler).encode(), f"{number} {name}.svg", "image/svg+xml")


@router.post("/cutplan")
async def plan_request(request: Request) -> dict[str, object]:
    """The cut planner on its own: an ulna-cut-request in, an ulna-cut-plan out. See docs/cutting.md."""
    start = time.monotonic()
    asked, unit, seconds = cut_json.read(await request.body())
    end, gone = start + allowed(seconds), threading.Event()
    watch = asyncio.create_task(_told_when_gone(request, gone))
    try:
        plan = await run_in_threadpool(
            plan_cuts, asked, effort_of(seconds), lambda: gone.is_set() or time.monotonic() > end
        )
    finally:
        watch.cancel()
    return cut_json.write(plan, unit, time.monotonic() - start)


async def _told_when_gone(request: Request, gone: threading.Event) -> None:
    """Nobody waits for a plan whose asker has left."""
    while not await request.is_disconnected():
        await asyncio.sleep(0.2)
    gone.set()
