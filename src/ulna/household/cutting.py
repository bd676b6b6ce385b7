"""A page at the trimmer: the list it is cut by, what is ticked off, and what is done when the hand did otherwise.

A list is made anew as long as nothing is ticked. From the first tick on it is kept; every tick and every mishap is one
document written whole, so that nothing is lost and every one can be undone.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Callable, Collection, Hashable, Sequence
from contextlib import suppress
from dataclasses import dataclass, replace
from datetime import UTC, datetime
from functools import wraps
from typing import TYPE_CHECKING, Literal, ParamSpec, TypeVar

from ulna.core.cutting import mishaps, placing, progress, scraps
from ulna.core.cutting.cut_list import CutList, CutSheet
from ulna.core.cutting.demand import demand
from ulna.core.cutting.directions import says as words_of
from ulna.core.cutting.listing import cut_list
from ulna.core.cutting.print_cuts import print_sheets
from ulna.core.cutting.refinishing import refinished
from ulna.core.cutting.steps import Gut
from ulna.core.cutting.traced import renumbered
from ulna.core.errors import FieldError
from ulna.core.kit.cost import Cost, Lacking, cost, lacking, unchosen
from ulna.core.kit.cutting import Cutting
from ulna.core.kit.gutting import Member, Planner, Settled, settle, settle_all
from ulna.core.kit.settings import Settings
from ulna.core.kit.together import Help, helps, piecing
from ulna.core.measure import Length, Ruler
from ulna.core.page.evaluate import Evaluated, evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.paper.shelf import Shelf
from ulna.core.parts.pieces import Ground, Piece
from ulna.core.planner.plan import CutPlan
from ulna.formats import cut_csv, cut_document
from ulna.household import house_rules
from ulna.household.home import CUTTING_OF, Household, without
from ulna.store.errors import NotThere

if TYPE_CHECKING:
    from ulna.formats.cut_pdf import OnPaper

EFFORT = 60_000
"""What planning the cuts of a page may cost while it is made (fittings): tens of milliseconds."""

EFFORT_TO_CUT = 600_000
"""And when the cut list is asked for."""


@dataclass(frozen=True, slots=True)
class PageCuts:
    """A page's cut list as it stands: begun or fresh, in which ruler, what is ticked.

    `new` and `gone` say how the page has moved on since the list was begun; `lacking` is what no sheet can give.
    `proved` says of a fresh list that no other opens fewer sheets. `stands_on` is what the household had when it was
    worked out: a tick on it counts only as long as that is so.
    """

    version: int
    ruler: Ruler
    cuts: CutList
    ticked: frozenset[str]
    begun: bool
    new: tuple[Piece, ...]
    gone: tuple[str, ...]
    lacking: tuple[Lacking, ...]
    proved: bool
    stands_on: object


STANDS_ON = ("kit", "cutting")
"""What a sheet is taken from: the sheets that were unpacked, and those that are begun."""

TRIES = 5
"""So often a tick is worked out beside others; after that it is while nobody else writes."""

P = ParamSpec("P")
Value = TypeVar("Value")


class _Moved(Exception):
    """Somebody else ticked or counted while this was worked out."""


def _on_what_stands(act: Callable[P, Value]) -> Callable[P, Value]:
    """Works an act out again where the household has changed meanwhile: of two windows that take the last sheet at
    once, the second finds it gone."""

    @wraps(act)
    def acted(*args: P.args, **kwargs: P.kwargs) -> Value:
        for _ in range(TRIES):
            with suppress(_Moved):
                return act(*args, **kwargs)
        home = args[0]
        assert isinstance(home, Household)
        with home.library.transaction():
            return act(*args, **kwargs)

    return acted


def settled(home: Household, plan: PagePlan, page: str | None, effort: int, ruler: Ruler | None = None) -> Settled:
    """A recipe's pieces, gutted by the person's word and the house rule, and the plan of their cuts."""
    worked, ground = _worked(home, plan, page, ruler)
    return settle(worked, plan, ground, _planner(home, effort))


def costed(home: Household, plan: PagePlan, page: str | None, effort: int) -> Cost:
    """What a recipe takes from the shelf."""
    found = settled(home, plan, page, effort)
    return cost(found.plan, found.pieces, home.shelf_for(page), house_rules.ruler(home, plan))


def _worked(
    home: Household, plan: PagePlan, page: str | None, ruler: Ruler | None = None
) -> tuple[Evaluated, Ground]:
    """A recipe worked out, and what on; in the page's ruler where no other is given."""
    ground = home.ground_for(plan, page)
    if ruler is not None and ruler != ground.ruler:
        ground = ground.changed(ruler=ruler)
    return evaluate(plan, ground), ground


