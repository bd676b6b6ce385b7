"""Titles that cannot be set as they are: an alphabet that is gone, letters that a face lacks, a line that is too long.

Each is told with what would do, and each of that was tried.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import replace
from typing import Any

from ulna.core.findings import Finding, Remedy
from ulna.core.geometry.rects import Rect
from ulna.core.measure import ZERO, Length
from ulna.core.parts.kinds.title import Title, face_of, fitted_to_room, longest, taken
from ulna.core.parts.pieces import Ground
from ulna.core.words.faces import FALLBACK


def told(plan: Any, standing: Mapping[str, Any], ground: Ground) -> Iterator[Finding]:
    for part in plan.parts:
        if isinstance(part, Title):
            yield from _unknown(part, ground)
            yield from _too_long(part, ground, standing[part.id].room)


def _unknown(part: Title, ground: Ground) -> Iterator[Finding]:
    """Letters that a face does not have, and alphabets that are gone."""
    for k, style in enumerate(part.styles):
        if style.alphabet is not None and style.alphabet not in ground.shelf.alphabets:
            told = "Its alphabet is not on the shelf any more; choose another, or cut it from paper."
            mended = replace(
                part, styles=tuple(replace(s, alphabet=None) if s is style else s for s in part.styles)
            )
            yield Finding("alphabet-gone", "warn", part.id, told, (Remedy("Cut it from paper", mended),))
        if style.alphabet is None and style.face not in ground.faces:
            told = "Its face is not in this household; it is set in plain capitals."
            plain = tuple(replace(s, face=FALLBACK) if s is style else s for s in part.styles)
            yield Finding(
                "face-gone", "note", part.id, told, (Remedy("Plain capitals", replace(part, styles=plain)),)
            )
        face = face_of(style, ground)
        lacks = sorted(
            {one.character for one in taken(part) if one.style == k and face.glyph(one.character) is None}
        )
        if lacks:
            without = "".join(c for c in part.text if c not in lacks)
            told = f"It has no {', '.join(lacks)}: write it another way, or leave it out."
            yield Finding(
                "no-letter", "warn", part.id, told, (Remedy("Leave it out", replace(part, text=without)),)
            )


def _too_long(part: Title, ground: Ground, room: Rect) -> Iterator[Finding]:
    """A line that is longer than what it lies on: which word is, and what would do, each tried."""
    across = room.height if part.upright else room.width
    if part.fit or not part.text.strip() or longest(part, ground) <= across:
        return
    say = ground.ruler.say
    word = max(part.text.split(), key=lambda one: longest(replace(part, text=one), ground))
    alone = longest(replace(part, text=word), ground)
    why = f"“{word}” alone is {say(alone)}; " if alone > across else ""
    long = say(longest(part, ground))
    told = f"It is {long} long, and there are {say(across)}: {why}break it, or take smaller letters."
    remedies = [
        Remedy(says, one)
        for says, one in (
            ("Break it into lines", replace(part, text=_in_lines(part, across, ground))),
            ("Letters edge to edge", replace(part, letters=ZERO)),
            ("As large as it fits", replace(part, fit=True, width=across, height=min(room.height, across))),
        )
        if _goes_across(one, across, ground)
    ]
    yield Finding("title-long", "warn", part.id, told, tuple(remedies))


def _goes_across(part: Title, across: Length, ground: Ground) -> bool:
    if part.fit:
        return any(style.alphabet is None for style in part.styles) and fitted_to_room(part, ground) is not None
    return longest(part, ground) <= across


def _in_lines(part: Title, across: Length, ground: Ground) -> str:
    """The text with as many words on each line as go there; what was a line stays one."""
    found = list[str]()
    for line in part.text.split("\n"):
        row = ""
        for word in line.split():
            longer = f"{row} {word}" if row else word
            if row and longest(replace(part, text=longer), ground) > across:
                found.append(row)
                longer = word
            row = longer
        found.append(row)
    return "\n".join(found)
