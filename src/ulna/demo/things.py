"""The demo's things: what its boxes hold beside paper, each with an outline drawn here where it has one of its own."""

from __future__ import annotations

import math
from collections.abc import Sequence

from ulna.core.geometry import polygons
from ulna.core.geometry.polygons import Point, Polygon
from ulna.core.measure import mm, parse
from ulna.core.things.thing import Thing, ThingKind

CREAM, INK, MADDER, OCHRE, SAGE, SLATE = "#f6efdc", "#2b3138", "#a5312b", "#c99a2e", "#94a77c", "#5f7a86"
BRASS, WATER, WHITE = "#c9a24a", "#7fb0b8", "#fffdf8"


def _named(kit: str, name: str, kind: ThingKind, count: int, size: str = "", **more: object) -> Thing:
    """`size` as "1 1/4 x 2"."""
    wide, _, high = size.partition(" x ")
    return Thing(
        f"{kit}-{name.lower().replace(' ', '-').replace('’', '')}", name, kind, count,
        width=parse(wide) if wide else None, height=parse(high) if high else None, **more,  # type: ignore[arg-type]
    )  # fmt: skip


def scaled(line: Sequence[Point], size: str) -> Polygon:
    """A drawing stretched to its box, from the box's corner."""
    wide, _, high = size.partition(" x ")
    x1, y1, x2, y2 = polygons.bounds(tuple(line))
    sx, sy = parse(wide).inches / (x2 - x1), parse(high).inches / (y2 - y1)
    return tuple((round((x - x1) * sx, 4), round((y - y1) * sy, 4)) for x, y in line)


def curve(points: Sequence[Point], steps: int = 6) -> list[Point]:
    """A smooth closed line through points (Catmull and Rom, 1974)."""
    found = list[Point]()
    n = len(points)
    for k in range(n):
        p0, p1, p2, p3 = (points[(k + d) % n] for d in (-1, 0, 1, 2))
        for s in range(steps):
            t = s / steps
            found.append(
                tuple(  # type: ignore[arg-type]
                    0.5
                    * (2 * b + (c - a) * t + (2 * a - 5 * b + 4 * c - d) * t**2 + (3 * b - a - 3 * c + d) * t**3)
                    for a, b, c, d in zip(p0, p1, p2, p3, strict=True)
                )
            )
    return found


HERON = [
    (0, 34), (20, 22), (28, 8), (44, 0), (60, 8), (84, 14), (104, 20), (84, 24), (62, 26), (58, 40), (70, 56), (96, 74),
    (124, 104), (132, 128), (104, 116), (86, 118), (80, 140), (82, 168), (92, 182), (72, 182), (70, 142), (64, 142),
    (62, 182), (48, 182), (52, 138), (50, 116), (34, 100), (30, 76), (40, 54), (34, 38),
]  # fmt: skip
BOAT = [
    (0, 20),
    (14, 20),
    (14, 8),
    (60, 8),
    (60, 2),
    (66, 2),
    (66, 8),
    (92, 8),
    (92, 20),
    (118, 16),
    (108, 36),
    (8, 36),
]
LEAF = [(0, 60), (8, 36), (24, 14), (50, 0), (52, 22), (40, 44), (18, 58)]
KETTLE = [
    (10, 40), (14, 24), (30, 16), (30, 8), (44, 8), (44, 16), (60, 24), (66, 34), (82, 24), (88, 28), (70, 48),
    (66, 70), (14, 70),
]  # fmt: skip
DROP = [(30, 0), (44, 26), (54, 48), (46, 70), (30, 78), (14, 70), (6, 48), (16, 26)]
PEAR = [(30, 0), (36, 2), (34, 14), (44, 28), (56, 48), (52, 70), (30, 80), (8, 70), (4, 48), (16, 28), (26, 14)]


def _gear(teeth: int) -> list[Point]:
    found = list[Point]()
    for k in range(teeth * 4):
        r = 50 if k % 4 in (1, 2) else 40
        a = math.tau * (k + 0.5 * (k % 2)) / (teeth * 4)
        found.append((50 + r * math.cos(a), 50 + r * math.sin(a)))
    return found


def _flower(petals: int) -> list[Point]:
    return [
        (50 + (38 + 12 * math.cos(petals * a)) * math.cos(a), 50 + (38 + 12 * math.cos(petals * a)) * math.sin(a))
        for a in (math.tau * k / (petals * 12) for k in range(petals * 12))
    ]


