"""Where a part lies on the page: from an edge or from the centre, across and down."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Literal

from ulna.core.geometry import Rect
from ulna.core.measure import ZERO, Length, Ruler
from ulna.core.page_formats import PageFormat, PageName

AcrossFrom = Literal["left", "centre", "right"]
DownFrom = Literal["top", "centre", "bottom"]


@dataclass(frozen=True, slots=True)
class Across:
    """`by` inward from an edge; from the centre, rightward is positive."""

    edge: AcrossFrom = "centre"
    by: Length = ZERO


@dataclass(frozen=True, slots=True)
class Down:
    """`by` inward from an edge; from the centre, downward is positive."""

    edge: DownFrom = "centre"
    by: Length = ZERO


@dataclass(frozen=True, slots=True)
class Place:
    on: PageName = "left"
    across: Across = field(default_factory=Across)
    down: Down = field(default_factory=Down)


def _start(edge: str, by: Length, low: Length, room: Length, size: Length) -> Length:
    if edge in ("left", "top"):
        return low + by
    if edge in ("right", "bottom"):
        return low + room - size - by
    return low + (room - size).part(1, 2) + by


def position(place: Place, width: Length, height: Length, format: PageFormat, ruler: Ruler) -> tuple[Rect, bool]:
    """The box of a part of that size, its corner on a mark, and whether it was moved there to be on one."""
    page = format.page(place.on)
    x = _start(place.across.edge, place.across.by, page.x, page.width, width)
    y = _start(place.down.edge, place.down.by, page.y, page.height, height)
    marked = Rect(ruler.round(x), ruler.round(y), width, height)
    return marked, (marked.x, marked.y) != (x, y)


def place_at(old: Place, box: Rect, format: PageFormat) -> Place:
    """The place that puts a part where `box` is, counted from the same edges as before where that is exact."""
    on = format.page_of(box)
    page = format.page(on)
    spare_x, spare_y = page.width - box.width, page.height - box.height
    left, top = box.x - page.x, box.y - page.y
    across = {"left": left, "right": spare_x - left, "centre": left - spare_x.part(1, 2)}
    down = {"top": top, "bottom": spare_y - top, "centre": top - spare_y.part(1, 2)}
    along, below = old.across.edge, old.down.edge
    if along == "centre" and across["centre"]:
        along = "left"
    if below == "centre" and down["centre"]:
        below = "top"
    return Place(on, Across(along, across[along]), Down(below, down[below]))


_PAGES = {"left": "on the left page", "right": "on the right page", "spread": "on the spread"}


def says(place: Place, format: PageFormat, ruler: Ruler) -> str:
    """A place in words, as in: on the left page, centred across, 2 from the top."""
    words = [_PAGES[place.on]] if format.pages == 2 else []
    for by, edge, axis in (
        (place.across.by, place.across.edge, "across"),
        (place.down.by, place.down.edge, "down"),
    ):
        if edge != "centre":
            words.append(f"{ruler.say(by)} from the {edge}")
        elif not by:
            words.append(f"centred {axis}")
        else:
            sides = ("left", "right") if axis == "across" else ("above", "below")
            side = sides[1] if by > ZERO else sides[0]
            words.append(f"{ruler.say(abs(by))} {side}{' of' if axis == 'across' else ''} the centre")
    return ", ".join(words)
