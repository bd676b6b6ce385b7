"""Prints on the paper at hand: the fewest sheets, parted by gaps so that they can be cut apart edge to edge.

┌─────────────────┐ paper
│ ┌─────┐ ┌─────┐ │ margin: where the printer cannot print
│ │     │ │     │ │
│ └─────┘ └─────┘ │ ticks stand outside the prints, labels beside them,
│ |--- 4 in ---|  │ and a line to measure by at the foot
└─────────────────┘

A print larger than every paper comes in parts: at the gutter where it has one to be cut at, else in equal parts
that overlap, the overlap being trimmed off the later one.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace
from typing import Annotated

from ulna.core.geometry.rects import Borders, Rect
from ulna.core.measure import ZERO, Length, Ruler, Unit, inches, mm
from ulna.core.planner import plan_cuts
from ulna.core.planner.plan import Placement
from ulna.core.planner.request import CutRequest, Piece, Sheet
from ulna.core.ranges import Id, PageSize, Text, Whole

OVERLAP = inches(0, 1, 4)
TICK, AWAY = inches(0, 1, 8), inches(0, 1, 32)
"""How long a cut mark is, and how far it keeps from the print."""

LABEL = inches(0, 3, 32)
FOOT = inches(0, 5, 16)
"""How high a label is; what is kept free at the foot of a sheet for the line to measure by."""

EFFORT = 12_000
MOST_SHEETS = 200


@dataclass(frozen=True, slots=True)
class PrintPaper:
    """A paper to print on; `count` None means enough of it. `margin` is where the printer cannot print; `use` says
    whether prints may be laid on it."""

    id: Id
    name: Annotated[str, Text(60, 1)]
    width: PageSize
    height: PageSize
    margin: Borders
    count: Annotated[int, Whole(0, 9999)] | None = None
    use: bool = True

    @property
    def printable(self) -> Rect:
        m = self.margin
        return Rect(m.left, m.top, self.width - m.across, self.height - m.down)


@dataclass(frozen=True, slots=True)
class Wanted:
    """A print that is wanted `copies` times; `cut_at` is where the gutter will cut it, from its left edge.

    `across` and `down` are where it is cut apart, from its left and its top.
    """

    id: str
    name: str
    width: Length
    height: Length
    copies: int = 1
    cut_at: Length | None = None
    across: tuple[Length, ...] = ()
    down: tuple[Length, ...] = ()


@dataclass(frozen=True, slots=True)
class PrintPart:
    """The whole of a print, or one of its parts: what it shows of it, and the overlap that is trimmed off."""

    wanted: str
    label: str
    shows: Rect
    trim_left: Length = ZERO
    trim_top: Length = ZERO
    across: tuple[Length, ...] = ()
    down: tuple[Length, ...] = ()


@dataclass(frozen=True, slots=True)
class PlacedPrint:
    """A part where it lies on its sheet; turned a quarter clockwise where `turned`."""

    part: PrintPart
    at: Rect
    turned: bool


@dataclass(frozen=True, slots=True)
class Words:
    """Words in a box on the sheet, and in full."""

    at: Rect
    text: str


@dataclass(frozen=True, slots=True)
class PrintSheet:
    """`ticks` are lines from corner to corner of their boxes; `line` is the one to measure by."""

    paper: PrintPaper
    placed: tuple[PlacedPrint, ...]
    ticks: tuple[Rect, ...]
    labels: tuple[Words, ...]
    line: Words | None


@dataclass(frozen=True, slots=True)
class Left:
    """A print that finds no place, and why."""

    wanted: str
    sentence: str


@dataclass(frozen=True, slots=True)
class PrintPlan:
    sheets: tuple[PrintSheet, ...]
    left: tuple[Left, ...]
    notes: tuple[str, ...]


def plan(papers: Sequence[PrintPaper], wanted: Sequence[Wanted], gap: Length, ruler: Ruler) -> PrintPlan:
    """The fewest sheets for these prints; of equally many the smaller paper, then the ones with room for marks."""
    usable = [p for p in papers if min(p.printable.width, p.printable.height) > ZERO and p.count != 0]
    if not wanted:
        return PrintPlan((), (), ())
    if not usable:
        why = "there is no paper to print on; load or choose one"
        return PrintPlan((), tuple(Left(w.id, f"{w.name}: {why}.") for w in wanted), ())
    parts, notes = list[PrintPart](), list[str]()
    for one in wanted:
        split = _parts(one, usable, ruler)
        notes += _notes(one, split, ruler)
        parts += split * one.copies
    found = min((_tried(some, parts, gap, room) for some, room in _ways(usable)), key=_cost)
    sheets = [_finished(_on_smaller(sheet, usable, found, gap), ruler) for sheet in found.sheets[:MOST_SHEETS]]
    left = [Left(p.wanted, f"{p.label}: no paper is left for it.") for p in found.unplaced]
    left += (
        [Left("", f"Only {MOST_SHEETS} sheets are laid out at once.")] if len(found.sheets) > MOST_SHEETS else []
    )
    return PrintPlan(tuple(sheets), tuple(left), tuple(notes))


# ---- parts of large prints ---------------------------------------------------------------------------


def _fits(width: Length, height: Length, papers: Sequence[PrintPaper]) -> bool:
    return any(
        (width <= p.printable.width and height <= p.printable.height)
        or (height <= p.printable.width and width <= p.printable.height)
        for p in papers
    )


def _parts(one: Wanted, papers: Sequence[PrintPaper], ruler: Ruler) -> list[PrintPart]:
    whole = Rect(ZERO, ZERO, one.width, one.height)
    if _fits(one.width, one.height, papers):
        inside = (one.cut_at,) if one.cut_at is not None and ZERO < one.cut_at < one.width else ()
        return [PrintPart(one.id, one.name, whole, across=(*inside, *one.across), down=one.down)]
    if one.cut_at is not None and ZERO < one.cut_at < one.width:
        halves = zip(("left half", "right half"), whole.split(one.cut_at), strict=True)
        return [part for name, half in halves for part in _tiled(one, half, f"{one.name}, {name}", papers, ruler)]
    return _tiled(one, whole, one.name, papers, ruler)


def _tiled(one: Wanted, area: Rect, name: str, papers: Sequence[PrintPaper], ruler: Ruler) -> list[PrintPart]:
    """An area of a print in the fewest equal parts that some paper takes."""
    if _fits(area.width, area.height, papers):
        return [PrintPart(one.id, name, area)]
    ways = []
    for paper in papers:
        w, h = paper.printable.width, paper.printable.height
        ways += [
            (across * down, paper.width.units * paper.height.units, room)
            for room in ((w, h), (h, w))
            if (across := _count(area.width, room[0])) and (down := _count(area.height, room[1]))
        ]
    if not ways:
        return [PrintPart(one.id, name, area)]
    _, _, (w, h) = min(ways)
    columns, rows = _stretches(area.width, w, ruler), _stretches(area.height, h, ruler)
    many = len(columns) * len(rows)
    found = list[PrintPart]()
    for y, high in rows:
        for x, wide in columns:
            label = f"{name}, part {len(found) + 1} of {many}"
            shows = Rect(area.x + x, area.y + y, wide, high)
            found.append(PrintPart(one.id, label, shows, OVERLAP if x else ZERO, OVERLAP if y else ZERO))
    return found


def _count(length: Length, room: Length) -> int:
    """How many parts with their overlaps a length comes in; 0 where the room is too small for any."""
    if length <= room:
        return 1
    if room <= OVERLAP * 2:
        return 0
    return -(-(length - OVERLAP).units // (room - OVERLAP).units)


def _stretches(length: Length, room: Length, ruler: Ruler) -> list[tuple[Length, Length]]:
    """Start and size of each part of a length, on marks where that fits."""
    many = _count(length, room)
    if many == 1:
        return [(ZERO, length)]
    exact = Length(-(-(length - OVERLAP).units // many))
    marked = exact if ruler.on_mark(exact) else ruler.step(exact, 1)
    step = marked if marked + OVERLAP <= room else exact
    return [(step * k, min(step + OVERLAP, length - step * k)) for k in range(many)]


def _notes(one: Wanted, parts: list[PrintPart], ruler: Ruler) -> list[str]:
    if len(parts) == 1:
        if not one.across and not one.down:
            return []
        ways = (("from its left", one.across), ("from its top", one.down))
        said = [f"{', '.join(map(ruler.say, cuts))} {edge}" for edge, cuts in ways if cuts]
        return [f"Cut {one.name} apart: set {'; '.join(said)}."]
    trimmed = any(p.trim_left or p.trim_top for p in parts)
    size = ruler.say_size(one.width, one.height)
    how = f"trim the {ruler.say(OVERLAP)} overlap off each later part" if trimmed else "each half is whole"
    return [f"{one.name}, {size}, is larger than the paper and comes in {len(parts)} parts; {how}."]


# ---- laying out --------------------------------------------------------------------------------------


@dataclass(frozen=True, slots=True)
class _Laid:
    paper: PrintPaper
    placed: tuple[PlacedPrint, ...]


@dataclass(frozen=True, slots=True)
class _Try:
    sheets: tuple[_Laid, ...]
    unplaced: tuple[PrintPart, ...]
    room: int


def _cost(tried: _Try) -> tuple[int, int, int, int]:
    area = sum(s.paper.width.units * s.paper.height.units for s in tried.sheets)
    return len(tried.unplaced), len(tried.sheets), area, tried.room


def _ways(papers: Sequence[PrintPaper]) -> Iterator[tuple[Sequence[PrintPaper], int]]:
    """Which papers to try together, with room for marks and a foot (0), for a foot (1) or for neither (2)."""
    groups: list[Sequence[PrintPaper]] = [[p] for p in papers]
    if len(papers) > 1:
        groups.append(papers)
    for group in groups:
        for room in range(3):
            yield group, room


def _area(paper: PrintPaper, room: int) -> Rect:
    """Where prints may lie on a paper."""
    area, aside = paper.printable, TICK + AWAY
    if room == 0:
        return Rect(area.x + aside, area.y + aside, area.width - aside * 2, area.height - aside * 2 - FOOT)
    return replace(area, height=area.height - FOOT) if room == 1 else area


def _tried(papers: Sequence[PrintPaper], parts: Sequence[PrintPart], gap: Length, room: int) -> _Try:
    areas = {p.id: _area(p, room) for p in papers}
    sheets = [
        Sheet(p.id, areas[p.id].width.units, areas[p.id].height.units, min(len(parts), p.count or len(parts)))
        for p in papers
        if min(areas[p.id].width, areas[p.id].height) > ZERO
    ]
    if not sheets:
        return _Try((), tuple(parts), room)
    sources = frozenset(s.id for s in sheets)
    asked = [
        Piece(str(k), part.shows.width.units, part.shows.height.units, sources, turn=True)
        for k, part in enumerate(parts)
    ]
    found = plan_cuts(CutRequest(tuple(sheets), tuple(asked), gap.units, False), EFFORT)
    by_id = {p.id: p for p in papers}
    laid = [
        _Laid(by_id[s.sheet], tuple(_placed(p, parts, areas[s.sheet]) for p in s.layout.placements))
        for s in found.sheets
    ]
    return _Try(tuple(laid), tuple(parts[int(u.piece)] for u in found.unplaced), room)


def _placed(placement: Placement, parts: Sequence[PrintPart], area: Rect) -> PlacedPrint:
    a = placement.area
    at = Rect(area.x + Length(a.x), area.y + Length(a.y), Length(a.width), Length(a.height))
    return PlacedPrint(parts[int(placement.piece)], at, placement.turned)


def _on_smaller(sheet: _Laid, papers: Sequence[PrintPaper], tried: _Try, gap: Length) -> _Laid:
    """The same prints on the smallest paper of which there is enough anyway."""
    size = sheet.paper.width.units * sheet.paper.height.units
    smaller = sorted(
        (p for p in papers if p.count is None and p.width.units * p.height.units < size),
        key=lambda p: p.width.units * p.height.units,
    )
    for paper in smaller:
        for room in range(3):
            again = _tried([paper], [p.part for p in sheet.placed], gap, room)
            if len(again.sheets) == 1 and not again.unplaced:
                return again.sheets[0]
    return sheet


# ---- what stands beside the prints ---------------------------------------------------------------------


def _finished(sheet: _Laid, ruler: Ruler) -> PrintSheet:
    boxes = [p.at for p in sheet.placed]
    printable = sheet.paper.printable
    drawn = [t for p in sheet.placed for t in (*_ticks(p.at), *_inner_ticks(p))]
    ticks = tuple(t for t in drawn if printable.contains(t) and _is_clear(t, boxes))
    taken, labels, rest = [*boxes], list[Words](), list[str]()
    for placed in sheet.placed:
        text = _label(placed, ruler)
        box = next((b for b in _beside(placed.at) if printable.contains(b) and _is_clear(b, taken)), None)
        if box is None:
            rest.append(text)
        else:
            taken.append(box)
            labels.append(Words(box, text))
    line = _line(printable, taken, ruler)
    if line is not None:
        taken.append(line.at)
    foot = _free_strip(printable, LABEL, inches(2), taken) if rest else None
    if foot is not None:
        labels.append(Words(foot, "; ".join(rest)))
    return PrintSheet(sheet.paper, sheet.placed, ticks, tuple(labels), line)


def _label(placed: PlacedPrint, ruler: Ruler) -> str:
    part = placed.part
    words = f"{part.label}, {ruler.say_size(part.shows.width, part.shows.height)}"
    trims = [
        f"{ruler.say(t)} off its {side}" for t, side in ((part.trim_left, "left"), (part.trim_top, "top")) if t
    ]
    return words + (f", trim {' and '.join(trims)}" if trims else "")


def _ticks(box: Rect) -> Iterator[Rect]:
    """Two ticks outward from each corner; a tick has no thickness."""
    for x, out in ((box.x, -1), (box.right, 1)):
        for y, down in ((box.y, -1), (box.bottom, 1)):
            left = x - AWAY - TICK if out < 0 else x + AWAY
            top = y - AWAY - TICK if down < 0 else y + AWAY
            yield Rect(left, y, TICK, ZERO)
            yield Rect(x, top, ZERO, TICK)


def _inner_ticks(placed: PlacedPrint) -> Iterator[Rect]:
    """Beside a print that is cut in itself: a tick at both ends of each cut."""
    at, part = placed.at, placed.part
    # A quarter turn clockwise puts the print's left at the top and its top at the right.
    upright = [at.right - d for d in part.down] if placed.turned else [at.x + a for a in part.across]
    level = [at.y + a for a in part.across] if placed.turned else [at.y + d for d in part.down]
    for x in upright:
        yield Rect(x, at.y - AWAY - TICK, ZERO, TICK)
        yield Rect(x, at.bottom + AWAY, ZERO, TICK)
    for y in level:
        yield Rect(at.x - AWAY - TICK, y, TICK, ZERO)
        yield Rect(at.right + AWAY, y, TICK, ZERO)


def _beside(box: Rect) -> Iterator[Rect]:
    """Where a label may stand: under the print, over it."""
    yield Rect(box.x, box.bottom + AWAY, box.width, LABEL)
    yield Rect(box.x, box.y - AWAY - LABEL, box.width, LABEL)


def _is_clear(box: Rect, boxes: Sequence[Rect]) -> bool:
    """Whether it touches none of them; a line counts as touched where a box reaches across it."""
    return not any(
        o.x < max(box.right, box.x + Length(1))
        and box.x < o.right
        and o.y < max(box.bottom, box.y + Length(1))
        and box.y < o.bottom
        for o in boxes
    )


def _line(printable: Rect, taken: Sequence[Rect], ruler: Ruler) -> Words | None:
    """A line of 4 in or 100 mm; if it measures so, the printer has not scaled the sheet."""
    is_inch = ruler.unit is Unit.INCH
    at = _free_strip(printable, inches(0, 3, 16), inches(4) if is_inch else mm(100), taken)
    return Words(at, "4 in" if is_inch else "100 mm") if at else None


def _free_strip(printable: Rect, height: Length, width: Length, taken: Sequence[Rect]) -> Rect | None:
    """A free place of that size, as low on the sheet and as far left as can be."""
    bottoms = sorted({printable.bottom, *(b.y - AWAY for b in taken)}, reverse=True)
    lefts = sorted({printable.x, *(b.right + AWAY for b in taken)})
    for bottom in bottoms:
        for left in lefts:
            box = Rect(left, bottom - height, width, height)
            if printable.contains(box) and _is_clear(box, taken):
                return box
    return None
