"""What once spoiled a sheet between page and knife, each worked out on paper: knife cuts, cards, stripes, holes."""

from __future__ import annotations

from dataclasses import replace

from tests.core.cutting.lists import listed, panel, pieces_of
from tests.core.examples import HERON, ground, paper, said_at, scrap
from ulna.core.cutting import progress, scraps
from ulna.core.cutting.cut_list import CutList
from ulna.core.cutting.finishing import cut_lines
from ulna.core.cutting.print_cuts import print_sheets
from ulna.core.geometry.figures import Hole, outline
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Ruler, inches, parse
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import Gutting, PagePlan
from ulna.core.page_formats import of_kind
from ulna.core.paper.shelf import Card as SheetCard
from ulna.core.paper.shelf import Direction, Paper, Shelf, Side
from ulna.core.parts.kinds.base import Base
from ulna.core.parts.kinds.card import Card
from ulna.core.parts.kinds.cutout import Cutout
from ulna.core.parts.kinds.mitred import Mitred
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.kinds.torn import Torn
from ulna.core.parts.opening import Opening
from ulna.core.parts.pieces import PaperChoice
from ulna.core.parts.place import Across, Down, Place
from ulna.core.photos.prints import Print

REEDS = paper("reeds", 2)


def opened(figure: str, across: str, down: str) -> Panel:
    """A panel of 12 × 12 with an opening of 3 × 2."""
    opening = Opening(figure, None, inches(3), inches(2), parse(across), parse(down))  # type: ignore[arg-type]
    return Panel("p", "ground", None, inches(12), inches(12), PaperChoice("reeds"), openings=(opening,))


def test_a_knife_cut_says_its_distances_from_two_edges() -> None:
    """A mat of 6 1/2 × 7 1/2 lies 1 1/8 from the left and 7/8 from the top of a panel: the hole under it begins a lap
    of 3/8 in further in."""
    under = panel("under", "9", "10", "reeds")
    place = Place("left", Across("left", parse("1 1/8"), "under"), Down("top", parse("7/8"), "under"))
    over = replace(panel("over", "6 1/2", "7 1/2", "reeds"), place=place)
    plan = PagePlan("x", of_kind("12x12"), parts=(under, over), gutting=(Gutting("under/panel", True),))
    sheet = listed(evaluate(plan, ground(plan.format, REEDS)).pieces, REEDS).sheets[0]
    assert "Cut 5 3/4 × 6 3/4 out of piece 1, 1 1/2 from its left edge and 1 1/4 from its top edge." in said_at(
        sheet
    )


def test_middle_is_said_only_where_it_is_one() -> None:
    told = said_at(listed(pieces_of(opened("circle", "2", "1"), papers=(REEDS,)), REEDS).sheets[0])
    assert told == [
        "Take the whole sheet: piece 1.",
        "Cut the circle of 3 × 2 out of piece 1, along the template, 6 1/2 from its left edge and 6 from its top edge.",
    ]
    told = said_at(listed(pieces_of(opened("circle", "0", "0"), papers=(REEDS,)), REEDS).sheets[0])
    assert told[1].endswith("in the middle: 4 1/2 from its left edge and 5 from its top edge.")


CARDS = replace(
    paper("cards", 2),
    cards=(
        SheetCard("sun", Rect(parse("1 1/2"), inches(1), inches(5), inches(3))),
        SheetCard("rain", Rect(parse("1 1/2"), inches(1), inches(5), inches(3)), "B"),
    ),
)


def test_the_back_of_a_card_is_cut_where_it_lies_from_the_back() -> None:
    """5 wide, 1 1/2 from the left of A on 12: with B up it begins at 12 - 5 - 1 1/2 = 5 1/2."""
    (sheet,) = listed(pieces_of(Card("c", "cards", "sun", back=True), papers=(CARDS,)), CARDS).sheets
    assert sheet.face == "B" and sheet.pieces[0].rect == Rect(parse("5 1/2"), inches(1), inches(5), inches(3))
    assert not sheet.pieces[0].over and sheet.pieces[0].quarters == 0


def test_a_card_entered_on_b_lies_where_it_was_entered() -> None:
    (sheet,) = listed(pieces_of(Card("c", "cards", "rain"), papers=(CARDS,)), CARDS).sheets
    assert sheet.face == "B" and sheet.pieces[0].rect.x == parse("1 1/2")


