"""What there is to make pages from: kits, papers with two sides, things, scraps."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from dataclasses import dataclass, field, replace
from enum import StrEnum
from fractions import Fraction
from functools import cached_property
from itertools import count, pairwise
from typing import Annotated, Literal

from ulna.core.errors import NotOnShelf
from ulna.core.geometry.figures import Hole
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, text
from ulna.core.ranges import Colour, Gap, Id, Many, Size, Text, Title, Whole, Within
from ulna.core.rules import Rules
from ulna.core.things.thing import Thing, Traced
from ulna.core.words.alphabets import Alphabet, Letters, there

Face = Literal["A", "B"]
Pile = Literal["not sorted", "likely", "another story", "not this time"]
PILES: tuple[Pile, ...] = ("likely", "not sorted", "another story", "not this time")
"""Where a sheet is put while the box is gone through, in the order in which they are looked at later."""


class Stock(StrEnum):
    """What a sheet is made of."""

    PATTERNED = "patterned"
    CARD = "card stock"
    VELLUM = "vellum"


class Form(StrEnum):
    """How a sheet comes: whole, from a pad of smaller ones, or as what earlier cutting left."""

    SHEET = "sheet"
    PAD = "pad"
    SCRAP = "scrap"


class Direction(StrEnum):
    """Which way up a side may lie: any; one way, like houses or words; two ways, like stripes."""

    NONE = "none"
    ONE_WAY = "one-way"
    TWO_WAY = "two-way"


class Edge(StrEnum):
    LEFT = "left"
    TOP = "top"
    RIGHT = "right"
    BOTTOM = "bottom"


@dataclass(frozen=True, slots=True)
class Side:
    """One side of a sheet as it looks.

    `colours` has one to five, the leading one first, as `#rrggbb`; `busy` is 0 plain, 1 quiet, 2 lively, 3 busy;
    `scale` is the repeat of the pattern. `picture` names a straightened photograph of the sheet, shown in place
    of the drawn pattern.
    """

    pattern: str = "plain"
    colours: Annotated[tuple[Colour, ...], Many(5, 1)] = ("#f4efe4",)
    busy: Annotated[int, Whole(0, 3)] = 0
    direction: Direction = Direction.NONE
    scale: Gap = ZERO
    picture: str | None = None


Stocked = Annotated[int, Whole(0, 10_000)]
OnSheet = Annotated[Rect, Within("OnSheet", {"x": Gap, "y": Gap, "width": Size, "height": Size})]
"""A rectangle on a sheet, from its top left corner as it is looked at."""
HoleOnSheet = Annotated[
    Hole,
    Within(
        "HoleOnSheet",
        {
            "width": Size,
            "height": Size,
            "cut": Gap,
            "clipped": Annotated[tuple[tuple[float, float], ...], Many(400)],
            "quarters": Annotated[int, Whole(0, 3)],
        },
    ),
]
"""A hole of a figure in a box on a sheet, as seen from the A side."""


@dataclass(frozen=True, slots=True)
class Strip:
    """The maker's branding strip along one edge, as seen from the A side. It is cut off before all else."""

    edge: Edge
    depth: Size

    def rect(self, width: Length, height: Length) -> Rect:
        """Where it is on a sheet of that size."""
        if self.edge in (Edge.LEFT, Edge.RIGHT):
            return Rect(ZERO if self.edge is Edge.LEFT else width - self.depth, ZERO, self.depth, height)
        return Rect(ZERO, ZERO if self.edge is Edge.TOP else height - self.depth, width, self.depth)

    def leaves(self, width: Length, height: Length) -> Rect:
        """The sheet less the strip."""
        if self.edge in (Edge.LEFT, Edge.RIGHT):
            return Rect(self.depth if self.edge is Edge.LEFT else ZERO, ZERO, width - self.depth, height)
        return Rect(ZERO, self.depth if self.edge is Edge.TOP else ZERO, width, height - self.depth)

    def seen_from(self, face: Face) -> Strip:
        """The same strip as it is seen from a side."""
        other = {Edge.LEFT: Edge.RIGHT, Edge.RIGHT: Edge.LEFT}
        return self if face == "A" else Strip(other.get(self.edge, self.edge), self.depth)


