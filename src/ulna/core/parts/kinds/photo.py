"""A photo: one print and the mats under it."""

from __future__ import annotations

from dataclasses import dataclass, field, replace
from typing import ClassVar

from ulna.core.errors import FieldError
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO
from ulna.core.page_formats import PageFormat, PageName
from ulna.core.parts import mats as matting
from ulna.core.parts.kind import Entry, Traits
from ulna.core.parts.mats import Mats, stack
from ulna.core.parts.pieces import Built, Ground
from ulna.core.parts.place import Place
from ulna.core.parts.printed import lay, name_of, nothing_left, print_words
from ulna.core.photos.prints import Print, outline_of
from ulna.core.ranges import Id


@dataclass(frozen=True, slots=True)
class PhotoPart:
    kind: ClassVar[str] = "photo"
    level: ClassVar[str] = "over"
    id: Id
    print: Print = field(default_factory=Print)
    mats: Mats = ()
    place: Place = field(default_factory=Place)


def build(part: PhotoPart, ground: Ground, room: Rect) -> Built:
    """Mats from the outermost upward, then the print. A print of which nothing is left is told, and not there."""
    gone = nothing_left(part.id, part.print, ground)
    if gone:
        return Built(ZERO, ZERO, findings=(gone,))
    width, height = part.print.lies
    mats = stack(part.id, name_of(part.print, ground), width, height, part.mats, ground, outline_of(part.print))
    piece, findings = lay(part.id, "print", part.print, mats.inner, ground)
    sums = mats.arithmetic
    if part.print.is_cut:
        printed = ground.ruler.say_size(part.print.width, part.print.height)
        sums = f"{printed} cut to {sums}"
    return Built(
        mats.width, mats.height, (*mats.pieces, piece), sums, (*mats.findings, *findings), handles=mats.handles
    )


def name(part: PhotoPart, ground: Ground) -> str:
    return name_of(part.print, ground)


def filling(part: object, on: PageName, format: PageFormat) -> PhotoPart:
    """The photo as a whole page or spread: as large as that, without mats. Raises `FieldError` for another part."""
    if not isinstance(part, PhotoPart):
        raise FieldError(
            "part", getattr(part, "id", ""), "only a photo can be as large as the page", "name a photo"
        )
    page = format.page(on)
    print_ = replace(
        part.print,
        width=page.width,
        height=page.height,
        rim=ZERO,
        below=None,
        shape="rectangle",
        rim_off=False,
        trim=ZERO,
    )
    return replace(part, print=print_, mats=(), place=Place(on))


def sentence(part: PhotoPart, ground: Ground) -> str:
    return ", ".join([print_words(part.print, ground), *matting.says(part.mats, ground)])


PART = PhotoPart
TRAITS = Traits(scales=("print",), one_print=True)
MENU: tuple[Entry, ...] = ()
