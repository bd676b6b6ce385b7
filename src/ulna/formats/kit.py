"""A kit as a file: its papers with both sides, and its things, in JSON."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any, Literal

from ulna.core.paper.shelf import Kit
from ulna.formats.documents import as_text, model_of, read_json


@dataclass(frozen=True, slots=True)
class Document:
    """A kit as a file."""

    kit: Kit
    format: Literal["ulna-kit"] = "ulna-kit"
    version: Literal[1] = 1


def write(kit: Kit) -> str:
    """The kit as text in JSON."""
    return as_text(Document(kit))


def read(text: str | bytes) -> Kit:
    """Raises `pydantic.ValidationError` with every field that is wrong."""
    return read_json(Document, text).kit


def schema() -> dict[str, Any]:
    """The JSON Schema of a kit as a file."""
    return model_of(Document).model_json_schema()