def test_sheets_of_two_pages_never_share_a_number() -> None:
    """One page takes Reeds 1 and 2, for its B and its A side; another then has 3 and 4, not 3 twice."""
    four = replace(REEDS, count=4)
    bases = [panel("a", "12", "12", "reeds", "B"), panel("b", "12", "12", "reeds", "A")]
    cuts = listed(pieces_of(*bases, papers=(four,)), four)
    keys = [sheet.key for sheet in progress.rekeyed(cuts.sheets, {"reeds#1", "reeds#2"})]
    assert keys == ["reeds#3", "reeds#4"]
    steps = [step.key for sheet in progress.rekeyed(cuts.sheets, {"reeds#1"}) for step in sheet.steps]
    assert len(set(steps)) == len(steps)


STRIPES = Side("stripe", ("#ffffff", "#335544"), direction=Direction.TWO_WAY, scale=parse("3/4"))
STRIPED = Paper("striped", "Striped", inches(12), inches(12), 2, a=STRIPES, b=STRIPES)


def test_the_strips_of_a_mitred_border_are_cut_in_phase() -> None:
    """1 in wide of a repeat of 3/4: they begin at 0, 1 1/2, 3 and 4 1/2, and take 5 1/2 of the paper's width."""
    border = Mitred("m", parse("7/8"), parse("1/8"), choice=PaperChoice("striped"))
    on = ground(None, STRIPED)
    page = evaluate(PagePlan("x", parts=(border,)), on)
    (sheet,) = listed(page.pieces, STRIPED).sheets
    starts = sorted(piece.rect.x for piece in sheet.pieces)
    assert starts == [ZERO, parse("1 1/2"), inches(3), parse("4 1/2")]
    assert {(piece.rect.width, piece.rect.height) for piece in sheet.pieces} == {(inches(1), inches(12))}
    assert any("together they take 5 1/2 of the paper's width" in f.sentence for f in page.findings)
    mitre = "Cut piece 1 straight from the top left corner to 1 down the right edge and from 11 down the right edge"
    assert any(told.startswith(mitre) for told in said_at(sheet))


def test_a_tag_is_clipped_and_its_hole_is_punched() -> None:
    tag = Cutout("t", "tag", inches(2), inches(3), parse("1/2"), hole=parse("3/8"), choice=PaperChoice("reeds"))
    told = said_at(listed(pieces_of(tag, papers=(REEDS,)), REEDS).sheets[0])
    assert "Punch a hole of 1/4 in piece 1, its centre 1 from the left edge and 3/8 from the top edge." in told
    assert any("1/2 along the top edge to" in one or "to 1/2 along the top edge" in one for one in told)


def test_a_tear_says_which_edge_and_how_far_inside() -> None:
    torn = Torn("t", inches(2), inches(10), papers=(PaperChoice("reeds"),))
    told = said_at(listed(pieces_of(torn, papers=(REEDS,)), REEDS).sheets[0])
    assert told[-1] == "Tear piece 1 1/4 inside the bottom edge, towards yourself, so that the core shows."


def test_a_print_behind_an_opening_is_trimmed_to_opening_and_lap() -> None:
    """4 × 6 behind a circle of 3: 3 1/4 × 3 1/4 is left of it."""
    opening = Opening("circle", None, inches(3), inches(3), print=Print("heron"))
    part = Panel("p", "ground", None, inches(8), inches(8), PaperChoice("reeds"), openings=(opening,))
    plan = PagePlan("x", parts=(part,))
    pieces = evaluate(plan, ground(None, REEDS, photos={"heron": HERON})).pieces
    (sheet,) = print_sheets(pieces, 1, Ruler())
    assert said_at(sheet) == [
        "Set 3/8 from the left of the print.",
        "Set 3 1/4 from the left of the 3 5/8 × 6 part.",
        "Set 1 3/8 from the top of the 3 1/4 × 6 part.",
        "Set 3 1/4 from the top of the 3 1/4 × 4 5/8 part: piece 1.",
    ]


# ---- books that add up -----------------------------------------------------------------------------


