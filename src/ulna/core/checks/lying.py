"""A part where it lies, as the checks of its place look at it."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from typing import Any

from ulna.core.geometry.rects import Rect
from ulna.core.parts.kinds import Part
from ulna.core.parts.pieces import Built

PlacedAt = Callable[[Any, Rect, Any, Any], Any]
"""Gives a part so that it lies in a box: the part, the box, where everything stands, the format of the page."""


@dataclass(frozen=True, slots=True)
class Lying:
    """`room` is what it is trimmed flush with, `on` what that is called; `placed` gives the part elsewhere."""

    part: Part
    built: Built
    box: Rect
    room: Rect
    on: str
    placed: Callable[[Rect], Any]
