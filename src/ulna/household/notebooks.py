"""Notebooks: the spreads that lie on each other when one is closed."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ulna.core.build.bulk import Leaf
from ulna.core.page.plan import PagePlan

if TYPE_CHECKING:
    from ulna.household.home import Household

STANDS_ON = ("kit", "photo", "template", "settings", "face")


def bound_with(home: Household, plan: PagePlan, page: str | None) -> list[Leaf]:
    """The other spreads of the notebook of a page, none where it is of no notebook."""
    if not plan.format.is_notebook:
        return []
    return [
        home.cached(("leaf", kept.id, kept.version), STANDS_ON, lambda kept=kept: _leaf(home, kept.body, kept.id))  # type: ignore[misc]
        for kept in home.pages.all()
        if kept.id != page and _is_of(kept.body, plan)
    ]


def _is_of(other: PagePlan, plan: PagePlan) -> bool:
    same = (other.format.width, other.format.height, other.format.pages, other.book)
    return other.format.is_notebook and same == (
        plan.format.width,
        plan.format.height,
        plan.format.pages,
        plan.book,
    )


def _leaf(home: Household, plan: PagePlan, page: str) -> Leaf:
    return Leaf(home.evaluated(plan, page).pieces, home.ground_for(plan, page))
