"""Prints the OpenAPI document, from which the interface's types are made."""

from __future__ import annotations

import json
from pathlib import Path

from ulna.api.app import create_app


def document() -> str:
    """The document as text, the same for the same routes."""
    return json.dumps(create_app(Path("unused")).openapi(), indent=1, sort_keys=True, ensure_ascii=False) + "\n"


if __name__ == "__main__":
    print(document(), end="")
