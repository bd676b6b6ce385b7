"""Two schools of strips: cut exactly as long as they are seen, or 1/4 in longer and trimmed once they lie."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import replace

from ulna.core.geometry.polygons import box
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, inches
from ulna.core.parts.pieces import Ground, PaperChoice, Piece

OVER = inches(0, 1, 4)


def over(said: bool | None, ground: Ground) -> Length:
    """How much longer a strip is cut; the house rule tells where nothing is said of it."""
    return OVER if (ground.rules.strips == "long" if said is None else said) else ZERO


def gives(choice: PaperChoice, long: Length, ground: Ground) -> bool:
    """Whether its paper gives a strip of that length; one that is not chosen yet may."""
    paper = ground.shelf.papers.get(choice.paper or "")
    return paper is None or long <= max(paper.usable.width, paper.usable.height)


def shortest(choices: Iterable[PaperChoice], long: Length, ground: Ground) -> PaperChoice | None:
    """The first paper that gives no strip of that length."""
    return next((choice for choice in choices if not gives(choice, long, ground)), None)


def lengthened(piece: Piece, more: Length, upright: bool) -> Piece:
    """A strip cut so much longer, half of it at either end; what is seen of it stays."""
    if not more:
        return piece
    at, half = piece.rect, more.part(1, 2)
    long = (
        Rect(at.x, at.y - half, at.width, at.height + more)
        if upright
        else Rect(at.x - half, at.y, at.width + more, at.height)
    )
    seen = box((at.x - long.x).inches, (at.y - long.y).inches, at.width.inches, at.height.inches)
    return replace(piece, rect=long, uncut=long, outline=seen)
