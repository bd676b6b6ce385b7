"""Tiles: honeycomb, squares, triangles or circles over a region, round a photo, or scattered; no two neighbours alike.

Tiles that the region's edge cuts are trimmed, and what falls off one may be another; photos and cards may take cells.
"""

from __future__ import annotations

import math
import random
import re
from collections.abc import Sequence
from dataclasses import dataclass, field, replace
from typing import Annotated, ClassVar, Literal

from ulna.core.errors import FieldError
from ulna.core.findings import Finding, Remedy
from ulna.core.geometry import lattice, polygons
from ulna.core.geometry.colouring import Spot, coloured, counts
from ulna.core.geometry.lattice import Tile, TileShape
from ulna.core.geometry.polygons import Polygon
from ulna.core.geometry.rects import Rect
from ulna.core.geometry.shapes import Shape as PrintShape
from ulna.core.measure import ZERO, Length, Ruler, inches
from ulna.core.paper import punches
from ulna.core.paper.shelf import Paper
from ulna.core.parts import leftovers
from ulna.core.parts.beginning import Beginning, unchosen
from ulna.core.parts.cards import printed
from ulna.core.parts.kind import Entry, Traits
from ulna.core.parts.papers import NO_PAPER
from ulna.core.parts.pieces import Built, CellSpot, Ground, Handle, PaperChoice, Papers, Piece
from ulna.core.parts.place import Place
from ulna.core.parts.printed import lay, nothing_left
from ulna.core.photos.prints import Print
from ulna.core.ranges import Count, Gap, Id, Many, Name, Seed, Size, Whole

MOST = 600
WHATS = ("tile", "photo", "paper", "card", "words", "empty")
"""What a cell can be for."""
Layout = Literal["region", "ring", "scattered"]
FIGURES_OF_TILES: dict[TileShape, Literal["hexagon", "circle"]] = {"hexagon": "hexagon", "circle": "circle"}


@dataclass(frozen=True, slots=True)
class Taken:
    """A cell that something else lies on: a photo, a tile of another paper, the middle of a printed card (`card` of
    the sheet `sheet`, or its `back`), words, or nothing."""

    row: int
    column: int
    what: Literal["photo", "paper", "card", "words", "empty"] = "photo"
    print: Print | None = None
    choice: PaperChoice = field(default_factory=PaperChoice)
    sheet: str | None = None
    card: Name = ""
    back: bool = False


@dataclass(frozen=True, slots=True)
class Tiles:
    """`size` is flat to flat, a side or a diameter. `width` and `height` are the region, None all of what it lies on.

    A ring leaves `hole_width` × `hole_height` in its middle clear, None what it lies on; scattered ones keep `share`
    percent of the cells. `asked` is how many tiles of each paper are wanted, empty evenly; `seed` draws another
    arrangement. `trimmed` covers the region to its edge.
    """

    kind: ClassVar[str] = "tiles"
    level: ClassVar[str] = "under"
    id: Id
    shape: TileShape = "hexagon"
    size: Size = inches(1, 1, 2)
    gap: Gap = ZERO
    width: Size | None = None
    height: Size | None = None
    layout: Layout = "region"
    hole_width: Size | None = None
    hole_height: Size | None = None
    share: Annotated[int, Whole(1, 100)] = 60
    trimmed: bool = False
    papers: Papers = (PaperChoice(), PaperChoice(), PaperChoice())
    asked: Annotated[tuple[Count, ...], Many(24)] = ()
    seed: Seed = 1
    taken: Annotated[tuple[Taken, ...], Many(600)] = ()
    place: Place = field(default_factory=Place)


