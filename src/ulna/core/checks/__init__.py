"""What is looked at once a page is worked out, piece by piece: one module a check.

`told` belongs to working a page out: what cannot be made, cut or read. `looked` is the second pair of eyes: how the
page will look, with what would do.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from typing import Any

from ulna.core.checks import (
    binding,
    bordered,
    breathing,
    bulk,
    busy_ground,
    card_lines,
    colour_repeats,
    covered_letters,
    direction,
    dominance,
    letters,
    margins,
    near_misses,
    on_faces,
    on_photos,
    on_side,
    overhang,
    parted,
    photo_safe,
    places,
    printed_words,
    readable,
    run_together,
    seams,
    slight,
    stands_out,
    strips_crossed,
    styles,
    things_short,
    titles,
    touching,
    triangle,
    trim,
    unchosen,
    uncovered,
    under,
    weight,
)
from ulna.core.checks.lying import Lying, PlacedAt
from ulna.core.findings import Finding
from ulna.core.parts.pieces import Built, Ground, Piece
from ulna.core.parts.seen import Seen


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


def looked(
    plan: Any, pieces: Sequence[Piece], standing: Mapping[str, Any], ground: Ground, placed_at: PlacedAt
) -> Iterator[Finding]:
    """How a page that is worked out will look to those who turn to it."""
    seen = Seen(pieces)
    yield from on_side.told(pieces, ground)
    yield from photo_safe.told(plan, pieces, ground)
    yield from bulk.told(plan, pieces, ground, seen)
    yield from readable.told(plan, pieces, standing, ground)
    yield from on_photos.told(plan, pieces, standing, ground, placed_at)
    yield from stands_out.told(pieces, ground, plan, seen)
    yield from run_together.told(pieces, ground, plan, seen)
    yield from touching.told(plan, pieces, standing, ground, placed_at)
    yield from near_misses.told(plan, pieces, standing, ground, placed_at)
    yield from dominance.told(pieces)
    yield from direction.told(pieces, ground, seen)
    yield from triangle.told(plan, pieces, standing, ground, placed_at)
    yield from colour_repeats.told(plan, pieces, standing, ground, placed_at)
    yield from told_of_the_whole(plan, pieces, ground)


def told_of_the_whole(plan: Any, pieces: Sequence[Piece], ground: Ground) -> Iterator[Finding]:
    """What is told of no one part: how the page is filled."""
    yield from weight.told(pieces, ground)
    yield from breathing.told(pieces, ground)
    yield from margins.told(pieces, ground)
    yield from places.told(plan, ground)
