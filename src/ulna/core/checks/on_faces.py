"""Letters, words and things that lie on a face in a photo: moved above or below it, where there is room."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from typing import Any

from ulna.core.checks.lying import PlacedAt
from ulna.core.findings import Finding, Remedy
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO
from ulna.core.parts.faces_seen import FaceSeen, faces_seen
from ulna.core.parts.kinds.cluster import Cluster
from ulna.core.parts.kinds.thing import ThingPart
from ulna.core.parts.kinds.title import Title
from ulna.core.parts.kinds.words import Words
from ulna.core.parts.kinds.wordstrips import WordStrips
from ulna.core.parts.pieces import Ground, Piece


def told(
    plan: Any,
    pieces: Sequence[Piece],
    standing: Mapping[str, Any],
    ground: Ground,
    placed_at: PlacedAt,
) -> Iterator[Finding]:
    order = {part.id: k for k, part in enumerate(plan.parts)}
    faces = [(piece, face) for piece in pieces if piece.role == "print" for face in faces_seen(piece, ground)]
    for part in plan.parts if faces else ():
        box = standing[part.id].box
        if not isinstance(part, Title | Words | WordStrips | ThingPart | Cluster) or box is None:
            continue
        under = [face for piece, face in faces if order.get(piece.part, 0) < order[part.id]]
        own = [piece.rect for piece in pieces if piece.part == part.id] or [box]
        met = [face for face in under if any(_meets(at, face) for at in own)]
        if met:
            remedies = tuple(_clear(part, box, own, under, standing, ground, placed_at))
            yield Finding("on-face", "warn", part.id, "It lies on a face; keep faces free.", remedies)


def _meets(at: Rect, face: FaceSeen) -> bool:
    return at.x < face.right and at.right > face.left and at.y < face.bottom and at.bottom > face.top


def _clear(
    part: Any,
    box: Rect,
    own: Sequence[Rect],
    faces: Sequence[FaceSeen],
    standing: Mapping[str, Any],
    ground: Ground,
    placed_at: PlacedAt,
) -> Iterator[Remedy]:
    """The nearest places straight above and below at which it lies on no face and not beside the page."""
    ruler, whole = ground.ruler, ground.format.whole
    ways = [
        *(ruler.down((face.top - max(at.bottom for at in own)).inches) for face in faces),
        *(ruler.up((face.bottom - min(at.y for at in own)).inches) for face in faces),
    ]
    for way in sorted(ways, key=abs):
        moved = Rect(box.x, box.y + way, box.width, box.height)
        free = not any(_meets(at.moved(ZERO, way), face) for at in own for face in faces)
        if free and whole.contains(moved):
            says = f"Move it {ruler.say(abs(way))} {'up' if way < ZERO else 'down'}"
            yield Remedy(says, placed_at(part, moved, standing, ground.format))
            return
