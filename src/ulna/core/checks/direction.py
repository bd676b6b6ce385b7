"""Lines in papers beside a photo run with the strong lines in the photo; and no more than two ways on a page.

The lines of a photo are measured from its gradients; those of a paper are its stripes as they lie on the page.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from ulna.core.checks.edges import touched
from ulna.core.checks.run_together import side_of
from ulna.core.findings import Finding
from ulna.core.paper.patterns import runs
from ulna.core.parts.pieces import Ground, Piece
from ulna.core.parts.seen import Seen

SLANTED = 20.0
"""Degrees: stripes that lie turned by more run a way of their own."""


def told(pieces: Sequence[Piece], ground: Ground, seen: Seen | None = None) -> Iterator[Finding]:
    """Each photo with a striped paper beside it that runs against it; and the page where stripes run three ways."""
    seen = seen or Seen(pieces)
    for k, piece in enumerate(pieces):
        if piece.role != "print" or piece.picture is None:
            continue
        look = ground.edge(piece.picture)
        if look is None or look.lines not in ("level", "upright") or abs(piece.angle) > SLANTED:
            continue
        for under in touched(seen, k):
            way = stripes(under, ground)
            if way in ("level", "upright") and way != look.lines:
                told = (
                    f"The stripes of {ground.says(under.choice)} run {way} beside {piece.called_whole}, whose strong "
                    f"lines are {look.lines}. Turn the paper a quarter, or take a plain one there."
                )
                yield Finding("direction", "note", piece.part, told, (), (piece.rect,))
                break
    yield from _many(pieces, ground)


def _many(pieces: Sequence[Piece], ground: Ground) -> Iterator[Finding]:
    ways: dict[str, Piece] = {}
    for piece in pieces:
        way = stripes(piece, ground)
        if way:
            ways.setdefault(way, piece)
    if len(ways) > 2:
        told = f"Stripes run {len(ways)} ways on this page ({', '.join(sorted(ways))}); two are calm."
        yield Finding("directions", "note", None, told, (), tuple(one.rect for one in ways.values()))


def stripes(piece: Piece, ground: Ground) -> str:
    """Which way the stripes of a piece run on the page: level, upright, or slanting by so many degrees."""
    side = side_of(piece, ground)
    way = runs(side) if side else None
    if way is None:
        return ""
    level, angle = (way == "across") != piece.choice.turned, piece.angle % 180
    if abs(angle - 90) <= SLANTED:
        level = not level
    elif min(angle, 180 - angle) > SLANTED:
        return f"slanting {round((angle + (0 if level else 90)) % 180)}°"
    return "level" if level else "upright"