def test_a_gutted_sheet_that_is_a_piece_as_it_is_counts_as_cut() -> None:
    """12 × 12 base, its middle of 9 1/4 × 9 1/4 cut out: the base is a piece, the middle one scrap; no third thing."""
    base = Base("b", "left", PaperChoice("reeds"))
    cover = panel("cover", "10", "10", "reeds")
    plan = PagePlan("x", of_kind("12x12"), parts=(base, cover), gutting=(Gutting("b/base", True),))
    cuts = listed(evaluate(plan, ground(plan.format, REEDS)).pieces, REEDS)
    everything = {step.key for sheet in cuts.sheets for step in sheet.steps}
    assert sum(len(progress.finished(sheet, everything)) for sheet in cuts.sheets) == 2
    shelf, _ = scraps.after(Shelf.of([REEDS]), [(cuts, everything)])
    sizes = sorted((p.width, p.height) for p in shelf.papers.values() if p.is_scrap)
    assert (parse("9 1/4"), parse("9 1/4")) in sizes and (inches(12), inches(12)) not in sizes


def test_the_middle_of_a_round_opening_is_a_round_scrap() -> None:
    cuts = listed(pieces_of(opened("circle", "0", "0"), papers=(REEDS,)), REEDS)
    everything = {step.key for sheet in cuts.sheets for step in sheet.steps}
    shelf, _ = scraps.after(Shelf.of([REEDS]), [(cuts, everything)])
    (middle,) = [p for p in shelf.papers.values() if p.is_scrap]
    assert middle.inside == Hole(ZERO, ZERO, inches(3), inches(2), "circle")
    assert (middle.width, middle.height) == (inches(3), inches(2))
    square = panel("s", "2", "1 1/4", "reeds")
    again = listed(pieces_of(square, papers=tuple(shelf.papers.values())), *shelf.papers.values())
    assert again.sheets[0].scrap, "a smaller piece comes out of its largest rectangle"


def test_what_falls_out_of_a_piece_that_lies_turned_lies_turned_too() -> None:
    """An arch of 3 × 4 upright in a piece whose stripes lie turned: on the sheet, and so as a scrap of the paper, it is
    4 × 3 and its round end is at a side."""
    striped = replace(REEDS, a=Side(direction=Direction.TWO_WAY))
    opening = Opening("arch", None, inches(3), inches(4))
    turned = Panel("p", "card", None, inches(6), inches(8), PaperChoice("reeds", "A", True), openings=(opening,))
    cuts = listed(pieces_of(turned, papers=(striped,)), striped)
    (piece,) = cuts.sheets[0].pieces
    assert (piece.rect.width, piece.rect.height, piece.quarters) == (inches(8), inches(6), 1)
    everything = {step.key for sheet in cuts.sheets for step in sheet.steps}
    shelf, _ = scraps.after(Shelf.of([striped]), [(cuts, everything)])
    (middle,) = [p for p in shelf.papers.values() if p.inside]
    # On the page the round end is at the top; turned back anticlockwise it is at the left.
    assert middle.inside == Hole(ZERO, ZERO, inches(4), inches(3), "arch", quarters=3)
    assert all(1.3 < y < 1.7 for x, y in middle.inside.outline if x < 0.01), "the top of the arc, half way down"


def test_a_scrap_that_is_no_rectangle_keeps_its_outline_when_it_is_cut() -> None:
    """Of a round scrap of 6 a strip of 2 × 3 is cut: what is beside the circle is not there to cut from."""
    round_one = replace(scrap("disc", "reeds", "6", "6"), inside=Hole(ZERO, ZERO, inches(6), inches(6), "circle"))
    spent = replace(REEDS, count=0)
    cuts = listed(pieces_of(panel("s", "2", "3", "reeds"), papers=(spent, round_one)), spent, round_one)
    (sheet,) = cuts.sheets
    everything = {step.key for step in sheet.steps}
    parts = progress.shares(sheet, everything)
    assert sum(share.area for share in parts) == round_one.area < inches(6).units ** 2
    shelf, _ = scraps.after(Shelf.of([spent, round_one]), [(cuts, everything)])
    left = [p for p in shelf.papers.values() if p.is_scrap and p.count]
    assert left and all(p.inside is not None for p in left), "each has part of the circle's edge"
    by_name = {share.at: share.area for share in parts if share.kind == "rest"}
    assert sorted(p.area for p in left) == sorted(by_name.values())


