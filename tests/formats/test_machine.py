"""Files for a cutting machine, measured by programs that know nothing of ours: a reader of DXF, one of XML."""

from __future__ import annotations

import re
import xml.etree.ElementTree as ET
from io import StringIO

import ezdxf
import pytest

from tests.core.cutting.lists import listed, pieces_of
from tests.core.examples import paper
from ulna.core.cutting.cut_list import CutList
from ulna.core.cutting.directions import says
from ulna.core.cutting.steps import Open
from ulna.core.measure import Ruler, inches
from ulna.core.parts.kinds.title import Title
from ulna.core.parts.lettering import Style
from ulna.core.parts.pieces import PaperChoice
from ulna.formats.machine import as_dxf, as_svg

Points = list[tuple[float, float]]
MM = 25.4
WITHIN = 0.1
"""Millimetres."""


@pytest.fixture(scope="module")
def cuts() -> CutList:
    """ "Hi O" in capitals of 2 in, cut from Ink: H, the two bits of i, O with its counter."""
    title = Title("t", "Hi O", (Style(height=inches(2), papers=(PaperChoice("ink"),)),))
    return listed(pieces_of(title, papers=(paper("ink"),)), paper("ink"))


def in_dxf(text: str) -> dict[str, list[Points]]:
    """The closed lines of each layer in millimetres."""
    drawing = ezdxf.read(StringIO(text))
    assert drawing.units == ezdxf.units.MM
    found: dict[str, list[Points]] = {}
    for line in drawing.modelspace():
        assert line.dxftype() == "LWPOLYLINE" and line.closed  # type: ignore[attr-defined]
        found.setdefault(line.dxf.layer, []).append([(p[0], p[1]) for p in line.get_points()])  # type: ignore[attr-defined]
    return found


def in_svg(text: str) -> list[tuple[Points, list[Points]]]:
    """Each sheet's corners and the lines on it, in millimetres; every line must be closed."""
    root = ET.fromstring(text)
    wide = float((root.get("width") or "").removesuffix("in"))
    assert float((root.get("viewBox") or "").split()[2]) == pytest.approx(wide)
    space = "{http://www.w3.org/2000/svg}"
    found = []
    for sheet in root.findall(f"./{space}g/{space}g"):
        rect = sheet.find(f"{space}rect")
        assert rect is not None
        w, h = float(rect.get("width") or 0) * MM, float(rect.get("height") or 0) * MM
        lines = []
        for path in sheet.iter(f"{space}path"):
            d = path.get("d") or ""
            assert d.upper().endswith("Z")
            numbers = [float(n) * MM for n in re.findall(r"-?\d+(?:\.\d+)?(?:e-?\d+)?", d)]
            lines.append(list(zip(numbers[::2], numbers[1::2], strict=True)))
        found.append(([(0, 0), (w, h)], lines))
    return found


def size(line: Points) -> tuple[float, float]:
    xs, ys = [x for x, _ in line], [y for _, y in line]
    return max(xs) - min(xs), max(ys) - min(ys)


def test_outlines_are_closed_and_as_large_as_they_are(cuts: CutList) -> None:
    """A capital of 2 in is 50.8 mm high, in either file."""
    through = in_dxf(as_dxf(cuts))["through"]
    assert max(size(line)[1] for line in through if size(line)[0] > 15) == pytest.approx(50.8, abs=1.5)
    letters = sorted(size(line) for line in through)
    drawn = sorted(size(line) for _, lines in in_svg(as_svg(cuts)) for line in lines)
    assert len(letters) == len(drawn) == 5
    for one, other in zip(letters, drawn, strict=True):
        assert one == pytest.approx(other, abs=WITHIN)


def test_an_h_is_exactly_a_cap_high(cuts: CutList) -> None:
    """It has flat ends, unlike the O, which overshoots."""
    assert any(size(line)[1] == pytest.approx(50.8, abs=WITHIN) for line in in_dxf(as_dxf(cuts))["through"])


@pytest.mark.parametrize("mirrored", [False, True])
def test_no_outline_leaves_its_sheet(cuts: CutList, mirrored: bool) -> None:
    for (_, (w, h)), lines in in_svg(as_svg(cuts, mirrored)):
        for line in lines:
            assert all(-1e-6 <= x <= w + 1e-6 and -1e-6 <= y <= h + 1e-6 for x, y in line)


def test_mirrored_is_the_same_from_the_back(cuts: CutList) -> None:
    ((corner, lines),) = in_svg(as_svg(cuts))
    ((_, turned),) = in_svg(as_svg(cuts, mirrored=True))
    wide = corner[1][0]
    for one, other in zip(lines, turned, strict=True):
        assert [(wide - x, y) for x, y in one] == [pytest.approx(point, abs=WITHIN) for point in other]


def test_no_two_letters_share_paper(cuts: CutList) -> None:
    """The boxes of what is cut lie clear of each other; a counter lies in its letter."""
    ((_, lines),) = in_svg(as_svg(cuts))
    boxes = [(min(x for x, _ in line), min(y for _, y in line), *size(line)) for line in lines]
    inside = 0
    for k, (x, y, w, h) in enumerate(boxes):
        for x2, y2, w2, h2 in boxes[k + 1 :]:
            apart = x + w <= x2 + 1e-6 or x2 + w2 <= x + 1e-6 or y + h <= y2 + 1e-6 or y2 + h2 <= y + 1e-6
            inside += not apart
    assert inside == 1


def test_an_o_is_cut_out_along_the_template_and_no_size_is_told_that_no_ruler_shows(cuts: CutList) -> None:
    (sheet,) = cuts.sheets
    (counter,) = [step for step in sheet.steps if isinstance(step, Open)]
    told = f"Cut out what is drawn inside piece {counter.piece}, along the template, "
    assert says(counter, sheet, Ruler()).startswith(told)
    assert " × " not in says(counter, sheet, Ruler())
