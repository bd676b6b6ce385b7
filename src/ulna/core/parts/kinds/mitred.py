"""A mitred border: four strips, each as long as its side, cut at 45° where they meet, the same edge outward.

╲──────────╱
│╲────────╱│   all four are cut in the same direction of the paper; stripes along the strips meet at every corner
││        ││   when the strips are cut with the same stripe outward; stripes across meet when every second strip is
│╱────────╲│   turned end for end: on a square always, on an oblong where 2 × (long − short) is a whole number of
╱──────────╲   repeats
"""

from __future__ import annotations

from dataclasses import dataclass, field, replace
from typing import ClassVar, Literal

from ulna.core.findings import Finding
from ulna.core.geometry.rects import Rect
from ulna.core.measure import SIZE, ZERO, Length, inches
from ulna.core.paper.patterns import pitch_of, repeat, runs
from ulna.core.paper.shelf import Paper
from ulna.core.parts.kind import Entry, Traits
from ulna.core.parts.pieces import Built, Ground, Handle, PaperChoice, Phase, Piece
from ulna.core.parts.place import Place
from ulna.core.parts.sizing import KEPT_OFF
from ulna.core.ranges import Gap, Id, Size

OVERLAP = inches(0, 1, 8)


@dataclass(frozen=True, slots=True)
class Mitred:
    """`trim` is left outside it. `shows` of each strip is seen; `under` more lies beneath a panel on top (1/8 in)."""

    kind: ClassVar[str] = "mitred"
    level: ClassVar[str] = "under"
    id: Id
    shows: Size = inches(0, 3, 4)
    under: Gap = OVERLAP
    trim: Gap = ZERO
    stripes: Literal["along", "across"] = "along"
    choice: PaperChoice = field(default_factory=PaperChoice)
    place: Place = field(default_factory=Place)


def build(part: Mitred, ground: Ground, room: Rect) -> Built:
    """Four strips, the top one first, clockwise."""
    ruler = ground.ruler
    width, height = ruler.round(room.width - part.trim * 2), ruler.round(room.height - part.trim * 2)
    w = ruler.round(part.shows + part.under)
    if w < SIZE.least or min(width, height) < w * 2:
        most = ruler.say(max(ZERO, min(width, height)).part(1, 2))
        told = f"Strips of {ruler.say(w)} leave nothing inside them; make them narrower than {most}."
        return Built(ZERO, ZERO, findings=(Finding("nothing-left", "stop", part.id, told),))
    # One strip, its outer edge on the left, laid a quarter turned at each corner: so all four are cut the same way.
    paper = ground.shelf.papers.get(part.choice.paper or "")
    down = paper is None or runs(paper.face(part.choice.side)) != "across"
    choice = replace(part.choice, turned=down != (part.stripes == "along"))
    half, mid_x, mid_y = w.part(1, 2), width.part(1, 2), height.part(1, 2)
    sides: tuple[tuple[str, Length, Length, Length, float], ...] = (
        ("top", width, mid_x, half, 90.0),
        ("right", height, width - half, mid_y, 180.0),
        ("bottom", width, mid_x, height - half, 270.0),
        ("left", height, half, mid_y, 0.0),
    )
    phase = _phase(part, paper)
    pieces, d = [], w.inches
    for side, long, x, y, angle in sides:
        at = Rect(x - half, y - long.part(1, 2), w, long)
        strip = Piece(f"{part.id}/{side}", part.id, "strip", f"border, {side} strip", at, at, choice)
        line = ((0.0, 0.0), (d, d), (d, long.inches - d), (0.0, long.inches))
        pieces.append(replace(strip, angle=angle, outline=line, phase=phase))
    told = (
        f"2 strips {ruler.say_size(width, w)}, 2 strips {ruler.say_size(height, w)}, ends cut at 45°; "
        f"{ruler.say(part.shows)} shows"
    )
    findings = _misses(part, width, height, w, ground)
    handles = (Handle("shows", "shows", width.part(1, 2), part.shows, 0, 1),)
    return Built(width, height, tuple(pieces), told, tuple(findings), handles=handles)


def _phase(part: Mitred, paper: Paper | None) -> Phase | None:
    """Stripes along the strips meet at the corners where all four begin the same way into a repeat."""
    if paper is None or part.stripes != "along":
        return None
    side = paper.face(part.choice.side)
    every = repeat(side)
    return Phase(part.id, every) if runs(side) is not None and every > ZERO else None


def _misses(part: Mitred, width: Length, height: Length, w: Length, ground: Ground) -> list[Finding]:
    """By how much stripes miss each other at the corners."""
    paper = ground.shelf.papers.get(part.choice.paper or "")
    if paper is None:
        return []
    side, say = paper.face(part.choice.side), ground.ruler.say
    every = repeat(side)
    if runs(side) is None or not every:
        return []
    if part.stripes == "along":
        return _in_phase(part, paper, w, every, ground)
    turn = "Cut all four from the same end of the paper and turn every second one end for end."
    off = Length((abs(width - height) * 2).units % every.units)
    miss = min(off, every - off)
    if not miss:
        return [Finding("phase", "note", part.id, turn)]
    told = (
        f"Stripes across miss each other by {say(miss)} at two corners: 2 × ({say(max(width, height))} − "
        f"{say(min(width, height))}) is no whole number of repeats ({say(every)}). {turn}"
    )
    return [Finding("corner-miss", "warn", part.id, told)]


def _in_phase(part: Mitred, paper: Paper, w: Length, every: Length, ground: Ground) -> list[Finding]:
    """How much of the paper's width the four strips take so that their stripes meet."""
    say, pitch = ground.ruler.say, pitch_of(w, every)
    takes, across = pitch * 3 + w, paper.usable.width
    told = f"So that the stripes meet, all four strips begin at the same stripe, {say(pitch)} apart"
    if takes <= across:
        told += f": together they take {say(takes)} of the paper's width."
        return [Finding("phase", "note", part.id, told)]
    told += f": that takes {say(takes)} of the paper's width, and a sheet has {say(across)}; several are opened."
    return [Finding("phase", "warn", part.id, told)]


def name(part: Mitred, ground: Ground) -> str:
    return "the mitred border"


def sentence(part: Mitred, ground: Ground) -> str:
    say = ground.ruler.say
    trim = f", {say(part.trim)} inside the edge" if part.trim else ""
    return f"Mitred border, {say(part.shows)} shows, {ground.says(part.choice)}, stripes {part.stripes}{trim}"


PART = Mitred
TRAITS = Traits(fills=lambda part: True, off_trim=KEPT_OFF)
MENU: tuple[Entry, ...] = (
    Entry(
        "Mitred border",
        "stripes corners frame edge",
        "M3 3h18v18H3zM7 7h10v10H7zM3 3l4 4M21 3l-4 4M3 21l4-4M21 21l-4-4",
        lambda b: Mitred("new", b.of(0, 3, 4), b.usual.narrow),
    ),
)
