"""Pages that would share a name get a number."""

from __future__ import annotations

from contextlib import closing
from pathlib import Path

from ulna.core.page.plan import PagePlan
from ulna.household.home import Household


def test_a_name_that_is_taken_gets_the_next_number(tmp_path: Path) -> None:
    """Counted on from where it ends, and never longer than a name may be."""
    with closing(Household(tmp_path / "home")) as home:
        for expected in ("New page", "New page 2", "New page 3"):
            assert home.called("New page") == expected
            home.pages.add(PagePlan(expected), "began")
        assert home.called("New page 2") == "New page 4" and home.called("Locks") == "Locks"
        home.pages.add(PagePlan("x" * 120), "began")
        assert home.called("x" * 120) == "x" * 112 + " 2"
