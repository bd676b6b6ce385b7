"""A colour that appears once looks lost: an accent's colour is there three times, and on a spread on both pages."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import replace
from typing import Any

from ulna.core.checks.accents import ALIKE, CHROMA, Accent, accents, shown_colour
from ulna.core.checks.lying import PlacedAt
from ulna.core.findings import Finding, Remedy
from ulna.core.geometry.rects import Rect
from ulna.core.paper.colour import Lab, of_hex, word
from ulna.core.parts.kinds.thing import ThingPart
from ulna.core.parts.pieces import Ground, Piece
from ulna.core.parts.place import Place, place_at
from ulna.core.things.thing import NOT_STUCK_ON, Thing


def told(
    plan: Any, pieces: Sequence[Piece], standing: Mapping[str, Any], ground: Ground, placed_at: PlacedAt
) -> Iterator[Finding]:
    """Each accent colour that nothing else on the page has: no thing, no paper, no photo in its leading colours."""
    places = accents(plan, pieces, standing, ground)
    seen = _seen(pieces, ground)
    said = list[Lab]()
    for one in places:
        for name, lab in one.colours:
            if any(lab.far(other) < ALIKE for other in said):
                continue
            said.append(lab)
            parts = {part for part, colour in seen if lab.far(colour) < ALIKE}
            if parts <= {one.part.id}:
                told = f"Its {word(lab)} ({name}) is nowhere else on the page."
                remedies = tuple(_another(one, lab, plan, ground))
                yield Finding("colour-once", "note", one.part.id, told, remedies, (one.box,))
    yield from _both_pages(places, pieces, ground)


def _seen(pieces: Sequence[Piece], ground: Ground) -> list[tuple[str, Lab]]:
    """Every colour with chroma that is seen, with the part that has it."""
    found = dict[tuple[str, str], Lab]()
    for piece in pieces:
        colours = [shown_colour(piece, ground)]
        paper = ground.shelf.papers.get(piece.choice.paper or "") if piece.is_paper else None
        if paper is not None:
            colours += paper.face(piece.choice.side).colours
        thing = ground.shelf.things.get(piece.thing or "")
        if thing is not None and not piece.colour:
            colours += thing.colours
        for colour in colours:
            if colour and (piece.part, colour) not in found:
                found[piece.part, colour] = of_hex(colour)
    lively = [(part, lab) for (part, _), lab in found.items() if lab.chroma >= CHROMA]
    for piece in pieces:
        look = ground.edge(piece.picture) if piece.role == "print" and piece.picture is not None else None
        lively += [(piece.part, one.colour) for one in look.leading] if look else []
    return lively


def _another(one: Accent, lab: Lab, plan: Any, ground: Ground) -> Iterator[Remedy]:
    """A thing of that colour that is left, on the other side of the page."""
    here: Thing | None = None
    for thing in ground.shelf.things.values():
        left = ground.shelf.things_left.get(thing.id, 0)
        if (
            not ground.proposes(thing.id)
            or thing.kind in NOT_STUCK_ON
            or thing.by_length
            or left < 1
            or not thing.colours
        ):
            continue
        if of_hex(thing.colour).far(lab) < ALIKE and (here is None or thing.size[0] < here.size[0]):
            here = thing
    if here is None:
        return
    whole, ruler = ground.format.whole, ground.ruler
    wide, high = ruler.up(here.size[0].inches), ruler.up(here.size[1].inches)
    x = ruler.round(whole.right - one.box.x - wide)
    y = ruler.round(whole.bottom - one.box.y - high)
    at = Rect(x, y, wide, high)
    if whole.contains(at):
        place = place_at(Place(), at, ground.format, {})
        taken = {part.id for part in plan.parts}
        id = next(f"answer-{k}" for k in range(1, len(taken) + 2) if f"answer-{k}" not in taken)
        part = replace(ThingPart(id), thing=here.id, place=place)
        yield Remedy(f"Put {here.name} on the other side", part)


def _both_pages(places: Sequence[Accent], pieces: Sequence[Piece], ground: Ground) -> Iterator[Finding]:
    gutter = ground.format.gutter
    if gutter is None:
        return
    colours = list[tuple[str, Lab]]()
    for one in places:
        for name, lab in one.colours:
            if not any(lab.far(other) < ALIKE for _, other in colours):
                colours.append((name, lab))
    middle = gutter.inches
    shown = [
        (of_hex(colour), piece.rect.x.inches < middle, piece.rect.right.inches > middle)
        for piece in pieces if (colour := shown_colour(piece, ground))
    ]  # fmt: skip
    for name, lab in colours:
        left = any(on for colour, on, _ in shown if colour.far(lab) < ALIKE)
        right = any(on for colour, _, on in shown if colour.far(lab) < ALIKE)
        if left != right:
            bare = "right" if left else "left"
            told = f"The accent {word(lab)} ({name}) is not on the {bare} page."
            where = tuple(one.box for one in places if any(c.far(lab) < ALIKE for _, c in one.colours))
            yield Finding("colour-page", "note", None, told, (), where)
