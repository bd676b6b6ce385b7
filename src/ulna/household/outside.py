"""Where what stands outside is to be found: an address for each, none where it is not there."""

from __future__ import annotations

from dataclasses import dataclass


@dataclass(frozen=True, slots=True)
class Outside:
    printer: str | None = None
    cutting_machine: str | None = None
    club: str | None = None
