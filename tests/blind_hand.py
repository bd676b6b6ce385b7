"""A hand that knows nothing of pages or of the planner: it has the published cut list (an `ulna-cut-list` document) and
does what stands there, step by step, then lays what it got where the placement list says.

It is a second reading, written from docs/cut-list.md alone: it imports nothing of the program. Lengths are fractions of
an inch, exact; outlines are corners in inches as they stand in the document. What it finds wrong it says in words.

A part in the hand is a rectangle of a sheet, where it came from and which side is up. Cutting never changes what is
printed where: so for every piece the hand knows from which place of which sheet each of its points came, and which way
its paper runs once it is laid.
"""

from __future__ import annotations

import re
from dataclasses import dataclass, field
from fractions import Fraction
from functools import lru_cache
from math import cos, pi, radians, sin
from typing import Any, TypeVar

Document = dict[str, Any]
Box = tuple[Fraction, Fraction, Fraction, Fraction]
"""x, y, width, height."""
Corners = tuple[tuple[float, float], ...]
Number = TypeVar("Number", Fraction, float)

CLOSE = 2e-5
"""Corners of outlines are given in millionths of an inch."""


@lru_cache(maxsize=10_000)
def length(text: str) -> Fraction:
    """A length as the document writes it: "4 1/4 in", "-108.5 mm", "0.3333333 in"."""
    found = re.fullmatch(r"(-?)(?:(\d+(?:\.\d+)?)(?= ))? ?(?:(\d+)/(\d+) )?(in|mm)", text)
    assert found, f"{text!r} is no length"
    sign, whole, top, bottom, unit = found.groups()
    value = Fraction(whole or 0) + (Fraction(int(top), int(bottom)) if top else 0)
    # A decimal in inches stands for the nearest 1/914400 in.
    if unit == "in" and not top:
        value = Fraction(round(value * 914_400), 914_400)
    return (-value if sign else value) / (1 if unit == "in" else Fraction(254, 10))


def box(at: Document) -> Box:
    return length(at["x"]), length(at["y"]), length(at["width"]), length(at["height"])


def area(corners: Corners) -> float:
    total = 0.0
    for k, (x, y) in enumerate(corners):
        px, py = corners[k - 1]
        total += px * y - x * py
    return abs(total) / 2


def inside(small: Box, large: Box) -> bool:
    return (
        small[0] >= large[0]
        and small[1] >= large[1]
        and small[0] + small[2] <= large[0] + large[2]
        and small[1] + small[3] <= large[1] + large[3]
    )


def corners_of(at: Box) -> Corners:
    x, y, w, h = (float(v) for v in at)
    return ((x, y), (x + w, y), (x + w, y + h), (x, y + h))


def clipped(corners: Corners, at: Box) -> Corners:
    """What of an outline lies in a box."""
    x, y, w, h = (float(v) for v in at)
    for axis, limit, sign in ((0, x, -1), (0, x + w, 1), (1, y, -1), (1, y + h, 1)):
        if all(sign * (corner[axis] - limit) <= 0 for corner in corners):
            continue
        kept: list[tuple[float, float]] = []
        for k, here in enumerate(corners):
            before = corners[k - 1]
            d1, d2 = sign * (before[axis] - limit), sign * (here[axis] - limit)
            if d1 * d2 < 0:
                t = d1 / (d1 - d2)
                kept.append((before[0] + (here[0] - before[0]) * t, before[1] + (here[1] - before[1]) * t))
            if d2 <= 0:
                kept.append(here)
        corners = tuple(kept)
    return corners


@dataclass
class Got:
    """A piece in the hand: its rectangle on the sheet, what was cut out of it, and its outline once it is finished,
    both seen with its good side up as it lies on the page."""

    number: int
    sheet: str
    at: Box
    panels: list[Box] = field(default_factory=list)
    holes: list[Corners] = field(default_factory=list)
    outline: Corners = ()
    within: int = 0


@dataclass
class Table:
    """What lies on the table after everything: pieces by number, rests by name with their boxes and areas, what is
    wrong. `waste` is an area by sheet."""

    pieces: dict[int, Got] = field(default_factory=dict)
    rests: dict[str, Box] = field(default_factory=dict)
    waste: dict[str, float] = field(default_factory=dict)
    wrong: list[str] = field(default_factory=list)


