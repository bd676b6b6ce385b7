"""Several pages from one shelf: what each takes, what is short, and what would help, least harm first."""

from __future__ import annotations

from dataclasses import replace

from tests.core.examples import HERON, ground, mat, paper, scrap
from ulna.core.kit.gutting import Member, settle_all
from ulna.core.kit.together import helps, piecing, rechosen, takes
from ulna.core.measure import inches, parse
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.paper.shelf import Direction, Paper, Side
from ulna.core.parts.kinds import Part
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.pieces import PaperChoice
from ulna.core.parts.place import Across, Down, Place
from ulna.core.photos.prints import Print
from ulna.core.planner import plan_cuts
from ulna.core.planner.plan import CutPlan
from ulna.core.planner.request import CutRequest
from ulna.core.rules import USUAL

BLUE, SKY, INK = (replace(paper(id, 1), a=Side("plain", (c,)), b=Side("plain", (c,))) for id, c in (
    ("blue", "#4477aa"), ("sky", "#5580b0"), ("ink", "#222222")))  # fmt: skip


def planner(request: CutRequest) -> CutPlan:
    return plan_cuts(request, 20_000)


def member(id: str, *parts: Part, papers: tuple[Paper, ...], **rules: object) -> Member:
    on = replace(ground(None, *papers, photos={"heron": HERON}), **rules)  # type: ignore[arg-type]
    plan = PagePlan(id.title(), parts=parts)
    return Member(id, plan, evaluate(plan, on), on)


def photo(print_: str = "4 × 6", border: str = "1/4", of: str = "blue") -> PhotoPart:
    width, height = (parse(side) for side in print_.split(" × "))
    return PhotoPart("photo", Print("heron", width, height), (mat(border, of),))


def panel(width: str, height: str, of: str = "blue") -> Panel:
    place = Place("left", Across("left", inches(0)), Down("top", inches(0)))
    return Panel("panel", "panel", None, parse(width), parse(height), PaperChoice(of), place=place)


def test_pages_share_a_sheet_where_they_can() -> None:
    """A panel of 6 × 12 for one page and one for another: one sheet of Blue serves both."""
    members = [member(id, panel("6", "12"), papers=(BLUE,)) for id in ("heron", "locks")]
    found = settle_all(members, planner)
    assert found.plan.whole_sheets_used == 1 and not found.plan.unplaced
    told = [(t.page, t.paper, t.pieces, t.sheets, t.shared) for t in takes(members, found)]
    assert told == [("heron", "blue", 1, 1, 1), ("locks", "blue", 1, 1, 1)]


def test_what_is_short_is_told_before_the_first_cut() -> None:
    members = [member("heron", panel("12", "12"), papers=(BLUE,)), member("locks", photo(), papers=(BLUE,))]
    lost = settle_all(members, planner).plan.unplaced
    assert [u.piece for u in lost] in (["locks/photo/mat-1"], ["heron/panel/panel"])


def first_words(members: list[Member], piece: str = "locks/photo/mat-1") -> list[str]:
    return [help.says for help in helps(members, piece, planner)]


def test_what_helps_is_told_in_the_order_of_least_harm() -> None:
    """Blue is a page's panel whole; Sky is like it, Ink is not."""
    papers = (BLUE, SKY, INK)
    members = [member("heron", panel("12", "12"), papers=papers), member("locks", photo(), papers=papers)]
    assert first_words(members) == ["Take Sky (A), which is of like colour"]
    rest = scrap("rest", "blue", "6 1/2", "3")
    papers = (*papers, replace(rest, a=BLUE.a, b=BLUE.b))
    members = [member("heron", panel("12", "12"), papers=papers), member("locks", photo(), papers=papers)]
    assert first_words(members) == [
        "Piece it of four strips; the seams lie at its corners",
        "Take Sky (A), which is of like colour",
        "Print Heron at 2 × 3",
    ]


