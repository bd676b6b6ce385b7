"""From the shape of a picture to the shape of a print: what stays in, how sharp it is printed.

The crop is kept as a centre and a zoom, so that it serves any print shape: at zoom 1 the print's shape is as
large as the picture holds; the focal point stays in whatever the shape.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from ulna.core.measure import Length

Word = Literal["good", "fine", "soft", "too few"]


@dataclass(frozen=True, slots=True)
class Framing:
    """Centre and focal point as shares of the picture from its top left corner; `zoom` ≥ 1."""

    x: float = 0.5
    y: float = 0.5
    zoom: float = 1.0
    focal_x: float | None = None
    focal_y: float | None = None


@dataclass(frozen=True, slots=True)
class Crop:
    """The part of the picture that is printed, in shares of its width and height."""

    x: float
    y: float
    width: float
    height: float

    @property
    def lost(self) -> float:
        """The share of the picture that is cut away."""
        return 1 - self.width * self.height


def crop(pixels: tuple[int, int], shape: tuple[Length, Length], framing: Framing) -> Crop:
    """The crop of a picture of so many pixels to a print's shape (width, height)."""
    picture, print_ = pixels[0] / pixels[1], shape[0].units / shape[1].units
    width, height = (1.0, picture / print_) if print_ >= picture else (print_ / picture, 1.0)
    zoom = max(1.0, framing.zoom)
    width, height = width / zoom, height / zoom
    x = _kept(framing.x - width / 2, width, framing.focal_x)
    y = _kept(framing.y - height / 2, height, framing.focal_y)
    return Crop(x, y, width, height)


def _kept(start: float, size: float, focal: float | None) -> float:
    """The start of the window, moved so that the focal point and then the picture's edge hold."""
    if focal is not None:
        start = min(max(start, focal - size), focal)
    return min(max(start, 0.0), 1.0 - size)


def pixels_per_inch(pixels: tuple[int, int], crop: Crop, shape: tuple[Length, Length]) -> float:
    """Of the print: the lesser of both directions."""
    return min(
        pixels[0] * crop.width / shape[0].inches,
        pixels[1] * crop.height / shape[1].inches,
    )


def word(ppi: float) -> Word:
    """300 pixels per inch and more are good, 200 fine, 150 soft; below that a print disappoints."""
    if ppi >= 300:
        return "good"
    if ppi >= 200:
        return "fine"
    return "soft" if ppi >= 150 else "too few"


PRINT_SIZES: tuple[tuple[str, str], ...] = (
    ("2", "2"), ("2", "3"), ("3", "3"), ("3", "4"), ("3 1/2", "5"), ("4", "4"), ("4", "6"), ("5", "5"), ("5", "7"),
    ("6", "8"), ("8", "8"), ("8", "10"), ("8 1/2", "11"), ("12", "12"),
)  # fmt: skip
"""The usual print sizes in inches, upright."""
