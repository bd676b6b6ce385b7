"""A page at the building bench: its order, what is done, what dries, how long it will take.

Every tick is one document written whole; a page's building is kept from its first tick on.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from datetime import UTC, datetime
from typing import Literal

from ulna.core.build import progress
from ulna.core.build.bulk import Bulk, bulk
from ulna.core.build.order import order
from ulna.core.build.progress import Building, Clock, Did, GoneWrong, Trouble
from ulna.core.build.steps import Order, StepKind
from ulna.core.build.stock import Need, stock
from ulna.core.build.times import Estimate, Pace, estimate, paces
from ulna.core.cutting.progress import done as cut_already
from ulna.core.measure import ZERO
from ulna.core.page.evaluate import Evaluated, evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.page.standing import stand
from ulna.household import cutting
from ulna.household.cutting import page_cuts
from ulna.household.home import Household
from ulna.store.errors import NotThere

OF = "building-"
"""What the id of a page's building begins with."""
STANDS_ON = ("kit", "photo", "template", "settings", "face", "page", "cutting")
Built = Literal["not begun", "begun", "finished"]


@dataclass(frozen=True, slots=True)
class Bench:
    """A page as it stands at the building bench."""

    page: Evaluated
    order: Order
    building: Building
    clocks: tuple[Clock, ...]
    needs: tuple[Need, ...]
    bulk: Bulk
    estimate: Estimate
    numbers: dict[str, int]
    version: int
    undo: str | None
    redo: str | None


def now() -> datetime:
    return datetime.now(UTC)


def kept(home: Household, page: str) -> tuple[int, Building, str | None, str | None]:
    """What was built of a page so far, with its version and what undo and redo would do."""
    try:
        found = home.buildings.get(f"{OF}{page}")
    except NotThere:
        return 0, Building(), None, None
    return found.version, found.body, found.undo, found.redo


def how_far(home: Household, page: str) -> Built:
    """Whether a page is being built, or finished and in the log."""
    known = home.cached("built", ["building", "finished"], lambda: _how_far(home))
    return known.get(page, "not begun")


def _how_far(home: Household) -> dict[str, Built]:
    found: dict[str, Built] = {one.id.removeprefix(OF): "begun" for one in home.buildings.all() if one.body.done}
    return found | {one.body.page: "finished" for one in home.finished.all()}


def bench(home: Household, page: str) -> Bench:
    """Raises `NotThere`."""
    plan = home.page(page)
    version, building, undo, redo = kept(home, page)
    worked, found, needs = home.cached(("build", page), STANDS_ON, lambda: _worked(home, plan, page))
    ground = home.ground_for(plan, page)
    return Bench(
        worked, found, building, tuple(progress.clocks(found, building, now())), needs, bulk(worked.pieces, ground),
        estimate(found, known_paces(home, but=page)), _numbers(home, page), version, undo, redo,
    )  # fmt: skip


def _worked(home: Household, plan: PagePlan, page: str) -> tuple[Evaluated, Order, tuple[Need, ...]]:
    ground = home.ground_for(plan, page)
    worked, standing = evaluate(plan, ground), stand(plan.parts, ground)
    found = order(plan, worked.pieces, standing, ground, _numbers(home, page))
    return worked, found, tuple(stock(plan, worked.pieces, standing, found, ground))


def _numbers(home: Household, page: str) -> dict[str, int]:
    """What each piece is numbered in the cut list of its page."""
    sheets = page_cuts(home, page).cuts.sheets
    return {piece.piece: piece.number for sheet in sheets for piece in sheet.pieces if not piece.fate}


def known_paces(home: Household, but: str = "") -> dict[StepKind, Pace]:
    """One's own pace, from all pages that were built, but that one."""
    measured = list[tuple[Order, Building]]()
    for one in home.buildings.all():
        page = one.id.removeprefix(OF)
        if page == but or not any(step.seconds for step in one.body.done):
            continue
        try:
            plan = home.page(page)
        except NotThere:
            continue
        found = home.cached(("build", page), STANDS_ON, lambda plan=plan, page=page: _worked(home, plan, page))  # type: ignore[misc]
        measured.append((found[1], one.body))
    return paces(measured)


def _written(home: Household, page: str, says: str, change: Callable[[Building, Order], Building]) -> None:
    """A change of what is built as it stands at this moment."""
    found = bench(home, page).order
    home.buildings.change(f"{OF}{page}", says, lambda one: change(one or Building(), found))


def tick(home: Household, page: str, step: str, on: bool, seconds: int = 0) -> None:
    """Raises `NotThere`, `FieldError`."""
    says = "did a step" if on else "took a step back"
    _written(home, page, says, lambda one, order: progress.ticked(one, order, step, on, now(), seconds))


def dry(home: Household, page: str, step: str) -> None:
    """A person says that it is dry."""
    _written(home, page, "said that it is dry", lambda one, _: _with_dry(one, step))


def _with_dry(one: Building, step: str) -> Building:
    return Building(one.done, (*(s for s in one.dry if s != step), step), one.troubles)


def went_wrong(home: Household, page: str, step: str, what: GoneWrong, did: Did) -> None:
    """Keeps what went wrong with a step; cut again or covered, the step is to be done once more."""

    def change(one: Building, _: Order) -> Building:
        trouble = Trouble(step, what, did, now())
        done = one.done if did == "went on" else tuple(d for d in one.done if d.step != step)
        return Building(done, one.dry, (*one.troubles, trouble))

    if did == "cut again":
        _spoil(home, page, step)
    _written(home, page, f"told that it was {what}", change)


def _spoil(home: Household, page: str, step: str) -> None:
    """The pieces of a step that were cut are spoiled: the cut list has them again, from what is left."""
    found = bench(home, page).order.step(step)
    for one in found.spots if found else ():
        now = page_cuts(home, page)
        cut = (p for sheet in now.cuts.sheets for p in cut_already(sheet, now.ticked) if p.piece == one.piece)
        piece = next(cut, None)
        if piece is not None:
            cutting.spoil(home, page, now.version, piece.number, ZERO, ZERO)
