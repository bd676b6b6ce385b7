"""Parts arranged together: aligned, shared out, mirrored, swapped, copied, repeated, taken away.

All positions go to marks. Parts that count from another one of those arranged are left to follow it.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Iterable, Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Any, Literal

from ulna.core.errors import FieldError
from ulna.core.geometry.rects import Rect
from ulna.core.measure import PER_INCH, ZERO, Length
from ulna.core.page.plan import Group, PagePlan
from ulna.core.page.standing import Standing, on_page, placed_at, stand
from ulna.core.page_formats import PageName
from ulna.core.parts.kind import OTHER, MirrorWay
from ulna.core.parts.kinds import Part, is_page, is_placed, name_of, traits
from ulna.core.parts.kinds.base import Base
from ulna.core.parts.kinds.joint import Joint
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.pieces import Ground
from ulna.core.parts.place import Across, Down, Place, place_at

AlignTo = Literal["left", "centre", "right", "top", "middle", "bottom"]
MOST_COPIES = 60
MOST_JOINED = 12


@dataclass(frozen=True, slots=True)
class Arranged:
    """The plan as it is then; the parts that are to be chosen now; what is to be known of it, in a sentence."""

    plan: PagePlan
    chosen: tuple[str, ...]
    told: str = ""


def chosen_of(plan: PagePlan, ids: Iterable[str]) -> list[str]:
    """The parts that move when these are moved: with any of a group, all of it. In the order of the recipe."""
    wanted = set(ids)
    for group in plan.groups:
        if wanted & set(group.parts):
            wanted |= set(group.parts)
    return [part.id for part in plan.parts if part.id in wanted]


def boxes_of(plan: PagePlan, ids: Sequence[str], ground: Ground) -> tuple[dict[str, Standing], dict[str, Rect]]:
    """How all parts stand; the boxes of those that are moved themselves and do not follow another one of them."""
    standing = stand(plan.parts, ground)
    boxes = {}
    for id in ids:
        one = standing.get(id)
        if one is None or one.box is None or not is_placed(one.part):
            continue
        if not any(follows(plan, id, other) for other in ids if other != id):
            boxes[id] = one.box
    return standing, boxes


def follows(plan: PagePlan, part: str, other: str) -> bool:
    """Whether a part's place counts, directly or by way of others, from `other`."""
    by_id = {one.id: one for one in plan.parts}
    todo, seen = [part], {part}
    while todo:
        one = by_id.get(todo.pop())
        for id in one.place.needs if one is not None and is_placed(one) else ():
            if id == other:
                return True
            if id not in seen:
                seen.add(id)
                todo.append(id)
    return False


def _moved(plan: PagePlan, to: dict[str, Rect], standing: dict[str, Standing]) -> PagePlan:
    parts = tuple(
        placed_at(part, to[part.id], standing, plan.format) if part.id in to else part for part in plan.parts
    )
    return replace(plan, parts=parts)


def _around(boxes: Iterable[Rect]) -> Rect:
    boxes = list(boxes)
    x, y = min(b.x for b in boxes), min(b.y for b in boxes)
    return Rect(x, y, max(b.right for b in boxes) - x, max(b.bottom for b in boxes) - y)


def shift(plan: PagePlan, ids: Sequence[str], across: Length, down: Length, ground: Ground) -> PagePlan:
    """All of them moved by as much."""
    standing, boxes = boxes_of(plan, ids, ground)
    return _moved(plan, {id: box.moved(across, down) for id, box in boxes.items()}, standing)


def align(plan: PagePlan, ids: Sequence[str], edge: AlignTo, ground: Ground) -> PagePlan:
    """Their edges or middles on one line: of two or more, that of all together; of one, that of its page."""
    standing, boxes = boxes_of(plan, ids, ground)
    if not boxes:
        return plan
    frame = _around(boxes.values())
    if len(boxes) == 1:
        frame = plan.format.page(plan.format.page_of(frame))
    mark = ground.ruler.round
    lines: dict[str, Callable[[Rect], Rect]] = {
        "left": lambda b: replace(b, x=frame.x),
        "right": lambda b: replace(b, x=frame.right - b.width),
        "centre": lambda b: replace(b, x=mark(frame.x + (frame.width - b.width).part(1, 2))),
        "top": lambda b: replace(b, y=frame.y),
        "bottom": lambda b: replace(b, y=frame.bottom - b.height),
        "middle": lambda b: replace(b, y=mark(frame.y + (frame.height - b.height).part(1, 2))),
    }
    return _moved(plan, {id: lines[edge](box) for id, box in boxes.items()}, standing)


