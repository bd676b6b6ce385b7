"""The kinds of part that a page is made of: one module each, which says how it is built, named and put in words."""

from __future__ import annotations

from types import ModuleType

from ulna.core.geometry.rects import Rect
from ulna.core.parts.kinds import (
    axis,
    band,
    base,
    card,
    cutout,
    grid,
    joint,
    mitred,
    panel,
    papered,
    photo,
    pieced,
    pocket,
    rounds,
    stitching,
    tape,
    tiles,
    torn,
)
from ulna.core.parts.kinds.axis import Axis
from ulna.core.parts.kinds.band import Band
from ulna.core.parts.kinds.base import Base
from ulna.core.parts.kinds.card import Card
from ulna.core.parts.kinds.cutout import Cutout
from ulna.core.parts.kinds.grid import Grid
from ulna.core.parts.kinds.joint import Joint
from ulna.core.parts.kinds.mitred import Mitred
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.kinds.papered import Papered
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.kinds.pieced import Pieced
from ulna.core.parts.kinds.pocket import Pocket
from ulna.core.parts.kinds.rounds import Rounds
from ulna.core.parts.kinds.stitching import Stitching
from ulna.core.parts.kinds.tape import Tape
from ulna.core.parts.kinds.tiles import Tiles
from ulna.core.parts.kinds.torn import Torn
from ulna.core.parts.pieces import Built, Ground

Placed = (
    Panel
    | PhotoPart
    | Joint
    | Papered
    | Mitred
    | Torn
    | Stitching
    | Band
    | Pieced
    | Grid
    | Tiles
    | Cutout
    | Pocket
    | Rounds
    | Card
    | Tape
    | Axis
)
Part = Base | Placed

KINDS: dict[type, ModuleType] = {
    Base: base,
    Panel: panel,
    PhotoPart: photo,
    Joint: joint,
    Papered: papered,
    Mitred: mitred,
    Torn: torn,
    Stitching: stitching,
    Band: band,
    Pieced: pieced,
    Grid: grid,
    Tiles: tiles,
    Cutout: cutout,
    Pocket: pocket,
    Rounds: rounds,
    Card: card,
    Tape: tape,
    Axis: axis,
}

MOST_WORKED = 2_000


def work_out(part: Part, ground: Ground, room: Rect) -> tuple[Built, str]:
    """A part worked out at the origin on what it lies on, and as people say it with its values, without its place."""
    key = part, room.width, room.height
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
    named: str = KINDS[type(part)].name(part, ground)
    return named
