"""What is cut of a page."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from datetime import datetime
from typing import Literal

from ulna.core.cutting import scraps
from ulna.core.cutting.cut_list import CutList
from ulna.core.kit.settings import Settings

Stage = Literal["planned", "begun", "cut"]


@dataclass(frozen=True, slots=True)
class Cutting:
    """The cut list that a page is being cut by, from the first tick on, what is ticked, and when.

    It keeps the ruler that it was made with, so that measuring in another unit later changes nothing on it.
    """

    cuts: CutList = field(default_factory=CutList)
    ticked: tuple[str, ...] = ()
    when: Mapping[str, datetime] = field(default_factory=dict)
    ruler: Settings = field(default_factory=Settings)

    @property
    def stage(self) -> Stage:
        """How far the page is cut."""
        if not self.ticked:
            return "planned"
        steps = {step.key for sheet in self.cuts.sheets for step in sheet.steps}
        return "cut" if steps <= set(self.ticked) else "begun"

    @property
    def begun(self) -> scraps.Begun:
        return self.cuts, frozenset(self.ticked)
