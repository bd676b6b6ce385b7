"""Where the seam of a joined panel shows: nothing lies over it there."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from typing import Any

from ulna.core.findings import Finding
from ulna.core.measure import ZERO, Length
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.pieces import Ground, Piece


def told(plan: Any, pieces: Sequence[Piece], standing: Mapping[str, Any], ground: Ground) -> Iterator[Finding]:
    """For each seam how much of it is seen, and from where."""
    order = {piece.id: k for k, piece in enumerate(pieces)}
    for part in plan.parts:
        first = order.get(f"{part.id}/panel")
        if not isinstance(part, Panel) or part.joined is None or first is None:
            continue
        at = pieces[first].rect
        side_by_side = part.joined.way == "side by side"
        low, high = (at.y, at.bottom) if side_by_side else (at.x, at.right)
        line = at.right if side_by_side else at.bottom
        over = [
            (p.rect.y, p.rect.bottom) if side_by_side else (p.rect.x, p.rect.right)
            for p in pieces[first + 1 :]
            if p.part != part.id
            and not p.outline
            and not p.angle
            and not p.holes
            and _crosses(p, line, side_by_side)
        ]
        bare = _bare(low, high, over)
        if bare:
            say = ground.ruler.say
            where = " and ".join(f"from {say(a - low)} to {say(b - low)}" for a, b in bare)
            edge = "top" if side_by_side else "left"
            says = f"Its seam is seen {where} (counted from its {edge} edge); lay something over it, or move it."
            yield Finding("seam", "note", part.id, says)


def _crosses(piece: Piece, line: Length, upright: bool) -> bool:
    r = piece.rect
    return r.x < line < r.right if upright else r.y < line < r.bottom


def _bare(low: Length, high: Length, over: Sequence[tuple[Length, Length]]) -> list[tuple[Length, Length]]:
    """What of a line is not covered by these stretches."""
    found, at = list[tuple[Length, Length]](), low
    for begin, end in sorted(over):
        if begin > at:
            found.append((at, min(begin, high)))
        at = max(at, end)
        if at >= high:
            break
    if at < high:
        found.append((at, high))
    return [(a, b) for a, b in found if b - a > ZERO]
