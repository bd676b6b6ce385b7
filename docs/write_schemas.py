"""Writes the JSON Schemas of the documents into docs/schemas. Run with `make types`."""

from __future__ import annotations

import json
from pathlib import Path

from ulna.formats import collection, cut_document, kit, kit_feed, recipe

TO = Path(__file__).parent / "schemas"
SCHEMAS = {
    "page": recipe.schema,
    "kit": kit.schema,
    "library": collection.schema,
    "cut-list": cut_document.schema,
    "kit-feed": kit_feed.feed_schema,
    "kit-offer": kit_feed.offer_schema,
}


def text(name: str) -> str:
    """The schema as it stands in its file."""
    return json.dumps(SCHEMAS[name](), indent=1, ensure_ascii=False) + "\n"


if __name__ == "__main__":
    TO.mkdir(exist_ok=True)
    for name in SCHEMAS:
        (TO / f"{name}.json").write_text(text(name), "utf-8")
