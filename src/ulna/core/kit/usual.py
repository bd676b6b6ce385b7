"""What is usual where nothing is said yet, in the person's unit: how everything begins that a hand can add."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from ulna.core.geometry.figures import Hole
from ulna.core.geometry.rects import Borders, Rect
from ulna.core.kit.settings import MARK_OF
from ulna.core.measure import ZERO, Length, MarkName, Unit, inches, mm
from ulna.core.page.plan import PagePlan
from ulna.core.page_formats import KINDS, FormatName, PageFormat, of_kind
from ulna.core.paper.punches import Punch
from ulna.core.paper.shelf import CardLines, Edge, HoleOnSheet, Kit, OnSheet, Paper, Side, Strip
from ulna.core.parts import mats, opening
from ulna.core.parts.beginning import Beginning
from ulna.core.parts.built_up import Under
from ulna.core.parts.edge_work import EdgeWork
from ulna.core.parts.kinds import Part, menu
from ulna.core.parts.kinds.base import Base
from ulna.core.parts.kinds.joint import Joint
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.kinds.tiles import Taken
from ulna.core.parts.kinds.wordstrips import Parting
from ulna.core.parts.lettering import Style
from ulna.core.parts.mats import Mat
from ulna.core.parts.opening import Opening
from ulna.core.parts.openings import Openings
from ulna.core.parts.pieces import PaperChoice
from ulna.core.parts.place import Place
from ulna.core.photos.print_sheets import PrintPaper
from ulna.core.photos.prints import Print
from ulna.core.photos.template import Template, TemplateCell
from ulna.core.rules import USUAL, Rules
from ulna.core.things.thing import Thing, ThingKind
from ulna.core.words.alphabets import Alphabet

PAGE = inches(12)
NEW = "new"
"""The id of what is only offered; who takes it gives it its own."""


MARKS_OF: dict[str, tuple[MarkName, ...]] = {
    Unit.INCH: ("1/8 in", "1/16 in", "1/32 in"),
    Unit.MM: ("1 mm", "0.5 mm"),
    Unit.CM: ("1 mm", "0.5 mm"),
}


@dataclass(frozen=True, slots=True)
class Offered:
    """An entry of the menu, and the part as it begins."""

    name: str
    words: str
    picture: str
    part: Part


@dataclass(frozen=True, slots=True)
class FormatOffered:
    name: str
    format: PageFormat


@dataclass(frozen=True, slots=True)
class Usual:
    """First the household's things, then a page's, then lengths.

    `marks` are those that each unit can be measured to, `mark` the usual one. `wide`, `border` and `narrow` are gaps
    and borders; things that are repeated stand `apart`; a punched hole is `from_edge`; a grid, tiles and the hole of a
    ring of them have a room of their own of that size; a hand `catches` a guide within that distance.
    """

    formats: tuple[FormatOffered, ...]
    marks: Mapping[str, tuple[MarkName, ...]]
    mark: Mapping[str, MarkName]
    page: PagePlan
    edge: EdgeWork
    kit: Kit
    paper: Paper
    thing: Thing
    alphabet: Alphabet
    style: Style
    under: Under
    openings: Openings
    parting: Parting
    card_lines: CardLines
    strip: Strip
    card_at: OnSheet
    hole: HoleOnSheet
    punch: Punch
    print_paper: PrintPaper
    template: Template
    template_cell: TemplateCell
    template_place: Rect
    base: Base
    photo: PhotoPart
    joint: Joint
    print: Print
    mat: Mat
    narrow_mat: Mat
    opening: Opening
    taken: Taken
    choice: PaperChoice
    place: Place
    wide: Length
    border: Length
    narrow: Length
    apart: Length
    from_edge: Length
    grid_room: Length
    tiles_room: Length
    tiles_hole: Length
    catches: Length


def usual(unit: Unit, rules: Rules = USUAL) -> Usual:
    """Everything in that unit, by the rules of the house."""
    begin = Beginning(unit, PAGE, PAGE, rules)
    gaps, print_, mat, white = begin.usual, begin.print, mats.begun(begin), Side(colours=("#ffffff",))
    card_at = Rect(ZERO, ZERO, begin.of(3), begin.of(4))
    return Usual(
        formats=tuple(FormatOffered(name, of_kind(kind, _pages(kind))) for kind, (name, *_) in KINDS.items()),
        marks=MARKS_OF,
        mark=MARK_OF,
        page=PagePlan("New page"),
        edge=EdgeWork("new"),
        kit=Kit("New kit"),
        paper=Paper(NEW, "New paper", PAGE, PAGE, a=white, b=white),
        thing=Thing(NEW, "New thing", ThingKind.DIE_CUT),
        alphabet=Alphabet(NEW, "New alphabet", begin.of(1)),
        style=Style(height=begin.of(1)),
        under=Under("outline", begin.of(0, 1, 16)),
        openings=Openings(margin=gaps.wide),
        parting=Parting(1, 1, gaps.wide),
        card_lines=CardLines(begin.of(0, 3, 4), gaps.border, gaps.border, gaps.border),
        strip=Strip(Edge.BOTTOM, gaps.wide),
        card_at=card_at,
        hole=Hole.of(card_at),
        punch=Punch("circle", begin.of(1)),
        print_paper=_print_paper(unit),
        template=Template("Template", print_.width, print_.height, gap=gaps.narrow, rim=gaps.narrow),
        template_cell=TemplateCell(),
        template_place=Rect(gaps.border, gaps.border, begin.of(1, 1, 2), begin.of(1, 1, 2)),
        base=Base(NEW),
        photo=PhotoPart(NEW, print_, (mat,)),
        joint=Joint(NEW, (print_, print_), gap=gaps.narrow, mats=(mat,)),
        print=print_,
        mat=mat,
        narrow_mat=mats.narrow(begin),
        opening=opening.begun(begin),
        taken=Taken(0, 0, print=print_),
        choice=PaperChoice(),
        place=Place(),
        wide=gaps.wide,
        border=gaps.border,
        narrow=gaps.narrow,
        apart=begin.of(2),
        from_edge=gaps.wide,
        grid_room=begin.of(8),
        tiles_room=begin.of(6),
        tiles_hole=begin.of(4),
        catches=inches(0, 3, 16),
    )


def _pages(kind: FormatName) -> int:
    """A notebook is two pages wide when it lies open."""
    return 2 if of_kind(kind).is_notebook else 1


def _print_paper(unit: Unit) -> PrintPaper:
    in_inches = unit is Unit.INCH
    width, height = (inches(8), inches(10)) if in_inches else (mm(200), mm(250))
    return PrintPaper(NEW, "own paper", width, height, Borders.even(inches(0, 1, 4) if in_inches else mm(5)))


def offered(begin: Beginning) -> list[Offered]:
    """What can be added to a page of that size."""
    return [Offered(one.name, one.words, one.picture, one.begin(begin)) for one in menu()]
