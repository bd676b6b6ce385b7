"""What a page is made of once its arithmetic is done: pieces of paper and prints, each at its place."""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping
from dataclasses import dataclass, field, replace
from functools import cached_property
from typing import Annotated, Any, Literal

from ulna.core.errors import NotOnShelf
from ulna.core.findings import Finding
from ulna.core.geometry.figures import Figure, Hole
from ulna.core.geometry.polygons import Bounds, Polygon, box, moved, turned
from ulna.core.geometry.rects import Borders, Rect
from ulna.core.measure import ZERO, Length, Ruler
from ulna.core.page_formats import PageFormat
from ulna.core.paper.colour import PictureColours
from ulna.core.paper.patterns import runs
from ulna.core.paper.punches import Punch
from ulna.core.paper.shelf import Edge, Face, Shelf, Side
from ulna.core.parts.edge_work import EdgeWork
from ulna.core.photos.crop import Crop
from ulna.core.photos.look import AS_IT_CAME, Look
from ulna.core.photos.photo import Photo
from ulna.core.photos.prints import Print
from ulna.core.ranges import Many
from ulna.core.rules import USUAL, Rules
from ulna.core.things.thing import Half
from ulna.core.words.faces import FaceName, Typefaces
from ulna.core.words.writing import Hand

Role = Literal[
    "base", "panel", "mat", "strip", "tile", "shape", "card", "print", "tape", "letter", "sticker", "thing"
]

PAPERLESS: frozenset[Role] = frozenset({"print", "tape", "sticker", "thing"})
"""What no sheet of paper is cut for: prints come from the printer, tape from its roll, letters from their alphabet."""


@dataclass(frozen=True, slots=True)
class PaperChoice:
    """Which paper a piece is cut from, which side shows, and whether the paper lies a quarter turned."""

    paper: str | None = None
    side: Face = "A"
    turned: bool = False


Papers = Annotated[tuple[PaperChoice, ...], Many(24, 1)]
"""The papers of a part, which it takes in turn or draws."""


@dataclass(frozen=True, slots=True)
class Picture:
    """What a print shows: the crop of a photo in a window, seen from the corner of the uncut piece.

    A print that is no rectangle has an outline, and one of the picture inside its rim, as paths in inches from
    there.
    """

    photo: str | None
    window: Rect
    crop: Crop | None
    look: Look = AS_IT_CAME
    edition: str = ""
    outline: str = ""
    inner: str = ""


@dataclass(frozen=True, slots=True)
class TornEdge:
    """An edge that is torn, so far inside the edge that was cut. A hill, half a wave, has its highest place there and
    its ends `rise` lower; a half of it begins and ends at these shares of its length."""

    edge: Edge
    off: Length
    rise: Length = ZERO
    begins: float = 0.0
    ends: float = 1.0

    @property
    def highest(self) -> float:
        """At which share of the whole hill this part of it is highest."""
        return min(max(self.begins, 0.5), self.ends)

    def at(self, share: float) -> Length:
        """How far inside the cut edge it is at a share of the whole hill."""
        return self.off + Length(round(self.rise.units * (1 - math.sin(math.pi * share))))


@dataclass(frozen=True, slots=True)
class Leftover:
    """What falls off another piece and is a piece too: it lies `within` the box that that one is cut from, in inches
    from the box's corner, turned clockwise by `turn` degrees against how it lies on the page."""

    of: str
    within: Polygon
    turn: float = 0.0


@dataclass(frozen=True, slots=True)
class Phase:
    """Strips whose stripes must meet begin the same way into a repeat of their paper; `of` names those that do."""

    of: str
    repeat: Length


