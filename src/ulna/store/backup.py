"""A whole household as one file, and back again: whole or not at all.

A backup is a zip file, stored without packing: the library, the pictures, and a manifest with the size and SHA-256 of
each. It is written beside its place, read back and compared, and only then named; what had that name before is there
until then. A restore unpacks beside its place too, compares, asks the database about itself, and only then swaps.
"""

from __future__ import annotations

import hashlib
import json
import re
import shutil
import sqlite3
import zipfile
from collections.abc import Iterator, Mapping
from contextlib import closing
from dataclasses import dataclass, field
from pathlib import Path
from typing import IO, Any

from ulna.store import disk
from ulna.store.engine import REFUSALS, told_of
from ulna.store.errors import Damaged, StoreError, told_of_disk
from ulna.store.library import DATABASE
from ulna.store.schema import KNOWN, copy_database, refuse_newer

MANIFEST = "manifest.json"
FORMAT = "ulna-backup"
CHUNK = 1 << 20
MOST_FILES = 2_000_000
MOST_PICTURE = 100_000_000
"""Bytes of one picture; what a picture may be when it comes in, and room."""

PICTURE = re.compile(r"pictures/[a-z]+-[0-9a-z-]{1,60}/(original|view|thumb)\.[a-z0-9]{1,8}")
"""The pictures that are kept; looks of them are made again."""


@dataclass(frozen=True, slots=True)
class Told:
    """What is in a backup: documents by kind, pictures, bytes; `lacking` names pictures that documents speak of and
    that are not whole."""

    documents: Mapping[str, int] = field(default_factory=dict)
    pictures: int = 0
    bytes: int = 0
    lacking: tuple[str, ...] = ()


def write(home: Path, file: Path, lacking: tuple[str, ...] = ()) -> Told:
    """Puts the library and its pictures into a zip file; works while the application runs.

    `lacking` is noted in it. Raises `StoreError`; an earlier file of that name is as it was then.
    """
    if not (home / DATABASE).is_file():
        raise StoreError(f"{home}: there is no library here; give the household's folder with --home")
    aside = home / f".{DATABASE}.for-backup"
    try:
        copy_database(home / DATABASE, aside)
        documents = _asked_about_itself(aside)
        with disk.putting(file) as out:
            sums = _pack(home, aside, out, documents, lacking)
            disk.sync(out)
            _compare(Path(out.name), sums)
        total = sum(size for size, _ in sums.values())
        return Told(documents, sum(name != DATABASE for name in sums), total, lacking)
    except OSError as error:
        raise told_of_disk(error, file) from None
    except REFUSALS as error:
        raise (told_of(error, home / DATABASE) or Damaged(str(home / DATABASE))) from None
    finally:
        aside.unlink(missing_ok=True)


def _pack(
    home: Path, database: Path, out: IO[bytes], documents: Mapping[str, int], lacking: tuple[str, ...]
) -> dict[str, tuple[int, str]]:
    """The size and sum of each file that was packed."""
    sums: dict[str, tuple[int, str]] = {}
    with zipfile.ZipFile(out, "w", zipfile.ZIP_STORED) as packed:
        for name, file in [(DATABASE, database), *_pictures(home)]:
            try:
                with file.open("rb") as data, packed.open(zipfile.ZipInfo(name), "w", force_zip64=True) as into:
                    sums[name] = _copy(data, into)
            except FileNotFoundError:  # a picture that was put away meanwhile
                if name == DATABASE:
                    raise
        manifest = {
            "format": FORMAT,
            "version": 1,
            "documents": dict(documents),
            "lacking": list(lacking),
            "files": {name: {"bytes": size, "sha256": sum} for name, (size, sum) in sums.items()},
        }
        packed.writestr(zipfile.ZipInfo(MANIFEST), json.dumps(manifest, indent=1))
    return sums


def _pictures(home: Path) -> Iterator[tuple[str, Path]]:
    for picture in sorted((home / "pictures").glob("*/*")):
        name = picture.relative_to(home).as_posix()
        if PICTURE.fullmatch(name):
            yield name, picture


def _copy(data: IO[bytes], into: IO[bytes], most: int | None = None) -> tuple[int, str]:
    """Copies, `most` bytes at most; how many there were, and their sum."""
    sum, size = hashlib.sha256(), 0
    while chunk := data.read(CHUNK):
        size += len(chunk)
        if most is not None and size > most:
            raise StoreError("this backup holds more than it says; it was not unpacked")
        sum.update(chunk)
        disk.write(into, chunk)
    return size, sum.hexdigest()


def _compare(file: Path, sums: Mapping[str, tuple[int, str]]) -> None:
    """Reads back what was packed. Raises `StoreError` where the disk gives back something else."""
    with zipfile.ZipFile(file) as packed:
        for name, (size, sum) in sums.items():
            with packed.open(name) as data:
                if (size, sum) != _sum(data):
                    raise StoreError(f"{file}: the disk gives back other bytes than were written; try another disk")


def _sum(data: IO[bytes]) -> tuple[int, str]:
    sum, size = hashlib.sha256(), 0
    while chunk := data.read(CHUNK):
        size += len(chunk)
        sum.update(chunk)
    return size, sum.hexdigest()


