"""A thing of the shelf: how many there are, how large one is, how it looks, how it is fixed.

Stamps and inks never run out. Ribbon, twine and tape go by length, foam by count or by the area of its sheets.
"""

from __future__ import annotations

from dataclasses import dataclass, replace
from enum import StrEnum
from typing import Annotated, Literal

from ulna.core.errors import FieldError
from ulna.core.geometry import polygons
from ulna.core.geometry.figures import Figure, outline
from ulna.core.geometry.polygons import Point, Polygon
from ulna.core.measure import ZERO, Length, inches
from ulna.core.ranges import Colour, Gap, Id, Many, Size, Supply, Text, Title, Whole


class ThingKind(StrEnum):
    DIE_CUT = "die cut"
    STICKER = "sticker"
    PUFFY = "puffy sticker"
    EPOXY = "epoxy sticker"
    CHIPBOARD = "chipboard"
    ENAMEL = "enamel dot"
    SEQUIN = "sequin"
    WOOD = "wood shape"
    DOILY = "doily"
    TAG = "tag"
    LABEL = "label"
    BANNER = "banner"
    BRAD = "brad"
    CLIP = "clip"
    GEMS = "strip of gems"
    RIBBON = "ribbon"
    TWINE = "twine"
    TAPE = "tape"
    STAMP = "stamp"
    INK = "ink"
    ALPHABET = "alphabet"
    CARD = "journaling card"
    FOAM = "foam"
    ADHESIVE = "adhesive"
    OTHER = "other"


BY_LENGTH = frozenset({ThingKind.RIBBON, ThingKind.TWINE, ThingKind.TAPE, ThingKind.ADHESIVE})
NEVER_RUNS_OUT = frozenset({ThingKind.STAMP, ThingKind.INK})
NOT_STUCK_ON = frozenset({ThingKind.INK, ThingKind.FOAM, ThingKind.ADHESIVE, ThingKind.ALPHABET})
"""What is used to make or to fix others, and is no thing of the page itself."""

Drawn = Literal["", "plain", "outlined", "painted", "photographic"]
Points = Literal["", "up", "right", "down", "left"]
Fixing = Literal["own adhesive", "glue", "foam squares", "pierced", "clipped on"]
Half = Literal["", "left", "right", "top", "bottom"]
Raised = Literal["flat", "foam", "double foam"]

FOAM: dict[Raised, Length] = {"flat": ZERO, "foam": inches(0, 1, 16), "double foam": inches(0, 1, 8)}
"""How far a thing stands off what it lies on."""

_INCH = (inches(1), inches(1))
USUAL: dict[ThingKind, tuple[tuple[Length, Length], Figure]] = {
    ThingKind.ENAMEL: ((inches(0, 1, 4), inches(0, 1, 4)), "circle"),
    ThingKind.SEQUIN: ((inches(0, 1, 4), inches(0, 1, 4)), "circle"),
    ThingKind.GEMS: ((inches(0, 1, 8), inches(0, 1, 8)), "circle"),
    ThingKind.BRAD: ((inches(0, 3, 8), inches(0, 3, 8)), "circle"),
    ThingKind.DOILY: ((inches(4), inches(4)), "scalloped round"),
    ThingKind.TAG: ((inches(1, 1, 2), inches(3)), "tag"),
    ThingKind.LABEL: ((inches(2), inches(1)), "rounded"),
    ThingKind.BANNER: ((inches(3), inches(0, 3, 4)), "banner"),
    ThingKind.CARD: ((inches(3), inches(4)), "rectangle"),
    ThingKind.CLIP: ((inches(0, 3, 8), inches(1)), "rounded"),
    ThingKind.TAPE: ((inches(6), inches(0, 5, 8)), "rectangle"),
    ThingKind.RIBBON: ((inches(6), inches(0, 3, 8)), "rectangle"),
    ThingKind.TWINE: ((inches(6), inches(0, 1, 16)), "rectangle"),
    ThingKind.FOAM: ((inches(0, 1, 2), inches(0, 1, 2)), "rectangle"),
}
"""How large a thing of that kind is, and of which figure, until one's own is measured."""

Traced = Annotated[tuple[Point, ...], Many(400)]


