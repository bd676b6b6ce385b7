"""What the planner gives: on each sheet the pieces, the rests, and the cuts in the order of the hand."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterator
from dataclasses import dataclass
from functools import partial

from ulna.core.cutting.outcome import Outcome
from ulna.core.cutting.request import Area, CutRequest, Piece
from ulna.core.cutting.tidying import tidied
from ulna.core.cutting.tree import Axis, Part


@dataclass(frozen=True, slots=True)
class Step:
    """One cut straight across the part `of`, at a coordinate of its sheet or panel."""

    axis: Axis
    at: int
    of: Area

    @property
    def setting(self) -> int:
        """The distance that the trimmer is set to, from the near (left or top) edge of the part."""
        return self.at - (self.of.x if self.axis == "vertical" else self.of.y)


@dataclass(frozen=True, slots=True)
class Layout:
    """What lies on a sheet or in a panel, what is left of it, and the cuts that part them."""

    placements: tuple[Placement, ...]
    offcuts: tuple[Area, ...]
    steps: tuple[Step, ...]

    def every(self) -> Iterator[Placement]:
        """Everything that lies on it, also in the panels that are won from what does."""
        for placed in self.placements:
            yield placed
            if placed.inside is not None:
                yield from placed.inside.every()


@dataclass(frozen=True, slots=True)
class Placement:
    """One copy of a piece where it lies. Copies count from 1. `panel` is in the sheet's coordinates."""

    piece: str
    copy: int
    area: Area
    turned: bool
    panel: Area | None = None
    inside: Layout | None = None


@dataclass(frozen=True, slots=True)
class SheetPlan:
    sheet: str
    copy: int
    layout: Layout


@dataclass(frozen=True, slots=True)
class Unplaced:
    piece: str
    copy: int
    why: str


@dataclass(frozen=True, slots=True)
class CutPlan:
    """Sheets in the order of use. `lower_bound` is a number of whole sheets that any plan needs."""

    sheets: tuple[SheetPlan, ...]
    unplaced: tuple[Unplaced, ...]
    whole_sheets_used: int
    lower_bound: int

    @property
    def proved_minimal(self) -> bool:
        return self.lower_bound == self.whole_sheets_used


def as_plan(request: CutRequest, outcome: Outcome, lower_bound: int) -> CutPlan:
    """The frozen plan of a search's outcome, copies numbered in the order in which they are cut."""
    copies = [0] * len(request.pieces)
    for opened in outcome.opened:
        sheet = request.sheets[opened.sheet]
        tidied(opened.root, request.kerf, sheet.holes, reserved=sheet.reserve is not None)
    sheets = tuple(
        SheetPlan(request.sheets[o.sheet].id, o.copy, _layout(o.root, request.pieces, copies))
        for o in outcome.opened
    )
    unplaced = tuple(
        Unplaced(piece.id, copy, why_not(request, k))
        for k, piece in enumerate(request.pieces)
        for copy in range(copies[k] + 1, piece.quantity + 1)
    )
    return CutPlan(sheets, unplaced, outcome.whole_sheets, lower_bound)


def _layout(root: Part, pieces: tuple[Piece, ...], copies: list[int]) -> Layout:
    placements, offcuts = [], []
    for part in root.leaves():
        laid = part.laid
        if laid is None:
            if not part.lost:
                offcuts.append(part.area)
            continue
        copies[laid.piece] += 1
        number = copies[laid.piece]
        inside = panel = None
        if laid.panel is not None:
            inside = _layout(laid.panel, pieces, copies)
            panel = Area(*laid.panel_at, laid.panel.area.width, laid.panel.area.height)
        placements.append(Placement(pieces[laid.piece].id, number, part.area, laid.turned, panel, inside))
    return Layout(tuple(placements), tuple(offcuts), tuple(_steps(root)))


def _steps(root: Part) -> list[Step]:
    """The cuts of a tree in an order for a hand: equal settings in a row, few turns of the paper, large parts first.

    Of the parts that are there, one of the last setting comes next; else one whose setting is wanted by no part that
    is yet to come, so that it need not be set twice; else one that is cut the same way; of those the largest.
    """
    ready = [root] if root.is_cut else []
    pending = Counter(_setting(part) for part in _cut_parts(root))
    steps: list[Step] = []
    last: tuple[Axis, int] | None = None
    while ready:
        there = Counter(map(_setting, ready))
        to_come = {setting for setting in there if there[setting] < pending[setting]}
        following = min(ready, key=partial(_rank, last=last, to_come=to_come))
        ready.remove(following)
        last = _setting(following)
        pending[last] -= 1
        steps.append(_step(following))
        ready += [p for p in (following.first, following.second) if p is not None and p.is_cut]
    return steps


def _rank(
    part: Part, last: tuple[Axis, int] | None, to_come: set[tuple[Axis, int]]
) -> tuple[bool, bool, bool, int]:
    setting = _setting(part)
    turned = last is not None and setting[0] != last[0]
    return setting != last, setting in to_come, turned, -part.area.size


def _cut_parts(root: Part) -> Iterator[Part]:
    """The parts that are cut; one on which nothing lies stays in one, what is clear in it is a rest as it is."""
    if root.is_cut:
        yield root
        for part in (root.first, root.second):
            if part is not None:
                yield from _cut_parts(part)


def _setting(part: Part) -> tuple[Axis, int]:
    step = _step(part)
    return step.axis, step.setting


def _step(part: Part) -> Step:
    if part.axis is None:
        raise ValueError("this part is not cut")
    return Step(part.axis, part.at, part.area)


def why_not(request: CutRequest, index: int) -> str:
    """Why a piece found no place, in words without figures (the reader's unit is not known here)."""
    piece = request.pieces[index]
    if piece.pin is not None:
        return "it is printed where another printed piece must be cut, and no sheet is left for it"
    if not piece.sources:
        return "no sheet of its paper is left"
    sizes = [s.usable for s in request.sheets if s.id in piece.sources]
    turned = [(piece.width, piece.height)] + ([(piece.height, piece.width)] if piece.turn else [])
    if not any(w <= u.width and h <= u.height for u in sizes for w, h in turned):
        lying = any(piece.height <= u.width and piece.width <= u.height for u in sizes)
        return (
            "it would fit only with a quarter turn, which it may not make"
            if lying
            else "it is larger than every sheet it may come from"
        )
    return "no room is left on the sheets it may come from"
