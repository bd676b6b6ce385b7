"""How a household measures, its rules, and what it punches with."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from ulna.core.cutting.progress import SLIVER
from ulna.core.measure import MARKS, MarkName, Ruler, Unit
from ulna.core.paper.punches import Punch
from ulna.core.parts.pieces import GutRule
from ulna.core.ranges import Many, Size
from ulna.core.words.writing import USUAL_HANDS, Hand


@dataclass(frozen=True, slots=True)
class Settings:
    """How a household measures, its rules, and what it punches with."""

    unit: Literal["in", "mm", "cm"] = "in"
    mark: MarkName = "1/16 in"
    zero: Literal["left", "centre"] = "left"
    gut: GutRule = "when it saves a sheet"
    least_scrap: Size = SLIVER
    punches: Annotated[tuple[Punch, ...], Many(100)] = ()
    hands: Annotated[tuple[Hand, ...], Many(20, 1)] = USUAL_HANDS

    @property
    def ruler(self) -> Ruler:
        return Ruler(Unit(self.unit), MARKS[self.mark])

    @classmethod
    def of(cls, ruler: Ruler) -> Settings:
        """Those that measure with a ruler."""
        mark = next(name for name, mark in MARKS.items() if mark == ruler.mark)
        return cls(ruler.unit.value, mark)
