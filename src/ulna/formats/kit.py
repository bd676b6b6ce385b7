"""A kit as a JSON document: its papers with both sides, and its things."""

from __future__ import annotations

import json
from typing import Annotated, Any, Literal, Self

from pydantic import Field, field_validator, model_validator

from ulna.core.geometry import figures, rects
from ulna.core.geometry.figures import Figure
from ulna.core.measure import ZERO, text
from ulna.core.paper import patterns, shelf
from ulna.formats.model import AnyLength, Gap, Model, Size, Supply

MOST_PAPERS = 500

Name = Annotated[str, Field(min_length=1, max_length=120)]
Id = Annotated[str, Field(min_length=1, max_length=80)]
Colour = Annotated[str, Field(pattern=r"^#[0-9a-fA-F]{6}$")]
Count = Annotated[int, Field(ge=0, le=10_000)]


class Side(Model):
    """One side of a paper. `scale` of 0 in means what is usual for the pattern."""

    core = shelf.Side
    pattern: str = "plain"
    colours: Annotated[list[Colour], Field(min_length=1, max_length=5)] = ["#f4efe4"]
    busy: Annotated[int, Field(ge=0, le=3)] = 0
    direction: shelf.Direction = shelf.Direction.NONE
    scale: Gap
    picture: str | None = None

    @field_validator("pattern")
    @classmethod
    def _known(cls, value: str) -> str:
        if value not in patterns.PATTERNS:
            raise ValueError(f'no pattern is called "{value}"; there are {", ".join(patterns.PATTERNS)}')
        return value


class Strip(Model):
    core = shelf.Strip
    edge: shelf.Edge
    depth: Size


class OnSheet(Model):
    """A rectangle on a sheet, from its top left corner as it is looked at."""

    core = rects.Rect
    x: Gap
    y: Gap
    width: Size
    height: Size


class Card(Model):
    """A card, a motif or a phrase of a sheet, where it lies as seen from the side that it is printed on."""

    core = shelf.Card
    name: Name
    at: OnSheet
    side: Literal["A", "B"] = "A"


class Hole(Model):
    """A hole of a figure in a box on a sheet, as seen from the A side."""

    core = figures.Hole
    x: AnyLength
    y: AnyLength
    width: Size
    height: Size
    figure: Figure = "rectangle"
    cut: Gap = ZERO
    clipped: Annotated[list[tuple[float, float]], Field(max_length=400)] = []
    quarters: Annotated[int, Field(ge=0, le=3)] = 0


class Paper(Model):
    """Cards and holes lie on the sheet; of two cards with one name the first counts, so each has its own."""

    core = shelf.Paper
    id: Id
    name: Name
    width: Size
    height: Size
    count: Count = 1
    stock: shelf.Stock = shelf.Stock.PATTERNED
    form: shelf.Form = shelf.Form.SHEET
    a: Side
    b: Side
    strip: Strip | None = None
    scrap_of: str | None = None
    cards: Annotated[list[Card], Field(max_length=100)] = []
    holes: Annotated[list[Hole], Field(max_length=50)] = []
    inside: Hole | None = None

    @model_validator(mode="after")
    def _on_the_sheet(self) -> Self:
        on_it: list[tuple[str, OnSheet | Hole]] = [(f"card {card.name}", card.at) for card in self.cards]
        # A hole that cutting went through may reach beyond a scrap.
        holes = self.holes if self.scrap_of is None else []
        for what, at in (*on_it, *(("hole", hole) for hole in holes)):
            if min(at.x, at.y) < ZERO or at.x + at.width > self.width or at.y + at.height > self.height:
                size = f"{text(self.width)} × {text(self.height)}"
                raise ValueError(f"{what} reaches beyond the sheet, which is {size}; move it in or make it smaller")
        names = [card.name for card in self.cards]
        twice = next((name for name in names if names.count(name) > 1), None)
        if twice is not None:
            raise ValueError(f'two cards are called "{twice}"; give each its own name')
        return self


class Thing(Model):
    core = shelf.Thing
    id: Id
    name: Name
    kind: shelf.ThingKind = shelf.ThingKind.OTHER
    count: Count = 1
    length: Supply | None = None
    note: Annotated[str, Field(max_length=500)] = ""


class Kit(Model):
    """`kind` says where it stands: a club's kit, what was there before, or what earlier cutting left."""

    name: Name
    kind: Literal["kit", "stash", "scraps"] = "kit"
    note: Annotated[str, Field(max_length=2_000)] = ""
    papers: Annotated[list[Paper], Field(max_length=MOST_PAPERS)] = []
    things: Annotated[list[Thing], Field(max_length=MOST_PAPERS)] = []


class Document(Model):
    """A kit as a file."""

    format: Literal["ulna-kit"] = "ulna-kit"
    version: Literal[1] = 1
    kit: Kit


def write(kit: Kit) -> str:
    """The kit as text in JSON."""
    return json.dumps(Document(kit=kit).model_dump(mode="json"), ensure_ascii=False, indent=2) + "\n"


def read(text: str | bytes) -> Kit:
    """Raises `pydantic.ValidationError` with every field that is wrong."""
    return Document.model_validate_json(text).kit


def schema() -> dict[str, Any]:
    """The JSON Schema of a kit as a file."""
    return Document.model_json_schema()
