"""The kit's book: for every paper what there was, what was cut from it, and what is left, to the last unit.

Area had = area in pieces + in scraps + in parts that more is to be cut from + in whole sheets left + waste. Waste is
the branding strip, slivers, holes, spoiled pieces, and rests narrower than a person keeps.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass, field
from fractions import Fraction

from ulna.core.cutting.cut_list import CutPiece, CutSheet
from ulna.core.cutting.progress import HAIR, shares
from ulna.core.cutting.scraps import Begun, Taken, is_kept, scrap_id, walk
from ulna.core.measure import Length, Ruler, Unit, inches, mm
from ulna.core.paper.shelf import Paper, Shelf

NOTHING = Fraction(0)


@dataclass(frozen=True, slots=True)
class Areas:
    """In units squared."""

    had: Fraction = NOTHING
    pieces: Fraction = NOTHING
    scraps: Fraction = NOTHING
    open: Fraction = NOTHING
    whole: Fraction = NOTHING
    waste: Fraction = NOTHING

    def __add__(self, other: Areas) -> Areas:
        return Areas(
            self.had + other.had,
            self.pieces + other.pieces,
            self.scraps + other.scraps,
            self.open + other.open,
            self.whole + other.whole,
            self.waste + other.waste,
        )


@dataclass(frozen=True, slots=True)
class SheetEntry:
    """A begun sheet or scrap: for which page, with what is ticked, the pieces that came of it."""

    page: str
    sheet: CutSheet
    ticked: frozenset[str]
    pieces: tuple[CutPiece, ...]


@dataclass(frozen=True, slots=True)
class PaperEntry:
    """A paper of a kit: sheets had and left whole, how many more were begun than had (somebody counted wrong), what was
    begun, the scraps there are of it now."""

    paper: Paper
    had: int
    left: int
    over: int
    areas: Areas
    sheets: tuple[SheetEntry, ...]
    scraps: tuple[Paper, ...]

    @property
    def used_up(self) -> bool:
        """Whether nothing is left of it that could still be cut."""
        return not self.areas.whole and not self.areas.scraps and not self.areas.open and self.had > 0


@dataclass
class _Line:
    """A paper's entry while it is added up."""

    paper: Paper
    begun: int = 0
    areas: Areas = field(default_factory=Areas)
    sheets: list[SheetEntry] = field(default_factory=list)
    scraps: list[Paper] = field(default_factory=list)


def book(shelf: Shelf, lists: Mapping[str, Begun], least: Length) -> list[PaperEntry]:
    """An entry for each paper as it was unpacked, in the order of the shelf; `lists` are the pages' by their ids."""
    of_page = {id(sheet): page for page, (cuts, _) in lists.items() for sheet in cuts.sheets}
    taken, papers, _ = walk(shelf, lists.values())
    lines = {paper.id: _Line(paper) for paper in shelf.papers.values()}
    root = {name: name for name in shelf.papers}
    for one in taken:
        line = lines[root[one.source.id]]
        line.begun += one.source.id in shelf.papers
        found, scraps = _areas(one, papers, least)
        line.areas += found
        line.scraps += scraps
        for scrap in papers.values():
            if scrap.id.startswith(f"{one.sheet.key}~"):
                root[scrap.id] = root[one.source.id]
        cut = tuple(s.piece for s in shares(one.sheet, one.ticked) if s.kind == "piece" and s.piece)
        entry = SheetEntry(of_page[id(one.sheet)], one.sheet, frozenset(one.ticked), cut)
        line.sheets.append(entry)
    return [_entry(line) for line in lines.values()]


def _areas(one: Taken, papers: Mapping[str, Paper], least: Length) -> tuple[Areas, list[Paper]]:
    """What a begun sheet has become, less the rests that were cut in their turn, and the scraps that are there."""
    pieces = scraps = still = waste = NOTHING
    there = list[Paper]()
    for share in shares(one.sheet, one.ticked, HAIR):
        if share.kind == "piece":
            pieces += share.area
        elif share.kind == "open":
            still += share.area
        elif share.kind == "waste":
            waste += share.area
        else:
            scrap = papers[scrap_id(one.sheet, share.at)]
            if scrap.count and is_kept(scrap, least):
                scraps += share.area
                there.append(scrap)
            elif scrap.count:
                waste += share.area
    return Areas(NOTHING, pieces, scraps, still, NOTHING, waste), there


def _entry(line: _Line) -> PaperEntry:
    paper = line.paper
    had, each = paper.count, paper.area
    left, over = max(0, had - line.begun), max(0, line.begun - had)
    areas = line.areas + Areas(had=(had + over) * each, whole=left * each)
    return PaperEntry(paper, had, left, over, areas, tuple(line.sheets), tuple(line.scraps))


def words(areas: Areas, ruler: Ruler) -> str:
    """Such as "62 of 288 sq in on pages, 70 in scraps, 144 whole, 12 waste"."""
    unit = (inches(1) if ruler.unit is Unit.INCH else mm(10)).units ** 2
    name = "sq in" if ruler.unit is Unit.INCH else "sq cm"

    def say(area: Fraction) -> str:
        return f"{round(area / unit)}"

    said = [f"{say(areas.pieces)} of {say(areas.had)} {name} on pages"]
    for area, what in (
        (areas.open, "still to be cut"),
        (areas.scraps, "in scraps"),
        (areas.whole, "whole"),
        (areas.waste, "waste"),
    ):
        if area:
            said.append(f"{say(area)} {what}")
    return ", ".join(said)
