"""A papered ground: several papers side by side that cover a page but for an even border, joined under a strip.

┌───────────────┐
│ ┌────┬──────┐ │  each takes its share of what the border leaves; positions are rounded to marks, so the last
│ │    ┃      │ │  one ends where it should; a strip may cover each seam
│ └────┴──────┘ │
└───────────────┘
"""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Annotated, ClassVar, Literal

from ulna.core.findings import Finding
from ulna.core.geometry.rects import Rect
from ulna.core.measure import SIZE, ZERO, inches
from ulna.core.parts.beginning import unchosen
from ulna.core.parts.kind import Entry, Traits
from ulna.core.parts.pieces import Built, Ground, Handle, PaperChoice, Papers, Piece
from ulna.core.parts.place import Place
from ulna.core.ranges import Gap, Id, Many, Whole


@dataclass(frozen=True, slots=True)
class Papered:
    """`border` is left all round of what it lies on. `shares` say how the papers share the room; empty is evenly.

    `strip` is how wide the strip over each seam is; nothing means that the papers butt.
    """

    kind: ClassVar[str] = "papered"
    level: ClassVar[str] = "under"
    id: Id
    papers: Papers = (PaperChoice(), PaperChoice())
    along: Literal["row", "column"] = "row"
    border: Gap = inches(0, 1, 4)
    shares: Annotated[tuple[Annotated[int, Whole(1, 100)], ...], Many(24)] = ()
    strip: Gap = ZERO
    strip_choice: PaperChoice = field(default_factory=PaperChoice)
    place: Place = field(default_factory=Place)


def build(part: Papered, ground: Ground, room: Rect) -> Built:
    """The papers, then the strips over their seams."""
    ruler, row = ground.ruler, part.along == "row"
    width, height = ruler.round(room.width - part.border * 2), ruler.round(room.height - part.border * 2)
    shares = [part.shares[k] if k < len(part.shares) else 1 for k in range(len(part.papers))]
    whole, total = (width, sum(shares)) if row else (height, sum(shares))
    least = max(SIZE.least, ruler.mark)  # on coarse marks a narrow share would round to nothing
    if min(width, height) < least or whole < least * total:
        told = (
            f"A border of {ruler.say(part.border)} leaves {ruler.say_size(max(width, ZERO), max(height, ZERO))}: "
            f"too little for {len(part.papers)} papers; make it narrower."
        )
        return Built(ZERO, ZERO, findings=(Finding("nothing-left", "stop", part.id, told),))
    edges = [ruler.round(whole.part(sum(shares[:k]), total)) for k in range(len(shares) + 1)]
    pieces = []
    for k, choice in enumerate(part.papers):
        near, size = edges[k], edges[k + 1] - edges[k]
        at = Rect(near, ZERO, size, height) if row else Rect(ZERO, near, width, size)
        pieces.append(Piece(f"{part.id}/paper-{k + 1}", part.id, "panel", f"paper {k + 1}", at, at, choice))
    if part.strip:
        strip = ruler.round(part.strip)
        for k, seam in enumerate(edges[1:-1], 1):
            near = ruler.round(seam - strip.part(1, 2))
            at = Rect(near, ZERO, strip, height) if row else Rect(ZERO, near, width, strip)
            pieces.append(
                Piece(f"{part.id}/strip-{k}", part.id, "strip", f"strip over seam {k}", at, at, part.strip_choice)
            )
    sizes = [edges[k + 1] - edges[k] for k in range(len(shares))]
    sums = " + ".join(ruler.say(s) for s in sizes)
    told = f"{sums} = {ruler.say(whole)}, {ruler.say(height if row else width)} {'high' if row else 'wide'}"
    handles = (Handle("border", "border", width, height.part(1, 2), -1),)
    return Built(width, height, tuple(pieces), told, handles=handles)


def name(part: Papered, ground: Ground) -> str:
    return "the papered ground"


def sentence(part: Papered, ground: Ground) -> str:
    papers = " and ".join(ground.says(choice) for choice in part.papers)
    side = "side by side" if part.along == "row" else "one above the other"
    border = ground.ruler.say(part.border)
    said = f"Papered with {papers}, {side}, {border} left all round"
    if part.strip:
        said += f", seams under a strip of {ground.ruler.say(part.strip)} {ground.says(part.strip_choice)}"
    return said


PART = Papered
TRAITS = Traits(fills=lambda part: True)
MENU: tuple[Entry, ...] = (
    Entry(
        "Papered ground",
        "several papers side by side seams",
        "M3 3h18v18H3zM10 3v18M16 3v18",
        lambda b: Papered("new", unchosen(3), border=b.usual.border, shares=(2, 1, 1), strip=b.usual.border),
    ),
)
