"""The recipe of a page as a JSON document, in and out. Lengths are text with their unit."""

from __future__ import annotations

import json
from collections.abc import Iterator
from typing import Annotated, Any, Literal, Self

from pydantic import Field, model_validator

from ulna.core import page_formats
from ulna.core.geometry import rects
from ulna.core.geometry.shapes import Shape
from ulna.core.measure import ZERO
from ulna.core.page import page
from ulna.core.parts import joined, mats, opening, pieces, place
from ulna.core.parts.kinds import (
    axis,
    band,
    base,
    card,
    cutout,
    grid,
    joint,
    mitred,
    panel,
    papered,
    photo,
    pieced,
    pocket,
    rounds,
    stitching,
    tape,
    tiles,
    torn,
)
from ulna.core.photos import crop, prints
from ulna.formats.model import Gap, Model, Offset, PageSize, Size

MOST_PARTS = 400

Side = Literal["A", "B"]
Name = Annotated[str, Field(max_length=120)]
Id = Annotated[str, Field(min_length=1, max_length=80)]


Angle = Annotated[float, Field(ge=-180, le=180)]
Count = Annotated[int, Field(ge=0, le=100_000)]
"""Counts beyond what can be made are told as findings, not refused, so that a page with one can still be opened."""
Seed = Annotated[int, Field(ge=0, le=1_000_000)]
FigureName = Literal[
    "rectangle", "rounded", "circle", "arch", "hexagon", "on the tip", "heart", "banner", "pennant", "triangle", "tag",
    "scalloped",
    "scalloped round",
]  # fmt: skip


class PaperChoice(Model):
    core = pieces.PaperChoice
    paper: str | None = None
    side: Side = "A"
    turned: bool = False


class Borders(Model):
    core = rects.Borders
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
    angle: Angle = 0.0
    pieced: bool = False
    any_scraps: bool = False


Mats = Annotated[list[Mat], Field(max_length=12)]
Papers = Annotated[list[PaperChoice], Field(min_length=1, max_length=24)]
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
    shape: Shape = "rectangle"
    tone: Literal["as the photo", "black and white", "in colour"] = "as the photo"
    rim_off: bool = False
    trim: Gap = ZERO
    frame: Frame | None = None
    hole: Gap | None = None


class Across(Model):
    core = place.Across
    edge: place.AcrossFrom = "centre"
    by: Offset
    of: Id | None = None


class Down(Model):
    core = place.Down
    edge: place.DownFrom = "centre"
    by: Offset
    of: Id | None = None


class Stand(Model):
    core = place.Stand
    of: Id
    share: Share = 0.5


class Place(Model):
    """Clear of something (before, after, above, below) takes the part that it is clear of."""

    core = place.Place
    on: Literal["left", "right", "spread"] = "left"
    across: Across
    down: Down
    stand: Stand | None = None
    flush: bool = False

    @model_validator(mode="after")
    def _clear_of_something(self) -> Self:
        for way, inside in ((self.across, "left"), (self.down, "top")):
            if way.of is None and way.edge in ("before", "after", "above", "below"):
                raise ValueError(
                    f'"{way.edge}" wants the part that it counts from: name one in "of", or say "{inside}"'
                )
        return self


class BasePart(Model):
    core = base.Base
    kind: Literal["base"]
    id: Id
    on: Literal["left", "right"] = "left"
    choice: PaperChoice = PaperChoice()


class Opening(Model):
    """`rim` null means a size of its own; `print` lies behind it."""

    core = opening.Opening
    figure: FigureName = "rectangle"
    rim: Gap | None = None
    width: Size
    height: Size
    across: Offset = ZERO
    down: Offset = ZERO
    lap: Gap
    print: Print | None = None
    ring: Gap = ZERO
    ring_choice: PaperChoice = PaperChoice()


Openings = Annotated[list[Opening], Field(max_length=24)]


class _Opened(Model):
    """What openings can be cut into."""

    openings: Openings = []

    @model_validator(mode="before")
    @classmethod
    def _as_it_was(cls, data: Any) -> Any:
        """Until 0.4 there was one opening, or none."""
        if not isinstance(data, dict) or "opening" not in data:
            return data
        kept = {name: value for name, value in data.items() if name != "opening"}
        return kept if data["opening"] is None else {"openings": [data["opening"]], **kept}


class Joined(Model):
    """`seam` null is in the middle."""

    core = joined.Joined
    way: Literal["side by side", "one above the other"] = "side by side"
    seam: Size | None = None
    lap: Gap = ZERO


class PanelPart(_Opened):
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
    mats: Mats = []
    corner: Gap = ZERO
    angle: Angle = 0.0
    as_it_is: bool = False
    joined: Joined | None = None


class PhotoPart(Model):
    core = photo.PhotoPart
    kind: Literal["photo"]
    id: Id
    print: Print
    mats: Mats = []
    place: Place


