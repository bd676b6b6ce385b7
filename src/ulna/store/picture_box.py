"""Pictures as files: for each id a folder with the file as it came and the copies for the screen."""

from __future__ import annotations

import os
from pathlib import Path
from typing import Literal

from ulna.store.errors import NotThere

Copy = Literal["original", "view", "thumb"]


class PictureBox:
    """The pictures under one folder. A picture is there whole or not at all."""

    def __init__(self, folder: Path) -> None:
        self.folder = folder

    def put(self, id: str, original: bytes, suffix: str, view: bytes, thumb: bytes) -> None:
        """Keeps a picture. The folder gets its name last, so a stop half way leaves nothing behind that counts."""
        self.folder.mkdir(parents=True, exist_ok=True)
        making = self.folder / f".{id}"
        making.mkdir(exist_ok=True)
        for name, data in ((f"original.{suffix}", original), ("view.jpg", view), ("thumb.jpg", thumb)):
            (making / name).write_bytes(data)
        os.replace(making, self.folder / id)

    def path(self, id: str, copy: Copy) -> Path:
        """The file of a copy. Raises `NotThere`."""
        folder = self.folder / id
        if Path(id).name == id and not id.startswith(".") and folder.is_dir():
            for file in folder.iterdir():
                if file.stem == copy:
                    return file
        raise NotThere("picture", id)
