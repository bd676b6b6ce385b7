"""A cut list as JSON, as it is kept and published, and its pieces as CSV. What each field means stands in
docs/cut-list.md."""

from __future__ import annotations

import csv
import io
from collections.abc import Collection, Mapping
from typing import Annotated, Any, Literal

from pydantic import AfterValidator, Field, model_validator

from ulna.core.cutting import cut_list, progress, steps
from ulna.core.geometry import figures, rects
from ulna.core.geometry.figures import Figure
from ulna.core.measure import ZERO, Length, Ruler, decimal
from ulna.core.parts import pieces
from ulna.formats.kit import Strip
from ulna.formats.model import AnyLength, Model

Point = tuple[float, float]


def _to_millionths(outline: list[Point]) -> list[Point]:
    return [(round(x, 6), round(y, 6)) for x, y in outline]


Outline = Annotated[list[Point], AfterValidator(_to_millionths)]
"""Corners in inches, clockwise."""


class Rect(Model):
    core = rects.Rect
    x: AnyLength
    y: AnyLength
    width: AnyLength
    height: AnyLength


class Hole(Model):
    """A hole of a figure in a box; `clipped` is its outline where it is not the whole figure. `outline` is written for
    who reads a list without knowing the figures."""

    core = figures.Hole
    x: AnyLength
    y: AnyLength
    width: AnyLength
    height: AnyLength
    figure: Figure = "rectangle"
    cut: AnyLength = ZERO
    clipped: Outline = []
    quarters: int = 0
    outline: Outline = []


class CutPiece(Model):
    core = cut_list.CutPiece
    number: int
    piece: str
    name: str
    side: Literal["A", "B"]
    rect: Rect
    quarters: int = 0
    over: bool = False
    panel: Rect | None
    fate: Literal["", "spoiled", "as cut"] = ""
    left: Rect | None = None
    of: int = 0
    within: Outline = []
    turn: float = 0.0

    @model_validator(mode="before")
    @classmethod
    def _as_it_was(cls, data: Any) -> Any:
        """Lists of 0.3 said only whether a piece lies turned on its sheet."""
        if isinstance(data, dict) and "turned" in data:
            data = {name: value for name, value in data.items() if name != "turned"} | {
                "quarters": 3 if data["turned"] else 0
            }
        return data


class Rest(Model):
    core = cut_list.Rest
    at: Rect
    name: str
    inside: Hole | None = None
    step: str = ""


class _Step(Model):
    key: str
    n: int
    of: Rect
    gives: list[int]


class Take(_Step):
    core = steps.Take
    kind: Literal["take"]


class Cut(_Step):
    core = steps.Cut
    kind: Literal["cut"]
    axis: Literal["vertical", "horizontal"]
    at: AnyLength


class Gut(_Step):
    core = steps.Gut
    kind: Literal["gut"]
    piece: int
    panel: Rect


class Open(_Step):
    core = steps.Open
    kind: Literal["open"]
    piece: int
    hole: Hole
    punched: bool


class Line(Model):
    core = steps.Line
    from_x: AnyLength
    from_y: AnyLength
    to_x: AnyLength
    to_y: AnyLength


class Slant(_Step):
    core = steps.Slant
    kind: Literal["slant"]
    piece: int
    lines: list[Line]
    outline: Outline


class Round(_Step):
    core = steps.Round
    kind: Literal["round"]
    piece: int
    radius: AnyLength
    outline: Outline


class Shape(_Step):
    core = steps.Shape
    kind: Literal["shape"]
    piece: int
    figure: str
    outline: Outline
    punched: bool


class TornEdge(Model):
    core = pieces.TornEdge
    edge: Literal["left", "top", "right", "bottom"]
    off: AnyLength
    rise: AnyLength = ZERO
    begins: float = 0.0
    ends: float = 1.0


class Tear(_Step):
    core = steps.Tear
    kind: Literal["tear"]
    piece: int
    edges: list[TornEdge]
    outline: Outline
    core_seen: bool


CutStep = Annotated[
    Take | Cut | Gut | Open | Slant | Round | Shape | Tear,
    Field(discriminator="kind"),
]


class CutSheet(Model):
    core = cut_list.CutSheet
    key: str
    paper: str
    of_paper: str
    copy_number: int
    scrap: bool
    face: Literal["A", "B"]
    width: AnyLength
    height: AnyLength
    strip: Strip | None
    pieces: list[CutPiece]
    rests: list[Rest]
    steps: list[CutStep]
    print: str = ""
    paper_name: str = ""
    holes: list[Hole] = []
    inside: Hole | None = None

    @model_validator(mode="before")
    @classmethod
    def _as_it_was(cls, data: Any) -> Any:
        """Lists of 0.3 kept the letters of rests beside them, and of a gutted panel not which piece it is in."""
        if not isinstance(data, dict) or "names" not in data:
            return data
        names = [*data["names"], *["*"] * len(data["rests"])]
        rests = [{"at": at, "name": name} for at, name in zip(data["rests"], names, strict=False)]
        told = [_step_as_it_was(step, data["pieces"]) for step in data["steps"]]
        return {name: value for name, value in data.items() if name != "names"} | {"rests": rests, "steps": told}


def _step_as_it_was(step: dict[str, Any], pieces: list[dict[str, Any]]) -> dict[str, Any]:
    kept = {name: step[name] for name in ("key", "n", "kind", "of", "gives")}
    if step["kind"] == "cut":
        return kept | {"axis": step["axis"], "at": step["at"]}
    if step["kind"] == "gut":
        piece = next((p for p in pieces if p["panel"] == step["of"]), None)
        of = piece["rect"] if piece else step["of"]
        return kept | {"of": of, "piece": piece["number"] if piece else 0, "panel": step["of"]}
    return kept


class CutList(Model):
    core = cut_list.CutList
    sheets: list[CutSheet] = []


def write_csv(cuts: cut_list.CutList, names: Mapping[str, str], ruler: Ruler, ticked: Collection[str] = ()) -> str:
    """One row a piece; `names` are the papers' by id. Sizes stand as numbers that a spreadsheet can add up, and in the
    columns after them as a person says them."""
    out = io.StringIO(newline="")
    writer = csv.writer(out, lineterminator="\r\n")
    unit = ruler.unit
    sizes = [f"width ({unit})", "width as said", f"height ({unit})", "height as said"]
    writer.writerow(["number", "piece", "paper", "sheet", "side", *sizes, "cut"])
    for sheet in cuts.sheets:
        cut = {p.number for p in progress.finished(sheet, ticked)}
        paper = sheet.print or names.get(sheet.of_paper, "gone")
        for p in sheet.pieces:
            row = [str(p.number), plain(p.name), plain(paper), plain(_called(sheet)), p.side]
            for size in p.lies:
                row += [decimal(size, unit), _said(size, ruler)]
            writer.writerow([*row, "yes" if p.number in cut else ""])
    return out.getvalue()


def _called(sheet: cut_list.CutSheet) -> str:
    return "" if sheet.print else sheet.called


def _said(length: Length, ruler: Ruler) -> str:
    """With its unit, so that no spreadsheet takes it for a date."""
    return f"{ruler.say(length)} {ruler.unit}"


def plain(words: str) -> str:
    """Words that a spreadsheet does not take for a formula."""
    return f"'{words}" if words[:1] in ("=", "+", "-", "@", "\t", "\r") else words
