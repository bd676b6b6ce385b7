"""Many small photos printed as one picture: in rows and columns, or each at a place of its own.

┌───────────────┐
│ ┌───┐ ┌───┐   │  a cell is (width − 2·rim − (columns − 1)·gap) / columns wide, and the same down;
│ └───┘g└───┘ r │  what divides unevenly is rounded at the cells' edges, so that no error adds up
└───────────────┘
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, inches
from ulna.core.photos.crop import Frame, Framing
from ulna.core.photos.photo import Photo
from ulna.core.photos.prints import PIXELS_PER_INCH
from ulna.core.ranges import Gap, Many, Size, Title, Whole


@dataclass(frozen=True, slots=True)
class TemplateCell:
    """A photo of a template: in the rows, there over so many places `across` and `down`, or at a `place` of its own,
    counted from the template's corner. Without a photo its place stays white."""

    photo: str | None = None
    frame: Frame | None = None
    place: Rect | None = None
    across: Annotated[int, Whole(1, 20)] = 1
    down: Annotated[int, Whole(1, 20)] = 1


@dataclass(frozen=True, slots=True)
class Template:
    """One print of many photos. Cells without a place fill the rows in order; the others lie where they are put.

    `cut_apart` says that it is cut into its photos after printing, and is not one piece.
    """

    name: Title
    width: Size = inches(4)
    height: Size = inches(6)
    rows: Annotated[int, Whole(1, 20)] = 3
    columns: Annotated[int, Whole(1, 20)] = 2
    gap: Gap = inches(0, 1, 8)
    rim: Gap = inches(0, 1, 8)
    cells: Annotated[tuple[TemplateCell, ...], Many(200)] = ()
    cut_apart: bool = False


def rows(template: Template) -> list[Rect]:
    """The places of the rows, left to right and downward, as the cells take them up one after the other; a cell that
    spans ends where another one, or the template, begins. None where gaps and rim leave nothing."""
    t = template
    across = t.width - t.rim * 2 - t.gap * (t.columns - 1)
    down = t.height - t.rim * 2 - t.gap * (t.rows - 1)
    if across <= ZERO or down <= ZERO:
        return []
    found = list[Rect]()
    for row, column, wide, high in spans(t):
        x1, x2 = across.part(column, t.columns), across.part(column + wide, t.columns)
        y1, y2 = down.part(row, t.rows), down.part(row + high, t.rows)
        x, y = t.rim + x1 + t.gap * column, t.rim + y1 + t.gap * row
        found.append(Rect(x, y, x2 - x1 + t.gap * (wide - 1), y2 - y1 + t.gap * (high - 1)))
    return found


def spans(t: Template) -> list[tuple[int, int, int, int]]:
    """Of each place of the rows: its row, its column, and over how many columns and rows it goes."""
    cells = iter([cell for cell in t.cells if cell.place is None])
    found, taken = list[tuple[int, int, int, int]](), set[tuple[int, int]]()
    for row in range(t.rows):
        for column in range(t.columns):
            if (row, column) in taken:
                continue
            cell = next(cells, TemplateCell())
            wide = _free(taken, [(row, c) for c in range(column, min(column + cell.across, t.columns))])
            lines = [
                [(r, c) for c in range(column, column + wide)] for r in range(row, min(row + cell.down, t.rows))
            ]
            high = next((k for k, line in enumerate(lines) if taken.intersection(line)), len(lines))
            taken.update(spot for line in lines[:high] for spot in line)
            found.append((row, column, wide, high))
    return found


def cut_short(template: Template) -> list[str]:
    """Which photos go over fewer places than was said, since others or the edge are in the way."""
    cells = [cell for cell in template.cells if cell.place is None]
    told = []
    for k, (cell, (_, _, wide, high)) in enumerate(zip(cells, spans(template), strict=False)):
        if (wide, high) != (cell.across, cell.down):
            asked, room = f"{cell.across} × {cell.down}", f"{wide} × {high}"
            told.append(f"Place {k + 1} has room for {room} places, not for {asked}.")
    return told


def _free(taken: set[tuple[int, int]], spots: list[tuple[int, int]]) -> int:
    """How many of them are free, one after the other."""
    return next((k for k, spot in enumerate(spots) if spot in taken), len(spots))


def cuts(template: Template) -> tuple[list[Length], list[Length]]:
    """Where a template is cut apart: distances from its left edge, and from its top; a gap takes two cuts. What would
    go through a photo that spans is cut by hand.

    Cells at places of their own may lie across each other and are not counted.
    """
    cells = rows(template)
    across = sorted({edge for cell in cells for edge in (cell.x, cell.right)} - {ZERO, template.width})
    down = sorted({edge for cell in cells for edge in (cell.y, cell.bottom)} - {ZERO, template.height})
    return (
        [x for x in across if not any(cell.x < x < cell.right for cell in cells)],
        [y for y in down if not any(cell.y < y < cell.bottom for cell in cells)],
    )


def filled(template: Template) -> list[tuple[TemplateCell, Rect]]:
    """Each cell with its place, from underneath upward; more cells than the rows hold are left out."""
    in_rows = [cell for cell in template.cells if cell.place is None]
    own = [(cell, cell.place) for cell in template.cells if cell.place is not None]
    return [*zip(in_rows, rows(template), strict=False), *own]


def as_photo(template: Template, id: str, edition: str) -> Photo:
    """The print as a picture that a page can show, as sharp as it is printed."""
    width, height = (max(1, round(side.inches * PIXELS_PER_INCH)) for side in (template.width, template.height))
    return Photo(id, template.name, (width, height), Framing(), edition=edition)
