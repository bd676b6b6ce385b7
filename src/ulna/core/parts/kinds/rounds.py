"""Things of one kind in a row or a round: n along a path so that it closes.

● ● ● ● ●      n = round(length / pitch), pitch = length / n; a round has as many gaps as things, a row one fewer
"""

from __future__ import annotations

import math
from collections.abc import Iterable
from dataclasses import dataclass, field, replace
from typing import ClassVar, Literal

from ulna.core.findings import Finding
from ulna.core.geometry.figures import Figure, outline
from ulna.core.geometry.polygons import Point
from ulna.core.geometry.rects import Rect
from ulna.core.measure import SIZE, ZERO, inches
from ulna.core.paper import punches
from ulna.core.parts import stuck
from ulna.core.parts.beginning import Beginning, unchosen
from ulna.core.parts.kind import Entry, Taking, Traits
from ulna.core.parts.papers import dealt
from ulna.core.parts.pieces import Built, Ground, Handle, PaperChoice, Papers, Piece
from ulna.core.parts.place import Place
from ulna.core.parts.sizing import size_handles
from ulna.core.ranges import Id, Share, Size
from ulna.core.things.thing import Thing

Path = Literal["row", "column", "ring", "round the edge"]
MOST = 200


@dataclass(frozen=True, slots=True)
class Rounds:
    """Figures of `size`, `pitch` apart from middle to middle, along `length`; of a ring that is its diameter through
    the middles. Round the edge they follow the box of `length` × `height`. With a `thing` of the shelf they are that,
    as large as it is; where there are too few to close, the gap that they leave begins at the share `gap_at`.
    """

    kind: ClassVar[str] = "rounds"
    level: ClassVar[str] = "over"
    id: Id
    figure: Figure = "circle"
    size: Size = inches(0, 1, 2)
    path: Path = "row"
    length: Size = inches(6)
    height: Size = inches(6)
    pitch: Size = inches(0, 3, 4)
    outward: bool = False
    papers: Papers = (PaperChoice(),)
    thing: Id | None = None
    gap_at: Share = 0.5
    place: Place = field(default_factory=Place)


def count_of(length: float, pitch: float) -> int:
    """How many go along a closed path: the whole number nearest to length / pitch, at least one."""
    return max(1, round(length / pitch))


def build(part: Rounds, ground: Ground, room: Rect) -> Built:
    """The figures in their order along the path; the path's box is from middle to middle and half a figure more."""
    ruler = ground.ruler
    thing, gone = stuck.known(part.id, part.thing, ground) if part.thing else (None, ())
    size, long = ruler.round(part.size), ruler.round(part.length)
    box_size = stuck.size_of(thing, "", ruler) if thing is not None else (size, size)
    if thing is not None:
        size = max(box_size)
    high = {"row": ZERO, "column": long, "ring": long}.get(part.path, ruler.round(part.height))
    wide = ZERO if part.path == "column" else long
    if size < SIZE.least or part.pitch < SIZE.least or long < SIZE.least:
        return _none(part, "It needs a size, a length and a pitch; make them larger.")
    spots = _spots(part, wide.inches, high.inches)
    if len(spots) > MOST:
        return _none(part, f"{len(spots)} figures are more than {MOST}; set them further apart.")
    papers = dealt(part.papers, len(spots))
    left_out, short = _left_out(part, thing, len(spots), ground)
    line = outline(part.figure, size.inches, size.inches, size.inches / 4)
    pieces = list[Piece]()
    for k, ((x, y), angle) in enumerate(spots):
        if k in left_out:
            continue
        if thing is not None:
            wide, high = box_size
            off_x, off_y = (size - wide).part(1, 2).inches, (size - high).part(1, 2).inches
            lies = Rect(ruler.near(x + off_x), ruler.near(y + off_y), wide, high)
            pieces += stuck.pieces_of(part.id, str(k + 1), thing, lies, ruler, angle if part.outward else 0.0)
            continue
        at = Rect(ruler.near(x), ruler.near(y), size, size)
        piece = Piece(f"{part.id}/{k + 1}", part.id, "shape", f"{part.figure} {k + 1}", at, at, papers[k])
        if part.figure != "rectangle":
            piece = replace(piece, outline=line, figure=part.figure, cut=size.part(1, 4))
        pieces.append(replace(piece, angle=angle) if part.outward and angle else piece)
    gap = _pitch(part, spots)
    apart = ruler.say(ruler.near(gap))
    told = f"{len(spots)} of {ruler.say(size)}, {apart} from middle to middle"
    if thing is not None:
        told = f"{told}{short}"
    touching = gap < size.inches - 1e-6
    found = (
        (Finding("overlap", "note", part.id, "They overlap: the pitch is less than their size."),)
        if touching
        else ()
    )
    width, height = wide + size, high + size
    box = Rect(ZERO, ZERO, width, height)
    second = ruler.near(gap) + size.part(1, 2)
    handles = [Handle("size", "size", size, size, 1), Handle("pitch", "pitch", min(second, width), ZERO, 1)]
    if part.path == "column":
        handles[1] = Handle("pitch", "pitch", ZERO, min(second, height), 0, 1)
        handles.append(Handle("length", "length", size.part(1, 2), height, 0, 1))
    elif part.path == "round the edge":
        handles += [
            replace(h, field="length" if h.field == "width" else "height") for h in size_handles(part.place, box)
        ]
    else:
        handles.append(Handle("length", "length", width, height.part(1, 2), 1))
    punched = punches.told(part, part.figure, size, ground.punches, ruler) if thing is None else ()
    return Built(width, height, tuple(pieces), told, (*found, *gone, *punched), handles=tuple(handles))


