"""What more than one router says: how a document stands, what was done, which recipe is asked about, files."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Any

from fastapi.responses import Response
from pydantic import BaseModel, Field

from ulna.core.page.plan import PagePlan
from ulna.formats.documents import Doc
from ulna.store.states import Kept


class Saved(BaseModel):
    """How a document stands. `undo` says what a step back takes back, `redo` what a step forward does again."""

    id: str
    version: int
    what: str
    undo: str | None
    redo: str | None
    changed: datetime


def saved(kept: Kept[Any]) -> Saved:
    return Saved(
        id=kept.id, version=kept.version, what=kept.what, undo=kept.undo, redo=kept.redo, changed=kept.changed
    )


class Step(BaseModel):
    """Asks for a step back or forward from the version that is on the screen."""

    version: int


What = Annotated[str, Field(min_length=1, max_length=200)]


class Edit(BaseModel):
    """A document as it shall stand: what was done, from the version on the screen. Quick edits of one series are one
    step of undo."""

    what: What
    series: Annotated[str, Field(max_length=200)] | None = None
    version: int = 0


class PageAsked(BaseModel):
    """A recipe to work out; `id` is the page's where it is kept, so that its own cut sheets count as its own."""

    page: Doc[PagePlan]
    id: str | None = None


def attachment(content: bytes, name: str, media: str) -> Response:
    """A file to keep; its name without what a file name cannot have."""
    plain = "".join(c if c.isascii() and (c.isalnum() or c in " .-_") else "_" for c in name)
    return Response(content, media_type=media, headers={"Content-Disposition": f'attachment; filename="{plain}"'})
