"""What touches a photo is safe for it: no metal that rusts, no newsprint or ink with acid straight on the print.

The house rule says whether it is asked everywhere on the page, where something touches a photo, or not at all.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import replace
from typing import Any

from ulna.core.findings import Finding, Remedy
from ulna.core.geometry import outlines
from ulna.core.parts.kinds.thing import ThingPart
from ulna.core.parts.pieces import Ground, PaperChoice, Piece


def told(plan: Any, pieces: Sequence[Piece], ground: Ground) -> Iterator[Finding]:
    if ground.rules.photo_safe == "no":
        return
    harmful = {id for id, thing in ground.shelf.things.items() if thing.harms_photos}
    parts = {part.id: part for part in plan.parts}
    said = set[str]()
    for k, piece in enumerate(pieces):
        if piece.thing not in harmful or piece.part in said:
            continue
        touching = _touched(piece, pieces[:k])
        if touching is None and ground.rules.photo_safe != "everywhere":
            continue
        said.add(piece.part)
        on = f"lies straight on {touching.called_whole}" if touching else "is on the page"
        told = f"{piece.name} {on} and is not photo-safe; paper between keeps it off."
        part = parts.get(piece.part)
        remedies: tuple[Remedy, ...] = ()
        if touching is not None and isinstance(part, ThingPart) and part.backing is None:
            remedies = (Remedy("A piece of paper of its own shape under it", replace(part, backing=PaperChoice())),)
        yield Finding("photo-safe", "warn", piece.part, told, remedies, (piece.rect,))


def _touched(piece: Piece, below: Sequence[Piece]) -> Piece | None:
    """The print that a piece touches: the last thing under a part of it is one, with no paper between."""
    left = [piece.seen]
    for under in reversed(below):
        if not under.rect.meets(piece.rect):
            continue
        if under.role == "print" and any(outlines.common(one, under.seen) > 0 for one in left):
            return under
        left = [rest for one in left for rest in outlines.less(one, [under.seen])]
        if not left:
            return None
    return None
