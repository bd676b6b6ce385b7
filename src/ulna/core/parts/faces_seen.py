"""Where the faces in a photo come to lie on the page once it is printed, cropped and placed."""

from __future__ import annotations

from dataclasses import dataclass

from ulna.core.measure import Length
from ulna.core.parts.pieces import Ground, Piece


@dataclass(frozen=True, slots=True)
class FaceSeen:
    """A face on the spread, by its edges; one that hangs over the crop reaches beyond the print."""

    left: Length
    top: Length
    right: Length
    bottom: Length


def faces_seen(piece: Piece, ground: Ground) -> list[FaceSeen]:
    """Those that the crop of a print leaves in; those that are cropped away do not count."""
    picture = piece.picture
    photo = ground.photos.get((picture and picture.photo) or "")
    if picture is None or photo is None or picture.crop is None:
        return []
    crop, window = picture.crop, picture.window
    x, y = (piece.uncut.x + window.x).units, (piece.uncut.y + window.y).units

    def across(share: float) -> Length:
        return Length(round(x + (share - crop.x) / crop.width * window.width.units))

    def down(share: float) -> Length:
        return Length(round(y + (share - crop.y) / crop.height * window.height.units))

    found = list[FaceSeen]()
    for face in photo.framing.faces:
        (x1, x2), (y1, y2) = face.spans(photo.pixels)
        if x2 > crop.x and x1 < crop.x + crop.width and y2 > crop.y and y1 < crop.y + crop.height:
            found.append(FaceSeen(across(x1), down(y1), across(x2), down(y2)))
    return found
