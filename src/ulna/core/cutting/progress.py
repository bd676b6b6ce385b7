"""What has been cut so far: steps ticked off, the parts that are there then, the pieces that are done."""

from __future__ import annotations

from collections.abc import Collection, Sequence
from dataclasses import dataclass, replace
from typing import Literal

from ulna.core.cutting.cut_list import CutList, CutPiece, CutSheet, CutStep, letters
from ulna.core.cutting.print_cuts import source
from ulna.core.geometry import Rect
from ulna.core.measure import ZERO, Length, inches
from ulna.core.pieces import Piece
from ulna.core.shelf import Edge

SLIVER = inches(0, 1, 2)
"""Rests narrower than this are not kept as scraps, where a person says nothing else."""

HAIR = inches(0, 1, 32)
"""What is narrower is no rest at all, whatever a person keeps."""


def tick(sheet: CutSheet, ticked: Collection[str], key: str, on: bool) -> frozenset[str]:
    """The ticked steps after one is ticked or unticked. A cut cannot come before the cuts that free its part,
    nor stay when one of them is taken back."""
    chosen = set(ticked)
    step = next((s for s in sheet.steps if s.key == key), None)
    if step is None:
        return frozenset(chosen)
    if on:
        chosen |= {s.key for s in sheet.steps if s.n <= step.n and s.of.contains(step.of)}
    else:
        chosen -= {s.key for s in sheet.steps if s.n >= step.n and step.of.contains(s.of)}
    return frozenset(chosen)


def parts(sheet: CutSheet, ticked: Collection[str]) -> list[Rect]:
    """The parts a sheet is in after the ticked steps. A gutted piece stays whole; its panel is a part besides."""
    found = [Rect(ZERO, ZERO, sheet.width, sheet.height)]
    for step in sheet.steps:
        if step.key not in ticked:
            continue
        if step.kind == "gut":
            found.append(step.of)
        elif step.kind == "cut" and step.of in found:
            found.remove(step.of)
            found += halves(step)
    return found


def halves(step: CutStep) -> list[Rect]:
    """The two parts that a cut makes of one; the one where it passes beside it."""
    of, at = step.of, step.at
    if step.axis == "vertical":
        return list(of.split(at)) if of.x < at < of.right else [of]
    if not of.y < at < of.bottom:
        return [of]
    return [Rect(of.x, of.y, of.width, at - of.y), Rect(of.x, at, of.width, of.bottom - at)]


def done(sheet: CutSheet, ticked: Collection[str]) -> list[CutPiece]:
    """The pieces that are cut and good."""
    return [p for p in _cut(sheet, ticked) if p.fate != "spoiled"]


def _cut(sheet: CutSheet, ticked: Collection[str]) -> list[CutPiece]:
    there = {n for step in sheet.steps if step.key in ticked for n in step.gives}
    return [p for p in sheet.pieces if p.number in there]


@dataclass(frozen=True, slots=True)
class Share:
    """Part of a begun sheet: a piece, a rest, a part that more is to be cut from, or waste. `area` is in units
    squared: a gutted piece is less than its rectangle."""

    kind: Literal["piece", "rest", "open", "waste"]
    at: Rect
    area: int
    piece: CutPiece | None = None


def shares(sheet: CutSheet, ticked: Collection[str], least: Length = SLIVER) -> list[Share]:
    """What a begun sheet has become, to the last unit. Rests narrower than `least` are waste, and so are the branding
    strip and what is a hole only."""
    if sheet.print or not any(s.key in ticked for s in sheet.steps):
        return []
    cut = {p.rect: p for p in _cut(sheet, ticked)}
    won = {s.of: s.of.area for s in sheet.steps if s.kind == "gut" and s.key in ticked}
    to_come = [s.of for s in sheet.steps if s.key not in ticked]
    found = list[Share]()
    for part in parts(sheet, ticked):
        piece = cut.get(part)
        if piece is None:
            found += _rest(part, sheet, least, any(part.contains(of) for of in to_come))
            continue
        area = part.area - (won.get(piece.panel, 0) if piece.panel else 0)
        if piece.fate == "spoiled":
            left = [piece.left] if piece.left is not None else []
            good = [at for at in left if min(at.width, at.height) >= least]
            found += [Share("rest", at, at.area) for at in good]
            area -= sum(at.area for at in good)
            found.append(Share("waste", part, area, piece))
        else:
            found.append(Share("piece", part, area, piece))
    return [share for share in found if share.area]


