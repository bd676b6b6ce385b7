"""A font as a face: its outlines in cap heights, each read when it is first asked for."""

from __future__ import annotations

from collections.abc import Iterator
from pathlib import Path
from typing import Any, BinaryIO

from fontTools.pens.basePen import BasePen
from fontTools.ttLib import TTFont
from shapely import LinearRing, MultiPolygon, unary_union
from shapely import Point as Spot
from shapely.ops import polygonize

from ulna.core.geometry.polygons import Point, Polygon, area, inside
from ulna.core.words.faces import Bit, Glyph

STEPS = 8
"""Into so many short lines a curve is drawn out: at a cap height of 3 in they are off by less than 1/100 in."""
LEAST_AREA = 1e-4


class _Lines(BasePen):  # type: ignore[misc]  # it comes without types
    """Takes a glyph's outline as closed lines of points, in the font's units, up being positive."""

    def __init__(self, glyphs: Any) -> None:
        super().__init__(glyphs)
        self.contours: list[list[Point]] = []

    def _moveTo(self, pt: Point) -> None:
        self.contours.append([pt])

    def _lineTo(self, pt: Point) -> None:
        self.contours[-1].append(pt)

    def _curveToOne(self, one: Point, two: Point, end: Point) -> None:
        begin = self.contours[-1][-1]
        for k in range(1, STEPS + 1):
            t = k / STEPS
            a, b, c, d = (1 - t) ** 3, 3 * t * (1 - t) ** 2, 3 * t * t * (1 - t), t**3
            self.contours[-1].append(
                (
                    a * begin[0] + b * one[0] + c * two[0] + d * end[0],
                    a * begin[1] + b * one[1] + c * two[1] + d * end[1],
                )
            )


class FontFace:
    """A font as a face. What is broken in it raises whatever the reader does: only fonts that ship, or that were
    written anew when they were taken in, are read here."""

    def __init__(self, file: Path | BinaryIO) -> None:
        self.font = TTFont(file, lazy=True)
        self.names = self.font.getBestCmap()
        self.glyphs = self.font.getGlyphSet()
        self.cap = self._top_of("H")
        self.em = float(self.font["head"].unitsPerEm) / self.cap
        self.known: dict[str, Glyph | None] = {}

    def glyph(self, character: str) -> Glyph | None:
        if character not in self.known:
            self.known[character] = self._read(character)
        return self.known[character]

    def advance(self, character: str) -> float | None:
        name = self.names.get(ord(character)) if len(character) == 1 else None
        return None if name is None else float(self.glyphs[name].width) / self.cap

    def _contours(self, character: str) -> list[list[Point]]:
        pen = _Lines(self.glyphs)
        self.glyphs[self.names[ord(character)]].draw(pen)
        return pen.contours

    def _top_of(self, character: str) -> float:
        return max(y for contour in self._contours(character) for _, y in contour)

    def _read(self, character: str) -> Glyph | None:
        if len(character) != 1 or ord(character) not in self.names:
            return None
        lines = [_clean(contour, self.cap) for contour in self._contours(character)]
        lines = [line for line in lines if len(line) > 2 and abs(area(line)) > LEAST_AREA]
        if not lines:
            return None
        left = min(x for line in lines for x, _ in line)
        lines = [tuple((x - left, y) for x, y in line) for line in lines]
        bits = tuple(_bits(lines) if _are_clear(lines) else _inked(lines))
        return Glyph.of(bits, self.glyphs[self.names[ord(character)]].width / self.cap)


def _clean(contour: list[Point], cap: float) -> Polygon:
    """In cap heights, down being positive, without points twice."""
    found = list[Point]()
    for x, y in contour:
        point = round(x / cap, 6), round(-y / cap, 6)
        if not found or found[-1] != point:
            found.append(point)
    if len(found) > 1 and found[0] == found[-1]:
        found.pop()
    return tuple(found)


def _are_clear(lines: list[Polygon]) -> bool:
    """Whether no line crosses itself or another one, as in most fonts."""
    rings = [LinearRing(line) for line in lines]
    return all(ring.is_simple for ring in rings) and not any(
        one.crosses(other) or one.overlaps(other) for k, one in enumerate(rings) for other in rings[k + 1 :]
    )


def _inked(lines: list[Polygon]) -> Iterator[Bit]:
    """What is inked of lines that cross: wherever they go round more often one way than the other."""
    faces = polygonize(unary_union([LinearRing(line) for line in lines]))
    kept = [face for face in faces if sum(_goes_round(line, face.representative_point()) for line in lines)]
    whole = unary_union(kept)
    for part in whole.geoms if isinstance(whole, MultiPolygon) else [whole]:
        if part.area > LEAST_AREA:
            rings = [
                tuple((float(x), float(y)) for x, y in ring.coords[:-1])
                for ring in (part.exterior, *part.interiors)
            ]
            yield Bit(rings[0], tuple(ring for ring in rings[1:] if area(ring) > LEAST_AREA))


def _goes_round(line: Polygon, point: Spot) -> int:
    """How often a line goes round a point, counted against the other way."""
    x, y, turns = point.x, point.y, 0
    for (x1, y1), (x2, y2) in zip(line, (*line[1:], line[0]), strict=True):
        if (y1 <= y) != (y2 <= y) and x1 + (x2 - x1) * (y - y1) / (y2 - y1) > x:
            turns += 1 if y2 > y1 else -1
    return turns


def _bits(lines: list[Polygon]) -> Iterator[Bit]:
    """Outlines with the counters that lie in them: a line inside one other is a counter of that."""
    within = {
        k: [n for n, other in enumerate(lines) if n != k and inside(line[0], other)] for k, line in enumerate(lines)
    }
    for k, line in enumerate(lines):
        if len(within[k]) % 2 == 0:
            yield Bit(
                line, tuple(lines[n] for n in within if k in within[n] and len(within[n]) == len(within[k]) + 1)
            )
