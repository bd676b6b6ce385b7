"""Titles among what else is on the page: nested, off the fold, built up, cut out of a sheet, beside photos."""

from __future__ import annotations

import math
from dataclasses import replace

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from tests.core.examples import HERON, ground, paper, scrap
from tests.core.words.test_title import BLOCK, IN_BLOCK, on
from ulna.core.cutting.demand import demand
from ulna.core.cutting.listing import cut_list
from ulna.core.geometry import polygons
from ulna.core.geometry.polygons import Polygon
from ulna.core.measure import Length, inches, parse
from ulna.core.page.evaluate import Evaluated, evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.page_formats import of_kind
from ulna.core.paper.shelf import Shelf
from ulna.core.parts.built_up import Under
from ulna.core.parts.kinds import Part
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.kinds.title import Title
from ulna.core.parts.kinds.words import Words
from ulna.core.parts.lettering import Style
from ulna.core.parts.openings import Openings
from ulna.core.parts.pieces import Ground, PaperChoice, Piece
from ulna.core.parts.place import Across, Down, Place
from ulna.core.photos.crop import Face, Framing
from ulna.core.photos.prints import Print
from ulna.core.planner import plan_cuts
from ulna.core.words.alphabets import MeasuredWord

INK = (PaperChoice("ink"),)
PLAIN = Style(papers=INK)


def laid(*parts: Part, at: Ground | None = None) -> Evaluated:
    at = at or on()
    return evaluate(PagePlan("p", format=at.format, parts=parts), at)


def codes(page: Evaluated) -> set[str]:
    return {finding.code for finding in page.findings}


def finding(page: Evaluated, code: str):  # type: ignore[no-untyped-def]
    (found,) = [one for one in page.findings if one.code == code]
    return found


def named(page: Evaluated, start: str) -> list[Piece]:
    return [piece for piece in page.pieces if piece.id.split("/")[1].startswith(start)]


def height(page: Evaluated) -> Length:
    (part,) = page.parts
    assert part.box is not None
    return part.box.height


# ---- nested ------------------------------------------------------------------------------------------------


def rows(page: Evaluated, first: int) -> tuple[list[Polygon], list[Polygon]]:
    """The outlines of the first so many letters, and of the rest."""
    lines = [piece.seen for piece in named(page, "letter-")]
    return lines[:first], lines[first:]


def nearest(one: Polygon, other: Polygon) -> float:
    """How near the corners of either come to the edges of the other, measured point by point."""

    def to_edge(p: tuple[float, float], a: tuple[float, float], b: tuple[float, float]) -> float:
        wide, high = b[0] - a[0], b[1] - a[1]
        along = max(0.0, min(1.0, ((p[0] - a[0]) * wide + (p[1] - a[1]) * high) / max(1e-12, wide**2 + high**2)))
        return math.dist(p, (a[0] + along * wide, a[1] + along * high))

    edges = [(o, list(zip(o, o[1:] + o[:1], strict=True))) for o in (one, other)]
    (a, of_a), (b, of_b) = edges
    return min(min(to_edge(p, *e) for p in a for e in of_b), min(to_edge(p, *e) for p in b for e in of_a))


def test_a_descender_goes_into_a_gap_of_the_row_below() -> None:
    """Under “pH” a line “nH” with a wide gap: the tail of the p hangs beside the n, not above it.

    Boxes under each other take the tail, the gap and the capitals; nested only the gap parts them.
    """
    boxes = Title("t", "Hop\nHo", (PLAIN,), lines=parse("1/8"))
    apart, near = laid(boxes), laid(replace(boxes, nested=True))
    assert height(near) < height(apart)
    upper, lower = rows(near, 3)
    assert min(nearest(a, b) for a in upper for b in lower) >= 1 / 8 - 1e-6
    (tail,) = [max(y for _, y in line) for line in upper[2:]]
    top = min(y for line in lower for _, y in line)
    assert tail > top, "the p reaches down beside the row below"


def test_capitals_have_nothing_to_nest() -> None:
    """HH over HH: 1 + 1/8 + 1 in, nested or not."""
    boxes = Title("t", "HH\nHH", (PLAIN,), lines=parse("1/8"))
    assert height(laid(boxes)) == height(laid(replace(boxes, nested=True))) == parse("2 1/8")