def _left_out(part: Rounds, thing: Thing | None, wanted: int, ground: Ground) -> tuple[set[int], str]:
    """Which spots stay empty because there are not enough of the thing, beginning where the gap may be; in words what a
    strip of them gives."""
    if thing is None or not thing.id:
        return set(), ""
    left = max(0, ground.shelf.things_left.get(thing.id, thing.there))
    strips = f", {-(-min(wanted, left) // thing.each)} strips of {thing.each}" if thing.each > 1 else ""
    if not thing.runs_out or left >= wanted:
        return set(), strips
    first = round(part.gap_at * wanted)
    gap = {(first + k) % wanted for k in range(wanted - left)}
    return gap, f"{strips}; {left} are there, so a gap of {wanted - left} stays"


def takes(part: Rounds, room: Rect) -> Iterable[Taking]:
    """One for each place that closes it."""
    if part.thing:
        high = {"row": ZERO, "column": part.length, "ring": part.length}.get(part.path, part.height)
        wide = ZERO if part.path == "column" else part.length
        if part.pitch >= SIZE.least:
            yield Taking(part.thing, 2 * len(_spots(part, wide.inches, high.inches)))


def _none(part: Rounds, told: str) -> Built:
    return Built(ZERO, ZERO, findings=(Finding("rounds", "stop", part.id, told),))


def _pitch(part: Rounds, spots: list[tuple[Point, float]]) -> float:
    if len(spots) < 2:
        return part.pitch.inches
    if part.path == "ring":
        return math.pi * part.length.inches / len(spots)
    return math.dist(spots[0][0], spots[1][0])


def _spots(part: Rounds, w: float, h: float) -> list[tuple[Point, float]]:
    """The near corner of each figure's box, and how far it turns outward."""
    pitch = part.pitch.inches
    if part.path in ("row", "column"):
        long = w if part.path == "row" else h
        n = max(1, round(long / pitch))
        along = [long * k / n for k in range(n + 1)]
        return [((x, 0.0), 0.0) if part.path == "row" else ((0.0, x), 0.0) for x in along]
    if part.path == "ring":
        n = count_of(math.pi * w, pitch)
        turns = [math.tau * k / n for k in range(n)]
        return [((w / 2 * (1 + math.sin(t)), w / 2 * (1 - math.cos(t))), math.degrees(t)) for t in turns]
    n = count_of(2 * (w + h), pitch)
    found = []
    for k in range(n):
        d = 2 * (w + h) * k / n
        if d < w:
            found.append(((d, 0.0), 0.0))
        elif d < w + h:
            found.append(((w, d - w), 90.0))
        elif d < 2 * w + h:
            found.append(((2 * w + h - d, h), 180.0))
        else:
            found.append(((0.0, 2 * (w + h) - d), 270.0))
    return found


def name(part: Rounds, ground: Ground) -> str:
    return f"the {part.path} of {part.figure}s" if part.path != "round the edge" else f"the {part.figure}s"


def sentence(part: Rounds, ground: Ground) -> str:
    say = ground.ruler.say
    size = say(part.length) if part.path != "round the edge" else ground.ruler.say_size(part.length, part.height)
    where = {"row": f"in a row of {size}", "column": f"in a column of {size}", "ring": f"in a ring of {size}"}.get(
        part.path, f"round {size}"
    )
    if part.thing:
        thing = ground.shelf.things.get(part.thing)
        named = thing.name if thing else "a thing that is gone"
        return f"{named} {where}, about {say(part.pitch)} apart"
    papers = ", ".join(ground.says(choice) for choice in part.papers)
    return f"{part.figure.capitalize()}s {say(part.size)} {where}, about {say(part.pitch)} apart: {papers}"


def _rounds(begin: Beginning, path: Path) -> Rounds:
    long = begin.share(60, 6)
    half, pitch = begin.of(0, 1, 2), begin.of(0, 3, 4)
    return Rounds("new", "circle", half, path, long, long, pitch, papers=unchosen(3))


PART = Rounds
TRAITS = Traits(takes=takes)
MENU: tuple[Entry, ...] = (
    Entry(
        "Row of shapes",
        "dots circles line repeat",
        "M3 12h.1M9 12h.1M15 12h.1M21 12h.1",
        lambda b: _rounds(b, "row"),
    ),
    Entry(
        "Ring of shapes",
        "dots circles wreath round",
        "M12 4h.1M18 7h.1M20 13h.1M17 18h.1M12 20h.1M7 18h.1M4 13h.1M6 7h.1",
        lambda b: _rounds(b, "ring"),
    ),
)
