"""How pieces go over the wire to be drawn: less than a piece knows, and outlines that a screen does not work out."""

from __future__ import annotations

from typing import Any, Literal
from urllib.parse import urlencode

from pydantic import model_validator

from ulna.core.findings import Finding
from ulna.core.geometry.rects import Rect
from ulna.core.page.evaluate import DrawnLine, PartOnPage
from ulna.core.page_formats import PageFormat
from ulna.core.parts import pieces
from ulna.core.parts.edge_work import EdgeWork
from ulna.core.parts.pieces import PaperChoice, Role
from ulna.core.photos import look
from ulna.core.photos.crop import Crop
from ulna.core.rules import USUAL, Rules
from ulna.core.things.thing import Half
from ulna.formats.documents import Doc, Model
from ulna.formats.svg import path_of


class Picture(Model):
    """The window of the picture and the outlines are seen from the corner of the uncut piece, paths in inches.

    `query` is added to the address of the photo's pictures.
    """

    photo: str | None
    window: Doc[Rect]
    crop: Doc[Crop] | None
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
    pin: Doc[Rect] | None = None
    role: Role
    name: str
    rect: Doc[Rect]
    uncut: Doc[Rect]
    choice: Doc[PaperChoice]
    picture: Picture | None
    half: Literal["left", "right"] | None
    whole: str
    angle: float
    path: str = ""
    colour: str
    thing: str | None = None
    thing_half: Half = ""
    edge: Doc[EdgeWork] | None = None

    @model_validator(mode="before")
    @classmethod
    def _with_path(cls, value: Any) -> Any:
        if isinstance(value, pieces.Piece):
            return {name: getattr(value, name) for name in _PIECE} | {"path": path_of(value)}
        return value


_PIECE = (
    "pin",
    "id",
    "part",
    "role",
    "name",
    "rect",
    "uncut",
    "choice",
    "picture",
    "half",
    "whole",
    "angle",
    "colour",
    "thing",
    "thing_half",
    "edge",
)


class EvaluatedOut(Model):
    """A page worked out; `rules` are all that hold for it."""

    format: Doc[PageFormat]
    parts: list[Doc[PartOnPage]]
    pieces: list[PieceOut]
    findings: list[Doc[Finding]]
    lines: list[Doc[DrawnLine]]
    rules: Doc[Rules] = USUAL
