"""Photos in: right way up, with their date; what is no picture says so."""

from __future__ import annotations

import io
from pathlib import Path

import pytest
from PIL import ExifTags, Image, ImageDraw, PngImagePlugin

from tests.pictures import huge_png
from ulna.core.errors import FieldError
from ulna.core.photos.crop import Crop
from ulna.core.photos.look import Look
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


def test_the_date_and_the_caption_of_the_file_are_kept() -> None:
    """As the camera and its owner wrote them, the date without a zone."""
    exif = Image.Exif()
    exif.get_ifd(ExifTags.IFD.Exif)[ExifTags.Base.DateTimeOriginal] = "2026:03:07 06:41:12"
    exif[ExifTags.Base.ImageDescription] = "Our pilot,  at sunrise"
    found = pictures.read(saved(corner_marked(), exif=exif), "a")
    assert (found.taken, found.caption) == ("2026-03-07T06:41:12", "Our pilot, at sunrise")
    bare = pictures.read(saved(corner_marked()), "a")
    assert (bare.taken, bare.caption) == (None, "")


def test_a_caption_may_stand_in_other_places() -> None:
    """In XMP, and as a PNG's own text; letters beyond ASCII are read as they were meant."""
    xmp = b"<x><dc:description><rdf:Alt><rdf:li>Mist &amp; reeds</rdf:li></rdf:Alt></dc:description></x>"
    assert pictures.read(saved(corner_marked(), xmp=xmp), "a").caption == "Mist & reeds"
    info = PngImagePlugin.PngInfo()
    info.add_text("Description", "Wharf")
    assert pictures.read(saved(corner_marked(), "PNG", pnginfo=info), "a").caption == "Wharf"


def located() -> bytes:
    """A JPEG that says where and with what it was taken."""
    exif = Image.Exif()
    exif[ExifTags.Base.Make] = "a camera"
    place = exif.get_ifd(ExifTags.IFD.GPSInfo)
    place[ExifTags.GPS.GPSLatitudeRef] = "N"
    place[ExifTags.GPS.GPSLatitude] = (52.0, 30.0, 0.0)
    return saved(corner_marked((600, 400)), exif=exif)


def test_what_leaves_carries_no_place_and_no_camera() -> None:
    """Neither the copies, nor a look of them, nor what is printed."""
    data = located()
    assert Image.open(io.BytesIO(data)).getexif().get_ifd(ExifTags.IFD.GPSInfo)
    found = pictures.read(data, "a")
    made = [found.view, found.thumb, pictures.looked(found.view, Look(turn=1, lighten=20))]
    for copy in made:
        assert not Image.open(io.BytesIO(copy)).getexif() and b"camera" not in copy


def test_the_same_file_is_told_by_its_digest_and_a_likeness_by_its_lightness() -> None:
    """A picture saved again has another digest and nearly the same likeness; another picture has neither."""
    picture = Image.effect_mandelbrot((400, 300), (-2, -1, 1, 1), 40).convert("RGB")
    one, again = pictures.read(saved(picture), "a"), pictures.read(saved(picture, quality=60), "b")
    other = pictures.read(saved(picture.transpose(Image.Transpose.FLIP_LEFT_RIGHT)), "c")
    assert one.digest == pictures.read(saved(picture), "d").digest != again.digest
    differ = [bin(int(one.likeness, 16) ^ int(x.likeness, 16)).count("1") for x in (again, other)]
    assert differ[0] <= 3 < differ[1]


# ---- colours ---------------------------------------------------------------------------------------


