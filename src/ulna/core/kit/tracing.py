"""A sheet that was sent to the cutting machine for a page."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Annotated

from ulna.core.cutting.cut_list import CutSheet
from ulna.core.ranges import Id, Text


@dataclass(frozen=True, slots=True)
class Tracing:
    """`sheet` is how it is cut there, by the machine's `job`; once it is `taken` it stands in the cut list."""

    page: Id
    job: Annotated[str, Text(80, 1)]
    sheet: CutSheet
    taken: bool = False
