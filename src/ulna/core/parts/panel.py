"""A panel: a paper trimmed by t from every side of its page, or of a size of its own.

┌─────────────┐ W × H
│ t ┌─────┐   │
│   │panel│   │ (W − 2t) × (H − 2t): t shows all round
│   └─────┘   │
└─────────────┘
"""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import ClassVar

from ulna.core.findings import Finding
from ulna.core.geometry import Borders, Rect
from ulna.core.measure import SIZE, ZERO, Length
from ulna.core.parts import place as places
from ulna.core.parts.mats import LAP, gut_rims
from ulna.core.parts.place import Place
from ulna.core.pieces import Built, Ground, PaperChoice, Piece


@dataclass(frozen=True, slots=True)
class Panel:
    """With `trim`, the page less that on all sides; without it, `width` × `height`.

    `gutted` wins back its middle, leaving `rim` + the lap; the person knows what will cover it.
    """

    kind: ClassVar[str] = "panel"
    id: str
    name: str = "panel"
    trim: Length | None = None
    width: Length = ZERO
    height: Length = ZERO
    choice: PaperChoice = field(default_factory=PaperChoice)
    gutted: bool = False
    rim: Length = LAP
    place: Place = field(default_factory=Place)


def build(part: Panel, ground: Ground) -> Built:
    """One piece. A trim that leaves nothing is told, and there is no piece then."""
    ruler = ground.ruler
    page = ground.format.page(part.place.on)
    if part.trim is None:
        width, height = ruler.round(part.width), ruler.round(part.height)
        told = ruler.say_size(width, height)
    else:
        width, height = ruler.round(page.width - part.trim * 2), ruler.round(page.height - part.trim * 2)
        if min(width, height) < SIZE.least:
            most = (min(page.width, page.height) - SIZE.least).part(1, 2)
            sentence = (
                f"Trimmed by {ruler.say(part.trim)} on each side, a page of {ruler.say(page.width)} × "
                f"{ruler.say(page.height)} leaves nothing; trim by less than {ruler.say(most)}."
            )
            return Built(ZERO, ZERO, findings=(Finding("nothing-left", "stop", part.id, sentence),))
        told = (
            f"{ruler.say_size(page.width, page.height)} − 2 × {ruler.say(part.trim)} = "
            f"{ruler.say_size(width, height)}"
        )
    findings = []
    if part.trim is None and (width, height) != (part.width, part.height):
        findings.append(Finding("rounded", "note", part.id, f"The panel is set to marks: {told}."))
    box = Rect(ZERO, ZERO, width, height)
    gut = gut_rims(Borders.even(ZERO), part.rim, box) if part.gutted else None
    if part.gutted and gut is None:
        findings.append(Finding("gut", "note", part.id, "It stays solid: the panel won would be under 2 × 2 in."))
    piece = Piece(f"{part.id}/panel", part.id, "panel", part.name or "panel", box, box, part.choice, gut)
    return Built(width, height, (piece,), told, tuple(findings))


def sentence(part: Panel, ground: Ground) -> str:
    ruler = ground.ruler
    size = (
        f"trimmed {ruler.say(part.trim)} all round"
        if part.trim is not None
        else ruler.say_size(part.width, part.height)
    )
    gut = f", gutted to a rim of {ruler.say(part.rim)}" if part.gutted else ""
    where = places.says(part.place, ground.format, ruler)
    name = part.name[:1].upper() + part.name[1:] or "Panel"
    return f"{name}, {size}, {ground.says(part.choice)}{gut}; {where}."