def distribute(plan: PagePlan, ids: Sequence[str], way: Literal["across", "down"], ground: Ground) -> Arranged:
    """Equal gaps between three or more; the outermost stay. Positions are rounded, so gaps differ by a mark at most:
    which ones got more is told."""
    standing, boxes = boxes_of(plan, ids, ground)
    if len(boxes) < 3:
        raise FieldError("parts", str(len(boxes)), "equal gaps want three parts or more", "choose another one")
    across = way == "across"
    order = sorted(boxes, key=lambda id: boxes[id].x if across else boxes[id].y)
    sizes = [boxes[id].width if across else boxes[id].height for id in order]
    first, last = boxes[order[0]], boxes[order[-1]]
    room = (last.right - first.x if across else last.bottom - first.y) - sum(sizes, ZERO)
    to, starts, at = dict[str, Rect](), list[Length](), first.x if across else first.y
    for k, id in enumerate(order):
        start = ground.ruler.round(at + room.part(k, len(order) - 1)) if 0 < k < len(order) - 1 else None
        box = boxes[id]
        to[id] = box if start is None else replace(box, x=start) if across else replace(box, y=start)
        starts.append(to[id].x if across else to[id].y)
        at += sizes[k]
    gaps = [b - a - size for a, b, size in zip(starts, starts[1:], sizes, strict=False)]
    return Arranged(_moved(plan, to, standing), tuple(ids), _gaps_told(gaps, across, ground))


def _gaps_told(gaps: Sequence[Length], across: bool, ground: Ground) -> str:
    """What the gaps are, and which are wider because a ruler has no mark where they would all be equal."""
    say, least = ground.ruler.say, min(gaps)
    wider = [k + 1 for k, gap in enumerate(gaps) if gap > least]
    if not wider:
        return f"All gaps are {say(least)}."
    names = (
        f"gap{'s' if len(wider) > 1 else ''} {' and '.join(map(str, wider))} from the {'left' if across else 'top'}"
    )
    return f"Gaps of {say(least)}; {names} got {say(max(gaps) - least)} more, so that all lies on marks."


def mirror(
    plan: PagePlan, ids: Sequence[str], way: Literal["across", "down"], on: PageName, ground: Ground
) -> PagePlan:
    """Their boxes mirrored about the middle of a page or the spread, torn edges and half figures too; what is printed
    stays the right way round."""
    standing, boxes = boxes_of(plan, ids, ground)
    page = plan.format.page(on)
    to = {}
    for id, box in boxes.items():
        x = page.x + page.right - box.right if way == "across" else box.x
        y = page.y + page.bottom - box.bottom if way == "down" else box.y
        to[id] = Rect(x, y, box.width, box.height)
    moved = _moved(plan, to, standing)
    return replace(moved, parts=tuple(mirrored(p, way) if p.id in set(ids) else p for p in moved.parts))


def page_as_panel(
    plan: PagePlan, side: Literal["left", "right"], trim: Length, new_id: Callable[[str], str], ground: Ground
) -> Arranged:
    """A whole page trimmed all round and made a panel on a new base, in one act: its base is the panel, what lay on the
    page lies on that, where it lay, and ends where it ends. What was said about gutting the base counts for the panel.
    """
    base = next((p for p in plan.parts if isinstance(p, Base) and p.on == side), None)
    if base is None:
        raise FieldError("page", side, "this page has no base that could be the panel", "put a base under it first")
    page = plan.format.page(side)
    if trim * 2 >= min(page.width, page.height):
        read = ground.ruler.say(trim)
        raise FieldError("trim", read, "that leaves nothing of the page", "trim less off it")
    panel = Panel(new_id("panel"), "page", trim, choice=base.choice, place=Place(side))
    new_base = Base(new_id("base"), side)
    standing = stand(plan.parts, ground)
    box = stand((new_base, panel), ground)[panel.id].box or page
    parts, cut = list[Part](), list[str]()
    for part in plan.parts:
        at = standing[part.id].box
        if part is base:
            parts += [new_base, panel]
        elif not is_placed(part) or at is None or part.place.needs or plan.format.page_of(at) != side:
            parts.append(part)
        else:
            across, down = replace(part.place.across, of=panel.id), replace(part.place.down, of=panel.id)
            onto = replace(part.place, across=across, down=down, flush=True)
            parts.append(replace(part, place=place_at(onto, at, plan.format, {panel.id: box})))
            if off := at.bare_of(box):
                cut.append(f"{name_of(part, ground)} by {_off_told(off, ground)}")
    words = {f"{base.id}/base": f"{panel.id}/panel"}
    gutting = tuple(replace(one, piece=words.get(one.piece, one.piece)) for one in plan.gutting)
    told = f"Cut off: {'; '.join(cut)}." if cut else "Nothing that lies on the page is cut."
    return Arranged(replace(plan, parts=tuple(parts), gutting=gutting), (panel.id,), told)


