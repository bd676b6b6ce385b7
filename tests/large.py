"""A household of many years: pages, photos (their records; the pictures themselves are not there) and kits."""

from __future__ import annotations

from dataclasses import replace
from pathlib import Path

from tests.hard.kills import page_of
from ulna.core.measure import inches
from ulna.core.paper.shelf import Kit, Paper
from ulna.core.photos.photo import PhotoRecord
from ulna.household.home import Household


def large_household(folder: Path, photos: int, pages: int, kits: int) -> None:
    """Made in the folder, which is empty yet. Photos and kits are numbered from 0, pages from 1."""
    home = Household(folder, sweep=False)
    with home.library.transaction():
        for n in range(kits):
            papers = tuple(Paper(f"p-{n}-{k}", f"Paper {k}", inches(12), inches(12), 2) for k in range(20))
            home.kits.add(Kit(f"Kit {n}", papers=papers), "began")
        for n in range(photos):
            home.roll.records.add(
                PhotoRecord(f"photo {n}", 3000, 2000, digest=f"{n:032x}", likeness=f"{n:016x}"), "added"
            )
        for n in range(pages):
            home.pages.add(replace(page_of("p-0-0"), name=f"Page {n + 1}"), "began")
    home.close()
