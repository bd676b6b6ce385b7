"""The log: pages that are finished, how long was spent at them, the album, what has lain longest."""

from __future__ import annotations

from base64 import b64encode
from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import date, datetime
from html import escape

from ulna.core.build.times import estimate
from ulna.core.errors import FieldError
from ulna.core.kit.finished import Bench, Finished, Spent, Times
from ulna.core.page.plan import PagePlan, photos_of, things_of
from ulna.core.parts.inside import every
from ulna.core.parts.lettering import Style
from ulna.core.parts.pieces import PaperChoice
from ulna.core.photos.look import AS_IT_CAME, Look
from ulna.formats import svg
from ulna.household import building, house_rules
from ulna.household.home import Household
from ulna.store.errors import Changed, NotThere
from ulna.store.states import Kept

OF = "finished-"
TIMES_OF = "times-"
DRAWN_WIDE = 1_000
TRIES = 5
MOST_SECONDS = 3_600
"""So much is counted at once: a bench tells every minute."""


def spend(home: Household, page: str, bench: Bench, seconds: int) -> None:
    """Counts time at a bench for a page. Raises `NotThere`."""
    home.page(page)
    seconds = min(max(0, seconds), MOST_SECONDS)
    for _ in range(TRIES):
        version, times = _times(home, page)
        try:
            if version:
                home.times.write(f"{TIMES_OF}{page}", version, times.more(bench, seconds), "measured time")
            else:
                home.times.add(times.more(bench, seconds), "measured time", id=f"{TIMES_OF}{page}")
            return
        except Changed:
            continue


def _times(home: Household, page: str) -> tuple[int, Times]:
    try:
        found = home.times.get(f"{TIMES_OF}{page}")
    except NotThere:
        return 0, Times()
    return found.version, found.body


def draft(home: Household, page: str) -> Finished:
    """What the log of a page would say, from what is known; to be put right by its owner. Raises `NotThere`."""
    plan = home.page(page)
    found = building.bench(home, page)
    mine = photos_of(plan)
    taken = (kept.body.taken for kept in home.roll.records.all() if kept.id in mine)
    days = sorted(day for one in taken if (day := _day(one)) is not None)
    _, times = _times(home, page)
    kits = {kept.id: kept.body.name for kept in home.kits.all()}
    return Finished(
        page, plan.name, building.now(), days[0] if days else None, None, plan.story,
        kits=tuple(kits[id] for id in house_rules.kits_of(home, plan)), used=tuple(used(home, plan)),
        spent=tuple(Spent(bench, round(seconds / 60)) for bench, seconds in times.seconds),
        expected=round(estimate(found.order, building.known_paces(home, but=page)).minutes), pages=plan.format.pages,
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
    """Puts a page into the log, or changes what the log says of it. Raises `NotThere`, `FieldError`."""
    home.page(entry.page)
    if entry.picture is not None:
        home.pictures.path(entry.picture, "view")
    id = f"{OF}{entry.page}"
    for _ in range(TRIES):
        try:
            kept = home.finished.get(id)
        except NotThere:
            try:
                return home.finished.add(entry, "finished the page", id=id)
            except Changed as here:  # it was put away, or another window was quicker
                if here.current.deleted:
                    home.finished.put_away(id, here.current.version, away=False)
                continue
        try:
            return home.finished.write(id, kept.version, replace(entry, when=kept.body.when), "changed the log")
        except Changed:
            continue
    raise FieldError("page", entry.name, "it is being changed elsewhere", "try once more")


def drawn(home: Household, page: str) -> str:
    """A page as SVG with everything in it. Raises `NotThere`."""

    def embedded(picture: str, look: Look = AS_IT_CAME) -> str | None:
        try:
            return svg.embedded(home.roll.picture(picture, "view", look).read_bytes())
        except NotThere:
            return None

    return svg.page(home.evaluated(home.page(page), page), home.shelf(), embedded, embedded, home.faces())


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
        data, media = svg.raster(drawn(home, entry.page), DRAWN_WIDE), "image/png"
    return f'<img alt="{escape(entry.name)}" src="data:{media};base64,{b64encode(data).decode()}">'


@dataclass(frozen=True, slots=True)
class Lain:
    """What of a kit nobody has used yet, since when it lies there."""

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
        unused = [("paper", p.name) for p in of.papers if p.id not in taken and p.count]
        unused += [("alphabet", a.name) for a in of.alphabets if a.id not in taken]
        unused += [("thing", t.name) for t in of.things if t.id not in taken and t.count]
        found += [Lain(name, kind, of.name, kit.created) for kind, name in unused]
    return found
