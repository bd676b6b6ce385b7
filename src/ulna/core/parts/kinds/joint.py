"""A joint mat: several photos on one block.

┌──────────────────────┐
│ b ┌────┐ g ┌────┐    │ in a row:    (Σw + (n−1)g + 2b) × (max h + 2b)
│   │    │   │    │ b  │ in a column: (max w + 2b) × (Σh + (n−1)g + 2b)
│   └────┘   └────┘    │
└──────────────────────┘
"""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Annotated, ClassVar, Literal

from ulna.core.findings import Finding
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, inches
from ulna.core.parts import mats as matting
from ulna.core.parts.kind import Entry, Traits
from ulna.core.parts.mats import Mat, Mats, stack
from ulna.core.parts.pieces import Built, Ground, Handle
from ulna.core.parts.place import Place
from ulna.core.parts.printed import lay, name_of, nothing_left, print_words
from ulna.core.photos.prints import Print
from ulna.core.ranges import Gap, Id, Many


@dataclass(frozen=True, slots=True)
class Joint:
    kind: ClassVar[str] = "joint"
    level: ClassVar[str] = "over"
    id: Id
    prints: Annotated[tuple[Print, ...], Many(12, 1)] = (Print(), Print())
    along: Literal["row", "column"] = "row"
    gap: Gap = inches(0, 1, 8)
    mats: Mats = (Mat(),)
    place: Place = field(default_factory=Place)


def block(prints: tuple[Print, ...], along: str, gap: Length) -> tuple[Length, Length]:
    """The size of the photos together, before any border."""
    gaps = gap * (len(prints) - 1)
    widths, heights = [p.lies[0] for p in prints], [p.lies[1] for p in prints]
    if along == "row":
        return sum(widths, ZERO) + gaps, max(heights)
    return max(widths), sum(heights, ZERO) + gaps


def build(part: Joint, ground: Ground, room: Rect) -> Built:
    """The mats, then the prints in order; a smaller print is centred in the block."""
    ruler, row = ground.ruler, part.along == "row"
    gone = [found for print_ in part.prints if (found := nothing_left(part.id, print_, ground))]
    if gone:
        return Built(ZERO, ZERO, findings=tuple(gone))
    width, height = block(part.prints, part.along, part.gap)
    names = " and ".join(name_of(p, ground) for p in part.prints)
    mats = stack(part.id, names, width, height, part.mats, ground)
    pieces, findings = list(mats.pieces), list[Finding](mats.findings)
    at = mats.inner.x if row else mats.inner.y
    for k, print_ in enumerate(part.prints):
        wide, high = print_.lies
        spare = ruler.round((height - high if row else width - wide).part(1, 2))
        # Positions go to marks, not gaps: a shape whose rim is cut off may be no whole number of marks wide.
        if row:
            box = Rect(ruler.round(at), mats.inner.y + spare, wide, high)
            at += wide + part.gap
        else:
            box = Rect(mats.inner.x + spare, ruler.round(at), wide, high)
            at += high + part.gap
        piece, told = lay(part.id, f"print-{k + 1}", print_, box, ground)
        pieces.append(piece)
        findings += told
    told_sum = mats.arithmetic
    if len(part.prints) > 1:
        sizes = [p.lies[0] if row else p.lies[1] for p in part.prints]
        gaps = ruler.say(part.gap) if len(sizes) == 2 else f"{len(sizes) - 1} × {ruler.say(part.gap)}"
        sums = " + ".join(ruler.say(s) for s in sizes)
        told_sum = f"{sums} + {gaps} = {ruler.say(width if row else height)}; {mats.arithmetic}"
    handles = list(mats.handles)
    if len(part.prints) > 1:
        first = part.prints[0].lies
        x = mats.inner.x + (first[0] + part.gap.part(1, 2) if row else mats.inner.width.part(1, 2))
        y = mats.inner.y + (mats.inner.height.part(1, 2) if row else first[1] + part.gap.part(1, 2))
        handles.append(Handle("gap", "gap", x, y, 1 if row else 0, 0 if row else 1))
    return Built(mats.width, mats.height, tuple(pieces), told_sum, tuple(findings), handles=tuple(handles))


def name(part: Joint, ground: Ground) -> str:
    return " and ".join(name_of(p, ground) for p in part.prints)


def sentence(part: Joint, ground: Ground) -> str:
    prints = "; ".join(print_words(p, ground) for p in part.prints)
    apart = f"{ground.ruler.say(part.gap)} apart" if part.gap else "touching"
    mats = ", ".join(["together in a " + part.along, apart, *matting.says(part.mats, ground)])
    return f"{prints}; {mats}"


PART = Joint
TRAITS = Traits(scales=("prints",))
MENU: tuple[Entry, ...] = ()
