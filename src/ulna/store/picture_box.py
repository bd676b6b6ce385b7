"""Pictures as files: for each id a folder with the file as it came and the copies for the screen."""

from __future__ import annotations

import os
import shutil
from collections.abc import Callable
from pathlib import Path
from typing import BinaryIO, Literal

from ulna.store.errors import NotThere
from ulna.store.ids import new_id

Copy = Literal["original", "view", "thumb"]
MOST_LOOKS = 12
"""So many looks of one copy are kept at hand; they can be made again at any time."""


class PictureBox:
    """The pictures under one folder. A picture is there whole or not at all."""

    def __init__(self, folder: Path) -> None:
        self.folder = folder
        for left_over in folder.glob(".*"):  # of a stop in the middle of something
            shutil.rmtree(left_over) if left_over.is_dir() else left_over.unlink()

    def arrive(self, stream: BinaryIO, most: int) -> Path:
        """Writes what comes in, `most` + 1 bytes at the most, to a file that does not count yet; `put` or unlink
        it.
        """
        self.folder.mkdir(parents=True, exist_ok=True)
        file = self.folder / f".{new_id('in')}"
        try:
            with file.open("wb") as out:
                left = most + 1
                while left > 0 and (chunk := stream.read(min(left, 1 << 20))):
                    out.write(chunk)
                    left -= len(chunk)
        except OSError:
            file.unlink(missing_ok=True)
            raise
        return file

    def put(self, id: str, original: Path, suffix: str, view: bytes, thumb: bytes) -> None:
        """Keeps a picture that arrived. The folder gets its name last: a stop half way leaves nothing."""
        making = self.folder / f".{id}"
        try:
            making.mkdir(exist_ok=True)
            for name, data in (("view.jpg", view), ("thumb.jpg", thumb)):
                (making / name).write_bytes(data)
            os.replace(original, making / f"original.{suffix}")
            os.replace(making, self.folder / id)
        except OSError:
            shutil.rmtree(making, ignore_errors=True)
            raise

    def drop(self, id: str) -> None:
        """Throws a picture away that no document speaks of."""
        shutil.rmtree(self.folder / id, ignore_errors=True)

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

    def _keep(self, file: Path, data: bytes, like: str) -> None:
        """Writes a file that can be made again, and lets the oldest ones like it go."""
        kept = sorted(file.parent.glob(like), key=lambda f: f.stat().st_mtime)
        for old in kept[: max(0, len(kept) - MOST_LOOKS + 1)]:
            old.unlink(missing_ok=True)
        new = file.with_name(f".{new_id('new')}")
        new.write_bytes(data)
        os.replace(new, file)

    def _folder(self, id: str) -> Path:
        folder = self.folder / id
        if Path(id).name != id or id.startswith(".") or not folder.is_dir():
            raise NotThere("picture", id)
        return folder