@dataclass(frozen=True, slots=True)
class CardLines:
    """The lines that a card is printed with, as measured on it once: the `first` one from its top, how far they are
    `apart`, and from where to where one writes, counted from its left and right edge."""

    first: Size
    apart: Size
    left: Gap = ZERO
    right: Gap = ZERO


@dataclass(frozen=True, slots=True)
class Card:
    """A card, a motif or a phrase that is printed at a place of a sheet, as seen from the side that it is on, and the
    lines to write on that it has. A motif is cut along its `outline`, in inches from the corner of its place. What its
    printed `words` say may stay, or is to be covered or cut off."""

    name: Title
    at: OnSheet
    side: Face = "A"
    lines: CardLines | None = None
    outline: Traced = ()
    words: Literal["kept", "covered", "cut off"] = "kept"


@dataclass(frozen=True, slots=True)
class Paper:
    """So many sheets of one paper. `scrap_of` names the paper that a scrap was cut from.

    `cards` are what a cut-apart sheet is printed with. `holes` are what is cut out of it already, as seen from the A
    side; nothing is cut there. A scrap that is no rectangle came out of a hole: what is `inside` that is paper; the
    hole may reach beyond what is left of the scrap. `pile` and `up` say where it was put when the box was sorted, and
    with which side up.
    """

    id: Id
    name: Title
    width: Size
    height: Size
    count: Stocked = 1
    stock: Stock = Stock.PATTERNED
    form: Form = Form.SHEET
    a: Side = field(default_factory=Side)
    b: Side = field(default_factory=Side)
    strip: Strip | None = None
    scrap_of: str | None = None
    cards: Annotated[tuple[Card, ...], Many(100)] = ()
    holes: Annotated[tuple[HoleOnSheet, ...], Many(50)] = ()
    inside: HoleOnSheet | None = None
    pile: Pile = "not sorted"
    up: Face = "A"

    def face(self, face: Face) -> Side:
        return self.a if face == "A" else self.b

    @property
    def usable(self) -> Rect:
        """The sheet, from its A side, less its branding strip."""
        if self.strip is None:
            return Rect(ZERO, ZERO, self.width, self.height)
        return self.strip.leaves(self.width, self.height)

    @property
    def area(self) -> Fraction:
        """The paper of one sheet in units squared: without what is cut out of it already."""
        return paper_in(Rect(ZERO, ZERO, self.width, self.height), self.inside, self.holes)

    @property
    def is_scrap(self) -> bool:
        return self.form is Form.SCRAP


def cards_in_rows(paper: Paper, rows: int, columns: int, side: Face = "A") -> tuple[Card, ...]:
    """The cards of a sheet that is printed with so many rows of so many equal ones: they share out what the branding
    strip leaves, as it is seen from that side, row by row, and are called by their number after those there are."""
    strip = paper.strip.seen_from(side) if paper.strip else None
    room = strip.leaves(paper.width, paper.height) if strip else Rect(ZERO, ZERO, paper.width, paper.height)
    xs = [room.x + room.width.part(k, columns) for k in range(columns + 1)]
    ys = [room.y + room.height.part(k, rows) for k in range(rows + 1)]
    taken = {card.name for card in paper.cards}
    names = (str(n) for n in count(1) if str(n) not in taken)
    return tuple(
        Card(next(names), Rect(x, y, right - x, bottom - y), side)
        for y, bottom in pairwise(ys)
        for x, right in pairwise(xs)
    )


def paper_in(at: Rect, inside: Hole | None, holes: Iterable[Hole]) -> Fraction:
    """How much paper there is in a part of a sheet, in units squared: what is inside, less what is a hole already."""
    there = Fraction(at.area) if inside is None else inside.units_in(at)
    return there - sum((hole.units_in(at) for hole in holes), Fraction(0))


