"""How many whole sheets any plan needs for given pieces: proved, never guessed.

Three arguments, and the best of them: the area of the pieces less all that scraps and panels can give; the number of
pieces of which no two can share a sheet; and weights of the pieces, of which a sheet holds no more than 1. Weights are
products of dual feasible functions of width and height (S. P. Fekete, J. Schepers, "A general framework for bounds
for higher-dimensional orthogonal packing problems", 2004).
"""

from __future__ import annotations

from collections.abc import Callable, Iterator, Sequence
from functools import lru_cache, partial
from itertools import pairwise
from operator import mul

from ulna.core.planner.request import Area, CutRequest, Piece, Sheet

WEIGHED, THRESHOLDS, STEPS = 120, 8, (1, 2, 3)
"""Of more pieces no weights are tried; so many thresholds, and these numbers of steps, are."""


def lower_bound(request: CutRequest, placed: Sequence[int]) -> int:
    """A number of whole sheets that `placed` copies of each piece need in any plan."""
    return _lower_bound(request, tuple(placed))


@lru_cache(maxsize=64)
def _lower_bound(request: CutRequest, placed: tuple[int, ...]) -> int:
    """A search asks again and again."""
    asked = [(p, n) for p, n in zip(request.pieces, placed, strict=True) if n]
    whole = frozenset(s.id for s in request.sheets if not s.scrap)
    if not whole:
        return 0
    each = [frozenset((name,)) for name in whole]
    by_area = max(_by_area(request, asked, whole), sum(_by_area(request, asked, one) for one in each))
    by_size = max(_by_size(request, asked, whole), sum(_by_size(request, asked, one) for one in each))
    if len(asked) > WEIGHED:
        return max(by_area, by_size)
    by_weight = max(_by_weight(request, asked, whole), sum(_by_weight(request, asked, one) for one in each))
    return max(by_area, by_size, by_weight)


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


def _alone(
    request: CutRequest, asked: Sequence[tuple[Piece, int]], papers: frozenset[str]
) -> Iterator[tuple[Piece, int]]:
    """The pieces that can only come out of whole sheets of these papers, no scrap and no panel being large enough."""
    panels = [p.panel_size(False) for p, _ in asked if p.gut is not None and request.gutting]
    for piece, n in _only_from(request, asked, papers):
        spots = [s.usable[2:] for s in request.sheets if s.scrap and s.id in piece.sources]
        if piece.sources & papers and not any(_fits(piece.width, piece.height, spot) for spot in spots + panels):
            yield piece, n


def _by_weight(request: CutRequest, asked: Sequence[tuple[Piece, int]], papers: frozenset[str]) -> int:
    """What the largest sheet holds, a kerf wider and taller as each piece is then too."""
    kerf = request.kerf
    sheets = [s.usable for s in request.sheets if s.id in papers]
    width, height = max(u.width for u in sheets) + kerf, max(u.height for u in sheets) + kerf
    ways = list[tuple[int, int, int, int, int]]()  # copies, width and height one way, and the other
    for piece, n in _alone(request, asked, papers):
        w, h = piece.width + kerf, piece.height + kerf
        able = [(a, b) for a, b in [(w, h)] + [(h, w)] * piece.turn if a <= width and b <= height]
        if able:
            ways.append((n, *able[0], *able[-1]))
    copies = [way[0] for way in ways]
    across = [(scale, *_values(f, ways, 1)) for scale, f in _functions(width, {v for w in ways for v in w[1::2]})]
    along = [(scale, *_values(f, ways, 2)) for scale, f in _functions(height, {v for w in ways for v in w[2::2]})]
    best = 0
    for scale, one_w, other_w in across:
        for other_scale, one_h, other_h in along:
            weights = map(min, map(mul, one_w, one_h), map(mul, other_w, other_h))
            best = max(best, -(-sum(map(mul, copies, weights)) // (scale * other_scale)))
    return best


def _values(
    f: Callable[[int], int], ways: Sequence[tuple[int, int, int, int, int]], at: int
) -> tuple[list[int], list[int]]:
    """The function of one side of every piece, as it lies one way and the other."""
    return [f(way[at]) for way in ways], [f(way[at + 2]) for way in ways]


def _functions(length: int, sides: set[int]) -> Iterator[tuple[int, Callable[[int], int]]]:
    """Dual feasible functions of a side: of sides that fit one length together the values add up to `scale` at most.

    The side itself; nothing below a threshold and all above its opposite; and steps, of which no more fit than that.
    """
    yield length, lambda v: v
    low = sorted(v for v in sides if 2 * v <= length)
    for least in low[:: max(1, -(-len(low) // THRESHOLDS))]:
        yield length, partial(_all_or_nothing, length, least)
    for k in STEPS:
        yield k * length, partial(_in_steps, length, k)


def _all_or_nothing(length: int, least: int, side: int) -> int:
    return 0 if side < least else length if side > length - least else side


def _in_steps(length: int, k: int, side: int) -> int:
    return k * side if (k + 1) * side % length == 0 else length * ((k + 1) * side // length)


def _by_size(request: CutRequest, asked: Sequence[tuple[Piece, int]], papers: frozenset[str]) -> int:
    """Pieces wider and taller than half of every sheet: two of them never lie on one."""
    sheets = [s.usable for s in request.sheets if s.id in papers]
    half_w, half_h = max(u.width for u in sheets) / 2, max(u.height for u in sheets) / 2
    longest = max(half_w, half_h)
    count = 0
    for piece, n in _alone(request, asked, papers):
        w, h = piece.width, piece.height
        count += n if (min(w, h) > longest if piece.turn else w > half_w and h > half_h) else 0
    return count


def _fits(w: int, h: int, spot: tuple[int, int]) -> bool:
    """Whether it might; a panel may itself have been turned, so both ways are granted to be safe."""
    return (w <= spot[0] and h <= spot[1]) or (h <= spot[0] and w <= spot[1])
