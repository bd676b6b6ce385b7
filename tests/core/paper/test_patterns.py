"""Patterns: each kind is drawn from its description, to scale, in any colours."""

from __future__ import annotations

import re

import pytest

from ulna.core.measure import inches
from ulna.core.paper.patterns import PATTERNS, repeat, tile
from ulna.core.paper.shelf import Side


def test_there_are_at_least_sixteen_kinds() -> None:
    """Enough to describe what comes in a kit."""
    wanted = {"stripe", "dot", "check", "gingham", "chevron", "plaid", "floral", "leaf", "script", "ledger"}
    wanted |= {"wood grain", "scales", "bunting", "map lines", "houses", "cards"}
    assert wanted <= set(PATTERNS)


@pytest.mark.parametrize("name", sorted(PATTERNS))
@pytest.mark.parametrize("count", [1, 2, 5])
def test_each_kind_draws_in_one_to_five_colours(name: str, count: int) -> None:
    """Only the side's own colours appear, and the same ones each day."""
    colours = ("#112233", "#445566", "#778899", "#aabbcc", "#ddeeff")[:count]
    drawn = tile(Side(name, colours))
    assert drawn == tile(Side(name, colours))
    used = {c for mark in drawn.marks for c in (mark.fill, mark.stroke) if c} | {drawn.ground}
    assert used <= set(colours)
    assert all(re.fullmatch(r"[-MmLlHhVvCcQqTtAaSsZz0-9. ]+", mark.path) for mark in drawn.marks)


def test_the_scale_is_what_the_side_says_or_what_is_usual() -> None:
    """A stripe repeats every 1/2 in unless it says otherwise."""
    assert repeat(Side("stripe")) == inches(0, 1, 2)
    assert repeat(Side("stripe", scale=inches(2))) == inches(2)
