"""Papers and photos put on what lies on the page: on the piece that is pointed at, or poured into free places.

Whichever value of a part makes that piece is changed, and no other: each is tried with what nothing else is made of.
"""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from dataclasses import fields, is_dataclass, replace
from typing import Any

from ulna.core.errors import FieldError
from ulna.core.page.plan import PagePlan
from ulna.core.page.standing import Standing, stand
from ulna.core.parts.kinds import Part, work_out
from ulna.core.parts.kinds.grid import Grid, What, fill
from ulna.core.parts.kinds.joint import Joint
from ulna.core.parts.pieces import Ground, PaperChoice, Piece
from ulna.core.photos.prints import Print

Way = tuple[str | int, ...]
TRIED = "?"
"""A paper or photo that is none, to see which piece a value makes."""


def put_paper(plan: PagePlan, part: str, piece: str | None, choice: PaperChoice, ground: Ground) -> Part:
    """The part with a paper on one of its pieces; without one, on the first that has none, else on its first.

    Raises `NotOnShelf`, and `FieldError` for a part, or a piece of it, that is not made of paper.
    """
    one, found = plan.part(part), stand(plan.parts, ground)[part]
    spot = (piece or "").removeprefix(f"{part}/")
    if isinstance(one, Grid) and any(spot == there.key for there in found.built.spots):
        return fill(one, spot, "paper", choice=choice)
    ways = list(_ways(one, PaperChoice))
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
    if isinstance(one, Grid) and there is not None:
        return fill(one, spot, "photo", Print(photo, there.rect.width, there.rect.height))
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


def keep_for(plan: PagePlan, part: str, spot: str, what: What) -> Part:
    """The grid with a cell for that: a photo, paper, a card, a title, words, or nothing.

    Raises `NotOnShelf`, and `FieldError` for another part, or a cell that is not there.
    """
    one = plan.part(part)
    if not isinstance(one, Grid):
        raise FieldError("part", part, "this has no cells", "press on a cell of a grid")
    return fill(one, spot.removeprefix(f"{part}/"), what)


def pour(plan: PagePlan, part: str, photos: Sequence[str], ground: Ground) -> tuple[Part, int]:
    """The part with the photos in its free places, in order; how many found none.

    The cells of a grid are filled row by row, but for those kept for a title, words or nothing; a joint mat grows.
    """
    one, left = plan.part(part), list(photos)
    if isinstance(one, Grid):
        built = stand(plan.parts, ground)[part].built
        shown = {piece.id for piece in built.pieces if _shows(piece)}
        for spot in built.spots:
            if left and spot.what in ("paper", "photo") and f"{part}/{spot.key}" not in shown:
                one = fill(one, spot.key, "photo", Print(left.pop(0), spot.rect.width, spot.rect.height))
        return one, len(left)
    for way in list(_ways(one, Print)):
        if left and _at(one, way).photo is None:
            one = _with(one, way, replace(_at(one, way), photo=left.pop(0)))
    if isinstance(one, Joint) and left:
        room = 12 - len(one.prints)
        one = replace(
            one, prints=(*one.prints, *(replace(one.prints[-1], photo=p, frame=None) for p in left[:room]))
        )
        left = left[room:]
    return one, len(left)


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
