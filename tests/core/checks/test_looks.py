"""How a page looks, by worked examples: what is measured, from where on it is told, and what would do."""

from __future__ import annotations

from dataclasses import replace

import pytest

from tests.core.examples import HERON, ground, mat, paper
from ulna.core.checks import gaze
from ulna.core.findings import Finding
from ulna.core.measure import Length, Ruler, Unit, inches, mm
from ulna.core.page.checked import checked, remedied
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import PagePlan, PutAside
from ulna.core.page.standing import stand
from ulna.core.page_formats import of_kind
from ulna.core.paper.colour import PictureColours, lab, look, of_hex
from ulna.core.paper.shelf import Paper, Shelf, Side
from ulna.core.parts.edge_work import EdgeWork
from ulna.core.parts.kinds import Part
from ulna.core.parts.kinds.base import Base
from ulna.core.parts.kinds.cluster import Cluster, Member
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.kinds.thing import ThingPart
from ulna.core.parts.kinds.title import Title
from ulna.core.parts.kinds.words import Words
from ulna.core.parts.lettering import Style
from ulna.core.parts.pieces import Ground, PaperChoice
from ulna.core.parts.place import Across, Down, Place
from ulna.core.photos.crop import Face, Framing
from ulna.core.photos.prints import Print
from ulna.core.rules import USUAL
from ulna.core.things.thing import Thing, ThingKind


def coloured(id: str, colour: str, busy: int = 0) -> Paper:
    side = Side("plain", (colour,), busy=busy)
    return replace(paper(id, 9), a=side, b=side)


PAPERS = (
    coloured("white", "#ffffff"), coloured("dark", "#30363c"), coloured("lace", "#e6e2d4", 2),
    coloured("moss", "#dfe3cc", 2), coloured("red", "#b8352c"),
)  # fmt: skip
THINGS = (
    Thing("dot", "Red dot", ThingKind.ENAMEL, 9, width=inches(0, 1, 2), colours=("#b8352c",)),
    Thing("leaf", "Green leaf", ThingKind.DIE_CUT, 9, width=inches(1), colours=("#3f7d4a",)),
)
GREY = PictureColours(of_hex("#808080"), 5.0, ())


def table(photo: PictureColours | None = GREY, ruler: Ruler | None = None, **rules: str) -> Ground:
    shelf = Shelf.of(list(PAPERS), THINGS)
    return replace(
        ground(None, photos={"heron": HERON}), shelf=shelf, edge=lambda _: photo, ruler=ruler or Ruler(),
        rules=replace(USUAL, **rules),
    )  # fmt: skip


def at(x: Length, y: Length) -> Place:
    return Place(across=Across("left", x), down=Down("top", y))


def found(*parts: Part, on: Ground | None = None, **of_page: object) -> list[Finding]:
    on = on or table()
    plan = PagePlan("Page", on.format, parts=parts, **of_page)
    return list(checked(plan, on).findings)


def codes(*parts: Part, on: Ground | None = None, **of_page: object) -> set[str]:
    return {one.code for one in found(*parts, on=on, **of_page) if not one.aside}


def of(code: str, *parts: Part, on: Ground | None = None) -> Finding:
    return next(one for one in found(*parts, on=on) if one.code == code)


BASE = Base("base", choice=PaperChoice("white"))


def photo(
    id: str, x: Length, y: Length, w: Length = inches(4), h: Length = inches(4), of: str = "dark"
) -> PhotoPart:
    return PhotoPart(id, Print("heron", w, h), (mat("1/4", of),), at(x, y))


def panel(id: str, x: Length, y: Length, w: Length, h: Length, of: str = "dark") -> Panel:
    return Panel(id, id, width=w, height=h, choice=PaperChoice(of), place=at(x, y))


# ---- almost ------------------------------------------------------------------------------------------


def test_a_sixteenth_off_the_middle_is_told_and_centred_by_one_press() -> None:
    """4 1/2 wide on 12: the middle is at 3 3/4; at 3 11/16 it is a sixteenth off."""
    heron = photo("heron", inches(3, 11, 16), inches(1))
    told = of("nearly-centred", BASE, heron)
    assert told.sentence == "It is 1/16 off the middle from left to right."
    mended = told.remedies[0].part
    assert isinstance(mended, PhotoPart) and mended.place.across.by == inches(3, 3, 4)


def test_in_millimetres_a_millimetre_is_a_mark() -> None:
    """113 wide on 304.8: the middle is at 95.9; on millimetres 96 is as near as it gets, 95 is off."""
    ruler = Ruler(Unit.MM, mm(1))
    near = [photo("heron", mm(x), inches(1), mm(100), mm(100)) for x in (95, 96)]
    told = ["nearly-centred" in codes(BASE, one, on=table(ruler=ruler)) for one in near]
    assert told == [True, False]


