"""Papers and photos put on what lies on the page."""

from __future__ import annotations

from dataclasses import replace

import pytest

from tests.core.examples import ground, paper
from ulna.core.errors import FieldError
from ulna.core.measure import Unit, inches, parse
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.page.putting import pour, put_paper, put_photo
from ulna.core.parts.beginning import Beginning
from ulna.core.parts.kind import Entry
from ulna.core.parts.kinds import Part, menu
from ulna.core.parts.kinds.band import Band
from ulna.core.parts.kinds.grid import Cell, Grid
from ulna.core.parts.kinds.joint import Joint
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.mats import Mat
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
