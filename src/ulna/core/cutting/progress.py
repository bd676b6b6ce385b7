"""What has been cut so far: steps ticked off, the parts that are there then, the pieces that are done."""

from __future__ import annotations

from collections.abc import Collection, Iterator, Sequence
from dataclasses import dataclass, replace
from fractions import Fraction
from itertools import count
from typing import Literal

from ulna.core.cutting.cut_list import CutList, CutPiece, CutSheet, Rest
from ulna.core.cutting.steps import Cut, Gut, Open, Step, Trace, comes_before, is_finishing
from ulna.core.geometry import polygons
from ulna.core.geometry.figures import Hole
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, inches
from ulna.core.parts.pieces import Piece

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
        chosen |= {key} | {s.key for s in sheet.steps if comes_before(s, step)}
    else:
        chosen -= {key} | {s.key for s in sheet.steps if comes_before(step, s)}
    return frozenset(chosen)


def parts(sheet: CutSheet, ticked: Collection[str]) -> list[Rect]:
    """The parts a sheet is in after the ticked steps. A gutted piece stays whole; its panel is a part besides."""
    found = [sheet.whole]
    for step in sheet.steps:
        if step.key not in ticked:
            continue
        if isinstance(step, Gut):
            found.append(step.panel)
        elif isinstance(step, Cut) and step.of in found:
            found.remove(step.of)
            found += step.halves
    return found


def given(sheet: CutSheet, ticked: Collection[str]) -> list[CutPiece]:
    """The pieces that are cut free, spoiled ones too."""
    there = {n for step in sheet.steps if step.key in ticked for n in step.gives}
    return [p for p in sheet.pieces if p.number in there]


def done(sheet: CutSheet, ticked: Collection[str]) -> list[CutPiece]:
    """The pieces that are cut free and good; some may still want their corners, openings or outlines."""
    return [p for p in given(sheet, ticked) if p.fate != "spoiled"]


def finished(sheet: CutSheet, ticked: Collection[str]) -> list[CutPiece]:
    """The pieces to which nothing more is to be done."""
    waiting = {number for step in sheet.steps if step.key not in ticked for number in concerns(step)}
    return [p for p in done(sheet, ticked) if p.number not in waiting]


def concerns(step: Step) -> tuple[int, ...]:
    """The piece that a step is done to, once it is cut."""
    return () if not isinstance(step, Gut) and not is_finishing(step) else (step.piece,)  # type: ignore[union-attr]


@dataclass(frozen=True, slots=True)
class PaperShare:
    """Part of a begun sheet: a piece, a rest, a part that more is to be cut from, or waste. `area` is in units
    squared: a gutted piece is less than its rectangle, a part with a hole less than its box. `step` is the key of the
    opening that a rest comes out of; of one that is no rectangle
    there is what is `inside` a hole."""

    kind: Literal["piece", "rest", "open", "waste"]
    at: Rect
    area: Fraction
    piece: CutPiece | None = None
    inside: Hole | None = None
    step: str = ""


def shares(sheet: CutSheet, ticked: Collection[str], least: Length = SLIVER) -> list[PaperShare]:
    """What a begun sheet has become, to the last unit. Rests narrower than `least` are waste, and so is the branding
    strip; what is a hole already is nothing."""
    if sheet.print or not any(s.key in ticked for s in sheet.steps):
        return []
    traced = next((s for s in sheet.steps if isinstance(s, Trace) and s.key in ticked), None)
    if traced is not None:
        return list(_traced(traced, sheet, least))
    cut = {p.rect: p for p in given(sheet, ticked) if not p.of}
    to_come = [s.of for s in sheet.steps if s.key not in ticked and not is_finishing(s)]
    found = list[PaperShare]()
    for part in parts(sheet, ticked):
        piece = cut.get(part)
        if piece is None:
            found += _rest(part, sheet, least, any(part.contains(of) for of in to_come))
        elif piece.fate == "spoiled":
            found += _spoiled(piece, sheet, ticked, least)
        else:
            found += _piece(piece, sheet, ticked, least)
    return [share for share in found if share.area]


