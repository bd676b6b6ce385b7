"""What a person is told at a step: which side is up, whether to turn the paper, what to write on the back, what falls
off and what it is called."""

from __future__ import annotations

from dataclasses import dataclass

from ulna.core.cutting.cut_list import CutSheet, CutStep
from ulna.core.cutting.progress import halves, shares
from ulna.core.geometry import Rect
from ulna.core.measure import Length, Ruler


@dataclass(frozen=True, slots=True)
class Direction:
    """`write` is what is pencilled on the back of each piece that is done, `falls` what else comes off."""

    up: str
    turn: bool
    write: tuple[str, ...]
    falls: tuple[str, ...]


def directions(sheet: CutSheet, least: Length, ruler: Ruler) -> dict[str, Direction]:
    """For each step of a sheet, by its key."""
    keys = {s.key for s in sheet.steps}
    kept = {share.at for share in shares(sheet, keys, least) if share.kind == "rest"}
    up = "Picture up" if sheet.print else f"{sheet.face} side up"
    found, before = {}, ""
    for step in sheet.steps:
        turn = bool(before) and step.kind == "cut" and step.axis != before
        before = step.axis if step.kind == "cut" else before
        found[step.key] = Direction(up, turn, _write(sheet, step), _falls(sheet, step, kept, ruler))
    return found


def _write(sheet: CutSheet, step: CutStep) -> tuple[str, ...]:
    if sheet.print:
        return ()
    names = {p.number: p.name for p in sheet.pieces}
    return tuple(f"{n} · {names[n][0].upper()}{names[n][1:]}" for n in step.gives if n in names)


def _falls(sheet: CutSheet, step: CutStep, kept: set[Rect], ruler: Ruler) -> tuple[str, ...]:
    """The parts that are final: no piece, and nothing more to be cut from them."""
    if step.kind == "take":
        return ()
    pieces = {p.rect for p in sheet.pieces if p.number in step.gives}
    later = [s.of for s in sheet.steps if s.n > step.n]
    made = [step.of] if step.kind == "gut" else halves(step)
    said = []
    for part in made:
        if part in pieces or any(part.contains(of) for of in later):
            continue
        rest = next((at for at in kept if part.contains(at)), None)
        if rest is None:
            said.append(f"{ruler.say_size(part.width, part.height)} is waste")
        else:
            said.append(f"{sheet.rest_called(rest)}, {ruler.say_size(rest.width, rest.height)}, goes on the shelf")
    return tuple(said)