@settings(max_examples=40, deadline=None)
@given(
    st.lists(st.text("Hgpoyitl WQ", min_size=1, max_size=7).filter(str.strip), min_size=2, max_size=4),
    st.sampled_from(["plain", "slab", "script", "hand", "heavy"]),
    st.sampled_from([0, 1, 2]),
)
def test_letters_never_overlap_unless_asked(lines: list[str], face: str, gap: int) -> None:
    """Whatever is nested: no two letters of different lines come nearer than the gap, read corner by corner."""
    title = Title("t", "\n".join(lines), (Style(face=face, papers=INK),), lines=inches(0, gap, 16), nested=True)  # type: ignore[arg-type]
    pieces = [p for p in laid(title).pieces if p.role == "letter"]
    line_of = [n for n, line in enumerate(lines) for _ in "".join(line.split())]
    number = dict(zip((k for k, c in enumerate(title.text) if not c.isspace()), line_of, strict=True))
    at = [(number[int(p.id.split("-")[1]) - 1], p.seen) for p in pieces]
    for n, one in at:
        for m, other in at:
            if n < m:
                x1, y1, x2, y2 = polygons.bounds(one)
                a1, b1, a2, b2 = polygons.bounds(other)
                if x1 < a2 + 0.2 and a1 < x2 + 0.2 and y1 < b2 + 0.2 and b1 < y2 + 0.2:
                    assert nearest(one, other) >= gap / 16 - 1e-3
                    below = polygons.moved(other, 0.0, 1e-3)  # where they touch they share no paper
                    assert not any(polygons.inside(point, below) for point in one)


# ---- off the fold ------------------------------------------------------------------------------------------


def test_letters_step_to_either_side_of_the_fold() -> None:
    """HERON in letters of 1/2 in, 1/8 apart, begun 10 in from the left of a spread of 24: H 10–10 1/2, E 10 5/8–11 1/8,
    R 11 1/4–11 3/4, O would be 11 7/8–12 3/8 and steps to 12 1/8, N follows at 12 3/4."""
    spread = on().changed(format=of_kind("12x12", 2))
    title = Title("t", "HERON", (IN_BLOCK,), letters=parse("1/8"), place=Place("left", Across("left", inches(10))))
    lefts = [piece.rect.x for piece in laid(title, at=spread).pieces]
    assert lefts == [parse(one) for one in ("10", "10 5/8", "11 1/4", "12 1/8", "12 3/4")]


@settings(max_examples=60, deadline=None)
@given(
    st.text("HERONLOCK ", min_size=1, max_size=24).filter(str.strip),
    st.integers(-120, 120),
    st.sampled_from(["left", "centre", "right"]),
)
def test_letters_never_lie_on_the_fold(text: str, by: int, align: str) -> None:
    """Wherever a straight title lies on a spread, centred on it or begun at a place: each letter is left or right."""
    spread = on().changed(format=of_kind("12x12", 2))
    for place in (
        Place("spread", Across("centre", inches(0, by, 16))),
        Place("left", Across("left", inches(4 + by % 8))),
    ):
        title = Title("t", text, (PLAIN,), align=align, place=place)  # type: ignore[arg-type]
        for piece in laid(title, at=spread).pieces:
            assert piece.half is None
            assert piece.rect.right <= inches(12) or piece.rect.x >= inches(12)


# ---- a small word ------------------------------------------------------------------------------------------


def test_a_year_fills_the_short_line() -> None:
    """HERON over HE in letters of 1/2 in: the year stands on the line of HE, ends no later than the N, and is as large
    as goes there: its right edge is the title's."""
    title = Title("t", "HERON\nHE", (replace(PLAIN, face="plain"),), small="69")
    page = laid(title)
    first, year = named(page, "letter-")[:7], named(page, "letter-")[7:]
    assert len(year) == 2 and "small-word" not in codes(page)
    base = max(y for piece in first[5:] for _, y in piece.seen)
    assert max(y for piece in year for _, y in piece.seen) == pytest.approx(base, abs=0.05)
    ends = max(x for piece in first for x, _ in piece.seen)
    assert (
        max(x for piece in year for x, _ in piece.seen) == pytest.approx(ends, abs=0.05)
        or polygons.bounds(year[0].seen)[3] - polygons.bounds(year[0].seen)[1] >= 0.95
    ), "as far as the longest line, or as high as its capitals"
    assert min(x for piece in year for x, _ in piece.seen) > max(x for piece in first[5:] for x, _ in piece.seen)


