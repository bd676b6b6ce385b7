"""A title: its words in letters of an alphabet, or cut from papers, set in lines.

┌─┐┌─┐┌─┐   w₁ + s + w₂ + s + w₃: a line is its letters and the gaps between them
│T││E││A│
└─┘└─┘└─┘   a cut letter that fits: the largest cap height on a mark at which every line and all lines together do
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field, replace
from typing import Annotated, Any, ClassVar, Literal

from ulna.core.findings import Finding, Remedy
from ulna.core.geometry import polygons
from ulna.core.geometry.figures import Hole
from ulna.core.geometry.polygons import Polygon
from ulna.core.geometry.rects import Rect
from ulna.core.measure import PER_INCH, SIZE, ZERO, Length, Ruler, inches
from ulna.core.parts.beginning import Beginning
from ulna.core.parts.kind import Entry, Traits
from ulna.core.parts.papers import dealt
from ulna.core.parts.pieces import Built, Ground, PaperChoice, Papers, Piece
from ulna.core.parts.place import Place
from ulna.core.ranges import Id, Many, Offset, Seed, Size, Text, Whole
from ulna.core.words import alphabets, faces
from ulna.core.words.alphabets import Alphabet
from ulna.core.words.faces import FaceName, Typeface
from ulna.core.words.setting import Align, Form, Letter, Spacing, lay, length

CUT = ""
"""Stands for a letter that is cut from paper instead of taken."""


@dataclass(frozen=True, slots=True)
class Style:
    """What letters are taken from: an alphabet on the shelf, or cut from `papers` in a face at a cap height."""

    alphabet: str | None = None
    face: FaceName = "plain"
    height: Size = inches(1)
    papers: Papers = (PaperChoice(),)


@dataclass(frozen=True, slots=True)
class Swap:
    """The last so many `times` of a letter are another one turned round, or, where `taken` is nothing, cut."""

    wanted: Annotated[str, Text(1, 1)]
    taken: Annotated[str, Text(1)] = CUT
    times: Annotated[int, Whole(1, 100)] = 1


@dataclass(frozen=True, slots=True)
class Title:
    """`text` with its lines. Two `styles` are taken in turn, by word or by letter. `letters` and `lines` are the gaps
    between them, less than nothing where they overlap; `rise` is that of a form which is not straight. `upright` turns
    the whole up or down along an edge. With `fit` cut letters are as large as go into `width` × `height`. Papers come in
    turn, or `drawn` by `seed` with no two neighbours alike. `layers` of cut letters lie on each other for thickness."""

    kind: ClassVar[str] = "title"
    level: ClassVar[str] = "over"
    id: Id
    text: Annotated[str, Text(400)] = "Title"
    styles: Annotated[tuple[Style, ...], Many(2, 1)] = (Style(),)
    by: Literal["word", "letter"] = "word"
    letters: Offset = inches(0, 1, 16)
    lines: Offset = inches(0, 1, 8)
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
    swaps: Annotated[tuple[Swap, ...], Many(40)] = ()
    place: Place = field(default_factory=Place)


# ---- which letter comes from where ---------------------------------------------------------------------


@dataclass(frozen=True, slots=True)
class TakenLetter:
    """A letter of the text: its style, what is really taken for it (a letter turned, or `CUT`), its word."""

    number: int
    character: str
    word: int
    style: int
    taken: str


def taken(part: Title) -> list[TakenLetter]:
    """Every letter of the text, without spaces. Styles take turns by word or by letter; swaps are for the last ones."""
    found, word, n, fresh = list[TakenLetter](), -1, 0, True
    for number, character in enumerate(part.text):
        if character.isspace():
            fresh = True
            continue
        if fresh:
            word, fresh = word + 1, False
        style = (n if part.by == "letter" else word) % len(part.styles)
        found.append(TakenLetter(number, character, word, style, character))
        n += 1
    for swap in part.swaps:
        of = [k for k, one in enumerate(found) if one.character == swap.wanted and one.taken == swap.wanted]
        for k in of[len(of) - swap.times :] if swap.times < len(of) else of:
            found[k] = replace(found[k], taken=swap.taken)
    return found


def wanted(part: Title) -> dict[str, Counter[str]]:
    """What it takes from each alphabet."""
    found: dict[str, Counter[str]] = {}
    for one in taken(part):
        alphabet = part.styles[one.style].alphabet
        if alphabet is not None and one.taken != CUT:
            found.setdefault(alphabet, Counter())[one.taken] += 1
    return found


# ---- built ---------------------------------------------------------------------------------------------


def build(part: Title, ground: Ground, room: Rect) -> Built:
    """Its letters, each in as many pieces as it has bits; what cannot be set is told."""
    ruler = ground.ruler
    findings = [*_unknown(part, ground), *_too_long(part, ground, room)]
    fitted = _fitted(part, ground) if part.fit else part
    if fitted is None:
        size = ruler.say_size(part.width, part.height)
        told = f"No cap height of 1/8 in or more goes into {size}; give it more room, or break a line."
        return Built(ZERO, ZERO, findings=(Finding("title", "stop", part.id, told),))
    letters = _laid(fitted, ground)
    if not letters:
        told = "Type what it says." if not part.text.strip() else "None of its letters is in its alphabet or face."
        return Built(ZERO, ZERO, findings=(*findings, Finding("title", "stop", part.id, told)))
    corners = [corner for one in letters for corner in _turned_box(one)]
    left, top, right, bottom = polygons.bounds(tuple(corners))
    wide, high = ruler.up(right - left), ruler.up(bottom - top)
    taken_as = {one.number: one for one in taken(fitted)}
    pieces = list[Piece]()
    papers = _papers(fitted, [taken_as[one.number] for one in letters])
    for one in letters:
        moved = replace(one, x=one.x - left, y=one.y - top)
        pieces += _pieces(fitted, moved, taken_as[one.number], papers.get(one.number), ground)
    told = _told(fitted, letters, wide, high, ruler)
    if part.fit:
        caps = ", ".join(ruler.say(style.height) for style in fitted.styles if style.alphabet is None)
        told = f"{told}; the largest capitals that fit are {caps}"
    return Built(wide, high, tuple(pieces), told, tuple(findings))


def _laid(part: Title, ground: Ground) -> list[Letter]:
    """The letters where they stand in their own frame; upright as a whole last."""
    lines = _lines(part, ground)
    caps = [_cap(style, ground) for style in part.styles]
    spacing = Spacing(
        part.letters.inches, faces.SPACE * max(caps), part.lines.inches, part.align, part.form, part.rise.inches,
        part.seed,
    )  # fmt: skip
    letters = lay(lines, spacing, lambda inch: ground.ruler.up(inch).inches)
    if not part.upright:
        return letters
    by = -90.0 if part.upright == "up" else 90.0
    return [_stood(one, by) for one in letters]


def _lines(part: Title, ground: Ground) -> list[list[Letter | None]]:
    """Its lines as typed; a space is None, a letter that the face lacks is left out."""
    known, number = {one.number: one for one in taken(part)}, 0
    found = list[list[Letter | None]]()
    for line in part.text.split("\n"):
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
    face, cap, wide = _face(style, ground), _cap(style, ground), 1.0
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


def _face(style: Style, ground: Ground) -> Typeface:
    alphabet = _alphabet(style, ground)
    return ground.faces[alphabet.face if alphabet else style.face]


def _cap(style: Style, ground: Ground) -> float:
    alphabet = _alphabet(style, ground)
    return (alphabet.height if alphabet else style.height).inches


def _stood(one: Letter, by: float) -> Letter:
    """Turned with the whole by a quarter about the origin."""
    mx, my = one.middle
    x, y = (my, -mx) if by < 0 else (-my, mx)
    return replace(one, x=x - one.width / 2, y=y - one.height / 2, angle=one.angle + by)


def _turned_box(one: Letter) -> Polygon:
    return polygons.turned(polygons.box(one.x, one.y, one.width, one.height), one.angle, one.middle)


def _fitted(part: Title, ground: Ground) -> Title | None:
    """With cut letters as large as they go into its room: of all marks the largest cap height that does. None where
    even 1/8 in is too large, the part itself where nothing of it is cut."""
    if all(style.alphabet is not None for style in part.styles):
        return part
    mark = ground.ruler.mark
    low, high = SIZE.least.units // mark.units, max(part.width, part.height).units // mark.units
    best: Title | None = None
    while low <= high:
        middle = (low + high) // 2
        tried = replace(
            part,
            styles=tuple(s if s.alphabet is not None else replace(s, height=mark * middle) for s in part.styles),
        )
        if middle and _goes_in(tried, ground):
            best, low = tried, middle + 1
        else:
            high = middle - 1
    return best


def _goes_in(part: Title, ground: Ground) -> bool:
    letters = _laid(part, ground)
    corners = tuple(corner for one in letters for corner in _turned_box(one))
    if not corners:
        return False
    left, top, right, bottom = polygons.bounds(corners)
    return ground.ruler.up(right - left) <= part.width and ground.ruler.up(bottom - top) <= part.height


def _papers(part: Title, letters: Sequence[TakenLetter]) -> dict[int, PaperChoice]:
    """The paper of each letter that is cut: in turn, or drawn with no two neighbours alike."""
    found: dict[int, PaperChoice] = {}
    for k, style in enumerate(part.styles):
        of = [one for one in letters if one.style == k and (style.alphabet is None or one.taken == CUT)]
        for one, paper in zip(of, dealt(style.papers, len(of), part.seed if part.drawn else None), strict=True):
            found[one.number] = paper
    return found


def _pieces(
    part: Title, one: Letter, how: TakenLetter, paper: PaperChoice | None, ground: Ground
) -> Iterator[Piece]:
    """A letter's bits, each in its own box on marks; what is cut lies so many times on itself."""
    scale_x, scale_y = one.cap * one.wide, one.cap
    left, top, _, _ = one.glyph.box
    for k, bit in enumerate(one.glyph.bits):
        line = _placed(bit.outline, one, left, top, scale_x, scale_y)
        x1, y1, x2, y2 = polygons.bounds(line)
        ruler = ground.ruler
        at = Rect(ruler.down(x1), ruler.down(y1), ZERO, ZERO)
        at = replace(at, width=ruler.up(x2) - at.x, height=ruler.up(y2) - at.y)
        own = polygons.moved(line, -at.x.inches, -at.y.inches)
        holes = tuple(
            _counter(polygons.moved(_placed(c, one, left, top, scale_x, scale_y), -at.x.inches, -at.y.inches))
            for c in bit.counters
        )
        id = f"{part.id}/letter-{one.number + 1}{f'-{k + 1}' if k else ''}"
        called = f"letter {one.character}" + (f", bit {k + 1}" if k else "")
        if paper is None:
            called = f"{called} (a {how.taken} turned)" if how.taken != one.character else called
            colour = _colour(part.styles[how.style], ground)
            yield _about(
                Piece(id, part.id, "sticker", called, at, at, outline=own, holes=holes, colour=colour), one
            )
            continue
        cut = Piece(id, part.id, "letter", called, at, at, paper, outline=own, holes=holes)
        for layer in range(part.layers - 1, 0, -1):
            yield _about(replace(cut, id=f"{id}-layer-{layer}", name=f"{called}, layer {layer}"), one)
        yield _about(cut, one)