def test_a_round_scrap_used_as_it_is_is_a_round_piece() -> None:
    round_one = replace(scrap("disc", "reeds", "6", "6"), inside=Hole(ZERO, ZERO, inches(6), inches(6), "circle"))
    whole = Panel("w", "disc", choice=PaperChoice("disc"), as_it_is=True)
    (piece,) = pieces_of(whole, papers=(REEDS, round_one))
    assert piece.outline == round_one.inside.outline  # type: ignore[union-attr]
    (sheet,) = listed((piece,), REEDS, round_one).sheets
    assert [step.kind for step in sheet.steps] == ["take"], "nothing is cut along an outline that is there already"


def test_a_rest_with_a_hole_stays_one_scrap() -> None:
    """A hole of 4 × 4 in the middle of a scrap of 8 × 12; a strip of 2 × 12 is cut off its side, and that is all."""
    holed = replace(
        paper("reeds", 1, size="12"), width=inches(8), holes=(Hole(inches(3), inches(4), inches(4), inches(4)),)
    )
    cuts = listed(pieces_of(panel("s", "2", "12", "reeds"), papers=(holed,)), holed)
    assert len(cuts.sheets[0].steps) == 1
    everything = {step.key for step in cuts.sheets[0].steps}
    (rest,) = scraps.scraps(holed, cuts.sheets[0], everything)
    assert (rest.width, rest.height) == (inches(6), inches(12)) and len(rest.holes) == 1
    assert rest.area == (inches(6).units * inches(12).units) - inches(4).units ** 2


def test_six_tiles_out_of_one_strip_take_seven_cuts() -> None:
    """7/8 × 1 1/16: the strip first, then across it."""
    tiles = [panel(f"t{k}", "7/8", "1 1/16", "reeds") for k in range(6)]
    cuts = listed(pieces_of(*tiles, papers=(REEDS,)), REEDS)
    assert len(cuts.sheets[0].steps) == 7


def test_a_photo_in_a_shape_is_on_the_list() -> None:
    """It is cut out along the template; one that is used as it came is not."""
    photo = PhotoPart("p", Print("heron", inches(4), inches(4), shape="circle"))
    pieces = evaluate(PagePlan("x", parts=(photo,)), ground(photos={"heron": HERON})).pieces
    (sheet,) = print_sheets(pieces, 1, Ruler())
    assert said_at(sheet) == ["Take the whole print: piece 1.", "Cut piece 1 along the template: circle."]
    assert CutList((sheet,)).sheets[0].print == "print of Heron"


def test_a_scrap_that_is_used_as_it_is_serves_nothing_else() -> None:
    """Its hole is the panel's own; a card of the same paper comes from a whole sheet, not from over the hole."""
    hole = Hole(inches(1), inches(2), inches(2), inches(2), "circle")
    holed = replace(scrap("holed", "reeds", "6", "8"), holes=(hole,))
    whole = Panel("w", "window", choice=PaperChoice("holed"), as_it_is=True)
    papers = (REEDS, holed)
    pieces = pieces_of(whole, replace(whole, id="v"), panel("c", "3", "5", "reeds"), papers=papers)
    cuts = listed(pieces, *papers)
    assert [(s.paper, [p.piece for p in s.pieces]) for s in cuts.sheets] == [
        ("holed", ["w/panel"]),
        ("reeds", ["c/panel"]),
    ]
    assert said_at(cuts.sheets[0]) == ["Take the whole sheet: piece 1."]


def test_only_what_is_cut_is_drawn_as_a_cut() -> None:
    """Of a strip of 1 × 6 with mitred ends two lines are cut, of one torn at its top the tear alone; a circle is
    cut all round."""
    mitred = ((0.0, 0.0), (1.0, 1.0), (1.0, 5.0), (0.0, 6.0))
    assert cut_lines(mitred, inches(1), inches(6)) == [[(0, 0), (1, 1)], [(1, 5), (0, 6)]]
    torn = ((0.0, 0.3), (2.0, 0.2), (4.0, 0.3), (4.0, 1.0), (0.0, 1.0))
    assert cut_lines(torn, inches(4), inches(1)) == [[(0, 0.3), (2, 0.2), (4, 0.3)]]
    (circle,) = cut_lines(outline("circle", 2, 2), inches(3), inches(3))
    assert circle[0] == circle[-1] and len(circle) == len(outline("circle", 2, 2)) + 1