def page_cuts(home: Household, page: str) -> PageCuts:
    """The list a page is cut by, or where nothing is ticked a fresh one. Raises `NotThere`."""
    stands_on = home.stamp(STANDS_ON)
    version, cutting = _cutting(home, page)
    cuts, ticked = cutting.begun[0], frozenset(cutting.ticked)
    elsewhere = _begun_elsewhere(home, page)
    plan = home.page(page)
    if progress.begun(cuts, ticked):
        ruler = cutting.ruler.ruler
        begun = {sheet.key for sheet in progress.begun(cuts, ticked)}
        cuts = CutList(tuple(progress.rekeyed(cuts.sheets, elsewhere, begun)))
        left = shelf_left(home, page, cuts, ticked)
        worked = _worked(home, plan, page, ruler)[0]
        cuts, otherwise = refinished(cuts, ticked, {p.id: p for p in worked.pieces}, ruler, home.punches())
        new, gone = progress.changes(worked.pieces, cuts, otherwise)
        lacks = (*_lacking(home, new, left, ruler), *unchosen(worked.pieces, home.shelf_for(page)))
        lacked = {one.piece for one in lacks}
        still = tuple(p for p in new if p.id not in lacked)
        return PageCuts(
            version, ruler, cuts, ticked, True, still, tuple(p.name for p in gone), lacks, False, stands_on
        )
    ruler, shelf = house_rules.ruler(home, plan), home.shelf_for(page)
    found = fresh_list(home, page)
    cuts = _listed(home, found.plan, found.pieces, shelf, ruler, 1)
    cuts = CutList(tuple(progress.rekeyed(cuts.sheets, elsewhere)))
    lacks = (*lacking(found.plan, found.pieces, shelf, ruler), *unchosen(found.pieces, shelf))
    return PageCuts(version, ruler, cuts, ticked, False, (), (), lacks, found.plan.proved_minimal, stands_on)


LIST_FOLLOWS = ("kit", "photo", "template", "settings", "cuttings", "keeps")
"""A list that is not begun is made anew when one of these changes, or its page."""


def list_key(home: Household, page: str) -> Hashable:
    """Under what the household remembers it. Raises `NotThere`."""
    return "cut list", page, home.pages.get(page).version


def fresh_list(home: Household, page: str) -> Settled:
    """A page's pieces and the best plan of their cuts that was found so far. Raises `NotThere`."""
    plan = home.page(page)
    return home.cached(list_key(home, page), LIST_FOLLOWS, lambda: settled(home, plan, page, EFFORT_TO_CUT))


def shelf_left(home: Household, page: str, cuts: CutList, ticked: Collection[str]) -> Shelf:
    """What is there for a page that is planned again: its own begun sheets are open to it."""
    others = [cutting.begun for id, cutting in home.cuttings().items() if id != page]
    shelf, _ = scraps.after(home.shelf(), others, (cuts, ticked), home.least_scrap())
    return shelf


