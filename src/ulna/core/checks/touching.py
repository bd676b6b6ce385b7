"""Touch, or stay clear: an overlap of 1/8 in, or a gap that is seen. Nearly touching, hardly overlapping, and one thing
alone that juts out of a photo or panel look like accidents: more of them, or none."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from typing import Any

from ulna.core.checks.accents import accents
from ulna.core.checks.lying import PlacedAt
from ulna.core.findings import Finding, Remedy
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, inches
from ulna.core.parts.kinds import is_placed, traits
from ulna.core.parts.pieces import Ground, Piece

CLEAR = inches(0, 1, 16)
"""A gap that is no wider looks like a slip of the hand."""
OVERLAP = inches(0, 1, 8)
GROUND = 0.5
"""Of the page: what is larger is ground, and everything lies on it."""
JUTS = inches(0, 1, 4)


def told(
    plan: Any, pieces: Sequence[Piece], standing: Mapping[str, Any], ground: Ground, placed_at: PlacedAt
) -> Iterator[Finding]:
    boxes = _boxes(plan, pieces, standing, ground) if ground.rules.cutting == "exact" else []
    ordered = sorted(boxes, key=lambda one: one[1].x)
    for k, (part, a) in enumerate(ordered):
        for other, b in ordered[k + 1 :]:
            if b.x > a.right + CLEAR:
                break
            found = _between(a, b)
            if found is None or part.id in other.place.needs or other.id in part.place.needs:
                continue
            code, by, across = found
            later, box, fixed = (other, b, a) if plan.parts.index(other) > plan.parts.index(part) else (part, a, b)
            yield _says(code, by, across, later, box, fixed, standing, ground, placed_at)
    yield from _juts(plan, pieces, standing, ground, placed_at)


def _boxes(
    plan: Any, pieces: Sequence[Piece], standing: Mapping[str, Any], ground: Ground
) -> list[tuple[Any, Rect]]:
    """Upright rectangles that lie on the ground: parts of one outer rectangle, whose edge is the edge that is seen."""
    page = ground.format.page("left")
    least = page.width.inches * page.height.inches * GROUND
    shaped = {piece.part for piece in pieces if piece.outline or piece.angle or piece.role in ("letter", "thing")}
    there = {piece.part for piece in pieces}
    found = list[tuple[Any, Rect]]()
    for part in plan.parts:
        box = standing[part.id].box
        if box is None or not is_placed(part) or part.id in shaped or part.id not in there:
            continue
        if not traits(part).fills(part) and box.width.inches * box.height.inches < least:
            found.append((part, box))
    return found


def _between(a: Rect, b: Rect) -> tuple[str, Length, bool] | None:
    """What is wrong between two boxes, by how much, and whether across."""
    across, down = max(b.x - a.right, a.x - b.right), max(b.y - a.bottom, a.y - b.bottom)
    if ZERO < across <= CLEAR and down < ZERO:
        return "near-touch", across, True
    if ZERO < down <= CLEAR and across < ZERO:
        return "near-touch", down, False
    if across < ZERO and down < ZERO and not a.contains(b) and not b.contains(a):
        if -across < OVERLAP and -across <= -down:
            return "scant-overlap", -across, True
        if -down < OVERLAP:
            return "scant-overlap", -down, False
    return None


def _says(
    code: str, by: Length, across: bool, part: Any, box: Rect, fixed: Rect, standing: Mapping[str, Any],
    ground: Ground, placed_at: PlacedAt,
) -> Finding:  # fmt: skip
    say = ground.ruler.say
    first = box.x < fixed.x if across else box.y < fixed.y
    sign = -1 if first else 1  # away from the other

    def moved(away: Length) -> Any:
        by = away * sign
        return placed_at(part, box.moved(by if across else ZERO, ZERO if across else by), standing, ground.format)

    gap = by if code == "near-touch" else ZERO - by
    apart, over = ground.ruler.round(OVERLAP) - gap, ground.ruler.round(OVERLAP) + gap
    told = (
        f"It nearly touches its neighbour: {say(by)} of what lies under them is seen between, a sliver."
        if code == "near-touch"
        else f"It lies on its neighbour by {say(by)} only; glue wants {say(OVERLAP)} to hold, and the eye too."
    )
    remedies = (
        Remedy(f"Set it {say(ground.ruler.round(OVERLAP))} apart", moved(apart)),
        Remedy(f"Let it overlap by {say(ground.ruler.round(OVERLAP))}", moved(ZERO - over)),
    )
    return Finding(code, "note", part.id, told, remedies, (box.common(fixed) if gap < ZERO else box, fixed))


def _juts(
    plan: Any, pieces: Sequence[Piece], standing: Mapping[str, Any], ground: Ground, placed_at: PlacedAt
) -> Iterator[Finding]:
    """One accent among several that hangs over the edge of what it lies on."""
    bases = [piece.rect for piece in pieces if piece.role in ("print", "panel", "mat") and piece.part]
    over, within = list[tuple[Any, Rect, Rect]](), 0
    for one in accents(plan, pieces, standing, ground):
        crossed = [
            base for base in bases
            if base.meets(one.box) and not base.contains(one.box) and not one.box.contains(base)
        ]  # fmt: skip
        if crossed:
            over.append((one.part, one.box, min(crossed, key=lambda base: base.area)))
        else:
            within += 1
    if len(over) != 1 or within < 2:
        return
    part, box, base = over[0]
    remedies: tuple[Remedy, ...] = ()
    inside = _within(box, base)
    if inside is not None and is_placed(part):
        remedies = (Remedy("Move it inside", placed_at(part, inside, standing, ground.format)),)
    told = "It is the only one that juts out over an edge; let others do so too, or none."
    yield Finding("juts-out", "note", part.id, told, remedies, (box,))


def _within(box: Rect, base: Rect) -> Rect | None:
    """The box moved inside its base, where it goes in with room to spare."""
    if box.width + JUTS > base.width or box.height + JUTS > base.height:
        return None
    edge = JUTS.part(1, 2)
    x = min(max(box.x, base.x + edge), base.right - box.width - edge)
    y = min(max(box.y, base.y + edge), base.bottom - box.height - edge)
    return Rect(x, y, box.width, box.height)
