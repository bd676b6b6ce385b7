"""Pairs of little pages, one that has what a check finds and its twin that has not: by these one learns to see.

They lie on a shelf of their own and are drawn from the rule, so each pair is also a worked example of its check.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, replace

from ulna.core.geometry.rects import Borders
from ulna.core.measure import Length, Ruler, inches
from ulna.core.page.plan import PagePlan
from ulna.core.page_formats import PageFormat, of_kind
from ulna.core.paper.colour import PictureColours, of_hex
from ulna.core.paper.shelf import Direction, Paper, Shelf, Side
from ulna.core.parts.kinds import Part
from ulna.core.parts.kinds.base import Base
from ulna.core.parts.kinds.date import Date
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.kinds.thing import ThingPart
from ulna.core.parts.kinds.title import Title
from ulna.core.parts.kinds.words import Words
from ulna.core.parts.lettering import Style
from ulna.core.parts.mats import Mat
from ulna.core.parts.pieces import Ground, PaperChoice, Picture
from ulna.core.parts.place import Across, Down, Place
from ulna.core.photos.crop import Face, Framing
from ulna.core.photos.photo import Photo
from ulna.core.photos.prints import Print
from ulna.core.things.thing import Thing, ThingKind
from ulna.core.words.faces import Typefaces
from ulna.core.words.writing import USUAL_HANDS


def _paper(id: str, name: str, pattern: str, busy: int, *colours: str) -> Paper:
    direction = {"stripe": Direction.TWO_WAY, "houses": Direction.ONE_WAY}.get(pattern, Direction.NONE)
    side = Side(pattern, colours, direction=direction, busy=busy)
    return Paper(id, name, inches(12), inches(12), 9, a=side, b=side)


PAPERS = (
    _paper("chalk", "Chalk", "plain", 0, "#f5efe2"),
    _paper("slate", "Slate", "plain", 0, "#3d4750"),
    _paper("reed", "Reed dots", "dot", 2, "#dfe6cf", "#7d9a62", "#b55a3c"),
    _paper("shells", "Shells", "leaf", 2, "#e3dcc8", "#8b7a55", "#5f7f8a"),
    _paper("planks", "Planks", "stripe", 1, "#e9dfca", "#a98c5f"),
    _paper("wharf", "Wharf houses", "houses", 2, "#dfe7ea", "#8c5a3c", "#4a6a78"),
)
THINGS = (
    Thing("nut", "Red button", ThingKind.ENAMEL, 5, width=inches(0, 3, 4), colours=("#b8352c",)),
    Thing("clip", "Iron clip", ThingKind.CLIP, 2, colours=("#5c5f60",), harms_photos=True),
    Thing("plank", "Wooden plank", ThingKind.WOOD, 4, width=inches(2), height=inches(1), colours=("#b08a58",)),
    Thing("leaf", "Green button", ThingKind.ENAMEL, 9, width=inches(0, 3, 4), colours=("#3f7d4a",)),
)
CALM = Photo("calm", "Still water", (1200, 1200), framing=Framing(focal_x=0.3, focal_y=0.3))
FACES = Photo("face", "At the tiller", (1800, 1200), framing=Framing(faces=(Face(0.5, 0.45, 0.3),)))
PHOTOS = {photo.id: photo for photo in (CALM, FACES)}
LOOK = PictureColours(of_hex("#5a6f78"), 9.0, (), "level", (6.0, 7.0, 1.0, 6.0, 5.0, 1.0, 2.0, 1.0, 1.0))
"""Both photos: dark round the edge, level lines, quiet at the right and below."""
DRAWN = {
    "calm": (
        '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 120 120" preserveAspectRatio="none">'
        '<path fill="#4d626c" d="M0 0h120v120H0z"/><path fill="#7d939b" d="M0 0h120v30H0z"/>'
        '<path fill="none" stroke="#8fa5ab" d="M4 44h40M60 52h50M10 66h30M50 76h60M8 92h44M70 104h40"/>'
        '<path fill="#b8532f" d="M18 36q18 12 38 0l-6 12H24z"/><path fill="#efe4cf" d="M34 14l14 20H34z"/></svg>'
    ),
    "face": (
        '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 180 120" preserveAspectRatio="none">'
        '<path fill="#4d626c" d="M0 0h180v120H0z"/><path fill="#3b4d55" d="M0 84h180v36H0z"/>'
        '<path fill="#c9962f" d="M52 120q0-44 38-44t38 44z"/><circle cx="90" cy="54" r="20" fill="#e9c6a4"/>'
        '<path fill="#c9962f" d="M64 44h52q-6-22-26-22T64 44z"/><path fill="none" stroke="#4a3a2c" stroke-width="2"'
        ' stroke-linecap="round" d="M82 52v3M98 52v3M83 63q7 5 14 0"/></svg>'
    ),
}
"""What they show, as SVG; both are drawn to any size."""


def ground(format: PageFormat, faces: Typefaces, ruler: Ruler) -> Ground:
    """What the little pages are worked out against."""

    def edge(picture: Picture) -> PictureColours | None:
        return LOOK if picture.photo else None

    hands = {hand.id: hand for hand in USUAL_HANDS}
    return Ground(format, Shelf.of(list(PAPERS), THINGS), PHOTOS, ruler, faces, hands, edge=edge)


@dataclass(frozen=True, slots=True)
class Pair:
    """A page that has it, its twin that has not, and what to look at."""

    has: PagePlan
    has_not: PagePlan
    look_at: str


PAGE = of_kind("12x12")
SPREAD = replace(PAGE, pages=2)


def _at(x: float, y: float) -> Place:
    return Place(across=Across("left", _inch(x)), down=Down("top", _inch(y)))


def _inch(value: float) -> Length:
    return Length(round(value * inches(1).units))


def _on(paper: str) -> Base:
    return Base("base", choice=PaperChoice(paper))


def _photo(
    id: str, x: float, y: float, w: float = 4, h: float = 4, mat: str | None = "chalk", photo: str = "calm"
) -> PhotoPart:
    mats = (Mat(Borders.even(inches(0, 1, 4)), PaperChoice(mat)),) if mat else ()
    return PhotoPart(id, Print(photo, _inch(w), _inch(h)), mats, _at(x, y))


def _panel(id: str, x: float, y: float, w: float, h: float, paper: str, turned: bool = False) -> Panel:
    return Panel(id, width=_inch(w), height=_inch(h), choice=PaperChoice(paper, turned=turned), place=_at(x, y))


def _dot(id: str, x: float, y: float, thing: str = "leaf") -> ThingPart:
    return ThingPart(id, thing, place=_at(x, y))


def _high(id: str, x: float) -> ThingPart:
    return replace(_dot(id, x, 5, "plank"), raised="double foam")


def _four(x: float, step: float, size: float) -> list[Panel]:
    return [_panel(f"s{k}", x + k % 2 * step, x + k // 2 * step, size, size, "slate") for k in range(4)]


def _title(paper: str, x: float = 1, y: float = 9.5) -> Title:
    style = Style(face="plain", papers=(PaperChoice(paper),), height=inches(1))
    return Title("title", "Tide", (style,), place=_at(x, y))


def _words(x: float = 6.5, y: float = 8, w: float = 4) -> Words:
    return Words("words", "We lay by the lock until the rain was over.", width=_inch(w), place=_at(x, y))


def _page(*parts: Part, format: PageFormat = PAGE) -> PagePlan:
    return PagePlan("Little page", format, parts=parts)


BASE = _on("chalk")
OTHER = Base("other", "right", PaperChoice("chalk"))
DATE = Date("date", "27 June 2026", place=_at(6.5, 10.5))
PAIRS: Mapping[str, Pair] = {
    "fits": Pair(
        _page(BASE, _photo("p", 8.5, 4, mat="slate")), _page(BASE, _photo("p", 7, 4, mat="slate")),
        "The photo hangs over the right edge by an inch.",
    ),
    "enough": Pair(
        _page(BASE, replace(_dot("d", 1, 1, "nut"), count=7)), _page(BASE, replace(_dot("d", 1, 1, "nut"), count=5)),
        "Seven red buttons are taken, and the kit has five.",
    ),
    "gutter": Pair(
        _page(BASE, OTHER, _photo("p", 9, 3, 6, 4, "slate", "face"), format=SPREAD),
        _page(BASE, OTHER, _photo("p", 4, 3, 6, 4, "slate", "face"), format=SPREAD),
        "The fold goes through the face.",
    ),
    "orientation": Pair(
        _page(BASE, _panel("h", 2, 2, 8, 5, "wharf", turned=True)), _page(BASE, _panel("h", 2, 2, 8, 5, "wharf")),
        "The houses lie on their side.",
    ),
    "photo-safe": Pair(
        _page(BASE, _photo("p", 2, 2, 8, 8, "slate"), _dot("c", 8, 8.5, "clip")),
        _page(BASE, _photo("p", 2, 2, 8, 8, "slate"), _dot("c", 5.5, 10.75, "clip")),
        "The iron clip lies straight on the photo.",
    ),
    "bulk": Pair(
        _page(BASE, _high("a", 5), _high("b", 5)),
        _page(BASE, _high("a", 2), _high("b", 8)),
        "Wood on foam on wood on foam.",
    ),
    "readable": Pair(
        _page(_on("reed"), _title("slate")), _page(_on("chalk"), _title("slate")),
        "The letters lie straight on the dots.",
    ),
    "things-on-photos": Pair(
        _page(BASE, _photo("p", 2, 2, 8, 8, "slate"), _dot("d", 4.375, 4.375)),
        _page(BASE, _photo("p", 2, 2, 8, 8, "slate"), _dot("d", 8.5, 8.5)),
        "The button lies on what the photo is of.",
    ),
    "stands-out": Pair(
        _page(BASE, _photo("p", 3, 3, 6, 6, "slate")), _page(BASE, _photo("p", 3, 3, 6, 6, "chalk")),
        "The dark edge of the photo is lost in the dark mat.",
    ),
    "layers": Pair(
        _page(_on("reed"), _panel("s", 2, 2, 8, 8, "shells")), _page(_on("chalk"), _panel("s", 2, 2, 8, 8, "shells")),
        "Dots and leaves run into each other.",
    ),
    "touch": Pair(
        _page(BASE, _panel("a", 1, 2, 4, 8, "slate"), _panel("b", 5.0625, 2, 5, 8, "planks")),
        _page(BASE, _panel("a", 1, 2, 4, 8, "slate"), _panel("b", 5.25, 2, 5, 8, "planks")),
        "A sliver of the page is seen between the two.",
    ),
    "even": Pair(
        _page(BASE, _photo("p", 1, 3, mat="slate"), _photo("q", 6.5, 3.0625, mat="slate")),
        _page(BASE, _photo("p", 1, 3, mat="slate"), _photo("q", 6.5, 3, mat="slate")),
        "The right photo lies a sixteenth lower.",
    ),
    "dominance": Pair(
        _page(BASE, _photo("p", 1, 1, 5, 4, "slate"), _photo("q", 1, 6.5, 4, 4, "slate")),
        _page(BASE, _photo("p", 1, 1, 6, 5, "slate"), _photo("q", 1, 7.5, 3, 3, "slate")),
        "Neither photo leads.",
    ),
    "words": Pair(
        _page(BASE, _photo("p", 2, 2, mat="slate")),
        _page(BASE, _photo("p", 2, 2, mat="slate"), _title("slate"), _words(), DATE),
        "There is nowhere to say what happened.",
    ),
    "weight": Pair(
        _page(BASE, _panel("s", 0.5, 1, 5, 10, "slate")),
        _page(BASE, _panel("s", 0.5, 1, 5, 10, "slate"), _panel("t", 6.5, 1, 5, 10, "slate")),
        "All that is dark lies on the left.",
    ),
    "margins": Pair(
        _page(
            BASE, _photo("p", 0.25, 1, 3, 3, None), _photo("q", 4.5, 1, 3, 3, None), _photo("r", 8.5, 1, 3, 3, None)
        ),
        _page(
            BASE, _photo("p", 1, 1, 3, 3, None), _photo("q", 4.5, 1, 3, 3, None), _photo("r", 8, 1, 3, 3, None)
        ),
        "The left photo is nearer to the edge than to its neighbour.",
    ),
    "direction": Pair(
        _page(_on("planks"), _photo("p", 2, 3, 6, 5, None)),
        _page(replace(_on("planks"), choice=PaperChoice("planks", turned=True)), _photo("p", 2, 3, 6, 5, None)),
        "The water lies level, the planks stand upright.",
    ),
    "triangle": Pair(
        _page(BASE, _photo("p", 3, 3, 6, 6, "slate"), _dot("a", 1, 10.5), _dot("b", 5, 10.5), _dot("c", 9, 10.5)),
        _page(BASE, _photo("p", 3, 3, 6, 6, "slate"), _dot("a", 1, 9.5), _dot("b", 6, 1), _dot("c", 10, 9)),
        "Three buttons in a line lead out of the page.",
    ),
    "colour-repeats": Pair(
        _page(BASE, _dot("a", 2, 2), _dot("b", 9, 3), _dot("c", 5, 9, "nut")),
        _page(BASE, _dot("a", 2, 2, "nut"), _dot("b", 9, 3, "nut"), _dot("c", 5, 9, "nut")),
        "One red button among green ones.",
    ),
    "breathing": Pair(
        _page(BASE, *_four(0.25, 5.75, 5.75)),
        _page(BASE, *_four(2, 4.25, 4)),
        "Nothing of the page is left to rest on.",
    ),
}  # fmt: skip
"""By the id of the check."""
