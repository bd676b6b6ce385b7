"""Cutting prints: a rim cut off, a trim all round, and the cut where the gutter parts a photo.

A print stands in the cut list as a sheet of its own. Sides are cut before the gutter is, so that both halves come
to one height at one setting.
"""

from __future__ import annotations

from collections.abc import Iterable

from ulna.core.cutting.cut_list import CutPiece, CutSheet, CutStep, cut_words
from ulna.core.cutting.tree import Axis
from ulna.core.geometry import Rect
from ulna.core.measure import ZERO, Length, Ruler
from ulna.core.pieces import Piece


def source(piece: Piece) -> str | None:
    """The print that a piece is cut from, as the cut list names it; nothing for a print that is used as it is."""
    if piece.role != "print" or (piece.half is None and piece.printed is None):
        return None
    return f"print {piece.id.removesuffix('-left').removesuffix('-right')}"


def print_sheets(pieces: Iterable[Piece], ruler: Ruler, first: int) -> list[CutSheet]:
    """One sheet for each print that is cut, in the order of the page; pieces are numbered from `first`."""
    grouped: dict[str, list[Piece]] = {}
    for piece in pieces:
        key = source(piece)
        if key is not None:
            grouped.setdefault(key, []).append(piece)
    sheets = []
    for key, parts in grouped.items():
        sheets.append(_sheet(key, parts, ruler, first))
        first += len(parts)
    return sheets


def _sheet(key: str, parts: list[Piece], ruler: Ruler, first: int) -> CutSheet:
    uncut = parts[0].uncut
    printed = parts[0].printed or Rect(ZERO, ZERO, uncut.width, uncut.height)
    pieces = []
    for k, piece in enumerate(parts):
        at = piece.rect.moved(-uncut.x - printed.x, -uncut.y - printed.y)
        pieces.append(CutPiece(first + k, piece.id, piece.name, "A", at, False))
    whole = Rect(ZERO, ZERO, printed.width, printed.height)
    kept = Rect(-printed.x, -printed.y, uncut.width, uncut.height)
    cuts: list[tuple[Axis, Length]] = [
        ("vertical", kept.x),
        ("vertical", kept.right),
        ("horizontal", kept.y),
        ("horizontal", kept.bottom),
    ]
    if len(pieces) > 1:
        cuts.append(("vertical", pieces[0].rect.right))
    name = parts[0].name.removesuffix(", left half").removesuffix(", right half")
    steps = tuple(_steps(f"{key}#1", whole, cuts, kept, tuple(pieces), ruler))
    of = f"print of {name}"
    return CutSheet(
        f"{key}#1", key, key, 1, False, "A", whole.width, whole.height, None, tuple(pieces), (), steps, of
    )


def _steps(
    key: str,
    whole: Rect,
    cuts: list[tuple[Axis, Length]],
    kept: Rect,
    pieces: tuple[CutPiece, ...],
    ruler: Ruler,
) -> list[CutStep]:
    part, steps = whole, list[CutStep]()
    for axis, at in cuts:
        low, high = (part.x, part.right) if axis == "vertical" else (part.y, part.bottom)
        if not low < at < high:
            continue
        if axis == "vertical":
            sides = part.split(at)
        else:
            upper = Rect(part.x, part.y, part.width, at - part.y)
            sides = upper, Rect(part.x, at, part.width, part.bottom - at)
        gives = tuple(p.number for p in pieces if p.rect in sides)
        n = len(steps) + 1
        says = cut_words("print", axis, at - low, part, part == whole, gives, ruler)
        steps.append(CutStep(f"{key}/{n}", n, "cut", axis, at, at - low, part, gives, says))
        if not gives:
            part = next(side for side in sides if side.contains(kept) or side.meets(kept))
    return steps
