"""Files that say what is to be cut: SVG and DXF, with what is to be done along each line.

In an SVG a group or path says so with `data-does` (through, crease, pen; through where nothing is said), in a DXF the
name of the layer. Lines come out in inches from the sheet's top left corner.
"""

from __future__ import annotations

import io
import math
import re
import xml.etree.ElementTree as ET
from collections.abc import Iterator

from fontTools.pens.basePen import BasePen
from fontTools.svgLib.path import parse_path

from ulna.core.errors import FieldError
from ulna.machines.cutting_machine.words import Does, LineOut

SVG = "{http://www.w3.org/2000/svg}"
TO_INCHES = {"in": 1.0, "mm": 1 / 25.4, "cm": 1 / 2.54, "pt": 1 / 72, "px": 1 / 96, "": 1 / 96}
DXF_UNITS = {1: "in", 4: "mm", 5: "cm"}
"""What a DXF calls them; one that says nothing is in inches."""
DOES: tuple[Does, ...] = ("through", "crease", "pen")
MOST_LINES, MOST_POINTS = 5_000, 400_000
STEPS = 16
"""Into so many short lines a curve is drawn out."""


def lines(data: bytes) -> list[LineOut]:
    """What a file says. Raises `FieldError` for one that cannot be read, naming what was found and where."""
    head = data[:2_000].lstrip()
    found = list(_of_svg(data) if head.startswith(b"<") else _of_dxf(data))
    if not found:
        raise FieldError("file", "", "there is no line in it", "send outlines as SVG paths or DXF polylines")
    if len(found) > MOST_LINES or sum(len(line.points) for line in found) > MOST_POINTS:
        raise FieldError("file", len(found), "these are more lines than the machine holds", "send them in parts")
    return found


class _Points(BasePen):  # type: ignore[misc]
    """Takes a path down as points."""

    def __init__(self) -> None:
        super().__init__(None)
        self.found: list[tuple[list[tuple[float, float]], bool]] = []

    def _moveTo(self, pt: tuple[float, float]) -> None:
        self.found.append(([pt], False))

    def _lineTo(self, pt: tuple[float, float]) -> None:
        self.found[-1][0].append(pt)

    def _curveToOne(self, a: tuple[float, float], b: tuple[float, float], c: tuple[float, float]) -> None:
        start = self.found[-1][0][-1]
        for k in range(1, STEPS + 1):
            t = k / STEPS
            u = 1 - t
            weights = u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t
            x, y = (sum(w * p[i] for w, p in zip(weights, (start, a, b, c), strict=True)) for i in (0, 1))
            self.found[-1][0].append((x, y))

    def _closePath(self) -> None:
        self.found[-1] = self.found[-1][0], True

    def _endPath(self) -> None:
        pass


def _of_svg(data: bytes) -> Iterator[LineOut]:
    if b"<!DOCTYPE" in data or b"<!ENTITY" in data:
        raise FieldError("file", "", "it has declarations of its own", "save it as plain SVG")
    try:
        root = ET.fromstring(data)
    except (ET.ParseError, ValueError) as error:
        raise FieldError("file", "", f"this is no SVG ({error})", "save it again") from None
    scale, left, top = _scale(root)
    yield from _group(root, scale, (left, top), "through", "")


def _scale(root: ET.Element) -> tuple[float, float, float]:
    """Inches of a unit of the drawing, and where its corner is."""
    box = [float(part) for part in re.findall(r"-?[\d.]+(?:e-?\d+)?", root.get("viewBox", ""))]
    said = re.fullmatch(r"\s*([\d.]+)\s*([a-z]*)\s*", root.get("width", ""))
    if said is None or said[2] not in TO_INCHES:
        raise FieldError("file", root.get("width", ""), "its width has no unit I know", "give it in in, mm or cm")
    wide = float(said[1]) * TO_INCHES[said[2]]
    if len(box) != 4:
        return TO_INCHES[said[2]] if said[2] == "" else 1 / 96, 0.0, 0.0
    if box[2] <= 0 or wide <= 0:
        raise FieldError("file", root.get("viewBox", ""), "its view has no width", "save it with a viewBox")
    return wide / box[2], box[0], box[1]


def _group(at: ET.Element, scale: float, corner: tuple[float, float], does: Does, piece: str) -> Iterator[LineOut]:
    said = at.get("data-does", does)
    if said not in DOES:
        raise FieldError("file", said, "this is nothing the machine does", "say through, crease or pen")
    does = said
    piece = at.get("data-piece", piece)
    if at.get("transform"):
        corner = _moved(at.get("transform", ""), corner)
    if at.tag == f"{SVG}path":
        pen = _Points()
        try:
            parse_path(at.get("d", ""), pen)
        except (ValueError, IndexError, TypeError, AttributeError):
            told = "this path cannot be read"
            raise FieldError("file", at.get("d", "")[:40], told, "draw it with moves, lines and curves") from None
        for points, closed in pen.found:
            placed = [((x - corner[0]) * scale, (y - corner[1]) * scale) for x, y in points]
            if any(not math.isfinite(v) for point in placed for v in point):
                raise FieldError("file", at.get("d", "")[:40], "a point of it is nowhere", "draw it again")
            if len(placed) > 1:
                yield LineOut(piece=piece, does=does, points=placed, closed=closed or _meets(placed))
    for child in at:
        yield from _group(child, scale, corner, does, piece)


def _moved(said: str, corner: tuple[float, float]) -> tuple[float, float]:
    found = re.fullmatch(r"\s*translate\(\s*(-?[\d.]+)[\s,]*(-?[\d.]*)\s*\)\s*", said)
    if found is None:
        raise FieldError(
            "file", said, "the machine moves lines, it does not turn or stretch them", "draw them as they lie"
        )
    return corner[0] - float(found[1]), corner[1] - float(found[2] or 0)


def _meets(points: list[tuple[float, float]]) -> bool:
    return math.dist(points[0], points[-1]) < 1e-6 and len(points) > 3


def _of_dxf(data: bytes) -> Iterator[LineOut]:
    from ezdxf.entities.lwpolyline import LWPolyline
    from ezdxf.filemanagement import read
    from ezdxf.lldxf.const import DXFError

    try:
        drawing = read(io.StringIO(data.decode()))
        scale = TO_INCHES[DXF_UNITS.get(drawing.units, "in")]
    except (DXFError, UnicodeDecodeError, ValueError, KeyError, TypeError, AttributeError, IndexError) as error:
        raise FieldError("file", "", f"this is no SVG and no DXF ({error})"[:200], "save it again") from None
    for one in drawing.modelspace().query("LWPOLYLINE"):
        layer = one.dxf.layer
        if layer == "paper" or not isinstance(one, LWPolyline):
            continue
        if layer not in DOES:
            raise FieldError(
                "file", layer, "this layer is nothing the machine does", "call it through, crease or pen"
            )
        points = [(x * scale, -y * scale) for x, y in one.get_points("xy")]
        yield LineOut(piece="", does=layer, points=points, closed=bool(one.closed))
