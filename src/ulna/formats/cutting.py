"""What is cut of a page, as a document."""

from __future__ import annotations

from datetime import datetime

from ulna.core.cutting import scraps
from ulna.formats import cuts as cuts_format
from ulna.formats.model import Model
from ulna.formats.settings import Settings


class Cutting(Model):
    """The cut list that a page is being cut by, from the first tick on, what is ticked, and when.

    It keeps the ruler that it was made with, so that measuring in another unit later changes nothing on it.
    """

    cuts: cuts_format.CutList = cuts_format.CutList()
    ticked: list[str] = []
    when: dict[str, datetime] = {}
    ruler: Settings = Settings()

    @property
    def begun(self) -> scraps.Begun:
        return self.cuts.value(), frozenset(self.ticked)
