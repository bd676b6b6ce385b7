"""Words that are written straight on a photo or on a lively or busy paper: they are hard to read there, and want a
block of paper of their own."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import replace
from typing import Any

from ulna.core.findings import Finding, Remedy
from ulna.core.geometry.rects import Rect
from ulna.core.parts.kinds.wet import Wet
from ulna.core.parts.kinds.words import Words
from ulna.core.parts.pieces import Ground, PaperChoice, Piece
from ulna.core.parts.place import Place, place_at

LIVELY = 2
GESSO = "#f7f3ea"


def told(plan: Any, pieces: Sequence[Piece], standing: Mapping[str, Any], ground: Ground) -> Iterator[Finding]:
    order = {part.id: k for k, part in enumerate(plan.parts)}
    for part in plan.parts:
        box = standing[part.id].box
        if not isinstance(part, Words) or part.paper is not None or box is None:
            continue
        under = [piece for piece in pieces if order.get(piece.part, 0) < order[part.id] and piece.rect.meets(box)]
        what = "" if _toned_down(plan, box, standing) else _hard_to_read(under, box, ground)
        if what:
            says = f"The words lie on {what}, where they are hard to read."
            own = replace(part, paper=PaperChoice())
            remedies = [Remedy("On a block of paper of their own", own)]
            if all(piece.role != "print" for piece in under):
                gesso = Wet(f"{part.id}-gesso", "gesso", "gesso", GESSO, width=box.width, height=box.height)
                place = place_at(Place(ground.format.page_of(box)), box, ground.format, {})
                remedies.append(Remedy("Tone the paper down there with gesso", replace(gesso, place=place)))
            yield Finding("words-busy", "warn", part.id, says, tuple(remedies))


def _toned_down(plan: Any, box: Rect, standing: Mapping[str, Any]) -> bool:
    """Whether gesso lies under it."""
    boxes = [standing[one.id].box for one in plan.parts if isinstance(one, Wet) and one.medium == "gesso"]
    return any(one is not None and one.contains(box) for one in boxes)


def _hard_to_read(under: Sequence[Piece], box: Rect, ground: Ground) -> str:
    """What of what is seen under the words is no quiet ground, from the top; what is quite hidden does not count."""
    for piece in reversed(under):
        paper = ground.shelf.papers.get(piece.choice.paper or "")
        if piece.role == "print":
            return piece.name
        if piece.role == "card":
            return ""  # it is printed to be written on
        if paper is not None and paper.face(piece.choice.side).busy >= LIVELY:
            return f"{paper.name}, which is {'busy' if paper.face(piece.choice.side).busy > LIVELY else 'lively'}"
        if piece.rect.contains(box) and not piece.outline and not piece.holes:
            return ""
    return ""
