"""A finished page: when, its picture, what was used, how long it took, what one would do otherwise."""

from __future__ import annotations

from dataclasses import dataclass, replace
from datetime import date, datetime
from typing import Annotated, Literal

from ulna.core.ranges import Id, Many, Text, Title, Whole

Bench = Literal["unpack", "photos", "page", "check", "cut", "build"]
MOST_CUTS = 2_000
BENCHES: tuple[Bench, ...] = ("unpack", "photos", "page", "check", "cut", "build")


@dataclass(frozen=True, slots=True)
class Spent:
    """Minutes at a bench, measured while it was open and moved, or as a person put it right."""

    bench: Bench
    minutes: Annotated[int, Whole(0, 100_000)] = 0


@dataclass(frozen=True, slots=True)
class Finished:
    """The log of the page of that id. `told` is the day its story happened; `picture` a photograph of it, else it is
    shown as drawn. `used` are papers, things and letters in words; `place` is where it stands in the album, where it
    was put there; `expected` the minutes of building that were expected,
    `expected_cutting` those of cutting."""

    page: Id
    name: Title
    when: datetime
    told: date | None = None
    picture: str | None = None
    story: Annotated[str, Text(20_000)] = ""
    people: Annotated[str, Text(500)] = ""
    kits: Annotated[tuple[str, ...], Many(100)] = ()
    used: Annotated[tuple[str, ...], Many(2_000)] = ()
    spent: Annotated[tuple[Spent, ...], Many(len(BENCHES))] = ()
    expected: Annotated[int, Whole(0, 100_000)] = 0
    expected_cutting: Annotated[int, Whole(0, 100_000)] = 0
    otherwise: Annotated[str, Text(2_000)] = ""
    pages: Annotated[int, Whole(1, 2)] = 1
    place: Annotated[int, Whole(0, 100_000)] | None = None


@dataclass(frozen=True, slots=True)
class CutTime:
    """A step of cutting: its kind, the minutes that are usual for it, the seconds that it took."""

    kind: Annotated[str, Text(20, 1)]
    usual: float
    seconds: Annotated[int, Whole(0, 100_000)]


@dataclass(frozen=True, slots=True)
class Times:
    """How long one was at each bench for a page, in seconds, and at each step of cutting as it was ticked."""

    seconds: Annotated[tuple[tuple[Bench, int], ...], Many(len(BENCHES))] = ()
    steps: Annotated[tuple[CutTime, ...], Many(MOST_CUTS)] = ()

    def more(self, bench: Bench, seconds: int) -> Times:
        found = dict(self.seconds)
        found[bench] = found.get(bench, 0) + seconds
        return replace(self, seconds=tuple((one, found[one]) for one in BENCHES if one in found))

    def cut(self, kind: str, usual: float, seconds: int) -> Times:
        return replace(self, steps=(*self.steps, CutTime(kind, usual, seconds))[-MOST_CUTS:])


@dataclass(frozen=True, slots=True)
class Facing:
    """Two places of the album that face each other when it lies open; a double page fills both."""

    left: Finished | None
    right: Finished | None
    torn: bool = False
    """A double page whose halves do not face each other."""


def album(pages: list[Finished]) -> list[Facing]:
    """The finished pages as they lie in the book: the first on the right, then left and right by turns. A double page
    that would begin on the right is torn apart; a single page or an empty one before it helps."""
    found = [Facing(None, None)]
    for page in pages:
        last = found[-1]
        if page.pages == 2:
            if last.left is None and last.right is None and len(found) > 1:
                found[-1] = Facing(page, page)
            elif (last.right is None and last.left is not None) or (len(found) == 1 and last.right is None):
                found[-1] = Facing(last.left, page, torn=True)
                found.append(Facing(page, None, torn=True))
            else:
                found.append(Facing(page, page))
        elif len(found) == 1 and last.right is None:
            found[-1] = Facing(None, page)
        elif last.left is not None and last.right is None:
            found[-1] = Facing(last.left, page, last.torn)
        else:
            found.append(Facing(page, None))
    return [one for one in found if one.left is not None or one.right is not None]


def in_order(pages: list[Finished]) -> list[Finished]:
    """By the place they were given, else by the day of their story, else by when they were finished."""
    return sorted(
        pages,
        key=lambda one: (
            one.place is None, one.place or 0, (one.told or one.when.date()).isoformat(), one.when.isoformat(),
        ),
    )  # fmt: skip
