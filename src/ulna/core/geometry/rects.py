"""Rectangles on a page. x counts from the left edge rightward, y from the top edge downward.

        x        right
   y    ┌────────┐
        │        │ height
bottom  └────────┘
          width
"""

from __future__ import annotations

from dataclasses import dataclass

from ulna.core.measure import ZERO, Length
from ulna.core.ranges import Gap


@dataclass(frozen=True, slots=True)
class Borders:
    """Four distances inward or outward from the sides of a rectangle."""

    left: Gap
    top: Gap
    right: Gap
    bottom: Gap

    @classmethod
    def even(cls, border: Length) -> Borders:
        return cls(border, border, border, border)

    @property
    def across(self) -> Length:
        return self.left + self.right

    @property
    def down(self) -> Length:
        return self.top + self.bottom

    @property
    def is_even(self) -> bool:
        return self.left == self.top == self.right == self.bottom

    @property
    def least(self) -> Length:
        return min(self.left, self.top, self.right, self.bottom)


@dataclass(frozen=True, slots=True)
class Rect:
    """A rectangle by its top left corner and its size; the right and bottom edges do not belong to it."""

    x: Length
    y: Length
    width: Length
    height: Length

    @property
    def right(self) -> Length:
        return self.x + self.width

    @property
    def bottom(self) -> Length:
        return self.y + self.height

    @property
    def area(self) -> int:
        """In units squared."""
        return self.width.units * self.height.units

    def moved(self, across: Length, down: Length) -> Rect:
        return Rect(self.x + across, self.y + down, self.width, self.height)

    def contains(self, other: Rect) -> bool:
        return self.x <= other.x and self.y <= other.y and other.right <= self.right and other.bottom <= self.bottom

    def meets(self, other: Rect) -> bool:
        """Whether the two share some area; touching edges share none."""
        return self.x < other.right and other.x < self.right and self.y < other.bottom and other.y < self.bottom

    def common(self, other: Rect) -> Rect:
        """What two that meet have in common."""
        x, y = max(self.x, other.x), max(self.y, other.y)
        return Rect(x, y, min(self.right, other.right) - x, min(self.bottom, other.bottom) - y)

    def bare_of(self, over: Rect) -> dict[str, Length]:
        """By how much it reaches beyond what lies over it, at the sides where it does."""
        beyond = {
            "left": over.x - self.x,
            "upper": over.y - self.y,
            "right": self.right - over.right,
            "lower": self.bottom - over.bottom,
        }
        return {side: by for side, by in beyond.items() if by > ZERO}

    def without(self, gone: Rect) -> list[Rect]:
        """What stands round a part that is taken out: left, right, and between them above and below."""
        if not self.meets(gone):
            return [self]
        g = self.common(gone)
        around = (
            Rect(self.x, self.y, g.x - self.x, self.height),
            Rect(g.right, self.y, self.right - g.right, self.height),
            Rect(g.x, self.y, g.width, g.y - self.y),
            Rect(g.x, g.bottom, g.width, self.bottom - g.bottom),
        )
        return [part for part in around if min(part.width, part.height) > ZERO]

    def split(self, at: Length) -> tuple[Rect, Rect]:
        """The parts left and right of an upright line that passes through it."""
        if not self.x < at < self.right:
            raise ValueError(f"the line at {at} does not pass through {self}")
        return (
            Rect(self.x, self.y, at - self.x, self.height),
            Rect(at, self.y, self.right - at, self.height),
        )


def perspective(corners: list[tuple[float, float]], width: float, height: float) -> list[float]:
    """The eight coefficients a…h that map (x, y) of an upright rectangle to a photograph of it:

        X = (ax + by + c) / (gx + hy + 1),  Y = (dx + ey + f) / (gx + hy + 1)

    `corners` are the rectangle's corners in the photograph, top left first, clockwise. Raises `ValueError` where
    they are not the corners of a sheet seen from above.
    """
    for k in range(4):
        (x0, y0), (x1, y1), (x2, y2) = (corners[(k + n) % 4] for n in range(3))
        if (x1 - x0) * (y2 - y1) - (y1 - y0) * (x2 - x1) < 1:
            raise ValueError("the corners lie on one line, or not in their order round the sheet")
    flat = [(0.0, 0.0), (width, 0.0), (width, height), (0.0, height)]
    rows: list[list[float]] = []
    for (x, y), (u, v) in zip(flat, corners, strict=True):
        rows.append([x, y, 1, 0, 0, 0, -u * x, -u * y, u])
        rows.append([0, 0, 0, x, y, 1, -v * x, -v * y, v])
    for i in range(8):
        pivot = max(range(i, 8), key=lambda r: abs(rows[r][i]))
        rows[i], rows[pivot] = rows[pivot], rows[i]
        rows[i] = [value / rows[i][i] for value in rows[i]]
        for r in range(8):
            if r != i:
                factor = rows[r][i]
                rows[r] = [value - factor * lead for value, lead in zip(rows[r], rows[i], strict=True)]
    return [row[8] for row in rows]
