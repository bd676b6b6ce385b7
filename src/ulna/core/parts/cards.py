"""Cards where they are printed: which paper, which side, where on the sheet."""

from __future__ import annotations

from dataclasses import dataclass

from ulna.core.geometry.rects import Rect
from ulna.core.paper.shelf import Card as SheetCard
from ulna.core.paper.shelf import Paper
from ulna.core.parts.pieces import Ground, PaperChoice


@dataclass(frozen=True, slots=True)
class Printed:
    """A card where it is printed: `at` counts from the left as its sheet lies with the side up that is chosen."""

    card: SheetCard
    paper: Paper
    choice: PaperChoice
    at: Rect


def printed(sheet: str | None, name: str, back: bool, ground: Ground) -> Printed | None:
    """The card of a sheet; of its `back` what is behind it."""
    paper = ground.shelf.papers.get(sheet or "")
    card = next((c for c in paper.cards if c.name == name), None) if paper else None
    if paper is None or card is None:
        return None
    if not back:
        return Printed(card, paper, PaperChoice(paper.id, card.side), card.at)
    mirrored = Rect(paper.width - card.at.right, card.at.y, card.at.width, card.at.height)
    return Printed(card, paper, PaperChoice(paper.id, "B" if card.side == "A" else "A"), mirrored)
