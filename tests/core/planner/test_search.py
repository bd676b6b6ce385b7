"""The search: what was cut apart is put together again, what is bred is laid as it was, and time runs out softly."""

from __future__ import annotations

import random
from dataclasses import replace
from functools import cache
from importlib.machinery import SourceFileLoader
from importlib.util import module_from_spec, spec_from_loader
from multiprocessing import Pipe
from pathlib import Path
from types import ModuleType
from unittest.mock import patch

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from tests.core.planner.checker import faults
from tests.core.planner.requests import requests
from ulna.core.planner import blocks, plan_cuts, trials, workshop
from ulna.core.planner.blocks import Blocks
from ulna.core.planner.by_hand import settings_and_turns, steps
from ulna.core.planner.effort import Budget
from ulna.core.planner.hands import _helping as helping
from ulna.core.planner.laying import first_plan
from ulna.core.planner.outcome import assessed
from ulna.core.planner.request import Area, CutRequest, Piece, Pin, Rims, Sheet
from ulna.core.planner.search import search
from ulna.core.planner.tidying import tidied
from ulna.core.planner.tree import Laid, Part
from ulna.core.planner.workshop import Workshop

ANY = frozenset({"s"})
SLOW = (HealthCheck.too_slow, HealthCheck.data_too_large)


@cache
def plain(name: str) -> ModuleType:
    """A module of the planner as it stands in its file, whether or not it is compiled here."""
    loader = SourceFileLoader(f"plain_{name}", str(Path(workshop.__file__).parent / f"{name}.py"))
    module = module_from_spec(spec_from_loader(loader.name, loader))
    loader.exec_module(module)
    return module


@st.composite
def dissected(draw: st.DrawFn, most_sheets: int = 3, most_pieces: int = 8) -> CutRequest:
    """Sheets of 96 × 96 cut edge to edge at random into pieces, some of which may turn: no waste, one way known."""
    asked = []
    sheets = draw(st.integers(1, most_sheets))
    for _ in range(sheets):
        parts = [(96, 96)]
        for _ in range(draw(st.integers(1, most_pieces - 1))):
            w, h = parts.pop(draw(st.integers(0, len(parts) - 1)))
            upright = draw(st.booleans()) if min(w, h) >= 12 else w >= 12
            at = draw(st.integers(6, max(6, (w if upright else h) - 6)))
            if at < (w if upright else h):
                parts += [(at, h), (w - at, h)] if upright else [(w, at), (w, h - at)]
            else:
                parts.append((w, h))
        asked += parts
    pieces = []
    for k, (w, h) in enumerate(asked):
        turn = draw(st.booleans())
        pieces.append(Piece(f"p{k}", *((h, w) if turn and draw(st.booleans()) else (w, h)), ANY, turn=turn))
    return CutRequest((Sheet("s", 96, 96, sheets + 1),), tuple(draw(st.permutations(pieces))))


@settings(max_examples=40, deadline=None, suppress_health_check=SLOW)
@given(dissected())
def test_what_was_cut_without_waste_is_put_together_again(request_: CutRequest) -> None:
    """Up to three sheets of up to eight pieces: never a sheet more than they were cut from."""
    plan = plan_cuts(request_, 2_800_000)
    assert faults(request_, plan) == []
    assert plan.whole_sheets_used == request_.sheets[0].quantity - 1 and plan.proved_minimal


@settings(max_examples=60, deadline=None, suppress_health_check=SLOW)
@given(requests())
def test_a_better_plan_can_be_carried_out_too(request_: CutRequest) -> None:
    """Bred, taken up and laid anew: sound whatever is asked."""
    assert faults(request_, plan_cuts(request_, 150_000)) == []


@settings(max_examples=30, deadline=None, suppress_health_check=SLOW)
@given(dissected(4, 10))
def test_more_effort_never_gives_a_worse_plan(request_: CutRequest) -> None:
    """It begins where less effort ends: with the same first plan."""
    first = first_plan(request_, Budget(1e9))
    assert search(request_, Budget(400_000)).rank <= first.rank


@settings(max_examples=60, deadline=None, suppress_health_check=SLOW)
@given(requests(), st.integers(0, 99))
def test_the_best_trial_is_laid_again_as_it_was(request_: CutRequest, seed: int) -> None:
    """Its trees hold as many pieces on as many sheets as its arrays say."""
    shop = Workshop(request_)
    everything, begun = range(len(shop.of)), [True] * len(shop.begun)
    without, whole, used = shop.trials.breed(everything, begun, shop.quantity, Budget(1), seed, 0)
    outcome = assessed(request_, shop.trees(shop.patterns(used)))
    loose = sum(n for n, p in zip(outcome.placed, request_.pieces, strict=True) if p.pin is None)
    assert loose == len(shop.of) - without
    pinned = sum(bool(one.pins) and not request_.sheets[one.kind].scrap for one in shop.begun)
    assert outcome.whole_sheets == pinned + whole


