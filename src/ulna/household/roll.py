"""The roll: photos as they come in, how they look, and the templates that are made of them."""

from __future__ import annotations

import hashlib
import json
import threading
from dataclasses import dataclass, replace
from pathlib import Path
from typing import TYPE_CHECKING, BinaryIO, Literal, NamedTuple

from ulna.core.measure import ZERO, inches
from ulna.core.photos import crop as cropping
from ulna.core.photos import template as templates
from ulna.core.photos.look import AS_IT_CAME, Look, carried, key
from ulna.core.photos.photo import Photo, PhotoRecord
from ulna.core.photos.prints import Print
from ulna.core.photos.template import Template, as_photo
from ulna.formats.limits import MOST_PICTURE_BYTES
from ulna.formats.texts import plain
from ulna.household.darkroom import Darkroom
from ulna.household.documents import Documents
from ulna.store.errors import NotThere
from ulna.store.ids import new_id
from ulna.store.library import Library
from ulna.store.picture_box import Copy, PictureBox
from ulna.store.states import Kept

if TYPE_CHECKING:
    from ulna.formats.pictures import Picture
    from ulna.formats.print_picture import Shot

ALIKE = 3
"""Of 64 steps of lightness so few may differ between two pictures that look the same."""


class Came(NamedTuple):
    """How a file came in: new; here already; back from what was put away. `like` names a photo that looks the
    same.
    """

    kept: Kept[PhotoRecord]
    how: Literal["new", "here", "back"]
    like: str | None = None


@dataclass(slots=True)
class _Known:
    """What tells a photo again."""

    name: str
    digest: str
    likeness: int | None


