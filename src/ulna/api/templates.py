"""Routes: templates, many photos printed as one picture."""

from __future__ import annotations

from urllib.parse import urlencode

from fastapi import APIRouter
from pydantic import BaseModel

from ulna.api.at_home import AtHome
from ulna.api.history import add_history
from ulna.api.wire import Edit, Saved, What, saved
from ulna.core.geometry.rects import Rect
from ulna.core.photos.template import Template, cut_short, rows
from ulna.formats.documents import Doc
from ulna.household.home import Household
from ulna.store.states import Kept

router = APIRouter(prefix="/api", tags=["templates"])


class TemplateOut(BaseModel):
    """`places` is where each cell of the rows lies; `cell` is how large they are, in words; `told` what does not come
    out as it was said."""

    saved: Saved
    template: Doc[Template]
    places: list[Doc[Rect]]
    cell: str
    query: str
    told: list[str]


class TemplateIn(Edit):
    template: Doc[Template]
    what: What = "changed the template"


def _out(kept: Kept[Template], home: Household) -> TemplateOut:
    places = rows(kept.body)
    photo = home.photos().get(kept.id)
    return TemplateOut(
        saved=saved(kept),
        template=kept.body,
        places=places,
        cell=home.ruler().say_size(places[0].width, places[0].height) if places else "",
        query="?" + urlencode({"v": photo.edition}) if photo else "",
        told=cut_short(kept.body),
    )


@router.get("/templates")
def list_templates(home: AtHome) -> list[TemplateOut]:
    return [_out(kept, home) for kept in home.roll.templates.all()]


@router.post("/templates", status_code=201)
def add_template(asked: TemplateIn, home: AtHome) -> TemplateOut:
    return _out(home.roll.templates.add(asked.template, "began the template"), home)


@router.put("/templates/{id}")
def put_template(id: str, asked: TemplateIn, home: AtHome) -> TemplateOut:
    templates = home.roll.templates
    return _out(templates.write(id, asked.version, asked.template, asked.what, asked.series), home)


add_history(router, "template", lambda home: home.roll.templates, TemplateOut, _out)
