"""Where the pieces of a page are seen, worked out once for all who ask what lies over what."""

from __future__ import annotations

from collections.abc import Sequence
from functools import cached_property

from ulna.core.geometry import outlines, polygons
from ulna.core.geometry.polygons import Bounds, Point, Polygon
from ulna.core.geometry.rects import Rect
from ulna.core.parts.pieces import Piece


class Seen:
    """Of each piece its outline on the page and the edges of that, in inches."""

    def __init__(self, pieces: Sequence[Piece]) -> None:
        self.pieces = pieces
        self._outlines: dict[str, Polygon] = {}
        self._bounds: dict[str, Bounds] = {}

    @cached_property
    def boxes(self) -> list[Bounds]:
        """The edges of all pieces, in their order."""
        return [self.bounds(piece) for piece in self.pieces]

    def outline(self, piece: Piece) -> Polygon:
        found = self._outlines.get(piece.id)
        if found is None:
            found = self._outlines[piece.id] = piece.seen
        return found

    def bounds(self, piece: Piece) -> Bounds:
        found = self._bounds.get(piece.id)
        if found is None:
            if piece.angle or piece.outline:
                found = polygons.bounds(self.outline(piece))
            else:
                r = piece.rect
                found = r.x.inches, r.y.inches, r.right.inches, r.bottom.inches
            self._bounds[piece.id] = found
        return found

    def covers(self, piece: Piece, point: Point) -> bool:
        """Whether there is paper of a piece at a spot: not where it has an opening, nor where its middle is gutted."""
        x, y = point
        x1, y1, x2, y2 = self.bounds(piece)
        if not (x1 <= x <= x2 and y1 <= y <= y2):
            return False
        if (piece.outline or piece.angle) and not polygons.inside(point, self.outline(piece)):
            return False
        if piece.gut is not None:
            left, right = x1 + piece.gut.left.inches, x2 - piece.gut.right.inches
            if left < x < right and y1 + piece.gut.top.inches < y < y2 - piece.gut.bottom.inches:
                return False
        own = x - piece.uncut.x.inches, y - piece.uncut.y.inches
        return not any(polygons.inside(own, hole.outline) for hole in piece.holes)

    def meet(self, a: Piece, b: Piece) -> bool:
        """Whether two pieces lie over each other."""
        if not cross(self.bounds(a), self.bounds(b)):
            return False
        if a.outline or a.angle or b.outline or b.angle:
            return outlines.overlap(self.outline(a), self.outline(b))
        return True

    def meets(self, piece: Piece, region: Rect) -> bool:
        """Whether a piece lies over a region of the page."""
        r = region.x.inches, region.y.inches, region.right.inches, region.bottom.inches
        if not cross(self.bounds(piece), r):
            return False
        if piece.outline or piece.angle:
            return outlines.overlap(self.outline(piece), polygons.box(r[0], r[1], r[2] - r[0], r[3] - r[1]))
        return True


def cross(a: Bounds, b: Bounds) -> bool:
    """Whether two boxes share more than an edge."""
    return a[0] < b[2] - 1e-9 and b[0] < a[2] - 1e-9 and a[1] < b[3] - 1e-9 and b[1] < a[3] - 1e-9