def towpath(k: str) -> tuple[Thing, ...]:
    die, puffy, sticker = ThingKind.DIE_CUT, ThingKind.PUFFY, ThingKind.STICKER
    return (
        _named(k, "Heron", die, 5, "1 1/2 x 2", outline=scaled(curve(HERON, 3), "1 1/2 x 2"),
               colours=(SLATE, "#cfdce0"), drawn="painted", points="right", fixing="glue", rim=True),
        _named(k, "Reed leaf", die, 14, "3/4 x 7/8", outline=scaled(curve(LEAF), "3/4 x 7/8"),
               colours=(SAGE, "#6f8a5c"), drawn="painted", fixing="glue"),
        _named(k, "Narrowboat", die, 3, "2 1/2 x 3/4", outline=scaled([(x, y) for x, y in BOAT], "2 1/2 x 3/4"),
               colours=(MADDER, OCHRE), drawn="painted", points="right", fixing="glue", rim=True),
        _named(k, "Brass bolts", ThingKind.BRAD, 12, "3/8 x 3/8", colours=(BRASS,), fixing="pierced",
               thickness=parse("1/16")),
        _named(k, "Rain drops", puffy, 9, "3/8 x 1/2", outline=scaled(curve(DROP), "3/8 x 1/2"), colours=(WATER,),
               thickness=parse("1/16"), drawn="painted"),
        _named(k, "Lock label", ThingKind.LABEL, 4, "1 7/8 x 5/8", colours=(CREAM,), says="lock by lock",
               drawn="painted"),
        _named(k, "Slow water", sticker, 2, "2 x 1/2", colours=(SLATE,), says="slow water", clear=True),
        _named(k, "Ledger tape", ThingKind.TAPE, 1, "6 x 5/8", length=mm(10800), colours=("#c8b98f",)),
        _named(k, "Log cards", ThingKind.CARD, 6, "3 x 4", colours=(CREAM,)),
    )  # fmt: skip


def wharf(k: str) -> tuple[Thing, ...]:
    sticker = ThingKind.STICKER
    return (
        _named(k, "Pears", sticker, 8, "3/4 x 1", outline=scaled(curve(PEAR), "3/4 x 1"),
               colours=("#b9b84a", "#8f9a3a"),
               drawn="painted", rim=True),
        _named(k, "Rolls", sticker, 10, "7/8 x 5/8", figure="rounded", colours=("#c98f52", "#e3bd86"), drawn="painted",
               rim=True),
        _named(k, "Market flower", ThingKind.WOOD, 6, "1 x 1", outline=scaled(_flower(6), "1 x 1"),
               colours=(MADDER, OCHRE), thickness=parse("1/16"), drawn="painted", fixing="glue"),
        _named(k, "Bunting flags", ThingKind.BANNER, 2, "3 x 3/4", colours=(OCHRE,)),
        _named(k, "Tin dots", ThingKind.ENAMEL, 40, "1/4 x 1/4", colours=("#9aa4a8",), thickness=parse("1/16")),
        _named(k, "Small tin dots", ThingKind.ENAMEL, 60, "3/16 x 3/16", colours=(MADDER,), thickness=parse("1/16")),
        _named(k, "Round doily", ThingKind.DOILY, 2, "3 x 3", colours=(WHITE,), fixing="glue"),
        _named(k, "Baker’s twine", ThingKind.TWINE, 1, length=mm(5000), colours=(MADDER,)),
    )  # fmt: skip


def stash(k: str) -> tuple[Thing, ...]:
    return (
        _named(k, "Foam squares", ThingKind.FOAM, 80, "1/2 x 1/2"),
        _named(k, "Date stamp", ThingKind.STAMP, 1, "1 1/2 x 1/4", colours=(INK,)),
        _named(k, "Gear stamp", ThingKind.STAMP, 1, "1 x 1", outline=scaled(_gear(12), "1 x 1"), colours=(SLATE,)),
        _named(k, "Kettle stamp", ThingKind.STAMP, 1, "1 1/4 x 1", outline=scaled(curve(KETTLE, 3), "1 1/4 x 1"),
               colours=(SLATE,)),
        _named(k, "Slate ink", ThingKind.INK, 1, colours=(SLATE,)),
        _named(k, "Rust ink", ThingKind.INK, 1, colours=("#a65a3a",)),
        _named(k, "Brass ink", ThingKind.INK, 1, colours=(BRASS,)),
        _named(k, "Gems on a strip", ThingKind.GEMS, 3, "1/8 x 1/8", colours=(WATER,), each=24),
    )  # fmt: skip
