"""Words on a printed card that has lines of its own: they stand on those, as they were measured."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import replace
from typing import Any

from ulna.core.findings import Finding, Remedy
from ulna.core.measure import ZERO
from ulna.core.parts.cards import printed
from ulna.core.parts.kinds.card import Card
from ulna.core.parts.kinds.words import Words
from ulna.core.parts.pieces import Ground
from ulna.core.parts.place import Across, Down


def told(plan: Any, standing: Mapping[str, Any], ground: Ground) -> Iterator[Finding]:
    """For each block of words that lies on a card and does not stand on its lines."""
    cards = {part.id: part for part in plan.parts if isinstance(part, Card)}
    for part in plan.parts:
        if not isinstance(part, Words):
            continue
        card = cards.get(part.place.base or "")
        there = card and printed(card.sheet, card.card, card.back, ground)
        if card is None or not there or there.card.lines is None or card.back:
            continue
        lines = there.card.lines
        across = Across("left", lines.left, card.id)
        on_lines = replace(
            part,
            width=there.at.width - lines.left - lines.right,
            first=lines.first,
            pitch=lines.apart,
            height=there.at.height,
            columns=1,
            paper=None,
            shape="rectangle",
            place=replace(part.place, across=across, down=Down("top", ZERO, card.id)),
        )
        if on_lines != replace(part, ruled=on_lines.ruled) and standing[card.id].box is not None:
            say = ground.ruler.say
            first, apart = say(lines.first), say(lines.apart)
            says = f"The card has lines of its own, the first {first} from its top, {apart} apart."
            yield Finding("card-lines", "note", part.id, says, (Remedy("Write on the card's lines", on_lines),))
