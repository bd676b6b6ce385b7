"""The kinds of part that a page is made of: one module each. A new one is a module, and a line in either list here."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from typing import TypeGuard

from ulna.core.geometry.rects import Rect
from ulna.core.parts.kind import Entry, Kind, Traits
from ulna.core.parts.kinds import (
    axis,
    band,
    base,
    card,
    cluster,
    cutout,
    date,
    edging,
    grid,
    joint,
    mitred,
    panel,
    papered,
    photo,
    pieced,
    pocket,
    rounds,
    scatter,
    stamped,
    stitching,
    tape,
    thing,
    tiles,
    title,
    torn,
    wet,
    words,
    wordstrips,
)
from ulna.core.parts.pieces import Built, Ground

Placed = (
    panel.Panel
    | photo.PhotoPart
    | joint.Joint
    | papered.Papered
    | mitred.Mitred
    | torn.Torn
    | stitching.Stitching
    | band.Band
    | edging.Edging
    | pieced.Pieced
    | grid.Grid
    | tiles.Tiles
    | cutout.Cutout
    | pocket.Pocket
    | rounds.Rounds
    | card.Card
    | tape.Tape
    | thing.ThingPart
    | cluster.Cluster
    | scatter.Scatter
    | stamped.Stamped
    | wet.Wet
    | title.Title
    | words.Words
    | wordstrips.WordStrips
    | date.Date
    | axis.Axis
)
Part = base.Base | Placed

MODULES: tuple[Kind, ...] = (
    base,
    panel,
    photo,
    joint,
    papered,
    mitred,
    torn,
    stitching,
    band,
    edging,
    pieced,
    grid,
    tiles,
    cutout,
    pocket,
    rounds,
    card,
    tape,
    thing,
    cluster,
    scatter,
    stamped,
    wet,
    title,
    words,
    wordstrips,
    date,
    axis,
)
KINDS: dict[type[Part], Kind] = {module.PART: module for module in MODULES}

MOST_WORKED = 2_000


def is_placed(part: Part) -> TypeGuard[Placed]:
    """Whether it has a place; a base has none, it is the page itself."""
    return hasattr(part, "place")


def is_page(part: Part) -> TypeGuard[base.Base]:
    """Whether it is the page itself."""
    return not is_placed(part)


def traits(part: Part) -> Traits:
    return KINDS[type(part)].TRAITS


def work_out(part: Part, ground: Ground, room: Rect) -> tuple[Built, str]:
    """A part worked out at the origin on what it lies on, and as people say it with its values, without its place."""
    key = part, room.width, room.height, ground.fold, ground.free, ground.around
    found = ground.worked.get(key)
    if found is None:
        if len(ground.worked) > MOST_WORKED:
            ground.worked.clear()
        kind = KINDS[type(part)]
        found = kind.build(part, ground, room), kind.sentence(part, ground)
        ground.worked[key] = found
    return found


def name_of(part: Part, ground: Ground) -> str:
    """What other parts call it when they are placed from it."""
    return KINDS[type(part)].name(part, ground)


def names_of(parts: Sequence[Part], ground: Ground) -> dict[str, str]:
    """What each part of a page is called among the others: those that would share a name are told apart by their page,
    else by their number: "the panel, left page", "the panel 2"."""
    named = {part.id: name_of(part, ground) for part in parts}
    if ground.format.pages == 2:
        on = {part.id: part.place.on for part in parts if is_placed(part)}
        shared = {name for name, times in Counter(named.values()).items() if times > 1}
        for id, name in list(named.items()):
            if name in shared and on.get(id) in ("left", "right"):
                named[id] = f"{name}, {on[id]} page"
    times = Counter(named.values())
    seen = Counter[str]()
    for id, name in named.items():
        seen[name] += 1
        if times[name] > 1 and seen[name] > 1:
            named[id] = f"{name} {seen[name]}"
    return named


def menu() -> list[Entry]:
    """What can be added to a page, in the order of the kinds."""
    entries = [entry for module in MODULES for entry in module.MENU]
    for moved in [entry for entry in entries if entry.after]:
        entries.remove(moved)
        entries.insert([entry.name for entry in entries].index(moved.after) + 1, moved)
    return entries
