"""What the pages of a household take from its things, and what that leaves for one of them."""

from __future__ import annotations

import io
from collections.abc import Iterable, Sequence
from dataclasses import replace
from typing import TYPE_CHECKING

from ulna.core.errors import FieldError
from ulna.core.geometry import polygons
from ulna.core.geometry.polygons import Point
from ulna.core.measure import Length
from ulna.core.page.plan import things_of
from ulna.core.paper import things_seen
from ulna.core.paper.shelf import Card, Face, Paper, Shelf
from ulna.core.paper.things_seen import ThingSeen
from ulna.core.photos.crop import Crop
from ulna.core.photos.look import AS_IT_CAME
from ulna.core.things.thing import Thing
from ulna.store.ids import new_id

if TYPE_CHECKING:
    from ulna.household.home import Household

Takings = tuple[tuple[str, str, int, Length], ...]
"""For each page and thing how many halves and what length it takes: the same takings are equal."""


def all_takings(home: Household) -> Takings:
    """What each page takes of each thing."""
    return home.cached(
        "things",
        ["page"],
        lambda: tuple(
            (kept.id, one.thing, one.halves, one.length)
            for kept in home.pages.all()
            for one in sorted(things_of(kept.body), key=lambda one: one.thing)
        ),
    )


def elsewhere(home: Household, page: str | None) -> Takings:
    """What all pages but this one take."""
    return tuple(one for one in all_takings(home) if one[0] != page)


def left_by(
    shelf: Shelf, takings: Iterable[tuple[str, str, int, Length]]
) -> tuple[dict[str, int], dict[str, Length]]:
    """What those leave of each thing that is counted, and of each that goes by length; below nothing where they want
    more than there is. Half a thing that is left over is none."""
    halves = {id: count * 2 for id, count in shelf.things_left.items()}
    lengths = dict(shelf.lengths_left)
    for _, thing, count, long in takings:
        if thing in halves and shelf.things[thing].runs_out:
            halves[thing] -= count
        if thing in lengths:
            lengths[thing] -= long
    return {id: count // 2 for id, count in halves.items()}, lengths


MOST_MOTIFS = 60
LONGEST = 640
"""To so many pixels a photograph of a sheet is made smaller before its things are looked for."""


def found_on(
    home: Household, picture: str, corners: Sequence[Point], width: Length, height: Length
) -> tuple[str, list[ThingSeen]]:
    """A photographed sheet of things laid flat at its size, and what is on it. Raises `NotThere`, `FieldError`."""
    flat = home.straighten(picture, [(x, y) for x, y in corners], width, height)
    return flat, _seen(home, flat, width, height)


def _seen(home: Household, flat: str, width: Length, height: Length) -> list[ThingSeen]:
    from ulna.formats import pictures

    view = home.pictures.path(flat, "view").read_bytes()
    wide, high, pixels = pictures.grid(view, AS_IT_CAME, Crop(0, 0, 1, 1), LONGEST)
    return things_seen.things(wide, high, pixels, (width, height), home.ruler())


def motifs_of(home: Household, paper: Paper, side: Face) -> tuple[Card, ...]:
    """The motifs of a side that was photographed, as places on its sheet. Raises `FieldError` where there is no
    photograph of it, `NotThere`."""
    picture = paper.face(side).picture
    if picture is None:
        raise FieldError("picture", "", "this side was not photographed", "photograph the sheet first")
    found = _seen(home, picture, paper.width, paper.height)
    return things_seen.motifs(found[:MOST_MOTIFS], side, [card.name for card in paper.cards])


def taken(
    home: Household, picture: str, width: Length, height: Length, seen: Sequence[ThingSeen], like: Thing
) -> list[Thing]:
    """Things of a sheet as things of the shelf, each with a picture of its own. Raises `NotThere`."""
    from ulna.formats import pictures

    sheet = home.pictures.path(picture, "original").read_bytes()
    boxes = [polygons.bounds(one.outline) for one in seen]
    across, down = width.inches, height.inches
    shares = [(x1 / across, y1 / down, x2 / across, y2 / down) for x1, y1, x2, y2 in boxes]
    cuts = home.darkroom.run(pictures.cut_out, "thing", sheet, shares)
    found = list[Thing]()
    for k, (one, (left, top, _, _), cut) in enumerate(zip(seen, boxes, cuts, strict=True)):
        found.append(
            replace(
                like, id=new_id("thing"), name=f"{like.name} {k + 1}" if len(seen) > 1 else like.name,
                width=one.width, height=one.height, figure="", outline=polygons.moved(one.outline, -left, -top),
                colours=one.colours or like.colours, picture=home.add_sheet_picture(io.BytesIO(cut), "thing.jpg"),
            )
        )  # fmt: skip
    return found
