"""How a thing looks, as SVG in inches from the corner of its box: from its photograph, else from its description.

What is of its leading colour is drawn in `currentColor`, so that a stamp takes the colour of its ink.
"""

from __future__ import annotations

import math
from collections.abc import Callable
from xml.sax.saxutils import quoteattr

from ulna.core.geometry import outlines, polygons
from ulna.core.geometry.polygons import Polygon
from ulna.core.measure import ZERO, length_of
from ulna.core.paper.colour import of_hex
from ulna.core.parts.pieces import Written
from ulna.core.things.thing import Thing, ThingKind
from ulna.core.words.faces import Typeface
from ulna.formats.ink import in_ink
from ulna.formats.texts import plain

RIM = 1 / 24
"""Inches: so broad is the white rim of a thing that has one."""
DARK, PALE = "#2b3138", "#fffaf0"
SHINE = (ThingKind.PUFFY, ThingKind.EPOXY, ThingKind.ENAMEL, ThingKind.GEMS, ThingKind.BRAD)


def markup(thing: Thing, face: Typeface, href: Callable[[str], str | None]) -> str:
    """The thing without a colour of its own: the group that it is put into says it."""
    wide, high = (side.inches for side in thing.size)
    address = href(thing.picture) if thing.picture else None
    if address:
        return (
            f'<image href={quoteattr(plain(address))} width="{wide:.6g}" height="{high:.6g}" '
            'preserveAspectRatio="none"/>'
        )
    shape = thing.shape
    drawn = [_rim(shape), _body(thing, shape), *_style(thing, shape)]
    if thing.kind is ThingKind.DOILY:
        drawn += _lace(wide, high)
    if thing.kind in SHINE:
        drawn.append(_shine(shape))
    if thing.says:
        drawn.append(_says(thing, face))
    return "".join(drawn if thing.rim else drawn[1:])


def _path(line: Polygon, paint: str) -> str:
    return f'<path d="{polygons.path(line)}" {paint}/>' if line else ""


def _rim(shape: Polygon) -> str:
    return _path(shape, 'fill="#fffdf8"')


def _body(thing: Thing, shape: Polygon) -> str:
    line = outlines.grown(shape, -RIM) if thing.rim else shape
    see_through = ' fill-opacity="0.62"' if thing.clear else ""
    edge = 'stroke="#2a2216" stroke-opacity="0.22" stroke-width="0.012"'
    return _path(line or shape, f'fill="currentColor"{see_through} {edge}')


def _style(thing: Thing, shape: Polygon) -> list[str]:
    """A dark line round what is outlined; washes of the other colours in what is painted or photographed."""
    small = min(side.inches for side in thing.size)
    found = list[str]()
    others = thing.colours[1:]
    if thing.drawn in ("painted", "photographic", "plain", "") and others:
        for k, colour in enumerate(others):
            inner = outlines.grown(shape, -small * (0.16 + 0.12 * k))
            opacity = 0.55 if thing.drawn == "painted" else 0.9
            found.append(_path(inner, f'fill="{colour}" fill-opacity="{opacity}"'))
    if thing.drawn == "painted":
        x1, y1, x2, y2 = polygons.bounds(shape)
        line = outlines.grown(shape, -small * 0.06)
        if line:
            left = polygons.clipped(line, polygons.box(x1, y1, (x2 - x1) * 0.45, y2 - y1))
            found.append(_path(left, f'fill="{PALE}" fill-opacity="0.22"'))
    if thing.drawn == "outlined":
        inner = outlines.grown(shape, -small * 0.1)
        found.append(_path(inner, f'fill="none" stroke="{DARK}" stroke-width="{max(0.012, small / 60):.4g}"'))
        found += [
            _path(
                outlines.grown(shape, -small * (0.24 + 0.1 * k)),
                f'fill="none" stroke="{colour}" stroke-width="0.02"',
            )
            for k, colour in enumerate(others)
        ]
    return found


def _lace(wide: float, high: float) -> list[str]:
    """Holes in two rings, as a doily has."""
    found = list[str]()
    for ring, share, r in ((18, 0.4, 0.035), (12, 0.27, 0.045)):
        for k in range(ring):
            a = math.tau * k / ring
            x, y = wide * (0.5 + share * math.cos(a)), high * (0.5 + share * math.sin(a))
            found.append(f'<circle cx="{x:.5g}" cy="{y:.5g}" r="{min(wide, high) * r:.4g}" fill="#c9bfa8"/>')
    return found


def _shine(shape: Polygon) -> str:
    """Light on what stands up."""
    x1, y1, x2, y2 = polygons.bounds(shape)
    wide, high = x2 - x1, y2 - y1
    return (
        f'<ellipse cx="{x1 + wide * 0.38:.5g}" cy="{y1 + high * 0.3:.5g}" rx="{wide * 0.16:.4g}" '
        f'ry="{high * 0.09:.4g}" fill="#fff" fill-opacity="0.6" '
        f'transform="rotate(-28 {x1 + wide * 0.38:.5g} {y1 + high * 0.3:.5g})"/>'
    )


def _says(thing: Thing, face: Typeface) -> str:
    """Its words in the middle, as large as they go."""
    wide, high = (side.inches for side in thing.size)
    long = sum(face.advance(c) or face.advance("n") or 0.6 for c in thing.says) or 1.0
    cap = min(high * 0.42, wide * 0.78 / long)
    ink = Written(
        thing.says,
        length_of((wide - long * cap) / 2),
        length_of((high + cap) / 2),
        length_of(long * cap),
        cap * face.em,
    )
    colour = PALE if of_hex(thing.colour).lightness < 60 else DARK
    return f'<path d="{polygons.path(*in_ink(ink, face))}" fill="{colour}"/>' if ink.width > ZERO else ""
