"""What may be cut out from under other paper, and what may not."""

from __future__ import annotations

from dataclasses import replace

import pytest
from hypothesis import given, settings

from tests.core import pages
from tests.core.examples import HERON, ground, mat, paper, size
from ulna.core.geometry.figures import Hole
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Ruler, Unit, inches, parse
from ulna.core.page import hidden
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.paper.shelf import Stock
from ulna.core.parts.kinds.base import Base
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.pieces import PaperChoice, Piece
from ulna.core.photos.prints import Print

REED, VELLUM = paper("reed"), replace(paper("mist"), stock=Stock.VELLUM)
ON = ground(None, REED, VELLUM, photos={"heron": HERON})


def box(x: str, y: str, width: str, height: str) -> Rect:
    return Rect(parse(x), parse(y), parse(width), parse(height))


def piece(id: str, at: Rect, paper: str = "reed") -> Piece:
    return Piece(id, id, "panel", id, at, at, PaperChoice(paper))


def won(*pieces: Piece, of: str = "under") -> str | None:
    panel = hidden.panels(pieces, ON.shelf, Ruler()).get(of)
    return size(panel.width, panel.height) if panel else None


UNDER = piece("under", box("0", "0", "12", "12"))


def test_a_panel_is_what_is_covered_less_the_lap_all_round() -> None:
    assert won(UNDER, piece("over", box("1", "1", "10 1/4", "8"))) == "9 1/2 × 7 1/4"


def test_a_covering_piece_that_hangs_over_leaves_the_lap_at_the_edge_of_the_lower_one() -> None:
    assert won(UNDER, piece("over", box("-1", "-1", "14", "14"))) == "11 1/4 × 11 1/4"


def test_two_that_touch_cover_as_one() -> None:
    left, right = piece("left", box("0", "0", "6", "12")), piece("right", box("6", "0", "6", "12"))
    assert won(UNDER, left, right) == "11 1/4 × 11 1/4"


def test_a_gap_between_two_shows_so_the_larger_side_is_taken() -> None:
    left, right = piece("left", box("0", "0", "5", "12")), piece("right", box("5 1/4", "0", "6 3/4", "12"))
    assert won(UNDER, left, right) == "6 × 11 1/4"


@pytest.mark.parametrize(
    ("over", "why"),
    [
        (piece("over", box("1", "1", "10", "10"), "mist"), "vellum is seen through"),
        (replace(piece("over", box("1", "1", "10", "10")), role="tape"), "tape is seen through"),
        (replace(piece("over", box("1", "1", "2 1/2", "10"))), "under 2 in it is not worth the knife"),
    ],
)
def test_nothing_is_won(over: Piece, why: str) -> None:
    assert won(UNDER, over) is None, why


def test_no_hole_under_vellum_even_where_it_lies_between() -> None:
    mist = piece("mist", box("0", "0", "4", "12"), "mist")
    assert won(UNDER, mist, piece("over", box("0", "0", "12", "12"))) == "7 1/4 × 11 1/4"


def test_an_opening_does_not_cover() -> None:
    window = replace(piece("over", box("0", "0", "12", "12")), holes=(Hole.of(box("1", "1", "8", "10")),))
    assert won(UNDER, window) == "2 1/4 × 11 1/4"


def test_what_lies_wholly_over_the_hole_would_fall_through() -> None:
    """Of nine that touch, the middle one would have nothing to be glued to; so only one of them is cut under."""
    row = [piece(f"{k}", box(f"{4 * k}", "0", "4", "12")) for k in range(3)]
    small = piece("loose", box("5", "5", "1", "1"))
    assert won(UNDER, *row) == "11 1/4 × 11 1/4", "each reaches the upper and lower rim"
    grid = [piece(f"{i}{j}", box(f"{4 * i}", f"{4 * j}", "4", "4")) for i in range(3) for j in range(3)]
    assert won(UNDER, *grid) == "3 1/4 × 3 1/4"
    assert won(UNDER, small, *row) == "3 1/4 × 11 1/4", "clear of the small one, which is glued to the lower piece"


def test_a_stack_of_mats_gives_back_the_middle_of_each() -> None:
    """A 4 × 6 print on mats of 1/4 in and 1/2 in on a base."""
    plan = PagePlan(
        "Heron",
        parts=(
            Base("base", choice=PaperChoice("reed")),
            PhotoPart("photo", Print("heron", inches(4), inches(6)), (mat("1/4", "reed"), mat("1/2", "reed"))),
        ),
    )
    found = hidden.panels(evaluate(plan, ON).pieces, ON.shelf, ON.ruler)
    sizes = {id: size(p.width, p.height) for id, p in found.items()}
    assert sizes == {
        "base/base": "4 3/4 × 6 3/4",  # 5 1/2 × 7 1/2 less 2 × 3/8
        "photo/mat-2": "3 3/4 × 5 3/4",  # 4 1/2 × 6 1/2 less 2 × 3/8
        "photo/mat-1": "3 1/4 × 5 1/4",  # 4 × 6 less 2 × 3/8
    }


def test_in_millimetres_the_lap_is_on_the_next_mark() -> None:
    metric = Ruler(Unit.MM, parse("1 mm"))
    panel = hidden.panels([UNDER, piece("over", UNDER.rect)], ON.shelf, metric)["under"]
    assert panel.x == parse("10 mm")  # 3/8 in is 9.525 mm


@settings(max_examples=60)
@given(plan=pages.pages())
def test_a_hole_is_covered_with_the_lap_all_round(plan: PagePlan) -> None:
    """Whatever the page: every panel, grown by the lap, lies within its piece and under what is opaque."""
    on = ground(plan.format, *pages.PAPERS, photos={"heron": HERON})
    pieces = evaluate(plan, on).pieces
    order = [p.id for p in pieces]
    for id, panel in hidden.panels(pieces, on.shelf, on.ruler).items():
        lap = hidden.LAP
        grown = Rect(panel.x - lap, panel.y - lap, panel.width + lap * 2, panel.height + lap * 2)
        under = pieces[order.index(id)]
        assert under.rect.contains(grown)
        assert min(panel.width, panel.height) >= hidden.WORTH_GUTTING
        x, y = grown.x + grown.width.part(1, 3), grown.y + grown.height.part(1, 3)
        over = pieces[order.index(id) + 1 :]
        spots = [(grown.x, grown.y), (x, y), (grown.right - parse("1/64"), grown.bottom - parse("1/64"))]
        for sx, sy in spots:
            assert any(p.rect.contains(Rect(sx, sy, ZERO, ZERO)) for p in over)
