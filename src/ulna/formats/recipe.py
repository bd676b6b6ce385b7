"""A page as a file: its recipe in JSON."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any, Literal

from ulna.core.page.plan import PagePlan
from ulna.formats.documents import as_text, model_of, read_json


@dataclass(frozen=True, slots=True)
class Document:
    """A page as a file."""

    page: PagePlan
    format: Literal["ulna-page"] = "ulna-page"
    version: Literal[1] = 1


def write(recipe: PagePlan) -> str:
    """The page as text in JSON."""
    return as_text(Document(recipe))


def read(text: str | bytes) -> PagePlan:
    """Raises `pydantic.ValidationError` with every field that is wrong."""
    return read_json(Document, text).page


def schema() -> dict[str, Any]:
    """The JSON Schema of a page as a file."""
    return model_of(Document).model_json_schema()
