"""Photos in: what a file shows, upright, with its date; and smaller copies for the screen.

The file itself is kept as it came and never changed; the copies carry nothing but the picture.
"""

from __future__ import annotations

import io
import warnings
from dataclasses import dataclass
from datetime import datetime
from functools import cache

from PIL import ExifTags, Image, ImageOps, UnidentifiedImageError

from ulna.core.errors import FieldError
from ulna.core.geometry import perspective
from ulna.formats.limits import MOST_PICTURE_BYTES

Image.MAX_IMAGE_PIXELS = None  # the size is judged below, before anything is decoded

KINDS = {"JPEG": "jpg", "PNG": "png", "WEBP": "webp", "HEIF": "heic"}
MOST_PIXELS = 120_000_000
VIEW, THUMB = 1800, 360
"""Longest sides of the copies, in pixels."""

SHEET_PIXELS_PER_INCH = 150


@dataclass(frozen=True, slots=True)
class Picture:
    """A file that is a picture: its kind, its size as seen (upright), when it was taken, and JPEG copies."""

    suffix: str
    width: int
    height: int
    taken: str | None
    view: bytes
    thumb: bytes


def read(data: bytes, name: str) -> Picture:
    """Raises `FieldError`, which says what is wrong with the file `name`."""
    image = _open(data, name)
    kind, taken = KINDS[image.format or ""], _taken(image)
    turned = image.getexif().get(ExifTags.Base.Orientation, 1) in (5, 6, 7, 8)
    width, height = (image.height, image.width) if turned else image.size
    try:
        image.draft("RGB", (VIEW, VIEW))
        image.load()
        upright = _plain(ImageOps.exif_transpose(image))
    except (OSError, SyntaxError, ValueError, EOFError) as error:
        raise FieldError(
            name, "", f"this picture is broken or cut short ({error})", "copy the file again"
        ) from None
    upright.thumbnail((VIEW, VIEW))
    small = upright.copy()
    small.thumbnail((THUMB, THUMB))
    return Picture(kind, width, height, taken, _jpeg(upright), _jpeg(small))


def straightened(data: bytes, corners: list[tuple[float, float]], width: float, height: float) -> bytes:
    """A photograph of a sheet laid flat, as JPEG at 150 pixels an inch.

    `corners` are the sheet's corners in shares of the picture as seen, top left first, clockwise; `width` and
    `height` the sheet's size in inches. Raises `FieldError`.
    """
    image = _plain(ImageOps.exif_transpose(_open(data, "sheet")))
    size = (max(1, round(width * SHEET_PIXELS_PER_INCH)), max(1, round(height * SHEET_PIXELS_PER_INCH)))
    spots = [(x * image.width, y * image.height) for x, y in corners]
    try:
        coefficients = perspective(spots, *size)
    except ValueError as error:
        raise FieldError("corners", "", str(error), "put each on its corner of the sheet") from None
    flat = image.transform(size, Image.Transform.PERSPECTIVE, coefficients, Image.Resampling.BICUBIC)
    return _jpeg(flat)


@cache
def _know_heic() -> None:
    from pillow_heif import register_heif_opener

    register_heif_opener()


def _open(data: bytes, name: str) -> Image.Image:
    _know_heic()
    if not data:
        raise FieldError(name, "", "the file is empty (0 bytes)", "copy the file again")
    if len(data) > MOST_PICTURE_BYTES:
        size = f"{len(data) / 1e6:.0f} MB"
        raise FieldError(name, size, f"larger than {MOST_PICTURE_BYTES // 1_000_000} MB", "make it smaller first")
    try:
        with warnings.catch_warnings():
            warnings.simplefilter("ignore")
            image = Image.open(io.BytesIO(data), formats=[*KINDS, "GIF", "BMP", "TIFF"])
    except UnidentifiedImageError:
        start = data[:400].lstrip().lower()
        what = "an SVG drawing" if b"<svg" in start or start.startswith(b"<?xml") else "no picture that can be read"
        raise FieldError(name, "", f"this is {what}", "choose a JPEG, PNG, WebP or HEIC file") from None
    except (OSError, SyntaxError, ValueError, Image.DecompressionBombError) as error:
        raise FieldError(name, "", f"this picture is broken ({error})", "copy the file again") from None
    if image.format not in KINDS:
        raise FieldError(name, "", f"this is a {image.format} file", "save it as JPEG, PNG, WebP or HEIC")
    if image.width * image.height > MOST_PIXELS:
        size = f"{image.width} × {image.height}"
        most = f"more than {MOST_PIXELS // 1_000_000} million pixels"
        raise FieldError(name, size, most, "make it smaller first")
    return image


def _taken(image: Image.Image) -> str | None:
    """When the picture was taken, as an ISO time without a zone, where the file says so."""
    exif = image.getexif()
    own = exif.get_ifd(ExifTags.IFD.Exif)
    written = own.get(ExifTags.Base.DateTimeOriginal) or exif.get(ExifTags.Base.DateTime)
    try:
        return datetime.strptime(str(written).strip("\x00 "), "%Y:%m:%d %H:%M:%S").isoformat()
    except ValueError:
        return None


def _plain(image: Image.Image) -> Image.Image:
    """In RGB, what is clear laid on white."""
    if image.mode in ("RGBA", "LA", "PA") or "transparency" in image.info:
        layer = image.convert("RGBA")
        ground = Image.new("RGBA", layer.size, "white")
        return Image.alpha_composite(ground, layer).convert("RGB")
    if image.mode.startswith("I;16") or image.mode == "I":
        return image.point(lambda v: v / 257).convert("L").convert("RGB")
    return image.convert("RGB")


def _jpeg(image: Image.Image) -> bytes:
    out = io.BytesIO()
    image.save(out, "JPEG", quality=88)
    return out.getvalue()
