"""A photo: one print and the mats under it."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import ClassVar

from ulna.core.crop import crop, pixels_per_inch, word
from ulna.core.findings import Finding
from ulna.core.geometry import Rect
from ulna.core.measure import ZERO, Length, inches
from ulna.core.parts import mats as matting
from ulna.core.parts import place as places
from ulna.core.parts.mats import Mat, stack
from ulna.core.parts.place import Place
from ulna.core.pieces import Built, Ground, Picture, Piece


@dataclass(frozen=True, slots=True)
class Print:
    """A print as it lies, its white rim within that size. Without a photo it keeps a photo's place."""

    photo: str | None = None
    width: Length = inches(4)
    height: Length = inches(6)
    rim: Length = ZERO


@dataclass(frozen=True, slots=True)
class PhotoPart:
    kind: ClassVar[str] = "photo"
    id: str
    print: Print = field(default_factory=Print)
    mats: tuple[Mat, ...] = ()
    place: Place = field(default_factory=Place)


def name_of(print_: Print, ground: Ground) -> str:
    photo = ground.photos.get(print_.photo or "")
    return photo.name if photo else "photo"


def lay(part: str, key: str, print_: Print, at: Rect, ground: Ground) -> tuple[Piece, list[Finding]]:
    """The print as a piece at a place, and what is to be told of its picture."""
    seen = (print_.width - print_.rim * 2, print_.height - print_.rim * 2)
    photo, cropped, findings = ground.photos.get(print_.photo or ""), None, list[Finding]()
    if min(seen) <= ZERO:
        sentence = f"A rim of {ground.ruler.say(print_.rim)} covers the whole print; make it narrower."
        findings.append(Finding("rim", "stop", part, sentence))
    elif photo is not None:
        cropped = crop(photo.pixels, seen, photo.framing)
        ppi = pixels_per_inch(photo.pixels, cropped, seen)
        if word(ppi) == "too few":
            findings.append(
                Finding(
                    "resolution",
                    "warn",
                    part,
                    f"{photo.name} has {ppi:.0f} pixels per inch at this size; print it smaller or crop less.",
                )
            )
    elif print_.photo:
        findings.append(Finding("no-photo", "warn", part, "This photo is no longer among the photos."))
    piece = Piece(
        f"{part}/{key}",
        part,
        "print",
        name_of(print_, ground),
        at,
        at,
        picture=Picture(print_.photo, print_.rim, cropped),
    )
    return piece, findings


def build(part: PhotoPart, ground: Ground) -> Built:
    """Mats from the outermost upward, then the print."""
    print_ = part.print
    mats = stack(part.id, name_of(print_, ground), print_.width, print_.height, part.mats, ground)
    piece, findings = lay(part.id, "print", print_, mats.inner, ground)
    return Built(mats.width, mats.height, (*mats.pieces, piece), mats.arithmetic, (*mats.findings, *findings))


def print_words(print_: Print, ground: Ground) -> str:
    """A print in words: its photo, its size as it lies, its rim."""
    ruler = ground.ruler
    photo = ground.photos.get(print_.photo or "")
    name = f"Photo {photo.name}" if photo else "A photo"
    way = "square" if print_.width == print_.height else "upright" if print_.height > print_.width else "lying"
    rim = f", rim {ruler.say(print_.rim)}" if print_.rim else ""
    return f"{name}, {ruler.say(print_.width)} × {ruler.say(print_.height)} {way}{rim}"


def sentence(part: PhotoPart, ground: Ground) -> str:
    words = [print_words(part.print, ground), *matting.says(part.mats, ground)]
    return f"{', '.join(words)}; {places.says(part.place, ground.format, ground.ruler)}."
