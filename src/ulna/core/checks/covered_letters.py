"""Letters of a title that something else covers: above a third of one it is hard to read. What a thing lies on goes
down first, and that is told."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from typing import Any

from ulna.core.findings import Finding
from ulna.core.geometry import outlines, polygons
from ulna.core.parts.kinds.title import Title
from ulna.core.parts.pieces import Ground, Piece
from ulna.core.parts.seen import Seen

THIRD = 1 / 3


def told(plan: Any, pieces: Sequence[Piece], ground: Ground) -> Iterator[Finding]:
    """For each title what is covered of it too far, and what is glued on it afterwards."""
    seen = Seen(pieces)
    for part in plan.parts:
        if not isinstance(part, Title):
            continue
        hidden, over = dict[str, float](), dict[str, str]()
        for piece, above, share in _covered(part.id, seen):
            hidden[piece.name] = hidden.get(piece.name, 0.0) + share
            if above.part != part.id:
                over[above.part] = above.name
        far = [f"{name} by {round(min(1.0, share) * 100)} %" for name, share in hidden.items() if share > THIRD]
        if far:
            says = f"Covered by more than a third: {', '.join(far[:5])}. Move it out, or bring the title forward."
            yield Finding("letters-covered", "warn", part.id, says)
        if over:
            names = " and ".join(dict.fromkeys(over.values()))
            says = f"{names[:1].upper()}{names[1:]} lies on it: glue the title first."
            yield Finding("goes-first", "note", part.id, says)


def _covered(part: str, seen: Seen) -> Iterator[tuple[Piece, Piece, float]]:
    """Each letter, what lies on it, and how much of it that covers."""
    pieces = seen.pieces
    letters = [(k, piece) for k, piece in enumerate(pieces) if piece.part == part and piece.letter is not None]
    if not letters:
        return
    left, top = min(p.rect.x for _, p in letters), min(p.rect.y for _, p in letters)
    right, bottom = max(p.rect.right for _, p in letters), max(p.rect.bottom for _, p in letters)
    near = [
        (k, p)
        for k, p in enumerate(pieces)
        if k > letters[0][0]
        and p.rect.x < right
        and p.rect.right > left
        and p.rect.y < bottom
        and p.rect.bottom > top
    ]
    for k, piece in letters:
        for n, above in near:
            over = above.part != part or above.letter not in (None, piece.letter)
            if n > k and over and seen.meet(piece, above):
                letter = seen.outline(piece)
                share = outlines.common(letter, seen.outline(above)) / max(1e-9, polygons.area(letter))
                if share > 0.01:
                    yield piece, above, share
