"""The cut tree of one sheet while it is filled: a part is cut in two edge to edge, holds a piece, or is left.

┌───────┬──────┐        upright cut at x = a           first   second
│ piece │ rest │        ───────────────────────►  [x, a) and [a + kerf, right)
├───────┤      │
│ rest  │      │        A band that runs off the part leaves one side empty (None).
└───────┴──────┘
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Literal

from ulna.core.planner.request import Area, Piece

Axis = Literal["vertical", "horizontal"]


@dataclass(slots=True, eq=False)
class Part:
    """A node: uncut it is free, holds `laid`, or is `lost` (a hole, or the maker's `strip`); cut, it has `first` and
    `second`."""

    area: Area
    axis: Axis | None = None
    at: int = 0
    first: Part | None = None
    second: Part | None = None
    laid: Laid | None = None
    lost: bool = False
    strip: bool = False

    def cut(self, axis: Axis, at: int, kerf: int) -> tuple[Part | None, Part | None]:
        """Cuts this part; the two sides of the cut, None where the band runs off the edge."""
        x, y, w, h = self.area
        self.axis, self.at = axis, at
        if axis == "vertical":
            if at > x:
                self.first = Part(Area(x, y, at - x, h))
            if at + kerf < x + w:
                self.second = Part(Area(at + kerf, y, x + w - at - kerf, h))
        else:
            if at > y:
                self.first = Part(Area(x, y, w, at - y))
            if at + kerf < y + h:
                self.second = Part(Area(x, at + kerf, w, y + h - at - kerf))
        return self.first, self.second

    @property
    def is_cut(self) -> bool:
        """Whether it is cut for the sake of a piece, or of the maker's strip; round a hole alone nobody cuts."""
        return self.axis is not None and any(leaf.laid is not None or leaf.strip for leaf in self.leaves())

    def copied(self) -> Part:
        """The same tree anew, to be cut further."""
        twin = self._bare()
        todo = [(self, twin)]
        while todo:
            old, new = todo.pop()
            if old.first is not None:
                new.first = old.first._bare()
                todo.append((old.first, new.first))
            if old.second is not None:
                new.second = old.second._bare()
                todo.append((old.second, new.second))
        return twin

    def _bare(self) -> Part:
        laid = Laid(self.laid.piece, self.laid.turned) if self.laid else None
        return Part(self.area, self.axis, self.at, laid=laid, lost=self.lost, strip=self.strip)

    def leaves(self) -> Iterator[Part]:
        """The parts that are there after all cuts."""
        stack: list[Part] = [self]
        while stack:
            part = stack.pop()
            if part.axis is None:
                yield part
            else:
                stack += [p for p in (part.second, part.first) if p is not None]


@dataclass(slots=True, eq=False)
class Laid:
    """A piece that lies in a part: which one of the request, turned or not, and the tree of its panel."""

    piece: int
    turned: bool
    panel: Part | None = None
    panel_at: tuple[int, int] = (0, 0)


def trim(part: Part, width: int, height: int, upright_first: bool, kerf: int) -> tuple[Part, list[Part]]:
    """Cuts a part down to `width` × `height` at its top left corner: that part, and what is left over."""
    rests: list[Part] = []
    target = part
    order: tuple[Axis, Axis] = ("vertical", "horizontal") if upright_first else ("horizontal", "vertical")
    for axis in order:
        size, wanted = (target.area.width, width) if axis == "vertical" else (target.area.height, height)
        if size > wanted:
            start = target.area.x if axis == "vertical" else target.area.y
            first, second = target.cut(axis, start + wanted, kerf)
            if second is not None:
                rests.append(second)
            if first is None:  # unreachable for wanted > 0; keeps the types honest
                raise ValueError("a piece has a size")
            target = first
    return target, rests


def give_panel(part: Part, piece: Piece) -> Part | None:
    """The panel that gutting wins from the piece that lies in a part, as a part of its own."""
    if piece.gut is None or part.laid is None:
        return None
    width, height = piece.panel_size(part.laid.turned)
    left, top = (piece.gut.bottom, piece.gut.left) if part.laid.turned else piece.gut[:2]
    panel = Part(Area(0, 0, width, height))
    part.laid.panel, part.laid.panel_at = panel, (part.area.x + left, part.area.y + top)
    return panel