def _asked_about_itself(database: Path) -> dict[str, int]:
    """How many documents of each kind a database holds, once it says that it is whole. Raises `Damaged`, `TooNew`."""
    try:
        with closing(sqlite3.connect(f"{database.absolute().as_uri()}?mode=ro", uri=True)) as asked:
            if asked.execute("PRAGMA integrity_check(1)").fetchone() != ("ok",):
                raise Damaged(str(database))
            if asked.execute("PRAGMA foreign_key_check").fetchone() is not None:
                raise Damaged(str(database))
            found = asked.execute("SELECT version_num FROM alembic_version").fetchone()
            refuse_newer(str(found[0]) if found else KNOWN[-1])
            return dict(asked.execute("SELECT kind, count(*) FROM document GROUP BY kind ORDER BY kind").fetchall())
    except REFUSALS as error:
        raise (told_of(error, database) or Damaged(str(database))) from None


# ---- and back --------------------------------------------------------------------------------------


def read(file: Path, home: Path) -> Told:
    """Unpacks a backup into a folder that is not there yet, or is empty. Raises `StoreError`; nothing is there then.

    A backup of before 0.4 has no manifest: its own sums and the database answer for it.
    """
    if (home / DATABASE).exists():
        raise StoreError(f"{home}: there is a library here already; choose another folder")
    if home.exists() and (not home.is_dir() or any(home.iterdir())):
        raise StoreError(f"{home}: this folder is not empty; choose one that is, or one that is not there yet")
    if not file.is_file():
        raise StoreError(f"{file}: there is no such file")
    beside = home.with_name(f".{home.name}{disk.PART}")
    try:
        home.parent.mkdir(parents=True, exist_ok=True)
        disk.remove(beside)  # of a restore that was stopped
        beside.mkdir(mode=0o700)
        told = _unpack(file, beside)
        disk.rename(beside, home)
        disk.sync_folder(home.parent)
        return told
    except (zipfile.BadZipFile, NotImplementedError, RuntimeError, EOFError) as error:
        if isinstance(error, StoreError):
            raise
        raise StoreError(f"{file}: this is no backup of Ulna, or it is cut short or damaged") from None
    except OSError as error:
        raise told_of_disk(error, home) from None
    finally:
        disk.remove(beside)


def _unpack(file: Path, into: Path) -> Told:
    with zipfile.ZipFile(file) as packed:
        entries = {entry.filename: entry for entry in packed.infolist()}
        if len(entries) != len(packed.infolist()) or len(entries) > MOST_FILES:
            raise StoreError(f"{file}: this is no backup of Ulna")
        wanted = {name for name in entries if name != MANIFEST and not name.endswith("/")}
        strange = [name for name in wanted if name != DATABASE and not PICTURE.fullmatch(name)]
        if DATABASE not in entries or strange:
            raise StoreError(f"{file}: this is no backup of Ulna")
        total = sum(entry.file_size for entry in entries.values())
        if total > shutil.disk_usage(into).free:
            raise StoreError(
                f"{file}: this needs {total / 1e9:.1f} GB, more than is free there; nothing was unpacked"
            )
        if any(entries[name].file_size > MOST_PICTURE for name in wanted - {DATABASE}):
            raise StoreError(f"{file}: a picture in it is larger than any picture may be; it was not unpacked")
        manifest = _manifest(packed, file) if MANIFEST in entries else None
        expected: dict[str, Any] = manifest["files"] if manifest else {}
        if manifest and set(expected) != wanted:
            raise StoreError(f"{file}: files are missing in it, or do not belong there; take another backup")
        for name in sorted(wanted):
            place = into / name
            place.parent.mkdir(parents=True, exist_ok=True, mode=0o700)
            with packed.open(name) as data, place.open("xb") as out:
                place.chmod(0o600)
                size, found = _copy(data, out, entries[name].file_size)
                disk.sync(out)
            if manifest and (size, found) != (expected[name]["bytes"], expected[name]["sha256"]):
                raise StoreError(f"{file}: {name} in it is damaged; take another backup")
    documents = _asked_about_itself(into / DATABASE)
    if manifest and documents != manifest["documents"]:
        raise StoreError(f"{file}: it holds other documents than it says; take another backup")
    for folder in sorted({(into / name).parent for name in wanted} | {into, *into.glob("pictures")}):
        disk.sync_folder(folder)
    lacking = tuple(manifest["lacking"]) if manifest else ()
    return Told(documents, len(wanted) - 1, total, lacking)


def _manifest(packed: zipfile.ZipFile, file: Path) -> dict[str, Any]:
    """Raises `StoreError` for one that is none."""
    try:
        with packed.open(MANIFEST) as data:
            found: dict[str, Any] = json.loads(data.read(1_000_000_000))
        if found["format"] != FORMAT:
            raise ValueError
        if found["version"] != 1:
            raise StoreError(f"{file}: this backup was written by a later Ulna; update Ulna to restore it")
        for one in found["files"].values():
            int(one["bytes"]), str(one["sha256"])
        dict(found["documents"]), list(found["lacking"])
        return found
    except (ValueError, KeyError, TypeError, AttributeError):
        raise StoreError(f"{file}: this is no backup of Ulna, or its manifest is damaged") from None
