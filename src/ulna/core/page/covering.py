"""What covers a spot, a stain, a tear, a word that does not belong, and looks meant: best first.

It covers the spot and 1/8 in round it. Of what does, what is only a little larger comes first, and before that what has
a colour that the page has already: a colour that appears once more looks chosen.
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass, replace

from ulna.core.geometry.figures import inner_box
from ulna.core.geometry.polygons import Point
from ulna.core.measure import Length, Ruler, inches
from ulna.core.paper.colour import Lab, of_hex
from ulna.core.paper.shelf import Direction, Shelf
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.kinds.thing import ThingPart
from ulna.core.parts.pieces import Ground, PaperChoice
from ulna.core.parts.place import Place, centred_at, place_at
from ulna.core.things.thing import NOT_STUCK_ON, Thing, ThingKind

ROUND = inches(0, 1, 8)
"""So far a cover reaches over the edge of what it hides."""
SEEN_THROUGH = NOT_STUCK_ON | {ThingKind.STAMP}
"""An impression in ink hides nothing."""
ALIKE = 18.0
"""In CIELAB: colours that are nearer are taken for the same accent."""


@dataclass(frozen=True, slots=True)
class Blemish:
    """What is to be covered: its size, and how far its middle lies from the left and the top of the page or spread."""

    width: Length
    height: Length
    across: Length
    down: Length


def between(one: Point, other: Point, size: tuple[Length, Length], ruler: Ruler) -> Blemish:
    """The spot between two corners, in inches, its sides the next marks that are no shorter. Corners that are nearer
    than a mark only point at it: it is of that `size`."""
    drawn = abs(one[0] - other[0]), abs(one[1] - other[1])
    if max(drawn) >= ruler.mark.inches:
        size = max(ruler.mark, ruler.up(drawn[0])), max(ruler.mark, ruler.up(drawn[1]))
    middle = ruler.near((one[0] + other[0]) / 2), ruler.near((one[1] + other[1]) / 2)
    return Blemish(*size, *middle)


@dataclass(frozen=True, slots=True)
class Cover:
    """A thing, or a paper of which a scrap covers it, whether that lies turned by a quarter, and why it is here."""

    thing: str | None
    paper: str | None
    turned: bool
    why: str


def covers(
    width: Length, height: Length, colours: Sequence[str], shelf: Shelf, left: dict[str, int]
) -> list[Cover]:
    """What covers a spot of that size; `colours` are those of the page, `left` how many are left of each thing."""
    wide, high = width + ROUND * 2, height + ROUND * 2
    known = [of_hex(one) for one in colours]
    found = list[tuple[bool, float, Cover]]()
    for thing in shelf.things.values():
        if left.get(thing.id, 0) < 1 or thing.kind in SEEN_THROUGH or thing.by_length or thing.clear:
            continue
        sizes = _inside(thing)
        turned = _turned(sizes, wide, high, bool(thing.points or thing.says))
        if turned is not None:
            found.append((*_rank(thing.colours, thing.size, known), Cover(thing.id, None, turned, "")))
    for paper in shelf.papers.values():
        if paper.is_scrap and paper.count and not paper.holes:
            # A scrap of a sheet that is known is asked for by that paper: the planner takes scraps first.
            of = shelf.papers.get(paper.scrap_of or "", paper)
            upright = of.a.direction is not Direction.NONE
            if _turned((paper.width, paper.height), wide, high, upright) is not None:
                rank = _rank(paper.a.colours, (paper.width, paper.height), known)
                found.append((*rank, Cover(None, of.id, False, "")))
    found.sort(key=lambda one: (not one[0], one[1]))
    said = dict[tuple[str | None, str | None], Cover]()
    for repeats, _, one in found:
        why = "it repeats a colour of the page" if repeats else "it is large enough"
        said.setdefault((one.thing, one.paper), replace(one, why=why))
    return list(said.values())


def laid(cover: Cover, spot: Blemish, ground: Ground, id: str) -> ThingPart | Panel:
    """The part that covers the spot, its middle on the spot's; a scrap is cut so large that it reaches over it."""
    shelf = ground.shelf
    part: ThingPart | Panel
    if cover.thing is not None:
        size = shelf.things[cover.thing].size
        part = ThingPart(id, cover.thing, angle=90.0 if cover.turned else 0.0)
        wide, high = size[::-1] if cover.turned else size
    else:
        wide, high = spot.width + ROUND * 2, spot.height + ROUND * 2
        part = Panel(id, "cover", None, wide, high, PaperChoice(cover.paper))
    middle = spot.across.inches, spot.down.inches
    box = centred_at(middle, wide, high, ground.ruler)
    return replace(part, place=place_at(Place(), box, ground.format))


def _inside(thing: Thing) -> tuple[Length, Length]:
    """The box inside its outline that surely covers."""
    inner = inner_box(thing.shape)
    return (inner.width, inner.height) if inner else (thing.size[0].part(7, 10), thing.size[1].part(7, 10))


def _turned(size: tuple[Length, Length], wide: Length, high: Length, upright: bool) -> bool | None:
    """Whether it has to be turned to cover; None where it does not cover either way."""
    if size[0] >= wide and size[1] >= high:
        return False
    if not upright and size[1] >= wide and size[0] >= high:
        return True
    return None


def _rank(colours: Iterable[str], size: tuple[Length, Length], known: Sequence[Lab]) -> tuple[bool, float]:
    repeats = any(of_hex(one).far(other) < ALIKE for one in colours for other in known)
    return repeats, size[0].inches * size[1].inches
