"""What is to be told about a page: each finding says what, of which part, why it matters and what would do."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

Severity = Literal["stop", "warn", "note"]


@dataclass(frozen=True, slots=True)
class Remedy:
    """What would do: in words, the part as it would be then, and of how many pages its page would have to be. Where it
    wants another `pack` on the shelf, of which alphabet."""

    says: str
    part: object
    pages: int | None = None
    pack: str | None = None


@dataclass(frozen=True, slots=True)
class Finding:
    """`stop` cannot be made as it is, `warn` will likely disappoint, `note` is good to know."""

    code: str
    severity: Severity
    part: str | None
    sentence: str
    remedies: tuple[Remedy, ...] = ()
