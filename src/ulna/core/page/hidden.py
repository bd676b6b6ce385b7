"""Paper that hides under other paper, and the panel that could be cut out of it without being missed.

    ┌───────────────────┐ the piece
    │  ┌─────────────┐  │ what covers it, as one area
    │  │  ┌───────┐  │  │
    │  │  │ panel │  │  │ inset by the lap, 3/8 in, so that what lies on top keeps something to be glued to
    │  │  └───────┘  │  │
    │  └─────────────┘  │
    └───────────────────┘

Only what is opaque covers: no vellum, no tape, nothing with an opening there. A panel is worth the knife from
2 × 2 in. What lies on the piece must not fall through: it reaches over the panel's edge, or lies on what does.
"""

from __future__ import annotations

from collections.abc import Collection, Iterable, Mapping, Sequence
from dataclasses import replace
from itertools import pairwise

from ulna.core.geometry.figures import inner_box
from ulna.core.geometry.polygons import Polygon
from ulna.core.geometry.rects import Borders, Rect
from ulna.core.measure import Length, Ruler
from ulna.core.paper.shelf import Shelf, Stock
from ulna.core.parts.mats import LAP, WORTH_GUTTING
from ulna.core.parts.pieces import Piece

MOST_COVERS = 120
"""Of more pieces on top of one, the largest are looked at."""


def panels(
    pieces: Sequence[Piece], shelf: Shelf, ruler: Ruler, of: Collection[str] | None = None, lap: Length = LAP
) -> dict[str, Rect]:
    """The largest panel worth having of each piece (of those named in `of`), where it lies on the page, on marks.

    `pieces` are a page's from underneath upward. Passed over are pieces that are gutted or trimmed already, and those
    that are no plain rectangle of paper.
    """
    parents = {piece.leftover.of for piece in pieces if piece.leftover}
    found = {}
    for k, piece in enumerate(pieces):
        if (of is None or piece.id in of) and _plain(piece) and piece.id not in parents:
            panel = _panel(piece, pieces[k + 1 :], shelf, ruler, lap)
            if panel is not None:
                found[piece.id] = panel
    return found


def rims(piece: Piece, panel: Rect) -> Borders:
    """What stays of a piece round a panel of it."""
    r = piece.rect
    return Borders(panel.x - r.x, panel.y - r.y, r.right - panel.right, r.bottom - panel.bottom)


def gutted(pieces: Iterable[Piece], won: Mapping[str, Rect]) -> tuple[Piece, ...]:
    """The pieces, those with a panel gutted to their rims."""
    return tuple(replace(p, gut=rims(p, won[p.id])) if p.id in won else p for p in pieces)


def _plain(piece: Piece) -> bool:
    cut_square = not (piece.outline or piece.angle or piece.holes or piece.pin or piece.leftover or piece.phase)
    return piece.is_paper and cut_square and piece.gut is None


def _panel(piece: Piece, above: Sequence[Piece], shelf: Shelf, ruler: Ruler, lap: Length) -> Rect | None:
    r = piece.rect
    if min(r.width, r.height) < WORTH_GUTTING + lap * 2:
        return None
    over = [p for p in above if p.role != "tape" and p.rect.meets(r)]
    if len(over) > MOST_COVERS:
        over = sorted(over, key=lambda p: -p.rect.area)[:MOST_COVERS]
    solid = [s.common(r) for p in over if not _seen_through(p, shelf) for s in _solid(p) if s.meets(r)]
    clear = [p.rect.common(r) for p in over if _seen_through(p, shelf)]
    best = _largest(solid, clear, lap, r, ruler)
    if best is not None and not _holds(best, over):
        alone = [_largest([s], clear, lap, r, ruler) for s in solid]
        best = max((a for a in alone if a is not None and _holds(a, over)), key=lambda a: a.area, default=None)
    return best


def _seen_through(piece: Piece, shelf: Shelf) -> bool:
    paper = shelf.papers.get(piece.choice.paper or "") if piece.is_paper else None
    return paper is not None and paper.stock is Stock.VELLUM


