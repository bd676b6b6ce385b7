"""Cards and holes of a sheet in one cell of a table: places written as people write them, several with ";" between.

sun: 4 in x 3 in at 0 in, 0 in; rain: 3 in x 4 in at 5 in, 2 in on B
2 in x 2 in at 9 in, 9 in; arch 7 in x 5 in at 0 in, 0 in turned 1
"""

from __future__ import annotations

import re
from collections.abc import Iterable

from ulna.core.errors import LengthError
from ulna.core.geometry.figures import FIGURES, Figure, Hole
from ulna.core.geometry.rects import Rect
from ulna.core.measure import GAP, OFFSET, SIZE, ZERO, Length, Range, Unit, parse, text
from ulna.core.paper.shelf import Card

MOST_CARDS, MOST_HOLES = 100, 50
"""Of one sheet."""

CARD_SAID = "sun: 4 x 3 at 0, 0; rain: 3 x 4 at 5, 2 on B"
HOLE_SAID = "2 x 2 at 9, 9; arch 7 x 5 at 0, 0"

_PLACE = r"(?P<width>.+?)\s*[x×]\s*(?P<height>.+?)\s+at\s+(?P<x>.+?),\s+(?P<y>.+?)"
_CARD = re.compile(rf"(?P<name>(?:\\.|[^\\:])+):\s*{_PLACE}(?:\s+on\s+(?P<side>[abAB]))?")
_HOLE = re.compile(
    rf"(?:(?P<figure>{'|'.join(sorted(FIGURES, key=len, reverse=True))})\s+)?{_PLACE}"
    r"(?:\s+cut\s+(?P<cut>.+?))?(?:\s+turned\s+(?P<quarters>[0-3]))?(?:\s+left\s+(?P<left>[-\d.e ]+))?"
)


class NoPlace(ValueError):
    """What is written says no place; the reason and what would do."""


def cards_said(cards: Iterable[Card]) -> str:
    """All cards in one cell, which `cards_in` brings back alike."""
    return "; ".join(
        f"{_escaped(card.name)}: {_place_said(card.at)}{' on B' if card.side == 'B' else ''}" for card in cards
    )


def holes_said(holes: Iterable[Hole]) -> str:
    """All holes in one cell, which `holes_in` brings back alike."""
    return "; ".join(map(_hole_said, holes))


def cards_in(cell: str, unit: Unit) -> tuple[Card, ...]:
    """The cards that a cell names; lengths without a unit are in `unit`. Raises `NoPlace`."""
    found = list[Card]()
    for entry in _entries(cell, MOST_CARDS):
        said = _CARD.fullmatch(entry)
        if said is None:
            raise NoPlace(f"“{entry[:60]}” is no card; write for example {CARD_SAID}")
        name = re.sub(r"\\(.)", r"\1", said["name"]).strip()
        if not name or len(name) > 120:
            raise NoPlace(f"“{name[:60]}” is no name for a card; write up to 120 characters")
        found.append(Card(name, _place_in(said, unit, GAP), "B" if (said["side"] or "A").upper() == "B" else "A"))
    return tuple(found)


def holes_in(cell: str, unit: Unit) -> tuple[Hole, ...]:
    """The holes that a cell names, as `cards_in`. Raises `NoPlace`."""
    found = list[Hole]()
    for entry in _entries(cell, MOST_HOLES):
        said = _HOLE.fullmatch(entry)
        if said is None:
            raise NoPlace(f"“{entry[:60]}” is no hole; write for example {HOLE_SAID}")
        at = _place_in(said, unit, OFFSET)
        cut = _length(said["cut"], unit, GAP) if said["cut"] else ZERO
        figure: Figure = next((figure for figure in FIGURES if figure == said["figure"]), "rectangle")
        line = _outline_in(said["left"] or "")
        found.append(Hole(at.x, at.y, at.width, at.height, figure, cut, line, int(said["quarters"] or 0)))
    return tuple(found)


def _escaped(name: str) -> str:
    return re.sub(r"([\\:;])", r"\\\1", name)


def _entries(cell: str, most: int) -> list[str]:
    """What stands between semicolons; one behind a backslash belongs to a name."""
    parts = [part.strip() for part in re.findall(r"(?:\\.|[^\\;])+", cell) if part.strip()]
    if len(parts) > most:
        raise NoPlace(f"{len(parts)} places on one sheet; write at most {most}")
    return parts


def _place_said(at: Rect) -> str:
    return f"{text(at.width)} x {text(at.height)} at {text(at.x)}, {text(at.y)}"


def _hole_said(hole: Hole) -> str:
    words: list[str] = [hole.figure] if hole.figure != "rectangle" else []
    words.append(_place_said(hole.at))
    if hole.cut:
        words.append(f"cut {text(hole.cut)}")
    if hole.quarters:
        words.append(f"turned {hole.quarters}")
    if hole.clipped:
        words.append("left " + " ".join(f"{x!r} {y!r}" for x, y in hole.clipped))
    return " ".join(words)


def _place_in(said: re.Match[str], unit: Unit, from_corner: Range) -> Rect:
    x, y = (_length(said[key], unit, from_corner) for key in ("x", "y"))
    width, height = (_length(said[key], unit, SIZE) for key in ("width", "height"))
    return Rect(x, y, width, height)


def _length(read: str, unit: Unit, allowed: Range) -> Length:
    try:
        return allowed.check(parse(read, unit), read)
    except LengthError as error:
        raise NoPlace(error.sentence) from None


def _outline_in(read: str) -> tuple[tuple[float, float], ...]:
    """Corners in inches, one after the other. Raises `NoPlace`."""
    try:
        numbers = [float(word) for word in read.split()]
    except ValueError:
        raise NoPlace(f"“{read[:60]}” is no outline; write x and y of each corner in inches") from None
    if len(numbers) % 2 or 0 < len(numbers) < 6 or len(numbers) > 800:
        raise NoPlace(f"“{read[:60]}” is no outline; write x and y of 3 to 400 corners in inches")
    return tuple(zip(numbers[::2], numbers[1::2], strict=True))
