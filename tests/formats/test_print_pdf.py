"""Print sheets as files, measured by a program that knows nothing of Ulna: the renderer of a browser."""

from __future__ import annotations

import io

import pypdfium2
import pytest
from PIL import Image

from ulna.core.geometry.rects import Borders
from ulna.core.measure import Ruler, Unit, inches, mm, parse
from ulna.core.photos.print_sheets import PrintPaper, PrintSheet, Wanted, plan
from ulna.core.photos.prints import Print
from ulna.formats import print_pdf
from ulna.formats.print_picture import Sheetful, made

DPI = 1016
"""Of the measurement: 0.025 mm a pixel."""
TENTH_MM = DPI / 254


def sheet(unit: Unit = Unit.INCH) -> PrintSheet:
    """A 4 × 6 and a 3 × 3 on letter."""
    ruler = Ruler() if unit is Unit.INCH else Ruler(Unit.MM, mm(1))
    paper = PrintPaper("letter", "letter", inches(8, 1, 2), inches(11), Borders.even(parse("1/4")))
    wanted = [Wanted("a", "A", inches(4), inches(6)), Wanted("b", "B", inches(3), inches(3))]
    return plan([paper], wanted, parse("1/8"), ruler).sheets[0]


def flat(colour: str) -> bytes:
    out = io.BytesIO()
    Image.new("RGB", (40, 60), colour).save(out, "JPEG", quality=95)
    return out.getvalue()


def rendered(pdf: bytes) -> Image.Image:
    return pypdfium2.PdfDocument(pdf)[0].render(scale=DPI / 72).to_pil().convert("RGB")


def extent(picture: Image.Image, channel: int) -> tuple[int, int, int, int]:
    """Where a colour begins and ends: left, top, right, bottom, in pixels."""
    others = [c for k, c in enumerate(picture.split()) if k != channel]
    mask = Image.merge("RGB", (picture.split()[channel], *others)).point(
        [255 if v > 128 else 0 for v in range(256)] + [255 if v < 100 else 0 for v in range(256)] * 2
    )
    box = mask.convert("L").point(lambda v: 255 if v > 250 else 0).getbbox()
    assert box is not None
    return box


def test_prints_are_where_and_as_large_as_they_should_be_within_a_tenth_of_a_millimetre() -> None:
    """A red print and a blue one, each measured on the rendered page."""
    laid = sheet()
    page = rendered(print_pdf.write([(laid, [flat("red"), flat("blue")])], "x"))
    assert page.size == pytest.approx((8.5 * DPI, 11 * DPI), abs=TENTH_MM)
    for placed, channel in zip(laid.placed, (0, 2), strict=True):
        at = [v.inches * DPI for v in (placed.at.x, placed.at.y, placed.at.right, placed.at.bottom)]
        assert extent(page, channel) == pytest.approx(at, abs=TENTH_MM)


@pytest.mark.parametrize(("unit", "millimetres"), [(Unit.INCH, 101.6), (Unit.MM, 100.0)])
def test_the_line_to_measure_by_is_true(unit: Unit, millimetres: float) -> None:
    """4 in or 100 mm, from the outer edge of one end mark to that of the other less the thickness of the pen."""
    laid = sheet(unit)
    assert laid.line is not None
    page = rendered(print_pdf.write([(laid, [flat("red"), flat("blue")])], "x")).convert("L")
    at = laid.line.at
    y = round((at.y.inches + at.height.inches * 0.3) * DPI)
    row = page.crop((round((at.x.inches - 0.1) * DPI), y - 4, round((at.right.inches + 0.1) * DPI), y + 4))
    box = row.point(lambda v: 255 if v < 128 else 0).getbbox()
    assert box is not None
    pen = print_pdf.BAR / 72 * 25.4
    assert (box[2] - box[0]) / DPI * 25.4 - pen == pytest.approx(millimetres, abs=0.1)


def test_a_turned_print_lies_a_quarter_clockwise() -> None:
    """Its upper edge, red, is at the right then."""
    paper = PrintPaper("p", "p", inches(7), inches(5), Borders.even(inches(0)))
    laid = plan([paper], [Wanted("a", "A", inches(5), inches(7))], parse("1/8"), Ruler()).sheets[0]
    assert laid.placed[0].turned
    picture = Image.new("RGB", (50, 70), "blue")
    picture.paste("red", (0, 0, 50, 10))
    out = io.BytesIO()
    picture.save(out, "JPEG", quality=95)
    for page in (
        rendered(print_pdf.write([(laid, [out.getvalue()])], "x")),
        Image.open(io.BytesIO(print_pdf.picture(laid, [out.getvalue()]))),
    ):
        red = page.getpixel((round(page.width * 0.97), page.height // 2))
        blue = page.getpixel((round(page.width * 0.3), page.height // 2))
        assert red[0] > 200 and blue[2] > 200  # type: ignore[index]


def test_the_picture_of_a_sheet_has_300_pixels_an_inch() -> None:
    """And says so, for programs that print it."""
    page = Image.open(io.BytesIO(print_pdf.picture(sheet(), [flat("red"), flat("blue")])))
    assert page.size == (2550, 3300)
    assert page.info["dpi"] == pytest.approx((300, 300), abs=0.1)


def test_the_same_sheets_give_the_same_bytes() -> None:
    """Whenever they are written."""
    sheets = [(sheet(), [flat("red"), flat("blue")])]
    assert print_pdf.write(sheets, "x") == print_pdf.write(sheets, "x")


def test_a_circle_is_white_outside_and_has_a_line_to_cut_along() -> None:
    """The print of a shape lies on white paper, its edge drawn finely."""
    print_ = Print(width=inches(2), height=inches(2), shape="circle", rim=parse("1/8"))
    picture = made(Sheetful(2, 2, (), print_), 150)
    assert picture.size == (300, 300) and picture.getpixel((5, 5)) == (255, 255, 255)
    assert min(picture.getpixel((150, 0))) < 200  # type: ignore[type-var]
