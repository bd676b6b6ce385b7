"""A joint mat: several photos on one block."""

from __future__ import annotations

import pytest

from tests.core.examples import ground, mat, said, size, worked
from ulna.core.measure import inches, parse
from ulna.core.parts.kinds.joint import Joint, block
from ulna.core.photos.prints import Print

TWO = (Print(None, inches(4), inches(6)), Print(None, inches(3), inches(4)))


@pytest.mark.parametrize(
    ("along", "gap", "together"),
    [
        ("row", "1/4", "7 1/4 × 6"),
        ("row", "0", "7 × 6"),
        ("column", "1/4", "4 × 10 1/4"),
        ("column", "0", "4 × 10"),
    ],
)
def test_a_block_adds_up_along_and_takes_the_largest_across(along: str, gap: str, together: str) -> None:
    """Side by side widths add and the tallest counts; stacked it is the other way round."""
    assert size(*block(TWO, along, parse(gap))) == together


def test_the_mat_goes_round_the_whole_block() -> None:
    """Two 4 × 6 prints with 1/8 in between on a 1/4 in mat: 8 1/8 + 1/2 by 6 1/2."""
    part = Joint("j", (Print(), Print()), gap=parse("1/8"), mats=(mat("1/4"),))
    built = worked(part, ground())
    assert size(built.width, built.height) == "8 5/8 × 6 1/2"
    assert built.arithmetic == "4 + 4 + 1/8 = 8 1/8; 8 1/8 × 6 + 2 × 1/4 = 8 5/8 × 6 1/2"
    assert [p.role for p in built.pieces] == ["mat", "print", "print"]


def test_prints_stand_a_gap_apart_and_the_smaller_is_centred() -> None:
    """The second print begins a gap after the first; 3 × 4 beside 4 × 6 stands 1 in lower."""
    built = worked(Joint("j", TWO, gap=parse("1/4"), mats=()), ground())
    first, second = (p.rect for p in built.pieces)
    assert second.x - first.right == parse("1/4")
    assert second.y - first.y == inches(1)


def test_it_is_said_in_one_sentence() -> None:
    """The recipe reads as people speak."""
    told = said(Joint("j", TWO, gap=parse("1/8"), mats=(mat("1/4"),)), ground())
    assert told == (
        "A photo, 4 × 6 upright; A photo, 3 × 4 upright; together in a row, 1/8 apart, "
        "mat 1/4 paper not chosen yet; centred across, centred down."
    )
