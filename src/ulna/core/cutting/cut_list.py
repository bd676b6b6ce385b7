"""A plan as a person cuts by it: sheets in the order of use, numbered pieces, cuts in trimmer figures.

Everything on a sheet, panels included, is in the sheet's own coordinates. A sheet from which only B sides are
wanted is shown with its B side up, that is mirrored, so that it can be cut as it is looked at.
"""

from __future__ import annotations

from collections.abc import Callable, Collection, Mapping, Sequence
from dataclasses import dataclass
from itertools import count
from typing import Literal

from ulna.core.cutting.plan import CutPlan, Layout, SheetPlan, Step
from ulna.core.cutting.request import Area
from ulna.core.cutting.tree import Axis
from ulna.core.geometry import Rect
from ulna.core.measure import ZERO, Length, Ruler, inches
from ulna.core.pieces import Piece
from ulna.core.shelf import Edge, Face, Paper, Shelf, Strip

ARM = inches(12)
"""What a trimmer's cutting arm takes; longer cuts go by knife and metal ruler."""


@dataclass(frozen=True, slots=True)
class CutPiece:
    """A piece on its sheet. `number` counts over the whole list; `panel` is what gutting wins from it.

    `fate` tells of one that was spoiled (`left` is what is left of it, if anything), or that is used at the size at
    which it came to be cut.
    """

    number: int
    piece: str
    name: str
    side: Face
    rect: Rect
    turned: bool
    panel: Rect | None = None
    fate: Literal["", "spoiled", "as cut"] = ""
    left: Rect | None = None


@dataclass(frozen=True, slots=True)
class CutStep:
    """One thing to do: `cut` with the trimmer straight across `of`, `setting` from its near (left or top) edge;
    `gut` with the knife, `of` being the panel; `take` a sheet that is a piece as it is.

    `gives` are the numbers of the pieces that are done after it.
    """

    key: str
    n: int
    kind: Literal["cut", "gut", "take"]
    axis: Axis
    at: Length
    setting: Length
    of: Rect
    gives: tuple[int, ...]
    says: str


