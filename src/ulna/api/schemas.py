"""What goes over the wire besides the documents themselves: answers, and small questions."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Literal

from pydantic import BaseModel, Field

from ulna.formats.cuts import CutList, Rect
from ulna.formats.kit import Kit, Paper, Side, Thing
from ulna.formats.model import AnyLength, Model
from ulna.formats.photo import PhotoRecord
from ulna.formats.recipe import PageFormat, PaperChoice, Part, Recipe
from ulna.household import Settings
from ulna.store.library import Kept


class Saved(BaseModel):
    """How a document stands. `undo` says what a step back takes back, `redo` what a step forward does again."""

    id: str
    version: int
    what: str
    undo: str | None
    redo: str | None
    changed: datetime


def saved(kept: Kept) -> Saved:
    return Saved(
        id=kept.id, version=kept.version, what=kept.what, undo=kept.undo, redo=kept.redo, changed=kept.changed
    )


class Step(BaseModel):
    """Asks for a step back or forward from the version that is on the screen."""

    version: int


What = Annotated[str, Field(min_length=1, max_length=200)]
Series = Annotated[str, Field(max_length=200)]
"""Quick edits of one series are one step of undo."""


# ---- lengths ---------------------------------------------------------------------------------------


class LengthText(BaseModel):
    """A length as typed, within `range`, stepped by so many of the person's `marks`."""

    text: Annotated[str, Field(max_length=200)]
    range: Literal["size", "page size", "gap", "offset", "supply"] = "size"
    marks: Annotated[int, Field(ge=-1000, le=1000)] = 0


class LengthRead(BaseModel):
    """`length` is exact, with its unit; `shown` is in the person's unit to their mark."""

    length: str
    shown: str
    rounded: bool


class LengthTexts(BaseModel):
    lengths: Annotated[list[AnyLength], Field(max_length=500)]


# ---- kits ------------------------------------------------------------------------------------------


class Tile(Model):
    """What repeats on a side, as SVG in inches."""

    width: float
    height: float
    markup: str


class Tiles(BaseModel):
    a: Tile
    b: Tile


class KitOut(BaseModel):
    """`tiles` by paper id."""

    saved: Saved
    kit: Kit
    tiles: dict[str, Tiles]


class KitIn(BaseModel):
    kit: Kit
    what: What = "changed the kit"
    series: Series | None = None
    version: int = 0


class PatternOut(BaseModel):
    """A kind of pattern in the given colours, and what is usual for it."""

    name: str
    busy: int
    direction: Literal["none", "one-way", "two-way"]
    scale: str
    tile: Tile


class Colours(BaseModel):
    colours: Annotated[list[Annotated[str, Field(pattern=r"^#[0-9a-fA-F]{6}$")]], Field(min_length=1, max_length=5)]


class WrongCell(Model):
    line: int
    field: str
    read: str
    reason: str


class RowsOut(Model):
    papers: list[Paper]
    things: list[Thing]
    wrong: list[WrongCell]
    rows: int


class PictureOut(BaseModel):
    id: str


class Straighten(BaseModel):
    """The sheet's corners in shares of the picture, top left first, clockwise; the sheet's size."""

    corners: Annotated[list[tuple[float, float]], Field(min_length=4, max_length=4)]
    width: AnyLength
    height: AnyLength


class SideIn(BaseModel):
    side: Side
    width: AnyLength
    height: AnyLength


# ---- photos ----------------------------------------------------------------------------------------


class CropOut(Model):
    """The part of the picture that is printed, in shares of it."""

    x: float
    y: float
    width: float
    height: float
    lost: float


class PhotoOut(BaseModel):
    """`crop`, `ppi` and `word` are for the print it is wanted in; `used_on` names pages."""

    saved: Saved
    photo: PhotoRecord
    crop: CropOut | None
    ppi: int | None
    word: Literal["good", "fine", "soft", "too few"] | None
    used_on: list[str]


class PhotoIn(BaseModel):
    photo: PhotoRecord
    what: What = "changed the photo"
    series: Series | None = None
    version: int


class PrintSize(BaseModel):
    width: str
    height: str


# ---- settings --------------------------------------------------------------------------------------


