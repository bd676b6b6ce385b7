"""A thing that is drawn otherwise than the rest: an outlined one among painted ones looks strayed."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterator, Sequence

from ulna.core.findings import Finding
from ulna.core.parts.pieces import Ground, Piece

MOST_STRAYS = 0.34
"""Of all that have a style: where more of them are of the other one, the page mixes them on purpose."""


def told(pieces: Sequence[Piece], ground: Ground) -> Iterator[Finding]:
    """For each part that brings a thing of another style than most are."""
    if ground.rules.theme == "free":
        return
    drawn = [
        (piece, thing.drawn)
        for piece in pieces
        if piece.thing and (thing := ground.shelf.things.get(piece.thing)) and thing.drawn
    ]
    styles = Counter(style for _, style in drawn)
    if len(styles) < 2 or len(drawn) < 3:
        return
    most = styles.most_common(1)[0][0]
    strays = [(piece, style) for piece, style in drawn if style != most]
    if len(strays) / len(drawn) > MOST_STRAYS:
        return
    seen = set[str]()
    for piece, style in strays:
        if piece.part not in seen:
            seen.add(piece.part)
            told = f"{piece.name} is {style}, the other things are {most}: it looks strayed among them."
            yield Finding("style", "note", piece.part, told)
