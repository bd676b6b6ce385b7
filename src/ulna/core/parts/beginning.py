"""How new parts, prints and mats begin: what is usual where nothing is said yet, on the marks of each unit."""

from __future__ import annotations

from dataclasses import dataclass

from ulna.core.measure import ZERO, Length, Unit, inches, mm, round_to
from ulna.core.parts.pieces import PaperChoice
from ulna.core.photos.prints import Print
from ulna.core.rules import USUAL as USUAL_RULES
from ulna.core.rules import Rules

MARK = {Unit.INCH: inches(0, 1, 16), Unit.MM: mm(1)}
"""Marks that every ruler of the unit has, or can be set to between two."""


@dataclass(frozen=True, slots=True)
class UsualGaps:
    """Borders and gaps from wide to narrow, the lap of a gutted mat, and a print's size."""

    wide: Length
    border: Length
    narrow: Length
    lap: Length
    print: tuple[Length, Length]


USUAL = {
    Unit.INCH: UsualGaps(
        inches(0, 1, 2), inches(0, 1, 4), inches(0, 1, 8), inches(0, 3, 8), (inches(4), inches(6))
    ),
    Unit.MM: UsualGaps(mm(12), mm(6), mm(3), mm(10), (mm(100), mm(150))),
}


def usual(unit: Unit) -> UsualGaps:
    """Those who measure in centimetres have what is usual in millimetres."""
    return USUAL[Unit.INCH if unit is Unit.INCH else Unit.MM]


@dataclass(frozen=True, slots=True)
class Beginning:
    """Where something begins: the person's unit, one page of the format, and the rules of the house."""

    unit: Unit
    width: Length
    height: Length
    rules: Rules = USUAL_RULES

    @property
    def usual(self) -> UsualGaps:
        return usual(self.unit)

    def of(self, whole: int, numerator: int = 0, denominator: int = 1) -> Length:
        """So many inches, on the nearest of the unit's marks."""
        return self.rounded(inches(whole, numerator, denominator))

    def share(self, percent: int, most: int) -> Length:
        """A share of the page's shorter side, and never more than so many inches, on marks."""
        return self.rounded(min(inches(most), min(self.width, self.height).part(percent, 100)))

    def rounded(self, length: Length) -> Length:
        """On the nearest of the unit's marks."""
        return round_to(length, MARK[Unit.INCH if self.unit is Unit.INCH else Unit.MM])

    @property
    def print(self) -> Print:
        """A print without a photo: the usual size, nothing cut off; with a narrow rim where the house has rims."""
        return Print(width=self.usual.print[0], height=self.usual.print[1], rim=rim(self.rules, self.unit))


def rim(rules: Rules, unit: Unit) -> Length:
    """The white rim of a new print: a narrow one where the house has rims."""
    return usual(unit).narrow if rules.rims == "white" else ZERO


def unchosen(n: int) -> tuple[PaperChoice, ...]:
    """So many papers that are not chosen yet."""
    return (PaperChoice(),) * n
