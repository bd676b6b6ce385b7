"""A sheet that is used as it is, hole and all: how much of the hole nothing on the page covers, and on which side."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from ulna.core.findings import Finding
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO
from ulna.core.parts.pieces import Ground, Piece


def told(pieces: Sequence[Piece], ground: Ground) -> Iterator[Finding]:
    """For each hole what stays uncovered by the piece above that covers most of it."""
    say = ground.ruler.say
    for k, piece in enumerate(pieces):
        for hole in piece.holes if piece.as_it_is else ():
            at = hole.at.moved(piece.uncut.x, piece.uncut.y)
            over = [p.rect.common(at) for p in pieces[k + 1 :] if p.part != piece.part and p.rect.meets(at)]
            best = max(over, key=lambda r: r.area, default=Rect(at.x, at.y, ZERO, ZERO))
            if best == at:
                continue
            size = ground.ruler.say_size(at.width, at.height)
            if not best.area:
                says = f"The hole of {size} is seen: nothing lies over it."
            else:
                sides = " and ".join(f"{say(by)} at its {side} side" for side, by in at.bare_of(best).items())
                says = f"Of the hole of {size} {sides} is seen; move what lies over it, or leave it on purpose."
            yield Finding("uncovered", "note", piece.part, says)
