"""How thick what a page is made of is, in thousandths of an inch, as it is measured with a caliper.

Patterned paper 8, card stock 12, photo paper 10, vellum 4, chipboard 50, foam 62 or 125, enamel dots 80, wood 60. A
thing whose own thickness was measured has that.
"""

from __future__ import annotations

from dataclasses import dataclass

from ulna.core.measure import Length
from ulna.core.page_formats import PageFormat
from ulna.core.paper.shelf import Stock
from ulna.core.parts.pieces import Ground, Piece
from ulna.core.things.thing import ThingKind

PHOTO = 10
PAPER: dict[Stock, int] = {Stock.CARD: 12, Stock.PATTERNED: 8, Stock.VELLUM: 4}
USUAL_PAPER = 8
TAPE, STICKER = 4, 6
THINGS: dict[ThingKind, int] = {
    ThingKind.DIE_CUT: 12,
    ThingKind.STICKER: STICKER,
    ThingKind.PUFFY: 90,
    ThingKind.EPOXY: 60,
    ThingKind.CHIPBOARD: 50,
    ThingKind.ENAMEL: 80,
    ThingKind.SEQUIN: 10,
    ThingKind.WOOD: 60,
    ThingKind.DOILY: 5,
    ThingKind.TAG: 14,
    ThingKind.LABEL: STICKER,
    ThingKind.BANNER: 12,
    ThingKind.BRAD: 60,
    ThingKind.CLIP: 40,
    ThingKind.GEMS: 80,
    ThingKind.RIBBON: 15,
    ThingKind.TWINE: 40,
    ThingKind.TAPE: TAPE,
    ThingKind.STAMP: 0,
    ThingKind.CARD: 12,
}
USUAL_THING = 12

PROTECTOR, NOTEBOOK = 250, 120
"""What a page may have in its protector, and a spread in a notebook that still closes."""


@dataclass(frozen=True, slots=True)
class Layer:
    """A piece at a spot, and how much it brings."""

    piece: Piece
    thick: int


def thousandths(length: Length) -> int:
    return round(length.inches * 1000)


def of_piece(piece: Piece, ground: Ground) -> int:
    """How much a piece brings with the foam that is under it."""
    if piece.role == "print":
        return PHOTO
    thing = ground.shelf.things.get(piece.thing or "")
    if thing is not None:
        own = thousandths(thing.thickness) if thing.thickness else THINGS.get(thing.kind, USUAL_THING)
        return own + thousandths(piece.raised - thing.thickness)
    if piece.role == "tape":
        return TAPE
    if piece.role == "sticker":
        return STICKER
    if piece.letter is not None and not piece.choice.paper:
        return thousandths(piece.raised) or STICKER
    paper = ground.shelf.papers.get(piece.choice.paper or "")
    return (PAPER.get(paper.stock, USUAL_PAPER) if paper else USUAL_PAPER) + thousandths(piece.raised)


def allowed(format: PageFormat) -> int:
    """How thick a page, or a spread of a notebook, may get."""
    return NOTEBOOK if format.is_notebook else PROTECTOR
