"""Sets the demo household up in a folder: kits, photos, pages, and how far they are cut."""

from __future__ import annotations

import shutil
from concurrent.futures import ProcessPoolExecutor
from pathlib import Path

from ulna.core.page import PagePlan
from ulna.demo.scenes import SCENES, Scene
from ulna.formats.kit import Kit
from ulna.formats.photo import Framing, PhotoRecord
from ulna.formats.recipe import Recipe
from ulna.household import Household
from ulna.store.errors import StoreError

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
    from ulna.demo import kits, pages  # not needed where the demo is there already
    from ulna.demo.photos import develop

    for kit in (kits.towpath(), kits.wharf(), kits.stash(), kits.scraps()):
        home.library.add("kit", Kit.model_dump(kit, mode="json"), "unpacked")
    with ProcessPoolExecutor() as darkroom:  # drawing the photos is most of the work
        photos = {
            s.name: _photo(home, s, file) for s, file in zip(SCENES, darkroom.map(develop, SCENES), strict=True)
        }
    _page(home, pages.engine(photos))
    _cut(home, _page(home, pages.market(photos)), sheets=None)
    _cut(home, _page(home, pages.locks(photos)), sheets=4)


def _photo(home: Household, scene: Scene, file: bytes) -> str:
    kept = home.add_photo(file, f"{scene.name}.jpg")
    record = PhotoRecord.model_validate(kept.body)
    record.framing = Framing(x=scene.focal[0], y=scene.focal[1], focal_x=scene.focal[0], focal_y=scene.focal[1])
    home.library.write("photo", kept.id, kept.version, record.model_dump(mode="json"), "set the focal point")
    return kept.id


def _page(home: Household, plan: PagePlan) -> str:
    return home.library.add("page", Recipe.from_value(plan).model_dump(mode="json"), "planned the page").id


def _cut(home: Household, page: str, sheets: int | None) -> None:
    """Ticks off everything on the first so many sheets of a page, on all of them where None."""
    for sheet in home.page_cuts(page).cuts.sheets[:sheets]:
        for step in sheet.steps:
            now = home.page_cuts(page)
            if step.key not in now.ticked:
                home.tick(page, now.version, step.key, True)
