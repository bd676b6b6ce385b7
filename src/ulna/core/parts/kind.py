"""What a kind of part declares, beside its fields: how it is built, named and said, its traits, what the menu offers.

One module of `kinds` is one kind. It has a frozen dataclass (`kind`, `level`, `id`, its values with their ranges and
defaults, `place`) and what `Kind` asks for; mypy holds every module to it.
"""

from __future__ import annotations

from collections.abc import Callable, Iterable, Mapping
from dataclasses import dataclass
from typing import Any, Literal, Protocol

from ulna.core.geometry.polygons import Point
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length
from ulna.core.parts.beginning import Beginning
from ulna.core.parts.pieces import Built, Ground


@dataclass(frozen=True, slots=True)
class Entry:
    """What the menu offers: a name, further words by which it is looked for, a drawing in a box of 24 × 24 (SVG),
    and the part as it begins. `after` names the entry of another kind that it stands after."""

    name: str
    words: str
    picture: str
    begin: Callable[[Beginning], Any]
    after: str = ""


@dataclass(frozen=True, slots=True)
class Standable:
    """A part that others stand on: where a share of it is in its box, and the share that is nearest to a point."""

    point: Callable[[Any, Rect, float], Point]
    share_near: Callable[[Any, Rect, Point], float]


@dataclass(frozen=True, slots=True)
class Taking:
    """What a part takes of a thing of the shelf: so many halves (a whole one is two), or a length."""

    thing: str
    halves: int = 2
    length: Length = ZERO


@dataclass(frozen=True, slots=True)
class Traits:
    """How parts of a kind behave among others.

    `fills` says whether one is as large as what it lies on. `scales` are the fields that go with the size of the page
    when it moves to another format; gaps, borders and trims stay. One that stays `whole` loses what it is for when the
    gutter cuts it; what `steps_off_fold` is worked out anew where the fold goes through it. `off_trim` is how far it
    keeps off an edge that may be trimmed. `sided` is a field that names a side of its own, which a mirror turns round;
    what is made of several things has a `mirror` image of its own.
    Of those that are `shared_out`, alike ones that are repeated count as block k of n. A `line` is what others stand
    on. `one_print` is all that a photo is, so that its picture can slide in it. `takes` are the things of the shelf
    that it uses on what it lies on; what `keeps_off` others is worked out last, from where those lie,
    and may lie round what `gathers` them.
    """

    fills: Callable[[Any], bool] = lambda part: False
    scales: tuple[str, ...] = ("width", "height", "length", "size")
    whole: bool = False
    steps_off_fold: bool = False
    off_trim: Length = ZERO
    sided: str = ""
    mirror: Callable[[Any], Any] | None = None
    shared_out: bool = False
    line: Standable | None = None
    one_print: bool = False
    takes: Callable[[Any, Rect], Iterable[Taking]] = lambda part, room: ()
    keeps_off: bool = False
    gathers: bool = False


class Kind(Protocol):
    """A module of `kinds`."""

    PART: type[Any]
    TRAITS: Traits
    MENU: tuple[Entry, ...]

    def build(self, part: Any, ground: Ground, room: Rect) -> Built:
        """Worked out at the origin on what it lies on."""

    def name(self, part: Any, ground: Ground) -> str:
        """What other parts call it when they are placed from it."""

    def sentence(self, part: Any, ground: Ground) -> str:
        """As people say it with its values, without its place."""


OTHER: Mapping[str, Mapping[str, str]] = {
    "across": {"left": "right", "right": "left"},
    "down": {"top": "bottom", "bottom": "top"},
}
"""Which side is which in a mirror."""

MirrorWay = Literal["across", "down"]
