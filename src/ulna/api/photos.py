"""Routes: photos, their print sizes and crops."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, File, UploadFile

from ulna.api.at_home import AtHome
from ulna.api.schemas import CropOut, PhotoIn, PhotoOut, PrintSize, Step, saved
from ulna.core import crop as cropping
from ulna.core.measure import ZERO
from ulna.formats.limits import MOST_PICTURE_BYTES
from ulna.formats.photo import PhotoRecord
from ulna.formats.recipe import Recipe, photos_of
from ulna.household import Household
from ulna.store.library import Kept

router = APIRouter(prefix="/api", tags=["photos"])


def _used_on(home: Household) -> dict[str, list[str]]:
    """For each photo the names of the pages that show it."""
    used: dict[str, list[str]] = {}
    for kept in home.library.all("page"):
        recipe = Recipe.model_validate(kept.body)
        for id in photos_of(recipe):
            used.setdefault(id, []).append(recipe.name)
    return used


def _out(kept: Kept, used: dict[str, list[str]]) -> PhotoOut:
    record = PhotoRecord.model_validate(kept.body)
    shape = record.print.width - record.print.rim * 2, record.print.height - record.print.rim * 2
    out = PhotoOut(saved=saved(kept), photo=record, crop=None, ppi=None, word=None, used_on=used.get(kept.id, []))
    if min(shape) > ZERO:
        pixels = record.width, record.height
        crop = cropping.crop(pixels, shape, record.framing.value())
        ppi = cropping.pixels_per_inch(pixels, crop, shape)
        out.crop, out.ppi, out.word = CropOut.from_value(crop), int(ppi), cropping.word(ppi)
    return out


@router.get("/photos")
def list_photos(home: AtHome) -> list[PhotoOut]:
    """By the time they were taken, those without one last."""
    used = _used_on(home)
    photos = [_out(kept, used) for kept in home.library.all("photo")]
    return sorted(photos, key=lambda p: (p.photo.taken is None, p.photo.taken or ""))


@router.post("/photos", status_code=201)
def add_photo(file: Annotated[UploadFile, File()], home: AtHome) -> PhotoOut:
    data = file.file.read(MOST_PICTURE_BYTES + 1)
    return _out(home.add_photo(data, file.filename or "photo"), {})


@router.put("/photos/{id}")
def put_photo(id: str, asked: PhotoIn, home: AtHome) -> PhotoOut:
    kept = home.library.write(
        "photo", id, asked.version, asked.photo.model_dump(mode="json"), asked.what, asked.series
    )
    return _out(kept, _used_on(home))


@router.post("/photos/{id}/undo")
def undo_photo(id: str, step: Step, home: AtHome) -> PhotoOut:
    return _out(home.library.undo("photo", id, step.version), _used_on(home))


@router.post("/photos/{id}/redo")
def redo_photo(id: str, step: Step, home: AtHome) -> PhotoOut:
    return _out(home.library.redo("photo", id, step.version), _used_on(home))


@router.post("/photos/{id}/away")
def put_photo_away(id: str, step: Step, home: AtHome) -> PhotoOut:
    return _out(home.library.put_away("photo", id, step.version), _used_on(home))


@router.post("/photos/{id}/back")
def bring_photo_back(id: str, step: Step, home: AtHome) -> PhotoOut:
    return _out(home.library.put_away("photo", id, step.version, away=False), _used_on(home))


@router.get("/print-sizes")
def list_print_sizes() -> list[PrintSize]:
    """The usual print sizes, upright."""
    return [PrintSize(width=f"{w} in", height=f"{h} in") for w, h in cropping.PRINT_SIZES]