def _placed(line: Polygon, one: Letter, left: float, top: float, sx: float, sy: float) -> Polygon:
    return tuple((one.x + (x - left) * sx, one.y + (y - top) * sy) for x, y in line)


def _counter(line: Polygon) -> Hole:
    x1, y1, x2, y2 = polygons.bounds(line)
    return Hole(_length(x1), _length(y1), _length(x2 - x1), _length(y2 - y1), clipped=line)


def _about(piece: Piece, one: Letter) -> Piece:
    """Turned about the middle of its letter."""
    if not one.angle:
        return piece
    r = piece.rect
    middle = (r.x + r.right).inches / 2, (r.y + r.bottom).inches / 2
    ((x, y),) = polygons.turned((middle,), one.angle, one.middle)
    at = Rect(_length(x) - r.width.part(1, 2), _length(y) - r.height.part(1, 2), r.width, r.height)
    return replace(piece, rect=at, uncut=at, angle=one.angle)


def _colour(style: Style, ground: Ground) -> str:
    alphabet = _alphabet(style, ground)
    return alphabet.colour if alphabet else "#2b3138"


def _length(inch: float) -> Length:
    return Length(round(inch * PER_INCH))


# ---- told ----------------------------------------------------------------------------------------------


def _unknown(part: Title, ground: Ground) -> Iterator[Finding]:
    """Letters that a face does not have, and alphabets that are gone."""
    for k, style in enumerate(part.styles):
        if style.alphabet is not None and style.alphabet not in ground.shelf.alphabets:
            told = "Its alphabet is not on the shelf any more; choose another, or cut it from paper."
            mended = replace(
                part, styles=tuple(replace(s, alphabet=None) if s is style else s for s in part.styles)
            )
            yield Finding("alphabet-gone", "warn", part.id, told, (Remedy("Cut it from paper", mended),))
        face = _face(style, ground)
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
    told = f"It is {say(longest(part, ground))} long, and there are {say(across)}: {why}break it, or take smaller letters."
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
        return any(style.alphabet is None for style in part.styles) and _fitted(part, ground) is not None
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


