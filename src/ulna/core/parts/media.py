"""Wet media: what is done with each, how long it dries, what heat does to it.

Drying times are those of a thin and of a thick coat on card stock in a dry room.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

MediumName = Literal["wash", "gesso", "mist", "spatter", "paste", "powder"]


@dataclass(frozen=True, slots=True)
class Medium:
    """`thin` and `thick` are minutes. `bears` says that the paper must be card stock, else it curls; `sprayed` that it
    hangs in the air."""

    name: MediumName
    says: str
    does: str
    thin: int
    thick: int
    heat: Literal["shortens", "spoils"]
    sprayed: bool = False


MEDIA: dict[MediumName, Medium] = {
    "wash": Medium("wash", "a wash", "Brush a wash of watered colour", 15, 25, "shortens"),
    "gesso": Medium("gesso", "gesso", "Dab gesso with a dry brush", 20, 40, "shortens"),
    "mist": Medium("mist", "mist", "Spray a mist", 10, 15, "shortens", sprayed=True),
    "spatter": Medium("spatter", "spatter", "Flick spatter off a brush", 15, 30, "shortens"),
    "paste": Medium("paste", "paste through a stencil", "Spread paste through the stencil and lift it off", 45, 120,
                    "spoils"),
    "powder": Medium("powder", "embossing ink and powder", "Stamp with slow ink", 5, 10, "shortens"),
}  # fmt: skip
POWDER_WITHIN = 3
"""Minutes: so long the ink stays wet enough for powder to hold on it."""
