"""Sets the demo household up in a folder: kits, photos, pages, and how far they are cut."""

from __future__ import annotations

import io
import shutil
from concurrent.futures import ProcessPoolExecutor
from dataclasses import replace
from pathlib import Path

from ulna.core.cutting import progress
from ulna.core.kit.together import PageSet
from ulna.core.measure import inches
from ulna.core.page.clustering import proposed
from ulna.core.page.evaluate import evaluate
from ulna.core.page.plan import PagePlan
from ulna.core.photos.crop import Face, Framing
from ulna.core.photos.print_list import WantedPrint
from ulna.core.photos.prints import Print
from ulna.core.photos.template import Template, TemplateCell
from ulna.demo.scenes import SCENES, Scene
from ulna.household import building, cutting, log
from ulna.household.home import Household
from ulna.machines.photo_printer.words import Loaded
from ulna.standins.photo_printer.machine import Machine
from ulna.store.errors import StoreError
from ulna.store.ids import new_id

MARK, READY = "this-is-the-demo", "demo-is-ready"
"""Files in the demo's folder: one from the first moment, one once everything is set up."""


def set_up(home: Path, reset: bool = False) -> bool:
    """Makes the demo in a folder unless it is there already. Whether it was made now.

    Only a folder that is empty or a demo is ever thrown away; raises `StoreError` for any other.
    """
    if (home / READY).exists() and not reset:
        return False
    if home.exists() and any(home.iterdir()) and not (home / MARK).exists():
        raise StoreError(f"{home} holds something else than the demo; choose another folder")
    shutil.rmtree(home, ignore_errors=True)
    home.mkdir(parents=True)
    (home / MARK).touch()
    household = Household(home)
    try:
        _fill(household)
    finally:
        household.close()
    (home / READY).touch()
    return True


def _fill(home: Household) -> None:
    from ulna.demo import kits, pages, stickers  # not needed where the demo is there already
    from ulna.demo.photos import develop

    for kit in (kits.towpath(), kits.wharf(), kits.stash(), kits.scraps()):
        if kit.kind == "stash":
            kit = replace(kit, things=(*kit.things, *stickers.taken_in(home, "stash")))
        home.kits.add(kit, "unpacked")
    with ProcessPoolExecutor() as darkroom:  # drawing the photos is most of the work
        photos = {
            s.name: _photo(home, s, file) for s, file in zip(SCENES, darkroom.map(develop, SCENES), strict=True)
        }
    rain = _page(home, pages.with_drops(pages.rain(photos)))
    engine = _page(home, pages.with_gears(pages.engine(photos)))
    _to_print(home, engine, photos)
    for plan in (pages.kettle(photos), pages.market(photos)):
        page = _page(home, plan)
        _cut(home, page, sheets=None)
        _build(home, page, share=1.0)
        log.finish(home, replace(log.draft(home, page), people="Pip, Wren"))
    pilot = _page(home, pages.pilot(photos))
    _cut(home, pilot, sheets=None)
    _build(home, pilot, share=0.5)
    locks = _page(home, _with_clusters(home, pages.locks(photos)))
    _cut(home, locks, sheets=7)
    home.sets.add(PageSet((locks, rain, engine)), "chose pages", id="set")


def _photo(home: Household, scene: Scene, file: bytes) -> str:
    kept = home.roll.take_in(io.BytesIO(file), f"{scene.name}.jpg").kept
    (x, y), (focal_x, focal_y) = scene.focal or (0.5, 0.5), scene.focal or (None, None)
    faces = tuple(Face(fx, fy, size) for fx, fy, size in scene.faces)
    record = replace(kept.body, framing=Framing(x, y, 1.0, focal_x, focal_y, faces))
    home.roll.write(kept.id, kept.version, record, "marked what must stay in")
    return kept.id


def _with_clusters(home: Household, plan: PagePlan) -> PagePlan:
    """A page with three clusters as they are proposed for it, on top of all."""
    ground = home.ground_for(plan)
    found = proposed(plan, evaluate(plan, ground), ground, 3, 2)
    return replace(plan, parts=(*plan.parts, *found.parts))


def _to_print(home: Household, page: str, photos: dict[str, str]) -> None:
    """A template of the week's photos, and a print list with it and the prints of a page."""
    small = ["Kettle on", "Rivet on the roof", "Pip at the tiller"]
    small += ["Moored for the night", "Wharf market", "Bridge 62"]
    template = Template("The week in small", cells=tuple(TemplateCell(photos[name]) for name in small))
    id = home.roll.templates.add(template, "began the template").id
    kept, plan = home.printing.kept(home.ruler()), home.page(page)
    one = Print(photo=id, width=template.width, height=template.height)
    wanted = (*home.printing.of_page(page, home.evaluated(plan, page)), WantedPrint(new_id("print"), one, 2))
    home.printing.lists.write("prints", kept.version, replace(kept.body, wanted=wanted), "wanted some prints")
    printer = Machine(home.library.home / "printer")
    printer.load(Loaded(name="letter", width=inches(8, 1, 2), height=inches(11), sheets=2))
    printer.switch_off()


def _page(home: Household, plan: PagePlan) -> str:
    return home.pages.add(plan, "planned the page").id


PACE = 1.3
"""How much slower than usual this household glues."""


def _build(home: Household, page: str, share: float) -> None:
    """Ticks off a share of the building steps of a page, each as long as these hands take."""
    found = building.bench(home, page)
    for step in found.order.steps[: round(len(found.order.steps) * share)]:
        building.tick(home, page, step.id, True, seconds=round(step.minutes * 60 * PACE))
    log.spend(home, page, "page", 40 * 60)
    log.spend(home, page, "cut", 25 * 60)
    log.spend(home, page, "build", round(found.order.minutes * 60 * PACE * share))


def _cut(home: Household, page: str, sheets: int | None) -> None:
    """Ticks off everything on the first so many sheets of a page, on all of them where None. The last steps first: what
    they hang on is ticked with them, and the demo is there sooner."""
    version = 0
    for sheet in cutting.page_cuts(home, page).cuts.sheets[:sheets]:
        ticked = frozenset[str]()
        for step in reversed(sheet.steps):
            if step.key not in ticked:
                version = cutting.tick(home, page, version, step.key, True)
                ticked = progress.tick(sheet, ticked, step.key, True)