def _off_told(off: Mapping[str, Length], ground: Ground) -> str:
    return " and ".join(f"{ground.ruler.say(by)} at its {side} edge" for side, by in off.items())


def mirrored(part: Part, way: MirrorWay) -> Part:
    """A part that has a left and a right of its own, or an above and a below: its torn edge, its half of a figure."""
    image, sided = traits(part).mirror, traits(part).sided
    if image is not None and way == "across":
        mirror_image: Part = image(part)
        return mirror_image
    if not sided:
        return part
    side = getattr(part, sided)
    turned: Any = {sided: OTHER[way].get(side, side)}
    return replace(part, **turned)


def swap_pages(plan: PagePlan, ground: Ground) -> PagePlan:
    """What lies on the left page goes to the right one and the other way round; what lies over both stays."""
    if plan.format.pages != 2:
        raise FieldError("pages", "1", "there is no other page", "make it a double page first")
    standing, boxes = boxes_of(plan, [part.id for part in plan.parts], ground)
    w, to = plan.format.width, {}
    for id, box in boxes.items():
        side = plan.format.page_of(box)
        if side != "spread":
            to[id] = box.moved(w if side == "left" else -w, ZERO)
    moved = _moved(plan, to, standing)
    other: dict[str, Literal["left", "right"]] = {"left": "right", "right": "left"}
    parts = tuple(replace(p, on=other[p.on]) if is_page(p) else p for p in moved.parts)
    return replace(moved, parts=parts)


def swap(plan: PagePlan, first: str, second: str, ground: Ground) -> PagePlan:
    """Two parts change places: the middle of each goes where that of the other was."""
    standing, boxes = boxes_of(plan, [first, second], ground)
    if len(boxes) != 2:
        raise FieldError("parts", f"{first}, {second}", "two parts change places that lie freely", "choose two")
    a, b = boxes[first], boxes[second]

    def centred(box: Rect, on: Rect) -> Rect:
        x = on.x + (on.width - box.width).part(1, 2)
        y = on.y + (on.height - box.height).part(1, 2)
        return Rect(ground.ruler.round(x), ground.ruler.round(y), box.width, box.height)

    return _moved(plan, {first: centred(a, b), second: centred(b, a)}, standing)


