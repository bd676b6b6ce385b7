"""A cut list: sheets in the order of use, numbered pieces, the steps of a hand, and what is left.

Everything on a sheet, panels included, is in the sheet's own coordinates as it is looked at: x from its left edge
rightward, y from its top edge downward. `face` is the side that is up; a sheet of which only B sides are wanted lies
with B up, and then its strip, its holes and what is printed on it are seen mirrored.
"""

from __future__ import annotations

from dataclasses import dataclass, replace
from fractions import Fraction
from typing import Literal

from ulna.core.cutting.steps import Step
from ulna.core.geometry.figures import Hole, Outline
from ulna.core.geometry.polygons import Polygon, moved
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, inches
from ulna.core.paper.shelf import Face, Strip, paper_in

ARM = inches(12)
"""What a trimmer's cutting arm takes; longer cuts go by knife and metal ruler."""


@dataclass(frozen=True, slots=True)
class CutPiece:
    """A piece on its sheet. `number` counts over the whole list; `panel` is what gutting wins from it.

    To lie as on the page it is turned over about its upright middle line where it is `over`, and then turned clockwise
    by so many `quarters`. One that is made of what falls off another is a piece `of` that one, and lies `within` it:
    an outline in inches from the corner of that piece as it lies on the page; on the page it is turned from there, back
    by `turn` degrees. `fate` tells of one that was spoiled (`left` is what is left of it, if anything),
    or that is used at the size at which it came to be cut.
    """

    number: int
    piece: str
    name: str
    side: Face
    rect: Rect
    quarters: int = 0
    over: bool = False
    panel: Rect | None = None
    fate: Literal["", "spoiled", "as cut"] = ""
    left: Rect | None = None
    of: int = 0
    within: Outline = ()
    turn: float = 0.0

    @property
    def lies(self) -> tuple[Length, Length]:
        """Its width and height as it lies on the page."""
        r = self.rect
        return (r.height, r.width) if self.quarters % 2 else (r.width, r.height)

    def outline_on_sheet(self, outline: Polygon) -> Polygon:
        """Where an outline is on the sheet that is given in inches from the piece's corner as it lies on the page."""
        width, height = (side.inches for side in self.lies)
        for _ in range(self.quarters % 4):
            outline = tuple((y, width - x) for x, y in outline)
            width, height = height, width
        if self.over:
            outline = tuple((width - x, y) for x, y in outline)
        return moved(outline, self.rect.x.inches, self.rect.y.inches)

    def hole_on_sheet(self, hole: Hole) -> Hole:
        """A hole of the piece, given as it lies on the page, on the sheet as that is looked at."""
        at, quarters = self.on_sheet(hole.at), hole.quarters - self.quarters
        line = self.outline_on_sheet(hole.clipped) if hole.clipped else ()
        turned = (-quarters if self.over else quarters) % 4
        return Hole(at.x, at.y, at.width, at.height, hole.figure, hole.cut, line, turned)

    def on_sheet(self, at: Rect) -> Rect:
        """Where on the sheet, as it is looked at, a part of the piece is that is given as it lies on the page."""
        width, height = self.lies
        for _ in range(self.quarters % 4):  # back by a quarter, anticlockwise
            at = Rect(at.y, width - at.right, at.height, at.width)
            width, height = height, width
        if self.over:
            at = Rect(width - at.right, at.y, at.width, at.height)
        return at.moved(self.rect.x, self.rect.y)


@dataclass(frozen=True, slots=True)
class Rest:
    """A part that is left, by its letter and its box on the sheet; of one that is no rectangle there is what is
    `inside` a hole, which may reach beyond that box.

    `step` is the key of the step that it comes out of, where that is an opening.
    """

    at: Rect
    name: str
    inside: Hole | None = None
    step: str = ""


@dataclass(frozen=True, slots=True)
class CutSheet:
    """One sheet or scrap, as it is looked at: `face` is the side that is up.

    `of_paper` is the paper itself, also where `paper` is a scrap of it; `paper_name` is what it is called. `holes` are
    cut out of it already; of a scrap that is no rectangle there is what is `inside` a hole. `print` names the photo
    where the sheet is a print that is cut.
    """

    key: str
    paper: str
    of_paper: str
    copy_number: int
    scrap: bool
    face: Face
    width: Length
    height: Length
    strip: Strip | None
    pieces: tuple[CutPiece, ...]
    rests: tuple[Rest, ...]
    steps: tuple[Step, ...]
    print: str = ""
    paper_name: str = ""
    holes: tuple[Hole, ...] = ()
    inside: Hole | None = None

    @property
    def whole(self) -> Rect:
        return Rect(ZERO, ZERO, self.width, self.height)

    @property
    def called(self) -> str:
        """As it is called and pencilled on the back: the first sheet of Reed is "Reed 1", its second rest "Reed 1b"."""
        return self.paper_name if self.scrap else f"{self.paper_name} {self.copy_number}"

    def rest_called(self, rest: Rect) -> str:
        letter = next((one.name for one in self.rests if one.at == rest), "*")
        return f"{self.called}{letter}"

    def piece(self, number: int) -> CutPiece:
        """Raises `LookupError`."""
        for piece in self.pieces:
            if piece.number == number:
                return piece
        raise LookupError(f"no piece {number} on {self.key}")

    def paper_in(self, at: Rect) -> Fraction:
        """How much paper there is in a part of the sheet, in units squared: what is a hole already is none."""
        return paper_in(at, self.inside, self.holes)

    def inside_of(self, at: Rect) -> Hole | None:
        """What of the sheet's own outline a part of it has; none where it is all paper but for holes."""
        return None if self.inside is None or self.inside.units_in(at) == at.area else self.inside

    def rekeyed(self, key: str, copy: int) -> CutSheet:
        """The same sheet under another key and number; its steps follow."""
        steps = tuple(replace(step, key=f"{key}/{step.n}") for step in self.steps)
        new = {old.key: now.key for old, now in zip(self.steps, steps, strict=True)}
        rests = tuple(replace(rest, step=new.get(rest.step, "")) for rest in self.rests)
        return replace(self, key=key, copy_number=copy, steps=steps, rests=rests)


@dataclass(frozen=True, slots=True)
class CutList:
    sheets: tuple[CutSheet, ...] = ()
