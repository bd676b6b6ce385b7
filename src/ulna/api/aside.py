"""Routes: documents that cannot be read. They are set aside, so that the rest works; here they are told and mended."""

from __future__ import annotations

from fastapi import APIRouter, Response
from pydantic import BaseModel

from ulna.api.at_home import AtHome
from ulna.household import care

router = APIRouter(prefix="/api", tags=["aside"])


class AsideOut(BaseModel):
    """A document that cannot be read, and why. `name` is empty where even that is not legible; `mends` where a state
    before can be brought back."""

    kind: str
    id: str
    name: str
    why: str
    mends: bool


@router.get("/aside")
def list_aside(home: AtHome) -> list[AsideOut]:
    return [
        AsideOut(kind=one.kind, id=one.id, name=one.name, why=one.why, mends=care.has_good_state(home, one))
        for one in home.aside()
    ]


@router.post("/aside/{kind}/{id}/back", status_code=204)
def bring_aside_back(kind: str, id: str, home: AtHome) -> Response:
    """Brings the last good state of a document back; what could not be read is kept in a file."""
    care.bring_back(home, kind, id)
    return Response(status_code=204)
