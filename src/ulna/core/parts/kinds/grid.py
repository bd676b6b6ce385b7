"""A grid of cells: whichever value is left open follows from the others.

m ┌────┐ g ┌────┐ g ┌────┐ m      W = 2m + c·w + (c − 1)·g, and the same down
  │ w  │   │    │   │    │        equal gaps all round (m = g): g = (W − c·w) / (c + 1)
  └────┘   └────┘   └────┘

Cells keep their size; positions are rounded to marks, so that the last cell ends where it should, and which gap is a
mark wider is told.
"""

from __future__ import annotations

import math
import re
from dataclasses import dataclass, field, replace
from fractions import Fraction
from itertools import pairwise
from typing import Annotated, ClassVar, Literal

from ulna.core.errors import FieldError
from ulna.core.findings import Finding, Remedy
from ulna.core.geometry.figures import Figure, outline
from ulna.core.geometry.rects import Rect
from ulna.core.measure import SIZE, ZERO, Length, Ruler, inches, parse
from ulna.core.parts.beginning import Beginning, unchosen
from ulna.core.parts.kind import Entry, Traits
from ulna.core.parts.papers import dealt
from ulna.core.parts.pieces import Built, CellSpot, Ground, Handle, PaperChoice, Papers, Piece
from ulna.core.parts.place import Place
from ulna.core.parts.printed import lay, name_of
from ulna.core.photos.crop import PRINT_SIZES
from ulna.core.photos.prints import Print
from ulna.core.ranges import Count, Gap, Id, Many, Seed, Size, Whole

Solved = Literal["nothing", "cells", "gap", "margins", "equal gaps", "how many"]
What = Literal["paper", "photo", "empty", "title", "words", "card"]
WHATS: tuple[What, ...] = ("photo", "paper", "card", "title", "words", "empty")
USUAL = tuple((parse(w), parse(h)) for w, h in PRINT_SIZES)
KEPT_FREE: tuple[What, ...] = ("empty", "title", "words")
MOST = 400
USUAL_RIM = inches(0, 1, 8)
"""Of a print: the white border inside its size."""


@dataclass(frozen=True, slots=True)
class Cell:
    """What lies at a row and column, counted from 0, over so many rows and columns. A card is a paper cell."""

    row: Count
    column: Count
    rows: Annotated[int, Whole(1, 100)] = 1
    columns: Annotated[int, Whole(1, 100)] = 1
    what: What = "paper"
    print: Print | None = None
    choice: PaperChoice | None = None
    figure: Figure = "rectangle"


@dataclass(frozen=True, slots=True)
class Grid:
    """`open` is the value that is solved for; the others hold. `width` and `height` of its own, or None for all of
    what it lies on. Cells that are not named are of paper, or places for photos where `rest` says so.
    """

    kind: ClassVar[str] = "grid"
    level: ClassVar[str] = "over"
    id: Id
    rows: Count = 3
    columns: Count = 3
    cell_width: Size = inches(3)
    cell_height: Size = inches(3)
    gap: Gap = inches(0, 1, 4)
    margin: Gap = inches(0, 1, 2)
    open: Solved = "cells"
    width: Size | None = None
    height: Size | None = None
    rest: Literal["paper", "photo", "empty"] = "paper"
    cells: Annotated[tuple[Cell, ...], Many(400)] = ()
    papers: Papers = (PaperChoice(), PaperChoice())
    seed: Seed | None = None
    place: Place = field(default_factory=Place)


@dataclass(frozen=True, slots=True)
class GridWay:
    """One way of a grid, across or down: so many cells of a size on marks, the exact gap and margin in units.

    `missing` is by how much it does not fit.
    """

    count: int
    cell: Length
    gap: Fraction
    margin: Fraction
    missing: Length

    def starts(self, ruler: Ruler) -> list[Length]:
        return [ruler.round(_units(self.margin + k * (self.cell.units + self.gap))) for k in range(self.count)]


def _units(value: Fraction) -> Length:
    return Length(math.floor(value + Fraction(1, 2)))