def cut(document: Document, ticked: set[str] | None = None) -> Table:
    """Carries out the steps of every sheet, or those that are ticked, in the order of the list."""
    table = Table()
    for sheet in document["sheets"]:
        _Sheet(document, sheet, table, ticked).cut()
    return table


class _Sheet:
    """One sheet on the trimmer and the mat."""

    def __init__(self, document: Document, sheet: Document, table: Table, ticked: set[str] | None) -> None:
        self.document, self.sheet, self.table, self.ticked = document, sheet, table, ticked
        self.name = sheet["key"]
        self.whole: Box = (Fraction(0), Fraction(0), length(sheet["width"]), length(sheet["height"]))
        self.corners, self.holes = sheet_corners(sheet), [hole_corners(hole) for hole in sheet["holes"]]
        self.hand: list[Box] = [self.whole]
        self.listed = {p["number"]: p for p in sheet["pieces"]}
        self.fell: list[tuple[str, Box, Corners]] = []

    def bad(self, what: str) -> None:
        self.table.wrong.append(f"{self.name}: {what}")

    def cut(self) -> None:
        done = [s for s in self.sheet["steps"] if self.ticked is None or s["key"] in self.ticked]
        for step in done:
            self._told(step)
            getattr(self, f"_{step['kind']}")(step)
        if done:
            self._after()

    # ---- what is told agrees with the figures -----------------------------------------------------------

    def _told(self, step: Document) -> None:
        told = self.document["told"].get(step["key"])
        if told is None:
            return self.bad(f"nothing is told at step {step['n']}")
        good = step["kind"] in ("open", "slant", "round", "shape", "tear")
        up = "Good side up" if good else "Picture up" if self.sheet["print"] else f"{self.sheet['face']} side up"
        if not told["up"].startswith(up):
            self.bad(f"step {step['n']} says {told['up']!r}, and {up!r} is meant")
        for number in step["gives"]:
            if not re.search(rf"\b{number}\b", told["says"]):
                self.bad(f"step {step['n']} gives piece {number} and does not say so")
        if step["kind"] == "cut":
            of = box(step["of"])
            setting = length(step["at"]) - (of[0] if step["axis"] == "vertical" else of[1])
            self._figure(told["figure"], setting, step)
            edge = "left" if step["axis"] == "vertical" else "top"
            if f"from the {edge} of" not in told["says"]:
                self.bad(f"step {step['n']} does not say from which edge")
        if step["kind"] in ("gut", "open") and "Trim" not in told["says"] and not step.get("punched"):
            of = box(step["of"])
            hole = box(step["panel"]) if step["kind"] == "gut" else box(step["hole"])
            left, top = (hole[0] - of[0], hole[1] - of[1]) if step["kind"] == "gut" else hole[:2]
            found = re.search(r"([~\d][^,:]*?) from its left edge and ([~\d].*?) from its top edge", told["says"])
            if found is None:
                return self.bad(f"step {step['n']} does not say where the opening is")
            self._figure(found[1], left, step)
            self._figure(found[2], top, step)

    def _figure(self, said: str, meant: Fraction, step: Document) -> None:
        """A figure on a mark is exact; one that is not is marked with ~ and right to half a mark."""
        mark, unit = length(self.document["mark"]), self.document["unit"]
        scale = {"in": Fraction(1), "mm": Fraction(10, 254), "cm": Fraction(100, 254)}[unit]
        number = said.removeprefix("~ ")
        whole, _, part = number.rpartition(" ") if "/" in number else (number, "", "")
        value = (Fraction(whole or 0) + (Fraction(part) if part else 0)) * scale
        off = abs(value - meant)
        if off > (mark / 2 if said.startswith("~") else 0):
            self.bad(f"step {step['n']} says {said}, and {float(meant):.4f} in is meant")

    # ---- the hand -------------------------------------------------------------------------------------

    def _take(self, step: Document) -> None:
        self._gives(step, [self.whole])

    def _cut(self, step: Document) -> None:
        of, at = box(step["of"]), length(step["at"])
        if of not in self.hand:
            return self.bad(f"step {step['n']} cuts a part that is not in the hand")
        x, y, w, h = of
        if step["axis"] == "vertical":
            sides = [(x, y, at - x, h), (at, y, x + w - at, h)]
        else:
            sides = [(x, y, w, at - y), (x, at, w, y + h - at)]
        if min(side for one in sides for side in one[2:]) <= 0:
            return self.bad(f"step {step['n']} cuts beside its part")
        self.hand.remove(of)
        self.hand += sides
        self._gives(step, sides)

    def _gives(self, step: Document, sides: list[Box]) -> None:
        """The pieces that are free now are what the list says they are: no longer in the hand, but in the pile."""
        for number in step["gives"]:
            at = box(self.listed[number]["rect"])
            if at not in sides:
                self.bad(f"step {step['n']} gives piece {number}, and it is no part of its own then")
            self.table.pieces[number] = Got(number, self.name, at)
            if at in self.hand:
                self.hand.remove(at)

    def _piece(self, step: Document) -> Got | None:
        got = self.table.pieces.get(step["piece"])
        if got is None or got.sheet != self.name:
            self.bad(f"step {step['n']} is done to piece {step['piece']}, which is not cut")
        return got

    def _gut(self, step: Document) -> None:
        got, panel = self._piece(step), box(step["panel"])
        if got is None or not inside(panel, got.at) or panel == got.at:
            return self.bad(f"step {step['n']} cuts out what is not in the piece")
        got.panels.append(panel)
        self.hand.append(panel)
        self._gives(step, [panel])

    def _open(self, step: Document) -> None:
        got = self._piece(step)
        if got is None:
            return
        hole = hole_corners(step["hole"])
        width, height = self._lies(step["piece"])
        if abs(area(clipped(hole, (Fraction(0), Fraction(0), width, height))) - area(hole)) > CLOSE:
            self.bad(f"step {step['n']} opens what is not in the piece")
        got.holes.append(hole)
        if not step["punched"]:
            at = self._on_sheet(step["piece"], box(step["hole"]))
            self.fell.append((step["key"], at, self._corners_on_sheet(step["piece"], hole)))

    def _outline(self, step: Document) -> None:
        got = self._piece(step)
        if got is None:
            return
        width, height = self._lies(step["piece"])
        own: Box = (Fraction(0), Fraction(0), width, height)
        outline = tuple((float(x), float(y)) for x, y in step["outline"])
        if area(outline) - area(clipped(outline, own)) > CLOSE:
            self.bad(f"step {step['n']} has an outline that reaches beyond its piece")
        got.outline = outline
        for number in step["gives"]:
            within = tuple((float(x), float(y)) for x, y in self.listed[number]["within"])
            if area(within) - area(clipped(within, own)) > CLOSE or overlap(within, outline) > 1e-3:
                self.bad(f"piece {number} does not lie in what falls off piece {step['piece']}")
            self.table.pieces[number] = Got(number, self.name, got.at, outline=within, within=step["piece"])

    def _slant(self, step: Document) -> None:
        """Straight cuts from edge to edge: what they leave of the rectangle is the outline."""
        width, height = self._lies(step["piece"])
        ends = [
            tuple(length(line[name]) for name in ("from_x", "from_y", "to_x", "to_y")) for line in step["lines"]
        ]
        for x1, y1, x2, y2 in ends:
            for x, y in ((x1, y1), (x2, y2)):
                at_corner = any(abs(float(x) - a) < CLOSE and abs(float(y) - b) < CLOSE for a, b in step["outline"])
                if not (0 <= x <= width and 0 <= y <= height and at_corner):
                    self.bad(f"step {step['n']} has a line that does not end at a corner of the piece")
        self._outline(step)

    _round = _shape = _outline

    def _tear(self, step: Document) -> None:
        width, height = (float(side) for side in self._lies(step["piece"]))
        xs, ys = [p[0] for p in step["outline"]], [p[1] for p in step["outline"]]
        for edge in step["edges"]:
            highest = min(max(edge["begins"], 0.5), edge["ends"])
            off = float(length(edge["off"])) + float(length(edge["rise"])) * (1 - sin(pi * highest))
            reach = {"left": min(xs), "top": min(ys), "right": width - max(xs), "bottom": height - max(ys)}[
                edge["edge"]
            ]
            if abs(reach - off) > 0.1:
                self.bad(
                    f"step {step['n']} tears {off} inside the {edge['edge']} edge, the drawing has {reach:.2f}"
                )
        self._outline(step)

    def _lies(self, number: int) -> tuple[Fraction, Fraction]:
        """Width and height as the piece lies on the page."""
        _, _, w, h = box(self.listed[number]["rect"])
        return (h, w) if self.listed[number]["quarters"] % 2 else (w, h)

    def _on_sheet(self, number: int, at: Box) -> Box:
        piece = self.listed[number]
        px, py, pw, ph = box(piece["rect"])
        xs, ys = [], []
        for x, y in ((at[0], at[1]), (at[0] + at[2], at[1] + at[3])):
            sx, sy = to_sheet((x, y), piece, (pw, ph))
            xs.append(px + sx)
            ys.append(py + sy)
        return min(xs), min(ys), max(xs) - min(xs), max(ys) - min(ys)

    def _corners_on_sheet(self, number: int, corners: Corners) -> Corners:
        piece = self.listed[number]
        px, py, pw, ph = (float(v) for v in box(piece["rect"]))
        found = []
        for x, y in corners:
            sx, sy = to_sheet((x, y), piece, (pw, ph))
            found.append((px + sx, py + sy))
        return tuple(found)

    # ---- what is left ---------------------------------------------------------------------------------

    def _after(self) -> None:
        """What is left is what the list calls rests, or waste; and nothing is lost: had = pieces + rests + waste."""
        if self.sheet["print"]:
            return
        rests = {(box(r["at"]), r["step"]): r["name"] for r in self.sheet["rests"]}
        true = {(box(r["at"]), r["step"]): clipped(rest_corners(r), box(r["at"])) for r in self.sheet["rests"]}
        left = dict.fromkeys(rests, False)
        strip = self._strip()
        for part in self.hand:
            clear = minus(part, strip)
            named = next((at for at, step in rests if at == clear and not step), None)
            if named is not None:
                left[named, ""] = True
                there = area(true[named, ""]) - sum(
                    area(clipped(hole_corners(hole), named)) for hole in self.sheet["holes"]
                )
                if abs(there - self._paper(named)) > CLOSE:
                    self.bad(f"the rest {rests[named, '']} is said to be {there:.4f} sq in")
                self.table.rests[f"{self._called()}{rests[named, '']}"] = named
            elif self.ticked is None and clear and min(clear[2:]) > Fraction(1, 32) and self._paper(clear):
                self.bad(f"what is left at {[str(v) for v in clear]} has no name")
        for key, at, outline in self.fell:
            if (at, key) in left:
                left[at, key] = True
                if not same(outline, true[at, key]):
                    self.bad(f"the rest {rests[at, key]} has another outline than what falls out")
                self.table.rests[f"{self._called()}{rests[at, key]}"] = at
        for piece in self.listed.values():
            at = box(piece["left"]) if piece["left"] and piece["number"] in self.table.pieces else None
            if at is not None and (at, "") in left:
                left[at, ""] = True
                self.table.rests[f"{self._called()}{rests[at, '']}"] = at
        if self.ticked is None:
            for (at, _), there in left.items():
                if not there:
                    self.bad(f"the rest {rests.get((at, ''), '')} at {[str(v) for v in at]} is not left")
        self._sums()

    def _sums(self) -> None:
        mine = [got for got in self.table.pieces.values() if got.sheet == self.name]
        had = self._paper(self.whole)
        parts = sum(self._paper(part) for part in self.hand)
        pieces = sum(self._paper(g.at) - sum(self._paper(p) for p in g.panels) for g in mine if not g.within)
        if abs(had - parts - pieces) > 1e-6:
            self.bad(f"there were {had:.4f} sq in, and {parts + pieces:.4f} are there")

    def _strip(self) -> Box | None:
        strip = self.sheet["strip"]
        if strip is None:
            return None
        _, _, w, h = self.whole
        d = length(strip["depth"])
        return {
            "left": (Fraction(0), Fraction(0), d, h),
            "right": (w - d, Fraction(0), d, h),
            "top": (Fraction(0), Fraction(0), w, d),
            "bottom": (Fraction(0), h - d, w, d),
        }[strip["edge"]]

    def _called(self) -> str:
        name: str = self.sheet["paper_name"]
        return name if self.sheet["scrap"] else f"{name} {self.sheet['copy_number']}"

    def _paper(self, at: Box) -> float:
        """How much paper there is in a part."""
        there = area(clipped(self.corners, at))
        return there - sum(area(clipped(hole, at)) for hole in self.holes)