def test_a_middle_that_a_rule_leaves_whole_is_offered() -> None:
    """A panel of Blue under an Ink one: 10 1/4 × 10 1/4 come back."""
    cover = replace(panel("11", "11", "ink"), id="cover")
    papers = (BLUE, INK)
    one = member(
        "heron", panel("12", "12"), cover, photo("2 × 3"), papers=papers, rules=replace(USUAL, gut="never")
    )
    assert first_words([one], "heron/photo/mat-1") == ["Cut the middle out of the panel: 10 1/4 × 10 1/4 come back"]


def test_the_other_side_where_it_may_lie_another_way() -> None:
    """Houses stand one way only; the plain back turns, and a mat of 8 × 5 then comes out of a rest of 5 × 8."""
    houses = replace(paper("wharf", 1, pattern="houses", size="5"), height=inches(8), b=Side("plain", ("#ffffff",)))
    assert houses.a.direction is Direction.ONE_WAY
    one = member("locks", photo("7 1/2 × 4 1/2", of="wharf"), papers=(houses,))
    assert "Show the B side" in first_words([one])


def test_a_mat_a_mark_narrower_and_a_smaller_print() -> None:
    """A sheet of 4 3/8 × 6 3/8 is an eighth too short for a 4 × 6 print with 1/4 in all round."""
    small = replace(BLUE, width=parse("4 3/8"), height=parse("6 3/8"))
    assert first_words([member("locks", photo(), papers=(small,))]) == [
        "Piece it of four strips; the seams lie at its corners",
        "Make the mat narrower by 1/16, to 3/16",
        "Print Heron at 3 1/2 × 5",
    ]


def test_a_mat_pieced_of_strips_saves_a_sheet_where_it_does() -> None:
    """A panel of 11 1/2 × 12 and a mat of 7 1/2 × 7 1/2 want two sheets; its strips come out of a scrap."""
    two, rest = replace(BLUE, count=2), scrap("rest", "blue", "8", "3")
    papers = (two, replace(rest, a=BLUE.a, b=BLUE.b))
    one = member("", panel("11 1/2", "12"), photo("7 × 7"), papers=papers, rules=replace(USUAL, gut="never"))
    settled = settle_all([one], planner)
    assert settled.plan.whole_sheets_used == 2
    help = piecing(one, settled, planner)
    assert help is not None
    assert help.says == (
        "Piece mat of Heron of four strips, from rest of blue: one sheet less; the seams lie at its corners"
    )
    again = replace(one, recipe=help.recipe, page=evaluate(help.recipe, one.ground))
    assert settle_all([again], planner).plan.whole_sheets_used == 1
    assert piecing(again, settle_all([again], planner), planner) is None


def test_a_remedy_is_the_recipe_as_it_would_be() -> None:
    papers = (BLUE, SKY)
    members = [member("heron", panel("12", "12"), papers=papers), member("locks", photo(), papers=papers)]
    help = helps(members, "locks/photo/mat-1", planner)[0]
    assert help.page == "locks"
    changed = [replace(members[1], recipe=help.recipe, page=evaluate(help.recipe, members[1].ground))]
    assert not settle_all([members[0], *changed], planner).plan.unplaced


def test_only_what_is_still_to_be_cut_is_asked_for() -> None:
    one = replace(member("heron", panel("12", "12"), photo(), papers=(BLUE,)), only=frozenset({"photo/mat-1"}))
    found = settle_all([one], planner)
    assert [p.id for p in found.pieces] == ["heron/photo/mat-1"] and not found.plan.unplaced


def test_a_choice_is_exchanged_wherever_it_stands() -> None:
    part = PhotoPart("p", Print(), (mat("1/4", "blue"), mat("1/2", "ink"), mat("1/8", "blue")))
    changed = rechosen(part, PaperChoice("blue"), PaperChoice("sky"))
    assert [m.choice.paper for m in changed.mats] == ["sky", "ink", "sky"]
