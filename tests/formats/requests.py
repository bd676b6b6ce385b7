"""A cut request in JSON, whole or with one field changed."""

from __future__ import annotations

import copy
import json
from typing import Any

REQUEST: dict[str, Any] = {
    "format": "ulna-cut-request",
    "version": 1,
    "unit": "in",
    "kerf": 0,
    "gutting": True,
    "sheets": [
        {"id": "reeds", "width": 12, "height": 12, "quantity": 2, "reserve": {"edge": "bottom", "depth": 0.5}},
        {"id": "rest", "width": 5.25, "height": 3, "scrap": True},
        {"id": "cards", "width": 12, "height": 12, "holes": [{"x": 0, "y": 8, "width": 4, "height": 4}]},
    ],
    "pieces": [
        {"id": "mat", "width": 4.25, "height": 6.25, "quantity": 2, "from": ["reeds", "rest"], "turn": True},
        {"id": "frame", "width": 11, "height": 11, "from": ["reeds"],
         "gut": {"left": 0.5, "top": 0.5, "right": 0.5, "bottom": 0.5}},
        {"id": "card", "width": 4, "height": 6, "from": ["cards"], "pin": {"sheet": "cards", "x": 4, "y": 0}},
    ],
    "seconds": 0.1,
}  # fmt: skip


def changed(path: str, value: Any) -> str:
    """The request with one field replaced, or taken out where the value is `...`."""
    document = copy.deepcopy(REQUEST)
    *way, last = path.split(".")
    at: Any = document
    for step in way:
        at = at[int(step)] if step.isdigit() else at[step]
    if value is ...:
        del at[last]
    else:
        at[int(last) if last.isdigit() else last] = value
    return json.dumps(document)
