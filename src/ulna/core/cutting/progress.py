"""What has been cut so far: steps ticked off, the parts that are there then, the pieces that are done."""

from __future__ import annotations

from collections.abc import Collection, Sequence
from dataclasses import replace

from ulna.core.cutting.cut_list import CutList, CutPiece, CutSheet, CutStep
from ulna.core.cutting.print_cuts import source
from ulna.core.geometry import Rect
from ulna.core.measure import ZERO, inches
from ulna.core.pieces import Piece
from ulna.core.shelf import Edge, Form, Paper, Shelf

SLIVER = inches(0, 1, 2)
"""Rests narrower than this are not kept as scraps."""


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
            found += _halves(step)
    return found


def _halves(step: CutStep) -> list[Rect]:
    of, at = step.of, step.at
    if step.axis == "vertical":
        return list(of.split(at)) if of.x < at < of.right else [of]
    if not of.y < at < of.bottom:
        return [of]
    return [Rect(of.x, of.y, of.width, at - of.y), Rect(of.x, at, of.width, of.bottom - at)]


def done(sheet: CutSheet, ticked: Collection[str]) -> list[CutPiece]:
    """The pieces that are cut."""
    there = {n for step in sheet.steps if step.key in ticked for n in step.gives}
    return [p for p in sheet.pieces if p.number in there]


def settled(sheet: CutSheet, ticked: Collection[str]) -> CutSheet:
    """A begun sheet as history: the cuts that were made, the pieces that came of it, and the rests there are."""
    steps = tuple(s for s in sheet.steps if s.key in ticked)
    return replace(sheet, steps=steps, pieces=tuple(done(sheet, ticked)), rests=tuple(rests(sheet, ticked)))


def rests(sheet: CutSheet, ticked: Collection[str]) -> list[Rect]:
    """What a begun sheet leaves as scraps: its parts that are no piece, no branding strip and no sliver."""
    if sheet.print or not any(s.key in ticked for s in sheet.steps):
        return []
    pieces = done(sheet, ticked)
    whole = {p.rect for p in pieces}
    kept = []
    for part in parts(sheet, ticked):
        clear = _without_strip(part, sheet)
        if part not in whole and clear is not None and min(clear.width, clear.height) >= SLIVER:
            kept.append(clear)
    return kept


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


def after(shelf: Shelf, cuts: CutList, ticked: Collection[str]) -> Shelf:
    """The shelf once begun sheets are taken from it and their rests are put back as scraps of their paper."""
    papers = dict(shelf.papers)
    for sheet in begun(cuts, ticked):
        paper = papers.get(sheet.paper)
        if paper is None:
            continue
        papers[paper.id] = replace(paper, count=max(0, paper.count - 1))
        for k, rest in enumerate(rests(sheet, ticked), 1):
            scrap = _scrap(paper, sheet, rest, k)
            papers[scrap.id] = scrap
    return Shelf(papers, shelf.things)


def _scrap(paper: Paper, sheet: CutSheet, rest: Rect, k: int) -> Paper:
    return replace(
        paper,
        id=f"{sheet.key}~{k}",
        name=f"{paper.name}, rest {k}",
        width=rest.width,
        height=rest.height,
        count=1,
        form=Form.SCRAP,
        strip=None,
        cards=(),
        holes=(),
        scrap_of=paper.scrap_of or paper.id,
    )


def changes(pieces: Sequence[Piece], cuts: CutList) -> tuple[list[Piece], list[CutPiece]]:
    """Pieces of a page that are not on its list as they are now, and pieces on the list that it wants no more.

    A piece is the same while its id, paper, side and size are. Prints that are cut count too.
    """
    listed = {
        p.piece: (sheet.of_paper, p.side, {p.rect.width, p.rect.height}, p)
        for sheet in cuts.sheets
        for p in sheet.pieces
    }
    wanted = {
        p.id: (of, p.choice.side, {p.rect.width, p.rect.height})
        for p in pieces
        if (of := source(p) if p.role == "print" else p.choice.paper) is not None
        and p.role != "tape"
        and not p.rest_of
    }
    new = [p for p in pieces if p.id in wanted and wanted[p.id] != listed.get(p.id, ())[:3]]
    gone = [on[3] for id, on in listed.items() if wanted.get(id) != on[:3]]
    return new, gone


def rekeyed(sheet: CutSheet, taken: Collection[str]) -> CutSheet:
    """A sheet of a later plan, its keys and copy number changed where a begun sheet has them already."""
    copy, key = sheet.copy_number, sheet.key
    while key in taken:
        copy += 1
        key = f"{sheet.paper}#{copy}"
    steps = tuple(replace(s, key=f"{key}/{s.n}") for s in sheet.steps)
    return replace(sheet, key=key, copy_number=copy, steps=steps)
