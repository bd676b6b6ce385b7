"""What goes over the wire of costs and cutting."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BaseModel, Field

from ulna.core.measure import ZERO
from ulna.formats.cut_document import Direction
from ulna.formats.cuts import CutList, Rect
from ulna.formats.model import AnyLength, Gap, Model
from ulna.formats.recipe import Recipe


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


class GutOffer(Model):
    """The hidden middle of a piece: `gut` whether it is cut out, `by` whose word; what it gives, in words."""

    piece: str
    part: str
    panel: Rect
    gut: bool
    by: str
    sheets: int
    placed: int
    sentence: str


class CostOut(Model):
    pieces: int
    unchosen: int
    prints: int
    opened: int
    papers: list[PaperCost]
    lacking: list[Lacking]
    offers: list[GutOffer] = []


class GutAsked(BaseModel):
    """A person's word about the middle of a piece; null leaves it to the house rule."""

    page: Recipe
    piece: Annotated[str, Field(max_length=200)]
    gut: bool | None


class OnMat(BaseModel):
    """A piece as it lies before one while it is finished, good side up as on the page: the `path` of what is cut out or
    left, and the `lines` along which it is really cut. All in inches."""

    number: int
    width: float
    height: float
    path: str
    lines: str


class CuttingOut(BaseModel):
    """A page's cut list. `sizes` by piece number; `sheet_names`, `sheet_sizes`, `rest_sizes` and `rest_names` by sheet
    key; by step key `directions` (what a person is told), `lines` (where it cuts: a path in
    inches on its sheet) and `on_mat` (of steps that finish a piece).

    `new` names pieces the page wants that are not on it, `gone` those it wants no more.
    """

    version: int
    undo: str | None
    redo: str | None
    cuts: CutList
    names: dict[str, str]
    sizes: dict[str, str]
    sheet_names: dict[str, str]
    sheet_sizes: dict[str, str]
    rest_sizes: dict[str, list[str]]
    rest_names: dict[str, list[str]]
    directions: dict[str, Direction]
    lines: dict[str, str]
    on_mat: dict[str, OnMat]
    ticked: list[str]
    begun: bool
    new: list[str]
    gone: list[str]
    lacking: list[Lacking]
    pieces: int
    done: int
    opened: int
    proved: bool


class SearchAsked(BaseModel):
    """For how long a better list is looked for at most."""

    seconds: Annotated[float, Field(ge=1, le=60)] = 10


class SearchOut(BaseModel):
    """How a search for a better list stands: `share` of its time that is over, and what it found once it has ended."""

    state: Literal["none", "searching", "stopped", "ended"]
    share: float
    found: Literal["", "fewer sheets", "better rest", "nothing better"]


class Tick(BaseModel):
    """`says` is what the step said where it was ticked: a list that has become another one is not ticked by mistake."""

    key: str
    on: bool
    version: int
    says: str = ""


class Spoiled(BaseModel):
    """A piece that is cut and no good; `width` × `height` of it are left, 0 for nothing."""

    number: int
    width: Gap = ZERO
    height: Gap = ZERO
    version: int


class Elsewhere(BaseModel):
    """A cut that was made at another setting; with `keep` what came of it is used as it is."""

    key: str
    setting: AnyLength
    keep: bool = False
    version: int