def test_a_small_word_lies_in_the_largest_counter() -> None:
    title = Title("t", "O", (replace(PLAIN, height=inches(4)),), small="69", small_in="counter")
    page = laid(title)
    large, *year = named(page, "letter-")
    (hole,) = large.holes
    counter = polygons.moved(hole.clipped, large.uncut.x.inches, large.uncut.y.inches)
    assert len(year) == 2
    assert all(polygons.inside(point, counter) for piece in year for point in piece.seen)


def test_a_small_word_that_goes_nowhere_is_told() -> None:
    page = laid(Title("t", "HER\nHER", (PLAIN,), small="2026"))
    found = finding(page, "small-word")
    assert found.remedies[0].part.small == ""
    assert len(named(page, "letter-")) == 6


# ---- built up ----------------------------------------------------------------------------------------------


def test_an_outline_is_wider_by_so_much_all_round() -> None:
    """An I of 1 in with an outline of 1/8: its box is 1/4 wider and 1/4 higher, and 1/8 lies round it on each side."""
    title = Title("t", "I", (PLAIN,), under=(Under("outline", parse("1/8"), INK),))
    page = laid(title)
    (letter,), (outline,) = named(page, "letter-"), named(page, "outline-")
    inner, outer = polygons.bounds(letter.seen), polygons.bounds(outline.seen)
    for k, sign in enumerate((-1, -1, 1, 1)):
        assert outer[k] == pytest.approx(inner[k] + sign / 8, abs=0.005)
    assert page.pieces.index(outline) < page.pieces.index(letter), "it goes down first"


def test_a_shadow_is_the_letter_once_more_moved() -> None:
    page = laid(Title("t", "R", (PLAIN,), under=(Under("shadow", parse("1/8"), INK),)))
    (letter,), (shadow,) = named(page, "letter-"), named(page, "shadow-")
    assert [(x + 1 / 8, y + 1 / 8) for x, y in letter.seen] == [pytest.approx(p, abs=1e-4) for p in shadow.seen]


def test_a_strip_leaves_so_much_round_its_line() -> None:
    """HERON in letters of 1/2 in, 1/8 apart, is 3 × 1: the strip that leaves 1/4 is 3 1/2 × 1 1/2."""
    title = Title("t", "HEN", (IN_BLOCK,), letters=parse("1/8"), under=(Under("strip", parse("1/4"), INK),))
    (strip,) = named(laid(title), "strip-")
    assert (strip.rect.width, strip.rect.height) == (parse("2 1/4"), parse("1 1/2"))


def test_a_word_is_backed_in_one_piece() -> None:
    """Letters an inch apart would each have a backing of their own; a word has one, and every letter lies on it."""
    title = Title("t", "HEN LO", (PLAIN,), letters=inches(1), under=(Under("backing", parse("1/8"), INK),))
    page = laid(title)
    backings = named(page, "backing-")
    assert [piece.name for piece in backings] == ["backing of HEN", "backing of LO"]
    for backing, letters in zip(backings, (named(page, "letter-")[:3], named(page, "letter-")[3:]), strict=True):
        assert all(polygons.inside(point, backing.seen) for letter in letters for point in letter.seen)


def test_what_is_under_it_counts_among_what_must_fit() -> None:
    plain = Title("t", "HERON", (PLAIN,), fit=True, width=inches(4), height=inches(2))
    ringed = laid(replace(plain, under=(Under("outline", parse("1/4"), INK),)))
    (part,) = ringed.parts
    assert part.box is not None and part.box.width <= inches(4)


def test_a_letter_punch_takes_a_square_for_each() -> None:
    page = laid(Title("t", "HER", (replace(PLAIN, takes=inches(3)),), letters=parse("1/4")))
    assert {(p.rect.width, p.rect.height) for p in page.pieces} == {(inches(3), inches(3))}


def test_letters_that_are_stamped_take_no_paper() -> None:
    page = laid(Title("t", "HER", (replace(PLAIN, made="stamped", ink="#883322"),)))
    assert {(p.role, p.colour, p.name.split(", ")[1]) for p in page.pieces} == {("sticker", "#883322", "stamped")}


# ---- cut out of a sheet --------------------------------------------------------------------------------------


