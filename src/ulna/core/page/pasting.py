"""Parts copied from one page laid on another, or on the same one again."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Sequence
from dataclasses import replace

from ulna.core.geometry.rects import Rect
from ulna.core.measure import PER_INCH, ZERO, Length
from ulna.core.page.arranging import Arranged, boxes_of, chosen_of, counted_from
from ulna.core.page.plan import Group, PagePlan
from ulna.core.page.standing import on_page, placed_at
from ulna.core.page_formats import PageFormat
from ulna.core.parts.kinds import is_page, is_placed, traits
from ulna.core.parts.pieces import Ground

STEP = Length(PER_INCH // 2)
"""How far a part lies beside the one of its like that lies where it would."""


def paste(
    plan: PagePlan,
    source: PagePlan,
    ids: Iterable[str],
    new_id: Callable[[str], str],
    ground: Ground,
    source_ground: Ground,
) -> Arranged:
    """The plan with parts of another one on top, as far from the corner of their page as they lay there.

    What would lie over the edge of a smaller page is moved in; what would cover its like lies half an inch beside it;
    what counted from one of them counts from its copy, what counted from another part lies where that put it. The page
    of a base is said already: a base comes only where there is none. Grouped parts are a group again.
    """
    chosen = chosen_of(source, ids)
    standing, boxes = boxes_of(source, chosen, source_ground)
    left_out = [id for id in chosen if not _has_room(plan, source, id)]
    fresh = {id: new_id(standing[id].part.kind) for id in chosen if id not in left_out}
    lying = boxes_of(plan, [part.id for part in plan.parts], ground)[1].values()
    to = {id: _within(_offset(box, source.format, plan.format), plan.format) for id, box in boxes.items()}
    step = _step_beside([box for id, box in to.items() if id in fresh], set(lying))
    parts = list(plan.parts)
    for id, other in fresh.items():
        part = replace(standing[id].part, id=other)
        if is_placed(part):
            if id in to:
                free = replace(part, place=on_page(part.place))
                at = to[id] if traits(part).fills(part) else to[id].moved(step, step)
                part = placed_at(free, at, {}, plan.format)
            else:
                part = replace(part, place=counted_from(part.place, fresh))
        parts.insert(0 if is_page(part) else len(parts), part)
    groups = [
        Group(new_id("group"), group.name, tuple(fresh[id] for id in group.parts))
        for group in source.groups
        if set(group.parts) <= set(fresh)
    ]
    pasted = replace(plan, parts=tuple(parts), groups=(*plan.groups, *groups))
    told = "There is a base on this page already; that one was left out." if left_out else ""
    return Arranged(pasted, tuple(fresh.values()), told)


def _has_room(plan: PagePlan, source: PagePlan, id: str) -> bool:
    part = source.part(id)
    if not is_page(part):
        return True
    return part.on in plan.format.names and not any(is_page(one) and one.on == part.on for one in plan.parts)


def _offset(box: Rect, old: PageFormat, new: PageFormat) -> Rect:
    """As far from the corner of its page as before; what lay on a right page that is not there goes to the left one."""
    name = old.page_of(box)
    page = old.page(name)
    there = new.page(name) if name in new.names or (name == "spread" and new.pages == 2) else new.page("left")
    return box.moved(there.x - page.x, there.y - page.y)


def _within(box: Rect, format: PageFormat) -> Rect:
    """Moved in from the right and the bottom edge as far as it goes."""
    whole = format.whole
    x = max(ZERO, min(box.x, whole.right - box.width)) if box.x >= ZERO else box.x
    y = max(ZERO, min(box.y, whole.bottom - box.height)) if box.y >= ZERO else box.y
    return Rect(x, y, box.width, box.height)


def _step_beside(boxes: Sequence[Rect], lying: set[Rect]) -> Length:
    """How far all of them go across and down so that none covers its like."""
    step = ZERO
    while any(box.moved(step, step) in lying for box in boxes):
        step += STEP
    return step
