"""The cut list as a document of its own: all that a hand, or a program, needs to cut a page and to lay it.

The sheets as they were before the first cut, every step with its own figures and in words, every rest, and where each
piece goes. docs/cut-list.md says every origin, side and sign.
"""

from __future__ import annotations

from collections.abc import Collection, Iterable, Mapping
from dataclasses import dataclass
from typing import Any, Literal

from ulna.core.cutting import directions
from ulna.core.cutting.cut_list import CutList, CutSheet
from ulna.core.cutting.directions import Direction
from ulna.core.cutting.placing import Placed
from ulna.core.measure import Length, Ruler
from ulna.core.page_formats import PageFormat
from ulna.formats.documents import as_text, model_of


@dataclass(frozen=True, slots=True)
class Page:
    """The page or spread that the pieces are laid on; `width` × `height` is one page of it."""

    name: str
    width: Length
    height: Length
    pages: int


@dataclass(frozen=True, slots=True)
class Document:
    """`told` is by the key of the step. `sheets` are in the order of use, `placements` from underneath upward."""

    page: Page
    unit: Literal["in", "mm", "cm"]
    mark: Length
    sheets: tuple[CutSheet, ...]
    told: Mapping[str, Direction]
    placements: tuple[Placed, ...]
    ticked: tuple[str, ...] = ()
    lacking: tuple[str, ...] = ()
    format: Literal["ulna-cut-list"] = "ulna-cut-list"
    version: Literal[1] = 1


def document(
    name: str,
    format: PageFormat,
    cuts: CutList,
    placed: Iterable[Placed],
    ruler: Ruler,
    least: Length,
    ticked: Collection[str] = (),
    lacking: Iterable[str] = (),
) -> Document:
    """Everything of a page's cut list in one value; rests narrower than `least` are waste."""
    return Document(
        Page(name, format.width, format.height, format.pages),
        ruler.unit.value,
        ruler.mark,
        cuts.sheets,
        directions.directions(cuts, least, ruler),
        tuple(placed),
        tuple(sorted(ticked)),
        tuple(lacking),
    )


def write(document: Document) -> str:
    """The document as text in JSON."""
    return as_text(document)


def schema() -> dict[str, Any]:
    """The JSON Schema of a cut list."""
    return model_of(Document).model_json_schema()
