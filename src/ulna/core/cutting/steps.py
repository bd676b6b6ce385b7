"""The steps of a cut list, each a value with its own figures; what is said of one is made from them (`directions`).

`Take`, `Cut`, `Gut` and `Trace` (what a cutting machine cuts at once) are counted on the sheet as it is looked at: x
from its left edge, y from its top edge. The others finish one piece after it is cut: they are counted on the piece as
it lies on the page, its good side up, from its own top left corner, before it is turned by any angle.

┌──────────────┐           Cut   straight through `of`, `at` from the sheet's left or top edge
│  ┌────┐      │           Gut   the panel inside a piece, by knife; the panel is paper to cut from
│  │ 1  │ rest │           Open  a hole in a piece: by knife, or punched
│  └────┘      │           Slant, Round, Shape, Tear   what makes a rectangle the outline it is to have
└──────────────┘
"""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import ClassVar, Literal

from ulna.core.geometry.figures import Hole, Outline
from ulna.core.geometry.rects import Rect
from ulna.core.measure import Length
from ulna.core.parts.pieces import TornEdge

CutAxis = Literal["vertical", "horizontal"]
Tool = Literal["machine", "hand", "trimmer", "knife", "punch", "scissors", "fingers"]


@dataclass(frozen=True, slots=True)
class Take:
    """A sheet that is a piece as it is."""

    kind: ClassVar[str] = "take"
    key: str
    n: int
    of: Rect
    gives: tuple[int, ...]


@dataclass(frozen=True, slots=True)
class Cut:
    """A cut edge to edge across the part `of`; a vertical one runs from top to bottom at x = `at`. `gives` are the
    numbers of the pieces that are free after it."""

    kind: ClassVar[str] = "cut"
    key: str
    n: int
    of: Rect
    axis: CutAxis
    at: Length
    gives: tuple[int, ...]

    @property
    def setting(self) -> Length:
        """What the trimmer is set to: the distance from the near (left or top) edge of `of`."""
        return self.at - (self.of.x if self.axis == "vertical" else self.of.y)

    @property
    def halves(self) -> tuple[Rect, ...]:
        """The two parts that it makes of `of`; the one where it passes beside it."""
        of, at = self.of, self.at
        if self.axis == "vertical":
            return of.split(at) if of.x < at < of.right else (of,)
        if not of.y < at < of.bottom:
            return (of,)
        return Rect(of.x, of.y, of.width, at - of.y), Rect(of.x, at, of.width, of.bottom - at)


@dataclass(frozen=True, slots=True)
class Gut:
    """The panel inside piece `piece`, which lies at `of`, is cut out by knife and is paper to cut from; `gives` are
    pieces that are just that panel. Where the panel reaches two opposite edges it is what is trimmed off the piece."""

    kind: ClassVar[str] = "gut"
    key: str
    n: int
    of: Rect
    piece: int
    panel: Rect
    gives: tuple[int, ...]


@dataclass(frozen=True, slots=True)
class Trace:
    """A cutting machine cuts pieces out of the sheet along their outlines: `gives` are their numbers, `outlines` where
    each was cut on the sheet, with the `openings` in it. What is left of the sheet are the boxes `free`."""

    kind: ClassVar[str] = "trace"
    key: str
    n: int
    of: Rect
    gives: tuple[int, ...]
    outlines: tuple[Outline, ...]
    openings: tuple[tuple[Outline, ...], ...]
    free: tuple[Rect, ...] = ()


@dataclass(frozen=True, slots=True)
class Open:
    """A hole in a piece, as it lies in it; `punched` with a punch of its size."""

    kind: ClassVar[str] = "open"
    key: str
    n: int
    of: Rect
    piece: int
    hole: Hole
    punched: bool = False
    gives: tuple[int, ...] = ()


@dataclass(frozen=True, slots=True)
class Line:
    """A straight cut from one point of a piece to another, each from its left and its top edge."""

    from_x: Length
    from_y: Length
    to_x: Length
    to_y: Length


@dataclass(frozen=True, slots=True)
class Slant:
    """Straight cuts that are not square: mitres, clipped corners, points. What is left is `outline`."""

    kind: ClassVar[str] = "slant"
    key: str
    n: int
    of: Rect
    piece: int
    lines: tuple[Line, ...]
    outline: Outline
    gives: tuple[int, ...] = ()


@dataclass(frozen=True, slots=True)
class Round:
    """All four corners rounded by a radius."""

    kind: ClassVar[str] = "round"
    key: str
    n: int
    of: Rect
    piece: int
    radius: Length
    outline: Outline
    gives: tuple[int, ...] = ()


@dataclass(frozen=True, slots=True)
class Shape:
    """Cut along an outline, by the template at true size; `figure` names it where it has a name, `punched` with a
    punch of its size. `gives` are pieces made of what falls off: each lies in it `within` its own outline."""

    kind: ClassVar[str] = "shape"
    key: str
    n: int
    of: Rect
    piece: int
    figure: str
    outline: Outline
    punched: bool = False
    gives: tuple[int, ...] = ()


@dataclass(frozen=True, slots=True)
class Tear:
    """Torn by hand; `outline` is about what is left. `core_seen` says whether the white core is to show."""

    kind: ClassVar[str] = "tear"
    key: str
    n: int
    of: Rect
    piece: int
    edges: tuple[TornEdge, ...]
    outline: Outline
    core_seen: bool = True
    gives: tuple[int, ...] = ()


OnSheet = Take | Cut | Gut | Trace
Finishing = Open | Slant | Round | Shape | Tear
Step = OnSheet | Finishing


def is_finishing(step: Step) -> bool:
    """Whether it is done to one piece that is cut already."""
    return not isinstance(step, Take | Cut | Gut | Trace)


def tool(step: Step, arm: Length) -> Tool:
    """What it is done with; a cut longer than the trimmer's arm goes by knife and metal ruler."""
    if isinstance(step, Take):
        return "hand"
    if isinstance(step, Trace):
        return "machine"
    if isinstance(step, Cut):
        long = step.of.height if step.axis == "vertical" else step.of.width
        return "knife" if long > arm else "trimmer"
    if isinstance(step, Gut | Slant):
        return "knife"
    if isinstance(step, Open):
        return "punch" if step.punched else "knife"
    if isinstance(step, Shape):
        return "punch" if step.punched else "scissors"
    return "fingers" if isinstance(step, Tear) else "scissors"


def numbered(steps: list[Step], sheet: str) -> tuple[Step, ...]:
    """The steps with their keys and numbers, in this order."""
    return tuple(replace(step, key=f"{sheet}/{n}", n=n) for n, step in enumerate(steps, 1))


def comes_before(first: Step, second: Step) -> bool:
    """Whether `second` cannot be made while `first` is not: it is made on what `first` frees."""
    return first.n < second.n and not is_finishing(first) and first.of.contains(second.of)
