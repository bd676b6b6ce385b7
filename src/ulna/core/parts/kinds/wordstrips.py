"""Strips of words: a text written line by line, each line cut out as a strip of its own.

┌───────────────┐
│ out in nineteen│   each strip is its line and the ends left beside it, on the next mark; or all as long as the
└───────────────┘   longest. They stand `apart` below each other, flush or stepped by so much.
┌──────────┐
│ pieces   │
└──────────┘
"""

from __future__ import annotations

from dataclasses import dataclass, field, replace
from typing import Annotated, ClassVar, Literal

from ulna.core.findings import Finding
from ulna.core.geometry.rects import Rect
from ulna.core.measure import SIZE, ZERO, Length, inches, length_of
from ulna.core.parts.kind import Entry, Traits
from ulna.core.parts.kinds.words import hand_known
from ulna.core.parts.papers import dealt
from ulna.core.parts.pieces import Built, Ground, Line, PaperChoice, Papers, Piece, Written
from ulna.core.parts.place import Place
from ulna.core.ranges import Gap, Id, Many, Offset, Size, Text, Whole
from ulna.core.words.writing import Hand, Measure, WrittenLine, broken

MOST_STRIPS = 60


@dataclass(frozen=True, slots=True)
class Parting:
    """A strip, counted from 1, that is cut in two after so many of its words, and the gap that is left between."""

    strip: Annotated[int, Whole(1, MOST_STRIPS)]
    after: Annotated[int, Whole(1, 100)]
    gap: Size


@dataclass(frozen=True, slots=True)
class WordStrips:
    """`text` in a `hand`, its lines as typed and none longer than `width`. A strip is `height` high and leaves `ends`
    beside its words; `close` it is as long as its line, else as the longest. `step` moves each one so much further
    right than the one above. Where something stands between, a strip is `parted`."""

    kind: ClassVar[str] = "wordstrips"
    level: ClassVar[str] = "over"
    id: Id
    text: Annotated[str, Text(4_000)] = ""
    hand: Id | None = None
    width: Size = inches(4)
    height: Size = inches(0, 3, 8)
    apart: Gap = inches(0, 1, 8)
    ends: Gap = inches(0, 1, 8)
    cut: Literal["close", "alike"] = "close"
    step: Offset = ZERO
    papers: Papers = (PaperChoice(),)
    parted: Annotated[tuple[Parting, ...], Many(MOST_STRIPS)] = ()
    place: Place = field(default_factory=Place)


def build(part: WordStrips, ground: Ground, room: Rect) -> Built:
    """Each strip as a piece of paper, and its words on it."""
    ruler = ground.ruler
    hand, findings = hand_known(part.id, part.hand, ground)
    lines = _lines(part, hand, ground)
    height, apart, step = ruler.round(part.height), ruler.round(part.apart), ruler.round(part.step)
    if not lines or height < SIZE.least:
        told = "Type what stands on the strips." if height >= SIZE.least else "Strips of no height cannot be cut."
        return Built(ZERO, ZERO, findings=(*findings, Finding("words", "stop", part.id, told)))
    if len(lines) > MOST_STRIPS:
        told = f"{len(lines)} strips are more than {MOST_STRIPS}; make them longer, or take fewer words."
        return Built(ZERO, ZERO, findings=(*findings, Finding("words", "stop", part.id, told)))
    longest = max(_long(line, part, ground) for line in lines)
    measure = Measure.of(hand, ground.faces[hand.face])
    first = ZERO if step >= ZERO else -step * (len(lines) - 1)
    pieces, written = list[Piece](), list[Line]()
    for k, (line, paper) in enumerate(zip(lines, dealt(part.papers, len(lines)), strict=True)):
        x = first + step * k
        for n, (said, gap) in enumerate(bits_of(part, k + 1, line.text)):
            bit = WrittenLine(said, measure.wide(said))
            long = longest if part.cut == "alike" and not gap and not n else _long(bit, part, ground)
            x = x + ruler.round(gap)
            at = Rect(x, (height + apart) * k, long, height)
            id = f"{part.id}/strip-{k + 1}{'-b' if n else ''}"
            called = f"strip {k + 1} of words" + (", second half" if n else "")
            pieces.append(Piece(id, part.id, "strip", called, at, at, paper))
            ink = Written(
                said, at.x + ruler.round(part.ends), at.y + height.part(7, 10), length_of(bit.width),
                round(measure.scale * measure.face.em, 6),
            )  # fmt: skip
            written.append(Line("words", "", ink, hand.face))
            x = at.right
    wide = max(piece.rect.right for piece in pieces)
    told = f"{len(lines)} strip{'' if len(lines) == 1 else 's'} {ruler.say(height)} high, the longest {ruler.say(longest)}"
    return Built(wide, pieces[-1].rect.bottom, tuple(pieces), told, tuple(findings), tuple(written))


def bits_of(part: WordStrips, strip: int, text: str) -> list[tuple[str, Length]]:
    """What stands on a strip, in two where it is parted: the words, and the gap before them."""
    words = text.split()
    parting = next((one for one in part.parted if one.strip == strip and one.after < len(words)), None)
    if parting is None:
        return [(text, ZERO)]
    return [(" ".join(words[: parting.after]), ZERO), (" ".join(words[parting.after :]), parting.gap)]


def _lines(part: WordStrips, hand: Hand, ground: Ground) -> list[WrittenLine]:
    inside = (part.width - part.ends * 2).inches
    measure = Measure.of(hand, ground.faces[hand.face])
    return [line for line in broken(part.text, max(0.1, inside), measure) if line.text]


def _long(line: WrittenLine, part: WordStrips, ground: Ground) -> Length:
    """A strip is cut on a mark, and never into its words."""
    return ground.ruler.up((length_of(line.width) + part.ends * 2).inches)


def name(part: WordStrips, ground: Ground) -> str:
    return "the strips of words"


def sentence(part: WordStrips, ground: Ground) -> str:
    say = ground.ruler.say
    first = " ".join(part.text.split())
    said = [f"Strips of words “{first[:60]}{'…' if len(first) > 60 else ''}”" if first else "Strips of words"]
    said.append(f"{say(part.height)} high, {say(part.apart)} apart")
    said.append(", ".join(ground.says(paper) for paper in part.papers))
    return ", ".join(said)


PART = WordStrips
TRAITS = Traits(scales=("width",))
MENU: tuple[Entry, ...] = (
    Entry(
        "Words on strips",
        "text typed lines words journaling sentence",
        "M3 6h12v3H3zM3 11h17v3H3zM3 16h9v3H3z",
        lambda b: replace(
            WordStrips("new", "a line\na strip"),
            width=b.share(40, 4),
            height=b.of(0, 3, 8),
            apart=b.usual.narrow,
            ends=b.usual.narrow,
        ),
    ),
)