def _told(part: Title, letters: Sequence[Letter], wide: Length, high: Length, ruler: Ruler) -> str:
    count = len(letters)
    return f"{count} letter{'' if count == 1 else 's'}, {ruler.say_size(wide, high)}"


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
            said.append(f"cut {cap} from {papers}")
    if part.upright:
        said.append(f"upright, reading {part.upright}")
    if part.form != "straight":
        said.append(f"{part.form} by {ground.ruler.say(part.rise)}")
    if part.layers > 1:
        said.append(f"{part.layers} layers")
    return ", ".join(said)


def longest(part: Title, ground: Ground) -> Length:
    """How long its longest line comes out."""
    caps = max(_cap(style, ground) for style in part.styles)
    spacing = Spacing(part.letters.inches, faces.SPACE * caps, part.lines.inches)
    lines = _lines(part, ground)
    return _length(max(length(line, spacing, lambda inch: ground.ruler.up(inch).inches) for line in lines))


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
TRAITS = Traits(whole=True, scales=("width", "height"))
MENU: tuple[Entry, ...] = (
    Entry("Title", "letters words alphabet heading name text", "M5 6h14M12 6v13M9 19h6", _begun),
    Entry(
        "Upright title",
        "letters words alphabet edge side text",
        "M8 3v18M8 5h6a3 3 0 0 1 0 6H8",
        lambda b: _begun(b, upright="up"),
    ),
)
