"""What goes over the wire besides the documents themselves: answers, and small questions."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Any, Literal
from urllib.parse import urlencode

from pydantic import BaseModel, Field, model_validator

from ulna.core.geometry.shapes import Shape
from ulna.core.measure import ZERO, inches
from ulna.core.parts import pieces
from ulna.core.photos import look
from ulna.formats.cuts import Rect
from ulna.formats.kit import Kit, Paper, Side, Thing
from ulna.formats.model import AnyLength, Gap, Model, Size
from ulna.formats.photo import Framing, PhotoRecord
from ulna.formats.print_list import PrintList
from ulna.formats.recipe import PageFormat, PaperChoice, Part, Print, Recipe
from ulna.formats.settings import Settings
from ulna.formats.svg import path_of
from ulna.formats.template import Template
from ulna.machines.photo_printer.words import Printer
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


class CardsAsked(BaseModel):
    """Rows and columns of equal cards on a sheet."""

    paper: Paper
    rows: Annotated[int, Field(ge=1, le=20)]
    columns: Annotated[int, Field(ge=1, le=20)]
    side: Literal["A", "B"] = "A"


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


Word = Literal["good", "fine", "soft", "too few"]


class Pixels(BaseModel):
    width: int
    height: int


class UsedOn(BaseModel):
    id: str
    name: str


class PhotoOut(BaseModel):
    """`pixels` are the photo's as it looks; `look` goes into the address of its pictures. `crop`, `ppi`, `word` and
    `faces_cut` are for the print it is wanted in."""

    saved: Saved
    photo: PhotoRecord
    pixels: Pixels
    look: str
    crop: CropOut | None
    ppi: int | None
    word: Word | None
    faces_cut: int
    outline: str
    used_on: list[UsedOn]
    added: datetime


class PhotoCame(BaseModel):
    """How a file came in: new, here already, or back from what was put away; `like` names a photo that looks the
    same.
    """

    photo: PhotoOut
    how: Literal["new", "here", "back"]
    like: str | None


class ShapeIn(BaseModel):
    shape: Shape
    width: Size
    height: Size


class CropAsked(BaseModel):
    print: Print


class PrintCrop(BaseModel):
    """What a print shows of its photo, and its shape as a path in a box of 1 × 1."""

    crop: CropOut | None
    ppi: int | None
    word: Word | None
    faces_cut: int
    pixels: Pixels
    look: str
    framing: Framing
    outline: str


class SpotIn(BaseModel):
    """A place for a photo: a width on the page, an opening (a circle where `height` is left out), or a cell."""

    kind: Literal["width", "opening", "cell"]
    width: Size
    height: Size | None = None
    lap: Gap = inches(0, 1, 8)


class OfferOut(BaseModel):
    width: AnyLength
    height: AnyLength
    size: str
    usual: bool
    lost: float
    ppi: int
    word: Word
    says: str


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


class Remedy(Model):
    """What would do, in words, the part as it would be then, and of how many pages its page would have to be."""

    says: str
    part: Part
    pages: int | None = None


class Finding(Model):
    code: str
    severity: Literal["stop", "warn", "note"]
    part: str | None
    sentence: str
    remedies: list[Remedy]


class Handle(Model):
    """Where a value of a part is taken hold of, from the corner of its box; see `/api/pull`."""

    field: str
    name: str
    x: AnyLength
    y: AnyLength
    across: float
    down: float


class PartOnPage(Model):
    id: str
    name: str
    sentence: str
    box: Rect | None
    arithmetic: str
    handles: list[Handle]


class DrawnLine(Model):
    """Stitches or an axis: a path in inches from the corner of its part's box."""

    part: str
    kind: Literal["stitch", "axis"]
    path: str
    box: Rect


