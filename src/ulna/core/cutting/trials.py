"""Many trials at once: in each, pieces are laid one after another in the free part that suits them best.

    trial 0   part part part …      a row of an array is a trial, a column a free part; a step lays the next piece
    trial 1   part part part …      of every trial, so that a thousand trials cost little more than one

What was chosen is written down, and only the best trial is laid again, as cut trees.
"""

from __future__ import annotations

from dataclasses import dataclass, field
from math import gcd
from typing import Any

import numpy as np
import numpy.typing as npt

Ints = npt.NDArray[Any]
Flags = npt.NDArray[np.bool_]
Floats = npt.NDArray[Any]

NEVER = np.float32(3e38)
DEAR = np.float32(1e30)
"""What a place costs more that is not on a scrap or a panel, where those come first."""
TIDY = 24
"""Steps after which columns that hold no part any more are dropped."""
STEP, PER_FITTING = 420, 8
"""What a step costs in fittings, and how many fittings of an array take as long as one alone."""

FITS = 3
"""Least area left, least shorter gap, least longer gap."""
EXACT = 2**24
"""Up to here every whole number is a float of 32 bits."""


@dataclass(frozen=True, slots=True)
class Start:
    """A free part that is there from the beginning: its size, its kind of sheet, which opened sheet it is of."""

    width: int
    height: int
    sheet: int
    opened: int
    cheap: bool


