"""The base paper of a page: a sheet as large as the page."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import ClassVar, Literal

from ulna.core.pieces import Built, Ground, PaperChoice, Piece


@dataclass(frozen=True, slots=True)
class Base:
    kind: ClassVar[str] = "base"
    id: str
    on: Literal["left", "right"] = "left"
    choice: PaperChoice = field(default_factory=PaperChoice)


def build(part: Base, ground: Ground) -> Built:
    """The whole page, at its size."""
    page = ground.format.page(part.on)
    which = f"base of the {part.on} page" if ground.format.pages == 2 else "base"
    box = page.moved(-page.x, -page.y)
    piece = Piece(f"{part.id}/base", part.id, "base", which, box, box, part.choice)
    say = ground.ruler.say
    return Built(page.width, page.height, (piece,), f"{say(page.width)} × {say(page.height)}")


def sentence(part: Base, ground: Ground) -> str:
    which = f"Base of the {part.on} page" if ground.format.pages == 2 else "Base"
    return f"{which}: {ground.says(part.choice)}."
