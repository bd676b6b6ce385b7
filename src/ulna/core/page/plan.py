"""The recipe of a page."""

from __future__ import annotations

from collections import Counter
from collections.abc import Mapping
from dataclasses import dataclass, replace
from typing import Annotated, ClassVar

from ulna.core.errors import NotOnShelf
from ulna.core.measure import ZERO, Length
from ulna.core.page_formats import PageFormat, of_kind
from ulna.core.parts.edge_work import EdgeWork
from ulna.core.parts.inside import every
from ulna.core.parts.kind import Taking
from ulna.core.parts.kinds import Part, is_placed, traits
from ulna.core.parts.kinds.words import Words
from ulna.core.photos.prints import Print
from ulna.core.ranges import Id, Many, Text, Title, Whole
from ulna.core.rules import Rules

MOST_PARTS = 400


@dataclass(frozen=True, slots=True)
class Group:
    """Parts, by their ids, that move, copy, mirror and repeat together."""

    id: Id
    name: Title = "group"
    parts: Annotated[tuple[Id, ...], Many(MOST_PARTS)] = ()


@dataclass(frozen=True, slots=True)
class Gutting:
    """What a person has said of the hidden middle of one piece: cut it out, or leave it."""

    piece: Annotated[str, Text(200, 1)]
    gut: bool


@dataclass(frozen=True, slots=True)
class Keep:
    """So many sheets of a paper are kept back for this page: no other one may open them."""

    paper: Annotated[str, Text(200, 1)]
    count: Annotated[int, Whole(1, 10000)] = 1


@dataclass(frozen=True, slots=True)
class PutAside:
    """What a person likes as it is: findings of that code, of one part or of the page."""

    code: Annotated[str, Text(40, 1)]
    part: Annotated[str, Text(80)] = ""


@dataclass(frozen=True, slots=True)
class Tuck:
    """The edge of a part is slipped under another one, which is only tacked in its middle till then."""

    part: Id
    under: Id


@dataclass(frozen=True, slots=True)
class PagePlan:
    """The recipe of a page: what it is called, its format, its story, and its parts from underneath upward. Words that
    tell the page's story have its text, whatever they had, those of a series that of the first of them.

    `gutting` has the pieces for which the house rule of gutting does not count; `keeps` are the sheets that are kept
    back for it; `edges` are worked before their pieces are glued, `tucks` slip parts under others; findings put
    `aside` are counted, not told; `rules` are its own;
    `book` names the notebook that a spread is of, where there are several; `waits_for` is why it was set aside.
    """

    written_as: ClassVar[str] = "Recipe"
    name: Title
    format: PageFormat = of_kind("12x12")
    story: Annotated[str, Text(20000)] = ""
    parts: Annotated[tuple[Part, ...], Many(MOST_PARTS)] = ()
    groups: Annotated[tuple[Group, ...], Many(MOST_PARTS)] = ()
    gutting: Annotated[tuple[Gutting, ...], Many(MOST_PARTS)] = ()
    keeps: Annotated[tuple[Keep, ...], Many(MOST_PARTS)] = ()
    edges: Annotated[tuple[EdgeWork, ...], Many(MOST_PARTS)] = ()
    tucks: Annotated[tuple[Tuck, ...], Many(MOST_PARTS)] = ()
    aside: Annotated[tuple[PutAside, ...], Many(MOST_PARTS)] = ()
    rules: Rules = Rules()
    book: Annotated[str, Text(80)] = ""
    waits_for: Annotated[str, Text(200)] = ""

    def __post_init__(self) -> None:
        texts = dict[str, str]()
        for part in self.parts:
            if isinstance(part, Words) and part.series:
                texts.setdefault(part.series, self.story if part.tells else part.text)
        parts = tuple(self._with_its_text(part, texts) for part in self.parts)
        if any(one is not other for one, other in zip(parts, self.parts, strict=True)):
            object.__setattr__(self, "parts", parts)

    def _with_its_text(self, part: Part, texts: Mapping[str, str]) -> Part:
        if not isinstance(part, Words):
            return part
        text = texts.get(part.series) if part.series else self.story if part.tells else part.text
        return part if text is None or text == part.text else replace(part, text=text)

    def part(self, id: str) -> Part:
        """Raises `NotOnShelf`."""
        for part in self.parts:
            if part.id == id:
                return part
        raise NotOnShelf("part", id)


def things_of(plan: PagePlan) -> list[Taking]:
    """What a page takes of the things of the shelf: of each thing so many halves of single ones, and so much length.
    Tape that runs from edge to edge is counted as long as its page."""
    halves, lengths = Counter[str](), dict[str, Length]()
    for part in plan.parts:
        room = plan.format.page(part.place.on) if is_placed(part) else plan.format.whole
        for one in traits(part).takes(part, room):
            halves[one.thing] += one.halves
            lengths[one.thing] = lengths.get(one.thing, ZERO) + one.length
    return [Taking(id, count, lengths[id]) for id, count in halves.items()]


def photos_of(plan: PagePlan) -> set[str]:
    """The ids of the photos that a page shows."""
    return {print_.photo for print_ in every(Print, plan.parts) if print_.photo}


@dataclass(frozen=True, slots=True)
class Variant:
    """A page as it was kept under a name, to be held beside others."""

    page: str
    name: Title
    recipe: PagePlan
