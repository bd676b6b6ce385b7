"""What is to be told about a page: each finding says what, of which part, why it matters and what would do."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from ulna.core.geometry.rects import Rect

Severity = Literal["stop", "warn", "note"]
Aside = Literal["", "page", "house"]


@dataclass(frozen=True, slots=True)
class Remedy:
    """What would do: in words, the part as it would be then (a new one goes on top), and of how many pages its page
    would have to be. Where it wants another `pack` on the shelf, of which alphabet; where the `edge` of a piece is to
    be worked, how."""

    says: str
    part: object = None
    pages: int | None = None
    pack: str | None = None
    edge: object = None


@dataclass(frozen=True, slots=True)
class Finding:
    """`stop` cannot be made as it is, `warn` will likely disappoint, `note` is good to know. It is of a `part`, or of
    the page; `where` are the places that it is about, on the spread. One that was put `aside`, for its page or in the
    whole house, is counted and not told."""

    code: str
    severity: Severity
    part: str | None
    sentence: str
    remedies: tuple[Remedy, ...] = ()
    where: tuple[Rect, ...] = ()
    aside: Aside = ""