class SettingsOut(BaseModel):
    saved: Saved
    settings: Settings


class SettingsIn(BaseModel):
    settings: Settings
    version: int


# ---- pages -----------------------------------------------------------------------------------------


class PageOut(BaseModel):
    saved: Saved
    page: Recipe
    cutting: Literal["planned", "begun", "cut"] = "planned"


class PageIn(BaseModel):
    page: Recipe
    what: What = "changed the page"
    series: Series | None = None
    version: int = 0


class Finding(Model):
    code: str
    severity: Literal["stop", "warn", "note"]
    part: str | None
    sentence: str


class PartOnPage(Model):
    id: str
    sentence: str
    box: Rect | None
    arithmetic: str


class Picture(Model):
    photo: str | None
    rim: AnyLength
    crop: CropOut | None


class PieceOut(Model):
    id: str
    part: str
    role: Literal["base", "panel", "mat", "print"]
    name: str
    rect: Rect
    uncut: Rect
    choice: PaperChoice
    picture: Picture | None
    half: Literal["left", "right"] | None


class EvaluatedOut(Model):
    format: PageFormat
    parts: list[PartOnPage]
    pieces: list[PieceOut]
    findings: list[Finding]


class PageAsked(BaseModel):
    """A recipe to work out; `id` is the page's where it is kept, so that its own cut sheets count as its own."""

    page: Recipe
    id: str | None = None


MOST_ADDED = 60


class AddAsked(BaseModel):
    """Adds parts to a recipe; on top of the part `above` where one is named, else each at its usual level."""

    page: Recipe
    parts: Annotated[list[Part], Field(min_length=1, max_length=MOST_ADDED)]
    id: str | None = None
    above: str | None = None


class Added(Model):
    """A part with its place found; it lies directly under the part `under`, on top of all where that is null."""

    part: Part
    under: str | None


class PaperCost(Model):
    paper: str
    name: str
    had: int
    opened: int
    scraps: int
    left: int
    largest_rest: Rect | None
    rest_says: str = ""
    pieces: int


class Lacking(Model):
    piece: str
    part: str
    sentence: str


class CostOut(Model):
    pieces: int
    unchosen: int
    prints: int
    opened: int
    papers: list[PaperCost]
    lacking: list[Lacking]


class MoveAsked(BaseModel):
    """Moves a part: `x`, `y` say where its top left corner is wanted; `marks` nudge it instead.

    With `catch` it goes to the nearest guide within that distance.
    """

    page: Recipe
    part: str
    id: str | None = None
    x: AnyLength | None = None
    y: AnyLength | None = None
    marks: tuple[int, int] | None = None
    catch: AnyLength | None = None


class Guide(Model):
    at: AnyLength
    line: AnyLength
    why: Literal["edge", "centre", "third", "neighbour", "gap"]
    says: str


class Distance(Model):
    x1: AnyLength
    y1: AnyLength
    x2: AnyLength
    y2: AnyLength
    says: str
    of: Literal["left", "top", "right", "bottom", "centre across", "centre down"]


class Moved(BaseModel):
    """The part as it is after the move, where it lies, the guides that it caught on, and its distances."""

    part: Part
    box: Rect
    across: Guide | None
    down: Guide | None
    distances: list[Distance]


# ---- cutting ---------------------------------------------------------------------------------------


class CuttingOut(BaseModel):
    """A page's cut list. `sizes` by piece number, `sheet_sizes` and `rest_sizes` by sheet key are as they are read.

    `new` names pieces the page wants that are not on it, `gone` those it wants no more.
    """

    version: int
    undo: str | None
    redo: str | None
    cuts: CutList
    names: dict[str, str]
    sizes: dict[str, str]
    sheet_sizes: dict[str, str]
    rest_sizes: dict[str, list[str]]
    ticked: list[str]
    begun: bool
    new: list[str]
    gone: list[str]
    lacking: list[Lacking]
    pieces: int
    done: int


class Tick(BaseModel):
    key: str
    on: bool
    version: int


class Away(BaseModel):
    """Something that was put away."""

    kind: Literal["kit", "photo", "page"]
    name: str
    saved: Saved