def _rest(part: Rect, sheet: CutSheet, least: Length, to_come: bool) -> list[Share]:
    clear = _without_strip(part, sheet)
    gone = clear is None or any(hole.contains(clear) for hole in sheet.holes)
    if clear is None or gone or (min(clear.width, clear.height) < least and not to_come):
        return [Share("waste", part, part.area)]
    kind: Literal["open", "rest"] = "open" if to_come else "rest"
    return [Share(kind, clear, clear.area), Share("waste", part, part.area - clear.area)]


def rests(sheet: CutSheet, ticked: Collection[str], least: Length = SLIVER) -> list[Rect]:
    """What a begun sheet leaves: its parts that are no piece, no branding strip and no sliver."""
    return [share.at for share in shares(sheet, ticked, least) if share.kind in ("rest", "open")]


def _without_strip(part: Rect, sheet: CutSheet) -> Rect | None:
    """A part less the branding strip that may still be on it; None where nothing else is left."""
    if sheet.strip is None:
        return part
    depth = sheet.strip.depth
    left = depth if sheet.strip.edge is Edge.LEFT else ZERO
    top = depth if sheet.strip.edge is Edge.TOP else ZERO
    right = sheet.width - (depth if sheet.strip.edge is Edge.RIGHT else ZERO)
    bottom = sheet.height - (depth if sheet.strip.edge is Edge.BOTTOM else ZERO)
    x, y = max(part.x, left), max(part.y, top)
    width, height = min(part.right, right) - x, min(part.bottom, bottom) - y
    return Rect(x, y, width, height) if width > ZERO and height > ZERO else None


def begun(cuts: CutList, ticked: Collection[str]) -> list[CutSheet]:
    """The sheets on which something is ticked."""
    return [sheet for sheet in cuts.sheets if any(s.key in ticked for s in sheet.steps)]


def settled(sheet: CutSheet, ticked: Collection[str], still: Collection[str] = ()) -> CutSheet:
    """A begun sheet as history: the cuts that were made, the pieces that came of it, and the rests there are.

    `still` are steps that are yet to be made, of those that hang on nothing else. Rests keep their names.
    """
    steps = tuple(s for s in sheet.steps if s.key in ticked or s.key in still)
    there = rests(sheet, ticked, HAIR)
    old = dict(zip(sheet.rests, sheet.names, strict=False))
    more = iter(letters(len(there), old.values()))
    names = tuple(old.get(rest) or next(more) for rest in there)
    return replace(sheet, steps=steps, pieces=tuple(_cut(sheet, ticked)), rests=tuple(there), names=names)


def changes(pieces: Sequence[Piece], cuts: CutList) -> tuple[list[Piece], list[CutPiece]]:
    """Pieces of a page that are not on its list as they are now, and pieces on the list that it wants no more.

    A piece is the same while its id, paper, side and size are; one that is used as it was cut is the same at any
    size. Prints that are cut count too.
    """
    listed = {
        p.piece: (sheet.of_paper, p.side, None if p.fate else {p.rect.width, p.rect.height}, p)
        for sheet in cuts.sheets
        for p in sheet.pieces
        if p.fate != "spoiled"
    }
    wanted = {
        p.id: (of, p.choice.side, {p.rect.width, p.rect.height})
        for p in pieces
        if (of := source(p) if p.role == "print" else p.choice.paper) is not None
        and p.role != "tape"
        and not p.rest_of
    }

    def same(id: str) -> bool:
        want, on = wanted.get(id), listed.get(id)
        return want is not None and on is not None and want[:2] == on[:2] and on[2] in (None, want[2])

    new = [p for p in pieces if p.id in wanted and not same(p.id)]
    gone = [on[3] for id, on in listed.items() if not same(id)]
    return new, gone


def rekeyed(sheet: CutSheet, taken: Collection[str]) -> CutSheet:
    """A sheet of a later plan, its keys and copy number changed where a begun sheet has them already."""
    copy, key = sheet.copy_number, sheet.key
    while key in taken:
        copy += 1
        key = f"{sheet.paper}#{copy}"
    steps = tuple(replace(s, key=f"{key}/{s.n}") for s in sheet.steps)
    return replace(sheet, key=key, copy_number=copy, steps=steps)