class Roll:
    def __init__(self, library: Library, pictures: PictureBox, darkroom: Darkroom) -> None:
        self.library, self.pictures, self.darkroom = library, pictures, darkroom
        self.records = Documents(library, "photo", PhotoRecord)
        self.templates = Documents(library, "template", Template)
        self._known: dict[str, _Known] | None = None
        self._lock = threading.Lock()

    # ---- coming in -------------------------------------------------------------------------------------

    def take_in(self, stream: BinaryIO, file: str) -> Came:
        """Keeps a photo as it came, unless it is here already. Raises `FieldError` where it is no picture."""
        from ulna.formats import pictures  # slow to import

        arrived = self.pictures.arrive(stream, MOST_PICTURE_BYTES)
        try:
            run = self.darkroom.run_alone if pictures.is_large(arrived) else self.darkroom.run
            picture = run(pictures.read_file, file, arrived, file)
            with self._lock:
                known = self._all_known()
                twin = next((id for id, one in known.items() if one.digest and one.digest == picture.digest), None)
                if twin is not None:
                    if self.fault(twin, picture.digest):
                        self.pictures.put(twin, arrived, picture.suffix, picture.view, picture.thumb)
                    if (came := self._again(twin)) is not None:
                        return came
                likeness = int(picture.likeness, 16)
                like = next((one.name for one in known.values() if _alike(one.likeness, likeness)), None)
                id, name = new_id("photo"), _name(file, {one.name for one in known.values()})
                with self.pictures.recording():
                    self.pictures.put(id, arrived, picture.suffix, picture.view, picture.thumb)
                    try:
                        kept = self.records.add(_record(picture, name, file), "added", id=id)
                    except BaseException:
                        self.pictures.drop(id)
                        raise
                known[id] = _Known(name, picture.digest, likeness)
                return Came(kept, "new", like)
        finally:
            arrived.unlink(missing_ok=True)

    def fault(self, id: str, digest: str) -> str:
        """What is wrong with the files of a photo whose original has a digest; empty where nothing is."""
        from ulna.formats import pictures

        for copy in ("original", "view", "thumb"):
            try:
                data = self.pictures.path(id, copy).read_bytes()
            except NotThere:
                return f"its {copy} is missing"
            except OSError as error:
                return f"its {copy} cannot be read: {error.strerror}"
            if copy == "original" and digest and pictures.digest(data) != digest:
                return "its original is not the file that came in"
            if copy != "original" and not pictures.is_whole_jpeg(data):
                return f"its {copy} is cut short or damaged"
        return ""

    def _again(self, id: str) -> Came | None:
        """A photo whose file came again, brought back where it was put away."""
        try:
            return Came(self.records.get(id), "here")
        except NotThere:
            away = next((kept for kept in self.records.away() if kept.id == id), None)
            return Came(self.records.put_away(id, away.version, away=False), "back") if away else None

    def _all_known(self) -> dict[str, _Known]:
        if self._known is None:
            self._known = {}
            for kept in [*self.records.all(), *self.records.away()]:
                record = kept.body
                self._known[kept.id] = _Known(
                    record.name,
                    record.digest or self._digest(kept.id),
                    int(record.likeness, 16) if record.likeness else None,
                )
        return self._known

    def _digest(self, id: str) -> str:
        """Of a photo that came before digests were noted, from its file."""
        from ulna.formats import pictures

        try:
            return pictures.digest(self.pictures.path(id, "original").read_bytes())
        except (NotThere, OSError):
            return ""

    # ---- as they look ----------------------------------------------------------------------------------

    def write(
        self, id: str, version: int, record: PhotoRecord, what: str, series: str | None = None
    ) -> Kept[PhotoRecord]:
        """A photo's new state. What its file says of itself stays; where only its look has changed, what is marked
        moves with the picture."""
        before = self.records.get(id).body
        record = replace(
            record,
            width=before.width,
            height=before.height,
            file=before.file,
            digest=before.digest,
            likeness=before.likeness,
        )
        if before.look != record.look and before.framing == record.framing:
            pixels = record.width, record.height
            record = replace(record, framing=carried(record.framing, before.look, record.look, pixels))
        return self.records.write(id, version, record, what, series)

    def picture(self, id: str, copy: Copy, look: Look = AS_IT_CAME) -> Path:
        """A copy of a photo in a look, or of a template. Raises `NotThere`."""
        if id.startswith("template-"):
            return self._template_picture(id, "view" if copy == "original" else copy)
        if look == AS_IT_CAME or copy == "original":
            return self.pictures.path(id, copy)
        from ulna.formats import pictures

        return self.pictures.looked(
            id, copy, key(look), lambda plain: self.darkroom.run(pictures.looked, id, plain, look)
        )

    def photos(self) -> dict[str, Photo]:
        """Every photo, and every template as one."""
        found = {kept.id: kept.body.photo(kept.id) for kept in self.records.all()}
        for kept in self.templates.all():
            found[kept.id] = as_photo(kept.body, kept.id, self._edition(kept.body, found))
        return found

    # ---- templates -------------------------------------------------------------------------------------

    def _edition(self, template: Template, photos: dict[str, Photo]) -> str:
        """Another word whenever the picture of a template is another one."""
        shown = [repr(photos.get(cell.photo or "")) for cell in template.cells]
        return hashlib.sha256(json.dumps([repr(template), shown]).encode()).hexdigest()[:12]

    def _template_picture(self, id: str, copy: Copy) -> Path:
        from ulna.formats import print_picture
        from ulna.formats.pictures import THUMB, VIEW

        template = self.templates.get(id).body
        photos = self.photos()
        of = print_picture.Sheetful(
            template.width.inches, template.height.inches, self.shots(template, photos, "view")
        )
        return self.pictures.composed(
            id,
            f"{copy}@{photos[id].edition}.jpg",
            lambda: self.darkroom.run(print_picture.jpeg, id, of, THUMB if copy == "thumb" else VIEW),
        )

    def shots(self, template: Template, photos: dict[str, Photo], copy: Copy) -> tuple[Shot, ...]:
        """The photos of a template where they lie, from their files or from copies; those that are gone are left
        out.
        """
        from ulna.formats.print_picture import Shot

        found = list[Shot]()
        for cell, at in templates.filled(template):
            photo = photos.get(cell.photo or "")
            if photo is None or photo.id.startswith("template-") or min(at.width, at.height) <= ZERO:
                continue
            crop = cropping.crop(photo.pixels, (at.width, at.height), photo.framing.by(cell.frame))
            found.append(Shot(self.pictures.path(photo.id, copy), photo.look, crop, at))
        return tuple(found)


def _alike(one: int | None, other: int) -> bool:
    return one is not None and (one ^ other).bit_count() <= ALIKE


def _name(file: str, taken: set[str]) -> str:
    """The file's name without its kind; with a number where it is taken."""
    stem = (plain(Path(file).stem) or "photo")[:110]
    name, k = stem, 2
    while name in taken:
        name, k = f"{stem} {k}", k + 1
    return name


def _record(picture: Picture, name: str, file: str) -> PhotoRecord:
    square, upright = picture.width == picture.height, picture.height > picture.width
    short, long = inches(4), inches(4) if square else inches(6)
    return PhotoRecord(
        name,
        picture.width,
        picture.height,
        plain(file)[:200],
        picture.taken,
        picture.caption,
        picture.digest,
        picture.likeness,
        print=Print(width=short if upright else long, height=long if upright else short),
    )
