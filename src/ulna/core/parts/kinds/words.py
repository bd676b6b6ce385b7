"""A block of words, or lines to write them on: as it will look in one's own hand.

┌ width ────────┐
│ The heron wai-│   lines × pitch = height; each line's distance from the top and where it starts and ends
│ ted by the    │
└───────────────┘
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, field, replace
from typing import Annotated, Any, ClassVar, Literal

from ulna.core.findings import Finding, Remedy
from ulna.core.geometry.rects import Rect
from ulna.core.measure import PER_INCH, ZERO, Length, inches
from ulna.core.parts.beginning import Beginning
from ulna.core.parts.kind import Entry, Traits
from ulna.core.parts.pieces import Built, Ground, Handle, Line, PaperChoice, Piece, Written
from ulna.core.parts.place import Place
from ulna.core.ranges import Gap, Id, Size, Text, Whole
from ulna.core.words.writing import Hand, Measure, WrittenLine, broken, columns, without_a_sentence, words_that_fit

MOST_LINES = 400


@dataclass(frozen=True, slots=True)
class Words:
    """`text` in a `hand` (the household's first one where it is not said), broken to `width`, its lines `pitch` apart
    (the hand's where it is not said). With `height` it has that room and no more. `ruled` draws lines to write on,
    `more` of them than the text takes. `columns` stand `apart`. On `paper` it is a block of its own with a `margin` all
    round, cut like a panel. Distances along a line are counted from its `centre` or from the left."""

    kind: ClassVar[str] = "words"
    level: ClassVar[str] = "over"
    id: Id
    text: Annotated[str, Text(20_000)] = ""
    hand: Id | None = None
    width: Size = inches(3)
    height: Size | None = None
    pitch: Size | None = None
    align: Literal["left", "centre", "right", "justified"] = "left"
    ruled: bool = False
    more: Annotated[int, Whole(0, 60)] = 0
    columns: Annotated[int, Whole(1, 4)] = 1
    apart: Gap = inches(0, 1, 4)
    paper: PaperChoice | None = None
    margin: Gap = inches(0, 1, 4)
    centre: bool = True
    place: Place = field(default_factory=Place)


def build(part: Words, ground: Ground, room: Rect) -> Built:
    """Its paper where it has one, its lines, its words, and what to rule by."""
    ruler = ground.ruler
    hand, gone = hand_known(part.id, part.hand, ground)
    pitch = ruler.round(part.pitch or hand.pitch)
    margin = ruler.round(part.margin) if part.paper is not None else ZERO
    column = column_width(part, ground)
    if column <= ZERO or pitch <= ZERO:
        told = "Its columns leave no width; take fewer, or make it wider."
        return Built(ZERO, ZERO, findings=(Finding("words", "stop", part.id, told),))
    shared = shared_out(part, ground)
    rows = max(1, *(len(one) for one in shared))
    high = pitch * rows
    findings = [*gone, *_too_long(part, high, ground)]
    box = Rect(ZERO, ZERO, part.width + margin * 2, high + margin * 2)
    pieces = (
        () if part.paper is None else (Piece(f"{part.id}/block", part.id, "panel", "words", box, box, part.paper),)
    )
    lines = list[Line]()
    measure = Measure.of(hand, ground.faces[hand.face])
    for n, column_of in enumerate(shared):
        left = (margin + (column + part.apart) * n).inches
        for k in range(rows):
            y = (margin + pitch * (k + 1)).inches
            if part.ruled:
                lines.append(Line("rule", f"M{left:g} {y:g}H{left + column.inches:g}"))
            if k < len(column_of) and column_of[k].text:
                written = _written(part, column_of[k], left, y, column, pitch, measure)
                lines.append(Line("words", "", written, hand.face))
    handles = () if part.paper is not None else (Handle("width", "width", box.right, box.height.part(1, 2), 1),)
    return Built(
        box.width, box.height, pieces, _told(part, shared, pitch, ground), tuple(findings), tuple(lines), handles
    )


def hand_known(part: str, hand: str | None, ground: Ground) -> tuple[Hand, list[Finding]]:
    """The hand of that id, else the household's first one; that a hand is not known here is told."""
    first = next(iter(ground.hands.values()))
    if hand is None or hand in ground.hands:
        return ground.hands.get(hand or "", first), []
    told = f"Its hand was never measured here: it is set as {first.name} writes."
    return first, [Finding("hand-gone", "note", part, told)]


def hand_of(part: Words, ground: Ground) -> Hand:
    return hand_known(part.id, part.hand, ground)[0]


def column_width(part: Words, ground: Ground) -> Length:
    """What each column has, on a mark."""
    left = part.width - part.apart * (part.columns - 1)
    return ground.ruler.down(left.inches / part.columns) if left > ZERO else ZERO


def shared_out(part: Words, ground: Ground) -> list[list[WrittenLine]]:
    """The lines of each column, empty ones to write on among them."""
    hand = hand_of(part, ground)
    measure = Measure.of(hand, ground.faces[hand.face])
    lines = broken(part.text, column_width(part, ground).inches, measure)[:MOST_LINES] if part.text.strip() else []
    empty = [WrittenLine("", 0.0, ends=True)] * (part.more if lines else max(1, part.more))
    return columns([*lines, *empty], part.columns)


def _written(
    part: Words, line: WrittenLine, left: float, y: float, column: Length, pitch: Length, measure: Measure
) -> Written:
    wide = column.inches if part.align == "justified" and not line.ends and " " in line.text else line.width
    spare = column.inches - wide
    x = left + {"left": 0.0, "justified": 0.0, "centre": spare / 2, "right": spare}[part.align]
    return Written(
        line.text,
        _length(x),
        _length(y - pitch.inches * 0.25),
        _length(wide),
        round(measure.scale * measure.face.em, 6),
    )


def _told(part: Words, shared: list[list[WrittenLine]], pitch: Length, ground: Ground) -> str:
    say = ground.ruler.say
    count = sum(len(one) for one in shared)
    words = len(part.text.split())
    said = f"{count} line{'' if count == 1 else 's'} {say(pitch)} apart"
    if words:
        said = f"{words} word{'' if words == 1 else 's'}, {said}"
    if part.height is not None:
        hand = hand_of(part, ground)
        measure = Measure.of(hand, ground.faces[hand.face])
        fits = words_that_fit(column_width(part, ground).inches, part.height.inches, pitch.inches, measure)
        said = f"{said}; about {fits * part.columns} words go in"
    return said


def _too_long(part: Words, high: Length, ground: Ground) -> Iterator[Finding]:
    """What would do where the words take more than their room, each of it tried."""
    if part.height is None or high <= part.height:
        return
    hand = hand_of(part, ground)
    pitch = ground.ruler.round(part.pitch or hand.pitch)
    over = -(-(high - part.height).units // pitch.units)
    told = f"It takes {over} line{'' if over == 1 else 's'} more than go into {ground.ruler.say(part.height)}."
    remedies = [
        Remedy(says, one) for says, one in _shorter(part, pitch, ground) if _high(one, ground) <= part.height
    ]
    yield Finding("words-too-long", "warn", part.id, told, tuple(remedies[:5]))


def _high(part: Words, ground: Ground) -> Length:
    pitch = ground.ruler.round(part.pitch or hand_of(part, ground).pitch)
    return pitch * max(1, *(len(one) for one in shared_out(part, ground)))


def _shorter(part: Words, pitch: Length, ground: Ground) -> Iterator[tuple[str, Words]]:
    say, mark = ground.ruler.say, ground.ruler.mark
    smaller = pitch - mark
    while smaller >= max(mark, pitch.part(1, 2)):
        closer = replace(part, pitch=smaller)
        if part.height is not None and _high(closer, ground) <= part.height:
            yield f"Lines {say(smaller)} apart", closer
            break
        smaller = smaller - mark
    if part.more:
        yield "Without the lines that are empty", replace(part, more=0)
    for sentence_, rest in without_a_sentence(part.text):
        yield f"Leave out “{sentence_[:40]}{'…' if len(sentence_) > 40 else ''}”", replace(part, text=rest)
        break
    for other in ground.hands.values():
        if other.id != hand_of(part, ground).id:
            yield f"Written in “{other.name}”", replace(part, hand=other.id, pitch=None)
    yield "As high as it takes", replace(part, height=None)


def _length(inch: float) -> Length:
    return Length(round(inch * PER_INCH))


@dataclass(frozen=True, slots=True)
class Ruled:
    """A line to rule by: how far from the top of the block, and where it starts and ends, from the left or the centre of
    its column (less than nothing is left of it)."""

    column: int
    down: Length
    starts: Length
    ends: Length
    text: str


def to_rule_by(part: Words, ground: Ground) -> list[Ruled]:
    """Every line of the block, on marks. A ruled line is as wide as its column; what is not ruled is as long as it is."""
    hand, ruler = hand_of(part, ground), ground.ruler
    pitch, column = ruler.round(part.pitch or hand.pitch), column_width(part, ground)
    margin = ruler.round(part.margin) if part.paper is not None else ZERO
    measure = Measure.of(hand, ground.faces[hand.face])
    found = list[Ruled]()
    for n, lines in enumerate(shared_out(part, ground)):
        for k, line in enumerate(lines):
            written = _written(part, line, 0.0, 0.0, column, pitch, measure)
            starts, ends = (ZERO, column) if part.ruled else (written.x, written.x + written.width)
            off = column.part(1, 2) if part.centre else ZERO
            found.append(
                Ruled(
                    n + 1, margin + pitch * (k + 1), ruler.round(starts - off), ruler.round(ends - off), line.text
                )
            )
    return found


def name(part: Words, ground: Ground) -> str:
    return "the lines to write on" if not part.text.strip() else "the words"


def sentence(part: Words, ground: Ground) -> str:
    hand, say = hand_of(part, ground), ground.ruler.say
    first = " ".join(part.text.split())
    said = [f"“{first[:60]}{'…' if len(first) > 60 else ''}”" if first else "Lines to write on"]
    said.append(f"{say(part.width)} wide, {hand.name}")
    if part.columns > 1:
        said.append(f"{part.columns} columns")
    if part.paper is not None:
        said.append(f"on {ground.says(part.paper)}")
    return ", ".join(said)


def _begun(begin: Beginning, **more: Any) -> Words:
    return replace(
        Words("new", width=begin.share(35, 4), apart=begin.usual.border, margin=begin.usual.border), **more
    )


PART = Words
TRAITS = Traits(scales=("width", "height"))
MENU: tuple[Entry, ...] = (
    Entry("Words", "text story journaling block writing", "M4 6h16M4 10h16M4 14h16M4 18h10", _begun),
    Entry(
        "Lines to write on",
        "journaling ruled words text",
        "M3 7h18M3 12h18M3 17h18",
        lambda b: _begun(b, ruled=True, more=6),
    ),
)
