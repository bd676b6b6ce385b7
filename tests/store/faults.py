"""A disk that fails: at every write, sync and rename of the store in turn.

`points` does something once and keeps, before and after each such call, what another program would find then if this
one were killed, and what the disk itself holds for certain: the data that was synced, under the names that were synced.
`failing` lets one call fail.
"""

from __future__ import annotations

import errno
import os
import shutil
import sqlite3
import stat
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from dataclasses import dataclass, field
from pathlib import Path
from typing import Any

import pytest

from ulna.store import disk

CALLS = ("write", "sync", "rename", "sync_folder", "remove")


@dataclass
class Certain:
    """What a disk holds for certain of a folder: contents and names by the number of the file or folder."""

    root: Path
    contents: dict[int, bytes] = field(default_factory=dict)
    names: dict[int, dict[str, int]] = field(default_factory=dict)

    def file(self, number: int, data: bytes) -> None:
        self.contents = self.contents | {number: data}

    def folder(self, path: Path) -> None:
        there = {one.name: one.inode() for one in os.scandir(path)}
        self.names = self.names | {path.stat().st_ino: there}
        folders = [one for one in os.scandir(path) if one.is_dir(follow_symlinks=False)]
        self.names = {one.inode(): {} for one in folders} | self.names

    def at_first(self) -> None:
        """All that is there to begin with counts as synced."""
        for folder, _, files in os.walk(self.root):
            self.folder(Path(folder))
            for name in files:
                file = Path(folder) / name
                self.file(file.stat().st_ino, file.read_bytes())

    def now(self) -> Certain:
        return Certain(self.root, self.contents, self.names)

    def lay_down(self, into: Path) -> Path:
        """A folder as it would be after the power went; a file that was never synced is empty."""
        self._lay(self.root.stat().st_ino, into)
        return into

    def _lay(self, number: int, into: Path) -> None:
        into.mkdir()
        for name, inner in self.names.get(number, {}).items():
            if inner in self.names:
                self._lay(inner, into / name)
            else:
                (into / name).write_bytes(self.contents.get(inner, b""))


@dataclass(frozen=True)
class Point:
    """A moment: before or after a call. `killed` is what is found then, `cut` what is certain."""

    call: str
    killed: Path
    cut: Certain


def points(act: Callable[[], object], root: Path, aside: Path) -> list[Point]:
    """Does something to what lies in `root`; every moment of it. The database syncs itself and is not in the `cut`."""
    certain, found = Certain(root), list[Point]()
    certain.at_first()

    def keep(name: str) -> None:
        killed = aside / f"{len(found):03}-{name.replace(' ', '-')}"
        shutil.copytree(root, killed)
        found.append(Point(name, killed, certain.now()))

    with pytest.MonkeyPatch.context() as patch:
        for name in CALLS:
            patch.setattr(disk, name, _watched(name, getattr(disk, name), keep, certain))
        act()
    keep("at the end")
    return found


def _watched(
    name: str, call: Callable[..., Any], keep: Callable[[str], None], certain: Certain
) -> Callable[..., Any]:
    def watched(*args: Any) -> Any:
        keep(f"before {name}")
        result = call(*args)
        if name == "sync":
            number = os.fstat(args[0].fileno()).st_ino
            certain.file(number, Path(args[0].name).read_bytes())
        elif name == "sync_folder" and Path(args[0]).is_relative_to(certain.root):
            certain.folder(args[0])
        return result

    return watched


WAYS = {"full": errno.ENOSPC, "broken": errno.EIO, "not allowed": errno.EACCES}


@contextmanager
def failing(at: int, way: str) -> Iterator[list[str]]:
    """The call number `at` fails, a write half way; the calls that there were."""
    calls = list[str]()

    def faulty(name: str, call: Callable[..., Any]) -> Callable[..., Any]:
        def called(*args: Any) -> Any:
            calls.append(name)
            if len(calls) - 1 != at:
                return call(*args)
            if name == "write":
                call(args[0], args[1][: len(args[1]) // 2])
            raise OSError(WAYS[way], os.strerror(WAYS[way]))

        return called

    with pytest.MonkeyPatch.context() as patch:
        for name in CALLS[:-1]:
            patch.setattr(disk, name, faulty(name, getattr(disk, name)))
        yield calls


def fails_in_turn(act: Callable[[], object], way: str, errors: tuple[type[Exception], ...]) -> Iterator[str]:
    """Does something with each call failing in turn, until it goes through; the call that failed, after each time."""
    at, gone_wrong = 0, True
    while gone_wrong:
        with failing(at, way) as calls:
            try:
                act()
                gone_wrong = False
            except errors:
                pass
        if gone_wrong:
            yield calls[at]
        at += 1


def refusal(name: str) -> sqlite3.OperationalError:
    """What the database raises where it says no, by the name of its error code."""
    error = sqlite3.OperationalError(name)
    error.sqlite_errorname = name
    return error


def is_private(path: Path) -> bool:
    """Whether nobody but its owner may look into it."""
    return not stat.S_IMODE(path.stat().st_mode) & 0o077
