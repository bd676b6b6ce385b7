"""A kit's month: the stories that wait as a set of pages, planned so that nothing of the kit is wanted twice.

Each page is drafted from what the ones before it leave, so that the set goes together; what is left is known before the
first cut.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass, replace

from ulna.core.page.plan import things_of
from ulna.core.page_formats import PageFormat
from ulna.core.paper.shelf import Shelf
from ulna.core.parts.kinds.title import Title, wanted
from ulna.core.parts.pieces import Ground
from ulna.core.sketches.drafting import Asked, Draft, best, pages_for


@dataclass(frozen=True, slots=True)
class Month:
    """A draft for each story, none where nothing is left for it; and how many whole sheets of each paper stay."""

    drafts: tuple[Draft | None, ...]
    left: tuple[tuple[str, int], ...]


def month(stories: Sequence[Asked], ground: Ground, effort: int) -> Month:
    """A page for each story in turn, the kit used up as far as it goes. Raises `FieldError` for a story without
    photos."""
    shelf, found = ground.shelf, list[Draft | None]()
    for k, asked in enumerate(stories):
        here = ground.changed(shelf=shelf, format=asked.format)
        drafts = best(replace(asked, use_up=True, seed=asked.seed + k), here, effort, 1)
        found.append(drafts[0] if drafts else None)
        if drafts:
            shelf = less(shelf, drafts[0])
    papers = [paper for paper in shelf.papers.values() if not paper.is_scrap]
    return Month(tuple(found), tuple((paper.id, paper.count) for paper in papers))


def less(shelf: Shelf, draft: Draft) -> Shelf:
    """The shelf once a draft is taken: without the sheets it opens, the letters and the things it uses."""
    opened = dict(draft.used)
    papers = {
        id: replace(paper, count=max(0, paper.count - opened.get(id, 0))) for id, paper in shelf.papers.items()
    }
    letters = {id: Counter(left) for id, left in shelf.letters_left.items()}
    for part in draft.plan.parts:
        if isinstance(part, Title):
            for alphabet, taken in wanted(part).items():
                letters.setdefault(alphabet, Counter()).subtract(taken)
    things, lengths = dict(shelf.things_left), dict(shelf.lengths_left)
    for one in things_of(draft.plan):
        if one.thing in things and shelf.things[one.thing].runs_out:
            things[one.thing] -= -(-one.halves // 2)
        if one.thing in lengths:
            lengths[one.thing] -= one.length
    return replace(shelf, papers=papers, letters_left=letters, things_left=things, lengths_left=lengths)


def format_for(photos: int, format: PageFormat) -> PageFormat:
    """The format, single or double by the number of photos."""
    return replace(format, pages=pages_for(photos, format))