def test_the_paper_behind_is_the_letters_box_and_a_lap_all_round() -> None:
    """An H of 1/2 × 1 in wants 3/4 × 1 1/4 behind it: an eighth on every side."""
    title = Title(
        "t", "HH", (Style("block", papers=INK),), letters=parse("1/4"), openings=Openings(PaperChoice("reach"))
    )
    page = laid(title)
    behind = named(page, "behind-")
    assert [(p.rect.width, p.rect.height) for p in behind] == [(parse("3/4"), parse("1 1/4"))] * 2
    (sheet,) = named(page, "sheet")
    assert len(sheet.holes) == 2 and sheet.choice.paper == "reach"
    assert (sheet.rect.width, sheet.rect.height) == (parse("2 1/4"), inches(2)), "1 1/4 × 1 and 1/2 in all round"
    assert page.pieces.index(behind[0]) < page.pieces.index(sheet)


def test_bridges_hold_the_middle_of_an_o_and_without_them_it_is_loose() -> None:
    title = Title("t", "O", (replace(PLAIN, height=inches(2)),), openings=Openings(PaperChoice("reach")))
    held = laid(title)
    (sheet,) = named(held, "sheet")
    assert len(sheet.holes) == 2, "two bridges part the ring"
    assert not named(held, "counter-")
    loose = laid(replace(title, openings=Openings(PaperChoice("reach"), bridges=False)))
    (sheet,) = named(loose, "sheet")
    (middle,) = named(loose, "counter-")
    assert len(sheet.holes) == 1 and middle.choice.paper == "reach"
    whole = sum(polygons.area(hole.clipped) for hole in named(held, "sheet")[0].holes)
    ring = polygons.area(sheet.holes[0].clipped) - polygons.area(middle.seen)
    assert whole == pytest.approx(ring - 2 * (1 / 16) * ring_width(sheet, middle), rel=0.02)


def ring_width(sheet: Piece, middle: Piece) -> float:
    """How wide the ring of the o is at the top, where a bridge goes through it."""
    hole = polygons.bounds(polygons.moved(sheet.holes[0].clipped, sheet.uncut.x.inches, sheet.uncut.y.inches))
    return polygons.bounds(middle.seen)[1] - hole[1]


def test_a_rim_of_the_next_paper_is_told() -> None:
    """Letters 1/16 apart with papers that reach 1/8 beyond; an eighth apart nothing is seen, and one press does it."""
    title = Title("t", "HH", (Style("block", papers=INK),), letters=parse("1/16"), openings=Openings())
    found = finding(laid(title), "behind")
    assert "1/16 apart" in found.sentence and "1/8 beyond" in found.sentence
    assert "behind" not in codes(laid(found.remedies[0].part))


# ---- beside photos -------------------------------------------------------------------------------------------

WITH_FACE = replace(HERON, framing=Framing(faces=(Face(0.5, 0.5, 0.2),)))
PRINT = PhotoPart(
    "photo",
    Print("heron", inches(4), inches(6)),
    (),
    Place("left", Across("left", inches(4)), Down("top", inches(3))),
)


def photographed() -> Ground:
    return ground(None, paper("ink"), photos={"heron": WITH_FACE})


def at(left: str, top: str) -> Place:
    return Place("left", Across("left", parse(left)), Down("top", parse(top)))


PRINT = PhotoPart("photo", Print("heron", inches(4), inches(6)), (), at("4", "3"))


def test_letters_keep_off_faces() -> None:
    """A photo of 4 × 6 at 4, 3: its face, a fifth of 4 in high, is in its middle, at 6, 6: from 5.6 to 6.4 both ways.
    A title an inch high at 5 3/4 lies on it; the nearest place off it is 6 4/10, on a mark 6 7/16: 11/16 lower."""
    title = Title("t", "HER", (replace(PLAIN, height=inches(1)),), place=at("4 1/2", "5 3/4"))
    page = laid(PRINT, title, at=photographed())
    (remedy,) = finding(page, "on-face").remedies
    moved = laid(PRINT, remedy.part, at=photographed())
    assert "on-face" not in codes(moved)
    assert remedy.says == "Move it 11/16 down"
    assert "on-face" not in codes(laid(PRINT, replace(title, place=at("4 1/2", "3 1/2")), at=photographed()))


