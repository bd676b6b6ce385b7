"""A part of a page stays uncovered: above 85 % it looks crowded."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from ulna.core.checks.ground import things_on
from ulna.core.findings import Finding
from ulna.core.parts.pieces import Ground, Piece

CROWDED = 0.85


def told(pieces: Sequence[Piece], ground: Ground) -> Iterator[Finding]:
    """The share of the page that things lie on, looked at on a grid of half inches."""
    if ground.rules.white_space == "filled":
        return
    whole = ground.format.whole
    columns, rows = 24 * ground.format.pages, 24
    seen = set[tuple[int, int]]()
    across, down = whole.width.units / columns, whole.height.units / rows
    for piece in things_on(pieces, ground):
        r = piece.rect
        first, last = round(r.x.units / across), round(r.right.units / across)
        top, low = round(r.y.units / down), round(r.bottom.units / down)
        seen.update(
            (i, j) for i in range(max(0, first), min(columns, last)) for j in range(max(0, top), min(rows, low))
        )
    share = len(seen) / (columns * rows)
    if share > CROWDED:
        yield Finding("crowded", "note", None, f"{share:.0%} of the page is covered; above 85 % it looks crowded.")
