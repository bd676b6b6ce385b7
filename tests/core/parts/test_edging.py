"""A scalloped edging: whole scallops along a length."""

from __future__ import annotations

import pytest

from tests.core.examples import ground, paper, worked
from ulna.core.geometry.polygons import area
from ulna.core.measure import inches, parse
from ulna.core.page_formats import of_kind
from ulna.core.parts.kinds.edging import Edging, scallops
from ulna.core.parts.pieces import PaperChoice


@pytest.mark.parametrize(
    ("length", "wanted", "n"), [("12", "1/2", 24), ("12", "5/8", 19), ("8 1/4", "3/4", 11), ("1", "3", 1)]
)
def test_as_many_whole_scallops_as_come_nearest(length: str, wanted: str, n: int) -> None:
    """12 ÷ 5/8 is 19.2: nineteen of them, each a little wider; of a short strip there is one."""
    assert scallops(Edging("e", parse(length), scallop=parse(wanted))) == n


@pytest.mark.parametrize("edge", ["bottom", "top"])
def test_it_is_cut_as_a_rectangle_and_then_along_its_scallops(edge: str) -> None:
    """Two scallops of 3 in on a strip of 6 × 2: 6 × 1/2 of strip, and half circles of 1 1/2 in radius: 3 + 7.07."""
    on = ground(of_kind("12x12"), paper("reed"))
    part = Edging("e", inches(6), inches(2), inches(3), edge, PaperChoice("reed"))  # type: ignore[arg-type]
    built = worked(part, on)
    (piece,) = built.pieces
    assert (piece.rect.width, piece.rect.height) == (inches(6), inches(2))
    assert area(piece.outline) == pytest.approx(3 + 7.0686, abs=0.02)
    assert built.arithmetic == "6 ÷ 2 = 3 in a scallop"


def test_scallops_that_nobody_can_cut_are_told() -> None:
    """A sixteenth of an inch each and finer."""
    built = worked(Edging("e", inches(6), scallop=parse("1/32")), ground(of_kind("12x12"), paper("reed")))
    assert not built.is_there and "too small to be cut" in built.findings[0].sentence