def build(part: Tiles, ground: Ground, room: Rect) -> Built:
    """The tiles row by row. Too many, or none, is told."""
    ruler = ground.ruler
    wide = ruler.round(part.width) if part.width is not None else room.width
    high = ruler.round(part.height) if part.height is not None else room.height
    f, gap = ruler.round(part.size), part.gap
    if f < inches(0, 1, 16) or min(wide, high) <= ZERO:
        return _none(part, "Tiles and their region need a size; make them larger.")
    laid = lattice.tiles(part.shape, f.inches, gap.inches, wide.inches, high.inches, part.trimmed, MOST)
    if len(laid) > MOST:
        size = ruler.say_size(wide, high)
        return _none(part, f"Tiles of {ruler.say(f)} on {size} would be more than {MOST}; make them larger.")
    if part.shape == "square":
        laid = tuple(_on_marks(tile, f, ruler) for tile in laid)
    laid = tuple(_kept(part, laid, wide, high, room))
    if not laid:
        size = ruler.say_size(wide, high)
        return _none(part, f"No tile of {ruler.say(f)} lies wholly on {size}; make the tiles smaller.")
    taken = {(t.row, t.column): t for t in part.taken}
    spots = [tile.spot for tile in laid if tile.spot not in taken]
    papers, findings = _papers(part, spots, taken, ground)
    pieces, cut_off, region = list[Piece](), dict[str, Tile](), polygons.box(0, 0, wide.inches, high.inches)
    for tile in laid:
        own = taken.get(tile.spot)
        seen = polygons.clipped(tile.outline, region) if part.trimmed else tile.outline
        if not seen or (own is not None and own.what in ("words", "empty")):
            continue
        if own is not None and own.what == "photo":
            cut, told = _photo(part, own, tile, ground)
            pieces += cut
            findings += told
        elif own is not None and own.what == "card":
            cut, told = _card(part, own, tile, seen, ground)
            pieces += cut
            findings += told
        else:
            choice = own.choice if own is not None else papers[tile.spot]
            piece = _piece(part, tile, seen, choice, ruler)
            pieces.append(piece)
            if part.trimmed and polygons.area(seen) < polygons.area(tile.outline) - polygons.NEGLIGIBLE:
                cut_off[piece.id] = tile
    if cut_off:
        pieces, told = leftovers.matched(part.id, part.shape, pieces, cut_off, ground)
        findings += told
    findings += punches.told(part, part.shape.removesuffix(" flat up"), f, ground.punches, ruler)
    handles = [Handle("size", "size", f, ZERO, 1)]
    if part.gap or len(laid) > 1:
        handles.append(Handle("gap", "gap", wide.part(1, 2), ZERO, 1))
    if part.width is not None:
        handles.append(Handle("width", "width", wide, high.part(1, 2), 1))
    if part.height is not None:
        handles.append(Handle("height", "height", wide.part(1, 2), high, 0, 1))
    told_sum = _told(part, pieces, f, ground)
    seen_whole = [(tile, not part.trimmed or _is_whole(tile, region)) for tile in laid]
    return Built(
        wide,
        high,
        tuple(pieces),
        told_sum,
        tuple(findings),
        handles=tuple(handles),
        spots=tuple(_cell(part, tile, taken.get(tile.spot), whole, ground) for tile, whole in seen_whole),
    )


def _is_whole(tile: Tile, region: Polygon) -> bool:
    seen = polygons.clipped(tile.outline, region)
    return bool(seen) and polygons.area(seen) > polygons.area(tile.outline) - polygons.NEGLIGIBLE


def _cell(part: Tiles, tile: Tile, own: Taken | None, whole: bool, ground: Ground) -> CellSpot:
    """A cell to press on. What needs all of it cannot come into one that the edge trims."""
    row, column = tile.spot
    what = own.what if own is not None else "tile"
    why = "the edge trims this cell" if not whole else ""
    cards = any(paper.cards and paper.count for paper in ground.shelf.papers.values())
    cannot = [("photo", why), ("card", why)] if why else []
    if not cards and not why:
        cannot.append(("card", "no sheet with printed cards is on the shelf"))
    key, name = f"tile-{row}-{column}", f"row {row + 1}, column {column + 1}"
    at = leftovers.box_of(tile.outline, ground.ruler)
    return CellSpot(key, name, at, what, WHATS, tuple(cannot))


def fill(part: Tiles, key: str, what: str, print_: Print | None = None, choice: PaperChoice | None = None) -> Tiles:
    """The tiles with something in the cell of that key ("tile-1-2": row, column, from 0), paper being one of its own;
    "tile" makes it one like the others. Raises `FieldError` where there can be no such cell."""
    found = _KEY.fullmatch(key)
    if found is None:
        raise FieldError("cell", key, "these tiles have no such cell", "press on one of their cells")
    if what not in WHATS:
        raise FieldError("what", what, "a tile cannot be for that", f"choose one of {', '.join(WHATS)}")
    spot = int(found[1]), int(found[2])
    others = tuple(one for one in part.taken if (one.row, one.column) != spot)
    if what == "tile":
        return replace(part, taken=others)
    own = Taken(*spot, what=what, print=print_)  # type: ignore[arg-type]
    if choice is not None:
        own = replace(own, choice=choice)
    return replace(part, taken=(*others, own))


