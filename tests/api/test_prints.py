"""Prints over HTTP: templates, the list, its sheets as files, and the photo printer."""

from __future__ import annotations

import io
import time
from collections.abc import Callable, Iterator
from pathlib import Path
from typing import Any

import pytest
from fastapi.testclient import TestClient
from PIL import Image, ImageChops
from pypdf import PdfReader

from tests.api.client import client_of
from tests.api.documents import page, photo_part, picture, send
from tests.standins.program import Program
from ulna.core.measure import parse
from ulna.household.outside import Outside
from ulna.standins.photo_printer.program import create_printer


def wanted(photo: str, width: str = "4 in", height: str = "6 in", **more: Any) -> dict[str, Any]:
    print_ = {"photo": photo, "width": width, "height": height, "rim": "0 in"}
    return {"id": f"p-{photo}-{width}", "print": print_, "copies": 1} | more


def put_list(api: TestClient, *prints: dict[str, Any]) -> dict[str, Any]:
    kept = api.get("/api/prints").json()
    body = {"prints": kept["prints"] | {"wanted": list(prints)}, "version": kept["saved"]["version"]}
    answer = api.put("/api/prints", json=body)
    assert answer.status_code == 200, answer.text
    return dict(answer.json())


@pytest.fixture
def photo(api: TestClient) -> str:
    return str(send(api, "heron.jpg", picture(size=(600, 900)))["photo"]["saved"]["id"])


def test_the_prints_of_a_page_come_onto_the_list(api: TestClient, photo: str) -> None:
    """A second time they take the place of the first; one over the gutter knows where it will be cut."""
    part = photo_part()
    part["print"]["photo"] = photo
    part["place"] |= {"on": "spread"}
    id = api.post("/api/pages", json={"page": page(part, pages=2)}).json()["saved"]["id"]
    for _ in range(2):
        version = api.get("/api/prints").json()["saved"]["version"]
        kept = api.post(f"/api/prints/of-page/{id}", json={"version": version}).json()
    (one,) = kept["prints"]["wanted"]
    assert (one["page"], one["cut_at"]) == (id, "2 in")
    assert list(kept["names"].values()) == ["heron"] and list(kept["says"].values()) == ["4 × 6 upright"]
    back = api.post("/api/prints/undo", json={"version": kept["saved"]["version"]}).json()
    assert back["saved"]["redo"] == "wanted the prints of Locks"


def test_sheets_as_pdf_and_as_pictures(api: TestClient, photo: str) -> None:
    """A page for each sheet at its size; one picture of 300 pixels an inch."""
    put_list(api, wanted(photo, copies=3))
    assert (
        len(api.post("/api/prints/plan", json={"prints": api.get("/api/prints").json()["prints"]}).json()["sheets"])
        == 2
    )
    pages = PdfReader(io.BytesIO(api.get("/api/prints/sheets.pdf").content)).pages
    assert [(float(p.mediabox.width), float(p.mediabox.height)) for p in pages] == [(612, 792)] * 2
    assert "heron, 4 × 6" in pages[0].extract_text()
    assert Image.open(io.BytesIO(api.get("/api/prints/sheets/1.png").content)).size == (2550, 3300)
    assert api.get("/api/prints/sheets/9.png").status_code == 404


def test_nothing_wanted_is_no_sheet(api: TestClient) -> None:
    """Said, and nothing is written."""
    answer = api.get("/api/prints/sheets.pdf")
    assert answer.status_code == 422
    assert answer.json()["sentence"] == "prints: no print is wanted; add prints, and choose a paper for them"


def test_a_template_is_a_picture_that_changes_with_its_photos(api: TestClient, photo: str) -> None:
    """Six small ones, printed as one; lightened, its picture has another address."""
    template = {"name": "six", "rows": 3, "columns": 2, "cells": [{"photo": photo}] * 6}
    made = api.post("/api/templates", json={"template": template}).json()
    assert len(made["places"]) == 6 and made["cell"] == "1 13/16 × ~ 1 13/16"
    id = made["saved"]["id"]
    view = Image.open(io.BytesIO(api.get(f"/api/pictures/{id}/view{made['query']}").content))
    assert view.width / view.height == pytest.approx(4 / 6, abs=0.01)
    assert view.getpixel((2, 2)) == (255, 255, 255)
    kept = api.get("/api/photos").json()[0]
    look = {"turn": 0, "straighten": 0, "black_and_white": False, "lighten": 50}
    body = {"photo": kept["photo"] | {"look": look}, "version": 1, "what": "x"}
    api.put(f"/api/photos/{photo}", json=body)
    (again,) = api.get("/api/templates").json()
    assert again["query"] != made["query"]
    put_list(api, wanted(id))
    sheet = Image.open(io.BytesIO(api.get("/api/prints/sheets/1.png").content)).convert("L")
    assert sheet.getextrema()[0] < 200


