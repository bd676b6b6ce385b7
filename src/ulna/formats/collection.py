"""A whole library as one JSON document: kits, pages and what is noted of photos.

The pictures themselves are not in it; a backup has them.
"""

from __future__ import annotations

import json
from collections.abc import Mapping
from typing import Any, Literal

from ulna.formats.cutting import Cutting
from ulna.formats.kit import Kit
from ulna.formats.model import Model
from ulna.formats.photo import PhotoRecord
from ulna.formats.print_list import PrintList
from ulna.formats.recipe import Recipe
from ulna.formats.settings import Settings
from ulna.formats.template import Template


class KeptPhoto(Model):
    id: str
    photo: PhotoRecord


class KeptCutting(Model):
    """What is cut of a page; `page` is one of `page_ids`."""

    page: str
    cutting: Cutting


class KeptTemplate(Model):
    id: str
    template: Template


class Document(Model):
    """A library as a file; `page_ids` are those of its pages, in the same order."""

    format: Literal["ulna-library"] = "ulna-library"
    version: Literal[1] = 1
    kits: list[Kit] = []
    photos: list[KeptPhoto] = []
    pages: list[Recipe] = []
    page_ids: list[str] = []
    cuttings: list[KeptCutting] = []
    templates: list[KeptTemplate] = []
    settings: Settings | None = None
    print_list: PrintList | None = None

    @property
    def cut(self) -> dict[int, Cutting]:
        """What is cut, by the place of its page among the pages."""
        at = {id: k for k, id in enumerate(self.page_ids)}
        return {at[one.page]: one.cutting for one in self.cuttings if one.page in at}


def write(library: Document) -> str:
    """The library as text in JSON."""
    return json.dumps(library.model_dump(mode="json"), ensure_ascii=False, indent=2) + "\n"


def read(text: str | bytes) -> Document:
    """Raises `pydantic.ValidationError` with every field that is wrong."""
    return Document.model_validate_json(text)


def schema() -> dict[str, Any]:
    """The JSON Schema of a library as a file."""
    return Document.model_json_schema()


def with_papers(document: Any, fresh: Mapping[str, str]) -> Any:
    """A kit's, page's or cut list's document whose papers have other ids, wherever one is named."""
    if isinstance(document, list):
        return [with_papers(item, fresh) for item in document]
    if not isinstance(document, dict):
        return document
    renamed = {key: with_papers(value, fresh) for key, value in document.items()}
    for key in ("paper", "scrap_of", "sheet", "of_paper", "key", "step"):
        if isinstance(renamed.get(key), str):
            renamed[key] = _renamed(renamed[key], fresh)
    if "ticked" in renamed:
        renamed["ticked"] = [_renamed(key, fresh) for key in renamed["ticked"]]
        renamed["when"] = {_renamed(key, fresh): at for key, at in renamed.get("when", {}).items()}
    if "papers" in renamed:
        # A kit's papers have ids; the papers of a part are choices, which name theirs.
        renamed["papers"] = [
            paper | {"id": fresh.get(paper["id"], paper["id"])} if "id" in paper else paper
            for paper in renamed["papers"]
        ]
    return renamed


def _renamed(name: str, fresh: Mapping[str, str]) -> str:
    """An id of a paper, or a key that begins with one: those of sheets, their steps and their scraps."""
    paper, number, rest = name.partition("#")
    return fresh.get(paper, paper) + number + rest