@dataclass(frozen=True, slots=True)
class Piece:
    """A rectangle that is cut. Where the gutter cuts it, `rect` is one half and `uncut` the whole.

    `gut` gives the rims that stay when the hidden middle is won back; at a gutter cut the rim is 0. `printed` is a
    print's whole size as it comes out of the printer, from the corner of `uncut`, where it is cut afterwards.

    Only rectangles come off a trimmer. What is seen of one may be less: `outline` is what stays of it once it is
    cut to shape or trimmed, in inches from the corner of `uncut`; `figure` names it where it has a name, with its own
    measure `cut`, and `torn` are edges that are torn (their core seen or not); `letter` is the place in its title's
    text of the letter that it is the face of. `thing` is which of the shelf it is, or a `thing_half` of it, `raised`
    how far it stands off what it lies on. `holes` are openings in it, from the same corner; `angle` is how far it lies
    turned clockwise about the middle of `uncut`. `pin` is where on its sheet a printed card lies, from the side that is
    chosen; one that is the sheet `as_it_is` has `brought` so many holes along, and its outline where it `comes_shaped`.
    `colour` is the tape's or the letter's, `print` what is printed. `role` says what it is, and so whether paper is cut
    for it.
    `whole` is the id of the piece that it is a half of, `layer` which mat of its part it is, counted from 1, the
    innermost first. `leftover` says that it is made of what falls off another piece: no more paper is asked for it;
    `phase` that its stripes must meet those of others; `edge` what is done to its edges before it is glued.
    """

    id: str
    part: str
    role: Role
    name: str
    rect: Rect
    uncut: Rect
    choice: PaperChoice = field(default_factory=PaperChoice)
    gut: Borders | None = None
    picture: Picture | None = None
    half: Literal["left", "right"] | None = None
    printed: Rect | None = None
    angle: float = 0.0
    outline: Polygon = ()
    figure: Figure | Literal[""] = ""
    cut: Length = ZERO
    letter: int | None = None
    thing: str | None = None
    thing_half: Half = ""
    raised: Length = ZERO
    torn: tuple[TornEdge, ...] = ()
    core: bool = True
    holes: tuple[Hole, ...] = ()
    pin: Rect | None = None
    as_it_is: bool = False
    comes_shaped: bool = False
    brought: int = 0
    colour: str = ""
    print: Print | None = None
    whole: str = ""
    layer: int | None = None
    leftover: Leftover | None = None
    phase: Phase | None = None
    edge: EdgeWork | None = None

    @property
    def is_paper(self) -> bool:
        """Whether it is cut from a sheet of paper."""
        return self.role not in PAPERLESS

    @property
    def base_id(self) -> str:
        """Its id, or that of the piece that it is a half of."""
        return self.whole or self.id

    @property
    def called_whole(self) -> str:
        """What it is called, a half as the whole that it is a half of."""
        return self.name.removesuffix(f", {self.half} half") if self.half else self.name

    @property
    def cut_from(self) -> str | None:
        """What it is cut from as a cut list names it: its paper, or the print itself where that is cut. None for tape,
        for a print that is used as it is, and where no paper is chosen."""
        if self.role != "print":
            return self.choice.paper if self.is_paper else None
        shaped = self.picture is not None and bool(self.picture.outline)
        return f"print {self.base_id}" if self.half or self.printed or self.holes or shaped else None

    @property
    def seen(self) -> Polygon:
        """Where it is seen on the page, in inches; of a print its rectangle, whatever its shape."""
        if not self.outline and not self.angle:
            r = self.rect
            return box(r.x.inches, r.y.inches, r.width.inches, r.height.inches)
        u = self.uncut
        x, y, w, h = u.x.inches, u.y.inches, u.width.inches, u.height.inches
        r = self.rect
        own = self.outline or box((r.x - u.x).inches, (r.y - u.y).inches, r.width.inches, r.height.inches)
        return turned(moved(own, x, y), self.angle, (x + w / 2, y + h / 2))

    def renamed(self, key: Callable[[str], str]) -> Piece:
        """The same under other ids, as among the pieces of several pages."""
        return replace(
            self,
            id=key(self.id),
            whole=key(self.whole) if self.whole else "",
            leftover=replace(self.leftover, of=key(self.leftover.of)) if self.leftover else None,
            phase=replace(self.phase, of=key(self.phase.of)) if self.phase else None,
        )

    def moved(self, across: Length, down: Length) -> Piece:
        return replace(self, rect=self.rect.moved(across, down), uncut=self.uncut.moved(across, down))


