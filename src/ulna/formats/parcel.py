"""A parcel: pages with all that belongs to them, in one file that travels.

A zip file: `library.json`, a library (see `collection`) of just those pages, their papers, photos, templates and cuts;
and under `pictures/` the files of its photos and photographed sheets as they came, each named by its id.
"""

from __future__ import annotations

import re
import shutil
import zipfile
from collections.abc import Mapping
from dataclasses import dataclass
from pathlib import Path
from typing import BinaryIO

from ulna.core.errors import FieldError
from ulna.formats import collection
from ulna.formats.limits import MOST_PICTURE_BYTES

LIBRARY = "library.json"
PICTURE = re.compile(r"pictures/((?:photo|sheet)-[0-9a-z-]{1,60})\.[a-z0-9]{1,8}")
MOST_LIBRARY_BYTES = 60_000_000
MOST_PICTURES = 50_000
ADVICE = "choose a parcel, a backup, or a page as JSON"


@dataclass(frozen=True, slots=True)
class Parcel:
    """What is in a parcel; the pictures' files by their ids, unpacked."""

    library: collection.Document
    pictures: Mapping[str, Path]


def write(library: collection.Document, pictures: Mapping[str, Path], out: BinaryIO) -> None:
    """Packs a parcel."""
    with zipfile.ZipFile(out, "w", zipfile.ZIP_STORED) as packed:
        packed.writestr(LIBRARY, collection.write(library), zipfile.ZIP_DEFLATED)
        for id, file in pictures.items():
            packed.write(file, f"pictures/{id}{file.suffix}")


def is_parcel(file: Path) -> bool:
    """Whether it is a zip file that holds a library."""
    if not zipfile.is_zipfile(file):
        return False
    with zipfile.ZipFile(file) as packed:
        return LIBRARY in packed.namelist()


def read(file: Path, into: Path) -> Parcel:
    """Unpacks a parcel into a folder. Raises `FieldError`, `pydantic.ValidationError`; what is larger than it says, or
    than it may be, is not unpacked."""
    try:
        with zipfile.ZipFile(file) as packed:
            entries = packed.infolist()
            if len(entries) > MOST_PICTURES or LIBRARY not in {entry.filename for entry in entries}:
                raise FieldError("file", file.name, "this is no parcel of Ulna", ADVICE)
            if sum(entry.file_size for entry in entries) > shutil.disk_usage(into).free:
                raise FieldError("file", file.name, "it holds more than there is room for", "make room on the disk")
            library = collection.read(_limited(packed, LIBRARY, MOST_LIBRARY_BYTES))
            pictures = dict[str, Path]()
            for entry in entries:
                if found := PICTURE.fullmatch(entry.filename):
                    place = into / Path(entry.filename).name
                    place.write_bytes(_limited(packed, entry.filename, MOST_PICTURE_BYTES))
                    pictures[found[1]] = place
    except (zipfile.BadZipFile, NotImplementedError, RuntimeError, EOFError, UnicodeDecodeError):
        raise FieldError("file", file.name, "it is cut short or damaged", "send it again") from None
    return Parcel(library, pictures)


def _limited(packed: zipfile.ZipFile, name: str, most: int) -> bytes:
    with packed.open(name) as data:
        content = data.read(most + 1)
    if len(content) > most:
        raise FieldError("file", name, f"larger than {most // 1_000_000} MB", "send it without that")
    return content