class JointPart(Model):
    core = joint.Joint
    kind: Literal["joint"]
    id: Id
    prints: Annotated[list[Print], Field(min_length=1, max_length=12)]
    along: Literal["row", "column"] = "row"
    gap: Gap
    mats: Mats = []
    place: Place


class PaperedPart(Model):
    core = papered.Papered
    kind: Literal["papered"]
    id: Id
    papers: Papers
    along: Literal["row", "column"] = "row"
    border: Gap
    shares: Annotated[list[Annotated[int, Field(ge=1, le=100)]], Field(max_length=24)] = []
    strip: Gap = ZERO
    strip_choice: PaperChoice = PaperChoice()
    place: Place


class MitredPart(Model):
    core = mitred.Mitred
    kind: Literal["mitred"]
    id: Id
    shows: Size
    under: Gap = mitred.OVERLAP
    trim: Gap = ZERO
    stripes: Literal["along", "across"] = "along"
    choice: PaperChoice = PaperChoice()
    place: Place


class TornPart(Model):
    core = torn.Torn
    kind: Literal["torn"]
    id: Id
    width: Size
    length: Size
    allowance: Gap = torn.ALLOWANCE
    layers: Count = 1
    step: Gap
    core_side: Literal["seen", "hidden"] = "seen"
    papers: Papers
    seed: Seed = 1
    edge: torn.TornAt = "bottom"
    rise: Gap = ZERO
    place: Place


class StitchingPart(Model):
    core = stitching.Stitching
    kind: Literal["stitching"]
    id: Id
    inset: Gap
    sides: Literal["all round", "top", "bottom", "left", "right", "top and bottom", "left and right"] = "all round"
    place: Place


class BandPart(Model):
    core = band.Band
    kind: Literal["band"]
    id: Id
    count: Count = 5
    width: Size
    length: Size
    gap: Offset = ZERO
    way: Literal["flush", "staggered", "stepped", "ragged"] = "flush"
    by: Gap
    upright: bool = False
    papers: Papers
    drawn: bool = False
    doubled: bool = False
    seed: Seed = 1
    place: Place


class PiecedPart(Model):
    """`seed` null lays the papers in turn."""

    core = pieced.Pieced
    kind: Literal["pieced"]
    id: Id
    pattern: Literal["strips", "log cabin", "pinwheel", "herringbone", "sunburst", "triangle"] = "strips"
    width: Size
    height: Size
    strip: Size
    papers: Papers
    over: bool = False
    seed: Seed | None = None
    doubled: bool = False
    angle: Annotated[int, Field(ge=0, le=89)] = 45
    arms: Literal["rising", "falling"] = "rising"
    rays: Count = 9
    block: Annotated[int, Field(ge=1, le=100)] = 1
    blocks: Annotated[int, Field(ge=1, le=100)] = 1
    backed: bool = False
    backing: PaperChoice = PaperChoice()
    place: Place


class Cell(Model):
    core = grid.Cell
    row: Count
    column: Count
    rows: Annotated[int, Field(ge=1, le=100)] = 1
    columns: Annotated[int, Field(ge=1, le=100)] = 1
    what: Literal["paper", "photo", "empty", "title", "words", "card"] = "paper"
    print: Print | None = None
    choice: PaperChoice | None = None
    figure: FigureName = "rectangle"


class GridPart(Model):
    """`width` and `height` null mean all of what it lies on; `seed` null lays the papers in turn."""

    core = grid.Grid
    kind: Literal["grid"]
    id: Id
    rows: Count = 3
    columns: Count = 3
    cell_width: Size
    cell_height: Size
    gap: Gap
    margin: Gap
    open: Literal["nothing", "cells", "gap", "margins", "equal gaps", "how many"] = "cells"
    width: Size | None = None
    height: Size | None = None
    rest: Literal["paper", "photo", "empty"] = "paper"
    cells: Annotated[list[Cell], Field(max_length=400)] = []
    papers: Papers
    seed: Seed | None = None
    place: Place


class Taken(Model):
    core = tiles.Taken
    row: int
    column: int
    what: Literal["photo", "paper", "card", "words", "empty"] = "photo"
    print: Print | None = None
    choice: PaperChoice = PaperChoice()
    sheet: str | None = None
    card: Name = ""
    back: bool = False


class TilesPart(Model):
    """`width` and `height` null mean all of what it lies on, so do the hole's of a ring round another part."""

    core = tiles.Tiles
    kind: Literal["tiles"]
    id: Id
    shape: Literal["hexagon", "hexagon flat up", "square", "triangle", "circle"] = "hexagon"
    size: Size
    gap: Gap = ZERO
    width: Size | None = None
    height: Size | None = None
    layout: Literal["region", "ring", "scattered"] = "region"
    hole_width: Size | None = None
    hole_height: Size | None = None
    share: Annotated[int, Field(ge=1, le=100)] = 60
    trimmed: bool = False
    papers: Papers
    asked: Annotated[list[Count], Field(max_length=24)] = []
    seed: Seed = 1
    taken: Annotated[list[Taken], Field(max_length=600)] = []
    place: Place


