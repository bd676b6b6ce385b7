"""Reserves, holes and printed pieces: cut so that each stands alone."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from ulna.core.planner.obstacles import apart, assign_pins, carve, root_of
from ulna.core.planner.request import Area, Piece, Pin, Reserve, Sheet, Side
from ulna.core.planner.tree import Part, trim

SHEET = Area(0, 0, 24, 24)


@st.composite
def areas(draw: st.DrawFn) -> Area:
    w, h = draw(st.integers(1, 8)), draw(st.integers(1, 8))
    return Area(draw(st.integers(0, 24 - w)), draw(st.integers(0, 24 - h)), w, h)


@given(st.lists(areas(), max_size=6), st.sampled_from([0, 1]), st.booleans())
def test_no_clear_part_meets_a_hole(holes: list[Area], kerf: int, flat: bool) -> None:
    """And all that no hole takes is either clear or lost to a cut."""
    part = Part(SHEET)
    carve(part, (), holes, kerf, flat)
    clear = [leaf.area for leaf in part.leaves() if not leaf.lost]
    assert not any(area.meets(hole) for area in clear for hole in holes)
    if not kerf:
        covered = sum(a.size for a in clear) + sum(leaf.area.size for leaf in part.leaves() if leaf.lost)
        assert covered == SHEET.size


@given(st.lists(areas(), max_size=8), st.sampled_from([0, 1]))
def test_pins_that_are_kept_can_all_be_cut_out(pins: list[Area], kerf: int) -> None:
    """Each one ends as a part of exactly its size."""
    beside: list[tuple[int, Area]] = []
    for k, pin in enumerate(pins):
        wide = Area(pin.x - kerf, pin.y - kerf, pin.width + 2 * kerf, pin.height + 2 * kerf)
        if not any(wide.meets(other) for _, other in beside):
            beside.append((k, pin))
    kept = apart(SHEET, beside, kerf)
    part = Part(SHEET)
    carve(part, kept, (), kerf, False)
    laid = {leaf.laid.piece: leaf.area for leaf in part.leaves() if leaf.laid is not None}
    assert laid == dict(kept)


def test_pins_in_a_row_are_all_kept() -> None:
    """Cards side by side, as they are printed."""
    cards = [(k, Area(4 * k, 0, 4, 6)) for k in range(6)]
    assert sorted(apart(SHEET, cards, 0)) == cards


def test_pins_over_each_other_go_on_different_copies() -> None:
    """Two copies of the sheet give both; a third one, over both, goes without."""
    pins = [("a", 0, 0), ("b", 2, 2), ("c", 1, 1)]
    pieces = [Piece(n, 4, 4, frozenset({"s"}), pin=Pin("s", x, y)) for n, x, y in pins]
    copies, out = assign_pins(Sheet("s", 24, 24, 2), pieces, 0)
    assert [len(c) for c in copies] == [1, 1] and len(out) == 1


@pytest.mark.parametrize(("edge", "left"), [("left", (3, 0, 21, 24)), ("top", (0, 3, 24, 21)),
                                            ("right", (0, 0, 21, 24)), ("bottom", (0, 0, 24, 21))])  # fmt: skip
@pytest.mark.parametrize("kerf", [0, 1, 5])
def test_a_reserve_is_cut_off_by_one_cut_that_costs_nothing_else(
    edge: Side, left: tuple[int, ...], kerf: int
) -> None:
    """The kerf falls into the reserve, also where it is wider than that."""
    root, usable = root_of(Sheet("s", 24, 24, reserve=Reserve(edge, 3)), kerf)
    assert usable.area == Area(*left)
    assert root.axis is not None and all(leaf is usable or leaf.lost for leaf in root.leaves())


@given(st.integers(1, 24), st.integers(1, 24), st.booleans(), st.sampled_from([0, 1, 3]))
def test_trimming_leaves_the_piece_and_its_rests(width: int, height: int, upright: bool, kerf: int) -> None:
    """The piece has its size, the rests lie beside it, and nothing is lost but the kerf."""
    part = Part(SHEET)
    target, rests = trim(part, width, height, upright, kerf)
    assert target.area == Area(0, 0, width, height)
    assert not any(target.area.meets(r.area) for r in rests)
    if not kerf:
        assert target.area.size + sum(r.area.size for r in rests) == SHEET.size


def test_a_copied_tree_is_cut_without_the_first_one_knowing() -> None:
    """So that obstacles are cut apart once and used many times."""
    first = Part(SHEET)
    first.cut("vertical", 10, 0)
    twin = first.copied()
    next(iter(twin.leaves())).cut("horizontal", 5, 0)
    assert (len(list(first.leaves())), len(list(twin.leaves()))) == (2, 3)
