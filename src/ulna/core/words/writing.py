"""Running text as a hand writes it, a typewriter types it, a printer prints it: how long words come out, where lines
break, how many words go into a place.

A hand is measured once: the sample is written on ruled paper, and its length and the distance of its lines are told.
"""

from __future__ import annotations

from collections import deque
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass
from typing import Literal

from ulna.core.measure import inches
from ulna.core.ranges import Id, Size, Title
from ulna.core.words.faces import FaceName, Typeface

SAMPLE = "The heron waited by the lock until the rain had gone."
"""What is written to measure a hand: long enough that one wide letter does not matter."""


@dataclass(frozen=True, slots=True)
class Hand:
    """`sample` is how long the sample came out, `pitch` how far apart its lines are. A typewriter has all its letters
    equally wide; a printed face is as wide as its metrics at that length."""

    id: Id
    name: Title
    kind: Literal["hand", "typewriter", "printed"] = "hand"
    face: FaceName = "hand"
    sample: Size = inches(6)
    pitch: Size = inches(0, 1, 4)


USUAL_HANDS = (
    Hand("pen", "my hand, pen"),
    Hand("typed", "typewriter", "typewriter", "typewriter", inches(5, 3, 10), inches(0, 1, 6)),
    Hand("printed", "printed, small", "printed", "plain", inches(4), inches(0, 3, 16)),
)
"""Until they are measured: usual for a pen on lines of 1/4 in, a typewriter of ten letters an inch, small print."""


@dataclass(frozen=True, slots=True)
class Measure:
    """How wide characters come out, in inches: each its own, or all alike."""

    face: Typeface
    scale: float
    alike: float | None = None

    @classmethod
    def of(cls, hand: Hand, face: Typeface) -> Measure:
        if hand.kind == "typewriter":
            return cls(
                face,
                hand.sample.inches / (len(SAMPLE) * (face.advance("n") or 1)),
                hand.sample.inches / len(SAMPLE),
            )
        drawn = sum(face.advance(c) or 0 for c in SAMPLE)
        return cls(face, hand.sample.inches / drawn)

    def wide(self, text: str) -> float:
        """How long a text comes out. What the face lacks is as wide as an n."""
        if self.alike is not None:
            return self.alike * len(text)
        n = self.face.advance("n") or 0.5
        return self.scale * sum(n if (one := self.face.advance(c)) is None else one for c in text)


@dataclass(frozen=True, slots=True)
class WrittenLine:
    """A line and how long it comes out, in inches; whether it `ends` its paragraph, and the how-manieth that is."""

    text: str
    width: float
    ends: bool = False
    paragraph: int = 0


def flowed(text: str, wide: Callable[[int], float | None], measure: Measure) -> tuple[list[WrittenLine], str]:
    """Lines of so many words as go on each, where line k is `wide(k)` inches, and what is left of the text where that
    is None: there is no such line. Paragraphs are kept; a word that is longer than its line is broken where it reaches
    the edge. Text in is text out: only the spaces at the breaks are gone."""
    found, paragraphs = list[WrittenLine](), text.split("\n")
    for n, paragraph in enumerate(paragraphs):
        waiting = deque(paragraph.split())
        while waiting or not (found and found[-1].ends and found[-1].paragraph == n):
            width = wide(len(found))
            if width is None:
                return found, "\n".join([" ".join(waiting), *paragraphs[n + 1 :]])
            row = _row(waiting, width + 1e-9, measure)
            found.append(WrittenLine(row, measure.wide(row), not waiting, n))
    return found, ""


def _row(waiting: deque[str], width: float, measure: Measure) -> str:
    """As many of the words that wait as go on a line, and of one that is too long alone as much of it as does."""
    words, long, space = list[str](), 0.0, measure.wide(" ")
    while waiting:
        longer = long + (space if words else 0.0) + measure.wide(waiting[0])
        if longer > width:
            break
        long = longer
        words.append(waiting.popleft())
    row = " ".join(words)
    if not row and waiting:
        word = waiting.popleft()
        fits = max(1, next((k for k in range(len(word), 0, -1) if measure.wide(word[:k]) <= width), 1))
        row = word[:fits]
        if word[fits:]:
            waiting.appendleft(word[fits:])
    return row


def broken(text: str, width: float, measure: Measure) -> list[WrittenLine]:
    """Lines that go into a width, however many they are."""
    return flowed(text, lambda _: width, measure)[0]


def columns(lines: Sequence[WrittenLine], count: int) -> list[list[WrittenLine]]:
    """The lines shared out over columns, the first ones as long as the last or a line longer."""
    each = -(-len(lines) // max(1, count))
    return [list(lines[k * each : (k + 1) * each]) for k in range(count)]


def words_that_fit(width: float, height: float, pitch: float, measure: Measure) -> int:
    """How many words go into a place, as the sample has them: its letters and spaces over its words."""
    word = measure.wide(SAMPLE + " ") / len(SAMPLE.split())
    return int(height / pitch + 1e-6) * int((width + measure.wide(" ")) / word + 1e-6)


def without_a_sentence(text: str) -> Iterator[tuple[str, str]]:
    """For each sentence of a text what is left without it, the last one first: the sentence, the rest."""
    import re

    found = [m for m in re.finditer(r"[^.!?\n]+[.!?]*\s*", text) if m.group().strip()]
    for one in reversed(found if len(found) > 1 else ()):
        yield one.group().strip(), (text[: one.start()] + text[one.end() :]).strip()
