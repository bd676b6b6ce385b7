"""A strip of words that runs under something, so that words of it are not seen: it is cut in two there, and goes on
beyond it."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import replace
from typing import Any

from ulna.core.findings import Finding, Remedy
from ulna.core.geometry.rects import Rect
from ulna.core.measure import inches, length_of
from ulna.core.parts.kinds.words import hand_known
from ulna.core.parts.kinds.wordstrips import Parting, WordStrips
from ulna.core.parts.pieces import Ground, Piece
from ulna.core.words.writing import Measure

CLEAR = inches(0, 1, 16)
"""What a strip keeps from what it goes round."""


def told(plan: Any, pieces: Sequence[Piece], standing: Mapping[str, Any], ground: Ground) -> Iterator[Finding]:
    """For each strip the first thing that lies on it."""
    for part in plan.parts:
        if not isinstance(part, WordStrips):
            continue
        texts = {k: line.written for k, line in enumerate(standing[part.id].built.lines)}
        own = [(k, piece) for k, piece in enumerate(pieces) if piece.part == part.id]
        for n, (k, strip) in enumerate(own):
            over = next((p for p in pieces[k + 1 :] if p.part != part.id and p.rect.meets(strip.rect)), None)
            written = texts.get(n)
            if over is None or written is None:
                continue
            number = int(strip.id.rsplit("/strip-", 1)[1].split("-")[0])
            parted = any(one.strip == number for one in part.parted)
            remedy = None if parted else _parted(part, number, strip.rect, over.rect, written.text, ground)
            says = (
                f"{strip.name.capitalize()} runs under {over.name}: cut it in two there, or leave it tucked under."
            )
            yield Finding("strip-crossed", "note", part.id, says, (remedy,) if remedy else ())


def _parted(part: WordStrips, number: int, strip: Rect, over: Rect, text: str, ground: Ground) -> Remedy | None:
    """The strip cut after the last word that ends before the thing, and begun again beyond it."""
    hand, _ = hand_known(part.id, part.hand, ground)
    measure, ruler = Measure.of(hand, ground.faces[hand.face]), ground.ruler
    words = text.split()
    for after in range(len(words) - 1, 0, -1):
        long = ruler.up((length_of(measure.wide(" ".join(words[:after]))) + part.ends * 2).inches)
        if strip.x + long <= over.x:
            gap = ruler.up((over.right + CLEAR - strip.x - long).inches)
            parting = Parting(number, after, max(gap, ruler.mark))
            return Remedy(f"Cut it after “{words[after - 1]}”", replace(part, parted=(*part.parted, parting)))
    return None
