"""A sketch filled: photos into its places by shape and faces, papers by rule, title and words set and sized, all of it
on marks. What does not fit is told with the next best.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, replace

from ulna.core.checks.letters import told as letters_short
from ulna.core.checks.run_together import LIVELY
from ulna.core.geometry.rects import Borders, Rect
from ulna.core.measure import ZERO, Length, Ruler, inches, parse
from ulna.core.page.plan import PagePlan
from ulna.core.page_formats import PageFormat, PageName
from ulna.core.paper.colour import of_hex
from ulna.core.paper.shelf import Side
from ulna.core.parts.beginning import Beginning, rim
from ulna.core.parts.built_up import Under
from ulna.core.parts.kinds import Part, work_out
from ulna.core.parts.kinds.base import Base
from ulna.core.parts.kinds.date import Date, made_by
from ulna.core.parts.kinds.panel import Panel
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.kinds.title import Title
from ulna.core.parts.kinds.words import Words
from ulna.core.parts.lettering import Style
from ulna.core.parts.mats import Mat
from ulna.core.parts.pieces import Ground, PaperChoice
from ulna.core.parts.place import Across, Down, Place
from ulna.core.photos import crop as cropping
from ulna.core.photos.crop import PRINT_SIZES
from ulna.core.photos.photo import Photo
from ulna.core.photos.prints import Print
from ulna.core.sketches.matching import Match
from ulna.core.sketches.palette import Palette
from ulna.core.sketches.sketch import SketchPlace, box_of

USUAL = tuple(size for w, h in PRINT_SIZES for size in {(parse(w), parse(h)), (parse(h), parse(w))})
"""The usual print sizes, upright and sideways."""
ENOUGH = 0.8
"""A usual size is taken where it fills so much of its place; else the print is as large as the place."""
AT_LEAST = 0.4
"""Of its place: so small a print may be where the photo has too few pixels for a larger one."""
BORDER = inches(0, 1, 8)
READABLE = 25.0
"""In lightness (L*): so far letters and what is behind them are apart at least."""
LEAST = inches(1, 1, 4)
"""A place that is smaller both ways leaves its photo without a mat."""


@dataclass(frozen=True, slots=True)
class Story:
    """What a draft is to tell: its title, its words, its date."""

    title: str
    words: str = ""
    date: str = ""


@dataclass(frozen=True, slots=True)
class Filled:
    """The page, and what did not fit, each in a sentence."""

    plan: PagePlan
    told: tuple[str, ...]


def filled(
    match: Match, photos: Sequence[Photo], story: Story, papers: Palette, ground: Ground, name: str,
    fixed: Sequence[Part] = (),
) -> Filled:  # fmt: skip
    """The sketch as a page. Parts that are `fixed` lie on top as they are."""
    format, ruler = ground.format, ground.ruler
    parts, told = list[Part](), list[str]()
    for on in format.names if papers.ground is not None else ():
        parts.append(Base(f"base-{on}", on, papers.ground))  # type: ignore[arg-type]
    count, taken, panels = 0, 0, list[Rect]()
    for place in match.sketch.places:
        box = box_of(place, format, ruler)
        if place.role == "photo":
            photo = photos[match.photos[taken]]
            taken += 1
            parts.append(_photo(f"photo-{taken}", photo, box, place, papers, ground))
        elif place.role in ("panel", "strip"):
            within = any(other.contains(box) for other in panels)
            choice = papers.strip if place.role == "strip" or within else papers.panel
            panels += [box] if place.role == "panel" else []
            count += 1
            parts += _papers(f"{place.role}-{count}", place.role, choice, box, format)
    for place in match.sketch.places:
        box = box_of(place, format, ruler)
        if place.role == "title" and story.title and not any(isinstance(p, Title) for p in (*parts, *fixed)):
            behind = papers.panel if any(other.meets(box) for other in panels) else papers.ground
            parts.append(_title(story.title, box, papers, ground, _side(behind, ground)))
        elif place.role == "words" and not any(isinstance(p, Words) for p in (*parts, *fixed)):
            words, more = _words(story.words, box, papers, ground)
            parts.append(words)
            told += more
    if story.date and not any(isinstance(part, Date) for part in fixed):
        parts.append(_date(story.date, ground))
    return Filled(PagePlan(name, format, story.words, (*parts, *fixed)), tuple(told))


def _place(box: Rect, format: PageFormat) -> Place:
    """Counted from the left and top of its page; what lies over the fold from the spread's."""
    on: PageName = format.page_of(box)
    page = format.page(on)
    return Place(on, Across("left", box.x - page.x), Down("top", box.y - page.y))