def test_what_is_far_off_is_meant_and_by_eye_all_is_good() -> None:
    heron = photo("heron", inches(3, 11, 16), inches(1))
    assert "nearly-centred" not in codes(BASE, photo("heron", inches(3, 1, 2), inches(1)))
    assert "nearly-centred" not in codes(BASE, heron, on=table(centring="eye"))
    assert "nearly-centred" not in codes(BASE, heron, on=table(cutting="loose"))


def test_gaps_that_are_nearly_alike_are_made_even() -> None:
    """2 in photos on mats 2 1/2 wide at 1/2, 3 1/2 and 6 5/8: gaps of 1/2 and 5/8."""
    two = inches(2)
    starts = inches(0, 1, 2), inches(3, 1, 2), inches(6, 5, 8)
    row = [photo(f"p{k}", x, inches(1), two, two) for k, x in enumerate(starts)]
    told = of("nearly-even", BASE, *row)
    assert told.sentence == "The gaps beside it are 1/2 and 5/8, nearly alike."
    mended = told.remedies[0].part
    assert isinstance(mended, PhotoPart) and mended.place.across.by == inches(3, 9, 16)


@pytest.mark.parametrize(("gap", "told"), [(1, "near-touch"), (2, ""), (-1, "scant-overlap"), (-2, "")])
def test_touch_or_stay_clear(gap: int, told: str) -> None:
    """In sixteenths: a gap of one is a sliver, one of two is clear; an overlap of one hardly holds, two do."""
    left = panel("left", inches(1), inches(1), inches(4), inches(8))
    right = panel("right", inches(5) + inches(0, 1, 16) * gap, inches(2), inches(5), inches(8), "moss")
    assert codes(BASE, left, right) & {"near-touch", "scant-overlap"} == ({told} if told else set())


def test_one_thing_that_juts_out_alone_is_moved_in_or_gets_company() -> None:
    heron = photo("heron", inches(2), inches(2), inches(6), inches(6))
    inside = [ThingPart(f"i{k}", "leaf", place=at(inches(3 + 2 * k), inches(7))) for k in range(2)]
    out = ThingPart("out", "leaf", place=at(inches(8), inches(4)))
    told = of("juts-out", BASE, heron, *inside, out)
    mended = told.remedies[0].part
    assert isinstance(mended, ThingPart)
    assert "juts-out" not in codes(BASE, heron, *inside, mended)
    company = replace(out, id="other", place=at(inches(1, 3, 4), inches(3)))
    assert "juts-out" not in codes(BASE, heron, *inside, out, company)


# ---- papers and photos ---------------------------------------------------------------------------------


def test_a_photo_that_is_lost_gets_another_mat_or_a_rim() -> None:
    """Its edge has a lightness of 54; a mat of #7d7d7d is within 20, dark and white are not."""
    grey = table()
    grey = replace(grey, shelf=Shelf.of([*PAPERS, coloured("ash", "#7d7d7d")], THINGS))
    heron = photo("heron", inches(2), inches(2), of="ash")
    told = of("stands-out", BASE, heron, on=grey)
    assert "lightness by 1, and 20 is wanted" in told.sentence
    assert [one.says for one in told.remedies][-1] == "Print it with a white rim"
    for remedy in told.remedies:
        plan = remedied(PagePlan("p", parts=(BASE, heron)), remedy)
        assert "stands-out" not in {one.code for one in checked(plan, grey).findings}


def test_a_line_of_ink_parts_two_lively_papers() -> None:
    two = (
        Base("base", choice=PaperChoice("lace")),
        panel("moss", inches(2), inches(2), inches(6), inches(6), "moss"),
    )
    assert "run-together" in codes(*two)
    assert "run-together" not in codes(*two, edges=(EdgeWork("moss/panel", "inked"),))
    assert "run-together" in codes(*two, edges=(EdgeWork("moss/panel", "sanded"),))


def test_the_print_of_a_paper_is_measured_where_it_can_be() -> None:
    """Two grounds alike, but one is printed dark all over: measured they stand apart."""
    dark = PictureColours(of_hex("#404040"), 20.0, ())
    light = PictureColours(of_hex("#e0e0e0"), 20.0, ())
    two = (
        Base("base", choice=PaperChoice("lace")),
        panel("moss", inches(2), inches(2), inches(6), inches(6), "moss"),
    )
    seen = {"#e6e2d4": dark, "#dfe3cc": light}
    on = replace(table(), print_of=lambda side: seen.get(side.colours[0]))
    assert "run-together" not in codes(*two, on=on)


