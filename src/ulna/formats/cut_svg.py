"""All sheets and outlines of a cut list in one SVG at true size: one user unit is one inch."""

from __future__ import annotations

import re
from xml.sax.saxutils import escape

from ulna.core.cutting.cut_list import CutList
from ulna.core.cutting.directions import written
from ulna.core.geometry import polygons
from ulna.core.measure import Ruler
from ulna.formats import svg
from ulna.formats.outlines import templates
from ulna.formats.svg import CUT, INK
from ulna.formats.texts import plain

APART = 0.5
"""Inches between two of them."""


def write(cuts: CutList, ruler: Ruler) -> str:
    """The sheets one under the other, then the outlines; each in a group with a title."""
    body, y, wide = list[str](), 0.0, 1.0
    for sheet in cuts.sheets:
        name = sheet.print or sheet.called
        drawn = re.sub(r' (width|height)="[^"]*in"', "", svg.sheet(sheet, name, ruler), count=2)
        w, h = sheet.width.inches, sheet.height.inches
        body.append(drawn.replace("<svg ", f'<svg y="{y:.6g}" width="{w:.6g}" height="{h:.6g}" ', 1))
        y, wide = y + h + APART, max(wide, w)
    for one in templates(cuts):
        lines = "".join(
            f'<path d="{polygons.path(line)}" fill="none" stroke="{CUT}" stroke-width="0.01"/>'
            for line in (one.outline, *one.holes)
            if line
        )
        box = (
            f'<rect width="{one.width:.6g}" height="{one.height:.6g}" fill="none" stroke="{INK}" '
            'stroke-width="0.005" stroke-dasharray="0.03 0.03"/>'
        )
        title = f"<title>{escape(plain(written(one.piece)))}</title>"
        body.append(f'<g class="outline" transform="translate(0 {y:.6g})">{title}{box}{lines}</g>')
        y, wide = y + one.height + APART, max(wide, one.width)
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{wide:.6g}in" height="{y:.6g}in" '
        f'viewBox="0 0 {wide:.6g} {y:.6g}">{"".join(body)}</svg>'
    )
