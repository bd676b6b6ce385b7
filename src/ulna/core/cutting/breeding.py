"""Orders and manners of laying pieces that are bred from the best so far: a biased random-key genetic algorithm.

Each generation is laid at once (`trials`). A child takes most of its keys from a good parent, some from another
one, and a few anew; what is the same outcome is kept once, so that the stock stays varied.

After: J. F. Gonçalves, M. G. C. Resende, "A biased random key genetic algorithm for 2D and 3D bin packing problems",
2013, here with edge-to-edge cuts and the manner of laying among the genes.
"""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

import numpy as np

from ulna.core.cutting.effort import Budget
from ulna.core.cutting.trials import Field, Floats, Ints, Manner, Trials, run

STOCK = 60
"""Of the best so many are bred from."""
MOST, FEWEST, LAID = 320, 24, 14_000
"""Trials of a generation: about so many pieces laid, within limits."""
NOISE = (0.0, 0.02, 0.05, 0.1, 0.2, 0.5)

Rank = tuple[int, int, float]
"""Copies unplaced, whole sheets, worth lost or spread: less is better."""


@dataclass(frozen=True, slots=True)
class Bred:
    """The best trial there was: its rank, what was chosen, and which column of it."""

    rank: Rank
    trials: Trials
    column: int


def breed(
    field: Field,
    budget: Budget,
    seed: int = 1,
    enough: Callable[[Rank, int], bool] | None = None,
    emptying: bool = False,
) -> Bred | None:
    """Breeds until the budget is spent or `enough` says so of the best rank and the generations without gain.

    `emptying` breeds for full sheets beside empty ones instead of a valuable rest: so one of them may be saved.
    """
    if not field.n:
        return None
    dice = np.random.default_rng(seed)
    many = max(FEWEST, min(120 if emptying else MOST, LAID // field.n))
    keys, genes = _first(field, dice, many)
    stock: tuple[Floats, dict[str, Ints], Floats] | None = None
    best: Bred | None = None
    stale = 0
    while True:
        by_fit = genes["fit"].argsort(kind="stable")
        keys, genes = keys[by_fit], {name: gene[by_fit] for name, gene in genes.items()}
        found = run(field, Manner(keys.argsort(1, kind="stable"), **genes))
        budget.spend(found.cost)
        third = found.spread if emptying else found.lost
        ranks = np.stack([found.unplaced.astype(float), found.whole.astype(float), third])
        column = int(np.lexsort(ranks[::-1])[0])
        rank = int(found.unplaced[column]), int(found.whole[column]), float(third[column])
        stale += 1
        if best is None or rank < best.rank:
            best, stale = Bred(rank, found, column), 0
        if budget.spent or (enough is not None and enough(best.rank, stale)):
            return best
        if stock is not None:
            keys = np.concatenate([stock[0], keys])
            genes = {name: np.concatenate([stock[1][name], genes[name]]) for name in genes}
            ranks = np.concatenate([stock[2], ranks], 1)
        kept = _best_of(ranks)
        stock = keys[kept], {name: genes[name][kept] for name in genes}, ranks[:, kept]
        keys, genes = _children(stock[0], stock[1], many, dice)


def _first(field: Field, dice: np.random.Generator, many: int) -> tuple[Floats, dict[str, Any]]:
    """Large pieces first, in several senses of large, more and less strictly."""
    w, h, area = field.w.astype(float), field.h.astype(float), field.area
    small = area / (area.max() * 1e3)
    gutted_first = np.where(field.panel.any(1), 0.0, 1e3)
    tied = field.may.sum(1).astype(float)
    senses = [
        -area,
        -np.maximum(w, h) - small,
        -w - h / 1e3,
        -h - w / 1e3,
        -np.minimum(w, h) - small,
        gutted_first - area / area.max(),
        tied - area / area.max(),
    ]
    keys = np.empty((many, field.n))
    for k in range(many):
        keys[k, np.argsort(senses[k % len(senses)], kind="stable")] = np.arange(field.n) / field.n
        keys[k] += dice.normal(0, NOISE[k // len(senses) % len(NOISE)], field.n)
    genes = {
        "fit": dice.integers(0, 3, many),
        "split": dice.integers(0, 4, many),
        "opening": dice.integers(0, 3, many),
        "thrifty": dice.random(many) < 0.85,
        "flip": (dice.random((many, field.n)) < 0.3) & (np.arange(many) % 8 != 1)[:, None],
    }
    return keys, genes


def _best_of(ranks: Floats) -> Ints:
    """The best of different ranks."""
    order = np.lexsort(ranks[::-1])
    _, first = np.unique(ranks[:, order], axis=1, return_index=True)
    return order[np.sort(first)[:STOCK]]


def _children(
    keys: Floats, genes: dict[str, Ints], many: int, dice: np.random.Generator
) -> tuple[Floats, dict[str, Any]]:
    there, n = keys.shape
    one, other = (there * dice.random(many) ** 2).astype(int), dice.integers(0, there, many)
    mixed = (dice.random((many, n)) < 0.3) & (dice.random(many) < 0.4)[:, None]
    child = np.where(mixed, keys[other], keys[one])
    each = np.arange(many)
    for _ in range(2):  # a piece goes beside another one, or anywhere
        piece, beside = dice.integers(0, n, many), dice.integers(0, n, many)
        near = child[each, beside] + dice.normal(0, 1e-3, many)
        new = np.where(dice.random(many) < 0.5, near, dice.random(many))
        child[each, piece] = np.where(dice.random(many) < 0.75, new, child[each, piece])
    taken = {name: gene[one].copy() for name, gene in genes.items()}
    for name, choices in (("fit", 3), ("split", 4), ("opening", 3)):
        taken[name] = np.where(dice.random(many) < 0.12, dice.integers(0, choices, many), taken[name])
    taken["flip"] = np.where(mixed, genes["flip"][other], taken["flip"])
    for _ in range(2):
        piece = dice.integers(0, n, many)
        taken["flip"][each, piece] ^= dice.random(many) < 0.6
    taken["thrifty"] = taken["thrifty"] ^ (dice.random(many) < 0.08)
    return child, taken
