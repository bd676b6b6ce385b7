"""Photos in and out: what a file shows, upright and in sRGB, with what it says of itself; copies for screen and
print.

The file itself is kept as it came and never changed; whatever is made here carries nothing but the picture: no
place, no camera. Large files are read small wherever their kind allows it, so that memory stays within bounds.
"""

from __future__ import annotations

import hashlib
import html
import io
import re
import warnings
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import datetime
from functools import cache
from pathlib import Path

from PIL import ExifTags, Image, ImageCms, ImageFile, ImageOps, IptcImagePlugin, UnidentifiedImageError

from ulna.core.errors import FieldError
from ulna.core.geometry.rects import perspective
from ulna.core.photos.crop import Crop
from ulna.core.photos.look import Look, size, unseen
from ulna.formats.limits import MOST_PICTURE_BYTES
from ulna.formats.texts import plain

Image.MAX_IMAGE_PIXELS = None  # the size is judged below, before anything is decoded

KINDS = {"JPEG": "jpg", "PNG": "png", "WEBP": "webp", "HEIF": "heic"}
MOST_PIXELS = {"JPEG": 120_000_000}
MOST_PIXELS_WHOLE = 70_000_000
"""A JPEG can be read small; other kinds are read whole, 4 bytes a pixel, and memory is bounded."""

VIEW, THUMB = 1600, 360
"""Longest sides of the copies, in pixels; a view may be half as large again where that saves work."""

SHEET_PIXELS_PER_INCH = 150
BROKEN = (OSError, SyntaxError, ValueError, EOFError, TypeError, IndexError, KeyError, ZeroDivisionError)
"""What reading a damaged file raises, depending on where the damage is."""


@dataclass(frozen=True, slots=True)
class Picture:
    """A file that is a picture: its kind, its size as seen (upright), what it says of itself, and JPEG copies.

    `digest` is of the file's bytes; `likeness` is a difference hash of 8 × 8 steps of lightness, as 16 hex digits.
    """

    suffix: str
    width: int
    height: int
    taken: str | None
    caption: str
    digest: str
    likeness: str
    view: bytes
    thumb: bytes


def read_file(file: Path, name: str) -> Picture:
    """Reads a file that came in as `name`; see `read`."""
    return read(file.read_bytes(), name)


def read(data: bytes, name: str) -> Picture:
    """Raises `FieldError`, which says what is wrong with the file `name`."""
    image = _open(data, name)
    kind, taken, caption = KINDS[image.format or ""], _taken(image), _caption(image)
    width, height = _upright_size(image)
    try:
        view = _screen_copy(image)
    except BROKEN as error:
        raise FieldError(
            name, "", f"this picture is broken or cut short ({error})", "copy the file again"
        ) from None
    small = view.copy()
    small.thumbnail((THUMB, THUMB), reducing_gap=2.0)
    return Picture(kind, width, height, taken, caption, digest(data), _likeness(small), _jpeg(view), _jpeg(small))


def digest(data: bytes) -> str:
    """What tells the same file again."""
    return hashlib.sha256(data).hexdigest()[:32]


LARGE = 20_000_000


def is_whole_jpeg(data: bytes) -> bool:
    """Whether a copy for the screen is there from its first to its last byte."""
    return data.startswith(b"\xff\xd8") and data.endswith(b"\xff\xd9")


def copies(data: bytes, name: str) -> tuple[bytes, bytes]:
    """The copies for the screen of an original, for the view and the thumb."""
    picture = read(data, name)
    return picture.view, picture.thumb


def is_large(file: Path, whole: bool = False) -> bool:
    """Whether reading a file takes so much memory that it is better read alone; broken ones do not.

    A JPEG does only where it is read `whole`.
    """
    _know_heic()
    try:
        with Image.open(file) as image:
            return (whole or image.format != "JPEG") and image.width * image.height > LARGE
    except (*BROKEN, Image.DecompressionBombError):
        return False


def _upright_size(image: Image.Image) -> tuple[int, int]:
    turned = image.getexif().get(ExifTags.Base.Orientation, 1) in (5, 6, 7, 8)
    return (image.height, image.width) if turned else image.size