_KEY = re.compile(r"tile-(\d{1,3})-(\d{1,3})")


def _on_marks(tile: Tile, f: Length, ruler: Ruler) -> Tile:
    """A square with its corner on a mark, so that what its region trims it to is on marks too."""
    left, top, *_ = polygons.bounds(tile.outline)
    return replace(tile, outline=polygons.box(ruler.near(left).inches, ruler.near(top).inches, f.inches, f.inches))


def _none(part: Tiles, told: str) -> Built:
    return Built(ZERO, ZERO, findings=(Finding("tiles", "stop", part.id, told),))


def _kept(part: Tiles, laid: Sequence[Tile], wide: Length, high: Length, room: Rect) -> Sequence[Tile]:
    """The cells of a ring, or those that are drawn to be kept."""
    if part.layout == "ring":
        on_part = part.place.base is not None
        w = part.hole_width if part.hole_width is not None else room.width if on_part else wide.part(1, 3)
        h = part.hole_height if part.hole_height is not None else room.height if on_part else high.part(1, 3)
        hole = polygons.box((wide - w).inches / 2, (high - h).inches / 2, w.inches, h.inches)
        left, top, right, bottom = polygons.bounds(hole)
        return [t for t in laid if not _meets(t.outline, left, top, right, bottom)]
    if part.layout == "scattered":
        dice = random.Random(part.seed)
        return [t for t in laid if dice.random() * 100 < part.share]
    return laid


def _meets(outline: Polygon, left: float, top: float, right: float, bottom: float) -> bool:
    x1, y1, x2, y2 = polygons.bounds(outline)
    if x2 <= left + 1e-6 or x1 >= right - 1e-6 or y2 <= top + 1e-6 or y1 >= bottom - 1e-6:
        return False
    return polygons.area(polygons.clipped(outline, polygons.box(left, top, right - left, bottom - top))) > 1e-4


def _papers(
    part: Tiles, spots: list[Spot], taken: dict[Spot, Taken], ground: Ground
) -> tuple[dict[Spot, PaperChoice], list[Finding]]:
    if not part.papers:
        return dict.fromkeys(spots, NO_PAPER), []
    there = set(spots)
    wanted = sum(part.asked)
    if wanted > len(spots):
        places = f"there are {len(spots)} places" if len(spots) != 1 else "there is one place"
        told = f"{wanted} tiles are asked for, and {places}; ask for fewer, or make the tiles smaller."
        even = Remedy("Share them out evenly", replace(part, asked=()))
        found_, more = _papers(replace(part, asked=()), spots, taken, ground)
        return found_, [*more, Finding("counts", "warn", part.id, told, (even,))]
    fixed = {
        s: part.papers.index(t.choice) for s, t in taken.items() if t.what == "paper" and t.choice in part.papers
    }
    cells = there | set(fixed)
    beside = {s: [n for n in lattice.neighbours(part.shape, s) if n in cells] for s in sorted(cells)}
    classes = {s: lattice.kind(part.shape, s) for s in cells}
    found = coloured(beside, classes, len(part.papers), part.asked, part.seed, fixed)
    findings = list[Finding]()
    if found.touching and len(part.papers) > 1:
        pairs = "one pair" if found.touching == 1 else f"{found.touching} pairs"
        told = f"With {len(part.papers)} papers {pairs} of neighbours are alike; a third paper parts them all."
        if len(part.papers) > 2:
            told = f"{pairs.capitalize()} of neighbours are alike, because a cell was given its paper by hand."
        findings.append(Finding("alike", "note", part.id, told))
    if part.asked:
        got = counts(found, len(part.papers))
        if got != [part.asked[k] if k < len(part.asked) else 0 for k in range(len(part.papers))]:
            as_laid = ", ".join(f"{n} of {ground.says(c)}" for n, c in zip(got, part.papers, strict=True))
            told = f"Those counts are not possible without two neighbours alike; it is {as_laid}."
            even = Remedy("Share them out evenly", replace(part, asked=()))
            findings.append(Finding("counts", "warn", part.id, told, (even,)))
    return {s: part.papers[found.paper[s]] for s in spots}, findings


