"""From the shape of a picture to the shape of a print: what stays in, how sharp it is printed.

The crop is kept as a centre and a zoom, so that it serves any print shape: at zoom 1 the print's shape is as
large as the picture holds; faces stay in where they fit, the focal point whatever the shape.
"""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import Annotated, Literal

from ulna.core.measure import Length
from ulna.core.ranges import Many, Real, Share, Zoom

Sharpness = Literal["good", "fine", "soft", "too few"]
Span = tuple[float, float]


@dataclass(frozen=True, slots=True)
class Face:
    """A face that was marked: its middle as shares of the picture, its height as a share of the shorter side."""

    x: Share
    y: Share
    size: Annotated[float, Real(most=1, over=0)] = 0.16

    def spans(self, pixels: tuple[int, int]) -> tuple[Span, Span]:
        """From where to where it reaches across and down, in shares of the picture."""
        r = self.size * min(pixels) / 2
        across, down = r / pixels[0], r / pixels[1]
        return (self.x - across, self.x + across), (self.y - down, self.y + down)


@dataclass(frozen=True, slots=True)
class Frame:
    """Where one print looks: the middle of its frame in shares of the picture, and its zoom."""

    x: Share = 0.5
    y: Share = 0.5
    zoom: Zoom = 1.0


@dataclass(frozen=True, slots=True)
class Framing:
    """Centre and focal point as shares of the picture from its top left corner; `zoom` ≥ 1."""

    x: Share = 0.5
    y: Share = 0.5
    zoom: Zoom = 1.0
    focal_x: Share | None = None
    focal_y: Share | None = None
    faces: Annotated[tuple[Face, ...], Many(60)] = ()

    def by(self, frame: Frame | None) -> Framing:
        """The same marks, framed as one print has it of its own."""
        return self if frame is None else replace(self, x=frame.x, y=frame.y, zoom=frame.zoom)


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
    faces = [face.spans(pixels) for face in framing.faces]
    x = _kept(framing.x - width / 2, width, framing.focal_x, [across for across, _ in faces])
    y = _kept(framing.y - height / 2, height, framing.focal_y, [down for _, down in faces])
    return Crop(x, y, width, height)


def _kept(start: float, size: float, focal: float | None, faces: list[Span]) -> float:
    """The start of the window, moved so that faces, then the focal point, then the picture's edges hold."""
    if faces:
        low, high = max(0.0, min(a for a, _ in faces)), min(1.0, max(b for _, b in faces))
        first, last = sorted((low, high - size))  # the window slides between holding one end and the other
        start = min(max(start, first), last)
    if focal is not None:
        start = min(max(start, focal - size), focal)
        for low, high in faces:  # where not all faces fit, the one that matters most does
            low, high = max(0.0, low), min(1.0, high)
            if low <= focal <= high and high - low <= size:
                start = min(max(start, high - size), low)
    return min(max(start, 0.0), 1.0 - size)


def faces_cut(pixels: tuple[int, int], crop: Crop, framing: Framing) -> int:
    """How many of the marked faces are not wholly in the crop; what lies outside the picture cannot be cut."""
    cut = 0
    for face in framing.faces:
        (x1, x2), (y1, y2) = face.spans(pixels)
        across = max(x1, 0.0) >= crop.x - 1e-6 and min(x2, 1.0) <= crop.x + crop.width + 1e-6
        down = max(y1, 0.0) >= crop.y - 1e-6 and min(y2, 1.0) <= crop.y + crop.height + 1e-6
        cut += not (across and down)
    return cut


def pixels_per_inch(pixels: tuple[int, int], crop: Crop, shape: tuple[Length, Length]) -> float:
    """Of the print: the lesser of both directions."""
    return min(
        pixels[0] * crop.width / shape[0].inches,
        pixels[1] * crop.height / shape[1].inches,
    )


def word(ppi: float) -> Sharpness:
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
