"""A photo as pages know it."""

from __future__ import annotations

from dataclasses import dataclass, field

from ulna.core.photos.crop import Framing
from ulna.core.photos.look import AS_IT_CAME, Look


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
