"""Prints the OpenAPI document, from which the interface's types are made."""

from __future__ import annotations

import json
from pathlib import Path
from typing import Any

from ulna.api.app import create_app


def document() -> str:
    """The document as text, the same for the same routes; without titles, which only repeat the names of fields."""
    full = create_app(Path("unused")).openapi()
    described = _without_titles(full) | {"info": full["info"]}
    return json.dumps(described, indent=1, sort_keys=True, ensure_ascii=False) + "\n"


def _without_titles(schema: Any) -> Any:
    if isinstance(schema, list):
        return [_without_titles(item) for item in schema]
    if not isinstance(schema, dict):
        return schema
    if "prefixItems" in schema:  # what reads answers knows lists, no pairs
        return {"type": "array", "items": _without_titles(schema["prefixItems"][0])}
    return {
        key: _without_titles(value) for key, value in schema.items() if key != "title" or not isinstance(value, str)
    }


if __name__ == "__main__":
    print(document(), end="")
