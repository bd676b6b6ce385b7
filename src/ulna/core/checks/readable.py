"""Letters of a title that are hard to read: as light as what they lie on, or straight on a lively or busy paper.

Letters are read where their lightness and the ground's differ by 20 (L*) or more; on a pattern they want a strip.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from dataclasses import replace
from typing import Any

from ulna.core.checks.accents import shown_colour
from ulna.core.checks.run_together import LIVELY, measured, side_of
from ulna.core.findings import Finding, Remedy
from ulna.core.measure import inches
from ulna.core.paper.colour import of_hex
from ulna.core.parts.built_up import Under
from ulna.core.parts.kinds.title import Title
from ulna.core.parts.pieces import Ground, PaperChoice, Piece

READ = 20.0
MOST_LOST = 1 / 3
"""Of the letters: from here on up the title is hard to read."""


def told(plan: Any, pieces: Sequence[Piece], standing: Mapping[str, Any], ground: Ground) -> Iterator[Finding]:
    titles = {part.id: part for part in plan.parts if isinstance(part, Title) and standing[part.id].box is not None}
    if not titles:
        return
    lost = dict[str, list[tuple[Piece, str]]]()
    counted = dict.fromkeys(titles, 0)
    for k, piece in enumerate(pieces):
        if piece.part not in titles or piece.letter is None:
            continue
        counted[piece.part] += 1
        trouble = _lost(piece, pieces[:k], ground)
        if trouble:
            lost.setdefault(piece.part, []).append((piece, trouble))
    for id, found in lost.items():
        if len(found) < MOST_LOST * counted[id]:
            continue
        part, trouble = titles[id], found[0][1]
        told = f"{'Its letters are' if len(found) > 1 else 'A letter is'} hard to read: {trouble}."
        yield Finding(
            "title-lost", "warn", id, told, tuple(_remedies(part, ground)), tuple(p.rect for p, _ in found)
        )


def _lost(letter: Piece, below: Sequence[Piece], ground: Ground) -> str:
    """Why a letter is lost on what lies under its middle, where it is."""
    colour = shown_colour(letter, ground)
    if not colour:
        return ""
    r = letter.rect
    x, y = (r.x + r.right).inches / 2, (r.y + r.bottom).inches / 2
    for piece in reversed(below):
        if piece.part == letter.part and (piece.letter is not None or piece.choice == letter.choice):
            continue  # another letter, or a layer of the same one
        at = piece.rect
        if not (at.x.inches <= x <= at.right.inches and at.y.inches <= y <= at.bottom.inches):
            continue
        if piece.role == "print":
            return ""  # told by what it covers of the photo
        side = side_of(piece, ground)
        if side is None or not side.colours:
            return ""
        by = abs(of_hex(colour).lightness - measured(ground)(side))
        if by < READ:
            return f"they differ from {ground.says(piece.choice)} in lightness by {by:.0f}, and 20 is wanted"
        if side.busy >= LIVELY and piece.part != letter.part:
            return f"{ground.says(piece.choice)} under them is {'busy' if side.busy > LIVELY else 'lively'}"
        return ""
    return ""


def _remedies(part: Title, ground: Ground) -> Iterator[Remedy]:
    """A strip under it of a plain paper that its letters are read on, where the shelf has one."""
    if part.openings is not None or any(one.how == "strip" for one in part.under) or len(part.under) >= 4:
        return
    letters = [
        of_hex(paper.face(choice.side).colours[0]).lightness
        for style in part.styles if style.alphabet is None for choice in style.papers
        if (paper := ground.shelf.papers.get(choice.paper or "")) and paper.face(choice.side).colours
    ] + [
        of_hex(alphabet.colour).lightness
        for style in part.styles if (alphabet := ground.shelf.alphabets.get(style.alphabet or ""))
    ]  # fmt: skip
    if not letters:
        return
    for paper in ground.shelf.papers.values():
        for face in ("A", "B"):
            side = paper.face(face)
            if paper.count < 1 or not ground.proposes(paper.id) or side.busy >= LIVELY or not side.colours:
                continue
            if all(abs(of_hex(side.colours[0]).lightness - one) >= READ * 1.5 for one in letters):
                edge = ground.ruler.round(inches(0, 1, 4))
                strip = Under("strip", edge, (PaperChoice(paper.id, face),))
                yield Remedy(f"On a strip of {paper.name}", replace(part, under=(*part.under, strip)))
                return