@dataclass(frozen=True, slots=True)
class Thing:
    """So many of a thing; for ribbon, twine and tape `length` says how long each is. Its box is `width` × `height`, as
    usual for its kind where it was not measured; inside that it is of a `figure`, or of the `outline` that was traced,
    in inches from the box's corner. `colours` has the leading one first; `drawn` is its style; `says` are the words
    printed on it; it `points` or looks one way, or may lie any way. A `clear` one shows what is under it; one with a
    `rim` has a white edge. `picture` is a photograph of it. Of a strip of gems `each` says how many are on one.
    What `harms_photos` (metal that rusts, newsprint, an ink with acid) may not lie straight on one."""

    id: Id
    name: Title
    kind: ThingKind = ThingKind.OTHER
    count: Annotated[int, Whole(0, 10_000)] = 1
    length: Supply | None = None
    note: Annotated[str, Text(500)] = ""
    width: Size | None = None
    height: Size | None = None
    figure: Figure | Literal[""] = ""
    outline: Traced = ()
    thickness: Gap = ZERO
    colours: Annotated[tuple[Colour, ...], Many(5)] = ()
    drawn: Drawn = ""
    says: Annotated[str, Text(120)] = ""
    points: Points = ""
    fixing: Fixing = "own adhesive"
    clear: bool = False
    rim: bool = False
    each: Annotated[int, Whole(1, 1_000)] = 1
    picture: str | None = None
    harms_photos: bool = False

    @property
    def runs_out(self) -> bool:
        return self.kind not in NEVER_RUNS_OUT

    @property
    def by_length(self) -> bool:
        return self.kind in BY_LENGTH

    @property
    def there(self) -> int:
        """How many single ones there are: of strips of gems all that are on them."""
        return self.count * self.each

    @property
    def size(self) -> tuple[Length, Length]:
        """Its box; one measure that is not known is that of the other."""
        usual = USUAL.get(self.kind, (_INCH, "rounded"))[0]
        if self.width is None and self.height is None:
            return usual
        width = self.width or self.height or usual[0]
        return width, self.height or width

    @property
    def shape(self) -> Polygon:
        """Its outline from its box's corner, clockwise."""
        if len(self.outline) > 2:
            return self.outline
        wide, high = self.size
        figure: Figure = self.figure or USUAL.get(self.kind, (_INCH, "rounded"))[1]
        small = min(wide, high).inches
        return outline(figure, wide.inches, high.inches, small / 4 if figure != "rounded" else small / 6)

    @property
    def is_round(self) -> bool:
        figure = self.figure or USUAL.get(self.kind, (_INCH, "rounded"))[1]
        return not self.outline and figure in ("circle", "scalloped round")

    @property
    def is_raised(self) -> bool:
        return self.thickness > ZERO or self.kind in (
            ThingKind.PUFFY, ThingKind.EPOXY, ThingKind.CHIPBOARD, ThingKind.ENAMEL, ThingKind.WOOD, ThingKind.BRAD,
            ThingKind.GEMS,
        )  # fmt: skip

    @property
    def colour(self) -> str:
        """The leading one."""
        return self.colours[0] if self.colours else "#cfc4ae"


def half_of(shape: Polygon, half: Half) -> Polygon:
    """What one half of it is, from the corner of the whole box."""
    if not half:
        return shape
    x1, y1, x2, y2 = polygons.bounds(shape)
    mx, my = (x1 + x2) / 2, (y1 + y2) / 2
    room = {
        "left": polygons.box(x1, y1, mx - x1, y2 - y1), "right": polygons.box(mx, y1, x2 - mx, y2 - y1),
        "top": polygons.box(x1, y1, x2 - x1, my - y1), "bottom": polygons.box(x1, my, x2 - x1, y2 - my),
    }[half]  # fmt: skip
    return polygons.clipped(shape, room)


OTHER_HALF: dict[Half, Half] = {"left": "right", "right": "left", "top": "bottom", "bottom": "top", "": ""}


def cut_in_two(thing: Thing, upright: bool, at: Length | None, ids: tuple[str, str]) -> tuple[Thing, Thing, Thing]:
    """One of them cut in two, `at` so much from its left where the cut is `upright`, else from its top; in the middle
    where that is not said. What is left of the whole ones, and the two parts, each with its own size and outline; what
    goes by length is parted by it. Raises `FieldError` where nothing would be left on one side."""
    wide, high = thing.size
    long = thing.length if thing.by_length and thing.length is not None else wide if upright else high
    first = at if at is not None else long.part(1, 2)
    if not ZERO < first < long:
        raise FieldError(
            "at", str(first.inches), f"the cut lies beside it; it is {long.inches:g} in long", "say less"
        )
    rest = replace(thing, count=max(0, thing.count - 1))
    if thing.by_length:
        lengths = zip(ids, (first, long - first), strict=True)
        parts = [replace(thing, id=id, count=1, length=piece) for id, piece in lengths]
        return rest, parts[0], parts[1]
    found = []
    x1, y1, x2, y2 = polygons.bounds(thing.shape)
    cut = first.inches
    rooms = (
        (polygons.box(x1, y1, cut - x1, y2 - y1), polygons.box(cut, y1, x2 - cut, y2 - y1)) if upright
        else (polygons.box(x1, y1, x2 - x1, cut - y1), polygons.box(x1, cut, x2 - x1, y2 - cut))
    )  # fmt: skip
    for id, room, name, length in zip(ids, rooms, ("first", "second"), (first, long - first), strict=True):
        line = polygons.clipped(thing.shape, room)
        left, top, _, _ = polygons.bounds(room)
        size = (length, high) if upright else (wide, length)
        found.append(
            replace(
                thing, id=id, name=f"{thing.name}, {name} part"[:120], count=1, width=size[0], height=size[1],
                outline=polygons.moved(line, -left, -top), figure="", picture=None,
            )
        )  # fmt: skip
    return rest, found[0], found[1]
