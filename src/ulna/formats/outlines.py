"""The outlines of a cut list that are traced or cut along at true size: what is drawn of each piece that has one."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass

from ulna.core.cutting.cut_list import CutList, CutPiece
from ulna.core.cutting.steps import Open, Round, Shape, Step
from ulna.core.geometry.polygons import Polygon


@dataclass(frozen=True, slots=True)
class Template:
    """A piece with what is cut along an outline: its outer one and its openings, in inches from its corner, its good
    side up."""

    piece: CutPiece
    width: float
    height: float
    outline: Polygon
    holes: tuple[Polygon, ...]


def templates(cuts: CutList) -> Iterator[Template]:
    """One for each piece that is cut along an outline; what is punched, or cut by figures alone, needs none."""
    for sheet in cuts.sheets:
        for piece in sheet.pieces:
            outer: Polygon = ()
            holes = list[Polygon]()
            for step in sheet.steps:
                if isinstance(step, Open) and step.piece == piece.number:
                    if not step.punched and not step.hole.is_straight:
                        holes.append(step.hole.outline)
                elif _is_traced(step) and step.piece == piece.number:  # type: ignore[union-attr]
                    outer = step.outline  # type: ignore[union-attr]
            if piece.of:
                outer = piece.within
            if outer or holes:
                width, height = piece.lies
                yield Template(piece, width.inches, height.inches, outer, tuple(holes))


def _is_traced(step: Step) -> bool:
    return isinstance(step, Round) or (isinstance(step, Shape) and not step.punched)
