"""Title, words and date have a place: what a page is remembered by."""

from __future__ import annotations

from collections.abc import Iterator
from typing import Any

from ulna.core.findings import Finding, Remedy
from ulna.core.parts.kinds.date import Date, made_by
from ulna.core.parts.kinds.title import Title
from ulna.core.parts.kinds.words import Words
from ulna.core.parts.kinds.wordstrips import WordStrips
from ulna.core.parts.pieces import Ground


def told(plan: Any, ground: Ground) -> Iterator[Finding]:
    """What is missing, each with a part that gives it a place; the words of a series may be on another page."""
    taken, series = {part.id for part in plan.parts}, ground.rules.stories == "series"
    lacks = [
        ("a title", "Add a title", lambda: Title(_fresh("title", taken), plan.name))
        if not any(isinstance(part, Title) for part in plan.parts)
        else None,
        ("words", "Add a block of words", lambda: Words(_fresh("words", taken), tells=True))
        if not series and not any(isinstance(part, Words | WordStrips) for part in plan.parts)
        else None,
        ("the date", "Add the date", lambda: Date(_fresh("date", taken), made=made_by(ground.rules)))
        if not any(isinstance(part, Date) for part in plan.parts)
        else None,
    ]
    missing = [one for one in lacks if one is not None]
    if missing:
        names = [name for name, _, _ in missing]
        named = names[0] if len(names) == 1 else f"{', '.join(names[:-1])} and {names[-1]}"
        remedies = tuple(Remedy(says, made()) for _, says, made in missing)
        yield Finding("no-place", "note", None, f"There is no place for {named} yet.", remedies)


def _fresh(kind: str, taken: set[str]) -> str:
    return next(id for k in range(len(taken) + 1) if (id := f"{kind}-{k + 1}") not in taken)