def red(size: tuple[int, int] = (600, 600)) -> bytes:
    out = io.BytesIO()
    Image.new("RGB", size, (200, 30, 30)).save(out, "JPEG", quality=95)
    return out.getvalue()


def test_a_shape_is_printed_with_its_rim_and_its_look(api: TestClient) -> None:
    """A black-and-white circle beside one in colour, from one photo: white at the corner and in the rim."""
    photo = send(api, "red.jpg", red())["photo"]["saved"]["id"]
    round_ = {"photo": photo, "width": "3 in", "height": "3 in", "rim": "1/8 in", "shape": "circle"}
    kept = put_list(api, {"id": "a", "print": round_ | {"tone": "black and white"}}, {"id": "b", "print": round_})
    plan = api.post("/api/prints/plan", json={"prints": kept["prints"]}).json()
    sheet = Image.open(io.BytesIO(api.get("/api/prints/sheets/1.png").content)).convert("RGB")
    for placed in plan["sheets"][0]["placed"]:
        left, top = (float(parse(placed["at"][side]).inches) * 300 for side in ("x", "y"))
        middle, rim, corner = (
            sheet.getpixel((round(left + dx * 300), round(top + dy * 300)))
            for dx, dy in ((1.5, 1.5), (0.0625, 1.5), (0.1, 0.1))
        )
        assert rim == corner == (255, 255, 255)
        r, g, b = middle  # type: ignore[misc]
        assert (r > 180 and g < 60) if placed["wanted"] == "b" else abs(r - g) < 3 > abs(g - b)


def test_a_rim_cut_off_later_is_still_printed(api: TestClient) -> None:
    """The print comes out with it; heavier below stays heavier below."""
    photo = send(api, "red.jpg", red())["photo"]["saved"]["id"]
    rims = {"rim": "1/4 in", "below": "1 in", "rim_off": True}
    put_list(api, {"id": "a", "print": {"photo": photo, "width": "3 in", "height": "4 in"} | rims})
    data = api.get("/api/prints/sheets/1.png").content
    sheet = Image.open(io.BytesIO(data)).convert("RGB")
    strong = sheet.split()[1].point(lambda v: 255 if v < 80 else 0)
    dark = sheet.split()[0].point(lambda v: 255 if v > 150 else 0)
    box = ImageChops.multiply(strong, dark).getbbox()
    assert box is not None
    assert ({box[2] - box[0], box[3] - box[1]}) == {750, 825}


def test_a_template_on_a_page_is_cropped_like_a_photo(api: TestClient) -> None:
    """Printed as a square, its upper and lower rows lose a part; its gaps stay white."""
    photo = send(api, "red.jpg", red())["photo"]["saved"]["id"]
    template = {"name": "two", "rows": 2, "columns": 1, "gap": "1/2 in", "cells": [{"photo": photo}] * 2}
    id = api.post("/api/templates", json={"template": template}).json()["saved"]["id"]
    put_list(api, wanted(id, "4 in", "4 in"))
    sheet = Image.open(io.BytesIO(api.get("/api/prints/sheets/1.png").content)).convert("RGB")
    plan = api.post("/api/prints/plan", json={"prints": api.get("/api/prints").json()["prints"]}).json()
    at = {side: parse(plan["sheets"][0]["placed"][0]["at"][side]).inches * 300 for side in ("x", "y")}
    middle = sheet.getpixel((round(at["x"] + 600), round(at["y"] + 600)))
    upper = sheet.getpixel((round(at["x"] + 600), round(at["y"] + 300)))
    assert middle == (255, 255, 255) and upper[0] > 180 and upper[1] < 60  # type: ignore[index]


