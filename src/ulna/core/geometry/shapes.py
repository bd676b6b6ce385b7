"""Shapes that a print is cut to, within a box of w × h; insetting one leaves an even rim.

circle      hexagon       arch       on the tip     tag
 ╭──╮         ╱╲         ╭───╮          ╱╲         ╱──╲     a circle in an oblong box is an oval,
│    │       │  │        │   │         ╱  ╲       │    │    a regular hexagon is 2/√3 as high as wide,
 ╰──╯         ╲╱         └───┘         ╲  ╱       └────┘    a square on the tip fills a square box,
                                        ╲╱                  an arch ends in half a circle,
                                                            of a tag the upper corners are clipped by a quarter
"""

from __future__ import annotations

import math
from typing import Literal, get_args

from ulna.core.geometry.polygons import Point, outward
from ulna.core.measure import Length, length_of

Shape = Literal["rectangle", "circle", "hexagon", "arch", "on the tip", "tag"]
SHAPES: tuple[Shape, ...] = get_args(Shape)

ARCS = 48
"""Straight pieces to a quarter circle: within 0.001 in for a circle of 12 in."""


def fitted(shape: Shape, width: Length, height: Length, mark: Length) -> tuple[Length, Length]:
    """A box of this width in which the shape is regular, on marks: as high as it must be, an arch as it was."""
    if shape in ("circle", "on the tip"):
        side = min(width, height)
        return side, side
    if shape == "hexagon":
        high = width.inches * 2 / math.sqrt(3) / mark.inches
        return width, mark * max(1, round(high))
    if shape == "arch":
        return width, max(height, width)
    return width, height


def outline(shape: Shape, width: float, height: float, inset: float = 0.0) -> list[Point]:
    """The corners clockwise, curves as many short lines, in the unit of `width`; none where nothing is left.

    `inset` moves every edge inward by that much.
    """
    if min(width, height) <= 2 * inset:
        return []
    if shape == "circle":
        rx, ry = width / 2 - inset, height / 2 - inset
        turns = (math.tau * k / (4 * ARCS) for k in range(4 * ARCS))
        return [(width / 2 + rx * math.sin(t), height / 2 - ry * math.cos(t)) for t in turns]
    if shape == "arch":
        r, ry = width / 2 - inset, min(width / 2, height) - inset
        top = min(width / 2, height)
        turns = (math.pi * k / (2 * ARCS) for k in range(2 * ARCS + 1))
        low = height - inset  # of a low one the curve ends above its feet
        round_ = [(width / 2 - r * math.cos(t), min(low, top - ry * math.sin(t))) for t in turns]
        return [*round_, (width - inset, height - inset), (inset, height - inset)]
    if shape == "hexagon":
        w, h = width, height
        corners = [(w / 2, 0.0), (w, h / 4), (w, 3 * h / 4), (w / 2, h), (0.0, 3 * h / 4), (0.0, h / 4)]
    elif shape == "on the tip":
        corners = [(width / 2, 0.0), (width, height / 2), (width / 2, height), (0.0, height / 2)]
    elif shape == "tag":
        c, w, h = min(width / 4, height / 2), width, height
        corners = [(c, 0.0), (w - c, 0.0), (w, c), (w, h), (0.0, h), (0.0, c)]
    else:
        corners = [(0.0, 0.0), (width, 0.0), (width, height), (0.0, height)]
    if not inset:
        return corners
    inner = outward(tuple(corners), -inset)
    return [*inner[1:], *inner[:1]]


def seen_size(shape: Shape, width: Length, height: Length, inset: Length) -> tuple[Length, Length]:
    """Width and height of what is inside an even rim; nothing where the rim covers all."""
    if shape == "rectangle":
        return width - inset * 2, height - inset * 2
    corners = outline(shape, width.inches, height.inches, inset.inches)
    if not corners:
        return Length(0), Length(0)
    xs, ys = [x for x, _ in corners], [y for _, y in corners]
    return length_of(max(xs) - min(xs)), length_of(max(ys) - min(ys))


def path(corners: list[Point]) -> str:
    """In the SVG path notation."""
    return "M" + "L".join(f"{x:.5g} {y:.5g}" for x, y in corners) + "Z" if corners else ""
