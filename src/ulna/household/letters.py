"""What the pages of a household take from its alphabets, and what that leaves for one of them."""

from __future__ import annotations

from collections import Counter
from collections.abc import Mapping
from dataclasses import replace
from typing import TYPE_CHECKING

from ulna.core.errors import NotOnShelf
from ulna.core.page.plan import PagePlan
from ulna.core.paper.shelf import Kit
from ulna.core.parts.kinds.title import Title, wanted
from ulna.core.words.alphabets import Letters, left
from ulna.store.states import Kept

if TYPE_CHECKING:
    from ulna.household.home import Household

Takings = tuple[tuple[str, str, tuple[tuple[str, int], ...]], ...]
"""For each page and alphabet how many of which letters, in an order of their own: the same takings are equal."""


def of_page(plan: PagePlan, stuck: bool = False) -> dict[str, Counter[str]]:
    """What the titles of a page take, by alphabet; only those that are stuck, where that is asked."""
    found: dict[str, Counter[str]] = {}
    for part in plan.parts:
        if isinstance(part, Title) and (part.stuck or not stuck):
            for alphabet, letters in wanted(part).items():
                found.setdefault(alphabet, Counter()).update(letters)
    return found


def elsewhere(home: Household, page: str | None) -> Takings:
    """What all pages but this one take, and what is stuck on pages that were put away."""
    every = home.cached("letters", ["page"], lambda: _read(home))
    return tuple(one for one in every if one[0] != page)


def _read(home: Household) -> Takings:
    return tuple(
        (kept.id, alphabet, tuple(sorted(letters.items())))
        for kept, away in [*((one, False) for one in home.pages.all()), *((one, True) for one in home.pages.away())]
        for alphabet, letters in sorted(of_page(kept.body, stuck=away).items())
    )


def left_by(home: Household, takings: Takings) -> Mapping[str, Letters]:
    """What those leave of each alphabet on the shelf."""
    return {
        id: left(alphabet, (dict(letters) for _, of, letters in takings if of == id))
        for id, alphabet in home.shelf().alphabets.items()
    }


def add_pack(home: Household, id: str) -> Kept[Kit]:
    """One pack more of an alphabet. Raises `NotOnShelf`."""
    for kept in home.kits.all():
        found = next((one for one in kept.body.alphabets if one.id == id), None)
        if found is not None:
            more = tuple(replace(one, packs=one.packs + 1) if one.id == id else one for one in kept.body.alphabets)
            return home.kits.write(
                kept.id, kept.version, replace(kept.body, alphabets=more), f"another pack of {found.name}"
            )
    raise NotOnShelf("alphabet", id)
