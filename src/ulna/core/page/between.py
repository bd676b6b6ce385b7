"""Any two things of a page: how far they are from each other, edge to edge and middle to middle."""

from __future__ import annotations

import math
from dataclasses import dataclass

from ulna.core.geometry.rects import Rect
from ulna.core.measure import Length, Ruler, length_of
from ulna.core.page.guides import Distance


@dataclass(frozen=True, slots=True)
class Measured:
    """Lines to draw with their figures, and all of it in one sentence."""

    lines: tuple[Distance, ...]
    says: str


def between(first: Rect, second: Rect, ruler: Ruler) -> Measured:
    """The gap across and down where there is one, else the overlap; and the distance of their middles."""
    say = ruler.say
    lines, told = [], []
    mid_y = (max(first.y, second.y) + min(first.bottom, second.bottom)).part(1, 2)
    mid_x = (max(first.x, second.x) + min(first.right, second.right)).part(1, 2)
    left, right = (first, second) if first.x <= second.x else (second, first)
    upper, lower = (first, second) if first.y <= second.y else (second, first)
    across, down = right.x - left.right, lower.y - upper.bottom
    if across.units >= 0:
        lines.append(Distance(left.right, mid_y, right.x, mid_y, say(across), "left"))
        told.append(f"{say(across)} apart across")
    else:
        told.append(f"overlapping {say(min(left.right, right.right) - right.x)} across")
    if down.units >= 0:
        lines.append(Distance(mid_x, upper.bottom, mid_x, lower.y, say(down), "top"))
        told.append(f"{say(down)} apart down")
    else:
        told.append(f"overlapping {say(min(upper.bottom, lower.bottom) - lower.y)} down")
    x1, y1, x2, y2 = (*_middle(first), *_middle(second))
    far = length_of(math.dist((x1.inches, y1.inches), (x2.inches, y2.inches)))
    told.append(f"middles {say(far)} apart")
    says = ", ".join(told)
    return Measured(tuple(lines), f"{says[0].upper()}{says[1:]}.")


def _middle(box: Rect) -> tuple[Length, Length]:
    return (box.x + box.right).part(1, 2), (box.y + box.bottom).part(1, 2)