def copy(plan: PagePlan, ids: Sequence[str], new_id: Callable[[str], str], ground: Ground) -> Arranged:
    """Copies of parts on top of all, a half inch beside them; what counted from one of them counts from its copy."""
    step = Length(PER_INCH // 2)
    return _copied(plan, ids, [(step, step)], new_id, ground)


def repeat(
    plan: PagePlan,
    ids: Sequence[str],
    rows: int,
    columns: int,
    across: Length,
    down: Length,
    new_id: Callable[[str], str],
    ground: Ground,
) -> Arranged:
    """Rows × columns of them in all, so far apart from corner to corner."""
    if not 1 <= rows * columns <= MOST_COPIES or min(rows, columns) < 1:
        read = f"{rows} × {columns}"
        raise FieldError("rows", read, f"1 to {MOST_COPIES} can be repeated", "take fewer rows or columns")
    steps = [(across * c, down * r) for r in range(rows) for c in range(columns) if r or c]
    made = _copied(plan, ids, steps, new_id, ground)
    return replace(made, plan=_shared_out(made.plan, (*ids, *made.chosen)))


def _shared_out(plan: PagePlan, ids: Sequence[str]) -> PagePlan:
    """Alike pieced blocks among these share one set of strips out, so that they differ and no paper is used oftener."""
    found: dict[object, list[str]] = {}
    for part in plan.parts:
        if part.id in ids and traits(part).shared_out:
            alike = _block(part, 1, 1, id="", place=Place())
            found.setdefault(alike, []).append(part.id)
    of = {id: (k, len(group)) for group in found.values() if len(group) > 1 for k, id in enumerate(group, 1)}
    parts = tuple(_block(p, *of[p.id]) if p.id in of else p for p in plan.parts)
    return replace(plan, parts=parts)


def _block(part: Part, k: int, n: int, **more: Any) -> Part:
    """The part as block k of n."""
    return replace(part, **{"block": k, "blocks": n, **more})


def ring(
    plan: PagePlan, ids: Sequence[str], count: int, radius: Length, new_id: Callable[[str], str], ground: Ground
) -> Arranged:
    """`count` of them in all, evenly round a ring on which the first is the topmost."""
    if not 2 <= count <= MOST_COPIES:
        raise FieldError("count", str(count), "too few or too many for a ring", f"take 2 to {MOST_COPIES}")
    r = radius.inches
    steps = []
    for k in range(1, count):
        t = math.tau * k / count
        x, y = r * math.sin(t), r * (1 - math.cos(t))
        steps.append((ground.ruler.near(x), ground.ruler.near(y)))
    return _copied(plan, ids, steps, new_id, ground)


def _copied(
    plan: PagePlan,
    ids: Sequence[str],
    steps: Sequence[tuple[Length, Length]],
    new_id: Callable[[str], str],
    ground: Ground,
) -> Arranged:
    standing, boxes = boxes_of(plan, ids, ground)
    parts, groups, chosen = list(plan.parts), list(plan.groups), list[str]()
    together = next((g for g in plan.groups if set(ids) <= set(g.parts)), None)
    for across, down in steps:
        fresh = {id: new_id(standing[id].part.kind) for id in ids if id in standing}
        for id in fresh:
            part = replace(standing[id].part, id=fresh[id])
            if id in boxes:
                part = placed_at(part, boxes[id].moved(across, down), standing, plan.format)
            elif is_placed(part):
                part = replace(part, place=counted_from(part.place, fresh))
            parts.append(part)
        chosen += fresh.values()
        if together is not None:
            groups.append(Group(new_id("group"), together.name, tuple(fresh.values())))
    return Arranged(replace(plan, parts=tuple(parts), groups=tuple(groups)), tuple(chosen))


def counted_from(place: Place, fresh: dict[str, str]) -> Place:
    """The place with every part that it counts from exchanged for its copy."""
    across = Across(place.across.edge, place.across.by, fresh.get(place.across.of or "", place.across.of))
    down = Down(place.down.edge, place.down.by, fresh.get(place.down.of or "", place.down.of))
    on = replace(place.stand, of=fresh.get(place.stand.of, place.stand.of)) if place.stand else None
    return Place(place.on, across, down, on)


def remove(plan: PagePlan, ids: Sequence[str], ground: Ground) -> PagePlan:
    """The plan without them; what counted from one of them stays where it lies, counted from its page."""
    gone = set(ids)
    standing = stand(plan.parts, ground)
    parts = list[Part]()
    for part in plan.parts:
        if part.id in gone:
            continue
        box = standing[part.id].box
        if is_placed(part) and gone & set(part.place.needs) and box is not None:
            part = placed_at(replace(part, place=on_page(part.place)), box, {}, plan.format)
        parts.append(part)
    groups = [replace(g, parts=tuple(id for id in g.parts if id not in gone)) for g in plan.groups]
    return replace(plan, parts=tuple(parts), groups=tuple(g for g in groups if len(g.parts) > 1))


def join(plan: PagePlan, ids: Sequence[str], new_id: Callable[[str], str], ground: Ground) -> Arranged:
    """Photos that lay singly on one mat, in a row as they lay from the left, where the first of them lay; what counted
    from one of the others stays where it lies. The mats are those of the first. Raises `FieldError`."""
    standing = stand(plan.parts, ground)
    photos = [part for part in plan.parts if part.id in set(ids) and isinstance(part, PhotoPart)]
    if len(photos) < 2 or len(photos) != len(set(ids)) or len(photos) > MOST_JOINED:
        read = f"{len(photos)} of {len(set(ids))}"
        raise FieldError("parts", read, f"2 to {MOST_JOINED} single photos go on one mat", "choose photos alone")
    photos.sort(key=lambda part: box.x if (box := standing[part.id].box) else ZERO)
    first = photos[0]
    joint = Joint(new_id("joint"), tuple(part.print for part in photos), mats=first.mats, place=first.place)
    left = remove(plan, [part.id for part in photos[1:]], ground)
    parts = tuple(joint if part.id == first.id else part for part in left.parts)
    renamed = {first.id: joint.id}
    counting = tuple(
        replace(part, place=replace(counted_from(part.place, renamed), flush=part.place.flush))
        if is_placed(part) and first.id in part.place.needs
        else part
        for part in parts
    )
    groups = tuple(replace(g, parts=tuple(renamed.get(id, id) for id in g.parts)) for g in left.groups)
    return Arranged(replace(left, parts=counting, groups=groups), (joint.id,))


def group(plan: PagePlan, ids: Sequence[str], id: str, name: str) -> PagePlan:
    """They belong together from now on, and to no other group."""
    members = tuple(part.id for part in plan.parts if part.id in set(ids))
    if len(members) < 2:
        raise FieldError("parts", str(len(members)), "a group has two parts or more", "choose another one")
    rest = ungroup(plan, ids).groups
    return replace(plan, groups=(*rest, Group(id, name, members)))


def ungroup(plan: PagePlan, ids: Sequence[str]) -> PagePlan:
    """Whatever group any of them was in is dissolved."""
    wanted = set(ids)
    return replace(plan, groups=tuple(g for g in plan.groups if not wanted & set(g.parts)))
