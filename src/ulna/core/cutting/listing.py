"""From a plan to the list that a person cuts by: sheets in the order of use, numbered pieces, steps tool by tool.

A sheet from which only B sides are wanted lies with its B side up. Where it has a left and a right (a strip, holes,
printed pieces, panels) it is then listed mirrored, so that it can be cut as it is looked at.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence
from dataclasses import dataclass, replace

from ulna.core.cutting import blocks_in_phase, progress
from ulna.core.cutting.cut_list import ARM, CutList, CutPiece, CutSheet
from ulna.core.cutting.demand import lies_turned
from ulna.core.cutting.finishing import finishing, shift
from ulna.core.cutting.steps import Cut, Gut, Step, Take, is_finishing, numbered, tool
from ulna.core.geometry import polygons
from ulna.core.geometry.rects import Rect
from ulna.core.measure import Length, Ruler
from ulna.core.paper.punches import Punch
from ulna.core.paper.shelf import Edge, Face, Paper, Shelf, seen_from
from ulna.core.parts.pieces import Piece
from ulna.core.planner.by_hand import HandStep as Planned
from ulna.core.planner.plan import CutPlan, Layout, SheetPlan
from ulna.core.planner.request import Area

BY_TOOL = ("machine", "hand", "trimmer", "knife", "punch", "scissors", "fingers")


def cut_list(
    plan: CutPlan,
    pieces: Mapping[str, Piece],
    shelf: Shelf,
    ruler: Ruler,
    first: int = 1,
    punches: Sequence[Punch] = (),
) -> CutList:
    """The list of a plan that was made for these pieces; numbers begin at `first`."""
    plan = blocks_in_phase.parted(plan, pieces.values(), shelf)
    made_of = dict[str, list[Piece]]()
    for piece in pieces.values():
        if piece.leftover is not None:
            made_of.setdefault(piece.leftover.of, []).append(piece)
    sheets = []
    for sheet in _in_order_of_use(plan, shelf):
        built = _Lister(sheet, shelf.paper(sheet.sheet), pieces, made_of, ruler, punches).listed(first)
        first += len(built.pieces)
        sheets.append(built)
    return CutList(tuple(sheets))


def _in_order_of_use(plan: CutPlan, shelf: Shelf) -> list[SheetPlan]:
    """Scraps first, so that they are used before a sheet is cut; then big pieces before small ones."""

    def largest(sheet: SheetPlan) -> int:
        return max((p.area.size for p in sheet.layout.placements), default=0)

    return sorted(plan.sheets, key=lambda s: (not shelf.paper(s.sheet).is_scrap, -largest(s), s.sheet, s.copy))


@dataclass(frozen=True, slots=True)
class _Found:
    """A piece where the plan has it, in the sheet's coordinates; `turned` clockwise by a quarter."""

    piece: str
    area: Area
    turned: bool
    panel: Area | None


@dataclass(frozen=True, slots=True)
class _Raw:
    """A cut of the plan, or the gutting of one piece, in the sheet's coordinates as planned."""

    step: Planned | None
    gutted: int = -1


def _flatten(layout: Layout, dx: int, dy: int, found: list[_Found], raw: list[_Raw]) -> None:
    def moved(a: Area) -> Area:
        return Area(a.x + dx, a.y + dy, a.width, a.height)

    for step in layout.steps:
        raw.append(_Raw(Planned(step.axis, step.at + (dx if step.axis == "vertical" else dy), moved(step.of))))
    panels: list[tuple[int, Layout, Area]] = []
    for placed in layout.placements:
        panel = moved(placed.panel) if placed.panel else None
        if panel is not None and placed.inside is not None:
            panels.append((len(found), placed.inside, panel))
        found.append(_Found(placed.piece, moved(placed.area), placed.turned, panel))
    for index, inside, panel in panels:
        raw.append(_Raw(None, index))
        _flatten(inside, panel.x, panel.y, found, raw)


