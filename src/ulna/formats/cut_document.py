"""The cut list as a document of its own: all that a hand, or a program, needs to cut a page and to lay it.

The sheets as they were before the first cut, every step with its own figures and in words, every rest, and where each
piece goes. docs/cut-list.md says every origin, side and sign.
"""

from __future__ import annotations

from collections.abc import Collection, Iterable
from typing import Any, Literal

from pydantic import Field

from ulna.core.cutting import directions, placing
from ulna.core.cutting.cut_list import CutList as Cuts
from ulna.core.measure import Length, Ruler
from ulna.core.page_formats import PageFormat
from ulna.formats.cuts import CutSheet, Hole, Outline, Rect
from ulna.formats.model import AnyLength, Model


class Page(Model):
    """The page or spread that the pieces are laid on; `width` × `height` is one page of it."""

    name: str
    width: AnyLength
    height: AnyLength
    pages: int


class Fall(Model):
    core = directions.Fall
    name: str
    width: AnyLength
    height: AnyLength
    figure: str
    says: str


class Direction(Model):
    """A step as a person is told it; the step itself has the figures."""

    core = directions.Direction
    tool: Literal["hand", "trimmer", "knife", "punch", "scissors", "fingers"]
    up: str
    turn: bool
    figure: str
    rest: str
    says: str
    write: list[str]
    falls: list[Fall]
    caution: str


class Placed(Model):
    core = placing.Placed
    number: int
    piece: str
    name: str
    role: str
    page: str
    at: Rect
    about: Rect
    angle: float
    side: Literal["A", "B"]
    turned: bool
    outline: Outline
    holes: list[Hole]
    half: str
    on: str


class Document(Model):
    """`told` is by the key of the step. `sheets` are in the order of use, `placements` from underneath upward."""

    format: Literal["ulna-cut-list"] = "ulna-cut-list"
    version: Literal[1] = 1
    page: Page
    unit: Literal["in", "mm", "cm"]
    mark: AnyLength
    sheets: list[CutSheet]
    told: dict[str, Direction]
    placements: list[Placed]
    ticked: list[str] = Field(default_factory=list)
    lacking: list[str] = Field(default_factory=list)


def document(
    name: str,
    format: PageFormat,
    cuts: Cuts,
    placed: Iterable[placing.Placed],
    ruler: Ruler,
    least: Length,
    ticked: Collection[str] = (),
    lacking: Iterable[str] = (),
) -> Document:
    """Everything of a page's cut list in one value; rests narrower than `least` are waste."""
    told = directions.directions(cuts, least, ruler)
    return Document(
        page=Page(name=name, width=format.width, height=format.height, pages=format.pages),
        unit=ruler.unit.value,
        mark=ruler.mark,
        sheets=[CutSheet.from_value(sheet) for sheet in cuts.sheets],
        told={key: Direction.from_value(one) for key, one in told.items()},
        placements=[Placed.from_value(one) for one in placed],
        ticked=sorted(ticked),
        lacking=list(lacking),
    )


def write(document: Document) -> str:
    """The document as text in JSON."""
    return document.model_dump_json(indent=2) + "\n"


def schema() -> dict[str, Any]:
    """The JSON Schema of a cut list."""
    return Document.model_json_schema()