def middle(found: pictures.Picture) -> tuple[int, ...]:
    view = Image.open(io.BytesIO(found.view))
    return view.getpixel((view.width // 2, view.height // 2))  # type: ignore[return-value]


def test_ink_colours_become_colours_of_light() -> None:
    """CMYK without a profile: full magenta and yellow are red, no ink is white."""
    assert middle(pictures.read(saved(Image.new("CMYK", (40, 40), (0, 255, 255, 0))), "a"))[0] > 200
    assert min(middle(pictures.read(saved(Image.new("CMYK", (40, 40))), "a"))) > 250


def test_sixteen_bits_keep_their_grey() -> None:
    """32768 of 65535 is the middle, also where the picture is large."""
    for side in (40, 4000):
        grey = Image.new("I;16", (side, side), 32768)
        assert middle(pictures.read(saved(grey, "PNG"), "a"))[0] == pytest.approx(127, abs=2)


def wide_profile() -> bytes:
    """A profile whose green is far greener than that of sRGB, as 3 × 3 matrix and gamma 2.2."""
    import struct

    def fixed(value: float) -> bytes:
        return struct.pack(">i", round(value * 65536))

    def xyz(x: float, y: float, z: float) -> bytes:
        return b"XYZ " + bytes(4) + fixed(x) + fixed(y) + fixed(z)

    curve = b"curv" + bytes(4) + struct.pack(">IH", 1, round(2.2 * 256)) + bytes(2)
    tags = [(b"rXYZ", xyz(0.60974, 0.31111, 0.01947)), (b"gXYZ", xyz(0.20528, 0.62567, 0.06087)),
            (b"bXYZ", xyz(0.14919, 0.06322, 0.74457)), (b"wtpt", xyz(0.9642, 1.0, 0.8249)),
            (b"rTRC", curve), (b"gTRC", curve), (b"bTRC", curve)]  # fmt: skip
    at, table, body = 128 + 4 + 12 * len(tags), b"", b""
    for name, data in tags:
        table += name + struct.pack(">II", at + len(body), len(data))
        body += data
    size = at + len(body)
    head = struct.pack(">I4sI4s4s4s", size, b"    ", 0x02100000, b"mntr", b"RGB ", b"XYZ ") + bytes(12)
    head += b"acsp" + bytes(24) + fixed(0.9642) + fixed(1.0) + fixed(0.8249)
    return head + bytes(128 - len(head)) + struct.pack(">I", len(tags)) + table + body


def test_a_wide_gamut_is_brought_to_that_of_the_screen() -> None:
    """The same numbers mean a stronger colour there: a dull orange becomes a stronger one. Grey stays grey."""

    def shown(colour: tuple[int, int, int], profile: bytes) -> tuple[int, ...]:
        return middle(pictures.read(saved(Image.new("RGB", (40, 40), colour), "PNG", icc_profile=profile), "a"))

    orange, grey = shown((180, 120, 90), wide_profile()), shown((120, 120, 120), wide_profile())
    assert orange[0] > 186 and orange[2] < 89
    assert max(grey) - min(grey) <= 3
    assert shown((180, 120, 90), b"nonsense") == pytest.approx((180, 120, 90), abs=3)


def test_what_is_clear_lies_on_white() -> None:
    """A PNG with transparency prints on paper."""
    clear = Image.new("RGBA", (20, 20), (255, 0, 0, 0))
    view = Image.open(io.BytesIO(pictures.read(saved(clear, "PNG"), "a").view))
    assert view.getpixel((10, 10)) == (255, 255, 255)


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
        (huge_png(), "a.jpg: more than 70 million pixels, read '30000 × 30000'; make it smaller first"),
    ],
    ids=["empty", "text", "svg", "cut short", "gif", "huge"],
)  # fmt: skip
def test_what_is_no_picture_is_refused_with_the_reason(data: bytes, sentence: str) -> None:
    """And with what would do."""
    with pytest.raises(FieldError) as refused:
        pictures.read(data, "a.jpg")
    assert refused.value.sentence.startswith(sentence)


def test_a_picture_of_one_pixel_is_one() -> None:
    """Nothing is too small to be looked at."""
    found = pictures.read(saved(Image.new("RGB", (1, 1), "red"), "PNG"), "a")
    assert (found.width, found.height) == (1, 1)


