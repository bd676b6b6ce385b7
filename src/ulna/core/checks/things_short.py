"""Whether there are things enough: what the parts of a page take, against what the other planned pages leave.

A half counts as half a thing: two halves of one doily take one doily. What would do is tried: fewer of them, another
thing of the same kind and enough of it.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import replace
from typing import Any

from ulna.core.findings import Finding, Remedy
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length
from ulna.core.parts.kinds import Part, is_placed, traits
from ulna.core.parts.kinds.cluster import Cluster
from ulna.core.parts.kinds.scatter import Scatter
from ulna.core.parts.kinds.tape import Tape
from ulna.core.parts.kinds.thing import ThingPart
from ulna.core.parts.pieces import Ground
from ulna.core.things.thing import Thing

MOST_OTHERS = 3


def told(plan: Any, standing: Mapping[str, Any], ground: Ground) -> Iterator[Finding]:
    """For each part that comes too late for some of what it takes."""
    shelf = ground.shelf
    halves = {id: count * 2 for id, count in shelf.things_left.items()}
    lengths = dict(shelf.lengths_left)
    for part in plan.parts:
        for id, (wanted, long) in _taken(part, _room(part, standing, ground)).items():
            thing = shelf.things.get(id)
            if thing is None or not thing.runs_out:
                continue
            there = halves.get(id, 0)
            if wanted > max(0, there):
                yield _few(part, thing, wanted, max(0, there), ground)
            halves[id] = there - wanted
            if long > ZERO and id in lengths:
                if long > lengths[id]:
                    yield _too_long(part, thing, long, max(ZERO, lengths[id]), ground)
                lengths[id] -= long


def _room(part: Part, standing: Mapping[str, Any], ground: Ground) -> Rect:
    found = standing.get(part.id)
    if found is not None:
        room: Rect = found.room
        return room
    return ground.format.page(part.place.on) if is_placed(part) else ground.format.whole


def _taken(part: Part, room: Rect) -> dict[str, tuple[int, Length]]:
    found: dict[str, tuple[int, Length]] = {}
    for one in traits(part).takes(part, room):
        halves, long = found.get(one.thing, (0, ZERO))
        found[one.thing] = halves + one.halves, long + one.length
    return found


def _few(part: Part, thing: Thing, wanted: int, there: int, ground: Ground) -> Finding:
    lacking = -(-(wanted - there) // 2)
    has = "none" if there < 2 else str(there // 2)
    told = f"Of {thing.name} {has} {'is' if there // 2 == 1 or there < 2 else 'are'} left; it takes {lacking} more."
    remedies = [*_fewer(part, there // 2), *_others(part, thing, -(-wanted // 2), ground)]
    return Finding("things", "stop", part.id, told, tuple(remedies))


def _fewer(part: Part, there: int) -> Iterator[Remedy]:
    if isinstance(part, ThingPart) and 0 < there < part.count:
        yield Remedy(f"Take {there}", replace(part, count=there))
    if isinstance(part, Scatter) and len(part.things) == 1 and there:
        yield Remedy(f"Take {there}", replace(part, count=there))


def _others(part: Part, thing: Thing, wanted: int, ground: Ground) -> Iterator[Remedy]:
    alike = [
        one
        for one in ground.shelf.things.values()
        if one.id != thing.id and one.kind is thing.kind and ground.shelf.things_left.get(one.id, 0) >= wanted
    ]
    for one in alike[:MOST_OTHERS]:
        if isinstance(part, ThingPart):
            yield Remedy(f"Take {one.name} instead", replace(part, thing=one.id))
        elif isinstance(part, Scatter):
            things = tuple(dict.fromkeys(one.id if id == thing.id else id for id in part.things))
            yield Remedy(f"Take {one.name} instead", replace(part, things=things))
        elif isinstance(part, Cluster):
            members = tuple(replace(m, thing=one.id) if m.thing == thing.id else m for m in part.members)
            yield Remedy(f"Take {one.name} instead", replace(part, members=members))


def _too_long(part: Part, thing: Thing, long: Length, there: Length, ground: Ground) -> Finding:
    say = ground.ruler.say
    told = f"It takes {say(long)} of {thing.name}, and {say(there)} is there."
    remedies = list[Remedy]()
    if isinstance(part, Tape):
        alike = [
            one for one in ground.shelf.things.values()
            if one.id != thing.id and one.kind is thing.kind and ground.shelf.lengths_left.get(one.id, ZERO) >= long
        ]  # fmt: skip
        remedies = [Remedy(f"Take {one.name} instead", replace(part, thing=one.id)) for one in alike[:MOST_OTHERS]]
    return Finding("tape-short", "warn", part.id, told, tuple(remedies))
