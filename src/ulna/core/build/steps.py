"""A step of building a page, as a hand takes it."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Literal

from ulna.core.build.cautions import Caution
from ulna.core.build.glues import Glue
from ulna.core.build.placing import Seat
from ulna.core.findings import Finding
from ulna.core.geometry.rects import Rect

StepKind = Literal[
    "base", "edge", "wet", "powder", "stitch", "fill", "assemble", "tack", "glue", "press", "stamp", "write", "date"
]
PLACING: frozenset[StepKind] = frozenset({"base", "fill", "assemble", "tack", "glue", "stamp"})
"""Steps that put pieces where they stay; every piece is in exactly one of them."""


@dataclass(frozen=True, slots=True)
class Wait:
    """What the step of that id leaves wet, or only just set, must be left alone for so many minutes."""

    after: str
    minutes: int
    says: str


@dataclass(frozen=True, slots=True)
class Step:
    """`says` it in a sentence; `spots` are the pieces that it puts in place, `touches` those that it only works on.

    It comes `after` others; `waits` for what dries; is to be done `within` so many minutes of the step before it. What
    it does `dries` for so many minutes, by `heat` sooner or not. `careful` says what must not be pressed, how it is
    held up; `minutes` is what it takes.
    """

    id: str
    kind: StepKind
    part: str
    says: str
    spots: tuple[Seat, ...] = ()
    touches: tuple[str, ...] = ()
    where: tuple[Rect, ...] = ()
    glue: Glue | None = None
    level: str = "flat"
    after: tuple[str, ...] = ()
    waits: tuple[Wait, ...] = ()
    within: int = 0
    dries: int = 0
    heat: Literal["", "shortens", "spoils"] = ""
    careful: tuple[str, ...] = ()
    cautions: tuple[Caution, ...] = ()
    minutes: float = 1.0


@dataclass(frozen=True, slots=True)
class Order:
    """Steps in the order of building, and what is to be told of it."""

    steps: tuple[Step, ...]
    told: tuple[Finding, ...] = ()

    @property
    def minutes(self) -> float:
        """What all steps take, without the waits that nothing fills."""
        return sum(step.minutes for step in self.steps)

    def step(self, id: str) -> Step | None:
        return next((step for step in self.steps if step.id == id), None)
