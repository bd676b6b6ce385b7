"""From the recipe to the pieces: every part worked out, placed on marks, and cut where the gutter cuts it."""

from __future__ import annotations

from dataclasses import dataclass, replace

from ulna.core import gutter as gutters
from ulna.core.errors import NotOnShelf
from ulna.core.findings import Finding
from ulna.core.geometry import Borders, Rect
from ulna.core.measure import ZERO
from ulna.core.page_formats import PageFormat, of_kind
from ulna.core.parts import Part, work_out
from ulna.core.parts.base import Base
from ulna.core.parts.mats import worth_gutting
from ulna.core.parts.place import place_at, position
from ulna.core.pieces import Built, Ground, Piece


@dataclass(frozen=True, slots=True)
class PagePlan:
    """The recipe of a page: what it is called, its format, its story, and its parts from underneath upward."""

    name: str
    format: PageFormat = of_kind("12x12")
    story: str = ""
    parts: tuple[Part, ...] = ()

    def part(self, id: str) -> Part:
        """Raises `NotOnShelf`."""
        for part in self.parts:
            if part.id == id:
                return part
        raise NotOnShelf("part", id)


@dataclass(frozen=True, slots=True)
class PartOnPage:
    """A part as people say it, its outer box on the spread, and its arithmetic in one line.

    A part that cannot be made has no box.
    """

    id: str
    sentence: str
    box: Rect | None
    arithmetic: str


@dataclass(frozen=True, slots=True)
class Evaluated:
    """Pieces from underneath upward, parts in the order of the recipe, findings in that order too."""

    format: PageFormat
    parts: tuple[PartOnPage, ...]
    pieces: tuple[Piece, ...]
    findings: tuple[Finding, ...]

    def box(self, part: str) -> Rect:
        """Raises `NotOnShelf`."""
        for found in self.parts:
            if found.id == part and found.box is not None:
                return found.box
        raise NotOnShelf("part", part)


def evaluate(plan: PagePlan, ground: Ground) -> Evaluated:
    """Works the whole page out. What cannot be made is told as a finding; the rest is there all the same."""
    parts, pieces, findings = list[PartOnPage](), list[Piece](), list[Finding]()
    for part in plan.parts:
        built, said = work_out(part, ground)
        findings += built.findings
        if not built.pieces:
            parts.append(PartOnPage(part.id, said, None, ""))
            continue
        box, moved = _box(part, built, ground)
        if moved:
            findings.append(
                Finding("placed", "note", part.id, "Moved to the next mark: the true centre lies between two.")
            )
        parts.append(PartOnPage(part.id, said, box, built.arithmetic))
        for piece in built.pieces:
            pieces += _halved(
                replace(piece, rect=piece.rect.moved(box.x, box.y), uncut=piece.uncut.moved(box.x, box.y)), ground
            )
        findings += _place_findings(part, box, built, ground)
        findings += _choice_findings(part, built, ground)
    return Evaluated(plan.format, tuple(parts), tuple(pieces), tuple(findings))


def move(plan: PagePlan, id: str, x: Rect, ground: Ground) -> PagePlan:
    """The plan with a part moved so that its box is `x`; a base stays where it is."""

    def moved(part: Part) -> Part:
        if part.id != id or isinstance(part, Base):
            return part
        return replace(part, place=place_at(part.place, x, plan.format))

    plan.part(id)
    return replace(plan, parts=tuple(moved(part) for part in plan.parts))


def _box(part: Part, built: Built, ground: Ground) -> tuple[Rect, bool]:
    if isinstance(part, Base):
        return ground.format.page(part.on), False
    return position(part.place, built.width, built.height, ground.format, ground.ruler)


def _halved(piece: Piece, ground: Ground) -> list[Piece]:
    """The piece itself, or the two that the gutter makes of it."""
    gutter = ground.format.gutter
    if gutter is None or not piece.rect.x < gutter < piece.rect.right:
        return [piece]
    left, right = piece.rect.split(gutter)
    guts: tuple[Borders | None, Borders | None] = (None, None)
    if piece.gut is not None:
        g = piece.gut
        guts = (
            worth_gutting(Borders(g.left, g.top, ZERO, g.bottom), left),
            worth_gutting(Borders(ZERO, g.top, g.right, g.bottom), right),
        )
    return [
        replace(piece, id=f"{piece.id}-left", name=f"{piece.name}, left half", rect=left, gut=guts[0], half="left"),
        replace(
            piece, id=f"{piece.id}-right", name=f"{piece.name}, right half", rect=right, gut=guts[1], half="right"
        ),
    ]


def _place_findings(part: Part, box: Rect, built: Built, ground: Ground) -> list[Finding]:
    say, whole, found = ground.ruler.say, ground.format.whole, list[Finding]()
    over = [
        (name, by)
        for name, by in (
            ("left", whole.x - box.x),
            ("upper", whole.y - box.y),
            ("right", box.right - whole.right),
            ("lower", box.bottom - whole.bottom),
        )
        if by > ZERO
    ]
    if not whole.meets(box):
        sentence = "It lies wholly beside the page; move it back."
        found.append(Finding("off-page", "stop", part.id, sentence))
    elif over:
        edges = " and ".join(f"the {name} edge by {say(by)}" for name, by in over)
        found.append(
            Finding(
                "overhang", "warn", part.id, f"It hangs over {edges}; move it in, or trim it flush after gluing."
            )
        )
    if whole.meets(box):
        for piece in built.pieces:
            if piece.role == "print":
                at = replace(piece, rect=piece.rect.moved(box.x, box.y), uncut=piece.uncut.moved(box.x, box.y))
                found += gutters.findings(part, at, box, ground)
    return found


def _choice_findings(part: Part, built: Built, ground: Ground) -> list[Finding]:
    """Pieces without a paper, or with one that is gone from the shelf."""
    found = []
    for piece in built.pieces:
        if piece.role == "print":
            continue
        name = piece.name[0].upper() + piece.name[1:]
        if piece.choice.paper is None:
            found.append(Finding("no-paper", "note", part.id, f"{name}: no paper is chosen yet."))
        elif piece.choice.paper not in ground.shelf.papers:
            found.append(Finding("paper-gone", "warn", part.id, f"{name}: its paper is no longer on the shelf."))
    return found