def _photo(id: str, photo: Photo, box: Rect, place: SketchPlace, papers: Palette, ground: Ground) -> PhotoPart:
    """As large as its place with a mat; where that goes to the page's edge without one."""
    whole = ground.format.page(ground.format.page_of(box))
    to_edge = box.x == whole.x or box.y == whole.y
    border = (
        ZERO if to_edge or papers.mat is None or min(box.width, box.height) < LEAST else ground.ruler.round(BORDER)
    )
    room = box.width - border * 2, box.height - border * 2
    width, height = _print_size(photo, room, ground.ruler)
    mats = (
        (Mat(Borders.even(border), papers.mat or PaperChoice(), gutted=min(width, height) >= inches(3)),)
        if border
        else ()
    )
    x = box.x + (box.width - width - border * 2).part(1, 2)
    y = box.y + (box.height - height - border * 2).part(1, 2)
    at = Rect(ground.ruler.round(x), ground.ruler.round(y), width + border * 2, height + border * 2)
    white = ZERO if to_edge else rim(ground.rules, ground.ruler.unit)
    return PhotoPart(id, Print(photo.id, width, height, rim=white), mats, _place(at, ground.format))


def _print_size(photo: Photo, room: tuple[Length, Length], ruler: Ruler) -> tuple[Length, Length]:
    """The largest usual size that fills most of the place and cuts no face; else all of the place."""
    wide, high = ruler.down(room[0].inches), ruler.down(room[1].inches)
    area = wide.inches * high.inches
    best, sharp = (wide, high), _sharp(photo, (wide, high))
    for size in sorted(USUAL, key=lambda s: -s[0].inches * s[1].inches):
        least = ENOUGH if sharp else AT_LEAST
        if size[0] > wide or size[1] > high or size[0].inches * size[1].inches < least * area:
            continue
        if not sharp and not _sharp(photo, size):
            continue
        if not cropping.faces_cut(photo.pixels, cropping.crop(photo.pixels, size, photo.framing), photo.framing):
            return size
    return best


def _sharp(photo: Photo, size: tuple[Length, Length]) -> bool:
    """Whether it has pixels enough for a print of that size."""
    cropped = cropping.crop(photo.pixels, size, photo.framing)
    return cropping.word(cropping.pixels_per_inch(photo.pixels, cropped, size)) != "too few"


def _papers(id: str, role: str, choice: PaperChoice | None, box: Rect, format: PageFormat) -> Iterator[Part]:
    """A paper over one page; what goes over the fold is two papers that meet there."""
    if choice is None:
        return
    gutter = format.gutter
    boxes = [box]
    if gutter is not None and box.x < gutter < box.right:
        boxes = [
            Rect(box.x, box.y, gutter - box.x, box.height), Rect(gutter, box.y, box.right - gutter, box.height)
        ]  # fmt: skip
    for k, at in enumerate(boxes):
        yield Panel(
            f"{id}{'ab'[k] if len(boxes) > 1 else ''}",
            role,
            None,
            at.width,
            at.height,
            choice,
            place=_place(at, format),
        )


def _side(choice: PaperChoice | None, ground: Ground) -> Side | None:
    paper = ground.shelf.papers.get(choice.paper or "") if choice else None
    return paper.face(choice.side) if paper and choice else None


def _under(colour: str, behind: Side | None, card: PaperChoice | None) -> tuple[Under, ...]:
    """A strip of plain card where letters of a colour are hard to read on what is behind them: it is lively, or about
    as light as they are."""
    if behind is None or card is None:
        return ()
    apart = abs(of_hex(colour).lightness - of_hex(behind.colours[0]).lightness)
    if behind.busy < LIVELY and apart >= READABLE:
        return ()
    return (Under("strip", inches(0, 1, 8), (card,)),)