@_on_what_stands
def tick(home: Household, page: str, version: int, key: str, on: bool, says: str = "") -> int:
    """Ticks a step off or back, with the steps that hang on it; the list's version then. Raises `NotThere`, `Changed`,
    `FieldError`.

    Where `says` is given, a step that says something else now is not ticked: the list has become another one.
    """
    now = page_cuts(home, page)
    sheet = _sheet_of(now, key)
    if says and not any(step.key == key and words_of(step, sheet, now.ruler) == says for step in sheet.steps):
        raise NotThere("step", key)
    ticked = progress.tick(sheet, now.ticked, key, on)
    if on:
        ticked = _with_source(now.cuts, sheet, ticked)
    return _keep(home, page, version, now, now.cuts, ticked, "cut" if on else "took a cut back")


@_on_what_stands
def again(home: Household, page: str, version: int) -> None:
    """Plans what is still to cut anew: begun sheets stay as they are, their rests serve as scraps."""
    now = page_cuts(home, page)
    _keep(home, page, version, now, _again(home, page, now, now.cuts, now.ticked), now.ticked, "planned again")


@_on_what_stands
def traced(home: Household, page: str, version: int, sheet: CutSheet) -> int:
    """Takes up a sheet that the cutting machine has cut, and plans the rest again. Raises `NotThere`, `Changed`,
    `FieldError`."""
    now = page_cuts(home, page)
    begun = progress.begun(now.cuts, now.ticked)
    numbers = {piece.number for one in begun for piece in one.pieces}
    if numbers & {piece.number for piece in sheet.pieces}:
        sheet = renumbered(sheet, max(numbers) + 1)
    (sheet,) = progress.rekeyed([sheet], {one.key for one in begun} | _begun_elsewhere(home, page))
    ticked = now.ticked | {step.key for step in sheet.steps}
    cuts = _again(home, page, now, CutList((*begun, sheet)), ticked)
    return _keep(home, page, version, now, cuts, ticked, f"cut {sheet.called} by machine")


@_on_what_stands
def spoil(home: Household, page: str, version: int, number: int, width: Length, height: Length) -> None:
    """Marks a piece that is cut as spoiled, with what is left of it, and plans the rest again at once.

    Raises `NotThere`, `Changed` and `FieldError`.
    """
    now = page_cuts(home, page)
    sheet = next((s for s in now.cuts.sheets if any(p.number == number for p in s.pieces)), None)
    if sheet is None:
        raise NotThere("piece", str(number))
    marked = mishaps.spoil(sheet, now.ticked, number, width, height, now.ruler)
    cuts = CutList(tuple(marked if s is sheet else s for s in now.cuts.sheets))
    cuts = _again(home, page, now, cuts, now.ticked)
    _keep(home, page, version, now, cuts, now.ticked, f"spoiled piece {number}")


@_on_what_stands
def cut_elsewhere(home: Household, page: str, version: int, key: str, setting: Length, keep: bool) -> None:
    """Ticks a cut that was made at another setting, and plans the rest again at once.

    With `keep` what came of it is used as it is. Raises `NotThere`, `Changed` and `FieldError`.
    """
    now = page_cuts(home, page)
    sheet = _sheet_of(now, key)
    moved, ticked = mishaps.elsewhere(sheet, now.ticked, key, setting, keep, now.ruler)
    ticked = _with_source(now.cuts, sheet, ticked)
    cuts = CutList(tuple(moved if s is sheet else s for s in now.cuts.sheets))
    _keep(home, page, version, now, _again(home, page, now, cuts, ticked), ticked, "cut elsewhere")


def step(home: Household, page: str, version: int, by: int) -> None:
    """One tick or mishap back (-1) or forward (1). Raises `NotThere`, `Changed`, `NoStep` and `FieldError`."""
    move = home.cut_lists.undo if by < 0 else home.cut_lists.redo
    move(f"{CUTTING_OF}{page}", version, lambda then: _check_there(home, page, *then.begun))


