"""A photo: one print and the mats under it."""

from __future__ import annotations

import pytest

from tests.core.examples import HERON, LOCK, ground, mat, said, size, worked
from ulna.core.measure import inches, parse
from ulna.core.page_formats import of_kind
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.place import Across, Down, Place
from ulna.core.parts.printed import print_words
from ulna.core.photos.prints import Print

PHOTOS = {"heron": HERON, "lock": LOCK}


def test_pieces_come_from_the_outer_mat_upward_to_the_print() -> None:
    """As they lie on the page."""
    part = PhotoPart("p", Print("heron"), (mat("1/8"), mat("1/4")))
    built = worked(part, ground(photos=PHOTOS))
    assert [p.name for p in built.pieces] == ["mat 2 of Heron", "mat 1 of Heron", "Heron"]
    assert [p.id for p in built.pieces] == ["p/mat-2", "p/mat-1", "p/print"]


def test_a_print_without_mats_is_as_large_as_it_is() -> None:
    """4 × 6, and nothing under it."""
    built = worked(PhotoPart("p", Print("heron")), ground(photos=PHOTOS))
    assert (size(built.width, built.height), len(built.pieces)) == ("4 × 6", 1)


def test_the_picture_fills_what_the_rim_leaves() -> None:
    """A rim of 1/8 in makes the picture of a 4 × 6 print 3 3/4 × 5 3/4, which crops it a little."""
    rimmed = worked(PhotoPart("p", Print("heron", rim=parse("1/8"))), ground(photos=PHOTOS)).pieces[0].picture
    bare = worked(PhotoPart("p", Print("heron")), ground(photos=PHOTOS)).pieces[0].picture
    assert rimmed is not None and bare is not None and rimmed.crop is not None and bare.crop is not None
    assert bare.crop.lost == pytest.approx(0) and 0 < rimmed.crop.lost < 0.03


def test_a_place_for_a_photo_needs_no_photo() -> None:
    """The mats are cut all the same."""
    built = worked(PhotoPart("p", Print(), (mat("1/4"),)), ground())
    assert built.pieces[0].name == "mat of photo" and built.findings == ()


def test_a_photo_that_was_put_away_is_told() -> None:
    """Its place stays."""
    built = worked(PhotoPart("p", Print("gone")), ground(photos=PHOTOS))
    assert [f.sentence for f in built.findings] == ["This photo is no longer among the photos."]


@pytest.mark.parametrize(
    ("print_", "said"),
    [
        (Print("heron"), "Photo Heron, 4 × 6 upright"),
        (Print("lock", inches(6), inches(4)), "Photo Lock, 6 × 4 sideways"),
        (Print("lock", inches(3), inches(3), parse("1/8")), "Photo Lock, 3 × 3 square, rim 1/8"),
        (Print(), "A photo, 4 × 6 upright"),
    ],
)
def test_a_print_is_said_with_the_way_it_lies(print_: Print, said: str) -> None:
    """Upright, lying or square."""
    assert print_words(print_, ground(photos=PHOTOS)) == said


def test_the_whole_part_is_one_sentence() -> None:
    """As one would say it to somebody at the table."""
    place = Place("left", Across(), Down("top", inches(2)))
    part = PhotoPart("p", Print("heron"), (mat("1/8"), mat("1/4", gutted=True)), place)
    assert said(part, ground(of_kind("12x12", 2), photos=PHOTOS)) == (
        "Photo Heron, 4 × 6 upright, mat 1/8 paper not chosen yet, mat 1/4 paper not chosen yet, gutted; "
        "on the left page, centred across, 2 from the top."
    )
