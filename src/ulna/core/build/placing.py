"""Where a piece goes, in figures that are set on a ruler: from the left and the top of its page, or of what it lies on.

┌────────────────┐
│   2   ┌────┐   │   a piece that lies turned is laid square first and then turned about its middle
├──────▸│    │   │
│       └────┘   │
└────────────────┘
"""

from __future__ import annotations

from dataclasses import dataclass

from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, Ruler
from ulna.core.page_formats import PageFormat
from ulna.core.parts.pieces import Piece


@dataclass(frozen=True, slots=True)
class Seat:
    """A piece with its number in the cut list, where there is one, and where it goes: `across` and `down` from the
    corner of a page or of the piece `on` which it lies; `at` on the spread. It lies turned clockwise by `angle`: by
    quarters its box is that of the turned piece, else it is laid square there and turned about its middle then."""

    piece: str
    number: int | None
    name: str
    at: Rect
    on: str
    across: Length
    down: Length
    angle: float
    says: str


def laid(piece: Piece) -> Rect:
    """What the ruler is held to: its box, of one that is turned by quarters as it lies then."""
    at = piece.uncut if piece.angle or piece.outline else piece.rect
    if piece.angle % 180 != 90:
        return at
    shift = (at.width - at.height).part(1, 2)
    return Rect(at.x + shift, at.y - shift, at.height, at.width)


def on_page(piece: Piece, format: PageFormat, ruler: Ruler, number: int | None) -> Seat:
    """From the left and the top of the page that it lies on; over the gutter from the left page's."""
    at = laid(piece)
    name = format.page_of(at)
    page = format.page("left" if name == "spread" else name)
    which = "" if format.pages == 1 else f" of the {'left' if name == 'spread' else name} page"
    across, down = at.x - page.x, at.y - page.y
    x = _from("left", across, ruler)
    if name != "spread" and across * 2 + at.width == page.width and across > ZERO:
        x = f"{x} (centred)"
    says = f"{x}, {_from('top', down, ruler)}{which}{_turned(piece.angle)}"
    return Seat(piece.id, number, piece.name, at, "", across, down, piece.angle, says)


def on_piece(piece: Piece, under: Piece, ruler: Ruler, number: int | None) -> Seat:
    """From the left and top edge of the piece that it lies on."""
    at, base = laid(piece), laid(under)
    across, down = at.x - base.x, at.y - base.y
    says = (
        f"{_from('left', across, ruler)}, {_from('top', down, ruler)} of {under.name}"
        f"{_turned(piece.angle - under.angle)}"
    )
    return Seat(piece.id, number, piece.name, at, under.id, across, down, piece.angle, says)


def _from(edge: str, by: Length, ruler: Ruler) -> str:
    if by < ZERO:
        return f"over the {edge} edge by {ruler.say(abs(by))}"
    return f"{ruler.say(by)} from the {edge}" if by else f"flush with the {edge}"


def _turned(angle: float) -> str:
    by = (angle + 180) % 360 - 180
    if not by:
        return ""
    if abs(by) in (90, 180):
        quarter = "half round" if abs(by) == 180 else f"a quarter {'clockwise' if by > 0 else 'anticlockwise'}"
        return f", turned {quarter}"
    return f"; then turned {abs(by):g}° {'clockwise' if by > 0 else 'anticlockwise'} about its middle"
