"""What the pages of a household take from its alphabets, and what that leaves for one of them."""

from __future__ import annotations

from collections import Counter
from collections.abc import Mapping
from typing import TYPE_CHECKING

from ulna.core.page.plan import PagePlan
from ulna.core.parts.kinds.title import Title, wanted
from ulna.core.words.alphabets import Letters, left

if TYPE_CHECKING:
    from ulna.household.home import Household

Takings = tuple[tuple[str, str, tuple[tuple[str, int], ...]], ...]
"""For each page and alphabet how many of which letters, in an order of their own: the same takings are equal."""


def of_page(plan: PagePlan) -> dict[str, Counter[str]]:
    """What the titles of a page take, by alphabet."""
    found: dict[str, Counter[str]] = {}
    for part in plan.parts:
        if isinstance(part, Title):
            for alphabet, letters in wanted(part).items():
                found.setdefault(alphabet, Counter()).update(letters)
    return found


def elsewhere(home: Household, page: str | None) -> Takings:
    """What all pages but this one take."""
    every = home.cached("letters", ["page"], lambda: _read(home))
    return tuple(one for one in every if one[0] != page)


def _read(home: Household) -> Takings:
    return tuple(
        (kept.id, alphabet, tuple(sorted(letters.items())))
        for kept in home.pages.all()
        for alphabet, letters in sorted(of_page(kept.body).items())
    )


def left_by(home: Household, takings: Takings) -> Mapping[str, Letters]:
    """What those leave of each alphabet on the shelf."""
    return {
        id: left(alphabet, (dict(letters) for _, of, letters in takings if of == id))
        for id, alphabet in home.shelf().alphabets.items()
    }
