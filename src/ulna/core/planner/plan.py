"""What the planner gives: on each sheet the pieces, the rests, and the cuts in the order of the hand."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from ulna.core.planner.by_hand import HandStep, steps
from ulna.core.planner.outcome import Outcome
from ulna.core.planner.request import Area, CutRequest, Piece
from ulna.core.planner.tidying import tidied
from ulna.core.planner.tree import Part


@dataclass(frozen=True, slots=True)
class Layout:
    """What lies on a sheet or in a panel, what is left of it, and the cuts that part them."""

    placements: tuple[Placement, ...]
    offcuts: tuple[Area, ...]
    steps: tuple[HandStep, ...]

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


BY_HAND = 16
"""Of up to so many sheets, the work of some evenings, each is cut with the fewest settings; of more nobody wants to
wait for that."""


def as_plan(request: CutRequest, outcome: Outcome, lower_bound: int) -> CutPlan:
    """The frozen plan of a search's outcome, copies numbered in the order in which they are cut."""
    copies = [0] * len(request.pieces)
    by_hand = len(outcome.opened) <= BY_HAND
    for opened in outcome.opened:
        sheet = request.sheets[opened.sheet]
        tidied(opened.root, request.kerf, sheet.holes, reserved=sheet.reserve is not None, by_hand=by_hand)
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
    return Layout(tuple(placements), tuple(offcuts), tuple(steps(root)))


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
