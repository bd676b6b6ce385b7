"""A band of strips, side by side along one way.

flush       staggered    stepped      ragged
████████     ████████    ████████     ███████
████████    ████████      ████████      ████████    n strips of w × L with gap g (below 0 they overlap):
████████     ████████      ████████    ██████       n·w + (n − 1)·g across, the middle one is laid first
"""

from __future__ import annotations

import random
from dataclasses import dataclass, field
from typing import ClassVar, Literal

from ulna.core.findings import Finding
from ulna.core.geometry.rects import Rect
from ulna.core.measure import SIZE, ZERO, Length, Ruler, inches
from ulna.core.parts.beginning import Beginning, unchosen
from ulna.core.parts.kind import Entry, Traits
from ulna.core.parts.over_long import gives, lengthened, over
from ulna.core.parts.papers import dealt
from ulna.core.parts.pieces import Built, Ground, Handle, PaperChoice, Papers, Piece
from ulna.core.parts.place import Place
from ulna.core.ranges import Count, Gap, Id, Offset, Seed, Size

Ends = Literal["flush", "staggered", "stepped", "ragged"]
MOST = 100


@dataclass(frozen=True, slots=True)
class Band:
    """`upright` strips stand beside each other, else they lie one under the other. `by` is the stagger, the step,
    or at most how far a ragged one is off; `seed` draws the ragged ends, and the order of papers where `drawn`. Strips are cut 1/4 in longer, to be
    trimmed, where `over` says so (None: as the house rule has it) and their paper is as long.
    """

    kind: ClassVar[str] = "band"
    level: ClassVar[str] = "under"
    id: Id
    count: Count = 5
    width: Size = inches(0, 1, 2)
    length: Size = inches(8)
    gap: Offset = ZERO
    way: Ends = "flush"
    by: Gap = inches(0, 1, 2)
    upright: bool = False
    papers: Papers = (PaperChoice(),)
    drawn: bool = False
    doubled: bool = False
    seed: Seed = 1
    over: bool | None = None
    place: Place = field(default_factory=Place)


def offsets(part: Band, ruler: Ruler) -> list[Length]:
    """How far each strip begins from where the first could."""
    by = ruler.round(part.by)
    if part.way == "staggered":
        return [by if k % 2 == 0 else ZERO for k in range(part.count)]
    if part.way == "stepped":
        return [by * k for k in range(part.count)]
    if part.way == "ragged":
        dice, marks = random.Random(part.seed), by.units // ruler.mark.units
        return [ruler.mark * dice.randint(0, marks) for _ in range(part.count)]
    return [ZERO] * part.count


def outward(count: int) -> list[int]:
    """The order in which strips are laid: the middle one first, then the rest outward by turns."""
    middle = (count - 1) // 2
    return sorted(range(count), key=lambda k: (abs(k - middle), k < middle))


def build(part: Band, ground: Ground, room: Rect) -> Built:
    """The strips, the one laid first lowest; later ones overlap earlier ones where the gap is below nothing."""
    ruler = ground.ruler
    w, long, gap = ruler.round(part.width), ruler.round(part.length), ruler.round(part.gap)
    problem = _problem(part, w, long, gap, ruler)
    if problem:
        return Built(ZERO, ZERO, findings=(Finding("band", "stop", part.id, problem),))
    starts, papers = (
        offsets(part, ruler),
        dealt(part.papers, part.count, part.seed if part.drawn else None, part.doubled),
    )
    across, along = w * part.count + gap * (part.count - 1), long + max(starts)
    pieces, more = list[Piece](), over(part.over, ground)
    for turn, k in enumerate(outward(part.count), 1):
        near = (w + gap) * k
        at = Rect(near, starts[k], w, long) if part.upright else Rect(starts[k], near, long, w)
        name = f"strip {k + 1}" + (", laid first" if turn == 1 and part.count > 2 else "")
        piece = Piece(f"{part.id}/strip-{k + 1}", part.id, "strip", name, at, at, papers[k])
        longer = more if gives(papers[k], long + more, ground) else ZERO
        pieces.append(lengthened(piece, longer, part.upright))
    gaps = f" + {part.count - 1} × {ruler.say(gap)}" if gap and part.count > 1 else ""
    told = f"{part.count} × {ruler.say(w)}{gaps} = {ruler.say(across)}; {ruler.say(long)} long"
    if trimmed := sum(bool(piece.outline) for piece in pieces):
        all_of = "" if trimmed == part.count else f"{trimmed} of them "
        told += f", {all_of}cut {ruler.say(more)} longer and trimmed"
    width, height = (across, along) if part.upright else (along, across)
    return Built(
        width, height, tuple(pieces), told, _yield(part, w, long, ground), handles=_handles(part, width, height)
    )


