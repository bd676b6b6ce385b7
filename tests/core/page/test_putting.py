"""Papers and photos put on what lies on the page."""

from __future__ import annotations

from dataclasses import replace

import pytest

from tests.core.examples import ground, paper
from ulna.core.errors import FieldError
from ulna.core.geometry.rects import Rect
from ulna.core.measure import Unit, inches, parse
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.page.putting import PrintChange, keep_for, pour, put_paper, put_photo, reprinted
from ulna.core.parts.beginning import Beginning
from ulna.core.parts.kind import Entry
from ulna.core.parts.kinds import Part, menu
from ulna.core.parts.kinds.band import Band
from ulna.core.parts.kinds.grid import Cell, Grid
from ulna.core.parts.kinds.joint import Joint
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.kinds.tiles import Tiles
from ulna.core.parts.mats import Mat
from ulna.core.parts.opening import Opening
from ulna.core.parts.pieces import PaperChoice
from ulna.core.photos.prints import Print

ON = ground(None, paper("ink"), paper("reach"), paper("slate"))
INK, REACH, SLATE = (PaperChoice(id) for id in ("ink", "reach", "slate"))
TWO_MATS = PhotoPart("photo", mats=(Mat(choice=INK), Mat(choice=INK)))


def plan(*parts: Part) -> PagePlan:
    return PagePlan("p", parts=parts)


def papers(part: Part) -> dict[str, str | None]:
    """The paper of each piece of a part as it lies on the page."""
    return {p.id: p.choice.paper for p in evaluate(plan(part), ON).pieces if p.is_paper}


def test_a_paper_on_a_mat_changes_that_mat() -> None:
    """And not the other one, though both were of one paper."""
    part = put_paper(plan(TWO_MATS), "photo", "photo/mat-2", REACH, ON)
    assert papers(part) == {"photo/mat-2": "reach", "photo/mat-1": "ink"}


def test_a_paper_on_a_strip_changes_the_strips_of_that_paper() -> None:
    """A band takes its papers in turn."""
    band = Band("band", count=4, papers=(INK, REACH))
    pieces = [id for id, of in papers(band).items() if of == "reach"]
    part = put_paper(plan(band), "band", pieces[0], SLATE, ON)
    assert part == replace(band, papers=(INK, SLATE))


def test_without_a_piece_the_first_that_has_none_takes_it() -> None:
    half = replace(TWO_MATS, mats=(Mat(choice=INK), Mat()))
    assert papers(put_paper(plan(half), "photo", None, REACH, ON)) == {"photo/mat-2": "reach", "photo/mat-1": "ink"}


def test_what_is_not_made_of_paper_says_so() -> None:
    with pytest.raises(FieldError, match="not made of paper"):
        put_paper(plan(PhotoPart("photo", mats=())), "photo", None, INK, ON)


@pytest.mark.parametrize("entry", menu(), ids=lambda entry: entry.name)
def test_whatever_is_on_the_menu_takes_paper_where_it_is_pointed_at(entry: Entry) -> None:
    """Any piece of it is of that paper then."""
    page = ON.format
    part = replace(entry.begin(Beginning(Unit.INCH, page.width, page.height)), id="part")
    pieces = [p for p in evaluate(plan(part), ON).pieces if p.is_paper and p.leftover is None]
    for piece in pieces[:4]:
        changed = put_paper(plan(part), "part", piece.whole or piece.id, SLATE, ON)
        assert papers(changed)[piece.id] == "slate"


def test_a_photo_on_a_cell_lies_in_that_cell() -> None:
    """As large as the cell."""
    grid = Grid("grid", rows=2, columns=2, width=inches(8), height=inches(8))
    part = put_photo(plan(grid), "grid", "grid/cell-2-1", "heron", ON)
    assert isinstance(part, Grid)
    (cell,) = part.cells
    assert (cell.row, cell.column, cell.what) == (1, 0, "photo") and cell.print is not None
    assert cell.print.photo == "heron" and cell.print.width == parse("3 3/8")  # (8 − 2 × 1/2 − 1/4) / 2


def test_photos_are_poured_into_the_free_cells_row_by_row() -> None:
    """Not into the title's, nor over a photo that is there; what finds no cell is counted."""
    title, there = Cell(0, 0, what="title"), Cell(0, 1, what="photo", print=Print("lock"))
    grid = Grid("grid", rows=2, columns=2, width=inches(8), height=inches(8), cells=(title, there))
    part, left = pour(plan(grid), "grid", ["a", "b", "c"], ON)
    assert isinstance(part, Grid) and left == 1
    shown = {(c.row, c.column): c.print.photo for c in part.cells if c.print}
    assert shown == {(0, 1): "lock", (1, 0): "a", (1, 1): "b"}


def test_a_joint_mat_takes_photos_and_grows() -> None:
    part, left = pour(plan(Joint("joint", prints=(Print("a"), Print()))), "joint", ["b", "c"], ON)
    assert isinstance(part, Joint) and left == 0 and [p.photo for p in part.prints] == ["a", "b", "c"]


def test_many_prints_are_set_at_once_and_what_is_not_said_stays() -> None:
    """4 × 6 for both: the one that lies sideways lies 6 × 4; the rim is each one's own."""
    upright = PhotoPart("a", print=Print("heron", inches(3), inches(4), rim=inches(0, 1, 8)))
    pair = Joint("b", prints=(Print(None, inches(4), inches(3)), Print(None, inches(2), inches(3))))
    other = PhotoPart("c", print=Print("heron", inches(3), inches(4)))
    after, many = reprinted(
        plan(upright, pair, other), ["a", "b"], PrintChange(width=inches(4), height=inches(6)), inches(0, 1, 16)
    )
    first, second, third = after.parts
    assert isinstance(first, PhotoPart) and isinstance(second, Joint)
    assert (first.print.width, first.print.height, first.print.rim) == (inches(4), inches(6), inches(0, 1, 8))
    assert [(p.width, p.height) for p in second.prints] == [(inches(6), inches(4)), (inches(4), inches(6))]
    assert third == other and many == 3


