"""Routes: pages that travel with all that belongs to them, backups by a press, a page to be looked at."""

from __future__ import annotations

import shutil
import tempfile
from collections.abc import Iterator
from datetime import UTC, datetime
from pathlib import Path
from typing import Annotated, BinaryIO

from fastapi import APIRouter, File, Query, UploadFile
from fastapi.responses import StreamingResponse
from pydantic import BaseModel

from ulna.api.at_home import AtHome
from ulna.formats.documents import Doc
from ulna.household import backups, parcels
from ulna.household.parcels import TakenIn

router = APIRouter(prefix="/api", tags=["parcels"])

CHUNK = 1 << 20


class BackedUp(BaseModel):
    """When the household was last kept in a backup."""

    last: datetime | None


def _sent(file: BinaryIO, name: str) -> StreamingResponse:
    """A file that is gone once it is sent, in parts: it may be larger than what there is room for in memory."""
    size = file.seek(0, 2)
    file.seek(0)

    def parts() -> Iterator[bytes]:
        with file:
            while part := file.read(CHUNK):
                yield part

    plain = "".join(c if c.isascii() and (c.isalnum() or c in " .-_") else "_" for c in name)
    headers = {"Content-Disposition": f'attachment; filename="{plain}"', "Content-Length": str(size)}
    headers["Content-Encoding"] = "identity"  # it is packed already
    return StreamingResponse(parts(), media_type="application/zip", headers=headers)


@router.get("/parcels", response_class=StreamingResponse)
def pack_parcel(home: AtHome, page: Annotated[list[str] | None, Query(max_length=400)] = None) -> StreamingResponse:
    """Pages with their papers, photos, templates and cuts as one file; without any named, everything."""
    file = tempfile.TemporaryFile()  # noqa: SIM115  closed once it is sent
    try:
        parcels.pack(home, page, file)
    except BaseException:
        file.close()
        raise
    name = home.pages.get(page[0]).body.name if page and len(page) == 1 else "Ulna pages" if page else "Ulna"
    return _sent(file, f"{name}.ulna.zip")


@router.post("/parcels", status_code=201)
def take_parcel_in(file: Annotated[UploadFile, File()], home: AtHome) -> Doc[TakenIn]:
    """Takes a parcel in, or what is in a backup and not here."""
    with tempfile.TemporaryDirectory() as aside:
        arrived = Path(aside) / "parcel.zip"
        with arrived.open("wb") as out:
            shutil.copyfileobj(file.file, out, CHUNK)
        return parcels.take_in(home, arrived)


@router.get("/backup")
def last_backup(home: AtHome) -> BackedUp:
    return BackedUp(last=backups.last(home.library.home))


@router.get("/backup.zip", response_class=StreamingResponse)
def keep_backup(home: AtHome) -> StreamingResponse:
    """Everything in one file, history and pictures, read back and compared before it is sent."""
    aside = tempfile.TemporaryDirectory()
    try:
        packed = Path(aside.name) / "backup.zip"
        backups.keep(home, packed)
        file = packed.open("rb")
    finally:
        aside.cleanup()  # the open file is there until it is sent
    return _sent(file, f"Ulna {datetime.now(UTC):%Y-%m-%d}.zip")
