"""The picture of a page, measured in its pixels: places, borders, crops, patterns to scale, the gutter."""

from __future__ import annotations

import base64
import io

import pytest
from PIL import Image

from tests.core.examples import ground, mat
from ulna.core.geometry.rects import Borders
from ulna.core.measure import inches, parse
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.page_formats import of_kind
from ulna.core.paper.shelf import Direction, Paper, Shelf, Side
from ulna.core.parts.kinds.base import Base
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.kinds.wet import Wet
from ulna.core.parts.mats import Mat
from ulna.core.parts.media import MediumName
from ulna.core.parts.pieces import PaperChoice
from ulna.core.parts.place import Across, Down, Place
from ulna.core.photos.crop import Framing
from ulna.core.photos.photo import Photo
from ulna.core.photos.prints import Print
from ulna.formats import svg
from ulna.formats.faces import SHIPPED

DPI = 40
CREAM, INK, REED, RED, BLUE = (244, 239, 228), (34, 40, 49), (60, 120, 80), (200, 30, 30), (30, 30, 200)
Colour = tuple[int, int, int]


def hex(colour: Colour) -> str:
    return "#{:02x}{:02x}{:02x}".format(*colour)


def plain(id: str, a: Colour, b: Colour) -> Paper:
    side = [Side("plain", (hex(c),)) for c in (a, b)]
    return Paper(id, id.title(), inches(12), inches(12), 9, a=side[0], b=side[1])


STRIPES = Side("stripe", (hex(CREAM), hex(INK)), direction=Direction.TWO_WAY, scale=inches(1))
PAPERS = (
    plain("cream", CREAM, REED),
    plain("ink", INK, CREAM),
    Paper("stripes", "Stripes", inches(12), inches(12), 9, a=STRIPES, b=STRIPES),
)
PHOTO = Photo("halves", "Halves", (600, 400), Framing())


def halves(left: Colour, right: Colour) -> bytes:
    """A picture of two colours, 600 × 400."""
    picture = Image.new("RGB", (600, 400), left)
    picture.paste(right, (300, 0, 600, 400))
    out = io.BytesIO()
    picture.save(out, "JPEG", quality=95, subsampling=0)
    return out.getvalue()


def drawn(plan: PagePlan) -> Image.Image:
    """The page as a person gets it, 40 pixels to the inch."""
    data = f"data:image/jpeg;base64,{base64.b64encode(halves(RED, BLUE)).decode()}"
    evaluated = evaluate(plan, ground(plan.format, *PAPERS, photos={"halves": PHOTO}))
    markup = svg.page(evaluated, Shelf.of(list(PAPERS)), lambda _: None, lambda *_: data, SHIPPED)
    picture = Image.open(io.BytesIO(svg.raster(markup, round(plan.format.whole.width.inches * DPI))))
    return picture.convert("RGB")


def at(picture: Image.Image, x: float, y: float) -> Colour:
    """The colour so many inches from the left and the top."""
    found = picture.getpixel((round(x * DPI), round(y * DPI)))
    assert isinstance(found, tuple)
    return found[0], found[1], found[2]


def like(one: Colour, other: Colour) -> bool:
    return all(abs(a - b) <= 12 for a, b in zip(one, other, strict=True))


def test_a_trimmed_panel_shows_its_base_all_round() -> None:
    """1/4 in of cream on every side of the ink panel of a 12 × 12 page."""
    panel = Panel("panel", trim=parse("1/4"), choice=PaperChoice("ink"))
    picture = drawn(PagePlan("p", of_kind("12x12"), parts=(Base("b", "left", PaperChoice("cream")), panel)))
    assert picture.size == (12 * DPI, 12 * DPI)
    for x, y in [(0.12, 6), (11.88, 6), (6, 0.12), (6, 11.88)]:
        assert like(at(picture, x, y), CREAM), (x, y)
    for x, y in [(0.4, 6), (11.6, 6), (6, 0.4), (6, 11.6)]:
        assert like(at(picture, x, y), INK), (x, y)


def test_the_side_that_was_chosen_shows() -> None:
    """The back of the cream paper is green."""
    picture = drawn(PagePlan("p", of_kind("12x12"), parts=(Base("b", "left", PaperChoice("cream", "B")),)))
    assert like(at(picture, 6, 6), REED)


def test_a_photo_lies_on_its_mats_from_the_inside_out() -> None:
    """6 × 4 in the middle: the picture, 1/4 in of ink, 1/2 in of cream, the stripes of the base."""
    mats = (mat("1/4", "ink"), mat("1/2", "cream"))
    photo = PhotoPart("p", Print("halves", inches(6), inches(4)), mats, Place("left"))
    picture = drawn(PagePlan("p", of_kind("12x12"), parts=(Base("b", "left", PaperChoice("ink", "B")), photo)))
    assert like(at(picture, 4, 6), RED) and like(at(picture, 8, 6), BLUE)
    assert like(at(picture, 2.88, 6), INK) and like(at(picture, 9.12, 6), INK)
    assert like(at(picture, 2.5, 6), CREAM) and like(at(picture, 6, 3.5), CREAM)
    assert like(at(picture, 6.1, 4.1), BLUE) and like(at(picture, 6, 3.88), INK)


