"""What may be kept as text: valid Unicode without control characters, and ids without what an address or a drawing
reads as something else."""

from __future__ import annotations

import re
import unicodedata
from typing import Any

from ulna.core.errors import FieldError

BREAKS = "\n\r\t"
"""Control characters that people write."""

ID = re.compile(r"[^/\\\"<>&\s](?:[^/\\\"<>&\t\n\r]{0,198}[^/\\\"<>&\s])?")


def is_plain(text: str) -> bool:
    """Whether a text holds neither control characters (Unicode's Cc but line ends and tabs) nor half letters (Cs)."""
    return text.isprintable() or not any(
        unicodedata.category(letter) in ("Cc", "Cs") for letter in text if letter not in BREAKS
    )


def plain(text: str) -> str:
    """A text without what may not be kept; for what a file says of itself."""
    if is_plain(text):
        return text
    return "".join(c for c in text if c in BREAKS or unicodedata.category(c) not in ("Cc", "Cs"))


def refuse_odd(document: Any, path: str = "") -> None:
    """Raises `FieldError` for the first text in a document that may not be kept."""
    if isinstance(document, str):
        _refuse_text(document, path)
    elif isinstance(document, dict):
        for key, value in document.items():
            _refuse_text(key, path)
            inner = f"{path}.{key}" if path else key
            if key == "id" and isinstance(value, str) and not ID.fullmatch(value):
                told = 'an id has none of / \\ " < > & in it, and no blanks around it'
                raise FieldError(inner, value.encode("utf-8", "replace").decode(), told, "leave the others out")
            refuse_odd(value, inner)
    elif isinstance(document, list | tuple):
        for k, value in enumerate(document):
            refuse_odd(value, f"{path}.{k}" if path else str(k))


def _refuse_text(text: str, path: str) -> None:
    if is_plain(text):
        return
    odd = next(c for c in text if c not in BREAKS and unicodedata.category(c) in ("Cc", "Cs"))
    told = f"the character U+{ord(odd):04X} cannot be kept"
    raise FieldError(path or "the text", text.encode("utf-8", "replace").decode(), told, "take it out")
