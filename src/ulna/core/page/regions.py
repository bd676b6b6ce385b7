"""Where words may go on a page as it is: its thirds, its edges, above what they can stand on, gaps between two parts,
cells that are kept for them.

┌──┬───┬──┐   a title is set as large as goes into a region, or stands in its middle where its letters are as large as
│  │ ▒ │  │   they are; a block of words takes its width and its height
└──┴───┴──┘
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, replace
from itertools import combinations

from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, Ruler, inches
from ulna.core.page.evaluate import Evaluated, evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.page.standing import placed_at, stand
from ulna.core.page_formats import PageFormat
from ulna.core.parts.kinds import Part, work_out
from ulna.core.parts.kinds.title import Title
from ulna.core.parts.kinds.words import Words
from ulna.core.parts.pieces import Ground

OFF = inches(0, 1, 8)
"""What letters keep from what is round them."""
LEAST = inches(0, 1, 2)
"""A gap that is narrower holds no words."""
EDGE = inches(1)
"""How broad the strip along an edge is, in which an upright title stands."""


@dataclass(frozen=True, slots=True)
class Region:
    """A place on the spread, as people call it; along an edge words stand upright."""

    name: str
    at: Rect
    upright: bool = False


@dataclass(frozen=True, slots=True)
class Offer:
    """The part as it would be in a region, or why it would not be there."""

    name: str
    part: Part | None
    why_not: str = ""


def offers(plan: PagePlan, part: str, ground: Ground) -> list[Offer]:
    """A title or a block of words in each region of its page that is there. Raises `NotOnShelf` for a part that is
    not."""
    words = plan.part(part)
    without = replace(plan, parts=tuple(one for one in plan.parts if one.id != part))
    standing = stand(plan.parts, ground)
    found = list[Offer]()
    for region in regions(evaluate(without, ground), ground):
        put = _into(words, region, ground)
        if put is None:
            found.append(Offer(region.name, None, f"it is larger than {ground.ruler.say_size(*_size(region.at))}"))
            continue
        built, _ = work_out(put, ground, region.at)
        wide, high = built.width, built.height
        x = region.at.x + (region.at.width - wide).part(1, 2)
        y = region.at.y + (region.at.height - high).part(1, 2)
        at = Rect(ground.ruler.round(x), ground.ruler.round(y), wide, high)
        found.append(Offer(region.name, placed_at(put, at, standing, ground.format)))
    return found


def _into(part: Part, region: Region, ground: Ground) -> Part | None:
    """The part as large as goes there; None where that is not to be had."""
    room = _inner(region.at, ground.ruler)
    if room.width <= ZERO or room.height <= ZERO:
        return None
    tried: Part
    if isinstance(part, Title):
        way = ("up" if region.at.x < ground.format.whole.width.part(1, 2) else "down") if region.upright else ""
        tried = replace(part, upright=way, fit=False)  # type: ignore[arg-type]
        if any(style.is_cut for style in part.styles):
            tried = replace(tried, fit=True, width=room.width, height=room.height)
    elif isinstance(part, Words) and not region.upright:
        tried = replace(part, width=room.width - part.margin * (2 if part.paper else 0), height=room.height)
    else:
        return None
    built, _ = work_out(tried, ground, region.at)
    fits = built.is_there and built.width <= region.at.width and built.height <= region.at.height
    return tried if fits or (isinstance(part, Words) and built.is_there) else None


def regions(page: Evaluated, ground: Ground) -> Iterator[Region]:
    """Of each page its thirds and edges; then what the parts leave."""
    format = page.format
    for name in format.names:
        at, of = format.page(name), "" if format.pages == 1 else f", {name} page"
        third, high = at.width.part(1, 3), at.height.part(1, 3)
        for k, called in enumerate(("left", "middle", "right")):
            yield Region(f"{called} third{of}", Rect(at.x + third * k, at.y, third, at.height))
        for k, called in enumerate(("upper", "middle", "lower")):
            yield Region(f"{called} third across{of}", Rect(at.x, at.y + high * k, at.width, high))
        yield Region(f"along the left edge{of}", Rect(at.x, at.y, EDGE, at.height), upright=True)
        yield Region(f"along the right edge{of}", Rect(at.right - EDGE, at.y, EDGE, at.height), upright=True)
    boxes = [(part.name, part.box) for part in page.parts if part.box and not _is_ground(part.box, format)]
    yield from _cells(page)
    for (one, a), (other, b) in combinations(boxes, 2):
        if (gap := _between(a, b)) and not any(gap.meets(box) for _, box in boxes):
            yield Region(f"between {one} and {other}", gap)
    for called, box in boxes:
        above = Rect(box.x, max(ZERO, box.y - inches(2)), box.width, min(box.y, inches(2)))
        if box.width > box.height * 3 and above.height >= LEAST and not any(above.meets(b) for _, b in boxes):
            yield Region(f"on {called}", above)


def _is_ground(box: Rect, format: PageFormat) -> bool:
    """Whether it is so large that words lie on it, not beside it."""
    return any(box.area * 4 > format.page(name).area * 3 for name in format.names)


def _cells(page: Evaluated) -> Iterator[Region]:
    for part in page.parts:
        for spot in part.spots if part.box else ():
            if spot.what in ("empty", "title", "words") and part.box:
                yield Region(f"{spot.name} of {part.name}", spot.rect.moved(part.box.x, part.box.y))


def _between(a: Rect, b: Rect) -> Rect | None:
    """The gap between two boxes that face each other."""
    left, right = sorted((a, b), key=lambda box: box.x)
    top, bottom = sorted((a, b), key=lambda box: box.y)
    low, high = max(a.y, b.y), min(a.bottom, b.bottom)
    if left.right + LEAST <= right.x and low + LEAST <= high:
        return Rect(left.right, low, right.x - left.right, high - low)
    low, high = max(a.x, b.x), min(a.right, b.right)
    if top.bottom + LEAST <= bottom.y and low + LEAST <= high:
        return Rect(low, top.bottom, high - low, bottom.y - top.bottom)
    return None


def _inner(at: Rect, ruler: Ruler) -> Rect:
    off = ruler.round(OFF)
    return Rect(
        at.x + off, at.y + off, ruler.down((at.width - off * 2).inches), ruler.down((at.height - off * 2).inches)
    )


def _size(at: Rect) -> tuple[Length, Length]:
    return at.width, at.height
