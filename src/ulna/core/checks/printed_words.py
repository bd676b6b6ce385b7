"""Printed words that belong to the kit's theme and not to the story: to be covered, and nothing lies on them yet; to be
cut off, and the card is used whole."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from typing import Any

from ulna.core.findings import Finding
from ulna.core.geometry import outlines, polygons
from ulna.core.parts.cards import printed
from ulna.core.parts.kinds.card import Card
from ulna.core.parts.pieces import Ground, Piece

COVERED = 0.25
"""Of a card: what lies on so much of it may hide its words."""


def told(plan: Any, pieces: Sequence[Piece], ground: Ground) -> Iterator[Finding]:
    """For each card whose words are not dealt with yet."""
    for part in plan.parts:
        if not isinstance(part, Card):
            continue
        there = printed(part.sheet, part.card, part.back, ground)
        if there is None or part.back or there.card.words == "kept":
            continue
        k = next((k for k, one in enumerate(pieces) if one.part == part.id and one.role == "card"), None)
        if k is None:
            continue
        if there.card.words == "cut off":
            if not part.place.flush and part.figure == "rectangle" and not part.openings:
                said = f"The words on {there.card.name} are to be cut off, and it is used whole."
                yield Finding("printed-words", "note", part.id, said)
        elif _hidden(k, pieces) < COVERED:
            said = f"The words on {there.card.name} are to be covered, and nothing lies on them yet."
            yield Finding("printed-words", "note", part.id, said)


def _hidden(k: int, pieces: Sequence[Piece]) -> float:
    """The share of a piece that something lies on."""
    own = pieces[k].seen
    over = [piece for piece in pieces[k + 1 :] if piece.rect.meets(pieces[k].rect)]
    return sum(outlines.common(own, piece.seen) for piece in over) / max(1e-9, polygons.area(own))
