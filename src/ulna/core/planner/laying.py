"""One trial: pieces are laid one after another, alone or in blocks of equal ones, in the free part that suits them
best; the first plan of any request, however many pieces it has.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, field

from ulna.core.planner.effort import Budget
from ulna.core.planner.manners import Fit, Split
from ulna.core.planner.obstacles import assign_pins, fresh
from ulna.core.planner.outcome import Opened, Outcome, assessed
from ulna.core.planner.request import Area, CutRequest, Piece
from ulna.core.planner.tree import Laid, Part, give_panel, trim

MANY = 240
"""Above so many pieces no more trials are made than the effort allows."""

LOOK, TRIAL, OPEN, CARVE = 25, 300, 30, 500
"""What choosing a place, starting a trial, opening a sheet and clearing its holes cost, in fittings."""

FEWEST = 6
"""Trials made however small the effort, while pieces are unplaced."""


@dataclass(slots=True)
class Style:
    """How one trial goes about it."""

    order: list[tuple[int, int]]  # piece index, how many in a run
    fit: Fit = Fit.AREA_LEFT
    split: Split = Split.KEEPS_LARGER_REST
    flat: bool = True  # holes and printed pieces are cut apart with level cuts rather


def first_plan(request: CutRequest, budget: Budget) -> Outcome:
    """The best of a few manners; of the first ones as long as the budget lasts, though never of none."""
    world = _World(request)
    best: Outcome | None = None
    for tried, style in enumerate(_first_styles(request), 1):
        outcome, cost = world.trial(style)
        budget.spend(cost)
        if best is None or outcome.rank < best.rank:
            best = outcome
        few = tried >= FEWEST or world.wanted > MANY or budget.stop()
        if budget.spent and (few or sum(best.placed) == world.wanted):
            break
    return best or assessed(request, [])


def _first_styles(request: CutRequest) -> Iterator[Style]:
    loose = [(i, p) for i, p in enumerate(request.pieces) if p.pin is None]
    keys = (
        lambda p: (p.gut is None, -p.width * p.height),
        lambda p: (len(p.sources), -max(p.width, p.height), -p.width * p.height),
        lambda p: (-p.width, -p.height),
        lambda p: (-p.height, -p.width),
        lambda p: (-min(p.width, p.height), -p.width * p.height),
        lambda p: (len(p.sources), -p.width * p.height),
    )
    for key in keys:
        order = [(i, p.quantity) for i, p in sorted(loose, key=lambda ip: key(ip[1]))]
        for fit, split in (
            (Fit.AREA_LEFT, Split.KEEPS_LARGER_REST),
            (Fit.SHORTER_GAP, Split.IS_UPRIGHT),
            (Fit.SHORTER_GAP, Split.IS_LEVEL),
        ):
            yield Style(order, fit=fit, split=split, flat=split != Split.IS_UPRIGHT)


@dataclass(slots=True, eq=False)
class _Free:
    """A free part and the sheet it belongs to. `cheap` ones are scraps and panels; `fresh` ones unopened scraps."""

    part: Part
    source: str
    cheap: bool
    fresh: int | None = None


@dataclass(slots=True)
class _Bench:
    """The state of one trial."""

    opened: list[Opened] = field(default_factory=list)
    free: list[_Free] = field(default_factory=list)
    left: list[int] = field(default_factory=list)
    placed: list[int] = field(default_factory=list)
    fittings: int = 0


class _World:
    """What all trials of one request share."""

    def __init__(self, request: CutRequest) -> None:
        self.request, self.kerf = request, request.kerf
        self.pieces, self.sheets = request.pieces, request.sheets
        self.index = {s.id: k for k, s in enumerate(request.sheets)}
        self.sides = [_orientations(p) for p in request.pieces]
        self.wanted = sum(p.quantity for p in request.pieces)
        loose = [p for p in request.pieces if p.pin is None]
        self.least = min((min(p.width, p.height) for p in loose), default=0)
        self.pinned = {k: assign_pins(s, request.pieces, request.kerf)[0] for k, s in enumerate(request.sheets)}
        self.clear: dict[tuple[int, bool], list[Area]] = {}
        self.carved: dict[tuple[int, bool, tuple[int, ...]], Part] = {}
        # How much paper only this sheet, or few besides it, can give: what makes a sheet worth opening.
        self.demand = [0.0] * len(request.sheets)
        for p in loose:
            for source in p.sources:
                self.demand[self.index[source]] += p.width * p.height * p.quantity / len(p.sources)

    def trial(self, style: Style) -> tuple[Outcome, int]:
        """One outcome in one style, and how many fittings it tried."""
        bench = _Bench(left=[s.quantity for s in self.sheets], placed=[0] * len(self.pieces))
        for k, copies in self.pinned.items():
            for pins in copies:
                for i, _ in pins:
                    bench.placed[i] += 1
                self._open(bench, k, pins, style)
        for k, sheet in enumerate(self.sheets):
            if sheet.scrap and bench.left[k]:
                self._offer(bench, k, style)
        for piece, run in style.order:
            self._lay_run(bench, piece, run, style)
        outcome = assessed(self.request, bench.opened)
        return outcome, bench.fittings + TRIAL + LOOK * outcome.parts

    def _open(self, bench: _Bench, k: int, pins: list[tuple[int, Area]], style: Style) -> None:
        """Takes one more copy of a sheet and offers its clear parts."""
        sheet = self.sheets[k]
        copy = sheet.quantity - bench.left[k] + 1
        bench.left[k] -= 1
        root, clear = self._fresh(bench, k, pins, style.flat)
        bench.opened.append(Opened(k, copy, root))
        for part in root.leaves():
            if part.laid is not None:
                self._offer_panel(bench, part, self.pieces[part.laid.piece], sheet.id)
        self._add(bench, [_Free(part, sheet.id, sheet.scrap) for part in clear])

    def _offer(self, bench: _Bench, k: int, style: Style) -> None:
        """Shows the clear parts of the next copy of a scrap, which is opened once something lies on it."""
        sheet = self.sheets[k]
        _, clear = self._fresh(bench, k, [], style.flat)
        self._add(bench, [_Free(part, sheet.id, True, fresh=k) for part in clear])

    def _fresh(self, bench: _Bench, k: int, pins: list[tuple[int, Area]], flat: bool) -> tuple[Part, list[Part]]:
        """The tree of a sheet with its reserve, holes and printed pieces cut apart, and its clear parts."""
        sheet = self.sheets[k]
        bench.fittings += OPEN
        key = (k, flat, tuple(i for i, _ in pins))
        if (pins or sheet.holes) and key not in self.carved:
            bench.fittings += CARVE * (len(pins) + len(sheet.holes))
            self.carved[key] = fresh(sheet, pins, self.kerf, flat)[0]
        if key not in self.carved:
            return fresh(sheet, pins, self.kerf, flat)
        root = self.carved[key].copied()
        bench.fittings += len(pins) + len(sheet.holes)
        return root, [part for part in root.leaves() if part.laid is None and not part.lost]

    def _add(self, bench: _Bench, free: list[_Free]) -> None:
        bench.free += [f for f in free if min(f.part.area.width, f.part.area.height) >= self.least]

    def _lay_run(self, bench: _Bench, piece: int, run: int, style: Style) -> None:
        while run > 0:
            found = self._best(bench, piece, style)
            if found is None:
                if not self._open_for(bench, piece, style):
                    return
                continue
            free, turned = found
            if free.fresh is not None:
                self._take_scrap(bench, free, style)
                continue
            run -= self._lay(bench, free, piece, turned, run, style)

    def _take_scrap(self, bench: _Bench, free: _Free, style: Style) -> None:
        """A scrap that is about to be used: opened for good, and the next copy of it offered."""
        k = free.fresh
        if k is None:
            return
        bench.free = [f for f in bench.free if f.fresh != k]
        self._open(bench, k, [], style)
        if bench.left[k]:
            self._offer(bench, k, style)

    def _best(self, bench: _Bench, piece: int, style: Style) -> tuple[_Free, bool] | None:
        """The free part that suits a piece best, and whether it lies turned there."""
        sources, fit = self.pieces[piece].sources, style.fit
        best: tuple[_Free, bool] | None = None
        best_score: tuple[int, int, int] | None = None
        for turned, w, h in self.sides[piece]:
            for free in bench.free:
                width, height = free.part.area[2], free.part.area[3]
                if width < w or height < h or free.source not in sources:
                    continue
                over, under = width - w, height - h
                if fit is Fit.AREA_LEFT:
                    score = width * height - w * h
                elif fit is Fit.SHORTER_GAP:
                    score = min(over, under)
                else:
                    score = max(over, under)
                rank = (not free.cheap, score, over + under)  # scraps and panels before open sheets
                if best_score is None or rank < best_score:
                    best, best_score = (free, turned), rank
            bench.fittings += len(bench.free)
        bench.fittings += LOOK
        return best

    def _open_for(self, bench: _Bench, piece: int, style: Style) -> bool:
        """Opens a sheet that the piece fits on; false where there is none left."""
        fits = []
        for source in self.pieces[piece].sources:
            k = self.index[source]
            sheet = self.sheets[k]
            if bench.left[k] and not sheet.scrap and self._fits_clear(piece, k, style.flat):
                fits.append((-self.demand[k], sheet.usable.size, k))  # the sheet most wanted
        if not fits:
            return False
        self._open(bench, min(fits)[2], [], style)
        return True

    def _fits_clear(self, piece: int, k: int, flat: bool) -> bool:
        return any(
            w <= a.width and h <= a.height for a in self._clear_areas(k, flat) for _, w, h in self.sides[piece]
        )

    def _clear_areas(self, k: int, flat: bool) -> list[Area]:
        """What a fresh copy of a sheet offers, worked out once for each manner."""
        if (k, flat) not in self.clear:
            self.clear[k, flat] = [part.area for part in self._fresh(_Bench(), k, [], flat)[1]]
        return self.clear[k, flat]

    def _lay(self, bench: _Bench, free: _Free, piece: int, turned: bool, run: int, style: Style) -> int:
        """Lays one piece, or a block of equal ones, in the corner of a free part; how many were laid."""
        bench.free.remove(free)
        p, kerf, part = self.pieces[piece], self.kerf, free.part
        w, h = (p.height, p.width) if turned else (p.width, p.height)
        cols = min(run, (part.area.width + kerf) // (w + kerf))
        rows = min(run, (part.area.height + kerf) // (h + kerf))
        if run == 1:
            cols = rows = 1
        elif run >= cols * rows:
            pass
        elif run >= cols and (style.split != Split.IS_UPRIGHT or run < rows):
            rows = run // cols
        elif run >= rows:
            cols = run // rows
        elif cols >= rows:
            cols, rows = run, 1
        else:
            cols, rows = 1, run
        width, height = cols * w + (cols - 1) * kerf, rows * h + (rows - 1) * kerf
        block, rests = trim(part, width, height, self._upright_first(part, width, height, style), kerf)
        self._add(bench, [_Free(r, free.source, free.cheap) for r in rests])
        for cell in _cells(block, cols, rows, w, h, kerf):
            cell.laid = Laid(piece, turned)
            self._offer_panel(bench, cell, p, free.source)
        bench.placed[piece] += cols * rows
        return cols * rows

    def _offer_panel(self, bench: _Bench, cell: Part, piece: Piece, source: str) -> None:
        """The panel that gutting wins from a piece is one more free part of the same paper."""
        panel = give_panel(cell, piece) if self.request.gutting else None
        if panel is not None:
            self._add(bench, [_Free(panel, source, True)])

    def _upright_first(self, part: Part, width: int, height: int, style: Style) -> bool:
        if style.split >= Split.IS_UPRIGHT:
            return style.split == Split.IS_UPRIGHT
        over = max(0, part.area.width - width - self.kerf)
        under = max(0, part.area.height - height - self.kerf)
        # An upright cut first leaves a rest as tall as the part; a level one a rest as wide as it.
        upright = max(over * part.area.height, under * width)
        level = max(under * part.area.width, over * height)
        return (upright >= level) == (style.split == Split.KEEPS_LARGER_REST)


def _orientations(piece: Piece) -> list[tuple[bool, int, int]]:
    as_is = [(False, piece.width, piece.height)]
    if piece.turn and (piece.width != piece.height or piece.gut is not None):
        as_is.append((True, piece.height, piece.width))
    return as_is


def _cells(block: Part, cols: int, rows: int, w: int, h: int, kerf: int) -> Iterator[Part]:
    """Cuts a block into equal cells: columns first where it is wider than tall."""
    if cols == rows == 1:
        yield block
        return
    upright = cols > 1
    count, size = (cols, w) if upright else (rows, h)
    here: Part | None = block
    for k in range(count):
        if here is None:
            return
        part = here
        if k < count - 1:
            start = here.area.x if upright else here.area.y
            first, here = here.cut("vertical" if upright else "horizontal", start + size, kerf)
            if first is None:
                return
            part = first
        yield from _cells(part, 1 if upright else cols, rows if upright else 1, w, h, kerf)
