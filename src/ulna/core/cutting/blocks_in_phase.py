"""Strips whose stripes must run on from one to the next: they are cut from one block, each the same way into a repeat.

    │0   │1½  │3   │4½         four strips 1 in wide of a paper that repeats every ¾ in: each begins a whole number of
    ├──┐ ├──┐ ├──┐ ├──┐        repeats after the one before it, so the block is 3 × 1½ + 1 = 5½ in wide
    │1 │ │2 │ │3 │ │4 │
    └──┘ └──┘ └──┘ └──┘

The planner is asked for the block; its strips are parted afterwards, upright cuts first. Several blocks, where one is
wider than a sheet, are cut at the same place of their sheets, so that they are in phase too.
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace

from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length
from ulna.core.paper.patterns import pitch_of
from ulna.core.paper.shelf import Paper, Shelf
from ulna.core.parts.pieces import PaperChoice, Piece
from ulna.core.planner.by_hand import HandStep
from ulna.core.planner.plan import CutPlan, Layout, Placement, SheetPlan, Unplaced
from ulna.core.planner.request import Area


@dataclass(frozen=True, slots=True)
class Strips:
    """A block, in its paper's own upright frame as seen from the side that shows, and the strips in it."""

    id: str
    choice: PaperChoice
    width: Length
    height: Length
    strips: tuple[tuple[Piece, Rect], ...]
    alone: bool

    @property
    def pieces(self) -> tuple[Piece, ...]:
        return tuple(piece for piece, _ in self.strips)


def blocks(pieces: Iterable[Piece], shelf: Shelf) -> list[Strips]:
    """The blocks that the pieces with a phase are cut from, the longest strips first."""
    groups: dict[tuple[str, PaperChoice], list[Piece]] = {}
    for piece in pieces:
        if piece.phase is not None and piece.choice.paper in shelf.papers:
            groups.setdefault((piece.phase.of, piece.choice), []).append(piece)
    return [block for (of, choice), group in groups.items() for block in _parted(of, choice, group, shelf)]


def _parted(of: str, choice: PaperChoice, group: list[Piece], shelf: Shelf) -> list[Strips]:
    paper = shelf.paper(choice.paper or "")
    group = sorted(group, key=lambda piece: (-_upright(piece)[1].units, piece.id))
    width = max(_offset(piece) + _upright(piece)[0] for piece in group)
    pitch = pitch_of(width, group[0].phase.repeat if group[0].phase else width)
    most = max(1, columns(paper, width, pitch))
    rows = [group[k : k + most] for k in range(0, len(group), most)]
    name = f"{of}/block-{choice.side}"
    return [_block(f"{name}-{k}", choice, row, pitch, len(rows) == 1) for k, row in enumerate(rows, 1)]


def columns(paper: Paper, width: Length, pitch: Length) -> int:
    """How many strips of a width, so far apart from edge to edge, one sheet gives beside each other."""
    room = paper.usable.width - width
    return 0 if room < ZERO else 1 + room // pitch


def _upright(piece: Piece) -> tuple[Length, Length]:
    """Its size as its paper lies upright."""
    r = piece.rect
    return (r.height, r.width) if piece.choice.turned else (r.width, r.height)


def _offset(piece: Piece) -> Length:
    """How far into its strip a half of one begins, across the stripes."""
    r, u = piece.rect, piece.uncut
    return r.y - u.y if piece.choice.turned else r.x - u.x


def _block(id: str, choice: PaperChoice, row: Sequence[Piece], pitch: Length, alone: bool) -> Strips:
    strips = tuple((piece, Rect(pitch * k + _offset(piece), ZERO, *_upright(piece))) for k, piece in enumerate(row))
    return Strips(id, choice, max(at.right for _, at in strips), _upright(row[0])[1], strips, alone)


def parted(plan: CutPlan, pieces: Iterable[Piece], shelf: Shelf) -> CutPlan:
    """The plan with the strips in place of their blocks, the cuts that part them, and the rests between them."""
    by_id = {block.id: block for block in blocks(pieces, shelf)}
    if not by_id:
        return plan
    sheets = tuple(SheetPlan(s.sheet, s.copy, _opened(s.layout, by_id)) for s in plan.sheets)
    unplaced = tuple(
        Unplaced(piece, 1, one.why)
        for one in plan.unplaced
        for piece in ([p.id for p in by_id[one.piece].pieces] if one.piece in by_id else [one.piece])
    )
    return replace(plan, sheets=sheets, unplaced=unplaced)


def _opened(layout: Layout, by_id: dict[str, Strips]) -> Layout:
    placements, offcuts, steps = list[Placement](), list(layout.offcuts), list(layout.steps)
    for placed in layout.placements:
        if placed.inside is not None:
            placed = replace(placed, inside=_opened(placed.inside, by_id))
        block = by_id.get(placed.piece)
        if block is None:
            placements.append(placed)
            continue
        left = placed.area
        for piece, at in block.strips if block.choice.side == "A" else reversed(block.strips):
            x = at.x if block.choice.side == "A" else block.width - at.right
            start = placed.area.x + x.units
            if start > left.x:
                steps.append(HandStep("vertical", start, left))
                offcuts.append(Area(left.x, left.y, start - left.x, left.height))
                left = Area(start, left.y, left.right - start, left.height)
            if at.width.units < left.width:
                steps.append(HandStep("vertical", start + at.width.units, left))
            column = Area(start, left.y, at.width.units, left.height)
            left = Area(column.right, left.y, left.right - column.right, left.height)
            if at.height.units < column.height:
                steps.append(HandStep("horizontal", column.y + at.height.units, column))
                offcuts.append(
                    Area(start, column.y + at.height.units, column.width, column.height - at.height.units)
                )
            strip = Area(start, column.y, column.width, at.height.units)
            placements.append(Placement(piece.id, 1, strip, False))
    return Layout(tuple(placements), tuple(offcuts), tuple(steps))