class Picture(Model):
    """The window of the picture and the outlines are seen from the corner of the uncut piece, paths in inches.

    `query` is added to the address of the photo's pictures.
    """

    photo: str | None
    window: Rect
    crop: CropOut | None
    query: str = ""
    outline: str
    inner: str

    @model_validator(mode="before")
    @classmethod
    def _with_query(cls, value: Any) -> Any:
        if isinstance(value, pieces.Picture):
            words = {"look": look.key(value.look), "v": value.edition}
            query = urlencode({k: v for k, v in words.items() if v})
            fields = ("photo", "window", "crop", "outline", "inner")
            return {name: getattr(value, name) for name in fields} | {"query": f"?{query}" if query else ""}
        return value


class PieceOut(Model):
    """`path` is what is seen of a piece that is no plain rectangle, in inches from the corner of `uncut`, openings
    included; it lies turned by `angle` about the middle of `uncut`.
    """

    id: str
    part: str
    pin: Rect | None = None
    role: Literal["base", "panel", "mat", "strip", "tile", "shape", "card", "print", "tape"]
    name: str
    rect: Rect
    uncut: Rect
    choice: PaperChoice
    picture: Picture | None
    half: Literal["left", "right"] | None
    angle: float
    path: str = ""
    colour: str

    @model_validator(mode="before")
    @classmethod
    def _with_path(cls, value: Any) -> Any:
        if isinstance(value, pieces.Piece):
            return {name: getattr(value, name) for name in _PIECE} | {"path": path_of(value)}
        return value


_PIECE = ("pin", "id", "part", "role", "name", "rect", "uncut", "choice", "picture", "half", "angle", "colour")


class EvaluatedOut(Model):
    format: PageFormat
    parts: list[PartOnPage]
    pieces: list[PieceOut]
    findings: list[Finding]
    lines: list[DrawnLine]


class PageAsked(BaseModel):
    """A recipe to work out; `id` is the page's where it is kept, so that its own cut sheets count as its own."""

    page: Recipe
    id: str | None = None


class FillAsked(BaseModel):
    """Makes a photo as large as a page or the spread."""

    page: Recipe
    part: str
    on: Literal["left", "right", "spread"]


class Filled(BaseModel):
    part: Part


class MatAsked(BaseModel):
    """Which papers would do for mat number `mat` (from 0) of a part."""

    page: Recipe
    part: str
    mat: Annotated[int, Field(ge=0, le=11)]
    id: str | None = None


class PhotoColours(BaseModel):
    """The edge of the cropped picture: lightness from 0 to 100, colour, how lively it is; leading colours."""

    lightness: int
    colour: str
    liveliness: Literal["plain", "quiet", "lively", "busy"]
    leading: list[str]


class MatChoice(Model):
    paper: str
    side: Literal["A", "B"]
    good: bool
    reason: str


class MatChoices(BaseModel):
    colours: PhotoColours | None
    choices: list[MatChoice]


MOST_ADDED = 60


class AddAsked(BaseModel):
    """Adds parts to a recipe; on top of the part `above` where one is named, else each at its usual level. `dress`
    gives them papers of the shelf that suit.
    """

    page: Recipe
    parts: Annotated[list[Part], Field(min_length=1, max_length=MOST_ADDED)]
    id: str | None = None
    above: str | None = None
    dress: bool = False


class Added(Model):
    """A part with its place found; it lies directly under the part `under`, on top of all where that is null."""

    part: Part
    under: str | None


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
    along: list[str] = []


class PullAsked(BaseModel):
    """Pulls a handle of a part, by its field, so far from where it is."""

    page: Recipe
    part: str
    field: Annotated[str, Field(max_length=80)]
    across: AnyLength
    down: AnyLength
    id: str | None = None


class Pulled(BaseModel):
    part: Part
    says: str


Chosen = Annotated[list[str], Field(min_length=1, max_length=400)]


class ArrangeAsked(BaseModel):
    """What is done with parts together; which of the further fields count depends on `act`."""

    page: Recipe
    parts: Chosen
    act: Literal[
        "move", "align", "distribute", "mirror", "swap", "swap pages", "copy", "repeat", "ring", "group", "ungroup",
        "remove", "page as panel",
    ]  # fmt: skip
    id: str | None = None
    edge: Literal["left", "centre", "right", "top", "middle", "bottom"] = "left"
    way: Literal["across", "down"] = "across"
    on: Literal["left", "right", "spread"] = "left"
    across: AnyLength = ZERO
    down: AnyLength = ZERO
    marks: tuple[int, int] | None = None
    rows: int = 1
    columns: int = 2
    count: int = 6
    radius: Size = inches(2)
    trim: Size = inches(0, 1, 4)
    name: Annotated[str, Field(min_length=1, max_length=120)] = "group"


