"""Parts that nobody would see: every piece of them lies wholly under one opaque piece of another part."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from ulna.core.findings import Finding
from ulna.core.paper.shelf import Stock
from ulna.core.parts.pieces import Ground, Piece


def told(pieces: Sequence[Piece], ground: Ground) -> Iterator[Finding]:
    """One finding a hidden part."""
    parts: dict[str, list[int]] = {}
    for k, piece in enumerate(pieces):
        parts.setdefault(piece.part, []).append(k)
    covers = [k for k, piece in enumerate(pieces) if _covers(piece, ground)]
    for part, own in parts.items():
        over = [
            pieces[c]
            for c in covers
            if pieces[c].part != part and all(c > k and pieces[c].rect.contains(pieces[k].rect) for k in own)
        ]
        if over:
            says = f"It lies wholly under {over[-1].name} and is not seen; bring it forward, or take it away."
            yield Finding("hidden", "warn", part, says)


def _covers(piece: Piece, ground: Ground) -> bool:
    """Whether it is a plain opaque rectangle."""
    if piece.outline or piece.holes or piece.angle or piece.gut is not None or piece.role == "tape":
        return False
    if piece.picture is not None and piece.picture.outline:
        return False
    paper = ground.shelf.papers.get(piece.choice.paper or "")
    return paper is None or paper.stock is not Stock.VELLUM