def minus(part: Box, strip: Box | None) -> Box | None:
    """A part less the branding strip that may still be on it."""
    if strip is None or not (
        part[0] < strip[0] + strip[2]
        and strip[0] < part[0] + part[2]
        and part[1] < strip[1] + strip[3]
        and strip[1] < part[1] + part[3]
    ):
        return part
    if inside(part, strip):
        return None
    x, y, w, h = part
    if strip[2] < strip[3]:  # upright
        return (x, y, strip[0] - x, h) if strip[0] > x else (strip[0] + strip[2], y, x + w - strip[0] - strip[2], h)
    return (x, y, w, strip[1] - y) if strip[1] > y else (x, strip[1] + strip[3], w, y + h - strip[1] - strip[3])


def overlap(one: Corners, other: Corners) -> float:
    """About how much two outlines share: by a fine grid, since neither needs to be convex."""
    xs, ys = [x for x, _ in one], [y for _, y in one]
    n = 24
    dx, dy = (max(xs) - min(xs)) / n, (max(ys) - min(ys)) / n
    points = [(min(xs) + (i + 0.5) * dx, min(ys) + (j + 0.5) * dy) for i in range(n) for j in range(n)]
    return sum(_well_in(p, one) and _well_in(p, other) for p in points) * dx * dy


