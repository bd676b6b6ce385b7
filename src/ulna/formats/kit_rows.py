"""One row of a kit's table while it is read: what each cell says, what it is taken for, what is wrong with it."""

from __future__ import annotations

from collections.abc import Callable, Iterable, Sequence
from dataclasses import dataclass
from typing import TypeVar, get_args

from ulna.core.errors import LengthError
from ulna.core.geometry.figures import FIGURES
from ulna.core.measure import GAP, SIZE, SUPPLY, ZERO, Length, Range, Unit, inches, parse
from ulna.core.paper import shelf
from ulna.core.paper.colour_words import colours_in
from ulna.core.paper.patterns import PATTERNS
from ulna.core.things.thing import Drawn, Fixing, Points, Thing, ThingKind
from ulna.core.words import alphabets as letters
from ulna.core.words.alphabets import Alphabet, Material
from ulna.formats import csv_places, csv_things
from ulna.formats.csv_words import SIZE_COLUMN, pattern_said, size_in, stock_said


@dataclass(frozen=True, slots=True)
class WrongCell:
    """A cell that cannot be taken: its line in the file (the heading is line 1), its column, what was read, why."""

    line: int
    field: str
    read: str
    reason: str


@dataclass(frozen=True, slots=True)
class Taken:
    """What a cell was taken for where it is not in the words of the template."""

    line: int
    field: str
    read: str
    taken: str


_Chosen = TypeVar("_Chosen", bound=str)
_Place = TypeVar("_Place")
_Made = TypeVar("_Made")