@dataclass(frozen=True, slots=True)
class CutSheet:
    """One sheet or scrap, as it is looked at: `face` is the side that is up.

    `of_paper` is the paper itself, also where `paper` is a scrap of it; `paper_name` is what it is called. `names` are
    the letters that its rests are called by; `holes` are cut out of it already. `print` names the photo where the
    sheet is a print that is cut.
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
    rests: tuple[Rect, ...]
    steps: tuple[CutStep, ...]
    print: str = ""
    names: tuple[str, ...] = ()
    paper_name: str = ""
    holes: tuple[Rect, ...] = ()

    @property
    def called(self) -> str:
        """As it is called and pencilled on the back: the first sheet of Reed is "Reed 1", its second rest "Reed 1b"."""
        return self.paper_name if self.scrap else f"{self.paper_name} {self.copy_number}"

    def rest_called(self, rest: Rect) -> str:
        letter = next((name for at, name in zip(self.rests, self.names, strict=False) if at == rest), "*")
        return f"{self.called}{letter}"


@dataclass(frozen=True, slots=True)
class CutList:
    sheets: tuple[CutSheet, ...] = ()


def cut_list(plan: CutPlan, pieces: Mapping[str, Piece], shelf: Shelf, ruler: Ruler, first: int = 1) -> CutList:
    """The list of a plan that was made for these pieces; numbers begin at `first`."""
    sheets = []
    for sheet in _in_order_of_use(plan, shelf):
        paper = shelf.paper(sheet.sheet)
        built = _cut_sheet(sheet, paper, pieces, ruler, first)
        first += len(built.pieces)
        sheets.append(built)
    return CutList(tuple(sheets))


def _in_order_of_use(plan: CutPlan, shelf: Shelf) -> list[SheetPlan]:
    """Scraps first, so that they are used before a sheet is cut; then big pieces before small ones."""

    def largest(sheet: SheetPlan) -> int:
        return max((p.area.size for p in sheet.layout.placements), default=0)

    return sorted(plan.sheets, key=lambda s: (not shelf.paper(s.sheet).is_scrap, -largest(s), s.sheet, s.copy))


def _cut_sheet(sheet: SheetPlan, paper: Paper, pieces: Mapping[str, Piece], ruler: Ruler, first: int) -> CutSheet:
    found, rests, raw = list[_Found](), list[Area](), list[_Raw]()
    _flatten(sheet.layout, 0, 0, found, rests, raw)
    sides = {pieces[f.piece].choice.side for f in found}
    face: Face = "B" if sides == {"B"} else "A"
    width = paper.width.units
    # A plain rectangle may be turned over as it is; what has a left and a right must be mirrored.
    at_a_side = paper.strip is not None and paper.strip.edge in (Edge.LEFT, Edge.RIGHT)
    sided = at_a_side or bool(paper.holes) or any(f.panel for f in found)
    mirrored = face == "B" and sided

    def seen(area: Area) -> Rect:
        x = width - area.right if mirrored else area.x
        return Rect(Length(x), Length(area.y), Length(area.width), Length(area.height))

    listed = tuple(
        CutPiece(
            first + k,
            f.piece,
            pieces[f.piece].name,
            pieces[f.piece].choice.side,
            seen(f.area),
            f.turned,
            seen(f.panel) if f.panel else None,
        )
        for k, f in enumerate(found)
    )
    key = f"{sheet.sheet}#{sheet.copy}"
    steps = tuple(_steps(raw, listed, key, seen(Area(0, 0, width, paper.height.units)), seen, ruler))
    return CutSheet(
        key,
        paper.id,
        paper.scrap_of or paper.id,
        sheet.copy,
        paper.is_scrap,
        face,
        paper.width,
        paper.height,
        _seen_strip(paper.strip, face),
        listed,
        tuple(seen(r) for r in rests),
        steps,
        names=_lettered([seen(r) for r in rests], steps),
        paper_name=paper.name,
        holes=tuple(seen(Area(h.x.units, h.y.units, h.width.units, h.height.units)) for h in paper.holes),
    )


def _lettered(rests: Sequence[Rect], steps: Sequence[CutStep]) -> tuple[str, ...]:
    """The names of the rests, in the order in which the steps make them."""

    def made(rest: Rect) -> int:
        return max((k for k, step in enumerate(steps) if step.of == rest or step.of.contains(rest)), default=-1)

    order = sorted(range(len(rests)), key=lambda k: made(rests[k]))
    names = dict(zip(order, letters(len(rests)), strict=True))
    return tuple(names[k] for k in range(len(rests)))


def letters(many: int, taken: Collection[str] = ()) -> list[str]:
    """So many names for rests, a to z and then a1 to z1 and so on, passing over those that are taken."""
    found = list[str]()
    for k in count():
        if len(found) == many:
            return found
        name = chr(ord("a") + k % 26) + (str(k // 26) if k >= 26 else "")
        if name not in taken:
            found.append(name)
    raise AssertionError("there is always one more")


def _seen_strip(strip: Strip | None, face: Face) -> Strip | None:
    if strip is None or face == "A" or strip.edge in (Edge.TOP, Edge.BOTTOM):
        return strip
    return Strip(Edge.RIGHT if strip.edge is Edge.LEFT else Edge.LEFT, strip.depth)


@dataclass(frozen=True, slots=True)
class _Found:
    piece: str
    area: Area
    turned: bool
    panel: Area | None


@dataclass(frozen=True, slots=True)
class _Raw:
    """A cut of the plan, or the gutting of one piece, in the sheet's coordinates as planned."""

    step: Step | None
    gutted: int = -1


