"""How many whole sheets any plan needs for given pieces: proved, never guessed.

Two arguments, and the better of them: the area of the pieces less all that scraps and panels can give, and the
number of pieces of which no two can share a sheet.
"""

from __future__ import annotations

from collections.abc import Sequence
from itertools import pairwise

from ulna.core.cutting.request import Area, CutRequest, Piece, Sheet


def lower_bound(request: CutRequest, placed: Sequence[int]) -> int:
    """A number of whole sheets that `placed` copies of each piece need in any plan."""
    asked = [(p, n) for p, n in zip(request.pieces, placed, strict=True) if n]
    whole = frozenset(s.id for s in request.sheets if not s.scrap)
    if not whole:
        return 0
    each = [frozenset((name,)) for name in whole]
    by_area = max(_by_area(request, asked, whole), sum(_by_area(request, asked, one) for one in each))
    by_size = max(_by_size(request, asked, whole), sum(_by_size(request, asked, one) for one in each))
    return max(by_area, by_size)


def _only_from(
    request: CutRequest, asked: Sequence[tuple[Piece, int]], papers: frozenset[str]
) -> list[tuple[Piece, int]]:
    """The pieces that can come from no other whole sheets than these."""
    scraps = {s.id for s in request.sheets if s.scrap}
    return [(p, n) for p, n in asked if p.sources <= papers | scraps]


def _by_area(request: CutRequest, asked: Sequence[tuple[Piece, int]], papers: frozenset[str]) -> int:
    lack = sum(p.width * p.height * n for p, n in _only_from(request, asked, papers))
    lack -= sum(_area(s) * s.quantity for s in request.sheets if s.scrap)
    if request.gutting:
        for piece, n in asked:
            width, height = piece.panel_size(False)
            lack -= width * height * n
    used = 0
    for area, quantity in sorted(((_area(s), s.quantity) for s in request.sheets if s.id in papers), reverse=True):
        if area > 0:
            take = min(quantity, max(0, -(-lack // area)))
            used, lack = used + take, lack - take * area
    return used


def _area(sheet: Sheet) -> int:
    """What of a sheet can be used: less its reserve and all its holes, each part of them counted once."""
    usable = sheet.usable
    holes = [h for h in sheet.holes if h.meets(usable)]
    if not holes or len(holes) > 60:
        return usable.size
    xs = sorted(
        {usable.x, usable.right, *(min(max(v, usable.x), usable.right) for h in holes for v in (h.x, h.right))}
    )
    ys = sorted(
        {usable.y, usable.bottom, *(min(max(v, usable.y), usable.bottom) for h in holes for v in (h.y, h.bottom))}
    )
    total = 0
    for x, right in pairwise(xs):
        for y, bottom in pairwise(ys):
            cell = Area(x, y, right - x, bottom - y)
            total += 0 if any(cell.meets(h) for h in holes) else cell.size
    return total


def _by_size(request: CutRequest, asked: Sequence[tuple[Piece, int]], papers: frozenset[str]) -> int:
    """Pieces wider and taller than half of every sheet: two of them never lie on one."""
    sheets = [s.usable for s in request.sheets if s.id in papers]
    half_w, half_h = max(u.width for u in sheets) / 2, max(u.height for u in sheets) / 2
    longest = max(half_w, half_h)
    panels = [p.panel_size(False) for p, _ in asked if p.gut is not None and request.gutting]
    count = 0
    for piece, n in _only_from(request, asked, papers):
        w, h = piece.width, piece.height
        big = min(w, h) > longest if piece.turn else w > half_w and h > half_h
        spots = [(s.usable.width, s.usable.height) for s in request.sheets if s.scrap and s.id in piece.sources]
        if big and piece.sources & papers and not any(_fits(w, h, spot) for spot in spots + panels):
            count += n
    return count


def _fits(w: int, h: int, spot: tuple[int, int]) -> bool:
    """Whether it might; a panel may itself have been turned, so both ways are granted to be safe."""
    return (w <= spot[0] and h <= spot[1]) or (h <= spot[0] and w <= spot[1])
