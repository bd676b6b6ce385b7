"""The recipe of a page as a JSON document, in and out. Lengths are text with their unit."""

from __future__ import annotations

import json
from typing import Annotated, Any, Literal

from pydantic import Field

from ulna.core import crop, geometry, page, page_formats, pieces, prints
from ulna.core.measure import ZERO
from ulna.core.parts import base, joint, mats, panel, photo, place
from ulna.formats.model import Gap, Model, Offset, PageSize, Size

MOST_PARTS = 400

Side = Literal["A", "B"]
Name = Annotated[str, Field(max_length=120)]
Id = Annotated[str, Field(min_length=1, max_length=80)]


class PaperChoice(Model):
    core = pieces.PaperChoice
    paper: str | None = None
    side: Side = "A"
    turned: bool = False


class Borders(Model):
    core = geometry.Borders
    left: Gap
    top: Gap
    right: Gap
    bottom: Gap


class Mat(Model):
    core = mats.Mat
    borders: Borders
    choice: PaperChoice = PaperChoice()
    gutted: bool = False
    lap: Gap = mats.LAP


Share = Annotated[float, Field(ge=0, le=1)]
Zoom = Annotated[float, Field(ge=1, le=20)]


class Frame(Model):
    core = crop.Frame
    x: Share = 0.5
    y: Share = 0.5
    zoom: Zoom = 1.0


class Print(Model):
    """A print as it comes out of the printer; `below` null means a rim as wide below as elsewhere."""

    core = prints.Print
    photo: str | None = None
    width: Size
    height: Size
    rim: Gap
    below: Gap | None = None
    shape: Literal["rectangle", "circle", "hexagon", "arch", "on the tip"] = "rectangle"
    tone: Literal["as the photo", "black and white", "in colour"] = "as the photo"
    rim_off: bool = False
    trim: Gap = ZERO
    frame: Frame | None = None


class Across(Model):
    core = place.Across
    edge: place.AcrossFrom = "centre"
    by: Offset


class Down(Model):
    core = place.Down
    edge: place.DownFrom = "centre"
    by: Offset


class Place(Model):
    core = place.Place
    on: Literal["left", "right", "spread"] = "left"
    across: Across
    down: Down


class BasePart(Model):
    core = base.Base
    kind: Literal["base"]
    id: Id
    on: Literal["left", "right"] = "left"
    choice: PaperChoice = PaperChoice()


class PanelPart(Model):
    """`trim` null means a size of its own."""

    core = panel.Panel
    kind: Literal["panel"]
    id: Id
    name: Name = "panel"
    trim: Gap | None = None
    width: Gap
    height: Gap
    choice: PaperChoice = PaperChoice()
    gutted: bool = False
    rim: Gap = mats.LAP
    place: Place


class PhotoPart(Model):
    core = photo.PhotoPart
    kind: Literal["photo"]
    id: Id
    print: Print
    mats: Annotated[list[Mat], Field(max_length=12)] = []
    place: Place


class JointPart(Model):
    core = joint.Joint
    kind: Literal["joint"]
    id: Id
    prints: Annotated[list[Print], Field(min_length=1, max_length=12)]
    along: Literal["row", "column"] = "row"
    gap: Gap
    mats: Annotated[list[Mat], Field(max_length=12)] = []
    place: Place


Part = Annotated[BasePart | PanelPart | PhotoPart | JointPart, Field(discriminator="kind")]


class PageFormat(Model):
    core = page_formats.PageFormat
    kind: Literal["12x12", "letter-upright", "letter-lying", "notebook", "notebook-pocket", "own"]
    width: PageSize
    height: PageSize
    pages: Annotated[int, Field(ge=1, le=2)] = 1


class Recipe(Model):
    """The recipe of a page: parts from underneath upward."""

    core = page.PagePlan
    name: Annotated[str, Field(min_length=1, max_length=120)]
    format: PageFormat
    story: Annotated[str, Field(max_length=20_000)] = ""
    parts: Annotated[list[Part], Field(max_length=MOST_PARTS)] = []


def photos_of(recipe: Recipe) -> set[str]:
    """The ids of the photos that a page shows."""
    prints: list[Print] = []
    for part in recipe.parts:
        if isinstance(part, PhotoPart):
            prints.append(part.print)
        elif isinstance(part, JointPart):
            prints += part.prints
    return {p.photo for p in prints if p.photo}


class Document(Model):
    """A page as a file."""

    format: Literal["ulna-page"] = "ulna-page"
    version: Literal[1] = 1
    page: Recipe


def write(recipe: page.PagePlan) -> str:
    """The page as text in JSON."""
    return (
        json.dumps(Document(page=Recipe.from_value(recipe)).model_dump(mode="json"), ensure_ascii=False, indent=2)
        + "\n"
    )


def read(text: str | bytes) -> page.PagePlan:
    """Raises `pydantic.ValidationError` with every field that is wrong."""
    value: page.PagePlan = Document.model_validate_json(text).page.value()
    return value


def schema() -> dict[str, Any]:
    """The JSON Schema of a page as a file."""
    return Document.model_json_schema()
