"""A kit as a file: its papers with both sides, and its things, in JSON."""

from __future__ import annotations

import json
from dataclasses import dataclass
from typing import Any, Literal

from ulna.core.paper.shelf import Kit
from ulna.formats.documents import model_of, read_json, written


@dataclass(frozen=True, slots=True)
class Document:
    """A kit as a file."""

    kit: Kit
    format: Literal["ulna-kit"] = "ulna-kit"
    version: Literal[1] = 1


def write(kit: Kit) -> str:
    """The kit as text in JSON."""
    return json.dumps(written(Document(kit)), ensure_ascii=False, indent=2) + "\n"


def read(text: str | bytes) -> Kit:
    """Raises `pydantic.ValidationError` with every field that is wrong."""
    return read_json(Document, text).kit


def schema() -> dict[str, Any]:
    """The JSON Schema of a kit as a file."""
    return model_of(Document).model_json_schema()