def members(home: Household, pages: Sequence[str]) -> list[Member]:
    """Pages as they are planned together: what is still to be cut of each, from what there is for it. Sheets that are
    kept back for one of them serve that one alone, those for other pages none. Raises `NotThere`.
    """
    cuttings = home.cuttings()
    shelf, _ = scraps.after(home.shelf(), [c.begun for c in cuttings.values()], least=home.least_scrap())
    keeps = home.keeps()
    kept_in_all: dict[str, int] = {}
    for kept in keeps.values():
        for paper, count in kept.items():
            kept_in_all[paper] = kept_in_all.get(paper, 0) + count
    common = without(shelf, kept_in_all)
    found = []
    for page in pages:
        plan = home.page(page)
        own = {
            id: replace(shelf.papers[paper], id=id, count=min(count, shelf.papers[paper].count), scrap_of=paper)
            for paper, count in keeps.get(page, {}).items()
            if paper in shelf.papers and (id := f"{paper}@{page}")
        }
        there = replace(common, papers={**common.papers, **own})
        ground = home.ground_for(plan, page).changed(shelf=there)
        worked = evaluate(plan, ground)
        found.append(Member(page, plan, worked, ground, _still(worked, cuttings.get(page))))
    return found


def _still(page: Evaluated, cutting: Cutting | None) -> frozenset[str] | None:
    """The pieces of a page that no sheet is begun for; all where nothing is begun."""
    if cutting is None:
        return None
    cuts, ticked = cutting.begun
    begun = progress.begun(cuts, ticked)
    under_way = {p.piece for s in begun for p in s.pieces if p.fate != "spoiled"}
    return frozenset(p.id for p in page.pieces if p.id not in under_way)


def together(home: Household, pages: Sequence[str]) -> tuple[list[Member], Settled]:
    """Pages planned together, and what comes of it. Raises `NotThere`."""
    found = members(home, pages)
    versions = tuple(home.pages.get(page).version for page in pages)
    settled = home.cached(
        ("together", *pages, versions), LIST_FOLLOWS, lambda: settle_all(found, _planner(home, EFFORT_TO_CUT))
    )
    return found, settled


def remedies(home: Household, pages: Sequence[str], piece: str) -> list[Help]:
    """What would help a piece, by its full id, that these pages have no sheet for. Raises `NotThere`."""
    found, _ = together(home, pages)
    return (
        helps(found, piece, _planner(home, EFFORT))
        if any(m.key(p.id) == piece for m in found for p in m.pieces)
        else []
    )


def remedies_alone(home: Household, plan: PagePlan, page: str | None, piece: str) -> list[Help]:
    """What would help a piece of a recipe that there is no sheet for."""
    worked, ground = _worked(home, plan, page)
    alone = [Member("", plan, worked, ground)]
    return helps(alone, piece, _planner(home, EFFORT)) if any(p.id == piece for p in worked.pieces) else []


def piecing_alone(home: Household, plan: PagePlan, page: str | None) -> Help | None:
    """Mats of a recipe that would save a sheet if they were pieced of strips."""
    alone = Member("", plan, *_worked(home, plan, page))
    return piecing(alone, settle_all([alone], _planner(home, EFFORT)), _planner(home, EFFORT))


def document(home: Household, page: str) -> cut_document.Document:
    """A page's cut list with everything that a hand needs. Raises `NotThere`."""
    now, plan = page_cuts(home, page), home.page(page)
    pieces = page_pieces(home, page, now)
    return cut_document.document(
        plan.name,
        plan.format,
        now.cuts,
        placing.placements(pieces, now.cuts, plan.format),
        now.ruler,
        home.least_scrap(),
        now.ticked,
        [one.sentence for one in now.lacking],
    )


