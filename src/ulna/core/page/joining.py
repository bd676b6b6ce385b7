"""Clusters made by hand: what is chosen joined into one, and one taken apart again, each thing where it lies."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from ulna.core.errors import FieldError
from ulna.core.geometry.rects import Rect
from ulna.core.measure import Length, inches
from ulna.core.page.evaluate import Evaluated
from ulna.core.page.plan import PagePlan
from ulna.core.parts.kinds import work_out
from ulna.core.parts.kinds.cluster import MOST_MEMBERS, Cluster, Member
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.kinds.tape import Tape
from ulna.core.parts.kinds.thing import ThingPart
from ulna.core.parts.pieces import Ground
from ulna.core.parts.place import Place, place_at


def joined(plan: PagePlan, ids: Sequence[str], page: Evaluated, ground: Ground, new: str) -> PagePlan:
    """What is chosen as one cluster, each thing where it lies. Raises `FieldError` where something of it is none that
    can be in a cluster."""
    chosen = [part for part in plan.parts if part.id in ids]
    there = {part.id for part in page.parts if part.box is not None}
    boxes = {part.id: page.box(part.id) for part in chosen if part.id in there}
    if not boxes:
        raise FieldError("parts", "", "nothing is chosen that lies on the page", "choose the things of the cluster")
    left, top = min(box.x for box in boxes.values()), min(box.y for box in boxes.values())
    right, bottom = max(box.right for box in boxes.values()), max(box.bottom for box in boxes.values())
    middle = ground.ruler.round((left + right).part(1, 2)), ground.ruler.round((top + bottom).part(1, 2))
    members = list[Member]()
    for part in chosen:
        if part.id not in boxes:
            continue
        members += _members(part, boxes[part.id], middle, ground)
    whole = Cluster(new, tuple(members[:MOST_MEMBERS]))
    built, _ = work_out(whole, ground, ground.format.whole)
    # Its box begins where its first corner lies, not where the chosen ones' do: turned things reach further.
    reach = _offset(whole, ground)
    at = Rect(middle[0] + reach[0], middle[1] + reach[1], built.width, built.height)
    whole = replace(whole, place=place_at(Place(), at, ground.format))
    last = max(k for k, part in enumerate(plan.parts) if part.id in ids)
    before = [part for part in plan.parts[: last + 1] if part.id not in ids]
    return replace(plan, parts=(*before, whole, *plan.parts[last + 1 :]))


def _members(part: object, box: Rect, middle: tuple[Length, Length], ground: Ground) -> list[Member]:
    x, y = (box.x + box.right).part(1, 2) - middle[0], (box.y + box.bottom).part(1, 2) - middle[1]
    if isinstance(part, ThingPart):
        built, _ = work_out(part, ground, ground.format.whole)
        return [
            Member(
                part.thing, across=box.x + piece.rect.x + piece.rect.width.part(1, 2) - middle[0],
                down=box.y + piece.rect.y + piece.rect.height.part(1, 2) - middle[1], angle=part.angle,
                half=part.half, raised=part.raised, ink=part.ink,
            )
            for piece in built.pieces if piece.role == "thing"
        ]  # fmt: skip
    if isinstance(part, Tape) and part.thing:
        return [Member(part.thing, width=box.width, height=box.height, across=x, down=y, ink=part.colour)]
    if isinstance(part, Panel):
        return [Member(paper=part.choice, width=box.width, height=box.height, across=x, down=y)]
    if isinstance(part, Cluster):
        off = _offset(part, ground)
        at = box.x - off[0] - middle[0], box.y - off[1] - middle[1]
        return [replace(one, across=one.across + at[0], down=one.down + at[1]) for one in part.members]
    raise FieldError(
        "parts", type(part).__name__.lower(), "this cannot be in a cluster", "choose things, tape, panels"
    )


def _offset(cluster: Cluster, ground: Ground) -> tuple[Length, Length]:
    """From the cluster's middle to the corner of its box."""
    built, _ = work_out(cluster, ground, ground.format.whole)
    first, member = built.pieces[0], cluster.members[0]
    middle = (first.rect.x + first.rect.width.part(1, 2), first.rect.y + first.rect.height.part(1, 2))
    round_ = ground.ruler.round
    x = round_(member.across - first.rect.width.part(1, 2)) + first.rect.width.part(1, 2)
    y = round_(member.down - first.rect.height.part(1, 2)) + first.rect.height.part(1, 2)
    return x - middle[0], y - middle[1]


def apart(plan: PagePlan, id: str, page: Evaluated, ground: Ground, fresh: Sequence[str]) -> PagePlan:
    """A cluster as the things that it is made of, each where it lies. Raises `NotOnShelf`."""
    whole = plan.part(id)
    if not isinstance(whole, Cluster):
        raise FieldError("part", id, "this is no cluster", "choose a cluster")
    box, off = page.box(id), _offset(whole, ground)
    at = box.x - off[0], box.y - off[1]
    parts = list[Panel | ThingPart | Tape]()
    for new, one in zip(fresh, whole.members, strict=False):
        thing = ground.shelf.things.get(one.thing or "")
        part: Panel | ThingPart | Tape
        if one.paper is not None:
            part = Panel(new, "scrap", None, one.width or inches(2), one.height or inches(0, 1, 2), one.paper)
        elif thing is not None and thing.by_length:
            part = Tape(
                new, thing.id, one.height or thing.size[1], one.width or thing.size[0], wrapped=0,
                colour=one.ink or thing.colour,
            )  # fmt: skip
        else:
            part = ThingPart(new, one.thing, angle=one.angle, half=one.half, raised=one.raised, ink=one.ink)
        built, _ = work_out(part, ground, ground.format.whole)
        corner = Rect(
            ground.ruler.round(at[0] + one.across - built.width.part(1, 2)),
            ground.ruler.round(at[1] + one.down - built.height.part(1, 2)), built.width, built.height,
        )  # fmt: skip
        parts.append(replace(part, place=place_at(Place(), corner, ground.format)))
    k = next(k for k, part in enumerate(plan.parts) if part.id == id)
    return replace(plan, parts=(*plan.parts[:k], *parts, *plan.parts[k + 1 :]))