@settings(max_examples=25, deadline=None, suppress_health_check=SLOW)
@given(requests(), st.integers(0, 99))
def test_compiled_or_not_the_trials_are_the_same(request_: CutRequest, seed: int) -> None:
    """The module as it stands, without a compiler, breeds what the compiled one breeds, and spends as much on it."""
    found = []
    for module in (trials, plain("trials")):
        with patch.object(workshop, "Trials", module.Trials):
            shop = Workshop(request_)
        everything, begun, budget = range(len(shop.of)), [True] * len(shop.begun), Budget(1)
        bred = shop.trials.breed(everything, begun, shop.quantity, budget, seed, 0)
        found.append((bred, budget.left))
    assert found[0] == found[1]


def test_blocks_without_waste_by_hand() -> None:
    """5 × 4 and 7 × 4 make 12 × 4, with 12 × 8 the whole of 12 × 12; a 3 × 3 joins nothing."""
    pieces = [(0, 5, 4, False), (1, 7, 4, False), (2, 12, 8, False), (3, 3, 3, False)]
    for module in (blocks, plain("blocks")):
        found = module.Blocks(pieces, 12, 12, 0, Budget(10_000))
        full = [found.pieces(at) for at in found.filling()]
        assert full == [0b0111]
        assert module.chosen([full], [1], 3, Budget(10_000)) == [(0, 0)]
        assert module.chosen([full], [1], 4, Budget(10_000)) is None


def test_with_a_kerf_blocks_lose_a_cut_between_them() -> None:
    """5 and 6 across with a kerf of 1 are 12; without it they are 11 and leave a sliver."""
    pieces = [(0, 5, 12, False), (1, 6, 12, False)]
    for kerf, there in ((1, True), (0, False)):
        joined = Blocks(pieces, 12, 12, kerf, Budget(10_000))
        assert any(joined.block(at)[:2] == (12, 12) for at in range(len(joined))) is there


@settings(max_examples=30, deadline=None)
@given(dissected(1, 9), st.sampled_from([(0, 0.0), (6, 0.08)]))
def test_blocks_hold_their_pieces(request_: CutRequest, loose: tuple[int, float]) -> None:
    """Each has the pieces of the two it is joined of, beside or above each other, and no piece twice."""
    pieces = [(k, p.width, p.height, p.turn) for k, p in enumerate(request_.pieces)]
    joined = Blocks(pieces, 96, 96, 0, Budget(30_000), *loose)
    for at in range(len(joined)):
        width, height, how, left, right = joined.block(at)
        if how == blocks.SINGLE:
            assert joined.pieces(at) == 1 << left
            continue
        one, other = joined.block(left), joined.block(right)
        along, across = (0, 1) if how == blocks.BESIDE else (1, 0)
        assert (width, height)[along] == one[along] + other[along] <= 96
        assert (width, height)[across] == max(one[across], other[across])
        assert joined.pieces(left) & joined.pieces(right) == 0
        assert joined.pieces(at) == joined.pieces(left) | joined.pieces(right)


def test_papers_that_share_nothing_are_planned_apart() -> None:
    """What is added for one paper does not change how another one is cut."""
    dice = random.Random(3)
    sheets = tuple(Sheet(name, 96, 96, 4) for name in "ab")
    of_a = [Piece(f"a{k}", dice.randint(9, 60), dice.randint(9, 60), frozenset("a"), turn=True) for k in range(9)]
    of_b = [Piece(f"b{k}", dice.randint(9, 60), dice.randint(9, 60), frozenset("b")) for k in range(7)]
    alone = search(CutRequest(sheets, tuple(of_a)), Budget(400_000))
    both = search(CutRequest(sheets, (*of_a, *of_b)), Budget(800_000))
    assert alone.whole_sheets == sum(sheets[o.sheet].id == "a" for o in both.opened)


def test_what_fits_nowhere_does_not_keep_the_others_from_the_fewest_sheets() -> None:
    """A piece wider than every sheet is told; the four quarters still come out of one."""
    pieces = (Piece("quarter", 48, 48, ANY, 4), Piece("wide", 97, 10, ANY))
    plan = plan_cuts(CutRequest((Sheet("s", 96, 96, 3),), pieces), 100_000)
    assert [u.piece for u in plan.unplaced] == ["wide"]
    assert plan.whole_sheets_used == 1 and plan.proved_minimal


def test_a_piece_that_fits_only_a_panel_waits_for_it() -> None:
    """The one sheet of the paper is the frame; what goes in its middle comes out of its middle."""
    pieces = (Piece("mat", 80, 80, ANY), Piece("frame", 96, 96, ANY, gut=Rims(8, 8, 8, 8)))
    request = CutRequest((Sheet("s", 96, 96),), pieces)
    assert plan_cuts(request, 50_000).unplaced == ()
    assert len(plan_cuts(replace(request, gutting=False), 50_000).unplaced) == 1