def _traced(step: Trace, sheet: CutSheet, least: Length) -> Iterator[PaperShare]:
    """What a cutting machine has made of a sheet: pieces by their outlines, what is free beside them, waste."""
    over = sheet.paper_in(sheet.whole)
    for number, outline, openings in zip(step.gives, step.outlines, step.openings, strict=True):
        piece = sheet.piece(number)
        area = polygons.units_in(outline, sheet.whole)
        area -= sum((polygons.units_in(hole, sheet.whole) for hole in openings), Fraction(0))
        over -= area
        yield PaperShare("waste" if piece.fate == "spoiled" else "piece", piece.rect, area, piece)
    for at in step.free:
        if min(at.width, at.height) >= least:
            there = sheet.paper_in(at)
            over -= there
            yield PaperShare("rest", at, there)
    yield PaperShare("waste", sheet.whole, over)


def _paper_of(piece: CutPiece, sheet: CutSheet, ticked: Collection[str]) -> Fraction:
    """The paper of a piece as it was cut, less the panel where it is out."""
    panels = [s.panel for s in sheet.steps if isinstance(s, Gut) and s.key in ticked and s.piece == piece.number]
    return sheet.paper_in(piece.rect) - sum((sheet.paper_in(panel) for panel in panels), Fraction(0))


def _spoiled(piece: CutPiece, sheet: CutSheet, ticked: Collection[str], least: Length) -> Iterator[PaperShare]:
    area, left = _paper_of(piece, sheet, ticked), piece.left
    if left is not None and min(left.width, left.height) >= least:
        there = sheet.paper_in(left)
        yield PaperShare("rest", left, there)
        area -= there
    for step in sheet.steps:
        if step.key in ticked and piece.number in concerns(step):
            for other in _made_of(step, piece, sheet):
                area -= other.area
                yield other
    yield PaperShare("waste", piece.rect, area, piece)


def _made_of(step: Step, piece: CutPiece, sheet: CutSheet) -> Iterator[PaperShare]:
    """The pieces that are made of what falls off one; a spoiled one is waste."""
    width, height = piece.lies
    for other in (p for p in sheet.pieces if p.of == piece.number and p.number in step.gives):
        area = polygons.units_in(other.within, Rect(ZERO, ZERO, width, height))
        yield PaperShare("waste" if other.fate == "spoiled" else "piece", piece.rect, area, other)


def _piece(piece: CutPiece, sheet: CutSheet, ticked: Collection[str], least: Length) -> Iterator[PaperShare]:
    """A piece, and what fell off it while it was finished: openings, corners, what another piece is made of."""
    area = _paper_of(piece, sheet, ticked)
    width, height = piece.lies
    own = Rect(ZERO, ZERO, width, height)
    for step in sheet.steps:
        if step.key not in ticked or not is_finishing(step) or piece.number not in concerns(step):
            continue
        if isinstance(step, Open):
            hole = piece.hole_on_sheet(step.hole)
            fell = hole.units_in(piece.rect)
            kept = is_kept_middle(step, least)
            inside = None if hole.is_straight else hole
            yield PaperShare("rest" if kept else "waste", hole.at, fell, None, inside, step.key)
        else:
            fell = own.area - polygons.units_in(step.outline, own)  # type: ignore[union-attr]
            for other in _made_of(step, piece, sheet):
                yield other
                fell, area = fell - other.area, area - other.area
            yield PaperShare("waste", piece.rect, fell)
        area -= fell
    yield PaperShare("piece", piece.rect, area, piece)


def is_kept_middle(step: Open, least: Length) -> bool:
    """Whether what comes out of an opening is worth keeping; a punch leaves confetti."""
    hole = step.hole
    return not step.punched and not hole.clipped and min(hole.width, hole.height) >= least


def _rest(part: Rect, sheet: CutSheet, least: Length, to_come: bool) -> list[PaperShare]:
    clear, whole = without_strip(part, sheet), sheet.paper_in(part)
    if clear is None or (min(clear.width, clear.height) < least and not to_come):
        return [PaperShare("waste", part, whole)]
    there = sheet.paper_in(clear)
    kind: Literal["open", "rest"] = "open" if to_come else "rest"
    return [PaperShare(kind, clear, there), PaperShare("waste", part, whole - there)]


def rests(sheet: CutSheet, ticked: Collection[str], least: Length = SLIVER) -> list[Rect]:
    """What a begun sheet leaves: its parts that are no piece, no branding strip and no sliver."""
    return [share.at for share in shares(sheet, ticked, least) if share.kind in ("rest", "open")]


def without_strip(part: Rect, sheet: CutSheet) -> Rect | None:
    """A part less the branding strip that may still be on it; None where nothing else is left."""
    if sheet.strip is None:
        return part
    usable = sheet.strip.leaves(sheet.width, sheet.height)
    x, y = max(part.x, usable.x), max(part.y, usable.y)
    width, height = min(part.right, usable.right) - x, min(part.bottom, usable.bottom) - y
    return Rect(x, y, width, height) if width > ZERO and height > ZERO else None


