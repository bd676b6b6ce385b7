"""Routes: the roll of photos, their looks, print sizes and crops, and their pictures."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, File, Query, UploadFile
from fastapi.responses import FileResponse

from ulna.api.at_home import AtHome
from ulna.api.history import add_history
from ulna.api.schemas import (
    CropAsked,
    CropOut,
    OfferOut,
    PhotoCame,
    PhotoIn,
    PhotoOut,
    Pixels,
    PrintCrop,
    PrintSize,
    ShapeIn,
    SpotIn,
    UsedOn,
    saved,
)
from ulna.core.geometry.shapes import fitted, outline, path
from ulna.core.measure import ZERO, parse, text
from ulna.core.photos import crop as cropping
from ulna.core.photos import fitting, look
from ulna.core.photos.crop import Crop
from ulna.core.photos.photo import Photo
from ulna.core.photos.prints import Print, toned
from ulna.formats.photo import Framing, PhotoRecord
from ulna.formats.recipe import Recipe, photos_of
from ulna.household.home import Household
from ulna.store.errors import NotThere
from ulna.store.library import Kept
from ulna.store.picture_box import Copy

router = APIRouter(prefix="/api", tags=["photos"])

FOREVER = {"Cache-Control": "private, max-age=31536000, immutable"}


def _used_on(home: Household) -> dict[str, list[UsedOn]]:
    """For each photo the pages that show it."""

    def read() -> dict[str, list[UsedOn]]:
        used: dict[str, list[UsedOn]] = {}
        for kept in home.library.all("page"):
            recipe = Recipe.model_validate(kept.body)
            for id in photos_of(recipe):
                used.setdefault(id, []).append(UsedOn(id=kept.id, name=recipe.name))
        return used

    return home.cached("photos used", ["page"], read)


def _cropped(photo: Photo, print_: Print) -> tuple[Crop, float, int] | None:
    """The crop of a photo in a print, its pixels per inch, and how many faces it cuts; nothing where a rim covers
    all.
    """
    if min(print_.seen) <= ZERO:
        return None
    framing = photo.framing.by(print_.frame)
    crop = cropping.crop(photo.pixels, print_.seen, framing)
    ppi = cropping.pixels_per_inch(photo.pixels, crop, print_.seen)
    return crop, ppi, cropping.faces_cut(photo.pixels, crop, framing)


def _out(kept: Kept, home: Household) -> PhotoOut:
    return _shown(kept, _used_on(home))


def _shown(kept: Kept, used: dict[str, list[UsedOn]]) -> PhotoOut:
    record = PhotoRecord.model_validate(kept.body)
    photo = record.photo(kept.id)
    found = _cropped(photo, record.print.value())
    return PhotoOut(
        saved=saved(kept),
        photo=record,
        pixels=Pixels(width=photo.pixels[0], height=photo.pixels[1]),
        look=look.key(photo.look),
        crop=CropOut.from_value(found[0]) if found else None,
        ppi=int(found[1]) if found else None,
        word=cropping.word(found[1]) if found else None,
        faces_cut=found[2] if found else 0,
        outline=frame_outline(record.print.value()),
        used_on=used.get(kept.id, []),
        added=kept.created,
    )


@router.get("/photos")
def list_photos(home: AtHome) -> list[PhotoOut]:
    """By the time they were taken, those without one last."""
    used = _used_on(home)
    photos = [_shown(kept, used) for kept in home.library.all("photo")]
    return sorted(photos, key=lambda p: (p.photo.taken is None, p.photo.taken or ""))


@router.post("/photos", status_code=201)
def add_photo(file: Annotated[UploadFile, File()], home: AtHome) -> PhotoCame:
    """Takes a picture in. The same file twice is here once; one that was put away comes back."""
    came = home.roll.take_in(file.file, file.filename or "photo")
    return PhotoCame(photo=_out(came.kept, home), how=came.how, like=came.like)


@router.put("/photos/{id}")
def put_photo(id: str, asked: PhotoIn, home: AtHome) -> PhotoOut:
    return _out(home.roll.write(id, asked.version, asked.photo, asked.what, asked.series), home)


add_history(router, "photo", PhotoOut, _out)


@router.get("/pictures/{id}/{copy}", response_class=FileResponse)
def get_picture(
    id: str,
    copy: Copy,
    home: AtHome,
    look_key: Annotated[str, Query(alias="look", max_length=40)] = "",
    v: Annotated[str, Query(max_length=40)] = "",
) -> FileResponse:
    """A copy of a picture in a look. What is at an address never changes; a template's has its edition in `v`."""
    lasts = v or not id.startswith("template-")
    return FileResponse(home.roll.picture(id, copy, look.of_key(look_key)), headers=FOREVER if lasts else None)


