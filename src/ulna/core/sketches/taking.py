"""A sketch drawn anew from a page: its photos, papers, title, words and clusters as places."""

from __future__ import annotations

from ulna.core.geometry.rects import Rect
from ulna.core.page.evaluate import Evaluated
from ulna.core.page.plan import PagePlan
from ulna.core.parts.kinds.axis import Axis
from ulna.core.parts.kinds.base import Base
from ulna.core.parts.kinds.cluster import Cluster
from ulna.core.parts.kinds.date import Date
from ulna.core.parts.kinds.scatter import Scatter
from ulna.core.parts.kinds.stitching import Stitching
from ulna.core.parts.kinds.thing import ThingPart
from ulna.core.parts.kinds.title import Title
from ulna.core.parts.kinds.words import Words
from ulna.core.parts.kinds.wordstrips import WordStrips
from ulna.core.sketches.sketch import MOST_PLACES, Role, Sketch, SketchPlace, shaped

THIN = 4.0
"""What is so many times longer than it is broad is a strip."""


def from_page(plan: PagePlan, page: Evaluated) -> Sketch:
    """The arrangement of a page, without its papers; what is no place of its own is left out."""
    format = page.format
    proportion = round(format.width.inches / format.height.inches, 6)
    found = list[SketchPlace]()
    for part in plan.parts:
        if isinstance(part, Base | Date | Axis | Stitching | Scatter):
            continue
        prints = [
            piece
            for piece in page.pieces
            if piece.part == part.id and piece.role == "print" and piece.half != "right"
        ]
        if prints:
            found += [_place("photo", piece.uncut, page, proportion) for piece in prints]
            continue
        box = next((one.box for one in page.parts if one.id == part.id), None)
        if box is not None:
            found.append(_place(_role(part, box), box, page, proportion))
    return Sketch(plan.name, format.pages, proportion, tuple(found[:MOST_PLACES]))


def _role(part: object, box: Rect) -> Role:
    if isinstance(part, Title):
        return "title"
    if isinstance(part, Words | WordStrips):
        return "words"
    if isinstance(part, Cluster | ThingPart):
        return "cluster"
    long, short = max(box.width, box.height).inches, min(box.width, box.height).inches
    return "strip" if long > THIN * short else "panel"


def _place(role: Role, box: Rect, page: Evaluated, proportion: float) -> SketchPlace:
    wide, high = page.format.width.inches, page.format.height.inches
    x, y, across, down = box.x.inches / wide, box.y.inches / high, box.width.inches / wide, box.height.inches / high
    place = SketchPlace(role, round(x, 6), round(y, 6), round(max(0.005, across), 6), round(max(0.005, down), 6))
    return shaped(place, proportion)
