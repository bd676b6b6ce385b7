"""Left and right, and both pages of a spread, weigh about the same: area times contrast, within a third; and a large
round shape on one page wants one on the other."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from ulna.core.checks.ground import things_on
from ulna.core.checks.run_together import side_of
from ulna.core.findings import Finding
from ulna.core.measure import inches
from ulna.core.paper.colour import of_hex
from ulna.core.parts.pieces import Ground, Piece

THIRD, TENTH = 1 / 3, 1 / 10
"""How much lighter one side may be, and where a page is to be symmetrical."""
A_PRINT = 55.0
"""For the contrast of a photo with the page (L*), whatever is on it."""
LARGE = inches(2)
"""A round shape of this size is seen from afar."""


def told(pieces: Sequence[Piece], ground: Ground) -> Iterator[Finding]:
    """For the page as a whole."""
    yield from _weight(things_on(pieces, ground), pieces, ground)
    yield from _round(pieces, ground)


def _weight(on_it: Sequence[Piece], pieces: Sequence[Piece], ground: Ground) -> Iterator[Finding]:
    base = next((side for piece in pieces if piece.role == "base" and (side := side_of(piece, ground))), None)
    light = of_hex(base.colours[0]).lightness if base else 95.0
    middle = ground.format.whole.width.inches / 2
    sides = [0.0, 0.0]
    for piece in on_it:
        side = side_of(piece, ground)
        contrast = (
            A_PRINT if piece.role == "print" else abs(of_hex(side.colours[0]).lightness - light) if side else 20.0
        )
        x1, x2, high = piece.rect.x.inches, piece.rect.right.inches, piece.rect.height.inches
        left = max(0.0, min(x2, middle) - x1) if x1 < middle else 0.0
        sides[0] += left * high * (contrast + 10)
        sides[1] += (x2 - x1 - left) * high * (contrast + 10)
    light_one, heavy = sorted(sides)
    may = TENTH if ground.rules.balance == "symmetrical" else THIRD
    if heavy > 0 and light_one < heavy * (1 - may):
        way = "left" if sides[0] > sides[1] else "right"
        if light_one <= 0:
            told = f"Everything lies on the {way}; the other side is bare."
        else:
            what = "page" if ground.format.gutter is not None else "side"
            says = "tenth" if may == TENTH else "third"
            times = f"{heavy / light_one:.1f} times"
            told = f"The {way} {what} weighs {times} as much as the other; within a {says} is calm."
        yield Finding("weight", "note", None, told)


def _round(pieces: Sequence[Piece], ground: Ground) -> Iterator[Finding]:
    gutter = ground.format.gutter
    if gutter is None:
        return
    round_ones = [
        piece for piece in pieces
        if piece.figure in ("circle", "scalloped round") and min(piece.rect.width, piece.rect.height) >= LARGE
    ]  # fmt: skip
    on_left = [p for p in round_ones if p.rect.x < gutter]
    on_right = [p for p in round_ones if p.rect.right > gutter]
    if bool(on_left) != bool(on_right):
        bare = "right" if on_left else "left"
        told = f"There are large round shapes on one page only; the {bare} page wants one too."
        yield Finding("round-one-side", "note", None, told, (), tuple(p.rect for p in round_ones))
