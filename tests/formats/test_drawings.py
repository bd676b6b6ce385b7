"""Cut lists as PDF, SVG and CSV, and the page's picture: true sizes, measured in what comes out."""

from __future__ import annotations

import csv
import io
import re
import xml.etree.ElementTree as ET

import pytest
from pypdf import PdfReader
from reportlab.pdfbase.ttfonts import TTFont

from tests.core.examples import HERON, ground, mat, paper
from ulna.core.cutting.cut_list import CutList
from ulna.core.cutting.demand import demand
from ulna.core.cutting.listing import cut_list
from ulna.core.cutting.placing import placements
from ulna.core.measure import MARKS, Ruler, Unit, inches
from ulna.core.page.evaluate import Evaluated, evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.page_formats import of_kind
from ulna.core.paper.shelf import Shelf
from ulna.core.parts.kinds.base import Base
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.pieces import PaperChoice
from ulna.core.parts.place import Place
from ulna.core.photos.prints import Print
from ulna.core.planner import plan_cuts
from ulna.formats import cut_csv, cut_pdf, pdf_words, svg
from ulna.formats.documents import read, written
from ulna.formats.faces import SHIPPED

PAPERS = (paper("cream"), paper("ink", strip="1/2"))
NAMES = {"cream": "Cream", "ink": "Ink"}
SVG = "{http://www.w3.org/2000/svg}"


def page() -> Evaluated:
    """A double page: two bases and a photo on two mats over the gutter."""
    photo = PhotoPart(
        "p", Print("heron", inches(6), inches(4)), (mat("1/8", "ink"), mat("1/4", "ink")), Place("spread")
    )
    bases = (Base("l", "left", PaperChoice("cream")), Base("r", "right", PaperChoice("cream")))
    plan = PagePlan("Locks", of_kind("12x12", 2), parts=(*bases, photo))
    return evaluate(plan, ground(plan.format, *PAPERS, photos={"heron": HERON}))


def listed() -> CutList:
    pieces, shelf = page().pieces, Shelf.of(list(PAPERS))
    return cut_list(plan_cuts(demand(pieces, shelf), 10_000), {p.id: p for p in pieces}, shelf, Ruler())


def on_paper(ruler: Ruler | None = None) -> cut_pdf.OnPaper:
    drawn, cuts = page(), listed()
    return cut_pdf.OnPaper(
        "Locks", drawn.format, cuts, placements(drawn.pieces, cuts, drawn.format), ruler or Ruler()
    )


def lines_of(data: bytes, number: int) -> list[tuple[float, float]]:
    """Width and height in points of each rectangle drawn on a page of a PDF."""
    content = PdfReader(io.BytesIO(data)).pages[number].get_contents()
    assert content is not None
    found = re.findall(r"[-\d.]+ [-\d.]+ ([-\d.]+) ([-\d.]+) re", content.get_data().decode("latin-1"))
    return [(float(w), float(h)) for w, h in found]


@pytest.mark.parametrize(("name", "width", "height"), [("letter", 612, 792), ("a4", 595.2756, 841.8898)])
def test_the_pdf_has_true_sizes(name: cut_pdf.PaperSize, width: float, height: float) -> None:
    """Letter is 8½ × 11 in and A4 210 × 297 mm; a 12 in sheet is drawn 3 in wide at 1 : 4."""
    data = cut_pdf.write(on_paper(), name)
    box = PdfReader(io.BytesIO(data)).pages[0].mediabox
    assert (float(box.width), float(box.height)) == (
        pytest.approx(width, abs=0.01),
        pytest.approx(height, abs=0.01),
    )
    assert (216, 216) in lines_of(data, 1)


