"""A whole library as one JSON document: kits, pages and what is noted of photos.

The pictures themselves are not in it; a backup has them.
"""

from __future__ import annotations

import json
from collections.abc import Mapping
from typing import Any, Literal

from ulna.formats.kit import Kit
from ulna.formats.model import Model
from ulna.formats.photo import PhotoRecord
from ulna.formats.recipe import Recipe


class KeptPhoto(Model):
    id: str
    photo: PhotoRecord


class Document(Model):
    """A library as a file."""

    format: Literal["ulna-library"] = "ulna-library"
    version: Literal[1] = 1
    kits: list[Kit] = []
    photos: list[KeptPhoto] = []
    pages: list[Recipe] = []


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
    """A kit's or page's document whose papers have other ids, wherever one is named."""
    if isinstance(document, list):
        return [with_papers(item, fresh) for item in document]
    if not isinstance(document, dict):
        return document
    renamed = {key: with_papers(value, fresh) for key, value in document.items()}
    for key in ("paper", "scrap_of", "sheet"):
        if isinstance(renamed.get(key), str):
            renamed[key] = fresh.get(renamed[key], renamed[key])
    if "papers" in renamed:
        # A kit's papers have ids; the papers of a part are choices, which name theirs.
        renamed["papers"] = [
            paper | {"id": fresh.get(paper["id"], paper["id"])} if "id" in paper else paper
            for paper in renamed["papers"]
        ]
    return renamed
