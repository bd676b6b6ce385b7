"""Things of the shelf as pieces: where each lies, what is under a clear one, how far one stands off the page."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import replace

from ulna.core.findings import Finding
from ulna.core.geometry import polygons
from ulna.core.geometry.rects import Rect
from ulna.core.measure import Length, Ruler, inches
from ulna.core.parts.pieces import Ground, PaperChoice, Piece
from ulna.core.things.thing import FOAM, Half, Raised, Thing, half_of

NOT_CHOSEN = Thing("", "thing", width=inches(1), height=inches(1), colours=("#d8d2c4",))
"""Stands for a thing until one is chosen."""


def known(part: str, thing: str | None, ground: Ground) -> tuple[Thing, tuple[Finding, ...]]:
    """The thing of that id; what stands for it, and a finding, where none is chosen or it is gone."""
    found = ground.shelf.things.get(thing or "")
    if found is not None:
        return found, ()
    if thing is None:
        return NOT_CHOSEN, (Finding("no-thing", "note", part, "Which thing? Choose one of the shelf."),)
    return NOT_CHOSEN, (Finding("thing-gone", "warn", part, "This thing is no longer on the shelf."),)


def size_of(thing: Thing, half: Half, ruler: Ruler) -> tuple[Length, Length]:
    """The box of one, or of a half of it, on marks."""
    wide, high = thing.size
    if half in ("left", "right"):
        wide = wide.part(1, 2)
    elif half:
        high = high.part(1, 2)
    return max(ruler.mark, ruler.round(wide)), max(ruler.mark, ruler.round(high))


def pieces_of(
    part: str, key: str, thing: Thing, at: Rect, ruler: Ruler, angle: float = 0.0, half: Half = "",
    raised: Raised = "flat", ink: str | None = None, backing: PaperChoice | None = None,
) -> Iterator[Piece]:  # fmt: skip
    """A thing in its box, over a piece of paper of its own outline where it has a `backing`."""
    line = half_of(thing.shape, half)
    x1, y1, x2, y2 = polygons.bounds(line)
    # Traced outlines are a hair off the marks that their box is on.
    across, down = at.width.inches / max(1e-9, x2 - x1), at.height.inches / max(1e-9, y2 - y1)
    line = tuple(((x - x1) * across, (y - y1) * down) for x, y in line)
    called = thing.name if not half else f"{thing.name}, {half} half of it"
    piece = Piece(f"{part}/{key}", part, "thing", called, at, at, outline=line, angle=angle)
    if backing is not None:
        yield replace(
            piece, id=f"{part}/{key}-backing", role="shape", name=f"backing of {thing.name}", choice=backing
        )
    colour = ink or (thing.colour if thing.id else NOT_CHOSEN.colour)
    off = FOAM[raised] + thing.thickness
    yield replace(piece, thing=thing.id or None, thing_half=half, colour=colour, raised=off)
