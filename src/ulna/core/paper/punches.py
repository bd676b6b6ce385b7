"""The punches and dies that a person owns: the one of a size, or the next larger one.

Of circles of 1, 1 1/2 and 2 in, a label of 1 5/8 needs the 2. A punch reaches only so far into a sheet (1 1/4 in as a
rule), so paper is cut to strips first.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Annotated, Any

from ulna.core.findings import Finding, Remedy
from ulna.core.measure import Length, Ruler, inches
from ulna.core.ranges import Size, Text

REACH = inches(1, 1, 4)


@dataclass(frozen=True, slots=True)
class Punch:
    """`figure` is what it cuts, by its name as a tile or a shape; `size` across."""

    figure: Annotated[str, Text(40, 1)]
    size: Size


def punch_for(figure: str, size: Length, owned: Sequence[Punch]) -> Punch | None:
    """The smallest punch of that figure that is not smaller."""
    fitting = [p for p in owned if p.figure == figure and p.size >= size]
    return min(fitting, key=lambda p: p.size, default=None)


def told(
    part: Any, figure: str, size: Length, owned: Sequence[Punch], ruler: Ruler, fields: tuple[str, ...] = ("size",)
) -> list[Finding]:
    """What is to be said of a part whose figures could be punched; `fields` are those that hold its size."""
    if not any(p.figure == figure for p in owned):
        return []
    punch = punch_for(figure, size, owned)
    if punch is None:
        largest = max(p.size for p in owned if p.figure == figure)
        says = f"No {figure} punch of yours is that large; the largest is {ruler.say(largest)}: cut these by hand."
        return [Finding("punch", "note", part.id, says)]
    if punch.size == size:
        says = (
            f"Punched with your {ruler.say(size)} {figure}: cut the paper to strips first, a punch reaches only "
            f"{ruler.say(REACH)} into a sheet."
        )
        return [Finding("punch", "note", part.id, says)]
    says = f"You have no {figure} punch of {ruler.say(size)}; the next larger one is {ruler.say(punch.size)}."
    larger = Remedy(f"Make them {ruler.say(punch.size)}", replace(part, **dict.fromkeys(fields, punch.size)))
    return [Finding("punch", "note", part.id, says, (larger,))]