def _solid(piece: Piece) -> list[Rect]:
    """Upright rectangles that a piece surely covers: a plain one less its openings and what is gutted or trimmed off,
    or the middle of one that is turned or cut to a shape."""
    if piece.outline or piece.angle or (piece.picture and piece.picture.outline):
        shape = _oval(piece.rect) if piece.picture else piece.seen
        within = None if piece.holes or piece.gut else inner_box(shape)
        return [within] if within else []
    left, gone = [piece.rect], list[Rect]()
    gone += [hole.at.moved(piece.uncut.x, piece.uncut.y) for hole in piece.holes]
    if piece.gut is not None:
        r, g = piece.rect, piece.gut
        gone.append(Rect(r.x + g.left, r.y + g.top, r.width - g.across, r.height - g.down))
    for out in gone:
        left = [part for rect in left for part in rect.without(out)]
    return left


def _oval(rect: Rect) -> Polygon:
    """The diamond that every shape of a print covers."""
    x, y, w, h = rect.x.inches, rect.y.inches, rect.width.inches, rect.height.inches
    return ((x + w / 2, y), (x + w, y + h / 2), (x + w / 2, y + h), (x, y + h / 2))


def _largest(solid: Sequence[Rect], clear: Sequence[Rect], lap: Length, room: Rect, ruler: Ruler) -> Rect | None:
    """The largest panel, inset by the lap, in the union of `solid` that keeps clear of `clear`."""
    if not solid:
        return None
    both = [*solid, *clear]
    xs = sorted({x for r in both for x in (r.x, r.right)})
    ys = sorted({y for r in both for y in (r.y, r.bottom)})
    at_x, at_y = {x: k for k, x in enumerate(xs)}, {y: k for k, y in enumerate(ys)}
    rows = [bytearray(len(xs) - 1) for _ in range(len(ys) - 1)]
    for rects, covered in ((solid, 1), (clear, 0)):
        for r in rects:
            i, j = at_x[r.x], at_x[r.right]
            for row in rows[at_y[r.y] : at_y[r.bottom]]:
                row[i:j] = bytes([covered]) * (j - i)
    best: Rect | None = None
    tops = [ys[0]] * (len(xs) - 1)
    for row, (top, bottom) in zip(rows, pairwise(ys), strict=True):
        for i, covered in enumerate(row):
            if not covered:
                tops[i] = bottom
            elif tops[i] == bottom:
                tops[i] = top
        for run in _runs(tops, xs, bottom):
            panel = _inset(run, lap, room, ruler)
            if panel is not None and (best is None or panel.area > best.area):
                best = panel
    return best


def _runs(tops: Sequence[Length], xs: Sequence[Length], bottom: Length) -> Iterable[Rect]:
    """The rectangles that stand on `bottom`, as wide as they can be, where column i is covered from tops[i] down."""
    stack: list[tuple[int, Length]] = []
    for i in range(len(tops) + 1):
        top = tops[i] if i < len(tops) else bottom
        first = i
        while stack and stack[-1][1] < top:
            first, high = stack.pop()
            yield Rect(xs[first], high, xs[i] - xs[first], bottom - high)
        if not stack or stack[-1][1] > top:
            stack.append((first, top))


def _inset(rect: Rect, lap: Length, room: Rect, ruler: Ruler) -> Rect | None:
    """A panel inside a covered area, its rims from the edges of `room` on marks; none under 2 × 2 in."""
    left, top = _to_mark(rect.x + lap - room.x, ruler), _to_mark(rect.y + lap - room.y, ruler)
    right, bottom = (
        _to_mark(room.right - rect.right + lap, ruler),
        _to_mark(room.bottom - rect.bottom + lap, ruler),
    )
    width, height = room.width - left - right, room.height - top - bottom
    if min(width, height) < WORTH_GUTTING:
        return None
    return Rect(room.x + left, room.y + top, width, height)


def _to_mark(length: Length, ruler: Ruler) -> Length:
    mark = ruler.mark.units
    return Length(-(-length.units // mark) * mark)


def _holds(panel: Rect, over: Sequence[Piece]) -> bool:
    """Whether nothing falls through the hole: what lies wholly over it lies on something that does not."""
    held: list[Rect] = []
    for piece in over:
        if not piece.rect.meets(panel):
            continue
        if panel.contains(piece.rect) and not any(below.contains(piece.rect) for below in held):
            return False
        held.append(piece.rect)
    return True
