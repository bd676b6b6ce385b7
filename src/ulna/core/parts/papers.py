"""Several papers over many pieces: in turn, or in an order drawn by a seed, never the same twice running."""

from __future__ import annotations

import random
from collections.abc import Sequence

from ulna.core.parts.pieces import PaperChoice

NO_PAPER = PaperChoice()


def dealt(
    papers: Sequence[PaperChoice], count: int, seed: int | None = None, doubled: bool = False
) -> list[PaperChoice]:
    """A paper for each of `count` pieces. Without a seed they go in turn.

    With one they are drawn, each as often as the others where that can be, never the same twice running; `doubled`
    draws every one twice running, on purpose, for a wider look.
    """
    if not papers:
        return [NO_PAPER] * count
    if doubled:
        return [p for one in dealt(papers, (count + 1) // 2, seed) for p in (one, one)][:count]
    if seed is None or len(papers) < 2:
        return [papers[k % len(papers)] for k in range(count)]
    dice, found = random.Random(seed), list[int]()
    left = [count // len(papers) + (k < count % len(papers)) for k in range(len(papers))]
    for n in range(count):
        last = found[-1] if found else -1
        free = [k for k in range(len(papers)) if k != last and left[k]]
        # One that must come at every second place from here on comes now, else it would stand twice running at last.
        rest = count - n
        pressing = [k for k in free if left[k] * 2 > rest]
        free = pressing or free or [k for k in range(len(papers)) if k != last]
        chosen = dice.choice(free)
        left[chosen] -= 1
        found.append(chosen)
    return [papers[k] for k in found]