class CutoutPart(Model):
    """`hole` null means none."""

    core = cutout.Cutout
    kind: Literal["cutout"]
    id: Id
    figure: FigureName = "tag"
    width: Size
    height: Size
    cut: Gap = ZERO
    hole: Gap | None = None
    reinforced: bool = False
    choice: PaperChoice = PaperChoice()
    ring: PaperChoice = PaperChoice()
    mats: Mats = []
    angle: Angle = 0.0
    half: cutout.Half = ""
    place: Place


class PocketPart(Model):
    """`inside` null means that nothing is made for it yet."""

    core = pocket.Pocket
    kind: Literal["pocket"]
    id: Id
    width: Size
    height: Size
    seam: Gap
    out: Gap
    choice: PaperChoice = PaperChoice()
    inside: PaperChoice | None = None
    tags: Annotated[int, Field(ge=1, le=24)] = 1
    tag_width: Size | None = None
    place: Place


class RoundsPart(Model):
    core = rounds.Rounds
    kind: Literal["rounds"]
    id: Id
    figure: FigureName = "circle"
    size: Size
    path: Literal["row", "column", "ring", "round the edge"] = "row"
    length: Size
    height: Size
    pitch: Size
    outward: bool = False
    papers: Papers
    place: Place


class CardPart(_Opened):
    core = card.Card
    kind: Literal["card"]
    id: Id
    sheet: str | None = None
    card: Annotated[str, Field(max_length=120)] = ""
    back: bool = False
    figure: FigureName = "rectangle"
    angle: Angle = 0.0
    mats: Mats = []
    place: Place


class TapePart(Model):
    """`length` null runs from edge to edge of what it lies on."""

    core = tape.Tape
    kind: Literal["tape"]
    id: Id
    thing: str | None = None
    width: Size
    length: Size | None = None
    upright: bool = False
    wrapped: Annotated[int, Field(ge=0, le=2)] = 2
    colour: Annotated[str, Field(pattern=r"^#[0-9a-fA-F]{6}$")] = tape.PLAIN
    place: Place


class AxisPart(Model):
    core = axis.Axis
    kind: Literal["axis"]
    id: Id
    run: Literal["column", "horizon", "falling", "rising", "ring"] = "horizon"
    length: Size
    height: Size
    place: Place


Part = Annotated[
    BasePart
    | PanelPart
    | PhotoPart
    | JointPart
    | PaperedPart
    | MitredPart
    | TornPart
    | StitchingPart
    | BandPart
    | PiecedPart
    | GridPart
    | TilesPart
    | CutoutPart
    | PocketPart
    | RoundsPart
    | CardPart
    | TapePart
    | AxisPart,
    Field(discriminator="kind"),
]


class PageFormat(Model):
    core = page_formats.PageFormat
    kind: Literal["12x12", "letter-upright", "letter-lying", "notebook", "notebook-pocket", "own"]
    width: PageSize
    height: PageSize
    pages: Annotated[int, Field(ge=1, le=2)] = 1
    binding: Gap = ZERO
    allowance: Gap = ZERO


class Group(Model):
    """Parts that belong together: they move, copy, mirror and repeat together."""

    core = page.Group
    id: Id
    name: Annotated[str, Field(min_length=1, max_length=120)] = "group"
    parts: Annotated[list[Id], Field(max_length=MOST_PARTS)]


class Gutting(Model):
    """What was said of the hidden middle of one piece: whether it is cut out."""

    core = page.Gutting
    piece: Annotated[str, Field(min_length=1, max_length=200)]
    gut: bool


class Keep(Model):
    """So many sheets of a paper are kept back for the page."""

    core = page.Keep
    paper: Annotated[str, Field(min_length=1, max_length=200)]
    count: Annotated[int, Field(ge=1, le=10_000)] = 1


class Recipe(Model):
    """The recipe of a page: parts from underneath upward."""

    core = page.PagePlan
    name: Annotated[str, Field(min_length=1, max_length=120)]
    format: PageFormat
    story: Annotated[str, Field(max_length=20_000)] = ""
    parts: Annotated[list[Part], Field(max_length=MOST_PARTS)] = []
    groups: Annotated[list[Group], Field(max_length=MOST_PARTS)] = []
    gutting: Annotated[list[Gutting], Field(max_length=MOST_PARTS)] = []
    keeps: Annotated[list[Keep], Field(max_length=MOST_PARTS)] = []


def photos_of(recipe: Recipe) -> set[str]:
    """The ids of the photos that a page shows."""
    return {print_.photo for print_ in _prints(recipe.parts) if print_.photo}


def _prints(value: object) -> Iterator[Print]:
    """Every print in a part, wherever it is in it."""
    if isinstance(value, Print):
        yield value
    elif isinstance(value, list):
        for item in value:
            yield from _prints(item)
    elif isinstance(value, Model):
        for field in type(value).model_fields:
            yield from _prints(getattr(value, field))


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