def _title(text: str, box: Rect, papers: Palette, ground: Ground, behind: Side | None) -> Title:
    """In an alphabet that has its letters and whose letters go into the place; else cut as large as goes there."""
    for lines in _broken(text):
        for alphabet in sorted(ground.shelf.alphabets.values(), key=lambda one: -ground.longing.get(one.id, 0.0)):
            under = _under(alphabet.colour, behind, papers.card)
            tried = Title("title", lines, (Style(alphabet.id),), align="centre", under=under)
            built, _ = work_out(tried, ground, box)
            if not built.is_there or built.width > box.width or built.height > box.height:
                continue
            if alphabet.height.inches < box.height.inches * 0.2 and alphabet.runs_out:
                continue
            if not list(letters_short(PagePlan("p", ground.format, parts=(tried,)), ground)):
                return _centred(tried, box, ground)
    best, high = None, ZERO
    letters = papers.letters or PaperChoice()
    cut_from = _side(letters, ground)
    under = _under(cut_from.colours[0] if cut_from else "#2b3138", behind, papers.card)
    for lines in _broken(text):
        style = Style(face="heavy", papers=(letters,))
        tried = Title(
            "title", lines, (style,), align="centre", fit=True, width=box.width, height=box.height, under=under
        )
        built, _ = work_out(tried, ground, box)
        tall = built.height.inches / (lines.count("\n") + 1) if built.is_there else 0.0
        if best is None or tall > high.inches:
            best, high = tried, Length(round(tall * 914_400))
    return _centred(best or Title("title", text), box, ground)


def _broken(text: str) -> Iterator[str]:
    """In one line, then over two and three at the spaces that part it most evenly."""
    words = text.split()
    yield " ".join(words)
    for many in (2, 3):
        if len(words) >= many:
            each = sum(len(word) + 1 for word in words) / many
            lines, line = list[str](), ""
            for word in words:
                if line and len(line) + len(word) / 2 > each and len(lines) < many - 1:
                    lines.append(line)
                    line = word
                else:
                    line = f"{line} {word}".strip()
            yield "\n".join([*lines, line])


def _centred(part: Title, box: Rect, ground: Ground) -> Title:
    built, _ = work_out(part, ground, box)
    round_ = ground.ruler.round
    x = round_(box.x + (box.width - built.width).part(1, 2))
    y = round_(box.y + (box.height - built.height).part(1, 2))
    return replace(part, place=_place(Rect(x, y, built.width, built.height), ground.format))


def _words(text: str, box: Rect, papers: Palette, ground: Ground) -> tuple[Words, list[str]]:
    """On a plain card, as long as they are; what has no room goes on behind, and that is told. Without words, lines."""
    margin = ground.ruler.round(inches(0, 1, 8))
    width = box.width - margin * 2
    card = papers.card
    part = Words(
        "words", text, width=width, paper=card, margin=margin, ruled=not text.strip(), more=0 if text.strip() else 3
    )
    told = list[str]()
    built, _ = work_out(part, ground, box)
    if built.is_there and built.height > box.height:
        room = box.height - (margin * 2 if card else ZERO)
        part = replace(part, height=room, elsewhere="tag" if card else "back", tag=card or PaperChoice())
        told.append("The words are longer than their place: the rest goes on a tag behind them.")
        built, _ = work_out(part, ground, box)
    at = Rect(box.x, box.y, built.width, built.height)
    return replace(part, place=_place(at, ground.format)), told


def _date(text: str, ground: Ground) -> Date:
    """At the foot of the last page, on the right."""
    begin = Beginning(ground.ruler.unit, ground.format.width, ground.format.height, ground.rules)
    on: PageName = "right" if ground.format.pages == 2 else "left"
    aside, below = begin.of(0, 5, 8), begin.of(0, 1, 2)
    return Date(
        "date",
        text,
        made=made_by(ground.rules),
        high=begin.of(0, 5, 32),
        place=Place(on, Across("right", aside), Down("bottom", below)),
    )
