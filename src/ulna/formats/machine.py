"""What a cutting machine is to cut: for each sheet its outlines where they lie on it, in real units, as SVG or DXF.

A file has the sheets side by side, each from its top left corner. `mirrored` is for cutting from the back: each sheet
as it lies turned over. Only what is cut along an outline is in it; straight pieces come off the trimmer.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from io import StringIO
from xml.sax.saxutils import escape, quoteattr

from ulna.core.cutting.cut_list import CutList, CutPiece, CutSheet
from ulna.core.cutting.directions import written
from ulna.core.cutting.steps import Trace
from ulna.core.geometry import polygons
from ulna.core.geometry.polygons import Polygon
from ulna.formats.outlines import templates
from ulna.formats.texts import plain

APART = 1.0
"""Inches between two sheets."""
MM = 25.4


@dataclass(frozen=True, slots=True)
class ToCut:
    """A piece with what is cut along in it, inner lines first, in inches from the sheet's corner."""

    name: str
    lines: tuple[Polygon, ...]


@dataclass(frozen=True, slots=True)
class Bed:
    """A sheet or scrap as it lies on the machine, in inches."""

    name: str
    width: float
    height: float
    pieces: tuple[ToCut, ...]


def beds(cuts: CutList, mirrored: bool = False) -> Iterator[Bed]:
    """Every sheet that something is cut from along an outline."""
    outlined = {one.piece.number: one for one in templates(cuts)}
    for sheet in cuts.sheets:
        if sheet.print:
            continue
        width, height = sheet.width.inches, sheet.height.inches
        found = [*_traced(sheet, width, mirrored)]
        for piece in sheet.pieces:
            one = outlined.get(piece.number)
            if one is not None:
                lines = (*one.holes, one.outline) if one.outline else one.holes
                found.append(
                    ToCut(plain(written(piece)), tuple(_on_bed(piece, line, width, mirrored) for line in lines))
                )
        if found:
            yield Bed(sheet.called, width, height, tuple(found))


def _traced(sheet: CutSheet, width: float, mirrored: bool) -> Iterator[ToCut]:
    """What the machine is to cut of a sheet that is laid out for it alone."""
    for step in sheet.steps:
        if isinstance(step, Trace):
            for number, outline, openings in zip(step.gives, step.outlines, step.openings, strict=True):
                lines = [
                    tuple((width - x, y) for x, y in line) if mirrored else line for line in (*openings, outline)
                ]
                yield ToCut(plain(written(sheet.piece(number))), tuple(lines))


def as_job(sheet: CutSheet) -> bytes:
    """One sheet as the machine takes it: what is done along each line, and for which piece, by its number."""
    step = next(one for one in sheet.steps if isinstance(one, Trace))
    lines = "".join(
        f'<g data-piece="{number}">'
        + "".join(f'<path d="{polygons.path(line)}"/>' for line in (*openings, outline))
        + "</g>"
        for number, outline, openings in zip(step.gives, step.outlines, step.openings, strict=True)
    )
    wide, high = sheet.width.inches, sheet.height.inches
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{wide:.6g}in" height="{high:.6g}in" '
        f'viewBox="0 0 {wide:.6g} {high:.6g}"><g data-does="through" fill="none" stroke="#000" stroke-width="0.01">'
        f"{lines}</g></svg>"
    ).encode()


def _on_bed(piece: CutPiece, line: Polygon, width: float, mirrored: bool) -> Polygon:
    there = piece.outline_on_sheet(line)
    return tuple((width - x, y) for x, y in there) if mirrored else there


def as_svg(cuts: CutList, mirrored: bool = False) -> str:
    """One user unit is an inch; the width and height of the file say so."""
    body, x, high = list[str](), 0.0, 0.1
    for bed in beds(cuts, mirrored):
        lines = "".join(
            f"<g><title>{escape(piece.name)}</title>"
            + "".join(f'<path d="{polygons.path(line)}"/>' for line in piece.lines)
            + "</g>"
            for piece in bed.pieces
        )
        body.append(
            f'<g data-sheet={quoteattr(bed.name)} transform="translate({x:.6g} 0)">'
            f'<rect width="{bed.width:.6g}" height="{bed.height:.6g}" stroke="#9a9a9a" stroke-dasharray="0.1 0.1"/>'
            f'<g fill="none" stroke="#d0021b">{lines}</g></g>'
        )
        x, high = x + bed.width + APART, max(high, bed.height)
    wide = max(0.1, x - APART)
    return (
        f'<svg xmlns="http://www.w3.org/2000/svg" width="{wide:.6g}in" height="{high:.6g}in" '
        f'viewBox="0 0 {wide:.6g} {high:.6g}"><g fill="none" stroke-width="0.01">{"".join(body)}</g></svg>'
    )


def as_dxf(cuts: CutList, mirrored: bool = False) -> str:
    """Millimetres, up being positive: closed polylines on the layer "through", sheets on the layer "paper"."""
    from ezdxf import units  # slow to import, seldom asked for
    from ezdxf.filemanagement import new

    drawing = new("R2000", units=units.MM)
    drawing.layers.add("paper", color=8)
    drawing.layers.add("through", color=1)
    space, x = drawing.modelspace(), 0.0
    for bed in beds(cuts, mirrored):
        corners = polygons.moved(polygons.box(0, 0, bed.width, bed.height), x, 0)
        space.add_lwpolyline(_up(corners), close=True, dxfattribs={"layer": "paper"})
        for piece in bed.pieces:
            for line in piece.lines:
                space.add_lwpolyline(_up(polygons.moved(line, x, 0)), close=True, dxfattribs={"layer": "through"})
        x += bed.width + APART
    file = StringIO()
    drawing.write(file)
    return file.getvalue()


def _up(line: Polygon) -> list[tuple[float, float]]:
    return [(round(x * MM, 4), round(-y * MM, 4)) for x, y in line]