def _problem(part: Band, w: Length, long: Length, gap: Length, ruler: Ruler) -> str:
    if not 1 <= part.count <= MOST:
        return f"A band has 1 to {MOST} strips, not {part.count}."
    if min(w, long) < SIZE.least:
        return "Its strips have no width or no length; make them larger."
    if gap <= -w:
        return f"An overlap of {ruler.say(-gap)} hides strips of {ruler.say(w)} whole; let less overlap."
    return ""


def _yield(part: Band, w: Length, long: Length, ground: Ground) -> tuple[Finding, ...]:
    """How many such strips one sheet of each paper gives, where that is fewer than the band takes of it."""
    found = []
    for choice in dict.fromkeys(part.papers):
        paper = ground.shelf.papers.get(choice.paper or "")
        if paper is None:
            continue
        room = paper.usable
        n = strips_from(room.width, room.height, w, long)
        if not n:
            size = ground.ruler.say_size(room.width, room.height)
            strip = " without its branding strip" if paper.strip else ""
            told = f"{paper.name}, {size}{strip}, gives no strip that long."
            found.append(Finding("yield", "warn", part.id, told))
    return tuple(found)


def strips_from(width: Length, height: Length, w: Length, long: Length) -> int:
    """How many strips of w × long one sheet gives, cut along its better way: a 6 × 8 gives four of 2 × 6."""
    return max((width // w) * (height // long), (height // w) * (width // long))


def _handles(part: Band, width: Length, height: Length) -> tuple[Handle, ...]:
    n, half_w, half_h = part.count, width.part(1, 2), height.part(1, 2)
    pitch = max(0.05, (part.width + part.gap).inches)
    if part.upright:
        found = [
            Handle("count", "strips", width, half_h, 1 / pitch, count=True),
            Handle("length", "length", half_w, height, 0, 1),
        ]
        if n > 1:
            found.append(Handle("gap", "gap", part.width, ZERO, 1, signed=True))
    else:
        found = [
            Handle("count", "strips", half_w, height, 0, 1 / pitch, count=True),
            Handle("length", "length", width, half_h, 1),
        ]
        if n > 1:
            found.append(Handle("gap", "gap", ZERO, part.width, 0, 1, signed=True))
    if part.way != "flush":
        found.append(Handle("by", part.way, width, ZERO, 0 if part.upright else 1, 1 if part.upright else 0))
    return tuple(found)


def name(part: Band, ground: Ground) -> str:
    return "the band"


def sentence(part: Band, ground: Ground) -> str:
    say = ground.ruler.say
    how = f"{part.count} {'upright' if part.upright else 'sideways'} strips {say(part.width)} × {say(part.length)}"
    apart = (
        "touching"
        if not part.gap
        else f"{say(part.gap)} apart"
        if part.gap > ZERO
        else f"overlapping {say(-part.gap)}"
    )
    way = part.way if part.way == "flush" else f"{part.way} by {say(part.by)}"
    papers = ", ".join(ground.says(choice) for choice in part.papers)
    return f"Band of {how}, {apart}, {way}: {papers}"


def _band(begin: Beginning, way: Ends) -> Band:
    half, gap = begin.of(0, 1, 2), ZERO if way == "flush" else begin.of(0, 1, 16)
    return Band("new", 5, half, begin.share(70, 8), gap, way, half, papers=unchosen(5))


PART = Band
TRAITS = Traits()
MENU: tuple[Entry, ...] = (
    Entry(
        "Band, flush",
        "strip strips row even",
        "M3 5h18v3H3zM3 10h18v3H3zM3 15h18v3H3z",
        lambda b: _band(b, "flush"),
    ),
    Entry(
        "Band, staggered",
        "strips alternate offset",
        "M6 5h15v3H6zM3 10h15v3H3zM6 15h15v3H6z",
        lambda b: _band(b, "staggered"),
    ),
    Entry(
        "Band, stepped",
        "strips stairs offset",
        "M2 5h14v3H2zM5 10h14v3H5zM8 15h14v3H8z",
        lambda b: _band(b, "stepped"),
    ),
    Entry(
        "Band, ragged",
        "strips random uneven",
        "M4 5h15v3H4zM2 10h15v3H2zM6 15h15v3H6z",
        lambda b: _band(b, "ragged"),
    ),
)
