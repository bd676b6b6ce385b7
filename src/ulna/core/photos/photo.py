"""A photo: as pages know it, and all that is kept of it beside its file."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Annotated, Literal

from ulna.core.photos.crop import Framing
from ulna.core.photos.look import AS_IT_CAME, Look, size
from ulna.core.photos.prints import Print
from ulna.core.ranges import Text, Title, Whole


@dataclass(frozen=True, slots=True)
class Photo:
    """A photo as the page needs it: its name, its size in pixels as it looks, how it is framed and how it looks.

    `edition` is another one whenever a picture that is made of others has changed.
    """

    id: str
    name: str
    pixels: tuple[int, int]
    framing: Framing = field(default_factory=Framing)
    look: Look = AS_IT_CAME
    edition: str = ""


@dataclass(frozen=True, slots=True)
class PhotoRecord:
    """A photo: its file is kept under the same id. `print` is the size it is wanted in.

    `width` × `height` are the file's pixels, upright; `digest` tells the same file again, `likeness` (64 bits as
    hex) a picture that looks the same. A card is a picture that is printed to write or stick on.
    """

    name: Title
    width: Annotated[int, Whole(1, 200_000)]
    height: Annotated[int, Whole(1, 200_000)]
    file: str = ""
    taken: str | None = None
    caption: Annotated[str, Text(2000)] = ""
    digest: str = ""
    likeness: str = ""
    kind: Literal["photo", "card"] = "photo"
    framing: Framing = field(default_factory=Framing)
    look: Look = AS_IT_CAME
    print: Print = field(default_factory=Print)

    def photo(self, id: str) -> Photo:
        """As a page needs it."""
        return Photo(id, self.name, size((self.width, self.height), self.look), self.framing, self.look)
