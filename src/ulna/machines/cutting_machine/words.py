"""What the cutting machine and those who ask it understand. Lengths are text with their unit, as everywhere."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import Field

from ulna.formats.documents import Gap, Model, PageSize

State = Literal["waiting", "cutting", "paused", "stopped", "done", "cancelled"]
Trouble = Literal["", "blade worn", "paper slipped", "bed full"]
Does = Literal["through", "crease", "pen"]
Fate = Literal["to do", "done", "spoiled"]


class LineOut(Model):
    """One line of a job in the order in which they are made: what it belongs to, what is done along it, what became of
    it; its points in inches from the sheet's corner."""

    piece: str
    does: Does
    points: list[tuple[float, float]]
    closed: bool
    fate: Fate = "to do"


class Job(Model):
    """A sheet that is to be cut. `done` of `lines` lines are made; `left` seconds it takes yet; `trouble` says why it
    stopped, `says` what would do."""

    id: str
    name: str
    width: PageSize
    height: PageSize
    lines: list[LineOut]
    done: int = 0
    left: float = 0.0
    state: State = "waiting"
    trouble: Trouble = ""
    says: str = ""


class CuttingMachine(Model):
    """How the machine stands: its bed, how near to a sheet's edge it cuts, the smallest outline its blade turns in, how
    many inches the blade cuts well yet, whether a sheet lies on the bed that is cut; jobs in their order."""

    name: str
    width: PageSize
    height: PageSize
    margin: Gap
    smallest: Gap
    blade: Annotated[float, Field(ge=0)]
    bed_full: bool
    jobs: list[Job]
