"""The words by which a paper is looked for: its name, what it is, the patterns and colours of its sides."""

from __future__ import annotations

from ulna.core.paper.colour import of_hex, word
from ulna.core.paper.shelf import Paper, Side


def searched_by(paper: Paper) -> set[str]:
    """In lower case, single words; a colour by its plain word, also as light or dark."""
    said = [paper.name, paper.stock.value, paper.form.value, *_of_side(paper.a), *_of_side(paper.b)]
    return {one.strip(".,()").lower() for text in said for one in text.replace("-", " ").split()}


def _of_side(side: Side) -> list[str]:
    found = [side.pattern]
    for colour in side.colours:
        lab = of_hex(colour)
        found.append(word(lab))
        found += ["light"] if lab.lightness > 75 else ["dark"] if lab.lightness < 35 else []
    return found
