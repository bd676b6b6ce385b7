"""A program that works on a household is killed at some moment; what it had acknowledged must be there.

The work is done by a fork of this process, which says each deed through a pipe once it is acknowledged and is killed
in the middle of the next ones. Then the folder is opened as the next start would open it, and compared.
"""

from __future__ import annotations

import io
import json
import os
import random
import shutil
import signal
import time
import zipfile
from collections.abc import Callable, Iterator
from contextlib import closing
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any

from PIL import Image

from ulna.core.measure import inches
from ulna.core.page.plan import PagePlan
from ulna.core.paper.shelf import Kit, Paper
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.pieces import PaperChoice
from ulna.formats import collection
from ulna.household import care, cutting
from ulna.household.home import Household
from ulna.store import backup
from ulna.store.errors import StoreError

LIBRARIES = Path(__file__).parent.parent / "fixtures" / "libraries"
DEEDS = ("edits", "ticks", "photos", "import", "backup", "restore", "migration")
LONGEST = 0.25
"""Seconds until the kill, at most, where the machine has nothing else to do; the moments are spread evenly. On a busy
one it is as many times the first deed's way to being acknowledged."""
DEEDS_LONG = 6


@dataclass
class Tally:
    """What happened in many kills: how often, what had been acknowledged, what of it was lost or half there."""

    kills: int = 0
    acknowledged: int = 0
    lost: list[str] = field(default_factory=list)


