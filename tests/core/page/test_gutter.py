"""A photo over the gutter: its halves, and faces that must not lie on the cut."""

from __future__ import annotations

from dataclasses import replace

from hypothesis import given
from hypothesis import strategies as st

from tests.core.examples import LOCK, ground, paper, size
from ulna.core.findings import Finding
from ulna.core.geometry import polygons
from ulna.core.geometry.figures import outline
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, inches, parse
from ulna.core.page.evaluate import evaluate
from ulna.core.page.gutter import CLEAR, line_on
from ulna.core.page.halves import halved
from ulna.core.page.plan import PagePlan
from ulna.core.page_formats import of_kind
from ulna.core.parts.kinds.photo import PhotoPart, filling
from ulna.core.parts.pieces import Ground, PaperChoice, Piece
from ulna.core.parts.place import Across, Down, Place
from ulna.core.photos.crop import Face, Framing
from ulna.core.photos.prints import Print

DOUBLE = of_kind("12x12", 2)


def with_faces(*faces: Face) -> Ground:
    return ground(DOUBLE, photos={"lock": replace(LOCK, framing=Framing(faces=faces))})


def lying(left: str, width: str = "6", height: str = "4") -> PhotoPart:
    place = Place("spread", Across("left", parse(left)), Down("top", inches(2)))
    return PhotoPart("p", Print("lock", parse(width), parse(height)), (), place)


def told(part: PhotoPart, on: Ground) -> list[Finding]:
    return list(evaluate(PagePlan("x", DOUBLE, parts=(part,)), on).findings)


def test_each_half_has_its_own_size() -> None:
    """6 × 4 from 10 in: 2 in go on the left page, 4 on the right."""
    page = evaluate(PagePlan("x", DOUBLE, parts=(lying("10"),)), with_faces())
    assert [size(p.rect.width, p.rect.height) for p in page.pieces] == ["2 × 4", "4 × 4"]
    assert [f.sentence for f in page.findings] == [
        "Lock is cut at the gutter, 2 from its left edge: 2 × 4 goes left, 4 × 4 right."
    ]
    found = line_on(page.pieces[0], inches(12))
    assert found is None or found.share == 1 / 3


def test_a_face_on_the_cut_is_told_with_the_nearest_place_that_clears_it() -> None:
    """A face 1 in high in the middle of a 6 × 4: from 2 1/2 to 3 1/2 in; the cut at 3 in goes through it."""
    on = with_faces(Face(0.5, 0.5, 0.25))
    finding = told(lying("9"), on)[1]
    assert finding.sentence == "A face is cut through; the nearest place that clears it is 1 1/2 to the right."
    assert [r.says for r in finding.remedies] == ["Move it 1 1/2 to the right"]
    mended = finding.remedies[0].part
    assert isinstance(mended, PhotoPart) and mended.place.across.by == parse("10 1/2")
    assert [f.code for f in told(mended, on)] == ["gutter"]


def test_a_face_within_an_inch_is_told_too() -> None:
    """Its edge 1/2 in from the cut; an inch away it is left in peace."""
    near = told(lying("8"), with_faces(Face(0.5, 0.5, 0.25)))
    assert near[1].sentence.startswith("A face is only 1/2 from the cut")
    assert [f.code for f in told(lying("7 1/2"), with_faces(Face(0.5, 0.5, 0.25)))] == ["gutter"]


def test_a_photo_as_large_as_the_spread_moves_in_its_frame() -> None:
    """It cannot move itself: the picture is moved under the cut, where it has something to spare."""
    on = with_faces(Face(0.49, 0.5, 0.1))
    part = filling(lying("0"), "spread", DOUBLE)
    part = replace(part, print=replace(part.print, width=inches(24), height=inches(18)))
    finding = next(f for f in told(part, on) if f.code == "face-gutter")
    mended = finding.remedies[0].part
    assert isinstance(mended, PhotoPart)
    assert "face-gutter" not in [f.code for f in told(mended, on)]


marked = st.builds(Face, st.floats(0.1, 0.9), st.floats(0.2, 0.8), st.floats(0.05, 0.3))


@given(st.lists(marked, min_size=1, max_size=3), st.integers(7 * 16, 12 * 16 - 1))
def test_the_place_that_is_offered_clears_every_face(faces: list[Face], sixteenths: int) -> None:
    """On marks, whatever the faces."""
    on = with_faces(*faces)
    part = lying("0")
    part = replace(part, place=replace(part.place, across=Across("left", inches(0, sixteenths, 16))))
    for finding in told(part, on):
        for remedy in finding.remedies:
            if remedy.says.startswith("Move it"):
                assert isinstance(remedy.part, PhotoPart)
                assert on.ruler.on_mark(remedy.part.place.across.by)
                assert "face-gutter" not in [f.code for f in told(remedy.part, on)]


def test_an_inch_is_an_inch() -> None:
    """The distance that faces keep."""
    assert Length(914_400) == CLEAR


def test_halves_of_a_card_that_is_a_figure_between_marks_lie_within_the_card() -> None:
    """A round card of 1 in lies 1/32 left of its marks, half over the fold at 12: each half ends where the
    card does, where nothing more is printed, and at the fold."""
    on = ground(of_kind("12x12", 2), paper("cards"))
    at = Rect(inches(11, 1, 2), inches(2), inches(1), inches(1))
    line = polygons.moved(outline("circle", 1, 1), -1 / 32, 0)
    card = Piece(
        "c",
        "c",
        "card",
        "card",
        at,
        at,
        PaperChoice("cards"),
        outline=line,
        pin=Rect(ZERO, ZERO, at.width, at.height),
    )
    left, right = halved(card, on)
    for half in (left, right):
        off_x, off_y = (half.rect.x - half.uncut.x).inches, (half.rect.y - half.uncut.y).inches
        x1, y1, x2, y2 = polygons.bounds(half.outline)
        assert at.contains(half.rect)
        assert off_x - 1e-6 <= x1 and x2 <= off_x + half.rect.width.inches + 1e-6
        assert off_y - 1e-6 <= y1 and y2 <= off_y + half.rect.height.inches + 1e-6
