"""What is glued as one: the pieces of a part, of each half of it where the gutter cuts it."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from ulna.core.geometry import outlines
from ulna.core.parts.kinds.cluster import Cluster
from ulna.core.parts.pieces import Piece

WITHIN = 0.99
"""Of a piece: so much of it lies on what it is glued on."""


@dataclass(frozen=True, slots=True)
class Unit:
    """`behind` is fixed to the back of the sheet with openings first; `on_it` is glued on the lowest piece before that
    is glued to the page; `down` are the pieces that are glued to the page then."""

    id: str
    part: str
    behind: tuple[Piece, ...]
    on_it: tuple[Piece, ...]
    down: tuple[Piece, ...]

    @property
    def pieces(self) -> tuple[Piece, ...]:
        return (*self.behind, *self.down, *self.on_it)


def units(plan: Any, pieces: Sequence[Piece]) -> list[Unit]:
    """In the order in which their lowest pieces lie, from underneath upward."""
    parts: Mapping[str, Any] = {part.id: part for part in plan.parts}
    own: dict[tuple[str, str], list[Piece]] = {}
    for piece in pieces:
        own.setdefault((piece.part, piece.half or ""), []).append(piece)
    return [_unit(parts[part], half, of) for (part, half), of in own.items()]


def _unit(part: Any, half: str, pieces: list[Piece]) -> Unit:
    id = f"{part.id} {half}".strip()
    behind = _behind(pieces)
    rest = [piece for piece in pieces if piece not in behind]
    lowest = rest[0]
    as_one = isinstance(part, Cluster) or all(_holds(lowest, piece) for piece in rest[1:])
    if as_one and len(rest) > 1:
        return Unit(id, part.id, tuple(behind), tuple(rest[1:]), (lowest,))
    return Unit(id, part.id, tuple(behind), (), tuple(rest))


def _behind(pieces: Sequence[Piece]) -> list[Piece]:
    """What is seen through the openings of a later piece of the same part, and held by it."""
    found = list[Piece]()
    for k, piece in enumerate(pieces):
        through = any(
            sheet.rect.contains(piece.rect)
            and any(hole.at.moved(sheet.uncut.x, sheet.uncut.y).meets(piece.rect) for hole in sheet.holes)
            for sheet in pieces[k + 1 :]
        )
        if through and piece.letter is None:
            found.append(piece)
    return found


def _holds(lowest: Piece, piece: Piece) -> bool:
    if lowest.outline or lowest.angle:
        inner, outer = piece.seen, lowest.seen
        return outlines.common(inner, outer) >= WITHIN * outlines.common(inner, inner)
    return lowest.rect.contains(piece.rect)
