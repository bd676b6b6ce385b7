"""Several windows on one household, and programs that are killed, against a plain model of what must come of it.

The model is a few dictionaries: how many sheets there are, each page's states and which one counts, what is ticked. It
knows nothing of SQL, caches or cut lists.
"""

from __future__ import annotations

import os
import shutil
import tempfile
from contextlib import suppress
from dataclasses import dataclass, field
from dataclasses import replace as with_
from pathlib import Path

from hypothesis import HealthCheck, settings
from hypothesis import strategies as st
from hypothesis.stateful import Bundle, RuleBasedStateMachine, consumes, initialize, invariant, rule

from ulna.core.errors import FieldError
from ulna.core.kit import book
from ulna.core.measure import inches
from ulna.core.page.plan import PagePlan
from ulna.core.paper.shelf import Kit, Paper
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.pieces import PaperChoice
from ulna.household import cutting
from ulna.household.home import Household
from ulna.store.errors import Changed, NoStep, NotThere

WINDOWS = st.integers(0, 1)
STORIES = st.sampled_from(["", "a heron", "rain on the roof", "21 locks"])
PAPER = "reeds"


@dataclass
class Page:
    """What a page must be: its states, which one counts, how often it has changed, whether it is put away and cut."""

    states: list[str]
    at: int = 0
    version: int = 1
    away: bool = False
    cut: bool = False
    cut_version: int = 0


@dataclass
class Model:
    sheets: int
    pages: dict[str, Page] = field(default_factory=dict)

    @property
    def begun(self) -> int:
        return sum(page.cut and not page.away for page in self.pages.values())


class Windows(RuleBasedStateMachine):
    """Two programs are open on one folder. Any of them does what a person would; now and then both are killed."""

    pages = Bundle("pages")

    @initialize(count=st.integers(0, 3))
    def unpack(self, count: int) -> None:
        self.around = Path(tempfile.mkdtemp())
        self.folder = self.around / "0"
        self.open()
        self.kit = self.windows[0].kits.add(self.of(count), "unpacked").id
        self.model = Model(count)

    def of(self, count: int) -> Kit:
        return Kit("Reeds", papers=(Paper(PAPER, "Reeds", inches(12), inches(12), count),))

    def open(self) -> None:
        self.windows = [Household(self.folder), Household(self.folder)]

    def teardown(self) -> None:
        for window in getattr(self, "windows", []):
            window.close()
        if hasattr(self, "around"):
            shutil.rmtree(self.around)

    @rule(target=pages, window=WINDOWS, story=STORIES)
    def begin(self, window: int, story: str) -> str:
        panel = Panel("panel", width=inches(12), height=inches(8), choice=PaperChoice(PAPER))
        plan = PagePlan("The lock", parts=(panel,), story=story)
        id = self.windows[window].pages.add(plan, "began").id
        self.model.pages[id] = Page([story])
        return id

    @rule(window=WINDOWS, id=pages, story=STORIES, stale=st.booleans())
    def edit(self, window: int, id: str, story: str, stale: bool) -> None:
        """From the version on the screen, or from one before it."""
        page, home = self.model.pages[id], self.windows[window]
        if page.away:
            return
        plan = with_(home.pages.get(id).body, story=story)
        version = page.version - stale
        try:
            home.pages.write(id, version, plan, "told")
            assert not stale or story == page.states[page.at]
        except Changed:
            assert stale
            return
        if story != page.states[page.at]:
            page.states = [*page.states[: page.at + 1], story]
            page.at += 1
            page.version += 1

    @rule(window=WINDOWS, id=pages, by=st.sampled_from([-1, 1]))
    def step(self, window: int, id: str, by: int) -> None:
        page, home = self.model.pages[id], self.windows[window]
        if page.away:
            return
        move = home.pages.undo if by < 0 else home.pages.redo
        try:
            move(id, page.version)
            assert 0 <= page.at + by < len(page.states)
            page.at += by
            page.version += 1
        except NoStep:
            assert not 0 <= page.at + by < len(page.states)

    @rule(window=WINDOWS, id=pages)
    def put_away_or_bring_back(self, window: int, id: str) -> None:
        """A page that is put away gives its begun sheet back only as long as nobody else needs it."""
        page = self.model.pages[id]
        if page.cut:
            return
        self.windows[window].pages.put_away(id, page.version, not page.away)
        page.away, page.version = not page.away, page.version + 1

    @rule(window=WINDOWS, id=pages)
    def tick(self, window: int, id: str) -> None:
        """Takes a sheet if there is one."""
        page, home = self.model.pages[id], self.windows[window]
        if page.away or page.cut:
            return
        sheets = cutting.page_cuts(home, id).cuts.sheets
        there = self.model.sheets > self.model.begun
        assert bool(sheets) == there
        for step in sheets[0].steps if sheets else ():
            page.cut_version = cutting.tick(home, id, page.cut_version, step.key, True)
        page.cut = there

    @rule(window=WINDOWS, id=pages)
    def untick(self, window: int, id: str) -> None:
        page, home = self.model.pages[id], self.windows[window]
        if not page.cut or page.away:
            return
        for key in sorted(cutting.page_cuts(home, id).ticked):
            with suppress(NotThere):
                page.cut_version = cutting.tick(home, id, page.cut_version, key, False)
        page.cut = False

    @rule(window=WINDOWS, count=st.integers(0, 3))
    def count(self, window: int, count: int) -> None:
        """Fewer than are begun cannot be there."""
        home = self.windows[window]
        version = home.kits.get(self.kit).version
        try:
            home.kits.write(self.kit, version, self.of(count), "counted")
            assert count >= self.model.begun
            self.model.sheets = count
        except FieldError:
            assert count < self.model.begun

    @rule()
    def kill(self) -> None:
        """Both programs end without a word: the next ones find what lies on the disk at that moment."""
        left = self.around / str(int(self.folder.name) + 1)
        shutil.copytree(self.folder, left)
        for window in self.windows:
            window.close()
        self.folder = left
        self.open()

    @rule(id=consumes(pages))
    def forget(self, id: str) -> None:
        """Leaves a page be."""

    @invariant()
    def both_windows_see_what_is(self) -> None:
        if not hasattr(self, "model"):
            return
        for home in self.windows:
            assert home.aside() == []
            kept = {one.id: one for one in home.pages.all()}
            there = {id: page for id, page in self.model.pages.items() if not page.away}
            assert set(kept) == set(there)
            for id, page in there.items():
                assert (kept[id].body.story, kept[id].version) == (page.states[page.at], page.version)
                assert (kept[id].undo is None) == (page.at == 0)
                assert (kept[id].redo is None) == (page.at == len(page.states) - 1)
                assert (home.stage(id) == "cut") == page.cut
            self.book_adds_up(home)

    def book_adds_up(self, home: Household) -> None:
        lists = {page: one.begun for page, one in home.cuttings().items()}
        (entry,) = book.book(home.shelf(), lists, home.least_scrap())
        assert (entry.had, entry.left, entry.over) == (self.model.sheets, self.model.sheets - self.model.begun, 0)
        square = inches(1).units ** 2
        areas = entry.areas
        assert areas.pieces == self.model.begun * 96 * square and areas.scraps == self.model.begun * 48 * square
        assert areas.had == areas.pieces + areas.scraps + areas.whole + areas.open + areas.waste


TIMES = int(os.environ.get("ULNA_HARD", "1"))
Windows.TestCase.settings = settings(
    max_examples=8 * TIMES,
    report_multiple_bugs=False,
    stateful_step_count=25,
    deadline=None,
    suppress_health_check=list(HealthCheck),
)
TestWindows = Windows.TestCase