class Row:
    """One row while it is read; what is wrong with it is gathered, not raised."""

    def __init__(self, line: int, cells: dict[str, str], unit: Unit) -> None:
        self.line, self.cells, self.unit = line, cells, unit
        self.wrong: list[WrongCell] = []
        self.taken: list[Taken] = []
        if sized := size_in(cells.get(SIZE_COLUMN, "")):
            self._take(SIZE_COLUMN, cells[SIZE_COLUMN], f"{sized[0]} wide, {sized[1]} high")
            self.cells = {"width": sized[0], "height": sized[1]} | {k: v for k, v in cells.items() if v}
        elif cells.get(SIZE_COLUMN):
            self._refuse(SIZE_COLUMN, cells[SIZE_COLUMN], "not a width and a height such as 12 x 12")
        if "" in cells:
            self._refuse("", cells[""], "more cells than there are columns")

    def paper(self, id: str) -> shelf.Paper:
        edge = self.cells.get("strip edge", "").lower()
        depth = self._length("strip depth", inches(0, 1, 2))
        width, height = self._length("width", inches(12)), self._length("height", inches(12))
        strip = None
        if edge and edge != "none":
            strip = shelf.Strip(self._choice("strip edge", shelf.Edge, shelf.Edge.BOTTOM), depth)
            if depth >= (width if strip.edge in (shelf.Edge.LEFT, shelf.Edge.RIGHT) else height):
                self._refuse("strip depth", self.cells.get("strip depth", ""), "as deep as the sheet")
        self._stock_by_kind()
        form = self._choice("kind", shelf.Form, shelf.Form.SHEET, also=tuple(ThingKind))
        if stock_word := self.cells.get("stock", ""):
            self._exchange("stock", stock_word, stock_said(stock_word, shelf.Stock), shelf.Stock)
        stock = self._choice("stock", shelf.Stock, shelf.Stock.PATTERNED)
        a, b = self._side("a"), self._side("b")
        cards = self._places("cards", csv_places.cards_in)
        holes, inside = self._places("holes", csv_places.holes_in), self._places("shape", csv_places.holes_in)
        if len(inside) > 1:
            self._refuse("shape", self.cells["shape"], "more than one; write the one that the scrap has")
        return shelf.Paper(
            id, self._name(), width, height, self._count(), stock, form, a, b, strip,
            cards=cards, holes=holes, inside=inside[0] if inside else None,
            pile=self._said("pile", shelf.PILES, "not sorted"), up=self._said("side up", ("A", "B"), "A"),
        )  # fmt: skip

    def read(self, id: str) -> shelf.Paper | Thing | Alphabet:
        """What the row is: an alphabet where its letters are counted, a thing where it is of a kind of things."""
        kind = self.cells.get("kind", "").lower()
        if kind == ThingKind.ALPHABET and self.cells.get("letters"):
            return self.alphabet(id)
        return self.thing(id) if kind in set(ThingKind) else self.paper(id)

    def thing(self, id: str) -> Thing:
        kind = self._choice("kind", ThingKind, ThingKind.OTHER)
        return Thing(
            id, self._name(), kind, self._count(), self._length("length", ZERO, SUPPLY) or None,
            self.cells.get("note", "")[:500],
            width=self._length("width", ZERO) or None, height=self._length("height", ZERO) or None,
            figure=self._said("figure", FIGURES, ""),
            outline=self._made("outline", lambda said, _: csv_things.corners_in(said), ()),
            thickness=self._length("thickness", ZERO, GAP),
            colours=self._colours("a colours") if self.cells.get("a colours") else (),
            drawn=self._said("drawn", get_args(Drawn), ""), says=self._text("says", 120),
            points=self._said("points", get_args(Points), ""),
            fixing=self._said("fixing", get_args(Fixing), "own adhesive"),
            clear=self._yes("clear"), rim=self._yes("rim"), each=self._count("each", 1, 1_000),
        )  # fmt: skip

    def alphabet(self, id: str) -> Alphabet:
        colours = self._colours("a colours") if self.cells.get("a colours") else ("#2b3138",)
        return Alphabet(
            id, self._name(), self._length("height", inches(1)), self._text("letters", 2_000),
            self._count("count", 0, 100), face=self._text("face", 80) or "plain",
            measured=self._made("measured", csv_things.measured_in, ()),
            material=self._said("material", get_args(Material), "flat sticker"),
            thickness=self._length("thickness", ZERO, GAP),
            fixing=self._said("fixing", get_args(letters.Fixing), "own adhesive"), colour=colours[0],
        )  # fmt: skip

    def _text(self, field: str, most: int) -> str:
        read = self.cells.get(field, "")
        if len(read) > most:
            self._refuse(field, read, f"longer than {most} characters")
        return read[:most]

    def _yes(self, field: str) -> bool:
        return self._said(field, (csv_things.YES, csv_things.NO), csv_things.NO) == csv_things.YES

    def _made(self, field: str, read: Callable[[str, Unit], _Made], usual: _Made) -> _Made:
        """What a cell says that is made of several numbers."""
        try:
            return read(self.cells.get(field, ""), self.unit)
        except (csv_things.NotSaid, LengthError) as error:
            self._refuse(field, self.cells[field], str(error))
            return usual

    def _name(self) -> str:
        name = self.cells.get("name", "")
        if not name:
            self._refuse("name", "", "a name must be there")
        elif len(name) > 120:
            self._refuse("name", name, "longer than 120 characters")
        return name

    def _count(self, field: str = "count", least: int = 0, most: int = 10_000) -> int:
        read = self.cells.get(field, "")
        if not read:
            return 1
        if not (read.isascii() and read.isdigit()) or not least <= int(read) <= most:
            self._refuse(field, read, f"not a whole number from {least} to {most}")
            return 1
        return int(read)

    def _length(self, field: str, usual: Length, allowed: Range = SIZE) -> Length:
        read = self.cells.get(field, "")
        if not read:
            return usual
        try:
            return allowed.check(parse(read, self.unit), read)
        except LengthError as error:
            self._refuse(field, read, f"{error.problem}; {error.advice}")
            return usual or inches(1)

    def _places(self, field: str, read: Callable[[str, Unit], tuple[_Place, ...]]) -> tuple[_Place, ...]:
        try:
            return read(self.cells.get(field, ""), self.unit)
        except csv_places.NoPlace as error:
            self._refuse(field, self.cells[field], str(error))
            return ()

    def _choice(self, field: str, kinds: type[_Chosen], usual: _Chosen, also: tuple[str, ...] = ()) -> _Chosen:
        read = self.cells.get(field, "")
        if not read:
            return usual
        known: dict[str, _Chosen] = {str(k): k for k in kinds}  # type: ignore[attr-defined]
        if read.lower() in known:
            return known[read.lower()]
        self._refuse(field, read, f"not one of {', '.join((*known, *also))}")
        return usual

    def _said(self, field: str, known: Sequence[_Chosen], usual: _Chosen) -> _Chosen:
        read = self.cells.get(field, "")
        found = next((one for one in known if one.lower() == read.lower()), None)
        if read and found is None:
            self._refuse(field, read, f"not one of {', '.join(known)}")
        return found or usual

    def _side(self, side: str) -> shelf.Side:
        written = self.cells.get(f"{side} pattern", "")
        if written:
            self._exchange(f"{side} pattern", written, pattern_said(written, PATTERNS), PATTERNS)
            if not self.cells.get(f"{side} colours") and (found := colours_in(written)[0]):  # "blue dots"
                self._take(f"{side} colours", written, " ".join(found))
                self.cells = self.cells | {f"{side} colours": " ".join(found)}
                if self.cells[f"{side} pattern"] == written and written.lower() not in PATTERNS:
                    self.cells = self.cells | {f"{side} pattern": "plain"}
        name = self.cells.get(f"{side} pattern", "").lower() or "plain"
        if name not in PATTERNS:
            self._refuse(f"{side} pattern", name, f"not one of {', '.join(PATTERNS)}")
            name = "plain"
        usual = PATTERNS[name]
        colours = self._colours(f"{side} colours")
        busy = self.cells.get(f"{side} busy", "")
        if busy not in ("", "0", "1", "2", "3"):
            self._refuse(f"{side} busy", busy, "not 0, 1, 2 or 3")
            busy = ""
        direction = self._choice(f"{side} direction", shelf.Direction, usual.direction)
        scale = self._length(f"{side} scale", usual.scale)
        return shelf.Side(name, colours, int(busy) if busy else usual.busy, direction, scale)

    def _colours(self, field: str) -> tuple[str, ...]:
        read = self.cells.get(field, "")
        words = read.lower().replace(",", " ").split() or ["#ffffff"]
        colours = tuple(_colour(word) for word in words)
        if len(colours) <= 5 and "" not in colours:
            return colours
        found, unknown = colours_in(read)
        if not found:
            told = "not one to five colours such as #a5312b or navy"
            self._refuse(field, read, told)
            return ("#ffffff",)
        self._take(field, read, " ".join(found) + (f", without {' '.join(unknown)}" if unknown else ""))
        return found

    def _stock_by_kind(self) -> None:
        """A table that says "cardstock" where the kind is asked says what stock it is."""
        kind = self.cells.get("kind", "")
        if not kind or kind.lower() in (*shelf.Form, *ThingKind):
            return
        stock = stock_said(kind, shelf.Stock)
        if stock and not self.cells.get("stock"):
            self._take("kind", kind, f"a sheet, {stock}")
            self.cells = self.cells | {"kind": "", "stock": stock}

    def _exchange(self, field: str, read: str, meant: str, known: Iterable[str]) -> None:
        """Takes a cell for what it means where it is not said as the template has it."""
        if meant and read.lower() not in [str(one) for one in known]:
            self._take(field, read, meant)
            self.cells = self.cells | {field: meant}

    def _take(self, field: str, read: str, taken: str) -> None:
        self.taken.append(Taken(self.line, field, read[:80], taken))

    def _refuse(self, field: str, read: str, reason: str) -> None:
        self.wrong.append(WrongCell(self.line, field, read[:80], reason))


def _colour(word: str) -> str:
    """A colour as #rrggbb, empty where the word is none."""
    from PIL import ImageColor  # slow to import

    try:
        return "#{:02x}{:02x}{:02x}".format(*ImageColor.getrgb(word)[:3])
    except ValueError:
        return ""
