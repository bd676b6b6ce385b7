"""Pieces without a paper, or with one that is gone from the shelf."""

from __future__ import annotations

from collections.abc import Iterator

from ulna.core.findings import Finding
from ulna.core.parts.pieces import Built, Ground


def told(part: str, built: Built, ground: Ground) -> Iterator[Finding]:
    for piece in built.pieces:
        if not piece.is_paper:
            continue
        name = piece.name[0].upper() + piece.name[1:]
        if piece.choice.paper is None:
            yield Finding("no-paper", "note", part, f"{name}: no paper is chosen yet.")
        elif piece.choice.paper not in ground.shelf.papers:
            yield Finding("paper-gone", "warn", part, f"{name}: its paper is no longer on the shelf.")
