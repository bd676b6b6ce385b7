"""Prints the OpenAPI document, from which the interface's types are made."""

from __future__ import annotations

import json
from contextlib import closing
from pathlib import Path
from tempfile import TemporaryDirectory
from typing import Any

from ulna.api.app import create_app
from ulna.household.home import Household


def document() -> str:
    """The document as text, the same for the same routes; without titles, which only repeat the names of fields."""
    with TemporaryDirectory() as home, closing(Household(Path(home))) as household:
        full = create_app(household).openapi()
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
        key: value if key == "mapping" else _without_titles(value)  # there a kind of part may be called title
        for key, value in schema.items()
        if key != "title" or not isinstance(value, str)
    }


if __name__ == "__main__":
    print(document(), end="")