def test_a_rim_said_for_all_is_even_all_round() -> None:
    """A heavier rim below was one of its own, which goes."""
    heavy = PhotoPart("a", print=Print("heron", inches(4), inches(6), inches(0, 1, 8), below=inches(0, 1, 2)))
    after, _ = reprinted(plan(heavy), ["a"], PrintChange(rim=inches(0, 1, 4)), inches(0, 1, 16))
    assert isinstance(after.parts[0], PhotoPart)
    assert (after.parts[0].print.rim, after.parts[0].print.below) == (inches(0, 1, 4), None)


def test_a_circle_is_as_wide_as_it_is_high() -> None:
    """Of a 4 × 6 it is one of 4."""
    after, _ = reprinted(plan(PhotoPart("a")), ["a"], PrintChange(shape="circle"), inches(0, 1, 16))
    assert isinstance(after.parts[0], PhotoPart)
    assert (after.parts[0].print.width, after.parts[0].print.height) == (inches(4), inches(4))


# ---- tiles ---------------------------------------------------------------------------------------------

COMB = Tiles("comb", size=inches(2), width=inches(6), height=inches(6), papers=(INK, REACH, SLATE))


def test_a_tile_is_pressed_to_be_a_photo_and_a_tile_again() -> None:
    """Six inches hold three squares of two a row."""
    squares = replace(COMB, shape="square")
    spots = evaluate(plan(squares), ON).parts[0].spots
    assert len(spots) == 9 and {spot.what for spot in spots} == {"tile"}
    photo = keep_for(plan(squares), "comb", "comb/tile-1-1", "photo", ON)
    assert isinstance(photo, Tiles) and [(t.row, t.column, t.what) for t in photo.taken] == [(1, 1, "photo")]
    assert keep_for(plan(photo), "comb", "tile-1-1", "tile", ON) == squares


def test_photos_are_poured_into_tiles_but_not_into_those_that_the_edge_trims() -> None:
    """Squares of 4 in on 6: one is whole. The first photo lies in it, and the second finds no place."""
    trimmed = replace(COMB, shape="square", size=inches(4), trimmed=True)
    part, left = pour(plan(trimmed), "comb", ["heron", "heron"], ON)
    assert isinstance(part, Tiles) and len(part.taken) == 1 and left == 1
    edge = next(spot for spot in evaluate(plan(trimmed), ON).parts[0].spots if dict(spot.cannot).get("photo"))
    with pytest.raises(FieldError, match="the edge trims this cell"):
        keep_for(plan(trimmed), "comb", edge.key, "photo", ON)


def test_without_printed_cards_a_tile_says_why_it_can_be_none() -> None:
    with pytest.raises(FieldError, match="no sheet with printed cards is on the shelf"):
        keep_for(plan(replace(COMB, shape="square")), "comb", "tile-0-0", "card", ON)


# ---- openings ------------------------------------------------------------------------------------------

WINDOW = Panel("window", width=inches(5), height=inches(5), openings=(Opening(width=inches(3), height=inches(3)),))


def test_an_opening_is_pressed_for_a_photo_behind_it_and_to_close_it() -> None:
    """Three inches and a lap of 1/8 on both sides are 3 1/4: the smallest usual print that covers it is 4 × 4."""
    (spot,) = evaluate(plan(WINDOW), ON).parts[0].spots
    assert (spot.what, spot.rect) == ("open", Rect(inches(1), inches(1), inches(3), inches(3)))
    filled = put_photo(plan(WINDOW), "window", spot.key, "heron", ON)
    assert isinstance(filled, Panel) and filled.openings[0].print == Print("heron", inches(4), inches(4))
    assert keep_for(plan(filled), "window", spot.key, "open", ON) == WINDOW
    assert keep_for(plan(filled), "window", spot.key, "closed", ON) == replace(WINDOW, openings=())


def test_photos_are_poured_behind_the_openings_that_have_none() -> None:
    """The one that is there keeps its print; two of three photos find no place."""
    two = replace(
        WINDOW,
        width=inches(10),
        openings=(
            Opening(
                width=inches(2), height=inches(2), across=inches(-2), print=Print("wharf", inches(3), inches(4))
            ),
            Opening(width=inches(2), height=inches(2), across=inches(2)),
        ),
    )
    part, left = pour(plan(two), "window", ["heron", "lock", "rain"], ON)
    assert isinstance(part, Panel) and left == 2
    assert [one.print and one.print.photo for one in part.openings] == ["wharf", "heron"]


def test_a_paper_on_an_opening_is_meant_for_what_it_is_cut_into() -> None:
    assert papers(put_paper(plan(WINDOW), "window", "window/opening", REACH, ON)) == {"window/panel": "reach"}


def test_an_opening_in_a_turned_panel_is_pressed_where_it_comes_to_lie() -> None:
    """An inch right of the middle; a quarter turn to the right brings it an inch below the middle."""
    turned = replace(WINDOW, angle=90.0, openings=(Opening(width=inches(1), height=inches(1), across=inches(1)),))
    (spot,) = evaluate(plan(turned), ON).parts[0].spots
    assert spot.rect == Rect(inches(2), inches(3), inches(1), inches(1))