def striped(upright: bool) -> PictureColours:
    spots = [(x if upright else y) // 3 % 2 for y in range(24) for x in range(24)]
    return look(24, 24, [(240, 240, 240) if light else (20, 20, 20) for light in spots])


def test_strong_lines_of_a_photo_are_found_from_its_gradients() -> None:
    """Stripes run as they are drawn; a picture of one colour has none."""
    assert striped(upright=True).lines == "upright"
    assert striped(upright=False).lines == "level"
    assert look(24, 24, [(120, 120, 120)] * 576).lines == ""


def test_the_quiet_field_of_a_photo_is_the_one_where_least_happens() -> None:
    """Stripes but for the lower right ninth."""
    spots = [(x, y) for y in range(24) for x in range(24)]
    light = [128 if x >= 16 and y >= 16 else 240 if x % 2 else 10 for x, y in spots]
    fields = look(24, 24, [(v, v, v) for v in light]).fields
    assert fields[8] < 5 < min(fields[:8])


def test_lightness_is_that_of_cielab() -> None:
    """White 100, black 0, the grey of half the light (sRGB 188) 76."""
    assert [round(lab((v, v, v)).lightness) for v in (255, 0, 188)] == [100, 0, 76]


# ---- letters -------------------------------------------------------------------------------------------


def title(of: str, y: Length = inches(9)) -> Title:
    return Title("title", "Rain", (Style(papers=(PaperChoice(of),)),), place=at(inches(1), y))


def test_letters_as_light_as_their_ground_are_told_and_get_a_strip() -> None:
    told = of("title-lost", Base("base", choice=PaperChoice("dark")), title("dark"))
    assert "lightness by 0, and 20 is wanted" in told.sentence
    strip = told.remedies[0].part
    assert isinstance(strip, Title) and [one.how for one in strip.under] == ["strip"]
    assert "title-lost" not in codes(Base("base", choice=PaperChoice("dark")), strip)


def test_letters_on_a_pattern_want_a_strip_and_layers_of_them_do_not_hide_it() -> None:
    lace = Base("base", choice=PaperChoice("lace"))
    assert "title-lost" in codes(lace, title("dark"))
    assert "title-lost" in codes(lace, replace(title("dark"), layers=2))
    assert "title-lost" not in codes(BASE, replace(title("dark"), layers=2))


def test_words_on_a_busy_paper_are_toned_down_with_gesso_under_them() -> None:
    words = Words("words", "All day.", place=at(inches(2), inches(9)))
    lace = Base("base", choice=PaperChoice("lace"))
    told = of("words-busy", lace, words)
    gesso = next(one for one in told.remedies if "gesso" in one.says)
    plan = remedied(PagePlan("p", parts=(lace, words)), gesso)
    assert [part.kind for part in plan.parts] == ["base", "wet", "words"], "it goes under the words"
    assert "words-busy" not in {one.code for one in checked(plan, table()).findings}


# ---- the whole -----------------------------------------------------------------------------------------


def dots(*spots: tuple[float, float], thing: str = "dot") -> list[ThingPart]:
    return [
        ThingPart(f"d{k}", thing, place=at(inches(0, round(x * 16), 16), inches(0, round(y * 16), 16)))
        for k, (x, y) in enumerate(spots)
    ]


@pytest.mark.parametrize(
    ("spots", "told"),
    [
        (((1, 1), (10, 2), (5, 10)), ""),
        (((1, 10), (5, 10), (10, 10)), "nearly in a line"),
        (((1, 1), (10, 10)), "two places"),
        (((1, 1), (10, 1), (1, 10), (10, 10)), "four places"),
    ],
)
def test_three_places_form_a_triangle_round_the_photo(spots: tuple[tuple[float, float], ...], told: str) -> None:
    heron = photo("heron", inches(3), inches(3), inches(5), inches(5))
    says = [one.sentence for one in found(BASE, heron, *dots(*spots)) if one.code == "triangle"]
    assert (told in says[0]) if told else says == []


def test_a_colour_that_is_in_the_photo_too_is_not_lost() -> None:
    """A red dot alone is; with a photo that has red among its leading colours, or a red panel, it is not."""
    (dot,) = dots((9, 9))
    assert "colour-once" in codes(BASE, dot)
    assert "colour-once" not in codes(BASE, dot, panel("p", inches(1), inches(1), inches(3), inches(3), "red"))
    leaf = ThingPart("leaf", "leaf", place=at(inches(2), inches(2)))
    assert "colour-once" in codes(BASE, dot, leaf), "green does not answer red"


def test_a_symmetrical_house_wants_both_sides_alike() -> None:
    """5 × 8 on the left and 4 × 8 on the right: a fifth lighter, within a third."""
    two = (
        panel("left", inches(0, 1, 2), inches(1), inches(5), inches(8)),
        panel("right", inches(7), inches(1), inches(4), inches(8)),
    )
    assert "weight" not in codes(BASE, *two)
    assert "weight" in codes(BASE, *two, on=table(balance="symmetrical"))


def test_in_a_series_the_words_may_be_on_another_page() -> None:
    assert "no place for a title, words and the date" in of("no-place", BASE).sentence
    assert "no place for a title and the date" in of("no-place", BASE, on=table(stories="series")).sentence


def test_a_full_page_is_good_where_white_space_is_filled() -> None:
    full = [panel(f"p{k}", inches(6 * (k % 2)), inches(6 * (k // 2)), inches(6), inches(6)) for k in range(4)]
    assert "crowded" in codes(BASE, *full)
    assert "crowded" not in codes(BASE, *full, on=table(white_space="filled"))


def test_what_harms_photos_is_told_where_the_rule_asks_it() -> None:
    clip = Thing("clip", "Iron clip", ThingKind.CLIP, 2, colours=("#5c5f60",), harms_photos=True)
    on = table()
    shelf = Shelf.of(list(PAPERS), (*THINGS, clip))
    heron = photo("heron", inches(2), inches(2), inches(6), inches(6))
    on_it, beside = (ThingPart("c", "clip", place=at(inches(x), inches(4))) for x in (4, 10))
    asked = ("touching", "everywhere", "no")
    rules = {rule: replace(on, shelf=shelf, rules=replace(USUAL, photo_safe=rule)) for rule in asked}
    told = {
        rule: ["photo-safe" in codes(BASE, heron, one, on=there) for one in (on_it, beside)]
        for rule, there in rules.items()
    }
    assert told == {"touching": [True, False], "everywhere": [True, True], "no": [False, False]}
    backed = replace(on_it, backing=PaperChoice("white"))
    assert "photo-safe" not in codes(BASE, heron, backed, on=rules["touching"])


def test_a_cluster_on_foam_is_laid_flat_and_a_mat_is_gutted_only_where_that_is_enough() -> None:
    """Two planks of 60 on thick foam of 125 each on card and photo: 400; flat 150, and gutting gives 8."""
    plank = Thing("plank", "Plank", ThingKind.WOOD, 9, width=inches(2), height=inches(1))
    on = replace(table(), shelf=Shelf.of(list(PAPERS), (*THINGS, plank)))
    high = Member("plank", raised="double foam")
    cluster = Cluster("cluster", (high, high), at(inches(3), inches(3)))
    heron = photo("heron", inches(2), inches(2))
    told = of("bulk", BASE, heron, cluster, on=on)
    assert [one.says for one in told.remedies] == ["Lay Plank flat"]
    assert "bulk" not in codes(BASE, heron, told.remedies[0].part, on=on)  # type: ignore[arg-type]


def test_a_face_is_seen_before_a_larger_photo_without_one() -> None:
    face = replace(HERON, id="face", framing=Framing(faces=(Face(0.5, 0.5, 0.3),)))
    on = replace(table(), photos={"heron": HERON, "face": face})
    plain = photo("plain", inches(0, 1, 2), inches(0, 1, 2), inches(5), inches(5))
    small = replace(photo("small", inches(7), inches(6)), print=Print("face", inches(4), inches(4)))
    plan = PagePlan("p", parts=(BASE, plain, small))
    seen = gaze.first_seen(plan, evaluate(plan, on).pieces, stand(plan.parts, on), on)
    assert seen[0] == "small"


def test_what_is_put_aside_is_counted_and_a_stop_is_not() -> None:
    far = panel("far", inches(30), inches(1), inches(2), inches(2))
    aside = (PutAside("no-place"), PutAside("off-page", "far"))
    said = {one.code: one.aside for one in found(BASE, far, aside=aside)}
    assert said["no-place"] == "page" and said["off-page"] == ""
    house = checked(PagePlan("p", parts=(BASE,)), table(), {"no-place"}).findings
    assert [one.aside for one in house if one.code == "no-place"] == ["house"]


def test_nine_letters_without_paper_are_told_once() -> None:
    told = found(BASE, Title("title", "Rain and more", place=at(inches(1), inches(1))))
    unchosen = [one for one in told if "no paper is chosen" in one.sentence]
    assert len(unchosen) == 1 and unchosen[0].sentence.endswith("times more.")


def test_the_accents_of_a_spread_lie_on_both_pages() -> None:
    spread = of_kind("12x12", 2)
    on = replace(table(), format=spread)
    heron = photo("heron", inches(3), inches(3), inches(5), inches(5))
    assert "triangle-page" in codes(BASE, heron, *dots((1, 1), (10, 2), (5, 10)), on=on)
    assert "triangle-page" not in codes(BASE, heron, *dots((1, 1), (18, 2), (5, 10)), on=on)