def _flatten(layout: Layout, dx: int, dy: int, found: list[_Found], rests: list[Area], raw: list[_Raw]) -> None:
    def moved(a: Area) -> Area:
        return Area(a.x + dx, a.y + dy, a.width, a.height)

    for step in layout.steps:
        raw.append(_Raw(Step(step.axis, step.at + (dx if step.axis == "vertical" else dy), moved(step.of))))
    rests += [moved(o) for o in layout.offcuts]
    panels: list[tuple[int, Layout, Area]] = []
    for placed in layout.placements:
        panel = moved(placed.panel) if placed.panel else None
        if panel is not None and placed.inside is not None:
            panels.append((len(found), placed.inside, panel))
        found.append(_Found(placed.piece, moved(placed.area), placed.turned, panel))
    for index, inside, panel in panels:
        raw.append(_Raw(None, index))
        _flatten(inside, panel.x, panel.y, found, rests, raw)


def _steps(
    raw: list[_Raw],
    listed: tuple[CutPiece, ...],
    sheet: str,
    whole: Rect,
    seen: Callable[[Area], Rect],
    ruler: Ruler,
) -> list[CutStep]:
    """Each cut as a person reads it. A sheet that is one whole piece needs no cut: it is taken as it is."""
    if not raw:
        numbers = tuple(p.number for p in listed)
        return [CutStep(f"{sheet}/1", 1, "take", "vertical", ZERO, ZERO, whole, numbers, "Take the whole sheet.")]
    steps = []
    for n, cut in enumerate(raw, 1):
        key = f"{sheet}/{n}"
        if cut.step is None:
            steps.append(_gutting(key, n, listed[cut.gutted], listed, ruler))
            continue
        upright = cut.step.axis == "vertical"
        of = seen(cut.step.of)
        if upright:
            at = seen(Area(cut.step.at, 0, 0, 0)).x
            sides = [Rect(of.x, of.y, at - of.x, of.height), Rect(at, of.y, of.right - at, of.height)]
            setting = at - of.x
        else:
            at = Length(cut.step.at)
            sides = [Rect(of.x, of.y, of.width, at - of.y), Rect(of.x, at, of.width, of.bottom - at)]
            setting = at - of.y
        gives = tuple(p.number for p in listed if p.rect in sides)
        says = cut_words("sheet", cut.step.axis, setting, of, of == whole, gives, ruler)
        steps.append(CutStep(key, n, "cut", cut.step.axis, at, setting, of, gives, says))
    return steps


def _gutting(key: str, n: int, piece: CutPiece, listed: tuple[CutPiece, ...], ruler: Ruler) -> CutStep:
    """The knife cut that wins the panel inside a piece."""
    panel = piece.panel or piece.rect
    gives = tuple(p.number for p in listed if p.rect == panel)
    size = ruler.say_size(panel.width, panel.height)
    if panel.width == piece.rect.width or panel.height == piece.rect.height:
        says = f"Trim piece {piece.number} as it is on the page: {size} falls off"
    else:
        says = f"Gut piece {piece.number}: cut out the middle, {size}"
    return CutStep(key, n, "gut", "vertical", panel.x, ZERO, panel, gives, says + _that_is(gives))


def cut_words(
    what: str, axis: Axis, setting: Length, of: Rect, is_whole: bool, gives: tuple[int, ...], ruler: Ruler
) -> str:
    """A cut as a person reads it: what to set, from which edge of what, and what comes of it."""
    length, edge = (of.height, "left") if axis == "vertical" else (of.width, "top")
    part = f"the {what}" if is_whole else f"the {ruler.say(of.width)} × {ruler.say(of.height)} part"
    says = f"Set {ruler.say(setting)} from the {edge} of {part}"
    return says + (", with knife and metal ruler" if length > ARM else "") + _that_is(gives)


def _that_is(gives: tuple[int, ...]) -> str:
    if not gives:
        return "."
    return f": piece{'s' if len(gives) > 1 else ''} {' and '.join(map(str, gives))}."