def _piece(part: Tiles, tile: Tile, seen: Polygon, choice: PaperChoice, ruler: Ruler) -> Piece:
    """A tile cut from the box that holds it; a trimmed one from the box that holds what is seen."""
    at = leftovers.box_of(seen, ruler)
    left, top, *_ = polygons.bounds(seen)
    x, y = at.x, at.y
    row, column = tile.spot
    key = f"{part.id}/tile-{row}-{column}"
    name = f"{part.shape} at row {row + 1}, column {column + 1}"
    local = polygons.moved(seen, -x.inches, -y.inches)
    straight = part.shape == "square" and abs(x.inches - left) < 1e-6 and abs(y.inches - top) < 1e-6
    if straight:
        return Piece(key, part.id, "tile", name, at, at, choice)
    piece = Piece(key, part.id, "tile", name, at, at, choice, outline=local)
    whole = abs(polygons.area(seen) - polygons.area(tile.outline)) < polygons.NEGLIGIBLE
    figure = FIGURES_OF_TILES.get(part.shape)
    return replace(piece, figure=figure) if whole and figure else piece


def _card(part: Tiles, own: Taken, tile: Tile, seen: Polygon, ground: Ground) -> tuple[list[Piece], list[Finding]]:
    """A tile cut from the middle of a printed card; none where the card is not there, or smaller than a tile."""
    where = f"The cell at row {own.row + 1}, column {own.column + 1}"
    there, ruler = printed(own.sheet, own.card, own.back, ground), ground.ruler
    if there is None:
        told = f"{where} waits for its card: choose a sheet and one of its cards."
        return [], [Finding("no-card", "warn", part.id, told)]
    box, at = leftovers.box_of(tile.outline, ruler), there.at
    if at.width < box.width or at.height < box.height:
        told = (
            f"{where} takes {ruler.say_size(box.width, box.height)}, and card {there.card.name} is "
            f"{ruler.say_size(at.width, at.height)}; make the tiles smaller, or choose a larger card."
        )
        return [], [Finding("no-card", "warn", part.id, told)]
    piece = _piece(part, tile, seen, there.choice, ruler)
    x = at.x + ruler.down((at.width - box.width).inches / 2) + piece.rect.x - box.x
    y = at.y + ruler.down((at.height - box.height).inches / 2) + piece.rect.y - box.y
    name = f"card {there.card.name}" + (", its back" if own.back else "")
    pin = Rect(x, y, piece.rect.width, piece.rect.height)
    return [replace(piece, role="card", name=f"{name}, as a {part.shape}", pin=pin)], []


def _photo(part: Tiles, own: Taken, tile: Tile, ground: Ground) -> tuple[list[Piece], list[Finding]]:
    """A photo in a cell, cut to the cell's shape; in a shape that photos are not cut to, to its square. One of which
    nothing is left once it is cut is not there, and that is told."""
    ruler = ground.ruler
    left, top, right, bottom = polygons.bounds(tile.outline)
    shapes: dict[TileShape, PrintShape] = {"hexagon": "hexagon", "circle": "circle"}
    w, h = ruler.up(right - left), ruler.up(bottom - top)
    print_ = replace(own.print or Print(), width=w, height=h, shape=shapes.get(part.shape, "rectangle"))
    if gone := nothing_left(part.id, print_, ground):
        return [], [gone]
    lies_w, lies_h = print_.lies
    mid_x, mid_y = (left + right) / 2, (top + bottom) / 2
    x = ruler.near(mid_x - lies_w.inches / 2)
    y = ruler.near(mid_y - lies_h.inches / 2)
    row, column = tile.spot
    piece, told = lay(part.id, f"photo-{row}-{column}", print_, Rect(x, y, lies_w, lies_h), ground)
    return [piece], told


