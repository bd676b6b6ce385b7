"""A whole household as one file, and back again."""

from __future__ import annotations

import sqlite3
import zipfile
from pathlib import Path

from ulna.store.errors import StoreError

DATABASE = "ulna.sqlite"


def write(home: Path, file: Path) -> None:
    """Puts the library and its pictures into a zip file; works while the application runs. Raises `StoreError`."""
    if not (home / DATABASE).is_file():
        raise StoreError(f"{home}: there is no library here")
    copy = file.with_suffix(file.suffix + ".copy")
    try:
        with sqlite3.connect(home / DATABASE) as library, sqlite3.connect(copy) as into:
            library.backup(into)
        with zipfile.ZipFile(file, "w", zipfile.ZIP_STORED) as packed:
            packed.write(copy, DATABASE)
            for picture in sorted((home / "pictures").glob("*/*")):
                made_again = "@" in picture.name or picture.name.startswith(".")
                if not made_again and not picture.parent.name.startswith("."):
                    packed.write(picture, picture.relative_to(home).as_posix())
    finally:
        copy.unlink(missing_ok=True)


def read(file: Path, home: Path) -> None:
    """Unpacks a backup into a folder that has no library yet. Raises `StoreError`."""
    if (home / DATABASE).exists():
        raise StoreError(f"{home}: there is a library here already; choose another folder")
    try:
        with zipfile.ZipFile(file) as packed:
            names = packed.namelist()
            strange = [name for name in names if name != DATABASE and not name.startswith("pictures/")]
            if DATABASE not in names or strange or any(".." in Path(name).parts for name in names):
                raise StoreError(f"{file}: this is no backup of Ulna")
            home.mkdir(parents=True, exist_ok=True)
            packed.extractall(home)
    except zipfile.BadZipFile:
        raise StoreError(f"{file}: this is no backup of Ulna, or it is cut short") from None
