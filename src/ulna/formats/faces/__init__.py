"""The faces that ship with Ulna, and with them a household's own."""

from __future__ import annotations

import io
from collections.abc import Iterator, Mapping
from functools import cache, lru_cache
from pathlib import Path
from typing import get_args

from ulna.core.words.faces import FALLBACK, FaceName, ShippedName, Typeface, Typefaces
from ulna.formats.faces.reading import FontFace


class Faces(Mapping[FaceName, Typeface]):
    """Those that ship and `own` ones, as WOFF2, by name. What is not there looks like the plain one."""

    def __init__(self, own: Mapping[FaceName, bytes] | None = None) -> None:
        self.own = own or {}

    def __getitem__(self, name: FaceName) -> Typeface:
        if name in self.own:
            return _own(self.own[name])
        return _shipped(name if name in get_args(ShippedName) else FALLBACK)

    def __iter__(self) -> Iterator[FaceName]:
        return iter((*get_args(ShippedName), *self.own))

    def __len__(self) -> int:
        return len(get_args(ShippedName)) + len(self.own)

    def __contains__(self, name: object) -> bool:
        return name in self.own or name in get_args(ShippedName)


@cache
def _shipped(name: FaceName) -> Typeface:
    return FontFace(file_of(name))


@lru_cache(40)
def _own(font: bytes) -> Typeface:
    return FontFace(io.BytesIO(font))


def file_of(name: FaceName) -> Path:
    """The font of a face that ships."""
    return Path(__file__).parent / f"{name}.woff2"


SHIPPED: Typefaces = Faces()
