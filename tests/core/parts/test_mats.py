"""Mats: borders add up from the inner layer outward; a gutted mat gives its middle back."""

from __future__ import annotations

from dataclasses import replace

from hypothesis import given
from hypothesis import strategies as st

from tests.core.examples import ground, mat, paper, size
from ulna.core.geometry.rects import Borders
from ulna.core.measure import Length, inches, mm, parse
from ulna.core.paper.shelf import Stock
from ulna.core.parts.mats import Mat, stack
from ulna.core.parts.pieces import PaperChoice

sixteenths = st.integers(1, 80).map(lambda n: inches(0, n, 16))


def test_a_border_of_an_eighth_adds_a_quarter_to_each_direction() -> None:
    """A 4 × 6 print on a 1/8 in mat needs 4 1/4 × 6 1/4."""
    built = stack("p", "Heron", inches(4), inches(6), (mat("1/8"),), ground())
    assert size(built.width, built.height) == "4 1/4 × 6 1/4"
    assert built.arithmetic == "4 × 6 + 2 × 1/8 = 4 1/4 × 6 1/4"


def test_a_stack_adds_each_border_in_turn() -> None:
    """1/8 in then 1/4 in under a 4 × 6: the outer mat is 4 3/4 × 6 3/4 and lies lowest."""
    built = stack("p", "Heron", inches(4), inches(6), (mat("1/8"), mat("1/4")), ground())
    assert [size(p.rect.width, p.rect.height) for p in built.pieces] == ["4 3/4 × 6 3/4", "4 1/4 × 6 1/4"]
    assert (built.inner.x, built.inner.y) == (inches(0, 3, 8), inches(0, 3, 8))


def test_unequal_borders_may_be_heavier_below() -> None:
    """1/4 in all round but 1/2 in below."""
    borders = Borders(*(parse(b) for b in ("1/4", "1/4", "1/4", "1/2")))
    built = stack("p", "Heron", inches(4), inches(6), (Mat(borders),), ground())
    assert size(built.width, built.height) == "4 1/2 × 6 3/4"


def test_a_sliver_on_one_side_only() -> None:
    """A paper that peeks out by 1/8 in on the right."""
    borders = Borders(*(parse(b) for b in ("0", "0", "1/8", "0")))
    built = stack("p", "Heron", inches(4), inches(6), (Mat(borders),), ground())
    assert size(built.width, built.height) == "4 1/8 × 6"
    assert built.inner.x == Length(0)


def test_a_gutted_mat_keeps_border_and_lap() -> None:
    """A 6 × 8 mat with a 3/8 in border keeps 3/8 + 3/8 in all round and gives back 4 1/2 × 6 1/2."""
    built = stack("p", "Heron", parse("5 1/4"), parse("7 1/4"), (mat("3/8", gutted=True),), ground())
    piece = built.pieces[0]
    assert piece.gut is not None
    won = piece.rect.width - piece.gut.across, piece.rect.height - piece.gut.down
    assert size(*won) == "4 1/2 × 6 1/2"


def test_a_panel_under_two_inches_is_not_worth_the_knife() -> None:
    """Gutting a 2 1/2 in mat would win less than 2 × 2 in, so it stays solid, and that is told."""
    built = stack("p", "Heron", inches(2), inches(2), (mat("1/4", gutted=True),), ground())
    assert built.pieces[0].gut is None
    assert [f.sentence for f in built.findings] == ["Mat 1 stays solid: the panel won would be under 2 × 2 in."]


def test_a_lap_is_never_under_a_quarter_of_an_inch() -> None:
    """Less would not hold what is glued on it; it is made 1/4 in, and told."""
    thin = replace(mat("1/4", gutted=True), lap=parse("1/8"))
    built = stack("p", "Heron", inches(5), inches(7), (thin,), ground())
    assert built.pieces[0].gut == Borders.even(parse("1/2"))
    assert [f.sentence for f in built.findings] == ["Mat 1 keeps a lap of 1/4: less would not hold."]


def test_nothing_is_gutted_under_vellum() -> None:
    """The hole would be seen through it."""
    vellum = replace(paper("vellum"), stock=Stock.VELLUM)
    mats = (mat("1/4", "vellum"), mat("1/4", gutted=True))
    built = stack("p", "Heron", inches(5), inches(7), mats, ground(None, vellum))
    assert [p.gut for p in built.pieces] == [None, None]
    assert built.findings[0].sentence == "Mat 2 stays solid: a hole in it would be seen through the vellum above."


def test_a_border_narrower_than_the_repeat_shows_colour_only() -> None:
    """1/8 in of a stripe that repeats every 1/2 in is seen as a colour."""
    on = ground(None, paper("awning", pattern="stripe"))
    built = stack("p", "Heron", inches(4), inches(6), (mat("1/8", "awning"),), on)
    assert "its colour is seen, not the pattern" in built.findings[0].sentence


def test_a_mat_without_any_border_is_told() -> None:
    """A mat that shows nowhere is a sheet wasted."""
    built = stack("p", "Heron", inches(4), inches(6), (mat("0"),), ground())
    assert built.findings[0].code == "hidden"


def test_a_print_off_the_marks_gets_a_mat_on_them() -> None:
    """A print 89 mm wide cannot be matted evenly on sixteenths: the mat is, and what shows is told."""
    built = stack("p", "Heron", mm(89), mm(127), (mat("1/4"),), ground())
    ruler = ground().ruler
    assert ruler.on_mark(built.width) and ruler.on_mark(built.height)
    assert built.findings[0].code == "rounded"


@given(st.lists(sixteenths, min_size=1, max_size=6), sixteenths, sixteenths)
def test_every_layer_is_larger_than_the_one_on_it_by_its_borders(
    borders: list[Length], w: Length, h: Length
) -> None:
    """However many mats: sizes add up, and every piece can be set on the trimmer."""
    mats = tuple(Mat(Borders.even(b), PaperChoice()) for b in borders)
    built = stack("p", "Heron", w, h, mats, ground())
    total = sum((b * 2 for b in borders), Length(0))
    assert (built.width, built.height) == (w + total, h + total)
    assert all(ground().ruler.on_mark(p.rect.width) for p in built.pieces)
    assert built.pieces[0].rect.contains(built.inner)
