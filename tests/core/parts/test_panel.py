"""A panel: trimmed by t all round, or of a size."""

from __future__ import annotations

import pytest

from tests.core.examples import ground, said, size, worked
from ulna.core.measure import parse
from ulna.core.page_formats import of_kind
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.place import Place


@pytest.mark.parametrize(
    ("kind", "trim", "cut"),
    [
        ("12x12", "1/4", "11 1/2 × 11 1/2"),
        ("12x12", "0", "12 × 12"),
        ("letter-upright", "3/8", "7 3/4 × 10 1/4"),
        ("letter-lying", "3/8", "10 1/4 × 7 3/4"),
        ("notebook", "1/4", "3 3/4 × 7 3/4"),
    ],
)
def test_trimmed_by_t_it_is_smaller_by_two_t(kind: str, trim: str, cut: str) -> None:
    """t off each side leaves (W − 2t) × (H − 2t), so that t shows all round."""
    built = worked(Panel("p", trim=parse(trim)), ground(of_kind(kind)))
    assert size(built.width, built.height) == cut


def test_over_a_spread_it_is_trimmed_from_both_pages_together() -> None:
    """On the spread of two 12 × 12 pages, 1/2 in off each side leaves 23 × 11."""
    built = worked(Panel("p", trim=parse("1/2"), place=Place("spread")), ground(of_kind("12x12", 2)))
    assert size(built.width, built.height) == "23 × 11"
    assert built.arithmetic == "24 × 12 − 2 × 1/2 = 23 × 11"


def test_a_trim_that_leaves_nothing_is_told_with_what_would_do() -> None:
    """Six inches off each side of a 12 in page leaves nothing."""
    built = worked(Panel("p", trim=parse("6")), ground())
    assert built.pieces == ()
    assert built.findings[0].severity == "stop"
    assert "leaves nothing; trim by less than ~ 6" in built.findings[0].sentence


def test_a_size_off_the_marks_is_set_to_them_and_told() -> None:
    """100 mm is cut as 3 15/16 in where the ruler has sixteenths."""
    built = worked(Panel("p", width=parse("100 mm"), height=parse("4")), ground())
    assert size(built.width, built.height) == "3 15/16 × 4"
    assert [f.code for f in built.findings] == ["rounded"]


def test_a_gutted_panel_gives_back_all_but_its_rim() -> None:
    """An 11 × 11 panel gutted to a 1/2 in rim wins 10 × 10."""
    built = worked(Panel("p", trim=parse("1/2"), gutted=True, rim=parse("1/2")), ground())
    gut = built.pieces[0].gut
    assert gut is not None and size(built.width - gut.across, built.height - gut.down) == "10 × 10"


def test_it_is_said_in_one_sentence() -> None:
    """A panel says its trim, its paper and its place."""
    assert said(Panel("p", "shelf", width=parse("11"), height=parse("2 1/2")), ground()) == (
        "Shelf, 11 × 2 1/2, paper not chosen yet; centred across, centred down."
    )
