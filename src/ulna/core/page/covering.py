"""What covers a spot, a stain, a tear, a word that does not belong, and looks meant: best first.

It covers the spot and 1/8 in round it. Of what does, what is only a little larger comes first, and before that what has
a colour that the page has already: a colour that appears once more looks chosen.
"""

from __future__ import annotations

from collections.abc import Iterable, Sequence
from dataclasses import dataclass

from ulna.core.geometry.figures import inner_box
from ulna.core.measure import Length, inches
from ulna.core.paper.colour import Lab, of_hex
from ulna.core.paper.shelf import Paper, Shelf
from ulna.core.things.thing import NOT_STUCK_ON, Thing

ROUND = inches(0, 1, 8)
"""So far a cover reaches over the edge of what it hides."""
ALIKE = 18.0
"""In CIELAB: colours that are nearer are taken for the same accent."""


@dataclass(frozen=True, slots=True)
class Cover:
    """A thing or a scrap that covers it, whether it lies turned by a quarter then, and why it is where it is."""

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
        if left.get(thing.id, 0) < 1 or thing.kind in NOT_STUCK_ON or thing.by_length or thing.clear:
            continue
        sizes = _inside(thing)
        turned = _turned(sizes, wide, high, bool(thing.points or thing.says))
        if turned is not None:
            found.append((*_rank(thing.colours, thing.size, known), Cover(thing.id, None, turned, "")))
    for paper in shelf.papers.values():
        if paper.is_scrap and paper.count and not paper.holes:
            turned = _turned((paper.width, paper.height), wide, high, False)
            if turned is not None:
                found.append(
                    (*_rank(paper.a.colours, (paper.width, paper.height), known), _of_paper(paper, turned))
                )
    found.sort(key=lambda one: (not one[0], one[1]))
    return [
        Cover(
            c.thing, c.paper, c.turned, "it repeats a colour of the page" if known_colour else "it is large enough"
        )
        for known_colour, _, c in found
    ]


def _of_paper(paper: Paper, turned: bool) -> Cover:
    return Cover(None, paper.id, turned, "")


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