# ---- as they look and as they print ----------------------------------------------------------------


def test_a_look_turns_straightens_and_takes_colour_away() -> None:
    """The red corner goes from upper left to upper right; two degrees cut a little off; grey has no hue."""
    view = pictures.read(saved(corner_marked((600, 400)), quality=95), "a").view
    turned = Image.open(io.BytesIO(pictures.looked(view, Look(turn=1))))
    assert turned.size == (400, 600) and is_red(turned, 390, 10) and not is_red(turned, 10, 10)
    assert Image.open(io.BytesIO(pictures.looked(view, Look(straighten=2)))).size == (570, 380)
    grey = Image.open(io.BytesIO(pictures.looked(view, Look(black_and_white=True)))).getpixel((10, 10))
    assert max(grey) - min(grey) <= 2  # type: ignore[arg-type, type-var, operator]


def test_lightening_leaves_black_and_white_alone() -> None:
    """100 makes the middle of 255 about 180, −100 about 64."""
    ramp = saved(Image.frombytes("L", (3, 1), bytes([0, 128, 255])).resize((300, 100), 0).convert("RGB"), "PNG")
    for lighten, middle_ in ((100, 181), (-100, 64)):
        found = Image.open(io.BytesIO(pictures.looked(ramp, Look(lighten=lighten))))
        assert [found.getpixel((x, 50))[0] for x in (20, 150, 280)] == pytest.approx([0, middle_, 255], abs=4)  # type: ignore[index]


@pytest.mark.parametrize("turn", range(4))
@pytest.mark.parametrize("orientation", [1, 6])
def test_a_crop_is_printed_to_the_pixel(tmp_path: Path, turn: int, orientation: int) -> None:
    """A grid of squares of 10 pixels: the crop begins and ends at those it should, whatever the turn."""
    squares = Image.new("L", (40, 30))
    for x in range(40):
        for y in range(30):
            squares.putpixel((x, y), (x * 30 + y) % 199 + 20)
    big = squares.resize((400, 300), Image.Resampling.NEAREST)
    exif = Image.Exif()
    exif[ExifTags.Base.Orientation] = orientation
    stored = big.transpose(Image.Transpose.ROTATE_90) if orientation == 6 else big
    file = tmp_path / "grid.png"
    stored.save(file, exif=exif)
    seen = big.rotate(-90 * turn, expand=True)
    crop = Crop(0.1, 0.2, 0.5, 0.4)
    box = [round(v) for v in (0.1 * seen.width, 0.2 * seen.height, 0.6 * seen.width, 0.6 * seen.height)]
    wanted = seen.crop(tuple(box))
    made = pictures.printed(file, Look(turn=turn), crop, wanted.size).convert("L")
    for x in range(5, wanted.width, 10):
        for y in range(5, wanted.height, 10):
            assert made.getpixel((x, y)) == pytest.approx(wanted.getpixel((x, y)), abs=1)


def test_a_large_file_is_read_small_for_a_small_print(tmp_path: Path) -> None:
    """24 million pixels for a print of 2 × 3 in: right in size and place."""
    file = tmp_path / "large.jpg"
    corner_marked((6000, 4000)).save(file, quality=80)
    made = pictures.printed(file, Look(), Crop(0, 0, 1, 1), (900, 600))
    assert made.size == (900, 600) and is_red(made, 280, 180) and not is_red(made, 320, 220)


def test_the_colours_of_a_crop_are_a_few_pixels() -> None:
    """Of the upper left third: all red."""
    view = pictures.read(saved(corner_marked((600, 400)), quality=95), "a").view
    width, height, values = pictures.grid(view, Look(), Crop(0.02, 0.02, 0.25, 0.25), 12)
    assert (width, height, len(values)) == (12, 8, 96)
    assert all(r > 200 and g < 60 for r, g, _ in values)


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
