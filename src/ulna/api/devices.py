"""Routes: other devices, the address at which they find this household, and what has changed since they looked."""

from __future__ import annotations

from fastapi import APIRouter, Request
from pydantic import BaseModel

from ulna.api.at_home import AtHome

router = APIRouter(prefix="/api", tags=["devices"])


class ChangesOut(BaseModel):
    """For each kind of document a number that is another one once a document of it has changed."""

    kinds: dict[str, int]


class AddressOut(BaseModel):
    """An address at which another device opens the household, and a picture of it for its camera (SVG)."""

    address: str
    qr: str


class DevicesOut(BaseModel):
    """`addresses` is empty where only this machine can open it; `says` what would do."""

    addresses: list[AddressOut]
    says: str


ALONE = (
    "Only this machine can open it. End Ulna and start it with ulna serve --host 0.0.0.0: every other device on your "
    "network can then, with the passphrase that it shows."
)


@router.get("/changes")
def get_changes(home: AtHome) -> ChangesOut:
    """How everything stands; asked again and again by every window that is looked at."""
    kinds = list(home.documents)
    return ChangesOut(kinds=dict(zip(kinds, home.library.stamps(kinds), strict=True)))


@router.get("/devices")
def get_devices(request: Request, home: AtHome) -> DevicesOut:
    """Where another device finds this household."""
    reached: tuple[str, ...] = getattr(request.app.state, "reached", ())
    return DevicesOut(
        addresses=[AddressOut(address=one, qr=_qr(one)) for one in reached], says="" if reached else ALONE
    )


def _qr(address: str) -> str:
    import segno

    code = segno.make(address, error="m", micro=False)
    return str(code.svg_inline(scale=4, border=3, dark="#1c2430", light="#ffffff", omitsize=True))
