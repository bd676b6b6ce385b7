"""A title: its words in letters of an alphabet, cut from papers, or set down in ink, in lines.

┌─┐┌─┐┌─┐   w₁ + s + w₂ + s + w₃: a line is its letters and the gaps between them
│T││E││A│
└─┘└─┘└─┘   a cut letter that fits: the largest cap height on a mark at which every line and all lines together do
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, field, replace
from typing import Annotated, Any, ClassVar, Literal

from ulna.core.findings import Finding, Remedy
from ulna.core.geometry import polygons
from ulna.core.geometry.polygons import Bounds
from ulna.core.geometry.rects import Rect
from ulna.core.measure import SIZE, ZERO, Length, Ruler, inches, length_of
from ulna.core.parts import built_up, lettering, openings
from ulna.core.parts.beginning import Beginning
from ulna.core.parts.built_up import Under
from ulna.core.parts.kind import Entry, Traits
from ulna.core.parts.lettering import CUT, Making, Style, Swap, TakenLetter
from ulna.core.parts.openings import Openings
from ulna.core.parts.papers import dealt
from ulna.core.parts.pieces import Built, Ground, PaperChoice, Piece
from ulna.core.parts.place import Place
from ulna.core.ranges import Id, Many, Offset, Seed, Size, Text, Whole
from ulna.core.words import alphabets, faces, filling
from ulna.core.words.alphabets import Alphabet
from ulna.core.words.faces import Typeface
from ulna.core.words.setting import Align, Form, Letter, Spacing, lay, length


@dataclass(frozen=True, slots=True)
class Title:
    """`text` with its lines, and a `small` word, such as a year, that fills the short line or the largest counter. Two
    `styles` are taken in turn, by word or by letter. `letters` and `lines` are the gaps between them, less than nothing
    where they overlap; `nested` lines come as near as their letters do. `rise` is that of a form which is not straight.
    `upright` turns the whole up or down along an edge. With `fit` cut letters are as large as go into `width` ×
    `height`. Papers come in turn, or `drawn` by `seed` with no two neighbours alike. `layers` of cut letters lie on each
    other for thickness, on what is `under` them. `openings` are letters cut out of a sheet, with papers behind. Letters
    that are `stuck` are off their alphabets for good, though their page be put away."""

    kind: ClassVar[str] = "title"
    level: ClassVar[str] = "over"
    id: Id
    text: Annotated[str, Text(400)] = "Title"
    styles: Annotated[tuple[Style, ...], Many(2, 1)] = (Style(),)
    by: Literal["word", "letter"] = "word"
    letters: Offset = inches(0, 1, 16)
    lines: Offset = inches(0, 1, 8)
    nested: bool = False
    align: Align = "left"
    form: Form = "straight"
    rise: Offset = ZERO
    upright: Literal["", "up", "down"] = ""
    fit: bool = False
    width: Size = inches(6)
    height: Size = inches(2)
    drawn: bool = False
    seed: Seed = 0
    layers: Annotated[int, Whole(1, 6)] = 1
    small: Annotated[str, Text(24)] = ""
    small_in: Literal["line", "counter"] = "line"
    under: Annotated[tuple[Under, ...], Many(4)] = ()
    openings: Openings | None = None
    swaps: Annotated[tuple[Swap, ...], Many(40)] = ()
    stuck: bool = False
    place: Place = field(default_factory=Place)


def taken(part: Title) -> list[TakenLetter]:
    """Every letter of the text and of the small word, without spaces, and what it is taken from."""
    text = f"{part.text}\n{part.small}" if part.small else part.text
    return lettering.taken_from(text, len(part.styles), part.by, part.swaps)


def wanted(part: Title) -> dict[str, Counter[str]]:
    """What it takes from each alphabet; openings take nothing."""
    return {} if part.openings else lettering.wanted_of(taken(part), part.styles)


def is_made(part: Title, piece: Piece, made: Making) -> bool:
    """Whether a piece of the title is a letter that comes about so."""
    if piece.letter is None:
        return False
    style = next(part.styles[one.style] for one in taken(part) if one.number == piece.letter)
    return style.alphabet is None and style.made == made


# ---- built ---------------------------------------------------------------------------------------------


def build(part: Title, ground: Ground, room: Rect) -> Built:
    """Its letters, each in as many pieces as it has bits, and what lies under them; what cannot be set is told."""
    ruler = ground.ruler
    fitted = fitted_to_room(part, ground) if part.fit else part
    if fitted is None:
        size = ruler.say_size(part.width, part.height)
        told = f"No cap height of 1/8 in or more goes into {size}; give it more room, or break a line."
        return Built(ZERO, ZERO, findings=(Finding("title", "stop", part.id, told),))
    letters = _laid(fitted, ground)
    if not letters:
        told = "Type what it says." if not part.text.strip() else "None of its letters is in its alphabet or face."
        return Built(ZERO, ZERO, findings=(Finding("title", "stop", part.id, told),))
    small, findings = _small_word(fitted, letters, ground)
    left, top, right, bottom = _reach(fitted, letters)
    if ground.fold is not None:
        left = min(left, _reach(fitted, _laid(fitted, replace(ground, fold=None)))[0])
    width, height = ruler.up(right - left), ruler.up(bottom - top)
    letters = [replace(one, x=one.x - left, y=one.y - top) for one in (*letters, *small)]
    how = {one.number: one for one in taken(fitted)}
    papers = _papers(fitted, [how[one.number] for one in letters], bool(part.openings))
    if part.openings is not None:
        sheet = Rect(ZERO, ZERO, width, height)
        pieces = tuple(openings.pieces(part.id, part.openings, sheet, letters, papers, ruler))
        findings += openings.told(part.id, letters, lambda gap: replace(part, letters=gap), ruler)
    else:
        pieces = (
            *built_up.pieces(part.id, part.under, letters, ruler),
            *(
                piece
                for one in letters
                for piece in _letter_pieces(fitted, one, how[one.number], papers.get(one.number), ground)
            ),
        )
    return Built(width, height, pieces, _told(part, fitted, letters, width, height, ruler), tuple(findings))


def _letter_pieces(
    part: Title, one: Letter, how: TakenLetter, paper: PaperChoice | None, ground: Ground
) -> Iterator[Piece]:
    style = part.styles[how.style]
    alphabet = _alphabet(style, ground)
    colour = alphabet.colour if alphabet else style.ink
    return lettering.pieces_of(part.id, one, how, style, paper, colour, part.layers, ground.ruler)


def _reach(part: Title, letters: Sequence[Letter]) -> Bounds:
    """What its letters take, and what lies under and round them."""
    left, top, right, bottom = polygons.bounds(tuple(c for one in letters for c in lettering.turned_box(one)))
    if part.openings is not None:
        by = part.openings.margin.inches
        return left - by, top - by, right + by, bottom + by
    before, above, after, below = built_up.reach(part.under)
    return left - before, top - above, right + after, bottom + below


def _laid(part: Title, ground: Ground) -> list[Letter]:
    """The letters where they stand in their own frame; upright as a whole last."""
    lines = _lines(part, part.text, 0, ground)
    spacing = _spacing(part, ground)
    if ground.fold is not None and part.form in ("straight", "staggered") and not part.upright:
        flat = lay(lines, spacing, _mark(ground))
        spacing = replace(spacing, fold=ground.fold.inches + (_reach(part, flat)[0] if flat else 0.0))
    letters = lay(lines, spacing, _mark(ground))
    if not part.upright:
        return letters
    return [lettering.stood(one, -90.0 if part.upright == "up" else 90.0) for one in letters]


def _mark(ground: Ground) -> Callable[[float], float]:
    return lambda inch: ground.ruler.up(inch).inches


def _spacing(part: Title, ground: Ground) -> Spacing:
    caps = max(_cap(style, ground) for style in part.styles)
    return Spacing(
        part.letters.inches, faces.SPACE * caps, part.lines.inches, part.align, part.form, part.rise.inches,
        part.seed, part.nested,
    )  # fmt: skip


def _lines(part: Title, text: str, number: int, ground: Ground) -> list[list[Letter | None]]:
    """Lines as typed, their letters counted from `number`; a space is None, a letter that the face lacks is left out."""
    known = {one.number: one for one in taken(part)}
    found = list[list[Letter | None]]()
    for line in text.split("\n"):
        row = list[Letter | None]()
        for _ in line:
            one = known.get(number)
            if one is None:
                row.append(None)
            elif (letter := _letter(part, one, ground)) is not None:
                row.append(letter)
            number += 1
        number += 1
        found.append(row)
    return found


def _letter(part: Title, one: TakenLetter, ground: Ground) -> Letter | None:
    style = part.styles[one.style]
    face, cap, wide = face_of(style, ground), _cap(style, ground), 1.0
    glyph = face.glyph(one.character)
    if glyph is None:
        return None
    alphabet = _alphabet(style, ground)
    if alphabet is not None:
        own = alphabets.width_of(alphabet, one.character, face)
        wide = own.inches / (glyph.width * cap) if own else 1.0
    return Letter(one.character, one.number, one.word, glyph, cap, wide)


def _alphabet(style: Style, ground: Ground) -> Alphabet | None:
    return ground.shelf.alphabets.get(style.alphabet or "")


def face_of(style: Style, ground: Ground) -> Typeface:
    alphabet = _alphabet(style, ground)
    return ground.faces[alphabet.face if alphabet else style.face]


def _cap(style: Style, ground: Ground) -> float:
    alphabet = _alphabet(style, ground)
    return (alphabet.height if alphabet else style.height).inches


def _small_word(part: Title, letters: Sequence[Letter], ground: Ground) -> tuple[list[Letter], list[Finding]]:
    """The small word where there is room for it: beside the line that is shortest, on the same line; or in the counter
    that has the largest room for it. Letters of an alphabet are as large as they are, cut ones as large as fits."""
    if not part.small.strip():
        return [], []
    (line,) = _lines(part, part.small.replace("\n", " "), len(part.text) + 1, ground)
    word = lay([line], replace(_spacing(part, ground), form="straight", align="left"), lambda inch: inch)
    where = filling.counter(letters) if part.small_in == "counter" else filling.short_line(letters, part.align)
    fixed = any(style.alphabet is not None for style in part.styles)
    small = filling.into(word, where, fixed) if word and where else None
    if small is not None and not part.upright and part.form == "straight":
        return small, []
    place = "No counter" if part.small_in == "counter" else "No line is so much shorter that it"
    told = (
        f"{place} has room for “{part.small}” at 1/8 in or more."
        if part.small_in == "counter"
        else (f"No straight line is so much shorter than the longest that “{part.small}” goes beside it.")
    )
    return [], [Finding("small-word", "warn", part.id, told, (Remedy("Leave it out", replace(part, small="")),))]


def fitted_to_room(part: Title, ground: Ground) -> Title | None:
    """With cut letters as large as they go into its room: of all marks the largest cap height that does. None where
    even 1/8 in is too large, the part itself where nothing of it is cut."""
    if not any(style.is_cut for style in part.styles):
        return part
    mark = ground.ruler.mark
    low, high = max(1, SIZE.least.units // mark.units), max(part.width, part.height).units // mark.units
    if part.nested:  # what is quick to tell first: nested it is never higher, and its lines are as long
        apart = replace(part, nested=False)
        low = max(low, _largest(apart, low, high, lambda one: _goes_in(one, ground), mark))
        high = _largest(apart, low, high, lambda one: _goes_across(one, ground), mark)
    best = _largest(part, low, high, lambda one: _goes_in(one, ground), mark)
    return _as_high(part, mark * best) if best else None


def _largest(part: Title, low: int, high: int, goes: Callable[[Title], bool], mark: Length) -> int:
    """Of the cap heights between so many marks the largest that goes, in marks; 0 where none does."""
    best = 0
    while low <= high:
        middle = (low + high) // 2
        if goes(_as_high(part, mark * middle)):
            best, low = middle, middle + 1
        else:
            high = middle - 1
    return best


def _as_high(part: Title, height: Length) -> Title:
    return replace(part, styles=tuple(replace(s, height=height) if s.is_cut else s for s in part.styles))


def _goes_in(part: Title, ground: Ground) -> bool:
    letters = _laid(part, ground)
    if not letters:
        return False
    left, top, right, bottom = _reach(part, letters)
    return ground.ruler.up(right - left) <= part.width and ground.ruler.up(bottom - top) <= part.height


def _goes_across(part: Title, ground: Ground) -> bool:
    """Whether its lines are not too long, however high it is."""
    letters = _laid(part, ground)
    if not letters:
        return False
    left, top, right, bottom = _reach(part, letters)
    if part.upright:
        return ground.ruler.up(bottom - top) <= part.height
    return ground.ruler.up(right - left) <= part.width


def longest(part: Title, ground: Ground) -> Length:
    """How long its longest line comes out."""
    lines = _lines(part, part.text, 0, ground)
    return length_of(max(length(line, _spacing(part, ground), _mark(ground)) for line in lines))


def _papers(part: Title, letters: Sequence[TakenLetter], every: bool) -> dict[int, PaperChoice]:
    """The paper of each letter that is cut, or of `every` one: in turn, or drawn with no two neighbours alike."""
    found: dict[int, PaperChoice] = {}
    for k, style in enumerate(part.styles):
        of = [one for one in letters if one.style == k and (every or style.is_cut or one.taken == CUT)]
        for one, paper in zip(of, dealt(style.papers, len(of), part.seed if part.drawn else None), strict=True):
            found[one.number] = paper
    return found


# ---- told ----------------------------------------------------------------------------------------------


def _told(
    part: Title, fitted: Title, letters: Sequence[Letter], width: Length, height: Length, ruler: Ruler
) -> str:
    count = len(letters)
    said = [f"{count} letter{'' if count == 1 else 's'}, {ruler.say_size(width, height)}"]
    if part.fit:
        caps = ", ".join(ruler.say(style.height) for style in fitted.styles if style.is_cut)
        said.append(f"the largest capitals that fit are {caps}")
    if part.lines < ZERO and "\n" in part.text.strip():
        said.append(f"the lower line is set first, the upper one tucked {ruler.say(-part.lines)} behind it")
    return "; ".join(said)


def name(part: Title, ground: Ground) -> str:
    first = part.text.strip().split("\n")[0]
    return f"the title “{first[:40]}”" if first else "the title"


def sentence(part: Title, ground: Ground) -> str:
    said = [f"“{' / '.join(part.text.split(chr(10)))}”"]
    for style in part.styles:
        alphabet = _alphabet(style, ground)
        if alphabet is not None:
            said.append(f"in {alphabet.name}")
        else:
            papers = ", ".join(ground.says(one) for one in style.papers)
            cap = "as large as it fits" if part.fit else f"{ground.ruler.say(style.height)} high"
            said.append(f"{style.made} {cap}" + (f" from {papers}" if style.made == "cut" else ""))
    if part.upright:
        said.append(f"upright, reading {part.upright}")
    if part.form != "straight":
        said.append(f"{part.form} by {ground.ruler.say(part.rise)}")
    if part.small:
        said.append(f"“{part.small}” small")
    if part.openings is not None:
        said.append(f"cut out of {ground.says(part.openings.sheet)}")
    said += [built_up.says(one, ground) for one in part.under if part.openings is None]
    if part.layers > 1:
        said.append(f"{part.layers} layers")
    return ", ".join(said)


def _begun(begin: Beginning, **more: Any) -> Title:
    usual = begin.usual
    part = Title(
        "new",
        letters=begin.of(0, 1, 16),
        lines=usual.narrow,
        width=begin.share(60, 8),
        height=begin.of(2),
        styles=(Style(height=begin.of(1)),),
    )
    return replace(part, **more)


PART = Title
TRAITS = Traits(whole=True, steps_off_fold=True, scales=("width", "height"))
MENU: tuple[Entry, ...] = (
    Entry("Title", "letters words alphabet heading name text", "M5 6h14M12 6v13M9 19h6", _begun),
    Entry(
        "Upright title",
        "letters words alphabet edge side text",
        "M8 3v18M8 5h6a3 3 0 0 1 0 6H8",
        lambda b: _begun(b, upright="up"),
    ),
)
