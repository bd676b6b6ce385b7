"""The accents of a page: small things that are not photos, words or ground, each at a place with a colour.

A cluster is one place, with the colours of all that is in it; so are several things that lie on each other.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Any

from ulna.core.geometry.rects import Rect
from ulna.core.paper.colour import Lab, of_hex
from ulna.core.parts.kinds.cluster import Cluster
from ulna.core.parts.kinds.scatter import Scatter
from ulna.core.parts.kinds.stamped import Stamped
from ulna.core.parts.kinds.thing import ThingPart
from ulna.core.parts.pieces import Ground, Piece

CHROMA = 22.0
"""From here on up (CIELAB) a colour is an accent; below it is a neutral that goes with everything."""
ALIKE = 20.0
"""Colours that are nearer to each other (CIELAB) are one accent."""


@dataclass(frozen=True, slots=True)
class Accent:
    """What lies at one place: its part, its box, its middle in inches, and its colours that are no neutrals."""

    part: Any
    box: Rect
    middle: tuple[float, float]
    colours: tuple[tuple[str, Lab], ...]


def accents(plan: Any, pieces: Sequence[Piece], standing: Mapping[str, Any], ground: Ground) -> list[Accent]:
    """In the order of the recipe."""
    own: dict[str, list[Piece]] = {}
    for piece in pieces:
        own.setdefault(piece.part, []).append(piece)
    found = list[Accent]()
    for part in plan.parts:
        box = standing[part.id].box
        if isinstance(part, Cluster | ThingPart | Stamped | Scatter) and box is not None and part.id in own:
            shown = dict.fromkeys(colour for piece in own[part.id] if (colour := shown_colour(piece, ground)))
            lively = tuple((one, lab) for one in shown if (lab := of_hex(one)).chroma >= CHROMA)
            middle = (box.x + box.right).inches / 2, (box.y + box.bottom).inches / 2
            found.append(Accent(part, box, middle, lively))
    return found


def shown_colour(piece: Piece, ground: Ground) -> str:
    """The leading colour of a thing or of a piece of paper; nothing for a print."""
    if piece.colour:
        return piece.colour
    thing = ground.shelf.things.get(piece.thing or "")
    if thing is not None:
        return thing.colour
    paper = ground.shelf.papers.get(piece.choice.paper or "") if piece.is_paper else None
    return paper.face(piece.choice.side).colours[0] if paper and paper.face(piece.choice.side).colours else ""


def focal(pieces: Sequence[Piece]) -> Piece | None:
    """The photo that leads: the largest print."""
    prints = [piece for piece in pieces if piece.role == "print"]
    return max(prints, key=lambda p: p.uncut.area, default=None)