@dataclass(frozen=True)
class Ground:
    """What a page is worked out against: its format, the shelf, the photos, the person's ruler, punches, the rules that
    hold for it.

    `edge` tells the colours of a picture as it is cropped, and of its edge, where the picture is there to be looked at;
    `print_of` those of the print of a paper, as it is drawn or was photographed.
    `fold` is where the spread is folded, from the left edge of the part that is worked out, if it lies across it;
    `free` are the outlines from its corner that must stay free of it, where it keeps off others, and `around` the
    edges of what it gathers round. Where the page keeps to its kit, `only` these papers and things are proposed. Drafts
    and clusters come back first to what has `lain` unused, the ids of those that lie longest first.
    `worked` and `placed` remember parts that were worked out on this ground already, so that a change to one of a
    hundred costs one; they are no part of the value.
    """

    format: PageFormat
    shelf: Shelf
    photos: Mapping[str, Photo]
    ruler: Ruler
    faces: Typefaces
    hands: Mapping[str, Hand]
    punches: tuple[Punch, ...] = ()
    rules: Rules = USUAL
    edge: Callable[[Picture], PictureColours | None] = field(default=lambda _: None, compare=False, repr=False)
    print_of: Callable[[Side], PictureColours | None] = field(default=lambda _: None, compare=False, repr=False)
    fold: Length | None = None
    free: tuple[Polygon, ...] = ()
    around: tuple[Bounds, ...] = ()
    only: frozenset[str] | None = None
    lain: tuple[str, ...] = ()
    worked: dict[object, tuple[Built, str]] = field(default_factory=dict, compare=False, repr=False)
    placed: dict[object, tuple[Built, tuple[Piece, ...]]] = field(default_factory=dict, compare=False, repr=False)

    def proposes(self, id: str) -> bool:
        """Whether a paper or thing, or what a scrap is of, may be proposed."""
        if self.only is None or id in self.only:
            return True
        paper = self.shelf.papers.get(id)
        return paper is not None and paper.scrap_of in self.only

    @cached_property
    def longing(self) -> Mapping[str, float]:
        """Of what has lain unused how much it is to be preferred: what lies longest 1, the newest next to 0."""
        many = len(self.lain)
        return {id: (many - k) / many for k, id in enumerate(self.lain)}

    def changed(self, **values: Any) -> Ground:
        """Another ground: nothing that was worked out on this one holds there."""
        return replace(self, **values, worked={}, placed={})

    def folded(self, at: Length) -> Ground:
        """The same ground as a part sees it that the fold goes through there."""
        return replace(self, fold=at)

    def keeping_free(self, outlines: tuple[Polygon, ...], around: tuple[Bounds, ...]) -> Ground:
        """The same ground as a part sees it that keeps off these outlines and gathers round those edges."""
        return replace(self, free=outlines, around=around)

    def says(self, choice: PaperChoice) -> str:
        """A paper choice in words: its name and side, whether it lies turned, and how stripes run then."""
        if choice.paper is None:
            return "paper not chosen yet"
        paper = self.shelf.papers.get(choice.paper)
        name = paper.name if paper else "a paper that is gone"
        way = runs(paper.face(choice.side)) if paper and choice.turned else None
        stripes = {"down": ": its stripes level", "across": ": its stripes upright", None: ""}[way]
        return f"{name} ({choice.side})" + (f", turned{stripes}" if choice.turned else "")

    def photo(self, id: str) -> Photo:
        """Raises `NotOnShelf`."""
        try:
            return self.photos[id]
        except KeyError:
            raise NotOnShelf("photo", id) from None


@dataclass(frozen=True, slots=True)
class Written:
    """A line of words: where it begins and stands, how long it is, and the size of its type in inches."""

    text: str
    x: Length
    y: Length
    width: Length
    size: float


@dataclass(frozen=True, slots=True)
class Line:
    """Something drawn that is no paper: stitches, a line that parts stand on, one to write on, words that are
    `written`, or wet work in a colour. A path in inches."""

    kind: Literal["stitch", "axis", "rule", "words", "wash"]
    path: str
    written: Written | None = None
    face: FaceName = "hand"
    colour: str = ""


@dataclass(frozen=True, slots=True)
class Handle:
    """Where a value of a part is taken hold of, from the part's corner.

    `field` is its way into the part ("gap", "mats.0.borders"); a pull of an inch across changes it by `across`, one
    down by `down`: inches of a length, so many of a `count`. A length that is `signed` may go below nothing: gaps of
    what overlaps.
    """

    field: str
    name: str
    x: Length
    y: Length
    across: float = 0.0
    down: float = 0.0
    count: bool = False
    signed: bool = False


@dataclass(frozen=True, slots=True)
class CellSpot:
    """A place within a part that is filled by pressing on it, from the part's corner: its key, what lies there, what
    else it may be for, and why not for others."""

    key: str
    name: str
    rect: Rect
    what: str
    may: tuple[str, ...] = ()
    cannot: tuple[tuple[str, str], ...] = ()


@dataclass(frozen=True, slots=True)
class Built:
    """A part worked out at the origin: its outer size, its pieces from underneath upward, its arithmetic.

    A part of no size cannot be made; its findings say why.
    """

    width: Length
    height: Length
    pieces: tuple[Piece, ...] = ()
    arithmetic: str = ""
    findings: tuple[Finding, ...] = ()
    lines: tuple[Line, ...] = ()
    handles: tuple[Handle, ...] = ()
    spots: tuple[CellSpot, ...] = ()

    @property
    def is_there(self) -> bool:
        return self.width > ZERO and self.height > ZERO
