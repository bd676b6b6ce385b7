"""The prints that are wanted and the papers to print them on, as one document."""

from __future__ import annotations

from typing import Annotated

from pydantic import Field

from ulna.core.geometry.rects import Borders as CoreBorders
from ulna.core.measure import Length, Unit, inches, mm
from ulna.core.photos import print_sheets
from ulna.formats.model import Gap, Model, PageSize
from ulna.formats.recipe import Borders, Id, Print

MOST_WANTED, MOST_PAPERS, MOST_COPIES = 400, 20, 99


class PrintPaper(Model):
    """`count` null means enough of it; `use` says whether prints may be laid on it."""

    core = print_sheets.PrintPaper
    id: Id
    name: Annotated[str, Field(min_length=1, max_length=60)]
    width: PageSize
    height: PageSize
    margin: Borders
    count: Annotated[int, Field(ge=0, le=9999)] | None = None
    use: bool = True


class WantedPrint(Model):
    """`page` and `part` name where it is wanted; `cut_at` is where the gutter will cut it, from its left edge."""

    id: Id
    print: Print
    copies: Annotated[int, Field(ge=0, le=MOST_COPIES)] = 1
    page: str | None = None
    part: str | None = None
    cut_at: Gap | None = None


class PrintList(Model):
    papers: Annotated[list[PrintPaper], Field(max_length=MOST_PAPERS)]
    gap: Gap = inches(0, 1, 8)
    wanted: Annotated[list[WantedPrint], Field(max_length=MOST_WANTED)] = []


def usual(unit: Unit) -> PrintList:
    """The papers most people have, with a usual printer's margins; letter or A4 is in use."""

    def paper(id: str, name: str, width: Length, height: Length, margin: Length, use: bool) -> PrintPaper:
        around = Borders.from_value(CoreBorders.even(margin))
        return PrintPaper(id=id, name=name, width=width, height=height, margin=around, use=use)

    quarter, eighth = inches(0, 1, 4), inches(0, 1, 8)
    return PrintList(
        papers=[
            paper("4x6", "4 × 6", inches(4), inches(6), inches(0), False),
            paper("5x7", "5 × 7", inches(5), inches(7), inches(0), False),
            paper("letter", "letter", inches(8, 1, 2), inches(11), quarter, unit is Unit.INCH),
            paper("a4", "A4", mm(210), mm(297), mm(5), unit is not Unit.INCH),
            paper("13x19", "13 × 19", inches(13), inches(19), eighth, False),
        ]
    )
