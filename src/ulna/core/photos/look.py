"""How a photo is to look: notes beside the file, which is never changed.

A photo is turned by quarter turns first, then straightened: turned by a few degrees and cut to the largest picture
of the same shape that has no empty corner. Places on a photo are shares of its width and height as it looks.

        ╱‾‾‾‾‾‾╲      ┌────┐ the picture cut out is s times as wide and as high, where for w × h turned by a
       ╱ ┌────┐ ╲       s = min(w / (w·cos a + h·sin a), h / (w·sin a + h·cos a))
       ╲ └────┘ ╱
        ╲______╱
"""

from __future__ import annotations

import math
import re
from dataclasses import dataclass, replace
from typing import Annotated

from ulna.core.errors import FieldError
from ulna.core.photos.crop import Face, Framing
from ulna.core.ranges import Real, Whole

MOST_STRAIGHTENED = 15.0
"""Degrees; beyond them a picture is turned, not straightened."""


@dataclass(frozen=True, slots=True)
class Look:
    """`turn` counts quarter turns clockwise; `straighten` is in degrees clockwise, at most 15 either way; `lighten`
    goes from −100 (dark) to 100 (light)."""

    turn: Annotated[int, Whole(0, 3)] = 0
    straighten: Annotated[float, Real(least=-MOST_STRAIGHTENED, most=MOST_STRAIGHTENED, stepped=0.25)] = 0.0
    black_and_white: bool = False
    lighten: Annotated[int, Whole(-100, 100)] = 0


AS_IT_CAME = Look()


def size(pixels: tuple[int, int], look: Look) -> tuple[int, int]:
    """Width and height in pixels as the photo looks, from those of the upright file."""
    w, h = pixels[::-1] if look.turn % 2 else pixels
    s = _kept(w, h, look.straighten)
    return max(1, round(w * s)), max(1, round(h * s))


def _kept(w: float, h: float, degrees: float) -> float:
    a = math.radians(abs(degrees))
    return min(w / (w * math.cos(a) + h * math.sin(a)), h / (w * math.sin(a) + h * math.cos(a)))


def seen(look: Look, pixels: tuple[int, int], x: float, y: float) -> tuple[float, float]:
    """Where a place on the upright file is seen, both in shares; outside 0 … 1 where it was cut off."""
    for _ in range(look.turn % 4):
        x, y = 1 - y, x
    w, h = pixels[::-1] if look.turn % 2 else pixels
    a, s = math.radians(look.straighten), _kept(w, h, look.straighten)
    u, v = (x - 0.5) * w, (y - 0.5) * h
    return (
        0.5 + (u * math.cos(a) - v * math.sin(a)) / (s * w),
        0.5 + (u * math.sin(a) + v * math.cos(a)) / (s * h),
    )


def unseen(look: Look, pixels: tuple[int, int], x: float, y: float) -> tuple[float, float]:
    """The place on the upright file of a place as it is seen: the way back of `seen`."""
    w, h = pixels[::-1] if look.turn % 2 else pixels
    a, s = math.radians(look.straighten), _kept(w, h, look.straighten)
    u, v = (x - 0.5) * s * w, (y - 0.5) * s * h
    x, y = 0.5 + (u * math.cos(a) + v * math.sin(a)) / w, 0.5 + (v * math.cos(a) - u * math.sin(a)) / h
    for _ in range(look.turn % 4):
        x, y = y, 1 - x
    return x, y


def carried(framing: Framing, old: Look, new: Look, pixels: tuple[int, int]) -> Framing:
    """A framing made on the photo as it looked, for the photo as it looks now: what was marked stays marked."""

    def moved(x: float, y: float) -> tuple[float, float]:
        x, y = seen(new, pixels, *unseen(old, pixels, x, y))
        return min(max(x, 0.0), 1.0), min(max(y, 0.0), 1.0)

    if (old.turn % 4, old.straighten) == (new.turn % 4, new.straighten):
        return framing
    x, y = moved(framing.x, framing.y)
    fx, fy = framing.focal_x, framing.focal_y
    if fx is not None and fy is not None:
        fx, fy = moved(fx, fy)
    faces = tuple(Face(*moved(f.x, f.y), f.size) for f in framing.faces)
    return replace(framing, x=x, y=y, focal_x=fx, focal_y=fy, faces=faces)


_KEY = re.compile(r"t([0-3])s(-?\d{1,2}(?:\.\d{1,2})?)([bc])l(-?\d{1,3})")


def key(look: Look) -> str:
    """A look as a short word for addresses and file names; empty for a photo as it came."""
    if look == AS_IT_CAME:
        return ""
    return f"t{look.turn % 4}s{look.straighten:g}{'b' if look.black_and_white else 'c'}l{look.lighten}"


def of_key(word: str) -> Look:
    """The look of a `key`. Raises `FieldError`."""
    if not word:
        return AS_IT_CAME
    found = _KEY.fullmatch(word)
    if found is None or abs(float(found[2])) > MOST_STRAIGHTENED or abs(int(found[4])) > 100:
        raise FieldError("look", word, "this is no look of a photo", "write for example t1s0cl0")
    return Look(int(found[1]), float(found[2]), found[3] == "b", int(found[4]))
