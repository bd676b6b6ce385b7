"""The door: who may ask, under which name, how much at once, and what a browser is told about what it gets.

Plain ASGI, so that a visitor who leaves in the middle of an answer leaves no trace.
"""

from __future__ import annotations

import ipaddress
import socket
from dataclasses import dataclass
from typing import Annotated
from urllib.parse import urlsplit

from fastapi import APIRouter, Request, Response
from fastapi.responses import JSONResponse
from pydantic import BaseModel, Field
from starlette.exceptions import HTTPException
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from ulna.api.problems import Problem
from ulna.formats.limits import MOST_PICTURE_BYTES
from ulna.household.keeper import MOST_CHARACTERS, SESSION_DAYS, Keeper

router = APIRouter(prefix="/api", tags=["door"])

THIS_MACHINE = frozenset({"localhost", "127.0.0.1", "::1"})
COOKIE = "ulna-session"

MOST_BODY = 10_000_000
MOST_UPLOAD = MOST_PICTURE_BYTES + 100_000
MOST_PARCEL = 4_000_000_000
"""Bytes of a request: of a document, and of a form with a file."""

MOST_ADDRESS = 4_000
"""Characters of a path with its question."""

SAFE = {
    b"content-security-policy": b"default-src 'none'; script-src 'self'; style-src 'self' 'unsafe-inline'; "
    b"img-src 'self' data: blob:; font-src 'self'; connect-src 'self'; manifest-src 'self'; "
    b"base-uri 'none'; form-action 'none'; frame-ancestors 'none'",
    b"x-content-type-options": b"nosniff",
    b"x-frame-options": b"DENY",
    b"cross-origin-resource-policy": b"same-origin",
    b"cross-origin-opener-policy": b"same-origin",
    b"referrer-policy": b"no-referrer",
}
"""Only what the application ships runs; styles are made in the page by its parts."""


@dataclass(frozen=True, slots=True)
class Door:
    """`names` are those under which this application may be asked besides those of this machine; with a `keeper`
    everybody signs in. `secure` where the connection is."""

    names: frozenset[str] = frozenset()
    keeper: Keeper | None = None
    secure: bool = False


# ---- what is asked at the door ---------------------------------------------------------------------


class DoorOut(BaseModel):
    """Whether a passphrase is asked here, and whether this visitor is in."""

    asks: bool
    inside: bool


class SignIn(BaseModel):
    passphrase: Annotated[str, Field(min_length=1, max_length=MOST_CHARACTERS)]


@router.get("/door")
def get_door(request: Request) -> DoorOut:
    door: Door = request.app.state.door
    return DoorOut(asks=door.keeper is not None, inside=_is_in(door, request))


@router.post("/door/in", status_code=204)
def sign_in(asked: SignIn, request: Request) -> Response:
    """Lets a visitor in who knows the passphrase. 401 where it is wrong, 429 where a try comes too soon."""
    door: Door = request.app.state.door
    answer = Response(status_code=204)
    if door.keeper is not None:
        token = door.keeper.sign_in(asked.passphrase, request.client.host if request.client else "")
        answer.set_cookie(
            COOKIE, token, SESSION_DAYS * 86_400, httponly=True, samesite="strict", secure=door.secure, path="/"
        )
    return answer


@router.post("/door/out", status_code=204)
def sign_out(request: Request) -> Response:
    door: Door = request.app.state.door
    if door.keeper is not None:
        door.keeper.sign_out(request.cookies.get(COOKIE, ""))
    answer = Response(status_code=204)
    answer.delete_cookie(COOKIE, path="/", httponly=True, samesite="strict", secure=door.secure)
    return answer


def _is_in(door: Door, request: Request) -> bool:
    return door.keeper is None or door.keeper.knows(request.cookies.get(COOKIE, ""))


# ---- what stands before every route ----------------------------------------------------------------

OPEN = ("/api/door", "/api/door/in", "/api/door/out")
"""What is answered before one is in, besides the interface itself, which holds nothing of the household."""


class Guard:
    """Lets a request through that nothing is said against, and puts what is `SAFE` on every answer."""

    def __init__(self, app: ASGIApp, door: Door) -> None:
        self.app, self.door = app, door
        self.names = THIS_MACHINE | {name.lower() for name in door.names}

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        if scope["type"] != "http":
            await self.app(scope, receive, send)
            return

        async def safely(message: Message) -> None:
            if message["type"] == "http.response.start":
                there = {name for name, _ in message["headers"]}
                message["headers"] = [*message["headers"], *((n, v) for n, v in SAFE.items() if n not in there)]
            await send(message)

        request = Request(scope)
        refused = self._against(request)
        if refused is not None:
            await refused(scope, receive, safely)
            return
        await self.app(scope, _Counted(receive, _most(request)), safely)

    def _against(self, request: Request) -> Response | None:
        host = request.headers.get("host", "")
        if not self._is_ours(host, request.scope.get("server")):
            told = f"this Ulna is not called {host[:80]!r}; open it by its own name, or start it with --name"
            return _refusal(421, "host", told)
        if len(request.scope["raw_path"]) + len(request.scope["query_string"]) > MOST_ADDRESS:
            return _refusal(414, "address", f"an address has at most {MOST_ADDRESS} characters")
        length = request.headers.get("content-length", "0")
        if not length.isdigit() or int(length) > _most(request):
            return _refusal(
                413, "size", f"this is larger than {_most(request) / 1e6:.0f} MB, or does not say its size"
            )
        origin = request.headers.get("origin")
        if request.method not in ("GET", "HEAD") and origin and urlsplit(origin).netloc != host:
            return _refusal(403, "origin", "this was asked by another site")
        path = request.url.path
        if path.startswith("/api") and path not in OPEN and not _is_in(self.door, request):
            return _refusal(401, "passphrase", "sign in with the household's passphrase")
        return None

    def _is_ours(self, host: str, server: tuple[str, int] | None) -> bool:
        """Whether a request is for a name of this machine: a page elsewhere may point its own name here."""
        try:
            name = urlsplit(f"//{host}").hostname or ""
        except ValueError:
            return False
        if name in self.names:
            return True
        try:  # the number of the machine itself is no name that anybody could point
            return server is not None and ipaddress.ip_address(name) == ipaddress.ip_address(server[0])
        except ValueError:
            return False


def names_of(host: str, names: list[str]) -> frozenset[str]:
    """The names under which an application that listens at a host may be asked."""
    if host in THIS_MACHINE:
        return frozenset(names)
    own = {socket.gethostname().lower(), socket.getfqdn().lower()}
    return frozenset(names) | own | ({host} if host not in ("0.0.0.0", "::") else set())


class TooMuch(HTTPException):
    """More is coming in than may."""

    def __init__(self, most: int) -> None:
        super().__init__(413, f"this is larger than {most / 1e6:.0f} MB")


class _Counted:
    """Receives a request, `most` bytes of it."""

    def __init__(self, receive: Receive, most: int) -> None:
        self.receive, self.most, self.came = receive, most, 0

    async def __call__(self) -> Message:
        message = await self.receive()
        self.came += len(message.get("body", b""))
        if self.came > self.most:
            raise TooMuch(self.most)
        return message


def _most(request: Request) -> int:
    form = request.headers.get("content-type", "").startswith("multipart/form-data")
    if form and request.url.path == "/api/parcels":
        return MOST_PARCEL
    return MOST_UPLOAD if form else MOST_BODY


def _refusal(status: int, code: str, sentence: str) -> JSONResponse:
    return JSONResponse(Problem(code=code, sentence=sentence).model_dump(), status)
