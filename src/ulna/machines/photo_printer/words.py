"""What the printer and those who ask it understand. Lengths are text with their unit, as everywhere."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from ulna.formats.documents import Gap, Model, PageSize

State = Literal["waiting", "printing", "stopped", "done", "cancelled"]
Trouble = Literal["", "no paper", "other paper", "jam"]


class Loaded(Model):
    """What lies in the printer: a paper, its size, so many sheets."""

    name: Annotated[str, Field(min_length=1, max_length=60)]
    width: PageSize
    height: PageSize
    sheets: Annotated[int, Field(ge=0, le=500)]


class Job(Model):
    """`sheets` are to be printed, `printed` are; `trouble` says why it stopped, `says` what would do."""

    id: str
    name: str
    width: PageSize
    height: PageSize
    sheets: int
    printed: int = 0
    state: State = "waiting"
    trouble: Trouble = ""
    says: str = ""


class Printer(Model):
    """How the printer stands; jobs in the order in which they came."""

    name: str
    margin: Gap
    seconds_a_sheet: float
    loaded: Loaded | None
    jammed: bool
    jobs: list[Job]
