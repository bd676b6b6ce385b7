"""First drafts: complete, different in kind, planned without a piece unplaced, and nothing on them that must not be."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from dataclasses import replace

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from tests.core.examples import ground
from ulna.core.cutting.demand import demand
from ulna.core.errors import FieldError
from ulna.core.measure import inches, parse
from ulna.core.page.evaluate import Evaluated, evaluate
from ulna.core.page.plan import PagePlan, things_of
from ulna.core.page_formats import PageFormat, of_kind
from ulna.core.paper.colour import Lab, Leading, PictureColours, of_hex
from ulna.core.paper.shelf import Direction, Edge, Form, Paper, Shelf, Side, Stock, Strip
from ulna.core.parts.kinds.base import Base
from ulna.core.parts.kinds.date import Date
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.kinds.title import Title, wanted
from ulna.core.parts.kinds.words import Words
from ulna.core.parts.pieces import Ground, Picture
from ulna.core.parts.place import Across, Down, Place
from ulna.core.photos.crop import Face, Framing
from ulna.core.photos.photo import Photo
from ulna.core.photos.prints import Print
from ulna.core.planner import plan_cuts
from ulna.core.rules import USUAL
from ulna.core.sketches.drafting import Asked, Draft, best, drafts, pages_for
from ulna.core.sketches.filling import Story
from ulna.core.sketches.month import month
from ulna.core.things.thing import Thing, ThingKind
from ulna.core.words.alphabets import Alphabet

STORY = Story("SLOW WATER", "We went slowly, and the heron let us.", "14 March 2026")
COLOURS = ["#f6efdc", "#2b3138", "#a5312b", "#6f8a5c", "#2d5a78", "#c99a2e", "#b8c4a4", "#eef1e4", "#5f7a86", "#d8c7b4",
           "#23453f", "#ffffff"]  # fmt: skip


def paper(k: int, busy: int = 0, direction: Direction = Direction.NONE, count: int = 2) -> Paper:
    colour = COLOURS[k % len(COLOURS)]
    side = Side("dot" if busy else "plain", (colour,), busy, direction, inches(1))
    back = replace(side, busy=0, pattern="plain")
    strip = Strip(Edge.BOTTOM, parse("1/2")) if busy else None
    return Paper(f"paper-{k}", f"Paper {k}", inches(12), inches(12), count, Stock.CARD, a=side, b=back, strip=strip)


TWELVE = tuple(
    paper(k, busy, way)
    for k, (busy, way) in enumerate(
        [(0, Direction.NONE)] * 5
        + [(2, Direction.NONE), (3, Direction.ONE_WAY), (1, Direction.TWO_WAY), (2, Direction.ONE_WAY)]
        + [(1, Direction.NONE), (0, Direction.NONE), (3, Direction.NONE)]
    )
)
THINGS = (
    Thing("bolts", "Bolts", ThingKind.BRAD, 7, colours=("#c99a2e",), drawn="plain"),
    Thing("hearts", "Hearts", ThingKind.PUFFY, 3, figure="heart", colours=("#a5312b",), drawn="plain"),
)
BLOCK = Alphabet("block", "Block", parse("3/4"), "AABCDEEEFGHILLMNOOPRRSSTTUVWY")


def photos(*sizes: tuple[int, int], face: bool = True) -> dict[str, Photo]:
    framing = Framing(faces=(Face(0.5, 0.4, 0.3),)) if face else Framing()
    return {f"p{k}": Photo(f"p{k}", f"Photo {k}", size, framing) for k, size in enumerate(sizes)}


def on(format: PageFormat, there: dict[str, Photo], papers: Sequence[Paper] = TWELVE) -> Ground:
    """A shelf of these papers; every photo is middling light at its edge."""
    grey = PictureColours(Lab(48, 0, 0), 12.0, (Leading(of_hex("#6f8a5c"), (111, 138, 92), 0.5),))

    def edge(_: Picture) -> PictureColours:
        return grey

    whole = ground(format, photos=there)
    return replace(whole, shelf=Shelf.of(list(papers), THINGS, (BLOCK,)), edge=edge)


SEVEN = photos((4500, 3000), (3000, 4500), (4000, 4000), (4500, 3000), (3000, 4500), (4500, 3000), (3000, 4500))
DOUBLE = of_kind("12x12", 2)


def asked(there: dict[str, Photo], format: PageFormat, **more: object) -> Asked:
    return Asked(tuple(there), format, STORY, **more)  # type: ignore[arg-type]


def test_seven_photos_and_twelve_papers_give_drafts_different_in_kind_each_complete() -> None:
    """Every photo once, a title, the words, the date, three clusters; each from another family of sketches."""
    found = best(asked(SEVEN, DOUBLE), on(DOUBLE, SEVEN), 10, 6)
    assert len(found) >= 3 and len({one.sketch.split(",")[0] for one in found[:3]}) == 3
    for one in found:
        kinds = Counter(type(part) for part in one.plan.parts)
        shown = Counter(part.print.photo for part in one.plan.parts if isinstance(part, PhotoPart))
        assert shown == Counter(SEVEN.keys())
        assert kinds[Title] == kinds[Words] == kinds[Date] == 1
        assert one.plan.story == STORY.words and one.says.startswith("opens ")


def test_few_photos_go_on_a_single_page_many_on_a_double_one() -> None:
    assert [pages_for(n, of_kind("12x12")) for n in (1, 4, 5, 12)] == [1, 1, 2, 2]
    assert pages_for(1, of_kind("notebook")) == 2


def test_parts_that_are_fixed_stay_and_the_rest_is_drafted_round_them() -> None:
    """A photo in the upper left corner: it stays there, and none of the others lies on it."""
    single, there = of_kind("12x12"), photos((4500, 3000), (3000, 4500), (4000, 4000))
    own = PhotoPart(
        "mine",
        Print("p0", inches(4), inches(3)),
        place=Place(across=Across("left", inches(1)), down=Down("top", inches(1))),
    )
    wanted_ = Asked(("p1", "p2"), single, STORY, fixed=(own,))
    found = list(drafts(wanted_, on(single, there), 12))
    assert found
    for one in found:
        assert own in one.plan.parts
        page = evaluate(one.plan, on(single, there))
        mine = page.box("mine")
        assert all(
            not page.box(part.id).meets(mine)
            for part in one.plan.parts
            if isinstance(part, PhotoPart) and part.id != "mine"
        )


def test_only_scraps_opens_no_sheet() -> None:
    """Two sheets of each, and of five papers a scrap of 8 × 8: a page of 8 × 8 comes out of these alone."""
    format = replace(of_kind("own"), width=inches(6), height=inches(6))
    scraps = [
        replace(
            paper(k),
            id=f"scrap-{k}",
            form=Form.SCRAP,
            scrap_of=f"paper-{k}",
            width=inches(8),
            height=inches(8),
            count=3,
        )
        for k in (0, 1, 2, 4, 10)
    ]
    there = photos((4500, 3000))
    found = list(drafts(asked(there, format, scraps_only=True), on(format, there, (*TWELVE, *scraps)), 8))
    assert found and all(one.opens == 0 and one.says.startswith("opens no sheet") for one in found)


def test_papers_kept_for_later_are_left_alone() -> None:
    keep = frozenset(one.id for one in TWELVE[:6])
    there = photos((4500, 3000), (3000, 4500))
    single = of_kind("12x12")
    found = list(drafts(asked(there, single, keep=keep), on(single, there), 8))
    assert found
    for one in found:
        page = evaluate(one.plan, on(single, there))
        assert not keep & {piece.choice.paper for piece in page.pieces}


@pytest.mark.parametrize(
    ("there", "papers", "says"),
    [
        ({}, TWELVE, "photos: there is no photo to begin from; choose one or more"),
        (
            photos(*[(3000, 2000)] * 13),
            TWELVE,
            "photos: more than 12 photos on a page, read '13'; choose fewer, or print several in a template",
        ),
        (photos((3000, 2000)), (), "papers: there is no paper to make a page from; unpack a kit first"),
    ],
)
def test_drafts_of_nothing_say_what_would_do(there: dict[str, Photo], papers: Sequence[Paper], says: str) -> None:
    with pytest.raises(FieldError) as why:
        list(drafts(asked(there, DOUBLE), on(DOUBLE, there, papers), 2))
    assert why.value.sentence == says


# ---- what no draft does ----------------------------------------------------------------------------------

sizes = st.sampled_from([(4500, 3000), (3000, 4500), (4000, 4000), (6000, 2500)])
described = st.tuples(st.integers(0, 11), st.integers(0, 3), st.sampled_from(Direction), st.integers(0, 3))
kinds_of_page = st.sampled_from(["12x12", "letter-upright", "notebook"])
moods = st.sampled_from(["calm", "middle", "bold"])


@st.composite
def shelves(draw: st.DrawFn) -> list[Paper]:
    """Up to twelve papers, some of which there are none of."""
    rows = draw(st.lists(described, min_size=1, max_size=12))
    papers = [paper(k, busy, way, count) for k, busy, way, count in rows]
    return [replace(one, id=f"paper-{n}", name=f"Paper {n}") for n, one in enumerate(papers)]


@given(st.lists(sizes, min_size=1, max_size=8), shelves(), st.integers(0, 1000), kinds_of_page, moods)
@settings(max_examples=25, deadline=None)
def test_no_draft_uses_more_than_there_is_or_breaks_a_rule(
    pictures: list[tuple[int, int]], papers: list[Paper], seed: int, kind: str, mood: str
) -> None:
    """Read anew from each draft's drawing: letters and things within the counts, every face on its print and off the
    fold, no letter on the fold, no one-way paper on its side, the planner leaves nothing out. The same seed gives the
    same drafts."""
    there = photos(*pictures)
    format = of_kind(kind, pages_for(len(there), of_kind(kind)))  # type: ignore[arg-type]
    at = on(format, there, papers)
    wants = asked(there, format, seed=seed, mood=mood)
    try:
        found = list(drafts(wants, at, 4))
    except FieldError as why:
        assert why.sentence
        return
    assert found == list(drafts(wants, at, 4))
    for one in found:
        _keeps_the_rules(one, evaluate(one.plan, at), at)


def _keeps_the_rules(draft: Draft, page: Evaluated, at: Ground) -> None:
    plan: PagePlan = draft.plan
    for part in plan.parts:
        if isinstance(part, Title):
            for alphabet, letters in wanted(part).items():
                assert all(n <= at.shelf.letters_left[alphabet].get(c, 0) for c, n in letters.items())
    for taken in things_of(plan):
        assert taken.halves <= 2 * at.shelf.things_left[taken.thing]
    gutter = at.format.gutter
    for piece in page.pieces:
        side = at.shelf.papers[piece.choice.paper].face(piece.choice.side) if piece.choice.paper else None
        if side and side.direction is Direction.ONE_WAY and piece.is_paper:
            assert not piece.choice.turned and abs(piece.angle) < 30
        if gutter is not None and piece.letter is not None:
            assert piece.rect.right <= gutter or piece.rect.x >= gutter
        if piece.role == "print" and piece.picture and piece.picture.crop:
            crop = piece.picture.crop
            (x1, x2), (y1, y2) = (
                at.photos[piece.picture.photo or ""]
                .framing.faces[0]
                .spans(at.photos[piece.picture.photo or ""].pixels)
            )
            assert crop.x - 1e-6 <= x1 and x2 <= crop.x + crop.width + 1e-6
            assert crop.y - 1e-6 <= y1 and y2 <= crop.y + crop.height + 1e-6
            if gutter is not None:
                left = piece.uncut.x.inches + (x1 - crop.x) / crop.width * piece.uncut.width.inches
                right = piece.uncut.x.inches + (x2 - crop.x) / crop.width * piece.uncut.width.inches
                assert not left < gutter.inches < right
    assert plan_cuts(demand(page.pieces, at.shelf), 2_000).unplaced == ()


# ---- a month -----------------------------------------------------------------------------------------------


def test_a_months_pages_go_together_and_what_is_left_is_known() -> None:
    """Three stories of two photos each: planned together, their pieces are all placed on the shelf as it is; what is
    said to be left of each paper is what they do not open."""
    single, there = of_kind("12x12"), photos(*[(4500, 3000), (3000, 4500)] * 3)
    at = on(single, there)
    stories = [
        Asked(tuple(there)[2 * k : 2 * k + 2], single, replace(STORY, title=f"DAY {k}"), f"Day {k}")
        for k in range(3)
    ]
    found = month(stories, at, 6)
    pages = [one for one in found.drafts if one is not None]
    assert len(pages) == 3
    pieces = [
        piece.renamed(lambda id, k=k: f"{k}/{id}")  # type: ignore[misc]
        for k, one in enumerate(pages)
        for piece in evaluate(one.plan, at).pieces
    ]
    together = plan_cuts(demand(pieces, at.shelf), 3_000)
    assert together.unplaced == ()
    opened = Counter(id for one in pages for id, n in one.used for _ in range(n))
    assert dict(found.left) == {one.id: one.count - opened[one.id] for one in TWELVE}
    assert any(isinstance(part, Base) for part in pages[0].plan.parts)


def test_what_has_lain_longest_is_preferred() -> None:
    """Of the same papers, letters and things, those that lie unused longest come into more of the drafts."""
    there = photos((1800, 1200), (1200, 1800))
    plain = on(of_kind("12x12"), there)
    other = replace(BLOCK, id="other", name="Other")
    plain = replace(plain, shelf=Shelf.of(list(TWELVE), THINGS, (BLOCK, other)))
    asked = Asked(tuple(there), of_kind("12x12"), replace(STORY, title="OAR"))

    def counted(lain: tuple[str, ...]) -> Counter[str]:
        found = list(drafts(asked, replace(plain, lain=lain), 12))
        papers = [paper for draft in found for paper, _ in draft.used]
        alphabets = [
            style.alphabet or "" for d in found for p in d.plan.parts if isinstance(p, Title) for style in p.styles
        ]
        return Counter([*papers, *alphabets])

    before = counted(())
    rare = min((p.id for p in TWELVE), key=lambda id: (before[id], id))
    after = counted((rare, "other"))
    assert after[rare] > before[rare]
    assert before["block"] > before["other"] == 0 and after["other"] > after["block"]


def test_drafts_follow_the_house_rules() -> None:
    """White rims on new prints that do not go to the edge, a date that is printed, styles that may be mixed."""
    there = photos((1800, 1200), (1200, 1800))
    plain = on(of_kind("12x12"), there)
    asked = Asked(tuple(there), of_kind("12x12"), STORY)
    rules = replace(USUAL, rims="white", writing="typed")
    for draft in drafts(asked, plain.changed(rules=rules), 6):
        prints = [part.print for part in draft.plan.parts if isinstance(part, PhotoPart)]
        assert any(print.rim == parse("1/8") for print in prints)
        assert [part.made for part in draft.plan.parts if isinstance(part, Date)] == ["printed"]
