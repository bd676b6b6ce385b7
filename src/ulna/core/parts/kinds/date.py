"""The date of a page: stamped, written or printed, in one line.

27 June 2026
"""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Annotated, ClassVar, Literal

from ulna.core.findings import Finding
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length, inches, length_of
from ulna.core.parts.beginning import Beginning
from ulna.core.parts.kind import Entry, Traits
from ulna.core.parts.kinds.words import hand_known
from ulna.core.parts.pieces import Built, Ground, Line, Written
from ulna.core.parts.place import Place
from ulna.core.ranges import Id, Size, Text
from ulna.core.rules import Rules
from ulna.core.words.faces import FaceName
from ulna.core.words.writing import Measure

Made = Literal["stamped", "written", "printed"]
KEPT = "00 September 0000"
"""As long is the place that is kept where no date is said yet."""
STAMP = inches(0, 5, 32)
"""How high the figures of a date stamp are."""


@dataclass(frozen=True, slots=True)
class Date:
    """`text` as it is put down, or a place that is kept for it; stamped figures are `high`, what is written is as large as its `hand` writes."""

    kind: ClassVar[str] = "date"
    level: ClassVar[str] = "over"
    id: Id
    text: Annotated[str, Text(60)] = ""
    made: Made = "stamped"
    hand: Id | None = None
    high: Size = STAMP
    place: Place = field(default_factory=Place)


def build(part: Date, ground: Ground, room: Rect) -> Built:
    """One line of words, as long as it comes out."""
    text = " ".join(part.text.split())
    hand, findings = hand_known(part.id, part.hand, ground)
    if not text:
        findings.append(Finding("date", "note", part.id, "Which date? Its place is kept."))
    if part.made == "stamped":
        face = ground.faces["typewriter"]
        name: FaceName = "typewriter"
        scale = part.high.inches
        long = scale * sum(face.advance(c) or face.advance("0") or 0.6 for c in text or KEPT)
        high: Length = part.high
        em = scale * face.em
    else:
        measure = Measure.of(hand, ground.faces[hand.face])
        long, high, em, name = measure.wide(text or KEPT), hand.pitch, measure.scale * measure.face.em, hand.face
    width, height = ground.ruler.up(long), ground.ruler.up(high.inches * 1.25)
    ink = Written(text, ZERO, height - height.part(1, 5), length_of(long), round(em, 6))
    told = f"{ground.ruler.say(width)} long, {part.made}; it goes on last"
    lines = (Line("words", "", ink, name),) if text else ()
    return Built(width, height, arithmetic=told, findings=tuple(findings), lines=lines)


def name(part: Date, ground: Ground) -> str:
    return "the date"


def sentence(part: Date, ground: Ground) -> str:
    text = " ".join(part.text.split())
    return f"Date {text}, {part.made}" if text else "Date"


def made_by(rules: Rules) -> Made:
    """How a new date is put down by the house rule of writing."""
    return "printed" if rules.writing == "typed" else "stamped"


def _begun(begin: Beginning) -> Date:
    return Date("new", made=made_by(begin.rules), high=begin.of(0, 5, 32))


PART = Date
TRAITS = Traits(whole=True, scales=())
MENU: tuple[Entry, ...] = (
    Entry("Date", "day when stamp year words text", "M4 6h16v14H4zM4 10h16M8 3v4M16 3v4", _begun),
)
