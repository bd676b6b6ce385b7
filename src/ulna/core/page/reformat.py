"""A plan moved to another format: what fits is kept in proportion and on marks, what does not is listed."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Any

from ulna.core.geometry.rects import Rect
from ulna.core.measure import SIZE, Length, Ruler, parse
from ulna.core.page.plan import PagePlan
from ulna.core.page.standing import placed_at, stand
from ulna.core.page_formats import PageFormat
from ulna.core.parts import inside
from ulna.core.parts.kinds import Part, Placed, is_page, is_placed, name_of, traits
from ulna.core.parts.pieces import Ground
from ulna.core.parts.place import Place
from ulna.core.photos.crop import PRINT_SIZES
from ulna.core.photos.prints import Print

SIZES = tuple((parse(w), parse(h)) for w, h in PRINT_SIZES)


@dataclass(frozen=True, slots=True)
class Reformatted:
    """The plan in its new format, and what is to be told of it, each as a sentence."""

    plan: PagePlan
    told: tuple[str, ...]


def reformat(plan: PagePlan, format: PageFormat, ground: Ground) -> Reformatted:
    """`ground` is the new format's. Photos take the next smaller usual size where they must be smaller."""
    old, told = plan.format, list[str]()
    before = stand(plan.parts, ground.changed(format=old))
    scale = _scale(old, format)
    parts = list[Part]()
    single = format.pages == 1 and old.pages == 2
    for part in plan.parts:
        name = name_of(part, ground)
        if is_page(part):
            if single and part.on == "right":
                told.append(f"{_up(name)} is left out: there is one page now.")
            else:
                parts.append(part)
        elif is_placed(part):
            box = before[part.id].box
            if single and box is not None and old.page_of(box) == "right" and not part.place.needs:
                told.append(
                    f"{_up(name)} lay on the right page; it is kept, beside the page, until you find it room."
                )
            scaled = _scaled(part, scale, ground.ruler)
            if scaled != part and (prints := _prints(scaled)):
                sizes = ", ".join(ground.ruler.say_size(p.width, p.height) for p in prints)
                told.append(f"{_up(name)} is printed smaller: {sizes}.")
            parts.append(scaled)
    placed = replace(plan, format=format, parts=tuple(parts))
    placed = _placed(placed, plan, before, ground)
    after = stand(placed.parts, ground)
    for one in after.values():
        if one.box is None and before[one.part.id].box is not None:
            told.append(f"{_up(name_of(one.part, ground))} cannot be made at this size; see what it says.")
        elif one.box is not None and not format.whole.contains(one.box) and is_placed(one.part):
            told.append(f"{_up(name_of(one.part, ground))} does not fit on the page any more.")
    return Reformatted(placed, tuple(dict.fromkeys(told)))


def _up(name: str) -> str:
    return name[:1].upper() + name[1:]


def _scale(old: PageFormat, new: PageFormat) -> tuple[int, int]:
    """The smaller of the two pages' proportions, as a fraction; never above one: nothing is blown up."""
    across = (new.width.units, old.width.units)
    down = (new.height.units, old.height.units)
    least = min(across, down, key=lambda f: f[0] / f[1])
    return least if least[0] < least[1] else (1, 1)


def _scaled(part: Placed, scale: tuple[int, int], ruler: Ruler) -> Placed:
    if scale == (1, 1):
        return part
    changed: dict[str, Any] = {}
    for name in traits(part).scales:
        value = getattr(part, name, None)
        if isinstance(value, Length):
            changed[name] = max(SIZE.least, ruler.round(value.part(*scale)))
        elif value is not None:
            changed[name] = inside.changed(Print, value, lambda print_: _print(print_, scale, ruler))
    return replace(part, **changed)


def _prints(part: Placed) -> list[Print]:
    """The prints of it that go with the size of the page."""
    return [print_ for name in traits(part).scales for print_ in inside.every(Print, getattr(part, name, None))]


def _print(print_: Print, scale: tuple[int, int], ruler: Ruler) -> Print:
    """The largest usual size of the same lie that is not larger than in proportion; else in proportion, on marks."""
    most_w, most_h = ruler.round(print_.width.part(*scale)), ruler.round(print_.height.part(*scale))
    lying = print_.width > print_.height
    sizes = [(max(s), min(s)) if lying else (min(s), max(s)) for s in SIZES]
    same = [s for s in sizes if (s[0] == s[1]) == (print_.width == print_.height)]
    fitting = [s for s in same if s[0] <= most_w and s[1] <= most_h]
    if not fitting:
        return replace(print_, width=max(SIZE.least, most_w), height=max(SIZE.least, most_h))
    w, h = max(fitting, key=lambda s: s[0].units * s[1].units)
    return replace(print_, width=w, height=h)


def _placed(placed: PagePlan, plan: PagePlan, before: dict[str, Any], ground: Ground) -> PagePlan:
    """Each part that counts from the page, with the middle of its box in proportion to where it was on its page."""
    old, new = plan.format, placed.format
    standing = stand(placed.parts, ground)
    parts = list[Part]()
    for part in placed.parts:
        was, now = before[part.id].box, standing[part.id].box
        if not is_placed(part) or part.place.needs or was is None or now is None or _is_centred(part.place):
            parts.append(_on_a_page(part, new))
            continue
        name = old.page_of(was)
        if new.pages == 1 and name == "right":
            parts.append(
                placed_at(part, now.moved(new.width - now.x + old.width.part(1, 24), was.y - now.y), {}, new)
            )
            continue
        page, target = old.page(name), new.page(name if new.pages == 2 else "left")
        middle_x = (was.x + was.right - page.x * 2).part(target.width.units, page.width.units * 2)
        middle_y = (was.y + was.bottom).part(target.height.units, page.height.units * 2)
        x = ground.ruler.round(target.x + middle_x - now.width.part(1, 2))
        y = ground.ruler.round(middle_y - now.height.part(1, 2))
        if now.width <= target.width:
            x = max(target.x, min(x, target.right - now.width))
        if now.height <= target.height:
            y = max(target.y, min(y, target.bottom - now.height))
        moved = placed_at(part, Rect(x, y, now.width, now.height), {}, new)
        parts.append(moved)
    return replace(placed, parts=tuple(parts))


def _is_centred(place: Place) -> bool:
    """Centred both ways on its page: it stays so, whatever the page."""
    return place.across.edge == "centre" == place.down.edge and not place.across.by and not place.down.by


def _on_a_page(part: Part, format: PageFormat) -> Part:
    if not is_placed(part) or format.pages == 2 or part.place.on == "left":
        return part
    return replace(part, place=replace(part.place, on="left"))
