"""Where words may go on a page, and that they go there."""

from __future__ import annotations

from dataclasses import replace

from tests.core.examples import HERON, ground, paper
from tests.core.words.test_title import BLOCK, on
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, inches, parse
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.page.regions import OFF, Offer, offers
from ulna.core.parts.kinds import Part
from ulna.core.parts.kinds.grid import Cell, Grid
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.kinds.title import Title
from ulna.core.parts.kinds.words import Words
from ulna.core.parts.lettering import Style
from ulna.core.parts.pieces import Ground
from ulna.core.parts.place import Across, Down, Place
from ulna.core.photos.prints import Print

TITLE = Title("t", "HERON")


def at(left: str, top: str) -> Place:
    return Place("left", Across("left", parse(left)), Down("top", parse(top)))


def photo(id: str, left: str, top: str) -> PhotoPart:
    return PhotoPart(id, Print("heron", inches(4), inches(6)), (), at(left, top))


def offered(name: str, *parts: Part, of: Ground | None = None, id: str = "t") -> Offer:
    of = of or ground(None, paper("ink"), photos={"heron": HERON})
    (found,) = [one for one in offers(PagePlan("p", format=of.format, parts=parts), id, of) if one.name == name]
    return found


def box(part: Part, *others: Part, of: Ground | None = None) -> Rect:
    of = of or ground(None, paper("ink"), photos={"heron": HERON})
    return evaluate(PagePlan("p", format=of.format, parts=(*others, part)), of).box(part.id)


def inside(found: Rect, left: str, top: str, right: str, bottom: str) -> bool:
    lies = Rect(parse(left), parse(top), parse(right) - parse(left), parse(bottom) - parse(top))
    return lies.contains(found)


def middle(found: Rect) -> tuple[Length, Length]:
    return (found.x + found.right).part(1, 2), (found.y + found.bottom).part(1, 2)


def test_a_title_is_as_large_as_goes_into_the_middle_third() -> None:
    """From 4 to 8 in across: less 1/8 on either side 3 3/4 for the longest line; a mark higher would not go in."""
    put = offered("middle third", TITLE).part
    assert isinstance(put, Title) and put.fit and put.width == parse("3 3/4")
    found = box(put)
    assert inside(found, "4", "0", "8", "12") and found.width <= parse("3 3/4")
    assert abs(middle(found)[0] - inches(6)) <= parse("1/16")


def test_upright_along_an_edge_it_reads_up_on_the_left_and_down_on_the_right() -> None:
    left, right = offered("along the left edge", TITLE).part, offered("along the right edge", TITLE).part
    assert isinstance(left, Title) and isinstance(right, Title)
    assert (left.upright, right.upright) == ("up", "down")
    assert inside(box(left), "0", "0", "1", "12") and inside(box(right), "11", "0", "12", "12")


def test_a_gap_between_two_photos() -> None:
    """Photos 4 in wide at 0 and at 6: between them are 2 in, less 1/8 on either side."""
    first, second = photo("a", "0", "2"), photo("b", "6", "3")
    page = (first, second, TITLE)
    (name,) = [
        one.name
        for one in offers(PagePlan("p", parts=page), "t", ground(None, photos={"heron": HERON}))
        if one.name.startswith("between")
    ]
    put = offered(name, *page).part
    assert put is not None and inside(box(put, first, second), "4", "3", "6", "8")


def test_a_cell_that_is_kept_for_words() -> None:
    """Three columns of 4 in without gaps, the middle cell for the title."""
    grid = Grid("g", 1, 3, inches(4), inches(12), ZERO, ZERO, "nothing", cells=(Cell(0, 1, what="title"),))
    names = [one.name for one in offers(PagePlan("p", parts=(grid, TITLE)), "t", ground(None, paper("ink")))]
    (cell,) = [name for name in names if " of the grid" in name]
    put = offered(cell, grid, TITLE).part
    assert put is not None and inside(box(put, grid), "4", "0", "8", "12")


def test_letters_of_an_alphabet_stand_in_the_middle_as_large_as_they_are_or_not_at_all() -> None:
    """HERON of letters 1/2 in wide, 1/16 apart, is 2 3/4 long: it goes into a third of 4 in. HERONHERON does not."""
    title = replace(TITLE, styles=(Style(BLOCK.id),))
    put = offered("left third", title, of=on()).part
    assert isinstance(put, Title) and not put.fit and box(put, of=on()).width == parse("2 3/4")
    long = offered("left third", replace(title, text="HERONHERON"), of=on())
    assert long.part is None and long.why_not == "it is larger than 4 × 12"


def test_a_block_of_words_takes_the_width_and_height_of_a_region() -> None:
    words = Words("w", "Rain on the roof.", margin=ZERO)
    put = offered("middle third", words, id="w").part
    assert isinstance(put, Words) and put.width == inches(4) - OFF * 2 and put.height == inches(12) - OFF * 2
