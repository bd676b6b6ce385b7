"""Routes: the roll of photos, their looks, print sizes and crops, and their pictures."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Literal

from fastapi import APIRouter, File, Query, UploadFile
from fastapi.responses import FileResponse, Response
from pydantic import BaseModel

from ulna.api.at_home import AtHome
from ulna.api.history import add_history
from ulna.api.wire import Edit, Saved, What, saved
from ulna.api.written import written_list
from ulna.core.geometry.shapes import Shape, fitted
from ulna.core.measure import inches, parse, text
from ulna.core.page.plan import photos_of
from ulna.core.photos import crop as cropping
from ulna.core.photos import fitting, look
from ulna.core.photos.crop import Crop, Framing, Sharpness
from ulna.core.photos.photo import Photo, PhotoRecord
from ulna.core.photos.prints import Print, toned
from ulna.core.photos.showing import frame_outline, showing
from ulna.formats.documents import AnyLength, Doc, Gap, Size
from ulna.household.home import Household
from ulna.store.errors import NotThere
from ulna.store.picture_box import Copy
from ulna.store.states import Kept

router = APIRouter(prefix="/api", tags=["photos"])

PICTURES = {".jpg": "image/jpeg", ".png": "image/png", ".webp": "image/webp", ".heic": "image/heic"}
"""What may be served from the pictures' folder, as what."""
ALONE = {"Content-Security-Policy": "default-src 'none'; sandbox", "X-Content-Type-Options": "nosniff"}
"""A picture opened by itself can do nothing."""
FOREVER = {"Cache-Control": "private, max-age=31536000, immutable"}


class Pixels(BaseModel):
    width: int
    height: int

    @classmethod
    def of(cls, photo: Photo) -> Pixels:
        return cls(width=photo.pixels[0], height=photo.pixels[1])


class UsedOn(BaseModel):
    id: str
    name: str


class PhotoOut(BaseModel):
    """`pixels` are the photo's as it looks; `look` goes into the address of its pictures. `crop`, `ppi`, `word` and
    `faces_cut` are for the print it is wanted in."""

    saved: Saved
    photo: Doc[PhotoRecord]
    pixels: Pixels
    look: str
    crop: Doc[Crop] | None
    ppi: int | None
    word: Sharpness | None
    faces_cut: int
    outline: str
    used_on: list[UsedOn]
    added: datetime


class PhotoCame(BaseModel):
    """How a file came in: new, here already, or back from what was put away; `like` names a photo that looks the
    same.
    """

    photo: PhotoOut
    how: Literal["new", "here", "back"]
    like: str | None


class PhotoIn(Edit):
    photo: Doc[PhotoRecord]
    what: What = "changed the photo"
    version: int


class PrintSize(BaseModel):
    width: str
    height: str


class ShapeIn(BaseModel):
    shape: Shape
    width: Size
    height: Size


class CropAsked(BaseModel):
    print: Doc[Print]


class PrintCrop(BaseModel):
    """What a print shows of its photo, and its shape as a path in a box of 1 × 1."""

    crop: Doc[Crop] | None
    ppi: int | None
    word: Sharpness | None
    faces_cut: int
    pixels: Pixels
    look: str
    framing: Doc[Framing]
    outline: str


class SpotIn(BaseModel):
    """A place for a photo: a width on the page, an opening (a circle where `height` is left out), or a cell."""

    kind: Literal["width", "opening", "cell"]
    width: Size
    height: Size | None = None
    lap: Gap = inches(0, 1, 8)


class OfferOut(BaseModel):
    width: AnyLength
    height: AnyLength
    size: str
    usual: bool
    lost: float
    ppi: int
    word: Sharpness
    says: str


def _used_on(home: Household) -> dict[str, list[UsedOn]]:
    """For each photo the pages that show it."""

    def read() -> dict[str, list[UsedOn]]:
        used: dict[str, list[UsedOn]] = {}
        for kept in home.pages.all():
            for id in photos_of(kept.body):
                used.setdefault(id, []).append(UsedOn(id=kept.id, name=kept.body.name))
        return used

    return home.cached("photos used", ["page"], read)


def _out(kept: Kept[PhotoRecord], home: Household) -> PhotoOut:
    return _shown(kept, _used_on(home))


def _shown(kept: Kept[PhotoRecord], used: dict[str, list[UsedOn]]) -> PhotoOut:
    record = kept.body
    photo = record.photo(kept.id)
    found = showing(photo, record.print)
    return PhotoOut(
        saved=saved(kept),
        photo=record,
        pixels=Pixels.of(photo),
        look=look.key(photo.look),
        crop=found.crop if found else None,
        ppi=int(found.ppi) if found else None,
        word=found.word if found else None,
        faces_cut=found.faces_cut if found else 0,
        outline=frame_outline(record.print),
        used_on=used.get(kept.id, []),
        added=kept.created,
    )


@router.get("/photos", response_model=list[PhotoOut])
def list_photos(home: AtHome, most: Annotated[int | None, Query(ge=1, le=1_000_000)] = None) -> Response:
    """By the time they were taken, those without one last; the first `most` of them."""
    used = _used_on(home)
    kept = sorted(home.roll.records.all(), key=lambda k: (k.body.taken is None, k.body.taken or ""))[:most]
    entries = ((one, used.get(one.id, [])) for one in kept)
    return written_list(home, "photos", entries, lambda one: _shown(one, used))


@router.post("/photos", status_code=201)
def add_photo(file: Annotated[UploadFile, File()], home: AtHome) -> PhotoCame:
    """Takes a picture in. The same file twice is here once; one that was put away comes back."""
    came = home.roll.take_in(file.file, file.filename or "photo")
    return PhotoCame(photo=_out(came.kept, home), how=came.how, like=came.like)


@router.put("/photos/{id}")
def put_photo(id: str, asked: PhotoIn, home: AtHome) -> PhotoOut:
    return _out(home.roll.write(id, asked.version, asked.photo, asked.what, asked.series), home)


add_history(router, "photo", lambda home: home.roll.records, PhotoOut, _out)


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
    file = home.roll.picture(id, copy, look.of_key(look_key))
    media = PICTURES.get(file.suffix.lower())
    if media is None:
        raise NotThere("picture", id)
    return FileResponse(file, media_type=media, headers=ALONE | (FOREVER if lasts else {}))


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
    photo = _photo(asked.print.photo or "", home)
    found = showing(photo, asked.print)
    return PrintCrop(
        crop=found.crop if found else None,
        ppi=int(found.ppi) if found else None,
        word=found.word if found else None,
        faces_cut=found.faces_cut if found else 0,
        pixels=Pixels.of(photo),
        look=look.key(toned(photo.look, asked.print)),
        framing=photo.framing.by(asked.print.frame),
        outline=frame_outline(asked.print),
    )


@router.post("/photos/{id}/sizes")
def offer_sizes(id: str, asked: SpotIn, home: AtHome) -> list[OfferOut]:
    """Prints that serve a place, the best first."""
    photo, ruler = _photo(id, home), home.ruler()
    height = None if asked.kind == "width" else asked.height or asked.width
    spot = fitting.Spot(asked.kind, asked.width, height, asked.lap)
    sizes = [(parse(f"{w} in"), parse(f"{h} in")) for w, h in cropping.PRINT_SIZES]
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


def _photo(id: str, home: Household) -> Photo:
    photo = home.photos().get(id)
    if photo is None:
        raise NotThere("photo", id)
    return photo