# ---- prints of a photo -----------------------------------------------------------------------------


@router.get("/print-sizes")
def list_print_sizes() -> list[PrintSize]:
    """The usual print sizes, upright."""
    return [PrintSize(width=f"{w} in", height=f"{h} in") for w, h in cropping.PRINT_SIZES]


@router.post("/shapes/fit")
def fit_shape(asked: ShapeIn, home: AtHome) -> PrintSize:
    """The size in which a shape is regular: a circle as high as wide, a hexagon with equal sides."""
    width, height = fitted(asked.shape, asked.width, asked.height, home.ruler().mark)
    return PrintSize(width=text(width), height=text(height))


@router.post("/crop")
def crop_print(asked: CropAsked, home: AtHome) -> PrintCrop:
    """What a print of its own size and frame shows of its photo."""
    print_: Print = asked.print.value()
    photo = home.photos().get(print_.photo or "")
    if photo is None:
        raise NotThere("photo", print_.photo or "")
    found = _cropped(photo, print_)
    return PrintCrop(
        crop=CropOut.from_value(found[0]) if found else None,
        ppi=int(found[1]) if found else None,
        word=cropping.word(found[1]) if found else None,
        faces_cut=found[2] if found else 0,
        pixels=Pixels(width=photo.pixels[0], height=photo.pixels[1]),
        look=look.key(toned(photo.look, print_)),
        framing=Framing.from_value(photo.framing.by(print_.frame)),
        outline=frame_outline(print_),
    )


def frame_outline(print_: Print) -> str:
    """The shape of the picture inside its rim, as a path in a box of 1 × 1; empty for a rectangle."""
    if print_.shape == "rectangle":
        return ""
    corners = outline(print_.shape, print_.width.inches, print_.height.inches, print_.rim.inches)
    if not corners:
        return ""
    left, top = min(x for x, _ in corners), min(y for _, y in corners)
    wide, high = max(x for x, _ in corners) - left, max(y for _, y in corners) - top
    return path([((x - left) / wide, (y - top) / high) for x, y in corners])


@router.post("/photos/{id}/sizes")
def offer_sizes(id: str, asked: SpotIn, home: AtHome) -> list[OfferOut]:
    """Prints that serve a place, the best first."""
    photo = home.photos().get(id)
    if photo is None:
        raise NotThere("photo", id)
    height = asked.height if asked.kind != "opening" else asked.height or asked.width
    if asked.kind == "cell":
        height = asked.height or asked.width
    spot = fitting.Spot(asked.kind, asked.width, None if asked.kind == "width" else height, asked.lap)
    sizes = [(parse(f"{w} in"), parse(f"{h} in")) for w, h in cropping.PRINT_SIZES]
    ruler = home.ruler()
    return [
        OfferOut(
            width=o.width,
            height=o.height,
            size=ruler.say_size(o.width, o.height),
            usual=o.usual,
            lost=o.lost,
            ppi=int(o.ppi),
            word=cropping.word(o.ppi),
            says=o.says,
        )
        for o in fitting.offers(photo, spot, sizes, ruler)
    ]
