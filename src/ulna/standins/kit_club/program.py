"""The club's service as a program: `ulna club`. It corrects a kit where it is told to, to see what happens then."""

from __future__ import annotations

import io
import random
from pathlib import Path

from fastapi import FastAPI
from fastapi.responses import JSONResponse, Response

from ulna.formats.documents import as_text, read_json
from ulna.formats.kit_feed import Offer
from ulna.standins.kit_club import kits

PIXELS = 600


def create_club(folder: Path) -> FastAPI:
    """The documents it publishes. Corrected kits lie in its folder."""
    folder.mkdir(parents=True, exist_ok=True)
    offers = {code: _kept(folder, code) or offer for code, offer in kits.OFFERS.items()}
    app = FastAPI(title="Kit club", docs_url=None, redoc_url=None)

    @app.get("/feed.json")
    def feed() -> Response:
        return Response(as_text(kits.feed(offers)), media_type="application/json")

    @app.get("/kits/{code}.json")
    def kit(code: str) -> Response:
        if code not in offers:
            return JSONResponse({"sentence": f"the club has no kit {code[:40]}; look at its list"}, 404)
        return Response(as_text(offers[code]), media_type="application/json")

    @app.get("/pictures/frosted-reeds.png")
    def picture() -> Response:
        return Response(_reeds(), media_type="image/png")

    @app.post("/correct/{code}")
    def correct(code: str) -> Response:
        """The club finds out that a kit was listed wrongly."""
        if code not in offers:
            return JSONResponse({"sentence": "there is no such kit; look at the list"}, 404)
        offers[code] = kits.corrected(offers[code])
        (folder / f"{code}.json").write_text(as_text(offers[code]), "utf-8")
        return kit(code)

    return app


def _kept(folder: Path, code: str) -> Offer | None:
    file = folder / f"{code}.json"
    return read_json(Offer, file.read_bytes()) if file.exists() else None


def _reeds() -> bytes:
    """The sheet as it lies in the box: reeds white with frost."""
    from PIL import Image, ImageDraw

    dice, picture = random.Random(11), Image.new("RGB", (PIXELS, PIXELS), kits.FROST)
    draw = ImageDraw.Draw(picture)
    for _ in range(150):
        x, foot, high = dice.randint(0, PIXELS), dice.randint(60, PIXELS + 80), dice.randint(60, 190)
        lean, shade = dice.randint(-22, 22), dice.choice(["#aebcc2", "#ffffff", "#93a8ad", "#c9d6d9"])
        draw.line([(x, foot), (x + lean // 3, foot - high // 2), (x + lean, foot - high)], shade, 3)
        draw.ellipse([x + lean - 4, foot - high - 22, x + lean + 4, foot - high], shade)
    out = io.BytesIO()
    picture.save(out, "PNG")
    return out.getvalue()


def serve(folder: Path, port: int) -> None:
    """Opens the club and says where it listens."""
    import uvicorn

    config = uvicorn.Config(create_club(folder), host="127.0.0.1", port=port, log_level="warning")
    listening = config.bind_socket()
    print(f"The kit club is at http://127.0.0.1:{listening.getsockname()[1]}", flush=True)
    uvicorn.Server(config).run(sockets=[listening])