@pytest.mark.parametrize("cards", [1, 12])
def test_sheets_with_printed_cards_stay_while_others_are_laid_anew(cards: int) -> None:
    """A few and many of them: each card is cut once, and the search ends though nothing else may be taken up."""
    dice = random.Random(11)
    pins = [Piece(f"card{k}", 24, 24, ANY, pin=Pin("s", 24 * (k % 4), 24 * (k // 4))) for k in range(cards)]
    loose = [Piece(f"p{k}", dice.randint(20, 60), dice.randint(20, 60), ANY, turn=True) for k in range(26)]
    request = CutRequest((Sheet("s", 96, 96, 12),), (*pins, *loose))
    plan = plan_cuts(request, 1_500_000)
    assert faults(request, plan) == [] and plan.unplaced == ()
    alone = CutRequest((Sheet("s", 96, 96),), (*pins, Piece("p", 90, 90, ANY, 2)))
    assert len(plan_cuts(alone, 1_500_000).unplaced) == 2


def _cut_up(pieces: int, dice: random.Random) -> list[tuple[int, int]]:
    """So many rectangles that edge-to-edge cuts make of a sheet of 96 × 96, the larger ones cut rather."""
    parts = [(96, 96)]
    while len(parts) < pieces:
        large = [p for p in parts if max(p) > 16]
        w, h = dice.choices(large, [a * b for a, b in large])[0]
        parts.remove((w, h))
        upright = w > h or (w == h and dice.random() < 0.5)
        at = dice.randint(8, (w if upright else h) - 8)
        parts += [(at, h), (w - at, h)] if upright else [(w, at), (w, h - at)]
    return parts


@pytest.mark.parametrize("hands", [1, 2])
def test_a_paper_that_is_hard_to_plan_has_the_time_that_the_others_leave(hands: int) -> None:
    """Eleven papers are planned at a glance; the first one wants more than its twelfth of the effort."""
    dice = random.Random(1)
    sizes = [size for _ in range(2) for size in _cut_up(11, dice)]
    hard = tuple(Piece(f"p{k}", w - k % 2, h, frozenset({"hard"})) for k, (w, h) in enumerate(sizes))
    easy = [f"easy {k}" for k in range(11)]
    halves = tuple(Piece(name, 96, 47, frozenset({name}), 2) for name in easy)
    sheets = (Sheet("hard", 96, 96, 4), *(Sheet(name, 96, 96, 3) for name in easy))
    effort = 2_400_000
    assert plan_cuts(CutRequest(sheets[:1], hard), effort // 12).whole_sheets_used == 3
    assert plan_cuts(CutRequest(sheets, (*hard, *halves)), effort, hands=hands).whole_sheets_used == 2 + 11


def test_two_processes_hand_over_a_sheet_of_hundreds_of_strips() -> None:
    """As deep a tree as there is: one strip after another, and too many of them."""
    strips = tuple(Piece(f"p{k}", 90 + k % 6, 1, ANY) for k in range(600))
    request = CutRequest((Sheet("s", 96, 400, 1),), strips)
    plan = plan_cuts(request, 3_000_000, hands=2)
    assert faults(request, plan) == [] and len(plan.unplaced) == 200


def test_a_process_that_cannot_say_what_it_found_ends_instead_of_being_waited_for() -> None:
    """The task after that is not taken up any more."""
    here, there = Pipe()
    for share in (1.0, 2.0):
        here.send(({}, share, False))
    here.close()
    with patch("ulna.core.planner.hands._sent", return_value=False):
        helping([], Budget(1), there)
    assert there.recv() == ({}, 2.0, False)


@pytest.mark.parametrize("hands", [1, 2])
def test_a_search_that_is_stopped_gives_the_best_so_far(hands: int) -> None:
    """With one process and with two: a sound plan, whenever it is asked to stop."""
    dice = random.Random(7)
    pieces = tuple(Piece(f"p{k}", dice.randint(9, 50), dice.randint(9, 50), ANY, turn=True) for k in range(40))
    request = CutRequest((Sheet("s", 96, 96, 20),), pieces)
    asked = iter(range(1, 1_000_000))
    plan = plan_cuts(request, 50_000_000, lambda: next(asked) > 12, hands)
    assert faults(request, plan) == [] and plan.unplaced == ()


def test_a_share_of_a_budget_is_spent_from_the_whole() -> None:
    whole = Budget(100)
    with whole.share(60) as part:
        part.spend(25)
        assert not part.spent
    assert whole.left == 75
    with whole.share(500) as part:
        part.spend(80)
    assert whole.left == -5 and whole.spent


def test_of_trees_with_as_many_cuts_the_one_with_the_fewest_settings_is_taken() -> None:
    """Strips of 1, 2, 1 and 2 one after the other: set 1, then 2, then 1 again. Cut in two at 3 first, both halves are
    cut at 1 with one setting."""
    sheet = Part(Area(0, 0, 6, 2))
    rest = sheet
    for k, at in enumerate((1, 3, 4)):
        strip, beyond = rest.cut("vertical", at, 0)
        assert strip is not None and beyond is not None
        strip.laid, rest = Laid(k, False), beyond
    rest.laid = Laid(3, False)
    assert settings_and_turns(steps(sheet)) == (3, 0)
    tidied(sheet, 0)
    assert [(s.axis, s.setting) for s in steps(sheet)] == [("vertical", 3), ("vertical", 1), ("vertical", 1)]
    assert sorted(leaf.laid.piece for leaf in sheet.leaves() if leaf.laid) == [0, 1, 2, 3]
