"""The application: the routes, how it refuses, and the interface that it ships."""

from __future__ import annotations

import gc
import secrets
from base64 import b64encode
from collections.abc import AsyncIterator, Callable
from contextlib import asynccontextmanager
from pathlib import Path
from urllib.parse import urlsplit

from fastapi import FastAPI, Request, Response
from fastapi.responses import FileResponse, JSONResponse
from fastapi.staticfiles import StaticFiles
from starlette.middleware.gzip import GZipMiddleware
from starlette.types import ASGIApp, Receive, Scope, Send

from ulna import __version__
from ulna.api import (
    arranging,
    book,
    cutting,
    evaluating,
    kits,
    pages,
    photos,
    printing,
    prints,
    settings,
    templates,
    together,
    usual,
)
from ulna.api.problems import REFUSALS, Problem, register
from ulna.household.home import Household
from ulna.household.searches import Searches

MODULES = (
    usual,
    settings,
    kits,
    photos,
    templates,
    prints,
    printing,
    pages,
    evaluating,
    arranging,
    cutting,
    book,
    together,
)
WEB = Path(__file__).parent.parent / "web"


def create_app(home: Path, passphrase: str | None = None, printer: str | None = None) -> FastAPI:
    """The application over one home folder; with a passphrase, every request must carry it.

    `printer` is the address of a photo printer.
    """

    @asynccontextmanager
    async def lifespan(app: FastAPI) -> AsyncIterator[None]:
        app.state.household = Household(home, printer)
        app.state.searches = Searches()
        yield
        app.state.searches.close()
        app.state.household.close()

    app = FastAPI(
        title="Ulna",
        version=__version__,
        lifespan=lifespan,
        docs_url=None,
        redoc_url=None,
        openapi_url="/api/openapi.json",
        generate_unique_id_function=lambda route: route.name,
        responses=REFUSALS,
    )
    register(app)
    app.add_middleware(GZipMiddleware, minimum_size=2_000)
    app.add_middleware(_Door, refusal=_from_elsewhere)
    if passphrase:
        app.add_middleware(_Door, refusal=_asks_for(passphrase))
    for module in MODULES:
        app.include_router(module.router)
    _serve_interface(app)
    return app


class _Door:
    """Lets a request through where `refusal` has nothing against it.

    Plain ASGI, so that a visitor who leaves in the middle of an answer leaves no trace.
    """

    def __init__(self, app: ASGIApp, refusal: Callable[[Request], Response | None]) -> None:
        self.app, self.refusal = app, refusal

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        refused = self.refusal(Request(scope)) if scope["type"] == "http" else None
        await (refused or self.app)(scope, receive, send)


def _from_elsewhere(request: Request) -> Response | None:
    """Another site open in the same browser must not write here."""
    origin = request.headers.get("origin")
    if request.method in ("GET", "HEAD") or not origin or urlsplit(origin).netloc == request.headers.get("host"):
        return None
    return JSONResponse(Problem(code="origin", sentence="this was asked by another site").model_dump(), 403)


def _asks_for(passphrase: str) -> Callable[[Request], Response | None]:
    wanted = "Basic " + b64encode(f"ulna:{passphrase}".encode()).decode()

    def check(request: Request) -> Response | None:
        if secrets.compare_digest(request.headers.get("authorization", "").encode(), wanted.encode()):
            return None
        return Response("user ulna, and the passphrase", 401, {"WWW-Authenticate": 'Basic realm="Ulna"'})

    return check


def _serve_interface(app: FastAPI) -> None:
    """The built interface; every address that is no file of it and no API opens it."""
    app.mount("/assets", StaticFiles(directory=WEB / "assets", check_dir=False), "assets")

    @app.get("/{path:path}", include_in_schema=False)
    def interface(path: str) -> Response:
        if path == "api" or path.startswith("api/"):
            return JSONResponse(Problem(code="not-there", sentence="there is no such address").model_dump(), 404)
        file = WEB / path
        if path and "." in path:
            if file.is_file() and file.resolve().is_relative_to(WEB.resolve()):
                return FileResponse(file)
            return Response("not found", 404)
        index = WEB / "index.html"
        if not index.is_file():
            return Response("The interface is not built yet: run make demo.", 503, media_type="text/plain")
        return FileResponse(index, headers={"Cache-Control": "no-cache"})


def steady() -> None:
    """Keeps the collector off what was loaded for good, and has it come by less often: a page being dragged makes
    thousands of small values an answer, and a pause to look through all of them is felt under the hand."""
    gc.collect()
    gc.freeze()
    gc.set_threshold(50_000, 20, 50)
