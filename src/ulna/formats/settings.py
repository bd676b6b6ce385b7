"""How a household measures and what it punches with, as a document."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from ulna.core.cutting.progress import SLIVER
from ulna.core.measure import MARKS, Ruler, Unit
from ulna.core.paper import punches
from ulna.core.parts.pieces import GutRule
from ulna.formats.model import Model, Size


class Punch(Model):
    """A punch or a die that the household has."""

    core = punches.Punch
    figure: Annotated[str, Field(min_length=1, max_length=40)]
    size: Size


class Settings(Model):
    """How a household measures, its rules, and what it punches with."""

    unit: Literal["in", "mm", "cm"] = "in"
    mark: Literal["1/8 in", "1/16 in", "1/32 in", "1 mm", "0.5 mm"] = "1/16 in"
    zero: Literal["left", "centre"] = "left"
    gut: GutRule = "when it saves a sheet"
    least_scrap: Size = SLIVER
    punches: Annotated[list[Punch], Field(max_length=100)] = []

    def ruler(self) -> Ruler:
        return Ruler(Unit(self.unit), MARKS[self.mark])

    @classmethod
    def of(cls, ruler: Ruler) -> Settings:
        mark = next(name for name, mark in MARKS.items() if mark == ruler.mark)
        return cls.model_validate({"unit": ruler.unit.value, "mark": mark})