def seen_from(hole: Hole, width: Length, face: Face) -> Hole:
    """A hole of a sheet of that width, given as seen from A, as it is seen from a side; and the other way round. All
    figures are their own mirror images, so one that stands upright stays."""
    if face == "A":
        return hole
    clipped = tuple((width.inches - x, y) for x, y in reversed(hole.clipped))
    return replace(hole, x=width - hole.at.right, clipped=clipped, quarters=-hole.quarters % 4)


MOST_PAPERS = 500


@dataclass(frozen=True, slots=True)
class Kit:
    """`kind` says where it stands: a club's kit, what was there before, or what earlier cutting left."""

    name: Title
    kind: Literal["kit", "stash", "scraps"] = "kit"
    note: Annotated[str, Text(2_000)] = ""
    papers: Annotated[tuple[Paper, ...], Many(MOST_PAPERS)] = ()
    things: Annotated[tuple[Thing, ...], Many(MOST_PAPERS)] = ()
    alphabets: Annotated[tuple[Alphabet, ...], Many(100)] = ()
    rules: Rules = Rules()


def faults_of(paper: Paper) -> str:
    """What is wrong with a paper as a whole: cards and holes lie on the sheet (a hole that cutting went through may
    reach beyond a scrap), and of two cards with one name the first counts, so each has its own."""
    at: list[tuple[str, Rect | Hole]] = [(f"card {card.name}", card.at) for card in paper.cards]
    at += [("hole", hole) for hole in paper.holes if paper.scrap_of is None]
    for what, one in at:
        if min(one.x, one.y) < ZERO or one.x + one.width > paper.width or one.y + one.height > paper.height:
            size = f"{text(paper.width)} × {text(paper.height)}"
            return f"{what} reaches beyond the sheet, which is {size}; move it in or make it smaller"
    names = [card.name for card in paper.cards]
    twice = next((name for name in names if names.count(name) > 1), None)
    return "" if twice is None else f'two cards are called "{twice}"; give each its own name'


@dataclass(frozen=True)
class Shelf:
    """All the papers, things and alphabets there are, by id; `letters_left` is what other pages leave of those, and
    `things_left`, `lengths_left` of things that are counted and of those that go by length."""

    papers: Mapping[str, Paper] = field(default_factory=dict)
    things: Mapping[str, Thing] = field(default_factory=dict)
    alphabets: Mapping[str, Alphabet] = field(default_factory=dict)
    letters_left: Mapping[str, Letters] = field(default_factory=dict)
    things_left: Mapping[str, int] = field(default_factory=dict)
    lengths_left: Mapping[str, Length] = field(default_factory=dict)

    @classmethod
    def of(
        cls,
        papers: list[Paper],
        things: Iterable[Thing] = (),
        alphabets: Iterable[Alphabet] = (),
        letters_left: Mapping[str, Letters] | None = None,
    ) -> Shelf:
        """Without `letters_left` no page has taken any."""
        known = {one.id: one for one in alphabets}
        all_there = {id: there(one) for id, one in known.items()}
        stuck_on = {thing.id: thing for thing in things}
        return cls(
            {paper.id: paper for paper in papers},
            stuck_on,
            known,
            all_there if letters_left is None else letters_left,
            {id: one.there for id, one in stuck_on.items()},
            {id: one.length * one.count for id, one in stuck_on.items() if one.length is not None},
        )

    def paper(self, id: str) -> Paper:
        """Raises `NotOnShelf`."""
        try:
            return self.papers[id]
        except KeyError:
            raise NotOnShelf("paper", id) from None

    @cached_property
    def _scraps(self) -> dict[str, list[str]]:
        found: dict[str, list[str]] = {}
        for paper in self.papers.values():
            if paper.scrap_of and paper.count:
                found.setdefault(paper.scrap_of, []).append(paper.id)
        return found

    def sources(self, id: str) -> list[str]:
        """The sheets that a piece of this paper may come from: its scraps first, then itself."""
        return [*self._scraps.get(id, []), id]