def solve(
    room: Length, count: int, cell: Length, gap: Length, margin: Length, open: Solved, ruler: Ruler
) -> GridWay:
    """One way of the grid, in a room; `missing` is above nothing where no value that is open can make it fit."""
    whole, w, g, m = room.units, ruler.round(cell).units, gap.units, margin.units
    if open == "how many":
        count = max(0, (whole - 2 * m + g) // max(1, w + g))
    if open == "cells" and count:
        w = (whole - 2 * m - (count - 1) * g) // count // ruler.mark.units * ruler.mark.units
        if w < SIZE.least.units:
            return GridWay(count, SIZE.least, Fraction(g), Fraction(m), Length(SIZE.least.units - w) * count)
    if open == "equal gaps":
        even = Fraction(whole - count * w, count + 1)
        return GridWay(count, Length(w), even, even, Length(max(0, math.ceil(-even * (count + 1)))))
    needed = 2 * m + count * w + max(0, count - 1) * g
    if open == "gap" and count > 1:
        spare = Fraction(whole - 2 * m - count * w, count - 1)
        return GridWay(count, Length(w), spare, Fraction(m), Length(max(0, math.ceil(-spare * (count - 1)))))
    if open in ("margins", "how many") or (open == "gap" and count == 1):
        side = Fraction(whole - count * w - max(0, count - 1) * g, 2)
        return GridWay(count, Length(w), Fraction(g), side, Length(max(0, math.ceil(-side * 2))))
    if open == "cells" and count > 1:  # what the cells cannot hold on marks goes to the gaps
        return GridWay(count, Length(w), Fraction(whole - 2 * m - count * w, count - 1), Fraction(m), ZERO)
    return GridWay(count, Length(w), Fraction(g), Fraction(m), Length(max(0, needed - whole)))


def build(part: Grid, ground: Ground, room: Rect) -> Built:
    """The cells, row by row. What does not fit is told with the remedies in the order in which people use them."""
    ruler = ground.ruler
    wide = ruler.round(part.width) if part.width is not None else room.width
    high = ruler.round(part.height) if part.height is not None else room.height
    problem = _problem(part)
    if problem:
        return Built(ZERO, ZERO, findings=(Finding("grid", "stop", part.id, problem),))
    pages = 2 if _over_spread(part, ground) else 1
    across, down = _ways(part, wide, high, pages, ruler)
    if across.missing or down.missing or not (across.count and down.count):
        return Built(ZERO, ZERO, findings=(_does_not_fit(part, across, down, wide, high, ground),))
    xs = [x + wide.part(page, pages) for page in range(pages) for x in across.starts(ruler)]
    ys = down.starts(ruler)
    pieces, findings = _lay(part, xs, ys, across.cell, down.cell, ground)
    findings += _uneven(part, xs[: across.count], ys, across, down, ruler)
    if part.open == "equal gaps" and across.gap != down.gap:
        findings.append(_unlike(part, across, down, wide.part(1, pages), ruler))
    return Built(
        wide,
        high,
        tuple(pieces),
        _told(across, down, pages, ruler),
        tuple(findings),
        handles=_handles(part, xs, ys, across, down),
        spots=tuple(
            CellSpot(_key(cell), _where(cell), _box(cell, xs, ys, across.cell, down.cell), cell.what, WHATS)
            for cell in cells_of(part, len(ys), len(xs))
        ),
    )


def _ways(part: Grid, wide: Length, high: Length, pages: int, ruler: Ruler) -> tuple[GridWay, GridWay]:
    """Across, on each of so many pages, and down."""
    room, columns = wide.part(1, pages), part.columns // pages
    return (
        solve(room, columns, part.cell_width, part.gap, part.margin, part.open, ruler),
        solve(high, part.rows, part.cell_height, part.gap, part.margin, part.open, ruler),
    )


def _over_spread(part: Grid, ground: Ground) -> bool:
    """Whether it lies on both pages and its columns share out evenly, so that none lies on the gutter."""
    whole = part.place.on == "spread" and ground.format.pages == 2 and part.width is None
    return whole and part.columns % 2 == 0 and not part.place.needs


def _problem(part: Grid) -> str:
    if part.rows < 1 or part.columns < 1:
        return f"A grid has a row and a column at least, not {part.rows} and {part.columns}."
    if part.rows * part.columns > MOST:
        return f"{part.rows} × {part.columns} cells are more than {MOST}; take fewer rows or columns."
    taken: dict[tuple[int, int], Cell] = {}
    for cell in part.cells:
        outside = cell.row + cell.rows > part.rows or cell.column + cell.columns > part.columns
        if outside and part.open != "how many":
            continue  # kept for when the grid has those rows again
        for spot in _spots(cell):
            if spot in taken:
                return f"Two cells lie at row {spot[0] + 1}, column {spot[1] + 1}; make one of them smaller."
            taken[spot] = cell
    return ""


def _spots(cell: Cell) -> list[tuple[int, int]]:
    return [(cell.row + r, cell.column + c) for r in range(cell.rows) for c in range(cell.columns)]


def cells_of(part: Grid, rows: int, columns: int) -> list[Cell]:
    """Every cell, named or not, row by row."""
    named = [c for c in part.cells if c.row + c.rows <= rows and c.column + c.columns <= columns]
    covered = {spot for cell in named for spot in _spots(cell)}
    plain = [Cell(r, c, what=part.rest) for r in range(rows) for c in range(columns) if (r, c) not in covered]
    return sorted([*named, *plain], key=lambda cell: (cell.row, cell.column))


def _lay(
    part: Grid, xs: list[Length], ys: list[Length], wide: Length, high: Length, ground: Ground
) -> tuple[list[Piece], list[Finding]]:
    pieces, findings = list[Piece](), list[Finding]()
    cells = cells_of(part, len(ys), len(xs))
    papers = iter(dealt(part.papers, len(cells), part.seed))
    for cell in cells:
        box, where, key = _box(cell, xs, ys, wide, high), _where(cell), _key(cell)
        if cell.what in KEPT_FREE:
            continue
        if cell.what == "photo":
            piece, told = _photo(part, cell, key, box, ground)
            pieces.append(piece)
            findings += told
            continue
        choice = cell.choice or next(papers)
        piece = Piece(f"{part.id}/{key}", part.id, "panel", f"cell at {where}", box, box, choice)
        if cell.figure != "rectangle":
            line = outline(cell.figure, box.width.inches, box.height.inches, box.width.inches / 6)
            piece = replace(piece, role="shape", name=f"{cell.figure} at {where}", outline=line, figure=cell.figure)
            piece = replace(piece, cut=box.width.part(1, 6))
        pieces.append(piece)
    return pieces, findings


def _box(cell: Cell, xs: list[Length], ys: list[Length], wide: Length, high: Length) -> Rect:
    x, y = xs[cell.column], ys[cell.row]
    return Rect(x, y, xs[cell.column + cell.columns - 1] + wide - x, ys[cell.row + cell.rows - 1] + high - y)


def _where(cell: Cell) -> str:
    return f"row {cell.row + 1}, column {cell.column + 1}"


def _key(cell: Cell) -> str:
    return f"cell-{cell.row + 1}-{cell.column + 1}"


def fill(part: Grid, key: str, what: str, print_: Print | None = None, choice: PaperChoice | None = None) -> Grid:
    """The grid with something in the cell of that key ("cell-1-2": row, column); one that was not named is then.

    Raises `FieldError` where the grid has no such cell.
    """
    named = {_key(cell): cell for cell in part.cells}
    found = _KEY.fullmatch(key)
    if found is None:
        raise FieldError("cell", key, "this grid has no such cell", "press on one of its cells")
    if what not in WHATS:
        raise FieldError("what", what, "a cell of a grid cannot be for that", f"choose one of {', '.join(WHATS)}")
    cell = named.get(key) or Cell(int(found[1]) - 1, int(found[2]) - 1)
    filled = replace(cell, what=what, print=print_, choice=choice)
    cells = tuple(filled if one is cell else one for one in part.cells)
    return replace(part, cells=cells if key in named else (*cells, filled))


_KEY = re.compile(r"cell-([1-9]\d{0,2})-([1-9]\d{0,2})")


def _photo(part: Grid, cell: Cell, key: str, box: Rect, ground: Ground) -> tuple[Piece, list[Finding]]:
    ruler, print_ = ground.ruler, cell.print or Print(None, box.width, box.height)
    w, h = print_.lies
    at = Rect(
        ruler.round(box.x + (box.width - w).part(1, 2)), ruler.round(box.y + (box.height - h).part(1, 2)), w, h
    )
    piece, found = lay(part.id, key, print_, at, ground)
    over = max(w - box.width, h - box.height)
    if over > ZERO:
        by = ruler.step(over.part(1, 2) - Length(1), 1)
        told = (
            f"{name_of(print_, ground)} is {ruler.say_size(w, h)} in a cell of "
            f"{ruler.say_size(box.width, box.height)}."
        )
        trimmed = replace(print_, trim=print_.trim + by)
        fitted = replace(print_, width=box.width, height=box.height, trim=ZERO, rim_off=False)
        remedies = (
            Remedy(f"Trim it by {ruler.say(by)} all round", _with(part, cell, trimmed)),
            Remedy("Print it as large as the cell", _with(part, cell, fitted)),
        )
        found.append(Finding("cell", "warn", part.id, told, remedies))
    return piece, found


def _with(part: Grid, cell: Cell, print_: Print) -> Grid:
    cells = tuple(replace(c, print=print_) if c == cell else c for c in part.cells)
    return replace(part, cells=cells)


def _told(across: GridWay, down: GridWay, pages: int, ruler: Ruler) -> str:
    def sums(way: GridWay) -> str:
        m, g = _units(way.margin), _units(way.gap)
        total = _units(way.margin * 2 + way.count * way.cell.units + (way.count - 1) * way.gap)
        gaps = f" + {way.count - 1} × {ruler.say(g)}" if way.count > 1 else ""
        return f"2 × {ruler.say(m)} + {way.count} × {ruler.say(way.cell)}{gaps} = {ruler.say(total)}"

    on_each = " on each page" if pages == 2 else ""
    return f"across{on_each} {sums(across)}; down {sums(down)}"


def _uneven(
    part: Grid, xs: list[Length], ys: list[Length], across: GridWay, down: GridWay, ruler: Ruler
) -> list[Finding]:
    """Which gaps got the extra mark, where equal ones do not come out."""
    told = []
    for word, starts, cell in (("across", xs, across.cell), ("down", ys, down.cell)):
        gaps = [b - a - cell for a, b in pairwise(starts)]
        if len(set(gaps)) > 1:
            wider = [str(k + 1) for k, gap in enumerate(gaps) if gap == max(gaps)]
            which = f"gap {wider[0]} is" if len(wider) == 1 else f"gaps {', '.join(wider)} are"
            told.append(f"{which} {ruler.say(max(gaps))} {word}, the others {ruler.say(min(gaps))}")
    if not told:
        return []
    said = "; ".join(told)
    return [Finding("uneven", "note", part.id, f"On marks, {said}.")]


def _unlike(part: Grid, across: GridWay, down: GridWay, wide: Length, ruler: Ruler) -> Finding:
    """Equal gaps come out different across and down: the cell that makes them equal is offered."""
    gx, gy = _units(across.gap), _units(down.gap)
    even = ruler.round(_units((wide.units - down.gap * (across.count + 1)) / across.count))
    gaps = [(ruler.round(gx), "across"), (ruler.round(gy), "down")]
    told = "Gaps are " + " and ".join(f"{ruler.say(g) if g else 'none'} {way}" for g, way in gaps) + "."
    remedies = list[Remedy]()
    touching = [way for gap, way in gaps if not gap]
    if touching:
        told += f" The cells touch {' and '.join(touching)}."
        remedies += [Remedy(says, mended) for says, mended in _rims_off(part, ruler)]
    if even >= SIZE.least:
        mended = replace(part, cell_width=even)
        told += f" Cells {ruler.say(even)} wide would make them equal."
        remedies.append(Remedy(f"Make cells {ruler.say(even)} wide", mended))
    return Finding("gaps", "note", part.id, told, tuple(remedies))


def _does_not_fit(
    part: Grid, across: GridWay, down: GridWay, wide: Length, high: Length, ground: Ground
) -> Finding:
    ruler = ground.ruler
    by = [
        f"{ruler.say(ruler.step(way.missing - Length(1), 1))} {word}"
        for way, word in ((across, "across"), (down, "down"))
        if way.missing
    ]
    told = f"It does not fit by {' and '.join(by)}." if by else "Not one cell fits; make the cells smaller."
    fits = list[tuple[str, Grid]]()
    for says, mended in _remedies(part, across, down, ruler):
        x, y = _ways(mended, wide, high, 2 if _over_spread(mended, ground) else 1, ruler)
        smaller = sum(says.startswith("Cells of") for says, _ in fits)
        if (
            not x.missing
            and not y.missing
            and x.count
            and y.count
            and (not says.startswith("Cells of") or smaller < 2)
        ):
            fits.append((says, mended))
    remedies = [Remedy(says, mended) for says, mended in fits]
    if ground.format.pages == 1 and across.missing:
        double = replace(part, place=replace(part.place, on="spread"))
        remedies.append(Remedy("Go over to a double page", double, pages=2))
    return Finding("does-not-fit", "stop", part.id, told, tuple(remedies))


def _remedies(part: Grid, across: GridWay, down: GridWay, ruler: Ruler) -> list[tuple[str, Grid]]:
    """In the order in which people use them: rim off, trimmed, smaller prints, smaller gap, one column fewer."""
    found = list[tuple[str, Grid]]()
    prints = [c.print for c in part.cells if c.what == "photo" and c.print]
    found += _rims_off(part, ruler)
    if part.open == "nothing" and prints:
        each = max(_share(across), _share(down))
        t = ruler.step(each.part(1, 2) - Length(1), 1)
        less = _smaller(part, part.cell_width - t * 2, part.cell_height - t * 2)
        cut = tuple(replace(c, print=replace(c.print, trim=c.print.trim + t)) if c.print else c for c in part.cells)
        found.append((f"Trim each photo by {ruler.say(t)} all round", replace(less, cells=cut)))
    sizes = [s for s in _sizes_like(part) if s[0] < part.cell_width or s[1] < part.cell_height]
    for w, h in sizes:
        smaller = _smaller(part, w, h)
        again = tuple(
            replace(c, print=replace(c.print, width=w, height=h, trim=ZERO)) if c.print else c for c in part.cells
        )
        found.append((f"Cells of {ruler.say_size(w, h)}", replace(smaller, cells=again)))
    if part.columns > 1 and part.open != "gap":
        by = [-(-way.missing.units // (way.count - 1)) for way in (across, down) if way.count > 1 and way.missing]
        gap = ruler.step(part.gap - Length(max(by, default=0)) + Length(1), -1)
        if ZERO <= gap < part.gap:
            found.append((f"A gap of {ruler.say(gap)}", replace(part, gap=gap)))
    if across.missing and part.columns > 1:
        found.append(("One column fewer", replace(part, columns=part.columns - 1)))
    if down.missing and part.rows > 1:
        found.append(("One row fewer", replace(part, rows=part.rows - 1)))
    return found


def _rims_off(part: Grid, ruler: Ruler) -> list[tuple[str, Grid]]:
    """What people try first: prints without their white rims, in cells that are as much smaller. Photos that are still
    to be chosen are thought to have the rim of the others, or the usual one."""
    prints = [c.print for c in part.cells if c.what == "photo" and c.print]
    waiting = part.rest == "photo" or any(c.what == "photo" and not c.print for c in part.cells)
    if not (prints or waiting) or not all(p.rim and not p.rim_off for p in prints):
        return []
    rim = prints[0].rim if prints else USUAL_RIM
    smaller = _smaller(part, part.cell_width - rim * 2, part.cell_height - rim * 2)
    off = tuple(replace(c, print=replace(c.print, rim_off=True)) if c.print else c for c in part.cells)
    says = "Cut the rims off" if prints else f"Cut the rims off, {ruler.say(rim)} all round"
    return [(says, replace(smaller, cells=off))]


def _share(way: GridWay) -> Length:
    """What each cell must lose for it to fit."""
    return Length(-(-way.missing.units // max(1, way.count)))


def _smaller(part: Grid, w: Length, h: Length) -> Grid:
    return replace(part, cell_width=max(SIZE.least, w), cell_height=max(SIZE.least, h))


def _sizes_like(part: Grid) -> list[tuple[Length, Length]]:
    """Usual print sizes not larger than the cells either way, as they lie, the largest first."""
    lying = part.cell_width > part.cell_height
    sizes = [(max(s), min(s)) if lying else (min(s), max(s)) for s in USUAL]
    fitting = [s for s in sizes if s[0] <= part.cell_width and s[1] <= part.cell_height]
    return sorted(fitting, key=lambda s: s[0].units * s[1].units, reverse=True)


def _handles(part: Grid, xs: list[Length], ys: list[Length], across: GridWay, down: GridWay) -> tuple[Handle, ...]:
    right, low = xs[-1] + across.cell, ys[-1] + down.cell
    found = []
    if part.open not in ("gap", "equal gaps") and len(xs) > 1:
        found.append(Handle("gap", "gap", xs[0] + across.cell, ys[0] + down.cell.part(1, 2), 1))
    if part.open not in ("margins", "equal gaps", "how many"):
        found.append(Handle("margin", "margin", right, ys[-1] + down.cell.part(1, 2), -1))
    if part.open != "cells":
        found.append(Handle("cell_width", "cell width", xs[0] + across.cell, ys[0], 1))
        found.append(Handle("cell_height", "cell height", xs[0], ys[0] + down.cell, 0, 1))
    if part.open != "how many":
        found.append(Handle("columns", "columns", right, ys[0], 1 / max(0.2, across.cell.inches), count=True))
        found.append(Handle("rows", "rows", xs[0], low, 0, 1 / max(0.2, down.cell.inches), count=True))
    return tuple(found)


def name(part: Grid, ground: Ground) -> str:
    return "the grid"


def sentence(part: Grid, ground: Ground) -> str:
    ruler = ground.ruler
    say = ruler.say
    said = [f"Grid of {part.rows} rows and {part.columns} columns"]
    if part.open == "how many":
        said = ["Grid of as many cells as fit"]
    if part.open != "cells":
        said.append(f"cells {ruler.say_size(part.cell_width, part.cell_height)}")
    if part.open == "equal gaps":
        said.append("equal gaps all round")
    else:
        if part.open != "gap":
            said.append(f"{say(part.gap)} apart")
        if part.open not in ("margins", "how many"):
            said.append(f"margins {say(part.margin)}")
    named = [c for c in part.cells if c.what == "photo" or c.columns > 1 or c.rows > 1]
    if named:
        photos = sum(c.what == "photo" for c in named)
        said.append(f"{photos} photo{'s' if photos != 1 else ''}" if photos else "a wide cell")
    if part.rest == "paper":
        said.append(" and ".join(ground.says(choice) for choice in part.papers))
    return ", ".join(said)


def _grid(begin: Beginning) -> Grid:
    side, usual = begin.of(3), begin.usual
    return Grid("new", 3, 3, side, side, usual.border, begin.of(0, 1, 2), rest="photo", papers=unchosen(2))


PART = Grid
TRAITS = Traits(
    fills=lambda part: part.width is None and part.height is None,
    scales=("width", "height", "cell_width", "cell_height"),
)
MENU: tuple[Entry, ...] = (
    Entry(
        "Grid",
        "cells rows columns photos squares photo 3x3 2x2 4x4",
        "M3 3h5v5H3zM10 3h5v5h-5zM3 10h5v5H3zM10 10h5v5h-5zM17 3h4v5h-4zM17 10h4v5h-4zM3 17h5v4H3zM10 17h5v4h-5zM17 17h4v4h-4z",
        _grid,
    ),
)