def picture(n: int) -> bytes:
    """A small picture that differs with its number."""
    out = io.BytesIO()
    Image.new("RGB", (60, 40), (n % 256, n // 256, 7)).save(out, "JPEG")
    return out.getvalue()


def page_of(paper: str) -> PagePlan:
    """A page with a panel that takes a cut of a sheet."""
    return PagePlan(
        "The lock", parts=(Panel("panel", width=inches(12), height=inches(8), choice=PaperChoice(paper)),)
    )


def at_table(folder: Path) -> Household:
    """A household whose pictures are read here: a fork has no darkroom."""
    home = Household(folder)
    home.darkroom.run = lambda work, name, *args, **kwargs: work(*args, **kwargs)  # type: ignore[method-assign]
    return home


Say = Callable[[Any], None]


def edits(folder: Path, say: Say) -> None:
    with closing(at_table(folder)) as home:
        kept = home.pages.all()[0]
        for n in range(10_000):
            kept = home.pages.write(kept.id, kept.version, PagePlan("The lock", story=f"state {n}"), f"wrote {n}")
            say([kept.id, kept.version, n])
            if n % 7 == 6:
                kept = home.pages.undo(kept.id, kept.version)
                say([kept.id, kept.version, n - 1])


def saw_edits(folder: Path, said: list[Any]) -> Iterator[str]:
    if not said:
        return
    id, version, n = said[-1]
    with closing(Household(folder)) as home:
        kept = home.pages.get(id)
        if kept.version == version and kept.body.story != f"state {n}":
            yield f"version {version} holds {kept.body.story}, not state {n}"
        if kept.version < version or kept.version > version + 1:
            yield f"version {version} was acknowledged, {kept.version} is there"


def ticks(folder: Path, say: Say) -> None:
    with closing(at_table(folder)) as home:
        for kept in home.pages.all():
            if not kept.body.parts:
                continue
            now = cutting.page_cuts(home, kept.id)
            version = now.version
            for sheet in now.cuts.sheets:
                for step in sheet.steps:
                    version = cutting.tick(home, kept.id, version, step.key, True)
                    say([kept.id, step.key])


def saw_ticks(folder: Path, said: list[Any]) -> Iterator[str]:
    with closing(Household(folder)) as home:
        for page, key in said:
            if key not in cutting.page_cuts(home, page).ticked:
                yield f"the tick of {key} is gone"


def photos(folder: Path, say: Say) -> None:
    with closing(at_table(folder)) as home:
        for n in range(1_000):
            came = home.roll.take_in(io.BytesIO(picture(n)), f"{n}.jpg")
            say([came.kept.id, n])


def saw_photos(folder: Path, said: list[Any]) -> Iterator[str]:
    with closing(Household(folder)) as home:
        for id, n in said:
            if home.pictures.path(id, "original").read_bytes() != picture(n):
                yield f"photo {n} is not what came in"
        for kept in home.roll.records.all():
            if fault := home.roll.fault(kept.id, kept.body.digest):
                yield f"{kept.body.name}: {fault}"
        if set(home.pictures.ids()) != home.pictured():
            yield "there are pictures that nothing speaks of"


def coming() -> collection.Document:
    """A library that comes in: kits and the pages that need their papers."""
    kits = tuple(
        Kit(f"Kit {k}", papers=(Paper(f"paper-{k}", f"Reeds {k}", inches(12), inches(12)),)) for k in range(12)
    )
    ids = tuple(f"kit-coming-{k}" for k in range(12))
    pages = tuple(page_of(f"paper-{k}") for k in range(12))
    return collection.Document(
        kits=kits, kit_ids=ids, pages=pages, page_ids=tuple(f"page-coming-{k}" for k in range(12))
    )


def import_(folder: Path, say: Say) -> None:
    with closing(at_table(folder)) as home:
        say(["done", *home.bring_in_library(coming())])


def saw_import(folder: Path, said: list[Any]) -> Iterator[str]:
    with closing(Household(folder)) as home:
        kits = [kept for kept in home.kits.all() if kept.id.startswith("kit-coming")]
        pages = [kept for kept in home.pages.all() if kept.id.startswith("page-coming")]
        if (len(kits), len(pages)) not in ((12, 12), *([] if said else [(0, 0)])):
            yield f"{len(kits)} of 12 kits and {len(pages)} of 12 pages came in"


def backup_(folder: Path, say: Say) -> None:
    for _ in range(1_000):
        say(backup.write(folder, folder.parent / "all.zip").pictures)


def saw_backup(folder: Path, said: list[Any]) -> Iterator[str]:
    back = folder.parent / "back"
    told = backup.read(folder.parent / "all.zip", back)
    if told.pictures != 3 or told.documents["kit"] != 1:
        yield "the backup lacks something"


def restore(folder: Path, say: Say) -> None:
    say(backup.read(folder.parent / "all.zip", folder.parent / "back").pictures)


def saw_restore(folder: Path, said: list[Any]) -> Iterator[str]:
    back = folder.parent / "back"
    if said and not back.exists():
        yield "what was restored is gone"
    if not back.exists():
        backup.read(folder.parent / "all.zip", back)
    with closing(Household(back)) as home:
        if len(home.kits.all()) != 1 or len(home.pictures.ids()) != 1:
            yield "half a household was restored"


def migration(folder: Path, say: Say) -> None:
    Household(folder.parent / "old").close()
    say("open")


def saw_migration(folder: Path, said: list[Any]) -> Iterator[str]:
    with closing(Household(folder.parent / "old")) as home:
        if home.aside() or len(home.kits.all()) != 4 or len(home.cuttings()) != 2:
            yield "the old library is not whole"


WORK: dict[str, tuple[Callable[[Path, Say], None], Callable[[Path, list[Any]], Iterator[str]]]] = {
    "edits": (edits, saw_edits),
    "ticks": (ticks, saw_ticks),
    "photos": (photos, saw_photos),
    "import": (import_, saw_import),
    "backup": (backup_, saw_backup),
    "restore": (restore, saw_restore),
    "migration": (migration, saw_migration),
}


def laid_out(folder: Path) -> None:
    """A household as each deed begins with: a kit, a photo, pages to cut; a backup of it, and an old library beside."""
    with closing(at_table(folder)) as home:
        home.kits.add(Kit("Reeds", papers=(Paper("reeds", "Reeds", inches(12), inches(12), 30),)), "unpacked")
        home.pages.add(PagePlan("The lock"), "began")
        for _ in range(20):
            home.pages.add(page_of("reeds"), "began")
        home.roll.take_in(io.BytesIO(picture(999)), "first.jpg")
    backup.write(folder, folder.parent / "all.zip")
    old = folder.parent / "old"
    with zipfile.ZipFile(LIBRARIES / "first-evening.zip") as packed:
        packed.extractall(old)


def started(deed: str, folder: Path) -> tuple[int, int]:
    """A fork of this process at a deed: its number, and the end of the pipe where it says what is acknowledged."""
    work, _ = WORK[deed]
    reading, writing = os.pipe()
    child = os.fork()
    if child == 0:
        os.close(reading)

        def say(what: Any) -> None:
            os.write(writing, json.dumps(what).encode() + b"\n")

        try:
            work(folder, say)
        finally:
            os._exit(0)
    os.close(writing)
    return child, reading


def first_deed(table: Path, aside: Path) -> float:
    """Seconds from the fork to the first edit that is acknowledged, as the machine is now."""
    shutil.copytree(table, aside)
    start = time.monotonic()
    child, reading = started("edits", aside / "home")
    with os.fdopen(reading, "rb") as pipe:
        pipe.readline()
        took = time.monotonic() - start
        os.kill(child, signal.SIGKILL)
        os.waitpid(child, 0)
    shutil.rmtree(aside)
    return took


def killed(deed: str, table: Path, aside: Path, rng: random.Random, tally: Tally, longest: float) -> None:
    """One kill of one deed, on a copy of what is laid out, within so many seconds."""
    shutil.copytree(table, aside)
    folder = aside / "home"
    _, saw = WORK[deed]
    child, reading = started(deed, folder)
    time.sleep(rng.random() * longest)
    os.kill(child, signal.SIGKILL)
    os.waitpid(child, 0)
    with os.fdopen(reading, "rb") as pipe:
        said = [json.loads(line) for line in pipe.read().splitlines()]
    tally.kills += 1
    tally.acknowledged += len(said)
    try:
        tally.lost += [f"{deed}: {what}" for what in saw(folder, said)]
        mended = [fault.sentence for fault, _ in care.checked(folder, False) if fault.mend is None]
        tally.lost += [f"{deed}: {sentence}" for sentence in mended]
    except (StoreError, OSError, KeyError) as error:
        tally.lost.append(f"{deed}: {error!r}")
    shutil.rmtree(aside)


def run(kills: int, folder: Path, seed: int = 1) -> dict[str, Tally]:
    """So many kills, spread over all deeds."""
    table, rng = folder / "table", random.Random(seed)
    table.mkdir()
    laid_out(table / "home")
    tallies = {deed: Tally() for deed in DEEDS}
    longest = LONGEST
    for k in range(kills):
        if k % len(DEEDS) == 0:
            longest = max(LONGEST, DEEDS_LONG * first_deed(table, folder / "first"))
        deed = DEEDS[k % len(DEEDS)]
        killed(deed, table, folder / f"kill-{k}", rng, tallies[deed], longest)
    return tallies