def yields(paper: Paper, shape: TileShape, f: Length) -> tuple[int, int]:
    """How many tiles one sheet gives less its branding strip: nested, and from strips as high as a tile."""
    w, h = lattice.size(shape, f.inches)
    room = paper.usable
    wide, high = room.width.inches + 1e-9, room.height.inches + 1e-9
    from_strips = max(int(wide // w) * int(high // h), int(wide // h) * int(high // w))
    if shape == "square":
        return from_strips, from_strips
    whole = lattice.tiles(shape, f.inches, 0.0, wide, high, False, 10_000)
    return max(from_strips, len(whole)), from_strips


def _told(part: Tiles, pieces: Sequence[Piece], f: Length, ground: Ground) -> str:
    n = sum(piece.role == "tile" and piece.leftover is None for piece in pieces)
    say = ground.ruler.say
    w, h = lattice.size(part.shape, f.inches)
    box = ground.ruler.say_size(ground.ruler.up(w), ground.ruler.up(h))
    told = f"{n} tiles, each cut from {box}"
    if part.shape in ("hexagon", "hexagon flat up"):
        told += f", sides {say(ground.ruler.near(f.inches / math.sqrt(3)))}"
    papers = {p.usable: p for c in part.papers if (p := ground.shelf.papers.get(c.paper or ""))}
    for paper in papers.values():
        nested, strips = yields(paper, part.shape, f)
        which = "a sheet" if len(papers) == 1 else f"a sheet of {paper.name}"
        told += f"; {which}, {ground.ruler.say_size(paper.usable.width, paper.usable.height)}"
        told += " without its strip" if paper.strip else ""
        told += f", gives {nested}" + (f" nested, {strips} from strips" if nested != strips else "")
    return told


def name(part: Tiles, ground: Ground) -> str:
    return "the honeycomb" if part.shape.startswith("hexagon") else f"the {part.shape}s"


def sentence(part: Tiles, ground: Ground) -> str:
    say = ground.ruler.say
    what = {"hexagon": "Honeycomb", "hexagon flat up": "Honeycomb, flat side up"}.get(
        part.shape, f"Tiles, {part.shape}s"
    )
    apart = "touching" if not part.gap else f"{say(part.gap)} apart"
    layout = {"region": "", "ring": ", in a ring", "scattered": f", {part.share} % of the cells"}[part.layout]
    papers = ", ".join(ground.says(choice) for choice in part.papers)
    edge = ", trimmed at the edge" if part.trimmed else ""
    return f"{what} of {say(part.size)}, {apart}{layout}{edge}: {papers}"


def _tiles(begin: Beginning, shape: TileShape) -> Tiles:
    width, height = begin.share(90, 9), begin.share(60, 6)
    size = min(begin.of(1, 1, 2), begin.share(20, 2))
    return Tiles("new", shape, size, begin.of(0, 1, 16), width, height, papers=unchosen(4))


def _ring_of_tiles(begin: Beginning) -> Tiles:
    wide, hole = begin.share(90, 9), begin.share(40, 4)
    tiles = _tiles(begin, "hexagon")
    return replace(tiles, layout="ring", width=wide, height=wide, hole_width=hole, hole_height=hole)


PART = Tiles
TRAITS = Traits(
    fills=lambda part: part.width is None and part.height is None,
    scales=("width", "height", "size", "hole_width", "hole_height"),
)
MENU: tuple[Entry, ...] = (
    Entry(
        "Honeycomb",
        "hexagon tiles",
        "M8 3l4 2.300v4.600L8 12.200 4 9.900V5.300zM16 3l4 2.300v4.600l-4 2.300-4-2.300V5.300zM12 10l4 2.300v4.600l-4 2.300-4-2.300v-4.600z",
        lambda b: _tiles(b, "hexagon"),
    ),
    Entry(
        "Ring of tiles",
        "hexagon honeycomb round photo wreath",
        "M12 2l3 2v3l-3 2-3-2V4zM19 8l2.500 2v4L19 16l-2.500-2v-4zM5 8l2.500 2v4L5 16l-2.500-2v-4zM12 15l3 2v3l-3 2-3-2v-3z",
        _ring_of_tiles,
    ),
    Entry(
        "Square tiles",
        "squares mosaic inchies",
        "M3 3h8v8H3zM13 3h8v8h-8zM3 13h8v8H3zM13 13h8v8h-8z",
        lambda b: _tiles(b, "square"),
    ),
    Entry(
        "Triangle tiles",
        "triangles mosaic",
        "M3 20L8 11l5 9zM13 20l-5-9h10zM13 20l5-9 4 9z",
        lambda b: _tiles(b, "triangle"),
    ),
    Entry(
        "Circle tiles",
        "circles punched dots",
        "M7 3a4 4 0 1 0 0 8 4 4 0 1 0 0-8M17 3a4 4 0 1 0 0 8 4 4 0 1 0 0-8M12 12a4 4 0 1 0 0 8 4 4 0 1 0 0-8",
        lambda b: replace(_tiles(b, "circle"), layout="scattered"),
    ),
)