class ArrangedOut(BaseModel):
    """The recipe as it is then, the parts that are to be chosen now, and what is to be known of it."""

    page: Recipe
    chosen: list[str]
    told: str


class BetweenAsked(BaseModel):
    """How far two parts are from each other."""

    page: Recipe
    first: str
    second: str
    id: str | None = None


class MeasuredOut(Model):
    lines: list[Distance]
    says: str


class AuditionAsked(BaseModel):
    """Which papers could stand in place of `of` in a part."""

    page: Recipe
    part: str
    of: PaperChoice
    id: str | None = None


class TrialOut(Model):
    choice: PaperChoice
    enough: bool


class FormatAsked(BaseModel):
    """Moves a recipe to another format."""

    page: Recipe
    format: PageFormat
    id: str | None = None


class ReformattedOut(BaseModel):
    page: Recipe
    told: list[str]


class Variant(BaseModel):
    """A page as it was kept under a name, to be held beside others."""

    page: str
    name: Annotated[str, Field(min_length=1, max_length=120)]
    recipe: Recipe


class VariantOut(BaseModel):
    saved: Saved
    variant: Variant


class VariantIn(BaseModel):
    name: Annotated[str, Field(min_length=1, max_length=120)]
    recipe: Recipe


# ---- prints ----------------------------------------------------------------------------------------


class TemplateOut(BaseModel):
    """`places` is where each cell of the rows lies; `cell` is how large they are, in words."""

    saved: Saved
    template: Template
    places: list[Rect]
    cell: str
    query: str


class TemplateIn(BaseModel):
    template: Template
    what: What = "changed the template"
    series: Series | None = None
    version: int = 0


class PrintListOut(BaseModel):
    """`names` are the photos' by wanted print, `says` each print in words."""

    saved: Saved
    prints: PrintList
    names: dict[str, str]
    says: dict[str, str]


class PrintListIn(BaseModel):
    prints: PrintList
    what: What = "changed the print list"
    series: Series | None = None
    version: int = 0


class PlacedOut(BaseModel):
    """A print or a part of one on its sheet; `shows` is which part of the print it is."""

    wanted: str
    label: str
    at: Rect
    turned: bool
    shows: Rect


class WordsOut(Model):
    at: Rect
    text: str


class PrintSheetOut(BaseModel):
    paper: str
    says: str
    width: AnyLength
    height: AnyLength
    printable: Rect
    placed: list[PlacedOut]
    ticks: list[Rect]
    labels: list[WordsOut]
    line: WordsOut | None


class LeftOut(Model):
    wanted: str
    sentence: str


class PrintPicture(BaseModel):
    """How a wanted print looks on the screen: the window of its picture, as on a page."""

    width: AnyLength
    height: AnyLength
    picture: Picture


class PrintPlanOut(BaseModel):
    sheets: list[PrintSheetOut]
    left: list[LeftOut]
    notes: list[str]
    pictures: dict[str, PrintPicture]


class PrintListAsked(BaseModel):
    prints: PrintList


class RunOut(Model):
    """A print run on its way: prints made so far, then the printer's jobs."""

    phase: Literal["making", "sending", "sent", "stopped", "failed"]
    made: int
    of: int
    jobs: list[str]
    says: str


class PrinterOut(BaseModel):
    """How the photo printer stands; `there` is false where it does not answer, `says` what would do."""

    there: bool
    says: str
    printer: Printer | None
    loaded: str
    run: RunOut | None


class Away(BaseModel):
    """Something that was put away."""

    kind: Literal["kit", "photo", "page", "template"]
    name: str
    saved: Saved
