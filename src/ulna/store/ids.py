"""Names for new documents."""

from __future__ import annotations

import secrets


def new_id(kind: str) -> str:
    """A fresh id, the same length for all, that says what it is of."""
    return f"{kind}-{secrets.token_hex(6)}"