def _screen_copy(image: Image.Image) -> Image.Image:
    image.draft(None, _within(image.size, VIEW))
    small = _reduced(image, VIEW)
    if max(small.size) > 1.5 * VIEW:
        small = small.resize(_within(small.size, VIEW), Image.Resampling.HAMMING, reducing_gap=2.0)
    return _plain(_upright(small))


def _upright(image: Image.Image) -> Image.Image:
    """As it was taken; a picture that stands already is not copied."""
    turned = image.getexif().get(ExifTags.Base.Orientation, 1) in range(2, 9)
    return ImageOps.exif_transpose(image) if turned else image


def _within(size: tuple[int, int], longest: int) -> tuple[int, int]:
    scale = min(1.0, longest / max(size))
    return max(1, round(size[0] * scale)), max(1, round(size[1] * scale))


def _reduced(image: Image.Image, longest: int) -> Image.Image:
    """Made smaller by a whole factor right after reading, so that nothing large is ever copied."""
    factor = max(image.size) // longest
    if factor < 2:
        image.load()
        return image
    if image.mode in ("P", "PA", "1") or image.mode.startswith("I"):
        return image.resize(_within(image.size, longest), Image.Resampling.NEAREST)
    small = image.reduce(factor)
    small.info, small.format = image.info, image.format
    return small


def straightened(data: bytes, corners: list[tuple[float, float]], width: float, height: float) -> bytes:
    """A photograph of a sheet laid flat, as JPEG at 150 pixels an inch.

    `corners` are the sheet's corners in shares of the picture as seen, top left first, clockwise; `width` and
    `height` the sheet's size in inches. Raises `FieldError`.
    """
    image = _plain(_upright(_open(data, "sheet")))
    size = (max(1, round(width * SHEET_PIXELS_PER_INCH)), max(1, round(height * SHEET_PIXELS_PER_INCH)))
    spots = [(x * image.width, y * image.height) for x, y in corners]
    try:
        coefficients = perspective(spots, *size)
    except ValueError as error:
        raise FieldError("corners", "", str(error), "put each on its corner of the sheet") from None
    flat = image.transform(size, Image.Transform.PERSPECTIVE, coefficients, Image.Resampling.BICUBIC)
    return _jpeg(flat)


# ---- as it looks -----------------------------------------------------------------------------------


def looked(copy: bytes, look: Look) -> bytes:
    """A copy for the screen as the photo is to look, as JPEG."""
    image = Image.open(io.BytesIO(copy)).convert("RGB")
    return _jpeg(_cut(image, image.size, look, Crop(0, 0, 1, 1), size(image.size, look)))


def printed(file: Path, look: Look, crop: Crop, pixels: tuple[int, int]) -> Image.Image:
    """The part of a photo that is printed, from its file, in so many pixels, in sRGB. Raises `FieldError`."""
    image = _open(file.read_bytes(), file.name)
    upright = _upright_size(image)
    whole = size(upright, look)
    wanted = max(pixels[0] / crop.width / whole[0], pixels[1] / crop.height / whole[1])
    longest = max(1, round(max(upright) * min(1.0, wanted)))
    try:
        image.draft(None, _within(image.size, longest))
        plain = _plain(_upright(_reduced(image, longest)))
    except BROKEN as error:
        raise FieldError(file.name, "", f"this picture is broken ({error})", "copy the file again") from None
    return _cut(plain, upright, look, crop, pixels)


