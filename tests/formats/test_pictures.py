"""Photos in: right way up, with their date; what is no picture says so."""

from __future__ import annotations

import io

import pytest
from PIL import ExifTags, Image, ImageDraw

from ulna.core.errors import FieldError
from ulna.formats import pictures


def corner_marked(size: tuple[int, int] = (60, 40)) -> Image.Image:
    """A white picture whose upper left corner is red."""
    image = Image.new("RGB", size, "white")
    ImageDraw.Draw(image).rectangle((0, 0, size[0] // 3, size[1] // 3), fill="red")
    return image


def saved(image: Image.Image, kind: str = "JPEG", **how: object) -> bytes:
    out = io.BytesIO()
    image.save(out, kind, **how)
    return out.getvalue()


def is_red(image: Image.Image, x: int, y: int) -> bool:
    r, g, b = image.convert("RGB").getpixel((x, y))  # type: ignore[misc]
    return bool(r > 180 and g < 90 and b < 90)


@pytest.mark.parametrize("kind", ["JPEG", "PNG", "WEBP", "HEIF"])
def test_each_kind_is_read(kind: str) -> None:
    """JPEG, PNG, WebP and HEIC."""
    pictures._know_heic()
    found = pictures.read(saved(corner_marked(), kind), "a")
    assert (found.width, found.height) == (60, 40)
    assert Image.open(io.BytesIO(found.thumb)).format == "JPEG"


@pytest.mark.parametrize("orientation", range(1, 9))
def test_a_picture_stands_as_it_was_taken(orientation: int) -> None:
    """Whatever way the camera was held, the red corner comes out upper left."""
    undo = {2: 0, 3: 3, 4: 1, 5: 5, 6: 2, 7: 6, 8: 4}  # the turn that exif_transpose will take back
    image = corner_marked()
    stored = image.transpose(Image.Transpose(undo[orientation])) if orientation in undo else image
    exif = Image.Exif()
    exif[ExifTags.Base.Orientation] = orientation
    found = pictures.read(saved(stored, exif=exif), "a")
    view = Image.open(io.BytesIO(found.view))
    assert (found.width, found.height) == view.size == (60, 40)
    assert is_red(view, 5, 5) and not is_red(view, 55, 35)


def test_the_date_of_the_file_is_kept() -> None:
    """As the camera wrote it, without a zone."""
    exif = Image.Exif()
    exif.get_ifd(ExifTags.IFD.Exif)[ExifTags.Base.DateTimeOriginal] = "2026:03:07 06:41:12"
    assert pictures.read(saved(corner_marked(), exif=exif), "a").taken == "2026-03-07T06:41:12"
    assert pictures.read(saved(corner_marked()), "a").taken is None


def test_the_copies_carry_nothing_but_the_picture() -> None:
    """No place, no camera."""
    exif = Image.Exif()
    exif[ExifTags.Base.Make] = "a camera"
    view = Image.open(io.BytesIO(pictures.read(saved(corner_marked(), exif=exif), "a").view))
    assert not view.getexif()


def test_what_is_clear_lies_on_white() -> None:
    """A PNG with transparency prints on paper."""
    clear = Image.new("RGBA", (20, 20), (255, 0, 0, 0))
    view = Image.open(io.BytesIO(pictures.read(saved(clear, "PNG"), "a").view))
    assert view.getpixel((10, 10)) == (255, 255, 255)


def huge_png() -> bytes:
    """The head of a PNG of 20 000 × 20 000."""
    small = saved(Image.new("1", (8, 8)), "PNG")
    import struct
    import zlib

    head = struct.pack(">IIBBBBB", 20_000, 20_000, 1, 0, 0, 0, 0)
    chunk = b"IHDR" + head
    return small[:8] + struct.pack(">I", 13) + chunk + struct.pack(">I", zlib.crc32(chunk)) + small[33:]


@pytest.mark.parametrize(
    ("data", "sentence"),
    [
        (b"", "a.jpg: the file is empty (0 bytes); copy the file again"),
        (b"hello", "a.jpg: this is no picture that can be read; choose a JPEG, PNG, WebP or HEIC file"),
        (b"<svg xmlns='http://www.w3.org/2000/svg'/>",
         "a.jpg: this is an SVG drawing; choose a JPEG, PNG, WebP or HEIC file"),
        (saved(corner_marked((600, 400)))[:900],
         "a.jpg: this picture is broken or cut short"),
        (saved(corner_marked(), "GIF"), "a.jpg: this is a GIF file; save it as JPEG, PNG, WebP or HEIC"),
        (huge_png(), "a.jpg: more than 120 million pixels, read '20000 × 20000'; make it smaller first"),
    ],
    ids=["empty", "text", "svg", "cut short", "gif", "huge"],
)  # fmt: skip
def test_what_is_no_picture_is_refused_with_the_reason(data: bytes, sentence: str) -> None:
    """And with what would do."""
    with pytest.raises(FieldError) as refused:
        pictures.read(data, "a.jpg")
    assert refused.value.sentence.startswith(sentence)


def test_a_photographed_sheet_is_laid_flat_at_its_size() -> None:
    """Seen from aslant, its red corner comes out upper left and it has 150 pixels an inch."""
    photo = Image.new("RGB", (400, 400), "black")
    ImageDraw.Draw(photo).polygon([(100, 80), (330, 100), (360, 350), (60, 330)], fill="white")
    ImageDraw.Draw(photo).polygon([(100, 80), (180, 87), (175, 160), (90, 155)], fill="red")
    corners = [(100 / 400, 80 / 400), (330 / 400, 100 / 400), (360 / 400, 350 / 400), (60 / 400, 330 / 400)]
    flat = Image.open(io.BytesIO(pictures.straightened(saved(photo, "PNG"), corners, 2, 3)))
    assert flat.size == (300, 450)
    assert is_red(flat, 20, 20)
    assert all(min(flat.getpixel(p)) > 200 for p in ((280, 20), (280, 430), (20, 430)))  # type: ignore[type-var]


def test_corners_on_one_line_are_refused() -> None:
    """There is no sheet between them."""
    with pytest.raises(FieldError, match="lie on one line"):
        pictures.straightened(saved(corner_marked()), [(0, 0), (0.5, 0.5), (1, 1), (0, 1)], 2, 2)
