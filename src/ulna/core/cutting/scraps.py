"""The shelf as cutting leaves it: begun sheets taken off, their rests put back as scraps with a name.

A rest is called after its sheet: the second rest of the first sheet of Reed is "Reed 1b", and a rest of that is
"Reed 1ba". It can serve once nothing more is to be cut from it.
"""

from __future__ import annotations

from collections.abc import Collection, Iterable
from dataclasses import dataclass, replace

from ulna.core.cutting.cut_list import CutList, CutSheet
from ulna.core.cutting.progress import HAIR, SLIVER, PaperShare, begun, done, shares
from ulna.core.cutting.steps import Gut
from ulna.core.geometry.figures import Hole
from ulna.core.geometry.rects import Rect
from ulna.core.measure import Length
from ulna.core.paper.shelf import Form, Paper, Shelf, seen_from

Begun = tuple[CutList, Collection[str]]
"""A cut list and what is ticked on it."""

PLACE = 64
"""A scrap is known by where it lay on its sheet, in 1/64 in."""


def scrap_id(sheet: CutSheet, at: Rect) -> str:
    x, y = (round(length.inches * PLACE) for length in (at.x, at.y))
    return f"{sheet.key}~{x}-{y}"


@dataclass(frozen=True, slots=True)
class Taken:
    """A begun sheet with what it was taken from: a paper of a kit, or a scrap of one."""

    sheet: CutSheet
    ticked: Collection[str]
    source: Paper


def after(
    shelf: Shelf, lists: Iterable[Begun], mine: Begun | None = None, least: Length = SLIVER
) -> tuple[Shelf, list[CutSheet]]:
    """The shelf once all begun sheets are taken from it, and those of them that there is nothing to take for.

    Of the list that is `mine`, parts that more was to be cut from serve too, and so do the middles of pieces that
    are cut and yet to be gutted: it is being planned again.
    """
    _, papers, lost = walk(shelf, lists, mine)
    left = {name: p for name, p in papers.items() if name in shelf.papers or (p.count and is_kept(p, least))}
    return replace(shelf, papers=left), lost


def walk(
    shelf: Shelf, lists: Iterable[Begun], mine: Begun | None = None
) -> tuple[list[Taken], dict[str, Paper], list[CutSheet]]:
    """The begun sheets in an order in which each follows what it was taken from; all papers there are then or were, by
    id, those that are used up with a count of 0; and the sheets that there is nothing to take for."""
    papers = dict(shelf.papers)
    waiting = [(sheet, ticked, False) for cuts, ticked in lists for sheet in begun(cuts, ticked)]
    if mine is not None:
        waiting += [(sheet, mine[1], True) for sheet in begun(*mine)]
    waiting = [one for one in waiting if not one[0].print]
    taken = list[Taken]()
    # A scrap may have been cut from a sheet of another list: sheets wait until what they come from is there.
    while waiting:
        still = []
        for sheet, ticked, open_too in waiting:
            paper = _source(sheet, papers)
            if paper is None:
                still.append((sheet, ticked, open_too))
                continue
            taken.append(Taken(sheet, ticked, paper))
            papers[paper.id] = replace(paper, count=max(0, paper.count - 1))
            for scrap in scraps(paper, sheet, ticked, open_too):
                papers[scrap.id] = scrap
        if len(still) == len(waiting):
            break
        waiting = still
    return taken, papers, [one[0] for one in waiting]


def _source(sheet: CutSheet, papers: dict[str, Paper]) -> Paper | None:
    """What a sheet was taken from. A scrap that is not known by its id is known by its size."""
    paper = papers.get(sheet.paper)
    if not sheet.scrap:
        return paper
    if paper is None:
        size = sheet.width, sheet.height
        alike = (p for p in papers.values() if p.scrap_of == sheet.of_paper and (p.width, p.height) == size)
        paper = next((p for p in alike if p.count), None)
    return paper if paper is not None and paper.count > 0 else None


def is_kept(paper: Paper, least: Length) -> bool:
    """Whether a rest is no waste."""
    return min(paper.width, paper.height) >= least


def scraps(paper: Paper, sheet: CutSheet, ticked: Collection[str], open_too: bool = False) -> list[Paper]:
    """The rests of a begun sheet as papers, of any size; with `open_too` those that more was to be cut from too."""
    kinds = ("rest", "open") if open_too else ("rest",)
    there = [_scrap(paper, sheet, s) for s in shares(sheet, ticked, HAIR) if s.kind in kinds]
    if open_too:
        panels = [p.panel for p in done(sheet, ticked) if p.panel and not _is_gutted(p.panel, sheet, ticked)]
        there += [_scrap(paper, sheet, PaperShare("open", at, sheet.paper_in(at))) for at in panels]
    return there


def _is_gutted(panel: Rect, sheet: CutSheet, ticked: Collection[str]) -> bool:
    return any(isinstance(s, Gut) and s.panel == panel and s.key in ticked for s in sheet.steps)


def _scrap(paper: Paper, sheet: CutSheet, share: PaperShare) -> Paper:
    at = share.at
    inside = share.inside if share.step else sheet.inside_of(at)
    return replace(
        paper,
        id=scrap_id(sheet, at),
        name=sheet.rest_called(at),
        width=at.width,
        height=at.height,
        count=1,
        form=Form.SCRAP,
        strip=None,
        cards=(),
        holes=_holes(sheet, at),
        inside=_from_a(inside, sheet, at) if inside else None,
        scrap_of=paper.scrap_of or paper.id,
    )


def _holes(sheet: CutSheet, at: Rect) -> tuple[Hole, ...]:
    """The holes of a sheet that lie in a rest of it, seen from the rest's A side. A sheet with holes that lies with B
    up is listed as a mirror image."""
    found = []
    for hole in sheet.holes:
        if at.meets(hole.at):
            # A round one that a cut goes through stays as it is: it reaches beyond the rest.
            there = hole.within(at) if hole.is_straight else hole
            found.append(_from_a(there, sheet, at))
    return tuple(found)


def _from_a(hole: Hole, sheet: CutSheet, at: Rect) -> Hole:
    """A hole of a sheet as it is looked at, from the corner of a rest of it, as it is seen from the A side."""
    return seen_from(hole.moved(-at.x, -at.y), at.width, sheet.face)
