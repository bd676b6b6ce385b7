"""Pictures as files: for each id a folder with the file as it came and the copies for the screen."""

from __future__ import annotations

import os
import re
import threading
from collections.abc import Callable, Collection, Iterator
from contextlib import ExitStack, contextmanager
from pathlib import Path
from typing import BinaryIO, Literal

from ulna.store import disk
from ulna.store.errors import NotThere
from ulna.store.ids import new_id

Copy = Literal["original", "view", "thumb"]
MOST_LOOKS = 12
"""So many looks of one copy are kept at hand; they can be made again at any time."""

ID = re.compile(r"[a-z]+-[0-9a-z-]{1,60}")
"""What a picture's folder is called."""


class PictureBox:
    """The pictures under one folder. A picture is there whole or not at all, and on the disk once it is told.

    What arrives has a folder of its own, locked for as long as this box is open: another program that opens the
    household throws away only what nobody holds any more.
    """

    def __init__(self, folder: Path) -> None:
        self.folder = folder
        self._arriving: Path | None = None
        self._lock = ExitStack()
        self._first = threading.Lock()
        if folder.is_dir():
            self._sweep()

    def close(self) -> None:
        """Lets go of what arrived and came to nothing."""
        if self._arriving is not None:
            disk.remove(self._arriving)
            self._arriving = None
        self._lock.close()

    def arrive(self, stream: BinaryIO, most: int) -> Path:
        """Writes what comes in, `most` + 1 bytes at the most, to a file that does not count yet; `put` or unlink it.

        It is synced: what is named by `put` later lies on the disk.
        """
        file = self._arrivals() / new_id("in")
        try:
            with file.open("xb") as out:
                left = most + 1
                while left > 0 and (chunk := stream.read(min(left, 1 << 20))):
                    disk.write(out, chunk)
                    left -= len(chunk)
                disk.sync(out)
        except OSError:
            file.unlink(missing_ok=True)
            raise
        return file

    def put(self, id: str, original: Path, suffix: str, view: bytes, thumb: bytes) -> None:
        """Keeps a picture that arrived, in place of one of the same id. The folder gets its name last, when all that is
        in it lies on the disk: a stop half way leaves nothing, and what was there before."""
        making, place = self._arrivals() / id, self.folder / id
        heals = place.exists()
        try:
            making.mkdir(exist_ok=True)
            for name, data in (("view.jpg", view), ("thumb.jpg", thumb)):
                with (making / name).open("wb") as out:
                    disk.write(out, data)
                    disk.sync(out)
            disk.rename(original, making / f"original.{suffix}")
            disk.sync_folder(making)
            if heals:
                disk.rename(place, self._arrivals() / f"{id}-{new_id('was')}")
            disk.rename(making, place)
            disk.sync_folder(self.folder)
        except OSError:
            disk.remove(making)
            if not heals:
                disk.remove(place)
            raise

    def drop(self, id: str) -> None:
        """Throws a picture away that no document speaks of."""
        disk.remove(self.folder / id)

    @contextmanager
    def recording(self) -> Iterator[None]:
        """While a picture is put and its record is written, nobody sweeps."""
        self._arrivals()
        with disk.held(self.folder, shared=True):
            yield

    def sweep(self, known: Callable[[], Collection[str]]) -> list[str]:
        """Throws away the pictures that no document speaks of, unless somebody is recording one; which those were."""
        if not self.folder.is_dir():
            return []
        with disk.held(self.folder, wait=False) as alone:
            if not alone:
                return []
            there = [name for name in self.ids() if not name.startswith("sheet-")]
            if not there:
                return []
            speak = known()
            gone = [name for name in there if name not in speak]
            for name in gone:
                disk.remove(self.folder / name)
            return gone

    def ids(self) -> list[str]:
        """The pictures that there are."""
        if not self.folder.is_dir():
            return []
        return sorted(one.name for one in os.scandir(self.folder) if one.is_dir() and ID.fullmatch(one.name))

    def path(self, id: str, copy: Copy) -> Path:
        """The file of a copy. Raises `NotThere`."""
        folder = self._folder(id)
        for file in folder.iterdir():
            if file.stem == copy:
                return file
        raise NotThere("picture", id)

    def looked(self, id: str, copy: Copy, look: str, make: Callable[[bytes], bytes]) -> Path:
        """A copy in a look, made from the plain copy where it is not at hand. Raises `NotThere`."""
        plain = self.path(id, copy)
        file = plain.with_name(f"{copy}@{look}.jpg")
        if not file.exists():
            self._keep(file, make(plain.read_bytes()), f"{copy}@*")
        return file

    def composed(self, id: str, name: str, make: Callable[[], bytes]) -> Path:
        """A picture made of others, made anew where it is not at hand under that name."""
        file = self.folder / id / name
        if not file.exists():
            data = make()
            file.parent.mkdir(parents=True, exist_ok=True)
            self._keep(file, data, f"{name.partition('@')[0]}@*")
        return file

    def again(self, id: str, copy: Literal["view", "thumb"], data: bytes) -> None:
        """A copy for the screen made anew. Raises `NotThere`."""
        disk.put(self._folder(id) / f"{copy}.jpg", data)

    def _keep(self, file: Path, data: bytes, like: str) -> None:
        """Writes a file that can be made again, and lets the oldest ones like it go."""
        kept = sorted(file.parent.glob(like), key=lambda f: f.stat().st_mtime)
        for old in kept[: max(0, len(kept) - MOST_LOOKS + 1)]:
            old.unlink(missing_ok=True)
        new = self._arrivals() / new_id("new")
        new.write_bytes(data)
        os.replace(new, file)

    def _folder(self, id: str) -> Path:
        if not ID.fullmatch(id) or not (self.folder / id).is_dir():
            raise NotThere("picture", id[:80])
        return self.folder / id

    # ---- what arrives ----------------------------------------------------------------------------------

    def _arrivals(self) -> Path:
        """The folder of what arrives here, made and locked on first use."""
        with self._first:
            if self._arriving is None:
                if not self.folder.is_dir():
                    self.folder.mkdir(parents=True, exist_ok=True, mode=0o700)
                    disk.sync_folder(self.folder.parent)
                folder = self.folder / f".{new_id('arriving')}"
                with disk.held(self.folder, shared=True):  # nobody sweeps it before it is locked
                    folder.mkdir(mode=0o700)
                    self._lock.enter_context(disk.held(folder))
                self._arriving = folder
            return self._arriving

    def _sweep(self) -> None:
        """Throws away what arrived for programs that are gone."""
        with disk.held(self.folder, wait=False) as alone:
            if not alone:
                return
            for left_over in self.folder.glob(".*"):
                if not left_over.is_dir():
                    disk.remove(left_over)
                    continue
                with disk.held(left_over, wait=False) as free:
                    if free:
                        disk.remove(left_over)
