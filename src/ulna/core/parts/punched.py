"""The small round hole at the top of a tag, of paper or of a photo."""

from __future__ import annotations

from ulna.core.findings import Finding
from ulna.core.geometry.figures import Hole
from ulna.core.measure import Length, Ruler, inches

HOLE = inches(0, 1, 4)
"""Its diameter, and how near to an edge its middle may come without tearing out."""


def tag_hole(
    part: str, what: str, from_top: Length, width: Length, height: Length, ruler: Ruler
) -> tuple[Hole | None, list[Finding]]:
    """The hole in the middle across, its own middle so far from the top edge; where it would tear out there is none,
    and that is told."""
    if not HOLE <= from_top <= height - HOLE or width < HOLE * 2:
        told = (
            f"A hole {ruler.say(from_top)} from the top would tear out of {what} of {ruler.say_size(width, height)}; "
            f"keep it {ruler.say(HOLE)} from the edges."
        )
        return None, [Finding("hole", "warn", part, told)]
    half = HOLE.part(1, 2)
    return Hole(ruler.round(width.part(1, 2) - half), from_top - half, HOLE, HOLE, "circle"), []
