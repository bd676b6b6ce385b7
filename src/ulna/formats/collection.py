"""A whole library as one JSON document: kits, pages and what is noted of photos.

The pictures themselves are not in it; a backup has them.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from typing import Any, Literal, TypeVar

from ulna.core.kit.cutting import Cutting
from ulna.core.kit.settings import Settings
from ulna.core.page.plan import PagePlan
from ulna.core.paper.shelf import Kit
from ulna.core.photos.photo import PhotoRecord
from ulna.core.photos.print_list import PrintList
from ulna.core.photos.template import Template
from ulna.core.ranges import Id
from ulna.core.words.faces import OwnFace
from ulna.core.words.writing import Hand
from ulna.formats.documents import as_text, model_of, read_json, written
from ulna.formats.documents import read as read_value

Value = TypeVar("Value")


@dataclass(frozen=True, slots=True)
class KeptPhoto:
    id: str
    photo: PhotoRecord


@dataclass(frozen=True, slots=True)
class KeptCutting:
    """What is cut of a page; `page` is one of `page_ids`."""

    page: str
    cutting: Cutting


@dataclass(frozen=True, slots=True)
class KeptTemplate:
    id: str
    template: Template


@dataclass(frozen=True, slots=True)
class KeptFace:
    id: str
    face: OwnFace


@dataclass(frozen=True, slots=True)
class Document:
    """A library as a file; `kit_ids` and `page_ids` are those of its kits and pages, in the same order: by them they
    are known where they come in twice. `hands` are those that its pages are written in, where no settings have them;
    `faces` the household's own."""

    format: Literal["ulna-library"] = "ulna-library"
    version: Literal[1] = 1
    kits: tuple[Kit, ...] = ()
    kit_ids: tuple[Id, ...] = ()
    photos: tuple[KeptPhoto, ...] = ()
    pages: tuple[PagePlan, ...] = ()
    page_ids: tuple[Id, ...] = ()
    cuttings: tuple[KeptCutting, ...] = ()
    templates: tuple[KeptTemplate, ...] = ()
    faces: tuple[KeptFace, ...] = ()
    hands: tuple[Hand, ...] = ()
    settings: Settings | None = None
    print_list: PrintList | None = None

    @property
    def cut(self) -> dict[int, Cutting]:
        """What is cut, by the place of its page among the pages."""
        at = {id: k for k, id in enumerate(self.page_ids)}
        return {at[one.page]: one.cutting for one in self.cuttings if one.page in at}


def write(library: Document) -> str:
    """The library as text in JSON."""
    return as_text(library)


def read(text: str | bytes) -> Document:
    """Raises `pydantic.ValidationError` with every field that is wrong."""
    return read_json(Document, text)


def schema() -> dict[str, Any]:
    """The JSON Schema of a library as a file."""
    return model_of(Document).model_json_schema()


def with_papers(value: Value, fresh: Mapping[str, str]) -> Value:
    """A kit, a page or what is cut of one, whose papers, alphabets and things have other ids, wherever one is named."""
    return read_value(type(value), _with_papers(written(value), fresh))


def _with_papers(document: Any, fresh: Mapping[str, str]) -> Any:
    if isinstance(document, list):
        return [_with_papers(item, fresh) for item in document]
    if not isinstance(document, dict):
        return document
    renamed = {key: _with_papers(value, fresh) for key, value in document.items()}
    for key in ("paper", "scrap_of", "sheet", "of_paper", "alphabet", "thing", "key", "step"):
        if isinstance(renamed.get(key), str):
            renamed[key] = _renamed(renamed[key], fresh)
    if "ticked" in renamed:
        renamed["ticked"] = [_renamed(key, fresh) for key in renamed["ticked"]]
        renamed["when"] = {_renamed(key, fresh): at for key, at in renamed.get("when", {}).items()}
    for name in renamed.keys() & {"papers", "alphabets", "things"}:
        renamed[name] = [_one_renamed(one, fresh) for one in renamed[name]]
    return renamed


def _one_renamed(one: Any, fresh: Mapping[str, str]) -> Any:
    """A kit's papers, alphabets and things have ids; the papers of a part are choices, which name theirs, the things of
    a scatter are ids alone."""
    if isinstance(one, str):
        return fresh.get(one, one)
    return one | {"id": fresh.get(one["id"], one["id"])} if "id" in one else one


def _renamed(name: str, fresh: Mapping[str, str]) -> str:
    """An id of a paper, or a key that begins with one: those of sheets, their steps and their scraps."""
    paper, number, rest = name.partition("#")
    return fresh.get(paper, paper) + number + rest
