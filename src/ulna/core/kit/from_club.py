"""Kits that come from a club: what of one is here already, what a later edition changes, what one changed oneself.

A correction is offered field by field. What one has changed since it came stays as one has it.
"""

from __future__ import annotations

from collections.abc import Collection, Iterator, Mapping, Sequence
from dataclasses import dataclass, fields, replace
from typing import Any, Literal

from ulna.core.measure import Length, Ruler
from ulna.core.paper.shelf import Kit, Paper
from ulna.core.ranges import Id
from ulna.core.things.thing import Thing
from ulna.core.words.alphabets import Alphabet

Item = Paper | Thing | Alphabet
LISTS = ("papers", "things", "alphabets")
UNSAID = frozenset({"id", "picture"})


@dataclass(frozen=True, slots=True)
class Origin:
    """Where a kit of the household comes from: its code at the club, which edition, and how it came."""

    code: str
    edition: int
    kit: Id
    as_came: Kit


@dataclass(frozen=True, slots=True)
class Change:
    """What a later edition changes of one thing in a kit. `yours` says what one has changed oneself; that stays."""

    id: str
    name: str
    what: Literal["new", "changed", "gone"]
    says: str
    yours: str = ""


def items(kit: Kit) -> dict[str, Item]:
    """All that is in a kit, by id."""
    every: list[Item] = [*kit.papers, *kit.things, *kit.alphabets]
    return {one.id: one for one in every}


def alike(offered: Kit, kits: Mapping[str, Kit]) -> dict[str, str]:
    """Of what is offered, by id, the name of the kit in which the same is here already: called so, and as large."""
    there = {_known_by(one): kit.name for kit in kits.values() for one in items(kit).values()}
    return {id: there[known] for id, one in items(offered).items() if (known := _known_by(one)) in there}


def _known_by(one: Item) -> tuple[object, ...]:
    size = (one.width, one.height) if isinstance(one, Paper) else one.height
    return type(one).__name__, one.name.casefold().strip(), size


def only(kit: Kit, ids: Collection[str]) -> Kit:
    """The kit with these of its papers, things and alphabets."""
    kept: dict[str, Any] = {name: tuple(one for one in getattr(kit, name) if one.id in ids) for name in LISTS}
    return replace(kit, **kept)


def changes(origin: Kit, mine: Kit, now: Kit, ruler: Ruler) -> list[Change]:
    """What a later edition `now` changes of a kit that came as `origin` and is `mine` now. What one has thrown out
    oneself is not offered again."""
    then, here, new = items(origin), items(mine), items(now)
    found = list[Change]()
    for id, one in new.items():
        if id not in then:
            if id not in here:
                found.append(Change(id, one.name, "new", f"{_kind(one)} is new in it"))
        elif id in here and (differs := _differs(then[id], one)):
            own = _differs(then[id], here[id])
            told = [_said(name, then[id], one, ruler) for name in differs if name not in own]
            kept = [
                _called(name) for name in differs if name in own and getattr(here[id], name) != getattr(one, name)
            ]
            if told:
                found.append(Change(id, here[id].name, "changed", "; ".join(told), ", ".join(kept)))
    for id, one in then.items():
        if id not in new and id in here:
            yours = ", ".join(map(_called, _differs(one, here[id])))
            found.append(Change(id, here[id].name, "gone", f"{_kind(one)} was not in it after all", yours))
    return found


def corrected(origin: Kit, mine: Kit, now: Kit, chosen: Collection[str]) -> Kit:
    """One's kit with the chosen changes of a later edition; fields that one has changed stay."""
    then, new = items(origin), items(now)
    made: dict[str, Any] = {}
    for name in LISTS:
        here: Sequence[Item] = getattr(mine, name)
        kept = [_merged(then.get(one.id), one, new.get(one.id)) if one.id in chosen else one for one in here]
        ids = {one.id for one in here}
        more = [one for one in getattr(now, name) if one.id in chosen and one.id not in ids]
        made[name] = (*(one for one in kept if one is not None), *more)
    return replace(mine, **made)


def _merged(then: Item | None, mine: Item, now: Item | None) -> Item | None:
    if then is None or now is None:
        return None if then is not None else mine
    own = set(_differs(then, mine))
    return replace(mine, **{name: getattr(now, name) for name in _differs(then, now) if name not in own})


def _differs(one: Item, other: Item) -> list[str]:
    """The fields that differ; pictures have other names wherever they are kept."""
    if type(one) is not type(other):
        return []
    names, bare, also = (field.name for field in fields(one)), _bare(one), _bare(other)
    return [name for name in names if name not in UNSAID and getattr(bare, name) != getattr(also, name)]


def _bare(one: Item) -> Item:
    if not isinstance(one, Paper):
        return one
    return replace(one, a=replace(one.a, picture=None), b=replace(one.b, picture=None))


def _kind(one: Item) -> str:
    return {"Paper": "the paper", "Thing": "the thing", "Alphabet": "the alphabet"}[type(one).__name__]


def _called(name: str) -> str:
    return {"a": "side A", "b": "side B"}.get(name, name.replace("_", " "))


def _said(name: str, one: Item, other: Item, ruler: Ruler) -> str:
    before, after = (_value(getattr(item, name), ruler) for item in (one, other))
    return f"{_called(name)} {before} is {after}" if before and after else f"{_called(name)} is another"


def _value(value: object, ruler: Ruler) -> str:
    if isinstance(value, Length):
        return ruler.say(value)
    return str(value) if isinstance(value, int | str) and len(str(value)) <= 40 else ""


def every_picture(kit: Kit) -> Iterator[str]:
    """The names of the pictures that its papers and things have."""
    for paper in kit.papers:
        yield from (side.picture for side in (paper.a, paper.b) if side.picture)
    yield from (thing.picture for thing in kit.things if thing.picture)


def pictured(kit: Kit, pictures: Mapping[str, str]) -> Kit:
    """The kit with pictures under other names; those that are not named have none."""
    papers = tuple(
        replace(
            one, a=replace(one.a, picture=pictures.get(one.a.picture or "")),
            b=replace(one.b, picture=pictures.get(one.b.picture or "")),
        )
        for one in kit.papers
    )  # fmt: skip
    things = tuple(replace(one, picture=pictures.get(one.picture or "")) for one in kit.things)
    return replace(kit, papers=papers, things=things)
