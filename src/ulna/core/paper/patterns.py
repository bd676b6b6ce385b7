"""How a side looks: each kind of pattern draws one tile that repeats, to scale, in any colours.

A tile is measured in repeats: the scale of the side says how long one repeat is. Marks are painted in order on
the ground; paths are in the SVG path notation, x rightward and y downward. Random ones are seeded, so a paper
looks the same each day. Colours wrap round where a pattern asks for more than the side has.
"""

from __future__ import annotations

import math
import random
from collections.abc import Callable
from dataclasses import dataclass
from typing import Literal

from ulna.core.measure import Length, inches
from ulna.core.paper.shelf import Direction, Side


@dataclass(frozen=True, slots=True)
class Mark:
    """A path, filled or stroked, in repeats."""

    path: str
    fill: str | None = None
    stroke: str | None = None
    weight: float = 0.0
    opacity: float = 1.0


@dataclass(frozen=True, slots=True)
class Tile:
    """`width` × `height` repeats of ground with marks on it."""

    width: float
    height: float
    ground: str
    marks: tuple[Mark, ...]


Draw = Callable[[Callable[[int], str]], Tile]


@dataclass(frozen=True, slots=True)
class Pattern:
    """A kind of pattern and what is usual for it; a side may say otherwise."""

    name: str
    draw: Draw
    busy: int
    direction: Direction
    scale: Length


def tile(side: Side) -> Tile:
    """The tile of a side; an unknown pattern is drawn plain."""
    colours = side.colours or ("#ffffff",)
    pattern = PATTERNS.get(side.pattern, PATTERNS["plain"])
    return pattern.draw(lambda i: colours[i % len(colours)])


def runs(side: Side) -> Literal["down", "across"] | None:
    """Which way the stripes of a side run on its sheet, where it has any."""
    if side.direction is not Direction.TWO_WAY:
        return None
    return "across" if side.pattern in ACROSS else "down"


def repeat(side: Side) -> Length:
    """How long one repeat is: what the side says, else what is usual for its pattern."""
    return side.scale if side.scale else PATTERNS.get(side.pattern, PATTERNS["plain"]).scale


