"""Papers and photos put on what lies on the page: on the piece that is pointed at, or poured into free places.

Whichever value of a part makes that piece is changed, and no other: each is tried with what nothing else is made of.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import dataclass, fields, is_dataclass, replace
from typing import Any, Literal

from ulna.core.errors import FieldError
from ulna.core.geometry.shapes import Shape, fitted
from ulna.core.measure import Length
from ulna.core.page.plan import PagePlan
from ulna.core.page.standing import Standing, stand
from ulna.core.parts import opening
from ulna.core.parts.beginning import rim
from ulna.core.parts.kinds import Part, grid, tiles, work_out
from ulna.core.parts.kinds.grid import Grid
from ulna.core.parts.kinds.joint import Joint
from ulna.core.parts.kinds.tiles import Tiles
from ulna.core.parts.pieces import CellSpot, Ground, PaperChoice, Piece
from ulna.core.photos.prints import Print
from ulna.core.ranges import Gap, Size

Way = tuple[str | int, ...]
What = Literal["photo", "paper", "tile", "card", "title", "words", "empty", "open", "closed"]
"""What a cell of a grid or of tiles can be for, or an opening."""
TRIED = "?"
"""A paper or photo that is none, to see which piece a value makes."""


def put_paper(plan: PagePlan, part: str, piece: str | None, choice: PaperChoice, ground: Ground) -> Part:
    """The part with a paper on one of its pieces; without one, on the first that has none, else on its first.

    Raises `NotOnShelf`, and `FieldError` for a part, or a piece of it, that is not made of paper.
    """
    one, found = plan.part(part), stand(plan.parts, ground)[part]
    spot = (piece or "").removeprefix(f"{part}/")
    if isinstance(one, Grid) and any(spot == there.key for there in found.built.spots):
        return grid.fill(one, spot, "paper", choice=choice)
    ways = list(_ways(one, PaperChoice))
    if any(spot == there.key for there in found.built.spots if "open" in there.may):
        piece = None  # there is no paper in an opening: what it is cut into is meant
    wanted = piece or _first(found.built.pieces, lambda p: p.is_paper)
    way = _making(one, ways, PaperChoice(TRIED), lambda p: p.choice.paper == TRIED, wanted, found, ground)
    if way is None:
        raise FieldError("part", part, "this is not made of paper of its own", "point at a piece of paper")
    old: PaperChoice = _at(one, way)
    made: Part = _with(one, way, replace(choice, turned=choice.turned or old.turned))
    return made


def put_photo(plan: PagePlan, part: str, piece: str | None, photo: str, ground: Ground) -> Part:
    """The part with a photo in one of its places; without one, in the first that is free, else in its first.

    Raises `NotOnShelf`, and `FieldError` for a part that has no place for a photo.
    """
    one, found = plan.part(part), stand(plan.parts, ground)[part]
    spot = (piece or "").removeprefix(f"{part}/")
    there = next((there for there in found.built.spots if there.key == spot), None)
    if there is not None:
        return _filled(one, there, "photo", _print(photo, there, ground))
    ways = list(_ways(one, Print))
    free = [way for way in ways if _at(one, way).photo is None]
    way = None
    if piece is not None:
        way = _making(one, ways, TRIED, lambda p: _shows(p) == TRIED, piece, found, ground)
    way = way or next(iter([*free, *ways]), None)
    if way is None:
        raise FieldError("part", part, "there is no place for a photo in it", "take a photo, a grid or an opening")
    made: Part = _with(one, way, replace(_at(one, way), photo=photo, frame=None))
    return made


def keep_for(plan: PagePlan, part: str, spot: str, what: What, ground: Ground) -> Part:
    """The part with a cell, or an opening, for that.

    Raises `NotOnShelf`, and `FieldError` for another part, a cell that is not there, or one that cannot be for that.
    """
    one, key = plan.part(part), spot.removeprefix(f"{part}/")
    spots = stand(plan.parts, ground)[part].built.spots
    if not spots:
        raise FieldError("part", part, "this has no cells", "press on a cell, a tile or an opening")
    there = next((there for there in spots if there.key == key), None)
    if there is None:
        raise FieldError("cell", key, "there is no such cell", "press on one that is drawn")
    return _filled(one, there, what)


def _print(photo: str, there: CellSpot, ground: Ground) -> Print:
    """A new print as large as its cell, with a rim where the house has rims."""
    return Print(photo, there.rect.width, there.rect.height, rim=rim(ground.rules, ground.ruler.unit))


def _filled(one: Part, there: CellSpot, what: What, print_: Print | None = None) -> Part:
    """A part with something in one of its cells. Raises `FieldError` where that cannot be."""
    why = dict(there.cannot).get(what)
    if why:
        raise FieldError("cell", there.name, why, "choose another cell, or something else for it")
    if isinstance(one, Tiles):
        return tiles.fill(one, there.key, what, print_)
    if isinstance(one, Grid):
        return grid.fill(one, there.key, what, print_)
    filled: Part = opening.fill(one, there, what, print_)
    return filled


def pour(plan: PagePlan, part: str, photos: Sequence[str], ground: Ground) -> tuple[Part, int]:
    """The part with the photos in its free places, in order; how many found none.

    Cells are filled row by row, but for those kept for a title, words, a card or nothing; a joint mat grows.
    """
    one, left = plan.part(part), list(photos)
    if isinstance(one, Grid | Tiles):
        built = stand(plan.parts, ground)[part].built
        shown = {piece.id.replace("/photo-", "/tile-") for piece in built.pieces if _shows(piece)}
        free = [there for there in built.spots if there.what == "photo" and f"{part}/{there.key}" not in shown]
        plain = [
            there
            for there in built.spots
            if there.what in ("paper", "tile")
            and f"{part}/{there.key}" not in shown
            and "photo" not in dict(there.cannot)
        ]
        for there in [*free, *plain] if isinstance(one, Tiles) else built.spots:
            if left and there in (*free, *plain):
                one = _filled(one, there, "photo", _print(left.pop(0), there, ground))
        return one, len(left)
    for way in list(_ways(one, Print)):
        if left and _at(one, way).photo is None:
            one = _with(one, way, replace(_at(one, way), photo=left.pop(0)))
    for there in stand(plan.parts, ground)[part].built.spots:
        if left and there.what == "open":
            one = _filled(one, there, "photo", Print(left.pop(0)))
    if isinstance(one, Joint) and left:
        room = 12 - len(one.prints)
        one = replace(
            one, prints=(*one.prints, *(replace(one.prints[-1], photo=p, frame=None) for p in left[:room]))
        )
        left = left[room:]
    return one, len(left)


@dataclass(frozen=True, slots=True)
class PrintChange:
    """What becomes another one of many prints at once; what is nothing stays as each has it."""

    width: Size | None = None
    height: Size | None = None
    rim: Gap | None = None
    shape: Shape | None = None

    def of(self, print_: Print, mark: Length) -> Print:
        """The print with it. One that lies sideways stays so; a shape that has sides of its own makes them fit."""
        width, height = self.width or print_.width, self.height or print_.height
        if self.width and self.height and (print_.width > print_.height) != (width > height):
            width, height = height, width
        if self.shape is not None and self.shape != print_.shape:
            width, height = fitted(self.shape, width, height, mark)
        rim = print_.rim if self.rim is None else self.rim
        below = print_.below if self.rim is None else None
        return replace(print_, width=width, height=height, rim=rim, below=below, shape=self.shape or print_.shape)


def reprinted(plan: PagePlan, parts: Sequence[str], change: PrintChange, mark: Length) -> tuple[PagePlan, int]:
    """The recipe with every print of these parts changed; how many prints these are."""
    found, many = list[Part](), 0
    for part in plan.parts:
        for way in list(_ways(part, Print)) if part.id in parts else ():
            part, many = _with(part, way, change.of(_at(part, way), mark)), many + 1
        found.append(part)
    return replace(plan, parts=tuple(found)), many


def _shows(piece: Piece) -> str | None:
    return piece.print.photo if piece.print else piece.picture.photo if piece.picture else None


def _first(pieces: Sequence[Piece], fits: Any) -> str | None:
    papers = [p for p in pieces if fits(p)]
    return next((p.id for p in papers if p.choice.paper is None), papers[0].id if papers else None)


def _making(
    part: Part, ways: Sequence[Way], tried: Any, made: Any, piece: str | None, found: Standing, ground: Ground
) -> Way | None:
    """The value that makes a piece, of several the one that makes the fewest others."""
    best: tuple[int, Way] | None = None
    for way in ways:
        value = replace(_at(part, way), photo=tried) if isinstance(tried, str) else tried
        built, _ = work_out(_with(part, way, value), ground, found.room)
        pieces = [p.whole or p.id for p in built.pieces if made(p)]
        if piece in pieces and (best is None or len(pieces) < best[0]):
            best = len(pieces), way
    return best[1] if best else None


def _ways(value: Any, wanted: type, way: Way = ()) -> Iterator[Way]:
    """The ways to every value of a kind within a part."""
    if isinstance(value, wanted):
        yield way
    elif isinstance(value, tuple):
        for k, one in enumerate(value):
            yield from _ways(one, wanted, (*way, k))
    elif is_dataclass(value) and type(value).__module__.startswith("ulna.core.parts"):
        for field in fields(value):
            yield from _ways(getattr(value, field.name), wanted, (*way, field.name))


def _at(value: Any, way: Way) -> Any:
    for step in way:
        value = value[step] if isinstance(step, int) else getattr(value, step)
    return value


def _with(value: Any, way: Way, put: Any) -> Any:
    if not way:
        return put
    step, rest = way[0], way[1:]
    if isinstance(step, int):
        return tuple(_with(one, rest, put) if k == step else one for k, one in enumerate(value))
    return replace(value, **{step: _with(getattr(value, step), rest, put)})
