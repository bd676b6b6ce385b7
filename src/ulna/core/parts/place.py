"""Where a part lies: counted from an edge or from the centre of its page, or of another part.

before   left  centre  right   after      across, of what it is counted from; down it is
  ▢    ┌ ▢       ▢       ▢ ┐    ▢         above, top, centre, bottom, below
       └───────────────────┘

A part that counts from another one both ways lies on it, and moves with it. It may also stand on an axis: a line of
its own that is not cut, such as a horizon, a diagonal or a ring.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field, replace
from typing import Literal

from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, Ruler, length_of
from ulna.core.page_formats import PageFormat, PageName
from ulna.core.ranges import Id, Offset, Share

AcrossFrom = Literal["left", "centre", "right", "before", "after"]
DownFrom = Literal["top", "centre", "bottom", "above", "below"]


@dataclass(frozen=True, slots=True)
class Across:
    """`by` inward from an edge; from the centre, rightward is positive; clear of it, the gap between the two.

    `of` is the part that it counts from; None means the page.
    """

    edge: AcrossFrom = "centre"
    by: Offset = ZERO
    of: Id | None = None


@dataclass(frozen=True, slots=True)
class Down:
    """`by` inward from an edge; from the centre, downward is positive; clear of it, the gap between the two."""

    edge: DownFrom = "centre"
    by: Offset = ZERO
    of: Id | None = None


@dataclass(frozen=True, slots=True)
class Stand:
    """The middle of the part lies on an axis, at this share of its length."""

    of: Id
    share: Share = 0.5


@dataclass(frozen=True, slots=True)
class Place:
    """`stand` counts before `across` and `down` where it is given. `flush` cuts it off where the part that it lies on
    ends."""

    on: PageName = "left"
    across: Across = field(default_factory=Across)
    down: Down = field(default_factory=Down)
    stand: Stand | None = None
    flush: bool = False

    @property
    def needs(self) -> tuple[str, ...]:
        """The parts that it counts from."""
        if self.stand is not None:
            return (self.stand.of,)
        return tuple(dict.fromkeys(of for of in (self.across.of, self.down.of) if of is not None))

    @property
    def base(self) -> str | None:
        """The part that it lies on: the one from which it counts both ways."""
        if self.stand is None and self.across.of == self.down.of:
            return self.across.of
        return None


def faults_of(place: Place) -> str:
    """What is wrong with a place: clear of something (before, after, above, below) wants what it is clear of."""
    for way, inside in ((place.across, "left"), (place.down, "top")):
        if way.of is None and way.edge in ("before", "after", "above", "below"):
            return f'"{way.edge}" wants the part that it counts from: name one in "of", or say "{inside}"'
    return ""


def _start(edge: str, by: Length, low: Length, room: Length, size: Length) -> Length:
    if edge in ("left", "top"):
        return low + by
    if edge in ("right", "bottom"):
        return low + room - size - by
    if edge in ("before", "above"):
        return low - by - size
    if edge in ("after", "below"):
        return low + room + by
    return low + (room - size).part(1, 2) + by


def _by(edge: str, start: Length, low: Length, room: Length, size: Length) -> Length:
    """The other way round: how far from that edge a part is that starts there."""
    zero = _start(edge, ZERO, low, room, size)
    return zero - start if edge in ("right", "bottom", "before", "above") else start - zero


def position(
    place: Place, width: Length, height: Length, across_in: Rect, down_in: Rect, ruler: Ruler
) -> tuple[Rect, bool]:
    """The box of a part of that size, its corner on a mark, and whether it was moved there to be on one."""
    x = _start(place.across.edge, place.across.by, across_in.x, across_in.width, width)
    y = _start(place.down.edge, place.down.by, down_in.y, down_in.height, height)
    marked = Rect(ruler.round(x), ruler.round(y), width, height)
    return marked, (marked.x, marked.y) != (x, y)


def centred_at(point: tuple[float, float], width: Length, height: Length, ruler: Ruler) -> Rect:
    """The box whose middle is nearest to a point in inches, its corner on a mark."""
    x, y = (length_of(v) for v in point)
    return Rect(ruler.round(x - width.part(1, 2)), ruler.round(y - height.part(1, 2)), width, height)


def counted(place: Place, box: Rect, format: PageFormat, bases: Mapping[str, Rect]) -> Place:
    """The place from just these edges of just these things, with the distances that put a part where `box` is.

    `bases` are the boxes of the parts that it counts from; what is not among them is the page.
    """
    page = format.page(place.on)
    in_x, in_y = bases.get(place.across.of or "", page), bases.get(place.down.of or "", page)
    by_x = _by(place.across.edge, box.x, in_x.x, in_x.width, box.width)
    by_y = _by(place.down.edge, box.y, in_y.y, in_y.height, box.height)
    return replace(place, across=replace(place.across, by=by_x), down=replace(place.down, by=by_y))


def place_at(old: Place, box: Rect, format: PageFormat, bases: Mapping[str, Rect] | None = None) -> Place:
    """The place that puts a part where `box` is, counted from the same edges as before where that is exact.

    `bases` are the boxes of the parts that it may count from.
    """
    bases = bases or {}
    on = format.page_of(box) if old.across.of is None else old.on
    page = format.page(on)
    in_x, in_y = bases.get(old.across.of or "", page), bases.get(old.down.of or "", page)
    edge_x, edge_y = old.across.edge, old.down.edge
    by_x = _by(edge_x, box.x, in_x.x, in_x.width, box.width)
    by_y = _by(edge_y, box.y, in_y.y, in_y.height, box.height)
    if edge_x == "centre" and by_x and old.across.of is None:
        edge_x, by_x = "left", box.x - in_x.x
    if edge_y == "centre" and by_y and old.down.of is None:
        edge_y, by_y = "top", box.y - in_y.y
    return Place(on, Across(edge_x, by_x, old.across.of), Down(edge_y, by_y, old.down.of), flush=old.flush)


_PAGES = {"left": "on the left page", "right": "on the right page", "spread": "on the spread"}


def says(place: Place, format: PageFormat, ruler: Ruler, names: Mapping[str, str] | None = None) -> str:
    """A place in words, as in: on the left page, centred across, 2 from the top. `names` are the parts' by id."""
    names = names or {}

    def named(of: str | None) -> str:
        return names.get(of or "", "a part that is gone")

    if place.stand is not None:
        return f"on {named(place.stand.of)}, {round(place.stand.share * 100)} % along"
    base = place.base
    words = [f"on {named(base)}"] if base and place.across.edge in _INSIDE and place.down.edge in _INSIDE else []
    if not words and format.pages == 2 and None in (place.across.of, place.down.of):
        words = [_PAGES[place.on]]
    lies_on = bool(words) and base is not None
    for by, edge, axis, of in (
        (place.across.by, place.across.edge, "across", place.across.of),
        (place.down.by, place.down.edge, "down", place.down.of),
    ):
        words.append(_axis_words(by, edge, axis, None if of is None or lies_on else named(of), ruler))
    if place.flush and base:
        words.append("trimmed with it")
    return ", ".join(words)


_INSIDE = ("left", "centre", "right", "top", "bottom")
_CLEAR = {"before": "left of", "after": "right of", "above": "above", "below": "below"}


def _axis_words(by: Length, edge: str, axis: str, of: str | None, ruler: Ruler) -> str:
    if edge in _CLEAR:
        other = of or "it"
        return f"{ruler.say(by)} {_CLEAR[edge]} {other}" if by else f"touching {other} {_CLEAR[edge]} it"
    tail = f" of {of}" if of else ""
    if edge != "centre":
        if of and not by:
            return f"flush with the {edge}{tail}"
        return f"{ruler.say(by)} from the {edge}{tail}"
    if not by:
        return f"centred {axis}" + (f" on {of}" if of else "")
    sides = ("left", "right") if axis == "across" else ("above", "below")
    side = sides[1] if by > ZERO else sides[0]
    return f"{ruler.say(abs(by))} {side}{' of' if axis == 'across' else ''} the centre{tail}"
