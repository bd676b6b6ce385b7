"""How a household measures, its rules, and what it punches with."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated, Literal

from ulna.core.cutting.progress import SLIVER
from ulna.core.measure import MARKS, ZERO, MarkName, Ruler, Unit
from ulna.core.paper.punches import Punch
from ulna.core.ranges import Many, Offset, Size, Text
from ulna.core.rules import Rules
from ulna.core.words.writing import USUAL_HANDS, Hand

USUAL_PROMPTS = ("Who is it?", "What happened?", "When was it?", "Where was it?", "Why do you want to keep it?")
"""What one is asked for a story, until one asks oneself otherwise."""


MOST_HANDS = 20
MARK_OF: dict[str, MarkName] = {Unit.INCH: "1/16 in", Unit.MM: "1 mm", Unit.CM: "1 mm"}
"""The mark that each unit is usually measured to."""


@dataclass(frozen=True, slots=True)
class Settings:
    """How a household measures, its rules, what it punches and writes with, and what one is asked for a story; the
    codes of findings that were put `aside` for good. A test print came out so much too low and too far right:
    `printed_low`, `printed_right`."""

    unit: Literal["in", "mm", "cm"] = "in"
    mark: MarkName = "1/16 in"
    zero: Literal["left", "centre"] = "left"
    rules: Rules = Rules()
    aside: Annotated[tuple[Annotated[str, Text(40, 1)], ...], Many(200)] = ()
    least_scrap: Size = SLIVER
    punches: Annotated[tuple[Punch, ...], Many(100)] = ()
    hands: Annotated[tuple[Hand, ...], Many(MOST_HANDS, 1)] = USUAL_HANDS
    prompts: Annotated[tuple[Annotated[str, Text(120, 1)], ...], Many(30)] = USUAL_PROMPTS
    printed_low: Offset = ZERO
    printed_right: Offset = ZERO

    @property
    def ruler(self) -> Ruler:
        return Ruler(Unit(self.unit), MARKS[self.mark])

    def ruler_by(self, rules: Rules) -> Ruler:
        """The household's ruler, or where a rule names another unit one of that, with its usual mark."""
        mine = Unit.INCH if Unit(self.unit) is Unit.INCH else Unit.MM
        if rules.unit in (None, "measures", mine):
            return self.ruler
        unit = Unit(rules.unit)
        return Ruler(unit, MARKS[MARK_OF[unit]])

    @classmethod
    def of(cls, ruler: Ruler) -> Settings:
        """Those that measure with a ruler."""
        mark = next(name for name, mark in MARKS.items() if mark == ruler.mark)
        return cls(ruler.unit.value, mark)
