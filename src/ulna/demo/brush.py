"""Strokes that the demo's pictures share: grounds that shade, water, reeds, leaves, light."""

from __future__ import annotations

import math
import random


def svg(width: int, height: int, body: str, defs: str = "") -> str:
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 {width} {height}">'
        f'<defs><filter id="soft"><feGaussianBlur stdDeviation="6"/></filter>'
        f'<filter id="far"><feGaussianBlur stdDeviation="14"/></filter>'
        f'<filter id="glow"><feGaussianBlur stdDeviation="40"/></filter>{defs}</defs>{body}</svg>'
    )


def shade(id: str, *stops: tuple[float, str], across: bool = False) -> str:
    """A shading from the top down, or from left to right."""
    x2, y2 = ("1", "0") if across else ("0", "1")
    marks = "".join(f'<stop offset="{at:g}" stop-color="{colour}"/>' for at, colour in stops)
    return f'<linearGradient id="{id}" x1="0" y1="0" x2="{x2}" y2="{y2}">{marks}</linearGradient>'


def round_shade(id: str, *stops: tuple[float, str, float]) -> str:
    """A shading from the middle out; each stop has its opacity."""
    marks = "".join(f'<stop offset="{a:g}" stop-color="{c}" stop-opacity="{o:g}"/>' for a, c, o in stops)
    return f'<radialGradient id="{id}">{marks}</radialGradient>'


def box(x: float, y: float, w: float, h: float, fill: str, extra: str = "") -> str:
    return f'<rect x="{x:.1f}" y="{y:.1f}" width="{w:.1f}" height="{h:.1f}" fill="{fill}" {extra}/>'


def disc(x: float, y: float, r: float, fill: str, extra: str = "") -> str:
    return f'<circle cx="{x:.1f}" cy="{y:.1f}" r="{r:.1f}" fill="{fill}" {extra}/>'


def oval(x: float, y: float, rx: float, ry: float, fill: str, extra: str = "") -> str:
    return f'<ellipse cx="{x:.1f}" cy="{y:.1f}" rx="{rx:.1f}" ry="{ry:.1f}" fill="{fill}" {extra}/>'


def path(d: str, fill: str = "none", extra: str = "") -> str:
    return f'<path d="{d}" fill="{fill}" {extra}/>'


def line(d: str, colour: str, width: float, extra: str = "") -> str:
    return f'<path d="{d}" fill="none" stroke="{colour}" stroke-width="{width:g}" stroke-linecap="round" {extra}/>'


def ripples(dice: random.Random, x: float, y: float, w: float, h: float, colour: str, count: int) -> str:
    """Level strokes of light on water, longer and further apart towards the foot."""
    out = []
    for _ in range(count):
        t = dice.random() ** 1.3
        ry, length = y + t * h, (0.02 + 0.12 * t) * w * dice.uniform(0.4, 1)
        rx = x + dice.random() * (w - length)
        out.append(
            oval(rx + length / 2, ry, length / 2, 1 + 3 * t, colour, f'opacity="{dice.uniform(0.1, 0.4):.2f}"')
        )
    return "".join(out)


def reeds(dice: random.Random, x: float, foot: float, w: float, tall: float, colours: list[str], count: int) -> str:
    out = []
    for _ in range(count):
        rx, h = x + dice.random() * w, tall * dice.uniform(0.5, 1)
        lean = dice.uniform(-0.16, 0.16) * h
        colour = dice.choice(colours)
        d = f"M{rx:.0f} {foot:.0f}Q{rx + lean * 0.2:.0f} {foot - h * 0.6:.0f} {rx + lean:.0f} {foot - h:.0f}"
        out.append(line(d, colour, dice.uniform(3, 9)))
        if dice.random() < 0.25:
            out.append(
                oval(
                    rx + lean,
                    foot - h,
                    9,
                    44,
                    "#5d4630",
                    f'transform="rotate({lean / 8:.0f} {rx:.0f} {foot - h:.0f})"',
                )
            )
    return "".join(out)


def hills(dice: random.Random, w: float, y: float, rise: float, colour: str, extra: str = "") -> str:
    """A line of far trees."""
    points = []
    for k in range(25):
        points.append(f"{k * w / 24:.0f} {y - rise * (0.35 + 0.65 * dice.random()):.0f}")
    return path(f"M0 {y:.0f}L{' L'.join(points)}L{w:.0f} {y:.0f}Z", colour, extra)


def foliage(dice: random.Random, x: float, y: float, rx: float, ry: float, colours: list[str], count: int) -> str:
    """A crown of leaves, darker underneath."""
    out = []
    for _ in range(count):
        a, r = dice.random() * math.tau, math.sqrt(dice.random())
        px, py = x + math.cos(a) * r * rx, y + math.sin(a) * r * ry
        shade_at = min(len(colours) - 1, int((py - y + ry) / (2 * ry) * len(colours)))
        out.append(
            oval(px, py, dice.uniform(14, 46), dice.uniform(10, 30), colours[max(0, shade_at)], 'opacity="0.85"')
        )
    return "".join(out)


def bricks(x: float, y: float, w: float, h: float, course: float, colours: list[str], dice: random.Random) -> str:
    out = [box(x, y, w, h, "#8d8073")]
    rows = int(h / course) + 1
    for row in range(rows):
        at = x - (course if row % 2 else 0)
        while at < x + w:
            left, right = max(at + 2, x), min(at + course * 2 - 2, x + w)
            top, foot = y + row * course + 2, min(y + (row + 1) * course - 2, y + h)
            if right > left and foot > top:
                out.append(box(left, top, right - left, foot - top, dice.choice(colours)))
            at += course * 2
    return "".join(out)


def drops(dice: random.Random, w: float, h: float, count: int) -> str:
    """Rain on a pane: each drop dark above, light below."""
    out = []
    for _ in range(count):
        x, y, r = dice.random() * w, dice.random() * h, dice.choice((4, 6, 9, 14, 20)) * dice.uniform(0.7, 1.2)
        out.append(oval(x, y, r, r * 1.25, "#1c2a33", 'opacity="0.35"'))
        out.append(oval(x, y + r * 0.35, r * 0.78, r * 0.8, "#dfeaec", 'opacity="0.5"'))
        out.append(disc(x - r * 0.3, y - r * 0.5, r * 0.2, "#ffffff", 'opacity="0.9"'))
        if r > 14:
            sway = dice.uniform(-6, 6)
            d = f"M{x:.0f} {y - r:.0f}q{sway:.0f} {-r * 2:.0f} {-sway:.0f} {-r * 5:.0f}"
            out.append(line(d, "#dfeaec", r * 0.5, 'opacity="0.18"'))
    return "".join(out)