def named_rests(sheet: CutSheet, ticked: Collection[str], least: Length = HAIR) -> tuple[Rest, ...]:
    """The rests of a sheet after these steps, with letters in the order in which the steps make them; those that have a
    name keep it."""
    there = [share for share in shares(sheet, ticked, least) if share.kind in ("rest", "open")]
    order = {step.key: k for k, step in enumerate(sheet.steps)}

    def made(share: PaperShare) -> int:
        if share.step:
            return order[share.step]
        cuts = (k for k, step in enumerate(sheet.steps) if not is_finishing(step) and step.of.contains(share.at))
        return max(cuts, default=-1)

    old = {(rest.at, rest.step): rest.name for rest in sheet.rests}
    more = letters(old.values())
    found = list[Rest]()
    for share in sorted(there, key=made):
        name = old.get((share.at, share.step)) or next(more)
        inside = share.inside if share.step else sheet.inside_of(share.at)
        found.append(Rest(share.at, name, inside, share.step))
    return tuple(found)


def letters(taken: Collection[str] = ()) -> Iterator[str]:
    """Names for rests, a to z and then a1 to z1 and so on, passing over those that are taken."""
    for k in count():
        name = chr(ord("a") + k % 26) + (str(k // 26) if k >= 26 else "")
        if name not in taken:
            yield name


def begun(cuts: CutList, ticked: Collection[str]) -> list[CutSheet]:
    """The sheets on which something is ticked."""
    return [sheet for sheet in cuts.sheets if any(s.key in ticked for s in sheet.steps)]


def settled(sheet: CutSheet, ticked: Collection[str], still: Collection[str] = ()) -> CutSheet:
    """A begun sheet as history: the cuts that were made, the pieces that came of it, and the rests there are.

    `still` are steps that are yet to be made, of those that hang on nothing else. What is to be done to a piece that is
    cut already is done yet. Rests keep their names.
    """
    good = {p.number for p in done(sheet, ticked)}
    steps = tuple(
        s
        for s in sheet.steps
        if s.key in ticked or s.key in still or (is_finishing(s) and set(concerns(s)) <= good)
    )
    made = {n for s in steps for n in s.gives}
    pieces = tuple(p for p in sheet.pieces if p.number in made)
    kept = replace(sheet, steps=steps, pieces=pieces)
    return replace(kept, rests=named_rests(kept, ticked))


def changes(
    pieces: Sequence[Piece], cuts: CutList, otherwise: Collection[str] = ()
) -> tuple[list[Piece], list[CutPiece]]:
    """Pieces of a page that are not on its list as they are now, and pieces on the list that it wants no more.

    A piece is the same while its id, paper, side and size are, and it is not one of those that were finished
    `otherwise`; one that is used as it was cut is the same at any size. Prints that are cut count too.
    """
    listed = {
        p.piece: (sheet.of_paper, p.side, None if p.fate else {p.rect.width, p.rect.height}, p)
        for sheet in cuts.sheets
        for p in sheet.pieces
        if p.fate != "spoiled" and not p.of
    }
    wanted = {
        p.id: (of, p.choice.side, {p.rect.width, p.rect.height})
        for p in pieces
        if (of := p.cut_from) is not None and p.leftover is None
    }

    def same(id: str) -> bool:
        want, on = wanted.get(id), listed.get(id)
        if id in otherwise:
            return False
        return want is not None and on is not None and want[:2] == on[:2] and on[2] in (None, want[2])

    new = [p for p in pieces if p.id in wanted and not same(p.id)]
    gone = [on[3] for id, on in listed.items() if not same(id)]
    return new, gone


def rekeyed(sheets: Sequence[CutSheet], taken: Collection[str], keep: Collection[str] = ()) -> list[CutSheet]:
    """Sheets of a plan, their keys and numbers changed where a begun sheet or one before them has them already; those
    of `keep` stay as they are."""
    used = {*taken, *keep}
    found = list[CutSheet]()
    for sheet in sheets:
        key, copy = sheet.key, sheet.copy_number
        if sheet.key not in keep:
            while key in used:
                copy += 1
                key = f"{sheet.paper}#{copy}"
        used.add(key)
        found.append(sheet if key == sheet.key else sheet.rekeyed(key, copy))
    return found
