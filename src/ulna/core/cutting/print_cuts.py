"""Cutting prints: a rim cut off, a trim all round, the cut where the gutter parts a photo, a shape.

A print stands in the cut list as a sheet of its own. Sides are cut before the gutter is, so that both halves come
to one height at one setting.
"""

from __future__ import annotations

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import replace

from ulna.core.cutting.cut_list import CutPiece, CutSheet
from ulna.core.cutting.finishing import is_punched, slants
from ulna.core.cutting.steps import Cut, CutAxis, Finishing, Open, Shape, Slant, Step, Take, numbered
from ulna.core.geometry import polygons
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, Ruler
from ulna.core.paper.punches import Punch
from ulna.core.parts.pieces import Piece
from ulna.core.photos.prints import outline_of


def print_sheets(
    pieces: Iterable[Piece], first: int, ruler: Ruler, punches: Sequence[Punch] = ()
) -> list[CutSheet]:
    """One sheet for each print that is cut, in the order of the page; pieces are numbered from `first`."""
    grouped: dict[str, list[Piece]] = {}
    for piece in pieces:
        if piece.role == "print" and (key := piece.cut_from) is not None:
            grouped.setdefault(key, []).append(piece)
    sheets = []
    for key, parts in grouped.items():
        sheets.append(_sheet(key, parts, first, ruler, punches))
        first += len(parts)
    return sheets


def _sheet(key: str, parts: list[Piece], first: int, ruler: Ruler, punches: Sequence[Punch]) -> CutSheet:
    uncut = parts[0].uncut
    printed = parts[0].printed or Rect(ZERO, ZERO, uncut.width, uncut.height)
    pieces, made_of = [], dict[str, CutPiece]()
    for k, piece in enumerate(parts):
        at = piece.rect.moved(-uncut.x - printed.x, -uncut.y - printed.y)
        one = CutPiece(first + k, piece.id, piece.name, "A", at)
        if piece.leftover is None:
            pieces.append(one)
        else:
            giver = next(p for p, of in zip(pieces, parts, strict=False) if of.id == piece.leftover.of)
            made_of[piece.leftover.of] = replace(one, of=giver.number, within=piece.leftover.within)
    whole = Rect(ZERO, ZERO, printed.width, printed.height)
    kept = Rect(-printed.x, -printed.y, uncut.width, uncut.height)
    cuts: list[tuple[CutAxis, Length]] = [
        ("vertical", kept.x),
        ("vertical", kept.right),
        ("horizontal", kept.y),
        ("horizontal", kept.bottom),
    ]
    if len(pieces) > 1:
        cuts.append(("vertical", pieces[0].rect.right))
    steps: list[Step] = [Take("", 0, whole, (p.number,)) for p in pieces if p.rect == whole]
    steps += _steps(whole, cuts, kept, tuple(pieces))
    for piece, one in zip((p for p in parts if p.leftover is None), pieces, strict=True):
        steps += _shape(piece, one, made_of.get(piece.id), ruler, punches)
    return CutSheet(
        f"{key}#1",
        key,
        key,
        1,
        False,
        "A",
        whole.width,
        whole.height,
        None,
        (*pieces, *made_of.values()),
        (),
        numbered(steps, f"{key}#1"),
        f"print of {parts[0].called_whole}",
    )


def _steps(
    whole: Rect, cuts: list[tuple[CutAxis, Length]], kept: Rect, pieces: tuple[CutPiece, ...]
) -> Iterator[Cut]:
    part = whole
    for axis, at in cuts:
        low, high = (part.x, part.right) if axis == "vertical" else (part.y, part.bottom)
        if not low < at < high:
            continue
        bare = Cut("", 0, part, axis, at, ())
        gives = tuple(p.number for p in pieces if p.rect in bare.halves)
        yield replace(bare, gives=gives)
        if not gives:
            part = next(side for side in bare.halves if side.contains(kept) or side.meets(kept))


def _shape(
    piece: Piece, cut: CutPiece, other: CutPiece | None, ruler: Ruler, punches: Sequence[Punch]
) -> Iterator[Finishing]:
    """The hole of a tag, then the outline of a print that is no rectangle; of a half of one, what is on its side of the
    gutter. The `other` half of one that lies at an angle is what falls off."""
    print_ = piece.print
    for hole in piece.holes:
        here = hole.moved(piece.uncut.x - piece.rect.x, piece.uncut.y - piece.rect.y)
        yield Open("", 0, cut.rect, cut.number, here, is_punched(here, punches))
    if piece.outline and other is not None:
        yield Shape("", 0, cut.rect, cut.number, "", piece.outline, False, (other.number,))
        return
    if print_ is None or not (line := outline_of(print_)):
        return
    r, u = piece.rect, piece.uncut
    dx, dy, w, h = (r.x - u.x).inches, (r.y - u.y).inches, r.width.inches, r.height.inches
    own = polygons.moved(line, -dx, -dy)
    if piece.half:
        own = polygons.cut(polygons.cut(own, 1, 0, w), -1, 0, 0)
    whole = not piece.half and w == h
    punched = whole and any(p.figure == print_.shape and p.size == r.width for p in punches)
    if not punched and (lines := slants(own, r.width, r.height, ruler)):
        yield Slant("", 0, cut.rect, cut.number, lines, own)
    else:
        yield Shape("", 0, cut.rect, cut.number, "" if piece.half else print_.shape, own, punched)
