"""The log: pages that are finished, how long was spent at them, the album, what has lain longest."""

from __future__ import annotations

from base64 import b64encode
from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import date, datetime
from html import escape

from ulna.core.build.times import Estimate, Pace, estimate
from ulna.core.cutting import times
from ulna.core.cutting.cut_list import CutList
from ulna.core.cutting.steps import Step
from ulna.core.kit.finished import Bench, Finished, Spent, Times
from ulna.core.page.plan import PagePlan, photos_of, things_of
from ulna.core.parts.inside import every
from ulna.core.parts.lettering import Style
from ulna.core.parts.pieces import Ground, PaperChoice
from ulna.formats import svg
from ulna.household import building, house_rules
from ulna.household.cutting import page_cuts
from ulna.household.drawing import drawn
from ulna.household.home import Household
from ulna.store.states import Kept

OF = "finished-"
TIMES_OF = "times-"
DRAWN_WIDE = 1_000
MOST_SECONDS = 3_600
"""So much is counted at once: a bench tells every minute."""


def spend(home: Household, page: str, bench: Bench, seconds: int) -> None:
    """Counts time at a bench for a page. Raises `NotThere`."""
    home.page(page)
    seconds = min(max(0, seconds), MOST_SECONDS)
    home.times.change(f"{TIMES_OF}{page}", "measured time", lambda one: (one or Times()).more(bench, seconds))


def time_cut(home: Household, page: str, step: Step, seconds: int) -> None:
    """Keeps how long a step of cutting took. Raises `NotThere`."""
    home.page(page)
    seconds = min(max(0, seconds), MOST_SECONDS)
    if not seconds:
        return
    usual = times.minutes(step)
    home.times.change(
        f"{TIMES_OF}{page}", "measured a cut", lambda one: (one or Times()).cut(step.kind, usual, seconds)
    )


def cutting_paces(home: Household, but: str = "") -> dict[str, Pace]:
    """One's own pace at cutting, from all pages but that one."""
    known = (one.body for one in home.times.all() if one.id != f"{TIMES_OF}{but}")
    return times.paces((one.kind, one.usual, one.seconds) for measured in known for one in measured.steps)


def cutting_left(home: Household, page: str, cuts: CutList, ticked: frozenset[str] = frozenset()) -> Estimate:
    """What the cutting of a page that is still to be done will take."""
    return times.estimate(cuts, ticked, cutting_paces(home, but=page))


def draft(home: Household, page: str) -> Finished:
    """What the log of a page would say, from what is known; to be put right by its owner. Raises `NotThere`."""
    plan = home.page(page)
    found = building.bench(home, page)
    mine = photos_of(plan)
    taken = (kept.body.taken for kept in home.roll.records.all() if kept.id in mine)
    days = sorted(day for one in taken if (day := _day(one)) is not None)
    spent = next((kept.body for kept in home.times.all() if kept.id == f"{TIMES_OF}{page}"), Times())
    kits = {kept.id: kept.body.name for kept in home.kits.all()}
    return Finished(
        page, plan.name, building.now(), days[0] if days else None, None, plan.story,
        kits=tuple(kits[id] for id in house_rules.kits_of(home, plan)), used=tuple(used(home, plan)),
        spent=tuple(Spent(bench, round(seconds / 60)) for bench, seconds in spent.seconds),
        expected=round(estimate(found.order, building.known_paces(home, but=page)).minutes), pages=plan.format.pages,
        expected_cutting=round(cutting_left(home, page, page_cuts(home, page).cuts).minutes),
    )  # fmt: skip


def _day(taken: str | None) -> date | None:
    try:
        return datetime.fromisoformat(taken).date() if taken else None
    except ValueError:
        return None


def used(home: Household, plan: PagePlan) -> list[str]:
    """Papers, things and alphabets of a page, in words, once each."""
    shelf = home.shelf()
    papers = dict.fromkeys(choice.paper for choice in every(PaperChoice, plan.parts) if choice.paper)
    said = [shelf.papers[id].name for id in papers if id in shelf.papers]
    for taking in things_of(plan):
        thing = shelf.things.get(taking.thing)
        if thing is not None:
            many = -(-taking.halves // 2)
            said.append(f"{many} × {thing.name}" if thing.length is None and many > 1 else thing.name)
    for id in dict.fromkeys(style.alphabet for style in every(Style, plan.parts) if style.alphabet):
        if id in shelf.alphabets:
            said.append(shelf.alphabets[id].name)
    return said


def finish(home: Household, entry: Finished) -> Kept[Finished]:
    """Puts a page into the log, or changes what the log says of it. Raises `NotThere`."""
    home.page(entry.page)
    if entry.picture is not None:
        home.pictures.path(entry.picture, "view")
    return home.finished.change(
        f"{OF}{entry.page}", "finished the page", lambda one: replace(entry, when=one.when) if one else entry
    )


def place(home: Household, pages: Sequence[str]) -> None:
    """Puts finished pages into that order."""
    with home.library.transaction():
        for kept in home.finished.all():
            at = pages.index(kept.body.page) if kept.body.page in pages else None
            if kept.body.place != at:
                home.finished.write(kept.id, kept.version, replace(kept.body, place=at), "moved it in the album")


def picture_tag(home: Household, entry: Finished) -> str:
    """The picture of a finished page for a file that stands alone: its photograph, or as it is drawn."""
    if entry.picture is not None:
        data, media = home.pictures.path(entry.picture, "view").read_bytes(), "image/jpeg"
    else:
        data, media = svg.raster(drawn(home, entry.page, "view"), DRAWN_WIDE), "image/png"
    return f'<img alt="{escape(entry.name)}" src="data:{media};base64,{b64encode(data).decode()}">'


@dataclass(frozen=True, slots=True)
class Lain:
    """What of a kit nobody has used yet, since when it lies there."""

    id: str
    what: str
    kind: str
    kit: str
    since: datetime


def lain_longest(home: Household) -> list[Lain]:
    """Papers, alphabets and things of which no page takes anything, the oldest kit first."""
    taken = set[str]()
    for kept in home.pages.all():
        taken |= {choice.paper for choice in every(PaperChoice, kept.body.parts) if choice.paper}
        taken |= {one.thing for one in things_of(kept.body)}
        taken |= {style.alphabet for style in every(Style, kept.body.parts) if style.alphabet}
    found = list[Lain]()
    for kit in home.kits.all():
        of = kit.body
        unused = [("paper", p.id, p.name) for p in of.papers if p.id not in taken and p.count]
        unused += [("alphabet", a.id, a.name) for a in of.alphabets if a.id not in taken]
        unused += [("thing", t.id, t.name) for t in of.things if t.id not in taken and t.count]
        found += [Lain(id, name, kind, of.name, kit.created) for kind, id, name in unused]
    return found


def to_be_used(home: Household, ground: Ground) -> Ground:
    """The ground for drafts and clusters: what has lain longest comes first."""
    lain = home.cached("lain", ["kit", "page"], lambda: tuple(one.id for one in lain_longest(home)))
    return replace(ground, lain=lain)
