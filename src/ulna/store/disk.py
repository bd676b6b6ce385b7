"""Files that are there whole or not at all, also after the power went.

What is written to a file, and the name that it gets, lie in the memory of the machine until they are synced; so each
file is written beside its place, synced, named, and its folder synced. Everything the store writes besides the database
goes through the first five functions here, so that a test can let each of them fail in turn.
"""

from __future__ import annotations

import fcntl
import os
import secrets
import shutil
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import IO

PART = ".part"
"""What the name of a file ends with that is not whole yet; nobody takes such a one for what it may become."""


def write(out: IO[bytes], data: bytes) -> None:
    out.write(data)


def sync(out: IO[bytes]) -> None:
    """Returns once what was written lies on the disk."""
    out.flush()
    os.fsync(out.fileno())


def rename(old: Path, new: Path) -> None:
    """Gives a file or folder its name, in place of what has that name."""
    os.replace(old, new)


def sync_folder(folder: Path) -> None:
    """Returns once the names in a folder lie on the disk."""
    opened = os.open(folder, os.O_RDONLY | os.O_DIRECTORY)
    try:
        os.fsync(opened)
    finally:
        os.close(opened)


def remove(path: Path) -> None:
    """Throws a file or folder away, if it is there."""
    if path.is_dir() and not path.is_symlink():
        shutil.rmtree(path, ignore_errors=True)
    else:
        path.unlink(missing_ok=True)


def put(file: Path, data: bytes) -> None:
    """Writes a file whole. Raises `OSError`; what was there before is there still then."""
    with putting(file) as out:
        write(out, data)


@contextmanager
def putting(file: Path) -> Iterator[IO[bytes]]:
    """A file to write to that takes its place once it is whole and synced; an error leaves what was there before."""
    part = file.with_name(f".{file.name}.{secrets.token_hex(4)}{PART}")
    try:
        with part.open("xb") as out:
            part.chmod(0o600)
            yield out
            sync(out)
        rename(part, file)
        sync_folder(file.parent)
    except BaseException:
        part.unlink(missing_ok=True)
        raise


@contextmanager
def held(folder: Path, shared: bool = False, wait: bool = True) -> Iterator[bool]:
    """A lock on a folder, between programs as between threads; whether it was got, which it is where one waits.

    It ends with the program that holds it, whatever ends that.
    """
    opened = os.open(folder, os.O_RDONLY | os.O_DIRECTORY)
    try:
        how = fcntl.LOCK_SH if shared else fcntl.LOCK_EX
        try:
            fcntl.flock(opened, how if wait else how | fcntl.LOCK_NB)
        except BlockingIOError:
            yield False
            return
        yield True
    finally:
        os.close(opened)
