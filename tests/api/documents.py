"""Documents as a browser sends them, each with what a test wants otherwise."""

from __future__ import annotations

import io
from typing import Any

from fastapi.testclient import TestClient
from PIL import Image

CENTRED = {
    "across": {"edge": "centre", "by": "0 in", "of": None},
    "down": {"edge": "centre", "by": "0 in", "of": None},
    "stand": None,
    "flush": False,
}


def side(**more: Any) -> dict[str, Any]:
    return {"scale": "0 in", **more}


def sheet(id: str, count: int = 2, **more: Any) -> dict[str, Any]:
    return {"id": id, "name": id.title(), "width": "12 in", "height": "12 in", "count": count,
            "a": side(), "b": side(), **more}  # fmt: skip


def kit(*papers: dict[str, Any]) -> dict[str, Any]:
    return {"kit": {"name": "Towpath", "papers": list(papers)}}


def mat(border: str, paper: str | None = None) -> dict[str, Any]:
    borders = dict.fromkeys(("left", "top", "right", "bottom"), border)
    return {"borders": borders, "choice": {"paper": paper}}


def photo_part(id: str = "p", *mats: dict[str, Any], place: dict[str, Any] | None = None) -> dict[str, Any]:
    print_ = {"photo": None, "width": "4 in", "height": "6 in", "rim": "0 in"}
    return {
        "kind": "photo",
        "id": id,
        "print": print_,
        "mats": list(mats),
        "place": place or {"on": "left", **CENTRED},
    }


def page(*parts: dict[str, Any], pages: int = 1) -> dict[str, Any]:
    format_ = {"kind": "12x12", "width": "12 in", "height": "12 in", "pages": pages}
    return {"name": "Locks", "format": format_, "parts": list(parts)}


def jpeg(size: tuple[int, int] = (1200, 1800)) -> bytes:
    out = io.BytesIO()
    Image.new("RGB", size, "teal").save(out, "JPEG")
    return out.getvalue()


def picture(seed: int = 1, size: tuple[int, int] = (120, 180), quality: int = 90) -> bytes:
    """A picture that differs with its seed."""
    out = io.BytesIO()
    Image.effect_mandelbrot(size, (-2 + seed / 10, -1, 1, 1), 30).convert("RGB").save(out, "JPEG", quality=quality)
    return out.getvalue()


def send(api: TestClient, name: str, data: bytes) -> dict[str, Any]:
    answer = api.post("/api/photos", files={"file": (name, data)})
    assert answer.status_code == 201, answer.text
    return dict(answer.json())