def test_a_rim_is_white_and_inside_the_print() -> None:
    """4 × 6 with a rim of 1/2 in: white to 1/2 in from its edge, then the picture."""
    photo = PhotoPart("p", Print("halves", inches(6), inches(4), rim=parse("1/2")), (), Place("left"))
    picture = drawn(PagePlan("p", of_kind("12x12"), parts=(Base("b", "left", PaperChoice("ink")), photo)))
    assert like(at(picture, 3.25, 6), (255, 255, 255)) and like(at(picture, 3.7, 6), RED)


def test_unequal_borders_show_where_they_were_asked() -> None:
    """Heavier below: 1/4 in at the sides and above, 1 in below."""
    heavy = Mat(Borders(*(parse(v) for v in ("1/4", "1/4", "1/4", "1"))), PaperChoice("ink"))
    place = Place("left", Across("left", inches(2)), Down("top", inches(2)))
    photo = PhotoPart("p", Print("halves", inches(6), inches(4)), (heavy,), place)
    picture = drawn(PagePlan("p", of_kind("12x12"), parts=(Base("b", "left", PaperChoice("cream")), photo)))
    assert like(at(picture, 5, 2.12), INK) and like(at(picture, 5, 6.9), INK) and like(at(picture, 5, 7.5), CREAM)


def test_a_circle_shows_its_mat_and_its_rim_all_round() -> None:
    """4 in wide with a rim of 1/2 in, on ink: ink round it but not at its box's corner, white in the rim, the
    picture inside."""
    print_ = Print("halves", inches(4), inches(4), rim=parse("1/2"), shape="circle")
    photo = PhotoPart("p", print_, (mat("1/4", "ink"),), Place("left"))
    picture = drawn(PagePlan("p", of_kind("12x12"), parts=(photo,)))
    assert like(at(picture, 3.9, 6), at(picture, 6, 8.1)) and like(at(picture, 4.2, 4.2), at(picture, 1, 1))
    assert not like(at(picture, 3.9, 6), at(picture, 1, 1))
    assert like(at(picture, 4.25, 6), (255, 255, 255)) and like(at(picture, 6, 7.75), (255, 255, 255))
    assert like(at(picture, 4.8, 6), RED) and like(at(picture, 7.2, 6), BLUE)


def test_a_trimmed_print_shows_less_of_its_picture_at_the_same_scale() -> None:
    """6 × 4 trimmed by 1 in: 4 × 2 of it is there, the colours still meet in its middle."""
    photo = PhotoPart("p", Print("halves", inches(6), inches(4), trim=inches(1)), (), Place("left"))
    picture = drawn(PagePlan("p", of_kind("12x12"), parts=(Base("b", "left", PaperChoice("ink")), photo)))
    ground_ = at(picture, 1, 1)
    assert like(at(picture, 3.8, 6), ground_) and like(at(picture, 8.2, 6), ground_)
    assert like(at(picture, 4.2, 6), RED) and like(at(picture, 7.8, 6), BLUE)
    assert like(at(picture, 5.9, 6), RED) and like(at(picture, 6.1, 6), BLUE)


def test_the_two_halves_at_the_gutter_run_on() -> None:
    """Centred over a double page, the picture changes its colour at the gutter, and nothing is lost there."""
    photo = PhotoPart("p", Print("halves", inches(6), inches(4)), (), Place("spread"))
    picture = drawn(PagePlan("p", of_kind("12x12", 2), parts=(Base("b", "left", PaperChoice("ink")), photo)))
    assert like(at(picture, 11.8, 6), RED) and like(at(picture, 12.2, 6), BLUE)
    assert like(at(picture, 9.2, 6), RED) and like(at(picture, 14.8, 6), BLUE)


@pytest.mark.parametrize("turned", [False, True])
def test_stripes_are_drawn_to_scale_and_turn_with_the_paper(turned: bool) -> None:
    """Stripes that repeat every inch: the same an inch further across them, and all along them."""
    base = Base("b", "left", PaperChoice("stripes", turned=turned))
    picture = drawn(PagePlan("p", of_kind("12x12"), parts=(base,)))
    across = [at(picture, *((6, 3 + k / 20) if turned else (3 + k / 20, 6))) for k in range(60)]
    along = [at(picture, *((3 + k / 20, 6) if turned else (6, 3 + k / 20))) for k in range(60)]
    assert all(like(a, b) for a, b in zip(across, across[20:], strict=False))
    assert len({c[0] > 128 for c in across[:20]}) == 2, "within one inch there is a light and a dark part"
    assert all(like(c, along[0]) for c in along)


@pytest.mark.parametrize("medium", ["wash", "gesso", "mist", "spatter", "paste", "powder"])
def test_wet_work_is_in_its_colour_inside_its_region_and_spares_what_it_spares(medium: MediumName) -> None:
    """Red on Cream in a region of 6 × 6 from 3: nothing is red beyond it nor in the middle that is spared; no stitches
    are drawn, and something is red."""
    lies = Place("left", Across("left", parse("3")), Down("top", parse("3")))
    wet = Wet("wet", medium, "", hex(RED), width=parse("6"), height=parse("6"), spared=parse("2"), place=lies)
    plan = PagePlan("p", of_kind("12x12"), parts=(Base("b", "left", PaperChoice("cream")), wet))
    picture, spots = drawn(plan), [k / 8 for k in range(4, 92)]
    red = {(x, y) for x in spots for y in spots if (seen := at(picture, x, y))[0] - seen[2] > 60}
    assert red
    assert all(2.8 <= x <= 9.2 and 2.8 <= y <= 9.2 for x, y in red), "and its soft edge"
    assert not any(5.2 <= x <= 6.8 and 5.2 <= y <= 6.8 for x, y in red)
