"""Which paper for which mat: the papers at hand ranked for a picture, each with its reason.

A first mat makes the photo stand out: its lightness differs from the photo's edge by 20 or more, and it is plain
where the edge is lively. A second mat stands apart from the first and takes up a colour of the photo.
"""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, replace
from typing import Literal

from ulna.core.measure import Length
from ulna.core.paper.colour import Lab, PictureColours, of_hex, word
from ulna.core.paper.shelf import Face, Paper, Shelf, Side, Stock

Layer = Literal["first", "second"]
STANDS_OUT = 20.0
"""The difference in lightness (L*) from which a photo stands out from its mat."""

APART = 12.0
TAKES_UP = 24.0
"""How near a paper's colour must be to one of the photo's to take it up, in distances of CIELAB."""

ALIKE, STEP_BACK = 9.0, 8.0
BUSY = ("plain", "quiet", "lively", "busy")
NEUTRAL = ("grey", "white", "black", "cream")


@dataclass(frozen=True, slots=True)
class MatChoice:
    """A side of a paper as a mat; `good` where nothing speaks against it, `reason` in words either way."""

    paper: str
    side: Face
    good: bool
    reason: str
    rank: float


def rank(
    papers: Iterable[Paper], look: PictureColours, layer: Layer, beside: Side | None = None
) -> list[MatChoice]:
    """Both sides of every paper, best first. `beside` is the mat between it and the photo, where the second one is
    chosen."""
    found, colours = list[MatChoice](), dict[tuple[str, Face], Lab]()
    for paper in papers:
        faces: tuple[Face, ...] = ("A",) if paper.a == paper.b else ("A", "B")
        for face in faces:
            found.append(_choice(paper, face, look, layer, beside))
            colours[paper.id, face] = of_hex((paper.face(face).colours or ("#ffffff",))[0])
    return _varied(sorted(found, key=_best_first), colours)


def _best_first(choice: MatChoice) -> tuple[bool, float, str, str]:
    return not choice.good, -choice.rank, choice.paper, choice.side


def _varied(choices: list[MatChoice], colours: dict[tuple[str, Face], Lab]) -> list[MatChoice]:
    """The same, but papers that look alike do not stand in a row: each steps back behind those unlike it."""
    found = list[MatChoice]()
    for choice in choices:
        own = colours[choice.paper, choice.side]
        alike = sum(own.far(colours[c.paper, c.side]) < ALIKE for c in found)
        found.append(replace(choice, rank=choice.rank - STEP_BACK * alike))
    return sorted(found, key=_best_first)


def available(shelf: Shelf, paper: Paper, size: tuple[Length, Length]) -> bool:
    """Whether a sheet or a scrap of a paper is left that a piece of that size can be cut from."""
    sources = (shelf.paper(id) for id in shelf.sources(paper.id))
    return any(source.count > 0 and _holds(source, size) for source in sources)


def _holds(paper: Paper, size: tuple[Length, Length]) -> bool:
    w, h = size
    return (w <= paper.width and h <= paper.height) or (h <= paper.width and w <= paper.height)


def _choice(paper: Paper, face: Face, look: PictureColours, layer: Layer, beside: Side | None) -> MatChoice:
    side = paper.face(face)
    colour = of_hex(side.colours[0] if side.colours else "#ffffff")
    calm = BUSY[min(3, max(0, side.busy))]
    taken = _taken_up(side, look)
    if paper.stock is Stock.VELLUM:
        return MatChoice(paper.id, face, False, "vellum: what lies under it and the glue are seen", -100)
    if layer == "first":
        return _first(paper.id, face, colour, side.busy, calm, look, taken)
    return _second(paper.id, face, colour, side.busy, calm, look, taken, beside)


def _first(
    paper: str, face: Face, colour: Lab, busy: int, calm: str, look: PictureColours, taken: str | None
) -> MatChoice:
    by = colour.lightness - look.edge.lightness
    than = f"{'lighter' if by > 0 else 'darker'} than the edge by {abs(by):.0f}"
    loud = busy >= 2 and look.liveliness >= 16
    points = min(abs(by), 45) - 9 * busy - (14 if loud else 0) + (6 if taken else 0)
    if abs(by) < STANDS_OUT:
        near = (
            "as light as the edge" if abs(by) < 1.5 else f"only {than.replace(' than the edge', '')} than the edge"
        )
        return MatChoice(paper, face, False, f"{near}: the photo would not stand out", points)
    if loud:
        return MatChoice(paper, face, False, f"{than}, but {calm} beside a {look.edge_word} edge", points)
    reason = f"{than} and {calm}" + (f"; takes up the photo’s {taken}" if taken else "")
    return MatChoice(paper, face, busy < 3, reason, points)


def _second(
    paper: str,
    face: Face,
    colour: Lab,
    busy: int,
    calm: str,
    look: PictureColours,
    taken: str | None,
    beside: Side | None,
) -> MatChoice:
    points = (20.0 if taken else 0.0) - 4 * max(0, busy - 2)
    if beside is None:
        reason = f"takes up the photo’s {taken}, {calm}" if taken else f"{calm}; no colour of the photo is in it"
        return MatChoice(paper, face, taken is not None, reason, points)
    inner = of_hex(beside.colours[0] if beside.colours else "#ffffff")
    apart = inner.far(colour)
    points += min(apart, 50) / 3
    if apart < APART:
        return MatChoice(paper, face, False, "too like the mat above it: the two would run together", points - 40)
    if busy >= 2 and beside.busy >= 2 and abs(inner.lightness - colour.lightness) < STANDS_OUT:
        reason = "lively like the mat above it and as light: the two would run together"
        return MatChoice(paper, face, False, reason, points - 30)
    by = colour.lightness - inner.lightness
    than = f"{'lighter' if by > 0 else 'darker'} than the mat above it by {abs(by):.0f}"
    if abs(by) < 5:
        than = f"another colour than the mat above it, {calm}"
    reason = (
        f"takes up the photo’s {taken}; {than}" if taken else f"{than}, {calm}; no colour of the photo is in it"
    )
    return MatChoice(paper, face, taken is not None, reason, points)


def _taken_up(side: Side, look: PictureColours) -> str | None:
    """The photo's colour that a side has too, leading colours first; greys and whites count for little."""
    best: tuple[float, str] | None = None
    for colour in (of_hex(c) for c in side.colours):
        if word(colour) in NEUTRAL:
            continue
        for one in look.leading:
            far = colour.far(one.colour)
            name = word(one.colour)
            if far < TAKES_UP and name not in NEUTRAL and (best is None or far < best[0]):
                best = far, name
    return best[1] if best else None
