"""The base paper of a page: a sheet as large as the page."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import ClassVar, Literal

from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO
from ulna.core.parts.kind import Entry, Traits
from ulna.core.parts.pieces import Built, Ground, PaperChoice, Piece
from ulna.core.ranges import Id


@dataclass(frozen=True, slots=True)
class Base:
    kind: ClassVar[str] = "base"
    level: ClassVar[str] = "base"
    id: Id
    on: Literal["left", "right"] = "left"
    choice: PaperChoice = field(default_factory=PaperChoice)


def build(part: Base, ground: Ground, room: Rect) -> Built:
    """The whole page at its size, and the trim allowance over its open sides where the format has one."""
    page = ground.format.page(part.on)
    which = f"base of the {part.on} page" if ground.format.pages == 2 else "base"
    box, more = page.moved(-page.x, -page.y), ground.format.allowance
    say = ground.ruler.say
    told = f"{say(page.width)} × {say(page.height)}"
    if more:
        # A single page is bound at its left edge, as the right one of two.
        bound_left = ground.format.pages == 1 or part.on == "right"
        left, right = (ZERO, more) if bound_left else (more, ZERO)
        box = Rect(-left, -more, page.width + left + right, page.height + more * 2)
        told += f"; cut {say(box.width)} × {say(box.height)}, trimmed after gluing"
    piece = Piece(f"{part.id}/base", part.id, "base", which, box, box, part.choice)
    return Built(page.width, page.height, (piece,), told)


def name(part: Base, ground: Ground) -> str:
    return f"the base of the {part.on} page" if ground.format.pages == 2 else "the base"


def sentence(part: Base, ground: Ground) -> str:
    which = f"Base of the {part.on} page" if ground.format.pages == 2 else "Base"
    return f"{which}: {ground.says(part.choice)}"


PART = Base
TRAITS = Traits(scales=())
MENU: tuple[Entry, ...] = ()
