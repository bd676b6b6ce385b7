"""Which sketch suits these photos: their number, and how little of each is lost in the place that it gets."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from ulna.core.measure import length_of
from ulna.core.page_formats import PageFormat
from ulna.core.photos import crop as cropping
from ulna.core.photos.photo import Photo
from ulna.core.sketches.designs import family
from ulna.core.sketches.sketch import Sketch, SketchPlace

FACE = 2.0
"""A face that would be cut costs as much as two photos that are lost altogether."""


@dataclass(frozen=True, slots=True)
class Match:
    """A sketch with, for each of its photo places, which photo goes there; how much is lost on the mean."""

    sketch: Sketch
    photos: tuple[int, ...]
    lost: float


def matches(sketches: Sequence[Sketch], photos: Sequence[Photo], format: PageFormat) -> list[Match]:
    """Those with a place for each photo and no more, best first; one of each family before the second of any."""
    fitting = [one for one in sketches if one.pages == format.pages and len(one.photos) == len(photos)]
    found = sorted((match(one, photos, format) for one in fitting), key=lambda one: (one.lost, one.sketch.name))
    rounds = list[list[Match]]()
    for one in found:
        for taken in rounds:
            if family(one.sketch) not in {family(other.sketch) for other in taken}:
                taken.append(one)
                break
        else:
            rounds.append([one])
    return [one for taken in rounds for one in taken]


def match(sketch: Sketch, photos: Sequence[Photo], format: PageFormat) -> Match:
    """Photos into places so that least is lost; two change places as long as that helps."""
    places = sketch.photos
    costs = [[loss(photo, place, format) for photo in photos] for place in places]
    order = list(range(len(photos)))
    better = True
    while better:
        better = False
        for a in range(len(order)):
            for b in range(a):
                now = costs[a][order[a]] + costs[b][order[b]]
                if costs[a][order[b]] + costs[b][order[a]] < now - 1e-9:
                    order[a], order[b] = order[b], order[a]
                    better = True
    lost = sum(costs[k][photo] for k, photo in enumerate(order)) / max(1, len(order))
    return Match(sketch, tuple(order), lost)


def loss(photo: Photo, place: SketchPlace, format: PageFormat) -> float:
    """The share of a photo that is cut away in a place, and what a face that is cut costs."""
    shape = length_of(place.width * format.width.inches), length_of(place.height * format.height.inches)
    cropped = cropping.crop(photo.pixels, shape, photo.framing)
    return cropped.lost + FACE * cropping.faces_cut(photo.pixels, cropped, photo.framing)
