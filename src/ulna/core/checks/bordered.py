"""A mitred border whose inner edge nothing covers: the strips are cut wider than what shows, to end under a panel."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from typing import Any

from ulna.core.findings import Finding
from ulna.core.geometry.rects import Rect
from ulna.core.parts.kinds.mitred import Mitred
from ulna.core.parts.pieces import Ground, Piece


def told(plan: Any, pieces: Sequence[Piece], standing: Mapping[str, Any], ground: Ground) -> Iterator[Finding]:
    """For each border with something laid into it, on which sides its inner edge shows."""
    for part in plan.parts:
        box = standing[part.id].box if part.id in standing else None
        if not isinstance(part, Mitred) or box is None:
            continue
        w = ground.ruler.round(part.shows + part.under)
        if not part.under or min(box.width, box.height) <= w * 2:
            continue
        inner = Rect(box.x + w, box.y + w, box.width - w * 2, box.height - w * 2)
        last = max((k for k, piece in enumerate(pieces) if piece.part == part.id), default=-1)
        over = [p.rect for p in pieces[last + 1 :] if p.rect.meets(inner) and p.role in ("base", "panel", "mat")]
        if not over:
            continue  # it frames the page itself
        best = max(over, key=lambda at: at.common(inner).area)
        sides = " and ".join(f"{side} side" for side in inner.bare_of(best))
        if sides:
            least = ground.ruler.say_size(inner.width, inner.height)
            says = (
                f"What lies in the border does not reach it at its {sides}: the inner edge of the strips shows. "
                f"It takes {least} to cover it."
            )
            yield Finding("border", "warn", part.id, says)