class _Lister:
    """One sheet of a plan on its way to a list: which side is up, and whether it is seen mirrored."""

    def __init__(
        self,
        sheet: SheetPlan,
        paper: Paper,
        pieces: Mapping[str, Piece],
        made_of: Mapping[str, list[Piece]],
        ruler: Ruler,
        punches: Sequence[Punch],
    ) -> None:
        self.sheet, self.paper, self.pieces, self.made_of = sheet, paper, pieces, made_of
        self.ruler, self.punches = ruler, punches
        self.found, self.raw = list[_Found](), list[_Raw]()
        _flatten(sheet.layout, 0, 0, self.found, self.raw)
        sides = {pieces[f.piece].choice.side for f in self.found}
        self.face: Face = "B" if sides == {"B"} else "A"
        at_a_side = paper.strip is not None and paper.strip.edge in (Edge.LEFT, Edge.RIGHT)
        printed = any(pieces[f.piece].pin for f in self.found)
        panels = any(f.panel for f in self.found)
        self.mirrored = self.face == "B" and (
            at_a_side or bool(paper.holes) or paper.inside is not None or printed or panels
        )

    def seen(self, area: Area) -> Rect:
        x = self.paper.width.units - area.right if self.mirrored else area.x
        return Rect(Length(x), Length(area.y), Length(area.width), Length(area.height))

    def listed(self, first: int) -> CutSheet:
        paper, key = self.paper, f"{self.sheet.sheet}#{self.sheet.copy}"
        cut = [self._piece(f, first + k) for k, f in enumerate(self.found)]
        steps = self._on_sheet(cut)
        for piece in list(cut):
            others, drawn = self.made_of.get(piece.piece, []), self.pieces[piece.piece]
            taken = self._leftovers(piece, others, first + len(cut))
            cut += taken
            steps += finishing(drawn, piece, others, taken, self.ruler, self.punches)
        holes = tuple(seen_from(hole, paper.width, self.face) for hole in paper.holes)
        bare = CutSheet(
            key,
            paper.id,
            paper.scrap_of or paper.id,
            self.sheet.copy,
            paper.is_scrap,
            self.face,
            paper.width,
            paper.height,
            paper.strip.seen_from(self.face) if paper.strip else None,
            tuple(cut),
            (),
            numbered(in_order(steps), key),
            paper_name=paper.name,
            holes=holes,
            inside=seen_from(paper.inside, paper.width, self.face) if paper.inside else None,
        )
        return replace(bare, rests=progress.named_rests(bare, {s.key for s in bare.steps}))

    def _piece(self, found: _Found, number: int) -> CutPiece:
        piece = self.pieces[found.piece]
        panel = self.seen(found.panel) if found.panel else None
        turned, planned = lies_turned(piece, self.paper), found.turned
        as_seen = piece.choice.side == "A" or (self.face == "B" and not self.mirrored)
        quarters = (turned - planned if as_seen else turned + planned) % 4
        over = piece.choice.side != self.face
        return CutPiece(
            number, piece.id, piece.name, piece.choice.side, self.seen(found.area), quarters, over, panel
        )

    def _leftovers(self, giver: CutPiece, others: Sequence[Piece], first: int) -> list[CutPiece]:
        """The pieces that are made of what falls off one."""
        found, by = [], shift(self.pieces[giver.piece], others) if others else (0.0, 0.0)
        for k, piece in enumerate(others):
            if piece.leftover is None:
                continue
            within, turn = polygons.moved(piece.leftover.within, *by), piece.leftover.turn
            one = replace(giver, number=first + k, piece=piece.id, name=piece.name, panel=None, of=giver.number)
            found.append(replace(one, within=within, turn=turn))
        return found

    def _on_sheet(self, cut: Sequence[CutPiece]) -> list[Step]:
        """The cuts across the sheet and the panels that are won, as the plan has them. A piece that is the whole sheet
        is taken as it is."""
        whole = self.seen(Area(0, 0, self.paper.width.units, self.paper.height.units))
        steps = list[Step]()
        as_it_is = tuple(p.number for p in cut if p.rect == whole)
        if as_it_is:
            steps.append(Take("", 0, whole, as_it_is))
        for raw in self.raw:
            if raw.step is not None:
                steps.append(self._cut(raw.step, cut))
            elif (panel := cut[raw.gutted].panel) is not None:
                piece = cut[raw.gutted]
                gives = tuple(p.number for p in cut if p.rect == panel)
                steps.append(Gut("", 0, piece.rect, piece.number, panel, gives))
        return steps

    def _cut(self, planned: Planned, cut: Iterable[CutPiece]) -> Cut:
        at = self.seen(Area(planned.at, 0, 0, 0)).x if planned.axis == "vertical" else Length(planned.at)
        bare = Cut("", 0, self.seen(planned.of), planned.axis, at, ())
        return replace(bare, gives=tuple(p.number for p in cut if p.rect in bare.halves))


def in_order(steps: Sequence[Step]) -> list[Step]:
    """What is cut on the sheet as it is planned, then what finishes its pieces, one tool after the other."""
    first = [step for step in steps if not is_finishing(step)]
    rest = [step for step in steps if is_finishing(step)]
    return [*first, *sorted(rest, key=lambda step: BY_TOOL.index(tool(step, ARM)))]
