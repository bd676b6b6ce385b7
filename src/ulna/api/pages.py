"""Routes: pages, and files of them."""

from __future__ import annotations

from dataclasses import replace
from typing import Annotated, Literal

from fastapi import APIRouter, File, Query, UploadFile
from fastapi.responses import Response
from pydantic import BaseModel

from ulna.api.at_home import AtHome
from ulna.api.history import add_history
from ulna.api.wire import Edit, Saved, What, attachment, saved
from ulna.api.written import written_list
from ulna.core.kit.cutting import Stage
from ulna.core.page.plan import PagePlan
from ulna.formats import page_html, svg
from ulna.formats import recipe as recipe_format
from ulna.formats.documents import Doc
from ulna.formats.limits import MOST_JSON_BYTES
from ulna.household import building
from ulna.household.building import Built
from ulna.household.drawing import drawn
from ulna.household.home import Household
from ulna.store.states import Kept

router = APIRouter(prefix="/api", tags=["pages"])

THUMB = 600
"""Pixels across of the small picture of a page, which is kept until something on it changes."""


class PageOut(BaseModel):
    saved: Saved
    page: Doc[PagePlan]
    cutting: Stage = "planned"
    built: Built = "not begun"


class PageIn(Edit):
    page: Doc[PagePlan]
    what: What = "changed the page"


def _out(kept: Kept[PagePlan], home: Household) -> PageOut:
    return PageOut(
        saved=saved(kept), page=kept.body, cutting=home.stage(kept.id), built=building.how_far(home, kept.id)
    )


@router.get("/pages", response_model=list[PageOut])
def list_pages(home: AtHome) -> Response:
    """The one that was changed last comes first."""
    kept = sorted(home.pages.all(), key=lambda k: k.changed, reverse=True)
    entries = ((one, (home.stage(one.id), building.how_far(home, one.id))) for one in kept)
    return written_list(home, "pages", entries, lambda one: _out(one, home))


@router.post("/pages", status_code=201)
def add_page(asked: PageIn, home: AtHome) -> PageOut:
    """A page of its own; where another one is called so, with the next number behind its name."""
    return _out(home.pages.add(_named(asked.page, home), asked.what), home)


def _named(plan: PagePlan, home: Household) -> PagePlan:
    return replace(plan, name=home.called(plan.name))


@router.get("/pages/{id}")
def get_page(id: str, home: AtHome) -> PageOut:
    return _out(home.pages.get(id), home)


@router.put("/pages/{id}")
def put_page(id: str, asked: PageIn, home: AtHome) -> PageOut:
    return _out(home.pages.write(id, asked.version, asked.page, asked.what, asked.series), home)


add_history(router, "page", lambda home: home.pages, PageOut, _out)


# ---- files -----------------------------------------------------------------------------------------


def _drawing(id: str, home: Household, copy: Literal["view", "thumb"]) -> tuple[str, str]:
    """The page's name and its picture as SVG with everything in it."""
    return home.page(id).name, drawn(home, id, copy)


@router.get("/pages/{id}/page.svg", response_class=Response)
def page_as_svg(id: str, home: AtHome) -> Response:
    name, drawing = _drawing(id, home, "view")
    return attachment(drawing.encode(), f"{name}.svg", "image/svg+xml")


@router.get("/pages/{id}/page.png", response_class=Response)
def page_as_png(
    id: str,
    home: AtHome,
    width: Annotated[int, Query(ge=50, le=4000)] = 1800,
    per_inch: Annotated[int | None, Query(ge=50, le=300)] = None,
) -> Response:
    """So many pixels across, or to an inch of the page."""
    if per_inch is not None:
        format = home.page(id).format
        width = round((format.width * format.pages).inches * per_inch)

    def render() -> tuple[str, bytes]:
        name, drawing = _drawing(id, home, "thumb" if width <= THUMB else "view")
        return name, svg.raster(drawing, width)

    kinds = ["kit", "photo", "template", "settings"]
    key = "picture", id, home.pages.get(id).version
    name, picture = home.cached(key, kinds, render) if width == THUMB else render()
    return attachment(picture, f"{name}.png", "image/png")


@router.get("/pages/{id}/page.html", response_class=Response)
def page_as_html(id: str, home: AtHome) -> Response:
    """A page to be looked at and read: its picture, drawn anew without what a camera writes into files; its story."""
    plan = home.page(id)
    _, drawing = _drawing(id, home, "view")
    return attachment(page_html.write(plan, svg.raster(drawing, 2400)), f"{plan.name}.html", "text/html")


@router.get("/pages/{id}/page.json", response_class=Response)
def page_as_json(id: str, home: AtHome) -> Response:
    plan = home.page(id)
    return attachment(recipe_format.write(plan).encode(), f"{plan.name}.json", "application/json")


@router.post("/pages/read-json", status_code=201)
def add_page_from_json(file: Annotated[UploadFile, File()], home: AtHome) -> PageOut:
    """A page brought in from a file, as a page of its own."""
    plan = recipe_format.read(file.file.read(MOST_JSON_BYTES))
    return _out(home.pages.add(_named(plan, home), "brought in from a file"), home)
