"""Lengths, marks and units.

A length is a whole number of 1/914400 inch, in which both 1/32 in (28 575) and 0.01 mm (360) are whole:
adding, doubling and converting lose nothing. What halving or dividing cannot hold is rounded to a mark.
"""

from __future__ import annotations

import math
import re
from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from functools import lru_cache
from typing import Final, Literal

from ulna.core.errors import LengthError

PER_INCH: Final = 914_400
PER_MM: Final = 36_000


class Unit(StrEnum):
    """A unit that lengths are written in; people choose `in` or `mm`, and write `cm` too."""

    INCH = "in"
    MM = "mm"
    CM = "cm"

    @property
    def units(self) -> int:
        """1/914400 in that one of it holds."""
        return {Unit.INCH: PER_INCH, Unit.MM: PER_MM, Unit.CM: 10 * PER_MM}[self]


@dataclass(frozen=True, order=True, slots=True)
class Length:
    """A signed length of `units` / 914400 inch. Lengths add, take a whole multiple and give a ratio."""

    units: int

    def __add__(self, other: Length) -> Length:
        return Length(self.units + other.units)

    def __sub__(self, other: Length) -> Length:
        return Length(self.units - other.units)

    def __neg__(self) -> Length:
        return Length(-self.units)

    def __abs__(self) -> Length:
        return Length(abs(self.units))

    def __mul__(self, times: int) -> Length:
        if not isinstance(times, int):
            return NotImplemented
        return Length(self.units * times)

    __rmul__ = __mul__

    def __floordiv__(self, other: Length) -> int:
        if not isinstance(other, Length):
            return NotImplemented
        return self.units // other.units

    def __truediv__(self, other: Length) -> Fraction:
        if not isinstance(other, Length):
            return NotImplemented
        return Fraction(self.units, other.units)

    def __bool__(self) -> bool:
        return self.units != 0

    @property
    def inches(self) -> float:
        """The nearest binary number of inches: for drawing alone, never for comparing."""
        return self.units / PER_INCH

    def part(self, numerator: int, denominator: int) -> Length:
        """This length times a fraction, to the nearest unit (1/914400 in), halves upward."""
        return Length((2 * self.units * numerator + denominator) // (2 * denominator))


ZERO: Final = Length(0)


def inches(whole: int, numerator: int = 0, denominator: int = 1) -> Length:
    """`inches(4, 1, 4)` is 4 1/4 in. The fraction must be one that units hold."""
    value = Fraction(PER_INCH) * (whole + Fraction(numerator, denominator))
    if value.denominator != 1:
        raise LengthError(f"{whole} {numerator}/{denominator} in", "finer than 1/914400 in")
    return Length(int(value))


def length_of(drawn: float) -> Length:
    """Inches as they are drawn, as a length: to the nearest unit, on no mark."""
    return Length(round(drawn * PER_INCH))


def mm(value: int) -> Length:
    """`mm(108)` is 108 mm."""
    return Length(value * PER_MM)


# ---- reading ---------------------------------------------------------------------------------------

_FRACTION_SIGNS = {
    "½": "1/2", "⅓": "1/3", "⅔": "2/3", "¼": "1/4", "¾": "3/4", "⅕": "1/5", "⅖": "2/5", "⅗": "3/5", "⅘": "4/5",
    "⅙": "1/6", "⅚": "5/6", "⅛": "1/8", "⅜": "3/8", "⅝": "5/8", "⅞": "7/8",
}  # fmt: skip
_UNIT_WORDS = {
    '"': Unit.INCH, "''": Unit.INCH, "in": Unit.INCH, "in.": Unit.INCH, "inch": Unit.INCH, "inches": Unit.INCH,
    "mm": Unit.MM, "mm.": Unit.MM, "millimetre": Unit.MM, "millimetres": Unit.MM,
    "cm": Unit.CM, "cm.": Unit.CM, "centimetre": Unit.CM, "centimetres": Unit.CM,
}  # fmt: skip
_FEET = {"'", "ft", "ft.", "foot", "feet"}
_NUMBER = re.compile(
    r"(?P<whole>\d+(?:[.,]\d*)?|[.,]\d+)?"
    r"(?:(?P<join>\s*-\s*|\s+)?(?P<top>\d+)\s*/\s*(?P<bottom>\d*))?"
)


@lru_cache(maxsize=4096)
def parse(text: str, unit: Unit = Unit.INCH) -> Length:
    """The length that a person wrote; `unit` is meant where none is written.

    Reads `4 1/4`, `4-1/4`, `4¼`, `4.25`, `4,25`, `1/2`, `½ in`, `4 1/4"`, `4 1/4''`, `108 mm`, `10.8cm`, and a
    leading minus. A decimal is taken to the nearest 1/914400 in. Raises `LengthError` for everything else.
    """
    value, written = _read(text)
    return Length(_units(value * (written or unit).units))


def unit_written(text: str, unit: Unit = Unit.INCH) -> Unit:
    """The unit that stands in a text, else the one that is meant. Raises `LengthError` as `parse` does."""
    return _read(text)[1] or unit


def unit_named(word: str) -> Unit:
    """A unit by its word, such as in, inches or mm. Raises `LengthError`."""
    try:
        return _UNIT_WORDS[word.strip().lower()]
    except KeyError:
        raise LengthError(word, "no unit that is known", advice="write in, mm or cm") from None


def _read(read: str) -> tuple[Fraction, Unit | None]:
    clean = read.strip().lower().replace("⁄", "/").replace("″", '"').replace("”", '"').replace("“", '"')
    clean = clean.replace("’", "'").replace("′", "'").replace("–", "-").replace("\u00a0", " ")
    if not clean:
        raise LengthError(read, "nothing is written")
    if len(clean) > 60:
        raise LengthError(read, "too long to be a length")
    sign = -1 if clean[0] in "-−" else 1
    body = clean[1:].strip() if clean[0] in "-−+" else clean
    for glyph, plain in _FRACTION_SIGNS.items():
        body = re.sub(rf"(?<=\d)\s*{glyph}", f" {plain}", body).replace(glyph, plain)
    # A fraction alone would let its top be read as the whole number, so it is tried first.
    alone = re.match(r"(?P<top>\d+)\s*/\s*(?P<bottom>\d*)", body)
    found = alone or _NUMBER.match(body)
    if not found or not found.group().strip():
        raise LengthError(read, "no number is written")
    value = _number(read, found.groupdict())
    return sign * value, _unit_of(read, body[found.end() :].strip())


def _number(read: str, parts: dict[str, str | None]) -> Fraction:
    whole = (parts.get("whole") or "0").replace(",", ".")
    if whole.startswith("."):
        whole = "0" + whole
    value = Fraction(whole.rstrip("."))
    if parts.get("top") is not None:
        fraction = re.search(r"\d+\s*[/⁄]", read)
        position = fraction.start() + 1 if fraction else None
        if not parts["bottom"] or int(parts["bottom"]) == 0:
            raise LengthError(read, "a fraction over nothing", position)
        if "." in whole:
            raise LengthError(read, "a decimal and a fraction together", position)
        value += Fraction(int(parts["top"] or 0), int(parts["bottom"]))
    return value


def _unit_of(read: str, tail: str) -> Unit | None:
    """The unit that follows the number, None where nothing does."""
    if not tail:
        return None
    if tail in _UNIT_WORDS:
        return _UNIT_WORDS[tail]
    if tail in _FEET or re.match(r"('(?!')|ft|feet|foot)", tail):
        raise LengthError(read, "feet are not read", advice="write the inches, for example 12 in")
    position = read.lower().rfind(tail)
    what = f'"{tail[:12]}" is no unit' if tail[:1].isalpha() else f'"{tail[:12]}" cannot be read'
    raise LengthError(read, what, position + 1 if position >= 0 else None)


def _units(value: Fraction) -> int:
    return (2 * value.numerator + value.denominator) // (2 * value.denominator)


# ---- writing ---------------------------------------------------------------------------------------


@lru_cache(maxsize=65536)
def text(length: Length) -> str:
    """The exact length as text with its unit, as files keep it; `parse(text(x)) == x` always.

    Inches in a fraction of up to 32nds where that is exact, else millimetres to 0.01, else decimal inches.
    """
    units = length.units
    if units % (PER_INCH // 32) == 0:
        return _mixed(Fraction(units, PER_INCH)) + " in"
    if units % 360 == 0:
        return _decimal(Fraction(units, PER_MM), 2) + " mm"
    return _decimal(Fraction(units, PER_INCH), 7) + " in"


def _mixed(value: Fraction) -> str:
    sign, value = ("-", -value) if value < 0 else ("", value)
    whole, rest = divmod(value.numerator, value.denominator)
    if not rest:
        return f"{sign}{whole}"
    fraction = f"{rest}/{value.denominator}"
    return f"{sign}{whole} {fraction}" if whole else f"{sign}{fraction}"


def _decimal(value: Fraction, places: int) -> str:
    scaled = _units(abs(value) * 10**places)
    whole, rest = divmod(scaled, 10**places)
    digits = f"{rest:0{places}d}".rstrip("0")
    sign = "-" if value < 0 and scaled else ""
    return f"{sign}{whole}.{digits}" if digits else f"{sign}{whole}"


def decimal(length: Length, unit: Unit) -> str:
    """The length as a decimal number of a unit, to six places: what a spreadsheet can add up."""
    return _decimal(Fraction(length.units, unit.units), 6)


def in_unit(length: Length, unit: Unit) -> tuple[str, bool]:
    """The length in a unit with as many decimals or as fine a fraction as it needs, and whether it is exact."""
    value = Fraction(length.units, unit.units)
    if unit is Unit.INCH and value.denominator in (1, 2, 4, 8, 16, 32):
        return f"{_mixed(value)} in", True
    shown = _decimal(value, 6)
    return f"{shown} {unit}", Fraction(shown) == value


# ---- ranges ----------------------------------------------------------------------------------------


@dataclass(frozen=True, slots=True)
class Range:
    """Which lengths a field takes, both ends included."""

    name: str
    least: Length
    most: Length

    def check(self, length: Length, read: str | None = None) -> Length:
        """The same length. Raises `LengthError` outside the range."""
        if self.least <= length <= self.most:
            return length
        if length > self.most:
            problem, advice = "longer than can be used", f"write at most {text(self.most)}"
        elif length.units < 0 <= self.least.units:
            problem, advice = "less than nothing", f"write {text(self.least)} or more"
        elif length.units == 0:
            problem, advice = "nothing at all", f"write at least {text(self.least)}"
        else:
            problem, advice = "too small to be cut", f"write at least {text(self.least)}"
        raise LengthError(read if read is not None else text(length), problem, advice=advice)


LONGEST: Final = inches(120)
SIZE: Final = Range("size", inches(0, 1, 16), LONGEST)
PAGE_SIZE: Final = Range("page size", inches(1), LONGEST)
GAP: Final = Range("gap", ZERO, LONGEST)
OFFSET: Final = Range("offset", -LONGEST, LONGEST)
SUPPLY: Final = Range("supply", inches(0, 1, 16), inches(4000))
RANGES: Final = {r.name: r for r in (SIZE, PAGE_SIZE, GAP, OFFSET, SUPPLY)}

# ---- marks -----------------------------------------------------------------------------------------

MarkName = Literal["1/8 in", "1/16 in", "1/32 in", "1 mm", "0.5 mm"]
MARKS: Final[dict[MarkName, Length]] = {
    "1/8 in": Length(PER_INCH // 8),
    "1/16 in": Length(PER_INCH // 16),
    "1/32 in": Length(PER_INCH // 32),
    "1 mm": Length(PER_MM),
    "0.5 mm": Length(PER_MM // 2),
}


def round_to(length: Length, mark: Length) -> Length:
    """The nearest multiple of a mark, halves away from zero so that left and right agree.

    Raises `LengthError` for a mark of nothing or less.
    """
    if mark <= ZERO:
        raise LengthError(text(mark), "a mark is more than nothing", advice="write for example 1/16 in or 1 mm")
    sign = -1 if length.units < 0 else 1
    return Length(sign * ((2 * abs(length.units) + mark.units) // (2 * mark.units)) * mark.units)


@dataclass(frozen=True, slots=True)
class Shown:
    """A length as a person reads it, and whether it was rounded to the mark to show it."""

    text: str
    rounded: bool


@dataclass(frozen=True, slots=True)
class Ruler:
    """A person's unit and finest mark: what numbers are shown in and what cuts are set to."""

    unit: Unit = Unit.INCH
    mark: Length = MARKS["1/16 in"]

    def round(self, length: Length) -> Length:
        """The nearest of the person's marks."""
        return round_to(length, self.mark)

    def on_mark(self, length: Length) -> bool:
        return length.units % self.mark.units == 0

    def show(self, length: Length) -> Shown:
        """In the person's unit to the finest mark, a fraction in lowest terms; no unit word."""
        return _shown(self, length)

    def say(self, length: Length) -> str:
        """As `show`, in one text: `~` before what was rounded."""
        shown = self.show(length)
        return ("~ " if shown.rounded else "") + shown.text

    def say_size(self, width: Length, height: Length) -> str:
        """Width and height, as in 4 1/4 × 6 1/4."""
        return f"{self.say(width)} × {self.say(height)}"

    def up(self, drawn: float) -> Length:
        """The first mark that is not below so many inches, as drawn; what is a hair above a mark is on it."""
        return self.mark * math.ceil(drawn / self.mark.inches - 1e-6)

    def down(self, drawn: float) -> Length:
        """The last mark that is not above so many inches, as drawn."""
        return self.mark * math.floor(drawn / self.mark.inches + 1e-6)

    def near(self, drawn: float) -> Length:
        """The nearest mark to so many inches, as drawn."""
        return self.round(Length(round(drawn * PER_INCH)))

    def step(self, length: Length, marks: int) -> Length:
        """`marks` marks further, from the next mark in that direction where the length is on none."""
        floor = length.units // self.mark.units
        if not self.on_mark(length) and marks < 0:
            floor += 1
        return Length((floor + marks) * self.mark.units)


@lru_cache(maxsize=65536)
def _shown(ruler: Ruler, length: Length) -> Shown:
    near = ruler.round(length)
    if ruler.unit is Unit.INCH:
        return Shown(_mixed(Fraction(near.units, PER_INCH)), near != length)
    return Shown(_decimal(Fraction(near.units, ruler.unit.units), 3), near != length)
