"""A block of words, or lines to write them on: as it will look in one's own hand.

┌ width ────────┐
│ The heron wai-│   lines × pitch = height; each line's distance from the top and where it starts and ends
│ ted by the    │
└───────────────┘
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field, replace
from typing import Annotated, Any, ClassVar, Literal

from ulna.core.findings import Finding, Remedy
from ulna.core.geometry.figures import Figure, outline
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, inches, length_of
from ulna.core.parts.beginning import Beginning
from ulna.core.parts.kind import Entry, Traits
from ulna.core.parts.pieces import Built, Ground, Handle, Line, PaperChoice, Piece, Written
from ulna.core.parts.place import Place
from ulna.core.ranges import Gap, Id, Size, Text, Whole
from ulna.core.words.blocks import Block, SetLine, in_columns, in_shape
from ulna.core.words.writing import Hand, Measure, broken, without_a_sentence, words_that_fit

Elsewhere = Literal["", "back", "tag"]
"""Where what has no room goes on: nowhere, on the back of the page, on a tag that is tucked behind the words."""


ON_LINE, OFF_FOOT = 1 / 16, 1 / 4
"""Of the distance of the lines: so far above a line that is drawn or printed words stand, and above the foot of a line
that is not, so that what hangs below them stays in their block."""


@dataclass(frozen=True, slots=True)
class Words:
    """`text` in a `hand` (the household's first one where it is not said), broken to `width`, its lines `pitch` apart
    (the hand's where it is not said), the `first` of them so far from the top, else as far as they are apart. With
    `height` it has that room and no more, and what does not go in goes on `elsewhere`. In a `shape` lines are as wide as
    it is where they stand. `ruled` draws lines to write on, `more` of them than the text takes. `columns` stand
    `apart`. On `paper` it is a block of its own with a `margin` all round, cut like a panel or to its shape. Distances
    along a line are counted from its `centre` or from the left. `tells` says that it is the page's story.
    Blocks that share the name of a `series` share one text, and may be `numbered`; the `heading` of each is its own
    first line."""

    kind: ClassVar[str] = "words"
    level: ClassVar[str] = "over"
    id: Id
    text: Annotated[str, Text(20_000)] = ""
    hand: Id | None = None
    width: Size = inches(3)
    height: Size | None = None
    shape: Figure = "rectangle"
    first: Size | None = None
    pitch: Size | None = None
    align: Literal["left", "centre", "right", "justified"] = "left"
    ruled: bool = False
    more: Annotated[int, Whole(0, 60)] = 0
    columns: Annotated[int, Whole(1, 4)] = 1
    apart: Gap = inches(0, 1, 4)
    elsewhere: Elsewhere = ""
    tag: PaperChoice = PaperChoice()
    paper: PaperChoice | None = None
    margin: Gap = inches(0, 1, 4)
    centre: bool = True
    tells: bool = False
    series: Annotated[str, Text(40)] = ""
    numbered: bool = False
    heading: Annotated[str, Text(120)] = ""
    place: Place = field(default_factory=Place)


def build(part: Words, ground: Ground, room: Rect) -> Built:
    """Its paper where it has one, its lines, its words, and what to rule by."""
    hand, gone = hand_known(part.id, part.hand, ground)
    column = column_width(part, ground)
    if column <= ZERO or _block(part, ground).apart <= 0:
        told = "Its columns leave no width; take fewer, or make it wider."
        return Built(ZERO, ZERO, findings=(Finding("words", "stop", part.id, told),))
    lines, over = set_lines(part, ground)
    wide, high = _size(part, lines, ground)
    findings = [*gone, *_too_long(part, over, ground)]
    box = Rect(ZERO, ZERO, wide, high)
    pieces = list[Piece]()
    if over and part.elsewhere == "tag":
        pieces.append(_tag(part, over, box, ground))
    if part.paper is not None:
        piece = Piece(f"{part.id}/block", part.id, "panel", "words", box, box, part.paper)
        if part.shape != "rectangle":
            line = outline(part.shape, wide.inches, high.inches)
            piece = replace(piece, role="shape", outline=line, figure=part.shape)
        pieces.append(piece)
    drawn, pitch = list[Line](), length_of(_block(part, ground).apart)
    measure = Measure.of(hand, ground.faces[hand.face])
    for one in lines:
        if part.ruled:
            drawn.append(Line("rule", f"M{one.left:g} {one.down:g}H{one.left + one.wide:g}"))
        if one.line.text:
            drawn.append(Line("words", "", _written(part, one, pitch, measure), hand.face))
    handles = () if part.paper is not None else (Handle("width", "width", box.right, box.height.part(1, 2), 1),)
    return Built(
        wide, high, tuple(pieces), _told(part, lines, over, pitch, ground), tuple(findings), tuple(drawn), handles
    )


def set_lines(part: Words, ground: Ground) -> tuple[list[SetLine], str]:
    """Where its lines stand and what is on them, its heading first, and what of the text has no room."""
    if part.heading:
        headed = f"{part.heading}\n{part.text}" if part.text.strip() else part.heading
        lines, over = set_lines(replace(part, heading="", text=headed), ground)
        return lines, over if len(over) <= len(part.text) else part.text
    hand = hand_of(part, ground)
    measure = Measure.of(hand, ground.faces[hand.face])
    block = _block(part, ground)
    if part.shape == "rectangle":
        return in_columns(part.text, block, column_width(part, ground).inches, measure)
    wide, high = _size(part, [], ground)
    line = outline(part.shape, wide.inches, high.inches)
    return in_shape(part.text, block, line, high.inches, measure)


def _block(part: Words, ground: Ground) -> Block:
    ruler = ground.ruler
    pitch = ruler.round(part.pitch or hand_of(part, ground).pitch)
    first = ruler.round(part.first) if part.first is not None else pitch
    rows = None
    if part.elsewhere and part.height is not None and pitch > ZERO:
        rows = max(1, 1 + (part.height - first).units // pitch.units)
    return Block(
        part.width.inches, part.columns, part.apart.inches, first.inches, pitch.inches, _margin(part, ground).inches,
        rows, part.more,
    )  # fmt: skip


def _margin(part: Words, ground: Ground) -> Length:
    return ground.ruler.round(part.margin) if part.paper is not None else ZERO


def _size(part: Words, lines: Sequence[SetLine], ground: Ground) -> tuple[Length, Length]:
    """How large it is, its paper with it: a rectangle as high as its lines are, a shape as high as is said."""
    margin = _margin(part, ground)
    if part.shape != "rectangle":
        return part.width + margin * 2, (part.height or part.width) + margin * 2
    block = _block(part, ground)
    down = max((one.down for one in lines), default=block.margin + block.first)
    return part.width + margin * 2, length_of(down) + margin


def _tag(part: Words, over: str, box: Rect, ground: Ground) -> Piece:
    """A tag of the block's width, as long as what goes on there takes, that lies behind the words."""
    hand = hand_of(part, ground)
    lines = broken(over, column_width(part, ground).inches, Measure.of(hand, ground.faces[hand.face]))
    off = ground.ruler.round(inches(0, 1, 8))
    wide = max(part.width, ground.ruler.mark * 4)
    high = length_of(_block(part, ground).apart) * (len(lines) + 1)
    at = Rect(box.x + (box.width - wide).part(1, 2), box.y + off, wide, high)
    return Piece(f"{part.id}/tag", part.id, "card", "tag for the rest of the words", at, at, part.tag)


def hand_known(part: str, hand: str | None, ground: Ground) -> tuple[Hand, list[Finding]]:
    """The hand of that id, else the household's first one, by a house rule that types words its first that is no pen;
    that a hand is not known here is told."""
    hands = list(ground.hands.values())
    typed = (one for one in hands if one.kind != "hand")
    first = next(typed, hands[0]) if ground.rules.writing == "typed" else hands[0]
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


def _written(part: Words, one: SetLine, pitch: Length, measure: Measure) -> Written:
    line = one.line
    wide = one.wide if part.align == "justified" and not line.ends and " " in line.text else line.width
    spare = one.wide - wide
    lift = ON_LINE if part.ruled or part.first is not None else OFF_FOOT
    x = one.left + {"left": 0.0, "justified": 0.0, "centre": spare / 2, "right": spare}[part.align]
    return Written(
        line.text, length_of(x), length_of(one.down - pitch.inches * lift), length_of(wide),
        round(measure.scale * measure.face.em, 6),
    )  # fmt: skip


def _told(part: Words, lines: Sequence[SetLine], over: str, pitch: Length, ground: Ground) -> str:
    say = ground.ruler.say
    count = len(lines)
    words = len(part.text.split())
    said = f"{count} line{'' if count == 1 else 's'} {say(pitch)} apart"
    if words:
        said = f"{words} word{'' if words == 1 else 's'}, {said}"
    if over and part.elsewhere:
        where = {"back": "on the back of the page", "tag": "on a tag behind them"}[part.elsewhere]
        rest = len(over.split())
        said = f"{said}; the last {'one goes' if rest == 1 else f'{rest} go'} on {where}"
    if part.height is not None and part.shape == "rectangle":
        hand = hand_of(part, ground)
        measure = Measure.of(hand, ground.faces[hand.face])
        fits = words_that_fit(column_width(part, ground).inches, part.height.inches, pitch.inches, measure)
        said = f"{said}; about {fits * part.columns} words go in"
    return said


def _over(part: Words, ground: Ground) -> int:
    """How many lines more it takes than it has room for."""
    lines, rest = set_lines(part, ground)
    if part.shape != "rectangle":
        hand = hand_of(part, ground)
        widest = max((one.wide for one in lines), default=part.width.inches)
        return len(broken(rest, widest, Measure.of(hand, ground.faces[hand.face]))) if rest else 0
    if part.height is None or part.elsewhere:
        return 0
    over = _size(part, lines, ground)[1] - _margin(part, ground) * 2 - part.height
    pitch = length_of(_block(part, ground).apart)
    return max(0, -(-over.units // pitch.units))


def _too_long(part: Words, rest: str, ground: Ground) -> Iterator[Finding]:
    """What would do where the words take more than their room, each of it tried."""
    over = _over(part, ground)
    if not over or part.elsewhere:
        return
    into = ground.ruler.say(part.height) if part.height is not None else f"the {part.shape}"
    told = f"It takes {over} line{'' if over == 1 else 's'} more than go into {into}."
    pitch = length_of(_block(part, ground).apart)
    remedies = [Remedy(says, one) for says, one in _shorter(part, pitch, ground) if not _over(one, ground)]
    yield Finding("words-too-long", "warn", part.id, told, tuple(remedies[:7]))


def _shorter(part: Words, pitch: Length, ground: Ground) -> Iterator[tuple[str, Words]]:
    say, mark = ground.ruler.say, ground.ruler.mark
    smaller = pitch - mark
    while smaller >= max(mark, pitch.part(1, 2)):
        closer = replace(part, pitch=smaller)
        if not _over(closer, ground):
            yield f"Lines {say(smaller)} apart", closer
            break
        smaller = smaller - mark
    if part.more:
        yield "Without the lines that are empty", replace(part, more=0)
    if part.shape == "rectangle" and part.columns < 3:
        room = ground.format.page(part.place.on).width
        beside = replace(part, columns=part.columns + 1, width=column_width(part, ground) + part.apart + part.width)
        if beside.width <= room:
            yield f"A column more, {say(beside.width)} wide in all", beside
    yield "The rest on the back of the page", replace(part, elsewhere="back")
    yield "The rest on a tag tucked behind", replace(part, elsewhere="tag")
    for sentence_, rest in without_a_sentence(part.text):
        yield (
            f"Leave out “{sentence_[:40]}{'…' if len(sentence_) > 40 else ''}”",
            replace(part, text=rest, tells=False),
        )
        break
    for other in ground.hands.values():
        if other.id != hand_of(part, ground).id:
            yield f"Written in “{other.name}”", replace(part, hand=other.id, pitch=None)
    if part.shape == "rectangle":
        yield "As high as it takes", replace(part, height=None)


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
    """Every line of the block, on marks. A ruled line is as wide as its room; what is not ruled is as long as it is. In a
    shape it is counted from the middle of the block."""
    hand, ruler = hand_of(part, ground), ground.ruler
    pitch, column = length_of(_block(part, ground).apart), column_width(part, ground)
    measure = Measure.of(hand, ground.faces[hand.face])
    lines, _ = set_lines(part, ground)
    wide = _size(part, lines, ground)[0]
    found = list[Ruled]()
    for one in lines:
        written = _written(part, one, pitch, measure)
        starts, ends = written.x, written.x + written.width
        if part.ruled:
            starts, ends = length_of(one.left), length_of(one.left + one.wide)
        begins = ZERO if part.shape != "rectangle" else length_of(one.left)
        middle = (wide if part.shape != "rectangle" else column).part(1, 2) if part.centre else ZERO
        off = begins + middle
        down = ruler.round(length_of(one.down))
        found.append(Ruled(one.column + 1, down, ruler.round(starts - off), ruler.round(ends - off), one.line.text))
    return found


def name(part: Words, ground: Ground) -> str:
    return "the lines to write on" if not f"{part.heading}{part.text}".strip() else "the words"


def sentence(part: Words, ground: Ground) -> str:
    hand, say = hand_of(part, ground), ground.ruler.say
    first = " ".join(f"{part.heading} {part.text}".split())
    said = [f"“{first[:60]}{'…' if len(first) > 60 else ''}”" if first else "Lines to write on"]
    said.append(f"{say(part.width)} wide, {hand.name}")
    if part.columns > 1:
        said.append(f"{part.columns} columns")
    if part.shape != "rectangle":
        said.append(f"in a {part.shape}")
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
