"""From the recipe to the pieces: every part worked out, placed on marks, and cut where the gutter cuts it."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Literal

from ulna.core import checks
from ulna.core.checks.lying import Lying
from ulna.core.errors import NotOnShelf
from ulna.core.findings import Finding
from ulna.core.geometry.rects import Rect
from ulna.core.page import flush, hidden
from ulna.core.page import gutter as gutters
from ulna.core.page.halves import halved
from ulna.core.page.plan import PagePlan
from ulna.core.page.standing import Standing, placed_at, room_of, stand
from ulna.core.page_formats import PageFormat
from ulna.core.parts.kinds import MOST_WORKED, Part, is_placed, name_of, names_of
from ulna.core.parts.pieces import CellSpot, Ground, Handle, Piece, Written
from ulna.core.words.faces import FaceName


@dataclass(frozen=True, slots=True)
class PartOnPage:
    """A part as people say it, its outer box on the spread, and its arithmetic in one line.

    A part that cannot be made has no box.
    """

    id: str
    sentence: str
    box: Rect | None
    arithmetic: str
    handles: tuple[Handle, ...] = ()
    spots: tuple[CellSpot, ...] = ()
    name: str = ""


@dataclass(frozen=True, slots=True)
class DrawnLine:
    """Stitches, an axis, a line to write on, words or wet work of a part: a path in inches from the corner of its
    box."""

    part: str
    kind: Literal["stitch", "axis", "rule", "words", "wash"]
    path: str
    box: Rect
    written: Written | None = None
    face: FaceName = "hand"
    colour: str = ""


@dataclass(frozen=True, slots=True)
class Evaluated:
    """Pieces from underneath upward, parts in the order of the recipe, findings in that order too."""

    format: PageFormat
    parts: tuple[PartOnPage, ...]
    pieces: tuple[Piece, ...]
    findings: tuple[Finding, ...]
    lines: tuple[DrawnLine, ...] = ()

    def box(self, part: str) -> Rect:
        """Raises `NotOnShelf`."""
        for found in self.parts:
            if found.id == part and found.box is not None:
                return found.box
        raise NotOnShelf("part", part)


def evaluate(plan: PagePlan, ground: Ground) -> Evaluated:
    """Works the whole page out. What cannot be made is told as a finding; the rest is there all the same."""
    parts, pieces, findings, lines = list[PartOnPage](), list[Piece](), list[Finding](), list[DrawnLine]()
    standing, names = stand(plan.parts, ground), names_of(plan.parts, ground)
    for one in standing.values():
        part, built, box = one.part, one.built, one.box
        findings += one.findings
        findings += built.findings
        if box is None:
            parts.append(PartOnPage(part.id, one.says, None, "", name=names[part.id]))
            continue
        if one.moved:
            findings.append(
                Finding("placed", "note", part.id, "Moved to the next mark: the true centre lies between two.")
            )
        parts.append(
            PartOnPage(part.id, one.says, box, built.arithmetic, built.handles, built.spots, names[part.id])
        )
        lines += [
            DrawnLine(part.id, line.kind, line.path, box, line.written, line.face, line.colour)
            for line in built.lines
        ]
        pieces += _placed(one, box, room_of(one, standing, ground), ground)
        findings += _place_findings(one, box, standing, ground)
        findings += checks.told_of_papers(part.id, built, ground)
    settled, told = _gutted(plan, tucked(plan, _edged(plan, pieces)), ground)
    order = {part.id: k for k, part in enumerate(plan.parts)}
    findings += sorted(checks.told(plan, settled, standing, ground, placed_at), key=lambda f: order[f.part or ""])
    return Evaluated(plan.format, tuple(parts), settled, (*findings, *told), tuple(lines))


def tucked(plan: PagePlan, pieces: list[Piece]) -> list[Piece]:
    """The pieces from underneath upward once parts are tucked: those of a part that is slipped under another lie just
    beneath it. Of a ring of tucks the last ones cannot be drawn, and stay where they are."""
    under = set[tuple[str, str]]()
    for tuck in plan.tucks:
        at = next((k for k, p in enumerate(pieces) if p.part == tuck.under), None)
        mine = [p for p in pieces if p.part == tuck.part]
        if at is None or not mine or (tuck.under, tuck.part) in under or tuck.part == tuck.under:
            continue
        if pieces.index(mine[0]) > at:
            rest = [p for p in pieces if p.part != tuck.part]
            pieces = [*rest[:at], *mine, *rest[at:]]
        under.add((tuck.part, tuck.under))
        under |= {(a, tuck.under) for a, b in under if b == tuck.part}
    return pieces


def _edged(plan: PagePlan, pieces: list[Piece]) -> list[Piece]:
    """The pieces with what is done to their edges."""
    if not plan.edges:
        return pieces
    worked = {one.piece: one for one in plan.edges}
    return [replace(p, edge=worked[p.base_id]) if p.base_id in worked else p for p in pieces]


def _gutted(plan: PagePlan, pieces: list[Piece], ground: Ground) -> tuple[tuple[Piece, ...], list[Finding]]:
    """The pieces, gutted where the person or the house rule says so; what cannot be is told."""
    said = {one.piece: one.gut for one in plan.gutting}
    always = ground.rules.gut == "always"
    wanted = {p.id for p in pieces if said.get(p.id, always)}
    if not wanted:
        return tuple(pieces), []
    won = hidden.panels(pieces, ground.shelf, ground.ruler, wanted)
    told = [
        Finding(
            "gut", "note", p.part, f"{p.name[0].upper()}{p.name[1:]} stays whole: too little of it is hidden now."
        )
        for p in pieces
        if said.get(p.id) and p.gut is None and p.id not in won
    ]
    return hidden.gutted(pieces, won), told


def _placed(one: Standing, box: Rect, room: Rect, ground: Ground) -> tuple[Piece, ...]:
    """The pieces of a part where it lies; remembered, since a page of hundreds changes in one place at a time."""
    key = id(one.built), box.x, box.y, room, flush.is_flush(one.part)
    found = ground.placed.get(key)
    if found is None or found[0] is not one.built:
        pieces = tuple(half for piece in one.built.pieces for half in halved(piece.moved(box.x, box.y), ground))
        if is_placed(one.part):
            apart = flush.apart(pieces)
            if flush.is_flush(one.part):
                apart |= flush.cut_apart(pieces, room)
                pieces = flush.unmatched(pieces, apart, ground.ruler)
                pieces = tuple(cut for piece in pieces if (cut := flush.cut_to(piece, room)) is not None)
            else:
                pieces = tuple(flush.trimmed(piece, room) for piece in flush.unmatched(pieces, apart, ground.ruler))
        if len(ground.placed) > MOST_WORKED:
            ground.placed.clear()
        found = ground.placed[key] = one.built, pieces
    return found[1]


def _place_findings(one: Standing, box: Rect, standing: Mapping[str, Standing], ground: Ground) -> list[Finding]:
    part, built, whole = one.part, one.built, ground.format.whole
    if flush.is_flush(part) and whole.meets(box) and not any(flush.stays_whole(piece) for piece in built.pieces):
        return []  # it ends where it should
    room, found = room_of(one, standing, ground), list[Finding]()

    def placed(at: Rect) -> Part:
        return placed_at(part, at, standing, ground.format)

    if is_placed(part):
        on = "the page" if room == whole else name_of(standing[part.place.base or ""].part, ground)
        found += checks.told_of_place(Lying(part, built, box, room, on, placed), ground)
    for piece in built.pieces if whole.meets(box) else ():
        if piece.role == "print":
            found += gutters.findings(part, piece.moved(box.x, box.y), box, ground, placed, room)
    return found
