"""What a print shows of its photo: its crop, how sharp it is, which faces it cuts, the outline of its picture."""

from __future__ import annotations

from dataclasses import dataclass

from ulna.core.geometry.shapes import outline, path
from ulna.core.measure import ZERO
from ulna.core.photos import crop as cropping
from ulna.core.photos.crop import Crop, Sharpness
from ulna.core.photos.photo import Photo
from ulna.core.photos.prints import Print


@dataclass(frozen=True, slots=True)
class Showing:
    """`ppi` are pixels per inch, `word` what that is worth."""

    crop: Crop
    ppi: float
    word: Sharpness
    faces_cut: int


def showing(photo: Photo, print_: Print) -> Showing | None:
    """What a print shows of a photo; nothing where its rim covers all."""
    if min(print_.seen) <= ZERO:
        return None
    framing = photo.framing.by(print_.frame)
    crop = cropping.crop(photo.pixels, print_.seen, framing)
    ppi = cropping.pixels_per_inch(photo.pixels, crop, print_.seen)
    return Showing(crop, ppi, cropping.word(ppi), cropping.faces_cut(photo.pixels, crop, framing))


def frame_outline(print_: Print) -> str:
    """The shape of the picture inside its rim, as a path in a box of 1 × 1; empty for a rectangle."""
    if print_.shape == "rectangle":
        return ""
    corners = outline(print_.shape, print_.width.inches, print_.height.inches, print_.rim.inches)
    if not corners:
        return ""
    left, top = min(x for x, _ in corners), min(y for _, y in corners)
    wide, high = max(x for x, _ in corners) - left, max(y for _, y in corners) - top
    return path([((x - left) / wide, (y - top) / high) for x, y in corners])
