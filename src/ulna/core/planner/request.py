"""What the planner is asked: sheets there are, pieces wanted. All measures are whole numbers, all values frozen."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal, NamedTuple

Side = Literal["left", "top", "right", "bottom"]


class Area(NamedTuple):
    """A rectangle by its top left corner and its size."""

    x: int
    y: int
    width: int
    height: int

    @property
    def right(self) -> int:
        return self.x + self.width

    @property
    def bottom(self) -> int:
        return self.y + self.height

    @property
    def size(self) -> int:
        return self.width * self.height

    def meets(self, other: Area) -> bool:
        """Whether the two share some area."""
        return self.x < other.right and other.x < self.right and self.y < other.bottom and other.y < self.bottom

    def inside(self, other: Area) -> bool:
        return self.x >= other.x and self.y >= other.y and self.right <= other.right and self.bottom <= other.bottom


@dataclass(frozen=True, slots=True)
class Reserve:
    """A band along one edge that nothing may use: the maker's branding strip."""

    edge: Side
    depth: int


@dataclass(frozen=True, slots=True)
class Sheet:
    """`quantity` sheets alike. A scrap costs nothing. No piece and no rest meets a hole."""

    id: str
    width: int
    height: int
    quantity: int = 1
    scrap: bool = False
    reserve: Reserve | None = None
    holes: tuple[Area, ...] = ()

    @property
    def whole(self) -> Area:
        return Area(0, 0, self.width, self.height)

    @property
    def usable(self) -> Area:
        """The sheet without its reserve."""
        if self.reserve is None:
            return self.whole
        edge, depth = self.reserve.edge, self.reserve.depth
        return Area(
            depth if edge == "left" else 0,
            depth if edge == "top" else 0,
            self.width - (depth if edge in ("left", "right") else 0),
            self.height - (depth if edge in ("top", "bottom") else 0),
        )


class Rims(NamedTuple):
    """What stays of a piece that is gutted, on each side."""

    left: int
    top: int
    right: int
    bottom: int


class Pin(NamedTuple):
    """The one place that a printed piece is cut from."""

    sheet: str
    x: int
    y: int


@dataclass(frozen=True, slots=True)
class Piece:
    """`quantity` pieces alike; `turn` allows a quarter turn; `sources` are the sheets they may come from."""

    id: str
    width: int
    height: int
    sources: frozenset[str]
    quantity: int = 1
    turn: bool = False
    gut: Rims | None = None
    pin: Pin | None = None

    def panel_size(self, turned: bool) -> tuple[int, int]:
        """Width and height of the panel that gutting wins from the piece as it lies."""
        if self.gut is None:
            return 0, 0
        w = self.width - self.gut.left - self.gut.right
        h = self.height - self.gut.top - self.gut.bottom
        return (h, w) if turned else (w, h)


@dataclass(frozen=True, slots=True)
class CutRequest:
    sheets: tuple[Sheet, ...]
    pieces: tuple[Piece, ...]
    kerf: int = 0
    gutting: bool = True
