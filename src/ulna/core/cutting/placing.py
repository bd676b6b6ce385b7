"""Where each piece goes once it is cut: the second half of a cut list. One cuts by the first and glues by this.

      x
  ┌───────────────┐   x from the left edge of the page or spread, y from its top edge, to the corner of the piece's
y │   ┌──────┐    │   box as it lies before it is turned by an angle; an angle turns it clockwise about the middle of
  │   │  3   │    │   `about`, the box of the uncut piece. `on` is what lies under its middle.
  │   └──────┘    │
  └───────────────┘
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from typing import Literal

from ulna.core.cutting.cut_list import CutList
from ulna.core.cutting.finishing import shift
from ulna.core.geometry import polygons
from ulna.core.geometry.figures import Hole, Outline
from ulna.core.geometry.polygons import Polygon
from ulna.core.geometry.rects import Rect
from ulna.core.measure import Length, length_of
from ulna.core.page_formats import PageFormat, PageName
from ulna.core.paper.shelf import Face
from ulna.core.parts.pieces import Piece, Role
from ulna.core.photos.prints import outline_of


@dataclass(frozen=True, slots=True)
class Placed:
    """A piece on the page. `number` is that of the cut list, 0 for what is not cut: a print as it came, tape.

    `outline` and `holes` are in inches and lengths from the corner of `at`; an empty outline is the whole of it. `on`
    is the number or, where it has none, the id of what lies under its middle; empty for the page itself.
    """

    number: int
    piece: str
    name: str
    role: Role
    page: PageName
    at: Rect
    about: Rect
    angle: float
    side: Face
    turned: bool
    outline: Outline
    holes: tuple[Hole, ...]
    half: Literal["left", "right", ""]
    on: str


def placements(pieces: Sequence[Piece], cuts: CutList, format: PageFormat) -> list[Placed]:
    """A page's pieces from underneath upward, each with its number on the list."""
    numbers = {p.piece: p.number for sheet in cuts.sheets for p in sheet.pieces if p.fate != "spoiled"}
    as_cut = {p.piece: p.lies for sheet in cuts.sheets for p in sheet.pieces if p.fate == "as cut"}
    lies = [piece.seen for piece in pieces]
    return [
        _placed(piece, pieces, numbers, as_cut, format, _under(k, pieces, lies, numbers))
        for k, piece in enumerate(pieces)
    ]


def _placed(
    piece: Piece,
    pieces: Sequence[Piece],
    numbers: Mapping[str, int],
    as_cut: Mapping[str, tuple[Length, Length]],
    format: PageFormat,
    under: str,
) -> Placed:
    r, u = piece.rect, piece.uncut
    off_x, off_y = r.x - u.x, r.y - u.y
    outline = polygons.moved(_outline(piece), -off_x.inches, -off_y.inches)
    at = r
    if piece.outline and piece.role != "print":
        # What is cut in its box may be laid up to half a mark beside it, by its neighbours.
        others = [p for p in pieces if p.leftover is not None and p.leftover.of == piece.id]
        dx, dy = shift(piece, others) if piece.leftover is None else (0.0, 0.0)
        outline = polygons.moved(outline, dx, dy)
        at = r.moved(-length_of(dx), -length_of(dy))
    if piece.id in as_cut:
        at = Rect(at.x, at.y, *as_cut[piece.id])
    holes = tuple(hole.moved(-off_x, -off_y) for hole in piece.holes)
    return Placed(
        numbers.get(piece.id, 0),
        piece.id,
        piece.name,
        piece.role,
        format.page_of(r),
        at,
        u,
        piece.angle,
        piece.choice.side,
        piece.choice.turned and piece.is_paper,
        outline,
        holes,
        piece.half or "",
        under,
    )


def _outline(piece: Piece) -> Polygon:
    if piece.role != "print" or piece.print is None or piece.outline:
        return piece.outline
    line = outline_of(piece.print)
    if not line or not piece.half:
        return line
    x = (piece.rect.x - piece.uncut.x).inches
    return polygons.cut(polygons.cut(line, 1, 0, x + piece.rect.width.inches), -1, 0, -x)


def _under(k: int, pieces: Sequence[Piece], lies: Sequence[Polygon], numbers: Mapping[str, int]) -> str:
    """What lies under the middle of a piece: the uppermost of those below it."""
    x1, y1, x2, y2 = polygons.bounds(lies[k])
    middle = ((x1 + x2) / 2, (y1 + y2) / 2)
    for below in range(k - 1, -1, -1):
        if polygons.inside(middle, lies[below]):
            return str(numbers.get(pieces[below].id) or pieces[below].id)
    return ""
