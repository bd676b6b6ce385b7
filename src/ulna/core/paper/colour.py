"""Colours as people see them: CIELAB from sRGB, the edge of a picture, its leading colours, a word for each.

CIELAB (CIE 1976, white D65): L* is the lightness from 0 to 100, a* green to red, b* blue to yellow; the distance of
two colours is that of their points, and about 2.3 of it is just to be seen.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass
from functools import lru_cache
from typing import Literal

RGB = tuple[int, int, int]
Liveliness = Literal["plain", "quiet", "lively", "busy"]
Lines = Literal["", "level", "upright", "slanting"]


@dataclass(frozen=True, slots=True)
class Lab:
    lightness: float
    a: float
    b: float

    @property
    def chroma(self) -> float:
        return math.hypot(self.a, self.b)

    def far(self, other: Lab) -> float:
        """The distance of two colours."""
        return math.dist((self.lightness, self.a, self.b), (other.lightness, other.a, other.b))


def _linear(value: int) -> float:
    v = value / 255
    return v / 12.92 if v <= 0.04045 else ((v + 0.055) / 1.055) ** 2.4


_LINEAR = [_linear(v) for v in range(256)]
_WHITE = (0.95047, 1.0, 1.08883)


def _root(t: float) -> float:
    return float(t ** (1 / 3)) if t > (6 / 29) ** 3 else t / (3 * (6 / 29) ** 2) + 4 / 29


def lab(rgb: RGB) -> Lab:
    """From sRGB, each 0 to 255."""
    r, g, b = (_LINEAR[v] for v in rgb)
    x = _root((0.4124564 * r + 0.3575761 * g + 0.1804375 * b) / _WHITE[0])
    y = _root((0.2126729 * r + 0.7151522 * g + 0.0721750 * b) / _WHITE[1])
    z = _root((0.0193339 * r + 0.1191920 * g + 0.9503041 * b) / _WHITE[2])
    return Lab(116 * y - 16, 500 * (x - y), 200 * (y - z))


@lru_cache(4_096)
def of_hex(colour: str) -> Lab:
    """From #rrggbb."""
    return lab((int(colour[1:3], 16), int(colour[3:5], 16), int(colour[5:7], 16)))


@lru_cache(4_096)
def word(colour: Lab) -> str:
    """A plain word for a colour."""
    light = colour.lightness
    if colour.chroma < 9:
        return "black" if light < 22 else "white" if light > 90 else "grey"
    hue = math.degrees(math.atan2(colour.b, colour.a)) % 360
    if colour.chroma < 18 and light > 88:
        return "cream" if 50 <= hue < 120 else "white"
    if 30 <= hue < 85 and light < 55 and colour.chroma < 50:
        return "brown"
    if (hue < 30 or hue >= 335) and light > 65:
        return "pink"
    bounds = ((46, "red"), (78, "orange"), (108, "yellow"), (178, "green"), (222, "turquoise"), (300, "blue"))
    return next((name for most, name in bounds if hue < most), "violet" if hue < 335 else "red")


@dataclass(frozen=True, slots=True)
class Leading:
    """A colour that many places of a picture have: its share of the picture."""

    colour: Lab
    rgb: RGB
    share: float


@dataclass(frozen=True, slots=True)
class PictureColours:
    """What a mat must go with: the mean colour of the picture's edge, how much the edge varies (in distances of
    CIELAB: below 8 plain, below 16 quiet, below 26 lively, else busy), and up to five leading colours. Its strong
    `lines`, where it has any, run that way; `fields` say how much happens in each of three by three fields, row by row:
    the mean step in lightness from one pixel to the next."""

    edge: Lab
    liveliness: float
    leading: tuple[Leading, ...]
    lines: Lines = ""
    fields: tuple[float, ...] = ()

    @property
    def edge_word(self) -> Liveliness:
        bounds: tuple[tuple[int, Liveliness], ...] = ((8, "plain"), (16, "quiet"), (26, "lively"))
        return next((name for most, name in bounds if self.liveliness < most), "busy")