def _well_in(point: tuple[float, float], corners: Corners) -> bool:
    """Inside, and not on the edge that two pieces share."""
    return _in(point, corners) and not any(
        _is_beside(point, (corners[k - 1], c), CLOSE) for k, c in enumerate(corners)
    )


def _in(point: tuple[float, float], corners: Corners) -> bool:
    x, y = point
    within = False
    for k, (x1, y1) in enumerate(corners):
        x2, y2 = corners[k - 1]
        if (y1 > y) != (y2 > y) and x < x1 + (y - y1) * (x2 - x1) / (y2 - y1):
            within = not within
    return within


def hole_corners(hole: Document) -> Corners:
    return tuple((float(x), float(y)) for x, y in hole["outline"])


def rest_corners(rest: Document) -> Corners:
    """A rest is the whole of its box, or what of its box is inside the hole that it came out of."""
    return hole_corners(rest["inside"]) if rest["inside"] else corners_of(box(rest["at"]))


def sheet_corners(sheet: Document) -> Corners:
    whole: Box = (Fraction(0), Fraction(0), length(sheet["width"]), length(sheet["height"]))
    return clipped(hole_corners(sheet["inside"]), whole) if sheet["inside"] else corners_of(whole)


def same(one: Corners, other: Corners) -> bool:
    """Whether two outlines are one, wherever on it their corners are."""
    if abs(area(one) - area(other)) > 1e-3:
        return False
    if corner_for_corner(one, other, 1e-4):
        return True
    edges = [(other[k - 1], corner) for k, corner in enumerate(other)]
    return all(any(_is_beside(point, edge, 1e-4) for edge in edges) for point in one)