def pitch_of(width: Length, repeat: Length) -> Length:
    """From the edge of one strip to the edge of the next that begins at the same stripe: the least whole number of
    repeats that is not under the width."""
    return repeat * -(-width.units // repeat.units)


# ---- pens ------------------------------------------------------------------------------------------


def _n(value: float) -> str:
    return f"{value:.4f}".rstrip("0").rstrip(".") or "0"


def _path(points: list[tuple[float, float]], closed: bool = True) -> str:
    return "M" + "L".join(f"{_n(x)} {_n(y)}" for x, y in points) + ("Z" if closed else "")


def _box(x: float, y: float, w: float, h: float) -> str:
    return f"M{_n(x)} {_n(y)}h{_n(w)}v{_n(h)}h{_n(-w)}Z"


def _circle(x: float, y: float, r: float) -> str:
    return f"M{_n(x - r)} {_n(y)}a{_n(r)} {_n(r)} 0 1 0 {_n(2 * r)} 0a{_n(r)} {_n(r)} 0 1 0 {_n(-2 * r)} 0Z"


def _leaf(x: float, y: float, length: float, width: float, angle: float) -> str:
    """A pointed oval from (x, y) outward at an angle in degrees."""
    a = math.radians(angle)
    dx, dy, px, py = math.cos(a) * length, math.sin(a) * length, -math.sin(a) * width, math.cos(a) * width
    mx, my = x + dx / 2, y + dy / 2
    return (
        f"M{_n(x)} {_n(y)}Q{_n(mx + px)} {_n(my + py)} {_n(x + dx)} {_n(y + dy)}"
        f"Q{_n(mx - px)} {_n(my - py)} {_n(x)} {_n(y)}Z"
    )


def _wrapped(x: float, y: float, reach: float, size: float = 1.0) -> list[tuple[float, float]]:
    """A place on a tile and its repeats across the tile's edges, so that no mark is cut off."""
    across = [0.0] + ([size] if x < reach else []) + ([-size] if x > size - reach else [])
    down = [0.0] + ([size] if y < reach else []) + ([-size] if y > size - reach else [])
    return [(x + dx, y + dy) for dx in across for dy in down]


# ---- the kinds -------------------------------------------------------------------------------------


def _plain(c: Callable[[int], str]) -> Tile:
    return Tile(1, 1, c(0), ())


def _stripe(c: Callable[[int], str]) -> Tile:
    return Tile(1, 1, c(0), (Mark(_box(0.5, 0, 0.5, 1), c(1)),))


def _pinstripe(c: Callable[[int], str]) -> Tile:
    return Tile(1, 1, c(0), (Mark(_box(0.46, 0, 0.08, 1), c(1)),))


def _awning(c: Callable[[int], str]) -> Tile:
    wide = Mark(_box(0, 0, 0.4, 1), c(1))
    return Tile(1, 1, c(0), (wide, Mark(_box(0.5, 0, 0.06, 1), c(2)), Mark(_box(0.84, 0, 0.06, 1), c(2))))


def _dot(c: Callable[[int], str]) -> Tile:
    corners = "".join(_circle(x, y, 0.2) for x in (0, 1) for y in (0, 1))
    return Tile(1, 1, c(0), (Mark(corners, c(1)), Mark(_circle(0.5, 0.5, 0.2), c(2) if c(2) != c(0) else c(1))))


def _spatter(c: Callable[[int], str]) -> Tile:
    dice, marks = random.Random(11), []
    for i in range(26):
        r = dice.uniform(0.012, 0.05)
        for x, y in _wrapped(dice.random(), dice.random(), 0.06):
            marks.append(Mark(_circle(x, y, r), c(1 + i % 4) if c(1 + i % 4) != c(0) else c(1)))
    return Tile(1, 1, c(0), tuple(marks))


def _check(c: Callable[[int], str]) -> Tile:
    return Tile(1, 1, c(0), (Mark(_box(0, 0, 0.5, 0.5) + _box(0.5, 0.5, 0.5, 0.5), c(1)),))


def _gingham(c: Callable[[int], str]) -> Tile:
    return Tile(
        1, 1, c(0), (Mark(_box(0, 0, 0.5, 1), c(1), opacity=0.5), Mark(_box(0, 0, 1, 0.5), c(1), opacity=0.5))
    )


def _plaid(c: Callable[[int], str]) -> Tile:
    marks = []
    for at, wide, i in ((0.06, 0.3, 1), (0.46, 0.08, 2), (0.62, 0.04, 3), (0.78, 0.14, 2)):
        marks.append(Mark(_box(at, 0, wide, 1), c(i), opacity=0.45))
        marks.append(Mark(_box(0, at, 1, wide), c(i), opacity=0.45))
    return Tile(1, 1, c(0), tuple(marks))


def _chevron(c: Callable[[int], str]) -> Tile:
    band = [(0.0, 0.5), (0.5, 0.0), (1.0, 0.5), (1.0, 1.0), (0.5, 0.5), (0.0, 1.0)]
    return Tile(1, 1, c(0), (Mark(_path(band), c(1)),))


def _waves(c: Callable[[int], str]) -> Tile:
    def wave(y: float) -> str:
        return f"M-0.5 {y}q0.25 -0.32 0.5 0t0.5 0t0.5 0t0.5 0"

    lines = [Mark(wave(y), stroke=c(i), weight=w) for y, i, w in ((0.25, 1, 0.09), (0.75, 2, 0.05))]
    return Tile(1, 1, c(0), tuple(lines))


def _scales(c: Callable[[int], str]) -> Tile:
    marks = []
    for y, shift in ((1.5, 0.0), (1.0, 0.5), (0.5, 0.0), (0.0, 0.5)):
        for x in (-1.0, 0.0, 1.0):
            for r, i in ((0.5, 1), (0.38, 0), (0.24, 2)):
                marks.append(Mark(_circle(x + shift + 0.5, y, r), c(i)))
    return Tile(1, 1, c(0), tuple(marks))


def _floral(c: Callable[[int], str]) -> Tile:
    marks: list[Mark] = []
    for at, size, turn, i in (((0.27, 0.3), 0.17, 10, 1), ((0.76, 0.72), 0.2, 40, 2), ((0.74, 0.2), 0.11, 25, 1)):
        for x, y in _wrapped(*at, 0.3):
            for side in (-1, 1):
                marks.append(Mark(_leaf(x, y, size * 1.75, size * 0.34, turn + 90 + side * 42), c(3), opacity=0.9))
            petals = "".join(_leaf(x, y, size, size * 0.62, turn + 72 * k) for k in range(5))
            marks += [Mark(petals, c(i)), Mark(_circle(x, y, size * 0.22), c(4) if c(4) != c(i) else c(0))]
    for at in ((0.1, 0.78), (0.5, 0.55), (0.45, 0.02)):
        marks += [Mark(_circle(x, y, 0.025), c(2)) for x, y in _wrapped(*at, 0.04)]
    return Tile(1, 1, c(0), tuple(marks))


def _leaf_sprig(c: Callable[[int], str]) -> Tile:
    marks: list[Mark] = []
    for bx, by, i in ((0.25, 0.95, 1), (0.75, 0.45, 2)):
        for x, y in ((bx, by), (bx, by - 1), (bx, by + 1)):
            marks.append(Mark(f"M{_n(x)} {_n(y)}q0.07 -0.42 0 -0.85", stroke=c(i), weight=0.018))
            for k in range(5):
                up = y - 0.12 - 0.15 * k
                for side in (-1, 1):
                    marks.append(
                        Mark(_leaf(x + 0.03, up, 0.2 - 0.02 * k, 0.075, -90 + side * 52), c(i), opacity=0.92)
                    )
    return Tile(1, 1, c(0), tuple(marks))


def _script(c: Callable[[int], str]) -> Tile:
    dice, marks = random.Random(5), []
    for row in range(6):
        y, x, line = (row + 0.62) / 6, 0.03, ""
        while x < 0.93:
            word = dice.randint(2, 6)
            line += f"M{_n(x)} {_n(y)}"
            for _ in range(word):
                h = dice.choice((0.035, 0.035, 0.06, 0.085)) * dice.choice((1, 1, 1, -0.7))
                line += f"q0.004 {_n(-h)} 0.011 {_n(-h * 0.9)}t0.008 {_n(h * 0.9)}"
                x += 0.019
            x += 0.03
        marks.append(Mark(line, stroke=c(1), weight=0.007))
    return Tile(1, 1, c(0), tuple(marks))


def _ledger(c: Callable[[int], str]) -> Tile:
    rows = tuple(Mark(_box(0, k / 8, 2, 0.008), c(1), opacity=0.75) for k in range(8))
    posts = tuple(Mark(_box(x, 0, 0.012, 1), c(2)) for x in (0.3, 0.34, 1.2, 1.55, 1.9))
    return Tile(2, 1, c(0), rows + posts)


def _graph(c: Callable[[int], str]) -> Tile:
    fine = "".join(_box(k / 4, 0, 0.012, 1) + _box(0, k / 4, 1, 0.012) for k in range(1, 4))
    return Tile(1, 1, c(0), (Mark(fine, c(1), opacity=0.45), Mark(_box(0, 0, 0.03, 1) + _box(0, 0, 1, 0.03), c(1))))


def _wood(c: Callable[[int], str]) -> Tile:
    dice, marks = random.Random(3), []
    for board in range(2):
        x = board * 0.5
        marks.append(Mark(_box(x, 0, 0.5, 2), c(1 + board), opacity=0.3))
        for k in range(7):
            at = x + 0.04 + k * 0.066
            bend = dice.uniform(-0.03, 0.03)
            marks.append(
                Mark(
                    f"M{_n(at)} 0C{_n(at + bend)} 0.6 {_n(at - bend)} 1.4 {_n(at)} 2",
                    stroke=c(1),
                    weight=dice.uniform(0.004, 0.014),
                    opacity=0.7,
                )
            )
        ky = 0.55 + board * 0.8
        for r in (0.05, 0.032, 0.014):
            marks.append(Mark(_circle(x + 0.25, ky, r), c(0), c(1), 0.01))
        marks.append(Mark(_box(x, 0, 0.012, 2), c(2)))
    return Tile(1, 2, c(0), tuple(marks))


def _bunting(c: Callable[[int], str]) -> Tile:
    marks = []
    for row in range(2):
        y = 0.16 + row * 0.5
        marks.append(Mark(f"M-0.02 {y}q0.26 0.12 0.52 0t0.52 0", stroke=c(4), weight=0.012))
        for k in range(6):
            x = (k + 0.5) / 6
            sag = 0.06 * math.sin(math.pi * ((x * 2) % 1)) * (1 if x < 0.5 else -1)
            flag = [(x - 0.062, y + sag), (x + 0.062, y + sag), (x, y + sag + 0.17)]
            marks.append(Mark(_path(flag), c(1 + (k + 2 * row) % 3)))
    return Tile(1, 1, c(0), tuple(marks))


def _map(c: Callable[[int], str]) -> Tile:
    marks = []
    for k in range(7):
        y = (k + 0.5) / 7
        marks.append(
            Mark(f"M0 {_n(y)}q0.125 -0.11 0.25 0t0.25 0t0.25 0t0.25 0", stroke=c(1), weight=0.007, opacity=0.7)
        )
    marks.append(
        Mark("M-0.05 0.36C0.2 0.1 0.35 0.75 0.6 0.55S0.85 0.2 1.05 0.36", stroke=c(2), weight=0.055, opacity=0.8)
    )
    for r in (0.13, 0.09, 0.05):
        marks.append(Mark(_circle(0.72, 0.8, r), stroke=c(1), weight=0.009))
    marks.append(Mark(_box(0.2, 0.72, 0.05, 0.05) + _box(0.28, 0.76, 0.04, 0.04), c(3)))
    return Tile(1, 1, c(0), tuple(marks))


def _houses(c: Callable[[int], str]) -> Tile:
    marks: list[Mark] = []
    for row, shift in ((0, 0.0), (1, 0.17)):
        for k in range(-1, 3):
            x, y, i = shift + k / 3 + 0.03, 0.47 + row * 0.5, 1 + (k + row) % 3
            h = 0.17 + 0.05 * ((k + row) % 2)
            marks.append(Mark(_box(x, y - h, 0.25, h), c(i)))
            marks.append(Mark(_path([(x - 0.02, y - h), (x + 0.125, y - h - 0.13), (x + 0.27, y - h)]), c(i + 1)))
            panes = "".join(_box(x + px, y - h + 0.04, 0.045, 0.05) for px in (0.04, 0.165))
            marks += [Mark(panes, c(0)), Mark(_box(x + 0.1, y - 0.09, 0.05, 0.09), c(4))]
    return Tile(1, 1, c(0), tuple(marks))


def _cards(c: Callable[[int], str]) -> Tile:
    marks: list[Mark] = []
    for k, (x, y, w, h) in enumerate(((0, 0, 1, 0.75), (0, 0.75, 0.5, 0.75), (0.5, 0.75, 0.5, 0.75))):
        marks.append(Mark(_box(x + 0.03, y + 0.03, w - 0.06, h - 0.06), c(1 + k), opacity=0.55))
        marks.append(Mark(_box(x, y, w, 0.006) + _box(x, y, 0.006, h), c(4), opacity=0.6))
        for line in range(4):
            marks.append(
                Mark(_box(x + 0.1, y + 0.297 + line * 0.094, w - 0.2, 0.008), c(4) if line else c(0), opacity=0.8)
            )
    return Tile(1, 1.5, c(0), tuple(marks))


def _rain(c: Callable[[int], str]) -> Tile:
    dice, marks = random.Random(8), []
    for i in range(18):
        for x, y in _wrapped(dice.random(), dice.random(), 0.16):
            drop = f"M{_n(x)} {_n(y)}q0.035 0.06 0 0.085q-0.035 -0.025 0 -0.085Z"
            marks.append(Mark(drop, c(1 + i % 2)))
    return Tile(1, 1, c(0), tuple(marks))


def _rope(c: Callable[[int], str]) -> Tile:
    marks = []
    for k in range(5):
        y = k / 4 - 0.25
        marks.append(Mark(f"M0.36 {_n(y)}c0.02 0.16 0.26 0.1 0.28 0.26", stroke=c(1), weight=0.09))
        marks.append(Mark(f"M0.36 {_n(y)}c0.02 0.16 0.26 0.1 0.28 0.26", stroke=c(2), weight=0.02))
    return Tile(1, 1, c(0), tuple(marks))


def _bricks(c: Callable[[int], str]) -> Tile:
    boxes = (
        (0.02, 0.02, 0.96, 0.46, 1), (-0.48, 0.52, 0.96, 0.46, 2), (0.52, 0.52, 0.96, 0.46, 2),
    )  # fmt: skip
    return Tile(1, 1, c(0), tuple(Mark(_box(x, y, w, h), c(i), opacity=0.85) for x, y, w, h, i in boxes))


def _diamonds(c: Callable[[int], str]) -> Tile:
    def diamond(x: float, y: float, r: float) -> str:
        return _path([(x, y - r), (x + r * 0.62, y), (x, y + r), (x - r * 0.62, y)])

    corners = "".join(diamond(x, y, 0.3) for x in (0, 1) for y in (0, 1))
    return Tile(
        1, 1, c(0), (Mark(corners, c(1)), Mark(diamond(0.5, 0.5, 0.42), c(2)), Mark(diamond(0.5, 0.5, 0.2), c(0)))
    )


def _feathers(c: Callable[[int], str]) -> Tile:
    marks: list[Mark] = []
    for at, turn, i in (((0.28, 0.42), -70, 1), ((0.75, 0.95), -105, 2)):
        for x, y in _wrapped(*at, 0.45):
            marks.append(Mark(_leaf(x, y, 0.5, 0.13, turn), c(i)))
            a = math.radians(turn)
            tip = (x + math.cos(a) * 0.5, y + math.sin(a) * 0.5)
            marks.append(
                Mark(
                    _path([(x - math.cos(a) * 0.1, y - math.sin(a) * 0.1), tip], closed=False),
                    stroke=c(0),
                    weight=0.012,
                )
            )
    return Tile(1, 1, c(0), tuple(marks))


ACROSS = ("chevron", "waves", "ledger", "bricks")
"""The patterns whose lines run across the sheet; those of the other two-way ones run down."""

_NONE, _ONE, _TWO = Direction.NONE, Direction.ONE_WAY, Direction.TWO_WAY
_half, _quarter, _one, _two = inches(0, 1, 2), inches(0, 1, 4), inches(1), inches(2)

PATTERNS: dict[str, Pattern] = {
    p.name: p
    for p in (
        Pattern("plain", _plain, 0, _NONE, inches(1)),
        Pattern("stripe", _stripe, 2, _TWO, _half),
        Pattern("pinstripe", _pinstripe, 1, _TWO, _quarter),
        Pattern("awning", _awning, 2, _TWO, _one),
        Pattern("dot", _dot, 1, _NONE, _half),
        Pattern("spatter", _spatter, 2, _NONE, inches(3)),
        Pattern("check", _check, 2, _NONE, _half),
        Pattern("gingham", _gingham, 1, _NONE, _half),
        Pattern("plaid", _plaid, 3, _NONE, inches(1, 1, 2)),
        Pattern("chevron", _chevron, 3, _TWO, _one),
        Pattern("waves", _waves, 2, _TWO, _one),
        Pattern("scales", _scales, 2, _ONE, _one),
        Pattern("floral", _floral, 3, _NONE, inches(3)),
        Pattern("leaf", _leaf_sprig, 2, _ONE, _two),
        Pattern("script", _script, 1, _ONE, inches(4)),
        Pattern("ledger", _ledger, 1, _TWO, _two),
        Pattern("graph", _graph, 1, _NONE, _one),
        Pattern("wood grain", _wood, 1, _TWO, _two),
        Pattern("bunting", _bunting, 3, _ONE, inches(3)),
        Pattern("map lines", _map, 2, _ONE, inches(4)),
        Pattern("houses", _houses, 3, _ONE, inches(3)),
        Pattern("cards", _cards, 2, _ONE, inches(4)),
        Pattern("rain", _rain, 2, _ONE, _two),
        Pattern("rope", _rope, 2, _TWO, _one),
        Pattern("bricks", _bricks, 2, _TWO, _one),
        Pattern("diamonds", _diamonds, 3, _TWO, _one),
        Pattern("feathers", _feathers, 2, _ONE, inches(3)),
    )
}


def unknown(name: str) -> str:
    """What to say of a pattern that nothing is known of; nothing of one that is."""
    return "" if name in PATTERNS else f'no pattern is called "{name}"; there are {", ".join(PATTERNS)}'