def test_the_pdfs_line_to_check_by_is_four_inches_long() -> None:
    """288 points; in millimetres it is 100 mm, 283.46 points."""
    for ruler, points in ((Ruler(), 288.0), (Ruler(Unit.MM, MARKS["1 mm"]), 283.4646)):
        data = cut_pdf.write(on_paper(ruler))
        content = PdfReader(io.BytesIO(data)).pages[1].get_contents()
        assert content is not None
        drawn = re.findall(r"([-\d.]+) ([-\d.]+) m ([-\d.]+) ([-\d.]+) l", content.get_data().decode("latin-1"))
        lengths = [float(x2) - float(x1) for x1, y1, x2, y2 in drawn if y1 == y2]
        assert any(length == pytest.approx(points, abs=0.01) for length in lengths)


def test_the_pdf_says_every_piece_and_every_cut() -> None:
    """One line a piece on the first page, then the sheets with their steps, then where each piece goes; a whole sheet
    is one line, and the trimmer has its caution. The same list gives the same bytes."""
    one = cut_pdf.write(on_paper())
    assert one == cut_pdf.write(on_paper())
    pages = [p.extract_text() for p in PdfReader(io.BytesIO(one)).pages]
    assert "6 pieces from 3 sheets" in pages[0]
    assert "Mat 1 of Heron, left half" in pages[0]
    steps = " ".join(pages[1].split())
    assert "from the top of the sheet" in steps and "arm down and locked" in steps
    assert steps.count("Take the whole sheet") == 2 and "On the back: 1 · Base of the left page" in steps
    assert "From the centre" in pages[2] and "left page" in pages[2]


def test_every_sign_the_pdf_uses_is_in_its_fonts() -> None:
    """reportlab drops a sign that is missing without a word."""
    for file in pdf_words.FONTS.values():
        known = TTFont(file, str(pdf_words.FOLDER / file)).face.charToGlyph
        assert all(ord(sign) in known for sign in "0123456789⁄×·~–…“”’½éü")


def test_a_sheet_as_svg_has_its_true_size() -> None:
    """12 in are 12 in, one user unit is one inch, and pieces lie where the plan says."""
    sheet = listed().sheets[-1]
    drawing = ET.fromstring(svg.sheet(sheet, "Ink", Ruler()))
    assert (drawing.get("width"), drawing.get("height"), drawing.get("viewBox")) == ("12in", "12in", "0 0 12 12")
    drawn = [r for r in drawing.iter(f"{SVG}rect") if r.get("class") == "piece"]
    assert [float(r.get("width") or 0) for r in drawn] == [p.rect.width.inches for p in sheet.pieces]


def test_the_page_as_svg_is_as_large_as_the_page_and_shows_its_photos() -> None:
    """24 × 12 in; the photo over the gutter is drawn in both halves."""
    drawing = ET.fromstring(
        svg.page(page(), Shelf.of(list(PAPERS)), lambda id: None, lambda id, look: f"data:{id}", SHIPPED)
    )
    assert (drawing.get("width"), drawing.get("height")) == ("24in", "12in")
    assert [i.get("href") for i in drawing.iter(f"{SVG}image")] == ["data:heron", "data:heron"]


def test_the_page_as_png_has_the_width_that_was_asked() -> None:
    """A picture to send to a friend."""
    from PIL import Image

    png = svg.raster(svg.page(page(), Shelf.of(list(PAPERS)), lambda _: None, lambda *_: None, SHIPPED), 600)
    assert Image.open(io.BytesIO(png)).size == (600, 300)


def test_pieces_as_csv_carry_both_a_readers_and_the_exact_size() -> None:
    """The half of a 6 3/4 × 4 3/4 mat is 3 3/8 × 4 3/4: a number that adds up, and as one says it."""
    rows = list(csv.DictReader(io.StringIO(cut_csv.write(listed(), NAMES, Ruler()))))
    half = next(r for r in rows if r["piece"] == "mat 2 of Heron, left half")
    assert (half["width (in)"], half["height (in)"], half["width as said"]) == ("3.375", "4.75", "3 3/8 in")
    assert (half["paper"], half["side"], half["cut"]) == ("Ink", "A", "")


def test_a_cut_list_goes_out_as_json_and_comes_back_alike() -> None:
    """The list that a page is begun by is kept as it was."""
    assert read(CutList, written(listed())) == listed()
