"""What holds a piece: which adhesive for what, how long it stays movable, what it looks like, how strong it is.

Tape for paper and photos; wet glue for what is heavy or raised; a liquid with a fine tip for strips of words and small
letters; foam for lift; staples or stitches for vellum, through which glue is seen; a thing's own adhesive where it has
one, with a dot more under it where it is to last.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from ulna.core.measure import Length, inches
from ulna.core.paper.shelf import Stock
from ulna.core.parts.pieces import Ground, Piece
from ulna.core.things.thing import ThingKind

GlueName = Literal[
    "tape",
    "wet glue",
    "fine tip",
    "thin foam",
    "thick foam",
    "own adhesive",
    "staples",
    "pierced",
    "clipped on",
    "none",
]


@dataclass(frozen=True, slots=True)
class Glue:
    """`movable` is for how many seconds a piece can still be shifted; `sets` after how many minutes it holds."""

    name: GlueName
    says: str
    movable: int
    sets: int
    looks: Literal["dull", "shiny", "unseen"]
    strong: bool
    photo_safe: bool = True


GLUES: dict[GlueName, Glue] = {
    "tape": Glue("tape", "photo-safe tape", 0, 0, "unseen", False),
    "wet glue": Glue("wet glue", "wet glue", 60, 15, "shiny", True),
    "fine tip": Glue("fine tip", "liquid glue with a fine tip", 30, 5, "dull", False),
    "thin foam": Glue("thin foam", "foam 1/16 thick", 0, 0, "unseen", False),
    "thick foam": Glue("thick foam", "foam 1/8 thick, or two thin ones", 0, 0, "unseen", False),
    "own adhesive": Glue(
        "own adhesive", "its own adhesive, a dot of glue more where it is to last", 0, 0, "unseen", False
    ),
    "staples": Glue("staples", "staples or stitches where something covers them", 0, 0, "unseen", True),
    "pierced": Glue("pierced", "a hole pierced and its legs bent flat", 0, 0, "unseen", True),
    "clipped on": Glue("clipped on", "its own grip", 0, 0, "unseen", True),
    "none": Glue("none", "nothing", 0, 0, "unseen", True),
}  # fmt: skip
HEAVY = frozenset({ThingKind.CHIPBOARD, ThingKind.WOOD, ThingKind.ENAMEL, ThingKind.GEMS, ThingKind.BRAD})
SMALL = inches(0, 3, 4)
"""A strip or scrap that is no higher wants a fine tip."""
LETTER = inches(1, 1, 2)
"""And a letter that is no wider: there is no room for tape on its stems."""
THICK = inches(0, 1, 8)


def lift_of(piece: Piece, ground: Ground) -> Length:
    """How much foam is under a piece: how far it stands off, less its own thickness; none in a flat house."""
    thing = ground.shelf.things.get(piece.thing or "")
    if ground.rules.lift == "flat":
        return inches(0)
    return piece.raised - (thing.thickness if thing else inches(0))


def glue_of(piece: Piece, ground: Ground) -> Glue:
    """What a piece is fixed with."""
    lift = lift_of(piece, ground)
    if lift >= THICK:
        return GLUES["thick foam"]
    if lift > inches(0):
        return GLUES["thin foam"]
    thing = ground.shelf.things.get(piece.thing or "")
    if thing is not None:
        if thing.fixing == "glue":
            return GLUES["wet glue" if thing.kind in HEAVY or thing.is_raised else "fine tip"]
        return GLUES["thin foam" if thing.fixing == "foam squares" else thing.fixing]
    if piece.role in ("tape", "sticker"):
        return GLUES["own adhesive"]
    paper = ground.shelf.papers.get(piece.choice.paper or "")
    if paper is not None and paper.stock is Stock.VELLUM:
        return GLUES["staples"]
    small = min(piece.uncut.width, piece.uncut.height) <= (LETTER if piece.role == "letter" else SMALL)
    return GLUES["fine tip" if small and piece.role in ("letter", "strip", "tile", "shape") else "tape"]
