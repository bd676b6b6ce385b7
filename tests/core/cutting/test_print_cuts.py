"""Prints in the cut list: rims cut off, trims, and the cut at the gutter."""

from __future__ import annotations

from tests.core.examples import HERON, LOCK, ground, said_at
from ulna.core.cutting import progress
from ulna.core.cutting.cut_list import CutList
from ulna.core.cutting.print_cuts import print_sheets
from ulna.core.measure import Ruler, inches, parse
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.page_formats import of_kind
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.pieces import Piece
from ulna.core.parts.place import Across, Down, Place
from ulna.core.photos.prints import Print

DOUBLE = of_kind("12x12", 2)


def pieces(*parts: PhotoPart) -> list[Piece]:
    on = ground(DOUBLE, photos={"heron": HERON, "lock": LOCK})
    return list(evaluate(PagePlan("x", DOUBLE, parts=parts), on).pieces)


RIMMED = PhotoPart("p", Print("heron", rim=parse("1/8"), rim_off=True))
OVER = PhotoPart(
    "q",
    Print("lock", inches(6), inches(4), trim=parse("1/4")),
    place=Place("spread", Across("left", inches(10)), Down("top", inches(1))),
)


def test_a_rim_is_cut_off_in_four_cuts() -> None:
    """Left, right, top, bottom, each set from the near edge of what is there then."""
    (sheet,) = print_sheets(pieces(RIMMED), 1, Ruler())
    assert said_at(sheet) == [
        "Set 1/8 from the left of the print.",
        "Set 3 3/4 from the left of the 3 7/8 × 6 part.",
        "Set 1/8 from the top of the 3 3/4 × 6 part.",
        "Set 5 3/4 from the top of the 3 3/4 × 5 7/8 part: piece 1.",
    ]
    assert sheet.print == "print of Heron"


def test_a_photo_over_the_gutter_is_trimmed_first_and_parted_last() -> None:
    """So that both halves come to one height at one setting."""
    (sheet,) = print_sheets(pieces(OVER), 7, Ruler())
    assert said_at(sheet)[-1] == "Set 2 from the left of the 5 1/2 × 3 1/2 part: pieces 7 and 8."
    assert [p.name for p in sheet.pieces] == ["Lock, left half", "Lock, right half"]
    done = progress.tick(sheet, (), sheet.steps[-1].key, True)
    assert len(done) == 5 and len(progress.done(sheet, done)) == 2


def test_a_photo_as_a_tag_is_punched_and_clipped() -> None:
    """2 × 4 as a tag: a quarter of the width, 1/2 in, is clipped off both upper corners with a ruler."""
    tag = PhotoPart("t", Print("heron", inches(2), inches(4), shape="tag", hole=parse("1/2")))
    (sheet,) = print_sheets(pieces(tag), 1, Ruler())
    assert said_at(sheet) == [
        "Take the whole print: piece 1.",
        "Punch a hole of 1/4 in piece 1, its centre 1 from the left edge and 1/2 from the top edge.",
        "Cut piece 1 straight from 1/2 down the left edge to 1/2 along the top edge and from 1 1/2 along the top edge "
        "to 1/2 down the right edge.",
    ]


def test_a_hole_that_would_tear_out_of_a_photo_is_told() -> None:
    on = ground(DOUBLE, photos={"heron": HERON})
    page = evaluate(PagePlan("x", DOUBLE, parts=(PhotoPart("t", Print("heron", hole=parse("1/8"))),)), on)
    (told,) = [f for f in page.findings if f.code == "hole"]
    assert (
        told.sentence == "A hole 1/8 from the top would tear out of a print of 4 × 6; keep it 1/4 from the edges."
    )
    assert page.pieces[-1].holes == () and page.pieces[-1].cut_from is None


def test_a_print_that_is_used_as_it_is_is_not_in_the_list() -> None:
    """Nothing is cut."""
    assert print_sheets(pieces(PhotoPart("p", Print("heron"))), 1, Ruler()) == []


def test_what_is_cut_off_a_print_is_no_scrap() -> None:
    """And a print that changes is told like any other piece."""
    sheet = print_sheets(pieces(RIMMED), 1, Ruler())[0]
    ticked = [step.key for step in sheet.steps]
    assert progress.rests(sheet, ticked) == []
    cuts = CutList((sheet,))
    assert progress.changes(pieces(RIMMED), cuts) == ([], [])
    new, gone = progress.changes(pieces(PhotoPart("p", Print("heron"))), cuts)
    assert new == [] and [p.name for p in gone] == ["Heron"]