@dataclass(slots=True, eq=False)
class Field:
    """A request in arrays. n pieces, each one copy; S kinds of sheets; `offers` are the clear parts of a fresh one.

    `of` is the index of the piece in the request. `opened` has the kind of each sheet that is there from the
    beginning; `needed` says which of them are in use whatever is laid on them.
    """

    of: list[int]
    sizes: list[tuple[int, int]]
    turns: list[bool]
    panels: list[tuple[int, int]]
    allowed: list[list[int]]
    offers: list[list[tuple[int, int]]]
    quantity: list[int]
    scrap: list[bool]
    kerf: int
    starts: list[Start]
    opened: list[int]
    needed: list[bool]
    w: Ints = field(init=False)
    h: Ints = field(init=False)
    turn: Flags = field(init=False)
    panel: Ints = field(init=False)
    may: Flags = field(init=False)
    fits: Flags = field(init=False)
    area: Floats = field(init=False)
    room: Floats = field(init=False)
    worth: Floats = field(init=False)
    demand: Floats = field(init=False)

    def __post_init__(self) -> None:
        lengths = [v for size in (*self.sizes, *self.panels) for v in size] + [self.kerf]
        lengths += [v for offer in self.offers for size in offer for v in size]
        lengths += [v for s in self.starts for v in (s.width, s.height)]
        unit = gcd(*lengths) or 1
        kind = np.float32 if max(lengths, default=0) // unit < EXACT else np.float64
        self.kerf //= unit
        self.offers = [[(a // unit, b // unit) for a, b in offer] for offer in self.offers]
        self.starts = [Start(s.width // unit, s.height // unit, s.sheet, s.opened, s.cheap) for s in self.starts]
        self.w = np.array([w // unit for w, _ in self.sizes], kind)
        self.h = np.array([h // unit for _, h in self.sizes], kind)
        self.turn = np.array([t and w != h for t, (w, h) in zip(self.turns, self.sizes, strict=True)], bool)
        self.panel = np.array([(w // unit, h // unit) for w, h in self.panels], kind).reshape(-1, 2)
        kinds = len(self.offers)
        self.may = np.zeros((len(self.sizes), kinds), bool)
        for i, sheets in enumerate(self.allowed):
            self.may[i, sheets] = True
        self.fits = np.zeros_like(self.may)
        for k, offer in enumerate(self.offers):
            for a, b in offer:
                lies = (self.w <= a) & (self.h <= b) | self.turn & (self.h <= a) & (self.w <= b)
                self.fits[:, k] |= lies & self.may[:, k]
        self.area = self.w.astype(float) * self.h
        self.room = np.array([sum(float(a) * b for a, b in offer) for offer in self.offers])
        self.worth = np.array([sum(float(a) * b * min(a, b) for a, b in offer) for offer in self.offers])
        shares = self.may / np.maximum(1, self.may.sum(1, keepdims=True))
        self.demand = (self.area[:, None] * shares).sum(0)

    @property
    def n(self) -> int:
        return len(self.sizes)


@dataclass(slots=True, eq=False)
class Manner:
    """How each trial goes about it: the order of the pieces; the fit (0 to 2, trials in this order); the split (0
    larger rest kept whole, 1 smaller, 2 upright first, 3 level first); scraps and panels first; which sheet is opened
    (0 the most wanted, 1 the smallest, 2 the largest); and by piece whether the split goes the other way. Without that
    last choice many cut trees could be reached by no order at all.
    """

    order: Ints
    fit: Ints
    split: Ints
    thrifty: Flags
    opening: Ints
    flip: Flags


@dataclass(slots=True, eq=False)
class Trials:
    """How trials came out, a column each: copies without a place, whole sheets opened, worth lost, how evenly the
    pieces are spread over the sheets (less the sum of the squares of what each holds); and by step which slot was
    taken, whether turned, whether cut upright first, and which kind of sheet was opened (-1 none).

    `fresh`, `below` and `won` number the slots that a step added: a fresh sheet's parts, the part below, the panel.
    """

    order: Ints
    unplaced: Ints
    whole: Ints
    lost: Floats
    spread: Floats
    slot: Ints
    turned: Flags
    upright: Flags
    opened: Ints
    fresh: Ints
    below: Ints
    won: Ints
    cost: int = 0


class _Floor:
    """The free parts of all trials. `ids` number the slots, so that columns can be dropped."""

    def __init__(self, field: Field, trials: int) -> None:
        starts, kind = field.starts, field.w.dtype
        wide = len(starts) + 8
        self.top, self.next = len(starts), len(starts)
        self.w = np.zeros((trials, wide), kind)
        self.h = np.zeros((trials, wide), kind)
        self.sheet = np.zeros((trials, wide), np.int32)
        self.opened = np.zeros((trials, wide), np.int32)
        self.cheap = np.zeros((trials, wide), bool)
        self.ids = np.zeros((trials, wide), np.int32)
        for k, s in enumerate(starts):
            self.w[:, k], self.h[:, k], self.sheet[:, k] = s.width, s.height, s.sheet
            self.opened[:, k], self.cheap[:, k], self.ids[:, k] = s.opened, s.cheap, k

    def add(self, columns: int) -> int:
        """Room for more columns; the first of them."""
        first = self.top
        self.top += columns
        if self.top > self.w.shape[1]:
            more = max(columns, self.w.shape[1] // 2)
            for name in ("w", "h", "sheet", "opened", "cheap", "ids"):
                old = getattr(self, name)
                setattr(self, name, np.concatenate([old, np.zeros((len(old), more), old.dtype)], 1))
        self.ids[:, first : self.top] = np.arange(self.next, self.next + columns)
        self.next += columns
        return first

    def tidy(self) -> None:
        """Columns without parts are dropped."""
        gone = self.w[:, : self.top] == 0
        kept = int((~gone).sum(1).max(initial=0))
        if kept > self.top * 3 // 4:
            return
        order = np.argsort(gone, axis=1, kind="stable")[:, :kept]
        for name in ("w", "h", "sheet", "opened", "cheap", "ids"):
            old = getattr(self, name)
            old[:, :kept] = np.take_along_axis(old, order, 1)
        self.w[:, kept:] = 0
        self.top = kept


def run(field: Field, manner: Manner) -> Trials:
    """Lays all pieces in every trial."""
    trials, n = manner.order.shape
    floor = _Floor(field, trials)
    began = len(field.opened)
    kinds = np.full((trials, began + n), -1, np.int32)
    kinds[:, :began] = field.opened
    used = np.zeros((trials, began + n), bool)
    used[:, :began] = field.needed
    held = np.zeros((trials, began + n))
    next_sheet = np.full(trials, began)
    left = np.tile(np.array(field.quantity, np.int64), (trials, 1))
    out = Trials(
        manner.order,
        np.zeros(trials, np.int64),
        np.zeros(trials, np.int64),
        np.zeros(trials),
        np.zeros(trials),
        np.full((n, trials), -1, np.int32),
        np.zeros((n, trials), bool),
        np.zeros((n, trials), bool),
        np.full((n, trials), -1, np.int32),
        np.zeros(n, np.int32),
        np.zeros(n, np.int32),
        np.zeros(n, np.int32),
    )
    gutted, everywhere = bool(field.panel.any()), bool(field.may.all())
    dear = np.where(manner.thrifty, DEAR, np.float32(0)) if gutted or any(s.cheap for s in field.starts) else None
    turning, least = bool(field.turn.any()), float(min(field.w.min(), field.h.min()))

    def choose(rows: Ints | slice, piece: Ints, low: int) -> tuple[Ints, Flags, Flags]:
        """For each row the column that suits its piece best, whether there is any, and whether it lies turned."""
        w, h = floor.w[rows, low : floor.top], floor.h[rows, low : floor.top]
        able = None if everywhere else np.take_along_axis(field.may[piece], floor.sheet[rows, low : floor.top], 1)
        extra = None
        if dear is not None:
            extra = np.where(floor.cheap[rows, low : floor.top], np.float32(0), dear[rows][:, None])
        ends = np.searchsorted(manner.fit[rows], np.arange(FITS + 1))
        rank = np.arange(len(piece))
        out.cost += w.size * (2 if turning else 1)

        def scored(a: Floats, b: Floats, ok: Flags | None) -> tuple[Ints, Floats]:
            over, under = w - a[:, None], h - b[:, None]
            lesser = np.minimum(over, under)
            good = lesser >= 0
            if able is not None:
                good &= able
            if ok is not None:
                good &= ok[:, None]
            score = lesser
            area, longer = slice(ends[0], ends[1]), slice(ends[2], ends[3])
            np.multiply(w[area], h[area], out=score[area])
            np.maximum(over[longer], under[longer], out=score[longer])
            if extra is not None:
                score += extra
            score[~good] = NEVER
            best = score.argmin(1)
            return best, score[rank, best]

        column, score = scored(field.w[piece], field.h[piece], None)
        turned = np.zeros(len(piece), bool)
        if turning and field.turn[piece].any():
            other, better = scored(field.h[piece], field.w[piece], field.turn[piece])
            turned = better < score
            column, score = np.where(turned, other, column), np.minimum(score, better)
        return column + low, score < NEVER, turned

    everyone = slice(None)
    for step in range(n):
        piece = manner.order[:, step]
        if floor.top:
            column, ok, turned = choose(everyone, piece, 0)
        else:
            column, ok, turned = np.zeros(trials, np.int64), np.zeros(trials, bool), np.zeros(trials, bool)
        if not ok.all():
            rows = np.nonzero(~ok)[0]
            kind, some = _to_open(field, piece[rows], left[rows], manner.opening[rows])
            out.unplaced[rows[~some]] += 1
            rows, kind = rows[some], kind[some]
            if len(rows):
                low = floor.add(max(len(field.offers[k]) for k in np.unique(kind)))
                out.fresh[step] = floor.ids[0, low]
                for k in np.unique(kind):
                    these = rows[kind == k]
                    for c, (a, b) in enumerate(field.offers[k], low):
                        floor.w[these, c], floor.h[these, c] = a, b
                        floor.sheet[these, c], floor.opened[these, c] = k, next_sheet[these]
                        floor.cheap[these, c] = False
                kinds[rows, next_sheet[rows]] = kind
                next_sheet[rows] += 1
                left[rows, kind] -= 1
                out.whole[rows] += 1
                out.opened[step, rows] = kind
                column[rows], ok[rows], turned[rows] = choose(rows, piece[rows], low)
        rows = np.nonzero(ok)[0]
        if not len(rows):
            continue
        p, j, lies = piece[rows], column[rows], turned[rows]
        a, b = np.where(lies, field.h[p], field.w[p]), np.where(lies, field.w[p], field.h[p])
        w, h = floor.w[rows, j], floor.h[rows, j]
        over, under = np.maximum(0, w - a - field.kerf), np.maximum(0, h - b - field.kerf)
        upright = _upright_first(manner.split[rows], w, h, a, b, over, under) ^ manner.flip[rows, p]
        out.slot[step, rows], out.turned[step, rows], out.upright[step, rows] = floor.ids[rows, j], lies, upright
        used[rows, floor.opened[rows, j]] = True
        held[rows, floor.opened[rows, j]] += field.area[p]
        below = floor.add(1)
        out.below[step] = floor.ids[0, below]
        for name in ("sheet", "opened", "cheap"):
            column_of = getattr(floor, name)
            column_of[rows, below] = column_of[rows, j]
        _keep(floor, rows, j, over, np.where(upright, h, b), least)
        _keep(floor, rows, below, np.where(upright, a, w), under, least)
        if gutted and field.panel[p].any():
            won = floor.add(1)
            out.won[step] = floor.ids[0, won]
            floor.sheet[rows, won], floor.opened[rows, won] = floor.sheet[rows, j], floor.opened[rows, j]
            floor.cheap[rows, won] = True
            inner = np.where(lies[:, None], field.panel[p][:, ::-1], field.panel[p])
            _keep(floor, rows, won, inner[:, 0], inner[:, 1], least)
        if step % TIDY == TIDY - 1:
            floor.tidy()
    out.cost = n * STEP + out.cost // PER_FITTING
    w, h = floor.w[:, : floor.top].astype(float), floor.h[:, : floor.top].astype(float)
    on = np.take_along_axis(used, floor.opened[:, : floor.top], 1)
    left_over = (w * h * np.minimum(w, h) * on).sum(1)
    out.spread = -(held**2).sum(1)
    out.lost = np.where(used, field.worth[kinds], 0.0).sum(1) - left_over
    return out


def _to_open(field: Field, piece: Ints, left: Ints, opening: Ints) -> tuple[Ints, Flags]:
    """Which kind of sheet to open for each piece, and whether there is one."""
    able = field.fits[piece] & (left > 0) & ~np.array(field.scrap, bool)
    by = np.stack([-field.demand, field.room, -field.room])[opening]
    kind = np.where(able, by, np.inf).argmin(1)
    return kind, able.any(1)


def _upright_first(split: Ints, w: Ints, h: Ints, a: Ints, b: Ints, over: Ints, under: Ints) -> Flags:
    """An upright cut first leaves a rest as tall as the part; a level one a rest as wide as it."""
    upright = np.maximum(over.astype(float) * h, under.astype(float) * a)
    level = np.maximum(under.astype(float) * w, over.astype(float) * b)
    found: Flags = np.where(split >= 2, split == 2, (upright >= level) == (split == 0))
    return found


def _keep(floor: _Floor, rows: Ints, column: Ints | int, w: Floats, h: Floats, least: float) -> None:
    """A part as it is now; what is too small for any piece is none."""
    floor.w[rows, column] = np.where(np.minimum(w, h) < least, 0, w)
    floor.h[rows, column] = h
