"""Where new parts go: photos where there is room, clear of the photos that lie there; panels under the photos.

┌───────────────┐
│ ▢ ▢ ▢         │  several go in rows from the top left, a usual gap apart;
│ ▢ ▢     new   │  one alone goes in the middle of a page that has none yet
└───────────────┘
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, Ruler
from ulna.core.page.plan import PagePlan
from ulna.core.page.standing import stand
from ulna.core.page_formats import PageFormat, PageName
from ulna.core.parts.beginning import usual
from ulna.core.parts.kinds import Part, Placed, is_placed, traits, work_out
from ulna.core.parts.pieces import Ground
from ulna.core.parts.place import Across, Down, Place, place_at, position


@dataclass(frozen=True, slots=True)
class Added:
    """A part with its place found; it lies directly under the part `under`, on top of all where that is None. `told` is
    what is to be known of it."""

    part: Part
    under: str | None
    told: str = ""


@dataclass(frozen=True, slots=True)
class Where:
    """Where the person works: `above` which part new ones are to lie, the page that is in view, and what is chosen."""

    above: str | None = None
    on: PageName | None = None
    near: str | None = None


def add(plan: PagePlan, parts: Sequence[Part], ground: Ground, where: Where = Where()) -> list[Added]:
    """Finds each new part its place and its level, in turn.

    With `above` they lie on that part; else bases go lowest, panels under the first photo, photos on top of all; what
    finds no room of its own lies in front, so that no photo hides it. Room is looked for on the page of what is chosen,
    near it, then on the page that is in view.
    """
    above = where.above
    lying = [(one.part, one.box) for one in stand(plan.parts, ground).values() if one.box]
    added = list[Added]()
    for k, part in enumerate(parts):
        placed, clear = _placed(plan, part, lying, len(parts) - k, ground, where)
        at = _level(plan, part, above) if clear or above else len(plan.parts)
        added.append(Added(placed, plan.parts[at].id if at < len(plan.parts) else None))
        plan = replace(plan, parts=(*plan.parts[:at], placed, *plan.parts[at:]))
        above = placed.id if above else None
        box = stand(plan.parts, ground)[placed.id].box
        if is_placed(placed) and box is not None:
            lying.append((placed, box))
    return added


def _level(plan: PagePlan, part: Part, above: str | None) -> int:
    if above is not None and above in (ids := [p.id for p in plan.parts]):
        return ids.index(above) + 1
    if part.level == "over":
        return len(plan.parts)
    lower = ("base",) if part.level == "base" else ("base", "under")
    return next((k for k, p in enumerate(plan.parts) if p.level not in lower), len(plan.parts))


def _placed(
    plan: PagePlan, part: Part, lying: list[tuple[Part, Rect]], coming: int, ground: Ground, where: Where
) -> tuple[Part, bool]:
    """The part on the first page with room for it, and whether it has that for itself; where there is none, a step
    beside what lies in the middle."""
    if not is_placed(part):
        return part, True
    taken = any(is_placed(one) and one.place == part.place for one, _ in lying)
    if part.place.needs:  # it lies on another part, or beside it; a twin a step further
        step = _gaps(ground.ruler)[0] if taken else ZERO
        x, y = part.place.across, part.place.down
        further = replace(part.place, across=replace(x, by=x.by + step), down=replace(y, by=y.by + step))
        return replace(part, place=further), True
    if part.place != Place(part.place.on) and not taken:
        return part, True  # where it is to lie is said already
    if traits(part).fills(part):
        return replace(part, place=_page_without_its_like(plan, part, where.on)), True
    format = plan.format
    built, _ = work_out(part, ground, format.page(part.place.on))
    width, height = built.width, built.height
    lies = [box for one, box in lying if _is_in_the_way(one, part)]
    chosen = next((box for one, box in lying if one.id == where.near and is_placed(one)), None)
    first = format.page_of(chosen) if chosen is not None else where.on
    own: tuple[PageName, ...] = format.names if width <= format.width else ("spread",)
    names = sorted(own, key=lambda name: name != first)
    empty = [n for n in names if first in (None, n) and not any(format.page(n).meets(box) for box in lies)]
    if empty and coming <= len(empty):
        return replace(part, place=Place(empty[0])), True
    for name in names:
        box = _spot(format.page(name), width, height, lies, ground.ruler, chosen)
        if box is not None:
            return replace(part, place=place_at(_FROM_CORNER, box, format)), True
    emptiest = min(names, key=lambda name: (sum(format.page(name).meets(box) for box in lies), name != first))
    return replace(part, place=_beside(Place(emptiest), width, height, lies, format, ground.ruler)), False


_FROM_CORNER = Place("left", Across("left"), Down("top"))


def _is_in_the_way(one: Part, of: Part) -> bool:
    """Photos lie on panels and bases, but not on photos; a panel of its own size lies beside others."""
    if not is_placed(one) or traits(one).fills(one):
        return False
    return of.level == "under" or one.level == "over"


def _page_without_its_like(plan: PagePlan, part: Placed, on: PageName | None) -> Place:
    taken = {p.place.on for p in plan.parts if type(p) is type(part) and is_placed(p) and traits(p).fills(p)}
    free = [name for name in plan.format.names if name not in taken]
    wanted = part.place if on not in free else replace(part.place, on=on)
    return wanted if wanted.on in free or not free else replace(wanted, on=free[0])


def _gaps(ruler: Ruler) -> tuple[Length, Length, Length]:
    """What is usual between photos and from the edge of a page, wider first."""
    found = usual(ruler.unit)
    return found.wide, found.border, found.narrow


def _spot(
    page: Rect, width: Length, height: Length, lies: list[Rect], ruler: Ruler, near: Rect | None = None
) -> Rect | None:
    """The first box of that size on a page, from the top and then from the left, or the nearest one where it is to be
    `near` something; clear of what lies there and of the edges by the widest gap that leaves any."""
    for gap in _gaps(ruler):
        found = list[Rect]()
        tops = {_next_mark(y + gap, ruler) for y in (page.y, *(box.bottom for box in lies))}
        if near is not None:
            beside = {_next_mark(y, ruler) for y in (near.y, near.y - height - gap)}
            tops |= {y for y in beside if y >= page.y + gap}
        for y in sorted(tops):
            if y + height + gap > page.bottom:
                break
            level = [box for box in lies if box.y < y + height + gap and y - gap < box.bottom]
            x = _next_mark(page.x + gap, ruler)
            while x + width + gap <= page.right:
                wall = max((b.right for b in level if b.x < x + width + gap and x - gap < b.right), default=None)
                if wall is None:
                    found.append(Rect(x, y, width, height))
                    if near is None:
                        return found[0]
                    x = ruler.step(x, 4)
                else:
                    x = _next_mark(wall + gap, ruler)
        if found and near is not None:
            return min(found, key=lambda box: _apart(box, near))
    return None


def _apart(one: Rect, other: Rect) -> int:
    """How far two boxes are from each other, edge to edge, the longer way counted once."""
    across = max(one.x.units - other.right.units, other.x.units - one.right.units, 0)
    down = max(one.y.units - other.bottom.units, other.y.units - one.bottom.units, 0)
    return across + down + (abs(one.x.units - other.x.units) + abs(one.y.units - other.y.units)) // 100


def _next_mark(length: Length, ruler: Ruler) -> Length:
    return length if ruler.on_mark(length) else ruler.step(length, 1)


def _beside(
    place: Place, width: Length, height: Length, lies: list[Rect], format: PageFormat, ruler: Ruler
) -> Place:
    """From the middle rightward and downward by a usual gap until no other part lies at the same corner."""
    page = format.page(place.on)
    middle, _ = position(place, width, height, page, page, ruler)
    box, corners, step = middle, {(one.x, one.y) for one in lies}, _gaps(ruler)[0]
    while (box.x, box.y) in corners:
        box = box.moved(step, step)
    return place if box == middle else place_at(place, box, format)
