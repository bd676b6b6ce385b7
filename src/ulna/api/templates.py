"""Routes: templates, many photos printed as one picture."""

from __future__ import annotations

from urllib.parse import urlencode

from fastapi import APIRouter

from ulna.api.at_home import AtHome
from ulna.api.history import add_history
from ulna.api.schemas import TemplateIn, TemplateOut, saved
from ulna.core.photos import template as templates
from ulna.formats.cuts import Rect
from ulna.formats.template import Template
from ulna.household.home import Household
from ulna.store.library import Kept

router = APIRouter(prefix="/api", tags=["templates"])


def _out(kept: Kept, home: Household) -> TemplateOut:
    template = Template.model_validate(kept.body)
    places = templates.rows(template.value())
    photo = home.photos().get(kept.id)
    cell = home.ruler().say_size(places[0].width, places[0].height) if places else ""
    return TemplateOut(
        saved=saved(kept),
        template=template,
        places=[Rect.from_value(place) for place in places],
        cell=cell,
        query="?" + urlencode({"v": photo.edition}) if photo else "",
    )


@router.get("/templates")
def list_templates(home: AtHome) -> list[TemplateOut]:
    return [_out(kept, home) for kept in home.library.all("template")]


@router.post("/templates", status_code=201)
def add_template(asked: TemplateIn, home: AtHome) -> TemplateOut:
    kept = home.library.add("template", asked.template.model_dump(mode="json"), "began the template")
    return _out(kept, home)


@router.put("/templates/{id}")
def put_template(id: str, asked: TemplateIn, home: AtHome) -> TemplateOut:
    body = asked.template.model_dump(mode="json")
    return _out(home.library.write("template", id, asked.version, body, asked.what, asked.series), home)


add_history(router, "template", TemplateOut, _out)
