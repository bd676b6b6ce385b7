"""The prints that are wanted, and the papers to print them on."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from ulna.core.geometry.rects import Borders
from ulna.core.measure import Length, Unit, inches, mm
from ulna.core.photos.print_sheets import PrintPaper
from ulna.core.photos.prints import Print
from ulna.core.ranges import Gap, Id, Many, Whole


@dataclass(frozen=True, slots=True)
class WantedPrint:
    """`page` and `part` name where it is wanted; `cut_at` is where the gutter will cut it, from its left edge."""

    id: Id
    print: Print
    copies: Annotated[int, Whole(0, 99)] = 1
    page: str | None = None
    part: str | None = None
    cut_at: Gap | None = None


@dataclass(frozen=True, slots=True)
class PrintList:
    papers: Annotated[tuple[PrintPaper, ...], Many(20)]
    gap: Gap = inches(0, 1, 8)
    wanted: Annotated[tuple[WantedPrint, ...], Many(400)] = ()


def usual(unit: Unit) -> PrintList:
    """The papers most people have, with a usual printer's margins; letter or A4 is in use."""

    def paper(id: str, name: str, width: Length, height: Length, margin: Length, use: bool) -> PrintPaper:
        return PrintPaper(id, name, width, height, Borders.even(margin), use=use)

    quarter, eighth = inches(0, 1, 4), inches(0, 1, 8)
    return PrintList(
        (
            paper("4x6", "4 × 6", inches(4), inches(6), inches(0), False),
            paper("5x7", "5 × 7", inches(5), inches(7), inches(0), False),
            paper("letter", "letter", inches(8, 1, 2), inches(11), quarter, unit is Unit.INCH),
            paper("a4", "A4", mm(210), mm(297), mm(5), unit is not Unit.INCH),
            paper("13x19", "13 × 19", inches(13), inches(19), eighth, False),
        )
    )
