"""Colours in CIELAB, the edge of a picture, and the papers that go with it."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ulna.core.measure import inches
from ulna.core.paper.colour import RGB, Lab, PictureColours, lab, look, of_hex, word
from ulna.core.paper.ranking import available, rank
from ulna.core.paper.shelf import Form, Paper, Shelf, Side, Stock

DARK_EDGE = look(20, 20, [(40, 44, 50)] * 400)


def paper(id: str, colour: str, busy: int = 0, stock: Stock = Stock.PATTERNED, count: int = 1) -> Paper:
    side = Side("plain" if not busy else "dot", (colour,), busy)
    return Paper(id, id, inches(12), inches(12), count, stock, a=side, b=side)


@pytest.mark.parametrize(
    ("rgb", "expected"),
    [
        ((255, 255, 255), (100, 0, 0)),
        ((0, 0, 0), (0, 0, 0)),
        ((255, 0, 0), (53.24, 80.09, 67.20)),
        ((0, 128, 0), (46.23, -51.70, 49.90)),
        ((0, 0, 255), (32.30, 79.19, -107.86)),
    ],
)
def test_known_colours_have_their_known_places(rgb: RGB, expected: tuple[float, float, float]) -> None:
    """White, black and the corners of sRGB, as tables of CIELAB give them."""
    found = lab(rgb)
    assert (found.lightness, found.a, found.b) == pytest.approx(expected, abs=0.06)


@given(st.tuples(*[st.integers(0, 255)] * 3))
def test_grey_has_no_hue_and_all_have_a_lightness_of_0_to_100(rgb: RGB) -> None:
    """Whatever the colour."""
    found = lab(rgb)
    assert -1e-6 <= found.lightness <= 100 + 1e-3
    assert lab((rgb[0],) * 3).chroma < 0.1


@pytest.mark.parametrize(
    ("colour", "said"),
    [("#ffffff", "white"), ("#111111", "black"), ("#808080", "grey"), ("#c02020", "red"), ("#7a4a20", "brown"),
     ("#e08a1e", "orange"), ("#e8d020", "yellow"), ("#3a7a3a", "green"), ("#2060c0", "blue"), ("#f0b0c0", "pink")],
)  # fmt: skip
def test_a_colour_has_a_plain_word(colour: str, said: str) -> None:
    """As one would call it at the table."""
    assert word(of_hex(colour)) == said


def half_and_half() -> PictureColours:
    """Upper half blue, lower half brown, with a white border."""
    pixels: list[RGB] = []
    for y in range(40):
        for x in range(40):
            edge = min(x, y, 39 - x, 39 - y) < 4
            pixels.append((250, 250, 250) if edge else (40, 90, 180) if y < 20 else (120, 75, 40))
    return look(40, 40, pixels)


def test_the_edge_is_measured_and_not_the_middle() -> None:
    """A white border round a blue and brown picture: light and plain."""
    found = half_and_half()
    assert found.edge.lightness > 97 and found.edge_word == "plain"
    assert {word(one.colour) for one in found.leading} >= {"white", "blue", "brown"}
    assert sum(one.share for one in found.leading) == pytest.approx(1)


def test_an_edge_of_many_colours_is_busy() -> None:
    """Black and white in turn."""
    pixels: list[RGB] = [((255, 255, 255) if (x + y) % 2 else (0, 0, 0)) for y in range(20) for x in range(20)]
    assert look(20, 20, pixels).edge_word == "busy"


def test_too_few_pixels_are_refused() -> None:
    """Width times height of them are wanted."""
    with pytest.raises(ValueError, match="3 pixels are not 2 × 2"):
        look(2, 2, [(0, 0, 0)] * 3)


def test_a_first_mat_differs_in_lightness_and_is_plain() -> None:
    """Beside a dark edge white stands out and another dark one does not; a busy one steps back."""
    papers = [paper("white", "#ffffff"), paper("coal", "#333333"), paper("dots", "#fff4d0", 3)]
    found = rank(papers, DARK_EDGE, "first")
    assert [(c.paper, c.good) for c in found] == [("white", True), ("dots", False), ("coal", False)]
    assert found[0].reason == f"lighter than the edge by {100 - DARK_EDGE.edge.lightness:.0f} and plain"
    assert found[-1].reason.startswith("only") and found[-1].reason.endswith("the photo would not stand out")


def test_twenty_steps_of_lightness_are_enough() -> None:
    """19 are not."""
    edge = PictureColours(Lab(50, 0, 0), 0, ())
    greys = {round(of_hex(f"#{v:02x}{v:02x}{v:02x}").lightness): f"#{v:02x}{v:02x}{v:02x}" for v in range(256)}
    found = {c.paper: c.good for c in rank([paper("just", greys[71]), paper("not", greys[68])], edge, "first")}
    assert found == {"just": True, "not": False}


def test_a_second_mat_takes_up_a_colour_and_stands_apart_from_the_first() -> None:
    """Blue is in the photo; what is like the first mat runs together with it."""
    white = Side("plain", ("#ffffff",))
    papers = [paper("blue", "#2a5cb4"), paper("cream", "#fdfcf8"), paper("pink", "#f0a0c0")]
    found = rank(papers, half_and_half(), "second", white)
    assert found[0].paper == "blue" and found[0].reason.startswith("takes up the photo’s blue; darker")
    assert next(c for c in found if c.paper == "cream").reason.startswith("too like the mat above it")


def test_vellum_is_no_mat() -> None:
    """One sees through it."""
    assert not rank([paper("mist", "#ffffff", stock=Stock.VELLUM)], DARK_EDGE, "first")[0].good


def test_only_papers_with_enough_left_are_there() -> None:
    """A used-up paper still counts where a scrap of it is large enough."""
    gone = paper("gone", "#ffffff", count=0)
    rest = Paper("rest", "rest", inches(5), inches(7), 1, form=Form.SCRAP, scrap_of="gone")
    assert not available(Shelf.of([gone]), gone, (inches(4), inches(6)))
    assert available(Shelf.of([gone, rest]), gone, (inches(6), inches(4)))
    assert not available(Shelf.of([gone, rest]), gone, (inches(6), inches(6)))
