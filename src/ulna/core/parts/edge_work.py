"""What is done to the edges of a piece before it is glued: inked, outlined with a pen, roughened, sanded, curled up."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from ulna.core.measure import inches
from ulna.core.ranges import Colour, Gap, Text

EdgeHow = Literal["inked", "outlined", "roughened", "sanded", "curled"]
WITH_COLOUR: frozenset[EdgeHow] = frozenset({"inked", "outlined"})
SAID: dict[EdgeHow, str] = {
    "inked": "Ink",
    "outlined": "Outline",
    "roughened": "Roughen",
    "sanded": "Sand",
    "curled": "Curl up",
}
"""As a step says it: ink its edges."""


@dataclass(frozen=True, slots=True)
class EdgeWork:
    """All edges of the piece of that id (of a piece that the fold halves, the whole one's). `colour` is the ink's or
    the pen's; a pen's line runs `inside` the edge by so much."""

    piece: Annotated[str, Text(200, 1)]
    how: EdgeHow = "inked"
    colour: Colour = "#4a3a2c"
    inside: Gap = inches(0, 1, 8)