def corner_for_corner(one: Corners, other: Corners, near: float) -> bool:
    """Whether two outlines have the same corners in the same order, whichever comes first and whichever way round."""
    n = len(one)
    if n != len(other) or not n:
        return False
    (x, y), there = one[0], range(n)
    starts = [k for k in there if abs(other[k][0] - x) < near and abs(other[k][1] - y) < near]
    return any(
        all(
            abs(one[k][0] - other[(start + way * k) % n][0]) < near
            and abs(one[k][1] - other[(start + way * k) % n][1]) < near
            for k in there
        )
        for start in starts
        for way in (1, -1)
    )


def _is_beside(
    point: tuple[float, float], edge: tuple[tuple[float, float], tuple[float, float]], near: float
) -> bool:
    """Whether a point is as near as that to an edge."""
    (x, y), ((x1, y1), (x2, y2)) = point, edge
    if (x < x1 - near and x < x2 - near) or (x > x1 + near and x > x2 + near):
        return False
    long = (x2 - x1) ** 2 + (y2 - y1) ** 2
    t = min(1.0, max(0.0, ((x - x1) * (x2 - x1) + (y - y1) * (y2 - y1)) / long)) if long else 0.0
    return max(abs(x - x1 - t * (x2 - x1)), abs(y - y1 - t * (y2 - y1))) < near


# ---- laying ----------------------------------------------------------------------------------------


def to_sheet(point: tuple[Number, Number], piece: Document, size: tuple[Number, Number]) -> tuple[Number, Number]:
    """A point of a piece as it lies on the page, on the piece as it lies on the sheet. What is told is the other way
    round: turned over about its upright middle line, then turned clockwise by quarters."""
    x, y = point
    width, height = size if piece["quarters"] % 2 == 0 else (size[1], size[0])
    for _ in range(piece["quarters"]):
        x, y, width, height = y, width - x, height, width
    return (width - x, y) if piece["over"] else (x, y)


