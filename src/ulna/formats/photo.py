"""A photo as a document: its name, pixels and date, how it is framed, and the print it is wanted in."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from ulna.core.crop import Framing as CoreFraming
from ulna.formats.model import Model
from ulna.formats.recipe import Print

Share = Annotated[float, Field(ge=0, le=1)]


class Framing(Model):
    core = CoreFraming
    x: Share = 0.5
    y: Share = 0.5
    zoom: Annotated[float, Field(ge=1, le=20)] = 1.0
    focal_x: Share | None = None
    focal_y: Share | None = None


class PhotoRecord(Model):
    """A photo: its file is kept under the same id. `print` is the size it is wanted in."""

    name: Annotated[str, Field(min_length=1, max_length=120)]
    file: str = ""
    taken: str | None = None
    width: int
    height: int
    framing: Framing = Framing()
    print: Print