EDGE = 0.08
"""How deep the edge of a picture is looked at, as a share of its shorter side."""


def look(width: int, height: int, pixels: Sequence[RGB]) -> PictureColours:
    """Of a picture in few pixels, row by row. Raises `ValueError` where there are not width × height of them."""
    if len(pixels) != width * height or not pixels:
        raise ValueError(f"{len(pixels)} pixels are not {width} × {height}")
    colours = [lab(p) for p in pixels]
    deep = max(1, round(min(width, height) * EDGE))
    ring = [
        colours[y * width + x]
        for y in range(height)
        for x in range(width)
        if min(x, width - 1 - x, y, height - 1 - y) < deep
    ]
    mean = _mean(ring)
    spread = math.sqrt(sum(mean.far(c) ** 2 for c in ring) / len(ring))
    light = [colour.lightness for colour in colours]
    return PictureColours(
        mean, spread, _leading(colours, pixels), _lines(width, height, light), _fields(width, height, light)
    )


RUNS = 0.35
"""How far gradients must agree (coherence of the structure tensor, 0 to 1) for lines to be strong."""
LEVEL = 22.5
"""Degrees: lines that slope by less are level, or upright."""


def _lines(width: int, height: int, light: Sequence[float]) -> Lines:
    """Which way the strong lines of a picture run: across its mean gradient, by the structure tensor."""
    xx = yy = xy = 0.0
    for y in range(1, height - 1):
        row = y * width
        for x in range(1, width - 1):
            gx = light[row + x + 1] - light[row + x - 1]
            gy = light[row + width + x] - light[row - width + x]
            xx, yy, xy = xx + gx * gx, yy + gy * gy, xy + gx * gy
    if xx + yy < 1.0 or math.hypot(xx - yy, 2 * xy) / (xx + yy) < RUNS:
        return ""
    gradient = math.degrees(0.5 * math.atan2(2 * xy, xx - yy)) % 180  # 0: it changes across, so lines are upright
    if min(gradient, 180 - gradient) < LEVEL:
        return "upright"
    return "level" if abs(gradient - 90) < LEVEL else "slanting"


def _fields(width: int, height: int, light: Sequence[float]) -> tuple[float, ...]:
    """The mean step in lightness within each of three by three fields."""
    steps, counted = [0.0] * 9, [0] * 9
    for y in range(height - 1):
        for x in range(width - 1):
            k = y * 3 // height * 3 + x * 3 // width
            at = light[y * width + x]
            steps[k] += abs(light[y * width + x + 1] - at) + abs(light[(y + 1) * width + x] - at)
            counted[k] += 2
    return tuple(total / n if n else 0.0 for total, n in zip(steps, counted, strict=True))


def _mean(colours: Sequence[Lab]) -> Lab:
    n = len(colours)
    return Lab(sum(c.lightness for c in colours) / n, sum(c.a for c in colours) / n, sum(c.b for c in colours) / n)


MOST_LEADING, ROUNDS, APART = 5, 6, 14.0


def _leading(colours: Sequence[Lab], pixels: Sequence[RGB]) -> tuple[Leading, ...]:
    """k-means in CIELAB, begun with colours far from each other, so that it comes out the same every time."""
    centres = [_mean(colours)]
    while len(centres) < MOST_LEADING:
        far = max(colours, key=lambda c: min(c.far(centre) for centre in centres))
        if min(far.far(centre) for centre in centres) < APART:
            break
        centres.append(far)
    groups: list[list[int]] = []
    for _ in range(ROUNDS):
        groups = [[] for _ in centres]
        for k, colour in enumerate(colours):
            groups[min(range(len(centres)), key=lambda n: colour.far(centres[n]))].append(k)
        centres = [_mean([colours[k] for k in g]) if g else c for g, c in zip(groups, centres, strict=True)]
    found = []
    for group, centre in zip(groups, centres, strict=True):
        if group:
            near = min(group, key=lambda k: colours[k].far(centre))
            found.append(Leading(centre, pixels[near], len(group) / len(colours)))
    return tuple(sorted(found, key=lambda one: -one.share))
