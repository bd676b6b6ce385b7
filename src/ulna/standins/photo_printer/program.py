"""The printer as a program: `ulna printer` or `python -m ulna.standins.photo_printer.program`."""

from __future__ import annotations

from collections.abc import AsyncIterator
from contextlib import asynccontextmanager
from pathlib import Path

from fastapi import FastAPI, Request
from fastapi.responses import JSONResponse, Response

from ulna.core.errors import UlnaError
from ulna.machines.photo_printer.words import Job, Loaded, Printer
from ulna.standins.photo_printer.machine import Machine

MOST_BYTES = 600_000_000


def create_printer(folder: Path, seconds_a_sheet: float) -> FastAPI:
    """The requests it answers. What it cannot do it says in a sentence, with status 422."""
    machine = Machine(folder, seconds_a_sheet)

    @asynccontextmanager
    async def lifespan(_app: FastAPI) -> AsyncIterator[None]:
        yield
        machine.switch_off()

    app = FastAPI(title="Photo printer", lifespan=lifespan, docs_url=None, redoc_url=None)

    @app.exception_handler(UlnaError)
    def refuse(_request: Request, error: UlnaError) -> JSONResponse:
        return JSONResponse({"sentence": error.sentence}, 422)

    @app.get("/printer")
    def stands() -> Printer:
        return machine.stands()

    @app.post("/jobs", status_code=201)
    async def take(request: Request, name: str = "prints") -> Job:
        data = bytearray()
        async for chunk in request.stream():
            data += chunk
            if len(data) > MOST_BYTES:
                break
        return machine.take(name, bytes(data))

    @app.get("/jobs/{id}")
    def job(id: str) -> Job:
        return machine.job(id)

    @app.post("/jobs/{id}/cancel")
    def cancel(id: str) -> Job:
        return machine.cancel(id)

    @app.get("/jobs/{id}/tray.pdf")
    def tray(id: str) -> Response:
        return Response(machine.tray(id), media_type="application/pdf")

    @app.put("/paper")
    def load(paper: Loaded) -> Printer:
        return machine.load(paper)

    @app.put("/jam")
    def jam() -> Printer:
        return machine.jam()

    @app.delete("/jam")
    def clear() -> Printer:
        return machine.jam(False)

    return app


def serve(folder: Path, port: int, seconds_a_sheet: float) -> None:
    """Switches it on and says where it listens."""
    import uvicorn

    config = uvicorn.Config(
        create_printer(folder, seconds_a_sheet), host="127.0.0.1", port=port, log_level="warning"
    )
    listening = config.bind_socket()
    print(f"The photo printer is on at http://127.0.0.1:{listening.getsockname()[1]}", flush=True)
    uvicorn.Server(config).run(sockets=[listening])