def on_paper(home: Household, page: str) -> OnPaper:
    """A page's cut list as it is put on paper. Raises `NotThere`."""
    from ulna.formats.cut_pdf import OnPaper  # slow to import, seldom asked for

    now, plan = page_cuts(home, page), home.page(page)
    return OnPaper(
        plan.name,
        plan.format,
        now.cuts,
        placing.placements(page_pieces(home, page, now), now.cuts, plan.format),
        now.ruler,
        now.ticked,
        [one.sentence for one in now.lacking],
        home.least_scrap(),
    )


def written(home: Household, page: str, format: str, paper: Literal["letter", "a4"]) -> bytes:
    """A page's cut list as json, csv, pdf or svg. Raises `NotThere`."""
    if format == "json":
        return cut_document.write(document(home, page)).encode()
    one = on_paper(home, page)
    if format == "csv":
        names = {paper.id: paper.name for paper in home.shelf().papers.values()}
        return cut_csv.write(one.cuts, names, one.ruler, one.ticked).encode()
    if format == "svg":
        from ulna.formats import cut_svg

        return cut_svg.write(one.cuts, one.ruler).encode()
    from ulna.formats import cut_pdf

    return cut_pdf.write(one, paper)


def for_machine(home: Household, page: str, format: Literal["svg", "dxf"], mirrored: bool) -> bytes:
    """What a cutting machine is to cut of a page. Raises `NotThere`."""
    from ulna.formats import machine

    cuts = on_paper(home, page).cuts
    return (machine.as_svg if format == "svg" else machine.as_dxf)(cuts, mirrored).encode()


def page_pieces(home: Household, page: str, now: PageCuts) -> tuple[Piece, ...]:
    """The pieces of a page as its list has them: gutted as it was settled, in the ruler of the list."""
    if not now.begun:
        return fresh_list(home, page).pieces
    return _worked(home, home.page(page), page, now.ruler)[0].pieces


def _planner(home: Household, effort: int) -> Planner:
    return lambda request: home.planroom.plan(request, effort)


def _cutting(home: Household, page: str) -> tuple[int, Cutting]:
    """The version and state of a page's cutting; version 0 while nothing is ticked."""
    try:
        kept = home.cut_lists.get(f"{CUTTING_OF}{page}")
    except NotThere:
        return 0, Cutting()
    return kept.version, kept.body


def _begun_elsewhere(home: Household, page: str) -> set[str]:
    """The keys of the sheets that other pages have begun: a sheet has its number in the household once."""
    lists = [cutting.begun for id, cutting in home.cuttings().items() if id != page]
    return {sheet.key for cuts, ticked in lists for sheet in progress.begun(cuts, ticked)}


def _sheet_of(now: PageCuts, key: str) -> CutSheet:
    sheet = next((s for s in now.cuts.sheets if any(step.key == key for step in s.steps)), None)
    if sheet is None:
        raise NotThere("step", key)
    return sheet


def _with_source(cuts: CutList, sheet: CutSheet, ticked: frozenset[str]) -> frozenset[str]:
    """What comes out of the middle of a piece is cut once that middle is out."""
    for other in cuts.sheets:
        for step in other.steps:
            if not isinstance(step, Gut) or step.key in ticked:
                continue
            if scraps.scrap_id(other, step.panel) == sheet.paper:
                return _with_source(cuts, other, progress.tick(other, ticked, step.key, True))
    return ticked


def _lacking(home: Household, pieces: list[Piece], shelf: Shelf, ruler: Ruler) -> tuple[Lacking, ...]:
    asked = demand(pieces, shelf)
    return lacking(home.planroom.plan(asked, EFFORT), pieces, shelf, ruler) if asked.pieces else ()


def _listed(
    home: Household, plan: CutPlan, pieces: Collection[Piece], shelf: Shelf, ruler: Ruler, first: int
) -> CutList:
    punches = home.punches()
    cuts = cut_list(plan, {p.id: p for p in pieces}, shelf, ruler, first, punches)
    first += sum(len(sheet.pieces) for sheet in cuts.sheets)
    return CutList((*cuts.sheets, *print_sheets(pieces, first, ruler, punches)))


