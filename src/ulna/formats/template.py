"""A template of many photos as a document."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from ulna.core.measure import inches
from ulna.core.photos import template as core_template
from ulna.core.photos.crop import Framing
from ulna.core.photos.photo import Photo
from ulna.formats.cuts import Rect
from ulna.formats.model import Gap, Model, Size
from ulna.formats.recipe import Frame

PIXELS_PER_INCH = 300
MOST_CELLS = 200


class Cell(Model):
    """A photo in the rows, or at a place of its own."""

    core = core_template.Cell
    photo: str | None = None
    frame: Frame | None = None
    place: Rect | None = None


class Template(Model):
    core = core_template.Template
    name: Annotated[str, Field(min_length=1, max_length=120)]
    width: Size = inches(4)
    height: Size = inches(6)
    rows: Annotated[int, Field(ge=1, le=20)] = 3
    columns: Annotated[int, Field(ge=1, le=20)] = 2
    gap: Gap = inches(0, 1, 8)
    rim: Gap = inches(0, 1, 8)
    cells: Annotated[list[Cell], Field(max_length=MOST_CELLS)] = []
    cut_apart: bool = False

    def photo(self, id: str, edition: str) -> Photo:
        """The print as a picture that a page can show, as sharp as it is printed."""
        pixels = (
            max(1, round(self.width.inches * PIXELS_PER_INCH)),
            max(1, round(self.height.inches * PIXELS_PER_INCH)),
        )
        return Photo(id, self.name, pixels, Framing(), edition=edition)
