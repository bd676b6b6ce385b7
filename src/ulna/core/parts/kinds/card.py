"""A card from a cut-apart sheet, or a motif or phrase at its place on a sheet: a piece that is cut from there alone.

Using a card's back means giving up its front, and the other way round; what is behind a motif goes with it.
"""

from __future__ import annotations

from dataclasses import dataclass, field, replace
from typing import Annotated, ClassVar

from ulna.core.findings import Finding
from ulna.core.geometry import outlines, polygons
from ulna.core.geometry.figures import Figure, outline
from ulna.core.geometry.polygons import Polygon
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, inches
from ulna.core.parts import mats as matting
from ulna.core.parts.cards import Printed, printed
from ulna.core.parts.kind import Entry, Traits
from ulna.core.parts.mats import Mats, stack
from ulna.core.parts.opening import Openings, cut_all
from ulna.core.parts.opening import words as opening_words
from ulna.core.parts.pieces import Built, Ground, Piece
from ulna.core.parts.place import Place
from ulna.core.ranges import Angle, Gap, Id, Text


@dataclass(frozen=True, slots=True)
class Card:
    """Card `card` of the sheet `sheet`; `back` shows what is behind it. `figure` is what it is cut to; with
    `openings` it is a frame. A motif is cut along its outline, with so much of a `rim` round it.
    """

    kind: ClassVar[str] = "card"
    level: ClassVar[str] = "over"
    id: Id
    sheet: str | None = None
    card: Annotated[str, Text(120)] = ""
    back: bool = False
    figure: Figure = "rectangle"
    rim: Gap = ZERO
    angle: Angle = 0.0
    mats: Mats = ()
    openings: Openings = ()
    place: Place = field(default_factory=Place)


def build(part: Card, ground: Ground, room: Rect) -> Built:
    """Mats under it, then the card, pinned to its place as it is seen from the side that shows."""
    there = printed(part.sheet, part.card, part.back, ground)
    if there is None:
        told = (
            "Choose a sheet and one of its cards." if not part.sheet else "This card is not on its sheet any more."
        )
        return Built(ZERO, ZERO, findings=(Finding("no-card", "stop", part.id, told),))
    card = there.card
    at, line = motif(there, part, ground) if card.outline else (there.at, ())
    mats = stack(part.id, card.name, at.width, at.height, part.mats, ground)
    name = f"card {card.name}" + (", its back" if part.back else "")
    piece = Piece(f"{part.id}/card", part.id, "card", name, mats.inner, mats.inner, there.choice, pin=at)
    if line:
        piece = replace(piece, outline=line)
    elif part.figure != "rectangle":
        line = outline(part.figure, at.width.inches, at.height.inches, at.width.inches / 6)
        piece = replace(piece, outline=line, figure=part.figure, cut=at.width.part(1, 6))
    cut = cut_all(part, piece, ground)
    other = "front" if part.back else "back"
    given = Finding(
        "card-side", "note", part.id, f"Its {other} goes with it: it can be used on neither other place."
    )
    return Built(
        mats.width,
        mats.height,
        (*mats.pieces, *cut.behind, cut.piece, *cut.on),
        mats.arithmetic,
        (*mats.findings, *cut.findings, given),
        handles=mats.handles,
        spots=cut.spots,
    )


ROUND = inches(0, 1, 4)
"""What is cut along a printed outline comes out of a box of the outline and so much round it."""


def motif(there: Printed, part: Card, ground: Ground) -> tuple[Rect, Polygon]:
    """The box on the sheet that a motif is cut out of first, as seen from the side that shows, and the line it is cut
    along then, from the box's corner."""
    rim = ZERO if ground.rules.cutout_rims == "removed" else part.rim
    off = ground.ruler.up(max(rim, ROUND).inches)
    sheet = Rect(ZERO, ZERO, there.paper.width, there.paper.height)
    at = there.at
    box = Rect(at.x - off, at.y - off, at.width + off * 2, at.height + off * 2).common(sheet)
    line = there.card.outline
    if part.back:
        line = tuple((at.width.inches - x, y) for x, y in reversed(line))
    line = outlines.grown(line, rim.inches) if rim else line
    line = polygons.moved(line, (at.x - box.x).inches, (at.y - box.y).inches)
    return box, polygons.clipped(line, polygons.box(0.0, 0.0, box.width.inches, box.height.inches))


def name(part: Card, ground: Ground) -> str:
    return f"the card {part.card}" if part.card else "the card"


def sentence(part: Card, ground: Ground) -> str:
    there = printed(part.sheet, part.card, part.back, ground)
    if there is None:
        return "Card, not chosen yet"
    card = there.card
    said = [
        f"Card {card.name}{', its back' if part.back else ''}",
        ground.ruler.say_size(card.at.width, card.at.height),
    ]
    said.append(f"from {there.paper.name}")
    said += [opening_words(opening, ground) for opening in part.openings]
    return ", ".join([*said, *matting.says(part.mats, ground)])


PART = Card
TRAITS = Traits(whole=True, scales=())
MENU: tuple[Entry, ...] = (
    Entry(
        "Card",
        "cut-apart journaling motif phrase sheet text words story",
        "M4 5h16v14H4zM7 9h10M7 12h10M7 15h6",
        lambda b: Card("new"),
    ),
)