def _cut(image: Image.Image, upright: tuple[int, int], look: Look, crop: Crop, to: tuple[int, int]) -> Image.Image:
    """A crop of a plain, upright image (`upright` is its true size in pixels) as it looks, in so many pixels."""
    corners = [(crop.x, crop.y), (crop.x + crop.width, crop.y), (crop.x, crop.y + crop.height)]
    spots = [unseen(look, upright, *corner) for corner in corners]
    (x0, y0), (x1, y1), (x2, y2) = [(x * image.width, y * image.height) for x, y in spots]
    across, down = (abs(x1 - x0) + abs(y1 - y0)) / to[0], (abs(x2 - x0) + abs(y2 - y0)) / to[1]
    if look.straighten or look.turn % 4:
        # Made smaller first: one step of an affine transform looks at few pixels and would leave jagged edges.
        factor = max(1, int(min(across, down)))
        if factor > 1:
            image = image.reduce(factor)
            x0, y0, x1, y1, x2, y2 = (v / factor for v in (x0, y0, x1, y1, x2, y2))
        steps = ((x1 - x0) / to[0], (x2 - x0) / to[1], x0, (y1 - y0) / to[0], (y2 - y0) / to[1], y0)
        image = image.transform(to, Image.Transform.AFFINE, steps, Image.Resampling.BICUBIC)
    else:
        box = (max(0.0, x0), max(0.0, y0), min(float(image.width), x1), min(float(image.height), y2))
        if (to, box) != (image.size, (0, 0, *image.size)):
            image = image.resize(to, Image.Resampling.LANCZOS, box, reducing_gap=3.0)
    return toned(image, look)


def toned(image: Image.Image, look: Look) -> Image.Image:
    """Lightened or darkened along a curve that keeps black black and white white; without colour where asked."""
    if look.black_and_white:
        image = ImageOps.grayscale(image).convert("RGB")
    if look.lighten:
        power = 2 ** (-look.lighten / 100)
        curve = [round(255 * (v / 255) ** power) for v in range(256)]
        image = image.point(curve * 3)
    return image


def grid(copy: bytes, look: Look, crop: Crop, longest: int) -> tuple[int, int, list[tuple[int, int, int]]]:
    """A crop of a screen copy as few pixels: width, height, and their sRGB values row by row."""
    image = Image.open(io.BytesIO(copy)).convert("RGB")
    w, h = size(image.size, look)
    to = _within((max(1, round(w * crop.width)), max(1, round(h * crop.height))), longest)
    small = _cut(image, image.size, look, crop, to)
    values = small.tobytes()
    return to[0], to[1], [(values[k], values[k + 1], values[k + 2]) for k in range(0, len(values), 3)]


def cut_out(data: bytes, shares: Sequence[tuple[float, float, float, float]]) -> list[bytes]:
    """Parts of a picture as JPEG, each from its left, top, right and bottom edge in shares of the picture."""
    image = Image.open(io.BytesIO(data)).convert("RGB")
    wide, high = image.size
    found = list[bytes]()
    for share in shares:
        left, top, right, bottom = (round(v * side) for v, side in zip(share, (wide, high) * 2, strict=True))
        box = max(0, left), max(0, top), min(wide, max(left + 1, right)), min(high, max(top + 1, bottom))
        out = io.BytesIO()
        image.crop(box).save(out, "JPEG", quality=90)
        found.append(out.getvalue())
    return found


# ---- reading ---------------------------------------------------------------------------------------


@cache
def _know_heic() -> None:
    from pillow_heif import register_heif_opener

    register_heif_opener()


def _open(data: bytes, name: str) -> ImageFile.ImageFile:
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
    except (*BROKEN, Image.DecompressionBombError) as error:
        raise FieldError(name, "", f"this picture is broken ({error})", "copy the file again") from None
    if image.format == "MPO":  # a JPEG with a second picture behind it, as some cameras write
        image.format = "JPEG"
    if image.format not in KINDS:
        raise FieldError(name, "", f"this is a {image.format} file", "save it as JPEG, PNG, WebP or HEIC")
    allowed = MOST_PIXELS.get(image.format, MOST_PIXELS_WHOLE)
    if image.width * image.height > allowed:
        size = f"{image.width} × {image.height}"
        most = f"more than {allowed // 1_000_000} million pixels"
        raise FieldError(name, size, most, "make it smaller first")
    return image


def _taken(image: Image.Image) -> str | None:
    """When the picture was taken, as an ISO time without a zone, where the file says so."""
    try:
        exif = image.getexif()
        own = exif.get_ifd(ExifTags.IFD.Exif)
    except BROKEN:
        return None
    for written in (
        own.get(ExifTags.Base.DateTimeOriginal),
        own.get(ExifTags.Base.DateTimeDigitized),
        exif.get(ExifTags.Base.DateTime),
    ):
        try:
            return datetime.strptime(str(written).strip("\x00 "), "%Y:%m:%d %H:%M:%S").isoformat()
        except ValueError:
            continue
    return None


