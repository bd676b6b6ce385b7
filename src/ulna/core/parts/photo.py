"""A photo: one print and the mats under it."""

from __future__ import annotations

from dataclasses import dataclass, field, replace
from typing import ClassVar

from ulna.core import crop as cropping
from ulna.core.findings import Finding
from ulna.core.geometry import Rect
from ulna.core.look import Look
from ulna.core.measure import ZERO
from ulna.core.page_formats import PageFormat, PageName
from ulna.core.parts import mats as matting
from ulna.core.parts.mats import Mat, stack
from ulna.core.parts.place import Place
from ulna.core.parts.punched import tag_hole
from ulna.core.pieces import Built, Ground, Photo, Picture, Piece
from ulna.core.polygons import Polygon
from ulna.core.prints import Print, words
from ulna.core.shapes import outline, path


@dataclass(frozen=True, slots=True)
class PhotoPart:
    kind: ClassVar[str] = "photo"
    level: ClassVar[str] = "over"
    id: str
    print: Print = field(default_factory=Print)
    mats: tuple[Mat, ...] = ()
    place: Place = field(default_factory=Place)


def name_of(print_: Print, ground: Ground) -> str:
    photo = ground.photos.get(print_.photo or "")
    return photo.name if photo else "photo"


def lay(part: str, key: str, print_: Print, at: Rect, ground: Ground) -> tuple[Piece, list[Finding]]:
    """The print as a piece at a place (as large as it lies), and what is to be told of its picture."""
    photo, seen = ground.photos.get(print_.photo or ""), print_.seen
    picture = Picture(print_.photo, print_.window, None)
    findings = list[Finding]()
    if min(seen) <= ZERO:
        sentence = f"A rim of {ground.ruler.say(print_.rim)} covers the whole print; make it narrower."
        findings.append(Finding("rim", "stop", part, sentence))
    elif photo is not None:
        framing = photo.framing.by(print_.frame)
        cropped = cropping.crop(photo.pixels, seen, framing)
        picture = replace(picture, crop=cropped, look=toned(photo.look, print_), edition=photo.edition)
        findings += _picture_findings(part, photo, print_, cropped, ground)
    elif print_.photo:
        findings.append(Finding("no-photo", "warn", part, "This photo is no longer among the photos."))
    if print_.shape != "rectangle":
        picture = replace(picture, outline=_outline(print_, ZERO.inches), inner=_outline(print_, print_.rim.inches))
    hole = None
    if print_.hole is not None:
        hole, told = tag_hole(part, "a print", print_.hole, at.width, at.height, ground.ruler)
        findings += told
    name = name_of(print_, ground)
    off = print_.cut_off
    printed = Rect(-off.left, -off.top, print_.width, print_.height) if print_.is_cut else None
    if print_.shape != "rectangle":
        printed = None  # a shape is cut out by hand along its line
    piece = Piece(f"{part}/{key}", part, "print", name, at, at, picture=picture, printed=printed, print=print_)
    return replace(piece, holes=(hole,) if hole else ()), findings


def _outline(print_: Print, inset: float) -> str:
    """The shape `inset` from the edge as printed, or where it is cut if that is further in."""
    (w, h), (lies_w, lies_h) = (print_.width.inches, print_.height.inches), print_.lies
    dx, dy = (w - lies_w.inches) / 2, (h - lies_h.inches) / 2
    corners = outline(print_.shape, w, h, max(inset, print_.cut_off.left.inches))
    return path([(x - dx, y - dy) for x, y in corners])


def outline_of(print_: Print) -> Polygon:
    """The shape of a print as it lies, in inches from its corner; none for a rectangle."""
    if print_.shape == "rectangle":
        return ()
    (w, h), (lies_w, lies_h) = (print_.width.inches, print_.height.inches), print_.lies
    dx, dy = (w - lies_w.inches) / 2, (h - lies_h.inches) / 2
    return tuple((x - dx, y - dy) for x, y in outline(print_.shape, w, h, print_.cut_off.left.inches))


def toned(look: Look, print_: Print) -> Look:
    """How a photo looks in one print."""
    if print_.tone == "as the photo":
        return look
    return replace(look, black_and_white=print_.tone == "black and white")


def _picture_findings(
    part: str, photo: Photo, print_: Print, cropped: cropping.Crop, ground: Ground
) -> list[Finding]:
    found = list[Finding]()
    ppi = cropping.pixels_per_inch(photo.pixels, cropped, print_.seen)
    if cropping.word(ppi) == "too few":
        sentence = f"{photo.name} has {ppi:.0f} pixels per inch at this size; print it smaller or crop less."
        found.append(Finding("resolution", "warn", part, sentence))
    cut = cropping.faces_cut(photo.pixels, cropped, photo.framing)
    if cut:
        many = "A face is" if cut == 1 else f"{cut} faces are"
        sentence = f"{many} cut by the edge of {photo.name}; crop less, or print it in another shape."
        found.append(Finding("face-cut", "warn", part, sentence))
    off = print_.cut_off
    into = max(off.left - print_.rims.left, off.bottom - print_.rims.bottom)
    if into > ZERO and print_.trim:
        sentence = f"Trimming takes {ground.ruler.say(into)} of the picture of {photo.name} on every side."
        found.append(Finding("trimmed", "note", part, sentence))
    return found


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


def nothing_left(part: str, print_: Print, ground: Ground) -> Finding | None:
    """What to say of a print of which nothing is left once it is cut."""
    if min(print_.lies) > ZERO:
        return None
    size = ground.ruler.say_size(print_.width, print_.height)
    sentence = f"Nothing is left of a {size} print once it is cut; cut less off it."
    return Finding("nothing-left", "stop", part, sentence)


def filling(part: PhotoPart, on: PageName, format: PageFormat) -> PhotoPart:
    """The photo as a whole page or spread: as large as that, without mats."""
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


def print_words(print_: Print, ground: Ground) -> str:
    """A print in words: its photo, its size as it lies, its rim."""
    photo = ground.photos.get(print_.photo or "")
    return f"{f'Photo {photo.name}' if photo else 'A photo'}, {words(print_, ground.ruler)}"


def sentence(part: PhotoPart, ground: Ground) -> str:
    return ", ".join([print_words(part.print, ground), *matting.says(part.mats, ground)])
