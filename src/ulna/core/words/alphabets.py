"""Alphabets: letters of one look and size, how many there are of each, how wide each is.

Widths come from a face that looks like the alphabet, scaled to its cap height. One word laid edge to edge and measured
corrects them all; a letter that was measured by itself has its own.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable, Mapping
from dataclasses import dataclass
from statistics import median
from typing import Annotated, Literal

from ulna.core.measure import ZERO, Length, inches, length_of
from ulna.core.ranges import Colour, Gap, Id, Many, Size, Text, Title, Whole
from ulna.core.words.faces import SPACE, FaceName, Typeface

Material = Literal["flat sticker", "foam", "puffy", "chipboard", "cork", "wood", "die-cut card", "stamps"]
Fixing = Literal["own adhesive", "glue", "foam squares"]


@dataclass(frozen=True, slots=True)
class MeasuredWord:
    """How long a word of the alphabet came out by a ruler, laid edge to edge; or how wide one letter is."""

    text: Annotated[str, Text(40, 1)]
    width: Size


@dataclass(frozen=True, slots=True)
class Alphabet:
    """`letters` is one sheet of it as a run, "aaaabbccd…"; there are so many `packs` alike. `height` is that of its
    capitals. What was torn or is lost is `spoiled`, a run too. Stamps never run out."""

    id: Id
    name: Title
    height: Size = inches(1)
    letters: Annotated[str, Text(2_000)] = ""
    packs: Annotated[int, Whole(0, 100)] = 1
    spoiled: Annotated[str, Text(500)] = ""
    face: FaceName = "plain"
    measured: Annotated[tuple[MeasuredWord, ...], Many(100)] = ()
    material: Material = "flat sticker"
    thickness: Gap = ZERO
    fixing: Fixing = "own adhesive"
    colour: Colour = "#2b3138"

    @property
    def runs_out(self) -> bool:
        """Stamps print any letter of their face any number of times."""
        return self.material != "stamps"


Letters = Mapping[str, int]
"""How many there are of each character."""


def counted(run: str) -> Counter[str]:
    """A run as people type it, "aaaabbccd": what stands for no letter, spaces and line ends, is passed over."""
    return Counter(one for one in run if not one.isspace())


def there(alphabet: Alphabet) -> Counter[str]:
    """How many of each are there before any page takes some; what was spoiled is off."""
    had = Counter({one: count * alphabet.packs for one, count in counted(alphabet.letters).items()})
    return had - counted(alphabet.spoiled)


def left(alphabet: Alphabet, taken: Iterable[Letters]) -> Counter[str]:
    """What is left of each once all of these have taken theirs; below nothing where they want more than there is."""
    found = there(alphabet)
    for one in taken:
        found.subtract(one)
    return found


def as_run(letters: Letters) -> str:
    """The other way round: each as often as it is there, in order."""
    return "".join(one * max(0, count) for one, count in sorted(letters.items()))


SAID = ("no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten")


def says(letters: Letters, of: Iterable[str]) -> str:
    """As people count: "two e, no s"."""
    counts = [(one, max(0, letters.get(one, 0))) for one in of]
    return ", ".join(f"{SAID[count] if count < len(SAID) else count} {one}" for one, count in counts)


def width_of(alphabet: Alphabet, character: str, face: Typeface) -> Length | None:
    """How wide a letter is; a space as its own measure or by the eye. None for what the face lacks."""
    own = next((one.width for one in alphabet.measured if one.text == character), None)
    if own is not None:
        return own
    cap = alphabet.height.inches
    if character == " ":
        return length_of(SPACE * cap)
    glyph = face.glyph(character)
    return None if glyph is None else length_of(glyph.width * cap * factor(alphabet, face))


def factor(alphabet: Alphabet, face: Typeface) -> float:
    """By how much its letters are wider than those of the face: the median over the words that were measured."""
    found = list[float]()
    for one in alphabet.measured:
        glyphs = [face.glyph(c) for c in one.text if not c.isspace()]
        if len(one.text) > 1 and all(glyphs):
            drawn = sum(glyph.width for glyph in glyphs if glyph) * alphabet.height.inches
            drawn += one.text.count(" ") * SPACE * alphabet.height.inches
            found.append(one.width.inches / drawn)
    return median(found) if found else 1.0