def test_a_title_under_a_photo_goes_down_first_and_what_is_covered_is_told() -> None:
    """Letters that end under the photo: the photo covers the last one wholly, and lies on the title."""
    title = Title("t", "HHH", (replace(PLAIN, face="heavy"),), place=at("3", "4"))
    page = laid(title, PRINT, at=photographed())
    assert finding(page, "goes-first").sentence.endswith("glue the title first.")
    assert "letter H by " in finding(page, "letters-covered").sentence
    above = laid(PRINT, title, at=photographed())
    assert not {"goes-first", "letters-covered"} & codes(above)


def test_a_slight_title_is_told_and_what_would_do_does() -> None:
    """Letters of 1/4 in beside a photo of 24 sq in are less than 1 1/2 sq in."""
    title = Title("t", "HER", (replace(PLAIN, height=parse("1/4")),), place=at("1", "1"))
    page = laid(PRINT, title, at=photographed())
    remedies = finding(page, "title-slight").remedies
    assert remedies
    for remedy in remedies:
        assert "title-slight" not in codes(laid(PRINT, remedy.part, at=photographed())), remedy.says
    assert "title-slight" not in codes(
        laid(PRINT, replace(title, styles=(replace(PLAIN, face="heavy", height=inches(2)),)), at=photographed())
    )


def test_words_on_a_photo_want_a_block_of_their_own() -> None:
    words = Words("w", "Rain on the roof all night.", width=inches(2), place=at("5", "4"))
    page = laid(PRINT, words, at=photographed())
    (remedy,) = finding(page, "words-busy").remedies
    assert "words-busy" not in codes(laid(PRINT, remedy.part, at=photographed()))
    beside = replace(words, place=at("9", "1"))
    assert "words-busy" not in codes(laid(PRINT, beside, at=photographed()))


# ---- centred, won from scraps --------------------------------------------------------------------------------


def test_centred_by_count_the_middle_letter_is_in_the_middle() -> None:
    """WII over HEH, every letter 1/2 in but the I's of 1/4: by width WII begins 1/4 in from the left, by count its
    middle letter, the first I, stands under the middle of the E."""
    narrow = replace(BLOCK, measured=(*BLOCK.measured, MeasuredWord("I", parse("1/4"))), letters="WIIHEH")
    title = Title("t", "WII\nHEH", (IN_BLOCK,), letters=parse("1/8"), align="count")
    first, middle, _, _, below, _ = (piece.rect for piece in laid(title, at=on(narrow)).pieces)
    assert (middle.x + middle.right) == (below.x + below.right)
    assert first.x < middle.x
    by_width = [piece.rect.x for piece in laid(replace(title, align="centre"), at=on(narrow)).pieces]
    assert by_width[1] + parse("1/8") != (below.x + below.right).part(1, 2)


def test_letters_are_won_from_a_scrap_before_a_sheet_is_opened() -> None:
    """HE in heavy letters of 1 in: two boxes of 1/2 × 1 and less come out of a rest of 2 × 1 1/2; no sheet is begun."""
    ink = paper("ink")
    rest = scrap("rest", "ink", "2", "1 1/2")
    at = ground(None, ink).changed(shelf=Shelf.of([ink, replace(rest, a=ink.a, b=ink.b)]))
    title = Title("t", "HE", (replace(PLAIN, face="heavy"),))
    page = laid(title, at=at)
    cuts = cut_list(
        plan_cuts(demand(page.pieces, at.shelf), 2_000), {p.id: p for p in page.pieces}, at.shelf, at.ruler
    )
    assert [sheet.paper for sheet in cuts.sheets] == ["rest"]
    used = sum(piece.rect.width.inches * piece.rect.height.inches for piece in page.pieces)
    assert used <= 3 and len(cuts.sheets[0].pieces) == 2


def test_lines_above_a_title_are_as_long_as_it_is() -> None:
    """HEN of letters 1/2 in wide, 1/8 apart: 1 3/4 long. Three lines 1/8 high, 1/8 apart and 1/8 above it: 3/4 more."""
    title = Title("t", "HEN", (IN_BLOCK,), letters=parse("1/8"), under=(Under("lines", parse("1/8"), INK),))
    page = laid(title)
    lines = named(page, "lines-")
    assert [(p.rect.width, p.rect.height) for p in lines] == [(parse("1 3/4"), parse("1/8"))] * 3
    top = min(p.rect.y for p in named(page, "letter-"))
    assert [top - p.rect.bottom for p in lines] == [parse("5/8"), parse("3/8"), parse("1/8")]
    assert height(page) == parse("1 3/4")