@dataclass(frozen=True)
class Lies:
    """A piece on the page: its outline and holes there, which side shows, which way its paper's top points (degrees
    clockwise from upward), and from which place of its sheet, seen from that side, its top left corner came."""

    outline: Corners
    holes: tuple[Corners, ...]
    side: str
    up: float
    came_from: tuple[Fraction, Fraction]


def laid(document: Document, table: Table) -> dict[str, Lies]:
    """Every piece of the placement list that was cut, laid where it says."""
    sheets = {sheet["key"]: sheet for sheet in document["sheets"]}
    listed = {p["number"]: (p, s) for s in sheets.values() for p in s["pieces"]}
    found = {}
    for one in document["placements"]:
        if not one["number"]:
            continue
        got = table.pieces.get(one["number"])
        if got is None:
            table.wrong.append(f"piece {one['number']} is to be laid and was not cut")
            continue
        piece, sheet = listed[one["number"]]
        if got.within:  # what falls off a piece keeps the openings that were cut into it
            got.holes = [*table.pieces[got.within].holes]
        found[one["piece"]] = _lie(one, got, piece, sheet)
    return found


def _lie(one: Document, got: Got, piece: Document, sheet: Document) -> Lies:
    _, _, w, h = got.at
    lies = (h, w) if piece["quarters"] % 2 else (w, h)
    own = got.outline or corners_of((Fraction(0), Fraction(0), *lies))
    if sheet["inside"] and not got.outline:  # it has the outline of its sheet
        there = clipped(sheet_corners(sheet), got.at)
        own = tuple(_to_page((x - float(got.at[0]), y - float(got.at[1])), piece, (w, h)) for x, y in there)
    holes = [*got.holes]
    for panel in got.panels:
        holes.append(
            tuple(
                _to_page((x - float(got.at[0]), y - float(got.at[1])), piece, (w, h)) for x, y in corners_of(panel)
            )
        )
    for hole in sheet["holes"]:  # what the piece has of its sheet's own holes
        there = clipped(hole_corners(hole), got.at)
        if len(there) > 2 and area(there) > 1e-9:
            seen = ((x - float(got.at[0]), y - float(got.at[1])) for x, y in there)
            holes.append(tuple(_to_page(corner, piece, (w, h)) for corner in seen))
    turn = piece["turn"] if got.within else 0.0
    if got.within:  # a piece of its own now: turned back as it is to lie, its box where the list says
        own = _turned(own, -turn, (0.0, 0.0))
        x0, y0 = min(x for x, _ in own), min(y for _, y in own)
        placed = one["outline"] or [(0.0, 0.0)]
        wx, wy = min(x for x, _ in placed), min(y for _, y in placed)
        own = tuple((x - x0 + wx, y - y0 + wy) for x, y in own)
    x, y, _, _ = box(one["at"])
    ax, ay, aw, ah = box(one["about"])
    middle = (float(ax + aw / 2), float(ay + ah / 2))

    def placed(corners: Corners) -> Corners:
        return _turned(tuple((px + float(x), py + float(y)) for px, py in corners), one["angle"], middle)

    side = sheet["face"] if not piece["over"] else ("B" if sheet["face"] == "A" else "A")
    up = (piece["quarters"] * 90 - turn + one["angle"]) % 360
    # Where the piece's own corner was: seen from the side that shows.
    left, top = got.at[0], got.at[1]
    if piece["over"]:
        left = length(sheet["width"]) - left - w
    return Lies(placed(own), tuple(placed(hole) for hole in holes), side, up, (left, top))


def _to_page(point: tuple[float, float], piece: Document, size: tuple[Fraction, Fraction]) -> tuple[float, float]:
    x, y = point
    width, height = float(size[0]), float(size[1])
    if piece["over"]:
        x = width - x
    for _ in range(piece["quarters"]):
        x, y, width, height = height - y, x, height, width
    return x, y


def _turned(corners: Corners, degrees: float, about: tuple[float, float]) -> Corners:
    c, s = cos(radians(degrees)), sin(radians(degrees))
    ax, ay = about
    return tuple((ax + (x - ax) * c - (y - ay) * s, ay + (x - ax) * s + (y - ay) * c) for x, y in corners)
