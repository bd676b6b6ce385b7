"""What is looked at once a page is worked out, piece by piece: one module a check."""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from typing import Any

from ulna.core.checks import (
    binding,
    bordered,
    busy_ground,
    card_lines,
    covered_letters,
    letters,
    on_faces,
    overhang,
    parted,
    printed_words,
    seams,
    slight,
    strips_crossed,
    styles,
    things_short,
    titles,
    trim,
    unchosen,
    uncovered,
    under,
)
from ulna.core.checks.lying import Lying, PlacedAt
from ulna.core.findings import Finding
from ulna.core.parts.pieces import Built, Ground, Piece


def told(
    plan: Any, pieces: Sequence[Piece], standing: Mapping[str, Any], ground: Ground, placed_at: PlacedAt
) -> Iterator[Finding]:
    """Everything that the checks find."""
    yield from parted.told(plan, pieces, standing, ground, placed_at)
    yield from under.told(pieces, ground)
    yield from uncovered.told(pieces, ground)
    yield from bordered.told(plan, pieces, standing, ground)
    yield from seams.told(plan, pieces, standing, ground)
    yield from titles.told(plan, standing, ground)
    yield from letters.told(plan, ground)
    yield from covered_letters.told(plan, pieces, ground)
    yield from on_faces.told(plan, pieces, standing, ground, placed_at)
    yield from slight.told(plan, pieces, standing, ground)
    yield from busy_ground.told(plan, pieces, standing, ground)
    yield from card_lines.told(plan, standing, ground)
    yield from strips_crossed.told(plan, pieces, standing, ground)
    yield from things_short.told(plan, standing, ground)
    yield from styles.told(pieces, ground)
    yield from printed_words.told(plan, pieces, ground)


def told_of_place(one: Lying, ground: Ground) -> Iterator[Finding]:
    """What is told of where a part lies."""
    yield from overhang.told(one, ground)
    yield from binding.told(one, ground)
    yield from trim.told(one, ground)


def told_of_papers(part: str, built: Built, ground: Ground) -> Iterator[Finding]:
    """What is told of the papers of a part."""
    yield from unchosen.told(part, built, ground)
