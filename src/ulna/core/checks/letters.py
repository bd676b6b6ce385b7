"""Whether there are letters enough: all titles of the page against what other planned pages leave of each alphabet.

What is short is told with what would do, and each of it was tried: a letter turned round, the missing one cut from
paper, another alphabet for every second word, a word left out.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Callable, Iterator, Sequence
from dataclasses import replace
from typing import Any

from ulna.core.findings import Finding, Remedy
from ulna.core.parts.kinds.title import Title, taken, wanted
from ulna.core.parts.lettering import CUT, Style, Swap
from ulna.core.parts.pieces import Ground
from ulna.core.words.alphabets import Letters, counted, says
from ulna.core.words.faces import TURNS, stands_for

MOST_SWAPS = 40


def told(plan: Any, ground: Ground) -> Iterator[Finding]:
    """For each title that comes too late for some of its letters."""
    alphabets = ground.shelf.alphabets
    left = {
        id: Counter(letters)
        for id, letters in ground.shelf.letters_left.items()
        if id not in alphabets or alphabets[id].runs_out
    }
    titles = [part for part in plan.parts if isinstance(part, Title)]
    at_first = {id: Counter(letters) for id, letters in left.items()}

    def helps(remedy: Remedy) -> bool:
        """Whether fewer letters are missing on the page with it: a letter that another title needs is none to spare."""
        mended = [remedy.part if one.id == part.id else one for one in titles]
        more = {**at_first}
        if remedy.pack is not None:
            more[remedy.pack] = at_first[remedy.pack] + counted(alphabets[remedy.pack].letters)
        return _missing(mended, more) < _missing(titles, at_first)

    for part in titles:
        for alphabet in wanted(part):
            if alphabet in left and (short := _short(part, alphabet, left[alphabet])):
                yield _finding(part, alphabet, short, left, ground, helps)
        for alphabet, letters in wanted(part).items():
            left.setdefault(alphabet, Counter()).subtract(letters)


def _short(part: Title, alphabet: str, left: Letters) -> dict[str, int]:
    """How many are missing of which."""
    asked = wanted(part).get(alphabet, Counter())
    return {
        one: count - max(0, left.get(one, 0)) for one, count in asked.items() if count > max(0, left.get(one, 0))
    }


def _missing(titles: Sequence[object], left: dict[str, Counter[str]]) -> int:
    """How many letters all of them together want beyond what is there."""
    asked: dict[str, Counter[str]] = {}
    for title in titles:
        assert isinstance(title, Title)
        for alphabet, letters in wanted(title).items():
            asked.setdefault(alphabet, Counter()).update(letters)
    return sum(sum((letters - left[id]).values()) for id, letters in asked.items() if id in left)


def _finding(
    part: Title,
    alphabet: str,
    short: dict[str, int],
    left: dict[str, Counter[str]],
    ground: Ground,
    helps: Callable[[Remedy], bool],
) -> Finding:
    name = ground.shelf.alphabets[alphabet].name
    there = says(left[alphabet], sorted(short))
    missing = ", ".join(
        f"{count} more {one}" if count > 1 else f"one more {one}" for one, count in sorted(short.items())
    )
    remedies = tuple(one for one in _remedies(part, alphabet, short, left, ground) if helps(one))
    return Finding("letters", "stop", part.id, f"{name} has {there} left; it takes {missing}.", remedies)


def _remedies(
    part: Title, alphabet: str, short: dict[str, int], left: dict[str, Counter[str]], ground: Ground
) -> Iterator[Remedy]:
    spare = Counter(left[alphabet])
    spare.subtract(wanted(part).get(alphabet, Counter()))
    face = ground.faces[ground.shelf.alphabets[alphabet].face]
    if len(part.swaps) < MOST_SWAPS:
        for one, count in sorted(short.items()):
            for asked, other, degrees in TURNS:
                if asked == one and spare[other] >= count and stands_for(face, one, other, degrees):
                    how = "turned" if degrees else "as it is"
                    yield Remedy(f"Take {other} for {one}, {how}", _with(part, Swap(one, other, count)))
        cut = part
        for one, count in sorted(short.items()):
            cut = _with(cut, Swap(one, CUT, count))
        yield Remedy(f"Cut {', '.join(sorted(short))} from paper at that height", _as_high(cut, ground))
    for id, other_one in ground.shelf.alphabets.items():
        if id != alphabet and all(style.alphabet != id for style in part.styles):
            second = replace(
                part, styles=(part.styles[0], Style(id, other_one.face, other_one.height)), by="word", swaps=()
            )
            yield Remedy(f"Take {other_one.name} for every second word", second)
    for text in _shorter(part, short):
        gone = " ".join(word for word in part.text.split() if word not in text.split()) or "one of it"
        yield Remedy(f"Leave out “{gone}”", replace(part, text=text, swaps=()))
    yield Remedy(f"Another pack of {ground.shelf.alphabets[alphabet].name} is here", part, pack=alphabet)


def _with(part: Title, swap: Swap) -> Title:
    return replace(part, swaps=(*part.swaps, swap))


def _as_high(part: Title, ground: Ground) -> Title:
    """Letters cut beside an alphabet's are as high as those and look like them."""
    return replace(
        part,
        styles=tuple(
            replace(style, face=known.face, height=known.height)
            if (known := ground.shelf.alphabets.get(style.alphabet or ""))
            else style
            for style in part.styles
        ),
    )


def _shorter(part: Title, short: dict[str, int]) -> Iterator[str]:
    """The text less one word that has letters that are missing."""
    words = [(line, word) for line, text in enumerate(part.text.split("\n")) for word in text.split()]
    if len(words) < 2:
        return
    of = {one.word for one in taken(part) if one.character in short}
    for k in sorted(of):
        kept = [one for n, one in enumerate(words) if n != k]
        lines = [" ".join(word for line, word in kept if line == n) for n in range(part.text.count("\n") + 1)]
        yield "\n".join(line for line in lines if line)