def _again(home: Household, page: str, now: PageCuts, cuts: CutList, ticked: frozenset[str]) -> CutList:
    """Begun sheets as they are, and a new plan for what is missing."""
    begun = progress.begun(cuts, ticked)
    shelf = shelf_left(home, page, cuts, ticked)
    history = CutList(tuple(progress.settled(sheet, ticked) for sheet in begun))
    pieces = settled(home, home.page(page), page, EFFORT, now.ruler).pieces
    history, otherwise = refinished(history, ticked, {p.id: p for p in pieces}, now.ruler, home.punches())
    missing, _ = progress.changes(pieces, history, otherwise)
    first = max((p.number for s in cuts.sheets for p in s.pieces), default=0) + 1
    more = _listed(
        home, home.planroom.plan(demand(missing, shelf), EFFORT_TO_CUT), missing, shelf, now.ruler, first
    )
    rekeyed = progress.rekeyed(more.sheets, {s.key for s in begun} | _begun_elsewhere(home, page))
    used = {sheet.paper for sheet in rekeyed}
    kept = []
    for sheet in begun:
        guts = [s for s in sheet.steps if isinstance(s, Gut)]
        still = {s.key for s in guts if scraps.scrap_id(sheet, s.panel) in used}
        kept.append(progress.settled(sheet, ticked, still))
    return CutList((*kept, *rekeyed))


def _check_there(home: Household, page: str, cuts: CutList, ticked: Collection[str]) -> None:
    """Raises `FieldError` where a scrap that was cut already would be a scrap no more, or where a sheet would be begun
    that is not there."""
    shelf, mine = home.shelf(), home.cuttings().get(page)
    others = [cutting.begun for id, cutting in home.cuttings().items() if id != page]
    _, before = scraps.after(shelf, [*others, mine.begun] if mine else others)
    _, lost = scraps.after(shelf, [*others, (cuts, ticked)])
    known = {sheet.key for sheet in before}
    for sheet in lost:
        if sheet.scrap and sheet.key not in known:
            pieces = ", ".join(p.name for p in sheet.pieces) or "a piece"
            told = f"a scrap that this leaves has been cut since, for {pieces}"
            raise FieldError("cut", "", told, "take that cut back first")
    had, now = _whole_sheets(mine.begun) if mine else Counter[str](), _whole_sheets((cuts, ticked))
    elsewhere = sum((_whole_sheets(begun) for begun in others), Counter[str]())
    for id, count in (now - had).items():
        paper = shelf.papers.get(id)
        if paper is not None and elsewhere[id] + had[id] + count > paper.count:
            told = f"the last sheet of {paper.name} has been begun for another page meanwhile"
            raise FieldError("cut", "", told, "plan again: what is still there is used")


def _whole_sheets(begun: scraps.Begun) -> Counter[str]:
    """How many whole sheets of each paper a list has begun."""
    return Counter(sheet.paper for sheet in progress.begun(*begun) if not sheet.scrap and not sheet.print)


def _keep(
    home: Household, page: str, version: int, now: PageCuts, cuts: CutList, ticked: frozenset[str], what: str
) -> int:
    with home.library.transaction():
        if home.stamp(STANDS_ON) != now.stands_on:
            raise _Moved
        _check_there(home, page, cuts, ticked)
        id, ruler = f"{CUTTING_OF}{page}", Settings.of(now.ruler)
        if version == 0:  # the list before the first tick is kept too, so that the tick can be undone
            version = home.cut_lists.add(Cutting(now.cuts, ruler=ruler), "took the list up", id=id).version
        _, before = _cutting(home, page)
        at = datetime.now(UTC)
        when = {key: before.when.get(key, at) for key in sorted(ticked)}
        return home.cut_lists.write(id, version, Cutting(cuts, tuple(sorted(ticked)), when, ruler), what).version