def test_a_template_that_is_cut_apart_says_where(api: TestClient, photo: str) -> None:
    """In a sentence with the settings, as long as it is printed at its own size."""
    template = {"name": "two", "rows": 1, "columns": 2, "cells": [{"photo": photo}] * 2, "cut_apart": True}
    id = api.post("/api/templates", json={"template": template}).json()["saved"]["id"]
    told = "Cut two apart: set 1/8, 1 15/16, 2 1/16, 3 7/8 from its left; 1/8, 5 7/8 from its top."
    for size, notes in (("6 in", [told]), ("5 in", [])):
        kept = put_list(api, wanted(id, "4 in", size))
        assert api.post("/api/prints/plan", json={"prints": kept["prints"]}).json()["notes"] == notes


# ---- the photo printer -----------------------------------------------------------------------------


@pytest.fixture
def program(tmp_path: Path) -> Iterator[Program]:
    running = Program(lambda: create_printer(tmp_path / "printer", 0.05))
    yield running
    running.off()


@pytest.fixture
def with_printer(tmp_path: Path, program: Program) -> Iterator[TestClient]:
    with client_of(tmp_path / "home", Outside(program.address)) as client:
        yield client


LETTER = {"name": "letter", "width": "8 1/2 in", "height": "11 in", "sheets": 1}


def until(client: TestClient, true: Callable[[dict[str, Any]], bool]) -> dict[str, Any]:
    end = time.monotonic() + 20
    while True:
        found = dict(client.get("/api/printer").json())
        if true(found):
            return found
        assert time.monotonic() < end, found
        time.sleep(0.05)


def job(found: dict[str, Any]) -> dict[str, Any]:
    jobs = found["printer"]["jobs"] if found["printer"] else []
    return dict(jobs[-1]) if jobs else {"state": ""}


def test_a_run_that_goes_out_of_paper_goes_on(with_printer: TestClient) -> None:
    """What was printed lies in the tray, then all of it."""
    photo = send(with_printer, "heron.jpg", picture())["photo"]["saved"]["id"]
    put_list(with_printer, wanted(photo, copies=3))
    with_printer.put("/api/printer/paper", json=LETTER)
    with_printer.post("/api/printer/run")
    stopped = until(with_printer, lambda found: job(found)["state"] == "stopped")
    assert job(stopped)["says"].startswith("Out of paper; 1 of 2 are printed")
    assert stopped["loaded"] == "0 sheets of letter, 8 1/2 × 11"
    tray = with_printer.get(f"/api/printer/jobs/{job(stopped)['id']}/tray.pdf")
    assert len(PdfReader(io.BytesIO(tray.content)).pages) == 1
    with_printer.put("/api/printer/paper", json=LETTER | {"sheets": 5})
    done = until(with_printer, lambda found: job(found)["state"] == "done")
    assert (job(done)["printed"], done["run"]["phase"]) == (2, "sent")


def test_a_printer_that_dies_is_told_and_all_else_goes_on(with_printer: TestClient, program: Program) -> None:
    """Its absence stands in a sentence; a run that cannot be sent says so."""
    photo = send(with_printer, "heron.jpg", picture())["photo"]["saved"]["id"]
    put_list(with_printer, wanted(photo))
    program.off()
    found = with_printer.get("/api/printer").json()
    assert not found["there"] and "does not answer" in found["says"]
    refused = with_printer.post("/api/printer/run")
    assert refused.status_code == 422 and "keep the sheets as PDF" in refused.json()["sentence"]
    assert with_printer.get("/api/prints/sheets.pdf").status_code == 200


def test_without_a_printer_it_says_what_would_do(api: TestClient) -> None:
    """Nothing else is missing."""
    assert api.get("/api/printer").json()["says"].endswith("or keep the sheets as PDF")


def test_a_run_is_taken_back(with_printer: TestClient) -> None:
    """Its jobs are cancelled at the printer."""
    photo = send(with_printer, "heron.jpg", picture())["photo"]["saved"]["id"]
    put_list(with_printer, wanted(photo))
    with_printer.post("/api/printer/run")
    until(with_printer, lambda found: job(found)["state"] == "stopped")
    with_printer.post("/api/printer/run/stop")
    found = until(with_printer, lambda found: job(found)["state"] == "cancelled")
    assert found["run"]["says"] == "The run was stopped."
