"""The application: the routes, how it refuses, and the interface that it ships."""

from __future__ import annotations

import contextlib
import gc
from collections.abc import AsyncIterator
from contextlib import asynccontextmanager
from pathlib import Path

from anyio import to_thread
from fastapi import FastAPI, Response
from fastapi.responses import FileResponse, JSONResponse
from fastapi.staticfiles import StaticFiles
from starlette.middleware.gzip import GZipMiddleware

from ulna import __version__
from ulna.api import (
    arranging,
    aside,
    book,
    building,
    checking,
    club,
    clusters,
    cutting,
    devices,
    drafts,
    evaluating,
    kits,
    letters,
    log,
    machining,
    pages,
    parcels,
    photos,
    printing,
    prints,
    settings,
    sketches,
    templates,
    things,
    together,
    usual,
    words,
)
from ulna.api import door as door_routes
from ulna.api.door import Door, Guard
from ulna.api.problems import REFUSALS, Problem, register
from ulna.core.errors import UlnaError
from ulna.household.home import Household
from ulna.household.searches import Searches

MODULES = (
    door_routes,
    aside,
    usual,
    settings,
    kits,
    letters,
    things,
    clusters,
    sketches,
    drafts,
    photos,
    templates,
    prints,
    printing,
    pages,
    parcels,
    evaluating,
    checking,
    club,
    arranging,
    cutting,
    devices,
    building,
    book,
    log,
    machining,
    together,
    words,
)
AT_ONCE = 150
"""So many requests are worked on side by side; those that wait for a plan or a picture keep no reader waiting."""

WEB = Path(__file__).parent.parent / "web"


def create_app(household: Household, door: Door = Door()) -> FastAPI:
    """The application over one household, and who may come in."""

    @asynccontextmanager
    async def lifespan(app: FastAPI) -> AsyncIterator[None]:
        app.state.household = household
        app.state.searches = Searches()
        to_thread.current_default_thread_limiter().total_tokens = AT_ONCE
        yield
        app.state.searches.close()

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
    app.state.door = door
    register(app)
    app.add_middleware(GZipMiddleware, minimum_size=2_000, compresslevel=3)
    app.add_middleware(Guard, door=door)
    for module in MODULES:
        app.include_router(module.router)
    _serve_interface(app)
    return app


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


def read_ahead(household: Household) -> None:
    """Works the long lists out before the first one asks: with twenty thousand photos that takes seconds, once, and
    from then on only what changes is worked out."""
    for ask in (kits.list_kits, pages.list_pages, photos.list_photos, book.get_book):
        with contextlib.suppress(UlnaError):  # who asks for it is told
            ask(household)


def steady() -> None:
    """Keeps the collector off what was loaded for good, and has it come by less often: a page being dragged makes
    thousands of small values an answer, and a pause to look through all of them is felt under the hand."""
    gc.collect()
    gc.freeze()
    gc.set_threshold(50_000, 20, 50)
