"""A title that is too slight beside the largest photo: what is seen of it is less than a sixteenth of that photo.

A title is the second thing one looks at. Letters an inch high, eight of them, are about a tenth of a 4 × 6 in photo;
half an inch high they are a fortieth, and are passed over.
"""

from __future__ import annotations

import math
from collections.abc import Iterator, Mapping, Sequence
from dataclasses import replace
from typing import Any

from ulna.core.findings import Finding, Remedy
from ulna.core.geometry import outlines, polygons
from ulna.core.measure import inches
from ulna.core.parts.built_up import Under
from ulna.core.parts.kinds import work_out
from ulna.core.parts.kinds.title import Title, longest
from ulna.core.parts.pieces import Ground, Piece

SHARE = 1 / 16


def told(plan: Any, pieces: Sequence[Piece], standing: Mapping[str, Any], ground: Ground) -> Iterator[Finding]:
    photos = [piece for piece in pieces if piece.role == "print"]
    largest = max((piece.rect.width.inches * piece.rect.height.inches for piece in photos), default=0.0)
    for part in plan.parts if largest else ():
        if not isinstance(part, Title) or not (weight := _weight([p for p in pieces if p.part == part.id])):
            continue
        if weight < largest * SHARE:
            room = standing[part.id].room
            remedies = [
                Remedy(says, one)
                for says, one in _heavier(part, math.sqrt(largest * SHARE / weight), ground)
                if _weight(work_out(one, ground, room)[0].pieces) >= largest * SHARE
                and longest(one, ground) <= (room.height if part.upright else room.width)
            ]
            says = "Beside the largest photo it is slight, and easily passed over."
            yield Finding("title-slight", "note", part.id, says, tuple(remedies))


def _weight(pieces: Sequence[Piece]) -> float:
    """How much of the page it takes, in square inches: its letters and what lies under them, each spot once."""
    return sum(polygons.area(line) for line in outlines.joined(piece.seen for piece in pieces))


def _heavier(part: Title, by: float, ground: Ground) -> Iterator[tuple[str, Title]]:
    ruler = ground.ruler
    if not part.fit and any(style.alphabet is None for style in part.styles):
        larger = tuple(
            style
            if style.alphabet is not None
            else replace(style, height=ruler.up(style.height.inches * by * 1.02))
            for style in part.styles
        )
        high = ", ".join(ruler.say(style.height) for style in larger if style.alphabet is None)
        yield f"Capitals {high} high", replace(part, styles=larger)
    if part.openings is None and not any(one.how == "lines" for one in part.under) and len(part.under) < 4:
        edge = ruler.round(inches(0, 1, 8))
        papers = tuple(dict.fromkeys(paper for style in part.styles for paper in style.papers))
        yield "Lines above it in turn of colours", replace(part, under=(*part.under, Under("lines", edge, papers)))
    have = {one.how for one in part.under}
    if part.openings is None and "outline" not in have and len(part.under) < 4:
        edge = ruler.round(inches(0, 1, 8))
        yield f"Outlined by {ruler.say(edge)}", replace(part, under=(*part.under, Under("outline", edge)))
    if part.openings is None and "strip" not in have and len(part.under) < 4:
        edge = ruler.round(inches(0, 1, 4))
        yield "On a strip of paper", replace(part, under=(*part.under, Under("strip", edge)))
