"""A photo as a document: what its file says of it, how it looks, how it is framed, the print it is wanted in."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from ulna.core.photos import crop as core_crop
from ulna.core.photos.crop import Framing as CoreFraming
from ulna.core.photos.look import MOST_STRAIGHTENED, size
from ulna.core.photos.look import Look as CoreLook
from ulna.core.photos.photo import Photo
from ulna.formats.model import Model
from ulna.formats.recipe import Print, Share, Zoom

MOST_FACES = 60


class Face(Model):
    core = core_crop.Face
    x: Share
    y: Share
    size: Annotated[float, Field(gt=0, le=1)] = 0.16


class Framing(Model):
    core = CoreFraming
    x: Share = 0.5
    y: Share = 0.5
    zoom: Zoom = 1.0
    focal_x: Share | None = None
    focal_y: Share | None = None
    faces: Annotated[list[Face], Field(max_length=MOST_FACES)] = []


class Look(Model):
    """Notes beside the file: quarter turns, degrees, without colour, darker or lighter."""

    core = CoreLook
    turn: Annotated[int, Field(ge=0, le=3)] = 0
    straighten: Annotated[float, Field(ge=-MOST_STRAIGHTENED, le=MOST_STRAIGHTENED, multiple_of=0.25)] = 0.0
    black_and_white: bool = False
    lighten: Annotated[int, Field(ge=-100, le=100)] = 0


class PhotoRecord(Model):
    """A photo: its file is kept under the same id. `print` is the size it is wanted in.

    `width` × `height` are the file's pixels, upright; `digest` tells the same file again, `likeness` (64 bits as
    hex) a picture that looks the same. A card is a picture that is printed to write or stick on.
    """

    name: Annotated[str, Field(min_length=1, max_length=120)]
    file: str = ""
    taken: str | None = None
    caption: Annotated[str, Field(max_length=2000)] = ""
    width: int
    height: int
    digest: str = ""
    likeness: str = ""
    kind: Literal["photo", "card"] = "photo"
    framing: Framing = Framing()
    look: Look = Look()
    print: Print

    def photo(self, id: str) -> Photo:
        """As a page needs it."""
        look: CoreLook = self.look.value()
        return Photo(id, self.name, size((self.width, self.height), look), self.framing.value(), look)
