"""The cutting machine as a program: `ulna cutting-machine`."""

from __future__ import annotations

from collections.abc import AsyncIterator, Callable
from contextlib import asynccontextmanager
from pathlib import Path
from typing import Annotated, Literal

from fastapi import FastAPI, Query, Request
from fastapi.responses import HTMLResponse, JSONResponse, Response

from ulna.core.errors import UlnaError
from ulna.core.measure import parse
from ulna.machines.cutting_machine.line import Act
from ulna.machines.cutting_machine.words import CuttingMachine, Job
from ulna.standins.cutting_machine import drawing
from ulna.standins.cutting_machine.machine import Machine
from ulna.standins.cutting_machine.panel import PANEL

MOST_BYTES = 20_000_000


Side = Annotated[str, Query(max_length=40)]


async def _file(request: Request) -> bytes:
    data = bytearray()
    async for chunk in request.stream():
        data += chunk
        if len(data) > MOST_BYTES:
            break
    return bytes(data)


def create_cutting_machine(folder: Path, speed: float) -> FastAPI:
    """The requests it answers. What it cannot do it says in a sentence, with status 422."""
    machine = Machine(folder, speed)

    @asynccontextmanager
    async def lifespan(_app: FastAPI) -> AsyncIterator[None]:
        yield
        machine.switch_off()

    app = FastAPI(title="Cutting machine", lifespan=lifespan, docs_url=None, redoc_url=None)

    @app.exception_handler(UlnaError)
    def refuse(_request: Request, error: UlnaError) -> JSONResponse:
        return JSONResponse({"sentence": error.sentence}, 422)

    @app.get("/", response_class=HTMLResponse)
    def panel() -> str:
        return PANEL

    @app.get("/machine")
    def stands() -> CuttingMachine:
        return machine.stands()

    @app.post("/jobs", status_code=201)
    async def take(request: Request, width: Side, height: Side, name: str = "outlines") -> Job:
        return machine.take(name, parse(width), parse(height), await _file(request))

    @app.post("/look")
    async def look(request: Request, width: Side, height: Side, name: str = "outlines") -> Job:
        return machine.look(name, parse(width), parse(height), await _file(request))

    @app.get("/jobs/{id}")
    def job(id: str) -> Job:
        return machine.job(id)

    @app.post("/jobs/{id}/{act}")
    def tell(id: str, act: Act) -> Job:
        told: dict[str, Callable[[str], Job]] = {
            "pause": machine.pause, "resume": machine.resume, "cancel": machine.cancel,
        }  # fmt: skip
        return told[act](id)

    @app.get("/jobs/{id}/tray.svg")
    def tray(id: str) -> Response:
        return Response(drawing.tray(machine.job(id)), media_type="image/svg+xml")

    @app.post("/hands/{what}")
    def hand(what: Literal["straighten", "blade", "empty", "slip", "wear"]) -> CuttingMachine:
        done: dict[str, Callable[[], CuttingMachine]] = {
            "straighten": machine.straighten, "blade": machine.new_blade, "empty": machine.empty,
            "slip": machine.slip, "wear": machine.wear,
        }  # fmt: skip
        return done[what]()

    return app


def serve(folder: Path, port: int, speed: float) -> None:
    """Switches it on and says where it listens."""
    import uvicorn

    config = uvicorn.Config(create_cutting_machine(folder, speed), host="127.0.0.1", port=port, log_level="warning")
    listening = config.bind_socket()
    print(f"The cutting machine is on at http://127.0.0.1:{listening.getsockname()[1]}", flush=True)
    uvicorn.Server(config).run(sockets=[listening])
