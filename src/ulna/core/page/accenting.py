"""Things where they belong: one on every photo, one thing tried in its colours, what answers on the other side."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from dataclasses import dataclass, replace

from ulna.core.errors import FieldError
from ulna.core.geometry.rects import Rect
from ulna.core.page.evaluate import Evaluated
from ulna.core.page.plan import PagePlan
from ulna.core.paper.colour import of_hex
from ulna.core.parts.kinds import Part, work_out
from ulna.core.parts.kinds.photo import PhotoPart
from ulna.core.parts.kinds.stamped import Stamped
from ulna.core.parts.kinds.thing import ThingPart
from ulna.core.parts.pieces import Ground, Piece
from ulna.core.parts.place import Across, Down, Place, place_at
from ulna.core.things.thing import NOT_STUCK_ON, Thing, ThingKind

MOST_TRIED = 12
ALIKE = 24.0
"""In CIELAB: colours that are nearer are one accent."""


def on_every_photo(plan: PagePlan, part: str, fresh: Callable[[], str]) -> PagePlan:
    """A thing on each photo of the page, in the middle of its lower edge and trimmed with it; the photo that has it
    already keeps the one there is. Raises `NotOnShelf`, `FieldError`."""
    thing = plan.part(part)
    if not isinstance(thing, ThingPart):
        raise FieldError("part", part, "this is no thing", "choose a thing")
    photos = [one for one in plan.parts if isinstance(one, PhotoPart)]
    if not photos:
        raise FieldError("page", plan.name, "there is no photo on it", "put photos on the page first")
    own = thing.place.base if thing.place.base in {one.id for one in photos} else photos[0].id

    def laid(one: ThingPart, photo: PhotoPart) -> ThingPart:
        place = Place(photo.place.on, Across("centre", of=photo.id), Down("bottom", of=photo.id), flush=True)
        return replace(one, place=place)

    copies = tuple(laid(replace(thing, id=fresh()), photo) for photo in photos if photo.id != own)
    there = next(photo for photo in photos if photo.id == own)
    parts = tuple(laid(thing, there) if one.id == part else one for one in plan.parts)
    return replace(plan, parts=(*parts, *copies))


@dataclass(frozen=True, slots=True)
class Tried:
    """A part as it would be with another ink, colour or thing, and what that is."""

    says: str
    part: Part


def tries(plan: PagePlan, part: str, ground: Ground) -> list[Tried]:
    """One stamp in every ink of the shelf, a thing in its colours, others of its kind. Raises `NotOnShelf`."""
    return list(_tries(plan.part(part), ground))[:MOST_TRIED]


def _tries(part: Part, ground: Ground) -> Iterator[Tried]:
    if not isinstance(part, ThingPart | Stamped):
        return
    shelf = ground.shelf
    thing = shelf.things.get(part.thing or "")
    if thing is None:
        return
    if thing.kind is ThingKind.STAMP:
        for ink in shelf.things.values():
            if ink.kind is ThingKind.INK:
                yield Tried(f"in {ink.name}", _in(part, ink.colour))
    else:
        for colour in thing.colours[1:]:
            yield Tried(f"its colour {colour}", _in(part, colour))
    for other in shelf.things.values():
        if other.kind is thing.kind and other.id != thing.id and shelf.things_left.get(other.id, 0) > 0:
            yield Tried(other.name, replace(part, thing=other.id))
    if thing.says:
        for other in shelf.things.values():
            if other.says and other.kind is not thing.kind and shelf.things_left.get(other.id, 0) > 0:
                yield Tried(f"“{other.says}”", replace(part, thing=other.id))


def _in(part: ThingPart | Stamped, colour: str) -> Part:
    return replace(part, inks=(colour,)) if isinstance(part, Stamped) else replace(part, ink=colour)


# ---- answering -----------------------------------------------------------------------------------------


@dataclass(frozen=True, slots=True)
class Answer:
    """A thing that answers one on the other side, at the mirror's place, and why."""

    why: str
    part: ThingPart


def answers(plan: PagePlan, page: Evaluated, ground: Ground, fresh: Callable[[], str]) -> list[Answer]:
    """For each thing whose colour, roundness or height is on one side only: what is left that would answer it on the
    other one. Sides are the two pages of a spread, or the halves of a page."""
    middle = ground.format.gutter or ground.format.whole.width.part(1, 2)
    lying = [(piece, thing) for piece in page.pieces if (thing := ground.shelf.things.get(piece.thing or ""))]
    found, said = list[Answer](), set[str]()
    for piece, thing in lying:
        here = _side(piece, middle.inches)
        others = [other for it, other in lying if _side(it, middle.inches) != here]
        for what, has in _marks(thing):
            if what in said or any(has(other) for other in others):
                continue
            said.add(what)
            other_one = _left_with(has, thing, ground)
            if other_one is not None:
                side = "right" if here == "left" else "left"
                why = f"{what} is on the {here} only; {other_one.name} would answer it on the {side}."
                found.append(Answer(why, _mirrored(fresh(), piece, other_one, ground)))
    return found


def _side(piece: Piece, middle: float) -> str:
    return "left" if (piece.rect.x + piece.rect.right).inches / 2 < middle else "right"


def _marks(thing: Thing) -> Iterator[tuple[str, Callable[[Thing], bool]]]:
    colour = of_hex(thing.colour)
    yield f"The colour of {thing.name}", lambda other: of_hex(other.colour).far(colour) < ALIKE
    if thing.is_round:
        yield "A round thing", lambda other: other.is_round
    if thing.is_raised:
        yield "A raised thing", lambda other: other.is_raised


def _left_with(has: Callable[[Thing], bool], thing: Thing, ground: Ground) -> Thing | None:
    """The thing itself where there is another one of it, else the first that is left and would do."""
    shelf = ground.shelf
    fit = [
        one for one in (thing, *shelf.things.values())
        if has(one) and one.kind not in NOT_STUCK_ON and not one.by_length
    ]  # fmt: skip
    return next((one for one in fit if shelf.things_left.get(one.id, 0) > (1 if one.id == thing.id else 0)), None)


def _mirrored(id: str, piece: Piece, thing: Thing, ground: Ground) -> ThingPart:
    part = ThingPart(id, thing.id)
    built, _ = work_out(part, ground, ground.format.whole)
    whole = ground.format.whole
    x = whole.width - piece.rect.right
    at = Rect(ground.ruler.round(x), ground.ruler.round(piece.rect.y), built.width, built.height)
    return replace(part, place=place_at(part.place, at, ground.format))