_XMP = re.compile(rb"<dc:description>.*?<rdf:li[^>]*>(.*?)</rdf:li>", re.DOTALL)


def _caption(image: ImageFile.ImageFile) -> str:
    """What the file says of the picture: its EXIF description, else that of IPTC, of XMP, or a PNG's own text."""
    try:
        for written in _captions(image):
            words = " ".join(written.replace("\x00", " ").split())
            if words:
                return words[:2000]
    except BROKEN:
        pass
    return ""


def _captions(image: ImageFile.ImageFile) -> Iterable[str]:
    yield _text(image.getexif().get(ExifTags.Base.ImageDescription))
    iptc = IptcImagePlugin.getiptcinfo(image) or {} if image.format == "JPEG" else {}
    found = iptc.get((2, 120))
    yield _text(found[0] if isinstance(found, list) and found else found)
    xmp = image.info.get("xmp") or b""
    described = _XMP.search(xmp.encode() if isinstance(xmp, str) else xmp)
    yield html.unescape(described[1].decode("utf-8", "replace")) if described else ""
    yield _text(image.info.get("Description") or image.info.get("Title"))


def _text(written: object) -> str:
    if isinstance(written, bytes):
        return plain(written.decode("utf-8", "replace"))
    text = written if isinstance(written, str) else ""
    try:  # EXIF has one byte a letter, into which most programs write UTF-8
        return plain(text.encode("latin-1").decode("utf-8"))
    except UnicodeError:
        return plain(text)


def _likeness(image: Image.Image) -> str:
    """Alike pictures differ in few bits: each says whether a spot is lighter than its right neighbour."""
    small = image.convert("L").resize((9, 8), Image.Resampling.BOX)
    values = small.tobytes()
    bits = 0
    for y in range(8):
        for x in range(8):
            bits = bits << 1 | (values[y * 9 + x] > values[y * 9 + x + 1])
    return f"{bits:016x}"


# ---- colours ---------------------------------------------------------------------------------------


@cache
def _srgb() -> ImageCms.ImageCmsProfile:
    return ImageCms.ImageCmsProfile(ImageCms.createProfile("sRGB"))


def _plain(image: Image.Image) -> Image.Image:
    """In sRGB, what is clear laid on white."""
    if image.mode.startswith("I;16") or image.mode in ("I", "F"):
        return _eight_bits(image).convert("RGB")
    if image.mode in ("P", "PA") or (image.mode == "1"):
        image = image.convert("RGBA" if "transparency" in image.info or image.mode == "PA" else "RGB")
    elif "transparency" in image.info and image.mode in ("L", "RGB"):
        image = image.convert("RGBA")
    clear = image.getchannel("A") if image.mode in ("RGBA", "LA") else None
    if clear is not None:
        flat = image.convert("RGB" if image.mode == "RGBA" else "L")
        flat.info = image.info
        image = flat
    colours = _to_srgb(image)
    if clear is not None:
        colours = Image.composite(colours, Image.new("RGB", colours.size, "white"), clear)
    return colours


def _to_srgb(image: Image.Image) -> Image.Image:
    """By the profile that the file carries; without a usable one, as if it were sRGB."""
    profile = image.info.get("icc_profile")
    if profile and image.mode in ("RGB", "L", "CMYK", "LAB"):
        try:
            source = ImageCms.ImageCmsProfile(io.BytesIO(profile))
            found = ImageCms.profileToProfile(image, source, _srgb(), outputMode="RGB")
            if found is not None:
                return found
        except (ImageCms.PyCMSError, OSError, ValueError):
            pass
    return image if image.mode == "RGB" else image.convert("RGB")


def _eight_bits(image: Image.Image) -> Image.Image:
    """A grey picture of 16 bits, each value divided by 257."""
    wide = image.convert("I")
    return wide.point([min(255, v // 257) for v in range(65536)], "L")


def _jpeg(image: Image.Image, quality: int = 88) -> bytes:
    out = io.BytesIO()
    clean = image if not image.info else image.copy()
    clean.info = {}
    clean.save(out, "JPEG", quality=quality)
    return out.getvalue()
