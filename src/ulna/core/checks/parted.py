"""What the gutter or fold cuts: a photo is told by `gutter`, everything else here. Things that must stay whole are
moved clear; a half that is a sliver is told.

    ┌────────┬───┐    a tag, a pocket, a card, a reinforcer that the line would part: moved to the side on which most of
    │        ┆   │    it lies, where there is room
    └────────┴───┘
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from typing import Any

from ulna.core.checks.lying import PlacedAt
from ulna.core.findings import Finding, Remedy
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, inches
from ulna.core.parts.kinds import traits
from ulna.core.parts.pieces import Ground, Piece

SLIVER = inches(0, 1, 4)
"""What is narrower can hardly be cut, and hardly holds."""


def told(
    plan: Any,
    pieces: Sequence[Piece],
    standing: Mapping[str, Any],
    ground: Ground,
    placed_at: PlacedAt,
) -> Iterator[Finding]:
    gutter = ground.format.gutter
    if gutter is None:
        return
    halves: dict[str, list[Piece]] = {}
    for piece in pieces:
        if piece.half and piece.role not in ("print", "base"):
            halves.setdefault(piece.part, []).append(piece)
    for part in plan.parts:
        found = halves.get(part.id)
        if not found:
            continue
        if traits(part).whole:
            yield _moved_clear(part, standing, ground, placed_at)
        thin = [p for p in found if min(p.rect.width, p.rect.height) < SLIVER]
        for piece in thin:
            size = ground.ruler.say_size(piece.rect.width, piece.rect.height)
            name = f"{piece.name[:1].upper()}{piece.name[1:]}"
            says = f"{name} is a sliver of {size}: move it clear of the gutter, or make it narrower."
            yield Finding("sliver", "warn", part.id, says)


def _moved_clear(part: Any, standing: Mapping[str, Any], ground: Ground, placed_at: PlacedAt) -> Finding:
    gutter, box = ground.format.gutter or ZERO, standing[part.id].box
    says = ground.ruler.say
    left = gutter - box.x
    told_ = f"The gutter cuts it {says(left)} from its left edge; it should stay whole."
    ways = [("left", Rect(gutter - box.width, box.y, box.width, box.height))]
    ways.append(("right", Rect(gutter, box.y, box.width, box.height)))
    ways.sort(key=lambda way: abs(way[1].x - box.x))
    room = ground.format.whole
    remedies = tuple(
        Remedy(f"Move it {says(abs(at.x - box.x))} to the {side}", placed_at(part, at, standing, ground.format))
        for side, at in ways
        if room.contains(at)
    )
    if not remedies:
        wide = says(box.width)
        told_ = f"It is {wide} wide, wider than its page: the gutter cuts it {says(left)} from its left edge."
    return Finding("gutter", "warn", part.id, told_, remedies[:1])
