"""A begun list whose page has moved on: what is still to be done to its pieces follows the page.

An opening that is added, moved or closed, or another outline, asks for no new paper while nothing of it is cut: the
steps that are not ticked are made anew. A piece that was finished otherwise is another one now.
"""

from __future__ import annotations

from collections.abc import Collection, Mapping, Sequence
from dataclasses import fields, replace
from typing import Any

from ulna.core.cutting.cut_list import CutList, CutPiece, CutSheet
from ulna.core.cutting.finishing import finishing, in_its_box, shift
from ulna.core.cutting.progress import concerns, named_rests
from ulna.core.cutting.steps import Finishing, Step, Trace, is_finishing
from ulna.core.geometry import polygons
from ulna.core.measure import Ruler
from ulna.core.paper.punches import Punch
from ulna.core.parts.pieces import Piece

NEAR = 1e-5
"""Outlines in kept lists are rounded to a millionth of an inch."""


def refinished(
    cuts: CutList, ticked: Collection[str], pieces: Mapping[str, Piece], ruler: Ruler, punches: Sequence[Punch]
) -> tuple[CutList, frozenset[str]]:
    """The list with the steps that finish its pieces as the page wants them now, and the ids of the pieces to which
    something was done that the page does not want."""
    spoilt = set[str]()
    sheets = []
    for sheet in cuts.sheets:
        for cut in sheet.pieces:
            piece = pieces.get(cut.piece)
            if piece is None or not _is_its_own(cut, sheet):
                continue
            trace = next((s for s in sheet.steps if isinstance(s, Trace) and cut.number in s.gives), None)
            if trace is not None:
                if not _is_traced_so(piece, cut, trace):
                    spoilt.add(cut.piece)
                continue
            wanted = list(finishing(piece, cut, (), (), ruler, punches))
            had = [step for step in sheet.steps if is_finishing(step) and cut.number in concerns(step)]
            done = [step for step in had if step.key in ticked]
            if not all(any(_alike(step, want) for want in wanted) for step in done):
                spoilt.add(cut.piece)
                continue
            sheet = _with(sheet, had, wanted)
        sheets.append(sheet)
    return CutList(tuple(sheets)), frozenset(spoilt)


def _is_traced_so(piece: Piece, cut: CutPiece, trace: Trace) -> bool:
    """Whether a cutting machine has cut a piece as the page wants it now."""
    if not piece.outline:
        return True
    had = trace.outlines[trace.gives.index(cut.number)]
    wanted = cut.outline_on_sheet(polygons.moved(in_its_box(piece), *shift(piece, ())))
    return _alike(had, tuple(wanted))


def _is_its_own(cut: CutPiece, sheet: CutSheet) -> bool:
    """Whether a piece is finished by itself: not spoiled or of another size, no print, and no other is made of it."""
    return not (sheet.print or cut.fate or cut.of or any(other.of == cut.number for other in sheet.pieces))


def _with(sheet: CutSheet, had: Sequence[Step], wanted: Sequence[Finishing]) -> CutSheet:
    gone = {step.key for step in had if not any(_alike(step, want) for want in wanted)}
    more = [want for want in wanted if not any(_alike(step, want) for step in had)]
    if not gone and not more:
        return sheet
    last = max(step.n for step in sheet.steps)
    new = [replace(step, key=f"{sheet.key}/{n}", n=n) for n, step in enumerate(more, last + 1)]
    now = replace(sheet, steps=(*(step for step in sheet.steps if step.key not in gone), *new))
    return replace(now, rests=named_rests(now, {step.key for step in now.steps}))


def _alike(one: Any, other: Any) -> bool:
    """Whether two values are the same but for keys and numbers, and for what writing them down has rounded."""
    if isinstance(one, float) and isinstance(other, float):
        return abs(one - other) < NEAR
    if isinstance(one, tuple) and isinstance(other, tuple):
        return len(one) == len(other) and all(map(_alike, one, other))
    if type(one) is not type(other):
        return bool(one == other)
    if not hasattr(one, "__dataclass_fields__"):
        return bool(one == other)
    names = [f.name for f in fields(one) if f.name not in ("key", "n", "gives", "of")]
    return all(_alike(getattr(one, name), getattr(other, name)) for name in names)
