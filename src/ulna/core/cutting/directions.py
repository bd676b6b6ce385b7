"""What a person is told at a step, made from the step's own figures: which side is up, the figure to set, the sentence,
what to write on the back, what falls off and what it is called, and the cautions that belong to the tool."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass

from ulna.core.cutting.cut_list import ARM, CutList, CutPiece, CutSheet
from ulna.core.cutting.progress import is_kept_middle, shares
from ulna.core.cutting.steps import (
    Cut,
    Gut,
    Line,
    Open,
    Round,
    Shape,
    Slant,
    Step,
    Take,
    Tear,
    Tool,
    Trace,
    is_finishing,
    tool,
)
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, Ruler
from ulna.core.paper.shelf import Edge
from ulna.core.parts.pieces import TornEdge


@dataclass(frozen=True, slots=True)
class Fall:
    """What comes off at a step and is no piece: a rest by its name, or waste, which has none."""

    name: str
    width: Length
    height: Length
    figure: str
    says: str


@dataclass(frozen=True, slots=True)
class Direction:
    """`figure` is what is set or measured first and read from afar, `rest` the sentence without it; `says` is both.
    `write` is what is pencilled on the back of each piece that is done, `falls` what else comes off, `caution` what is
    to be minded where a tool is taken up for the first time."""

    tool: Tool
    up: str
    turn: bool
    figure: str
    rest: str
    says: str
    write: tuple[str, ...]
    falls: tuple[Fall, ...]
    caution: str


CAUTIONS: dict[Tool, str] = {
    "machine": (
        "Cutting machine: hands and hair off it while it moves; a new blade is sharp, the old one is capped. What its "
        "maker says comes first."
    ),
    "trimmer": (
        "Trimmer: fingers off the line; arm down and locked when it is not in use; children and animals away from the "
        "table. What its maker says comes first."
    ),
    "knife": (
        "Knife: a sharp blade, changed when it drags and capped when it is laid down; a metal ruler, fingers off the "
        "line; cut away from yourself, on a mat that does not slip. What its maker says comes first."
    ),
    "punch": "Punch: on a firm table, fingers clear of it. What its maker says comes first.",
    "scissors": "Scissors: points away from you, closed when they are laid down, out of reach of small children.",
}
"""By tool; said with the first step that takes it up. They cannot be switched off."""


def directions(cuts: CutList, least: Length, ruler: Ruler) -> dict[str, Direction]:
    """For each step of a list, by its key."""
    found, taken_up = dict[str, Direction](), set[Tool]()
    for sheet in cuts.sheets:
        kept = [s for s in shares(sheet, {s.key for s in sheet.steps}, least) if s.kind == "rest"]
        there, before = {share.at for share in kept}, ""
        for step in sheet.steps:
            with_ = tool(step, ARM)
            turn = bool(before) and isinstance(step, Cut) and step.axis != before
            before = step.axis if isinstance(step, Cut) else before
            figure, rest = words(step, sheet, ruler)
            one = Direction(
                with_,
                _up(step, sheet),
                turn,
                figure,
                rest,
                _said(step, figure, rest),
                _write(sheet, step),
                _falls(sheet, step, there, least, ruler),
                "" if with_ in taken_up else CAUTIONS.get(with_, ""),
            )
            taken_up.add(with_)
            found[step.key] = one
    return found


def sheet_directions(sheet: CutSheet, least: Length, ruler: Ruler) -> dict[str, Direction]:
    """For each step of one sheet on its own."""
    return directions(CutList((sheet,)), least, ruler)


def says(step: Step, sheet: CutSheet, ruler: Ruler) -> str:
    """The whole sentence of a step."""
    return _said(step, *words(step, sheet, ruler))


def _said(step: Step, figure: str, rest: str) -> str:
    return f"Set {figure} {rest}" if isinstance(step, Cut) else rest


def _up(step: Step, sheet: CutSheet) -> str:
    if is_finishing(step):
        return "Good side up, as on the page"
    return "Picture up" if sheet.print else f"{sheet.face} side up"


# ---- sentences -------------------------------------------------------------------------------------


def words(step: Step, sheet: CutSheet, ruler: Ruler) -> tuple[str, str]:
    """The figure that is set, where there is one, and the rest of the sentence."""
    if isinstance(step, Cut):
        return _cut(step, sheet, ruler)
    if isinstance(step, Take):
        return "", f"Take the whole {'print' if sheet.print else 'sheet'}{_that_is(step.gives)}"
    tell: Callable[..., str] = _TELL[type(step)]
    return "", tell(step, sheet, ruler)


def _cut(step: Cut, sheet: CutSheet, ruler: Ruler) -> tuple[str, str]:
    of = step.of
    edge = "left" if step.axis == "vertical" else "top"
    what = "print" if sheet.print else "sheet"
    part = f"the {what}" if of == sheet.whole else f"the {ruler.say(of.width)} × {ruler.say(of.height)} part"
    by_knife = ", with knife and metal ruler" if tool(step, ARM) == "knife" else ""
    return ruler.say(step.setting), f"from the {edge} of {part}{by_knife}{_that_is(step.gives)}"


def _trace(step: Trace, sheet: CutSheet, ruler: Ruler) -> str:
    many = "1 piece" if len(step.gives) == 1 else f"{len(step.gives)} pieces"
    where = "its top left corner in the bed's"
    return f"Lay {sheet.called} on the cutting machine, {where}: it cuts {many}{_that_is(step.gives)}"


def _that_is(gives: tuple[int, ...]) -> str:
    if not gives:
        return "."
    return f": piece{'s' if len(gives) > 1 else ''} {' and '.join(map(str, gives))}."


def _gut(step: Gut, sheet: CutSheet, ruler: Ruler) -> str:
    panel, of = step.panel, step.of
    size = ruler.say_size(panel.width, panel.height)
    if panel.width == of.width or panel.height == of.height:
        side = _side_of(panel, of)
        by = ruler.say(panel.height if panel.width == of.width else panel.width)
        return f"Trim {by} off the {side} of piece {step.piece}: {size} falls off{_that_is(step.gives)}"
    where = _where(panel.x - of.x, panel.y - of.y, panel, of, ruler)
    return f"Cut {size} out of piece {step.piece}, {where}{_that_is(step.gives)}"


def _side_of(panel: Rect, of: Rect) -> str:
    if panel.width == of.width:
        return "top" if panel.y == of.y else "bottom"
    return "left" if panel.x == of.x else "right"


def _where(left: Length, top: Length, hole: Rect, of: Rect, ruler: Ruler) -> str:
    """Two distances; "in the middle" only where it is there both ways."""
    said = f"{ruler.say(left)} from its left edge and {ruler.say(top)} from its top edge"
    in_middle = left * 2 + hole.width == of.width and top * 2 + hole.height == of.height
    return f"in the middle: {said}" if in_middle else said


def _open(step: Open, sheet: CutSheet, ruler: Ruler) -> str:
    hole, number = step.hole, step.piece
    width, height = sheet.piece(number).lies
    own = Rect(ZERO, ZERO, width, height)
    if step.punched:
        x, y = hole.x + hole.width.part(1, 2), hole.y + hole.height.part(1, 2)
        at = f"its centre {ruler.say(x)} from the left edge and {ruler.say(y)} from the top edge"
        what = "a hole" if hole.figure == "circle" else f"a {hole.figure}"
        return f"Punch {what} of {ruler.say(hole.width)} in piece {number}, {at}."
    where = _where(hole.x, hole.y, hole.at, own, ruler)
    if hole.clipped and not all(map(ruler.on_mark, (hole.width, hole.height))):
        # As in an o: its size is no ruler's, the template shows it.
        return f"Cut out what is drawn inside piece {number}, along the template, {where}."
    what = "an opening" if hole.is_straight else f"the {hole.figure}" if not hole.clipped else "the opening"
    size = ruler.say_size(hole.width, hole.height)
    by = "" if hole.is_straight else ", along the template"
    return f"Cut {what} of {size} out of piece {number}{by}, {where}."


def _slant(step: Slant, sheet: CutSheet, ruler: Ruler) -> str:
    width, height = sheet.piece(step.piece).lies
    lines = " and ".join(_line(line, width, height, ruler) for line in step.lines)
    return f"Cut piece {step.piece} straight {lines}{_also(step.gives)}."


def _line(line: Line, width: Length, height: Length, ruler: Ruler) -> str:
    ends = (
        _point(line.from_x, line.from_y, width, height, ruler),
        _point(line.to_x, line.to_y, width, height, ruler),
    )
    return f"from {ends[0]} to {ends[1]}"


def _point(x: Length, y: Length, width: Length, height: Length, ruler: Ruler) -> str:
    across = {ZERO: "left", width: "right"}.get(x)
    down = {ZERO: "top", height: "bottom"}.get(y)
    if across and down:
        return f"the {down} {across} corner"
    if down:
        return f"{ruler.say(x)} along the {down} edge"
    if across:
        return f"{ruler.say(y)} down the {across} edge"
    return f"{ruler.say(x)} from the left and {ruler.say(y)} from the top"


def _round(step: Round, sheet: CutSheet, ruler: Ruler) -> str:
    return f"Round all four corners of piece {step.piece} by {ruler.say(step.radius)}."


def _shape(step: Shape, sheet: CutSheet, ruler: Ruler) -> str:
    what = step.figure or "outline"
    if step.punched:
        return f"Punch the {what} out of piece {step.piece}."
    return f"Cut piece {step.piece} along the template: {what}{_also(step.gives)}."


def _also(gives: tuple[int, ...]) -> str:
    return "" if not gives else f"; of what falls off cut{_that_is(gives)[1:-1]}, along the template"


def _tear(step: Tear, sheet: CutSheet, ruler: Ruler) -> str:
    edges = " and ".join(_torn_edge(one, ruler) for one in step.edges)
    how = (
        "towards yourself, so that the core shows"
        if step.core_seen
        else "away from yourself, so that the core is hidden"
    )
    return f"Tear piece {step.piece} {edges}, {how}."


def _torn_edge(one: TornEdge, ruler: Ruler) -> str:
    highest, first, last = (ruler.say(ruler.round(one.at(share))) for share in (one.highest, one.begins, one.ends))
    if not one.rise:
        return f"{highest} inside the {one.edge.value} edge"
    hill = f"as a hill, {highest} inside the {one.edge.value} edge"
    if first == last:
        return f"{hill} in its middle and {first} at its ends"
    near, far = ("left", "right") if one.edge in (Edge.TOP, Edge.BOTTOM) else ("top", "bottom")
    ends = [f"{said} at its {end} end" for said, end in ((first, near), (last, far)) if said != highest]
    return f"{hill} where it is highest, {' and '.join(ends)}"


_TELL: dict[type, Callable[..., str]] = {
    Trace: _trace,
    Gut: _gut,
    Open: _open,
    Slant: _slant,
    Round: _round,
    Shape: _shape,
    Tear: _tear,
}

# ---- what comes of it ------------------------------------------------------------------------------


def _write(sheet: CutSheet, step: Step) -> tuple[str, ...]:
    if sheet.print:
        return ()
    return tuple(written(p) for p in sheet.pieces if p.number in step.gives)


def written(piece: CutPiece) -> str:
    """What is pencilled on the back of a piece."""
    return f"{piece.number} · {piece.name[:1].upper()}{piece.name[1:]}"


def _falls(sheet: CutSheet, step: Step, kept: set[Rect], least: Length, ruler: Ruler) -> tuple[Fall, ...]:
    """The parts that are final: no piece, and nothing more to be cut from them."""
    if isinstance(step, Open):
        hole = step.hole
        at = sheet.piece(step.piece).on_sheet(hole.at)
        if step.punched:
            return ()
        name = sheet.rest_called(at) if is_kept_middle(step, least) and not sheet.print else ""
        return (_fall(name, hole.at, hole.figure, ruler),)
    if isinstance(step, Trace):
        return tuple(_fall(sheet.rest_called(at), at, "rectangle", ruler) for at in step.free if at in kept)
    if isinstance(step, Take) or is_finishing(step):
        return ()
    pieces = {p.rect for p in sheet.pieces if p.number in step.gives}
    later = [s.of for s in sheet.steps if s.n > step.n and not is_finishing(s)]
    made = [step.panel] if isinstance(step, Gut) else step.halves  # type: ignore[union-attr]
    said = []
    for part in made:
        if part in pieces or any(part.contains(of) for of in later):
            continue
        rest = next((at for at in kept if part.contains(at)), None)
        said.append(
            _fall("", part, "rectangle", ruler)
            if rest is None
            else _fall(sheet.rest_called(rest), rest, "rectangle", ruler)
        )
    return tuple(said)


def _fall(name: str, at: Rect, figure: str, ruler: Ruler) -> Fall:
    size = ruler.say_size(at.width, at.height)
    what = size if figure == "rectangle" else f"{figure} {size}"
    told = f"{name}, {what}, goes on the shelf" if name else f"{what} is waste"
    return Fall(name, at.width, at.height, figure, told)
