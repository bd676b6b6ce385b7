"""A print as a piece: what it shows at its place, what is to be told of its picture, how it is named."""

from __future__ import annotations

from dataclasses import replace

from ulna.core.findings import Finding
from ulna.core.geometry.rects import Rect
from ulna.core.geometry.shapes import outline, path
from ulna.core.measure import ZERO
from ulna.core.parts.pieces import Ground, Picture, Piece
from ulna.core.parts.punched import tag_hole
from ulna.core.photos import crop as cropping
from ulna.core.photos.photo import Photo
from ulna.core.photos.prints import Print, toned, words


def name_of(print_: Print, ground: Ground) -> str:
    photo = ground.photos.get(print_.photo or "")
    return photo.name if photo else "photo"


def print_words(print_: Print, ground: Ground) -> str:
    """A print in words: its photo, its size as it lies, its rim."""
    photo = ground.photos.get(print_.photo or "")
    return f"{f'Photo {photo.name}' if photo else 'A photo'}, {words(print_, ground.ruler)}"


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


def nothing_left(part: str, print_: Print, ground: Ground) -> Finding | None:
    """What to say of a print of which nothing is left once it is cut."""
    if min(print_.lies) > ZERO:
        return None
    size = ground.ruler.say_size(print_.width, print_.height)
    sentence = f"Nothing is left of a {size} print once it is cut; cut less off it."
    return Finding("nothing-left", "stop", part, sentence)
