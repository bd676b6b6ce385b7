"""One text over several blocks of words: each takes as many lines as it has room for, the next goes on from there.

┌──────┐ ┌──────┐ ┌──────┐   The blocks of a series are those that share its name, in the order of the recipe. One that
│ 1    │ │ 2    │ │ 3    │   is moved or taken away leaves the text whole: it runs on over those that are there.
└──────┘ └──────┘ └──────┘
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace

from ulna.core.findings import Finding, Remedy
from ulna.core.measure import inches
from ulna.core.parts.kinds import Part
from ulna.core.parts.kinds.words import Words, set_lines
from ulna.core.parts.pieces import Built, Ground, Line, Written


@dataclass(frozen=True, slots=True)
class Share:
    """What one block of a series has of its text, and the how-manieth of how many it is."""

    part: Words
    number: int
    of: int


def shared(parts: Sequence[Part], ground: Ground) -> dict[str, Share]:
    """For each block of a series the part as it is set, by its id."""
    series: dict[str, list[Words]] = {}
    for part in parts:
        if isinstance(part, Words) and part.series:
            series.setdefault(part.series, []).append(part)
    found: dict[str, Share] = {}
    for blocks in series.values():
        text = blocks[0].text
        for k, block in enumerate(blocks):
            last = k == len(blocks) - 1
            over = "" if last else _over(replace(block, text=text), ground)
            own = (
                text[: len(text) - len(over)].rstrip() if over and text.endswith(over) else text if not over else ""
            )
            found[block.id] = Share(replace(block, text=own), k + 1, len(blocks))
            text = over
    return found


def as_set(part: Words, parts: Sequence[Part], ground: Ground) -> Words:
    """A block with what is set in it: its share of a series, or all that it says."""
    share = shared(parts, ground).get(part.id)
    return share.part if share else part


def _over(block: Words, ground: Ground) -> str:
    """What of a text a block has no room for. One that may grow takes all of it."""
    if block.height is None and block.shape == "rectangle":
        return ""
    return set_lines(replace(block, elsewhere="back"), ground)[1]


def whole_again(built: Built, share: Share, whole: Words) -> Built:
    """A share as it was set, with its number where it is numbered. What is offered for it is offered for the whole
    text: a press must not leave a part of it behind."""
    findings = tuple(
        Finding(f.code, f.severity, f.part, f.sentence, tuple(_whole(one, whole) for one in f.remedies))
        for f in built.findings
    )
    told = f"{share.number} of {share.of}: {built.arithmetic}" if share.of > 1 else built.arithmetic
    lines = built.lines
    if whole.numbered and built.is_there:
        lines = (*lines, _number(share.number, built))
    return replace(built, findings=findings, arithmetic=told, lines=lines)


def _number(number: int, built: Built) -> Line:
    """In the upper right corner, 1/8 in from both edges."""
    off, high = inches(0, 1, 8), inches(0, 1, 8)
    wide = high * len(str(number))
    ink = Written(str(number), built.width - off - wide, off + high, wide, high.inches * 1.4)
    return Line("words", "", ink, "typewriter")


def _whole(remedy: Remedy, whole: Words) -> Remedy:
    part = remedy.part
    return replace(remedy, part=replace(part, text=whole.text)) if isinstance(part, Words) else remedy
