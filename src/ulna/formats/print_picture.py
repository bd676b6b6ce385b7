"""Prints as pictures: a crop on white paper with its rim and shape, many photos as one; at a given number of pixels
an inch."""

from __future__ import annotations

import io
from collections.abc import Sequence
from dataclasses import dataclass
from pathlib import Path

from PIL import Image, ImageDraw

from ulna.core.geometry.rects import Rect
from ulna.core.geometry.shapes import outline
from ulna.core.measure import Length
from ulna.core.parts.punched import HOLE
from ulna.core.photos.crop import Crop
from ulna.core.photos.look import Look
from ulna.core.photos.prints import Print
from ulna.formats import pictures

LINE = "#9a9a9a"
SMOOTH = 4


@dataclass(frozen=True, slots=True)
class Shot:
    """A photo on a print, or a print of many: its file, its look, the crop that is shown, and where that lies."""

    file: Path | Sheetful
    look: Look
    crop: Crop
    at: Rect


@dataclass(frozen=True, slots=True)
class Sheetful:
    """What one print is made of: shots on white paper, and where it is no rectangle, its shape and rim.

    `wide` and `high` are its size in inches.
    """

    wide: float
    high: float
    shots: tuple[Shot, ...]
    shape: Print | None = None


def is_large(of: Sheetful) -> bool:
    """Whether making it takes so much memory that it is better made alone."""
    files = (shot.file for shot in of.shots)
    return any(is_large(f) if isinstance(f, Sheetful) else pictures.is_large(f, whole=True) for f in files)


def made(of: Sheetful, ppi: float) -> Image.Image:
    """The print in sRGB. Raises `FieldError` where a file cannot be read."""
    size = max(1, round(of.wide * ppi)), max(1, round(of.high * ppi))
    paper = Image.new("RGB", size, "white")
    for shot in of.shots:
        x, y = round(shot.at.x.inches * ppi), round(shot.at.y.inches * ppi)
        right, bottom = round(shot.at.right.inches * ppi), round(shot.at.bottom.inches * ppi)
        to = max(1, right - x), max(1, bottom - y)
        paper.paste(_shown(shot, to), (x, y))
    if of.shape is not None and of.shape.shape != "rectangle":
        paper = _shaped(paper, of.shape, ppi)
    if of.shape is not None and of.shape.hole is not None:
        _mark_hole(paper, of.shape, of.shape.hole, ppi)
    return paper


def _shown(shot: Shot, to: tuple[int, int]) -> Image.Image:
    if isinstance(shot.file, Path):
        return pictures.printed(shot.file, shot.look, shot.crop, to)
    crop = shot.crop
    whole = made(shot.file, max(to[0] / crop.width / shot.file.wide, to[1] / crop.height / shot.file.high))
    w, h = whole.size
    box = (crop.x * w, crop.y * h, min(w, (crop.x + crop.width) * w), min(h, (crop.y + crop.height) * h))
    return pictures.toned(whole.resize(to, Image.Resampling.LANCZOS, box), shot.look)


def _shaped(picture: Image.Image, print_: Print, ppi: float) -> Image.Image:
    """The picture inside the rim of its shape, and a fine line to cut along."""
    big = picture.width * SMOOTH, picture.height * SMOOTH
    mask = Image.new("L", big, 0)
    wide, high = print_.width.inches, print_.height.inches
    inner = outline(print_.shape, wide, high, print_.rim.inches)
    if inner:
        ImageDraw.Draw(mask).polygon([(x * ppi * SMOOTH, y * ppi * SMOOTH) for x, y in inner], fill=255)
    paper = Image.composite(picture, Image.new("RGB", picture.size, "white"), mask.resize(picture.size))
    cut = [(x * ppi, y * ppi) for x, y in outline(print_.shape, wide, high)]
    ImageDraw.Draw(paper).line([*cut, cut[0]], fill=LINE, width=max(1, round(ppi / 150)))
    return paper


def _mark_hole(paper: Image.Image, print_: Print, from_top: Length, ppi: float) -> None:
    """Where the punch goes: a white round with a fine line about it."""
    x, y, r = print_.width.inches / 2, (from_top + print_.cut_off.top).inches, HOLE.inches / 2
    box = [v * ppi for v in (x - r, y - r, x + r, y + r)]
    ImageDraw.Draw(paper).ellipse(box, fill="white", outline=LINE, width=max(1, round(ppi / 150)))


def jpeg(of: Sheetful, longest: int) -> bytes:
    """For the screen."""
    ppi = longest / max(of.wide, of.high)
    return _jpeg(made(of, ppi), 88)


def jpeg_at(of: Sheetful, ppi: float, shows: Sequence[float]) -> bytes:
    """For the printer: the part of the print from (x, y) of a width and height, in inches, as JPEG."""
    picture = made(of, ppi)
    x, y, wide, high = (round(v * ppi) for v in shows)
    return _jpeg(picture.crop((x, y, max(x + 1, x + wide), max(y + 1, y + high))), 94)


def _jpeg(image: Image.Image, quality: int) -> bytes:
    out = io.BytesIO()
    image.save(out, "JPEG", quality=quality)
    return out.getvalue()
