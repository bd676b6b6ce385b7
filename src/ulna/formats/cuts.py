"""A cut list as JSON and as CSV."""

from __future__ import annotations

import csv
import io
from collections.abc import Collection, Mapping
from typing import Literal

from ulna.core import geometry
from ulna.core.cutting import cut_list, progress
from ulna.core.measure import Ruler, text
from ulna.formats.kit import Strip
from ulna.formats.model import AnyLength, Model


class Rect(Model):
    core = geometry.Rect
    x: AnyLength
    y: AnyLength
    width: AnyLength
    height: AnyLength


class CutPiece(Model):
    core = cut_list.CutPiece
    number: int
    piece: str
    name: str
    side: Literal["A", "B"]
    rect: Rect
    turned: bool
    panel: Rect | None
    fate: Literal["", "spoiled", "as cut"] = ""
    left: Rect | None = None


class CutStep(Model):
    core = cut_list.CutStep
    key: str
    n: int
    kind: Literal["cut", "gut", "take"]
    axis: Literal["vertical", "horizontal"]
    at: AnyLength
    setting: AnyLength
    of: Rect
    gives: list[int]
    says: str


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
    rests: list[Rect]
    steps: list[CutStep]
    print: str = ""
    names: list[str] = []
    paper_name: str = ""
    holes: list[Rect] = []


class CutList(Model):
    core = cut_list.CutList
    sheets: list[CutSheet] = []


def write_csv(cuts: cut_list.CutList, names: Mapping[str, str], ruler: Ruler, ticked: Collection[str] = ()) -> str:
    """One row a piece; `names` are the papers' by id. Sizes stand as a person reads them and exactly."""
    out = io.StringIO(newline="")
    writer = csv.writer(out, lineterminator="\r\n")
    unit = ruler.unit.value
    writer.writerow(
        [
            "number",
            "piece",
            "paper",
            "sheet",
            "side",
            f"width ({unit})",
            f"height ({unit})",
            "width",
            "height",
            "cut",
        ]
    )
    for sheet in cuts.sheets:
        cut = {p.number for p in progress.done(sheet, ticked)}
        for p in sheet.pieces:
            writer.writerow(
                [
                    p.number,
                    p.name,
                    sheet.print or names.get(sheet.of_paper, "gone"),
                    f"scrap {sheet.copy_number}" if sheet.scrap else sheet.copy_number,
                    p.side,
                    ruler.say(p.rect.width),
                    ruler.say(p.rect.height),
                    text(p.rect.width),
                    text(p.rect.height),
                    "yes" if p.number in cut else "",
                ]
            )
    return out.getvalue()
